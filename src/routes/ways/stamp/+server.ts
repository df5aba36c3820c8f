import { text } from '@sveltejs/kit';
import { endpoint } from '$lib/server/respond';
import { basketStamp } from '$lib/server/share-haul';
import type { RequestHandler } from './$types';

/** Whether the Basket is still what a page was made from. 200 a short word. */
export const GET: RequestHandler = ({ locals }) => endpoint(async () => text(await basketStamp(locals.stores)));
