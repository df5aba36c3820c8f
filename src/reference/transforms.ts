import animals from './transforms/animals.json';
import dried from './transforms/dried.json';
import made from './transforms/made.json';
import plants from './transforms/plants.json';
import type { Provenance } from './row';
import type { Range } from './tables';

export const transformSteps = [
	'trim', 'shell', 'cut', 'press', 'juice', 'puree', 'mash', 'mix', 'shape', 'soak', 'cook', 'par-fry', 'reduce', 'dry', 'grind', 'rehydrate', 'thaw',
	'joint', 'bone', 'mince', 'render', 'stock', 'fish'
] as const; // prettier-ignore
export type TransformStep = (typeof transformSteps)[number];

export interface FormAndState {
	/** `any`: whatever it comes as. */
	readonly form: string;
	readonly state: string;
}
/**
 * From a thing to a thing: a kilo in gives so much of it, by-products, and what is lost. All shares by weight of what goes
 * in; with what is added they close: 1 + added = yield + by-products + lost, at the middle of the yield.
 */
export interface TransformRow extends Provenance {
	readonly id: string;
	readonly food: string;
	readonly step: TransformStep;
	readonly name: string;
	readonly from: FormAndState;
	/** Another food where it becomes one: a chicken cooked and stripped is cooked chicken. */
	readonly to: FormAndState & { readonly food?: string; readonly kind?: string };
	readonly yield: Range;
	readonly by?: readonly {
		readonly form: string;
		readonly share: number;
		/** Food or stock is made of it: it may be kept as a lot. */
		readonly kept?: boolean;
	}[];
	readonly added?: { readonly what: string; readonly share: number };
	readonly lost?: { readonly what: 'water' | 'waste'; readonly share: number };
	readonly kg_per_L?: number;
	/** A US cup of it, loosely filled, g. */
	readonly cup_g?: number;
	readonly volume?: string;
	readonly hands_min_per_kg?: number;
	readonly acid?: string;
	/** Recalled with doubt: shown as rough. */
	readonly unsure?: boolean;
}

// JSON widens literals to strings; a test checks every row against the schema, so the claim is safe here.
export const transformRows = [...plants, ...made, ...dried, ...animals] as unknown as readonly TransformRow[];
