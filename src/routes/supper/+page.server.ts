import Joi from 'joi';
import { AppError } from '$lib/server/errors';
import { id, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { readTake, supperView, type SupperAsked } from '$lib/server/supper';
import { undoAction } from '$lib/server/undo';
import { understand } from '$core/things/understand';
import { knownFood } from '$lib/server/things';
import { lotUnits, type LotUnit } from '$core/stock/amount';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const asked = parse(
			Joi.object<SupperAsked>({
				people: Joi.number().integer().min(1).max(40).empty('').label('How many eat'),
				within: Joi.number().integer().min(5).max(600).empty('').label('Minutes'),
				at: Joi.string()
					.pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
					.empty('')
					.label('When')
			}),
			Object.fromEntries(url.searchParams)
		);
		const { stores, household, now } = locals;
		return { title: 'Supper', supper: await supperView(stores, household, now, asked), now: now.getTime() };
	}, locals.household.units);

export const actions: Actions = {
	/** All of a meal in one tap, and one step to take back. */
	take: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ take: string; title: string; key: string }>({
					take: line(2000).required().label('What is taken'),
					title: line(200).required().label('The meal'),
					key: key()
				}),
				fields
			);
			const parts = readTake(v.take);
			if (parts.length === 0)
				throw new AppError(400, 'BAD_INPUT', 'Nothing to take could be read. Nothing was changed.');
			return { done: await event.locals.stores.stock.takeAll(v.key, parts, `${v.title}: taken`, deviceOf(event)) };
		}),
	/** Into the fridge tonight, to be thawed tomorrow. */
	thaw: (event) =>
		action(event, async (fields) => {
			const { key: once, ...v } = parse(
				Joi.object<{ lotId: string; placeId: string; unit: LotUnit; amount: number; key: string }>({
					lotId: id().required().label('What is thawed'),
					placeId: id().required().label('The fridge'),
					unit: Joi.string()
						.valid(...lotUnits)
						.required()
						.label('What it is counted in'),
					amount: Joi.number().integer().min(1).required().label('How much'),
					key: key()
				}),
				fields
			);
			return { done: await event.locals.stores.stock.act(once, { ...v, kind: 'move' }, deviceOf(event)) };
		}),
	/** Somebody does not eat it. */
	avoid: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ food: string; who?: string; key: string }>({
					food: line(60).required().label('The food'),
					who: line(60).allow('').label('Who'),
					key: key()
				}),
				fields
			);
			const named = understand(v.food);
			if (named.kind !== 'thing')
				throw new AppError(
					400,
					'UNKNOWN_FOOD',
					`No one food named “${v.food}” is known: say it more closely. Nothing was saved.`,
					[{ field: 'food', message: 'A food of the tables.' }]
				);
			await event.locals.stores.avoids.add(v.key, named.thing.food.id, v.who ?? '');
			return { saved: `Not at our table: ${named.thing.food.name}` };
		}),
	eats: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ food: string; key: string }>({ food: line(60).required().label('The food'), key: key() }),
				fields
			);
			await event.locals.stores.avoids.remove(v.key, knownFood(v.food).id);
			return { saved: 'At our table again' };
		}),
	undo: undoAction
};
