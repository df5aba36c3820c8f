import type { CanningProduct } from '../../reference/canning';
import { canningRecipes, type CanningIngredient, type CanningRecipe } from '../../reference/canning-recipes';
import { sayAmount } from '../quantities/amount';
import type { Units } from '../quantities/format';

/**
 * What a tested recipe is made of, for a food. Without it no minutes are given: a time for salsa is a time for that salsa.
 *
 * @param food by id; null for a product that is asked for by its own name
 * @returns undefined where no list is carried
 */
export function recipeOf(product: CanningProduct, food: string | null): CanningRecipe | undefined {
	const rows = canningRecipes.filter((r) => r.product === product.id);
	return rows.find((r) => !r.foods || (food !== null && r.foods.includes(food)));
}

/** Foods of a product for which its ingredients are carried. */
export const recipeFoods = (product: CanningProduct): readonly string[] =>
	canningRecipes.filter((r) => r.product === product.id).flatMap((r) => r.foods ?? product.foods);

/** "6 cups bottled lemon juice, 5 %": an ingredient in the household's units, as the guide prints it beside. */
export function sayIngredient({ what, amount, unit, prep, optional }: CanningIngredient, units: Units): string {
	const words = [what, prep].filter(Boolean).join(', ');
	const may = optional ? ' (if wanted)' : '';
	if (amount === undefined) return `${words}${may}`;
	const range: readonly [number, number] =
		typeof amount === 'number' ? [amount, amount] : [amount[0] ?? 0, amount[1] ?? amount[0] ?? 0];
	if (unit === 'fl oz' || unit === 'drop' || unit === undefined) {
		const count = range[0] === range[1] ? `${range[0]}` : `${range[0]} to ${range[1]}`;
		const ml = unit === 'fl oz' && units === 'metric' ? ` (${Math.round(range[1] * 29.5735)} ml)` : '';
		return `${count} ${unit === 'drop' && range[1] > 1 ? 'drops' : (unit ?? '')}${ml} ${words}${may}`.replace(
			'  ',
			' '
		);
	}
	const said = sayAmount(range, unit, units);
	// Proportions are the safety of it: the printed measure always stands.
	const main = said.printed && units === 'metric' ? `${said.printed} (${said.main})` : said.main;
	return `${main} ${words}${may}`;
}
