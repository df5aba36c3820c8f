import { describe, expect, it } from 'vitest';
import { coolHotFood, coolingChanges, coolingRule, type CoolingInput } from './cooling';
import { surfaceCoefficient, stackedThickness_m } from './surface';

const pot = (litres: number): CoolingInput['vessel'] => {
	const diameter_m = Math.cbrt((litres / 1000) * (4 / Math.PI));
	return { kind: 'pot', diameter_m, depth_m: diameter_m };
};
const stock: CoolingInput = { vessel: pot(8), body: 'still', start_C: 98, place: 'fridge', medium_C: 4 };

describe('hot food that must get cold', () => {
	it('goes by the published stages', () => {
		// FDA Food Code 2022, 3-501.14 (from memory): 135 to 70 °F in 2 h, to 41 °F in 6 h in all.
		expect(coolingRule.from_C).toBeCloseTo(57.22, 2);
		expect(coolingRule.first_C).toBeCloseTo(21.11, 2);
		expect(coolingRule.second_C).toBeCloseTo(5, 2);
		expect([coolingRule.first_s, coolingRule.whole_s]).toEqual([7200, 21_600]);
	});
	it('is the balance by hand for a stirred pot in ice water', () => {
		// 8 L, walls and floor 5/4·π·d²: U = 1/(1/500 + 1/300) = 187.5 W/(m² K), ice water at 1 °C.
		const d = Math.cbrt(0.008 * (4 / Math.PI));
		const perSecond = (187.5 * 1.25 * Math.PI * d * d) / (8 * 4186);
		const by = (t: number) => Math.log((98 - 1) / (t - 1)) / perSecond;
		const forecast = coolHotFood({ ...stock, body: 'stirred', place: 'ice-water', medium_C: 1 });
		expect(forecast.to70_s / by(coolingRule.first_C)).toBeCloseTo(1, 4);
		expect(forecast.to41_s / by(coolingRule.second_C)).toBeCloseTo(1, 4);
		expect(forecast.verdict).toBe('in time');
	});
	it('knows what kitchens know: a big pot in the fridge is too slow, shallow pans and ice water are not (common practice)', () => {
		const big = coolHotFood(stock);
		expect(big).toMatchObject({ verdict: 'too slow', fails: 'first' });
		const changes = coolingChanges(stock);
		expect(changes.length).toBeGreaterThan(1);
		for (const { forecast } of changes) expect(forecast.verdict).toBe('in time');
		expect(changes.map((c) => c.words).join(' ')).toMatch(/ice water/);
	});
	it('lets the steam off an open shallow pan: about the published two hours in the fridge (USDA FSIS: 2 in at most, from memory)', () => {
		const pan = { ...stock, start_C: 90, vessel: { kind: 'pan', length_m: 0.3, width_m: 0.2, depth_m: 0.05 } as const };
		const lid = coolHotFood(pan);
		const open = coolHotFood({ ...pan, open: true });
		expect(open.first_s).toBeLessThan(lid.first_s / 1.4);
		expect(open.first_s / 3600).toBeLessThan(2.5);
		expect(open.whole_s / 3600).toBeLessThan(lid.whole_s / 3600);
		// A first step by hand: (UA·ΔT + 4·A·0.01378·(p_s − φp_m)) / (ρVc), in W and J/K; steam table (IAPWS): 70.1 kPa at 90 °C.
		const { at } = open;
		const UA = 1 / (1 / 100 + 1 / 8);
		const walls = 0.06 + 1 * 0.05;
		const steam = 4 * 0.06 * ((0.622 * 2.257e6) / (1006 * 101_325)) * (70_117 - 0.7 * 813);
		expect((90 - at(20)) / ((20 * (UA * (walls + 0.06) * 86 + steam)) / (3 * 4186))).toBeCloseTo(1, 1);
	});
	it('says that thick food wants shallow pans', () => {
		const stew: CoolingInput = { ...stock, body: 'thick' };
		expect(coolHotFood(stew).whole_s).toBeGreaterThan(coolHotFood(stock).whole_s);
		expect(coolHotFood({ ...stew, place: 'ice-water', medium_C: 1 }).verdict).toBe('too slow');
		const [first] = coolingChanges(stew);
		expect(first?.words).toMatch(/5 cm \(2 in\) deep/);
	});
	it('slows with depth, size and a warmer place, and falls without end', () => {
		const whole = (more: Partial<CoolingInput>) => coolHotFood({ ...stock, ...more }).whole_s;
		for (const body of ['stirred', 'still', 'thick'] as const) {
			expect(whole({ body, vessel: pot(16) })).toBeGreaterThan(whole({ body }));
			expect(whole({ body, medium_C: 1 })).toBeLessThan(whole({ body }));
			const { at } = coolHotFood({ ...stock, body });
			for (let t = 600; t < 40_000; t += 600) expect(at(t)).toBeLessThanOrEqual(at(t - 600));
		}
		expect(whole({ vessel: { kind: 'pan', length_m: 0.3, width_m: 0.2, depth_m: 0.04 } })).toBeLessThan(whole({}));
	});
	it('never gets cold in a room, and is called too slow there', () => {
		const room = coolHotFood({ ...stock, place: 'room', medium_C: 22 });
		expect(room).toMatchObject({ to41_s: Infinity, to70_s: Infinity, verdict: 'too slow', fails: 'first' });
		expect(
			coolHotFood({
				...stock,
				place: 'room',
				medium_C: 8,
				vessel: { kind: 'pan', length_m: 0.3, width_m: 0.2, depth_m: 0.02 }
			}).fails
		).toBe('second');
		expect(coolHotFood({ ...stock, start_C: 60 }).to135_s).toBeGreaterThan(0);
	});
	it.each([
		[{ start_C: 50 }, /start_C/],
		[{ medium_C: 60 }, /medium_C/],
		[{ vessel: { kind: 'pot', diameter_m: 0, depth_m: 0.1 } as const }, /diameter_m/],
		[{ vessel: { kind: 'pan', length_m: 2, width_m: 0.2, depth_m: 0.1 } as const }, /length_m/]
	])('refuses %o', (more, words) => expect(() => coolHotFood({ ...stock, ...more })).toThrow(words));
});

describe('surfaces', () => {
	it('a wrap holds back, a stack freezes as its whole', () => {
		expect(surfaceCoefficient('still-air')).toBe(8);
		expect(surfaceCoefficient('still-air', 'loose')).toBeCloseTo(1 / (1 / 8 + 0.05), 9);
		expect(stackedThickness_m(0.02, 4)).toBeCloseTo(0.08, 9);
		expect(() => stackedThickness_m(0.02, 0)).toThrow(/count/);
	});
});
