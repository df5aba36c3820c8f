import { DomainError, mustBePositive, mustBeWithin } from '../errors';

export interface DryingBalanceInput {
	/** Prepared, as it goes on the trays, kg. */
	readonly wet_kg: number;
	/** Share of water by weight, 0.2 to 0.98. */
	readonly moistureIn: number;
	/** Share of water wanted, 0.01 to below `moistureIn`. */
	readonly moistureOut: number;
	/** Bought or picked, kg, where known: the rest is by-product. */
	readonly bought_kg?: number;
	/** Dry from wet by weight, where it is printed and not a matter of water alone: meat. */
	readonly printedShare?: number;
	/** 1 or more. */
	readonly trays?: number;
}
export interface DryingBalance {
	readonly solids_kg: number;
	readonly dry_kg: number;
	/** Of meat, fat and juice among it. */
	readonly water_kg: number;
	/** Peel, cores, pits and stems, kg; 0 where nothing was said of what was bought. */
	readonly byproduct_kg: number;
	/** Wet kilos to one dry. */
	readonly ratio: number;
	/** What each tray holds at the start and is to weigh in the end, kg. */
	readonly trayWet_kg: number;
	readonly trayDry_kg: number;
}

/**
 * What is left when the water is gone: solids stay, water goes.
 *
 *     m_dry = m_wet·(1 − w_in)/(1 − w_out)
 *
 * bought = by-product + water + dry, always.
 *
 * @throws {DomainError} OUT_OF_RANGE: it is drier than wanted already, or less was bought than prepared; NOT_POSITIVE
 * @source mass balance
 */
export function dryingBalance(input: DryingBalanceInput): DryingBalance {
	mustBePositive(input.wet_kg, 'wet_kg');
	mustBeWithin(input.moistureIn, 0.2, 0.98, 'moistureIn');
	mustBeWithin(input.moistureOut, 0.01, 0.6, 'moistureOut');
	const trays = input.trays ?? 1;
	mustBeWithin(trays, 1, 100_000, 'trays');
	if (!(input.moistureOut < input.moistureIn))
		throw new DomainError('OUT_OF_RANGE', 'moistureOut', 'It holds no more water than that already.');
	const bought = input.bought_kg ?? input.wet_kg;
	if (!(bought >= input.wet_kg))
		throw new DomainError('OUT_OF_RANGE', 'bought_kg', 'Less was bought than was prepared from it.');
	const solids_kg = input.wet_kg * (1 - input.moistureIn);
	if (input.printedShare !== undefined) mustBeWithin(input.printedShare, 0.05, 0.95, 'printedShare');
	const dry_kg =
		input.printedShare === undefined ? solids_kg / (1 - input.moistureOut) : input.wet_kg * input.printedShare;
	return {
		solids_kg,
		dry_kg,
		water_kg: input.wet_kg - dry_kg,
		byproduct_kg: bought - input.wet_kg,
		ratio: input.wet_kg / dry_kg,
		trayWet_kg: input.wet_kg / trays,
		trayDry_kg: dry_kg / trays
	};
}
