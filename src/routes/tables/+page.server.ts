import { tableEntries } from '$core/tables/entries';
import { search } from '$core/tables/search';
import { wayOfRecipe } from '$core/tables/food-sections';
import { allRecipes } from '$core/recipes/find-recipe';
import { shownRecipe } from '$lib/server/tables';
import { wayWords } from '$reference/other-ways';
import { foodRows } from '$reference/tables';
import { wordsOf } from '$core/tables/way-page';
import type { PageServerLoad } from './$types';

const groups = [
	['vegetable', 'Vegetables'],
	['fruit', 'Fruit'],
	['herb', 'Herbs'],
	['flower', 'Flowers'],
	['mushroom', 'Mushrooms'],
	['meat', 'Meat'],
	['poultry', 'Poultry and rabbit'],
	['fish', 'Fish and shellfish'],
	['stock', 'Stock'],
	['dish', 'Dishes']
] as const;

/** All there is to look up; with `q`, what was found, for a browser that runs no script. */
export const load: PageServerLoad = ({ url }) => {
	const q = (url.searchParams.get('q') ?? '').slice(0, 60);
	const ways = new Map<string, { name: string; recipes: ReturnType<typeof shownRecipe>[] }>();
	for (const recipe of allRecipes.filter((r) => r.kind !== 'rehydrating')) {
		const way = wayOfRecipe(recipe);
		const group = ways.get(way) ?? { name: wordsOf(way).name, recipes: [] };
		group.recipes.push(shownRecipe(recipe));
		ways.set(way, group);
	}
	return {
		title: 'Tables',
		q,
		found: q ? search(tableEntries, q, 40).map((f) => f.entry) : [],
		ways: wayWords.map((w) => ({ id: w.id, name: w.name, lead: w.lead })),
		groups: groups.map(([id, name]) => ({
			name,
			foods: foodRows
				.filter((f) => f.group === id)
				.map((f) => ({ id: f.id, name: f.name }))
				.sort((a, b) => a.name.localeCompare(b.name))
		})),
		ratios: [...ways.values()],
		counts: { foods: foodRows.length, ratios: allRecipes.length }
	};
};
