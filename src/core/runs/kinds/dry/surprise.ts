import { sayCount, sayVolume, sayWeight } from '../../../quantities/format';
import type { DryTap } from './act';
import { tally, type DryState } from './fold';
import { subjectOf, type DryPlan } from './plan';
import { wet_g } from './tray';

/** Five times or a fifth of what is likely is asked about: a slipped point, a wrong unit, the tray weighed with it. */
const far = 5;
/** Dried and loose nothing is heavier, kg to the litre. */
const densest_kg_L = 1;

/** Why a figure is asked about before it is kept; undefined where it is likely enough. */
export function surprise(plan: DryPlan, tap: DryTap, state?: DryState, volume_mL?: number): string | undefined {
	const say = (grams: number) => sayWeight(grams, plan.units);
	const unlikely = (grams: number, likely: number) => likely > 0 && (grams >= likely * far || grams * far <= likely);
	switch (tap.type) {
		case 'weigh': {
			const subject = subjectOf(plan, tap.subject);
			return subject && unlikely(tap.grams, subject.load_g)
				? `${say(tap.grams)} weighed, where about ${say(subject.load_g)} was to come of ${say(subject.raw_g)}. Is that right?`
				: undefined;
		}
		case 'load': {
			const subject = subjectOf(plan, tap.subject);
			// A last tray is small, a full one is not: only what is far too much is asked about.
			return subject && tap.grams !== undefined && tap.grams >= subject.perTray_g * 3
				? `${say(tap.grams)} on one tray, where about ${say(subject.perTray_g)} lies in one layer. Without the tray, and in one layer?`
				: undefined;
		}
		case 'pull': {
			const tray = state?.trays.find((t) => t.tray === tap.tray);
			const subject = tray && subjectOf(plan, tray.subject);
			const wet = tray && wet_g(plan, tray);
			if (!subject || !wet || tap.grams === undefined) return undefined;
			const likely = (wet * subject.dry_g) / Math.max(1, subject.load_g);
			return tap.grams > likely * 2.5
				? `${say(tap.grams)} left of ${say(wet)}, where about ${say(likely)} is dry. Is it dry through, and weighed without the tray?`
				: tap.grams < likely / 3
					? `${say(tap.grams)} left of ${say(wet)}, where about ${say(likely)} was to be left. Is that right?`
					: undefined;
		}
		case 'by-product': {
			const subject = subjectOf(plan, tap.subject);
			return subject && tap.grams > subject.raw_g * 1.2
				? `${say(tap.grams)} came off ${say(subject.raw_g)}. Is that right?`
				: undefined;
		}
		case 'pack': {
			const subject = subjectOf(plan, tap.subject);
			if (!subject) return undefined;
			const total = tap.packs * tap.pack_g;
			if (total >= subject.dry_g * far)
				return `${sayCount(tap.packs, subject.cold ? 'pack' : 'jar')} of ${say(tap.pack_g)} are ${say(total)}, where about ${say(subject.dry_g)} was to come. Is that right?`;
			if (volume_mL !== undefined && tap.pack_g > volume_mL * densest_kg_L)
				return `${say(tap.pack_g)} in a container that holds ${sayVolume(volume_mL / 1000, plan.units)}. Is that right?`;
			if (!state) return undefined;
			const sums = tally(plan, state, tap.subject ?? 1);
			return sums.dry_g > 0 && sums.packed_g + total > sums.dry_g * 1.5
				? `With these ${say(sums.packed_g + total)} would be put away, but only about ${say(sums.dry_g)} came off the trays. Is that right?`
				: undefined;
		}
		default:
			return undefined;
	}
}
