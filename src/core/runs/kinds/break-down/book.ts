import { nothingBooked, type RunBook } from '../../engine/book';
import { closingOf } from '../../engine/closing';
import type { Packable, Sums } from '../../engine/kind';
import { weighedOf, type BreakDownState } from './fold';
import type { BreakDownPlan } from './plan';

const sumOf = (state: Pick<BreakDownState, 'byproducts'>) => state.byproducts.reduce((sum, b) => sum + b.grams, 0);

/** Of the lot, g: all of it when the table is done; of a table that was left, what its parts came of. */
function used(plan: BreakDownPlan, state: BreakDownState): number {
	if (state.phase === 'finished') return plan.raw_g;
	const share = Math.min(1, sumOf(state) / Math.max(1, plan.table_g));
	return Math.round(plan.raw_g * share);
}

/** The book of an animal: one entry; its parts stand in the Basket, each a lot. */
export function book(plan: BreakDownPlan, state: BreakDownState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const raw_g = used(plan, state);
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries: [
			{
				n: 1,
				food: plan.food.id,
				form: plan.form,
				cut: plan.option.id,
				wayId: `break-down:${plan.species.id}`,
				way: `cut up, ${plan.option.name}`,
				method: 'other',
				state: 'fresh',
				title: `${plan.food.name}, cut up`,
				use: 'Its parts stand in the Basket, each under its own name.',
				months: 0,
				days: 0,
				closing: closingOf({
					...state,
					// Nothing is packed here, whatever was tapped.
					packed: [],
					endedAt: state.endedAt,
					raw_g,
					load_g: plan.table_g,
					hands_s: plan.hands_s,
					made_g: null
				})
			}
		],
		used: raw_g > 0 ? [{ lotId: plan.lotId, grams: raw_g }] : [],
		packs: [],
		byproducts: state.byproducts
	};
}

/** It packs nothing by itself: its parts go on from the Basket. */
export const packables = (): Packable[] => [];

export const allAway = (plan: BreakDownPlan, state: BreakDownState): boolean =>
	state.boxes.every((b) => b.outAt === null) && plan.parts.every((p) => p.food === null || state.done.includes(p.n));

export function sums(plan: BreakDownPlan, state: BreakDownState): Sums {
	const weighed = plan.parts.reduce((sum, p) => sum + weighedOf(state, p.n), 0);
	const left = Math.max(0, plan.raw_g - used(plan, { ...state, phase: 'stopped' }));
	return {
		packed_g: weighed,
		supper_g: 0,
		waiting_g: weighed > 0 ? 0 : plan.raw_g,
		under_g: 0,
		stoppedWords: weighed > 0 && left > 0 ? 'What was not cut is still where it was.' : ''
	};
}
