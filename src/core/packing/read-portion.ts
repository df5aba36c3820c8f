import type { CutRow, FoodRow } from '../../reference/tables';
import { foldName as fold } from '../foods/fold-name';
import { parseWeight } from '../quantities/parse-weight';
import { readNumber } from '../quantities/read-number';
import { unitOf } from '../quantities/units';
import { portionGrams, type Portion } from './portions';

/** What one pack is for, as the household measured it once: "one loaf", 2 cups grated, 310 g. */
export interface RecipePortion {
	readonly name: string;
	readonly food: string;
	/** The cut that it was measured in. */
	readonly form: string;
	readonly said: string;
	readonly grams: number;
}
export interface PortionContext {
	readonly food: FoodRow;
	readonly cut: CutRow;
	readonly metricCups: boolean;
	readonly recipes: readonly RecipePortion[];
	/** Grams for one at table. */
	readonly person_g: number;
}
export interface ReadPortion {
	readonly portion: Portion;
	readonly grams: number;
	/** As the pack says it: "2 cups, 310 g". Empty where it was said by weight. */
	readonly words: string;
}

/** A side dish for one, g (common practice). */
export const usualPerson_g = 100;

/** What one piece of a cut weighs, g, where the food is counted and the cut is the whole of it. */
function piece_g({ food, cut }: PortionContext): number | undefined {
	for (const measure of ['each', 'head', 'ear']) {
		const entry = Object.hasOwn(food.measures, measure) ? food.measures[measure] : undefined;
		const forms = entry && 'value' in entry ? { any: entry } : entry;
		for (const [form, row] of Object.entries(forms ?? {})) {
			if (typeof row !== 'object' || !('value' in row)) continue;
			const share = cut.yields[form === 'any' ? (food.forms[0]?.id ?? '') : form]?.value;
			if (share !== undefined) return Number(row.value) * (row.unit === 'lb' ? 453.59237 : 1000) * share;
		}
	}
	return undefined;
}

/**
 * A portion as a cook says it: by weight, volume, pieces, people at table, or what a recipe of the household needs.
 *
 * @returns undefined where it is none of these, or where the food is not known by that measure
 * @throws {DomainError} OUT_OF_RANGE: under 5 g or over 100 kg
 */
export function readPortion(text: string, context: PortionContext): ReadPortion | undefined {
	const { cut, food, recipes } = context;
	const line = text.trim();
	const recipe = recipes.find((r) => r.food === food.id && r.form === cut.id && fold(r.name) === fold(line));
	if (recipe) {
		const portion: Portion = { by: 'recipe', name: recipe.name, grams: recipe.grams };
		return { portion, grams: portionGrams(portion, {}), words: `${recipe.name}: ${recipe.said}, ${recipe.grams} g` };
	}
	const people = /^(?:for\s+(\d{1,2})|(\d{1,2})\s*(?:people|persons|at table))$/i.exec(line);
	if (people) {
		const count = Number(people[1] ?? people[2]);
		if (count < 1) return undefined;
		const portion: Portion = { by: 'people', people: count, gramsEach: context.person_g };
		const grams = portionGrams(portion, {});
		return { portion, grams, words: `for ${count}, ${grams} g` };
	}
	const grams = parseWeight(line);
	if (grams !== undefined) return { portion: { by: 'weight', grams }, grams, words: '' };
	const number = readNumber(line);
	if (!number || !(number.value > 0)) return undefined;
	const word = line.slice(number.length).trim();
	const unit = /^half[- ]pints?$/i.test(word) ? { kind: 'volume' as const, litres: 0.2365882365, name: 'half-pint' } : unitOf(word, context); // prettier-ignore
	if (unit?.kind === 'volume') {
		const portion: Portion = { by: 'volume', mL: number.value * unit.litres * 1000 };
		const g = portionGrams(portion, { bulk_kg_per_L: cut.bulk_kg_per_L.value });
		return { portion, grams: g, words: `${line}, ${g} g` };
	}
	if (unit?.kind === 'produce' && ['each', 'ear', 'head'].includes(unit.measure) && Number.isInteger(number.value)) {
		const one = piece_g(context);
		if (one === undefined) return undefined;
		const portion: Portion = { by: 'pieces', count: number.value };
		const g = portionGrams(portion, { piece_g: one });
		return { portion, grams: g, words: `${line}, ${g} g` };
	}
	return undefined;
}
