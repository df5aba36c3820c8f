import { page } from '$lib/server/respond';
import { plannedYear, seasonPlan } from '$lib/server/season-plan';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const year = plannedYear(household, now);
		return { title: `The plan of ${year}`, year, plan: await seasonPlan(stores, household, now) };
	}, locals.household.units);
