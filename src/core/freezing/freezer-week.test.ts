import { describe, expect, it } from 'vitest';
import { freezingTime_s } from '../heat/freezing-time';
import { surfaceCoefficient } from '../heat/surface';
import { kgFromLb } from '../quantities/units';
import {
	dayLimit_kg,
	freezerDays,
	freezerOutage,
	freezerPlate,
	planFreezing,
	usualStock,
	type FreezerLoad
} from './freezer-week';
import { publishedOutage } from './published-outage';

const freezer = { litres: 240, set_C: -18, room_C: 22 };
const old = { kg: 70, start_C: -18 };
const load = (more: Partial<FreezerLoad> = {}): FreezerLoad => ({
	at_h: 2, kg: 6, pack_kg: 0.5, thickness_m: 0.03, start_C: 10, food: usualStock, ...more
}); // prettier-ignore
const days = 3;
const published = publishedOutage;

describe('a freezer over days', () => {
	it('holds its set temperature by itself, about half the time at work', () => {
		const { points, duty, oldWarmest_C, energy_kWh } = freezerDays({ freezer, old, loads: [], days });
		for (const p of points) expect(Math.abs(p.air_C + 18)).toBeLessThan(4);
		expect(oldWarmest_C).toBeLessThan(-16);
		expect(duty).toBeGreaterThan(0.2);
		expect(duty).toBeLessThan(0.6);
		// A chest of this size takes some 0.5 to 1 kWh a day (common practice).
		expect(energy_kWh / days).toBeGreaterThan(0.4);
		expect(energy_kWh / days).toBeLessThan(1.3);
	});
	it('keeps the old stock at −12 °C with the published 2 lb to the cubic foot a day (NCHFP, from memory)', () => {
		// 240 L are 8.5 ft³: 17 lb a day.
		expect(dayLimit_kg(240)).toBeCloseTo(kgFromLb((2 * 240) / 28.316846592), 6);
		const week = freezerDays({ freezer, old, loads: [load({ kg: dayLimit_kg(240) })], days });
		expect(week).toMatchObject({ withinLimit: true, oldSafe: true });
		expect(week.hard_h[0]).toBeLessThan(24);
	});
	it('warms the old pack that new ones lie on, so they are kept apart', () => {
		const ask = { freezer, old, loads: [load()], days };
		expect(freezerDays({ ...ask, touching: true }).oldWarmest_C).toBeGreaterThan(
			(freezerDays(ask).oldWarmest_C ?? 0) + 3
		);
	});
	it('does not with four times that at once, still warm', () => {
		const week = freezerDays({ freezer, old, loads: [load({ kg: 4 * dayLimit_kg(240), start_C: 25 })], days });
		expect(week.withinLimit).toBe(false);
		expect(week.oldSafe).toBe(false);
		expect(week.airWarmest_C).toBeGreaterThan(-12);
		expect(week.hard_h[0] ?? Infinity).toBeGreaterThan(20);
	});
	it('freezes a little as fast as air at its temperature does', () => {
		const week = freezerDays({ freezer, old, loads: [load({ kg: 0.5 })], days: 2 });
		const alone = freezingTime_s({ food: usualStock, shape: { kind: 'slab', size_m: 0.03 }, start_C: 10, medium_C: -18, h_W_m2K: surfaceCoefficient('still-air', 'tight') }) / 3600; // prettier-ignore
		expect((week.hard_h[0] ?? 0) / alone).toBeGreaterThan(0.85);
		expect((week.hard_h[0] ?? 0) / alone).toBeLessThan(1.2);
	});
	it('works harder with more, warmer and thicker', () => {
		const peak = (more: Partial<FreezerLoad>) => freezerDays({ freezer, old, loads: [load(more)], days }).energy_kWh;
		expect(peak({ kg: 12 })).toBeGreaterThan(peak({}));
		expect(peak({ start_C: 30 })).toBeGreaterThan(peak({}));
		const hard = (more: Partial<FreezerLoad>) =>
			freezerDays({ freezer, old, loads: [load(more)], days }).hard_h[0] ?? 99;
		expect(hard({ thickness_m: 0.06 })).toBeGreaterThan(hard({}));
	});
	it('spreads what is too much over days, and says what set it', () => {
		const plan = planFreezing({ freezer, old, load: load({ kg: 20 }), days: 5 });
		if (plan.kind === 'refused') throw new Error(plan.reason);
		expect(plan.packsByDay.reduce((a, b) => a + b)).toBe(40);
		expect(plan.packsByDay.length).toBe(3);
		expect(plan.limit).toBe('the published load');
		expect(plan.week).toMatchObject({ oldSafe: true, withinLimit: true });
		expect(plan.atOnce?.withinLimit).toBe(false);
		const small = planFreezing({ freezer, old, load: load({ kg: 3 }), days: 2 });
		expect(small).toMatchObject({ kind: 'plan', packsByDay: [6], limit: 'neither' });
	});
	it('goes slower where the old stock would warm, and refuses where nothing helps', () => {
		const weak = { ...freezer, cooling_W: 62, room_C: 30 };
		const plan = planFreezing({ freezer: weak, old, load: load({ kg: 14, thickness_m: 0.02, start_C: 30 }), days: 20 });
		expect(plan).toMatchObject({ kind: 'plan', limit: 'the old stock', week: { oldSafe: true } });
		expect(planFreezing({ freezer: { ...freezer, litres: 20 }, old: { kg: 2, start_C: -18 }, load: load({ pack_kg: 3, kg: 6 }), days })).toMatchObject({ kind: 'refused' }); // prettier-ignore
		expect(planFreezing({ freezer, old, load: load({ kg: 200 }), days: 3 })).toMatchObject({ kind: 'refused' });
		expect(planFreezing({ freezer: { ...freezer, cooling_W: 30, room_C: 35 }, old, load: load(), days: 5 })).toMatchObject({ kind: 'refused' }); // prettier-ignore
	});
	it('shows its progress and ends with all', () => {
		const shares: number[] = [];
		planFreezing({ freezer, old, load: load({ kg: 20 }), days: 4, onProgress: (share) => shares.push(share) });
		expect(shares.at(-1)).toBe(1);
		expect(shares.every((s, i) => s >= (shares[i - 1] ?? 0))).toBe(true);
	});
	it.each([
		[{ freezer: { ...freezer, litres: 5 }, old: { kg: 1, start_C: -18 } }, /litres/],
		[{ freezer: { ...freezer, set_C: -5 } }, /set_C/],
		[{ days: 40 }, /days/],
		[{ old: { kg: 500, start_C: -18 } }, /old.kg/],
		[{ loads: [load({ start_C: Number.NaN })] }, /start_C/],
		[{ loads: [load({ thickness_m: 1 })] }, /thickness_m/]
	])('refuses %o', (more, words) =>
		expect(() => freezerDays({ freezer, old, loads: [], days, ...more })).toThrow(words)
	);
});

describe('without power', () => {
	// USDA FSIS (from memory): a full freezer keeps about 48 h, a half full one 24 h.
	it('lasts at least the published hours by the heat balance, and goes by the published', () => {
		const full = freezerOutage({ ...freezer, room_C: 21 }, 1, published);
		const half = freezerOutage({ ...freezer, room_C: 21 }, 0.5, published);
		expect(full.soft_h).toBeGreaterThan(48);
		expect(half.soft_h).toBeGreaterThan(24);
		expect(full.soft_h).toBeLessThan(48 * 2.5);
		expect(half.soft_h / full.soft_h).toBeGreaterThan(0.45);
		expect([full.plan_h, half.plan_h]).toEqual([48, 24]);
		expect(freezerOutage(freezer, 0.7, published).published_h).toBe(24);
	});
	it('has no printed hours under half, and then goes by the balance until −5 °C, never longer than half full', () => {
		const few = freezerOutage({ ...freezer, room_C: 30 }, 0.05, published);
		expect(few.published_h).toBeNull();
		expect(few.plan_h).toBe(few.soft_h);
		// The heat of melting keeps the sum below 4 °C for days: that is no time to go by.
		const third = freezerOutage(freezer, 0.35, published);
		expect(third.warm_h).toBeGreaterThan(48);
		for (let fill = 0.05; fill <= 1; fill += 0.05) {
			const { plan_h, soft_h } = freezerOutage(freezer, fill, published);
			expect(plan_h).toBeLessThanOrEqual(Math.min(soft_h, fill < 0.95 ? published.half_h : published.full_h));
		}
		expect(few.soft_h).toBeLessThan(few.warm_h);
		expect(() => freezerOutage(freezer, 0, published)).toThrow(/fill/);
		expect(() => freezerPlate({ ...freezer, loss_W_K: 0 })).toThrow(/loss_W_K/);
	});
});
