import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { canningProducts } from '../../src/reference/canning';
import { acidPerQuart, canningRules } from '../../src/reference/canning-rules';
import { heatSteps } from '../../src/reference/safety';
import { blanchRows, foodRows } from '../../src/reference/tables';
import { linesOf } from './lines';

const table = new Map<string, { minutes: readonly number[]; headspace_in: number }>();
for (const product of canningProducts) {
	for (const row of product.processes) {
		for (const jar of row.jars) {
			const minutes = typeof row.minutes === 'number' ? [row.minutes] : row.minutes;
			table.set([product.id, row.style, jar, row.method].join(' | '), { minutes, headspace_in: row.headspace_in });
		}
	}
}
const recalled = new Map<string, number[]>();
for (const [product = '', style = '', jars = '', method = '', minutes = ''] of linesOf('./canning.txt')) {
	for (const jar of jars.split(' ')) {
		recalled.set([product, style, jar, method].join(' | '), minutes.split(' ').map(Number));
	}
}

/** Recalled, and left out of the table on purpose: docs/numbers.md says why of each. */
const leftOut = [
	'cranberry-orange-chutney',
	'mango-sauce',
	'festive-mincemeat',
	'grapefruit-orange-sections | hot',
	'tomatillos whole',
	'western-ketchup',
	'blender-ketchup',
	'fish | raw | quart',
	'reduced-sodium-dill-pickles',
	'reduced-sodium-sweet-pickles',
	'pickled-carrots',
	'marinated-peppers',
	'watermelon-rind-pickles',
	'cantaloupe-pickles',
	'peach-pickles'
];
/** In the table from one recall that this one did not have. */
const notRecalled = [
	'cranberries/whole',
	'chicken-stock',
	'smoked-fish | raw | half-pint',
	'strawberry-jam-with-pectin',
	'jelly | hot | pint'
];

// USDA Complete Guide to Home Canning, 2015, all guides (from memory, twice): see the head of canning.txt.
describe('the canning table against a second recall', () => {
	it('has at least 250 rows in common', () => {
		expect([...recalled.keys()].filter((key) => table.has(key)).length).toBeGreaterThanOrEqual(250);
	});
	it.each([...recalled])('%s: %s', (key, minutes) => {
		const row = table.get(key);
		if (!row) {
			expect(
				leftOut.some((start) => key.startsWith(start)),
				`${key} is neither in the table nor left out`
			).toBe(true);
			return;
		}
		expect(row.minutes).toEqual(minutes);
	});
	it('leaves out nothing that is in the table, and has nothing that neither recall gave', () => {
		for (const start of leftOut) expect([...table.keys()].filter((key) => key.startsWith(start))).toEqual([]);
		const alone = [...table.keys()].filter((key) => !recalled.has(key));
		for (const key of alone)
			expect(
				notRecalled.some((start) => key.startsWith(start)),
				key
			).toBe(true);
	});
	it.each(linesOf('./canning-rules.txt').filter(([kind]) => kind === 'headspace'))('%s %s in', (_kind, line = '') => {
		const at = line.lastIndexOf(' ');
		const [id, inches] = [line.slice(0, at), Number(line.slice(at + 1))];
		const rows = [...table].filter(([key]) => key.startsWith(`${id} |`));
		expect(rows.length, id).toBeGreaterThan(0);
		for (const [key, row] of rows) expect(row.headspace_in, key).toBe(inches);
	});
	it('agrees on the acid of a quart and a pint', () => {
		for (const [, food = '', jar, ...parts] of linesOf('./canning-rules.txt').filter(([kind]) => kind === 'acid')) {
			const acid = acidPerQuart[food as keyof typeof acidPerQuart];
			const share = jar === 'quart' ? 1 : 0.5;
			const value = (word: string) => Number(parts.find((p) => p.startsWith(word))?.split(' ')[1] ?? Number.NaN);
			expect(acid.lemonJuice_tbsp * share, food).toBe(value('lemon'));
			if (acid.citricAcid_tsp !== undefined) expect(acid.citricAcid_tsp * share, food).toBe(value('citric'));
			if (acid.vinegar_tbsp !== undefined) expect(acid.vinegar_tbsp * share, food).toBe(value('vinegar'));
			else expect(value('vinegar')).toBeNaN();
		}
	});
	it('agrees on the general rules', () => {
		const rule = new Map(linesOf('./canning-rules.txt').map(([name, ...rest]) => [name, rest.join(' ')]));
		expect(canningRules.vent_s.value / 60).toBe(Number(rule.get('vent_min')));
		expect(canningRules.waterOverJars_m.value / 0.0254).toBeCloseTo(Number(rule.get('water_over_jars_in')), 9);
		expect(canningRules.sterileBelow_min.value).toBe(Number(rule.get('sterilise_when_below_min')));
		expect(`${canningRules.coolLeast_h.value} ${canningRules.coolMost_h.value}`).toBe(rule.get('cool_h'));
		expect(canningRules.restWater_s.value / 60).toBe(Number(rule.get('wait_lid_off_boiling_water_min')));
		expect(canningRules.restPressure_s.value / 60).toBe(Number(rule.get('wait_after_depressurised_min')));
		const largest = (id: string) => canningProducts.find((p) => p.id === id)?.processes.flatMap((r) => r.jars) ?? [];
		expect(largest('smoked-fish')).not.toContain('quart');
		expect(largest('sweet-corn/cream-style')).toEqual(['pint']);
		expect(largest('mushrooms/pieces')).not.toContain('quart');
		expect(largest('bell-peppers/pieces')).not.toContain('quart');
		expect(
			canningProducts.filter((p) => p.processes.some((r) => r.jars.includes('half-gallon'))).map((p) => p.id)
		).toEqual(['apple-juice', 'grape-juice']);
	});
});

describe('docs/numbers.md', () => {
	const page = readFileSync(new URL('../../docs/numbers.md', import.meta.url), 'utf8');
	it('names every product that has a row recalled once, and no other', () => {
		const once = canningProducts.filter((p) => p.processes.some((r) => r.recalls === 'once')).map((p) => p.id);
		const section = page.slice(page.indexOf('## Canning rows recalled once'));
		const named = [...section.matchAll(/^\| `([a-z0-9/-]+)`/gm)].map((m) => m[1]);
		expect(named.sort()).toEqual(once.sort());
	});
	it('says how many rows agree', () => {
		const common = [...recalled.keys()].filter((key) => table.has(key)).length;
		expect(page).toContain(`${common} rows stand in both`);
	});
});

/** Names of the recall, as the blanching table has them. */
const blanchIds: Record<string, string> = {
	'artichokes hearts': 'artichokes/hearts',
	'jerusalem-artichokes pieces': 'jerusalem-artichokes/pieces',
	'green-beans': 'green-beans/cut',
	'broccoli florets': 'broccoli/florets',
	'cauliflower florets': 'cauliflower/florets',
	'carrots sliced': 'carrots/diced',
	'celery pieces': 'celery/cut',
	'corn cob-small': 'sweet-corn/ears-small',
	'corn cob-medium': 'sweet-corn/ears-medium',
	'corn cob-large': 'sweet-corn/ears-large',
	'corn kernels': 'sweet-corn/kernels',
	'greens leaves': 'spinach/leaves',
	'edible-pod-peas': 'edible-pod-peas/whole',
	'black-eyed-peas': 'black-eyed-peas/shelled',
	peas: 'peas/shelled',
	'potatoes new': 'potatoes/small-whole',
	edamame: 'edamame/in-pod',
	chayote: 'chayote/diced'
};
const minutesOf = (words: string): [number, number] => {
	const per = words.endsWith(' s') ? 60 : 1;
	const [low = Number.NaN, high = low] = words
		.replace(' s', '')
		.split('-')
		.map((n) => Number(n) / per);
	return [low, high];
};

// National Center for Home Food Preservation, Blanching Vegetables (from memory, twice).
describe('the blanching table against a second recall', () => {
	const lines = linesOf('./blanching.txt').filter(([name]) => name !== 'cook-first');
	it.each(lines)('%s: %s min in water', (name = '', water = '', steam = '') => {
		const id = blanchIds[name] ?? name.replace(' ', '/');
		const row = blanchRows.find((r) => r.id === id);
		expect(row, id).toBeDefined();
		const [low, high] = minutesOf(water === '-' ? steam : water);
		// Small and large pods are two rows of ours and one range of the recall.
		const upper = name === 'edible-pod-peas' ? blanchRows.find((r) => r.id === 'edible-pod-peas/large') : row;
		expect(row?.minutes[0]).toBeCloseTo(low, 9);
		expect(upper?.minutes[1]).toBeCloseTo(high, 9);
		expect(row?.method).toBe(water === '-' ? 'steam' : 'water');
		if (water !== '-' && steam) {
			expect(blanchRows.find((r) => r.id === `${id}-steam`)?.minutes[0]).toBe(Number(steam));
		}
	});
	it('cooks the same foods instead of blanching them', () => {
		const [, list = ''] = linesOf('./blanching.txt').find(([name]) => name === 'cook-first') ?? [];
		for (const id of list.split(', ')) {
			const food = foodRows.find((f) => f.id === id || f.id === `${id}s`);
			expect(
				food?.cuts.every((c) => c.cookFirst && !c.blanch && c.raw.kind === 'refused'),
				id
			).toBe(true);
		}
	});
});

// USDA FSIS, NCHFP, FDA Food Code 2022 (from memory, twice).
describe('heat steps and cold limits against a second recall', () => {
	const at = (id: string) => heatSteps.find((s) => s.id === id);
	const second = new Map(linesOf('./heat-steps.txt').map(([name, value]) => [name, value]));
	it.each([
		['jerky meat before drying F', at('jerky-meat')?.F],
		['jerky poultry before drying F', at('jerky-poultry')?.F],
		['jerky drying air least F', at('dry-meat-air')?.F],
		['pasteurise oven F', at('pasteurise-oven')?.F],
		['pasteurise oven min', at('pasteurise-oven')?.minutes],
		['pasteurise freezer F at or below', at('pasteurise-freezer')?.F],
		['pasteurise freezer h at least', (at('pasteurise-freezer')?.minutes ?? 0) / 60],
		['ground meat F', at('cook-ground')?.F],
		['whole cuts of beef pork lamb F', at('cook-whole')?.F],
		['whole cuts rest min', at('cook-whole')?.minutes],
		['poultry F', at('cook-poultry')?.F],
		['fish F', at('cook-fish')?.F],
		['eggs F', at('cook-eggs')?.F],
		['leftovers reheat F', at('reheat')?.F],
		['cool from 135 to 70 within h', (at('cool-first')?.minutes ?? 0) / 60],
		['cool from 70 to 41 within further h', (at('cool-second')?.minutes ?? 0) / 60],
		['out of the cold at most h', (at('out-of-the-cold')?.minutes ?? 0) / 60],
		['out of the cold above 90 F at most h', (at('out-of-the-cold-hot')?.minutes ?? 0) / 60],
		['fridge at or below F', at('fridge')?.F],
		['freezer F', at('freezer')?.F],
		['garlic in oil fridge days', (at('oil-fridge')?.minutes ?? 0) / 60 / 24],
		['low acid above pH', canningRules.lowAcidAbove_pH.value]
	])('%s: %d', (name, value) => expect(value).toBe(Number(second.get(name))));
});
