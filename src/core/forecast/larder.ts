import { sum } from 'd3-array';
import type { FoodGroup } from '../../reference/tables';
import type { State } from '../things/thing';
import { usualHelping_g } from '../stock/wants';
import { priorOf, seasonOf, type Eaten, type Season } from './draws';
import { lastsFor, rationTo, type Lasts } from './lasts';

/** So much of a food in one state and place. */
export interface LarderLot {
	readonly food: string;
	readonly group: FoodGroup;
	readonly state: State;
	/** Where it stands needs power: a freezer, a fridge. */
	readonly powered: boolean;
	/** Packs; null for what is loose. */
	readonly packs: number | null;
	readonly grams: number;
}

/** A meal of what is loose: a helping a head, as it is bought, g (common practice). */
export const meal_g = (people: number): number => people * 200;
/** What is dried weighs so many times as much on the plate (common practice; foods differ from 2 to 8). */
const soaked = 4;
/** Helpings of what was kept, that a person eats in a day where nothing else is there (common practice). */
export const helpingsDay = 9;

export interface FoodLasts extends Lasts {
	readonly food: string;
	readonly packs: number;
	readonly loose_g: number;
	/** Of one head. */
	readonly helpings: number;
	/** Which of them need no power to keep, and of those which need no fire to eat. */
	readonly unpowered: number;
	readonly uncooked: number;
	/** When it came in first last year, a year on, ms; the pace that reaches until then, meals a week. */
	readonly newCrop: number | null;
	readonly ration: number | null;
	/** Foods of its group that last longest, where it is nearly gone. */
	readonly instead: readonly string[];
}
export interface Larder {
	/** What is gone first comes first. */
	readonly foods: readonly FoodLasts[];
	readonly helpings: number;
	readonly unpowered: number;
	readonly uncooked: number;
	/** Days on which everybody eats of it alone. */
	readonly days: number;
	readonly unpoweredDays: number;
	readonly uncookedDays: number;
}

/** Eaten as it comes out of its jar or crate: sweet, sour or dried fruit. Low-acid jars are boiled first. */
const uncookedOf = ({ group, state }: LarderLot): boolean =>
	group === 'fruit' || state === 'pickled' || state === 'fermented';

const nearlyGone_weeks = 4;

/**
 * What is left of every food, how long it lasts and by what pace it would reach the new crop.
 *
 * @param eaten how each food went, by id
 * @param newCrops when each came in first in a year, ms: the next time
 */
export function larderOf(
	lots: readonly LarderLot[],
	eaten: ReadonlyMap<string, Eaten>,
	ask: { readonly people: number; readonly now: number; readonly newCrops: ReadonlyMap<string, number> }
): Larder {
	const { people, now, newCrops } = ask;
	const prior = priorOf([...eaten.values()], now);
	const groupOf = new Map(lots.map((l) => [l.food, l.group]));
	const seasons = new Map<FoodGroup, Season>();
	for (const group of new Set(groupOf.values()))
		seasons.set(group, seasonOf([...eaten].filter(([f]) => groupOf.get(f) === group).map(([, e]) => e)));
	const helpings = (l: LarderLot) => (l.grams * (l.state === 'dried' ? soaked : 1)) / usualHelping_g;
	const foods = [...groupOf].map(([food, group]): FoodLasts => {
		const own = lots.filter((l) => l.food === food);
		const packs = sum(own, (l) => l.packs ?? 0);
		const loose_g = sum(own, (l) => (l.packs === null ? l.grams : 0));
		const units = packs + loose_g / meal_g(people);
		const season = seasons.get(group);
		const lasts = lastsFor(eaten.get(food) ?? { draws: [], standing: [] }, units, {
			prior,
			now,
			...(season ? { season } : {})
		});
		const newCrop = newCrops.get(food) ?? null;
		const unpowered = own.filter((l) => !l.powered);
		return {
			...lasts,
			food,
			packs,
			loose_g,
			helpings: sum(own, helpings),
			unpowered: sum(unpowered, helpings),
			uncooked: sum(unpowered.filter(uncookedOf), helpings),
			newCrop,
			ration: newCrop === null ? null : rationTo(lasts.meals, now, newCrop),
			instead: []
		};
	});
	const order = (f: FoodLasts) => f.out ?? Infinity;
	foods.sort((a, b) => order(a) - order(b) || (a.food < b.food ? -1 : 1));
	const all = sum(foods, (f) => f.helpings);
	const unpowered = sum(foods, (f) => f.unpowered);
	const uncooked = sum(foods, (f) => f.uncooked);
	const perDay = Math.max(1, people) * helpingsDay;
	return {
		foods: foods.map((f) => ({ ...f, instead: insteadOf(f, foods, groupOf) })),
		helpings: all,
		unpowered,
		uncooked,
		days: all / perDay,
		unpoweredDays: unpowered / perDay,
		uncookedDays: uncooked / perDay
	};
}

function insteadOf(of: FoodLasts, foods: readonly FoodLasts[], groupOf: ReadonlyMap<string, FoodGroup>): string[] {
	if ((of.weeks ?? Infinity) > nearlyGone_weeks) return [];
	return foods
		.filter((f) => f.food !== of.food && groupOf.get(f.food) === groupOf.get(of.food))
		.filter((f) => (f.weeks ?? Infinity) > 2 * nearlyGone_weeks)
		.sort((a, b) => b.helpings - a.helpings)
		.slice(0, 2)
		.map((f) => f.food);
}
