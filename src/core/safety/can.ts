import { canningRules, jarSizes, pressureSets } from '../../reference/canning-rules';
import type { CanningProduct } from '../../reference/canning';
import { refusalRows, type RefusalRow } from '../../reference/safety';
import type { FoodRow } from '../../reference/tables';
import { findProcesses, type TestedProcess } from '../canning/find-process';
import { answersTo, productByName, productsOf } from '../canning/products';
import type { Refusal } from '../errors';
import { findFood, foldName, nearFoods } from '../foods/find-food';
import { canningCautions } from './cautions';
import type { Additive, Advice, Question } from './question';
import { refusalOf, refuse } from './refuse';

const oneKey = (text: string) => foldName(text).replace(/s$/, '');
const named = new Map<string, RefusalRow>();
for (const row of refusalRows) for (const name of row.names ?? []) named.set(oneKey(name), row);

/** A thing that is known only for being refused: "pesto", "banana bread", "white peaches". */
export const refusedByName = (text: string): RefusalRow | undefined => named.get(oneKey(text));

const rowFor = (food: FoodRow): RefusalRow | undefined =>
	refusalRows.find((row) => row.id.startsWith('can/') && row.foods?.includes(food.id) && !row.products);
const productRowFor = (food: FoodRow | undefined, product: string): RefusalRow | undefined =>
	refusalRows.find(
		(row) =>
			row.id.startsWith('can/') &&
			row.products?.some((p) => foldName(product).split(' ').includes(p)) &&
			(row.foods ? food !== undefined && row.foods.includes(food.id) : food?.acid.class === 'low')
	);

interface Found {
	readonly food: FoodRow | null;
	readonly products: readonly CanningProduct[];
}

/** Which tested products are meant, or why none is. */
function meant(question: Question): Found | Refusal {
	const { food: text, product } = question;
	const listed = product !== undefined && productsOf(findFood(text)?.id ?? '').some((p) => answersTo(p, product));
	// Apple butter is no butter: a word that a tested product of this very food answers to is not taken for another thing.
	const never = refusedByName(text) ?? (product && !listed ? refusedByName(product) : undefined);
	// Refused under a name of its own ("white peaches"): the jars of the food it is a kind of are no way on.
	if (never) return refusalOf(never, { called: text });
	const own = productByName(text);
	const food = findFood(text) ?? null;
	if (own && (!product || answersTo(own, product))) return { food, products: [own] };
	if (!food) {
		if (own)
			return refuse('untested-product', { called: own.name, product: product ?? '', first: [`Can it as ${own.name}`] });
		const near = nearFoods(text).map((f) => f.name);
		return refuse('unknown-food', near.length > 0 ? { first: [`Ask for ${near.join(' or ')}`] } : {});
	}
	const all = productsOf(food.id);
	if (product) {
		const fitting = all.filter((p) => answersTo(p, product));
		if (fitting.length > 0) return { food, products: fitting };
		const row = productRowFor(food, product);
		return row ? refusalOf(row, { food }) : refuse('untested-product', { food, product });
	}
	// Not said what it is to become: only the plain products are meant, never a recipe.
	const plain = all.filter((p) => !p.recipe && !p.asked);
	if (plain.length > 0) return { food, products: plain };
	const row = rowFor(food);
	return row ? refusalOf(row, { food }) : refuse('untested-food', { food });
}

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

function againstProduct(question: Question, product: CanningProduct, food: FoodRow | null): Refusal | undefined {
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
	if (question.state === 'thawed' && product.foods.includes('tomatoes') && !cookedDown.has(product.product)) {
		return refuse('thawed-tomatoes', { food });
	}
	return undefined;
}

/**
 * Whether and how something may be canned: the tested processes for just this, or the reason why not.
 * Nothing is computed; every minute and psi is a cell of the tables.
 */
export function adviseCanning(question: Question): Advice {
	const found = meant(question);
	if ('kind' in found) return found;
	const { food } = found;
	if (food?.marks?.includes('wild-mushroom')) return refuse('can/wild-mushrooms', { food });
	if (question.state === 'damaged') return refuse('damaged', { food });
	if (question.state === 'dried' && food?.id !== 'dry-beans') return refuse('dry-in-soup', { food });
	const badCanner = question.canner ? cannerRule[question.canner] : undefined;
	if (badCanner) return refuse(badCanner, { food });

	const refusals = found.products.map((p) => againstProduct(question, p, food));
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
		cautions: canningCautions({
			food,
			pressure: processes.some((p) => p.method === 'pressure'),
			acid: processes.some((p) => p.acid !== null),
			recipe: processes.some((p) => p.product.recipe)
		})
	};
}

function fitsCanner(process: TestedProcess, { canner }: Question): boolean {
	if (canner === 'boiling-water') return process.method === 'boiling-water';
	if (canner === 'steam') return process.method === 'boiling-water' && process.steamCanner;
	if (canner === 'pressure') return process.method === 'pressure';
	return true;
}

/** Nothing fits what was asked: which wish it was, the most telling first. */
function whyNone(
	question: Question,
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
