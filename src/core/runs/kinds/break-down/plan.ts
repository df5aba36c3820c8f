import type { PartId } from '../../../../reference/breakdown';
import type { AnyPlan } from '../../engine/kind';

/** What is brought to the table at once: a box, a quarter, a bird; its time out of the cold adds up. */
export interface Box {
	/** From 1. */
	readonly n: number;
	readonly name: string;
	/** Planned, g. */
	readonly grams: number;
}

export interface PlannedPart {
	/** From 1. */
	readonly n: number;
	readonly id: PartId;
	readonly name: string;
	/** Null for what is lost: it is never weighed. */
	readonly food: string | null;
	readonly form: string;
	readonly title: string;
	readonly grams: number;
	/** As planned; the pack stays, the number follows the scale. */
	readonly packs: number;
	readonly pack_g: number;
	readonly style: string;
	readonly bag: string | null;
	readonly short: number;
}

/** Frozen when the run starts. */
export interface BreakDownPlan extends AnyPlan {
	readonly kind: 'break-down';
	readonly version: 1;
	readonly lotId: string;
	/** Of the lot, g: what was weighed. */
	readonly raw_g: number;
	readonly food: { readonly id: string; readonly name: string };
	readonly form: string;
	readonly species: { readonly id: string; readonly name: string };
	readonly option: { readonly id: string; readonly name: string };
	/** On the table, g: less than `raw_g` where it was weighed alive, or hangs still. */
	readonly table_g: number;
	readonly boxes: readonly Box[];
	readonly parts: readonly PlannedPart[];
	/** Out of the cold, in all, h. */
	readonly out_h: number;
	readonly room_C: number;
	/** Where parts go that are weighed; null where the Kitchen has no such place. */
	readonly cold: null | { readonly id: string; readonly name: string };
	readonly people: number;
	readonly hands_s: number;
	readonly source: string;
	readonly cautions: readonly string[];
}
