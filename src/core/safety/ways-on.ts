import type { FoodRow } from '../../reference/tables';
import { productsOf } from '../canning/products';
import { recipeOf } from '../canning/recipe-of';

/**
 * The nearest safe ways for a food, in words, from the tables themselves: what is not in them is not offered.
 * @param jars whether the tested canning products are among them
 */
export function waysOn(food: FoodRow, jars: boolean): string[] {
	const ways: string[] = [];
	if (food.cuts.some((c) => c.blanch?.length))
		ways.push(food.group === 'mushroom' ? 'Steam and freeze it' : 'Blanch and freeze it');
	if (food.cuts.some((c) => c.cookFirst)) ways.push('Cook it first, then freeze it');
	if (food.cuts.some((c) => c.raw.kind === 'fine'))
		ways.push(food.group === 'dish' || food.group === 'stock' ? 'Cool it fast and freeze it' : 'Freeze it');
	const products = jars ? productsOf(food.id).filter((p) => !p.recipe || recipeOf(p, food.id)) : [];
	if (products.length > 0) {
		const names = products.slice(0, 3).map((p) => p.name);
		ways.push(`Can it by a tested process: ${names.join('; ')}`);
	}
	if (food.perishable) ways.push('Keep it in the fridge for its few days');
	else if (ways.length === 0) ways.push('Eat it fresh');
	return ways;
}
