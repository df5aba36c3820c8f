import type { LotUnit } from '$core/stock/amount';
import type { LookKind } from '$core/stock/looks';
import type { FindingRow } from '$reference/looks';

/** How a lot is drawn where it stands. */
export type Drawn = 'pack' | 'jar' | 'low-jar' | 'pile' | 'sack' | 'row' | 'crock' | 'dish';

/** A look that a lot wants. */
export interface LookView {
	readonly kind: LookKind;
	/** ms */
	readonly at: number;
	readonly due: boolean;
}
/** What is looked for, and what may be found: told once for all lots. */
export interface LookWords {
	readonly name: string;
	readonly look: string;
	readonly findings: readonly Pick<FindingRow, 'id' | 'words' | 'advice'>[];
}
export type AllLooks = Readonly<Record<LookKind, LookWords>>;

/** Looks of one kind in one place. */
export interface DueLooks {
	readonly kind: string;
	readonly name: string;
	readonly place: string;
	readonly titles: readonly string[];
	readonly lotIds: readonly string[];
	/** The first of them, ms. */
	readonly at: number;
}

/** A lot as the Shelves show it. */
export interface ShelfLot {
	readonly id: string;
	readonly title: string;
	/** Variety, form and note, where there are any. */
	readonly detail: string;
	readonly unit: LotUnit;
	readonly amount: number;
	/** The big figure: "12", "14 kg", "950 ml". */
	readonly count: string;
	/** What is in one: "500 g"; empty for what is loose. */
	readonly each: string;
	/** "12 × 500 g", "14 kg". */
	readonly all: string;
	/** Exactly as a field takes it: "14 kg", or the number. */
	readonly edit: string;
	readonly state: string;
	readonly drawn: Drawn;
	readonly until: string;
	readonly tone: '' | 'soon' | 'past' | 'out';
	/** ms; what is eaten first. */
	readonly by: number;
	/** What is left of its time, 0 to 1. */
	readonly left: number;
	readonly packed: string;
	readonly code: string | null;
	readonly way: string | null;
	readonly container: string | null;
	readonly waiting: boolean;
	/** What is at the Stove, in words; empty where nothing is. */
	readonly spoken: string;
	/** What is kept for a supper or a plan. */
	readonly aside: readonly { readonly id: string; readonly amount: string; readonly words: string }[];
	/** The same for lots of this place that may become one; empty where there is none. */
	readonly alike: string;
	/** Not for eating, and why. */
	readonly stop: { readonly reason: string; readonly instead: readonly string[] } | null;
	readonly warning: string | null;
	/** When firm ones are ripe, in words; empty for what does not ripen. */
	readonly ripens: string;
	readonly better: string | null;
	readonly looks: readonly LookView[];
	readonly can: {
		readonly open: boolean;
		readonly thaw: boolean;
		readonly work: boolean;
		readonly tested: boolean;
	};
}

export interface ShelfPlace {
	readonly id: string;
	readonly name: string;
	readonly kind: 'counter' | 'cool' | 'fridge' | 'cellar' | 'freezer' | 'pantry' | 'ground' | 'crock';
	readonly tempC: number;
	readonly litres: number | null;
	readonly used_L: number;
	/** "counted 41 days ago"; empty where it never was. */
	readonly counted: string;
	/** What lies there and had better lie apart; empty where nothing does. */
	readonly apart: string;
	readonly lots: readonly ShelfLot[];
	/** Newer lots that are not shown. */
	readonly more: number;
}

/** Places that are one thing: the baskets of a freezer, the boards of a pantry. */
export interface PlaceGroup {
	readonly name: string;
	readonly kind: ShelfPlace['kind'];
	readonly places: readonly ShelfPlace[];
}
