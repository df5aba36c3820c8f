import Joi from 'joi';
import { conditions, throwAfter_h, type Condition } from '$core/freezing/after-cut';
import { instantOf } from '$core/quantities/dates';
import type { LotUnit } from '$core/stock/amount';
import { lotUnits } from '$core/stock/amount';
import { AppError } from '$lib/server/errors';
import { id, ids, key, parse } from '$lib/server/parse';
import { cutView } from '$lib/server/power-cut';
import { action, deviceOf, page } from '$lib/server/respond';
import { undoAction } from '$lib/server/undo';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, household, now } = locals;
		return { title: 'The power is out', cut: await cutView(stores, household, now), at: now.getTime() };
	}, locals.household.units);

const local = (label: string) =>
	Joi.string()
		.pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}/)
		.required()
		.label(label)
		.messages({ 'string.pattern.base': '{{#label}} must be a day and a time' });

function instant(said: string, zone: string, field: string): Date {
	const at = instantOf(said, zone);
	if (at === undefined)
		throw new AppError(400, 'BAD_TIME', 'That is no day and time. Nothing was saved.', [
			{ field, message: 'A day and a time.' }
		]);
	return new Date(at);
}

export const actions: Actions = {
	out: (event) =>
		action(event, async (fields) => {
			const v = parse(Joi.object<{ from: string; key: string }>({ from: local('When it went'), key: key() }), fields);
			const { stores, household } = event.locals;
			await stores.power.began(v.key, instant(v.from, household.zone, 'from'));
			return { saved: 'Since when it is out' };
		}),
	back: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ until: string; key: string }>({ until: local('When it came back'), key: key() }),
				fields
			);
			const { stores, household } = event.locals;
			await stores.power.ended(v.key, instant(v.until, household.zone, 'until'));
			return { saved: 'When it came back' };
		}),
	/** How a freezer was found that no probe hangs in. */
	found: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ places: string; condition: Condition; key: string }>({
					places: ids().required().label('The freezer'),
					condition: Joi.string()
						.valid(...conditions)
						.required()
						.label('How it was found'),
					key: key()
				}),
				fields
			);
			const [first = ''] = v.places.split(',');
			await event.locals.stores.power.found(v.key, first, v.condition, v.condition === 'warm' ? throwAfter_h : null);
			return { saved: 'How it was found' };
		}),
	throw: (event) =>
		action(event, async (fields) => {
			const { key: once, lot = '' } = fields;
			const [lotId, unit, amount] = lot.split(' ');
			const { key: by, ...v } = parse(
				Joi.object<{ lotId: string; unit: LotUnit; amount: number; key: string }>({
					lotId: id().required().label('What is thrown'),
					unit: Joi.string()
						.valid(...lotUnits)
						.required()
						.label('What it is counted in'),
					amount: Joi.number().integer().min(1).required().label('How much'),
					key: key()
				}),
				{ lotId, unit, amount, key: once } as Record<string, string>
			);
			const step = { ...v, kind: 'spoil' as const, cause: 'power out' };
			return { done: await event.locals.stores.stock.act(by, step, deviceOf(event)) };
		}),
	close: (event) =>
		action(event, async (fields) => {
			const v = parse(Joi.object<{ key: string }>({ key: key() }), fields);
			await event.locals.stores.power.closed(v.key);
			return { saved: 'It is gone through' };
		}),
	undo: undoAction
};
