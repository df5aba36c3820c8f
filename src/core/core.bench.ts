import { bench, describe } from 'vitest';
import { foodRows } from '../reference/tables';
import { parseHaul } from './quantities/parse-haul';
import { tableEntries } from './tables/entries';
import { foodSections } from './tables/food-sections';
import { search } from './tables/search';
import { canWays } from './ways/can-ways';
import { freezeWays } from './ways/freeze-ways';
import { kitchen } from './ways/kitchen.fixture';

const cuts = foodRows.flatMap((food) => food.cuts.map((cut) => ({ food, cut })));
const items = Array.from({ length: 500 }, (_, i) => ({
	...(cuts[i % cuts.length] as (typeof cuts)[number]),
	grams: 500 + i * 37
}));

describe('the core', () => {
	bench('all ways for 500 items', () => {
		for (const { food, cut, grams } of items) {
			freezeWays({
				food,
				form: food.forms[0]?.id ?? 'whole',
				grams,
				food_C: 18,
				kitchen,
				choices: { cut: cut.id },
				now: 1_787_000_000_000
			});
		}
	});
	bench('jars of 500 items', () => {
		for (const { food, grams } of items) {
			canWays({ food, form: food.forms[0]?.id ?? 'whole', grams, kitchen, jar: 'quart', now: 1_787_000_000_000 });
		}
	});
	bench('500 typed lines understood', () => {
		for (let i = 0; i < 500; i++)
			parseHaul(`${i + 1} kg ${cuts[i % cuts.length]?.food.name}, soft, fridge`, { own: [], metricCups: true });
	});
	bench('one word looked up in Tables', () => {
		search(tableEntries, 'strawbery jam');
	});
	bench('the pages of all 174 foods in Tables', () => {
		for (const food of foodRows) foodSections(food, { units: 'metric', altitude_m: 380 });
	});
});
