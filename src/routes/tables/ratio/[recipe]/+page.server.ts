import { DomainError } from '$core/errors';
import { amountText, sayAmount } from '$core/quantities/amount';
import { findRecipe, nearRecipes } from '$core/recipes/find-recipe';
import {
	mainOf,
	practical,
	readHave,
	scaleRecipe,
	type ScaledIngredient,
	type ScaledRecipe
} from '$core/recipes/scale-recipe';
import { sureness } from '$core/tables/line';
import { wayOfRecipe } from '$core/tables/food-sections';
import { wordsOf } from '$core/tables/way-page';
import { foodById } from '$core/things/names';
import { towardRecipe } from '$lib/server/around';
import { AppError } from '$lib/server/errors';
import { page } from '$lib/server/respond';
import type { Units } from '$core/quantities/format';
import { sources } from '$reference/sources';
import { canningProducts } from '$reference/canning';
import type { PageServerLoad } from './$types';

function shownIngredient(i: ScaledIngredient, units: Units) {
	const [amount, unit] = practical(i.amount, i.unit);
	return {
		what: i.what,
		amount: sayAmount(amount, unit, units),
		main: i.main,
		/** Times the measure is filled: what is counted aloud. */
		count: unit === 'cup' ? Math.ceil(amount[0] - 1e-6) : 0
	};
}

/** What a proportion is asked for: the salt, the sugar, the water; where nothing is added, what it makes. */
function largest(scaled: ScaledRecipe, units: Units): { amount: string; of: string } {
	const main = scaled.all.find((i) => i.main);
	const to = main ? ` to ${sayAmount(main.amount, main.unit, units).main} of ${main.what}` : '';
	if (scaled.salt_kg) {
		const [low, high] = scaled.salt_kg.map((kg) => Math.round(kg * 1000));
		return { amount: `${low} to ${high} g`, of: `canning salt${to}` };
	}
	const added = scaled.all.find((i) => !i.main);
	if (added) {
		const [amount, unit] = practical(added.amount, added.unit);
		return { amount: sayAmount(amount, unit, units).main, of: `${added.what}${to}` };
	}
	const made = scaled.makes ? sayAmount(scaled.makes.amount, scaled.makes.unit, units).main : '';
	return { amount: made, of: main ? `from ${sayAmount(main.amount, main.unit, units).main} of ${main.what}` : '' };
}

/** A ratio for what there is: `have` in the address, so that it survives a reload and can be shared. */
export const load: PageServerLoad = ({ locals, params, url }) =>
	page(
		async () => {
			const recipe = findRecipe(params.recipe);
			if (!recipe) {
				const near = nearRecipes(params.recipe).map((r) => r.name);
				throw new AppError(
					404,
					'UNKNOWN_RECIPE',
					`No ratio of that name stands in Tables.${near.length > 0 ? ` Near it: ${near.join('; ')}.` : ''}`
				);
			}
			const { units } = locals.household;
			const main = mainOf(recipe);
			const typed = (url.searchParams.get('have') ?? '').slice(0, 40);
			const least = typeof main.amount === 'number' ? main.amount : main.amount[0];
			let fault = '';
			let scaled = scaleRecipe(recipe, readHave(`${least}`, main.unit));
			if (typed.trim() !== '') {
				try {
					scaled = scaleRecipe(recipe, readHave(typed, main.unit));
				} catch (thrown) {
					if (!(thrown instanceof DomainError)) throw thrown;
					fault = thrown.message;
				}
			}
			const product = canningProducts.find((p) => p.id === recipe.product);
			const say = (amount: number | readonly [number, number], unit: typeof main.unit) =>
				amountText(sayAmount(amount, unit, units));
			return {
				title: recipe.name,
				recipe: {
					id: recipe.id,
					name: recipe.name,
					scale: recipe.scale,
					steps: recipe.steps ?? [],
					note: recipe.note ?? ''
				},
				way: { id: wayOfRecipe(recipe), name: wordsOf(wayOfRecipe(recipe)).name },
				foods: recipe.foods.flatMap((id) => foodById(id) ?? []).map((f) => ({ id: f.id, name: f.name })),
				main: {
					what: main.what,
					one: say(typeof main.amount === 'number' ? main.amount : [main.amount[0], main.amount[1]], main.unit),
					byWeight: main.kg_per_unit !== undefined
				},
				typed,
				fault,
				sets: scaled.sets,
				large: largest(scaled, units),
				converted: scaled.converted,
				set: scaled.set.map((i) => shownIngredient(i, units)),
				all: scaled.all.map((i) => shownIngredient(i, units)),
				makes: scaled.makes ? say(scaled.makes.amount, scaled.makes.unit) : '',
				left: scaled.left.amount > 0 ? say(scaled.left.amount, scaled.left.unit) : '',
				short: scaled.short.amount > 0 ? say(scaled.short.amount, scaled.short.unit) : '',
				salt: scaled.salt_percent ? say(scaled.salt_percent, '%') : '',
				words: scaled.words,
				gather: towardRecipe(recipe, await locals.stores.stock.basket(), locals.now),
				zone: locals.household.zone,
				product: product ? { name: product.name, food: recipe.foods[0] ?? '' } : null,
				canned: ['jam', 'sauce', 'juice', 'pickle', 'kraut', 'ferment'].includes(recipe.kind),
				whose: `${sources[recipe.source].title}${recipe.locator ? `, ${recipe.locator}` : ''}`,
				sure: sureness(recipe)
			};
		},
		locals.household.units,
		['note', 'text']
	);
