import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { echoOf, readHaul } from '$lib/server/haul';
import { line, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** What a line would be understood as. 200 the echo, 400 malformed. */
export const GET: RequestHandler = ({ url, locals }) =>
	endpoint(async () => {
		const { q } = parse(
			Joi.object<{ q: string }>({ q: line(200).allow('').required().label('The line') }),
			Object.fromEntries(url.searchParams)
		);
		return json(echoOf(await readHaul(locals.stores, q, locals.household, locals.now), locals.household.units, q));
	});
