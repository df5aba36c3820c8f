import Joi from 'joi';
import { sayWeight } from '$core/quantities/format';
import { id, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { undoAction } from '$lib/server/undo';
import { handOf, handed } from '$lib/server/ways/hand';
import { waysView } from '$lib/server/ways/view';
import type { Actions, PageServerLoad } from './$types';

/** Ways that are offered for what was done already: the likeliest first. */
const mostWays = 6;

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const asked = parse(
			Joi.object<{ lot?: string; way?: string }>({
				lot: id().label('The item'),
				way: line(60)
					.pattern(/^[a-z][\w:.-]*$/)
					.label('The way')
			}),
			Object.fromEntries([...url.searchParams].filter(([n]) => !n.startsWith('/')))
		);
		const basket = await stores.stock.basket();
		// What was written down whole is no longer there: the page begins anew.
		const there = asked.lot !== undefined && basket.some(({ lot }) => lot.id === asked.lot);
		const view = there && asked.lot ? await waysView(stores, asked.lot, { way: asked.way, fields: {} }, now) : null;
		return {
			title: 'What ran today?',
			basket: basket.map(({ lot, grams }) => ({
				id: lot.id,
				title: lot.title,
				amount: sayWeight(grams, household.units),
				chosen: lot.id === asked.lot
			})),
			chosen: view
				? {
						lot: view.lot,
						stop: view.stop?.reason ?? '',
						ways: [...view.rows, ...view.notNow].slice(0, mostWays).map((r) => ({ slug: r.slug, name: r.name })),
						way: asked.way ?? '',
						hand: asked.way && view.panel ? await handOf(stores, view.lot, view.panel, household.units) : null
					}
				: null
		};
	}, locals.household.units);

export const actions: Actions = {
	/** What came of it without the Stove. */
	hand: (event) =>
		action(event, async (fields) => {
			const lotId = parse(id().required().label('The item'), fields.lot) as string;
			return handed(event, lotId, fields);
		}),
	/** All of it was eaten as it was, or given away, or spoiled. */
	gone: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ lot: string; what: 'take' | 'give' | 'spoil'; amount: number; key: string }>({
					lot: id().required().label('The item'),
					what: Joi.string().valid('take', 'give', 'spoil').required().label('What became of it'),
					amount: Joi.number().integer().min(1).required().label('How much'),
					key: key()
				}),
				fields
			);
			const step = { lotId: v.lot, kind: v.what, unit: 'dg' as const, amount: v.amount };
			return { done: await event.locals.stores.stock.act(v.key, step, deviceOf(event)) };
		}),
	undo: undoAction
};
