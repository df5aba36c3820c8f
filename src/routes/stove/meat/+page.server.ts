import { redirect } from '@sveltejs/kit';
import Joi from 'joi';
import { said } from '$lib/server/begin';
import { AppError } from '$lib/server/errors';
import { meatFor } from '$lib/server/meat';
import { gathered, meatAsked } from '$lib/server/meat-asked';
import { key, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { units, currency } = locals.household;
		const ask = gathered(parse(meatAsked(units, currency), said(url.searchParams)));
		const { view } = await meatFor(locals.stores, ask, locals.now);
		return { title: `Cut up: ${view.name}`, view };
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async ({ key: once, ...fields }) => {
			const { stores, now, household } = event.locals;
			const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
			const ask = gathered(parse(meatAsked(household.units, household.currency), said(Object.entries(fields))));
			const body = { key: by, body: { meat: ask } };
			const before = await stores.runs.started(body);
			if (before) redirect(303, `/stove/${before.id}`);
			const { view, plan } = await meatFor(stores, ask, now);
			if (!plan)
				throw new AppError(422, 'REFUSED', `${view.stop || 'Write it into the Basket first.'} Nothing was started.`);
			redirect(303, `/stove/${(await stores.runs.start(body, plan)).id}`);
		})
};
