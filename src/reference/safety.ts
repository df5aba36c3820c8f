import refusals from './refusals.json';
import steps from './heat-steps.json';
import type { Provenance } from './row';

/** Why something is not advised, and what to do instead. `{food}`, `{product}`, `{style}` are filled in. */
export interface RefusalRow extends Provenance {
	readonly id: string;
	/** Foods of the tables that it holds for. */
	readonly foods?: readonly string[];
	/** Words by which such a thing is asked for, where it is no food of the tables. */
	readonly names?: readonly string[];
	/** Products of those foods (or of any low-acid one) that it holds for. */
	readonly products?: readonly string[];
	/** It can kill: its names are looked for in the whole of a line, notes included. */
	readonly deadly?: boolean;
	readonly reason: string;
	readonly instead: readonly string[];
}

/** A temperature or time that safety hangs on, as published: Fahrenheit and minutes. */
export interface HeatStepRow extends Provenance {
	readonly id: string;
	readonly F?: number;
	readonly minutes?: number;
	readonly words: string;
}

// JSON widens literals to strings; a test checks every row, so the claims are safe here.
export const refusalRows = refusals as unknown as readonly RefusalRow[];
export const heatSteps = steps as unknown as readonly HeatStepRow[];
