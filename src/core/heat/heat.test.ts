import { describe, expect, it } from 'vitest';
import { blanchRows, foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { DomainError } from '../errors';
import { centreAfter, chillTime_s, type ChillInput } from './chill-time';
import { foodHeat_J_kgK, specificHeat_J_kgK } from './food-heat';
import { iceBalance_kg, iceToHave_kg } from './ice';
import { potHeating_s, usefulPower_W } from './pot-heating';
import { centreLeft } from './transient';

describe('the pot', () => {
	it('comes to the boil as an energy balance by hand says', () => {
		// 8 L from 15 to 98.7 °C on a 2000 W electric coil of which 70 % arrives: 8·4186·83.7 / 1400 = 2002 s.
		const seconds = potHeating_s({
			water_L: 8,
			start_C: 15,
			boil_C: 98.7,
			burner: { kind: 'electric', power_W: 2000 }
		});
		expect(seconds).toBeCloseTo((8 * 4186 * 83.7) / 1400, 6);
		expect(seconds / 60).toBeCloseTo(33.4, 1);
	});
	it('takes twice as long with twice the water and half as long with twice the power', () => {
		const one = { water_L: 4, start_C: 10, boil_C: 100, burner: { kind: 'gas', power_W: 2500 } as const };
		expect(potHeating_s({ ...one, water_L: 8 })).toBeCloseTo(2 * potHeating_s(one), 6);
		expect(potHeating_s({ ...one, burner: { kind: 'gas', power_W: 5000 } })).toBeCloseTo(potHeating_s(one) / 2, 6);
	});
	it('refuses no water, no power, and water that boils already', () => {
		const good = { water_L: 4, start_C: 10, boil_C: 100, burner: { kind: 'gas', power_W: 2500 } as const };
		expect(() => potHeating_s({ ...good, water_L: 0 })).toThrow(/water_L/);
		expect(() => potHeating_s({ ...good, start_C: 100 })).toThrow(/already boils/);
		expect(() => usefulPower_W({ kind: 'gas', power_W: Number.NaN })).toThrow(DomainError);
	});
});

describe('heat in the food', () => {
	// ASHRAE Handbook: Refrigeration, Thermal Properties of Foods, Table 3: specific heat above freezing, kJ/(kg K)
	// (from memory). Chen's equation is a fit over all foods; ASHRAE itself expects some per cent: 5 % is the tolerance.
	it.each([
		['green-beans', 3.99],
		['broccoli', 4.01],
		['carrots', 3.92],
		['cauliflower', 4.02],
		['sweet-corn', 3.62],
		['onions', 3.95],
		['peas', 3.75],
		['bell-peppers', 4.01],
		['potatoes', 3.67],
		['spinach', 4.02],
		['zucchini', 4.07],
		['tomatoes', 4.08],
		['strawberries', 4.0],
		['raspberries', 3.96],
		['blueberries', 3.83],
		['asparagus', 4.03]
	])('%s: within 5 %% of the ASHRAE table', (id, kJ) => {
		const food = foodById(id);
		expect(food).toBeDefined();
		if (food) expect(Math.abs(foodHeat_J_kgK(food) / 1000 / kJ - 1)).toBeLessThan(0.05);
	});
	it('is that of water without solids', () => expect(specificHeat_J_kgK(1)).toBeCloseTo(4190, 6));
	it('lies between 3 and 4.2 kJ/(kg K) for every food that is blanched, lower only for fat and dry ones', () => {
		const blanched = new Set(blanchRows.map((r) => r.food));
		for (const food of foodRows.filter((f) => f.composition.water > 30)) {
			expect(foodHeat_J_kgK(food), food.id).toBeGreaterThan(blanched.has(food.id) ? 3000 : 2500);
			expect(foodHeat_J_kgK(food), food.id).toBeLessThan(4200);
		}
	});
});

describe('the series for a body put into a medium', () => {
	// First root and coefficient, Incropera and DeWitt, Table 5.1 (from memory): C1·exp(−ζ1²·Fo) at Fo = 1, where one
	// term is enough.
	it.each([
		['slab', 1, 0.8603, 1.1191],
		['slab', 10, 1.4289, 1.262],
		['cylinder', 1, 1.2558, 1.2071],
		['cylinder', 10, 2.1795, 1.5677],
		['sphere', 1, 1.5708, 1.2732],
		['sphere', 10, 2.8363, 1.9249]
	] as const)('%s at Bi = %d', (shape, biot, root, coefficient) => {
		const expected = coefficient * Math.exp(-root * root);
		expect(centreLeft(shape, biot, 1) / expected).toBeCloseTo(1, 2);
	});
	it.each(['slab', 'cylinder', 'sphere'] as const)('%s: starts at one and falls to nothing', (shape) => {
		expect(centreLeft(shape, 5, 0)).toBe(1);
		expect(centreLeft(shape, 5, 0.004)).toBeGreaterThan(0.99);
		let before = 1;
		for (let fo = 0.02; fo < 3; fo += 0.02) {
			const now = centreLeft(shape, 5, fo);
			expect(now).toBeLessThanOrEqual(before + 1e-9);
			before = now;
		}
		expect(before).toBeLessThan(0.01);
	});
	it('cools as one lump where the surface is the only resistance', () => {
		// Bi → 0: exp(−Bi·Fo·n), n = 1, 2, 3 for slab, cylinder, sphere.
		for (const [shape, n] of [
			['slab', 1],
			['cylinder', 2],
			['sphere', 3]
		] as const) {
			expect(centreLeft(shape, 0.001, 300)).toBeCloseTo(Math.exp(-0.001 * 300 * n), 3);
		}
	});
});

const ear: ChillInput = {
	shape: 'cylinder',
	size_m: 0.045,
	start_C: 20,
	boil_C: 98.7,
	blanch_s: 540,
	bath_C: 4,
	target_C: 15
};

describe('the chill', () => {
	it('is never shorter than the published rule: as long as the blanch', () => {
		for (const size_m of [0.002, 0.006, 0.01]) {
			expect(chillTime_s({ ...ear, size_m, blanch_s: 180 })).toBeGreaterThanOrEqual(180);
		}
		expect(chillTime_s({ ...ear, shape: 'cylinder', size_m: 0.009, blanch_s: 180 })).toBe(180);
	});
	it('takes far longer for an ear of corn than for its kernels', () => {
		const kernels = chillTime_s({ ...ear, shape: 'slab', size_m: 0.009, blanch_s: 240 });
		expect(chillTime_s(ear)).toBeGreaterThan(4 * kernels);
	});
	it('leaves the centre at the target, and it stays below', () => {
		const t = chillTime_s(ear);
		expect(centreAfter(ear, t)).toBeCloseTo(15, 1);
		for (let more = 60; more < 3600; more += 60) expect(centreAfter(ear, t + more)).toBeLessThan(15.01);
	});
	it('knows that a thick centre still warms after it is lifted', () => {
		expect(centreAfter(ear, 120)).toBeGreaterThan(centreAfter(ear, 1));
	});
	it('goes about with the square of the thickness where conduction rules', () => {
		// Long blanch, so that both start hot through; strong cooling.
		const thick = { ...ear, blanch_s: 7200, size_m: 0.06 };
		const ratio = chillTime_s({ ...thick, blanch_s: 7200, size_m: 0.12, target_C: 50 }) / 7200;
		expect(ratio).toBeGreaterThanOrEqual(1);
		const left = (size_m: number, t: number) => centreAfter({ ...thick, size_m, blanch_s: 1e6 }, t);
		expect(left(0.06, 900)).toBeLessThan(left(0.12, 900));
	});
	it('refuses a bath that is no colder than the target', () => {
		expect(() => chillTime_s({ ...ear, bath_C: 15 })).toThrow(/colder/);
	});
});

describe('ice', () => {
	const one = { food_kg: 1, foodHeat_J_kgK: 4000, hot_C: 98.7, basin_L: 0, tap_C: 14, end_C: 0 };
	it('melts as the latent heat balance says', () => {
		// 1 kg · 4.0 · 98.7 / 333.6 = 1.183 kg to bring it to 0 °C
		expect(iceBalance_kg(one)).toBeCloseTo((4 * 98.7) / 333.6, 4);
	});
	it('closes the balance at any end temperature: what the food and water give is what the ice takes', () => {
		for (const end_C of [0, 5, 10, 15]) {
			const kg = iceBalance_kg({ ...one, basin_L: 3, end_C });
			const given = 4000 * (98.7 - end_C) + 3 * 4186 * Math.max(0, 14 - end_C);
			expect(kg * (333_600 + 4186 * end_C)).toBeCloseTo(given, 3);
		}
	});
	it('comes near the published pound a pound: the rule lies between the balances for 15 °C and 0 °C', () => {
		// NCHFP, Blanching Vegetables: about 1 lb of ice for each lb of vegetable (from memory).
		expect(iceBalance_kg({ ...one, end_C: 15 })).toBeLessThan(1);
		expect(iceBalance_kg({ ...one, end_C: 0 })).toBeGreaterThan(1);
	});
	it('never plans less than the rule', () => {
		expect(iceToHave_kg({ ...one, hot_C: 40, end_C: 10 }).kg).toBe(1);
	});
});
