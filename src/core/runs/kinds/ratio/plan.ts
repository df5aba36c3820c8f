import type { FigureUnit, RecipeKind } from '../../../../reference/other-ways';
import type { State } from '../../../things/thing';
import type { Keeps } from '../../../freezing/keep';
import type { AnyPlan, PackPlace, PlannedFood } from '../../engine/kind';

/** One line of a recipe, for one set. */
export interface Item {
	readonly what: string;
	/** As printed: least and most, the same where it is no range. */
	readonly amount: readonly [number, number];
	readonly unit: FigureUnit;
	readonly main: boolean;
	/** "if wanted": left out by a tap. */
	readonly optional: boolean;
	/** Counted one by one: so many measures; 1 where it goes in at once. */
	readonly scoops: number;
}

export interface SetStep {
	readonly words: string;
	/** It stands, or is stirred, so long, s; null: until the hand says so. */
	readonly wait_s: number | null;
	/** Ends by a test of its set, not by a clock. */
	readonly test: boolean;
}

/** Where what comes of it may stand, with a code of its own for each. */
export interface RatioEnd {
	readonly n: number;
	readonly place: PackPlace;
	readonly state: State;
	readonly was?: State;
	readonly keeps: Keeps;
	readonly words: string;
}

/** What is made by a ratio: a lot, into whole sets of a recipe. */
export interface RatioSubject extends PlannedFood {
	readonly n: 1;
	readonly recipe: { readonly id: string; readonly name: string; readonly kind: RecipeKind };
	readonly items: readonly Item[];
	readonly steps: readonly SetStep[];
	/** All jars stand so long until they are set, s; null where nothing stands. */
	readonly rest_s: number | null;
	/** Where the set is read by a thermometer, °C in this kitchen. */
	readonly gel_C: number | null;
	/** Its main line: grams to one of its unit; and mL where it is measured by volume. */
	readonly unit_g: number | null;
	readonly unit_mL: number | null;
	/** By what is planned. */
	readonly sets: number;
	/** Sugar, water and what else goes in besides the fruit, a set, g: what of it has a known weight. */
	readonly added_g: number;
	/** Of a set, g. */
	readonly set_g: number;
	readonly makes: string;
	readonly headspace: string;
	/** What it goes by for the shelf, where there is a tested process. */
	readonly shelf: string;
}

/** Frozen when the run starts. */
export interface RatioPlan extends AnyPlan {
	readonly kind: 'ratio';
	readonly version: 1;
	readonly subjects: readonly [RatioSubject];
	readonly ends: readonly RatioEnd[];
}
