import type { AnyPlan, PlannedFood } from '../../engine/kind';

/** A vegetable in its salt. */
export interface FermentSubject extends PlannedFood {
	readonly n: 1;
	readonly way: 'dry' | 'brine';
	/** Of the cut weight, or of the brine, %. */
	readonly percent: number;
	/** Water to the cut weight, g to the g; 0 where it makes its own brine. */
	readonly water: number;
	readonly cut: string;
	/** Until it is ready in its place, days; between two printed bands said so. */
	readonly days: readonly [number, number];
	readonly between: boolean;
	readonly ready: string;
	/** In the fridge after that, weeks. */
	readonly cold_weeks: readonly [number, number];
	readonly over: string;
}

/** Frozen when the run starts. */
export interface FermentPlan extends AnyPlan {
	readonly kind: 'ferment';
	readonly version: 1;
	readonly subjects: readonly [FermentSubject];
	/** Where it is to stand. */
	readonly place: { readonly id: string; readonly name: string; readonly C: number };
}
