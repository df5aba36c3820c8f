import { sayTemperature } from '../../../quantities/format';
import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import { equalParts } from '../../engine/lay-out';
import type { Timer } from '../../engine/stage';
import type { DryEvent } from './events';
import { forecastOf, nextLook } from './forecast';
import { hoursOn, loaded_g, wet_g, type Tray, type TrayWeight } from './tray';
import { coolFor_s } from './rules';
import { subjectOf, type DryPlan } from './plan';

export interface DrySubjectState {
	readonly n: number;
	readonly load_g: number;
	readonly weighed: boolean;
	readonly identified: string | null;
	readonly heated_C: number | null;
	/** Of the printed heat: since when a potful is in it, how many went through, whether all did. */
	readonly heat: { readonly since: number | null; readonly potfuls: number; readonly done: boolean };
}

interface Own {
	subjects: DrySubjectState[];
	trays: Tray[];
	/** When the dryer was last on or off. */
	power: { on: boolean; since: number };
	/** When trays were last turned; null before the first is in. */
	turnedAt: number | null;
}

export type DryState = Readonly<Own> & CommonState<DryEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

/** The state of a load: a pure fold of its plan and events. */
export function fold(plan: DryPlan, begunAt: number, events: readonly DryEvent[]): DryState {
	const state = foldEvents<DryEvent, Own>(
		begunAt,
		events,
		(startedAt) => begin(plan, startedAt),
		(draft, event) => apply(plan, draft, event)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

const begin = (plan: DryPlan, at: number): Own => ({
	subjects: plan.subjects.map(({ n, load_g }) => ({
		n,
		load_g,
		weighed: false,
		identified: null,
		heated_C: null,
		heat: { since: null, potfuls: 0, done: false }
	})),
	trays: [],
	power: { on: true, since: at },
	turnedAt: null
});

/** What of a food still waits for a tray, laid out, g. */
export function waiting(plan: DryPlan, state: Pick<DryState, 'subjects' | 'trays'>, n: number): number[] {
	const subject = subjectOf(plan, n);
	const known = state.subjects.find((s) => s.n === n);
	if (!subject || !known) return [];
	const left = known.load_g - loaded_g(plan, state.trays, n);
	// A spoonful is no tray: a twentieth of one is on the others.
	if (left < Math.max(1, Math.min(subject.perTray_g, known.load_g) * 0.05)) return [];
	return equalParts(left, subject.perTray_g);
}

/** Slots that nothing is in. */
export const freeSlots = (plan: DryPlan, trays: readonly Tray[], order: readonly number[]): number[] =>
	order.filter((slot) => slot <= plan.dryer.trays && !trays.some((t) => t.spot === 'in' && t.slot === slot));

/** Applies one event of the kind's own; returns why it does not count, or undefined. */
function apply(plan: DryPlan, draft: Draft, event: DryEvent): string | undefined {
	switch (event.type) {
		case 'weigh': {
			const on = loaded_g(plan, draft.trays, event.subject ?? 1);
			if (event.grams < on) return `That is less than what is on the trays already (${on} g).`;
			return about(draft, event.subject, { load_g: event.grams, weighed: true });
		}
		case 'identified':
			return about(draft, event.subject, { identified: event.words });
		case 'heated':
			return heated(plan, draft, event);
		case 'first':
			return firstHeat(plan, draft, event);
		case 'load':
			return load(plan, draft, event);
		case 'turned':
			if (!draft.trays.some((t) => t.spot === 'in')) return 'Nothing was in the dryer.';
			draft.turnedAt = event.at;
			return undefined;
		case 'power':
			return power(draft, event.on, event.at);
		case 'scale':
		case 'felt':
		case 'swap':
		case 'pull':
		case 'back':
		case 'out':
			return ofTray(plan, draft, event);
		default:
			return undefined;
	}
}

function about(draft: Draft, n: number | undefined, to: Partial<DrySubjectState>): string | undefined {
	const known = draft.subjects.some((s) => s.n === (n ?? 1));
	if (!known) return `There is no food ${n ?? 1} in this run.`;
	draft.subjects = draft.subjects.map((s) => (s.n === (n ?? 1) ? { ...s, ...to } : s));
	return undefined;
}

function heated(plan: DryPlan, draft: Draft, event: Extract<DryEvent, { type: 'heated' }>): string | undefined {
	const gate = subjectOf(plan, event.subject)?.gates.find((g) => g.id === 'heated');
	if (gate?.id !== 'heated') return 'Nothing was to be heated.';
	const C = event.dC / 10;
	// Kept as it was said, too low or not: only a step that is warm enough opens the gate.
	if (C < gate.least_C - 0.05)
		return `That is below ${sayTemperature(gate.least_C, plan.units)} at the centre: it is not heated through, and dried so it is not safe. Heat it on, measure again.`;
	return about(draft, event.subject, { heated_C: C });
}

function firstHeat(plan: DryPlan, draft: Draft, event: Extract<DryEvent, { type: 'first' }>): string | undefined {
	const n = event.subject ?? 1;
	const known = draft.subjects.find((s) => s.n === n);
	if (!known || !subjectOf(plan, n)?.first) return 'Nothing was to be blanched.';
	// Said with none in it: that was all, or none of it is blanched.
	if (!event.on && event.last === true && known.heat.since === null && !known.heat.done)
		return about(draft, n, { heat: { ...known.heat, done: true } });
	if (event.on === (known.heat.since !== null)) return event.on ? 'It was in already.' : 'It was out already.';
	const potfuls = known.heat.potfuls + (event.on ? 0 : 1);
	const heat = event.on
		? { since: event.at, potfuls, done: false }
		: { since: null, potfuls, done: event.last === true };
	return about(draft, n, { heat });
}

/** Why nothing of a food may go onto a tray yet; undefined where it may. */
export function shut(plan: DryPlan, known: DrySubjectState): string | undefined {
	const subject = subjectOf(plan, known.n);
	for (const gate of subject?.gates ?? []) {
		if (gate.id === 'identified' && known.identified === null) return 'Nobody has said who identified it, and by what.';
		if (gate.id === 'heated' && known.heated_C === null) return 'It was not measured: was it heated through?';
	}
	return undefined;
}

function load(plan: DryPlan, draft: Draft, event: Extract<DryEvent, { type: 'load' }>): string | undefined {
	const n = event.subject ?? 1;
	const known = draft.subjects.find((s) => s.n === n);
	if (!known) return `There is no food ${n} in this run.`;
	const why = shut(plan, known);
	if (why) return why;
	if (draft.trays.some((t) => t.tray === event.tray)) return `Tray ${event.tray} was loaded already.`;
	if (event.slot > plan.dryer.trays) return `The dryer has ${plan.dryer.trays} trays.`;
	if (draft.trays.some((t) => t.spot === 'in' && t.slot === event.slot))
		return `In place ${event.slot} was a tray already.`;
	if (event.grams === undefined && event.mL === undefined) return 'Neither its weight nor its measure was said.';
	draft.trays = [
		...draft.trays,
		{
			tray: event.tray,
			subject: n,
			slot: event.slot,
			grams: event.grams ?? null,
			mL: event.mL ?? null,
			spot: 'in',
			why: null,
			loadedAt: event.at,
			since: event.at,
			hours: 0,
			from: draft.power.on ? event.at : null,
			weights: [],
			felt: null,
			dry_g: null,
			dry_mL: null
		}
	];
	draft.turnedAt ??= event.at;
	return undefined;
}

function power(draft: Draft, on: boolean, at: number): string | undefined {
	if (draft.power.on === on) return on ? 'It was on already.' : 'It was off already.';
	draft.power = { on, since: at };
	draft.trays = draft.trays.map((t) =>
		t.spot !== 'in' ? t : on ? { ...t, from: at } : { ...t, hours: hoursOn(t, at), from: null }
	);
	return undefined;
}

type OfTray = Extract<DryEvent, { type: 'scale' | 'felt' | 'swap' | 'pull' | 'back' | 'out' }>;

function ofTray(plan: DryPlan, draft: Draft, event: OfTray): string | undefined {
	const tray = draft.trays.find((t) => t.tray === event.tray);
	if (!tray) return `There is no tray ${event.tray}.`;
	const set = (to: Partial<Tray>) => {
		draft.trays = draft.trays.map((t) => (t.tray === tray.tray ? { ...t, ...to } : t));
	};
	// It cannot have left before it came.
	const at = Math.max(event.at, tray.since);
	if (event.type === 'back') {
		if (tray.spot !== 'cooling') return 'It was not off.';
		if (event.slot > plan.dryer.trays) return `The dryer has ${plan.dryer.trays} trays.`;
		if (draft.trays.some((t) => t.spot === 'in' && t.slot === event.slot))
			return `In place ${event.slot} was a tray already.`;
		const from = draft.power.on ? at : null;
		set({
			spot: 'in',
			slot: event.slot,
			since: at,
			from,
			dry_g: null,
			dry_mL: null,
			felt: { hours: tray.hours, found: 'nearly' }
		});
		return undefined;
	}
	if (event.type === 'out') {
		if (tray.spot === 'out') return 'It was out already.';
		set({ spot: 'out', why: event.why, since: at, hours: hoursOn(tray, at), from: null });
		return undefined;
	}
	if (tray.spot !== 'in') return 'It was off already.';
	const hours = hoursOn(tray, at);
	switch (event.type) {
		case 'felt':
			set({ felt: { hours, found: event.found } });
			return undefined;
		case 'scale':
			return weighed(plan, tray, { at: event.at, hours, grams: event.grams }, set);
		case 'swap': {
			if (event.slot > plan.dryer.trays) return `The dryer has ${plan.dryer.trays} trays.`;
			draft.trays = draft.trays.map((t) =>
				t.tray === tray.tray
					? { ...t, slot: event.slot }
					: t.spot === 'in' && t.slot === event.slot
						? { ...t, slot: tray.slot }
						: t
			);
			return undefined;
		}
		case 'pull': {
			const wet = wet_g(plan, tray);
			if (event.grams !== undefined && wet !== null && event.grams > wet)
				return `It weighed ${wet} g when it went in: it cannot come off heavier.`;
			set({
				spot: 'cooling',
				since: at,
				hours,
				from: null,
				dry_g: event.grams ?? null,
				dry_mL: event.mL ?? null
			});
			return undefined;
		}
	}
}

/** A weighing counts where it can be: no heavier than before, no lighter than what is not water. */
function weighed(plan: DryPlan, tray: Tray, weight: TrayWeight, set: (to: Partial<Tray>) => void): string | undefined {
	const wet = wet_g(plan, tray);
	if (wet === null) return 'What it weighed at the start is not known: its weight now tells nothing.';
	const solids = wet * (1 - (subjectOf(plan, tray.subject)?.forecast.moistureIn ?? 0));
	if (weight.grams > wet * 1.06) return `It went in at ${wet} g and cannot weigh more: the tray was weighed with it?`;
	if (weight.grams < solids * 0.71)
		return `Its dry matter alone is about ${Math.round(solids)} g: it cannot weigh so little.`;
	// One weighing a moment: the later word of the same minute holds.
	const before = tray.weights.filter((w) => w.hours < weight.hours - 1 / 60);
	if (weight.hours <= 0) return 'It had only just gone in.';
	set({ weights: [...before, weight] });
	return undefined;
}

function timersOf(plan: DryPlan, state: Own): Timer[] {
	const timers: Timer[] = [];
	for (const known of state.subjects) {
		const subject = subjectOf(plan, known.n);
		if (!subject?.first || known.heat.since === null) continue;
		timers.push({
			key: `first-${known.n}`,
			label: subject.first.method === 'steam' ? 'in the steam' : 'in the water',
			food: subject.food.name,
			unit: `potful ${known.heat.potfuls + 1}`,
			since: known.heat.since,
			due: known.heat.since + subject.first.least_s * 1000,
			latest: subject.first.most_s > subject.first.least_s ? known.heat.since + subject.first.most_s * 1000 : null
		});
	}
	// A food's trays have one clock: the first of them that is to be felt.
	for (const subject of plan.subjects) {
		const mine = state.trays.filter((t) => t.subject === subject.n);
		const inside = mine.filter((t) => t.spot === 'in');
		const [one] = inside;
		if (one)
			timers.push({
				key: `trays-${subject.n}`,
				label: state.power.on ? 'in the dryer' : 'the dryer is off',
				food: subject.food.name,
				unit: inside.length === 1 ? `tray ${one.slot}` : `${inside.length} trays`,
				since: Math.min(...inside.map((t) => t.loadedAt)),
				due: state.power.on ? Math.min(...inside.map((t) => lookAt(plan, state, t))) : null,
				latest: null
			});
		const cooling = mine.filter((t) => t.spot === 'cooling' && !jarred(state, t));
		if (cooling.length > 0) {
			const since = Math.max(...cooling.map((t) => t.since));
			timers.push({
				key: `cool-${subject.n}`,
				label: 'cooling',
				food: subject.food.name,
				unit: null,
				since,
				due: since + coolFor_s * 1000,
				latest: null
			});
		}
	}
	return timers.sort((a, b) => (a.due ?? Infinity) - (b.due ?? Infinity) || a.since - b.since);
}

/** Whether a food that cools has come into jars since. */
const jarred = (state: Own, tray: Tray): boolean =>
	(state as Partial<CommonDraft>).packed?.some((p) => p.subject === tray.subject && p.at >= tray.since) === true;

/** When a tray that is worked on is to be felt next, ms. */
export function lookAt(plan: DryPlan, state: Pick<DryState, 'trays'>, tray: Tray): number {
	const forecast = forecastOf(plan, state.trays, tray);
	const from = tray.from ?? tray.since;
	return from + Math.max(0, nextLook(tray, forecast) - tray.hours) * 3_600_000;
}

export interface DryTally {
	/** On trays in the dryer, at their start, g. */
	readonly in_g: number;
	/** Off and dry: as weighed, else as expected, g. */
	readonly dry_g: number;
	readonly packed_g: number;
	/** Eaten or spoiled, by what it was at its start, g. */
	readonly out_g: number;
}

/** Where a food stands, or all of them. */
export function tally(plan: DryPlan, state: Pick<DryState, 'trays' | 'packed'>, n?: number): DryTally {
	const mine = (s: { readonly subject: number }) => n === undefined || s.subject === n;
	const trays = state.trays.filter(mine);
	const sum = (list: readonly Tray[], of: (t: Tray) => number) => list.reduce((all, t) => all + of(t), 0);
	return {
		in_g: sum(
			trays.filter((t) => t.spot === 'in'),
			(t) => wet_g(plan, t) ?? 0
		),
		dry_g: sum(
			trays.filter((t) => t.spot === 'cooling'),
			(t) => dryOf(plan, t)
		),
		packed_g: state.packed.filter(mine).reduce((all, p) => all + p.packs * p.pack_g, 0),
		out_g: sum(
			trays.filter((t) => t.spot === 'out'),
			(t) => wet_g(plan, t) ?? 0
		)
	};
}

/** What is left of a tray that is off, g: weighed, else by the plan's share. */
export function dryOf(plan: DryPlan, tray: Tray): number {
	if (tray.dry_g !== null) return tray.dry_g;
	const subject = subjectOf(plan, tray.subject);
	if (!subject) return 0;
	const wet = wet_g(plan, tray);
	if (wet !== null) return Math.round((wet * subject.dry_g) / Math.max(1, subject.load_g));
	return tray.dry_mL === null ? 0 : Math.round(tray.dry_mL * subject.bulk_kg_L);
}
