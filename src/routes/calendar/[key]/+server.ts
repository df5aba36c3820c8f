import { calendarResponse } from '$lib/server/out/calendar';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** What a calendar reads by itself, RFC 5545; its household is its key's. 200, 404. */
export const GET: RequestHandler = ({ locals }) => endpoint(() => calendarResponse(locals, 'inline'));
