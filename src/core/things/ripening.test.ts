import { describe, expect, it } from 'vitest';
import { foodById } from './names';
import { ripening } from './ripening';
import { plain } from './thing';

const day = 86_400_000;
const of = (food: string, more: object = {}) => {
	const row = foodById(food);
	if (!row) throw new Error(food);
	return { ...plain(row), ...more };
};
const lay = (...stays: [number, number][]) => {
	let at = 0;
	return stays.map(([place_C, days], i) => {
		const from = at;
		at += days * day;
		return { place: 'counter' as const, place_C, from, until: i === stays.length - 1 ? null : at };
	});
};

describe('what ripens off the plant', () => {
	it('pears: five to ten days in a room (USDA Handbook 66, from memory)', () => {
		expect(ripening(of('pears'), lay([20, 0]))?.ripe).toEqual([5 * day, 10 * day]);
		expect(ripening(of('pears'), lay([25, 0]))?.ripe).toEqual([5 * day, 10 * day]);
	});
	it('waits in the cold, and goes on from where it was', () => {
		expect(ripening(of('pears'), lay([4, 0]))?.ripe).toBeNull();
		// Two days out, ten in the fridge, out again: three to eight days are left.
		expect(ripening(of('pears'), lay([20, 2], [4, 10], [20, 0]))?.ripe).toEqual([15 * day, 20 * day]);
	});
	it('takes about twice as long at 13 °C: two weeks become four for green tomatoes (extension, from memory)', () => {
		const [, latest] = ripening(of('green-tomatoes'), lay([13, 0]))?.ripe ?? [];
		expect((latest ?? 0) / day).toBeGreaterThan(23);
		expect((latest ?? 0) / day).toBeLessThan(31);
	});
	it('says nothing of what is ripe, cut, frozen, or does not ripen', () => {
		expect(ripening(of('pears', { condition: 'ripe' }), lay([20, 0]))).toBeUndefined();
		expect(ripening(of('pears', { state: 'prepared' }), lay([20, 0]))).toBeUndefined();
		expect(ripening(of('strawberries'), lay([20, 0]))).toBeUndefined();
	});
});
