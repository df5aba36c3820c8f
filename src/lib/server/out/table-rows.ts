import type { RowFault } from '$core/things/shelf-row';
import type { ShelfContext } from '$core/things/shelf-line';
import type { PastBatch, PastMore } from '../stores/batches';
import type { PlaceRow } from '../stores/households';
import type { Standing } from '../stores/stock/put';

/** What tables can come in. */
export type TableKind = 'stock' | 'book';
/** What is known already, so that a file that is taken in twice counts once: how often by what makes a row that row. */
export type Known = ReadonlyMap<string, number>;

export interface Row {
	/** Where it stands in the file. */
	readonly line: number;
	/** What it was understood as. */
	readonly words: string;
	readonly faults: readonly RowFault[];
	/** It is here already: left out. */
	readonly already: boolean;
}
export interface StockRow extends Row {
	readonly standing?: Standing;
}
export interface BookRow extends Row {
	readonly past?: PastBatch & PastMore;
}
export type TableIn =
	| { readonly kind: 'stock'; readonly rows: readonly StockRow[] }
	| { readonly kind: 'book'; readonly rows: readonly BookRow[] };

/** What makes a row of the shelves that row. */
export const stockKey = (one: {
	placeId: string;
	food: string;
	form: string;
	state?: string | undefined;
	unit: string;
	content: number | null;
	amount: number;
	day: string;
}): string =>
	[one.placeId, one.food, one.form, one.state ?? 'fresh', one.unit, one.content ?? '', one.amount, one.day].join('|');
/** What makes a batch that batch, where its code does not. */
export const bookKey = (one: {
	food: string;
	packedOn: string;
	raw_g: number;
	packed_g: number;
	packs: number;
}): string => [one.food, one.packedOn, Math.round(one.raw_g), Math.round(one.packed_g), one.packs].join('|');

/** What a table is read under: what this kitchen has, and what stands here. */
export interface KnownHere {
	readonly places: readonly PlaceRow[];
	/** Of the drawer, by name: what lies packed in one keeps it, and none is taken out for it. */
	readonly containers: ReadonlyMap<string, string>;
	readonly measures: NonNullable<ShelfContext['own']>;
	readonly known: Known;
	/** Codes of the book. */
	readonly codes: ReadonlySet<string>;
}
