import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chance } from './chance.fixture';
import { learnYield } from './yields';

describe('yields learned', () => {
	for (const n of [0, 1, 3, 10, 40])
		it(`hold the household's own and its next batch in 85 to 95 of 100 households after ${n} batches`, () => {
			let [own, next] = [0, 0];
			const households = 3000;
			for (let h = 0; h < households; h++) {
				const c = chance(7919 * n + h);
				const truth = 0.6 * Math.exp(0.15 * c.normal());
				// Some are careful, some are not.
				const spread = 0.1 * Math.exp(0.25 * c.normal());
				const batch = () => truth * Math.exp(spread * c.normal());
				const learned = learnYield(0.6, Array.from({ length: n }, batch));
				if (truth > learned.low && truth < learned.high) own++;
				const then = batch();
				if (then > learned.nextLow && then < learned.nextHigh) next++;
			}
			for (const [what, inside] of [
				['own', own],
				['next', next]
			] as const) {
				expect(inside / households, what).toBeGreaterThan(0.85);
				expect(inside / households, what).toBeLessThan(0.95);
			}
		});

	it('laws: the table without batches, between table and batches with some, narrower with more', () => {
		expect(learnYield(0.84, []).share).toBeCloseTo(0.84, 12);
		fc.assert(
			fc.property(
				fc.double({ min: 0.05, max: 2, noNaN: true }),
				fc.double({ min: 0.05, max: 2, noNaN: true }),
				fc.integer({ min: 1, max: 30 }),
				(table, own, n) => {
					const of = (k: number) =>
						learnYield(
							table,
							Array.from({ length: k }, () => own)
						);
					const { share, low, high, nextLow, nextHigh } = of(n);
					expect(share).toBeGreaterThanOrEqual(Math.min(table, own) - 1e-9);
					expect(share).toBeLessThanOrEqual(Math.max(table, own) + 1e-9);
					expect(nextLow).toBeLessThanOrEqual(low);
					expect(nextHigh).toBeGreaterThanOrEqual(high);
					expect(Math.abs(Math.log(of(n + 1).share / own))).toBeLessThanOrEqual(
						Math.abs(Math.log(share / own)) + 1e-12
					);
				}
			)
		);
		const of = (k: number) =>
			learnYield(
				0.8,
				Array.from({ length: k }, (_, i) => 0.75 * (1 + 0.02 * (i % 3)))
			);
		const wide = [3, 10, 30].map((k) => of(k).high / of(k).low);
		expect(wide).toEqual([...wide].sort((a, b) => b - a));
	});
	it('leaves out what is no share', () => {
		expect(learnYield(0.8, [0, Number.NaN, -1, Infinity]).batches).toBe(0);
	});
});
