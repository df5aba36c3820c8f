import { sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, dayWords, troubles, type FermentTap } from './acts';
import { allAway, book, keepsDays, packables, sums, titleOf } from './book';
import { fields, type FermentEvent } from './events';
import { brineFor, cutOf, endOf, fold, subjectOf, type FermentState } from './fold';
import type { FermentPlan } from './plan';

/** Why a figure is asked about before it is kept. */
function surprise(plan: FermentPlan, tap: FermentTap, state?: FermentState): string | undefined {
	const subject = subjectOf(plan);
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'weigh' && (tap.grams > subject.raw_g * 1.2 || tap.grams * 5 < subject.load_g))
		return `${say(tap.grams)} cut of ${say(subject.raw_g)}. Is that right?`;
	if (tap.type === 'salted') {
		const { salt_g } = brineFor(plan, cutOf(plan, state ?? { cut_g: null }));
		// Without the run's own weight nobody knows what it is to be: the server sees the tap alone.
		return state && (tap.grams > salt_g * 1.5 || tap.grams * 1.25 < salt_g)
			? `${say(tap.grams)} of salt, where it is to be ${say(salt_g)}. Is that right?`
			: undefined;
	}
	if (tap.type === 'pack' && tap.packs * tap.pack_g > subject.raw_g * 4)
		return `${say(tap.packs * tap.pack_g)} of ${say(subject.raw_g)}. Is that right?`;
	return undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: FermentEvent, units: Units): string {
	switch (event.type) {
		case 'salted':
			return `${sayWeight(event.grams, units)} of salt`;
		case 'under':
			return 'under its brine';
		default:
			return sayCommon(event, units, '', 'jar');
	}
}

function stations(plan: FermentPlan, state: FermentState): Station[] {
	const subject = subjectOf(plan);
	const cut_g = cutOf(plan, state);
	return [
		{
			id: 'crock',
			draw: 'bin',
			name: titleOf(plan),
			figure: {
				words: state.salt_g === null ? sayWeight(cut_g, plan.units) : `${endOf(plan, cut_g, state.salt_g).toFixed(1)} %`
			},
			words: state.salt_g === null ? subject.cut : 'of salt in vegetable and water together',
			foot: dayWords(plan),
			warns: false,
			units: [],
			more: 0
		}
	];
}

/** Vegetables in salt: cut and weighed, salted by weight, under their brine, in their place; the rest is looked at, day by day. */
export const ferment: RunKind<FermentPlan, FermentState, FermentEvent> = {
	id: 'ferment',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<FermentPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'Too little juice, the wrong salt.',
	worktop: 'In the crock',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: () => ['crock', 'cool', 'cellar', 'counter'],
	say,
	head: (plan) => ({ food: subjectOf(plan).food.name, way: 'fermented', raw_g: subjectOf(plan).raw_g }),
	outputs: (plan) => {
		const { portion_g, portionWords, load_g, use, water } = subjectOf(plan);
		return [
			{
				n: 1,
				title: titleOf(plan),
				portion_g,
				prepared_g: Math.round(load_g * (1 + water)),
				...(portionWords ? { portionWords } : {}),
				use,
				keeps: { months: 0, days: keepsDays(plan) }
			}
		];
	},
	byproducts: (plan) => subjectOf(plan).byproducts,
	lots: (plan) => [{ lotId: subjectOf(plan).lotId, raw_g: subjectOf(plan).raw_g }]
};
