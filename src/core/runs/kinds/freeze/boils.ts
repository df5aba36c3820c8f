import { median } from 'd3-array';
import type { Closing } from '../../engine/book';
import { subjectOf, type FreezePlan } from './plan';

/** How a pot came back to the boil with one food of a run. */
export interface BoilSeen {
	readonly run: string;
	readonly pot: string;
	/** Of the time that was predicted from the burner alone. */
	readonly ratio: number;
}
/** A tap that comes at once was no look at the water, s. */
const least_s = 5;

/**
 * How long the boil took to come back, against what the burner's power says: potful by potful, their median. The time grows
 * with the potful, so that one that was made smaller says the same. Undefined where nobody saw it: steam, a dip, a plan of
 * before that said nothing.
 */
export function boilSeen(plan: FreezePlan, n: number, potfuls: Closing['potfuls']): Omit<BoilSeen, 'run'> | undefined {
	const subject = subjectOf(plan, n);
	const pot = subject?.pot === null || subject === undefined ? undefined : plan.pots[subject.pot];
	if (!subject || !pot || subject.heat !== 'water' || !(subject.reboil_s > 0) || !(subject.potful_g > 0))
		return undefined;
	const s_per_g = subject.reboil_s / (pot.comesBack ?? 1) / subject.potful_g;
	const ratios = potfuls.flatMap((p) => {
		const s = p.stages.return;
		return s !== undefined && s >= least_s && p.grams > 0 && p.stages.blanch !== undefined
			? [Math.min(10, Math.max(0.05, s / (s_per_g * p.grams)))]
			: [];
	});
	const ratio = median(ratios);
	return ratio === undefined ? undefined : { pot: pot.name, ratio };
}
