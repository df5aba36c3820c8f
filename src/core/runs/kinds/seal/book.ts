import { nothingBooked, type RunBook } from '../../engine/book';
import { closingOf } from '../../engine/closing';
import type { Packable, Sums } from '../../engine/kind';
import { isOpen, subjectOf, type SealState } from './fold';
import type { SealPlan } from './plan';

const packed_g = (state: SealState) => state.packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);
const sealed = (state: SealState) => state.rounds.reduce((sum, r) => sum + r.sealed, 0);

/** Of the lot, what is used up: all of it where the run was finished; stopped, what was filled. g */
function used_g(plan: SealPlan, state: SealState): number {
	const { raw_g, packs } = subjectOf(plan);
	if (state.phase === 'finished') return raw_g;
	const filled = state.rounds.reduce((sum, r) => sum + Math.max(r.filled, r.sealed), 0);
	const put = state.packed.reduce((sum, p) => sum + p.packs, 0);
	return Math.round(raw_g * Math.min(1, Math.max(filled, put) / packs));
}

/** The book of a sealing: one entry. What vacuum does is no new date. */
export function book(plan: SealPlan, state: SealState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const subject = subjectOf(plan);
	const raw_g = used_g(plan, state);
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries: [
			{
				n: 1,
				food: subject.food.id,
				form: subject.form,
				cut: subject.form,
				wayId: 'vacuum',
				way: subject.into === 'jar' ? 'in jars without air' : 'in bags without air',
				method: subject.state === 'dried' ? 'dry' : 'freeze',
				state: subject.state,
				was: subject.was,
				title: titleOf(plan),
				use: subject.use,
				months: subject.months[1],
				until: subject.until,
				closing: closingOf({
					...state,
					endedAt: state.endedAt,
					raw_g,
					load_g: subject.load_g,
					hands_s: subject.expected.hands_s
				})
			}
		],
		used: raw_g > 0 ? [{ lotId: subject.lotId, grams: raw_g }] : [],
		packs: state.packed,
		byproducts: state.byproducts
	};
}

export const titleOf = (plan: SealPlan): string => `${subjectOf(plan).food.name}, sealed`;

export function packables(plan: SealPlan, state: SealState): Packable[] {
	const done = sealed(state);
	if (done === 0 && state.packed.length === 0) return [];
	const subject = subjectOf(plan);
	return [
		{
			n: 1,
			name: titleOf(plan),
			ready_g: Math.max(done * subject.portion_g, packed_g(state)),
			packed_g: packed_g(state),
			portion_g: subject.portion_g,
			containerId: subject.container?.id ?? null,
			readyWord: 'sealed',
			packWord: subject.into
		}
	];
}

export const allAway = (plan: SealPlan, state: SealState): boolean =>
	state.packed.length > 0 && state.rounds.every((r) => !isOpen(plan, r));

export function sums(plan: SealPlan, state: SealState): Sums {
	const { raw_g } = subjectOf(plan);
	const used = used_g(plan, { ...state, phase: 'stopped' });
	return {
		packed_g: packed_g(state),
		supper_g: 0,
		waiting_g: raw_g - used,
		under_g: Math.max(0, used - packed_g(state)),
		stoppedWords: used < raw_g ? 'What was not filled is still where it was.' : ''
	};
}
