import { sayCount, sayVolume, sayWeight } from '../quantities/format';
import { tally, type RunState } from './fold';
import type { Tap } from './next';
import type { RunPlan } from './plan';

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
export function surpriseOf(plan: RunPlan, tap: Tap, state?: RunState, volume_mL?: number): string | undefined {
	const say = (grams: number) => sayWeight(grams, plan.units);
	if (tap.type === 'weigh') {
		if (plan.load_g > 0 && (tap.grams >= plan.load_g * far || tap.grams * far <= plan.load_g))
			return `${say(tap.grams)} weighed, where about ${say(plan.load_g)} was to come of ${say(plan.raw_g)}. Is that right?`;
	}
	if (tap.type === 'pack') {
		const total_g = tap.packs * tap.pack_g;
		if (plan.prepared_g > 0 && total_g >= plan.prepared_g * far)
			return `${sayCount(tap.packs, 'pack')} of ${say(tap.pack_g)} are ${say(total_g)}, where about ${say(plan.prepared_g)} was to come. Is that right?`;
		if (volume_mL !== undefined && tap.pack_g > volume_mL * densest_g_mL)
			return `${say(tap.pack_g)} in a container that holds ${sayVolume(volume_mL / 1000, plan.units)}. Is that right?`;
		if (
			plan.portion_g > 0 &&
			[plan.portion_g, plan.second_g ?? plan.portion_g].every(
				(g) => tap.pack_g >= g * far || (tap.packs > 1 && tap.pack_g * far <= g)
			)
		)
			return `${say(tap.pack_g)} in a pack, where ${say(plan.portion_g)} was planned. Is that right?`;
		if (state) {
			const sums = tally(state);
			const through_g = Math.max(state.load_g, plan.prepared_g, plan.raw_g);
			if (sums.packed_g + total_g > through_g * spare)
				return `With these ${say(sums.packed_g + total_g)} would be packed, but only ${say(state.load_g)} went through. Is that right?`;
		}
	}
	return undefined;
}
