import { sayTemperature, sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, troubles, type StoreTap } from './acts';
import { allAway, book, packables, sums } from './book';
import { fields, type StoreEvent } from './events';
import { day_ms, fold, titleOf, type StoreState } from './fold';
import type { StorePlan } from './plan';
import { wantWords } from './words';

/** Why a figure is asked about before it is kept. */
function surprise(plan: StorePlan, tap: StoreTap): string | undefined {
	if (tap.type !== 'weigh' && tap.type !== 'stored' && tap.type !== 'set-aside') return undefined;
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.grams > plan.raw_g * 1.05 || (tap.type !== 'set-aside' && tap.grams * 5 < plan.raw_g))
		return `${say(tap.grams)} of ${say(plan.raw_g)}. Is that right?`;
	return undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: StoreEvent, units: Units): string {
	switch (event.type) {
		case 'set-aside':
			return `${sayWeight(event.grams, units)} to eat first`;
		case 'curing':
			return 'spread out to cure';
		case 'cured':
			return 'cured';
		case 'stored':
			return `${sayWeight(event.grams, units)} in their place`;
		default:
			return sayCommon(event, units);
	}
}

function stations(plan: StorePlan, state: StoreState): Station[] {
	const { cure, place } = plan;
	const curing = state.curingAt !== null && state.curedAt === null;
	return [
		...(cure && state.curingAt !== null
			? [
					{
						id: 'cure',
						draw: 'rack' as const,
						name: 'curing',
						figure: curing
							? { since: state.curingAt, due: state.curingAt + cure.days[0] * day_ms }
							: { words: 'cured' },
						words: cure.where,
						foot: `${sayTemperature(cure.C[0], plan.units)} to ${sayTemperature(cure.C[1], plan.units)}`,
						warns: false,
						units: [],
						more: 0
					}
				]
			: []),
		{
			id: 'store',
			draw: 'bin',
			name: place.name,
			figure: { words: sayWeight(state.stored_g, plan.units) },
			words: `has ${sayTemperature(place.C, plan.units)}`,
			foot: `wants ${wantWords(plan)}`,
			warns: false,
			units: [],
			more: 0
		}
	];
}

/** Whole and alive into the right cold: sorted, cured where it wants that, in its place by weight; the rest is looked at, week by week. */
export const store: RunKind<StorePlan, StoreState, StoreEvent> = {
	id: 'store',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<StorePlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'Some rot, they got frost, no dry place.',
	worktop: 'In store',
	packsNothing: true,
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: () => ['cellar', 'cool', 'pantry', 'counter', 'fridge', 'ground'],
	say,
	head: (plan) => ({ food: plan.food.name, way: 'stored', raw_g: plan.raw_g }),
	outputs: (plan) => [
		{
			n: 1,
			title: titleOf(plan, false),
			portion_g: plan.raw_g,
			prepared_g: plan.raw_g,
			use: '',
			keeps: { months: 0, days: plan.keeps_days[0] },
			aside: true
		}
	],
	byproducts: (plan) => [{ food: plan.food.id, form: plan.form }],
	lots: (plan) => [{ lotId: plan.lotId, raw_g: plan.raw_g }]
};
