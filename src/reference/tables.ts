import blanching from './blanching.json';
import foods from './foods.json';
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
	readonly cookFirst?: { readonly words: string; readonly months: Range } & Provenance;
	readonly byproducts?: readonly string[];
	readonly prepare?: string;
	readonly pack: 'loose' | 'flat' | 'balls' | 'wrap' | 'dry';
}
export interface FoodRow {
	readonly id: string;
	readonly name: string;
	readonly names: readonly string[];
	readonly group: 'vegetable' | 'fruit';
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
	/** Colder than this hurts it, so that cold no longer lengthens its life. */
	readonly coldest_C: number;
	readonly intake: string;
	readonly leafy: boolean;
	readonly cuts: readonly CutRow[];
}

// JSON widens literals to strings; a test checks every row against the schema, so the claim is safe here.
export const foodRows = foods as unknown as readonly FoodRow[];
export const blanchRows = blanching as unknown as readonly BlanchRow[];
export type { Confidence, SourceId };
