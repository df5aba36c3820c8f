import { handsTakes, type HandsLimit } from './hands';
import type { HaulWay } from './haul';
import type { Kitchen } from '../ways/kitchen';
import type { Wishes } from './wishes';

/** Ways that are begun on a page of their own: whole into a store, cut and salted into the crock. */
export const apartSlugs = ['store', 'crock'] as const;
export type ApartSlug = (typeof apartSlugs)[number];
export const isApart = (slug: string): slug is ApartSlug => apartSlugs.some((s) => s === slug);
export const apartNames: Readonly<Record<ApartSlug, string>> = { store: 'Into store', crock: 'Into the crock' };

/** The page on which so much of it is begun. */
export const apartHref = (slug: ApartSlug, lot: string, grams: number): string =>
	`/stove/${slug === 'store' ? 'store' : 'ferment'}?lot=${lot}&grams=${Math.max(1, Math.round(grams))}`;

/** Such a way of a lot, worked out for all of it. */
export interface ApartWay {
	readonly slug: ApartSlug;
	/** "Into store: Cellar". */
	readonly name: string;
	readonly hands_s: number;
	/** From when it is put away, the shorter of what is printed; from a cold that is not what it wants fewer. */
	readonly keeps_days: number;
	/** The place that it takes room of, and how much of it, L; null where nobody said how much there is. */
	readonly room: { readonly place: string; readonly litres: number } | null;
	/** Crock: quart jars that it goes to in the end. */
	readonly jars: number;
}

/** What a store has that is said in litres, for what comes from the haul. */
export interface StoreRoom {
	readonly place: string;
	readonly name: string;
	readonly free_L: number;
}
export const roomLimit = (place: string): string => `store:${place}`;

/** How much of a fresh thing is left, from 0 to 1: alive in its store nearly all, out of the crock half (common practice). */
const freshness: Readonly<Record<ApartSlug, number>> = { store: 0.95, crock: 0.5 };
/** Carried in crates of so much, and no part of a crate is no use (common practice). */
export const crate_kg = 5;
/** Out of the crock a person eats so much in a year, kg (common practice). */
const crockYearly_kg = 2;

/** The way as the programme wants it. */
export function apartWayOf(
	way: ApartWay,
	lot: { readonly id: string; readonly grams: number },
	{ kitchen, wishes }: { readonly kitchen: Kitchen; readonly wishes: Wishes },
	{
		id,
		hands,
		wanted_kg,
		quarts
	}: { readonly id: string; readonly hands: readonly HandsLimit[]; readonly wanted_kg: number; readonly quarts: string }
): HaulWay {
	const kg = lot.grams / 1000;
	const months = way.keeps_days / 30.4;
	const worth =
		1 +
		0.15 * wishes.closestToFresh * freshness[way.slug] +
		0.1 * wishes.keepsLongest * Math.min(1, months / 12) -
		(0.1 + 0.4 * wishes.leastWork) * (way.hands_s / 3600 / kg);
	const enough_kg = Math.min(wanted_kg, way.slug === 'crock' ? crockYearly_kg * kitchen.people : kg);
	const hands_h = way.hands_s / 3600 / kg;
	return {
		id,
		lot: lot.id,
		name: way.name,
		pack_kg: way.slug === 'crock' ? kg / Math.max(1, way.jars) : crate_kg,
		whole: false,
		least_kg: Math.min(kg, 0.5),
		most_kg: kg,
		worth,
		enough_kg,
		// Kraut beyond a year's is a burden; a store empties itself into the kitchen.
		worthMore: worth * (way.slug === 'crock' ? 0.6 : 0.9),
		perKg: [
			...handsTakes(hands, new Map([[way.slug === 'crock' ? ('knife' as const) : ('wash' as const), hands_h]])),
			...(way.room ? [{ limit: roomLimit(way.room.place), amount: way.room.litres / kg }] : [])
		],
		perPack: way.slug === 'crock' ? [{ limit: quarts, amount: 1 }] : [],
		station: null,
		group: null
	};
}
