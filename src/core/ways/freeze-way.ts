import type { Confidence } from '../../reference/row';
import type { BlanchRow, CutRow, FoodRow, Range } from '../../reference/tables';
import type { Refusal } from '../errors';
import type { BlanchLine } from '../heat/blanch-line';
import type { PackStyleId } from '../packing/pack-style';
import type { Packs } from '../packing/packs';
import type { Caution } from '../safety/cautions';
import type { Thing } from '../things/thing';
import type { Kitchen, KitchenPot } from './kitchen';
import type { WorkStep } from './work';

/** What becomes of it on the way into the freezer, whatever its cut: the ways that a household chooses among. */
export const freezeKinds = ['blanch', 'steam', 'skin', 'soak', 'cook', 'raw', 'sugar'] as const;
export type FreezeKind = (typeof freezeKinds)[number];

export interface WayChoices {
	readonly cut?: string;
	readonly portion_g?: number;
	/** As the pack says it: "2 cups, 310 g". */
	readonly portionWords?: string;
	readonly potId?: string;
	readonly containerId?: string;
	/** A second size, for half of it. */
	readonly second_g?: number;
	/** How it is packed; one that this cut cannot be goes by the usual. */
	readonly style?: PackStyleId;
	/** Potfuls small enough to boil again within the minute. */
	readonly smaller?: boolean;
}

export interface WaysInput {
	readonly thing: Thing;
	readonly grams: number;
	/** Temperature of the place it stands in, °C. */
	readonly food_C: number;
	readonly kitchen: Kitchen;
	readonly choices: WayChoices;
	/** ms. */
	readonly now: number;
}

export interface FreezeWay {
	readonly kind: 'way';
	readonly id: string;
	readonly becomes: FreezeKind;
	readonly name: string;
	readonly method: 'water' | 'steam' | 'cook' | 'raw';
	readonly gist: string;
	readonly food: FoodRow;
	readonly cut: CutRow;
	/** What goes into the packs; with its sugar, where it has some. */
	readonly prepared_g: number;
	/** What goes through the pot: the ears, where kernels are made of them. */
	readonly load_g: number;
	readonly yieldShare: number;
	readonly row?: BlanchRow;
	/** Skins loosened by standing in hot water off the heat instead of a dip. */
	readonly soak?: true;
	/** Sugar stirred into the prepared fruit: for all of it, and for a kilo, g; with what else goes in, in words. */
	readonly sugar?: { readonly grams: number; readonly g_per_kg: number; readonly with: string };
	/** In words: "3 min", "30 s to 1 min, until the skins split", "no time is published". */
	readonly blanchWords: string;
	readonly pot?: KitchenPot;
	readonly line?: BlanchLine;
	readonly trays: { readonly needed: number; readonly rounds: number; readonly perTray_kg: number };
	readonly firstLook_h: number;
	readonly packs: Packs;
	/** A second size beside the first. */
	readonly second?: Packs;
	readonly style: PackStyleId;
	readonly months: Range;
	readonly keepsUntil: string;
	readonly hands_s: number;
	readonly elapsed_s: number;
	readonly ice?: { readonly kg: number; readonly short_kg: number };
	/** What the freezer can take: free room and the daily load. */
	readonly freezer: {
		readonly fits: boolean;
		readonly dayLoad_kg: number;
		readonly days: number;
		readonly overload: boolean;
	};
	readonly steps: readonly string[];
	/** The same as typed steps: what a schedule reads. */
	readonly work: readonly WorkStep[];
	readonly cautions: readonly Caution[];
	readonly notes: readonly string[];
	readonly use: string;
	readonly source: string;
	readonly confidence: Confidence;
}

export interface RefusedWay extends Refusal {
	readonly id: string;
	readonly becomes: FreezeKind;
	readonly name: string;
	readonly gist: string;
}

export interface Ways {
	readonly food: FoodRow;
	/** Null for a food of which only its keeping is carried. */
	readonly cut: CutRow | null;
	readonly portion_g: number;
	/** How it can be packed, the usual first; and how it is. */
	readonly styles: readonly PackStyleId[];
	readonly style: PackStyleId;
	readonly ways: readonly (FreezeWay | RefusedWay)[];
}
