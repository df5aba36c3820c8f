import Joi from 'joi';
import { id, key, parse } from '$lib/server/parse';
import { redirect } from '@sveltejs/kit';
import { action, page } from '$lib/server/respond';
import { startLoad } from '$lib/server/ways/do';
import { together } from '$lib/server/ways/together';
import type { Actions, PageServerLoad } from './$types';

/** So many lots are nobody's evening. */
const most = 20;

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const lots = parse(
			Joi.array().items(id()).max(most).unique().label('What goes together'),
			url.searchParams.getAll('lot')
		) as string[];
		const [view, basket] = await Promise.all([together(locals.stores, lots, locals.now), locals.stores.stock.basket()]);
		return {
			title: 'Ways together',
			view,
			basket: basket.map(({ lot }) => ({ id: lot.id, name: lot.title, ticked: lots.includes(lot.id) }))
		};
	}, locals.household.units);

export const actions: Actions = {
	/** One load of the dryer with all of them. */
	dry: (event) =>
		action(event, async (fields) => {
			const { stores, now } = event.locals;
			const v = parse(
				Joi.object<{ lots: string; key: string }>({
					lots: Joi.string().max(1000).required().label('What goes together'),
					key: key()
				}),
				fields
			);
			const lots = parse(
				Joi.array().items(id()).min(1).max(most).unique().label('What goes together'),
				v.lots.split(' ').filter(Boolean)
			) as string[];
			const ask = { key: v.key, body: { load: lots } };
			const before = await stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			redirect(303, `/stove/${await startLoad(stores, ask, lots, now)}`);
		})
};
