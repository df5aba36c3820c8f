import Joi from 'joi';
import { AppError } from '$lib/server/errors';
import { dateIn } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { date, id, ids, key, line, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { lately_h, leftoverOf, readTake, supperView, supperWords, type SupperAsked } from '$lib/server/supper';
import { undoAction } from '$lib/server/undo';
import { knownFood, namedFood } from '$lib/server/things';
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
	/** Kept for a day: nothing else takes it until then. */
	keep: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ take: string; title: string; day: string; key: string }>({
					take: line(2000).required().label('What is kept'),
					title: line(150).required().label('The meal'),
					day: date().required().label('The day'),
					key: key()
				}),
				fields
			);
			const { stores, household, now } = event.locals;
			if (v.day < dateIn(household.zone, now.getTime()))
				throw new AppError(400, 'BAD_INPUT', 'That day is over. Nothing was kept.', [
					{ field: 'day', message: 'Today or later.' }
				]);
			const parts = readTake(v.take);
			if (parts.length === 0)
				throw new AppError(400, 'BAD_INPUT', 'Nothing to keep could be read. Nothing was changed.');
			const words = supperWords(v.day, v.title);
			await stores.stock.keepAll(v.key, parts, words, deviceOf(event));
			return { saved: `Kept for ${sayDate(v.day)}` };
		}),
	/** What was kept for a day is taken, or let go. */
	planned: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ claims: string; title: string; what: 'take' | 'let'; key: string }>({
					claims: ids().required().label('What is kept'),
					title: line(200).required().label('The meal'),
					what: Joi.string().valid('take', 'let').required().label('What becomes of it'),
					key: key()
				}),
				fields
			);
			const claims = v.claims.split(',');
			const { stock } = event.locals.stores;
			if (v.what === 'take') return { done: await stock.takeKept(v.key, claims, `${v.title}: taken`, deviceOf(event)) };
			await stock.letAllGo(v.key, claims, deviceOf(event));
			return { saved: `${v.title}: free again` };
		}),
	/** What was left over, into the fridge. */
	left: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ groupId: string; share: number; key: string }>({
					groupId: id().required().label('The supper'),
					share: Joi.number().min(0.05).max(1).required().label('How much of it'),
					key: key()
				}),
				fields
			);
			const { stores, household, now } = event.locals;
			const [rows, places] = await Promise.all([stores.stock.suppers(lately_h), stores.home.places()]);
			const standing = leftoverOf(rows, v.groupId, v.share, { places, household, now });
			return { done: await stores.stock.putAway({ key: v.key, body: v }, standing, deviceOf(event)) };
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
			const food = namedFood(v.food);
			await event.locals.stores.avoids.add(v.key, food.id, v.who ?? '');
			return { saved: `Not at our table: ${food.name}` };
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
