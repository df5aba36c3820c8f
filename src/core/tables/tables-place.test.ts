import { describe, expect, it } from 'vitest';
import blanching from '../../reference/blanching.json';
import { canningProducts } from '../../reference/canning';
import { acidPerQuart, canningRules, pressureSets } from '../../reference/canning-rules';
import {
	companionRows, dryingRows, dryingYieldRows, figures, figureUnits, freezerPacks, freezerStyles, odours, practices, recipeKinds,
	recipes, rehydrating, tableWays, wayWords
} from '../../reference/other-ways'; // prettier-ignore
import { blanchRules, burnerEfficiency, freezingRules, freshnessRules } from '../../reference/rules';
import { heatSteps } from '../../reference/safety';
import { sources } from '../../reference/sources';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import { allRecipes } from '../recipes/find-recipe';
import { compareFoods } from './compare';
import { tableEntries } from './entries';
import { foodSections } from './food-sections';
import { sureness, type Line, type TableKitchen } from './line';
import { modelTables } from './model-names';
import { ruleNames } from './rule-lines';
import { search } from './search';
import { wayPage } from './way-page';

const kitchens: readonly TableKitchen[] = [
	{ units: 'metric', altitude_m: 380 },
	{ units: 'us', altitude_m: 1900 },
	{ units: 'metric', altitude_m: null }
];
const unitWords =
	/(°[CF]|mm|cm|\bin\b|\bkg\b|\bg\b|\blb\b|\boz\b|\bml\b|\bL\b|cups?|tbsp|tsp|pints?|quarts?|gallons?|\bh\b|\bmin\b|\bs\b|days?|weeks?|months?|years?|%|kPa|psi|\bPa\b|mTorr|\bcc\b|to 1|times|jars?|ft\b|\bm\b|feet|at once|none|W\/|kJ\/|power)/;
const bare = /pH|[Ww]ater activity|Done below|Low in acid above/;

/** A line that can be pinned to a wall: a number, its unit, whose word it is and how sure. */
function whole(line: Line, where: string) {
	const said = `${where}: ${line.key} = ${line.amount.main}`;
	expect(line.what.trim(), said).not.toBe('');
	expect(line.amount.main, said).toMatch(/\d|[¼½¾⅓⅔⅛⅜⅝⅞⅙]|at once|none/);
	expect(line.amount.main, said).not.toMatch(/NaN|undefined|Infinity|null|-\d/);
	if (!bare.test(line.what)) expect(line.amount.main, said).toMatch(unitWords);
	expect(Object.keys(sources), said).toContain(line.source);
	expect(line.whose, said).not.toBe('');
	expect(sureness(line), said).not.toBe('');
	expect(`${line.what} ${line.at ?? ''}`, said).not.toMatch(/undefined|null|NaN/);
}

describe('every number of Tables', () => {
	const keys = new Set<string>();
	it.each(kitchens)('stands whole on the page of its food: %o', (kitchen) => {
		let counted = 0;
		for (const food of foodRows) {
			const sections = foodSections(plain(food), kitchen);
			expect(sections.length, food.id).toBeGreaterThan(1);
			for (const section of sections) {
				if (section.refusal) expect(section.refusal.instead.length, food.id).toBeGreaterThan(0);
				for (const line of section.lines) {
					whole(line, food.id);
					keys.add(line.key);
					counted++;
				}
				for (const words of section.words) expect(words.trim(), food.id).not.toBe('');
				// A page draws each under a key of its own.
				const drawn = section.lines.map((l) => `${l.minor} ${l.key} ${l.what}`);
				expect(new Set(drawn).size, `${food.id} ${section.way}`).toBe(drawn.length);
				expect(new Set(section.words).size, `${food.id} ${section.way}`).toBe(section.words.length);
			}
		}
		expect(counted).toBeGreaterThan(3000);
	});
	it.each(kitchens)('stands whole on the page of its way: %o', (kitchen) => {
		for (const way of tableWays) {
			const page = wayPage(way, kitchen);
			for (const line of page.lines) {
				whole(line, way);
				keys.add(line.key);
			}
			expect(page.lines.length + page.recipes.length + page.words.steps.length, way).toBeGreaterThan(0);
			expect(page.cautions.at(-1)?.id).toBe('authority');
		}
	});
	it('is reachable: no row of any table is left out', () => {
		const wanted = [
			...figures.map((f) => `figures/${f.id}`),
			...blanching.map((b) => `blanching/${b.id}`),
			...dryingRows.flatMap((r) => [`drying/${r.id}/hours`, `drying/${r.id}/F`]),
			...dryingRows.filter((r) => r.steam_min).map((r) => `drying/${r.id}/steam`),
			...dryingRows.filter((r) => r.water_min).map((r) => `drying/${r.id}/water`),
			...dryingRows.filter((r) => r.thickness_in).map((r) => `drying/${r.id}/thickness`),
			...rehydrating.flatMap((r) => [`rehydrating/${r.id}/cups`, `rehydrating/${r.id}/hours`]),
			...dryingYieldRows.map((r) => `drying-yields/${r.id}/dried`),
			...freezerPacks.filter((p) => p.months).map((p) => `freezer-packs/${p.id}`),
			...heatSteps.flatMap((s) => [...(s.F === undefined ? [] : [`heat-steps/${s.id}/F`]), ...(s.minutes === undefined ? [] : [`heat-steps/${s.id}/minutes`])]),
			...Object.keys(ruleNames).map((name) => `rules/${name}`),
			...modelTables.flatMap((t) => Object.keys(t.rows).map((name) => `models/${t.id}/${name}`)),
			...Object.entries(acidPerQuart).map(([food]) => `acid/${food}/lemon`),
			...Object.entries(pressureSets).flatMap(([set, gauges]) => Object.entries(gauges).flatMap(([gauge, bands]) => bands.map((_, i) => `pressure/${set}/${gauge}/${i}`))),
			...canningProducts.flatMap((p) => p.foods.some((f) => foodById(f)) ? p.processes.filter((r) => r.method === 'water').flatMap((r) => r.jars.map((jar) => `canning/${p.id}/${r.style}/${jar}/water/water/minutes`)) : []),
			...foodRows.flatMap((f) => [
				`foods/${f.id}/freezing-point`,
				...f.keeping.map((k) => `foods/${f.id}/keeping/${k.place}`),
				...(f.want && !f.perishable && f.want.weeks[1] >= 2 ? ['C', 'rh', 'weeks'].map((w) => `foods/${f.id}/want/${w}`) : []),
				...f.cuts.flatMap((c) => [...Object.keys(c.yields).map((form) => `foods/${f.id}/${c.id}/yield-${form}`), `foods/${f.id}/${c.id}/bulk`, `foods/${f.id}/${c.id}/look`])
			])
		]; // prettier-ignore
		expect(wanted.length).toBeGreaterThan(1500);
		expect(wanted.filter((key) => !keys.has(key))).toEqual([]);
	});
	it('names every rule that the core computes with', () => {
		const names = Object.entries({ blanch: blanchRules, freezing: freezingRules, freshness: freshnessRules, burner: burnerEfficiency, canning: canningRules }).flatMap(([table, rows]) => Object.keys(rows).map((name) => `${table}/${name}`)); // prettier-ignore
		expect(Object.keys(ruleNames).sort()).toEqual(names.sort());
	});
	it('gives every recipe its foods, its main ingredient and whole amounts', () => {
		for (const recipe of allRecipes) {
			expect(recipe.ingredients.filter((i) => i.role === 'main'), recipe.id).toHaveLength(1);
			expect(recipe.foods.length, recipe.id).toBeGreaterThan(recipe.kind === 'canning-syrup' || recipe.kind === 'freezing-syrup' ? -1 : 0);
			for (const i of recipe.ingredients) expect(typeof i.amount === 'number' ? i.amount : i.amount[0], recipe.id).toBeGreaterThan(0);
		} // prettier-ignore
	});
});

describe('a food’s jars', () => {
	const lines = (id: string, altitude_m: number | null = 380) => {
		const row = foodById(id);
		return row ? (foodSections(plain(row), { units: 'us', altitude_m }, 'can')[0]?.lines ?? []) : [];
	};
	it('say the acid of every jar before any time', () => {
		// USDA Complete Guide 2015, guide 3 (from memory): 2 tbsp of lemon juice to a quart, 1 to a pint.
		const juice = lines('tomatoes').filter((l) => l.group === 'tomato juice' && !l.minor);
		expect(juice.slice(0, 2).map((l) => `${l.what} ${l.amount.main}`)).toEqual([
			'Into every pint: bottled lemon juice 1 tbsp',
			'Into every quart: bottled lemon juice 2 tbsp'
		]);
		expect(juice[0]?.at).toBe('or ¼ tsp of citric acid, or 2 tbsp of 5 % vinegar; under pressure too');
		expect(lines('figs').find((l) => l.slot === 'can/acid')?.at).not.toContain('vinegar');
	});
	it('follow the altitude, and are none without one', () => {
		const minutes = (id: string, altitude_m: number) =>
			lines(id, altitude_m).find((l) => l.slot === 'can/boiling-water')?.amount.main;
		// Peaches, hot, pints (from memory): 20, 25, 30, 35 min.
		expect([100, 800, 1500, 2500].map((m) => minutes('peaches', m))).toEqual(['20 min', '25 min', '30 min', '35 min']);
		expect(lines('peaches', null)).toEqual([]);
	});
});

describe('the tables of the other ways', () => {
	const rows: readonly { id: string; source: string; confidence: string; foods?: readonly string[] }[] = [
		...figures, ...dryingRows, ...rehydrating, ...dryingYieldRows, ...recipes, ...practices, ...freezerPacks, ...freezerStyles,
		...companionRows, ...odours
	]; // prettier-ignore
	it('have a source, a fitting confidence, known foods and known units in every row', () => {
		for (const row of rows) {
			expect(Object.keys(sources), row.id).toContain(row.source);
			expect(['read', 'from memory', 'practice'], row.id).toContain(row.confidence);
			expect(row.confidence === 'practice', row.id).toBe(row.source === 'practice');
			for (const food of row.foods ?? []) expect(foodById(food)?.id, `${row.id}: ${food}`).toBe(food);
		}
		for (const f of figures) {
			expect(figureUnits).toContain(f.unit);
			expect(tableWays).toContain(f.way);
			expect(f.id.startsWith(`${f.way}/`), f.id).toBe(true);
			const [low, high] = typeof f.value === 'number' ? [f.value, f.value] : f.value;
			expect(low, f.id).toBeLessThanOrEqual(high);
		}
		for (const r of recipes) {
			expect(recipeKinds).toContain(r.kind);
			if (r.product)
				expect(
					canningProducts.map((p) => p.id),
					r.id
				).toContain(r.product);
			for (const i of r.ingredients) expect(figureUnits, r.id).toContain(i.unit);
		}
		expect(wayWords.map((w) => w.id).sort()).toEqual([...tableWays].sort());
	});
	it('say what the other recall had wherever the two differ', () => {
		for (const row of [...figures, ...recipes, ...dryingRows, ...rehydrating, ...dryingYieldRows]) {
			if (row.recalls === 'differ') expect([row.note, 'second' in row ? row.second : ''].join(''), row.id).not.toBe('');
			// What has no source was not recalled from one.
			if (row.confidence === 'practice') expect(row.recalls, row.id).toBeUndefined();
		}
	});
	it('have no id twice', () => {
		for (const list of [figures, dryingRows, rehydrating, recipes, practices, freezerPacks, companionRows, odours]) {
			const ids = list.map((r) => r.id);
			expect(new Set(ids).size).toBe(ids.length);
		}
	});
	it('name a recipe’s canning product only where the product names its food', () => {
		for (const r of recipes.filter((x) => x.product)) {
			const product = canningProducts.find((p) => p.id === r.product);
			for (const food of r.foods) expect(product?.foods, `${r.id}: ${food}`).toContain(food);
		}
	});
	it('say the same where two tables say it', () => {
		const at = (id: string) => figures.find((f) => f.id === id)?.value;
		expect(at('can/keep')).toBe(canningRules.best_months.value);
		expect(at('oil/fridge')).toBe((heatSteps.find((s) => s.id === 'oil-fridge')?.minutes ?? 0) / 1440);
		expect(at('second/oil')).toBe(at('oil/fridge'));
		expect(at('jam/freezer-fridge')).toBe(at('second/opened-freezer-jam'));
		expect(at('dry-goods/weevils')).toBe((heatSteps.find((s) => s.id === 'pasteurise-freezer')?.minutes ?? 0) / 60);
	});
	it('take a side in every difference, and say why', () => {
		expect(practices.length).toBeGreaterThanOrEqual(25);
		for (const p of practices) {
			expect(p.schools.length, p.id).toBeGreaterThanOrEqual(2);
			expect(p.ours.length * p.why.length, p.id).toBeGreaterThan(0);
			if (p.safety) expect(p.ours, p.id).toMatch(/[Rr]efuse|[Nn]ever|[Ff]reez|[Ff]ridge|only|No process|not above/);
		}
	});
});

describe('looking up', () => {
	const names = (text: string) => search(tableEntries, text).map((f) => f.entry.name);
	it.each([
		['courgette', 'zucchini'],
		['runner', 'runner beans'],
		['mince', 'ground beef'],
		['coriander', 'cilantro'],
		['aubergine', 'eggplant'],
		['bean', 'broad beans'],
		['brocoli', 'broccoli'],
		['TOMATO', 'tomatoes'],
		['drying', 'Drying'],
		['kraut', 'sauerkraut'],
		['dill pickles', 'fermented dill pickles'],
		['thaw on the counter', 'Thaw on the counter?']
	])('%s finds %s', (text, name) => expect(names(text)).toContain(name));
	it('puts the food that is meant first', () => {
		for (const [text, name] of [['peas', 'peas'], ['corn', 'sweet corn'], ['apples', 'apples'], ['beef', 'beef'], ['swede', 'rutabagas']] as const) expect(names(text)[0], text).toBe(name); // prettier-ignore
	});
	it('says by which other name it was found, and finds nothing in nonsense', () => {
		expect(search(tableEntries, 'courgette')[0]).toMatchObject({ by: expect.stringContaining('courgette') as string });
		expect(search(tableEntries, 'qqqqq')).toEqual([]);
		expect(search(tableEntries, '  ')).toEqual([]);
		expect(search(tableEntries, '<script>')).toEqual([]);
	});
	it('finds every food by each of its names', () => {
		for (const food of foodRows) for (const name of [food.name, ...food.names]) expect(search(tableEntries, name, 40).map((f) => f.entry.href), name).toContain(`/tables/${food.id}`); // prettier-ignore
	});
});

describe('foods side by side', () => {
	const pick = (...ids: string[]) => ids.map((id) => foodRows.find((f) => f.id === id) ?? foodRows[0]!);
	it('aligns what is of a kind, and leaves a gap where a food has none', () => {
		const rows = compareFoods(pick('carrots', 'apples', 'beef'), { units: 'metric', altitude_m: 380 });
		const row = (slot: string) =>
			rows.find((r) => r.slot === slot)?.cells.map((c) => c.map((l) => l.amount.main).join('; '));
		expect(row('dry/hours')).toEqual(['10 to 12 h', '6 to 12 h; 6 to 8 h', '10 to 24 h']);
		expect(row('freeze/water')).toEqual(['2 min; 5 min', '', '']);
		expect(row('cook/inside')).toEqual(['', '', '63 °C']);
		expect(row('fresh/fridge')?.every((c) => c !== '')).toBe(true);
	});
	it('says why not where a way is refused', () => {
		const rows = compareFoods(pick('salmon', 'apples', 'broccoli'), { units: 'metric', altitude_m: 380 });
		const refused = (way: string) => rows.find((r) => r.slot === `${way}/refused`)?.refused;
		expect(refused('dry')?.[0]).toContain('No heat step for drying fish');
		expect(refused('dry')?.[1]).toBeNull();
		expect(refused('can')?.[2]).toContain('no tested plain process');
	});
	it('keeps to one way when asked', () => {
		const rows = compareFoods(pick('onions', 'garlic'), { units: 'us', altitude_m: 0 }, 'cellar');
		expect(new Set(rows.map((r) => r.way))).toEqual(new Set(['cellar']));
	});
});
