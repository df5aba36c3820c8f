import { packModel } from '../../reference/model-rules';
import { mustBePositive, mustBeWithin } from '../errors';

export interface Item {
	/** m; the longest side goes along the bag. */
	readonly length_m: number;
	readonly width_m: number;
	readonly height_m: number;
}
export interface BagCut {
	/** What to cut from a roll, and the width it needs, m. */
	readonly cut_m: number;
	readonly width_m: number;
	/** The narrowest roll or bag that takes it; undefined where none of them does. */
	readonly roll?: number;
	/** Pieces from a roll of the length given. */
	readonly perRoll?: number;
}

/**
 * Bag or roll for an item: as long as it is, its height, and 3 in for sealing and opening; as wide as half way round it.
 *
 *     cut = length + height + 0.076;  width = width + height + 0.02 + two seams
 *
 * @param rolls_m widths there are, m
 * @throws {DomainError} OUT_OF_RANGE, NOT_POSITIVE
 * @source common practice (row freeze/bag-slack)
 */
export function bagCut(item: Item, rolls_m: readonly number[], roll_m?: number): BagCut {
	for (const [name, value] of Object.entries(item) as [string, number][]) mustBeWithin(value, 0.005, 1.2, name);
	const [short, long] = [item.length_m, item.width_m].sort((a, b) => a - b) as [number, number];
	const cut_m = long + item.height_m + packModel.bagSlack_m.value;
	const width_m = short + item.height_m + packModel.widthSlack_m.value + 2 * packModel.seam_m.value;
	const roll = [...rolls_m].sort((a, b) => a - b).find((w) => w >= width_m - 1e-9);
	if (roll_m !== undefined) mustBePositive(roll_m, 'roll_m');
	return {
		cut_m,
		width_m,
		...(roll === undefined ? {} : { roll }),
		...(roll_m === undefined ? {} : { perRoll: Math.floor(roll_m / cut_m + 1e-9) })
	};
}

export interface Moulds {
	readonly portions: number;
	/** Fillings of all the moulds there are, one after the other. */
	readonly rounds: number;
	/** In the last, not quite full, g. */
	readonly last_g: number;
}

/** Cubes, muffin tins and cup measures: how many, in how many fillings. @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE */
export function moulds(input: {
	readonly food_g: number;
	/** Of one hollow. */
	readonly mL: number;
	readonly hollows: number;
	readonly kg_per_L: number;
}): Moulds {
	mustBePositive(input.food_g, 'food_g');
	mustBeWithin(input.mL, 1, 10_000, 'mL');
	mustBeWithin(input.hollows, 1, 10_000, 'hollows');
	mustBeWithin(input.kg_per_L, 0.05, 2, 'kg_per_L');
	const each_g = input.mL * input.kg_per_L;
	const portions = Math.ceil(input.food_g / each_g - 1e-9);
	return {
		portions,
		rounds: Math.ceil(portions / Math.floor(input.hollows)),
		last_g: Math.round(input.food_g - (portions - 1) * each_g)
	};
}
