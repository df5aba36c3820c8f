import type { FoodGroup } from '../../reference/tables';
import type { State } from '../things/thing';

/** A part of a supper as it stood before it was taken. */
export interface TakenPart {
	readonly group: FoodGroup;
	readonly state: State;
	/** Since when it was so, where it stood, ms. */
	readonly from: number;
}

/** What had a clock of days already: warming it up again does not set it back (common practice). */
const goesOn: ReadonlySet<State> = new Set(['cooked', 'opened']);
/** A dish that was frozen or in a jar until it was taken begins anew; one from the fridge does not. */
const begins: ReadonlySet<State> = new Set(['frozen', 'canned', 'dried']);

/** Since when the clock of what is left over runs: now, or since the oldest of its parts was cooked or opened. */
export const leftSince = (parts: readonly TakenPart[], now: number): number =>
	Math.min(
		now,
		...parts.filter((p) => goesOn.has(p.state) || (p.group === 'dish' && !begins.has(p.state))).map((p) => p.from)
	);
