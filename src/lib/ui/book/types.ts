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
	/** "€0.34"; what was paid and for own hours, to a pack; empty where nothing was said. */
	readonly perPack: string;
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
	readonly next: NextYear | null;
}
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
}
