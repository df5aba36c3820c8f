import type { AnyPlan, PlannedFood } from '../../engine/kind';

/** What must be recorded as a value before anything of a food goes onto a tray. */
export type Gate =
	/** Who identified it, and by what. */
	| { readonly id: 'identified'; readonly words: string }
	/** Heated through before drying: at least so warm at its centre, °C. */
	| { readonly id: 'heated'; readonly words: string; readonly least_C: number };

/** Printed heat before drying: its minutes, in what. */
export interface FirstHeat {
	readonly method: 'water' | 'steam';
	/** Cracks the skins and no more. */
	readonly dip: boolean;
	readonly least_s: number;
	readonly most_s: number;
}

/** The forecast that a tray starts with. */
export interface DryForecast {
	/** Middle, h; with this household's own factor where one was learned. */
	readonly hours: number;
	/** Standard deviation of its logarithm. */
	readonly doubt: number;
	/** The same without the household's own factor: what the next one is learned from. */
	readonly table_h: number;
	readonly printed_h: readonly [number, number];
	/** Share of water at the start and in the end. */
	readonly moistureIn: number;
	readonly moistureOut: number;
	/** Printed hours that are not carried to this piece: no weighing refits them. */
	readonly asPrinted: boolean;
}

/** One food of the load: a lot, or a share of one. */
export interface DrySubject extends PlannedFood {
	readonly cut: { readonly id: string; readonly name: string };
	readonly way: { readonly id: string; readonly name: string };
	/** It was dry before, and clumped in its jar. */
	readonly again?: true;
	/** Of the drying table. */
	readonly rowId: string;
	/** The piece, as the row says it; mm where it was chosen or is printed. */
	readonly piece: string;
	readonly thickness_mm: number | null;
	readonly skin: string | null;
	/** Ready for the trays, expected, g. */
	readonly load_g: number;
	readonly perTray_g: number;
	readonly trays: number;
	/** Loose in a cup, kg to the litre, wet; null where nobody knows. */
	readonly wet_kg_L: number | null;
	readonly prepare: string;
	readonly pretreat: string;
	readonly first: FirstHeat | null;
	readonly gates: readonly Gate[];
	readonly forecast: DryForecast;
	/** The hand's test, in the words of its food. */
	readonly test: string;
	/** Expected from all of it, g, and loose in a jar, kg to the litre. */
	readonly dry_g: number;
	readonly bulk_kg_L: number;
	/** Days of conditioning after it, least and most; null where none is asked for. */
	readonly condition_days: readonly [number, number] | null;
	/** Meat: cold is its only place. */
	readonly cold: boolean;
}

/** The machine, or what stands for it. */
export interface DryerPlan {
	readonly name: string;
	readonly trays: number;
	readonly leastTrays: number;
	readonly heater: 'bottom' | 'top' | 'back';
	/** What it draws at the most, W; plans of before do not say it. */
	readonly power_W?: number;
}

/** Frozen when the run starts. Subjects stand in the order of loading: what takes longest first. */
export interface DryPlan extends AnyPlan {
	readonly kind: 'dry';
	readonly version: 1;
	readonly subjects: readonly DrySubject[];
	readonly dryer: DryerPlan;
	readonly air_C: number;
	/** Trays are turned and swapped so often, h. */
	readonly turn_h: number;
}

export const subjectOf = (plan: DryPlan, n: number | undefined): DrySubject | undefined =>
	plan.subjects.find((s) => s.n === (n ?? 1));

/** What comes out of it, on labels and shelves. */
export const titleOf = ({ food, cut, again }: DrySubject): string =>
	again ? food.name : `${food.name}, ${cut.name}, dried`;

/** Slots of the dryer in the order in which they are filled: nearest the heater first; 1 is the uppermost. */
export function slotsOf({ trays, heater }: DryerPlan): number[] {
	const down = Array.from({ length: trays }, (_, i) => i + 1);
	return heater === 'bottom' ? down.reverse() : down;
}
