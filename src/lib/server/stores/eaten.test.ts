import { describe, expect, it } from 'vitest';
import { eatenFrom, type FoodDay } from './eaten';

const day = 86_400_000;
const since = Date.parse('2024-01-01T00:00:00Z');
const on = (n: number) => since + n * day + day / 2;
const now = on(100);
const row = (n: number, grams: number, more: Partial<FoodDay> = {}): FoodDay => ({
	food: 'kale',
	at: on(n),
	packs: 0,
	loose_g: 0,
	found_packs: 0,
	found_g: 0,
	grams,
	...more
});
const of = (rows: readonly FoodDay[], stands: number) =>
	eatenFrom(rows, new Map(stands > 0 ? [['kale', stands]] : []), { meal_g: 1000, since, now }).get('kale');

describe('how a food went', () => {
	it('stood from when it came until the last of it went, and again since', () => {
		const rows = [row(10, 600), row(20, -300, { packs: 1 }), row(30, -300, { packs: 1 }), row(60, 900)];
		expect(of(rows, 900)).toEqual({
			draws: [
				{ at: on(20), units: 1 },
				{ at: on(30), units: 1 }
			],
			standing: [
				{ from: on(10), to: on(30) + day / 2 },
				{ from: on(60), to: now }
			]
		});
	});
	it('stood there before the first day that is looked at, where more went than came', () => {
		expect(of([row(40, -300, { packs: 1 })], 600)?.standing).toEqual([{ from: since, to: now }]);
		expect(of([row(40, -300, { packs: 1 })], 0)?.standing).toEqual([{ from: since, to: on(40) + day / 2 }]);
		// Nothing ever went of it: it stands there all the same.
		expect(of([], 500)).toEqual({ draws: [], standing: [{ from: since, to: now }] });
	});
	it('takes what is loose by meals, what a count missed as found, and a day on which it came and went for itself', () => {
		const eaten = of([row(5, 0, { loose_g: 2000 }), row(50, 4000), row(70, -500, { found_g: 500 })], 3500);
		expect(eaten?.draws).toEqual([
			{ at: on(5), units: 2 },
			{ at: on(70), units: 0.5, found: true }
		]);
		expect(eaten?.standing[0]).toEqual({ from: on(5), to: on(5) + day / 2 });
	});
});
