import type { RunEvent } from './events';
import type { Timer } from './fold';
import type { RunPlan } from './plan';

/** Where the book could not follow the taps; a person settles it. */
export interface Difference {
	readonly id: string;
	readonly title: string;
	/** `packs`: as many are booked beyond what the taps say. `dg`: as many tenths of a gram less were used up than they say. */
	readonly unit: 'packs' | 'dg';
	readonly amount: number;
}

/** What changes of a run while it goes on. */
export interface RunNews {
	readonly status: 'open' | 'finished' | 'stopped';
	/** On the label and in the address of its entry; null while it has none that counts. */
	readonly batchCode: string | null;
	readonly events: readonly RunEvent[];
	/** Order of arrival of the newest event here. */
	readonly seq: number;
	readonly differences: readonly Difference[];
}

/** What a page needs to fold a run by itself. */
export interface RunView extends RunNews {
	readonly id: string;
	/** On the labels from the start; the entry in the book takes it over. */
	readonly code: string;
	/** Codes for what else comes out of it. */
	readonly spareCodes: readonly string[];
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
