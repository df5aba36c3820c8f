import type { Shape } from '../../reference/tables';
import { DomainError, mustBePositive } from '../errors';
import { readTable, rowOf, type ThermalTable } from './thermal-table';

/** Dimensions of flow less one: how the area grows with the distance from the middle. */
const power: Record<Shape, number> = { slab: 0, cylinder: 1, sphere: 2 };
/** Share of a step in each stage: Alexander's L-stable pair of the second order. */
const gamma = 1 - Math.SQRT1_2;
const mostIterations = 60;

/**
 * Heat in a slab, long cylinder or sphere in one dimension, by finite volumes around nodes from the middle to the surface.
 *
 *     ∂H/∂t = r^−m ∂/∂r (r^m ∂Θ/∂r),  −∂Θ/∂r = h·(T − T_medium) at the surface,  Θ = ∫k dT
 *
 * Enthalpy is what is kept, so that the heat of freezing is never stepped over; Kirchhoff's Θ makes conduction linear, so
 * that the jump of k at the front needs no mean. Time by a diagonally implicit Runge–Kutta pair of the second order
 * (Alexander 1977), each stage by Newton's method with a line search.
 *
 * The one object is stepped in place: arrays are made once, for many steps and many packs.
 *
 * @source finite-volume enthalpy method, as in Pham 2006, Int. J. Refrigeration 29: modelling heat transfer in freezing
 */
export class HeatSolver {
	readonly #table: ThermalTable;
	readonly #n: number;
	readonly #volume: Float64Array;
	/** Area over distance, between node i and i + 1. */
	readonly #link: Float64Array;
	readonly #surface: number;
	readonly #whole: number;
	readonly #tolerance: number;
	/** State: Θ and the heat of each node. */
	readonly #flow: Float64Array;
	readonly #heat: Float64Array;
	readonly #scratch: readonly [Float64Array, Float64Array, Float64Array, Float64Array, Float64Array, Float64Array];

	/**
	 * @param half_m half the thickness, or the radius
	 * @param cells between middle and surface, 2 or more; the error falls with the square, at a front about linearly
	 * @param tolerance_J_m3 to which a stage is solved; 5 is a millionth of a degree of water
	 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE
	 */
	constructor(table: ThermalTable, shape: Shape, half_m: number, cells: number, start_C: number, tolerance_J_m3 = 5) {
		mustBePositive(tolerance_J_m3, 'tolerance_J_m3');
		this.#tolerance = tolerance_J_m3;
		mustBePositive(half_m, 'half_m');
		if (!(Number.isInteger(cells) && cells >= 2 && cells <= 2000))
			throw new DomainError('OUT_OF_RANGE', 'cells', 'cells must be a whole number from 2 to 2000.');
		const m = power[shape];
		const n = cells + 1;
		const dr = half_m / cells;
		this.#table = table;
		this.#n = n;
		this.#volume = new Float64Array(n);
		this.#link = new Float64Array(cells);
		for (let i = 0; i < n; i++) {
			const inner = Math.max(0, (i - 0.5) * dr);
			const outer = Math.min(half_m, (i + 0.5) * dr);
			this.#volume[i] = (outer ** (m + 1) - inner ** (m + 1)) / (m + 1);
			if (i < cells) this.#link[i] = outer ** m / dr;
		}
		this.#surface = half_m ** m;
		this.#whole = half_m ** (m + 1) / (m + 1);
		this.#flow = new Float64Array(n).fill(readTable(table.t, table.flow, start_C));
		this.#heat = new Float64Array(n).fill(readTable(table.t, table.heat, start_C));
		const empty = () => new Float64Array(n);
		this.#scratch = [empty(), empty(), empty(), empty(), empty(), empty()];
	}

	get centre_C(): number {
		return this.#temperature(0);
	}
	get surface_C(): number {
		return this.#temperature(this.#n - 1);
	}
	/** The temperature it would settle to, left alone. */
	get mean_C(): number {
		return readTable(this.#table.heat, this.#table.t, this.heat_J_m3);
	}
	/** Heat to the m³, above the table's first row. */
	get heat_J_m3(): number {
		let sum = 0;
		for (let i = 0; i < this.#n; i++) sum += (this.#volume[i] as number) * (this.#heat[i] as number);
		return sum / this.#whole;
	}
	/** m² of surface to the m³. */
	get areaPerVolume_m(): number {
		return this.#surface / this.#whole;
	}
	/** Temperatures from the middle to the surface, °C. */
	profile(): number[] {
		return Array.from(this.#flow, (_, i) => this.#temperature(i));
	}
	#temperature(i: number): number {
		return readTable(this.#table.flow, this.#table.t, this.#flow[i] as number);
	}

	/**
	 * One step in time.
	 *
	 * @throws {DomainError} NOT_CONVERGED: a stage's equations were not solved within 60 iterations
	 */
	step(dt_s: number, medium_C: number, h_W_m2K: number): void {
		const [known, gain] = this.#scratch;
		known.set(this.#heat);
		this.#stage(gamma * dt_s, medium_C, h_W_m2K);
		this.#gain(medium_C, h_W_m2K);
		for (let i = 0; i < this.#n; i++)
			known[i] = (known[i] as number) + ((1 - gamma) * dt_s * (gain[i] as number)) / (this.#volume[i] as number);
		this.#stage(gamma * dt_s, medium_C, h_W_m2K);
	}

	/** Heat that flows into each node, W, at the state as it is. */
	#gain(medium_C: number, h: number): void {
		const gain = this.#scratch[1];
		const flow = this.#flow;
		const last = this.#n - 1;
		gain.fill(0);
		for (let i = 0; i < last; i++) {
			const q = (this.#link[i] as number) * ((flow[i + 1] as number) - (flow[i] as number));
			gain[i] = (gain[i] as number) + q;
			gain[i + 1] = (gain[i + 1] as number) - q;
		}
		gain[last] = (gain[last] as number) - h * this.#surface * (this.#temperature(last) - medium_C);
	}

	/** Residual of volume·(heat − known) = dt·gain at the state; its norm, and the slope of heat and surface temperature. */
	#residual(dt: number, medium_C: number, h: number): number {
		const [known, gain, residual, slope] = this.#scratch;
		const { flow, heat, t } = this.#table;
		this.#gain(medium_C, h);
		let norm = 0;
		for (let i = 0; i < this.#n; i++) {
			const value = this.#flow[i] as number;
			const row = rowOf(flow, value);
			const x0 = flow[row] as number;
			const per = ((heat[row + 1] as number) - (heat[row] as number)) / ((flow[row + 1] as number) - x0);
			const now = (heat[row] as number) + per * (value - x0);
			this.#heat[i] = now;
			slope[i] = (this.#volume[i] as number) * per;
			if (i === this.#n - 1) {
				const warm = ((t[row + 1] as number) - (t[row] as number)) / ((flow[row + 1] as number) - x0);
				slope[i] = (slope[i] as number) + dt * h * this.#surface * warm;
			}
			const off = (this.#volume[i] as number) * (now - (known[i] as number)) - dt * (gain[i] as number);
			residual[i] = off;
			norm += (off / (this.#volume[i] as number)) ** 2;
		}
		return Math.sqrt(norm / this.#n);
	}

	#stage(dt: number, medium_C: number, h: number): void {
		const [, , residual, slope, upper, change] = this.#scratch;
		const n = this.#n;
		const link = this.#link;
		let norm = this.#residual(dt, medium_C, h);
		for (let iteration = 0; iteration < mostIterations; iteration++) {
			if (norm < this.#tolerance) return;
			for (let i = 0; i < n; i++) {
				const left = i > 0 ? dt * (link[i - 1] as number) : 0;
				const right = i < n - 1 ? dt * (link[i] as number) : 0;
				const diagonal = (slope[i] as number) + left + right - left * (i > 0 ? (upper[i - 1] as number) : 0);
				upper[i] = right / diagonal;
				change[i] = (-(residual[i] as number) + left * (i > 0 ? (change[i - 1] as number) : 0)) / diagonal;
			}
			for (let i = n - 2; i >= 0; i--)
				change[i] = (change[i] as number) + (upper[i] as number) * (change[i + 1] as number);
			let downhill = 0;
			for (let i = 0; i < n; i++) downhill += (residual[i] as number) * (change[i] as number);
			let share = this.#move(0, 1);
			let next = this.#residual(dt, medium_C, h);
			// The residual is the slope of a convex energy. Where a node crosses the freezing point a whole step overshoots its
			// valley: the bottom along the way lies where the slope changes sign.
			let [low, high] = [0, 1];
			for (let halving = 0; halving < 40; halving++) {
				let slopeNow = 0;
				for (let i = 0; i < n; i++) slopeNow += (residual[i] as number) * (change[i] as number);
				if (Math.abs(slopeNow) <= -0.2 * downhill || (halving === 0 && slopeNow <= 0)) break;
				if (slopeNow > 0) high = share;
				else low = share;
				share = this.#move(share, (low + high) / 2);
				next = this.#residual(dt, medium_C, h);
			}
			norm = next;
		}
		if (norm > 100 * this.#tolerance)
			throw new DomainError('NOT_CONVERGED', 'dt_s', 'The heat solver found no answer for a step; take shorter steps.');
	}

	/** From one share of the change to another; returns the latter. */
	#move(from: number, to: number): number {
		const change = this.#scratch[5];
		for (let i = 0; i < this.#n; i++) this.#flow[i] = (this.#flow[i] as number) + (to - from) * (change[i] as number);
		return to;
	}
}
