import { describe, expect, it } from 'vitest';
import { foodById } from './names';
import { rereadLot } from './reread';

const lot = (food: string, title: string, note = '') => {
	const row = foodById(food);
	if (!row) throw new Error(food);
	return rereadLot({ food: row, title, note });
};

describe('lots that an older reader has kept', () => {
	// What that reader made of the lines of the trials: the first known word the food, the rest a note.
	it.each([
		['cherries', 'cherry', 'peppers'],
		['cranberries', 'cranberry', 'beans'],
		['grapes', 'grape', 'tomatoes'],
		['rhubarb', 'rhubarb', 'chard'],
		['rhubarb', 'rhubarb', 'leaves'],
		['tomatoes', 'tomatoes', 'frozen'],
		['tomatoes', 'tomatoes', 'mouldy'],
		['tomatoes', 'tomatoes', 'from frost-killed vines'],
		['potatoes', 'potatoes', 'mashed'],
		['mushrooms', 'mushrooms', 'wild'],
		['green-beans', 'beans', 'castor'],
		['green-beans', 'beans', ''],
		['ground-beef', 'mince', '']
	])('flags %s, "%s, %s"', (food, title, note) => expect(lot(food, title, note).flagged).toBe(true));
	it.each([
		['runner-beans', 'runner beans', ''],
		['potatoes', 'potatoes', 'from the far bed'],
		['tomatoes', 'tomatoes', 'from the tunnel'],
		['zucchini', 'courgettes', 'for Anna']
	])('leaves %s, "%s, %s" alone', (food, title, note) => expect(lot(food, title, note).flagged).toBe(false));
	it('hears the kind that its name says: white peaches stay out of jars', () => {
		expect(lot('peaches', 'white peaches').kindRow?.never?.can).toBe('can/white-peaches');
		expect(lot('peaches', 'peaches').kindRow).toBeUndefined();
	});
});
