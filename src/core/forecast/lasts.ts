import jstat from 'jstat';
import { mustBeWithin } from '../errors';
import { afterWeeks, perDraw, rateOf, type Eaten, type Rate, type Season } from './draws';

/** Nine in ten: between these it ends. */
const low = 0.05;
const high = 0.95;

/** How long what stands there lasts. */
export interface Lasts {
	/** Meals that it makes, and how many of them a week comes to the table. */
	readonly meals: number;
	readonly perWeek: number;
	/** When it is gone, ms: half of such households are through by then; and between when and when nine in ten are. Null beyond ten years. */
	readonly out: number | null;
	readonly early: number | null;
	readonly late: number | null;
	/** Calendar weeks until `out`; null beyond ten years. */
	readonly weeks: number | null;
	/** Meals of it that were ever eaten from the shelves: none is a guess from the household's other foods. */
	readonly seen: number;
}

/**
 * The share p of households that are through with n meals after so many weeks: the waiting time for n meals at a pace that
 * is Gamma(shape, weeks) itself, weeks · BetaPrime(n, shape).
 *
 * @param n meals, above 0; parts of one count
 * @source Gamma–Poisson waiting times (from memory); checked against simulation
 */
export function weeksFor(n: number, { shape, weeks }: Rate, p: number): number {
	mustBeWithin(n, 1e-9, 1e9, 'n');
	mustBeWithin(p, 1e-6, 1 - 1e-6, 'p');
	const x = jstat.jStat.ibetainv(p, n, shape);
	return x >= 1 ? Number.MAX_VALUE : (weeks * x) / (1 - x);
}

/**
 * @param units packs, or meals of what is loose, that stand there
 * @param prior how this household eats its foods in general
 * @throws {DomainError} OUT_OF_RANGE: units below nothing
 */
export function lastsFor(eaten: Eaten, units: number, ask: { prior: Rate; now: number; season?: Season }): Lasts {
	mustBeWithin(units, 0, 1e9, 'units');
	const { prior, now, season } = ask;
	const rate = rateOf(eaten, prior, now, season);
	const meals = units / perDraw(eaten.draws);
	const at = (p: number) => (meals <= 0 ? now : afterWeeks(weeksFor(meals, rate, p), now, season));
	const out = at(0.5);
	return {
		meals,
		perWeek: rate.shape / rate.weeks,
		out,
		early: at(low),
		late: at(high),
		weeks: out === null ? null : (out - now) / (7 * 86_400_000),
		seen: eaten.draws.length
	};
}

/** "One a fortnight": the pace at which what stands there reaches a day, in meals a week. */
export const rationTo = (meals: number, now: number, until: number): number =>
	meals / Math.max(1 / 7, (until - now) / (7 * 86_400_000));

/**
 * How many meals of it come to the table in so many weeks, nine in ten: a count at a pace that is Gamma(shape, weeks) itself
 * (negative binomial).
 *
 * @returns the fewest and the most of nine in ten
 * @throws {DomainError} OUT_OF_RANGE: no time
 */
export function mealsWithin({ shape, weeks }: Rate, time_weeks: number): readonly [number, number] {
	mustBeWithin(time_weeks, 0, 1e4, 'time_weeks');
	const p = weeks / (weeks + time_weeks);
	const found: [number, number] = [-1, -1];
	let term = p ** shape;
	let sum = term;
	for (let n = 0; n < 1e5; n++) {
		if (found[0] < 0 && sum >= low) found[0] = n;
		if (sum >= high - 1e-12) {
			found[1] = n;
			break;
		}
		term *= ((shape + n) / (n + 1)) * (1 - p);
		sum += term;
	}
	return [Math.max(0, found[0]), Math.max(0, found[0], found[1])];
}
