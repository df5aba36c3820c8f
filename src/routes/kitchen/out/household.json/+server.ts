import { dateIn } from '$core/freezing/keep';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** The household whole, one file; its schema is beside it. */
export const GET: RequestHandler = ({ locals }) =>
	endpoint(async () => {
		const { stores, household, now } = locals;
		const name = household.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'household';
		const file = `${name}-${dateIn(household.zone, now.getTime())}.json`;
		return new Response(JSON.stringify(await stores.out.whole()), {
			headers: {
				'content-type': 'application/json; charset=utf-8',
				'content-disposition': `attachment; filename="household.json"; filename*=UTF-8''${encodeURIComponent(file)}`,
				'cache-control': 'no-store'
			}
		});
	});
