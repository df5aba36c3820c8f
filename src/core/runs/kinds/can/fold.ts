import { cannerCapacity } from '../../../canning/canner-loads';
import { canningRules } from '../../../../reference/canning-rules';
import { foldEvents, type CommonDraft, type CommonState, type PackedLine } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import { mostLoads, type AcidKind, type CanEvent } from './events';
import { mark_Pa, subjectOf, type CanPlan, type CanSubject } from './plan';

export type Spot = 'fill' | 'heat' | 'vent' | 'up' | 'hold' | 'short' | 'down' | 'rest' | 'out' | 'lost';

/** Jars of one product in a load. */
export interface Filled {
	readonly subject: number;
	readonly jars: number;
	readonly acid: AcidKind | null;
	readonly broken: number;
}

export interface Reading {
	readonly at: number;
	/** Null where the weight was looked at, or the boil. */
	readonly Pa: number | null;
	/** Whether the heat was what it must be, over all that this reading stands for. */
	readonly held: boolean;
}

/** The minutes began again, and what was lost. */
export interface Restart {
	readonly at: number;
	readonly why: 'vent' | 'fell' | 'gap' | 'early' | 'changed';
	readonly lost_s: number;
}

/** Nobody has said what the heat did meanwhile. */
export interface Gap {
	/** The event that came after it. */
	readonly reading: string;
	readonly from: number;
	readonly to: number;
	/** Since when it had been held before it. */
	readonly heldFrom: number;
}

export interface CanLoad {
	readonly n: number;
	readonly filled: readonly Filled[];
	readonly spot: Spot;
	/** Since when it is there, ms. */
	readonly since: number;
	readonly lidAt: number | null;
	/** Steady steam since then, ms; and when it was closed. */
	readonly ventFrom: number | null;
	readonly ventTo: number | null;
	/** The minutes count from here without a break, ms. */
	readonly heldFrom: number | null;
	/** The last time that the heat was known to be what it must be. */
	readonly seen: number | null;
	readonly gap: Gap | null;
	/** When the heat went off before it was known to have had its time, ms. */
	readonly offAt: number | null;
	/** Words of persons about gaps. */
	readonly words: readonly { readonly from: number; readonly to: number; readonly word: string }[];
	readonly readings: readonly Reading[];
	readonly restarts: readonly Restart[];
	/** Heat off after the whole of its minutes: it had its process. */
	readonly doneAt: number | null;
	/** What it was held for then: the table's minutes, or more, s. */
	readonly held_s: number | null;
	/** At no pressure by itself, or the heat off the water: from then it waits, ms. */
	readonly restAt: number | null;
	readonly outAt: number | null;
}

interface Own {
	ready: boolean;
	/** By product: whether it was made as printed; unsaid it is not. */
	printed: Readonly<Record<number, 'yes' | 'no'>>;
	weighed: Readonly<Record<number, number>>;
	loads: readonly CanLoad[];
	handed: readonly { readonly at: number; readonly to: string }[];
	/** The Kitchen says otherwise than the plan, and nobody has settled it. */
	unsettled: null | { readonly at: number; readonly what: 'altitude' | 'gauge' };
}

export type CanState = Readonly<Own> & CommonState<CanEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

/** Readings no further apart than this count as held between them (common practice: a dial is looked at all the time). */
export const heldBetween_ms = 600_000;
/** It is asked for so often (common practice). */
export const askEvery_ms = 300_000;
/** Full by this much more than one is a jar's play of the ruler. */
const play = 1e-6;

/** Said after the run was closed it counts all the same: what is no process, or not as printed, comes off the shelf. */
const badNews: readonly string[] = ['as-printed', 'give-up', 'broken'];

const fresh = (n: number, at: number): CanLoad => ({
	n,
	filled: [],
	spot: 'fill',
	since: at,
	lidAt: null,
	ventFrom: null,
	ventTo: null,
	heldFrom: null,
	seen: null,
	gap: null,
	offAt: null,
	words: [],
	readings: [],
	restarts: [],
	doneAt: null,
	held_s: null,
	restAt: null,
	outAt: null
});

/** The state of a canner's day: a pure fold of its plan and events. */
export function fold(plan: CanPlan, begunAt: number, events: readonly CanEvent[]): CanState {
	const state = foldEvents<CanEvent, Own>(
		begunAt,
		events,
		() => ({ ready: false, printed: {}, weighed: {}, loads: [], handed: [], unsettled: null }),
		(draft, event) => apply(plan, draft, event),
		badNews
	);
	const shelved = onlyProcessed(plan, state);
	return { ...shelved, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

/** Minutes that a load must be held: the longest of what is in it (common practice), each a cell of the table. */
export function minutesOf(plan: CanPlan, load: Pick<CanLoad, 'filled' | 'n'>): number {
	const inside = load.filled.filter((f) => f.jars > 0).map((f) => f.subject);
	const planned = (plan.loads[load.n - 1] ?? plan.loads.at(-1) ?? []).map((p) => p.subject);
	const subjects = inside.length > 0 ? inside : planned;
	return Math.max(...subjects.map((n) => subjectOf(plan, n).minutes));
}

/** What share of the canner its jars take. */
export const fullness = (plan: CanPlan, filled: readonly Pick<Filled, 'subject' | 'jars'>[]): number =>
	filled.reduce((sum, f) => sum + f.jars / cannerCapacity(plan.canner.holds, subjectOf(plan, f.subject).jar), 0);

export const jarsIn = (load: Pick<CanLoad, 'filled'>): number => load.filled.reduce((sum, f) => sum + f.jars, 0);

/** The load that is filled or in the canner: a canner holds one at a time. */
export const loadAt = (state: Pick<Own, 'loads'>, spots: readonly Spot[]): CanLoad | undefined =>
	state.loads.find((l) => spots.includes(l.spot));

/** In the canner now. */
export const inCanner: readonly Spot[] = ['heat', 'vent', 'up', 'hold', 'short', 'down', 'rest'];

/** Jars of a product that had their full process and are out, whole. */
export const processedJars = (state: Pick<Own, 'loads' | 'printed'>, subject: number): number =>
	state.printed[subject] !== 'yes'
		? 0
		: state.loads.filter((l) => l.doneAt !== null && l.spot === 'out').reduce((sum, l) => sum + jarsOf(l, subject), 0);

/** Jars of a product in a load that are whole. */
export const jarsOf = (load: CanLoad, subject: number): number =>
	load.filled.filter((f) => f.subject === subject).reduce((sum, f) => sum + f.jars - f.broken, 0);

/** Jars that a product is expected to fill: by what was weighed ready, else as planned; never fewer than are filled. */
export function expectedJars(plan: CanPlan, state: Pick<Own, 'loads' | 'weighed'>, n: number): number {
	const subject = subjectOf(plan, n);
	const weighed_g = state.weighed[n];
	const jars = weighed_g === undefined ? subject.jars : Math.floor(weighed_g / subject.need_g + play);
	const there = state.loads.reduce((sum, l) => sum + (l.filled.find((f) => f.subject === n)?.jars ?? 0), 0);
	return Math.max(jars, there);
}

/** Jars that are filled and whole, wherever they are. */
export const filledJars = (state: Pick<Own, 'loads'>, subject: number): number =>
	state.loads.reduce((sum, l) => sum + jarsOf(l, subject), 0);

/**
 * Nothing stands on a shelf that has not had its process. By the whole log, in whatever order it came: what was put away before
 * it was said that the load was given up, or that something else is in it, is taken off again, and told.
 */
function onlyProcessed<S extends Own & CommonState<CanEvent>>(plan: CanPlan, state: S): S {
	const packed: PackedLine[] = [];
	const ignored = [...state.ignored];
	for (const line of state.packed) {
		const end = plan.ends.find((e) => e.n === line.subject);
		const put = packed.filter((p) => p.subject === line.subject).reduce((sum, p) => sum + p.packs, 0);
		const done = end?.processed ? processedJars(state, end.subject) : Infinity;
		if (put + line.packs <= done) packed.push(line);
		else ignored.push({ id: line.eventId, why: notProcessed(done, put) });
	}
	return packed.length === state.packed.length ? state : { ...state, packed, ignored };
}

const notProcessed = (done: number, put: number): string =>
	done === 0
		? 'None of these jars has had its full process: they do not stand on a shelf. Into the fridge or the freezer with them.'
		: `Only ${done} of these jars have had their full process, and ${put} are put away already.`;

const replace = (draft: Draft, load: CanLoad): void => {
	draft.loads = [...draft.loads.filter((l) => l.n !== load.n), load].sort((a, b) => a.n - b.n);
};

function apply(plan: CanPlan, draft: Draft, event: CanEvent): string | undefined {
	switch (event.type) {
		case 'weigh':
			draft.weighed = { ...draft.weighed, [event.subject ?? 1]: event.grams };
			return undefined;
		case 'all-there':
			draft.ready = true;
			return undefined;
		case 'as-printed':
			if (!plan.subjects.some((s) => s.n === event.product)) return 'There is no such product in this canner.';
			draft.printed = { ...draft.printed, [event.product]: event.word };
			return undefined;
		case 'handed':
			draft.handed = [...draft.handed, { at: event.at, to: event.to }];
			return undefined;
		case 'kitchen-changed':
			draft.unsettled = { at: event.at, what: event.what };
			for (const load of draft.loads) {
				if (load.spot === 'hold') replace(draft, lose(plan, load, event.at, 'changed'));
				else if (load.gap) replace(draft, { ...load, gap: null });
			}
			return undefined;
		case 'plan-is-right':
			if (!draft.unsettled) return 'Nothing is to be settled.';
			draft.unsettled = null;
			return undefined;
		case 'filled':
			return filled(plan, draft, event);
		default:
			return 'load' in event ? ofLoad(plan, draft, event) : undefined;
	}
}

function filled(plan: CanPlan, draft: Draft, event: Extract<CanEvent, { type: 'filled' }>): string | undefined {
	const subject = plan.subjects.find((s) => s.n === event.product);
	if (!subject) return 'There is no such product in this canner.';
	const load = draft.loads.find((l) => l.n === event.load) ?? fresh(event.load, event.at);
	if (load.spot !== 'fill') return 'That load is in the canner already.';
	if (event.load > 1 && !draft.loads.some((l) => l.n === event.load - 1 && l.spot !== 'fill'))
		return 'The load before it is not in the canner yet.';
	if (draft.printed[subject.n] !== 'yes')
		return 'It has to be said first that it is made as printed, with nothing else in it.';
	const bad = acidFault(subject, event.acid);
	if (bad) return bad;
	const own = load.filled.find((f) => f.subject === subject.n);
	if ((own?.jars ?? 0) >= event.jars) return 'Those jars were counted already.';
	const one: Filled = {
		subject: subject.n,
		jars: event.jars,
		acid: subject.acid ? (event.acid ?? null) : null,
		broken: own?.broken ?? 0
	};
	const all = [...load.filled.filter((f) => f.subject !== subject.n), one].sort((a, b) => a.subject - b.subject);
	if (fullness(plan, all) > 1 + play) return 'The canner does not hold as many.';
	replace(draft, { ...load, filled: all, since: jarsIn(load) === 0 ? event.at : load.since });
	return undefined;
}

/** The acid of each jar is a gate: which one it is, and one that the table knows an amount of. */
function acidFault({ acid }: CanSubject, kind: AcidKind | undefined): string | undefined {
	if (!acid) return undefined;
	if (kind === undefined) return 'Its acid goes into every jar first: say which.';
	if (kind === 'citric-acid' && acid.citricAcid_tsp === undefined)
		return 'No amount of citric acid is published for it.';
	if (kind === 'vinegar' && acid.vinegar_tbsp === undefined) return 'No amount of vinegar is published for it.';
	return undefined;
}

type LoadEvent = Extract<CanEvent, { load: number }>;

function ofLoad(plan: CanPlan, draft: Draft, event: LoadEvent): string | undefined {
	const load = draft.loads.find((l) => l.n === event.load);
	if (!load || event.load > mostLoads) return 'There is no such load.';
	const pressure = plan.heat === 'pressure';
	const to = (spot: Spot, more: Partial<CanLoad> = {}): undefined =>
		void replace(draft, { ...load, ...more, spot, since: Math.max(load.since, event.at) });
	switch (event.type) {
		case 'lid-on':
			if (load.spot !== 'fill') return 'It is in the canner already.';
			if (jarsIn(load) === 0) return 'No jar of it is filled.';
			if (loadAt(draft, inCanner)) return 'Another load is in the canner.';
			return to('heat', { lidAt: event.at });
		case 'venting':
			if (!pressure) return 'Nothing is vented here.';
			// It had come down to nothing meanwhile: then there may be air in it, and it is vented anew.
			if (load.spot !== 'heat' && load.spot !== 'up') return 'It is not on the way up.';
			return to('vent', { ventFrom: event.at, ventTo: null });
		case 'weight-on': {
			if (load.spot !== 'vent' || load.ventFrom === null) return 'It is not venting.';
			// Closed too early there is air in it, and the gauge says more than the heat is: ten minutes anew.
			if (event.at - load.ventFrom < canningRules.vent_s.value * 1000) {
				const lost_s = Math.round((event.at - load.ventFrom) / 1000);
				const restarts = [...load.restarts, { at: event.at, why: 'vent' as const, lost_s }];
				return void replace(draft, { ...load, ventFrom: event.at, restarts });
			}
			return to('up', { ventTo: event.at });
		}
		case 'full-boil':
			if (pressure) return 'It counts by its pressure.';
			if (load.spot === 'hold') return read(plan, draft, load, { id: event.id, at: event.at, Pa: null, held: true });
			if (load.spot !== 'heat') return 'It is not on the way up.';
			return read(plan, draft, load, { id: event.id, at: event.at, Pa: null, held: true });
		case 'gauge':
			return gauge(plan, draft, load, event);
		case 'fell':
			if (load.spot !== 'hold') return 'No minutes are counted of it now.';
			return void replace(draft, note(lose(plan, load, event.at, 'fell'), { at: event.at, Pa: null, held: false }));
		case 'watched':
			return watched(plan, draft, load, event);
		case 'heat-off':
			return heatOff(plan, draft, load, event);
		case 'heat-again':
			if (load.spot !== 'short') return 'Its heat is on.';
			// What was never vented is vented first.
			return to(pressure && load.ventTo !== null ? 'up' : 'heat', {
				heldFrom: null,
				seen: null,
				gap: null,
				offAt: null
			});
		case 'give-up':
			if (load.spot === 'fill') return 'It is not in the canner.';
			return to('lost', { doneAt: null, held_s: null, heldFrom: null, gap: null });
		case 'at-zero':
			if (load.spot !== 'down') return 'Its heat is on still.';
			return to('rest', { restAt: event.at });
		case 'jars-out':
			if (load.spot !== 'rest') return 'It is not time to open it.';
			return to('out', { outAt: event.at });
		case 'broken': {
			const own = load.filled.find((f) => f.subject === event.product);
			if (!own || own.jars - own.broken < event.jars) return 'There are not as many of them.';
			const one = { ...own, broken: own.broken + event.jars };
			replace(draft, { ...load, filled: load.filled.map((f) => (f.subject === event.product ? one : f)) });
			return undefined;
		}
		default:
			return undefined;
	}
}

const note = (load: CanLoad, reading: Reading): CanLoad => ({ ...load, readings: [...load.readings, reading] });

/** The minutes are lost: they begin again with the next reading at the mark. */
function lose(plan: CanPlan, load: CanLoad, at: number, why: Restart['why']): CanLoad {
	const began = load.gap?.heldFrom ?? load.heldFrom;
	const lost_s = began === null ? 0 : Math.max(0, Math.round((at - began) / 1000));
	return {
		...load,
		spot: plan.heat === 'pressure' ? 'up' : 'heat',
		since: Math.max(load.since, at),
		heldFrom: null,
		seen: null,
		gap: null,
		restarts: began === null ? load.restarts : [...load.restarts, { at, why, lost_s }]
	};
}

function gauge(
	plan: CanPlan,
	draft: Draft,
	load: CanLoad,
	event: Extract<CanEvent, { type: 'gauge' }>
): string | undefined {
	if (plan.heat !== 'pressure') return 'Nothing is under pressure here.';
	const { Pa, least_Pa, weight } = event;
	if (Pa === undefined && weight === undefined) return 'It says neither a pressure nor how the weight moves.';
	const mark = mark_Pa(plan);
	const lasts = weight === undefined ? (Pa ?? 0) >= mark : weight === 'moves';
	const held = lasts && (least_Pa === undefined || least_Pa >= mark);
	const one = { id: event.id, at: event.at, Pa: Pa ?? null, held };
	if (load.spot !== 'up' && load.spot !== 'hold') {
		// On the way up and down it is written down, and counts for nothing.
		replace(draft, note(load, { at: one.at, Pa: one.Pa, held: false }));
		return undefined;
	}
	if (draft.unsettled) {
		replace(draft, note(load, { at: one.at, Pa: one.Pa, held: false }));
		return undefined;
	}
	if (!held && load.spot === 'hold') {
		const after = note(lose(plan, load, event.at, 'fell'), { at: one.at, Pa: one.Pa, held: false });
		// It dipped and is back at the end of the same minute: the whole time from now.
		replace(draft, lasts ? { ...after, spot: 'hold', heldFrom: event.at, seen: event.at } : after);
		return undefined;
	}
	if (!lasts) {
		replace(draft, note(load, { at: one.at, Pa: one.Pa, held: false }));
		return undefined;
	}
	return read(plan, draft, load, { ...one, held: true });
}

/** A reading at the mark: it goes on being held, begins to be, or leaves a gap that somebody has to speak for. */
function read(plan: CanPlan, draft: Draft, load: CanLoad, one: Reading & { readonly id: string }): undefined {
	const { id, at, Pa, held } = one;
	if (draft.unsettled) {
		replace(draft, note(load, { at, Pa, held: false }));
		return undefined;
	}
	const next = note(load, { at, Pa, held });
	const { heldFrom, seen } = load;
	if (heldFrom === null || seen === null) {
		replace(draft, { ...next, spot: 'hold', since: Math.max(load.since, at), heldFrom: at, seen: at });
		return undefined;
	}
	const between = at - seen;
	if (plan.heat === 'pressure' && between > heldBetween_ms) {
		const lost_s = Math.round((at - heldFrom) / 1000);
		replace(draft, {
			...next,
			heldFrom: at,
			seen: at,
			gap: { reading: id, from: seen, to: at, heldFrom },
			restarts: [...next.restarts, { at, why: 'gap', lost_s }]
		});
		return undefined;
	}
	replace(draft, { ...next, seen: Math.max(seen, at) });
	return undefined;
}

/** Somebody's word about a gap: a yes is kept as that person's word; anything else leaves the full time to begin anew. */
function watched(
	plan: CanPlan,
	draft: Draft,
	load: CanLoad,
	event: Extract<CanEvent, { type: 'watched' }>
): string | undefined {
	const { gap } = load;
	if (draft.unsettled) return 'The Kitchen was changed meanwhile: that has to be settled first.';
	if (gap?.reading !== event.reading) return 'That gap is settled, or its minutes are lost by now.';
	const words = [...load.words, { from: gap.from, to: gap.to, word: event.word }];
	if (event.word !== 'yes') {
		replace(draft, { ...load, gap: null, words });
		return undefined;
	}
	const last = load.restarts.at(-1);
	const restarts = last?.why === 'gap' && last.at === gap.to ? load.restarts.slice(0, -1) : load.restarts;
	const back = { ...load, gap: null, words, restarts, heldFrom: gap.heldFrom };
	// The gap lay before the heat was turned off: with that word it may have had its time.
	replace(draft, load.spot === 'short' ? ended(plan, back, load.offAt ?? gap.to) : back);
	return undefined;
}

function heatOff(
	plan: CanPlan,
	draft: Draft,
	load: CanLoad,
	event: Extract<CanEvent, { type: 'heat-off' }>
): string | undefined {
	if (!['heat', 'vent', 'up', 'hold'].includes(load.spot)) return 'Its heat is off.';
	const { heldFrom, seen } = load;
	const gap =
		plan.heat === 'pressure' && heldFrom !== null && seen !== null && event.at - seen > heldBetween_ms
			? { reading: event.id, from: seen, to: event.at, heldFrom }
			: null;
	const open = gap && { ...load, spot: 'short' as const, since: event.at, offAt: event.at, heldFrom: null, gap };
	replace(draft, open ?? ended(plan, load, event.at));
	return undefined;
}

/** The heat is off: it had its process where it was held for the whole of its minutes; else it is short. */
function ended(plan: CanPlan, load: CanLoad, at: number): CanLoad {
	const held_s = load.heldFrom === null ? 0 : (at - load.heldFrom) / 1000;
	const since = Math.max(load.since, at);
	if (held_s >= minutesOf(plan, load) * 60)
		return plan.heat === 'pressure'
			? { ...load, spot: 'down', since, doneAt: at, held_s, gap: null }
			: { ...load, spot: 'rest', since, doneAt: at, restAt: at, held_s, gap: null };
	const restarts =
		load.heldFrom === null
			? load.restarts
			: [...load.restarts, { at, why: 'early' as const, lost_s: Math.round(held_s) }];
	return { ...load, spot: 'short', since, offAt: at, heldFrom: null, seen: null, restarts };
}

/** How long it waits before it is opened, s. */
export const restOf_s = (plan: CanPlan): number =>
	(plan.heat === 'pressure' ? canningRules.restPressure_s : canningRules.restWater_s).value;

/** When its minutes are full if nothing falls, ms. */
export const fullAt = (plan: CanPlan, load: CanLoad): number | null =>
	load.heldFrom === null ? null : load.heldFrom + minutesOf(plan, load) * 60_000;

function timersOf(plan: CanPlan, state: Own): Timer[] {
	const load = loadAt(state, inCanner);
	if (!load) return [];
	const timer = (key: string, label: string, since: number, due: number | null, latest: number | null = null): Timer => ({
		key: `load-${load.n}-${key}`,
		label,
		food: load.filled.map((f) => subjectOf(plan, f.subject).food.name).join(', '),
		unit: `load ${load.n}`,
		since,
		due,
		latest
	}); // prettier-ignore
	switch (load.spot) {
		case 'vent': {
			const since = load.ventFrom ?? load.since;
			return [timer('vent', 'venting', since, since + canningRules.vent_s.value * 1000)];
		}
		case 'hold': {
			const list = [timer('hold', plan.heat === 'pressure' ? 'at pressure' : 'at the boil', load.heldFrom ?? load.since, fullAt(plan, load))]; // prettier-ignore
			if (plan.heat !== 'pressure' || load.seen === null) return list;
			const what = plan.canner.gauge === 'weighted' ? 'look at the weight' : 'read the dial';
			return [...list, timer('read', what, load.seen, load.seen + askEvery_ms, load.seen + heldBetween_ms)];
		}
		case 'down':
			return [timer('down', 'coming down by itself', load.since, null)];
		case 'rest':
			return [timer('rest', 'waits before it is opened', load.since, load.since + restOf_s(plan) * 1000)];
		default:
			return [timer(load.spot, 'heating up', load.since, null)];
	}
}
