import { sayCount, sayVolume, sayWeight } from '../../../quantities/format';
import type { FreezeTap } from './act';
import { tally, type FreezeState } from './fold';
import { subjectOf, type FreezePlan } from './plan';

/** Five times or a fifth of what is likely is asked about: a slipped point or a wrong unit, more often than a harvest. */
const far = 5;
/** No food that is packed weighs more to the millilitre. */
const densest_g_mL = 1.25;
/** Packs may hold a little more than what went through: water, a scale that is off. */
const spare = 1.2;

/**
 * Why a figure is asked about before it is kept; undefined where it is likely enough. One tap confirms it.
 *
 * @param state without it only the plan is asked, so that every device and the server answer alike
 * @param volume_mL of the container that is packed in, where it is known
 */
export function surprise(
	plan: FreezePlan,
	tap: FreezeTap,
	state?: FreezeState,
	volume_mL?: number
): string | undefined {
	if (tap.type !== 'weigh' && tap.type !== 'pack' && tap.type !== 'by-product') return undefined;
	const n = tap.subject ?? 1;
	const subject = subjectOf(plan, n);
	if (!subject) return undefined;
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'by-product')
		return tap.grams > subject.raw_g * spare
			? `${say(tap.grams)} came off ${say(subject.raw_g)}. Is that right?`
			: undefined;
	if (tap.type === 'weigh')
		return subject.load_g > 0 && (tap.grams >= subject.load_g * far || tap.grams * far <= subject.load_g)
			? `${say(tap.grams)} weighed, where about ${say(subject.load_g)} was to come of ${say(subject.raw_g)}. Is that right?`
			: undefined;
	const total_g = tap.packs * tap.pack_g;
	if (subject.prepared_g > 0 && total_g >= subject.prepared_g * far)
		return `${sayCount(tap.packs, 'pack')} of ${say(tap.pack_g)} are ${say(total_g)}, where about ${say(subject.prepared_g)} was to come. Is that right?`;
	if (volume_mL !== undefined && tap.pack_g > volume_mL * densest_g_mL)
		return `${say(tap.pack_g)} in a container that holds ${sayVolume(volume_mL / 1000, plan.units)}. Is that right?`;
	const sizes = [subject.portion_g, subject.second_g ?? subject.portion_g];
	if (subject.portion_g > 0 && sizes.every((g) => tap.pack_g >= g * far || (tap.packs > 1 && tap.pack_g * far <= g)))
		return `${say(tap.pack_g)} in a pack, where ${say(subject.portion_g)} was planned. Is that right?`;
	if (!state) return undefined;
	const load_g = state.subjects.find((s) => s.n === n)?.load_g ?? 0;
	const through_g = Math.max(load_g, subject.prepared_g, subject.raw_g);
	const { packed_g } = tally(state, n);
	return packed_g + total_g > through_g * spare
		? `With these ${say(packed_g + total_g)} would be packed, but only ${say(load_g)} went through. Is that right?`
		: undefined;
}
