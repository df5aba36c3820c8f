import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { id, line, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import { echoOfShelf, readShelf } from '$lib/server/shelf-line';
import type { RequestHandler } from './$types';

/** What a line of a shelf would be understood as. 200 the echo, 400 malformed, 404 no such place. */
export const GET: RequestHandler = ({ url, locals }) =>
	endpoint(async () => {
		const { q, place, jars } = parse(
			Joi.object<{ q: string; place?: string; jars?: 'tested' | 'unknown' }>({
				q: line(200).allow('').required().label('The line'),
				place: id().label('The place'),
				jars: Joi.string().valid('tested', 'unknown').label('How the jars were made')
			}),
			Object.fromEntries(url.searchParams)
		);
		const { stores, household, now } = locals;
		return json(echoOfShelf(await readShelf(stores, q, household, now, jars), household, now, place));
	});
