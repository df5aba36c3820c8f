import { sum } from 'd3-array';
import { mustBeWithin } from '../errors';

/** So much of a food went to the table at once: packs, or meals of what is loose. */
export interface Draw {
	/** ms. */
	readonly at: number;
	readonly units: number;
	/** Found missing at a count: eaten some time before, at the usual size. */
	readonly found?: boolean;
}
/** While some of it stood there; what was not there could not be eaten. */
export interface Standing {
	/** ms; `to` is the moment that it is looked at where it stands there still. */
	readonly from: number;
	readonly to: number;
}
/** What is known of how a food goes. */
export interface Eaten {
	readonly draws: readonly Draw[];
	readonly standing: readonly Standing[];
}

/** How a rate is believed: Gamma(shape, weeks), in meals a week. */
export interface Rate {
	readonly shape: number;
	readonly weeks: number;
}

const week_ms = 7 * 86_400_000;
/** What was eaten so long ago counts half: appetites change (common practice). */
export const halfLife_weeks = 26;
/** Nobody's kitchen yet: a food comes to the table once in a fortnight, give or take three times (common practice). */
export const strangers: Rate = { shape: 0.9, weeks: 1.8 };
/** A month's own share of a year is believed after so many meals of it. */
const seasonShrink = 6;

/** Weight of what was so long ago. */
const weightAt = (ago_ms: number): number => 2 ** (-Math.max(0, ago_ms) / week_ms / halfLife_weeks);
/** The same over a time, in weeks: the weight's integral, exactly. */
function weightOver({ from, to }: Standing, now: number): number {
	const k = Math.LN2 / (halfLife_weeks * week_ms);
	const [a, b] = [Math.min(from, now), Math.min(to, now)];
	return b <= a ? 0 : (Math.exp(-k * (now - b)) - Math.exp(-k * (now - a))) / k / week_ms;
}

/** Meals of one day are one draw: who takes two packs for a large table eats once. */
export function byDay(draws: readonly Draw[]): Draw[] {
	const days = new Map<number, Draw>();
	for (const d of draws) {
		if (d.found) continue;
		const day = Math.floor(d.at / 86_400_000);
		const known = days.get(day);
		days.set(day, known ? { at: known.at, units: known.units + d.units } : d);
	}
	return [...days.values()].sort((a, b) => a.at - b.at);
}

/** What goes at a meal, in units: by what went, one where nothing did. */
export const perDraw = (draws: readonly Draw[]): number => {
	const days = byDay(draws);
	return (sum(days, (d) => d.units) + 2) / (days.length + 2);
};

/** Weighed meals, and weeks in which they could have been: of a month of less use a week counts less. */
export function evidence(eaten: Eaten, now: number, season: Season = even): { meals: number; weeks: number } {
	const each = perDraw(eaten.draws);
	const found = eaten.draws.filter((d) => d.found);
	const meals =
		sum(byDay(eaten.draws), (d) => weightAt(now - d.at)) + sum(found, (d) => (weightAt(now - d.at) * d.units) / each);
	const weeks = sum(eaten.standing, (s) =>
		sum(monthsOf(s), (part) => weightOver(part, now) * (season[new Date(part.from).getUTCMonth()] ?? 1))
	);
	return { meals, weeks };
}

/** How often a food comes to the table, from what this household does with all its foods and what it did with this one. */
export function rateOf(eaten: Eaten, prior: Rate, now: number, season: Season = even): Rate {
	const { meals, weeks } = evidence(eaten, now, season);
	return { shape: prior.shape + meals, weeks: prior.weeks + weeks };
}

/**
 * What a household's foods have in common: a Gamma over their rates, by moments with the noise of counting taken off
 * (empirical Bayes). Few foods leave it near that of a stranger.
 */
export function priorOf(foods: readonly Eaten[], now: number): Rate {
	const seen = foods.map((f) => evidence(f, now)).filter((e) => e.weeks > 1);
	const meals = sum(seen, (e) => e.meals) + 1;
	const weeks = sum(seen, (e) => e.weeks) + strangers.weeks / strangers.shape;
	const mean = meals / weeks;
	// Variance between foods, weighed by how long each was seen; a count of n in t weeks has n / t² of its own.
	const total = sum(seen, (e) => e.weeks);
	const spread = sum(seen, (e) => (e.weeks / total) * (e.meals / e.weeks - mean) ** 2);
	const noise = sum(seen, (e) => (e.weeks / total) * (mean / e.weeks));
	const n = seen.length;
	const own = Math.max(spread - noise, mean ** 2 / 4);
	const stranger = mean ** 2 / strangers.shape;
	const variance = (n * own + 4 * stranger) / (n + 4);
	const shape = Math.min(4, Math.max(0.5, mean ** 2 / variance));
	return { shape, weeks: shape / mean };
}

/** How much of a usual week's eating falls on a week of each month, January first; one on average. */
export type Season = readonly number[];
const even: Season = Array.from({ length: 12 }, () => 1);

/** A household's own year of a food (or of a group of them): each month's meals against its share, shrunk to an even year. */
export function seasonOf(foods: readonly Eaten[]): Season {
	const meals = new Array<number>(12).fill(0);
	const weeks = new Array<number>(12).fill(0);
	for (const { draws, standing } of foods) {
		for (const d of byDay(draws)) {
			const m = new Date(d.at).getUTCMonth();
			meals[m] = (meals[m] ?? 0) + 1;
		}
		for (const s of standing)
			for (const part of monthsOf(s)) {
				const m = new Date(part.from).getUTCMonth();
				weeks[m] = (weeks[m] ?? 0) + (part.to - part.from) / week_ms;
			}
	}
	const rate = sum(meals) / Math.max(1e-9, sum(weeks));
	if (!(rate > 0)) return even;
	const raw = meals.map((n, m) => (n + seasonShrink) / ((weeks[m] ?? 0) * rate + seasonShrink));
	const mean = sum(raw) / 12;
	return raw.map((r) => r / mean);
}

/** A time cut at the ends of its months. */
function monthsOf({ from, to }: Standing): Standing[] {
	const parts: Standing[] = [];
	for (let a = from; a < to;) {
		const d = new Date(a);
		const end = Math.min(to, Date.UTC(d.getUTCFullYear(), d.getUTCMonth() + 1, 1));
		parts.push({ from: a, to: end });
		a = end;
	}
	return parts;
}

/** When so many weeks of a usual pace from now are over, where months differ; null beyond ten years. */
export function afterWeeks(weeks: number, now: number, season: Season = even): number | null {
	mustBeWithin(weeks, 0, Number.MAX_VALUE, 'weeks');
	let left = weeks;
	for (const part of monthsOf({ from: now, to: now + 10 * 365.25 * 86_400_000 })) {
		const pace = Math.max(1e-3, season[new Date(part.from).getUTCMonth()] ?? 1);
		const takes = ((part.to - part.from) / week_ms) * pace;
		if (takes >= left) return part.from + (left / pace) * week_ms;
		left -= takes;
	}
	return null;
}
