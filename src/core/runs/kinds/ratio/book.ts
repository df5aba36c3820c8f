import { nothingBooked, packedLots, type BookEntry, type Closing, type RunBook } from '../../engine/book';
import type { Packable, Sums } from '../../engine/kind';
import { allDone, isDone, setsOf, subjectOf, type RatioState } from './fold';
import type { RatioEnd, RatioPlan } from './plan';

const packedAt = (state: RatioState, n?: number) => state.packed.filter((p) => n === undefined || p.subject === n);
const packed_g = (state: RatioState, n?: number) => packedAt(state, n).reduce((sum, p) => sum + p.packs * p.pack_g, 0);

/** What stands on its label: of two places the colder one's is the name itself. */
export const endTitle = (plan: RatioPlan, end: RatioEnd): string =>
	end.n === 1 ? subjectOf(plan).recipe.name : `${subjectOf(plan).recipe.name}, for the ${end.place}`;

const doneSets = (plan: RatioPlan, state: RatioState): number =>
	setsOf(plan, state).filter(({ set }) => isDone(subjectOf(plan), set)).length;
const begunSets = (state: RatioState): number => state.sets.filter((s) => s.scoops.some((n) => n > 0)).length;

/** Whether hands were laid on it: then its fruit is crushed, and gone from the Basket. */
const begun = (state: RatioState): boolean => state.have !== null || state.sets.length > 0 || state.packed.length > 0;

/** The book: an entry for each end that got something; the first, where none did. Raw and added weight are shared out by what was packed. */
export function book(plan: RatioPlan, state: RatioState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const subject = subjectOf(plan);
	const raw_g = state.phase === 'finished' || begun(state) ? subject.raw_g : 0;
	const added_g = begunSets(state) * subject.added_g;
	const got = plan.ends.filter(
		(e) => packedAt(state, e.n).length > 0 || state.byproducts.some((b) => b.subject === e.n)
	);
	const ends = got.length > 0 ? got : plan.ends.slice(0, 1);
	const all = packed_g(state);
	const elapsed_s = (state.endedAt - state.startedAt) / 1000;
	let [rawLeft, addedLeft] = [raw_g, added_g];
	const entries = ends.map((end, i): BookEntry => {
		const share = all > 0 ? packed_g(state, end.n) / all : i === 0 ? 1 : 0;
		const last = i === ends.length - 1;
		const raw = last ? rawLeft : Math.round(raw_g * share);
		const added = last ? addedLeft : Math.round(added_g * share);
		[rawLeft, addedLeft] = [rawLeft - raw, addedLeft - added];
		const packed = packed_g(state, end.n);
		const byproduct_g = state.byproducts.filter((b) => b.subject === end.n).reduce((sum, b) => sum + b.grams, 0);
		const closing: Closing = {
			raw_g: raw,
			load_g: begun(state) ? Math.round(subject.load_g * (raw_g > 0 ? raw / raw_g : 0)) : 0,
			packed_g: packed,
			packs: packedAt(state, end.n).reduce((n, p) => n + p.packs, 0),
			supper_g: 0,
			...(byproduct_g > 0 ? { byproduct_g } : {}),
			...(added > 0 ? { added_g: added } : {}),
			lost_g: raw + added - packed - byproduct_g,
			yield: packed > 0 && raw > 0 ? Math.max(0, packed - added) / raw : null,
			elapsed_s: Math.round(elapsed_s),
			hands_s: Math.round(Math.min(begun(state) ? subject.expected.hands_s * (all > 0 ? share : 1) : 0, elapsed_s)),
			lots: packedLots(packedAt(state, end.n)),
			potfuls: []
		};
		return {
			n: end.n,
			food: subject.food.id,
			form: subject.form,
			cut: subject.form,
			wayId: subject.recipe.id,
			way: subject.recipe.name,
			method: end.place === 'freezer' ? 'freeze' : 'other',
			state: end.state,
			...(end.was ? { was: end.was } : {}),
			title: endTitle(plan, end),
			use: subject.use,
			...end.keeps,
			closing
		};
	});
	const known = new Set(entries.map((e) => e.n));
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries,
		used: raw_g > 0 ? [{ lotId: subject.lotId, grams: raw_g }] : [],
		packs: state.packed.filter((p) => known.has(p.subject)),
		byproducts: state.byproducts.filter((p) => known.has(p.subject))
	};
}

export function packables(plan: RatioPlan, state: RatioState): Packable[] {
	const done = doneSets(plan, state);
	if (done === 0 && state.packed.length === 0) return [];
	const subject = subjectOf(plan);
	const ready_g = done * subject.set_g;
	return plan.ends.map((end) => ({
		n: end.n,
		name: end.words,
		// What went the other way is no longer there for this one.
		ready_g: Math.max(0, ready_g - packed_g(state) + packed_g(state, end.n)),
		packed_g: packed_g(state, end.n),
		portion_g: subject.portion_g,
		containerId: subject.container?.id ?? null,
		readyWord: 'ready',
		packWord: 'jar'
	}));
}

export const allAway = (plan: RatioPlan, state: RatioState): boolean => state.packed.length > 0 && allDone(plan, state);

export function sums(plan: RatioPlan, state: RatioState): Sums {
	const { raw_g } = subjectOf(plan);
	const packed = packed_g(state);
	return {
		packed_g: packed,
		supper_g: 0,
		waiting_g: begun(state) ? 0 : raw_g,
		under_g: begun(state) ? Math.max(0, raw_g - packed) : 0,
		stoppedWords: begun(state) ? '' : 'What was not measured out is still in the Basket.'
	};
}
