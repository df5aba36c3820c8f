import type { Stay } from '../../things/clock';
import { afterTheEnd, type Base, type ByProduct, type CommonEvent, type Would } from './event';
import { inOrder, undoneAmong } from './order';

export interface PackedLine {
	readonly eventId: string;
	/** Which of the run's foods, from 1. */
	readonly subject: number;
	readonly packs: number;
	readonly pack_g: number;
	readonly containerId: string | null;
	readonly placeId: string;
	readonly at: number;
}

export interface ByProductLine extends ByProduct {
	readonly eventId: string;
	readonly subject: number;
	readonly at: number;
	/** Under a name of its own; its food and form without it. */
	readonly title?: string;
	/** Which sort of its food; null where none is known. */
	readonly foodKind?: string | null;
	/** Flawed: its clock is the short one. */
	readonly first?: true;
	/** Where it stood before, in order: its clock adds up over all of it. */
	readonly stays?: readonly Stay[];
	/** It stands in its place, and waits for nothing in the Basket. */
	readonly kept?: true;
	/** It has been out of the cold so long, ms, in a room of so much, °C: its clock goes on from there. */
	readonly warm?: { readonly ms: number; readonly C: number };
}

/** What the engine folds by itself, of every kind. */
export interface CommonDraft {
	phase: 'working' | 'finished' | 'stopped';
	held: boolean;
	packed: PackedLine[];
	byproducts: ByProductLine[];
	notes: { at: number; text: string }[];
	again: { would: Would; change: string } | null;
	endedAt: number | null;
	stopReason: string | null;
}

export interface CommonState<E> extends Readonly<CommonDraft> {
	readonly startedAt: number;
	/** The last step that can be undone. */
	readonly last: E | null;
	/** Every finish and stop that has not been taken back: the run opens again when all of them are. */
	readonly ends: readonly string[];
	/** Taps that could not count, with the reason: a second device was faster, or the order was wrong. */
	readonly ignored: readonly { readonly id: string; readonly why: string }[];
}

const endOf = { finished: 'finish', stopped: 'stop' } as const;

/**
 * Folds the events of a run in the engine's order, so that a tap made offline takes its place when it arrives; undone
 * events are as if never made; what cannot count is kept in `ignored` with its reason. Packs, by-products, notes and the
 * closing word count after the end too.
 *
 * @param begin the kind's own draft at the start, ms
 * @param apply what one event of the kind's changes; returns why it does not count
 * @param late events of the kind's own that count after the end too: bad news is never too late
 */
export function foldEvents<E extends Base & { readonly type: string }, D extends object>(
	begunAt: number,
	events: readonly E[],
	begin: (startedAt: number) => D,
	apply: (draft: D & CommonDraft, event: E, startedAt: number) => string | undefined,
	late: readonly string[] = []
): D & CommonState<E> {
	const ordered = inOrder(events);
	const undone = undoneAmong(ordered);
	// A server whose clock stood ahead when it began does not put the work before the run.
	const startedAt = events.reduce(
		(least, e) => (undone.has(e.id) || e.type === 'undo' ? least : Math.min(least, e.at)),
		begunAt
	);
	const common: CommonDraft = {
		phase: 'working',
		held: false,
		packed: [],
		byproducts: [],
		notes: [],
		again: null,
		endedAt: null,
		stopReason: null
	};
	const draft: D & CommonDraft = { ...begin(startedAt), ...common };
	const ignored: { id: string; why: string }[] = [];
	let last: E | null = null;
	for (const event of ordered) {
		if (event.type === 'undo' || undone.has(event.id)) continue;
		const why = one(draft, event, startedAt, apply, late);
		if (why) ignored.push({ id: event.id, why });
		else last = event;
	}
	const ends = ordered.filter((e) => (e.type === 'finish' || e.type === 'stop') && !undone.has(e.id)).map((e) => e.id);
	return { ...draft, startedAt, last, ends, ignored };
}

function one<E extends Base & { readonly type: string }, D extends object>(
	draft: D & CommonDraft,
	event: E,
	startedAt: number,
	apply: (draft: D & CommonDraft, event: E, startedAt: number) => string | undefined,
	late: readonly string[]
): string | undefined {
	if (draft.phase !== 'working' && !afterTheEnd.includes(event.type) && !late.includes(event.type))
		return event.type === endOf[draft.phase] ? 'It was closed already.' : 'The run was over by then.';
	const known = event as unknown as CommonEvent;
	switch (known.type) {
		case 'hold':
			draft.held = known.on;
			return undefined;
		case 'note':
			draft.notes.push({ at: known.at, text: known.text });
			return undefined;
		case 'again':
			draft.again = { would: known.would, change: known.change };
			return undefined;
		case 'pack': {
			const { id, subject = 1, packs, pack_g, containerId, placeId, at } = known;
			draft.packed.push({ eventId: id, subject, packs, pack_g, containerId, placeId, at });
			return undefined;
		}
		case 'by-product': {
			const { id, subject = 1, food, form, grams, placeId, at } = known;
			draft.byproducts.push({ eventId: id, subject, food, form, grams, placeId, at });
			return undefined;
		}
		case 'finish':
			draft.phase = 'finished';
			draft.endedAt = Math.max(known.at, startedAt);
			return undefined;
		case 'stop':
			draft.phase = 'stopped';
			draft.endedAt = Math.max(known.at, startedAt);
			draft.stopReason = known.reason;
			return undefined;
		default:
			return apply(draft, event, startedAt);
	}
}
