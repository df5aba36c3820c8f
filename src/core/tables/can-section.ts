import type { CanningProduct } from '../../reference/canning';
import type { Thing } from '../things/thing';
import type { TestedProcess } from '../canning/find-process';
import { productsOf } from '../canning/products';
import { recipeOf, sayIngredient } from '../canning/recipe-of';
import { sayMeasure } from '../quantities/amount';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import { inOrder } from '../safety/cautions';
import { lineOf, type Line, type Section, type TableKitchen } from './line';

const recallsOf = (p: TestedProcess) => (p.row.recalls === 'agreed' ? 'agreed' : 'once');

/** The lines of one tested process, for the jar and altitude it was read off for. */
function processLines(p: TestedProcess, units: TableKitchen['units']): Line[] {
	const key = `canning/${p.product.id}/${p.style}/${p.jar}/${p.row.method}/${p.gauge ?? 'water'}`;
	const sure = {
		source: p.source,
		locator: p.product.locator,
		confidence: p.confidence,
		recalls: recallsOf(p)
	} as const;
	const gauge = p.gauge === 'dial' ? 'dial gauge' : 'weighted gauge';
	const pressure = p.psi === undefined ? undefined : lineOf({ key: `${key}/psi`, slot: 'can/psi', what: gauge, value: p.psi, unit: 'psi', ...sure }, units); // prettier-ignore
	const what = `${p.style} pack, ${p.jar}`;
	const group = p.product.name;
	const recipe = p.product.recipe ? '; only as the tested recipe has it' : '';
	const at = pressure
		? `pressure canner, ${pressure.amount.printed ?? pressure.amount.main}, ${gauge}${recipe}`
		: `boiling water${p.sterileJars ? '; jars boiled first' : ''}${recipe}`;
	const { product } = p;
	return [
		lineOf({ key: `${key}/minutes`, slot: `can/${p.method}`, what, group, value: p.minutes, unit: 'min', at, ...sure }, units),
		...(pressure ? [{ ...pressure, what: `${what}: pressure, ${gauge}`, group, minor: true }] : []),
		lineOf({ key: `${key}/headspace`, slot: 'can/headspace', what: `${what}: headspace`,
				group, value: p.headspace_in, unit: 'in', minor: true, ...sure }, units),
		...(product.quantities?.lb_per_quart === undefined
			? []
			: [lineOf({ key: `canning/${product.id}/lb_per_quart`, slot: 'can/per-quart', what: 'to a quart',
						group, value: product.quantities.lb_per_quart, unit: 'lb', minor: true, source: product.quantities.source, confidence: product.quantities.confidence }, units)])
	]; // prettier-ignore
}

/** The acid of each jar of a product, before any time: without it none of the times holds. */
function acidLines(processes: readonly TestedProcess[], units: TableKitchen['units']): Line[] {
	const jars = new Map(processes.flatMap((p) => (p.acid ? [[p.jar, { ...p, acid: p.acid }] as const] : [])));
	return [...jars.values()].map((p) => {
		const { citricAcid_tsp, vinegar_tbsp } = p.acid;
		const or = [
			...(citricAcid_tsp === undefined ? [] : [`${sayMeasure(citricAcid_tsp)} tsp of citric acid`]),
			...(vinegar_tbsp === undefined ? [] : [`${sayMeasure(vinegar_tbsp)} tbsp of 5 % vinegar`])
		];
		return lineOf(
			{
				key: `acid/${p.product.id}/${p.jar}`,
				slot: 'can/acid',
				what: `Into every ${p.jar}: bottled lemon juice`,
				group: p.product.name,
				value: p.acid.lemonJuice_tbsp,
				unit: 'tbsp',
				at: or.length > 0 ? `or ${or.join(', or ')}; under pressure too` : 'under pressure too',
				source: p.source,
				locator: p.product.locator,
				confidence: p.confidence
			},
			units
		);
	});
}

/** What a tested recipe is made of: its minutes are for just this. */
function recipeWords(product: CanningProduct, food: string, units: TableKitchen['units']): string[] {
	const made = product.recipe ? recipeOf(product, food) : undefined;
	if (!made) return [];
	const name = product.name.charAt(0).toUpperCase() + product.name.slice(1);
	return [
		`${name}, the time is for just this: ${made.ingredients.map((i) => sayIngredient(i, units)).join('; ')}. Never changed: ${made.keep.join('; ')}.`
	];
}

/**
 * The tested processes of a food at this kitchen's altitude: read off, never computed. Without an altitude none is shown.
 */
export function canSection(thing: Thing, kitchen: TableKitchen): Section {
	const { food } = thing;
	const where = {
		...(kitchen.altitude_m === null ? {} : { altitude_m: kitchen.altitude_m }),
		...(kitchen.gauge ? { gauge: kitchen.gauge } : {})
	};
	const plain = advise(thing, 'can', where);
	const found: TestedProcess[] = plain.kind === 'allowed' ? [...plain.processes] : [];
	const cautions = new Map<string, Caution>();
	if (plain.kind === 'allowed') plain.cautions.forEach((c) => cautions.set(c.id, c));
	const seen = new Set(found.map((p) => p.product.id));
	for (const product of productsOf(food.id)) {
		if (seen.has(product.id)) continue;
		const advice = advise(thing, 'can', { product: product.product, ...where });
		if (advice.kind !== 'allowed') continue;
		found.push(...advice.processes.filter((p) => !seen.has(p.product.id)));
		advice.cautions.forEach((c) => cautions.set(c.id, c));
		advice.processes.forEach((p) => seen.add(p.product.id));
	}
	const products = [...new Set(found.map((p) => p.product))];
	const byProduct = products.flatMap((product) => {
		const own = found.filter((p) => p.product === product);
		return [...acidLines(own, kitchen.units), ...own.flatMap((p) => processLines(p, kitchen.units))];
	});
	const lines = new Map(byProduct.map((l) => [l.key, l]));
	return {
		way: 'can',
		lines: [...lines.values()],
		words: products.flatMap((p) => recipeWords(p, food.id, kitchen.units)),
		recipes: [],
		...(plain.kind === 'refused' ? (found.length === 0 ? { refusal: plain } : { partly: plain }) : {}),
		cautions: inOrder([...cautions.values()])
	};
}
