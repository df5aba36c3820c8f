import { json } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { truthOf } from '$lib/server/instruments/truth';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** What a stand-in would have before it, by the physics of the runs that go on: simulated ones alone may ask. 200, 401, 403. */
export const GET: RequestHandler = ({ locals }) =>
	endpoint(async () => {
		const { instrument, stores, now } = locals;
		if (!instrument) throw new AppError(401, 'NOT_PAIRED', 'This instrument is not known here.');
		if (!instrument.standIn)
			throw new AppError(403, 'NOT_A_STAND_IN', 'A real instrument measures for itself. Nothing is told to it.');
		return json(await truthOf(stores, instrument, now), { headers: { 'cache-control': 'no-store' } });
	});
