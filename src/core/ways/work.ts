/** Where a step is done: one thing at a time there, or (the table) by whoever has hands. */
export type WorkStation = 'table' | 'pot' | 'basin' | 'freezer' | 'dryer' | 'canner';

/** A step of a way as a schedule wants it. */
export interface WorkStep {
	readonly id:
		| 'prepare'
		| 'boil'
		| 'line'
		| 'cook'
		| 'simmer'
		| 'cool'
		| 'tray'
		| 'freeze'
		| 'dry'
		| 'turn'
		| 'fill'
		| 'process'
		| 'pack';
	readonly seconds: number;
	/** Whether it keeps hands. */
	readonly attended: boolean;
	/** Nobody's hands, yet somebody stays by it: a canner under heat. */
	readonly watched?: true;
	readonly station: WorkStation;
}

/** Hands at the knife: what a household's own pace moves, s. */
export const knifeOf = (work: readonly WorkStep[]): number =>
	work.reduce((s, step) => s + (step.id === 'prepare' ? step.seconds : 0), 0);

/** What a way takes of the kitchen. */
export interface Demands {
	/** Prepared food that a freezer has to freeze, kg. */
	readonly freeze_kg: number;
	/** Room of its packs there, L. */
	readonly freezer_L: number;
	/** Room on a shelf, L. */
	readonly shelf_L: number;
	readonly trays: number;
	readonly ice_kg: number;
	readonly water_L: number;
	/** The pot that it keeps, by id, and for how long; null where it is not said which. */
	readonly pot: { readonly id: string; readonly seconds: number } | null;
	/** Trays of the dryer, and for how long each, h. */
	readonly dryer: { readonly trays: number; readonly loads: number; readonly tray_h: number } | null;
	readonly canner: {
		readonly method: 'boiling-water' | 'pressure';
		readonly loads: number;
		readonly lids: number;
	} | null;
	readonly jars: { readonly size: string; readonly count: number } | null;
	readonly containers: readonly { readonly id: string; readonly count: number }[];
	readonly hands_s: number;
}

/** What a way takes that takes nothing. */
export const noDemands: Demands = {
	freeze_kg: 0,
	freezer_L: 0,
	shelf_L: 0,
	trays: 0,
	ice_kg: 0,
	water_L: 0,
	pot: null,
	dryer: null,
	canner: null,
	jars: null,
	containers: [],
	hands_s: 0
};
