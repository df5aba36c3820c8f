import type { OnTheClock } from '$core/ways/on-the-clock';
import type { Share } from '$core/ways/shares';
import type { ShownStop } from './types';

/** Ways as one page: a list of all of them, one of them open. Written once; server and page both mean this. */
export interface WaysView {
	readonly lot: {
		readonly id: string;
		readonly name: string;
		readonly food: string;
		readonly foodName: string;
		readonly form: string;
		readonly said: string;
		readonly place: string;
		/** ms. */
		readonly bestBy: number;
		readonly soon: boolean;
		readonly past: 'no' | 'best' | 'end';
		readonly free_g: number;
		/** Something is made of it in a pan. */
		readonly pan: boolean;
		/** Whether a recipe in whole sets takes it. */
		readonly sets: boolean;
		/** Whether it is fermented in salt. */
		readonly ferments: boolean;
		/** Meat, or what is cooked, frozen or dried: into bags without air. */
		readonly seals: boolean;
		/** Kept whole and alive, in a cellar, a cool room, its row. */
		readonly stores: boolean;
		/** An animal that can be cut up part by part. */
		readonly cuts: boolean;
		readonly whole_g: number;
	};
	readonly stop: ShownStop | null;
	readonly goodFor: string | null;
	readonly faults: readonly { readonly field: string; readonly message: string; readonly typed: string }[];
	readonly rows: readonly WayRow[];
	readonly notNow: readonly WayRow[];
	/** Products of tested recipes, of which no amount can be said. */
	readonly recipes: readonly { readonly slug: string; readonly name: string }[];
	readonly no: readonly WayRefused[];
	/** Null where no way is open. */
	readonly panel: Panel | null;
	readonly shares: readonly ShareShown[];
	readonly before: Neighbour | null;
	readonly after: Neighbour | null;
}

export interface Neighbour {
	readonly id: string;
	readonly name: string;
}

/** A line of the list: what one gets, one's hands, until when it keeps. */
export interface WayRow {
	readonly slug: string;
	readonly name: string;
	readonly figure: string;
	readonly unit: string;
	/** "3:28", h:min. */
	readonly hands: string;
	readonly until: string;
	/** What it is best at among ways that keep comparably. */
	readonly best: string | null;
	/** What is missing here. */
	readonly missing: string | null;
}

export interface WayRefused {
	readonly slug: string;
	readonly name: string;
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
}

export interface ShareShown extends Share {
	readonly name: string;
	/** What comes of it: "5 quarts". */
	readonly gets: string;
}

export interface Fact {
	readonly label: string;
	readonly strong: string;
	readonly words: string;
	/** What is missing or too much. */
	readonly warn: string;
	/** Its words may be left out where there is little room. */
	readonly minor: boolean;
}

/** A choice of the open way. */
export type Switch =
	| {
			readonly kind: 'one-of';
			readonly name: string;
			readonly label: string;
			readonly value: string;
			readonly options: readonly { readonly value: string; readonly words: string; readonly off?: string }[];
	  }
	| {
			readonly kind: 'typed';
			readonly name: string;
			readonly label: string;
			readonly value: string;
			readonly words: string;
			readonly fault: string | null;
			readonly suggest: readonly string[];
			readonly hint: string;
	  };

export interface Panel {
	readonly slug: string;
	readonly name: string;
	readonly gist: string;
	readonly figure: { readonly count: string; readonly unit: string; readonly each: string };
	readonly facts: readonly Fact[];
	/** Beside the figure, and behind a word. */
	readonly switches: readonly Switch[];
	readonly more: readonly Switch[];
	readonly sums: readonly { readonly label: string; readonly figure: string; readonly words: string }[];
	readonly clock: OnTheClock | null;
	/** When it would be started: now, ms. */
	readonly at: number;
	readonly steps: readonly string[];
	readonly notes: readonly string[];
	readonly recipe: null | {
		readonly lines: readonly string[];
		readonly makes: string | null;
		readonly keep: readonly string[];
	};
	readonly cautions: readonly { readonly id: string; readonly text: string; readonly source: string | null }[];
	readonly source: string;
	/** So much of the lot goes this way, g; what is in one pack of it, where that is known. */
	readonly part_g: number;
	readonly each_g: number | null;
	readonly start: Start;
	/** What Start says of it, field by field: what is shown is what is started. */
	readonly says: Readonly<Record<string, string>>;
	/** As it is cut: a pack for a recipe is measured in it; null where it is not cut here. */
	readonly cut: string | null;
	/** It has a page of its physics. */
	readonly why: boolean;
}

/** Whether it is led at the stove; else why not, and how it is written down. */
export type Start =
	| { readonly kind: 'start' }
	/** It is begun on a page of its own: more is to be chosen. */
	| { readonly kind: 'page'; readonly href: string; readonly words: string }
	| { readonly kind: 'no'; readonly words: string };

/** The same, written down by hand. */
export interface ByHand {
	readonly text: string;
	/** What of the lot went in, as it is edited. */
	readonly grams: string;
	readonly places: readonly { readonly id: string; readonly name: string }[];
	/** Jars: whether their tested process was done in full is asked. */
	readonly jars: boolean;
}
