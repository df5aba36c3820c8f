import Joi from 'joi';
import { keptInShops, type KeptInShop } from '$core/costs/seasons';
import { dateIn } from '$core/freezing/keep';
import { readMoney } from '$core/quantities/money';
import { AppError } from '$lib/server/errors';
import { date, id, key, line, parse } from '$lib/server/parse';
import { priceBook } from '$lib/server/price-book';
import { action, page } from '$lib/server/respond';
import { namedFood } from '$lib/server/things';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { stores, household, now } = locals;
		return {
			title: 'Prices',
			today: dateIn(household.zone, now.getTime()),
			currency: household.currency,
			...(await priceBook(stores, household))
		};
	}, locals.household.units);

/** Money as it was typed. @throws {AppError} 400 */
function moneyOf(said: string, currency: string, field: string): number {
	const minor = readMoney(said, currency, true);
	if (minor === undefined || !(minor > 0))
		throw new AppError(400, 'BAD_INPUT', `"${said}" is no price in ${currency}. Nothing was saved.`, [
			{ field, message: 'Write it like 4.20.' }
		]);
	return minor;
}

export const actions: Actions = {
	/** What the like costs in a shop. */
	note: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ food: string; kept: KeptInShop; price: string; shop: string; seenOn?: string; key: string }>({
					food: line(60).required().label('The food'),
					kept: Joi.string()
						.valid(...keptInShops)
						.required()
						.label('How it is sold'),
					price: line(20).required().label('The price of a kilo'),
					shop: line(60).allow('').default('').label('The shop'),
					seenOn: date().label('The day'),
					key: key()
				}),
				fields
			);
			const { stores, household, now } = event.locals;
			const food = namedFood(v.food);
			const today = dateIn(household.zone, now.getTime());
			if (v.seenOn && v.seenOn > today)
				throw new AppError(400, 'BAD_INPUT', 'That day lies ahead. Nothing was saved.', [
					{ field: 'seenOn', message: 'Today or before.' }
				]);
			await stores.prices.note(v.key, {
				food: food.id,
				kept: v.kept,
				perKg: moneyOf(v.price, household.currency, 'price'),
				currency: household.currency,
				shop: v.shop,
				seenOn: v.seenOn ?? today
			});
			return { saved: `A price of ${food.name}` };
		}),
	forget: (event) =>
		action(event, async (fields) => {
			const v = parse(Joi.object<{ id: string; key: string }>({ id: id().required(), key: key() }), fields);
			await event.locals.stores.prices.forget(v.key, v.id);
			return { saved: 'Without that price' };
		}),
	/** What a machine cost. */
	machine: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; paid: string; boughtOn: string; key: string }>({
					id: id().required().label('The machine'),
					paid: line(20).required().label('What it cost'),
					boughtOn: date().required().label('Since when'),
					key: key()
				}),
				fields
			);
			const { stores, household } = event.locals;
			await stores.prices.setMachine(v.key, {
				id: v.id,
				paidMinor: Math.round(moneyOf(v.paid, household.currency, 'paid')),
				currency: household.currency,
				boughtOn: v.boughtOn
			});
			return { saved: 'What it cost' };
		})
};
