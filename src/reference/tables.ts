import blanching from './blanching.json';
import fruit from './foods/fruit.json';
import held from './foods/held.json';
import herbs from './foods/herbs.json';
import meat from './foods/meat.json';
import mushrooms from './foods/mushrooms.json';
import vegetables from './foods/vegetables.json';
import type { Confidence, Provenance } from './row';
import type { SourceId } from './sources';

export type PlaceKind = 'counter' | 'cool' | 'fridge' | 'cellar';
export type Shape = 'slab' | 'cylinder' | 'sphere';
export type Range = readonly [number, number];

interface Sourced extends Provenance {
	readonly value: number;
}
export interface MeasureRow extends Sourced {
	readonly unit: 'kg' | 'lb';
}
export interface BlanchRow extends Provenance {
	readonly id: string;
	readonly food: string;
	readonly cut: string;
	readonly method: 'water' | 'steam';
	/** Shortest and longest published minutes; equal where one is printed. */
	readonly minutes: Range;
	readonly unit: 'min';
	readonly endPoint?: string;
	/** A dip that loosens skins: no altitude minute, since the skins tell. */
	readonly dip?: boolean;
	/** Why the chill is computed for this shape. */
	readonly chillNote?: string;
	/** What goes into the water where that is not the finished cut (ears for kernels). */
	readonly blanchedAs?: { readonly cut: string; readonly shape: Shape; readonly size_mm: number };
}
export type RawFreezing =
	| ({ readonly kind: 'fine' | 'short'; readonly months: Range; readonly why: string } & Provenance)
	| {
			readonly kind: 'refused';
			readonly reason: string;
			readonly source: SourceId;
			readonly instead: readonly string[];
	  };
export interface CutRow {
	readonly id: string;
	readonly name: string;
	/** Prepared kg from a kg of each form. */
	readonly yields: Readonly<Record<string, Sourced>>;
	readonly piece: { readonly shape: Shape; readonly size_mm: number } & Provenance;
	/** Frozen and bagged. */
	readonly bulk_kg_per_L: Sourced;
	readonly firstLook_h: Sourced;
	readonly hands_min_per_kg: Sourced;
	readonly use: string;
	readonly raw: RawFreezing;
	readonly blanch?: readonly string[];
	/** Cooked instead of blanched; `untimed` where no time is published and the cook judges it. */
	readonly cookFirst?: { readonly words: string; readonly months: Range; readonly untimed?: boolean } & Provenance;
	readonly byproducts?: readonly string[];
	readonly prepare?: string;
	/** Where it goes in raw and the usual preparing is done with heat. */
	readonly prepareRaw?: string;
	readonly pack: PackKind;
}
export type PackKind = 'loose' | 'flat' | 'balls' | 'wrap' | 'dry' | 'liquid';
export type FoodGroup =
	| 'vegetable'
	| 'fruit'
	| 'herb'
	| 'flower'
	| 'mushroom'
	| 'meat'
	| 'poultry'
	| 'fish'
	| 'stock'
	| 'dish'
	| 'egg'
	| 'dairy'
	| 'nut'
	| 'grain'
	| 'pantry';
/** What a food brings with it that the safety rules must know. */
/** `meat`, `poultry`, `dairy`, `soup`: what a cooked dish is made of, or is. */
export type FoodMark =
	| 'meat'
	| 'poultry'
	| 'dairy'
	| 'soup'
	| 'wild-mushroom'
	/** A wild plant that has poisonous likenesses. */
	| 'foraged'
	| 'elder'
	| 'rhubarb-leaves'
	| 'infused-oil'
	| 'raw-kidney'
	| 'game';
export interface FoodRow {
	readonly id: string;
	readonly name: string;
	readonly names: readonly string[];
	readonly group: FoodGroup;
	/** Out of the cold two hours at most, whatever the place: meat, fish, stock and cooked dishes. */
	readonly perishable?: boolean;
	readonly marks?: readonly FoodMark[];
	readonly acid: { readonly class: 'low' | 'high' | 'borderline'; readonly pH: Range } & Provenance;
	readonly composition: {
		readonly water: number;
		readonly protein: number;
		readonly fat: number;
		/** By difference, fibre included. */
		readonly carbohydrate: number;
		readonly fibre: number;
		readonly ash: number;
		readonly unit: 'g/100 g';
	} & Provenance;
	/** States in which it comes in; the first is meant where only one is listed. */
	readonly forms: readonly { readonly id: string; readonly name: string; readonly names: readonly string[] }[];
	readonly measures: Readonly<Record<string, MeasureRow | Readonly<Record<string, MeasureRow>>>>;
	/** As it comes in, loose in a bowl. */
	readonly bulk_kg_per_L: Sourced;
	/** Where a form lies otherwise: peas in the pod take more room. */
	readonly bulkByForm?: Readonly<Record<string, Sourced>>;
	readonly keeping: readonly ({
		readonly place: PlaceKind;
		readonly days: Range;
		readonly at_C: number;
	} & Provenance)[];
	/** The store it wants: °C, % relative humidity, weeks. */
	readonly want?: {
		readonly C: Range;
		readonly rh: Range;
		readonly weeks: Range;
	} & Provenance;
	/** Colder than this hurts it, so that cold no longer lengthens its life. */
	readonly coldest_C: number;
	readonly intake: string;
	readonly leafy: boolean;
	/** Only its keeping and its refusals are carried: it has no cuts. How it freezes, in words, and for how long. */
	readonly keepOnly?: { readonly words: string; readonly freezer_months?: Range } & Provenance;
	readonly cuts: readonly CutRow[];
}

// JSON widens literals to strings; a test checks every row against the schema, so the claim is safe here.
export const foodRows = [
	...vegetables,
	...fruit,
	...herbs,
	...mushrooms,
	...meat,
	...held
] as unknown as readonly FoodRow[];
export const blanchRows = blanching as unknown as readonly BlanchRow[];
export type { Confidence, SourceId };
