import { describe, expect, it } from 'vitest';
import { random } from '../../../tests/laws/random';
import { gatherForecast, type Picking } from './gather';

const day = 86_400_000;
const start = Date.parse('2026-08-01T08:00:00Z');
const picked = (days: number, grams: number, keeps = 5): Picking => ({
	at: start + days * day,
	grams,
	until: start + (days + keeps) * day
});

describe('pickings toward 20 kg of tomatoes', () => {
	it('say how much is there, the pace, and when it fills', () => {
		// 3 kg every third day: 9 kg after the third picking, 11 kg missing, four pickings more.
		const three = [picked(0, 3000, 60), picked(3, 3000, 60), picked(6, 3000, 60)];
		const found = gatherForecast(three, 20_000, start + 6 * day);
		expect(found).toMatchObject({ have_g: 9000, missing_g: 11_000, pace: { grams: 3000, days: 3 }, fills: 'in time' });
		expect(((found.full?.at ?? 0) - start) / day).toBeCloseTo(6 + (11 / 3 + 0.5) * 3, 6);
		expect(found.full?.low).toBeLessThan(found.full?.at ?? 0);
		expect(found.full?.high).toBeGreaterThan(found.full?.at ?? 0);
	});
	it('are held to the oldest of them: in the fridge it does not fill in time', () => {
		const three = [picked(0, 3000), picked(3, 3000), picked(6, 3000)];
		const found = gatherForecast(three, 20_000, start + 6 * day);
		expect(found).toMatchObject({ fills: 'not in time', first: { until: start + 5 * day, grams: 3000 } });
	});
	it('tell no pace from one picking, nor from two baskets of one morning', () => {
		expect(gatherForecast([picked(0, 3000)], 20_000, start)).toMatchObject({
			full: null,
			pace: null,
			fills: 'unknown'
		});
		expect(gatherForecast([picked(0, 3000), picked(0.2, 1000)], 20_000, start).full).toBeNull();
		expect(gatherForecast([], 20_000, start)).toMatchObject({ have_g: 0, first: null, fills: 'unknown' });
	});
	it('are full when they are full, whatever is over', () => {
		expect(gatherForecast([picked(0, 21_000)], 20_000, start)).toMatchObject({
			missing_g: 0,
			full: null,
			fills: 'full'
		});
	});
});

describe('the interval of a forecast', () => {
	it('holds nine times in ten over simulated gardens', () => {
		const gardens = 600;
		let held = 0;
		let counted = 0;
		for (let i = 0; i < gardens; i++) {
			const r = random(40_000 + i);
			const normal = () => Math.sqrt(-2 * Math.log(1 - r.next())) * Math.cos(2 * Math.PI * r.next());
			const [weight, gap] = [1000 + r.below(4000), 1.5 + r.next() * 3];
			const [sw, sg] = [0.3 + r.next() * 0.4, 0.2 + r.next() * 0.4];
			const target = weight * (5 + r.next() * 8);
			const all: Picking[] = [];
			let at = 0;
			for (let sum = 0; sum < target;) {
				const one = picked(at, weight * Math.exp(sw * normal()), 365);
				all.push(one);
				sum += one.grams;
				at += Math.max(0.6, gap * Math.exp(sg * normal()));
			}
			const seen = all.slice(0, 2 + r.below(Math.max(1, all.length - 3)));
			const truth = all.at(-1);
			const found = gatherForecast(seen, target, seen.at(-1)?.at ?? start);
			if (!found.full || !truth || seen.length >= all.length) continue;
			counted++;
			if (truth.at >= found.full.low && truth.at <= found.full.high) held++;
		}
		expect(counted).toBeGreaterThan(gardens / 2);
		expect(held / counted).toBeGreaterThan(0.85);
		expect(held / counted).toBeLessThan(0.95);
	});
	it('narrows with the pickings, and never says that it was full before now', () => {
		const every = (n: number) => Array.from({ length: n }, (_, i) => picked(i * 2, 2000, 60));
		const width = (n: number) => {
			const { full } = gatherForecast(every(n), 30_000, start + n * 2 * day);
			return (full?.high ?? 0) - (full?.low ?? 0);
		};
		expect(width(4)).toBeGreaterThan(width(8));
		expect(width(8)).toBeGreaterThan(width(12));
		const late = gatherForecast(every(3), 7000, start + 40 * day);
		expect(late.full?.low).toBeGreaterThanOrEqual(start + 40 * day);
	});
});
