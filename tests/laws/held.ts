import { inOrder, undoneAmong } from '../../src/core/runs/engine/order';
import type { CanningLog, RunBook } from '../../src/core/runs/engine/book';
import type { CanEvent } from '../../src/core/runs/kinds/can/events';
import type { CanPlan } from '../../src/core/runs/kinds/can/plan';

const tenMinutes_ms = 600_000;
const Pa_psi = 6894.757293168;

/**
 * Whether the taps themselves hold the process that the book claims of a load, read off one by one and without the fold: a
 * vent of ten minutes, a first reading at the mark, none below it until the heat went off, no stretch over ten minutes that
 * nobody spoke for, and every minute of the table.
 *
 * @returns what is missing; empty where nothing is
 */
export function missingOf(
	plan: CanPlan,
	events: readonly CanEvent[],
	product: number,
	load: CanningLog['loads'][number],
	over: ReadonlySet<string> = new Set()
): string {
	const cell = plan.subjects.find((s) => s.n === product)?.minutes ?? Infinity;
	if (load.minutes < cell) return `the table says ${cell} minutes`;
	if (load.heatOff - load.heldFrom < load.minutes * 60_000) return 'held for less than its minutes';
	const undone = undoneAmong(events);
	// What was tapped after the run was over is the engine's own law.
	const mine = inOrder(events).filter((e) => e.type !== 'undo' && !undone.has(e.id) && !over.has(e.id));
	const pressure = plan.heat === 'pressure';
	const own = (e: CanEvent) => 'load' in e && e.load === load.n;
	const offs = mine.flatMap((e, i) => (e.type === 'heat-off' && own(e) && e.at === load.heatOff ? [i] : []));
	const atMark = (e: CanEvent) =>
		e.type === 'gauge' && pressure
			? e.weight !== undefined
				? e.weight === 'moves'
				: (e.Pa ?? 0) >= Math.round((plan.psi ?? 0) * Pa_psi)
			: e.type === 'full-boil' && !pressure;
	const dips = (e: CanEvent) =>
		(pressure && e.type === 'gauge' && (!atMark(e) || (e.least_Pa !== undefined && e.least_Pa < Math.round((plan.psi ?? 0) * Pa_psi)))) ||
		e.type === 'fell' || e.type === 'give-up'; // prettier-ignore
	const starts = mine.flatMap((e, i) => (own(e) && atMark(e) && e.at === load.heldFrom ? [i] : []));
	let why = 'no reading where it began, or no heat off where it ended';
	for (const from of starts)
		for (const to of offs) {
			if (to <= from) continue;
			const inside = mine.slice(from + 1, to);
			if (inside.some((e) => (own(e) && dips(e)) || e.type === 'kitchen-changed')) {
				why = 'it fell, or the kitchen was changed meanwhile';
				continue;
			}
			if (pressure && !bridged(mine, [mine[from], ...inside.filter((e) => own(e) && atMark(e)), mine[to]])) {
				why = 'a stretch that nobody spoke for';
				continue;
			} // prettier-ignore
			if (pressure && !vented(mine.slice(0, from), load.n)) {
				why = 'not vented for ten minutes';
				continue;
			}
			const last = mine.findLast((e) => e.type === 'as-printed' && e.product === product);
			if (last?.type !== 'as-printed' || last.word !== 'yes') return 'not made as printed';
			return '';
		}
	return why;
}

/** Taps stand in their devices' own order: one that was tapped late may be of a moment before the last. */
function bridged(all: readonly CanEvent[], readings: readonly (CanEvent | undefined)[]): boolean {
	let seen = readings[0]?.at ?? 0;
	return readings.every((e) => {
		if (!e) return true;
		const between = e.at - seen;
		seen = Math.max(seen, e.at);
		return between <= tenMinutes_ms || all.some((w) => w.type === 'watched' && w.reading === e.id && w.word === 'yes');
	});
}

/** Ten minutes from the first steady steam, or from when it was opened again after it was closed too early. */
function vented(before: readonly CanEvent[], load: number): boolean {
	let since: number | null = null;
	for (const e of before) {
		if (!('load' in e) || e.load !== load) continue;
		if (e.type === 'venting') since ??= e.at;
		if (e.type !== 'weight-on' || since === null) continue;
		if (e.at - since >= tenMinutes_ms) return true;
		since = e.at;
	}
	return false;
}

/** Taps that came after the end, by what the fold says of them. */
export const tooLate = (ignored: readonly { readonly id: string; readonly why: string }[]): ReadonlySet<string> =>
	new Set(ignored.filter((i) => i.why === 'The run was over by then.').map((i) => i.id));

/** What a book claims and its taps do not hold; empty where all of it stands. */
export function claims(
	plan: CanPlan,
	book: RunBook,
	events: readonly CanEvent[],
	over: ReadonlySet<string> = new Set()
): string[] {
	const faults: string[] = [];
	for (const entry of book.entries) {
		const end = plan.ends.find((e) => e.n === entry.n);
		if (!end?.processed) {
			if (entry.state === 'canned') faults.push(`${entry.title} is booked as canned without a process`);
			continue;
		}
		const { canning, packs } = entry.closing;
		const loads = canning?.loads ?? [];
		const jars = loads.reduce((sum, l) => sum + l.jars, 0);
		if (packs > jars) faults.push(`${packs} jars on the shelf, ${jars} had their process`);
		for (const load of packs > 0 ? loads : []) {
			const missing = missingOf(plan, events, end.subject, load, over);
			if (missing !== '') faults.push(`load ${load.n}: ${missing}`);
		}
	}
	return faults;
}
