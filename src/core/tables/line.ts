import type { Gauge } from '../../reference/canning-rules';
import type { FigureRow, FigureUnit, Recalled, Recalls, RecipeRow, TableWay } from '../../reference/other-ways';
import type { Confidence } from '../../reference/row';
import { sources, type SourceId } from '../../reference/sources';
import type { Refusal } from '../errors';
import { sayAmount, type Amount } from '../quantities/amount';
import type { Units } from '../quantities/format';
import type { Caution } from '../safety/cautions';

/** One number as a page shows it, with everything needed to doubt it. */
export interface Line {
	/** The row it was read from: `figures/freeze/blanched`. */
	readonly key: string;
	/** Lines of a like kind, for setting foods side by side. */
	readonly slot: string;
	readonly what: string;
	/** What several lines belong to: a canning product, a cut. */
	readonly group?: string;
	readonly amount: Amount;
	readonly at?: string;
	readonly source: SourceId;
	/** Whose word it is, short. */
	readonly whose: string;
	readonly confidence: Confidence;
	readonly recalls?: Recalls;
	readonly note?: string;
	/** One of the numbers behind the plans, not one for the kitchen wall. */
	readonly minor?: boolean;
}

export interface TableKitchen {
	readonly units: Units;
	/** m; null while the household has not said. */
	readonly altitude_m: number | null;
	readonly gauge?: Gauge | undefined;
}

/** What one way has to say of a food. */
export interface Section {
	readonly way: TableWay;
	readonly lines: readonly Line[];
	/** Sentences: what to do before and after. */
	readonly words: readonly string[];
	readonly recipes: readonly RecipeRow[];
	/** The way as such is refused: no line stands beside it. */
	readonly refusal?: Refusal;
	/** Something of it is refused: the food as it is, where only recipes made of it were tested. */
	readonly partly?: Refusal;
	readonly cautions: readonly Caution[];
}

export interface Draft extends Recalled {
	readonly key: string;
	readonly slot: string;
	readonly what: string;
	readonly value: number | readonly [number, number];
	readonly unit: FigureUnit;
	readonly at?: string | undefined;
	readonly minor?: boolean;
	readonly group?: string;
}

/** Locators that the short name of the publication gains. */
const whoseOf = (row: { source: SourceId; locator?: string }) =>
	`${sources[row.source].short}${row.locator ? `, ${row.locator}` : ''}`;

export const lineOf = (draft: Draft, units: Units): Line => ({
	key: draft.key,
	slot: draft.slot,
	what: draft.what,
	...(draft.group ? { group: draft.group } : {}),
	amount: sayAmount(draft.value, draft.unit, units),
	...(draft.at ? { at: draft.at } : {}),
	source: draft.source,
	whose: whoseOf(draft),
	confidence: draft.confidence,
	...(draft.recalls ? { recalls: draft.recalls } : {}),
	...(draft.note ? { note: draft.note } : {}),
	...(draft.minor ? { minor: true } : {})
});

export const figureLine = (row: FigureRow, units: Units): Line =>
	lineOf({ ...row, key: `figures/${row.id}`, slot: row.id }, units);

/** A line by itself, where no heading stands over it. */
export const fullWhat = (line: { readonly group?: string; readonly what: string }): string =>
	line.group ? `${line.group}, ${line.what}` : line.what;

/** What of the provenance a draft takes over from its row. */
export const from = (row: Recalled): Recalled => ({
	source: row.source,
	confidence: row.confidence,
	...(row.locator ? { locator: row.locator } : {}),
	...(row.recalls ? { recalls: row.recalls } : {}),
	...(row.note ? { note: row.note } : {})
});

/** "from memory, recalled once": how sure a number is, in words. */
export function sureness(line: { readonly confidence: Confidence; readonly recalls?: Recalls }): string {
	if (line.confidence === 'practice') return 'common practice';
	if (line.confidence === 'read') return 'read from open data';
	if (line.recalls === 'agreed') return 'from memory, twice alike';
	if (line.recalls === 'differ') return 'from memory, two recalls differed';
	if (line.recalls === 'once') return 'from memory, once';
	return 'from memory';
}

/** Lines with the mark of their source, and what each mark stands for: footnotes, so that the numbers stay readable. */
export function footnoted<L extends Line>(
	lines: readonly L[]
): { lines: (L & { mark: string })[]; notes: { mark: string; text: string }[] } {
	const marks = new Map<string, string>();
	const marked = lines.map((line) => {
		const text = line.confidence === 'practice' ? 'common practice' : `${line.whose}; ${sureness(line)}`;
		const mark = marks.get(text) ?? String.fromCharCode(97 + marks.size);
		marks.set(text, mark);
		return { ...line, mark };
	});
	return { lines: marked, notes: [...marks].map(([text, mark]) => ({ mark, text })) };
}
