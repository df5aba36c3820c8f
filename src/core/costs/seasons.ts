import { sum } from 'd3-array';
import { mustBeWithin } from '../errors';
import { packCost } from './pack-cost';

/** How a shop sells the like of what a household keeps. */
export const keptInShops = ['fresh', 'frozen', 'canned', 'dried'] as const;
export type KeptInShop = (typeof keptInShops)[number];

/** A batch as money sees it. */
export interface BatchMoney {
	readonly method: string;
	readonly wayId: string;
	readonly packs: number;
	readonly packed_g: number;
	/** Minor units; null from the own garden. */
	readonly paid: number | null;
	readonly energy_kWh: number;
	readonly hands_s: number;
	/** The like in a shop, minor units for a kilo as it is packed; null where nobody noted one. */
	readonly shopPerKg: number | null;
}
/** Prices of a household, minor units. */
export interface HousePrices {
	/** For a kWh. */
	readonly energyPrice: number;
	readonly hourRate: number;
	readonly bagPrice: number;
	readonly lidPrice: number;
}
/** What a season cost and was worth, minor units, whole. */
export interface SeasonMoney {
	readonly produce: number;
	readonly supplies: number;
	readonly energy: number;
	readonly hours: number;
	readonly total: number;
	readonly perPack: number | null;
	/** The same packs in a shop, of those batches that have a price there; null where none has. */
	readonly shop: number | null;
	/** What those batches cost. */
	readonly shopCost: number;
}

/** Which shelf of a shop a method's packs stand on. */
export const shopOf = (method: string): KeptInShop =>
	method === 'freeze' ? 'frozen' : method === 'can' ? 'canned' : method === 'dry' ? 'dried' : 'fresh';

/** What one pack takes of the drawer, minor units: jars a lid, what is frozen or dried a bag. */
const supplyOf = (method: string, { bagPrice, lidPrice }: HousePrices): number =>
	method === 'can' ? lidPrice : method === 'freeze' || method === 'dry' ? bagPrice : 0;

function costOf(b: BatchMoney, prices: HousePrices): ReturnType<typeof packCost> | null {
	if (b.packs < 1 || b.packed_g < b.packs) return null;
	return packCost({
		produce: b.paid ?? 0,
		supplies: b.packs * supplyOf(b.method, prices),
		energy_kWh: b.energy_kWh,
		energyPrice: prices.energyPrice,
		hands_s: b.hands_s,
		hourRate: prices.hourRate,
		packs: b.packs,
		pack_g: b.packed_g / b.packs
	});
}

/** A season's batches as money, against the shop. @throws {DomainError} OUT_OF_RANGE */
export function seasonMoney(batches: readonly BatchMoney[], prices: HousePrices): SeasonMoney {
	const costs = batches.flatMap((b) => {
		const cost = costOf(b, prices);
		return cost ? [{ b, cost }] : [];
	});
	const packs = sum(costs, ({ b }) => b.packs);
	const total = sum(costs, ({ cost }) => cost.total);
	const sold = costs.filter(({ b }) => b.shopPerKg !== null);
	return {
		produce: sum(costs, ({ cost }) => cost.produce),
		supplies: sum(costs, ({ cost }) => cost.supplies),
		energy: sum(costs, ({ cost }) => cost.energy),
		hours: sum(costs, ({ cost }) => cost.hours),
		total,
		perPack: packs > 0 ? Math.round(total / packs) : null,
		shop: sold.length > 0 ? sum(sold, ({ b }) => Math.round(((b.shopPerKg ?? 0) * b.packed_g) / 1000)) : null,
		shopCost: sum(sold, ({ cost }) => cost.total)
	};
}

/** What a machine was for. */
export type PricedMachine = 'dryer' | 'canner' | 'freeze-dryer';
/** Whether a batch went through such a machine. */
const isBy = (kind: PricedMachine, { method, wayId }: BatchMoney): boolean =>
	kind === 'canner'
		? method === 'can'
		: wayId.startsWith('freeze-dry')
			? kind === 'freeze-dryer'
			: kind === 'dryer' && method === 'dry';

export interface MachineWorth {
	readonly batches: number;
	/** Of those, how many have a price in a shop: the others count nothing. */
	readonly priced: number;
	/** Against the shop, own hours not counted, minor units. */
	readonly saved: number;
	/** Own hours of the priced batches. */
	readonly hours_s: number;
	/** What is left to earn, or below nothing what it earned beyond. */
	readonly left: number;
}
/**
 * Whether a machine has paid for itself: what its batches would have cost in a shop, less what they cost here but for own hours.
 *
 * @param paid for it, minor units
 * @param batches since it is here
 */
export function machineWorth(
	kind: PricedMachine,
	paid: number,
	batches: readonly BatchMoney[],
	prices: HousePrices
): MachineWorth {
	mustBeWithin(paid, 0, 1e9, 'paid');
	const own = batches.filter((b) => isBy(kind, b));
	const priced = own.filter((b) => b.shopPerKg !== null);
	const money = seasonMoney(priced, { ...prices, hourRate: 0 });
	const saved = (money.shop ?? 0) - money.shopCost;
	return {
		batches: own.length,
		priced: priced.length,
		saved,
		hours_s: sum(priced, (b) => b.hands_s),
		left: paid - saved
	};
}
