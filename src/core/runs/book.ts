import { closeRun, type Closing } from './close';
import type { PackedLine, RunState } from './fold';
import type { RunPlan } from './plan';

/** What the ledger, the shelves and the drawer are to say of a run, whenever and in whatever order its taps arrived. */
export interface RunBook {
	/** Null while the run goes on: then nothing of it is booked. */
	readonly entry: {
		readonly closing: Closing;
		readonly status: 'finished' | 'stopped';
		readonly endedAt: number;
	} | null;
	/** Raw grams used up, by lot. */
	readonly used: readonly { readonly lotId: string; readonly grams: number }[];
	/** Packs by the tap that put them away: one tap, one lot. */
	readonly packs: readonly PackedLine[];
}

/** The book of a run: a pure function of its fold. */
export function bookOf(plan: RunPlan, state: RunState): RunBook {
	if (state.phase === 'working' || state.endedAt === null) return { entry: null, used: [], packs: [] };
	const closing = closeRun(plan, state);
	return {
		entry: { closing, status: state.phase, endedAt: state.endedAt },
		used: closing.raw_g > 0 ? [{ lotId: plan.lotId, grams: closing.raw_g }] : [],
		packs: state.packed
	};
}
