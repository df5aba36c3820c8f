import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById, findFood, nearFoods } from './find-food';
import { freshness } from './freshness';

const day = 86_400_000;
const beans = foodById('green-beans');
if (!beans) throw new Error('green beans are missing');
const base = { food: beans, place: 'fridge', place_C: 4, condition: 'firm', since: 0 } as const;

describe('the freshness clock', () => {
	it('is the published time at the published temperature', () => {
		// USDA FSIS FoodKeeper: snap beans 3 to 5 days in the refrigerator (from memory).
		expect(freshness(base)).toMatchObject({ days: [3, 5], bestBy: 3 * day, source: 'foodKeeper' });
	});
	it('runs 2.5 times as fast for each 10 K warmer', () => {
		expect(freshness({ ...base, place_C: 14 }).days[0]).toBeCloseTo(3 / 2.5, 9);
	});
	it('gains nothing below what the food can stand, and warns', () => {
		const tomatoes = foodById('tomatoes');
		if (!tomatoes) throw new Error('tomatoes');
		const cold = freshness({ ...base, food: tomatoes, place: 'fridge', place_C: 1 });
		expect(cold.days).toEqual(freshness({ ...base, food: tomatoes, place: 'fridge', place_C: 4 }).days);
		expect(cold.warning).toMatch(/suffer/);
	});
	it('never more than doubles a published figure', () => {
		expect(freshness({ ...base, place: 'counter', place_C: 0 }).days[1]).toBeLessThanOrEqual(4);
	});
	it('goes faster the softer it is', () => {
		const days = (['firm', 'ripe', 'soft', 'cut'] as const).map(
			(condition) => freshness({ ...base, condition }).days[0]
		);
		expect([...days].sort((a, b) => b - a)).toEqual(days);
	});
	it.each([Number.NaN, -10, 60])('refuses a place of %d °C', (place_C) =>
		expect(() => freshness({ ...base, place_C })).toThrow(/place_C/)
	);
	it('gives meat two hours out of the cold, one above 90 °F, and its published days in the fridge', () => {
		// USDA FSIS (from memory): two hours at room temperature, one above 90 °F; ground meat 1 to 2 days in the fridge.
		const food = foodById('ground-beef');
		if (!food) throw new Error('ground beef');
		const at = (place_C: number) => freshness({ ...base, food, place: 'counter', place_C }).days[1] * 24;
		expect([at(21), at(10), at(33)].map((h) => Math.round(h * 1000) / 1000)).toEqual([2, 2, 1]);
		expect(freshness({ ...base, food, place: 'fridge', place_C: 4 }).days).toEqual([1, 2]);
		// Cold does not lengthen a limit of safety.
		expect(freshness({ ...base, food, place: 'fridge', place_C: -1 }).days).toEqual([1, 2]);
		expect(freshness({ ...base, food, place: 'fridge', place_C: 8 }).warning).toMatch(/two hours at most/);
	});
	it('gives every food an end at every place', () => {
		for (const food of foodRows) {
			for (const place of ['counter', 'cool', 'fridge', 'cellar'] as const) {
				const f = freshness({ ...base, food, place, place_C: 10 });
				expect(f.goneBy).toBeGreaterThanOrEqual(f.bestBy);
				expect(f.bestBy).toBeGreaterThan(0);
			}
		}
	});
});

describe('finding a food', () => {
	it.each([
		['courgette', 'zucchini'],
		['Courgettes', 'zucchini'],
		['capsicum', 'bell-peppers'],
		['sweetcorn', 'sweet-corn'],
		['silverbeet', 'chard'],
		['GREEN-BEANS', 'green-beans'],
		['strawberry', 'strawberries'],
		['swedes', 'rutabagas'],
		['beetroot', 'beets'],

		['mangetout', 'edible-pod-peas'],
		['butter beans', 'lima-beans'],
		['fava', 'broad-beans'],
		['spring onion', 'scallions'],
		['coriander', 'cilantro'],
		['pak choi', 'bok-choy'],
		['kumara', 'sweet-potatoes'],
		['jalapeño', 'chile-peppers'],
		['rockmelon', 'melons'],
		['blackcurrants', 'currants'],
		['minced beef', 'ground-beef'],
		['prawns', 'shrimp'],
		['gammon', 'ham'],
		['Roma tomatoes', 'tomatoes'],
		['butternut', 'winter-squash']
	])('%s', (name, id) => expect(findFood(name)?.id).toBe(id));
	it('finds every food by each of its names, and no name means two foods', () => {
		for (const food of foodRows)
			for (const name of [food.id, food.name, ...food.names]) expect(findFood(name)?.id, name).toBe(food.id);
	});
	it('has no name twice', () => {
		const names = foodRows.flatMap((f) => [f.name, ...f.names]);
		expect(names.filter((n, i) => names.indexOf(n) !== i)).toEqual([]);
	});
	it.each([
		['spinich', 'spinach'],
		['rasberries', 'raspberries'],
		['corgette', 'zucchini'],
		['colliflower', 'cauliflower']
	])('offers for %s', (slip, id) => expect(nearFoods(slip).map((f) => f.id)).toContain(id));
});
