import Joi from 'joi';
import { amountField } from '$lib/server/amount-field';
import { AppError } from '$lib/server/errors';
import { id, key, parse } from '$lib/server/parse';
import { action, deviceOf, page } from '$lib/server/respond';
import { countOf } from '$lib/server/count';
import { undoAction } from '$lib/server/undo';
import type { Actions, PageServerLoad } from './$types';

/** More lots than this are counted in two goes. */
const mostLines = 400;

// Its words are the household's already.
export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		const { stores, household, now } = locals;
		const placeId = parse(id().required().label('The place'), params.place) as string;
		const count = await countOf(stores, household, now, placeId, mostLines);
		return { title: `Count: ${count.place.name}`, ...count };
	});

/** What became of what is missing: eaten and spoiled are known, elsewhere is only counted off. */
const fates = { eaten: 'take', spoiled: 'spoil', elsewhere: 'count', found: 'count' } as const;

export const actions: Actions = {
	/** One line: what was counted, and what became of the difference. */
	line: (event) =>
		action(event, async (fields) => {
			const { unit, amount, rest } = amountField(fields, 0);
			const {
				key: once,
				lotId,
				book,
				fate
			} = parse(
				Joi.object<{ lotId: string; book: number; fate: keyof typeof fates; key: string }>({
					lotId: id().required().label('The line'),
					book: Joi.number().integer().min(0).required().label('What the book said'),
					fate: Joi.string()
						.valid(...Object.keys(fates))
						.required()
						.label('What became of them'),
					key: key()
				}),
				rest
			);
			const { stock } = event.locals.stores;
			const by = deviceOf(event);
			if (amount === book)
				throw new AppError(409, 'AS_COUNTED', 'The count agrees with the book. Nothing was changed.');
			const kind = amount > book ? 'count' : fates[fate];
			const step =
				kind === 'count'
					? { lotId, kind, unit, amount, cause: amount > book ? 'found when counting' : fate }
					: { lotId, kind, unit, amount: book - amount, cause: 'found when counting' };
			return { done: await stock.act(once, step, by) };
		}),

	/** The whole place was gone through. */
	done: (event) =>
		action(event, async (fields) => {
			const { key: once } = parse(Joi.object<{ key: string }>({ key: key() }), fields);
			const placeId = parse(id().required(), event.params.place) as string;
			await event.locals.stores.stock.counted(once, placeId);
			return { counted: true };
		}),

	undo: undoAction
};
