import { describe, expect, it } from 'vitest';
import { blanchRows, foodRows, type BlanchRow } from '../../reference/tables';
import { cutOf } from '../foods/cuts';
import { foodById } from '../things/names';
import { kgFromLb, mFromFt } from '../quantities/units';
import { blanchLine, blanchTime_s, type BlanchLineInput } from './blanch-line';

const rowOf = (id: string): BlanchRow => {
	const row = blanchRows.find((r) => r.id === id);
	if (!row) throw new Error(id);
	return row;
};
const input = (foodId: string, cutId: string, rowId: string, more: Partial<BlanchLineInput> = {}): BlanchLineInput => {
	const food = foodById(foodId);
	if (!food) throw new Error(foodId);
	return {
		food,
		cut: cutOf(food, cutId),
		row: rowOf(rowId),
		load_kg: 8.4,
		pot: { litres: 12, burner: { kind: 'induction', power_W: 3000 } },
		altitude_m: 380,
		basins: 2,
		tap_C: 14,
		food_C: 20,
		...more
	};
};

describe('published blanching times', () => {
	// National Center for Home Food Preservation, Blanching Vegetables; So Easy to Preserve (from memory), set down here
	// a second time and by themselves: a slip in the table shows.
	it.each([
		['green-beans/cut', 'water', 3, 3],
		['zucchini/rounds', 'water', 3, 3],
		['zucchini/grated-steam', 'steam', 1, 2],
		['spinach/leaves', 'water', 2, 2],
		['kale/leaves', 'water', 2, 2],
		['chard/leaves', 'water', 2, 2],
		['sweet-corn/kernels', 'water', 4, 4],
		['sweet-corn/ears-small', 'water', 7, 7],
		['sweet-corn/ears-medium', 'water', 9, 9],
		['sweet-corn/ears-large', 'water', 11, 11],
		['peas/shelled', 'water', 1.5, 1.5],
		['broccoli/florets', 'water', 3, 3],
		['broccoli/florets-steam', 'steam', 5, 5],
		['cauliflower/florets', 'water', 3, 3],
		['carrots/diced', 'water', 2, 2],
		['carrots/small-whole', 'water', 5, 5],
		['potatoes/small-whole', 'water', 3, 5],
		['bell-peppers/halves', 'water', 3, 3],
		['bell-peppers/strips', 'water', 2, 2],
		['onions/rings', 'water', 10 / 60, 15 / 60],
		['onions/whole', 'water', 3, 7],
		['asparagus/small', 'water', 2, 2],
		['asparagus/medium', 'water', 3, 3],
		['asparagus/large', 'water', 4, 4],
		['brussels-sprouts/small', 'water', 3, 3],
		['brussels-sprouts/medium', 'water', 4, 4],
		['brussels-sprouts/large', 'water', 5, 5]
	])('%s in %s: %d to %d min', (id, method, low, high) => {
		const row = rowOf(id);
		expect(row.method).toBe(method);
		expect(row.minutes[0]).toBeCloseTo(low, 9);
		expect(row.minutes[1]).toBeCloseTo(high, 9);
		expect(row.confidence).toBe('from memory');
	});

	it('takes the runner bean’s time from practice and says so: the published table does not name it', () => {
		const row = rowOf('runner-beans/sliced');
		expect(row.confidence).toBe('practice');
		expect(row.note).toMatch(/not runner beans/);
	});

	it('gives no blanching time to a cut that has none published', () => {
		for (const food of foodRows) {
			// Mushrooms are the exception: the list steams them, and they are as well cooked in the pan.
			if (food.group === 'mushroom') continue;
			for (const cut of food.cuts) if (cut.cookFirst) expect(cut.blanch ?? [], food.id).toEqual([]);
		}
	});

	it('adds the published minute from 5,000 ft on, and not below', () => {
		const row = rowOf('green-beans/cut');
		expect(blanchTime_s(row, mFromFt(4999)).seconds).toEqual([180, 180]);
		expect(blanchTime_s(row, mFromFt(5000)).seconds).toEqual([240, 240]);
		// A dip that loosens skins ends when they split, at any altitude.
		expect(blanchTime_s(rowOf('tomatoes/skin-dip'), mFromFt(7000)).seconds).toEqual([30, 60]);
	});
});

describe('the blanch line', () => {
	it('puts a pound to the gallon of the actual water', () => {
		const line = blanchLine(input('green-beans', 'cut', 'green-beans/cut'));
		expect(line.potful_kg).toBeLessThanOrEqual((line.water_L / 3.785411784) * kgFromLb(1) + 1e-9);
		expect(line.potfuls).toBe(9);
	});
	it('gives leafy greens two gallons a pound', () => {
		const line = blanchLine(input('spinach', 'leaves', 'spinach/leaves'));
		expect(line.potful_kg).toBeLessThanOrEqual((line.water_L / 3.785411784 / 2) * kgFromLb(1) + 1e-9);
	});
	it('fills the pot to three quarters, food in', () => {
		const line = blanchLine(input('green-beans', 'cut', 'green-beans/cut', { load_kg: 100 }));
		expect(line.water_L + line.potful_kg).toBeLessThanOrEqual(9 + 1e-6);
		expect(line.water_L + line.potful_kg).toBeGreaterThan(8.9);
	});
	it('lets a small basket be the limit', () => {
		const line = blanchLine(
			input('green-beans', 'cut', 'green-beans/cut', {
				pot: { litres: 12, basket_L: 1, burner: { kind: 'gas', power_W: 3000 } }
			})
		);
		expect(line.limit).toBe('basket');
		expect(line.potful_kg).toBeLessThanOrEqual(0.45);
	});
	it('falls and recovers as the heat balance says', () => {
		const line = blanchLine(input('green-beans', 'cut', 'green-beans/cut'));
		// What the food took from the water is what the burner gives back.
		expect(line.reboil_s * 3000 * 0.85).toBeCloseTo(line.dip_K * (line.potful_kg * 3964 + line.water_L * 4186), -3);
		expect(line.dip_K).toBeGreaterThan(5);
		expect(line.dip_K).toBeLessThan(10);
	});
	it('offers potfuls that boil again within the published minute', () => {
		const full = blanchLine(input('green-beans', 'cut', 'green-beans/cut'));
		expect(full.reboilLate).toBe(true);
		const small = blanchLine(input('green-beans', 'cut', 'green-beans/cut', { smaller: true }));
		expect(small.reboil_s).toBeLessThanOrEqual(60 + 1e-6);
		expect(small.limit).toBe('minute');
		expect(small.potfuls).toBeGreaterThan(full.potfuls);
	});
	it('shares a load into equal potfuls and loses nothing', () => {
		for (const load_kg of [0.05, 0.9, 3.21, 25]) {
			const line = blanchLine(input('green-beans', 'cut', 'green-beans/cut', { load_kg }));
			expect(line.potfuls * line.potful_kg).toBeCloseTo(load_kg, 9);
		}
	});
	it('needs no longer in all with a second basin', () => {
		const one = blanchLine(input('sweet-corn', 'ears', 'sweet-corn/ears-medium', { basins: 1 }));
		const two = blanchLine(input('sweet-corn', 'ears', 'sweet-corn/ears-medium', { basins: 2 }));
		expect(two.line_s).toBeLessThan(one.line_s);
	});
	it('takes no ice for a dip that only loosens skins', () => {
		expect(blanchLine(input('tomatoes', 'skinned', 'tomatoes/skin-dip')).ice_kg).toBe(0);
	});
	it.each([0, -1, Number.NaN, Infinity])('refuses a load of %d kg', (load_kg) => {
		expect(() => blanchLine(input('green-beans', 'cut', 'green-beans/cut', { load_kg }))).toThrow(/load_kg/);
	});
});
