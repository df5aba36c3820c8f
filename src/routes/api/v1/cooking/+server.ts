import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { thingNamed, foodParam, open, parseQuery } from '$lib/server/api/answer';
import { shownCooking } from '$lib/server/api/other-ways';
import type { RequestHandler } from './$types';

/** How a food is cooked and used. 200, 400 malformed, 404 unknown food. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const { food } = parseQuery(Joi.object<{ food: string }>({ food: foodParam() }), url);
		return json(shownCooking(thingNamed(food, 'yes')));
	});
