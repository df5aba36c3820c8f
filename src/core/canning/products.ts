import { canningProducts, type CanningProduct } from '../../reference/canning';
import { foldName } from '../foods/fold-name';

const key = (text: string) => foldName(text).replace(/s$/, '');
const own = new Map<string, CanningProduct>();
const byFood = new Map<string, CanningProduct[]>();
for (const product of canningProducts) {
	for (const name of [product.id, product.name, ...(product.names ?? [])]) own.set(key(name), product);
	for (const food of product.foods) byFood.set(food, [...(byFood.get(food) ?? []), product]);
}

/** A product asked for by a name of its own: "applesauce", "ketchup", "pickled-beets". */
export const productByName = (text: string): CanningProduct | undefined => own.get(key(text));

/** Every product that the tables have for a food, plain ones before recipes. */
export const productsOf = (foodId: string): readonly CanningProduct[] =>
	[...(byFood.get(foodId) ?? [])].sort((a, b) => Number(a.recipe ?? false) - Number(b.recipe ?? false));

/** Whether a product answers to this word under its food: its own word, another for it, or its full name. */
export const answersTo = (product: CanningProduct, word: string): boolean =>
	[product.product, product.id, product.name, ...(product.aliases ?? []), ...(product.names ?? [])].some(
		(name) => key(name) === key(word)
	);
