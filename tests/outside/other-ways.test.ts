import { describe, expect, it } from 'vitest';
import { lookUpDrying } from '../../src/core/drying/dry-look-up';
import { foodById } from '../../src/core/things/names';
import { plain } from '../../src/core/things/thing';
import { understand } from '../../src/core/things/understand';
import { lookUpFreezing } from '../../src/core/freezing/freeze-look-up';
import { amountText, sayAmount } from '../../src/core/quantities/amount';
import { findRecipe } from '../../src/core/recipes/find-recipe';
import { mainOf, practical, readHave, scaleRecipe } from '../../src/core/recipes/scale-recipe';
import { cookStepOf } from '../../src/core/safety/cook';
import { apartFrom } from '../../src/core/storing/companions';
import { lookUpStorage, type StorageQuestion } from '../../src/core/storing/storage-look-up';
import { figures, type FigureUnit } from '../../src/reference/other-ways';
import type { FoodRow } from '../../src/reference/tables';

/*
 * Check values of the ways beside canning and blanching, by publication. All are from memory unless a group says that they
 * are common practice; they were typed here by hand, not read from the tables.
 */
const food = (name: string): FoodRow => {
	const own = foodById(name);
	if (own) return own;
	const found = understand(name);
	if (found.kind !== 'thing') throw new Error(name);
	return found.thing.food;
};
const dried = (name: string, cut?: string) => {
	const answer = lookUpDrying({ thing: plain(food(name)), ...(cut ? { cut } : {}) });
	if (answer.kind === 'refused' || !answer.row) throw new Error(name);
	return answer;
};
const hours = (name: string, cut?: string) => dried(name, cut).row?.hours;
const keeps = (name: string, way: StorageQuestion['way'], more: Partial<StorageQuestion> = {}) => {
	const answer = lookUpStorage({ thing: plain(food(name)), way, ...more });
	if (answer.kind === 'refused') return [];
	return answer.keeps.map((k) => `${k.time[0]}-${k.time[1]} ${k.unit}`);
};
const fig = (id: string) => {
	const row = figures.find((f) => f.id === id);
	return row ? `${typeof row.value === 'number' ? row.value : row.value.join('-')} ${row.unit}` : undefined;
};

describe('University of Georgia, Drying Fruits and Vegetables; NCHFP, Drying', () => {
	it.each([
		['asparagus', 4, 6], ['green beans', 8, 14], ['beets', 10, 12], ['broccoli', 12, 15], ['brussels sprouts', 12, 18],
		['cabbage', 10, 12], ['carrots', 10, 12], ['cauliflower', 12, 15], ['celery', 10, 16], ['eggplant', 12, 14], ['garlic', 6, 8],
		['kale', 8, 10], ['mushrooms', 8, 10], ['okra', 8, 10], ['onions', 3, 9], ['peas', 8, 10], ['capsicum', 8, 12],
		['potatoes', 8, 12], ['pumpkins', 10, 16], ['courgettes', 10, 12], ['tomatoes', 10, 18], ['apples', 6, 12],
		['apricots', 24, 36], ['bananas', 8, 10], ['blueberries', 24, 36], ['cherries', 24, 36], ['figs', 6, 12], ['grapes', 12, 20],
		['pears', 24, 36], ['pineapple', 24, 36], ['plums', 24, 36]
	] as const)('%s dries in %d to %d h at 140 °F', (name, low, high) => {
		expect(hours(name)).toEqual([low, high]);
		expect(dried(name).row?.F).toEqual([140, 140]);
	}); // prettier-ignore
	it('peach halves take 36 to 48 h, basil 1 to 4 h at 95 to 115 °F', () => {
		expect(hours('peaches', 'halves')).toEqual([36, 48]);
		expect(hours('basil')).toEqual([1, 4]);
		expect(dried('basil').row?.F).toEqual([95, 115]);
	});
	it.each([
		['carrots', 'steam_min', 3, 3.5], ['broccoli', 'water_min', 2, 2], ['potatoes', 'water_min', 5, 6], ['spinach', 'steam_min', 2, 2.5],
		['apples', 'steam_min', 3, 5], ['pears', 'steam_min', 6, 6], ['peas', 'steam_min', 3, 3], ['grapes', 'water_min', 0.25, 0.5]
	] as const)('%s before: %s %d to %d', (name, kind, low, high) => expect(dried(name).row?.[kind]).toEqual([low, high])); // prettier-ignore
	it('keeps fruit 12 months at 60 °F and 6 at 80 °F, vegetables half as long', () => {
		expect(keeps('apricots', 'dry', { temp_C: 15.5 })).toEqual(['12-12 month']);
		expect(keeps('apricots', 'dry', { temp_C: 26.6 })).toEqual(['6-6 month']);
		expect(keeps('celery', 'dry', { temp_C: 15.5 })).toEqual(['6-6 month']);
		expect(keeps('celery', 'dry', { temp_C: 26.6 })).toEqual(['3-3 month']);
	});
	it.each([
		['dry/fruit-moisture', '20 %'], ['dry/vegetable-moisture', '10 %'], ['dry/condition', '7-10 day'], ['dry/leather-room', '1 month'],
		['dry/leather-freezer', '12 month'], ['dry/jerky-thickness', '0.25 in'], ['freeze/game-worms', '30 day']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
});

describe('NCHFP, Rehydrating: cups of water to a cup, hours', () => {
	it.each([
		['apples', 1.5, 0.5], ['pears', 1.75, 1.25], ['peaches', 2, 1.25], ['beets', 2.75, 1.5], ['cabbage', 3, 1], ['okra', 3, 0.5],
		['sweet corn', 2.25, 0.5], ['onions', 2, 0.75], ['spinach', 1, 0.5], ['sweet potatoes', 1.5, 0.5]
	] as const)('%s: %d, %d h', (name, cups, time) => expect(dried(name).rehydrate).toMatchObject({ cups, hours: time })); // prettier-ignore
});

describe('USDA FSIS: temperatures inside, thawing, power cuts; FoodSafety.gov, Cold Food Storage Chart', () => {
	it.each([
		['beef', 145], ['pork', 145], ['lamb', 145], ['minced beef', 160], ['chicken', 165], ['turkey', 165], ['goose', 165], ['rabbit', 160],
		['venison', 160], ['trout', 145], ['ham', 145], ['beef stew', 165]
	] as const)('%s is safe at %d °F', (name, F) => expect(cookStepOf(food(name))?.F).toBe(F)); // prettier-ignore
	it.each([
		['minced beef', 'fridge', '1-2 day'], ['beef', 'fridge', '3-5 day'], ['chicken', 'fridge', '1-2 day'], ['trout', 'fridge', '1-2 day'],
		['beef stew', 'fridge', '3-4 day'], ['bacon', 'fridge', '7-7 day'], ['minced beef', 'freeze', '3-4 month'], ['beef', 'freeze', '4-12 month'],
		['bacon', 'freeze', '1-1 month'], ['salmon', 'freeze', '2-3 month'], ['chicken', 'freeze', '12-12 month'], ['chicken', 'freeze', '9-9 month'],
		['chicken livers', 'freeze', '3-4 month'], ['cooked chicken', 'freeze', '2-6 month'], ['beef stew', 'freeze', '2-3 month'],
		['minced beef', 'thawed', '1-2 day'], ['beef', 'thawed', '3-5 day'], ['green beans', 'opened', '3-4 day'], ['peaches', 'opened', '5-7 day']
	] as const)('%s, %s: %s', (name, way, time) => expect(keeps(name, way)).toContain(time)); // prettier-ignore
	it.each([
		['thaw/fridge', '24 h'], ['thaw/water-small', '1 h'], ['thaw/water-large', '2-3 h'], ['freeze/outage-full', '48 h'],
		['freeze/outage-half', '24 h'], ['freeze/outage-fridge', '4 h'], ['freeze/refreeze', '40 F'], ['freeze/throw-after', '2 h']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
});

describe('9 CFR 318.10 (trichinae) and 381.66 (poultry chilling)', () => {
	it.each([
		['freeze/pork-worms-5', '20 day'], ['freeze/pork-worms-10', '10 day'], ['freeze/pork-worms-20', '6 day'], ['meat/chill-small', '4 h'],
		['meat/chill-medium', '6 h'], ['meat/chill-large', '8 h']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
});

describe('NCHFP, Freezing: months, headspace, packs', () => {
	it.each([['green beans', '8-12 month'], ['raspberries', '8-12 month'], ['oranges', '4-6 month'], ['pumpkins', '8-12 month']] as const)('%s: %s', (name, time) =>
		expect(keeps(name, 'freeze')).toContain(time)); // prettier-ignore
	it.each([
		['liquid-wide-pint', 0.5], ['liquid-wide-quart', 1], ['liquid-narrow-pint', 0.75], ['liquid-narrow-quart', 1.5],
		['dry-wide-quart', 0.5], ['juice-narrow-pint', 1.5], ['juice-wide-quart', 1]
	] as const)('headspace %s: %d in', (id, inches) => expect(fig(`freeze/headspace-${id}`)).toBe(`${inches} in`)); // prettier-ignore
	it('needs no blanching for fruit, and cooks beets, pumpkins and sweet potatoes', () => {
		const methods = (name: string) => {
			const answer = lookUpFreezing({ thing: plain(food(name)) });
			return answer.kind === 'refused' ? [] : [...new Set(answer.cuts.map((c) => c.method))];
		};
		expect(methods('raspberries')).toEqual(['raw']);
		for (const name of ['beets', 'pumpkins', 'sweet potatoes']) expect(methods(name), name).toEqual(['cooked']);
	});
});

describe('USDA Complete Guide 2015, guide 6: ferments', () => {
	it.each([
		['ferment/kraut-salt', '2.25-2.5 %'], ['ferment/kraut-warm', '3-4 week'], ['ferment/kraut-cool', '5-6 week'],
		['ferment/kraut-least', '60 F'], ['ferment/kraut-most', '75 F'], ['ferment/dill-warm', '3-4 week'], ['ferment/dill-fridge', '4-6 month'],
		['ferment/blossom', '0.0625 in'], ['ferment/under-brine', '1-2 in'], ['pickle/vinegar', '5 %']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
});

describe('Utah State University Extension, absorbers', () => {
	it.each([
		['absorber/dense-quart', '100 cc'], ['absorber/dense-gallon', '300-400 cc'], ['absorber/dense-bucket', '1500-2000 cc'],
		['absorber/light-bucket', '2000-2500 cc'], ['absorber/moisture', '10 %']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
	it('sizes an absorber above the oxygen that grain leaves in the jar', () => {
		// 40 % air between the grains of a quart (0.946 L), a fifth of it oxygen: 79 cc, and 100 cc is printed.
		expect(0.946 * 1000 * 0.4 * 0.2095).toBeLessThan(100);
		expect(18.93 * 1000 * 0.4 * 0.2095).toBeLessThan(1600);
	});
});

describe('USDA Handbook 66, cool storage', () => {
	it.each([
		['potatoes', 20, 36], ['carrots', 16, 26], ['beets', 12, 20], ['garlic', 24, 32], ['winter squash', 8, 26], ['sweet potatoes', 16, 28],
		['pears', 8, 28]
	] as const)('%s: %d to %d weeks', (name, low, high) => expect(keeps(name, 'cellar')).toEqual([`${low}-${high} week`])); // prettier-ignore
	it('keeps apples away from carrots, onions from potatoes, roots from squash', () => {
		const from = (name: string) => apartFrom(food(name)).flatMap((a) => a.names);
		expect(from('carrots')).toContain('apples');
		expect(from('apples')).toContain('carrots');
		expect(from('onions')).toContain('potatoes');
		expect(from('potatoes')).toEqual(expect.arrayContaining(['onions', 'apples', 'winter squash']));
		expect(from('beef')).toEqual([]);
	});
});

describe('Extension carcass bulletins; USDA Food Buying Guide', () => {
	it.each([
		['meat/dress-beef', '60-64 %'], ['meat/dress-pork', '70-75 %'], ['meat/dress-lamb', '48-54 %'], ['meat/dress-chicken', '70-75 %'],
		['freeze/space', '35-40 lb/ft3'], ['cook/ground-20', '74 %'], ['cook/ground-30', '70 %'], ['cook/yield-chicken-skin', '41 %'],
		['cook/yield-turkey', '47 %'], ['cook/loss', '25 %'], ['meat/hang-beef', '7-14 day']
	])('%s: %s', (id, value) => expect(fig(id)).toBe(value)); // prettier-ignore
	it('holds the printed examples: a 1200 lb steer, a 250 lb hog, a 120 lb lamb', () => {
		const within = (id: string, share: number) => {
			const row = figures.find((f) => f.id === id);
			const [low, high] = row && typeof row.value !== 'number' ? row.value : [0, 0];
			expect(share * 100, id).toBeGreaterThanOrEqual(low - 0.5);
			expect(share * 100, id).toBeLessThanOrEqual(high + 0.5);
		};
		within('meat/dress-beef', 750 / 1200);
		within('meat/cut-beef-boneless', 490 / 750);
		within('meat/dress-pork', 180 / 250);
		within('meat/cut-pork-bone', 144 / 180);
		within('meat/dress-lamb', 60 / 120);
		within('meat/cut-lamb-bone', 43 / 60);
	});
});

describe('common practice, no source', () => {
	it.each([
		['kiwifruit', undefined, 6, 8], ['oranges', 'slices', 6, 8], ['raspberries', 'large', 24, 48], ['blueberries', 'undipped', 72, 96],
		['morels', undefined, 4, 8]
	] as const)('%s %s: %d to %d h in a household dryer', (name, cut, low, high) => expect(hours(name, cut)).toEqual([low, high])); // prettier-ignore
	it('freeze-dries in 15 to 40 h; spinach shrinks 10 to 12 fold, shredded carrot fourfold', () => {
		expect(fig('freeze-dry/hours')).toBe('15-40 h');
		expect(fig('cook/spinach')).toBe('10-12 parts');
		expect(fig('cook/carrot-dry')).toBe('4 parts');
	});
});

describe('ratios in whole sets, worked by hand', () => {
	const make = (id: string, have: string) => {
		const recipe = findRecipe(id);
		if (!recipe) throw new Error(id);
		return scaleRecipe(recipe, readHave(have, mainOf(recipe).unit));
	};
	const of = (scaled: ReturnType<typeof make>, what: RegExp) => {
		const row = scaled.all.find((i) => what.test(i.what));
		return row ? row.amount[0] : Number.NaN;
	};
	it('13 cups of crushed blackberries: three sets of 4, 12 cups of sugar, a cup over', () => {
		const jam = make('berry-jam', '13 cups');
		expect([jam.sets, of(jam, /sugar/), jam.left.amount]).toEqual([3, 12, 1]);
		expect(jam.makes?.amount).toEqual([9, 12]);
	});
	it('20 lb of cucumbers: three sets of bread-and-butter, 12 cups of vinegar, 13½ of sugar, 2 lb over', () => {
		const pickles = make('bread-and-butter', '20 lb');
		expect([pickles.sets, of(pickles, /vinegar/), of(pickles, /^sugar/), of(pickles, /salt/)]).toEqual([
			3, 12, 13.5, 1.5
		]);
		expect(pickles.left.amount).toBeCloseTo(2, 9);
	});
	it('9 kg of cabbage: 203 to 225 g of salt by weight; the spoons of the guide lie near it', () => {
		const kraut = make('sauerkraut', '9 kg');
		expect(kraut.salt_kg?.map((kg) => Math.round(kg * 1000))).toEqual([203, 225]);
		// 9 kg is 19.84 lb, 3.968 times 5 lb: 11.9 tbsp, at about 18 g each 214 g.
		expect(of(kraut, /salt/)).toBeCloseTo(11.905, 2);
		expect(of(kraut, /salt/) * 18).toBeGreaterThan(200);
		expect(of(kraut, /salt/) * 18).toBeLessThan(230);
	});
	it('50 lb of tomatoes: two sets of ketchup of 24 lb, 6 cups of vinegar, 2 lb over', () => {
		const ketchup = make('tomato ketchup', '50 lb');
		expect([ketchup.sets, of(ketchup, /vinegar/), of(ketchup, /^sugar/)]).toEqual([2, 6, 3]);
		expect(ketchup.left.amount).toBeCloseTo(2, 9);
	});
	it('a medium syrup for a pint of water: ½ of 4 cups takes ⅞ cup of sugar and makes 2½ cups', () => {
		const syrup = make('freezing-syrup-30', '1 pint');
		expect(of(syrup, /sugar/)).toBeCloseTo(0.875, 9);
		expect(syrup.makes?.amount[0]).toBeCloseTo(2.5, 9);
	});
	it('printed syrups have about the sugar they are named for, by weight', () => {
		// Granulated sugar 200 g a cup, water 236.6 g a cup.
		for (const [percent, sugar] of [[10, 0.5], [20, 1], [30, 1.75], [40, 2.75], [50, 4]] as const) {
			const share = (sugar * 200) / (sugar * 200 + 4 * 236.6);
			expect(Math.abs(share * 100 - percent)).toBeLessThan(5);
		} // prettier-ignore
	});
	it('4 quarts of sliced peaches in a sugar pack: 2⅔ cups of sugar, 1 tsp of ascorbic acid', () => {
		const pack = make('sugar-pack-peaches', '4 quarts');
		expect(of(pack, /sugar/)).toBeCloseTo(2.6668, 3);
		expect(of(pack, /ascorbic/)).toBeCloseTo(1, 9);
	});
	it('dried apples, 3 cups: 4½ cups of water', () =>
		expect(of(make('rehydrate-apples', '3 cups'), /water/)).toBeCloseTo(4.5, 9));
	it('a tenth short of a set is no set; a hair short is', () => {
		expect(make('berry-jam', '3.6 cups')).toMatchObject({ sets: 0 });
		expect(make('berry-jam', '3.6 cups').short.amount).toBeCloseTo(0.4, 9);
		expect(make('berry-jam', '3.999 cups').sets).toBe(1);
	});
	it('1 kg of strawberries is about 4 cups crushed: two sets of freezer jam', () => {
		const jam = make('strawberry-freezer-jam', '1 kg');
		expect([jam.sets, jam.converted]).toEqual([2, true]);
	});
	it('says small amounts in the largest measure that fits', () => {
		expect(practical([12, 12], 'tbsp')).toEqual([[0.75, 0.75], 'cup']);
		expect(practical([6, 6], 'tsp')).toEqual([[2, 2], 'tbsp']);
		expect(practical([2, 2], 'tsp')).toEqual([[2, 2], 'tsp']);
		const [amount, unit] = practical([12, 12], 'tsp');
		expect([amount[0], unit]).toEqual([0.25, 'cup']);
	});
});

describe('amounts in the household’s units', () => {
	it.each([
		[[8, 12], 'month', '8 to 12 months', '8 to 12 months'],
		[140, 'F', '60 °C (140 °F)', '140 °F'],
		[[95, 115], 'F', '35 to 46 °C (95 to 115 °F)', '95 to 115 °F'],
		[0, 'F', '−18 °C (0 °F)', '0 °F'],
		[-10, 'F', '−23 °C (−10 °F)', '−10 °F'],
		[0.5, 'in', '13 mm (½ in)', '½ in'],
		[[12, 18], 'in', '30 to 46 cm (12 to 18 in)', '12 to 18 in'],
		[2.5, 'lb', '1.13 kg (2½ lb)', '2½ lb'],
		[3, 'tbsp', '3 tbsp (44 ml)', '3 tbsp'],
		[2 / 3, 'cup', '160 ml (⅔ cup)', '⅔ cup'],
		[1, 'gal', '3.79 L (1 gallon)', '1 gallon'],
		[0.5, 'h/lb', '66 min a kilo (30 min a pound)', '30 min a pound'],
		[[2, 3], 'lb/ft3', '3.2 to 4.8 kg to 100 L (2 to 3 lb to the cubic foot)', '2 to 3 lb to the cubic foot'],
		[[1 / 12, 1 / 12], 'day', '2 h', '2 h'],
		[[112, 182], 'day', '16 to 26 weeks', '16 to 26 weeks'],
		[[1.4, 2], 'week', '10 to 14 days', '10 to 14 days'],
		[0, 'h', 'at once', 'at once'],
		[1, 'month', '1 month', '1 month'],
		[11, 'psi', '76 kPa (11 psi)', '11 psi'],
		[[0, 2], 'C', '0 to 2 °C', '32 to 36 °F']
	] as [number | [number, number], FigureUnit, string, string][])('%o %s', (value, unit, metric, us) => {
		expect(amountText(sayAmount(value, unit, 'metric'))).toBe(metric);
		expect(amountText(sayAmount(value, unit, 'us'))).toBe(us);
	});
	it.each(['', 'some', '-2 cups', '0 lb', '4 ears', '3 °C', '1e9 kg', '∞ cups'])('%o is no amount', (text) =>
		expect(() => readHave(text, 'cup')).toThrow(/Say how much|no weight or volume|above 0/)
	);
	it('takes a bare number in the recipe’s own unit', () =>
		expect(readHave('4', 'lb')).toMatchObject({ kind: 'weight' }));
});
