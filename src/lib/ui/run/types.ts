import type { Helper } from './stove-state.svelte';

/** What was typed at an act and is not tapped yet. */
export interface Typed {
	grams?: number;
	C?: string;
	words?: string;
	/** Read off a stick. */
	depth?: string;
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
	/** Where by-products stand; empty without such a place. */
	readonly counter: string;
	/** The household's cup, mL. */
	readonly cup_mL: number;
}
