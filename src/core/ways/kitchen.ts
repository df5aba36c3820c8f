import type { Pot } from '../heat/blanch-line';
import type { Container } from '../packing/packs';
import type { Units } from '../quantities/format';

export interface KitchenPot extends Pot {
	readonly id: string;
	readonly name: string;
}

/** What the core must know of a kitchen; SI throughout. */
export interface Kitchen {
	/** Null until the household has said it. */
	readonly altitude_m: number | null;
	/** Gauge of its pressure canner, 'none' without one, null where it was not said. */
	readonly gauge: 'none' | 'dial' | 'weighted' | null;
	readonly units: Units;
	/** IANA name. */
	readonly zone: string;
	readonly people: number;
	readonly pots: readonly KitchenPot[];
	/** Ice on hand, kg. */
	readonly ice_kg: number;
	readonly basins: number;
	readonly trays: number;
	readonly trayArea_m2: number;
	/** Whole inside, and what is still free, L. */
	readonly freezer_L: number;
	readonly freezerFree_L: number;
	readonly containers: readonly Container[];
	readonly tap_C: number;
	readonly room_C: number;
}
