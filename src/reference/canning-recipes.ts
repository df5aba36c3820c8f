import rows from './canning-recipes.json';
import type { Recalled } from './other-ways';

export type RecipeUnit = 'lb' | 'oz' | 'cup' | 'tbsp' | 'tsp' | 'qt' | 'gal' | 'fl oz' | 'piece' | 'box' | 'drop';

export interface CanningIngredient {
	readonly what: string;
	/** One, or from to; without it the words say how much. */
	readonly amount?: number | readonly number[];
	readonly unit?: RecipeUnit;
	readonly prep?: string;
	/** May be left out; the others may not. */
	readonly optional?: boolean;
}

/** What a tested product is made of: its minutes hold for this and for nothing else. */
export interface CanningRecipe extends Recalled {
	/** Id of the tested product. */
	readonly product: string;
	/** Foods of the product that this list is for; all of them without it. */
	readonly foods?: readonly string[];
	readonly ingredients: readonly CanningIngredient[];
	readonly makes?: { readonly jars: readonly number[]; readonly size: 'half-pint' | 'pint' | 'quart' };
	/** What must not be changed. */
	readonly keep: readonly string[];
}

// JSON widens literals to strings; a test checks every row, so the claim is safe here.
export const canningRecipes = rows as readonly CanningRecipe[];
