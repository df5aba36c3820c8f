import { paperResponse } from '$lib/server/labels/respond';
import { shelfPaper } from '$lib/server/out/papers';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** What stands where, for the door of the freezer. 200 PDF, 429. */
export const GET: RequestHandler = ({ locals }) =>
	endpoint(async () => {
		const { stores, household, now } = locals;
		return paperResponse(await shelfPaper(stores, household, now), 'shelves', household.units);
	});
