import type { Helper } from './stove-state.svelte';

/** What was typed at an act and is not tapped yet. */
export interface Typed {
	grams?: number;
	C?: string;
}

/** What the Stove needs of the kitchen beside its runs. */
export interface StoveThings {
	readonly freezers: readonly { readonly id: string; readonly name: string }[];
	readonly containers: readonly {
		readonly id: string;
		readonly name: string;
		readonly count: number;
		readonly volume_mL: number;
	}[];
	readonly helpers: readonly Helper[];
	/** Where by-products stand; empty without such a place. */
	readonly counter: string;
}
