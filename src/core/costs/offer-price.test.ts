import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judgePrice } from './offer-price';

const input = { perKg: 90, paid: [], yields: [], have_kg: 0, used_kg: 0, kg: 20 };
const paid = (...prices: number[]) => prices.map((perKg, i) => ({ perKg, at: i }));

describe('whether a price is good', () => {
	it('says nothing where nothing is known', () => {
		expect(judgePrice(input)).toEqual({ against: null, kept: null, lasts: null });
	});

	it('holds it against the middle of what was paid', () => {
		const word = (perKg: number) => judgePrice({ ...input, perKg, paid: paid(80, 100, 140) }).against?.word;
		expect(word(79)).toBe('the least yet');
		expect(word(85)).toBe('good');
		expect(word(100)).toBe('as usual');
		expect(word(109)).toBe('as usual');
		expect(word(120)).toBe('dear');
		expect(word(141)).toBe('the most yet');
		expect(judgePrice({ ...input, paid: paid(100) }).against).toMatchObject({ usual: 100, times: 1, word: 'as usual' });
	});

	it('says what a kilo in the pack costs, and how long what is there lasts', () => {
		const { kept, lasts } = judgePrice({ ...input, yields: [0.7, 0.8, 0.9], have_kg: 3, used_kg: 6 });
		expect(kept).toEqual({ perKg: 112.5, yield: 0.8, batches: 3 });
		expect(lasts).toEqual({ months: 6, withIt: 38 });
		expect(judgePrice({ ...input, have_kg: 3, used_kg: 0.1 }).lasts).toBeNull();
	});

	it('never calls the cheaper of two dearer', () => {
		const order = ['the least yet', 'good', 'as usual', 'dear', 'the most yet'];
		const money = fc.integer({ min: 1, max: 5000 });
		fc.assert(
			fc.property(fc.array(money, { minLength: 1, maxLength: 9 }), money, money, (prices, a, b) => {
				const rank = (perKg: number) =>
					order.indexOf(judgePrice({ ...input, perKg, paid: paid(...prices) }).against?.word ?? '');
				expect(rank(Math.min(a, b))).toBeLessThanOrEqual(rank(Math.max(a, b)));
			})
		);
	});

	it('refuses money and kilos that are none', () => {
		expect(() => judgePrice({ ...input, perKg: -1 })).toThrow(/perKg/);
		expect(() => judgePrice({ ...input, kg: Number.NaN })).toThrow(/kg/);
	});
});
