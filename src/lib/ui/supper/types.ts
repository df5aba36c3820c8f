/** A part of a supper, in words. */
export interface PartShown {
	/** "2 × 500 g", "1.0 kg". */
	readonly amount: string;
	readonly name: string;
	readonly place: string;
	/** "from frozen", "in cold water first"; empty for what stands ready. */
	readonly how: string;
}
export interface MealShown {
	readonly title: string;
	readonly minutes: number;
	readonly parts: readonly PartShown[];
	/** What is eaten first by it: "soon: by 18:00 today". */
	readonly why: string;
	readonly soon: boolean;
	readonly short: boolean;
	/** Lots and how much of each, for taking it in one tap. */
	readonly take: string;
}
export interface ThawShown {
	readonly lot: string;
	readonly title: string;
	readonly amount: string;
	readonly place: string;
	readonly hours: number;
	readonly inTime: boolean;
	readonly unit: string;
	readonly units: number;
}
export interface SupperView {
	readonly people: number;
	/** "18:30", and that instant, ms. */
	readonly at: string;
	readonly atMs: number;
	readonly within: number;
	readonly meals: readonly MealShown[];
	/** Kept for their days. */
	readonly planned: readonly {
		/** `yyyy-MM-dd`, and "4 Dec", "today". */
		readonly day: string;
		readonly when: string;
		readonly title: string;
		readonly parts: string;
		/** Ids of what is kept, with commas. */
		readonly claims: string;
	}[];
	/** `yyyy-MM-dd` */
	readonly tomorrow: string;
	/** Taken lately: something of it may be left over. */
	readonly taken: readonly { readonly groupId: string; readonly title: string; readonly grams: number }[];
	readonly thaws: readonly ThawShown[];
	/** Where it is thawed; null without a fridge. */
	readonly fridge: string | null;
	readonly second: readonly {
		readonly title: string;
		readonly all: string;
		readonly until: string;
		readonly hours: number;
	}[];
	readonly avoids: readonly { readonly food: string; readonly name: string; readonly who: string }[];
	/** The food that has to go soonest before its new crop. */
	readonly eatDown: { readonly name: string; readonly stands: string; readonly ration: string } | null;
	readonly lowAcid: boolean;
}
