import { odours } from '../../../../reference/other-ways';
import type { FreezeWay } from '../../../ways/freeze-ways';

/** Kin whose smell stays in the water: they go in last. */
const strong = new Set(
	odours.filter((o) => o.id === 'allium' || o.id === 'cabbage' || o.id === 'hot').flatMap((o) => o.foods ?? [])
);

/** The rank of a food in a shared pot: firm before soft, what sheds its skin after, strong last. */
function rank({ food, row, line, method, pot }: FreezeWay): number {
	if (method === 'cook' && pot) return 0;
	if (!line || !row) return 4;
	if (strong.has(food.id)) return 3;
	if (row.dip) return 2;
	return food.leafy ? 1 : 0;
}

/**
 * The order in which foods share one pot of water: firm before soft (the longer in the heat the firmer), leaves after them,
 * what is dipped for its skin then, and strong ones last, so that none tastes of another. Common practice. What needs no
 * pot comes after, as it was ticked.
 */
export function potOrder<T extends { readonly way: FreezeWay }>(chosen: readonly T[]): T[] {
	// What is cooked through is in the heat longer than anything that is only blanched.
	const time = ({ way }: T) => way.line?.blanch_s[0] ?? (way.method === 'cook' ? 3600 : 0);
	return [...chosen].sort((a, b) => rank(a.way) - rank(b.way) || (rank(a.way) === 4 ? 0 : time(b) - time(a)));
}
