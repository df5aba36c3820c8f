import { calendarResponse } from '$lib/server/out/calendar';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** Looks, use-first dates and the plan, RFC 5545, as a file. */
export const GET: RequestHandler = ({ locals }) => endpoint(() => calendarResponse(locals, 'attachment'));
