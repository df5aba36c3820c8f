import type { AnyPlan, PlannedFood } from '../../engine/kind';

/** A food of the load. */
export interface FreezeDrySubject extends PlannedFood {
	readonly prepare: string;
	/** It lies wet through, as a purée or a liquid: it sets the end of the load. */
	readonly wet: boolean;
	/** It comes frozen. */
	readonly frozen: boolean;
	/** What is expected to be left, g. */
	readonly dry_g: number;
	/** It stands only in the cold, dried though it is: meat. */
	readonly cold: boolean;
	/** Cooked, or raw meat: what it was goes on when water comes back to it. */
	readonly asItWas: string;
	readonly absorber: string;
	/** Its trays, by their number in the machine. */
	readonly trays: readonly number[];
}

/** Frozen when the run starts. */
export interface FreezeDryPlan extends AnyPlan {
	readonly kind: 'freeze-dry';
	readonly version: 1;
	readonly subjects: readonly FreezeDrySubject[];
	readonly machine: { readonly name: string; readonly trays: number; readonly load_kg: number };
	/** As it is printed for a load; the wettest, thickest tray sets it. */
	readonly hours: readonly [number, number];
	/** Two weighings so far apart that agree say that it is dry, s. */
	readonly apart_s: number;
	/** Into its bag within, s. */
	readonly pack_s: readonly [number, number];
	readonly depth: string;
	readonly prefreeze_C: number;
}
