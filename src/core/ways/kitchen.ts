import type { Dryer } from '../drying/mixed-load';
import type { Pot } from '../heat/blanch-line';
import type { OwnMoulds } from '../packing/pack-style';
import type { Container } from '../packing/packs';
import type { Units } from '../quantities/format';
import type { CannerSpec, DryerSpec, FreezeDryerSpec, Supply, Task } from './equipment';

export interface KitchenPot extends Pot {
	readonly id: string;
	readonly name: string;
	/** Inside, m; null where nobody measured. */
	readonly diameter_m?: number | null;
	readonly height_m?: number | null;
	/** Runs that its `comesBack` was learned from. */
	readonly boilsSeen?: number;
}

/** What the core must know of a kitchen; SI throughout. */
export interface Kitchen {
	/** Null until the household has said it. */
	readonly altitude_m: number | null;
	/** Gauge of its first pressure canner, 'none' without one, null where nothing was said. */
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
	/** New food that its freezers take in a day, kg: by their plates, else by the published load. */
	readonly freezeDay_kg: number;
	/** Whole inside, and what is still free, L. */
	readonly freezer_L: number;
	readonly freezerFree_L: number;
	readonly containers: readonly Container[];
	readonly tap_C: number;
	readonly room_C: number;
	/** 0 to 1. */
	readonly room_humidity: number;
	/** The first of its dryers; null without one. */
	readonly dryer: KitchenDryer | null;
	/** The first of its freeze-dryers; null without one. */
	readonly freezeDryer: KitchenFreezeDryer | null;
	/** In the order of use; none where nothing was said. */
	readonly canners: readonly KitchenCanner[];
	/** The first of its moulds; null without any. */
	readonly moulds: OwnMoulds | null;
	/** Lids, rolls, absorbers. */
	readonly supplies: readonly Supply[];
	/** Of the coldest freezer; what stands frozen in it. */
	readonly freezer_C: number;
	readonly frozen_kg: number;
	/** Where dried food and jars stand, °C; the room's without a pantry. */
	readonly pantry_C: number;
	/** A usual day: ice that comes, hours that hands have. */
	readonly iceDay_kg: number;
	readonly handsDay_h: number;
	/** Of them those of the household itself, that may do everything, and those of each helper. */
	readonly ownHands_h: number;
	readonly helpers: readonly { readonly name: string; readonly hours: number; readonly may: readonly Task[] }[];
	readonly prices: Prices;
}

export interface KitchenDryer extends Dryer, Pick<DryerSpec, 'trayArea_m2' | 'power_W'> {
	readonly name: string;
	/** Fewest that it may run with; one where nobody said. */
	readonly leastTrays?: number;
}

export interface KitchenFreezeDryer extends FreezeDryerSpec {
	readonly name: string;
}

export interface KitchenCanner extends CannerSpec {
	readonly name: string;
}

/** Minor units of money, such as cents. */
export interface Prices {
	/** ISO 4217. */
	readonly currency: string;
	readonly kWh: number;
	readonly hour: number;
	readonly bag: number;
	readonly lid: number;
}
