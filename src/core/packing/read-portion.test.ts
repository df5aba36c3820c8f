import { describe, expect, it } from 'vitest';
import { cutOf } from '../foods/cuts';
import { foodById } from '../things/names';
import { readPortion, type RecipePortion } from './read-portion';

const recipes: RecipePortion[] = [
	{ name: 'one loaf', food: 'zucchini', form: 'grated', said: '2 cups, squeezed', grams: 310 }
];
const read = (text: string, id = 'zucchini', cut = 'grated', metricCups = false) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return readPortion(text, { food, cut: cutOf(food, cut), metricCups, recipes, person_g: 100 });
};

describe('a portion as a cook says it', () => {
	it.each([
		['500 g', 500, ''],
		['1 lb', 454, ''],
		// 0.9 kg to the litre, a US cup 236.6 ml.
		['2 cups', 426, '2 cups, 426 g'],
		['1 pint', 426, '1 pint, 426 g'],
		['half-pint', undefined, ''],
		['1 half-pint', 213, '1 half-pint, 213 g'],
		['for 4', 400, 'for 4, 400 g'],
		['3 people', 300, 'for 3, 300 g'],
		['One loaf', 310, 'one loaf: 2 cups, squeezed, 310 g'],
		['a handful', undefined, ''],
		['0 cups', undefined, ''],
		['for 0', undefined, '']
	])('%s', (text, grams, words) => {
		const r = read(text);
		expect(r?.grams).toBe(grams);
		if (r) expect(r.words).toBe(words);
	});
	it('by metric cups where the household has them', () => expect(read('2 cups', 'zucchini', 'grated', true)?.grams).toBe(450)); // prettier-ignore
	it('by pieces where the food is counted: four ears are four times one', () => {
		const ears = read('4 ears', 'sweet-corn', 'ears');
		expect(ears?.words).toMatch(/^4 ears, \d+ g$/);
		expect(ears?.grams).toBeGreaterThan(4 * 120);
		expect(read('4 pieces', 'spinach', 'leaves')).toBeUndefined();
	});
	it('of a recipe only for the food and the cut that it was measured in', () => {
		expect(read('one loaf', 'zucchini', 'rounds')).toBeUndefined();
		expect(read('one loaf', 'carrots', foodById('carrots')?.cuts[0]?.id)).toBeUndefined();
	});
	it('is refused beyond all measure', () => expect(() => read('200000 cups')).toThrow(/from 5 g to 100 kg/));
});
