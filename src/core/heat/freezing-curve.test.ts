import { describe, expect, it } from 'vitest';
import { gridOf100, shapes, thermal } from '../../../tests/models/cases';
import type { Shape } from '../../reference/tables';
import { freezingCurve } from './freezing-curve';
import { plankTime_s } from './freezing-time';
import { HeatSolver } from './heat-solver';
import { foodTable, readTable, thermalTable } from './thermal-table';
import { centreLeft } from './transient';

/** Slope of log error against log cells: least squares. */
function order(errors: readonly (readonly [cells: number, error: number])[]): number {
	const xs = errors.map(([n]) => Math.log(n));
	const ys = errors.map(([, e]) => Math.log(e));
	const mean = (list: number[]) => list.reduce((a, b) => a + b) / list.length;
	const [mx, my] = [mean(xs), mean(ys)];
	const top = xs.reduce((sum, x, i) => sum + (x - mx) * ((ys[i] ?? 0) - my), 0);
	return -top / xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
}
/** erf by its series; good to 1e-12 below 3. */
function erf(x: number): number {
	let sum = x;
	let term = x;
	for (let n = 1; n < 80; n++) {
		term *= (-x * x) / n;
		sum += term / (2 * n + 1);
	}
	return (2 / Math.sqrt(Math.PI)) * sum;
}

/** Water that freezes at 0 °C, in a band of a hundredth of a degree; c and k constant in each phase. */
const ice = { rho: 1000, c: 2050, k: 2.2 };
const water = { rho: 1000, c: 4200, k: 0.57 };
const latent_J_m3 = 333.6e6;
const sharp = thermalTable([
	{ t_C: -40, c_J_m3K: ice.rho * ice.c, k_W_mK: ice.k },
	{ t_C: -0.01, c_J_m3K: ice.rho * ice.c, k_W_mK: ice.k },
	{ t_C: 0, c_J_m3K: water.rho * water.c, k_W_mK: water.k, melts_J_m3: latent_J_m3 },
	{ t_C: 60, c_J_m3K: water.rho * water.c, k_W_mK: water.k }
]);

describe('the heat solver without freezing', () => {
	const table = thermalTable([
		{ t_C: -50, c_J_m3K: 3.6e6, k_W_mK: 0.5 },
		{ t_C: 120, c_J_m3K: 3.6e6, k_W_mK: 0.5 }
	]);
	const left = (shape: Shape, cells: number, biot: number, fourier: number) => {
		const half = 0.02;
		const solver = new HeatSolver(table, shape, half, cells, 100);
		const seconds = (fourier * half * half * 3.6e6) / 0.5;
		for (let i = 0; i < 2 * cells; i++) solver.step(seconds / (2 * cells), 0, (biot * 0.5) / half);
		return solver.centre_C / 100;
	};
	// Against the exact series (Incropera and DeWitt, 5.5 and 5.6, from memory).
	it.each(shapes)('%s: of the second order against the exact series', (shape) => {
		for (const biot of [0.5, 2, 20]) {
			const errors = [8, 16, 32, 64].map(
				(cells) => [cells, Math.abs(left(shape, cells, biot, 0.4) - centreLeft(shape, biot, 0.4))] as const
			);
			expect(order(errors), `Bi ${biot}`).toBeGreaterThan(1.8);
			expect(errors.at(-1)?.[1], `Bi ${biot}`).toBeLessThan(2e-4);
		}
	});
	it('loses just the heat that the surface gives', () => {
		const solver = new HeatSolver(table, 'cylinder', 0.03, 20, 80);
		let given = 0;
		const before = solver.heat_J_m3;
		for (let i = 0; i < 200; i++) {
			const then = solver.surface_C;
			solver.step(5, 10, 25);
			given += 5 * 25 * ((then + solver.surface_C) / 2 - 10) * solver.areaPerVolume_m;
		}
		const lost = before - solver.heat_J_m3;
		expect(given / lost).toBeCloseTo(1, 2);
		expect(solver.mean_C).toBeCloseTo(80 - lost / 3.6e6, 6);
		expect(solver.profile()).toHaveLength(21);
		expect(solver.profile()[0]).toBe(solver.centre_C);
	});
});

describe('the heat solver at a freezing front', () => {
	/** Neumann's λ: e^−λ²/erf λ − (k_l/k_s)·√(α_s/α_l)·(T_i/−T_w)·e^(−λ²α_s/α_l)/erfc(λ√(α_s/α_l)) = λ√π·L/(c_s·−T_w). */
	function neumann(wall_C: number, start_C: number): { lambda: number; alpha: number } {
		const alpha = ice.k / (ice.rho * ice.c);
		const ratio = Math.sqrt(alpha / (water.k / (water.rho * water.c)));
		const f = (x: number) =>
			Math.exp(-x * x) / erf(x) -
			((water.k / ice.k) * ratio * (start_C / -wall_C) * Math.exp(-((x * ratio) ** 2))) / (1 - erf(x * ratio)) -
			(x * Math.sqrt(Math.PI) * (latent_J_m3 / ice.rho)) / (ice.c * -wall_C);
		let [low, high] = [1e-4, 1];
		for (let i = 0; i < 80; i++) {
			const middle = (low + high) / 2;
			if (f(middle) > 0) low = middle;
			else high = middle;
		}
		return { lambda: low, alpha };
	}
	// The exact solution of Stefan and Neumann, in Carslaw and Jaeger, Conduction of Heat in Solids, chapter XI (from memory).
	it.each([
		[-20, 0.001],
		[-20, 15],
		[-35, 5]
	])('the front and the heat follow Neumann: wall %d °C, start %d °C', (wall_C, start_C) => {
		const half = 0.1;
		const cells = 800;
		const { lambda, alpha } = neumann(wall_C, start_C);
		const seconds = 1500;
		const solver = new HeatSolver(sharp, 'slab', half, cells, start_C);
		const whole = solver.heat_J_m3;
		for (let i = 0; i < 1200; i++) solver.step(seconds / 1200, wall_C, 1e6);
		const profile = solver.profile();
		const i = profile.findLastIndex((t) => t > -0.005);
		const front = half - (i + 0.5) * (half / cells);
		expect(front / (2 * lambda * Math.sqrt(alpha * seconds))).toBeGreaterThan(0.99);
		expect(front / (2 * lambda * Math.sqrt(alpha * seconds))).toBeLessThan(1.01);
		const exact = (2 * ice.k * -wall_C * Math.sqrt(seconds)) / (erf(lambda) * Math.sqrt(Math.PI * alpha));
		expect(((whole - solver.heat_J_m3) * half) / exact).toBeGreaterThan(0.99);
		expect(((whole - solver.heat_J_m3) * half) / exact).toBeLessThan(1.01);
	});
	it.each(shapes)('%s: is Plank’s in Plank’s own limit, within 1 %%', (shape) => {
		// Latent heat alone: a thousandth of the sensible heat, from just above the freezing point.
		const table = thermalTable([
			{ t_C: -40, c_J_m3K: 2000, k_W_mK: 1.6 },
			{ t_C: -1.001, c_J_m3K: 2000, k_W_mK: 1.6 },
			{ t_C: -1, c_J_m3K: 2000, k_W_mK: 1.6, melts_J_m3: 3e8 },
			{ t_C: 20, c_J_m3K: 2000, k_W_mK: 1.6 }
		]);
		for (const [size_m, h] of [
			[0.03, 10],
			[0.05, 60]
		] as const) {
			const plank = plankTime_s({ shape: { kind: shape, size_m }, freezing_C: -1, medium_C: -18, h_W_m2K: h, k_W_mK: 1.6, latent_J_m3: 3e8 }); // prettier-ignore
			const solver = new HeatSolver(table, shape, size_m / 2, 120, -0.9);
			const dt = plank / 1500;
			let t = 0;
			while (solver.centre_C > -1.5 && t < 3 * plank) {
				solver.step(dt, -18, h);
				t += dt;
			}
			expect(t / plank, `${size_m} ${h}`).toBeGreaterThan(0.99);
			expect(t / plank, `${size_m} ${h}`).toBeLessThan(1.01);
		}
	});
	it('is of the first order at least on food, and within 1 % with 24 cells, 10 cm thick', () => {
		for (const shape of shapes) {
			const ask = { food: thermal('ground-beef'), shape, size_m: 0.1, start_C: 5, medium_C: -20, h_W_m2K: 12 };
			const fine = freezingCurve({ ...ask, cells: 320 }).seconds;
			const errors = [6, 12, 24, 48].map(
				(cells) => [cells, Math.abs(freezingCurve({ ...ask, cells }).seconds - fine) / fine] as const
			);
			expect(order(errors), shape).toBeGreaterThan(1);
			expect(errors[2]?.[1], shape).toBeLessThan(0.01);
		}
	});
});

describe('the curve of a freezing pack', () => {
	const beef = { food: thermal('ground-beef'), shape: 'slab', start_C: 5, medium_C: -20, h_W_m2K: 10 } as const;
	it('is within 12 % of Pham in at least 95 of a grid of 100 cases', () => {
		const near = gridOf100().map(({ pham, solver }) => solver / pham);
		expect(near.filter((share) => Math.abs(share - 1) <= 0.12).length).toBeGreaterThanOrEqual(95);
	});
	it('falls from start to hard, the surface ahead of the centre', () => {
		const done: number[] = [];
		const { points, seconds } = freezingCurve({ ...beef, size_m: 0.04, onProgress: (share) => done.push(share) });
		expect(points[0]).toEqual({ t_s: 0, centre_C: 5, surface_C: 5, mean_C: 5 });
		expect(points.at(-1)).toMatchObject({ t_s: seconds, centre_C: -10 });
		expect(points.length).toBeLessThanOrEqual(240);
		points.forEach((p, i) => {
			const before = points[i - 1];
			if (before) expect(p.centre_C).toBeLessThanOrEqual(before.centre_C + 1e-6);
			expect(p.surface_C).toBeLessThanOrEqual(p.centre_C + 1e-6);
			expect(p.mean_C).toBeGreaterThanOrEqual(p.surface_C - 1e-6);
		});
		expect(done.at(-1)).toBe(1);
		expect(done.every((share, i) => share >= (done[i - 1] ?? 0))).toBe(true);
	});
	it('shows why a 2 cm flat bag beats an 8 cm brick: six times as fast at the least', () => {
		const flat = freezingCurve({ ...beef, size_m: 0.02 }).seconds;
		const brick = freezingCurve({ ...beef, size_m: 0.08 }).seconds;
		expect(brick / flat).toBeGreaterThan(4.3);
		expect(brick / flat).toBeLessThan(16);
	});
	it('stands on the plateau while most of the water freezes', () => {
		const { points, seconds } = freezingCurve({ ...beef, size_m: 0.06 });
		const within = points.filter((p) => p.centre_C < beef.food.freezing_C + 0.3 && p.centre_C > -3).map((p) => p.t_s);
		expect((Math.max(...within) - Math.min(...within)) / seconds).toBeGreaterThan(0.3);
	});
	it.each([
		[{ medium_C: -8 }, /never reaches -10/],
		[{ medium_C: -41 }, /medium_C/],
		[{ start_C: -3 }, /start_C/],
		[{ size_m: 0 }, /size_m/],
		[{ size_m: 0.6 }, /size_m/],
		[{ h_W_m2K: Number.NaN }, /h_W_m2K/],
		[{ cells: 1.5 }, /cells/]
	])('refuses %o', (more, words) => expect(() => freezingCurve({ ...beef, size_m: 0.02, ...more })).toThrow(words));
	it('reads and refuses tables', () => {
		const table = foodTable(thermal('peas'), -30, 20);
		expect(readTable(table.t, table.heat, -30)).toBe(0);
		expect(() => thermalTable([{ t_C: 0, c_J_m3K: 1, k_W_mK: 1 }])).toThrow(/two rows/);
		expect(() => thermalTable([5, 5].map((t_C) => ({ t_C, c_J_m3K: 1, k_W_mK: 1 })))).toThrow(/must rise/);
	});
});
