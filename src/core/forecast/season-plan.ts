import { sum } from 'd3-array';
import { mustBeWithin } from '../errors';
import { learnYield, plantSpreads, type YieldLearned } from './yields';

/** Plants of a food that are set in a year, and when, as a household says. */
export interface Planting {
	readonly food: string;
	readonly year: number;
	readonly plants: number | null;
	/** `yyyy-MM-dd` */
	readonly sowFrom: string | null;
	readonly sowTo: string | null;
	readonly pickFrom: string | null;
	readonly pickTo: string | null;
}

/** What a year wants of a food, and what is known of it. */
export interface SeasonAsk {
	/** Packs that are wanted in a week in which none is fresh. */
	readonly perWeek: number;
	readonly pack_g: number;
	/** Weeks of the year with fresh ones. */
	readonly freshWeeks: number;
	/** What of a kilo comes into packs, with nine in ten of it; all three the same where nobody knows. */
	readonly kept: Pick<YieldLearned, 'share' | 'low' | 'high'>;
	/** What a plant bears, kg; null where nobody counted plants. */
	readonly plant: Pick<YieldLearned, 'share' | 'low' | 'high'> | null;
	/** How much of it comes in which month, January first. */
	readonly months: readonly number[];
}
export interface SeasonNeed {
	readonly packs: number;
	readonly kept_kg: number;
	/** To come in, nine in ten. */
	readonly raw_kg: number;
	readonly low_kg: number;
	readonly high_kg: number;
	/** Whole plants, nine in ten; null where nobody counted any. */
	readonly plants: number | null;
	readonly plantsLow: number | null;
	readonly plantsHigh: number | null;
	/** By month, January first, kg; they add up to `raw_kg`. */
	readonly byMonth_kg: readonly number[];
}
export const yearWeeks = 52;

/**
 * From meals wanted to packs, to kilos kept, to kilos that come in, to plants.
 *
 * @throws {DomainError} OUT_OF_RANGE
 */
export function seasonNeed({ perWeek, pack_g, freshWeeks, kept, plant, months }: SeasonAsk): SeasonNeed {
	mustBeWithin(perWeek, 0, 1e4, 'perWeek');
	mustBeWithin(pack_g, 1, 1e6, 'pack_g');
	mustBeWithin(freshWeeks, 0, yearWeeks, 'freshWeeks');
	mustBeWithin(kept.share, 1e-3, 200, 'kept');
	const packs = Math.ceil((yearWeeks - freshWeeks) * perWeek - 1e-9);
	const kept_kg = (packs * pack_g) / 1000;
	const raw_kg = kept_kg / kept.share;
	// Few that are kept of each kilo want many kilos: the low share is the high need. Both are uncertain by themselves.
	const spread = (far: number, own: number) => Math.log(far / own) ** 2;
	const plants = (kg: number, each: number) => Math.ceil(kg / each - 1e-9);
	const whole = sum(months);
	return {
		packs,
		kept_kg,
		raw_kg,
		low_kg: kept_kg / kept.high,
		high_kg: kept_kg / kept.low,
		plants: plant ? plants(raw_kg, plant.share) : null,
		plantsLow: plant
			? plants(
					raw_kg * Math.exp(-Math.sqrt(spread(kept.high, kept.share) + spread(plant.high, plant.share))),
					plant.share
				)
			: null,
		plantsHigh: plant
			? plants(raw_kg * Math.exp(Math.sqrt(spread(kept.low, kept.share) + spread(plant.low, plant.share))), plant.share)
			: null,
		byMonth_kg: months.map((m) => (whole > 0 ? (raw_kg * m) / whole : 0))
	};
}

/** What a plant bears, from the years in which plants were counted; null without one. */
export function plantBears(
	years: readonly { readonly plants: number; readonly raw_kg: number }[]
): YieldLearned | null {
	const each = years.filter((y) => y.plants > 0 && y.raw_kg > 0).map((y) => y.raw_kg / y.plants);
	const [first] = each;
	return first === undefined ? null : learnYield(first, each, plantSpreads);
}

/**
 * How a year's picking falls on its months: by the window that the household says, each day alike, or as it came in before.
 *
 * @param window `yyyy-MM-dd`, both days in it
 * @param before kilos by month in the years before, January first
 */
export function monthsOfPicking(
	window: { readonly from: string; readonly to: string } | null,
	before: readonly number[]
): number[] {
	if (!window) return Array.from({ length: 12 }, (_, m) => before[m] ?? 0);
	const months = new Array<number>(12).fill(0);
	const last = Date.parse(`${window.to}T00:00:00Z`);
	for (let at = Date.parse(`${window.from}T00:00:00Z`), n = 0; at <= last && n < 400; at += 86_400_000, n++) {
		const m = new Date(at).getUTCMonth();
		months[m] = (months[m] ?? 0) + 1;
	}
	return months;
}
