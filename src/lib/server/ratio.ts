import { amountText, sayAmount } from '$core/quantities/amount';
import { sayCount, sayDuration, sayWeight } from '$core/quantities/format';
import { planRatio, ratiosOf } from '$core/runs/kinds/ratio/make';
import { subjectOf } from '$core/runs/kinds/ratio/fold';
import { itemAmount } from '$core/runs/kinds/ratio/acts';
import type { RatioPlan } from '$core/runs/kinds/ratio/plan';
import type { Begin } from '$lib/ui/run/types';
import { chosenOf } from './begin';
import type { Stores } from './stores';
import { amountOf, readLot } from './ways/read';

/** What was chosen of a lot that is made by a ratio. */
export interface RatioAsk {
	readonly lot: string;
	readonly recipe?: string | undefined;
	readonly grams?: number | undefined;
}

/**
 * A lot into whole sets of a recipe: which recipes it goes into, how many sets there is enough for, what is over.
 *
 * @throws {AppError} 400 no such recipe for it; 404
 */
export async function ratioFor(
	stores: Stores,
	ask: RatioAsk,
	now: Date
): Promise<{ view: Begin; plan: RatioPlan | null }> {
	const read = await readLot(stores, ask.lot, now);
	const { thing, kitchen, lot } = read;
	const { units } = kitchen;
	const recipes = ratiosOf(thing);
	const recipe = chosenOf(recipes, ask.recipe, 'recipe', `${lot.title} does not go into that.`);
	const base: Begin = {
		name: lot.title,
		amount: sayWeight(read.whole_g, units),
		selects: [
			{
				name: 'recipe',
				label: 'it becomes',
				value: recipe?.id ?? '',
				options: recipes.map((r) => ({ value: r.id, words: r.name }))
			}
		],
		gets: null,
		cautions: [],
		source: '',
		stop:
			read.free_g === 0
				? 'All of it is at the Stove already.'
				: recipe
					? ''
					: `No recipe in whole sets is carried for ${lot.title} as it is now.`
	};
	if (base.stop !== '' || !recipe) return { view: base, plan: null };
	const raw_g = amountOf(read, ask.grams);
	const plan = planRatio({ thing, recipe, lotId: lot.id, called: lot.title, raw_g }, kitchen);
	if (plan.kind === 'refused') return { view: { ...base, stop: plan.reason }, plan: null };
	const subject = subjectOf(plan);
	const { sets, items, set_g, portion_g } = subject;
	const jars = Math.round((sets * set_g) / portion_g);
	const main = items.find((i) => i.main);
	return {
		plan,
		view: {
			...base,
			gets: {
				packs: `${sets}`,
				each: `${sets === 1 ? 'whole set' : 'whole sets'}, about ${sayCount(jars, 'jar')}`,
				lines: [
					[
						'of',
						`${sayWeight(subject.load_g, units)} ready${main && subject.unit_g !== null ? `, about ${amountText(sayAmount(subject.load_g / subject.unit_g, main.unit, units))}` : ''}`
					],
					['each set takes', items.map((i) => `${itemAmount(i, units)} ${i.what}`).join(', ')],
					['stands then', plan.ends.map((e) => e.words).join(', or ')],
					['your hands', sayDuration(subject.expected.hands_s)]
				]
			},
			cautions: [
				...(sets === 0 ? ['By weight it is short of a whole set: what there really is, is measured first.'] : []),
				...subject.cautions
			],
			source: subject.source
		}
	};
}
