import Joi from 'joi';
import { redirect } from '@sveltejs/kit';
import { AppError } from '$lib/server/errors';
import { id, key, line, parse, weightWithin } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { knownFood } from '$lib/server/things';
import { chooseWay, shareLot, startWay } from '$lib/server/ways/do';
import { handOf, handed } from '$lib/server/ways/hand';
import { waysView } from '$lib/server/ways/view';
import { undoAction } from '$lib/server/undo';
import type { Actions, PageServerLoad } from './$types';

const waySlug = () =>
	line(60)
		.pattern(/^[a-z][\w:.-]*$/)
		.label('The way');

export const load: PageServerLoad = ({ locals, params, url }) =>
	page(async () => {
		parse(id().required(), params.lot);
		const way = parse(waySlug(), params.way);
		// A form that was sent without JavaScript names its action in the address.
		const fields = Object.fromEntries([...url.searchParams].filter(([n, v]) => v !== '' && !n.startsWith('/')));
		const view = await waysView(locals.stores, params.lot, { way, fields }, locals.now);
		return {
			title: `Ways for ${view.lot.name}`,
			view,
			lastTime: await locals.stores.past.said(view.lot.food),
			hand: view.panel ? await handOf(locals.stores, view.lot, view.panel, locals.household.units) : null
		};
	}, locals.household.units);

export const actions: Actions = {
	start: (event) =>
		action(event, async (fields) => {
			const { way, key: once, ...said } = fields;
			const lotId = parse(id().required(), event.params.lot);
			const values = parse(Joi.object<{ way: string; key: string }>({ way: line(60).required().label('The way'), key: key() }), { way, key: once }); // prettier-ignore
			const ask = { key: values.key, body: { lot: lotId, way: values.way, ...said } };
			// Sent again after a lost answer: it is the run that was started then, whatever has become of the lot since.
			const before = await event.locals.stores.runs.started(ask);
			if (before) redirect(303, `/stove/${before.id}`);
			const { stores, now } = event.locals;
			redirect(303, `/stove/${await startWay(stores, ask, lotId, { way: values.way, said }, now)}`);
		}),

	/** Keeps the switches of the open way. */
	choose: (event) =>
		action(event, async (fields) => {
			const { way, key: once, ...said } = fields;
			const lotId = parse(id().required(), event.params.lot);
			const values = parse(Joi.object<{ way: string; key: string }>({ way: waySlug().required(), key: key() }), { way, key: once }); // prettier-ignore
			await chooseWay(event.locals.stores, values.key, lotId, values.way, said, event.locals.now);
			return {};
		}),

	/** Shares the kilos out among the ways. */
	share: (event) =>
		action(event, async (fields) => {
			const lotId = parse(id().required(), event.params.lot);
			const { key: once, ...values } = parse(
				Joi.object<{ shares?: string; part?: string; key: string }>({
					shares: line(1000).label('The shares'),
					part: waySlug(),
					key: key()
				}),
				fields
			);
			await shareLot(event.locals.stores, once, lotId, values, event.locals.now);
			return {};
		}),

	/** What came of it without the Stove. */
	hand: (event) =>
		action(event, async (fields) => {
			const lotId = parse(id().required(), event.params.lot) as string;
			return handed(event, lotId, fields);
		}),

	undo: undoAction,

	/** What a pack is for, weighed once: "one loaf" is known ever after. */
	portion: (event) =>
		action(event, async (fields) => {
			const { key: once, ...v } = parse(
				Joi.object<{ name: string; said: string; grams: number; food: string; form: string; key: string }>({
					name: line(40).required().label('What it is for'),
					said: line(60).required().label('How it is measured'),
					grams: weightWithin(10, 20_000).required().label('What it weighs'),
					food: line(60).required().label('The food'),
					form: line(40).required().label('The cut'),
					key: key()
				}),
				fields
			);
			const { cuts } = knownFood(v.food);
			if (!cuts.some((c) => c.id === v.form))
				throw new AppError(400, 'UNKNOWN_CUT', 'This food is not cut so. Nothing was saved.', [
					{ field: 'form', message: 'Unknown cut.' }
				]);
			await event.locals.stores.home.keepPortion(once, v);
			return { saved: `A pack for ${v.name}` };
		})
};
