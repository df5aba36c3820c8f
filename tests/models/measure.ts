import { refitDrying } from '../../src/core/drying/drying-refit';
import { dryingTime, pageEnds, weightShare } from '../../src/core/drying/drying-time';
import { foodById } from '../../src/core/foods/find-food';
import { freezerDays, freezerOutage, usualStock } from '../../src/core/freezing/freezer-week';
import { gathering } from '../../src/core/canning/gathering';
import { cannerLoads } from '../../src/core/canning/canner-loads';
import { boilDown, potDepth_m, potVolume_L } from '../../src/core/heat/boil-down';
import { boilingPoint_C } from '../../src/core/heat/boiling-point';
import { centreAfter } from '../../src/core/heat/chill-time';
import { coolHotFood } from '../../src/core/heat/cooling';
import {
	enthalpyAt,
	latentHeat_J_kg,
	sensibleHeatAt,
	sharesOf,
	type FoodThermal
} from '../../src/core/heat/food-properties';
import { freezingCurve } from '../../src/core/heat/freezing-curve';
import { freezingTime_s } from '../../src/core/heat/freezing-time';
import { HeatSolver } from '../../src/core/heat/heat-solver';
import { potHeating_s } from '../../src/core/heat/pot-heating';
import { thermalTable } from '../../src/core/heat/thermal-table';
import { centreLeft } from '../../src/core/heat/transient';
import { absorberFor } from '../../src/core/packing/absorber';
import { advise } from '../../src/core/safety/advise';
import { figureById } from '../../src/core/freezing/freeze-look-up';
import { freezingPointOf } from '../../src/reference/freezing-points';
import { dryingRows } from '../../src/reference/other-ways';
import type { Plot } from './figure';

/** What docs/models.md says of a model: the plot, and figures that the page must carry as they are. */
export interface Measured {
	readonly plot: Plot;
	readonly says: readonly string[];
}
const foodOf = (id: string) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return food;
};
const thermal = (id: string): FoodThermal => ({
	composition: sharesOf(foodOf(id).composition),
	freezing_C: freezingPointOf(foodOf(id)).C
});
const chance = (seed: number) => () => (seed = (seed * 16807) % 2147483647) / 2147483647;
const range = (n: number, from: number, to: number) =>
	Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
const shapes = ['slab', 'cylinder', 'sphere'] as const;

// ASHRAE Handbook: Refrigeration, Thermal Properties of Foods, Table 3 (from memory): kJ/(kg K) above freezing, kJ/kg latent.
const handbook: readonly (readonly [string, number, number])[] = [
	['apples', 3.81, 280], ['apricots', 3.87, 288], ['strawberries', 4.0, 306], ['blueberries', 3.83, 283], ['peaches', 3.91, 293], ['pears', 3.8, 280],
	['plums', 3.83, 285], ['grapes', 3.7, 269], ['tomatoes', 4.08, 313], ['green-beans', 3.99, 302], ['broccoli', 4.01, 303], ['cabbage', 4.02, 308],
	['carrots', 3.92, 293], ['cauliflower', 4.02, 307], ['asparagus', 4.03, 309], ['beets', 3.91, 293], ['onions', 3.95, 300], ['peas', 3.75, 263],
	['potatoes', 3.67, 264], ['spinach', 4.02, 306], ['mushrooms', 3.99, 307], ['cod', 3.78, 271]
]; // prettier-ignore

function properties(): Measured {
	const off = handbook.map(
		([id, c, L]) =>
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
			`latent heat ${percent(Math.max(...off.map((o) => o[1])))}`
		]
	};
}

function freezing(): Measured {
	const next = chance(7);
	const ids = [
		'peas',
		'ground-beef',
		'strawberries',
		'potatoes',
		'green-beans',
		'cod',
		'carrots',
		'spinach',
		'chicken',
		'pork'
	];
	const points = Array.from({ length: 100 }, (_, i): [number, number] => {
		const food = thermal(ids[i % 10] ?? '');
		const shape = shapes[i % 3] ?? 'slab';
		const ask = {
			food,
			size_m: 0.01 * 15 ** next(),
			h_W_m2K: 5 * 20 ** next(),
			start_C: 3 + next() * 25,
			medium_C: -18 - next() * 17
		};
		return [
			freezingTime_s({ ...ask, shape: { kind: shape, size_m: ask.size_m } }) / 3600,
			freezingCurve({ ...ask, shape }).seconds / 3600
		];
	});
	const worst = Math.max(...points.map(([a, b]) => Math.abs(b / a - 1)));
	const ends = [0.1, 60].map((h): [number, number] => [h, h]);
	return {
		plot: {
			title: 'Hours until hard: solver against Pham',
			x: 'Pham, h',
			y: 'solver, h',
			log: true,
			lines: [{ name: 'the same', points: ends, dash: '4 4' }],
			dots: [{ name: '100 cases', points }]
		},
		says: [`at most ${percent(worst)} apart`]
	};
}

function solver(): Measured {
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

function water(): Measured {
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

function pot(): Measured {
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

function chilling(): Measured {
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

function cooling(): Measured {
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

function freezerWeek(): Measured {
	const freezer = { litres: 240, set_C: -18, room_C: 22 };
	const ask = (kg: number) =>
		freezerDays({
			freezer,
			old: { kg: 70, start_C: -18 },
			days: 3,
			loads: [{ at_h: 6, kg, pack_kg: 0.5, thickness_m: 0.03, start_C: 15, food: usualStock }]
		});
	const cases = [7.7, 15.4, 30.8].map((kg) => ({ kg, week: ask(kg) }));
	return {
		plot: {
			title: 'Warmest old pack, 240 L, by what goes in at once',
			x: 'h',
			y: '°C',
			lines: cases.map(({ kg, week }) => ({
				name: `${kg} kg`,
				points: week.points.map((p) => [p.t_h, p.oldWarmest_C])
			})),
			levels: [{ y: -12, words: 'old stock at most' }]
		},
		says: cases.map(({ kg, week }) => `${kg} kg: ${week.oldWarmest_C.toFixed(1).replace('-', '−')} °C`)
	};
}

function outage(): Measured {
	const published = { full_h: 48, half_h: 24 };
	const of = (fill: number) => freezerOutage({ litres: 240, set_C: -18, room_C: 21 }, fill, published);
	const points = (value: (fill: number) => number) =>
		range(18, 0.1, 1).map((fill): [number, number] => [fill * 100, value(fill)]);
	return {
		plot: {
			title: 'Without power, 240 L, 21 °C', x: '% full', y: 'h',
			lines: [{ name: 'until −5 °C', points: points((f) => of(f).soft_h) }],
			dots: [{ name: 'published', points: [[100, 48], [50, 24]] }]
		},
		says: [`full ${of(1).soft_h.toFixed(0)} h`, `half ${of(0.5).soft_h.toFixed(0)} h`]
	}; // prettier-ignore
}

function drying(): Measured {
	const trade = [['bananas', 'bananas', {}, 6, 8], ['kiwifruit', 'kiwifruit', {}, 6, 8], ['strawberries', 'strawberries', { thickness_mm: 4 }, 6, 6.3], ['apples', 'apples', { thickness_mm: 5 }, 10, 14], ['oranges', 'citrus-slices', {}, 6, 8], ['raspberries', 'raspberries-whole', {}, 24, 48], ['blueberries', 'firm-berries', { skin: 'undipped' as const }, 72, 96], ['morels', 'morels', {}, 4, 8]] as const; // prettier-ignore
	const rows = trade.map(([food, id, more, low, high], i) => {
		const row = dryingRows.find((r) => r.id === id);
		const time = row && dryingTime({ food: foodOf(food), row, ...more });
		if (time?.kind !== 'time') throw new Error(food);
		return { food, at: trade.length - i, low, high, time };
	});
	const met = rows.filter((r) => r.time.interval_h[0] <= r.high && r.time.interval_h[1] >= r.low).length;
	return {
		plot: {
			title: 'Forecast (line, nine of ten) and the trade’s hours (grey)', x: 'h', y: '',
			spans: rows.map((r) => ({ at: r.at, from: r.low, to: r.high, name: '' })),
			lines: rows.map((r) => ({ name: r.food, points: [[r.time.interval_h[0], r.at], [r.time.interval_h[1], r.at]] })),
			dots: [{ name: 'middle', points: rows.map((r) => [r.time.hours, r.at]) }]
		},
		says: [`${met} of ${rows.length}`]
	}; // prettier-ignore
}

function refit(): Measured {
	const { X0, Xe, left } = pageEnds(0.86, 0.2);
	const weight = (t: number, end: number, n: number) => 0.14 * (1 + Xe + (X0 - Xe) * left ** ((t / end) ** n));
	const base = { wet_kg: 1, moistureIn: 0.86, moistureOut: 0.2, prior: { hours: 9, doubt: 0.3 } };
	const next = chance(20260);
	const normal = () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
	const runs = 400;
	let covered = 0;
	for (let i = 0; i < runs; i++) {
		const end = 9 * Math.exp(0.3 * normal());
		const n = 1 + 0.12 * normal();
		const weighIns = [0.2, 0.35, 0.5].map((share) => ({
			t_h: 9 * share,
			kg: Math.min(1.05, weight(9 * share, end, n) + 0.01 * normal())
		}));
		const [low, high] = refitDrying({ ...base, weighIns }).interval_h;
		if (end >= low && end <= high) covered++;
	}
	const weighIns = [1.5, 3, 4.5, 6, 7.5].map((t_h) => ({ t_h, kg: weight(t_h, 11, 1.05) }));
	const by = (pick: (r: ReturnType<typeof refitDrying>) => number) =>
		range(5, 0, 5).map((k): [number, number] => [k, pick(refitDrying({ ...base, weighIns: weighIns.slice(0, k) }))]);
	return {
		plot: { title: 'Done at, learned from weighings (truth: 11 h)', x: 'weighings', y: 'h', lines: [{ name: 'middle', points: by((r) => r.done_h) }, { name: 'five of a hundred before', points: by((r) => r.interval_h[0]), dash: '4 4' }, { name: 'five after', points: by((r) => r.interval_h[1]), dash: '4 4' }], levels: [{ y: 11, words: 'truth' }] },
		says: [`covered ${percent(covered / runs)}`]
	}; // prettier-ignore
}

function balance(): Measured {
	const share = (food: string, out: number) =>
		range(40, 0, 12).map((t): [number, number] => [
			t,
			100 * weightShare({ t_h: t, end_h: 9, moistureIn: foodOf(food).composition.water / 100, moistureOut: out })
		]);
	return {
		plot: {
			title: 'Of 100 g on the tray',
			x: 'h',
			y: 'g',
			lines: [
				{ name: 'apples to 20 %', points: share('apples', 0.2) },
				{ name: 'carrots to 10 %', points: share('carrots', 0.1) },
				{ name: 'tomatoes to 10 %', points: share('tomatoes', 0.1) }
			]
		},
		says: []
	};
}

function boiling(): Measured {
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

function loads(): Measured {
	const advice = advise({
		way: 'can',
		food: 'green-beans',
		altitude_m: 380,
		gauge: 'weighted',
		style: 'raw',
		jar: 'quart'
	});
	const [process] = advice.kind === 'allowed' ? advice.processes : [];
	if (!process) throw new Error('no process');
	const { loads: list, elapsed_s } = cannerLoads({
		process,
		jars: 17,
		burner: { kind: 'electric', power_W: 2000 },
		tap_C: 14,
		boil_C: 98.7
	});
	const spans = list.flatMap((l, i) => {
		let at = l.from_s;
		return l.steps.map((s) => ({
			at: list.length - i,
			from: at / 3600,
			to: (at += s.seconds) / 3600 - 0.02,
			name: ''
		}));
	});
	return {
		plot: {
			title: '17 quarts of beans in three loads: fill, vent, come up, process, come down, wait',
			x: 'h',
			y: 'load',
			spans
		},
		says: [`${(elapsed_s / 3600).toFixed(1)} h`]
	};
}

function gather(): Measured {
	const day = 86_400_000;
	const now = 100 * day;
	const pickings = [[6, 1.2], [4, 1.1], [2, 1.4], [0, 1.3]].map(([ago = 0, kg = 0]) => ({ at: now - ago * day, kg, bestBy: now + 6 * day })); // prettier-ignore
	const g = gathering({ need_kg: 9.9, pickings, now });
	let sum = 0;
	const so = pickings.map((p): [number, number] => [(p.at - now) / day, (sum += p.kg)]);
	const to = (at: number): [number, number][] => [[0, sum], [(at - now) / day, 9.9]]; // prettier-ignore
	return {
		plot: {
			title: 'Pickings toward 9.9 kg',
			x: 'days from now',
			y: 'kg',
			lines: [
				{ name: 'so far', points: so },
				{ name: 'likely', points: to(g.fills?.likely ?? now), dash: '5 4' },
				{ name: 'early', points: to(g.fills?.from ?? now), dash: '2 4' },
				{ name: 'late', points: to(g.fills?.to ?? now), dash: '2 4' }
			],
			levels: [{ y: 9.9, words: 'a load of 7 quarts' }]
		},
		says: []
	};
}

function absorbers(): Measured {
	const printed = [['quart', 0.946], ['half-gallon', 1.893], ['gallon', 3.785], ['bucket', 18.93]] as const; // prettier-ignore
	const pair = (id: string): readonly [number, number] => {
		const { value } = figureById(id);
		return typeof value === 'number' ? [value, value] : value;
	};
	const of = (lies: 'dense' | 'light') => printed.map(([, L]): [number, number] => {
		const a = absorberFor({ food: foodOf('dry-beans'), volume_L: L, lies });
		return [L, a.kind === 'absorber' ? a.size_cc * a.count : 0];
	}); // prettier-ignore
	const met = (['dense', 'light'] as const).flatMap((lies) => of(lies).map(([, cc], i) => {
		const [low, high] = pair(`absorber/${lies}-${printed[i]?.[0] ?? ''}`);
		return cc >= low && cc <= high;
	})); // prettier-ignore
	return {
		plot: {
			title: 'Absorber for a container',
			x: 'L',
			y: 'cc',
			log: true,
			lines: [
				{ name: 'dense food', points: of('dense') },
				{ name: 'light food', points: of('light'), dash: '5 4' }
			],
			dots: [
				{
					name: 'printed, dense',
					points: printed.flatMap(([id, L]) => pair(`absorber/dense-${id}`).map((cc): [number, number] => [L, cc]))
				},
				{
					name: 'printed, light',
					points: printed.flatMap(([id, L]) => pair(`absorber/light-${id}`).map((cc): [number, number] => [L, cc]))
				}
			]
		},
		says: [`${met.filter(Boolean).length} of ${met.length}`]
	};
}

/** Each model of docs/models.md, by the name of its plot. */
export const measured: Readonly<Record<string, () => Measured>> = {
	'boiling-point': water,
	'pot-heating': pot,
	'chill-time': chilling,
	'food-properties': properties,
	'freezing-time': freezing,
	solver,
	cooling,
	'freezer-week': freezerWeek,
	outage,
	'drying-time': drying,
	'drying-refit': refit,
	'drying-yield': balance,
	'boil-down': boiling,
	'canner-loads': loads,
	gathering: gather,
	absorber: absorbers
};
