import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { Stay } from '../../../things/clock';
import type { StoreEvent } from './events';
import type { StorePlan } from './plan';

interface Own {
	/** The sound ones, g; null before they were weighed. */
	sound_g: number | null;
	aside_g: number;
	curingAt: number | null;
	curedAt: number | null;
	stored_g: number;
}

export type StoreState = Readonly<Own> & CommonState<StoreEvent> & { readonly timers: readonly Timer[] };

export const day_ms = 86_400_000;
export const titleOf = (plan: StorePlan, cured: boolean): string => `${plan.food.name}${cured ? ', cured' : ''}`;

/** The state of a storing: a pure fold. What was put away or aside is there, whoever closed the run first. */
export function fold(plan: StorePlan, begunAt: number, events: readonly StoreEvent[]): StoreState {
	const state = foldEvents<StoreEvent, Own>(
		begunAt,
		events,
		() => ({ sound_g: null, aside_g: 0, curingAt: null, curedAt: null, stored_g: 0 }),
		(draft, event) => apply(plan, draft, event),
		['stored', 'set-aside']
	);
	return { ...state, timers: state.phase === 'working' ? timersOf(plan, state) : [] };
}

function apply(plan: StorePlan, draft: Own & CommonDraft, event: StoreEvent): string | undefined {
	switch (event.type) {
		case 'weigh':
			draft.sound_g = event.grams;
			return undefined;
		case 'set-aside': {
			const { id: eventId, grams, placeId, at } = event;
			draft.byproducts.push({
				eventId,
				subject: 1,
				food: plan.food.id,
				form: plan.form,
				grams,
				placeId,
				at,
				title: `${plan.food.name}, to eat first`,
				foodKind: plan.foodKind,
				first: true,
				...staysUntil(plan, draft, at)
			});
			draft.aside_g += grams;
			return undefined;
		}
		case 'curing':
			if (!plan.cure) return 'These want no curing.';
			draft.curingAt ??= event.at;
			return undefined;
		case 'cured':
			if (draft.curingAt === null) return 'They are not spread out yet.';
			draft.curedAt ??= event.at;
			return undefined;
		case 'stored': {
			const { id: eventId, grams, placeId, at } = event;
			const title = titleOf(plan, draft.curedAt !== null);
			draft.byproducts.push({
				eventId,
				subject: 1,
				food: plan.food.id,
				form: plan.form,
				grams,
				placeId,
				at,
				title,
				foodKind: plan.foodKind,
				kept: true,
				...staysUntil(plan, draft, at)
			});
			draft.stored_g += grams;
			return undefined;
		}
		default:
			return undefined;
	}
}

/** Cured its weeks begin; what is not cured has its days behind it, up to this one. */
function staysUntil({ before }: StorePlan, { curedAt }: Own, at: number): { readonly stays?: readonly Stay[] } {
	if (curedAt !== null) return {};
	return { stays: before.map((s, i) => (i === before.length - 1 ? { ...s, until: Math.max(s.from, at) } : s)) };
}

function timersOf(plan: StorePlan, { curingAt, curedAt }: Own): Timer[] {
	if (!plan.cure || curingAt === null || curedAt !== null) return [];
	return [
		{
			key: 'cure',
			label: 'look whether they are cured',
			food: plan.food.name,
			unit: null,
			since: curingAt,
			due: curingAt + plan.cure.days[0] * day_ms,
			latest: curingAt + plan.cure.days[1] * day_ms
		}
	];
}
