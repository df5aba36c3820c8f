import { jarVolume_L } from '../../reference/canning-rules';
import { freezingRules } from '../../reference/rules';
import { sources } from '../../reference/sources';
import type { CutRow, Range } from '../../reference/tables';
import { shareLeft } from '../foods/share';
import { sayVolume, sayWeight } from '../quantities/format';
import { recipesOf } from '../recipes/find-recipe';
import { advise } from '../safety/advise';
import { build } from './freeze-build';
import type { FreezeWay, WaysInput } from './freeze-way';

/** Most fruit keeps its quality so long, and longer in sugar than without. @source NCHFP, Freezing Fruits (from memory) */
const months: Range = [8, 12];

/**
 * Fruit packed in sugar: so much to the prepared weight as is printed for it, stirred in until its juice runs; into boxes.
 * Undefined where no ratio is printed for the food or the cut, or where it may not be frozen raw.
 *
 * @source NCHFP, Freezing Fruits, sugar packs (from memory); a quart of prepared fruit at 1⅓ lb
 * @throws {DomainError} as the packs
 */
export function sugared(input: WaysInput, cut: CutRow, portion_g: number): FreezeWay | undefined {
	const { thing, kitchen } = input;
	const row = recipesOf(thing.food.id).find(
		(r) => r.kind === 'sugar-pack' && (r.cuts === undefined || r.cuts.includes(cut.id))
	);
	const fruit = row?.ingredients.find((i) => i.role === 'main');
	const sugar = row?.ingredients.find((i) => i.what === 'sugar');
	if (!row || !fruit?.kg_per_unit || typeof fruit.amount !== 'number' || typeof sugar?.amount !== 'number')
		return undefined;
	if (sugar.unit !== 'cup') throw new Error(`${row.id}: sugar is not printed in cups`);
	if (advise(thing, 'freeze-raw', { cut: cut.id }).kind === 'refused') return undefined;
	const g_per_kg = (sugar.amount * freezingRules.sugar_kg_per_cup.value * 1000) / (fruit.amount * fruit.kg_per_unit);
	const load_g = Math.max(1, Math.round(input.grams * shareLeft(thing, cut)));
	const grams = Math.round((load_g / 1000) * g_per_kg);
	const others = row.ingredients.filter((i) => i !== fruit && i !== sugar).map((i) => i.what);
	const also = others.length > 0 ? ` and the ${others.join(', ')}` : '';
	const cups = grams / 1000 / freezingRules.sugar_kg_per_cup.value;
	const measured =
		kitchen.units === 'us'
			? `${Math.round(cups * 4) / 4} cups`
			: sayVolume((cups * jarVolume_L.pint) / 2, kitchen.units);
	const each =
		kitchen.units === 'us'
			? `${sayWeight(g_per_kg * 0.45359237, 'us')} to the pound`
			: `${sayWeight(g_per_kg, 'metric')} to the kilogram`;
	return build(input, cut, {
		id: 'sugar',
		becomes: 'sugar',
		name: 'In sugar, then freeze',
		method: 'raw',
		gist: `${sayWeight(grams, kitchen.units)} of sugar, boxes`,
		load_g,
		portion_g,
		blanchWords: 'none needed',
		months,
		steps: [
			cut.prepare ?? 'Wash and cut evenly.',
			`Weigh what is ready: ${each} of sugar${also}, ${sayWeight(grams, kitchen.units)} (about ${measured}) for all of it.`,
			'Stir gently and let it stand until the juice runs and the sugar is dissolved.',
			'Fill portions with their juice, leave headspace, press the fruit under, lid, label before freezing.',
			`Spread out in the coldest part of the freezer; stack when hard, look after ${cut.firstLook_h.value} h.`
		],
		notes: [...(row.note ? [row.note] : []), 'Sugar keeps colour and bite; it is not what keeps it safe: the cold is.'],
		source: sources[row.source].short,
		confidence: row.confidence,
		hotWork: false,
		style: 'liquid',
		kg_per_L: freezingRules.sugarPack_kg_per_L.value,
		sugar: { grams, g_per_kg, with: others.join(', ') }
	});
}
