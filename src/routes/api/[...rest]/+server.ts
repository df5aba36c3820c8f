import { json } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import type { RequestHandler } from './$types';

/** Whatever else is asked under /api: 404 in the one shape of error. */
export const fallback: RequestHandler = ({ url }) => {
	const known = new AppError(
		404,
		'NOT_FOUND',
		`There is nothing at ${url.pathname.slice(0, 100)}. GET /api/v1/openapi.json lists what there is.`
	);
	return json(known.body, { status: 404 });
};
