import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { monthsOfPicking, plantBears, seasonNeed } from './season-plan';

const kept = { share: 0.84, low: 0.8, high: 0.88 };
const plant = { share: 1.9, low: 1.5, high: 2.4 };

describe('what a year wants', () => {
	it('is by hand: 38 weeks of a pack of 500 g are 19 kg kept, 22.6 kg picked, 12 plants', () => {
		const need = seasonNeed({
			perWeek: 1,
			pack_g: 500,
			freshWeeks: 14,
			kept,
			plant,
			months: [0, 0, 0, 0, 0, 0, 1, 2, 1, 0, 0, 0]
		});
		expect(need.packs).toBe(38);
		expect(need.kept_kg).toBe(19);
		expect(need.raw_kg).toBeCloseTo(22.619, 3);
		expect([need.low_kg, need.high_kg]).toEqual([19 / 0.88, 19 / 0.8]);
		expect(need.plants).toBe(12);
		expect(need.plantsLow ?? 0).toBeLessThan(12);
		expect(need.plantsHigh ?? 0).toBeGreaterThan(12);
		expect(need.byMonth_kg[7]).toBeCloseTo(need.raw_kg / 2, 9);
	});
	it('laws: more is wanted, more comes in; months add up; plants lie between their bounds', () => {
		const ask = fc.record({
			perWeek: fc.double({ min: 0.01, max: 20, noNaN: true }),
			pack_g: fc.integer({ min: 50, max: 2000 }),
			freshWeeks: fc.integer({ min: 0, max: 40 }),
			share: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
			months: fc.array(fc.double({ min: 0, max: 50, noNaN: true }), { minLength: 12, maxLength: 12 })
		});
		fc.assert(
			fc.property(ask, fc.double({ min: 0, max: 5, noNaN: true }), (a, more) => {
				const whole = { ...a, kept: { share: a.share, low: a.share * 0.9, high: a.share * 1.1 }, plant };
				const need = seasonNeed(whole);
				expect(seasonNeed({ ...whole, perWeek: a.perWeek + more }).raw_kg).toBeGreaterThanOrEqual(need.raw_kg);
				const all = need.byMonth_kg.reduce((s, m) => s + m, 0);
				if (a.months.some((m) => m > 1e-6)) expect(all).toBeCloseTo(need.raw_kg, 6);
				expect(need.plantsLow ?? 0).toBeLessThanOrEqual(need.plants ?? 0);
				expect(need.plantsHigh ?? 0).toBeGreaterThanOrEqual(need.plants ?? 0);
			})
		);
	});
	it('knows a plant from the years in which plants were counted, and months from the days that are said', () => {
		expect(plantBears([])).toBeNull();
		expect(plantBears([{ plants: 0, raw_kg: 3 }])).toBeNull();
		const bears = plantBears([
			{ plants: 10, raw_kg: 18.5 },
			{ plants: 8, raw_kg: 14.2 }
		]);
		expect(bears?.share).toBeCloseTo(1.81, 1);
		expect(bears?.low ?? 9).toBeLessThan(1.8);
		const july = monthsOfPicking({ from: '2027-07-22', to: '2027-08-10' }, [9]);
		expect([july[6], july[7], july[0]]).toEqual([10, 10, 0]);
		expect(monthsOfPicking(null, [1, 2])).toEqual([1, 2, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0]);
	});
});
