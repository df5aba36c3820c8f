import { rebalance, type Balanced } from '../../../meat/break-down';
import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { BreakDownEvent } from './events';
import type { BreakDownPlan, PlannedPart } from './plan';

export interface BoxState {
	readonly n: number;
	/** Since when it is out, ms; null in the cold, or empty. */
	readonly outAt: number | null;
	/** Out before that, ms. */
	readonly before_ms: number;
	readonly empty: boolean;
}

interface Own {
	boxes: readonly BoxState[];
	/** Parts of which nothing more comes. */
	done: readonly number[];
}

export type BreakDownState = Readonly<Own> & CommonState<BreakDownEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

export const hour_ms = 3_600_000;

/** Out of the cold in all, ms. */
export const outFor = (box: BoxState, now: number): number =>
	box.before_ms + (box.outAt === null ? 0 : Math.max(0, now - box.outAt));

/** When it has been out as long as it may, ms; null while it is in the cold. */
export const backBy = (plan: BreakDownPlan, box: BoxState): number | null =>
	box.outAt === null ? null : box.outAt + plan.out_h * hour_ms - box.before_ms;

export const partOf = (plan: BreakDownPlan, n: number): PlannedPart | undefined => plan.parts.find((p) => p.n === n);

/** Weighed of a part so far, g. */
export const weighedOf = (state: Pick<CommonDraft, 'byproducts'>, n: number): number =>
	state.byproducts.filter((b) => b.title !== undefined && b.subject === n).reduce((sum, b) => sum + b.grams, 0);

/** The parts re-balanced by what the scale said. */
export const balanceOf = (plan: BreakDownPlan, state: Pick<Own, 'done'> & Pick<CommonDraft, 'byproducts'>): Balanced =>
	rebalance(
		plan.parts,
		plan.parts.map((p) => ({ grams: weighedOf(state, p.n), done: state.done.includes(p.n) }))
	);

/** The state of an animal on the table: a pure fold of its plan and events. What was weighed is there, whoever closed the run first. */
export function fold(plan: BreakDownPlan, begunAt: number, events: readonly BreakDownEvent[]): BreakDownState {
	const state = foldEvents<BreakDownEvent, Own>(
		begunAt,
		events,
		() => ({ boxes: plan.boxes.map(({ n }) => ({ n, outAt: null, before_ms: 0, empty: false })), done: [] }),
		(draft, event) => apply(plan, draft, event),
		['part']
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function apply(plan: BreakDownPlan, draft: Draft, event: BreakDownEvent): string | undefined {
	switch (event.type) {
		case 'box-out':
		case 'box-back':
		case 'box-empty': {
			const box = draft.boxes.find((b) => b.n === event.box);
			if (!box) return 'There is no such box.';
			if (event.type === 'box-out' && (box.outAt !== null || box.empty)) return 'It is out already.';
			if (event.type !== 'box-out' && box.outAt === null) return 'It is not on the table.';
			const next: BoxState =
				event.type === 'box-out'
					? { ...box, outAt: event.at }
					: { ...box, outAt: null, before_ms: outFor(box, event.at), empty: event.type === 'box-empty' };
			draft.boxes = draft.boxes.map((b) => (b.n === box.n ? next : b));
			return undefined;
		}
		case 'part': {
			const part = partOf(plan, event.part);
			if (!part || part.food === null) return 'There is no such part of this animal.';
			const { id: eventId, part: subject, grams, placeId, at } = event;
			// It has been out as long as the box that has been out longest; weighed after they went back, as long as any of them was.
			const out = draft.boxes.filter((b) => b.outAt !== null);
			const warm_ms = Math.max(0, ...(out.length > 0 ? out : draft.boxes).map((b) => outFor(b, at)));
			draft.byproducts.push({ eventId, subject, food: part.food, form: part.form, grams, placeId, at, title: part.title, warm: { ms: Math.round(warm_ms), C: plan.room_C } }); // prettier-ignore
			return undefined;
		}
		case 'part-done': {
			const part = partOf(plan, event.part);
			if (!part || part.food === null) return 'There is no such part of this animal.';
			if (draft.done.includes(event.part)) return 'That was said already.';
			draft.done = [...draft.done, event.part];
			return undefined;
		}
		default:
			return undefined;
	}
}

function timersOf(plan: BreakDownPlan, state: Own): Timer[] {
	return state.boxes.flatMap((box) => {
		const due = backBy(plan, box);
		if (due === null || box.outAt === null) return [];
		const name = plan.boxes.find((b) => b.n === box.n)?.name ?? '';
		return [
			{
				key: `box-${box.n}`,
				label: `${name}, back into the cold`,
				food: plan.species.name,
				unit: null,
				since: box.outAt,
				due,
				latest: due
			}
		];
	});
}
