import { nothingBooked, packedLots, usedByLot, type BookEntry, type Closing, type RunBook } from '../../engine/book';
import type { Packable, Sums } from '../../engine/kind';
import { waterWords, weightsOf } from './acts';
import type { FreezeDryState } from './fold';
import type { FreezeDryPlan, FreezeDrySubject } from './plan';

const packed_g = (state: FreezeDryState, n?: number) =>
	state.packed.filter((p) => n === undefined || p.subject === n).reduce((sum, p) => sum + p.packs * p.pack_g, 0);
const touched = (state: FreezeDryState, n: number) =>
	state.trays.some((t) => t.subject === n) || state.packed.some((p) => p.subject === n);

/** The book of a load: an entry for each food that was on a tray. */
export function book(plan: FreezeDryPlan, state: FreezeDryState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const { phase: status, endedAt } = state;
	const closings = plan.subjects.map((subject) => ({ subject, closing: close(plan, state, subject, endedAt) }));
	const some = closings.filter(
		({ subject, closing }) =>
			closing.raw_g > 0 || closing.packs > 0 || state.byproducts.some((b) => b.subject === subject.n)
	);
	return {
		end: { status, endedAt },
		again: state.again,
		entries: (plan.subjects.length === 1 ? closings : some).map(({ subject, closing }): BookEntry => ({
			n: subject.n,
			food: subject.food.id,
			form: subject.form,
			cut: subject.form,
			wayId: 'freeze-dry',
			way: 'freeze-dried',
			method: 'dry',
			state: 'dried',
			title: titleOf(subject),
			use: [waterWords(plan, state, subject.n), subject.use].filter(Boolean).join(' '),
			months: subject.months[1],
			closing
		})),
		used: usedByLot(closings),
		packs: state.packed.filter((p) => plan.subjects.some((s) => s.n === p.subject)),
		byproducts: state.byproducts.filter((p) => plan.subjects.some((s) => s.n === p.subject))
	};
}

export const titleOf = ({ food }: Pick<FreezeDrySubject, 'food'>): string => `${food.name}, freeze-dried`;

function close(plan: FreezeDryPlan, state: FreezeDryState, subject: FreezeDrySubject, endedAt: number): Closing {
	const { n } = subject;
	const was = touched(state, n);
	// Of several foods one that nobody laid out is still where it was.
	const raw_g = was || (state.phase === 'finished' && plan.subjects.length === 1) ? subject.raw_g : 0;
	const packs = state.packed.filter((p) => p.subject === n);
	const packed = packed_g(state, n);
	const byproduct_g = state.byproducts.filter((b) => b.subject === n).reduce((sum, b) => sum + b.grams, 0);
	const elapsed_s = (endedAt - state.startedAt) / 1000;
	return {
		raw_g,
		load_g: state.trays.filter((t) => t.subject === n).reduce((sum, t) => sum + t.wet_g, 0),
		packed_g: packed,
		packs: packs.reduce((sum, p) => sum + p.packs, 0),
		supper_g: 0,
		...(byproduct_g > 0 ? { byproduct_g } : {}),
		lost_g: raw_g - packed - byproduct_g,
		yield: packed > 0 && raw_g > 0 ? packed / raw_g : null,
		elapsed_s: Math.round(elapsed_s),
		hands_s: Math.round(Math.min(raw_g > 0 ? subject.expected.hands_s : 0, elapsed_s)),
		lots: packedLots(packs),
		potfuls: []
	};
}

export function packables(plan: FreezeDryPlan, state: FreezeDryState): Packable[] {
	return plan.subjects
		.filter(
			(s) =>
				(state.warmAt !== null && state.trays.some((t) => t.subject === s.n && !t.lost)) || packed_g(state, s.n) > 0
		)
		.map((s) => ({
			n: s.n,
			name: s.food.name,
			ready_g: weightsOf(state, s.n)?.dry_g ?? s.dry_g,
			packed_g: packed_g(state, s.n),
			portion_g: s.portion_g,
			containerId: s.container?.id ?? null,
			readyWord: 'dry',
			packWord: 'pack'
		}));
}

export const allAway = (plan: FreezeDryPlan, state: FreezeDryState): boolean =>
	state.warmAt !== null &&
	plan.subjects
		.filter((s) => state.trays.some((t) => t.subject === s.n && !t.lost))
		.every((s) => state.packed.some((p) => p.subject === s.n));

export function sums(plan: FreezeDryPlan, state: FreezeDryState): Sums {
	const waiting_g = plan.subjects.filter((s) => !touched(state, s.n)).reduce((sum, s) => sum + s.raw_g, 0);
	const all = plan.subjects.reduce((sum, s) => sum + s.raw_g, 0);
	return {
		packed_g: packed_g(state),
		supper_g: 0,
		waiting_g,
		under_g: Math.max(0, all - waiting_g - packed_g(state)),
		stoppedWords: waiting_g > 0 ? 'What lay on no tray is still where it was.' : ''
	};
}
