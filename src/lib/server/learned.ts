import { groups } from 'd3-array';
import { learnYield } from '$core/forecast/yields';
import { foodById } from '$core/things/names';
import type { FoodBook } from '$lib/ui/book/types';
import type { BatchOf } from './stores/seasons';

/** The season of a batch. */
export const yearOf = (b: BatchOf): string => b.packedOn.slice(0, 4);

/** The way that was gone most often, with how its share was learned batch by batch. */
export function learnedOf(batches: readonly BatchOf[]): FoodBook['yields'] {
	const weighed = batches.filter((b) => b.yieldMass !== null && b.yieldMass > 0);
	const [most] = groups(weighed, (b) => `${b.method} ${b.form} ${b.cut}`).sort((a, b) => b[1].length - a[1].length);
	const own = [...(most?.[1] ?? [])].sort((a, b) => (a.packedOn < b.packedOn ? -1 : 1));
	const [first] = own;
	if (!first || own.length < 2) return null;
	const cut = foodById(first.food)?.cuts.find((c) => c.id === first.cut);
	const table = first.method === 'freeze' ? (cut?.yields[first.form]?.value ?? null) : null;
	const shares = own.map((b) => b.yieldMass ?? 0);
	// Without a row of the table the first batch stands for it.
	const prior = table ?? shares[0] ?? 1;
	return {
		what: first.way.toLowerCase(),
		table,
		now: learnYield(prior, shares),
		steps: own.map((b, i) => ({
			packedOn: b.packedOn,
			share: shares[i] ?? 0,
			learned: learnYield(prior, shares.slice(0, i + 1))
		}))
	};
}
