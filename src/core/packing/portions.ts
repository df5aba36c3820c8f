import { DomainError, mustBePositive, mustBeWithin } from '../errors';

/** One pack, in the way the household thinks of it. */
export type Portion =
	| { readonly by: 'weight'; readonly grams: number }
	| { readonly by: 'volume'; readonly mL: number }
	| { readonly by: 'pieces'; readonly count: number }
	/** "One loaf": what a recipe wants. */
	| { readonly by: 'recipe'; readonly name: string; readonly grams: number }
	| { readonly by: 'people'; readonly people: number; readonly gramsEach: number };

export interface PortionsInput {
	readonly food_g: number;
	readonly portion: Portion;
	/** A second size, and its share of the food, 0 to 1: half for two, half for five. */
	readonly second?: { readonly portion: Portion; readonly share: number };
	/** For portions by volume, kg to the litre. */
	readonly bulk_kg_per_L?: number;
	/** For portions by pieces, g. */
	readonly piece_g?: number;
	/** Paid for the food, in minor units of money (cents). */
	readonly paid?: number;
	/** Packs eaten in a week. */
	readonly perWeek?: number;
}
export interface PortionSize {
	readonly grams: number;
	readonly packs: number;
	readonly words: string;
	/** Food in a pack, minor units, rounded; undefined where nothing was said. */
	readonly price?: number;
}
export interface Portions {
	readonly sizes: readonly PortionSize[];
	/** Σ packs·grams + remainder = food, always. */
	readonly remainder_g: number;
	readonly packs: number;
	readonly weeks?: number;
}

/** Grams of one portion. @throws {DomainError} OUT_OF_RANGE: the food's bulk or piece is not known, or it is under 5 g */
export function portionGrams(portion: Portion, input: Pick<PortionsInput, 'bulk_kg_per_L' | 'piece_g'>): number {
	const grams = () => {
		switch (portion.by) {
			case 'weight':
			case 'recipe':
				return portion.grams;
			case 'volume':
				mustBePositive(input.bulk_kg_per_L ?? Number.NaN, 'bulk_kg_per_L');
				return portion.mL * (input.bulk_kg_per_L ?? Number.NaN);
			case 'pieces':
				mustBePositive(input.piece_g ?? Number.NaN, 'piece_g');
				return portion.count * (input.piece_g ?? Number.NaN);
			case 'people':
				return portion.people * portion.gramsEach;
		}
	};
	const value = Math.round(grams());
	if (!(value >= 5 && value <= 100_000))
		throw new DomainError('OUT_OF_RANGE', 'portion', 'A portion is from 5 g to 100 kg.');
	return value;
}

const wordsOf = (portion: Portion, grams: number): string => {
	switch (portion.by) {
		case 'weight':
			return `${grams} g`;
		case 'volume':
			return `${portion.mL} ml, ${grams} g`;
		case 'pieces':
			return `${portion.count} pieces, ${grams} g`;
		case 'recipe':
			return `${portion.name}, ${grams} g`;
		case 'people':
			return `for ${portion.people}, ${grams} g`;
	}
};

/**
 * Food to packs, in one size or two at once.
 *
 * The second size gets its share in whole packs first, the first size the rest; what is left is less than a pack of either.
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE
 */
export function portions(input: PortionsInput): Portions {
	mustBePositive(input.food_g, 'food_g');
	const food_g = Math.round(input.food_g);
	const first_g = portionGrams(input.portion, input);
	const sizes: { portion: Portion; grams: number; packs: number }[] = [];
	let left = food_g;
	if (input.second) {
		mustBeWithin(input.second.share, 0, 1, 'share');
		const grams = portionGrams(input.second.portion, input);
		const packs = Math.floor((food_g * input.second.share) / grams);
		left -= packs * grams;
		sizes.push({ portion: input.second.portion, grams, packs });
	}
	const packs = Math.floor(left / first_g);
	left -= packs * first_g;
	sizes.unshift({ portion: input.portion, grams: first_g, packs });
	// What the first size leaves may still fill a pack of a smaller second.
	const small = sizes[1];
	if (small && small.grams <= left) {
		const more = Math.floor(left / small.grams);
		small.packs += more;
		left -= more * small.grams;
	}
	const all = sizes.reduce((sum, s) => sum + s.packs, 0);
	const { paid, perWeek } = input;
	if (paid !== undefined) mustBeWithin(paid, 0, 1e9, 'paid');
	if (perWeek !== undefined) mustBePositive(perWeek, 'perWeek');
	return {
		sizes: sizes.map((s) => ({
			grams: s.grams,
			packs: s.packs,
			words: wordsOf(s.portion, s.grams),
			...(paid === undefined ? {} : { price: Math.round((paid * s.grams) / food_g) })
		})),
		remainder_g: left,
		packs: all,
		...(perWeek === undefined ? {} : { weeks: all / perWeek })
	};
}
