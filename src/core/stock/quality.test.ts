import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eatNext, qualityLeft } from './quality';

const day = 86_400_000;
describe('what is eaten next', () => {
	it('has by hand three quarters of its time left after three of twelve months, and none past its end', () => {
		expect(qualityLeft(0, 360 * day, 90 * day)).toBe(0.75);
		expect(qualityLeft(0, 10 * day, 11 * day)).toBe(0);
		// Not begun yet: a clock that was set back.
		expect(qualityLeft(5 * day, 10 * day, 0)).toBe(1);
	});
	it('laws: more time is never less quality; the order is one, and what ends within a month stands before what does not', () => {
		const ending = fc.record({ by: fc.integer({ min: -50, max: 900 }), from: fc.integer({ min: -900, max: 0 }) });
		fc.assert(
			fc.property(fc.array(ending, { maxLength: 12 }), (list) => {
				const all = list.map(({ by, from }) => ({ by: by * day, left: qualityLeft(from * day, by * day, 0) }));
				const sorted = [...all].sort(eatNext(0));
				expect(
					[...all]
						.reverse()
						.sort(eatNext(0))
						.map((e) => [e.by, e.left])
				).toEqual(sorted.map((e) => [e.by, e.left]));
				const late = sorted.findIndex((e) => e.by > 30 * day);
				if (late >= 0) expect(sorted.slice(late).every((e) => e.by > 30 * day)).toBe(true);
			})
		);
		fc.assert(
			fc.property(fc.nat(900), fc.nat(900), fc.nat(100), (life, age, more) => {
				expect(qualityLeft(0, (life + more) * day, age * day)).toBeGreaterThanOrEqual(
					qualityLeft(0, life * day, age * day)
				);
			})
		);
	});
});
