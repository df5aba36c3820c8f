import { describe, expect, it } from 'vitest';
import { boilDown, potDepth_m, potVolume_L, steamHeat_J_kg, type BoilDownInput } from './boil-down';

const straight = { base_m: 0.28, height_m: 0.2 };
const flared = { base_m: 0.24, rim_m: 0.4, height_m: 0.2 };
const base: BoilDownInput = {
	pot: straight, start_m: 0.15, fraction: 0.5, burner: { kind: 'induction', power_W: 2500 }, start_C: 20, boil_C: 99
}; // prettier-ignore

describe('boiling down', () => {
	it('marks half the depth in a straight pot, more in a flared one', () => {
		expect(boilDown(base).mark_m).toBeCloseTo(0.075, 6);
		const cone = boilDown({ ...base, pot: flared });
		expect(cone.mark_m).toBeGreaterThan(0.08);
		expect(potVolume_L(flared, cone.mark_m)).toBeCloseTo(cone.end_L, 6);
		expect(potVolume_L(straight, 0.15)).toBeCloseTo(Math.PI * 0.14 ** 2 * 150, 9);
		expect(potDepth_m(flared, potVolume_L(flared, 0.123))).toBeCloseTo(0.123, 9);
	});
	it('is the energy balance by hand', () => {
		// 9.24 L; 4.62 kg of water at 2257 kJ/kg (steam tables, 100 °C, from memory); 2500 W · 0.85 · 0.8.
		const b = boilDown(base);
		expect(b.water_kg).toBeCloseTo(4.618, 3);
		expect(b.boil_s).toBeCloseTo((b.water_kg * 2.257e6) / (2500 * 0.85 * 0.8), 6);
		expect(b.energy_J).toBeCloseTo(b.start_L * 1.03 * 4186 * 79 + b.water_kg * steamHeat_J_kg, 3);
		// 1.6 kg of water an hour for each kilowatt that reaches the pot (steam table arithmetic).
		expect(b.rate_kg_h / ((2500 * 0.85 * 0.8) / 1000)).toBeCloseTo(1.595, 3);
	});
	it('keeps the sugar while the water goes, and stops where it would scorch', () => {
		const b = boilDown({ ...base, sugar: 0.1, density_kg_L: 1.04 });
		expect((b.sugarEnd ?? 0) * (b.start_L * 1.04 - b.water_kg)).toBeCloseTo(0.1 * b.start_L * 1.04, 9);
		expect(boilDown(base).sugarEnd).toBeUndefined();
		expect(() => boilDown({ ...base, sugar: 0.5 })).toThrow(/scorches/);
	});
	it('learns from dips: a slow burner is found out, and each dip narrows', () => {
		const slow = 0.7 * (boilDown(base).rate_kg_h / 3600);
		const dip = (t_s: number) => ({ t_s, depth_m: potDepth_m(straight, potVolume_L(straight, 0.15) - slow * t_s) });
		const widths = [[], [1200], [1200, 2400], [1200, 2400, 3600]].map((times) => {
			const b = boilDown({ ...base, dips: times.map(dip) });
			return b.interval_s[1] - b.interval_s[0];
		});
		expect([...widths].sort((a, b) => b - a)).toEqual(widths);
		const true_s = boilDown(base).water_kg / slow;
		const learned = boilDown({ ...base, dips: [1200, 2400, 3600].map(dip) });
		expect(learned.learned).toBe(true);
		expect(learned.boil_s / true_s).toBeGreaterThan(0.95);
		expect(learned.boil_s / true_s).toBeLessThan(1.05);
		expect(learned.interval_s[0]).toBeLessThan(true_s);
		expect(learned.interval_s[1]).toBeGreaterThan(true_s);
	});
	it('is done when a dip is below the mark', () => {
		const b = boilDown({ ...base, dips: [{ t_s: 5000, depth_m: 0.07 }] });
		expect(b.boil_s).toBe(5000);
	});
	it.each([
		[{ fraction: 1 }, /fraction/],
		[{ start_m: 0.3 }, /start_m/],
		[{ start_C: 120 }, /start_C/],
		[{ pot: { ...straight, base_m: 0 } }, /base_m/],
		[{ dips: [{ t_s: 600, depth_m: 0.2 }] }, /below the depth/],
		[{ dips: [{ t_s: 600, depth_m: 0.14 }, { t_s: 300, depth_m: 0.13 }] }, /later/],
		[{ burner: { kind: 'gas', power_W: 0 } as const }, /power_W/]
	])('refuses %o', (more, words) => expect(() => boilDown({ ...base, ...more })).toThrow(words)); // prettier-ignore
});
