import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { open, parseQuery } from '$lib/server/api/answer';
import { briefly, search } from '$lib/server/api/foods';
import { line } from '$lib/server/parse';
import type { RequestHandler } from './$types';

/** Foods found by any of their names. 200 the list, 400 malformed. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const { q } = parseQuery(Joi.object<{ q?: string }>({ q: line(80).label('q') }), url);
		const foods = search(q).map(briefly);
		return json({ count: foods.length, foods });
	});
