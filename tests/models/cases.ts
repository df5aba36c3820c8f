import { foodById } from '../../src/core/things/names';
import { sharesOf, type FoodThermal } from '../../src/core/heat/food-properties';
import { freezingCurve, type FreezingCurveInput } from '../../src/core/heat/freezing-curve';
import { pageEnds } from '../../src/core/drying/page-curve';
import { refitDrying, type RefitInput } from '../../src/core/drying/drying-refit';
import { freezingTime_s } from '../../src/core/heat/freezing-time';
import { freezingPointOf } from '../../src/reference/freezing-points';
import type { FoodRow } from '../../src/reference/tables';
import type { Plot } from './figure';

/** Cases that a test holds a model against and docs/models.md draws: said once. */

export interface Measured {
	readonly plot: Plot;
	/** Figures that the page must carry as they are. */
	readonly says: readonly string[];
}

export function foodOf(id: string): FoodRow {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return food;
}
export const thermal = (id: string): FoodThermal => ({
	composition: sharesOf(foodOf(id).composition),
	freezing_C: freezingPointOf(foodOf(id)).C
});
/** Repeatable numbers from 0 to 1 (Park and Miller). */
export const chance = (seed: number) => () => (seed = (seed * 16807) % 2147483647) / 2147483647;
/** Normal numbers of them (Box and Muller). */
export const normals = (next: () => number) => () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
export const range = (n: number, from: number, to: number) =>
	Array.from({ length: n + 1 }, (_, i) => from + ((to - from) * i) / n);
export const percent = (x: number) => `${(100 * x).toFixed(1)} %`;
export const shapes = ['slab', 'cylinder', 'sphere'] as const;

/** Ten foods, three shapes, 1 to 15 cm, 5 to 100 W/(m² K): seconds until hard by Pham and by the solver. */
export function gridOf100(): { readonly pham: number; readonly solver: number }[] {
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
	return Array.from({ length: 100 }, (_, i) => {
		const shape = shapes[i % 3] ?? 'slab';
		const ask: FreezingCurveInput = {
			food: thermal(ids[i % 10] ?? ''),
			shape,
			size_m: 0.01 * 15 ** next(),
			h_W_m2K: 5 * 20 ** next(),
			start_C: 3 + next() * 25,
			medium_C: -18 - next() * 17
		};
		return {
			pham: freezingTime_s({ ...ask, shape: { kind: shape, size_m: ask.size_m } }),
			solver: freezingCurve(ask).seconds
		};
	});
}

/** A tray of a kilo that is to go from 86 to 20 % of water in about 9 h. */
export const tray: RefitInput = {
	wet_kg: 1,
	moistureIn: 0.86,
	moistureOut: 0.2,
	prior: { hours: 9, doubt: 0.3 },
	weighIns: []
};
/** What it weighs at a time, by Page's curve with a known end and power. */
export function trayWeight(t_h: number, end_h: number, power: number): number {
	const { X0, Xe, left } = pageEnds(tray.moistureIn, tray.moistureOut);
	return 0.14 * (1 + Xe + (X0 - Xe) * left ** ((t_h / end_h) ** power));
}
/** Share of 400 simulated runs with a scale of 1 % whose end lay in the interval for nine of ten (seed 20260). */
export function coverage(runs = 400): number {
	const normal = normals(chance(20260));
	let covered = 0;
	for (let i = 0; i < runs; i++) {
		const end = 9 * Math.exp(0.3 * normal());
		const n = 1 + 0.12 * normal();
		const weighIns = [0.2, 0.35, 0.5].map((share) => ({
			t_h: 9 * share,
			kg: Math.min(1.05, trayWeight(9 * share, end, n) + 0.01 * normal())
		}));
		const [low, high] = refitDrying({ ...tray, weighIns }).interval_h;
		if (end >= low && end <= high) covered++;
	}
	return covered / runs;
}

/**
 * ASHRAE Handbook: Refrigeration, Thermal Properties of Foods, Table 3 (from memory): heat above and below freezing,
 * kJ/(kg K), and latent heat, kJ/kg.
 */
export const handbook: readonly (readonly [id: string, above: number, below: number, latent: number])[] = [
	['apples', 3.81, 1.98, 280], ['apricots', 3.87, 1.95, 288], ['strawberries', 4.0, 1.84, 306],
	['blueberries', 3.83, 2.06, 283], ['peaches', 3.91, 1.9, 293], ['pears', 3.8, 2.06, 280], ['plums', 3.83, 1.9, 285],
	['grapes', 3.7, 2.16, 269], ['tomatoes', 4.08, 1.79, 313], ['green-beans', 3.99, 1.85, 302], ['broccoli', 4.01, 1.82, 303],
	['cabbage', 4.02, 1.85, 308], ['carrots', 3.92, 2.0, 293], ['cauliflower', 4.02, 1.84, 307], ['asparagus', 4.03, 1.79, 309],
	['beets', 3.91, 1.94, 293], ['onions', 3.95, 1.87, 300], ['peas', 3.75, 1.98, 263], ['potatoes', 3.67, 1.93, 264],
	['spinach', 4.02, 1.75, 306], ['mushrooms', 3.99, 1.84, 307], ['cod', 3.78, 2.14, 271]
]; // prettier-ignore
