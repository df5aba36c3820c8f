import type { FoodRow } from '../../reference/tables';
import type { KindRow } from '../../reference/things';

/** The one list of states. What the tables hold is for `fresh`; every other state has to be allowed by name. */
export const states = [
	'fresh',
	'prepared',
	'cooked',
	'soaked',
	'frozen',
	'thawed',
	'dried',
	'canned',
	'opened',
	'pickled',
	'salted',
	'fermented',
	'cured',
	'smoked',
	'in-oil',
	'coated',
	'sugared',
	'mixed',
	'vacuumed',
	'sprouted'
] as const;
export type State = (typeof states)[number];

/** How it looks. `unsound`: diseased, frosted, windfalls, from dead vines. What is spoiled is never a thing: it is out. */
export const conditions = ['firm', 'ripe', 'soft', 'unsound'] as const;
export type Condition = (typeof conditions)[number];

/** How far a thing is along its clock, over every place that it has stood in. */
export interface Age {
	/** `best`: past its best; `end`: past the end of its clock. */
	readonly past: 'no' | 'best' | 'end';
	/** Whether the end is one of safety, or of quality. */
	readonly limit: 'safety' | 'quality';
}

/** One food of a mixture, with its share by weight. */
export interface Part {
	readonly food: string;
	readonly kind?: string;
	readonly form: string;
	/** 0 to 1; the shares of a mixture add up to 1. */
	readonly share: number;
}

/** What a household handles, resolved once at the door: no room finds a food by a name again. */
export interface Thing {
	readonly food: FoodRow;
	readonly kind?: KindRow;
	/** The household's own word. */
	readonly called: string;
	/** A form of the food, by id. */
	readonly form: string;
	readonly state: State;
	readonly condition: Condition;
	/** What it was before it was opened or thawed: a jar, a dried thing, a cooked dish. */
	readonly was?: State;
	/** Of several foods: all of them, by weight; `food` is then the one that it must be kept by. */
	readonly madeOf?: readonly Part[];
	/** Of a jar on the shelf: whether it is known that it went by a tested process. */
	readonly process?: 'tested' | 'unknown';
	/** Picked wild, whatever the food. */
	readonly wild?: boolean;
	/** Whether an expert has seen it; unsaid is not safe. */
	readonly identified?: boolean;
	/** Where it is known. */
	readonly age?: Age;
}

/** A food fresh and sound, as the tables speak of it: for pages and look-ups that are about the food itself. */
export const plain = (food: FoodRow): Thing => ({
	food,
	called: food.name,
	form: food.forms[0]?.id ?? 'whole',
	state: 'fresh',
	condition: 'firm',
	// The tables say how identified ones are kept; a lot of them is asked about.
	identified: true
});

/** Whether it has to be seen by an expert before anything is made of it. */
export const mustBeIdentified = ({ food, kind, wild }: Pick<Thing, 'food' | 'kind' | 'wild'>): boolean =>
	kind?.identify === true ||
	wild === true ||
	food.marks?.some((m) => m === 'wild-mushroom' || m === 'elder' || m === 'foraged') === true;
