import type { GearChange } from '$core/ways/gear-changes';
import type { GearKind } from '$core/ways/equipment-fields';

export interface GearItem {
	readonly kind: GearKind;
	readonly id: string;
	readonly name: string;
	readonly words: string;
	readonly change: GearChange;
	readonly drops: 'gear' | 'pot' | 'person';
	/** As its form shows them. */
	readonly values: Readonly<Record<string, string>>;
}
export interface GearGroup {
	readonly id: string;
	readonly title: string;
	readonly items: readonly GearItem[];
	readonly adds: readonly { readonly kind: GearKind; readonly name: string; readonly values: Readonly<Record<string, string>> }[];
} // prettier-ignore

/** A table that would come in, as its rows were understood. */
export interface TableShown {
	/** Of which file. */
	readonly upload: string;
	readonly kind: 'stock' | 'book';
	readonly rows: number;
	readonly wrong: number;
	readonly already: number;
	/** Those at fault first, then the others; not all of a long file. */
	readonly list: readonly {
		readonly line: number;
		readonly words: string;
		readonly already: boolean;
		readonly faults: readonly { readonly column: string; readonly message: string }[];
	}[];
}
