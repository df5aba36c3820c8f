import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { freezeDryFor } from '$lib/server/freeze-dry';
import { id, key, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

const lotsOf = (list: readonly string[]) =>
	parse(Joi.array().items(id()).max(12).unique().label('What goes in'), list) as string[];

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { view } = await freezeDryFor(locals.stores, { lots: lotsOf(url.searchParams.getAll('lot')) }, locals.now);
		return { title: 'Freeze-dry', view };
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async (fields) => {
			const { stores, now } = event.locals;
			const v = parse(
				Joi.object<{ lots: string; key: string }>({
					lots: Joi.string().max(1000).required().label('What goes in'),
					key: key()
				}),
				fields
			);
			const lots = lotsOf(v.lots.split(' ').filter(Boolean));
			const ask = { key: v.key, body: { freezeDry: lots } };
			const before = await stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			const { view, plan } = await freezeDryFor(stores, { lots }, now);
			if (!plan || plan.subjects.length < lots.length)
				throw new AppError(422, 'NOT_STARTED', `${view.stop || 'One of them cannot go in.'} Nothing was started.`);
			redirect(303, `/stove/${(await stores.runs.start(ask, plan)).id}`);
		})
};
