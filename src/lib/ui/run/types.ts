import type { Helper } from './stove-state.svelte';

/** What was typed at an act and is not tapped yet. */
export interface Typed {
	grams?: number;
	C?: string;
	words?: string;
	/** Read off a stick. */
	depth?: string;
	/** Read off a dial, and in which unit the dial is. */
	pressure?: string;
	pressureUnit?: string;
	/** In cups, as it was typed. */
	cups?: string;
}

/** What the Stove needs of the kitchen beside its runs. */
export interface StoveThings {
	readonly places: readonly { readonly id: string; readonly name: string; readonly kind: string }[];
	readonly containers: readonly {
		readonly id: string;
		readonly name: string;
		readonly count: number;
		readonly volume_mL: number;
	}[];
	readonly helpers: readonly Helper[];
	/** Printers of labels. */
	readonly printers: readonly { readonly id: string; readonly name: string }[];
	/** Where by-products stand; empty without such a place. */
	readonly counter: string;
	/** The household's cup, mL. */
	readonly cup_mL: number;
}

/** A lot before its run begins: what can be chosen, what comes of it, or why it cannot. */
export interface Begin {
	readonly name: string;
	readonly amount: string;
	readonly selects: readonly {
		readonly name: string;
		readonly label: string;
		readonly value: string;
		readonly options: readonly { readonly value: string; readonly words: string }[];
	}[];
	/** What is typed, where something is. */
	readonly fields?: readonly {
		readonly name: string;
		readonly label: string;
		readonly value: string;
		readonly placeholder: string;
	}[];
	/** What comes of it, and what it takes; null where it cannot be. */
	readonly gets: null | {
		readonly packs: string;
		readonly each: string;
		readonly lines: readonly (readonly [string, string])[];
	};
	readonly cautions: readonly string[];
	readonly source: string;
	readonly stop: string;
}
