import { figures, isFor, tableWays, type RecipeRow, type TableWay } from '../../reference/other-ways';
import { freezingPointOf } from '../../reference/freezing-points';
import type { FoodRow } from '../../reference/tables';
import { lookUpCooking } from '../cooking/cook-look-up';
import { measuresOf } from '../foods/measures';
import type { Units } from '../quantities/format';
import { recipesOf } from '../recipes/find-recipe';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import type { Terms, WayId } from '../safety/question';
import { kindsOf } from '../things/names';
import type { Thing } from '../things/thing';
import { apartFrom } from '../storing/companions';
import { secondClocks } from '../storing/storage-look-up';
import { canSection } from './can-section';
import { drySection } from './dry-section';
import { freezeSection } from './freeze-section';
import { figureLine, from, lineOf, type Line, type Section, type TableKitchen } from './line';

const placeNames = {
	counter: 'On the counter',
	cool: 'In a cool room',
	fridge: 'In the fridge',
	cellar: 'In a cellar'
};

function freshSection(food: FoodRow, units: Units): Section {
	const lines: Line[] = food.keeping.map((k) =>
		lineOf(
			{
				key: `foods/${food.id}/keeping/${k.place}`,
				slot: `fresh/${k.place}`,
				what: placeNames[k.place],
				value: [k.days[0], k.days[1]],
				unit: 'day',
				at: `at ${units === 'us' ? `${Math.round((k.at_C * 9) / 5 + 32)} °F` : `${k.at_C} °C`}`,
				...from(k)
			},
			units
		)
	);
	const small = (key: string, what: string, value: number | readonly [number, number], unit: Parameters<typeof lineOf>[0]['unit'], row: Parameters<typeof from>[0], at?: string) =>
		lines.push(lineOf({ key: `foods/${food.id}/${key}`, slot: `fresh/${key}`, what, value, unit, at, minor: true, ...from(row) }, units)); // prettier-ignore
	small(
		'acid',
		'Acid, pH',
		[food.acid.pH[0], food.acid.pH[1]],
		'pH',
		food.acid,
		`counts as ${food.acid.class} in acid`
	);
	const parts = ['water', 'protein', 'fat', 'carbohydrate', 'fibre', 'ash'] as const;
	for (const part of parts)
		small(
			`composition-${part}`,
			`${part.charAt(0).toUpperCase()}${part.slice(1)}`,
			food.composition[part],
			'%',
			food.composition
		);
	for (const { measure, form, row } of measuresOf(food)) {
		const named = food.forms.find((f) => f.id === form)?.name ?? form;
		const one = measure === 'each' ? 'One of them' : `A ${measure}`;
		small(
			`measures-${measure}${form ? `-${form}` : ''}`,
			`${one}${named ? `, ${named},` : ''} weighs`,
			row.value,
			row.unit,
			row
		);
	}
	small('bulk', 'As it comes in, in a bowl', food.bulk_kg_per_L.value, 'kg/L', food.bulk_kg_per_L);
	for (const [form, row] of Object.entries(food.bulkByForm ?? {}))
		small(`bulk-${form}`, `In a bowl, ${food.forms.find((f) => f.id === form)?.name ?? form}`, row.value, 'kg/L', row);
	const point = freezingPointOf(food);
	small('freezing-point', 'Begins to freeze at', point.C, 'C', point);
	return {
		way: 'fresh',
		lines,
		words: [food.intake, ...kindsOf(food.id).map((t) => `${t.name}: ${t.matters}`)],
		recipes: [],
		cautions: []
	};
}

function cellarSection(thing: Thing, units: Units): Section {
	const { food } = thing;
	const advice = advise(thing, 'cellar');
	const want = food.want;
	const told = want ? from(want) : undefined;
	const row = want ? { source: want.source, confidence: want.confidence } : undefined;
	const key = `foods/${food.id}/want`;
	const lines =
		want && row && told
			? [
					lineOf({ key: `${key}/C`, slot: 'cellar/C', what: 'It wants', value: [want.C[0], want.C[1]], unit: 'C', ...told }, units),
					lineOf({ key: `${key}/rh`, slot: 'cellar/rh', what: 'Air', value: [want.rh[0], want.rh[1]], unit: '%', at: 'relative humidity', ...row }, units),
					lineOf({ key: `${key}/weeks`, slot: 'cellar/weeks', what: 'Then it keeps', value: [want.weeks[0], want.weeks[1]], unit: 'week', ...row }, units)
				]
			: []; // prettier-ignore
	const own = figures.filter((f) => f.way === 'cellar' && isFor(f, food)).map((f) => figureLine(f, units));
	const apart = apartFrom(food).map((a) => `Apart from ${a.names.join(', ')}: ${a.from.words}`);
	return {
		way: 'cellar',
		lines: [...lines, ...own],
		words: apart,
		recipes: [],
		...(advice.kind === 'refused' ? { refusal: advice } : {}),
		cautions: advice.kind === 'allowed' ? advice.cautions : []
	};
}

function cookSection(thing: Thing, units: Units): Section {
	const answer = lookUpCooking(thing);
	const steps = [...(answer.inside ? [answer.inside] : []), ...answer.after];
	const lines = steps.flatMap((step) => [
		...(step.F === undefined
			? []
			: [
					lineOf(
						{
							key: `heat-steps/${step.id}/F`,
							slot: step === answer.inside ? 'cook/inside' : `cook/${step.id}`,
							what:
								step === answer.inside
									? 'Safe inside at'
									: `${step.words.charAt(0).toUpperCase()}${step.words.slice(1)}`,
							value: step.F,
							unit: 'F',
							at: step === answer.inside ? step.words : undefined,
							...from(step)
						},
						units
					)
				]),
		...(step.minutes === undefined
			? []
			: [
					lineOf(
						{
							key: `heat-steps/${step.id}/minutes`,
							slot: `cook/${step.id}-minutes`,
							what: step === answer.inside ? 'then it rests' : 'within',
							value: step.minutes >= 60 ? step.minutes / 60 : step.minutes,
							unit: step.minutes >= 60 ? 'h' : 'min',
							at: step === answer.inside ? undefined : step.words,
							...from(step)
						},
						units
					)
				])
	]);
	return {
		way: 'cook',
		lines: [...lines, ...answer.figures.map((f) => figureLine(f, units))],
		words: [...new Set([...(answer.cooked ? [answer.cooked] : []), ...answer.use.map((u) => `${u.cut}: ${u.words}`)])],
		recipes: [],
		cautions: answer.inside ? [] : answer.cautions
	};
}

/** What is asked of the safety module for a way that is described by figures and recipes alone. */
const generic: Partial<Record<TableWay, { readonly way: WayId; readonly terms?: Terms; readonly dried?: boolean }>> = {
	ferment: { way: 'ferment', terms: { salt: 'full' } },
	pickle: { way: 'pickle', terms: { place: 'fridge' } },
	jam: { way: 'jam', terms: { place: 'fridge' } },
	vacuum: { way: 'vacuum', terms: { place: 'fridge', days: 1 } },
	absorber: { way: 'absorber', terms: { place: 'room', moisture: 8 }, dried: true },
	'freeze-dry': { way: 'freeze-dry' },
	oil: { way: 'infuse-oil', terms: { place: 'fridge', days: 4 } },
	smoke: { way: 'smoke', terms: { place: 'fridge' } },
	salt: { way: 'salt', terms: { place: 'fridge' } },
	thaw: { way: 'thaw', terms: { thaw: 'fridge' } }
};
const recipeWay: Record<RecipeRow['kind'], TableWay> = {
	jam: 'jam', 'freezer-jam': 'jam', sauce: 'syrup', juice: 'syrup', 'canning-syrup': 'syrup', 'freezing-syrup': 'freeze',
	'sugar-pack': 'freeze', 'acid-dip': 'dry', kraut: 'ferment', brine: 'ferment', ferment: 'ferment', pickle: 'pickle',
	infusion: 'pickle', rehydrating: 'dry'
}; // prettier-ignore
/** Where a recipe stands in Tables. */
export const wayOfRecipe = (recipe: RecipeRow): TableWay => recipeWay[recipe.kind];

function plainSection(thing: Thing, way: TableWay, units: Units): Section {
	const { food } = thing;
	const rows =
		way === 'second'
			? [...secondClocks(food, 'thawed'), ...secondClocks(food, 'opened')]
			: figures.filter((f) => f.way === way && isFor(f, food));
	const terms = generic[way];
	const advice = terms ? advise(terms.dried ? { ...thing, state: 'dried' } : thing, terms.way, terms.terms) : undefined;
	return {
		way,
		lines: rows.map((f) => figureLine(f, units)),
		words: [],
		recipes: recipesOf(food.id).filter((r) => wayOfRecipe(r) === way),
		...(advice?.kind === 'refused' ? { refusal: advice } : {}),
		cautions: advice?.kind === 'allowed' ? advice.cautions : []
	};
}

/** Refusals worth a line on a food's page; the rest stand only where the way is asked for. */
const tellsWhyNot = new Set<TableWay>(['can', 'dry', 'cellar', 'vacuum', 'ferment', 'freeze-dry']);

/**
 * All that the tables hold of a food, way by way, in the household's units; refused ways with their reason.
 *
 * @param only one way of them, where the others are not wanted
 * @returns only sections that say something
 */
export function foodSections(thing: Thing, kitchen: TableKitchen, only?: TableWay): Section[] {
	const { units } = kitchen;
	const own: Partial<Record<TableWay, () => Section>> = {
		fresh: () => freshSection(thing.food, units),
		cellar: () => cellarSection(thing, units),
		freeze: () => freezeSection(thing, kitchen),
		dry: () => drySection(thing, units),
		can: () => canSection(thing, kitchen),
		cook: () => cookSection(thing, units)
	};
	return (only ? [only] : tableWays)
		.map((way) => (own[way] ?? (() => plainSection(thing, way, units)))())
		.map((s) => (s.refusal ? { ...s, lines: [], words: [], recipes: [] } : s))
		.filter((s) => (s.refusal ? tellsWhyNot.has(s.way) : s.lines.length + s.recipes.length > 0));
}

/** Every caution of the sections once, the deadly first. */
export function cautionsOf(sections: readonly Section[]): Caution[] {
	const all = new Map<string, Caution>();
	for (const section of sections) for (const caution of section.cautions) all.set(caution.id, caution);
	return [...all.values()];
}
