import { sayCount, sayWeight, type Units } from '../../../quantities/format';
import type { RunKind, Station } from '../../engine/kind';
import { sayCommon } from '../../engine/say';
import { ofVersion } from '../../engine/version';
import { acts, troubles, type SealTap } from './acts';
import { allAway, book, packables, sums, titleOf } from './book';
import { fields, type SealEvent } from './events';
import { backBy, fold, isOut, subjectOf, type SealState } from './fold';
import type { SealPlan } from './plan';

/** Why a figure is asked about before it is kept. */
function surprise(plan: SealPlan, tap: SealTap): string | undefined {
	const subject = subjectOf(plan);
	if (tap.type === 'round-filled' || tap.type === 'round-sealed') {
		const planned = plan.rounds.find((r) => r.n === tap.round)?.packs ?? subject.packs;
		return tap.bags > planned * 2 + 2
			? `${sayCount(tap.bags, subject.into)}, where ${planned} were to come. Is that right?`
			: undefined;
	}
	if (tap.type === 'pack' && tap.packs * tap.pack_g > subject.raw_g * 1.2)
		return `${sayWeight(tap.packs * tap.pack_g, plan.units)} of ${sayWeight(subject.raw_g, plan.units)}. Is that right?`;
	return undefined;
}

/** A tap in a few words, for "Last:". */
function say(event: SealEvent, units: Units): string {
	switch (event.type) {
		case 'bags-ready':
			return 'the bags lie ready';
		case 'frozen-first':
			return 'hard enough to seal';
		case 'round-out':
			return `lot ${event.round} out of the cold`;
		case 'round-back':
			return `lot ${event.round} back in the cold`;
		case 'round-filled':
			return `lot ${event.round}: ${event.bags} filled`;
		case 'round-sealed':
			return `lot ${event.round}: ${event.bags} sealed`;
		default:
			return sayCommon(event, units, '', 'pack');
	}
}

function stations(plan: SealPlan, state: SealState): Station[] {
	const subject = subjectOf(plan);
	return state.rounds.map((round): Station => {
		const planned = plan.rounds.find((r) => r.n === round.n)?.packs ?? 0;
		const due = backBy(plan, round);
		const since = round.spells.find((s) => s.to === null)?.from;
		return {
			id: `round-${round.n}`,
			draw: round.sealed > 0 && round.away >= round.sealed ? 'fridge' : isOut(round) ? 'bags' : 'bin',
			name: plan.rounds.length > 1 ? `lot ${round.n}` : subject.food.name,
			figure: since === undefined || due === null ? { words: `${round.sealed || planned}` } : { since, due },
			words: `${round.filled} filled, ${round.sealed} sealed of ${planned}`,
			foot: round.away > 0 ? `${round.away} in their place` : isOut(round) ? 'out of the cold' : '',
			warns: false,
			units: [],
			more: 0
		};
	});
}

/** Into bags or jars without air: everything filled, then everything sealed, in goes that are short enough for the cold. */
export const seal: RunKind<SealPlan, SealState, SealEvent> = {
	id: 'seal',
	version: 1,
	fields,
	upgrade: (plan) => ofVersion<SealPlan>(plan, 1),
	fold,
	acts,
	troubles,
	wrongTurns: 'A bag goes loose, juice in the seal, it has got warm.',
	onTime: ['round-back'],
	worktop: 'At the sealer',
	surprise,
	book,
	stations,
	packables,
	allAway,
	sums,
	placesFor: (plan) => (subjectOf(plan).place === 'pantry' ? ['pantry', 'cool', 'freezer'] : ['freezer']),
	say,
	head: (plan) => ({ food: subjectOf(plan).food.name, way: 'sealed', raw_g: subjectOf(plan).raw_g }),
	outputs: (plan) => {
		const { portion_g, load_g, use, months, until } = subjectOf(plan);
		return [{ n: 1, title: titleOf(plan), portion_g, prepared_g: load_g, use, keeps: { months: months[1], until } }];
	},
	byproducts: (plan) => subjectOf(plan).byproducts,
	lots: (plan) => [{ lotId: subjectOf(plan).lotId, raw_g: subjectOf(plan).raw_g }]
};
