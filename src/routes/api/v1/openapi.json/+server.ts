import { json } from '@sveltejs/kit';
import { openApi } from '$lib/server/api/openapi';
import type { RequestHandler } from './$types';

/** The description of the open interface, OpenAPI 3.1. */
export const GET: RequestHandler = () => json(openApi);
