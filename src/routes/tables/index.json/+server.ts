import { json } from '@sveltejs/kit';
import { tableEntries } from '$core/tables/entries';
import type { RequestHandler } from './$types';

/** The index that is searched as you type: asked for once, by the first page of Tables, instead of standing in each. */
export const GET: RequestHandler = () => json(tableEntries);
