import { fermentRules } from '../../../../reference/fermenting';
import { foldEvents, type CommonDraft, type CommonState } from '../../engine/fold';
import type { Timer } from '../../engine/stage';
import type { FermentEvent } from './events';
import type { FermentPlan, FermentSubject } from './plan';

interface Own {
	/** Cut and ready, g; null before it was weighed. */
	cut_g: number | null;
	salt_g: number | null;
	underAt: number | null;
}

export type FermentState = Readonly<Own> & CommonState<FermentEvent> & { readonly timers: readonly Timer[] };
type Draft = Own & CommonDraft;

export const subjectOf = (plan: FermentPlan): FermentSubject => plan.subjects[0];

/** Cut and ready, g: by the scale, else as planned. */
export const cutOf = (plan: FermentPlan, state: Pick<Own, 'cut_g'>): number => state.cut_g ?? subjectOf(plan).load_g;

/** Water and salt for so much of it, whole g. */
export function brineFor(plan: FermentPlan, cut_g: number): { readonly water_g: number; readonly salt_g: number } {
	const { way, percent, water } = subjectOf(plan);
	const water_g = cut_g * water;
	const salt_g = way === 'dry' ? (cut_g * percent) / 100 : (water_g * percent) / (100 - percent);
	return { water_g: Math.round(water_g), salt_g: Math.ceil(salt_g - 1e-6) };
}

/** Salt to vegetable and water together, %. */
export const endOf = (plan: FermentPlan, cut_g: number, salt_g: number): number =>
	(salt_g / (cut_g + brineFor(plan, cut_g).water_g)) * 100;

/** So much salt at the least, whole g. */
export const leastSalt = (plan: FermentPlan, cut_g: number): number =>
	Math.ceil((fermentRules.leastEnd_percent.value / 100) * (cut_g + brineFor(plan, cut_g).water_g) - 1e-6);

/** Whether what was weighed is salt enough for what was cut: by the whole log, in whatever order it came. */
export const isSalted = (plan: FermentPlan, state: Pick<Own, 'cut_g' | 'salt_g'>): boolean =>
	state.salt_g !== null && state.salt_g >= leastSalt(plan, cutOf(plan, state));

/** The state of a ferment: a pure fold. Nothing stands in its jar as a ferment that has not its salt. */
export function fold(plan: FermentPlan, begunAt: number, events: readonly FermentEvent[]): FermentState {
	const state = foldEvents<FermentEvent, Own>(
		begunAt,
		events,
		() => ({ cut_g: null, salt_g: null, underAt: null }),
		(draft, event) => apply(plan, draft, event)
	);
	const safe = isSalted(plan, state) && state.underAt !== null;
	const bare = safe ? [] : state.packed;
	return {
		...state,
		packed: safe ? state.packed : [],
		ignored: [
			...state.ignored,
			...bare.map((p) => ({
				id: p.eventId,
				why: 'It has not its salt, or is not under its brine: it is no ferment. Into the fridge with it.'
			}))
		],
		timers: []
	};
}

function apply(plan: FermentPlan, draft: Draft, event: FermentEvent): string | undefined {
	switch (event.type) {
		case 'weigh':
			draft.cut_g = event.grams;
			return undefined;
		case 'salted': {
			const cut_g = cutOf(plan, draft);
			const end = endOf(plan, cut_g, event.grams);
			if (end > fermentRules.mostEnd_percent.value)
				return `That is ${end.toFixed(1)} % of salt in all of it: it would hardly sour.`;
			draft.salt_g = event.grams;
			return undefined;
		}
		case 'under':
			if (draft.salt_g === null) return 'Its salt comes first.';
			draft.underAt = event.at;
			return undefined;
		default:
			return undefined;
	}
}
