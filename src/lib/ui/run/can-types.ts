import type { Begin } from './types';

/** A day at the canner before it begins. */
export interface CanView extends Begin {
	/** Numbers that may be said otherwise; empty fields go by what the guide prints to a jar. */
	readonly numbers: readonly { readonly name: string; readonly label: string; readonly value: number | null }[];
	readonly needs: string;
	/** Null: nobody counted any. */
	readonly drawer: readonly { readonly what: string; readonly want: number; readonly have: number | null }[];
	readonly clock: readonly {
		readonly load: number;
		readonly jars: number;
		readonly from: string;
		readonly to: string;
		readonly check: string;
	}[];
}
