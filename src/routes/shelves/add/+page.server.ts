import Joi from 'joi';
import { id, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { readShelf, shelfPlace, standingOf, understoodShelf } from '$lib/server/shelf-line';
import { undoAction } from '$lib/server/undo';
import { sayLot } from '$core/stock/amount';
import type { Actions, PageServerLoad } from './$types';

const jarsSaid = () => Joi.string().valid('tested', 'unknown').label('How the jars were made');

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { stores, household } = locals;
		const asked = parse(
			Joi.object<{ place?: string; jars?: 'tested' | 'unknown' }>({ place: id().label('The place'), jars: jarsSaid() }),
			Object.fromEntries(url.searchParams)
		);
		const [places, put] = await Promise.all([stores.home.places(), stores.stock.lastPut(200)]);
		return {
			title: 'What is here already',
			places: places.map((p) => ({ id: p.id, name: p.name, kind: p.kind })),
			place: asked.place ?? null,
			jars: asked.jars ?? null,
			put: put.map(({ lot, amount, groupId, place, code, said }) => ({
				groupId,
				place,
				code,
				said,
				words: sayLot(lot, amount, lot.title, household.units),
				unknown: lot.process === 'unknown'
			}))
		};
	}, locals.household.units);

export const actions: Actions = {
	add: (event) =>
		action(event, async (fields) => {
			const {
				text,
				placeId,
				jars,
				key: once
			} = parse(
				Joi.object<{ text: string; placeId?: string; jars?: 'tested' | 'unknown'; key: string }>({
					text: line(200)
						.required()
						.label('What stands there')
						.messages({ 'any.required': 'Type what stands there, for example 12 × 500 g green beans, frozen August' }),
					placeId: id().label('The place'),
					jars: jarsSaid(),
					key: key()
				}),
				fields
			);
			const { stores, household, now } = event.locals;
			const read = await readShelf(stores, text, household, now, jars);
			const reading = understoodShelf(read, household, now, placeId);
			const place = shelfPlace(reading, read.places, placeId);
			const { standing } = standingOf(reading, place, text, household, now);
			const done = await stores.stock.putAway({ key: once, body: { text, placeId, jars } }, standing, deviceOf(event));
			return { done: { groupId: done.groupId, words: done.words } };
		}),

	undo: undoAction
};
