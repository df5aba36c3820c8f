import { describe, expect, it } from 'vitest';
import { figures, dryingRows, recipes, rehydrating, type RecipeRow } from '../../src/reference/other-ways';
import { freezingRules } from '../../src/reference/rules';
import { heatSteps } from '../../src/reference/safety';
import { foodRows } from '../../src/reference/tables';
import { linesOf } from './lines';

type Pair = [number, number];
/** "4-5", "140", "1.5 c", "-": the numbers of a recalled value. */
function range(text = ''): Pair | null {
	if (text === '-' || text === '') return null;
	const [low = Number.NaN, high = low] = text.replace(/[^\d.-]/g, '').split('-').map(Number); // prettier-ignore
	return [low, high];
}
const pair = (value: number | readonly number[]): Pair =>
	typeof value === 'number' ? [value, value] : [value[0] ?? Number.NaN, value[1] ?? value[0] ?? Number.NaN];
const fig = (id: string): Pair => {
	const row = figures.find((f) => f.id === id);
	if (!row) throw new Error(id);
	return pair(row.value);
};
const step = (id: string) => heatSteps.find((s) => s.id === id);
const F = (id: string): Pair => pair(step(id)?.F ?? Number.NaN);
const hours = (id: string): Pair => pair((step(id)?.minutes ?? Number.NaN) / 60);
const minutes = (id: string): Pair => pair(step(id)?.minutes ?? Number.NaN);
const food = (id: string) => {
	const row = foodRows.find((f) => f.id === id);
	if (!row) throw new Error(id);
	return row;
};
const fridge = (id: string): Pair => pair(food(id).keeping.find((k) => k.place === 'fridge')?.days ?? Number.NaN);
const months = (id: string, cut = 0): Pair => {
	const raw = food(id).cuts[cut]?.raw;
	return raw && raw.kind !== 'refused' ? pair(raw.months) : [Number.NaN, Number.NaN];
};

/** Where the recall and the table differ on purpose; docs/numbers.md says why of each. */
const settled: Readonly<Record<string, string>> = {
	'jerky kept at room temperature NCHFP': 'refused on the shelf',
	'jerky kept at room temperature FSIS': 'refused on the shelf',
	'jerky boiled in marinade instead': 'the thermometer decides',
	'game frozen before jerky at or below': 'in words beside the days',
	'game frozen before jerky pieces at most': 'in words beside the days',
	'cool first stage from': 'in words beside the step',
	'cool whole within': 'two stages of 2 and 4 h',
	'reheat cooked ham other': 'as every other dish',
	'freezer fresh ham': 'not carried: the shorter months of cooked ham stand',
	'freezer lean fish': 'the first tables had 6 to 8',
	'freezer shrimp': 'the shorter of the two recalls',
	'fridge fish': 'the shorter of the two recalls',
	'fridge eggs in shell': 'eggs are no food of the tables'
};

const meat: Readonly<Record<string, Pair>> = {
	'jerky beef before drying': F('jerky-meat'),
	'jerky poultry before drying': F('jerky-poultry'),
	'jerky air in the dryer': pair(dryingRows.find((r) => r.id === 'jerky')?.F ?? []),
	'jerky strip thickness at most': fig('dry/jerky-thickness'),
	'jerky oven afterwards': F('jerky-oven-after'),
	'jerky oven afterwards time': minutes('jerky-oven-after'),
	'jerky of a pound of meat': fig('dry/jerky-yield'),
	'game frozen before jerky at least': fig('freeze/game-worms'),
	'cool first stage to': F('cool-first'),
	'cool first stage within': hours('cool-first'),
	'cool second stage to': F('cool-second'),
	'shallow pan depth at most': fig('cook/shallow'),
	'thaw cold water per lb': pair(fig('thaw/water')[0] * 60),
	'thaw water changed every': minutes('thaw-water'),
	'thaw small pack of a pound in water within': fig('thaw/water-small'),
	'thaw pack of 3 to 4 lb in water': fig('thaw/water-large'),
	'thawed in fridge ground meat poultry fish stew': fig('second/thawed-tender'),
	'thawed in fridge red meat cuts': fig('second/thawed-cuts'),
	'cook from frozen longer by': fig('thaw/from-frozen'),
	'outage full freezer': fig('freeze/outage-full'),
	'outage half full freezer': fig('freeze/outage-half'),
	'outage fridge': fig('freeze/outage-fridge'),
	'refreeze when still at or below': fig('freeze/refreeze'),
	'out of the cold at most': hours('out-of-the-cold'),
	'above 90 F at most': hours('out-of-the-cold-hot'),
	'cook steaks roasts chops': F('cook-whole'),
	'cook steaks roasts chops rest': minutes('cook-whole'),
	'cook ground meat': F('cook-ground'),
	'cook poultry': F('cook-poultry'),
	'cook ground poultry': F('cook-poultry'),
	'cook fish and shellfish': F('cook-fish'),
	'cook fresh ham': F('cook-ham'),
	'reheat cooked ham inspected plant': fig('cook/reheat-ham'),
	'cook rabbit and venison': F('cook-game'),
	'cook eggs dishes': F('cook-eggs'),
	'cook casseroles leftovers': F('reheat'),
	'fridge ground meat': fridge('ground-beef'),
	'freezer ground meat': months('ground-beef'),
	'fridge steaks chops roasts': fridge('beef'),
	'freezer steaks chops roasts': months('beef'),
	'fridge whole poultry': fridge('chicken'),
	'freezer whole poultry': months('chicken', 1),
	'freezer poultry pieces': months('chicken'),
	'freezer giblets': months('chicken-livers'),
	'fridge raw sausage': fridge('sausage'),
	'freezer raw sausage': months('sausage'),
	'fridge bacon': fridge('bacon'),
	'freezer bacon': months('bacon'),
	'fridge variety meats': fridge('chicken-livers'),
	'freezer variety meats': fig('freeze/variety-meats'),
	'freezer fatty fish': months('salmon'),
	'fridge soups and stews': fridge('beef-stew'),
	'freezer soups and stews': months('beef-stew'),
	'fridge cooked meat': fridge('cooked-meat'),
	'freezer cooked meat': months('cooked-meat'),
	'freezer eggs without shell': fig('freeze/eggs'),
	'fridge opened low-acid can': fig('second/opened-low'),
	'fridge opened high-acid can': fig('second/opened-high'),
	'oil infusions in the fridge': fig('oil/fridge')
};

// USDA FSIS, FDA Food Code 2022, FoodSafety.gov, NCHFP (from memory, twice): see the head of meat-and-thawing.txt.
describe('jerky, cooling, thawing, cooking, cold storage against a second recall', () => {
	it.each(linesOf('./meat-and-thawing.txt'))('%s: %s %s', (name = '', value = '') => {
		if (name === 'thaw fridge per 24 h') {
			expect(figures.find((f) => f.id === 'thaw/fridge')?.at).toContain('4 to 5 lb');
			expect(fig('thaw/fridge')).toEqual([24, 24]);
			return;
		}
		if (settled[name]) {
			expect(meat[name], `${name} is both settled and compared`).toBeUndefined();
			return;
		}
		expect(meat[name], name).toEqual(range(value));
	});
	it('keeps the shorter where the two differ', () => {
		for (const [name, value] of linesOf('./meat-and-thawing.txt')) {
			if (name === 'freezer shrimp') expect(months('shrimp')[1]).toBeLessThanOrEqual(range(value)?.[1] ?? 0);
			if (name === 'fridge fish') expect(fridge('salmon')[1]).toBeLessThanOrEqual(range(value)?.[1] ?? 0);
		}
	});
});

/** Names of the recall, as the drying table has them. */
const dryingIds: Readonly<Record<string, string>> = {
	'artichokes hearts': 'artichokes', 'beets cooked': 'beets', 'sweet-corn kernels': 'sweet-corn', pumpkin: 'pumpkins',
	'berries firm': 'firm-berries'
}; // prettier-ignore
/** Steam or water that one side has alone, or that differs; docs/numbers.md says why. */
const blanchSettled = new Set([
	'artichokes',
	'apricots',
	'peaches',
	'nectarines',
	'firm-berries',
	'figs',
	'grapes',
	'parsley'
]);

// UGA, Drying Fruits and Vegetables; So Easy to Preserve (from memory, twice).
describe('the drying table against a second recall', () => {
	const lines = linesOf('./drying.txt').filter(([name = '']) => !/^(rehydrate|rule) /.test(name));
	it.each(lines)('%s: %s h, steam %s, water %s', (name = '', time = '', steam = '', water = '') => {
		const row = dryingRows.find((r) => r.id === (dryingIds[name] ?? name));
		expect(row, name).toBeDefined();
		// Corn: read again, and settled in docs/numbers.md on the hours that two of three recalls have.
		expect(pair(row?.hours ?? []), name).toEqual(row?.id === 'sweet-corn' ? [6, 8] : range(time));
		if (row && !blanchSettled.has(row.id)) {
			expect(row.steam_min ? pair(row.steam_min) : null, `${name} steam`).toEqual(range(steam));
			expect(row.water_min ? pair(row.water_min) : null, `${name} water`).toEqual(range(water));
		}
	});
	it.each(linesOf('./drying.txt').filter(([name = '']) => name.startsWith('rehydrate ')))(
		'%s: %s cups, %s h',
		(name = '', cups = '', time = '') => {
			const row = rehydrating.find((r) => r.id === name.replace('rehydrate ', ''));
			expect([row?.cups, row?.hours]).toEqual([Number(cups), Number(time)]);
		}
	);
	const rules: Readonly<Record<string, Pair>> = {
		'dehydrator temperature': fig('dry/temperature'),
		'herbs temperature': fig('dry/herb-temperature'),
		'herbs temperature humid at most': fig('dry/herb-humid'),
		'herbs hours': pair(dryingRows.find((r) => r.id === 'herbs')?.hours ?? []),
		'fruit final moisture': fig('dry/fruit-moisture'),
		'vegetables final moisture': fig('dry/vegetable-moisture'),
		'pasteurise oven': F('pasteurise-oven'),
		'pasteurise oven time': minutes('pasteurise-oven'),
		'pasteurise freezer': F('pasteurise-freezer'),
		'pasteurise freezer time': hours('pasteurise-freezer'),
		'fruit kept at 60 F': fig('dry/keep-fruit-60'),
		'fruit kept at 80 F': fig('dry/keep-fruit-80'),
		'leather temperature': fig('dry/temperature'),
		'leather thickness': fig('dry/leather-thickness'),
		'leather at room temperature': fig('dry/leather-room'),
		'leather in the freezer': fig('dry/leather-freezer'),
		'leather hours in a dehydrator': fig('dry/leather-hours'),
		'lemon juice for 2 cups of light fruit': fig('dry/leather-lemon'),
		'ascorbic acid dip for 2 cups of water': pair(
			recipes.find((r) => r.id === 'ascorbic-dip')?.ingredients[1]?.amount ?? []
		)
	};
	it.each(linesOf('./drying.txt').filter(([name = '']) => name.startsWith('rule ')))(
		'%s: %s %s',
		(name = '', value = '') => {
			const rule = name.replace('rule ', '');
			if (rule === 'condition jar fill')
				return expect(fig('dry/condition-fill')[0] / 100).toBeCloseTo(Number(value), 2);
			if (rule === 'vegetables kept share of fruit')
				return expect(fig('dry/keep-vegetables-60')[0] / fig('dry/keep-fruit-60')[0]).toBe(Number(value));
			// Differing, and settled in docs/numbers.md: the longer conditioning.
			if (rule === 'condition days') return expect(fig('dry/condition')).toEqual([7, 10]);
			expect(rules[rule], rule).toEqual(range(value));
		}
	);
});

/** What a recalled recipe line says of each ingredient, against the table's. */
const words: readonly (readonly [RegExp, RegExp])[] = [
	[/^(fruit|pears)$/, /./], [/^apple$/, /^apples/], [/^sugar$/, /^sugar/], [/^lemon$/, /lemon/], [/^water$/, /^water$/], [/^pectin$/, /pectin/],
	[/^cucumbers$/, /^cucumbers/], [/^onions$/, /onions/], [/^salt$/, /^canning salt$/], [/^vinegar$/, /vinegar/], [/^beans$/, /beans/],
	[/^beets$/, /beets/], [/^cabbage$/, /cabbage/]
]; // prettier-ignore
const recipeIds: Readonly<Record<string, string>> = {
	'jam apricot no pectin': 'apricot-jam', 'jam berry no pectin': 'berry-jam', 'jam peach no pectin': 'peach-jam',
	'jam blueberry-spice powdered pectin': 'blueberry-spice-jam', 'jam pear-apple liquid pectin': 'pear-apple-jam',
	'jam strawberry freezer powdered': 'strawberry-freezer-jam', 'jam strawberry freezer liquid': 'strawberry-freezer-jam-liquid',
	'jam raspberry freezer powdered': 'raspberry-freezer-jam', kraut: 'sauerkraut-25', 'kraut a gallon': 'sauerkraut',
	'dill fermented a gallon': 'dill-ferment', 'bread-and-butter': 'bread-and-butter', 'quick fresh-pack dill': 'quick-dill',
	'dilled beans': 'dilled-beans', 'pickled beets': 'pickled-beets'
}; // prettier-ignore

function compare(recipe: RecipeRow, parts: readonly string[]) {
	let compared = 0;
	for (const part of parts) {
		const [, name = '', value = '', unit = ''] = /^(\S+) ([\d.-]+)(?: (\S+))?$/.exec(part) ?? [];
		if (name === 'half-pints' || name === 'pints' || name === 'quarts') {
			expect(pair(recipe.makes?.amount ?? []), `${recipe.id} ${part}`).toEqual(range(value));
		} else {
			const [, pattern] = words.find(([w]) => w.test(name)) ?? [];
			const main = name === 'fruit' || name === 'pears';
			const row = recipe.ingredients.find((i) => (main ? i.role === 'main' : pattern?.test(i.what)));
			// Two and a half pints of berries are five cups.
			const per = unit === 'pints' ? 2 : 1;
			expect(row && pair(row.amount), `${recipe.id} ${part}`).toEqual(
				(range(value) ?? []).map((v) => (v === 0.33 ? 0.3333 : v * per))
			);
		}
		compared++;
	}
	return compared;
}

// USDA Complete Guide 2015, guides 2, 6, 7; NCHFP, jams, syrups, freezing fruit (from memory, twice).
describe('ratios against a second recall', () => {
	const lines = linesOf('./ratios.txt');
	it.each(lines.filter(([name = '']) => recipeIds[name]))('%s: %s, %s', (name = '', ...parts) => {
		const recipe = recipes.find((r) => r.id === recipeIds[name]);
		expect(recipe, name).toBeDefined();
		if (recipe) expect(compare(recipe, parts)).toBe(parts.length);
	});
	it('leaves out the strawberry jam that the recalls mix up', () => {
		expect(lines.some(([name]) => name === 'jam strawberry powdered pectin')).toBe(true);
		expect(recipes.some((r) => r.id === 'strawberry-jam')).toBe(false);
	});
	it.each(lines.filter(([name = '']) => /^(canning|freezing)-syrup \d/.test(name)))(
		'%s | %s | %s',
		(name = '', first = '', second = '') => {
			const [kind = '', percent = ''] = name.split(' ');
			const at = (id: string) => recipes.find((r) => r.id === id);
			const amounts = (id: string) => at(id)?.ingredients.map((i) => i.amount);
			if (kind === 'canning-syrup') {
				expect(amounts(`${name.replace(' ', '-')}-pints`)).toEqual(first.split(' ').map(Number));
				expect(amounts(`${name.replace(' ', '-')}-quarts`)).toEqual(second.split(' ').map(Number));
			} else {
				expect(amounts(`freezing-syrup-${percent}`)).toEqual([4, Number(first)]);
				expect(at(`freezing-syrup-${percent}`)?.makes?.amount[0]).toBeCloseTo(Number(second), 2);
			}
		}
	);
	it.each(lines.filter(([name = '']) => name.startsWith('sugar-pack ')))('%s: %s cup', (name = '', cups = '') => {
		const row = recipes.find((r) => r.id === name.replace(' ', '-'));
		expect(row?.ingredients.find((i) => i.what === 'sugar')?.amount).toBeCloseTo(Number(cups), 2);
	});
	it.each(lines.filter(([name = '']) => name.startsWith('headspace ')))('%s: %s in', (name = '', four = '') => {
		const kind = name.replace('headspace ', '');
		const table = ['wide-pint', 'wide-quart', 'narrow-pint', 'narrow-quart'].map(
			(at) => fig(`freeze/headspace-${kind}-${at}`)[0]
		);
		expect(table).toEqual(four.split(' ').map(Number));
	});
	const single: Readonly<Record<string, Pair>> = {
		'freezer jam stands': fig('jam/freezer-stand'),
		'freezer jam in the freezer': fig('jam/freezer-freezer'),
		'freezer jam in the fridge': fig('jam/freezer-fridge'),
		'kraut at 70-75 F': fig('ferment/kraut-warm'),
		'kraut at 60-65 F': fig('ferment/kraut-cool'),
		'dill fermented at 70-75 F': fig('ferment/dill-warm'),
		'ascorbic acid to a quart of syrup': pair(
			recipes.find((r) => r.id === 'ascorbic-syrup')?.ingredients[1]?.amount ?? []
		),
		'ascorbic acid holding bath to a gallon': pair(
			recipes.find((r) => r.id === 'ascorbic-holding')?.ingredients[1]?.amount ?? []
		),
		'cooking loss of meat percent': fig('cook/loss'),
		'freezer space of wrapped meat lb per cubic foot': fig('freeze/space')
	};
	it.each(lines.filter(([name = '']) => single[name]))('%s: %s', (name = '', value = '') =>
		expect(single[name]).toEqual(range(value))
	);
	it('agrees on the dressing of animals within the wider of the two ranges', () => {
		const rows = lines.filter(([name = '']) => name.startsWith('dress '));
		expect(rows.length).toBe(8);
		for (const [name = '', value = ''] of rows) {
			const [low, high] = fig(`meat/${name.replace(' ', '-')}`);
			const [l = Number.NaN, h = Number.NaN] = (range(value) ?? []).map((v) => v * 100);
			expect(Math.max(low, l), name).toBeLessThanOrEqual(Math.min(high, h));
		}
	});
	it('agrees on the store that roots, bulbs and fruit want, the weeks overlapping', () => {
		const ids: Readonly<Record<string, string>> = { pumpkin: 'pumpkins', celeriac: 'celery-root' };
		const rows = lines.filter(([name = '']) => name.startsWith('cellar '));
		expect(rows.length).toBe(19);
		for (const [name = '', f = '', , month = ''] of rows) {
			const key = name.replace('cellar ', '');
			const want = food(ids[key] ?? key).want;
			const [lowC = Number.NaN, highC = Number.NaN] = (range(f) ?? []).map((v) => ((v - 32) * 5) / 9);
			expect(want?.C[0] ?? Number.NaN, name).toBeGreaterThanOrEqual(lowC - 1.2);
			expect(want?.C[1] ?? Number.NaN, name).toBeLessThanOrEqual(highC + 2.3);
			const [least = Number.NaN, most = Number.NaN] = (range(month) ?? []).map((m) => m * 4.345);
			expect(Math.max(want?.weeks[0] ?? Number.NaN, least), name).toBeLessThanOrEqual(
				Math.min(want?.weeks[1] ?? Number.NaN, most) + 4.5
			);
		}
	});
	it('plans a freezer’s day with the lower published load', () => {
		expect(freezingRules.load_kg_per_L_day.value).toBeCloseTo((2 * 0.45359237) / 28.316846592, 9);
	});
});
