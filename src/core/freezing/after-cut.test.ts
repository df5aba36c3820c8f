import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FoodGroup } from '../../reference/tables';
import {
	afterCut,
	coldAgain,
	conditionOf,
	cutRead,
	fridge_h,
	refreeze_C,
	throwAfter_h,
	type Verdict
} from './after-cut';

const hour = 3_600_000;
const groups: FoodGroup[] = [
	'vegetable',
	'fruit',
	'herb',
	'mushroom',
	'meat',
	'poultry',
	'fish',
	'stock',
	'dish',
	'egg',
	'dairy'
];

describe('after the power was out (USDA FSIS, Keeping Food Safe During an Emergency, from memory)', () => {
	it('goes by the printed limits: 40 °F, 2 hours, a fridge 4 hours', () => {
		expect(refreeze_C).toBeCloseTo(4.44, 2);
		expect(throwAfter_h).toBe(2);
		expect(fridge_h).toBe(4);
	});
	it('freezes again what has ice in it or is fridge-cold, throws what was warm for over two hours, looks at fruit', () => {
		for (const group of groups) {
			expect(afterCut(group, 'hard', null).verdict).toBe('stays');
			expect(afterCut(group, 'ice', null).verdict).toBe('refreeze');
			expect(afterCut(group, 'cold', null).verdict).toBe('refreeze');
			const fruit = group === 'fruit';
			expect(afterCut(group, 'warm', 2.01).verdict).toBe(fruit ? 'look' : 'throw');
			expect(afterCut(group, 'warm', 1.5).verdict).toBe(fruit ? 'look' : 'cook');
			// Nobody knows: as if it had been long.
			expect(afterCut(group, 'warm', null).verdict).toBe(fruit ? 'look' : 'throw');
			expect(afterCut(group, 'unknown', 0).verdict).toBe(fruit ? 'look' : 'throw');
		}
	});
	const line = fc.array(
		fc.record({ at: fc.integer({ min: -60, max: 1500 }), value: fc.double({ min: -25, max: 20, noNaN: true }) }),
		{ maxLength: 60 }
	);
	const sorted = (l: readonly { at: number; value: number }[]) =>
		[...l].sort((a, b) => a.at - b.at).map((r) => ({ at: r.at * 60_000, value: r.value }));
	const severity: Record<Verdict, number> = { stays: 0, refreeze: 1, look: 1, cook: 2, throw: 3 };
	it('law: a warmer reading never makes the verdict milder, and warm and unread hours never exceed the time', () => {
		fc.assert(
			fc.property(line, fc.integer({ min: 0, max: 59 }), fc.double({ min: 0, max: 15, noNaN: true }), (l, n, more) => {
				const readings = sorted(l);
				const judge = (rs: typeof readings) => {
					const read = cutRead(rs, 0, 1440 * 60_000);
					expect(read.warm_h + read.unread_h).toBeLessThanOrEqual(24 + 1e-9);
					return severity[afterCut('meat', conditionOf(read) ?? 'unknown', read.warm_h).verdict];
				};
				const warmer = readings.map((r, i) =>
					i === n % Math.max(1, readings.length) ? { ...r, value: r.value + more } : r
				);
				// What nobody knew may become known by it: 'unknown' is as hard as it gets.
				expect(judge(warmer)).toBeGreaterThanOrEqual(Math.min(judge(readings), 2));
			}),
			{ numRuns: 500 }
		);
	});
	it('lasts until the probe is seen cold again: a freezer that stays warm with the power back is judged until now', () => {
		const warm = Array.from({ length: 61 }, (_, i) => ({ at: i * 6 * 60_000, value: i < 10 ? -2 : 9 }));
		const [back, later] = [2 * hour, 6 * hour];
		expect(coldAgain(warm, back, later)).toBe(later);
		expect(cutRead(warm, 0, coldAgain(warm, back, later)).warm_h).toBeGreaterThan(4.9);
		const cooled = warm.map((r) => (r.at >= 4 * hour ? { ...r, value: -10 } : r));
		expect(coldAgain(cooled, back, later)).toBe(4 * hour);
		expect(coldAgain([], back, later)).toBe(back);
		// Silent since it was warm: nobody has seen it cold.
		const silent = warm.filter((r) => r.at < back);
		expect(coldAgain(silent, back, later)).toBe(later);
		const said = cutRead(silent, 0, later);
		expect(afterCut('meat', conditionOf(said) ?? 'unknown', said.warm_h + said.unread_h).verdict).toBe('throw');
	});
	it('knows nothing without readings, counts a gap as warm where an end of it is, and a night at −8 °C as cold', () => {
		expect(conditionOf(cutRead([], 0, 8 * hour))).toBeNull();
		const gap = cutRead(
			[
				{ at: 0, value: -18 },
				{ at: 3 * hour, value: 6 },
				{ at: 3.5 * hour, value: 2 }
			],
			0,
			3.5 * hour
		);
		expect(gap).toMatchObject({ most_C: 6, warm_h: 3.5, unread_h: 0 });
		const night = Array.from({ length: 97 }, (_, i) => ({ at: i * 5 * 60_000, value: -18 + i * 0.1 }));
		expect(conditionOf(cutRead(night, 0, 8 * hour))).toBe('hard');
		const soft = night.map((r) => ({ ...r, value: r.value + 8 }));
		expect(conditionOf(cutRead(soft, 0, 8 * hour))).toBe('cold');
		// A probe that fell silent for two hours in the middle is no witness.
		const silent = soft.filter((r) => r.at < 2 * hour || r.at > 4 * hour);
		expect(conditionOf(cutRead(silent, 0, 8 * hour))).toBeNull();
	});
});
