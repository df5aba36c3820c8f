/**
 * A haul to be shared out: lots, the ways that each may go, and what this kitchen has for them. Kilos are of the lot as it
 * came in; worth is in a unit of its own, about one for a kilo well kept.
 */
export interface Haul {
	/** Days of the plan, today among them: 1 to 14. */
	readonly days: number;
	readonly lots: readonly HaulLot[];
	readonly ways: readonly HaulWay[];
	readonly limits: readonly Limit[];
	readonly stations: readonly Station[];
	readonly groups: readonly LoadGroup[];
	/** Parts that a person has set: they stay. */
	readonly locks: readonly Lock[];
}

export interface HaulLot {
	readonly id: string;
	readonly name: string;
	readonly kg: number;
	/** The last day on which it may still be worked, 0 for today; −1 where its time is over. */
	readonly lastDay: number;
	/** Worth that goes with a kilo left over; 0 where it keeps beyond the plan. */
	readonly left_cost: number;
}

/** A limit's amount that something takes, in the limit's unit. */
export interface Take {
	readonly limit: string;
	readonly amount: number;
}

export interface HaulWay {
	readonly id: string;
	readonly lot: string;
	readonly name: string;
	/** What of the lot is in one pack or jar, kg. */
	readonly pack_kg: number;
	/** A part pack is of no use: jars, loaves. */
	readonly whole: boolean;
	/** Where the way is gone at all, at least so much of the lot goes, and at most. */
	readonly least_kg: number;
	readonly most_kg: number;
	/** Of a kilo; beyond `enough_kg` of a kilo more, never above the first. */
	readonly worth: number;
	readonly enough_kg: number;
	readonly worthMore: number;
	readonly perKg: readonly Take[];
	/** For each pack, the last part of one among them. */
	readonly perPack: readonly Take[];
	/** Set up once on every day on which one of its ways is worked. */
	readonly station: string | null;
	/** Its packs go by whole loads of this. */
	readonly group: string | null;
}

/** What there is of a thing: once for the plan, anew each day, or carried on with what each night adds. */
export type Limit = {
	readonly id: string;
	readonly name: string;
	readonly unit: string;
} & (
	| { readonly kind: 'stock'; readonly have: number }
	| { readonly kind: 'daily'; readonly have: readonly number[] }
	| { readonly kind: 'carried'; readonly have: number; readonly adds: number }
);

export interface Station {
	readonly id: string;
	readonly takes: readonly Take[];
	readonly cost: number;
}

/** A canner, a dryer: what goes by loads. */
export interface LoadGroup {
	readonly id: string;
	/** Packs in a load. */
	readonly packs: number;
	readonly takes: readonly Take[];
	readonly cost: number;
}

export interface Lock {
	readonly way: string;
	readonly kg: number;
}

/** A part of a lot that goes a way on a day. */
export interface Part {
	readonly way: string;
	readonly lot: string;
	readonly day: number;
	readonly kg: number;
}

export interface Shared {
	readonly parts: readonly Part[];
	/** By way: whole packs and the last part of one. */
	readonly packs: Readonly<Record<string, number>>;
	readonly loads: readonly { readonly group: string; readonly day: number; readonly count: number }[];
	/** What was not placed, by lot, kg. */
	readonly left: Readonly<Record<string, number>>;
	readonly worth: number;
}

/** Ways of one lot at most: more is no plan that a household carries out (common practice). */
export const mostWays = 3;
