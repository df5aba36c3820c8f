import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { kitFor, type KitTyped } from '$lib/server/kit';
import { id, key, line, parse, weightWithin } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

/** More than these go into nobody's pack. */
const most = 12;

/** What was ticked, with what one pack gets of each: fields carry the lot's id behind their name. */
function typedOf(fields: Record<string, string>): KitTyped {
	const lots = parse(
		Joi.array().items(id()).max(most).unique().label('What goes into it'),
		Object.keys(fields)
			.filter((name) => name.startsWith('lot-'))
			.map((name) => name.slice(4))
	) as string[];
	const { name, count, container, use } = parse(
		Joi.object<{ name?: string; count?: number; container?: string; use?: string }>({
			name: line(60).allow('').label('Its name'),
			count: Joi.number().integer().min(1).max(500).empty('').label('The number of packs'),
			container: id().empty('').label('The container'),
			use: line(120).allow('').label('How it is used')
		}),
		{ name: fields.name, count: fields.count, container: fields.container, use: fields.use }
	);
	return {
		name: name ?? '',
		count,
		container,
		use: use ?? '',
		parts: lots.map((lotId) => ({
			lotId,
			each_g: parse(weightWithin(1, 10_000).empty('').label('What a pack gets'), fields[`each-${lotId}`] ?? '') as
				number | undefined
		}))
	};
}

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const typed = typedOf(Object.fromEntries(url.searchParams));
		const { view } = await kitFor(locals.stores, typed, locals.now);
		const { name, count, container, use } = typed;
		return { title: 'A kit', view, typed: { name, count: count ?? null, container: container ?? '', use } };
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async ({ key: once, ...fields }) => {
			const { stores, now } = event.locals;
			const { key: by } = parse(Joi.object<{ key: string }>({ key: key() }), { key: once });
			const typed = typedOf(fields);
			const ask = { key: by, body: { kit: typed } };
			// Sent again after a lost answer: it is the run that was started then.
			const before = await stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			const { view, plan } = await kitFor(stores, typed, now);
			if (!plan)
				throw new AppError(422, 'NOT_STARTED', `${view.stop || 'Tick what goes into it.'} Nothing was started.`);
			redirect(303, `/stove/${(await stores.runs.start(ask, plan)).id}`);
		})
};
