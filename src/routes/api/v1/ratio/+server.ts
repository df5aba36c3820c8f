import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { findRecipe, nearRecipes } from '$core/recipes/find-recipe';
import { mainOf, readHave, scaleRecipe } from '$core/recipes/scale-recipe';
import { open, parseQuery } from '$lib/server/api/answer';
import { asked, shownRatio } from '$lib/server/api/other-ways';
import { AppError } from '$lib/server/errors';
import { line } from '$lib/server/parse';
import type { RequestHandler } from './$types';

const schema = Joi.object<{ recipe: string; have?: string }>({
	recipe: line(80).required().label('recipe'),
	have: line(40).label('have')
});

/** A ratio for what there is, in whole sets where it is exact. 200, 400 malformed amount, 404 unknown recipe. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const query = parseQuery(schema, url);
		const recipe = findRecipe(query.recipe);
		if (!recipe) {
			const near = nearRecipes(query.recipe).map((r) => r.id);
			const hint = near.length > 0 ? ` Near it: ${near.join(', ')}.` : '';
			throw new AppError(404, 'UNKNOWN_RECIPE', `No recipe named "${query.recipe}" is known.${hint}`, [], near);
		}
		const { unit, amount } = mainOf(recipe);
		const one = `${typeof amount === 'number' ? amount : amount[0]}`;
		return json(shownRatio(asked(() => scaleRecipe(recipe, readHave(query.have ?? one, unit)))));
	});
