import { page } from '$lib/server/respond';
import { lastsView } from '$lib/server/lasting';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, household, now } = locals;
		return { title: 'How long it lasts', lasts: await lastsView(stores, household, now), at: now.getTime() };
	}, locals.household.units);
