import Joi from 'joi';
import { planView } from '$lib/server/haul-plan';
import { key, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, household, now } = locals;
		return { title: 'The plan', plan: await planView(stores, household, now), now: now.getTime() };
	}, locals.household.units);

export const actions: Actions = {
	/** Nothing is planned any more; the lots wait in the Basket as before. */
	drop: (event) =>
		action(event, async (fields) => {
			const { key: once } = parse(Joi.object<{ key: string }>({ key: key() }), fields);
			await event.locals.stores.choices.dropPlan(once);
			return { saved: 'The plan was let go of' };
		})
};
