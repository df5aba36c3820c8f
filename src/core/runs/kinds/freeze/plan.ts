import type { PackStyleId } from '../../../packing/pack-style';
import type { AnyPlan, PlannedFood } from '../../engine/kind';
import type { StageEnd } from '../../engine/stage';

export type StageId = 'return' | 'blanch' | 'chill' | 'drain' | 'freeze';
export type Resource = 'pot' | 'basin' | 'cloth' | 'freezer';

export interface StagePlan {
	readonly id: StageId;
	readonly resource: Resource;
	readonly end: StageEnd;
}

/** How it is heated, or not: what the words of its stages follow from. */
export type Heat = 'water' | 'steam' | 'dip' | 'soak' | 'cook' | 'none';

/** A pot with its water, one potful at a time in it. */
export interface PotPlan {
	readonly name: string;
	readonly water_L: number;
	readonly toBoil_s: number;
	readonly boil_C: number;
	/** By what share of the predicted time it comes back to the boil, learned; its potfuls were planned by it. */
	readonly comesBack?: number;
}

/** Where packs and trays may go, and what it freezes in a day, kg; null where nobody said. */
export interface FreezerPlan {
	readonly id: string;
	readonly name: string;
	readonly day_kg: number | null;
}

/** One food of the run: a lot, or a share of one, with what becomes of it. */
export interface Subject extends PlannedFood {
	readonly cut: { readonly id: string; readonly name: string };
	readonly way: { readonly id: string; readonly name: string };
	readonly heat: Heat;
	/** Which of the run's pots; null where there is none, or where no time is kept in it. */
	readonly pot: number | null;
	/** Expected through the pot or onto the trays. */
	readonly load_g: number;
	/** Expected into the packs. */
	readonly prepared_g: number;
	readonly potful_g: number;
	/** The potful that boils again within the published minute. */
	readonly minutePotful_g: number;
	/** Predicted until the boil is back with a potful of that size, s. */
	readonly reboil_s: number;
	readonly ice_kg_per_kg: number;
	/** Water that each kilo takes out of the pot, L. */
	readonly topUp_L_per_kg: number;
	/** How it is made ready, as its row says. */
	readonly prepare: string;
	/** What the eye looks for in the heat: "until the skins split". */
	readonly endPoint?: string;
	/** What is blanched is the ear; the kernels come off it, cold. */
	readonly kernels?: true;
	/** Stirred into what is ready before it is filled: sugar to a kilo, g, and what else goes in. */
	readonly sugar?: { readonly g_per_kg: number; readonly with: string };
	/** How it is cooked where nothing is timed. */
	readonly cookWords?: string;
	readonly style: PackStyleId;
	readonly stages: readonly StagePlan[];
	/** Trays or fillings that it takes. */
	readonly trays: number;
	readonly perTray_g: number;
	/** A second size, where some packs are larger or smaller. */
	readonly second_g?: number;
	readonly headspace: string;
}

/** Frozen when the run starts: JSON, with the core's version. Subjects stand in the order of the pot. */
export interface FreezePlan extends AnyPlan {
	readonly kind: 'freeze';
	readonly version: 2;
	readonly subjects: readonly Subject[];
	readonly pots: readonly PotPlan[];
	readonly basins: number;
	/** Ice that all of it wants, and what lay ready, kg; null where nobody had said. */
	readonly ice_kg: number;
	readonly iceReady_kg: number | null;
	/** Trays of the kitchen; they are free again when what lies on them is firm. 0: nobody said. */
	readonly trays: number;
	readonly freezers: readonly FreezerPlan[];
	/** What all of them freeze in a day, kg; 0: nobody said. */
	readonly day_kg: number;
}

/** What comes out of it, on labels and shelves. */
export const titleOf = ({ food, cut, sugar }: Subject): string =>
	// A part of an animal says already what it is: "pig, belly".
	`${food.name}${food.name.toLowerCase().endsWith(`, ${cut.name}`) ? '' : `, ${cut.name}`}${sugar ? ', in sugar' : ''}`;

export const subjectOf = (plan: FreezePlan, n: number): Subject | undefined => plan.subjects.find((s) => s.n === n);
