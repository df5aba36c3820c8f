import type { Timer } from './engine/stage';
import type { RunEvent, RunPlan } from './kinds';

/** Where the book could not follow the taps; a person settles it. */
export interface Difference {
	readonly id: string;
	readonly title: string;
	/** `packs`: as many are booked beyond what the taps say. `dg`: as many tenths of a gram less were used up than they say. */
	readonly unit: 'packs' | 'dg';
	readonly amount: number;
	/** A lot that the run itself made: it was used since, or was gone when the run wanted it. */
	readonly made: boolean;
}

/** What changes of a run while it goes on. */
export interface RunNews {
	readonly status: 'open' | 'finished' | 'stopped';
	/** Its entries in the book, each by the number of what came out; none while it goes on. */
	readonly entries: readonly { readonly n: number; readonly code: string }[];
	readonly events: readonly RunEvent[];
	/** Order of arrival of the newest event here. */
	readonly seq: number;
	readonly differences: readonly Difference[];
}

/** What a page needs to fold a run by itself. */
export interface RunView extends RunNews {
	readonly id: string;
	/** On the labels from the start, one for each thing that comes out of it, and some to spare; entries take them over. */
	readonly codes: readonly string[];
	readonly plan: RunPlan;
	readonly startedAt: number;
}

/** Of an open run, what every page shows: its clocks. */
export interface RunHead {
	readonly id: string;
	readonly food: string;
	readonly way: string;
	readonly raw_g: number;
	readonly startedAt: number;
	/** Order of arrival of its newest tap. */
	readonly seq: number;
	readonly timers: readonly Timer[];
}

/** A tap that was not kept, and why: it stays on its device, to be read and settled there. */
export interface Refused {
	readonly id: string;
	readonly code: string;
	readonly why: string;
}

/** What taps are answered besides the run as it is now. */
export interface TapAnswer {
	/** Taps that are kept but cannot count, with the reason. */
	readonly ignored: readonly { readonly id: string; readonly why: string }[];
	readonly refused: readonly Refused[];
	/** What else has to be said. */
	readonly told: readonly string[];
}

/** What a page is answered that asks what is new. */
export interface News {
	/** The server's time, ms. */
	readonly now: number;
	readonly heads: readonly RunHead[];
	readonly runs: Readonly<Record<string, RunNews>>;
}
