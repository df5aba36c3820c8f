import { json } from '@sveltejs/kit';
import { checkCharacters } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import { effectsOf, readSetUp } from '$lib/server/set-up';
import type { RequestHandler } from './$types';

/** What these answers would change. 200 the effects, 400 every fault named. */
export const GET: RequestHandler = ({ url, locals }) =>
	endpoint(async () => {
		const fields = Object.fromEntries(url.searchParams);
		checkCharacters(fields);
		return json(await effectsOf(locals.stores, readSetUp(fields), locals.now));
	});
