import type { StandingPlace } from '../things/keeping';

export type PlaceKindId = StandingPlace;

/** A place of the household as something may stand in it. */
export interface StandIn {
	readonly id: string;
	readonly name: string;
	readonly kind: PlaceKindId;
	/** °C */
	readonly C: number;
}
