import { json } from '@sveltejs/kit';
import { wholeSchema } from '$lib/server/out/whole';
import type { RequestHandler } from './$types';

/** What a household's file holds, JSON Schema. */
export const GET: RequestHandler = () => json(wholeSchema, { headers: { 'content-type': 'application/schema+json' } });
