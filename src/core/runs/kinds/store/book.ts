import { nothingBooked, type RunBook } from '../../engine/book';
import { closingOf } from '../../engine/closing';
import type { Packable, Sums } from '../../engine/kind';
import { titleOf, type StoreState } from './fold';
import type { StorePlan } from './plan';

const sumOf = (state: Pick<StoreState, 'byproducts'>) => state.byproducts.reduce((sum, b) => sum + b.grams, 0);

/** Of the lot, g: all of it once it stands in its place, its loss in curing with it; before that what was set aside. */
function used(plan: StorePlan, state: StoreState): number {
	return Math.min(plan.raw_g, state.phase === 'finished' && state.stored_g > 0 ? plan.raw_g : sumOf(state));
}

/** The book of a storing: one entry; what is stored stands in its place by weight, as what it is. */
export function book(plan: StorePlan, state: StoreState): RunBook {
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
				cut: plan.form,
				wayId: 'cellar',
				way: `${state.curedAt === null ? '' : 'cured, '}into ${plan.place.name}`,
				method: 'cellar',
				state: 'fresh',
				title: titleOf(plan, state.curedAt !== null),
				use: `${plan.how.charAt(0).toUpperCase()}${plan.how.slice(1)}.`,
				months: 0,
				days: plan.keeps_days[0],
				closing: closingOf({
					...state,
					// Nothing is packed here, whatever was tapped.
					packed: [],
					endedAt: state.endedAt,
					raw_g,
					load_g: state.sound_g ?? 0,
					hands_s: plan.hands_s,
					made_g: state.stored_g
				})
			}
		],
		used: raw_g > 0 ? [{ lotId: plan.lotId, grams: raw_g }] : [],
		packs: [],
		byproducts: state.byproducts
	};
}

/** Nothing is packed: it stands in its place by weight. */
export const packables = (): Packable[] => [];

export const allAway = (_plan: StorePlan, state: StoreState): boolean => state.stored_g > 0;

export function sums(plan: StorePlan, state: StoreState): Sums {
	const gone = Math.min(plan.raw_g, sumOf(state));
	return {
		packed_g: state.stored_g,
		supper_g: 0,
		waiting_g: plan.raw_g - gone,
		under_g: 0,
		stoppedWords: gone < plan.raw_g ? 'What was not put away is still where it was.' : ''
	};
}
