import type { Planting } from '$core/forecast/season-plan';
import type { YieldLearned } from '$core/forecast/yields';

/** A year of a food, in numbers. */
export interface SeasonRow {
	readonly year: string;
	readonly raw_g: number;
	/** 0 to above 1; null where nothing was weighed on both sides. */
	readonly kept: number | null;
	readonly packs: number;
	/** Of hands to a kilo as it came in; null where nobody counted. */
	readonly hands_s_kg: number | null;
	/** "€0.34": produce, supplies, energy and own hours, to a pack; empty where nothing cost anything. */
	readonly perPack: string;
	/** "produce €9.10, bags €1.20, energy €0.80"; empty where nothing cost anything. */
	readonly costs: string;
	/** "€14.20 less than in a shop"; empty where no price of a shop is noted. */
	readonly against: string;
	/** Plants that were set; null where nobody said. */
	readonly plants: number | null;
	readonly eaten: number;
	readonly left: number;
	readonly thrown: number;
	readonly causes: string;
	/** ms; null while none of it went. */
	readonly lastAt: number | null;
}
export interface AgainRow {
	readonly code: string;
	readonly packedOn: string;
	readonly raw_g: number;
	readonly packs: number;
	readonly would: string;
	readonly change: string;
}
/** How what was weighed taught a share, batch by batch. */
export interface LearnedStep {
	readonly packedOn: string;
	readonly share: number;
	readonly learned: YieldLearned;
}
export interface FoodBook {
	readonly food: string;
	readonly name: string;
	readonly raw_g: number;
	readonly packs: number;
	readonly seasons: readonly SeasonRow[];
	readonly again: readonly AgainRow[];
	/** Of the way that was gone most often; null where fewer than two batches were weighed. */
	readonly yields: {
		readonly what: string;
		readonly table: number | null;
		readonly now: YieldLearned;
		readonly steps: readonly LearnedStep[];
	} | null;
	/** The variety that was thrown least, where several were kept. */
	readonly variety: string;
	readonly varieties: readonly VarietyRow[];
	/** Hours of hands to a kilo as it comes in, nine in ten; null where fewer than two batches were counted. */
	readonly hours: YieldLearned | null;
	/** Of a dryer: its hours against the table's, nine in ten; null where none was called dry. */
	readonly drying: YieldLearned | null;
	/** Of trays that were measured: so much of a litre is left; null where none was. */
	readonly shrinks: YieldLearned | null;
	/** Packs that a litre as it comes in makes, lying loosely; null where no share is known. */
	readonly packsPerL: number | null;
	readonly next: NextYear | null;
	readonly planting: PlantingShown;
}
/** A kind of it, beside the others. */
export interface VarietyRow {
	readonly name: string;
	readonly packs: number;
	readonly thrown: number;
	/** What of it comes into packs, nine in ten; null where nothing was weighed. */
	readonly kept: YieldLearned | null;
}
/** What is set for the year that is planned. */
export type PlantingShown = Omit<Planting, 'food'>;
/** Next year's sum, written out. */
export interface NextYear {
	readonly weeks: number;
	readonly freshWeeks: number;
	/** Meals a week, and where that is from. */
	readonly perWeek: number;
	readonly from: string;
	readonly packs: number;
	readonly pack_g: number;
	readonly kept_kg: number;
	readonly kept: number;
	readonly raw_kg: number;
	readonly low_kg: number;
	readonly high_kg: number;
	/** What came in last year, kg. */
	readonly last_kg: number;
	/** Of which year it is. */
	readonly year: number;
	/** A plant bears so much, kg; null where nobody counted plants. */
	readonly plant_kg: number | null;
	readonly plants: number | null;
	readonly plantsLow: number | null;
	readonly plantsHigh: number | null;
	/** By month, January first, kg. */
	readonly byMonth_kg: readonly number[];
	/** What they would cost at the last price that was paid: "€12"; empty where none was. */
	readonly buy: string;
}
/** A food of the season plan. */
export interface PlanRow extends NextYear {
	readonly food: string;
	readonly name: string;
	readonly set: number | null;
	readonly sow: string;
	readonly pick: string;
}
