import { haulOf, usualWishes, type HaulInput, type LotOfHaul } from '$core/haul/from-ways';
import type { Offer } from '$core/haul/before';

/** A lot that is in no haul yet as an offer to one: with its ways, and the limits that it alone knows. */
export function offerIn(
	of: Pick<HaulInput, 'kitchen' | 'rooms' | 'days' | 'now'> & { readonly lot: LotOfHaul }
): Offer | null {
	const { lot, ...rest } = of;
	const { lots, ways, groups, stations, limits } = haulOf({ ...rest, lots: [lot], wishes: usualWishes, locks: [] });
	const [own] = lots;
	return own ? { lot: { ...own, left_cost: 0 }, ways, groups, stations, limits } : null;
}
