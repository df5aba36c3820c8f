import type { PackStyle } from '../../../reference/canning';
import type { JarSize } from '../../../reference/canning-rules';
import type { Keeps } from '../../freezing/keep';
import type { Part, State } from '../../things/thing';
import type { ByProductLine, PackedLine } from './fold';
import type { Would } from './event';

/** What of one thing that came out goes into the book. */
export interface Closing {
	/** Raw grams that the run used up: all of them, or the share that got as far as the work. */
	readonly raw_g: number;
	readonly load_g: number;
	readonly packed_g: number;
	readonly packs: number;
	readonly supper_g: number;
	/** Came off on the way and stands in the Basket, g; entries of before have none. */
	readonly byproduct_g?: number;
	/** Stirred in on the way, sugar, g: in the packs, but not in what came in. */
	readonly added_g?: number;
	/** What is in none of these: peel, water, what stuck to the tray, g. */
	readonly lost_g?: number;
	/** Packed weight from the raw weight; null when nothing was packed. */
	readonly yield: number | null;
	readonly elapsed_s: number;
	/** Hands-on, from the plan's own estimate scaled to what went through and no longer than the run: the clock cannot see hands. */
	readonly hands_s: number;
	/** What the heat or the machine took, kWh: by its power and the time that it was on; where nobody knows it there is none. */
	readonly energy_kWh?: number;
	readonly lots: readonly {
		/** The tap that packed them; entries of before have none. */
		readonly eventId?: string;
		readonly packs: number;
		readonly pack_g: number;
		readonly containerId: string | null;
		readonly placeId: string;
	}[];
	readonly potfuls: readonly {
		readonly n: number;
		readonly grams: number;
		readonly outcome: 'firm' | 'supper' | 'left';
		/** Actual seconds in each stage it went through. */
		readonly stages: Readonly<Record<string, number>>;
	}[];
	/** Of a dryer: each tray, planned and observed. */
	readonly trays?: readonly DriedTray[];
	/** Of jars that had their process: what it was. */
	readonly canning?: CanningLog;
}

/** The process of jars as the book keeps it for ever: by it they are safe. Times in ms. */
export interface CanningLog {
	readonly product: string;
	readonly jar: JarSize;
	readonly style: PackStyle;
	readonly heat: string;
	readonly psi: number | null;
	readonly gauge: string | null;
	readonly canner: string;
	/** `yyyy-MM-dd` */
	readonly dialTested: string | null;
	readonly altitude_m: number;
	/** Whose table it is. */
	readonly table: string;
	readonly loads: readonly {
		readonly n: number;
		readonly jars: number;
		readonly acid: string | null;
		/** By the table. */
		readonly minutes: number;
		readonly ventFrom: number | null;
		readonly ventTo: number | null;
		/** Held without a break from here to the heat off. */
		readonly heldFrom: number;
		readonly heatOff: number;
		readonly restarts: readonly { readonly at: number; readonly why: string; readonly lost_s: number }[];
		/** Persons' words about stretches without a reading. */
		readonly words: readonly { readonly from: number; readonly to: number; readonly word: string }[];
	}[];
}

/** A tray of a dryer as the book keeps it: what the household's own factor is learned from. */
export interface DriedTray {
	readonly tray: number;
	readonly slot: number;
	/** At its start, weighed or by its measure, g, and its measure, mL. */
	readonly wet_g: number | null;
	readonly wet_mL: number | null;
	/** When it came off. */
	readonly dry_g: number | null;
	readonly dry_mL: number | null;
	/** That the dryer worked on it. */
	readonly hours: number;
	readonly planned_h: number;
	/** As planned without the household's own factor. */
	readonly table_h: number;
	/** Row of the drying table. */
	readonly rowId: string;
	/** The dryer's name. */
	readonly machine: string;
	readonly weights: readonly { readonly hours: number; readonly grams: number }[];
	readonly outcome: 'dry' | 'eaten' | 'spoiled' | 'left';
}

/** One thing that came out: an entry of its own, with its packs, and how long they keep. */
export interface BookEntry extends Keeps {
	/** The number of its code, from 1. */
	readonly n: number;
	readonly food: string;
	readonly form: string;
	readonly cut: string;
	readonly wayId: string;
	readonly way: string;
	readonly method: 'freeze' | 'dry' | 'can' | 'cellar' | 'ferment' | 'salt' | 'cure' | 'cook' | 'other';
	/** What its packs hold. */
	readonly state: State;
	/** What they were before, where their clock hangs on that. */
	readonly was?: State;
	/** Of several foods: all of them, by weight. */
	readonly madeOf?: readonly Part[];
	readonly title: string;
	readonly use: string;
	readonly closing: Closing;
}

/** What the ledger, the shelves and the drawer are to say of a run, whenever and in whatever order its taps arrived. */
export interface RunBook {
	/** Null while the run goes on: then nothing of it is booked. */
	readonly end: { readonly status: 'finished' | 'stopped'; readonly endedAt: number } | null;
	readonly again: { readonly would: Would; readonly change: string } | null;
	readonly entries: readonly BookEntry[];
	/** Raw grams used up, by lot. */
	readonly used: readonly { readonly lotId: string; readonly grams: number }[];
	/** Packs by the tap that put them away: one tap, one lot. Its subject is the number of its entry. */
	readonly packs: readonly PackedLine[];
	/** Into the Basket, one tap, one lot. */
	readonly byproducts: readonly ByProductLine[];
}

/** What of a run that goes on is booked. */
export const nothingBooked: RunBook = { end: null, again: null, entries: [], used: [], packs: [], byproducts: [] };

/** Raw grams by lot: two foods of a run may be shares of one lot. */
export function usedByLot(
	closings: readonly { readonly subject: { readonly lotId: string }; readonly closing: Closing }[]
): RunBook['used'] {
	const used = new Map<string, number>();
	for (const { subject, closing } of closings)
		if (closing.raw_g > 0) used.set(subject.lotId, (used.get(subject.lotId) ?? 0) + closing.raw_g);
	return [...used].map(([lotId, grams]) => ({ lotId, grams }));
}

/** What was put away, as a closing keeps it. */
export const packedLots = (packed: readonly PackedLine[]): Closing['lots'] =>
	packed.map(({ eventId, packs, pack_g, containerId, placeId }) => ({ eventId, packs, pack_g, containerId, placeId }));
