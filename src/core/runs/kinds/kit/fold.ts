import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { KitEvent } from './events';
import type { KitPart, KitPlan } from './plan';

export interface ReadyPart {
	readonly n: number;
	readonly grams: number;
	readonly at: number;
}

interface Own {
	ready: readonly ReadyPart[];
	/** Of all of them together, where somebody weighed that. */
	weighed_g: number | null;
}

export type KitState = Readonly<Own> & CommonState<KitEvent> & { readonly timers: readonly Timer[] };

/** The state of a kit run: a pure fold of its plan and events. */
export function fold(plan: KitPlan, begunAt: number, events: readonly KitEvent[]): KitState {
	const state = foldEvents<KitEvent, Own>(
		begunAt,
		events,
		() => ({ ready: [], weighed_g: null }),
		(draft, event) => apply(plan, draft, event)
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function apply(plan: KitPlan, draft: Own & CommonDraft, event: KitEvent): string | undefined {
	if (event.type === 'weigh') {
		draft.weighed_g = event.grams;
		return undefined;
	}
	if (event.type !== 'part-ready') return undefined;
	const part = plan.parts.find((p) => p.n === event.part);
	if (!part) return 'There is no such part in this kit.';
	if (draft.ready.some((r) => r.n === part.n)) return `${part.food.name} were made ready already.`;
	if (event.grams > part.raw_g) return `Of ${part.raw_g} g no ${event.grams} g can come: weighed with the bowl?`;
	draft.ready = [...draft.ready, { n: part.n, grams: event.grams, at: event.at }];
	return undefined;
}

/** So many kits can be filled of what is ready; of what is not yet, by what is planned. */
export function fillable(
	plan: KitPlan,
	state: Pick<KitState, 'ready'>
): { readonly kits: number; readonly by: KitPart | null } {
	let kits = plan.count;
	let by: KitPart | null = null;
	for (const part of plan.parts) {
		const grams = state.ready.find((r) => r.n === part.n)?.grams;
		// A gram to the pack is the scale's play.
		const enough = grams === undefined ? plan.count : Math.floor((grams + plan.count) / part.each_g);
		if (enough < kits) [kits, by] = [enough, part];
	}
	return { kits, by };
}

export const allReady = (plan: KitPlan, state: Pick<KitState, 'ready'>): boolean =>
	plan.parts.every((p) => state.ready.some((r) => r.n === p.n));

/** When the first of what spoils must be back in the cold, ms; null where nothing spoils so soon. */
export function backBy(
	plan: KitPlan,
	state: Pick<KitState, 'ready' | 'packed'>
): { readonly part: KitPart; readonly since: number; readonly at: number } | null {
	if (state.packed.length > 0) return null;
	const due = plan.parts.flatMap((part) => {
		const ready = state.ready.find((r) => r.n === part.n);
		return ready && part.outOfCold_s !== null
			? [{ part, since: ready.at, at: ready.at + part.outOfCold_s * 1000 }]
			: [];
	});
	return due.sort((a, b) => a.at - b.at)[0] ?? null;
}

function timersOf(plan: KitPlan, state: Pick<KitState, 'ready' | 'packed'>): Timer[] {
	const back = backBy(plan, state);
	return back
		? [
				{
					key: `out-${back.part.n}`,
					label: 'back into the cold',
					food: back.part.food.name,
					unit: null,
					since: back.since,
					due: back.at,
					latest: back.at
				}
			]
		: [];
}
