import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import fc from 'fast-check';
import { clockOf, keepsAt, stillGoodFor, type Stay } from './clock';
import { foodById } from './names';
import { plain, type Thing } from './thing';

const of = (id: string, more: Partial<Thing> = {}): Thing => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return { ...plain(food), ...more };
};
const beans = of('green-beans');

describe('how long a thing keeps in a place', () => {
	it('is the published time at the published temperature', () => {
		// USDA FSIS FoodKeeper: snap beans 3 to 5 days in the refrigerator (from memory).
		expect(keepsAt(beans, 'fridge', 4)).toMatchObject({ days: [3, 5], source: 'foodKeeper', limit: 'quality' });
	});
	it('runs 2.5 times as fast for each 10 K warmer', () => {
		expect(keepsAt(beans, 'fridge', 14).days[0]).toBeCloseTo(3 / 2.5, 9);
	});
	it('gains nothing below what the food can stand, and warns', () => {
		const cold = keepsAt(of('tomatoes'), 'fridge', 1);
		expect(cold.days).toEqual(keepsAt(of('tomatoes'), 'fridge', 4).days);
		expect(cold.warning).toMatch(/suffer/);
	});
	it('never more than doubles a published figure', () => {
		expect(keepsAt(beans, 'counter', 0).days[1]).toBeLessThanOrEqual(4);
	});
	it('goes faster the softer it is, and fastest when it is cut', () => {
		const days = [
			beans,
			{ ...beans, condition: 'ripe' as const },
			{ ...beans, condition: 'soft' as const },
			{ ...beans, state: 'prepared' as const }
		].map((thing) => keepsAt(thing, 'fridge', 4).days[0]);
		expect([...days].sort((a, b) => b - a)).toEqual(days);
		expect(new Set(days).size).toBe(4);
	});
	it.each([Number.NaN, -50, 60])('refuses a place of %d °C', (place_C) =>
		expect(() => keepsAt(beans, 'counter', place_C)).toThrow(/place_C/)
	);
	it('gives meat two hours out of the cold, one above 90 °F, and its published days in the fridge', () => {
		// USDA FSIS (from memory): two hours at room temperature, one above 90 °F; ground meat 1 to 2 days in the fridge.
		const mince = of('ground-beef');
		const at = (place_C: number) => keepsAt(mince, 'counter', place_C).days[1] * 24;
		expect([at(21), at(10), at(33)].map((h) => Math.round(h * 1000) / 1000)).toEqual([2, 2, 1]);
		expect(keepsAt(mince, 'fridge', 4).days).toEqual([1, 2]);
		// Cold does not lengthen a limit of safety.
		expect(keepsAt(mince, 'fridge', -1).days).toEqual([1, 2]);
		expect(keepsAt(mince, 'fridge', 8).warning).toMatch(/two hours at most/);
	});
	it('counts thawed, cooked and soaked things by days of their own, whatever they were', () => {
		// USDA FSIS, The Big Thaw: one to two days; FoodSafety.gov: leftovers three to four days (from memory).
		expect(keepsAt(of('raspberries', { state: 'thawed' }), 'fridge', 4).days).toEqual([1, 2]);
		expect(keepsAt(of('chanterelles', { state: 'cooked' }), 'fridge', 4).days).toEqual([3, 4]);
		expect(keepsAt(of('carrots', { state: 'thawed' }), 'counter', 21)).toMatchObject({ limit: 'safety' });
		expect(keepsAt(of('carrots', { state: 'thawed' }), 'counter', 21).days[1] * 24).toBeCloseTo(2, 9);
	});
	it('counts frozen things in months in a freezer, and as thawed out of it', () => {
		expect(keepsAt(of('ground-beef', { state: 'frozen' }), 'freezer', -18)).toMatchObject({ limit: 'quality' });
		expect(keepsAt(of('ground-beef', { state: 'frozen' }), 'freezer', -18).days[0]).toBeGreaterThan(80);
		expect(keepsAt(of('ground-beef', { state: 'frozen' }), 'fridge', 4).days).toEqual([1, 2]);
		expect(keepsAt(of('ground-beef', { state: 'frozen' }), 'counter', 21).days[1] * 24).toBeCloseTo(2, 9);
	});
	it('gives every food an end at every place', () => {
		for (const food of foodRows) {
			for (const place of ['counter', 'cool', 'fridge', 'cellar'] as const) {
				const clock = clockOf(plain(food), [{ place, place_C: 10, from: 0, until: null }], 1);
				expect(clock.goneBy).toBeGreaterThanOrEqual(clock.bestBy);
				expect(clock.bestBy).toBeGreaterThan(0);
			}
		}
	});
});

describe('the clock over places', () => {
	const hour = 3_600_000;
	const stay = (place: Stay['place'], place_C: number, from_h: number, until_h: number | null): Stay => ({
		place,
		place_C,
		from: from_h * hour,
		until: until_h === null ? null : until_h * hour
	});
	it('does not forget the warm hours in the fridge: mince after an hour out has half its days left', () => {
		// USDA FSIS (from memory): two hours out in all, one to two days in the fridge.
		const clock = clockOf(of('ground-beef'), [stay('counter', 21, 0, 1), stay('fridge', 4, 1, null)], hour);
		expect(clock.goneBy / hour).toBeCloseTo(1 + 24, 6);
		expect(clock.used).toBeCloseTo(0.5, 9);
		expect(clock.age).toEqual({ past: 'no', limit: 'safety' });
	});
	it('is over for good after twelve warm hours, wherever it stands now', () => {
		const clock = clockOf(of('ground-beef'), [stay('counter', 24, 0, 12), stay('fridge', 4, 12, null)], 12 * hour);
		expect(clock.age).toEqual({ past: 'end', limit: 'safety' });
		expect(clock.goneBy / hour).toBeCloseTo(2, 9);
	});
	it('says of produce past its best what it is still good for, and of meat past safety nothing', () => {
		const day_h = 24;
		const old = clockOf(beans, [stay('fridge', 4, 0, null)], 4 * day_h * hour);
		expect(old.age).toEqual({ past: 'best', limit: 'quality' });
		expect(stillGoodFor({ ...beans, age: old.age })).toMatch(/Sort it first.*freezer/);
		expect(stillGoodFor({ ...of('ground-beef'), age: { past: 'end', limit: 'safety' } })).toBeUndefined();
		expect(stillGoodFor(beans)).toBeUndefined();
	});
	const places = fc.constantFrom(['counter', 21], ['counter', 34], ['cool', 12], ['fridge', 4], ['cellar', 8]) as fc.Arbitrary<[Stay['place'], number]>; // prettier-ignore
	const history = fc.record({
		food: fc.constantFrom(...foodRows),
		moves: fc.array(fc.record({ place: places, hours: fc.double({ min: 0.01, max: 90, noNaN: true }) }), { minLength: 1, maxLength: 6 }),
		split: fc.double({ min: 0.05, max: 0.95, noNaN: true })
	}); // prettier-ignore
	type Move = { place: [Stay['place'], number]; hours: number };
	const staysOf = (moves: readonly Move[]): Stay[] => {
		let at = 0;
		return moves.map(({ place: [place, place_C], hours }, i) => {
			const from = at;
			at += hours;
			return stay(place, place_C, from, i === moves.length - 1 ? null : at);
		});
	};
	it('adds up: no history of moves gives back what an earlier place has used, and standing twice is standing once', () => {
		fc.assert(
			fc.property(history, ({ food, moves, split }) => {
				const thing = plain(food);
				const stays = staysOf(moves);
				const now = moves.reduce((sum, m) => sum + m.hours, 0) * hour;
				const clock = clockOf(thing, stays, now);
				// A stay cut in two is the same stay.
				const [first, ...rest] = moves;
				if (!first) return;
				const cut = clockOf(
					thing,
					staysOf([{ ...first, hours: first.hours * split }, { ...first, hours: first.hours * (1 - split) }, ...rest]),
					now
				);
				expect(cut.goneBy / hour).toBeCloseTo(clock.goneBy / hour, 3);
				expect(cut.used).toBeCloseTo(clock.used, 6);
				// It only goes on: later is never younger.
				expect(clockOf(thing, stays, now + hour).used).toBeGreaterThanOrEqual(clock.used);
				// A move at the end, wherever to, never brings back what is past.
				for (const [place, place_C] of [
					['fridge', 4],
					['counter', 21],
					['cellar', 2]
				] as const) {
					const closed = stays.map((s) => (s.until === null ? { ...s, until: now } : s));
					const moved = clockOf(thing, [...closed, { place, place_C, from: now, until: null }], now);
					expect(moved.used).toBeCloseTo(clock.used, 6);
					if (clock.age.past === 'end') expect(moved.age.past).toBe('end');
				}
				// What spoils has two hours out of the cold in all.
				const warm_h = stays.reduce((sum, s, i) => sum + (s.place_C > 5 ? (moves[i]?.hours ?? 0) : 0), 0);
				if (food.perishable && warm_h > 2.001) expect(clock.age).toEqual({ past: 'end', limit: 'safety' });
			}),
			{ numRuns: Number(process.env.SIEGE_HISTORIES ?? 10_000), seed: Number(process.env.SIEGE_SEED ?? 7) }
		);
	});
});
