import {
	nothingBooked,
	packedLots,
	type BookEntry,
	type CanningLog,
	type Closing,
	type RunBook
} from '../../engine/book';
import type { Packable, Sums } from '../../engine/kind';
import { filledJars, jarsOf, minutesOf, processedJars, type CanState } from './fold';
import type { CanEnd, CanPlan, CanSubject } from './plan';
import { acidNames } from './say';

const packedAt = (state: CanState, n: number) => state.packed.filter((p) => p.subject === n);
const packedAt_g = (state: CanState, n: number) => packedAt(state, n).reduce((sum, p) => sum + p.packs * p.pack_g, 0);
const packsAt = (state: CanState, n: number) => packedAt(state, n).reduce((sum, p) => sum + p.packs, 0);

/** What stands on its label: what had no process says so. */
export const endTitle = (subject: CanSubject, end: CanEnd): string =>
	end.processed ? subject.product.name : `${subject.product.name}, not canned, ${end.words}`;

/** Whether hands were laid on it: then it is in jars, and gone from the Basket. */
const begun = (state: CanState, n: number): boolean =>
	state.loads.some((l) => l.filled.some((f) => f.subject === n)) || state.printed[n] !== undefined;

/** The process of each load that this product was in and had it, for ever: what makes the jars safe. */
function logOf(plan: CanPlan, state: CanState, subject: CanSubject): CanningLog {
	return {
		product: subject.product.name,
		jar: subject.jar,
		style: subject.style,
		heat: plan.heat,
		psi: plan.psi,
		gauge: plan.canner.gauge,
		canner: plan.canner.name,
		dialTested: plan.canner.dialTested,
		altitude_m: plan.altitude_m,
		table: plan.table,
		loads: state.loads
			.filter((l) => l.doneAt !== null && l.spot === 'out' && jarsOf(l, subject.n) > 0)
			.map((l) => {
				const acid = l.filled.find((f) => f.subject === subject.n)?.acid;
				return {
					n: l.n,
					jars: jarsOf(l, subject.n),
					acid: acid ? acidNames[acid] : null,
					minutes: minutesOf(plan, l),
					ventFrom: l.ventFrom,
					ventTo: l.ventTo,
					heldFrom: (l.doneAt ?? 0) - (l.held_s ?? 0) * 1000,
					heatOff: l.doneAt ?? 0,
					restarts: l.restarts.map(({ at, why, lost_s }) => ({ at, why, lost_s })),
					words: l.words
				};
			})
	};
}

/** The book: an entry for each end that got something; the shelf's, where none did. */
export function book(plan: CanPlan, state: CanState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const { phase, endedAt } = state;
	const elapsed_s = (endedAt - state.startedAt) / 1000;
	const used: { lotId: string; grams: number }[] = [];
	const allJars = Math.max(1, plan.subjects.reduce((sum, s) => sum + filledJars(state, s.n), 0)); // prettier-ignore
	const lids = state.loads.filter((l) => l.lidAt !== null).length;
	const entries = plan.subjects.flatMap((subject): BookEntry[] => {
		const raw_g = phase === 'finished' || begun(state, subject.n) ? subject.raw_g : 0;
		if (raw_g > 0) {
			const same = used.find((u) => u.lotId === subject.lotId);
			if (same) same.grams += raw_g;
			else used.push({ lotId: subject.lotId, grams: raw_g });
		}
		const ends = plan.ends.filter((e) => e.subject === subject.n);
		const got = ends.filter((e) => packedAt(state, e.n).length > 0 || state.byproducts.some((b) => b.subject === e.n));
		const kept = got.length > 0 ? got : ends.slice(0, 1);
		const all_g = kept.reduce((sum, e) => sum + packedAt_g(state, e.n), 0);
		let rawLeft = raw_g;
		return kept.map((end, i): BookEntry => {
			const packed_g = packedAt_g(state, end.n);
			const packs = packsAt(state, end.n);
			const share = all_g > 0 ? packed_g / all_g : i === 0 ? 1 : 0;
			const raw = i === kept.length - 1 ? rawLeft : Math.round(raw_g * share);
			rawLeft -= raw;
			const byproduct_g = state.byproducts.filter((b) => b.subject === end.n).reduce((sum, b) => sum + b.grams, 0);
			// Water, syrup, juice over it: in the jar, but not in what came in.
			const added_g = Math.max(0, packed_g - Math.round(packs * subject.perJar_g));
			const load_g = state.weighed[subject.n] ?? subject.load_g;
			const ofAll = filledJars(state, subject.n) / allJars;
			const energy_kWh = plan.load_kWh * lids * ofAll * share;
			const closing: Closing = {
				raw_g: raw,
				load_g: begun(state, subject.n) ? Math.round(load_g * (raw_g > 0 ? raw / raw_g : 0)) : 0,
				packed_g,
				packs,
				supper_g: 0,
				...(byproduct_g > 0 ? { byproduct_g } : {}),
				...(added_g > 0 ? { added_g } : {}),
				lost_g: raw + added_g - packed_g - byproduct_g,
				yield: packed_g > 0 && raw > 0 ? Math.max(0, packed_g - added_g) / raw : null,
				elapsed_s: Math.round(elapsed_s),
				hands_s: Math.round(Math.min(begun(state, subject.n) ? subject.expected.hands_s * share : 0, elapsed_s)),
				...(energy_kWh > 0 ? { energy_kWh: Math.round(energy_kWh * 1000) / 1000 } : {}),
				...(end.processed ? { canning: logOf(plan, state, subject) } : {}),
				lots: packedLots(packedAt(state, end.n)),
				potfuls: []
			};
			return {
				n: end.n,
				food: subject.food.id,
				form: subject.form,
				cut: subject.form,
				wayId: `can:${subject.product.id}`,
				way: end.processed ? `${subject.style} pack, ${subject.jar}s` : 'not canned',
				method: end.processed ? 'can' : end.places.includes('freezer') ? 'freeze' : 'other',
				state: end.state,
				...(end.was ? { was: end.was } : {}),
				title: endTitle(subject, end),
				use: end.processed ? subject.use : 'Heated through before it is eaten.',
				...end.keeps,
				closing
			};
		});
	});
	const known = new Set(entries.map((e) => e.n));
	return {
		end: { status: phase, endedAt },
		again: state.again,
		entries,
		used,
		packs: state.packed.filter((p) => known.has(p.subject)),
		byproducts: state.byproducts.filter((p) => known.has(p.subject))
	};
}

export function packables(plan: CanPlan, state: CanState): Packable[] {
	return plan.subjects.flatMap((subject): Packable[] => {
		const ends = plan.ends.filter((e) => e.subject === subject.n);
		const done = processedJars(state, subject.n);
		const out = state.loads
			.filter((l) => l.spot === 'out' || l.spot === 'lost')
			.reduce((sum, l) => sum + jarsOf(l, subject.n), 0);
		const put = ends.reduce((sum, e) => sum + packsAt(state, e.n), 0);
		return ends
			.filter((e) => (e.processed ? done > 0 : out > 0) || packsAt(state, e.n) > 0)
			.map((end) => ({
				n: end.n,
				name: end.processed ? subject.product.name : end.words,
				ready_g: Math.max(0, (end.processed ? done : out - put + packsAt(state, end.n)) * subject.portion_g),
				packed_g: packedAt_g(state, end.n),
				portion_g: subject.portion_g,
				containerId: subject.container?.id ?? null,
				readyWord: end.processed ? 'processed' : 'without its process',
				packWord: 'jar'
			}));
	});
}

/** Every jar that was filled stands somewhere, and nothing is in the canner. */
export const allAway = (plan: CanPlan, state: CanState): boolean =>
	state.loads.length > 0 &&
	state.loads.every((l) => l.spot === 'out' || l.spot === 'lost') &&
	plan.subjects.every(
		(s) =>
			plan.ends.filter((e) => e.subject === s.n).reduce((sum, e) => sum + packsAt(state, e.n), 0) >=
			filledJars(state, s.n)
	);

export function sums(plan: CanPlan, state: CanState): Sums {
	const inJars = plan.subjects.filter((s) => begun(state, s.n));
	const packed_g = state.packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);
	const raw = (list: readonly CanSubject[]) => list.reduce((sum, s) => sum + s.raw_g, 0);
	return {
		packed_g,
		supper_g: 0,
		waiting_g: raw(plan.subjects) - raw(inJars),
		under_g: Math.max(0, raw(inJars) - packed_g),
		stoppedWords: inJars.length < plan.subjects.length ? 'What was not in jars is still in the Basket.' : ''
	};
}
