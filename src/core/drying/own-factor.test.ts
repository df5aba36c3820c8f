import { describe, expect, it } from 'vitest';
import { random } from '../../../tests/laws/random';
import { ownFactor, type PastLoad } from './own-factor';

/** A standard normal from two uniforms (Box and Muller 1958). */
const normal = (next: () => number): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());

describe('the household’s own factor', () => {
	it('is the table without a load', () => {
		expect(ownFactor(0.3, [])).toEqual({ factor: 1, doubt: 0.3, loads: 0 });
		expect(ownFactor(0.3, [{ ratios: [] }])).toEqual({ factor: 1, doubt: 0.3, loads: 0 });
	});
	it('is Bayes’ mean between the table and the loads, worked by hand', () => {
		// Prior 1/0.3² = 11.11; a load of two trays: 0.1² + (0.08² + 0.06²)/2 = 0.015, so 66.67; ln 1.4 = 0.3365.
		// Mean 66.67 × 0.3365 / 77.78 = 0.2884, factor 1.334; doubt √(1/77.78 + 0.01 + 0.0064) = 0.171.
		const own = ownFactor(0.3, [{ ratios: [1.4, 1.4] }]);
		expect(own.factor).toBeCloseTo(1.334, 3);
		expect(own.doubt).toBeCloseTo(0.171, 3);
		expect(own.loads).toBe(1);
	});
	it('never doubts more than the table did, and refuses what cannot be', () => {
		expect(ownFactor(0.12, [{ ratios: [2] }]).doubt).toBeLessThanOrEqual(0.12);
		for (const ratio of [0, Number.NaN, 21]) expect(() => ownFactor(0.3, [{ ratios: [ratio] }])).toThrow(/ratio/);
	});
	it('comes to the truth of a simulated dryer, and its interval holds the next tray nine times in ten', () => {
		const { next } = random(1216);
		let inside = 0;
		const kitchens = 400;
		let last = 0;
		for (let k = 0; k < kitchens; k++) {
			const truth = 0.25 * normal(next);
			const loads: PastLoad[] = Array.from({ length: 12 }, () => {
				const load = truth + 0.1 * normal(next);
				return { ratios: Array.from({ length: 4 }, () => Math.exp(load + Math.hypot(0.08, 0.06) * normal(next))) };
			});
			const own = ownFactor(0.25, loads);
			last += Math.abs(Math.log(own.factor) - truth) / kitchens;
			const tray = truth + Math.hypot(0.1, 0.08) * normal(next);
			if (Math.abs(tray - Math.log(own.factor)) <= 1.645 * own.doubt) inside++;
		}
		// Twelve loads: a mean error of some 0.03 √(2/π).
		expect(last).toBeLessThan(0.04);
		expect(inside / kitchens).toBeGreaterThan(0.85);
		expect(inside / kitchens).toBeLessThan(0.95);
	});
});
