import type { BlanchRow, CutRow, FoodRow } from '../../reference/tables';
import type { Gauge, JarSize } from '../../reference/canning-rules';
import type { PackStyle } from '../../reference/canning';
import type { HeatStepRow } from '../../reference/safety';
import type { TestedProcess } from '../canning/find-process';
import type { Refusal } from '../errors';
import type { Condition, State, Thing } from '../things/thing';
import type { Caution } from './cautions';

/** Every way of keeping, and of handling what is kept, that may be asked about. */
export const wayIds = [
	'can',
	'freeze-raw',
	'freeze-blanched',
	'freeze-cooked',
	'dry',
	'freeze-dry',
	'vacuum',
	'absorber',
	'infuse-oil',
	'ferment',
	'pickle',
	'jam',
	'smoke',
	'salt',
	'cellar',
	'fridge',
	'room',
	'hold-packed',
	'thaw',
	'serve-raw'
] as const;
export type WayId = (typeof wayIds)[number];

export const canners = [
	'boiling-water',
	'pressure',
	'steam',
	'open-kettle',
	'oven',
	'dishwasher',
	'microwave',
	'slow-cooker',
	'sun',
	'multicooker'
] as const;
export type Canner = (typeof canners)[number];

export const additives = [
	'salt',
	'sugar',
	'lemon-juice',
	'citric-acid',
	'vinegar',
	'dried-spice',
	'flour',
	'cornstarch',
	'arrowroot',
	'roux',
	'modified-starch',
	'pasta',
	'noodles',
	'rice',
	'barley',
	'milk',
	'cream',
	'butter',
	'cheese',
	'egg',
	'bread',
	'oil',
	'lard',
	'garlic',
	'onions',
	'peppers',
	'mushrooms',
	'other-vegetables',
	'dry-vegetables',
	'dry-beans',
	'meat'
] as const;
export type Additive = (typeof additives)[number];

/** How, with what and in which kitchen, as far as it was said. What was not said is never assumed to be safe. */
export interface Terms {
	readonly product?: string;
	readonly cut?: string;
	readonly style?: PackStyle;
	readonly jar?: JarSize;
	/** m, not rounded. */
	readonly altitude_m?: number;
	readonly gauge?: Gauge;
	readonly canner?: Canner;
	readonly additives?: readonly Additive[];
	/** Against the tested recipe. */
	readonly acid?: 'full' | 'reduced' | 'none';
	readonly salt?: 'full' | 'reduced';
	readonly recipe?: 'tested' | 'own';
	readonly part?: 'fruit' | 'flowers' | 'leaves' | 'stems';
	/** Dryer air, °C. */
	readonly air_C?: number;
	/** Of a piece that is dried. */
	readonly thickness_mm?: number;
	/** Of the place it is kept in, °C. */
	readonly place_C?: number;
	/** Meat: the step that makes it safe. */
	readonly heatStep?: 'before' | 'after' | 'none';
	/** What that step reaches at the centre, °C. */
	readonly heat_C?: number;
	/** Others share the dryer. */
	readonly withOthers?: boolean;
	/** The others are meat as well. */
	readonly withMeat?: boolean;
	readonly place?: 'room' | 'cellar' | 'fridge' | 'freezer';
	readonly days?: number;
	/** Share of water by weight, %. */
	readonly moisture?: number;
	readonly thaw?: 'fridge' | 'cold-water' | 'microwave' | 'counter' | 'from-frozen';
	/** The vacuum pack stays closed. */
	readonly sealed?: boolean;
}

/** One way of one thing, on these terms. */
export interface Query extends Terms {
	readonly way: WayId;
	readonly thing: Thing;
}

/** A question as a script or a page asks it, the food by a name: resolved at the door, see things/ask-by-name. */
export interface Question extends Terms {
	readonly way: WayId;
	readonly food: string;
	readonly state?: State;
	readonly condition?: Condition;
	readonly identified?: boolean;
}

export interface Allowed {
	readonly kind: 'allowed';
	readonly way: WayId;
	readonly food: FoodRow | null;
	readonly processes: readonly TestedProcess[];
	readonly heat: readonly HeatStepRow[];
	readonly blanch: readonly BlanchRow[];
	readonly cut?: CutRow;
	readonly cautions: readonly Caution[];
}

export type Advice = Allowed | Refusal;
