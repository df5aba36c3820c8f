import { nothingBooked, type RunBook } from '../../engine/book';
import { closingOf } from '../../engine/closing';
import type { Packable, Sums } from '../../engine/kind';
import { brineFor, cutOf, isSalted, subjectOf, type FermentState } from './fold';
import type { FermentPlan } from './plan';

const packed_g = (state: FermentState) => state.packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);
const begun = (state: FermentState) => state.cut_g !== null || state.salt_g !== null;

export const titleOf = (plan: FermentPlan): string => {
	const { food } = subjectOf(plan);
	return food.id === 'cabbage' ? 'sauerkraut' : food.id === 'napa-cabbage' ? 'kimchi cabbage' : `${food.name}, fermented`; // prettier-ignore
};

/** The book of a ferment: one entry, its jars or its crock. */
export function book(plan: FermentPlan, state: FermentState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return nothingBooked;
	const subject = subjectOf(plan);
	const raw_g = state.phase === 'finished' || begun(state) ? subject.raw_g : 0;
	const water_g = state.salt_g === null ? 0 : brineFor(plan, cutOf(plan, state)).water_g;
	const added_g = (state.salt_g ?? 0) + water_g;
	return {
		end: { status: state.phase, endedAt: state.endedAt },
		again: state.again,
		entries: [
			{
				n: 1,
				food: subject.food.id,
				form: subject.form,
				cut: subject.form,
				wayId: 'ferment',
				way: subject.way === 'dry' ? `in ${subject.percent} % of salt` : `under a brine of ${subject.percent} %`,
				method: 'ferment',
				state: 'fermented',
				title: titleOf(plan),
				use: subject.use,
				months: 0,
				days: keepsDays(plan),
				closing: closingOf({
					...state,
					endedAt: state.endedAt,
					raw_g,
					load_g: state.cut_g ?? 0,
					added_g,
					hands_s: begun(state) ? subject.expected.hands_s : 0
				})
			}
		],
		used: raw_g > 0 ? [{ lotId: subject.lotId, grams: raw_g }] : [],
		packs: state.packed,
		byproducts: state.byproducts
	};
}

/** Its days in the warm and the least of its weeks in the cold. */
export const keepsDays = (plan: FermentPlan): number => {
	const { days, cold_weeks } = subjectOf(plan);
	return days[0] + cold_weeks[0] * 7;
};

export function packables(plan: FermentPlan, state: FermentState): Packable[] {
	if (!isSalted(plan, state) || state.underAt === null) return [];
	const subject = subjectOf(plan);
	const cut_g = cutOf(plan, state);
	return [
		{
			n: 1,
			name: titleOf(plan),
			ready_g: cut_g + brineFor(plan, cut_g).water_g + (state.salt_g ?? 0),
			packed_g: packed_g(state),
			portion_g: subject.portion_g,
			containerId: subject.container?.id ?? null,
			readyWord: 'under its brine',
			packWord: 'jar'
		}
	];
}

export const allAway = (_plan: FermentPlan, state: FermentState): boolean => state.packed.length > 0;

export function sums(plan: FermentPlan, state: FermentState): Sums {
	const { raw_g } = subjectOf(plan);
	const packed = packed_g(state);
	return {
		packed_g: packed,
		supper_g: 0,
		waiting_g: begun(state) ? 0 : raw_g,
		under_g: begun(state) ? Math.max(0, raw_g - packed) : 0,
		stoppedWords: begun(state) ? '' : 'It is still in the Basket.'
	};
}
