import asked from './asked-names.json';
import keptNames from './kept-names.json';
import kinds from './kinds.json';
import words from './words.json';
import type { Provenance } from './row';

/** A kind of a food, by the names that people call it; with limits of its own where they differ. */
export interface KindRow extends Provenance {
	readonly food: string;
	readonly id: string;
	readonly name: string;
	readonly names: readonly string[];
	/** In what it differs. */
	readonly matters: string;
	/** Ways that the food allows and this kind does not, each with its safety rule. */
	readonly never?: Readonly<Partial<Record<'can', string>>>;
	/** Only what an expert has seen. */
	readonly identify?: boolean;
	/** What one weighs, kg, where it is not the food's. */
	readonly each_kg?: number;
}

/** A name that means several foods: it is asked, never assumed. */
export interface AskedNameRow {
	readonly names: readonly string[];
	readonly question: string;
	/** Names that are understood. */
	readonly choices: readonly string[];
}

/** What a word at the end of a name makes of a food, by its group: "parsnip soup" is a soup. `food/kind`. */
export interface MadeRow {
	readonly words: readonly string[];
	readonly plant?: string;
	readonly fruit?: string;
	readonly meat?: string;
	readonly fish?: string;
}

export const kindRows: readonly KindRow[] = kinds.map((k) => ({
	...k,
	source: 'practice' as const,
	confidence: 'practice' as const
}));
/** What a name that is refused as a way of keeping is, where it stands on a shelf already. */
export interface KeptNameRow {
	readonly names: readonly string[];
	readonly food: string;
	readonly form: string;
	readonly state: string;
}
export const keptNameRows: readonly KeptNameRow[] = keptNames;
export const askedNames: readonly AskedNameRow[] = asked;
export const madeRows: readonly MadeRow[] = words.made;
export const wordLists = words;
