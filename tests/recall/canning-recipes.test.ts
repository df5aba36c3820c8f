import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { recipeOf } from '../../src/core/canning/recipe-of';
import { canningProducts } from '../../src/reference/canning';
import { canningRecipes, type CanningIngredient, type CanningRecipe } from '../../src/reference/canning-recipes';
import { linesOf } from './lines';

const sayAmount = ({ amount, unit }: CanningIngredient): string =>
	`${typeof amount === 'object' ? amount.join('-') : (amount ?? '-')} ${unit ?? ''}`.trim();

/** Lines of a list that a recalled name means: "celery =" is celery alone, "sweet corn, cut" looks into the preparation too. */
function meant(
	recipe: CanningRecipe,
	what: string
): readonly { readonly line: CanningIngredient; readonly amount: string }[] {
	const [name = '', prepared] = what.replace(/ =$/, '').split(', ');
	const lines = recipe.ingredients.filter((i) =>
		what.endsWith(' =') ? i.what === name : i.what.toLowerCase().includes(name)
	);
	// "15 lb in the husk, or 3 qt cut": the second measure stands in the preparation.
	const second = (i: CanningIngredient) => new RegExp(`or ([\\d.]+ \\w+) ${prepared ?? ''}`).exec(i.prep ?? '')?.[1];
	return lines.map((line) => ({ line, amount: prepared ? (second(line) ?? '-') : sayAmount(line) }));
}
const recipeNamed = (name: string): CanningRecipe | undefined => {
	const [id, food] = name.split(': ');
	return canningRecipes.find((r) => r.product === id && (!food || r.foods?.includes(food)));
};
const lines = linesOf('./canning-recipes.txt');

/** Acid that may be left out as printed: NCHFP, apple jelly without added pectin, "if desired" (from memory). */
const optionalAcid = ['jelly: bottled lemon juice'];
/** Tested recipes whose own list is not carried: never started. docs/numbers.md says why of each. */
const notStarted = ['baked-beans', 'mexican-tomato-sauce'];

// USDA Complete Guide to Home Canning, 2015, guides 2 to 7 (from memory, twice): see the head of canning-recipes.txt.
describe('what tested recipes are made of, against a second recall', () => {
	it.each(lines)('%s: %s %s', (name = '', what = '', amount) => {
		const recipe = recipeNamed(name);
		if (!recipe) throw new Error(`no list for ${name}`);
		expect(meant(recipe, what).map((m) => m.amount)).toEqual([amount]);
	});
	it('has no acid that only one recall knows', () => {
		const seen = new Set(lines.flatMap(([name = '', what = '']) => meant(recipeNamed(name) ?? { ...canningRecipes[0]!, ingredients: [] }, what)).map((m) => m.line)); // prettier-ignore
		const alone = canningRecipes.flatMap((r) =>
			r.ingredients
				.filter((i) => /vinegar|lemon juice|lime juice|citric/.test(i.what) && !seen.has(i))
				.map((i) => `${r.product}: ${i.what}`)
		);
		expect(alone).toEqual(optionalAcid);
	});
	it('carries no list of which two recalls differ', () => {
		expect(canningRecipes.filter((r) => r.recalls === 'differ').map((r) => r.product)).toEqual([]);
	});
	it('has no list for what is not started, and docs/numbers.md names it', () => {
		const without = canningProducts.filter(
			(p) => p.recipe && ![null, ...p.foods].some((food) => recipeOf(p, food) !== undefined)
		);
		expect(without.map((p) => p.id).sort()).toEqual(notStarted);
		const page = readFileSync(new URL('../../docs/numbers.md', import.meta.url), 'utf8');
		const section = page.slice(page.indexOf('## Recipes for jars'), page.indexOf('## Canning rows recalled once'));
		for (const id of notStarted) expect(section).toContain(`\`${id}\``);
		expect(section).toContain(`${lines.length} lines`);
	});
});
