import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { foodNamed, open, parseQuery } from '$lib/server/api/answer';
import { inFull } from '$lib/server/api/foods';
import type { RequestHandler } from './$types';

/** One food by its id or any other name. 200 the food, 400 malformed, 404 unknown, with near names. */
export const GET: RequestHandler = ({ params, url }) =>
	open(() => {
		parseQuery(Joi.object({}), url);
		return json(inFull(foodNamed(params.id).food));
	});
