import { DomainError, mustBeWithin } from '../errors';

/** Money is in minor units (cents, haléř) and whole; rates and prices to a unit may have parts of one. */
export interface PackCostInput {
	/** Paid for what goes in; 0 from the own garden. */
	readonly produce: number;
	/** Bags, lids, absorbers, sugar: for all of it. */
	readonly supplies: number;
	readonly energy_kWh: number;
	/** Minor units for a kWh. */
	readonly energyPrice: number;
	readonly hands_s: number;
	/** What an own hour is worth to the household, minor units; 0 where it is a pleasure. */
	readonly hourRate: number;
	readonly packs: number;
	readonly pack_g: number;
	/** The like in a shop, minor units for a kg. */
	readonly shopPerKg?: number;
}
export interface PackCost {
	readonly produce: number;
	readonly supplies: number;
	readonly energy: number;
	readonly hours: number;
	/** Sum of the four, exact. */
	readonly total: number;
	/** Rounded to the minor unit. */
	readonly perPack: number;
	readonly perPackWithoutHours: number;
	/** A shop's pack of the same weight, and what is saved against it; negative where the shop is cheaper. */
	readonly shopPack?: number;
	readonly saved?: number;
	/** What an own hour earns against the shop, minor units; undefined without one of the two. */
	readonly earnsPerHour?: number;
}

/**
 * What a pack costs.
 *
 * @throws {DomainError} OUT_OF_RANGE: money that is not a whole number of minor units, 0 or more; NOT_READY: no packs
 */
export function packCost(input: PackCostInput): PackCost {
	for (const name of ['produce', 'supplies'] as const) {
		mustBeWithin(input[name], 0, 1e9, name);
		if (!Number.isInteger(input[name]))
			throw new DomainError('OUT_OF_RANGE', name, `${name} is in whole minor units of money, such as cents.`);
	}
	mustBeWithin(input.energy_kWh, 0, 10_000, 'energy_kWh');
	mustBeWithin(input.energyPrice, 0, 1e6, 'energyPrice');
	mustBeWithin(input.hands_s, 0, 1e7, 'hands_s');
	mustBeWithin(input.hourRate, 0, 1e7, 'hourRate');
	mustBeWithin(input.pack_g, 1, 1e6, 'pack_g');
	if (!(input.packs >= 1))
		throw new DomainError('NOT_READY', 'packs', 'It makes no whole pack, so a pack has no cost yet.');
	const energy = Math.round(input.energy_kWh * input.energyPrice);
	const hours = Math.round((input.hands_s / 3600) * input.hourRate);
	const total = input.produce + input.supplies + energy + hours;
	const out = { produce: input.produce, supplies: input.supplies, energy, hours, total };
	const perPack = Math.round(total / input.packs);
	const perPackWithoutHours = Math.round((total - hours) / input.packs);
	if (input.shopPerKg === undefined) return { ...out, perPack, perPackWithoutHours };
	mustBeWithin(input.shopPerKg, 0, 1e7, 'shopPerKg');
	const shopPack = Math.round((input.shopPerKg * input.pack_g) / 1000);
	const gain = shopPack * input.packs - (total - hours);
	return {
		...out,
		perPack,
		perPackWithoutHours,
		shopPack,
		saved: shopPack - perPack,
		...(input.hands_s > 60 ? { earnsPerHour: Math.round(gain / (input.hands_s / 3600)) } : {})
	};
}
