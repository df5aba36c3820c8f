import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { leftSince, type TakenPart } from './leftovers';

const day = 86_400_000;
const now = 100 * day;
describe('what is left over', () => {
	it('begins at the table, unless a part was cooked or opened before: no second warming sets its clock back', () => {
		const beans: TakenPart = { group: 'vegetable', state: 'frozen', from: now - 90 * day };
		const mince: TakenPart = { group: 'meat', state: 'thawed', from: now - day };
		const chicken: TakenPart = { group: 'dish', state: 'fresh', from: now - 2 * day };
		const tin: TakenPart = { group: 'vegetable', state: 'opened', from: now - 3 * day };
		expect(leftSince([beans, mince], now)).toBe(now);
		expect(leftSince([beans, chicken], now)).toBe(now - 2 * day);
		expect(leftSince([tin, chicken], now)).toBe(now - 3 * day);
		expect(leftSince([{ ...chicken, state: 'thawed' }], now)).toBe(now - 2 * day);
		expect(leftSince([{ ...chicken, state: 'frozen' }], now)).toBe(now);
	});
	it('law: one more part never makes it younger, and it is never from tomorrow', () => {
		const part = fc.record({
			group: fc.constantFrom('dish' as const, 'meat' as const, 'vegetable' as const),
			state: fc.constantFrom(
				'fresh' as const,
				'cooked' as const,
				'opened' as const,
				'frozen' as const,
				'thawed' as const
			),
			from: fc.integer({ min: 0, max: 120 }).map((d) => d * day)
		});
		fc.assert(
			fc.property(fc.array(part, { maxLength: 5 }), part, (parts, more) => {
				expect(leftSince([...parts, more], now)).toBeLessThanOrEqual(leftSince(parts, now));
				expect(leftSince(parts, now)).toBeLessThanOrEqual(now);
			})
		);
	});
});
