import { nothingBooked, packedLots, usedByLot, type BookEntry, type Closing, type RunBook } from '../../engine/book';
import { tally, type FreezeState } from './fold';
import { titleOf, type FreezePlan, type Subject } from './plan';

/**
 * The book of a run: an entry for each food of it that was worked on, a pure function of its fold.
 *
 * A stopped run uses up the share of each food's raw weight that had been in the pot or on a tray; the rest stays in the
 * basket. Of several foods, one that nobody began has no entry.
 */
export function book(plan: FreezePlan, state: FreezeState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const { phase: status, endedAt } = state;
	const closings = plan.subjects.map((subject) => ({ subject, closing: close(plan, state, subject, endedAt) }));
	const touched = closings.filter(
		({ subject, closing }) =>
			closing.raw_g > 0 || closing.packs > 0 || state.byproducts.some((b) => b.subject === subject.n)
	);
	return {
		end: { status, endedAt },
		again: state.again,
		entries: (plan.subjects.length === 1 ? closings : touched).map(({ subject, closing }) => entry(subject, closing)),
		used: usedByLot(closings),
		packs: state.packed.filter((p) => plan.subjects.some((s) => s.n === p.subject)),
		byproducts: state.byproducts.filter((p) => plan.subjects.some((s) => s.n === p.subject))
	};
}

const entry = (subject: Subject, closing: Closing): BookEntry => ({
	n: subject.n,
	food: subject.food.id,
	form: subject.form,
	cut: subject.cut.id,
	wayId: subject.way.id,
	way: subject.way.name,
	method: 'freeze',
	state: 'frozen',
	title: titleOf(subject),
	use: subject.use,
	months: subject.months[1],
	closing
});

function close(plan: FreezePlan, state: FreezeState, subject: Subject, end: number): Closing {
	const { n } = subject;
	const sums = tally(state, n);
	const known = state.subjects.find((s) => s.n === n);
	const load_g = known?.load_g ?? 0;
	const through_g = sums.firm_g + sums.supper_g + sums.under_g;
	const finished = state.phase === 'finished';
	// What nobody began of several foods was not forgotten in the pot: it is still in the Basket.
	const idle = plan.subjects.length > 1 && through_g === 0 && sums.packed_g === 0;
	const share = idle ? 0 : finished ? 1 : load_g > 0 ? Math.min(1, through_g / load_g) : 0;
	const raw_g = Math.round(subject.raw_g * share);
	// Sugar is in the packs, and no part of what came in.
	const added_g = Math.round((through_g / 1000) * (subject.sugar?.g_per_kg ?? 0));
	const packed = state.packed.filter((p) => p.subject === n);
	const byproduct_g = state.byproducts.filter((b) => b.subject === n).reduce((sum, b) => sum + b.grams, 0);
	const elapsed_s = (end - state.startedAt) / 1000;
	return {
		raw_g,
		load_g: finished && !idle ? load_g : through_g,
		packed_g: sums.packed_g,
		packs: packed.reduce((total, p) => total + p.packs, 0),
		supper_g: sums.supper_g,
		...(byproduct_g > 0 ? { byproduct_g } : {}),
		...(added_g > 0 ? { added_g } : {}),
		lost_g: raw_g + added_g - sums.packed_g - sums.supper_g - byproduct_g,
		yield: sums.packed_g > 0 && raw_g > 0 ? Math.max(0, sums.packed_g - added_g) / raw_g : null,
		elapsed_s: Math.round(elapsed_s),
		hands_s: Math.round(
			Math.min(subject.expected.hands_s * (subject.load_g > 0 ? Math.min(1, through_g / subject.load_g) : 0), elapsed_s)
		),
		lots: packedLots(packed),
		potfuls: state.potfuls
			.filter((p) => p.subject === n && p.spot !== 'waiting')
			.map((p) => ({
				n: p.n,
				grams: p.grams,
				outcome: p.spot === 'firm' ? 'firm' : p.spot === 'supper' ? 'supper' : 'left',
				stages: Object.fromEntries(
					p.path
						.map((s, i) => ({ ...s, until: p.path[i + 1]?.at ?? end }))
						.filter((s) => s.spot !== 'firm' && s.spot !== 'supper')
						.map((s) => [s.spot, Math.round((s.until - s.at) / 1000)])
				)
			}))
	};
}
