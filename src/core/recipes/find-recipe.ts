import { distance } from 'fastest-levenshtein';
import { recipes, rehydrating, type RecipeRow, type RehydratingRow } from '../../reference/other-ways';
import { foldName } from '../foods/fold-name';

/** Rehydrating is a ratio like any other: a cup of dried food, its water. */
const fromDried = (row: RehydratingRow): RecipeRow => ({
	id: `rehydrate-${row.id}`,
	name: `dried ${row.id.replace(/-/g, ' ')}, water back`,
	kind: 'rehydrating',
	foods: row.foods,
	scale: 'linear',
	ingredients: [
		{ what: `dried ${row.id.replace(/-/g, ' ')}`, amount: 1, unit: 'cup', role: 'main' },
		{ what: row.water === 'boiling' ? 'boiling water' : 'water at room temperature', amount: row.cups, unit: 'cup' }
	],
	steps: [
		`Soak ${row.hours < 1 ? `${row.hours * 60} minutes` : `${row.hours} h`}; longer than 2 h goes into the fridge.`,
		row.water === 'boiling' ? 'Simmer in the same water until tender.' : 'Eat as it is or cook in the same water.'
	],
	source: row.source,
	confidence: row.confidence,
	...(row.recalls ? { recalls: row.recalls } : {})
});

/** Every ratio: the recipes of the tables and the rehydrating rows. */
export const allRecipes: readonly RecipeRow[] = [...recipes, ...rehydrating.map(fromDried)];

const byName = new Map<string, RecipeRow>();
for (const recipe of allRecipes) {
	for (const name of [recipe.id, recipe.name, ...(recipe.names ?? [])]) byName.set(foldName(name), recipe);
}

/** The recipe of this id or name, or undefined. */
export const findRecipe = (text: string): RecipeRow | undefined => byName.get(foldName(text));

/** Recipes that were probably meant, nearest first. */
export function nearRecipes(text: string, most = 5): RecipeRow[] {
	const key = foldName(text);
	if (key.length < 2) return [];
	const words = key.split(' ').filter((w) => w.length > 2);
	const scored = new Map<RecipeRow, number>();
	for (const [name, recipe] of byName) {
		const shared = words.filter((w) => name.includes(w)).length;
		const score = shared > 0 ? 10 - shared * 3 + name.length / 100 : distance(key, name);
		if (shared > 0 || score <= key.length / 3) scored.set(recipe, Math.min(score, scored.get(recipe) ?? Infinity));
	}
	return [...scored].sort((a, b) => a[1] - b[1]).slice(0, most).map(([recipe]) => recipe); // prettier-ignore
}

/** Water back for a food that was dried; undefined where none is printed. */
export const findRehydrating = (foodId: string): RehydratingRow | undefined =>
	rehydrating.find((r) => r.foods.includes(foodId));

export const recipesOf = (foodId: string): readonly RecipeRow[] => allRecipes.filter((r) => r.foods.includes(foodId));
