import Joi from 'joi';
import { id, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import { together } from '$lib/server/ways/together';
import type { PageServerLoad } from './$types';

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
