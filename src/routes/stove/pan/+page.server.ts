import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { panFor, type PanAsk } from '$lib/server/pan';
import { id, key, line, parse, weightWithin } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

const asked = {
	lot: id().required().label('What goes into the pan'),
	what: line(80).label('What it becomes'),
	pot: id().label('The pan'),
	left: Joi.number().integer().min(5).max(95).label('What is left of it'),
	grams: weightWithin(1, 1_000_000).label('The amount')
};

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const said = Object.fromEntries([...url.searchParams].filter(([n, v]) => v !== '' && !n.startsWith('/')));
		const ask = parse(Joi.object<PanAsk>(asked), said);
		const { view } = await panFor(locals.stores, ask, locals.now);
		return { title: `Into the pan: ${view.name}`, lot: ask.lot, view };
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async ({ key: once, ...fields }) => {
			const { stores, now } = event.locals;
			const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
			const said = Object.fromEntries(Object.entries(fields).filter(([, v]) => v !== ''));
			const ask = parse(Joi.object<PanAsk>(asked), said);
			const body = { key: by, body: { pan: ask } };
			const before = await stores.runs.started(body);
			if (before) redirect(303, `/stove/${before.id}`);
			const { view, plan } = await panFor(stores, ask, now);
			if (!plan) throw new AppError(422, 'REFUSED', `${view.stop} Nothing was started.`);
			redirect(303, `/stove/${(await stores.runs.start(body, plan)).id}`);
		})
};
