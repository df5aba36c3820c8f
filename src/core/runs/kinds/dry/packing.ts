import type { Packable, PackPlace, Sums } from '../../engine/kind';
import { allAway as nothingLeft } from './acts';
import { tally, waiting, type DryState } from './fold';
import { subjectOf, type DryPlan } from './plan';
import { wet_g } from './tray';

/** What of it is off the trays, or in jars already. */
export const packables = (plan: DryPlan, state: DryState): Packable[] =>
	plan.subjects.flatMap((s): Packable[] => {
		const { dry_g, packed_g } = tally(plan, state, s.n);
		const off = state.trays.some((t) => t.subject === s.n && t.spot === 'cooling');
		if (!off && packed_g === 0) return [];
		return [
			{
				n: s.n,
				name: s.food.name,
				ready_g: dry_g,
				packed_g,
				portion_g: s.portion_g,
				containerId: s.container?.id ?? null,
				readyWord: 'dry',
				packWord: s.cold ? 'pack' : 'jar'
			}
		];
	});

export const allAway = (plan: DryPlan, state: DryState): boolean =>
	state.packed.length > 0 && state.trays.length > 0 && nothingLeft(plan, state);

export function sums(plan: DryPlan, state: DryState): Sums {
	const { packed_g, in_g } = tally(plan, state);
	const waiting_g = plan.subjects.reduce((sum, s) => sum + waiting(plan, state, s.n).reduce((a, b) => a + b, 0), 0);
	const supper_g = state.trays.filter((t) => t.why === 'eaten').reduce((sum, t) => sum + (wet_g(plan, t) ?? 0), 0);
	return {
		packed_g,
		supper_g,
		waiting_g,
		under_g: in_g,
		stoppedWords: 'What had not come onto a tray is still in the Basket.'
	};
}

/** Dried meat goes into the freezer: the date of its entry is the freezer's. All else stands dark and dry, and may be frozen. */
export const placesFor = (plan: DryPlan, n: number): readonly PackPlace[] =>
	subjectOf(plan, n)?.cold ? ['freezer'] : ['pantry', 'cool', 'cellar', 'freezer', 'fridge'];
