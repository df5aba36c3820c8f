import type { Part, State } from '../../../things/thing';
import type { AnyPlan, PlannedThing } from '../../engine/kind';

/** One lot of a kit, or a share of it. */
export interface KitPart {
	/** From 1, in the order of the work: what is frozen comes out last. */
	readonly n: number;
	readonly lotId: string;
	/** What is taken of the lot, as it is. */
	readonly raw_g: number;
	readonly food: { readonly id: string; readonly name: string };
	readonly form: string;
	readonly state: State;
	/** What one kit gets of it, ready; and all of them together. */
	readonly each_g: number;
	readonly ready_g: number;
	/** What is done to it first. */
	readonly prepare: string;
	/** Cooked, or of the animal: not out of the cold for longer than this, s. Null where it can wait. */
	readonly outOfCold_s: number | null;
}

/** What is packed: the kit as one thing. */
export interface KitSubject extends PlannedThing {
	readonly n: 1;
	readonly state: 'frozen' | 'dried';
	readonly place: 'freezer' | 'pantry';
	/** No later than this: the weakest of its parts. */
	readonly until: string;
	readonly weakest: string;
	readonly madeOf: readonly Part[];
}

/** Frozen when the run starts. */
export interface KitPlan extends AnyPlan {
	readonly kind: 'kit';
	readonly version: 1;
	readonly subjects: readonly [KitSubject];
	readonly parts: readonly KitPart[];
	/** How many are to be made. */
	readonly count: number;
}
