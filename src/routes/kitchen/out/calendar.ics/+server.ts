import { calendarOf } from '$lib/server/out/calendar';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** Looks, use-first dates and the plan, RFC 5545. */
export const GET: RequestHandler = ({ locals }) =>
	endpoint(async () => {
		const { stores, household, now } = locals;
		return new Response(await calendarOf(stores, household, now), {
			headers: {
				'content-type': 'text/calendar; charset=utf-8; method=PUBLISH',
				'content-disposition': 'attachment; filename="root-jar.ics"',
				'cache-control': 'no-store'
			}
		});
	});
