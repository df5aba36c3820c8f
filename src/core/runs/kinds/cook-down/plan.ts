import type { BoilPot } from '../../../heat/boil-down';
import type { Burner } from '../../../heat/pot-heating';
import type { AnyPlan, PlannedFood } from '../../engine/kind';
import type { Mark } from '../../engine/stage';

/** What is cooked down: a lot, or a share of one, into one pan. */
export interface CookSubject extends PlannedFood {
	readonly n: 1;
	/** What it becomes: another food where its row says so. */
	readonly to: { readonly food: string; readonly form: string; readonly name: string };
	/** A transform of the table. */
	readonly transform: string;
	/** Softened before it is milled, or before it is cooked down. */
	readonly soften: boolean;
	/** What is milled or strained out of it, as a share; 0 where nothing is. */
	readonly milledOut: number;
	readonly milledWords: string;
	/** Stirred in while it cooks, a share of what was weighed; none where the row says nothing. */
	readonly added: null | { readonly what: string; readonly share: number };
	/** kg to the litre at the start and in the end. */
	readonly thin_kg_L: number;
	readonly thick_kg_L: number;
	/** What is to be left of the volume; null where nothing is cooked away. */
	readonly fraction: number | null;
	/** Thick it catches: stirred without a break. */
	readonly catches: boolean;
	readonly load_g: number;
	readonly out_g: number;
	/** The two stages of cooling what is cooked. */
	readonly cooling: readonly Mark[];
	readonly headspace: string;
	readonly acid: string;
}

/** Frozen when the run starts. */
export interface CookPlan extends AnyPlan {
	readonly kind: 'cook-down';
	readonly version: 1;
	readonly subjects: readonly CookSubject[];
	readonly pan: BoilPot & { readonly name: string; readonly burner: Burner; readonly guessed: boolean };
	readonly boil_C: number;
}

export const subjectOf = (plan: CookPlan): CookSubject => {
	const [one] = plan.subjects;
	if (!one) throw new Error('A pan without anything in it.');
	return one;
};

export const titleOf = ({ food, to }: CookSubject): string => `${food.name}, ${to.name}`;
