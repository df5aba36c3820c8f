import { median } from 'd3-array';
import { mustBeWithin } from '../errors';

/** What was paid for a food before: money in minor units of one currency. */
export interface PaidBefore {
	readonly perKg: number;
	/** ms */
	readonly at: number;
}
export interface PriceInput {
	/** What is asked for a kilo, minor units. */
	readonly perKg: number;
	readonly paid: readonly PaidBefore[];
	/** Packed from a kilo that came in, by own entries: 0.2 to 1.5; empty where there are none. */
	readonly yields: readonly number[];
	/** On the shelves, and what went of it in the last year, kg. */
	readonly have_kg: number;
	readonly used_kg: number;
	/** What is offered, kg. */
	readonly kg: number;
}
export interface PriceJudged {
	/** Against what was paid before; null where nothing was. */
	readonly against: null | {
		readonly usual: number;
		readonly least: number;
		readonly most: number;
		readonly times: number;
		/** Of the usual price: 0.25 dearer by a quarter. */
		readonly off: number;
		readonly word: 'the least yet' | 'good' | 'as usual' | 'dear' | 'the most yet';
	};
	/** A kilo in the pack, by own yields; null without any. */
	readonly kept: null | { readonly perKg: number; readonly yield: number; readonly batches: number };
	/** How long what is there lasts at last year's pace, and with the offer; null where nothing was used yet. */
	readonly lasts: null | { readonly months: number; readonly withIt: number };
}

/** Nearer than a tenth to what is usual is usual (common practice). */
const usualBand = 0.1;

/**
 * Whether a price is good, by what this household paid, got out of it, and has.
 *
 * @throws {DomainError} OUT_OF_RANGE: money or kilos that are none
 */
export function judgePrice(input: PriceInput): PriceJudged {
	mustBeWithin(input.perKg, 0, 1e7, 'perKg');
	mustBeWithin(input.kg, 0, 1e5, 'kg');
	mustBeWithin(input.have_kg, 0, 1e6, 'have_kg');
	mustBeWithin(input.used_kg, 0, 1e6, 'used_kg');
	return { against: against(input), kept: kept(input), lasts: lasts(input) };
}

function against({ perKg, paid }: PriceInput): PriceJudged['against'] {
	const prices = paid.map((p) => p.perKg).filter((p) => p > 0);
	const usual = median(prices);
	if (usual === undefined) return null;
	const least = Math.min(...prices);
	const most = Math.max(...prices);
	const off = perKg / usual - 1;
	const some = prices.length > 1;
	const word =
		some && perKg < least
			? 'the least yet'
			: some && perKg > most
				? 'the most yet'
				: off < -usualBand
					? 'good'
					: off > usualBand
						? 'dear'
						: 'as usual';
	return { usual, least, most, times: prices.length, off, word };
}

function kept({ perKg, yields }: PriceInput): PriceJudged['kept'] {
	const own = median(yields.filter((y) => y >= 0.02 && y <= 3));
	return own === undefined ? null : { perKg: perKg / own, yield: own, batches: yields.length };
}

/** A pace is said of what went in a year: less than a helping is none. */
function lasts({ have_kg, used_kg, kg, yields }: PriceInput): PriceJudged['lasts'] {
	if (used_kg < 0.2) return null;
	// Without own entries all of it counts as it came in.
	const comes = kg * (median(yields) ?? 1);
	return { months: (12 * have_kg) / used_kg, withIt: (12 * (have_kg + comes)) / used_kg };
}
