import { boilDown, potDepth_m, potVolume_L } from '../../src/core/heat/boil-down';
import { boilingPoint_C } from '../../src/core/heat/boiling-point';
import { centreAfter } from '../../src/core/heat/chill-time';
import { coolHotFood } from '../../src/core/heat/cooling';
import { enthalpyAt, latentHeat_J_kg, sensibleHeatAt } from '../../src/core/heat/food-properties';
import { freezingCurve } from '../../src/core/heat/freezing-curve';
import { HeatSolver } from '../../src/core/heat/heat-solver';
import { potHeating_s } from '../../src/core/heat/pot-heating';
import { thermalTable } from '../../src/core/heat/thermal-table';
import { centreLeft } from '../../src/core/heat/transient';
import { handbook, type Measured, percent, range, shapes, thermal } from './cases';

export function water(): Measured {
	const printed = [[0, 212], [1000, 210.2], [2000, 208.4], [3000, 206.6], [5000, 202.9], [6000, 201.1], [8000, 197.4], [10_000, 193.7]] as const; // prettier-ignore
	const F = (feet: number) => (boilingPoint_C(feet * 0.3048) * 9) / 5 + 32;
	const worst = Math.max(...printed.map(([ft, f]) => Math.abs(F(ft) - f)));
	return {
		plot: {
			title: 'Where water boils',
			x: 'feet',
			y: '°F',
			lines: [{ name: 'model', points: range(20, 0, 10_000).map((ft) => [ft, F(ft)]) }],
			dots: [{ name: 'printed', points: printed }]
		},
		says: [`within ${worst.toFixed(1)} °F`]
	};
}

export function pot(): Measured {
	const minutes = (L: number, W: number) =>
		potHeating_s({ water_L: L, start_C: 14, boil_C: 99, burner: { kind: 'electric', power_W: W } }) / 60;
	return {
		plot: {
			title: 'Minutes to the boil, electric plate',
			x: 'litres',
			y: 'min',
			lines: [1500, 2000, 3000].map((W) => ({
				name: `${W} W`,
				points: range(20, 1, 20).map((L) => [L, minutes(L, W)])
			}))
		},
		says: [`${minutes(8, 2000).toFixed(0)} min for 8 L on 2000 W`]
	};
}

export function chilling(): Measured {
	const of = (shape: 'cylinder' | 'sphere', size_m: number, blanch_s: number) =>
		range(60, 0, 2400).map((t): [number, number] => [
			t / 60,
			centreAfter({ shape, size_m, start_C: 20, boil_C: 99, blanch_s, bath_C: 4, target_C: 15 }, t)
		]);
	return {
		plot: {
			title: 'Centre in ice water',
			x: 'min in the ice',
			y: '°C',
			lines: [
				{ name: 'ear, 5 cm, 9 min', points: of('cylinder', 0.05, 540) },
				{ name: 'kernels, 8 mm, 4 min', points: of('sphere', 0.008, 240) }
			],
			levels: [{ y: 15, words: 'cold' }]
		},
		says: []
	};
}

export function properties(): Measured {
	const frozen = handbook.filter(
		([id, , c]) => Math.abs(sensibleHeatAt(thermal(id), -40) / 1000 / c - 1) <= 0.05
	).length;
	const off = handbook.map(
		([id, c, , L]) =>
			[
				Math.abs(sensibleHeatAt(thermal(id), 10) / 1000 / c - 1),
				Math.abs(latentHeat_J_kg(thermal(id)) / 1000 / L - 1)
			] as const
	);
	const curve = (id: string) =>
		range(120, -40, 20).map((t): [number, number] => [t, enthalpyAt(thermal(id), t) / 1000]);
	return {
		plot: {
			title: 'Heat in a kilo, above −40 °C',
			x: '°C',
			y: 'kJ',
			lines: ['green-beans', 'apples', 'ground-beef'].map((id) => ({ name: id, points: curve(id) }))
		},
		says: [
			`${off.length} foods`,
			`heat capacity ${percent(Math.max(...off.map((o) => o[0])))}`,
			`latent heat ${percent(Math.max(...off.map((o) => o[1])))}`,
			`frozen, ${frozen} of ${off.length}`
		]
	};
}

export function solver(): Measured {
	const table = thermalTable([{ t_C: -50, c_J_m3K: 3.6e6, k_W_mK: 0.5 }, { t_C: 120, c_J_m3K: 3.6e6, k_W_mK: 0.5 }]); // prettier-ignore
	const lines = shapes.map((shape) => ({
		name: `${shape}, no freezing`,
		points: [8, 16, 32, 64].map((cells): [number, number] => {
			const s = new HeatSolver(table, shape, 0.02, cells, 100);
			const seconds = (0.4 * 0.02 ** 2 * 3.6e6) / 0.5;
			for (let i = 0; i < 2 * cells; i++) s.step(seconds / (2 * cells), 0, (2 * 0.5) / 0.02);
			return [cells, Math.abs(s.centre_C / 100 - centreLeft(shape, 2, 0.4))];
		})
	}));
	const ask = {
		food: thermal('ground-beef'),
		shape: 'slab',
		size_m: 0.1,
		start_C: 5,
		medium_C: -20,
		h_W_m2K: 12
	} as const;
	const fine = freezingCurve({ ...ask, cells: 320 }).seconds;
	const beef = [6, 12, 24, 48].map((cells): [number, number] => [
		cells,
		Math.abs(freezingCurve({ ...ask, cells }).seconds / fine - 1)
	]);
	return {
		plot: {
			title: 'Error against cells',
			x: 'cells',
			y: 'error',
			log: true,
			lines: [...lines, { name: 'mince, freezing', points: beef, dash: '5 4' }]
		},
		says: [`24 cells: ${Number((100 * (beef[2]?.[1] ?? 1)).toPrecision(1))} %`]
	};
}

export function cooling(): Measured {
	const base = {
		body: 'still',
		start_C: 98,
		place: 'fridge',
		medium_C: 4,
		vessel: { kind: 'pot', diameter_m: 0.22, depth_m: 0.21 }
	} as const;
	const of = (more: object) => {
		const { at } = coolHotFood({ ...base, ...more });
		return range(80, 0, 10).map((h): [number, number] => [h, at(h * 3600)]);
	};
	const shallow = { kind: 'pan', length_m: 0.3, width_m: 0.2, depth_m: 0.05 } as const;
	const hours = coolHotFood(base).whole_s / 3600;
	return {
		plot: {
			title: 'Eight litres of stock', x: 'h', y: '°C',
			lines: [{ name: 'pot in the fridge', points: of({}) }, { name: 'pot in ice water', points: of({ place: 'ice-water', medium_C: 1 }) }, { name: 'shallow, open, fridge', points: of({ vessel: shallow, open: true }), dash: '5 4' }, { name: 'thick, pot, fridge', points: of({ body: 'thick' }), dash: '2 4' }],
			levels: [{ y: 21.1, words: '70 °F within 2 h' }, { y: 5, words: '41 °F within 6 h' }]
		},
		says: [`${hours.toFixed(0)} h through both stages`]
	}; // prettier-ignore
}

export function boiling(): Measured {
	const straight = { base_m: 0.28, height_m: 0.2 };
	const flared = { base_m: 0.24, rim_m: 0.4, height_m: 0.2 };
	const of = (pot: typeof straight | typeof flared) => {
		const b = boilDown({
			pot,
			start_m: 0.15,
			fraction: 0.5,
			burner: { kind: 'induction', power_W: 2500 },
			start_C: 20,
			boil_C: 99
		});
		return {
			b,
			points: range(30, 0, b.boil_s).map((t): [number, number] => [
				t / 60,
				1000 * potDepth_m(pot, potVolume_L(pot, 0.15) - (b.rate_kg_h * t) / 3600)
			])
		};
	};
	const cone = of(flared);
	return {
		plot: {
			title: 'Depth while it boils to half',
			x: 'min at the boil',
			y: 'mm',
			lines: [
				{ name: 'straight pot', points: of(straight).points },
				{ name: 'flared pot', points: cone.points, dash: '5 4' }
			]
		},
		says: [`${(1000 * cone.b.mark_m).toFixed(0)} mm in the flared pot`]
	};
}
