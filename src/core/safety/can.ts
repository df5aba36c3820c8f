import { canningRules, jarSizes, pressureSets } from '../../reference/canning-rules';
import type { CanningProduct } from '../../reference/canning';
import { refusalRows, type RefusalRow } from '../../reference/safety';
import type { FoodRow } from '../../reference/tables';
import type { Thing } from '../things/thing';
import { findProcesses, type TestedProcess } from '../canning/find-process';
import { answersTo, productsOf } from '../canning/products';
import { recipeFoods, recipeOf } from '../canning/recipe-of';
import type { Refusal } from '../errors';
import { foldName } from '../foods/fold-name';
import { foodById, meaningOf } from '../things/names';
import { nameKey } from '../things/words';
import { processCautions } from './cautions';
import type { Additive, Advice, Query, Terms } from './question';
import { refusalOf, refuse } from './refuse';

const rowFor = (food: FoodRow): RefusalRow | undefined =>
	refusalRows.find((row) => row.id.startsWith('can/') && row.foods?.includes(food.id) && !row.products);
const productRowFor = (food: FoodRow, product: string): RefusalRow | undefined =>
	refusalRows.find(
		(row) =>
			row.id.startsWith('can/') &&
			row.products?.some((p) => foldName(product).split(' ').includes(p)) &&
			(row.foods ? row.foods.includes(food.id) : food.acid.class === 'low')
	);

interface Found {
	readonly food: FoodRow | null;
	readonly products: readonly CanningProduct[];
}

/** Which tested products of a thing are meant, or why none is. */
function meant({ thing, product }: Query): Found | Refusal {
	const { food } = thing;
	const all = productsOf(food.id);
	if (product) {
		const fitting = all.filter((p) => answersTo(p, product));
		if (fitting.length > 0) return { food, products: fitting };
		const row = productRowFor(food, product) ?? refusedProduct(product) ?? unfit(food);
		return row ? refusalOf(row, { food }) : refuse('untested-product', { food, product });
	}
	// Not said what it is to become: only the plain products are meant, never a recipe.
	const plain = all.filter((p) => !p.recipe && !p.asked);
	if (plain.length > 0) return { food, products: plain };
	const row = rowFor(food);
	return row ? refusalOf(row, { food }) : refuse('untested-food', { food });
}

/** A product known only for being refused: "pesto". Peach butter is no dairy, so that a food's name is no such word. */
function refusedProduct(product: string): RefusalRow | undefined {
	const meaning = meaningOf(nameKey(product));
	return meaning?.kind === 'refused' ? meaning.row : undefined;
}

/** What refuses every product of a food: a wild mushroom stays one as a pickle. */
const unfit = (food: FoodRow): RefusalRow | undefined => {
	const row = rowFor(food);
	return row && productsOf(food.id).length === 0 ? row : undefined;
};

const additiveRule: Readonly<Partial<Record<Additive, string>>> = {
	flour: 'thickener',
	cornstarch: 'thickener',
	arrowroot: 'thickener',
	roux: 'thickener',
	'modified-starch': 'thickener',
	pasta: 'grain',
	noodles: 'grain',
	rice: 'grain',
	barley: 'grain',
	milk: 'dairy',
	cream: 'dairy',
	butter: 'dairy',
	cheese: 'dairy',
	egg: 'egg',
	bread: 'bread',
	oil: 'fat',
	lard: 'fat',
	garlic: 'extra-low-acid',
	onions: 'extra-low-acid',
	peppers: 'extra-low-acid',
	mushrooms: 'extra-low-acid',
	'other-vegetables': 'extra-low-acid',
	'dry-vegetables': 'dry-in-soup',
	'dry-beans': 'dry-in-soup',
	meat: 'meat-added'
};

const cannerRule: Readonly<Record<string, string>> = {
	'open-kettle': 'open-kettle',
	oven: 'oven',
	dishwasher: 'oven',
	microwave: 'oven',
	'slow-cooker': 'oven',
	sun: 'oven',
	multicooker: 'multicooker'
};

/** Thawed tomatoes may become these only. */
const cookedDown = new Set([
	'juice',
	'vegetable-juice',
	'sauce',
	'ketchup',
	'spaghetti-sauce',
	'spaghetti-sauce-with-meat'
]);

/** A recipe's minutes hold for its ingredients alone: where those are not carried, neither are the minutes. */
function withoutRecipe(product: CanningProduct, food: FoodRow | null): Refusal | undefined {
	if (!product.recipe || recipeOf(product, food?.id ?? null)) return undefined;
	const foods = recipeFoods(product).map((id) => foodById(id)?.name ?? id);
	const first = food === null && foods.length > 0 ? [`Ask for it by its food: ${foods.join(', ')}`] : [];
	return refuse('recipe-missing', { food, called: product.name, product: product.name, first });
}

function againstProduct(
	question: Terms & { readonly thing?: Thing },
	product: CanningProduct,
	food: FoodRow | null
): Refusal | undefined {
	for (const additive of question.additives ?? []) {
		if (additive === 'modified-starch' && product.product === 'pie-filling' && product.recipe) continue;
		const rule = additiveRule[additive];
		if (rule) return refuse(rule, { food });
	}
	if (question.recipe === 'own' && (product.recipe ?? false)) return refuse('own-recipe', { food });
	const ferment = product.id === 'sauerkraut' || product.id === 'dill-pickles-fermented';
	if (ferment && question.salt === 'reduced') return refuse('salt-reduced', { food });
	const needsAcid =
		product.acid !== null || (product.recipe === true && product.processes.every((p) => p.method === 'water'));
	if (needsAcid && (question.acid === 'reduced' || question.acid === 'none')) return refuse('acid-reduced', { food });
	const cold = question.thing?.state === 'thawed' || question.thing?.state === 'frozen';
	if (cold && product.foods.includes('tomatoes') && !cookedDown.has(product.product)) {
		return refuse('thawed-tomatoes', { food });
	}
	return undefined;
}

/**
 * Whether and how a thing may be canned: the tested processes for just this, or the reason why not.
 * Nothing is computed; every minute and psi is a cell of the tables.
 */
export function adviseCanning(query: Query): Advice {
	const found = meant(query);
	return 'kind' in found ? found : processesOf(found, query);
}

/** A tested product that is asked for by a name of its own, without a food: "salsa", "fruit cocktail". */
export function adviseProduct(product: CanningProduct, terms: Terms & { readonly thing?: Thing }): Advice {
	if (terms.place_C !== undefined && terms.place_C > 35) return refuse('jars-warm', { called: product.name });
	if (terms.product && !answersTo(product, terms.product))
		return refuse('untested-product', { called: product.name, product: terms.product, first: [`Can it as ${product.name}`] }); // prettier-ignore
	return processesOf({ food: terms.thing?.food ?? null, products: [product] }, terms);
}

function processesOf(found: Found, question: Terms & { readonly thing?: Thing }): Advice {
	const { food } = found;
	const badCanner = question.canner ? cannerRule[question.canner] : undefined;
	if (badCanner) return refuse(badCanner, { food });

	const refusals = found.products.map((p) => withoutRecipe(p, food) ?? againstProduct(question, p, food));
	const products = found.products.filter((_, i) => !refusals[i]);
	const firstRefusal = refusals.find((r) => r !== undefined);
	if (products.length === 0 && firstRefusal) return firstRefusal;

	const { altitude_m } = question;
	if (altitude_m === undefined || !(altitude_m >= -430)) return refuse('altitude-missing', { food });
	if (!(altitude_m <= canningRules.highest_m.value)) return refuse('altitude-above-table', { food });

	const looked = products.flatMap((product) =>
		findProcesses({
			product,
			altitude_m,
			...(question.style ? { style: question.style } : {}),
			...(question.jar ? { jar: question.jar } : {}),
			...(question.gauge ? { gauge: question.gauge } : {})
		})
	);
	const processes = looked.filter((p) => fitsCanner(p, question));
	if (processes.length === 0) return whyNone(question, products, looked, food);
	return {
		kind: 'allowed',
		way: 'can',
		food,
		processes,
		heat: [],
		blanch: [],
		cautions: processCautions(food, processes)
	};
}

function fitsCanner(process: TestedProcess, { canner }: Terms): boolean {
	if (canner === 'boiling-water') return process.method === 'boiling-water';
	if (canner === 'steam') return process.method === 'boiling-water' && process.steamCanner;
	if (canner === 'pressure') return process.method === 'pressure';
	return true;
}

/** Nothing fits what was asked: which wish it was, the most telling first. */
function whyNone(
	question: Terms,
	products: readonly CanningProduct[],
	looked: readonly TestedProcess[],
	food: FoodRow | null
): Refusal {
	const blanks = { food, first: products.slice(0, 2).map((p) => `Can it as tested: ${words(p)}`) };
	if (looked.length > 0) {
		if (question.canner === 'pressure') return refuse('no-pressure', blanks);
		const water = looked.some((p) => p.method === 'boiling-water');
		if (question.canner === 'steam') return refuse(water ? 'steam-too-long' : 'steam-low-acid', blanks);
		return refuse(food && food.acid.class !== 'low' ? 'no-boiling-water' : 'low-acid-needs-pressure', blanks);
	}
	const rows = products.flatMap((p) => p.processes);
	if (question.style && !rows.some((r) => r.style === question.style)) {
		return refuse('untested-style', { ...blanks, style: question.style });
	}
	const styled = rows.filter((r) => !question.style || r.style === question.style);
	const largest = Math.max(...styled.flatMap((r) => r.jars.map((j) => jarSizes.indexOf(j))));
	if (question.jar && jarSizes.indexOf(question.jar) > largest) return refuse('jar-too-large', blanks);
	return refuse('altitude-above-table', blanks);
}

/** "hot pack, pint or quart, pressure". */
function words(product: CanningProduct): string {
	const styles = [...new Set(product.processes.map((p) => `${p.style} pack`))].join(' or ');
	const jars = [...new Set(product.processes.flatMap((p) => p.jars))].join(', ');
	const pressure = product.processes.every((p) => p.method in pressureSets);
	return `${product.name}, ${styles}, ${jars}${pressure ? ', in a pressure canner' : ''}`;
}
