import { sayDuration } from '../../../quantities/format';
import { foldEvents, type CommonDraft, type CommonState, type PackedLine } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { SealEvent } from './events';
import type { SealPlan, SealSubject } from './plan';

/** Out of the cold from `from` to `to`; `to` is null while it still is. ms */
interface Spell {
	readonly from: number;
	readonly to: number | null;
}

export interface RoundState {
	readonly n: number;
	readonly spells: readonly Spell[];
	readonly filled: number;
	readonly sealed: number;
	/** Of those that are sealed, in their place. */
	readonly away: number;
}

interface Own {
	bagsAt: number | null;
	firmAt: number | null;
	rounds: readonly RoundState[];
}

export type SealState = Readonly<Own> & CommonState<SealEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

export const hour_ms = 3_600_000;
export const subjectOf = (plan: SealPlan): SealSubject => plan.subjects[0];

/** Out of the cold in all, ms. */
export const outFor = (round: RoundState, now: number): number =>
	round.spells.reduce((sum, { from, to }) => sum + Math.max(0, Math.min(to ?? now, now) - from), 0);

export const isOut = (round: RoundState): boolean => round.spells.some((s) => s.to === null);

/** Out of the cold in this run at most, ms: what it had behind it is taken off. */
export const limitOf = (plan: SealPlan): number =>
	plan.out_h === null ? Infinity : Math.max(0, plan.out_h * hour_ms - plan.warm_ms);

/** When it has been out as long as it may, ms; null in the cold, or where it needs none. */
export const backBy = (plan: SealPlan, round: RoundState): number | null => {
	const open = round.spells.find((s) => s.to === null);
	if (!open || plan.out_h === null) return null;
	return open.from + limitOf(plan) - outFor({ ...round, spells: round.spells.filter((s) => s.to !== null) }, open.from);
};

/** Whether something of a round is still to be done. */
export const isOpen = (plan: SealPlan, round: RoundState): boolean =>
	round.sealed === 0 || round.away < round.sealed || (isOut(round) && plan.out_h !== null);

/**
 * The state of a sealing: a pure fold. A round is out of the cold until its packs are in their place, or it went back; what has
 * been out too long is not booked as a raw pack, whoever packed it.
 */
export function fold(plan: SealPlan, begunAt: number, events: readonly SealEvent[]): SealState {
	const state = foldEvents<SealEvent, Own>(
		begunAt,
		events,
		() => ({
			bagsAt: null,
			firmAt: null,
			rounds: plan.rounds.map(({ n }) => ({ n, spells: [], filled: 0, sealed: 0, away: 0 }))
		}),
		(draft, event) => apply(draft, event)
	);
	const { rounds, packed, ignored } = putAway(plan, state.rounds, state.packed);
	const whole = { ...state, rounds, packed, ignored: [...state.ignored, ...ignored] };
	return { ...whole, timers: whole.phase === 'working' ? timersOf(plan, whole) : [] };
}

function apply(draft: Draft, event: SealEvent): string | undefined {
	if (event.type === 'bags-ready') {
		draft.bagsAt ??= event.at;
		return undefined;
	}
	if (event.type === 'frozen-first') {
		draft.firmAt ??= event.at;
		return undefined;
	}
	if (!('round' in event)) return undefined;
	const round = draft.rounds.find((r) => r.n === event.round);
	if (!round) return 'There is no such round.';
	const put = (next: Partial<RoundState>) => {
		draft.rounds = draft.rounds.map((r) => (r === round ? { ...r, ...next } : r));
	};
	switch (event.type) {
		case 'round-out':
			if (isOut(round)) return 'It is out already.';
			put({ spells: [...round.spells, { from: event.at, to: null }] });
			return undefined;
		case 'round-back':
			if (!isOut(round)) return 'It is not on the table.';
			put({ spells: round.spells.map((s) => (s.to === null ? { ...s, to: Math.max(s.from, event.at) } : s)) });
			return undefined;
		case 'round-filled':
			put({ filled: event.bags });
			return undefined;
		case 'round-sealed':
			put({ sealed: event.bags, filled: Math.max(round.filled, event.bags) });
			return undefined;
	}
}

interface Away {
	readonly rounds: readonly RoundState[];
	readonly packed: PackedLine[];
	readonly ignored: readonly { readonly id: string; readonly why: string }[];
}

/** Packs go to the rounds in their order: of each as many as were sealed, of the last whatever is left. */
function putAway(plan: SealPlan, begun: readonly RoundState[], lines: readonly PackedLine[]): Away {
	const rounds = begun.map((r) => ({ ...r }));
	const packed: PackedLine[] = [];
	const ignored: { id: string; why: string }[] = [];
	for (const line of lines) {
		const touched: { round: (typeof rounds)[number]; n: number }[] = [];
		let open = line.packs;
		for (const round of rounds) {
			const n = Math.min(open, Math.max(0, round.sealed - round.away));
			if (n > 0) touched.push({ round, n });
			open -= n;
		}
		// More than were counted: they are of the round on the table, else of the last that was.
		const rest = rounds.find((r) => isOut(r)) ?? [...rounds].reverse().find((r) => r.spells.length > 0);
		if (open > 0 && rest) touched.push({ round: rest, n: open });
		const limit = limitOf(plan);
		if (touched.some(({ round }) => outFor(round, line.at) > limit)) {
			ignored.push({
				id: line.eventId,
				why: `It had been out of the cold for more than ${sayDuration((plan.out_h ?? 0) * 3600)} in all: cooked through now, or out. It is not booked as packed.`
			});
			continue;
		}
		packed.push(line);
		for (const { round, n } of touched) {
			round.away += n;
			// The last of it is in its place: its clock stands.
			if (round.sealed > 0 && round.away >= round.sealed)
				round.spells = round.spells.map((s) => (s.to === null ? { ...s, to: Math.max(s.from, line.at) } : s));
		}
	}
	return { rounds, packed, ignored };
}

function timersOf(plan: SealPlan, { rounds }: Own): Timer[] {
	return rounds.flatMap((round) => {
		const due = backBy(plan, round);
		const open = round.spells.find((s) => s.to === null);
		if (due === null || !open) return [];
		return [
			{
				key: `round-${round.n}`,
				label: `lot ${round.n}, into the cold`,
				food: subjectOf(plan).food.name,
				unit: null,
				since: open.from,
				due,
				latest: due
			}
		];
	});
}
