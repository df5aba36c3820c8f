import Joi from 'joi';
import { usualCurrency } from '$core/quantities/money';
import { redirect } from '@sveltejs/kit';
import { AppError, notFound } from '$lib/server/errors';
import { decimalWithin, id, key, line, measureWithin, parse } from '$lib/server/parse';
import { readPrices } from '$lib/server/means';
import { action, page } from '$lib/server/respond';
import { beenIn, remember } from '$lib/server/who';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, cookies }) =>
	page(async () => {
		const { household: h, stores } = locals;
		return {
			title: 'House and prices',
			kitchen: {
				name: h.name,
				units: h.units,
				zone: h.zone,
				people: h.people,
				tapC: h.tapC,
				roomC: h.roomC,
				roomHumidity: h.roomHumidity,
				handsHDay: h.handsHDay,
				currency: h.currency,
				energyPrice: h.energyPrice,
				hourRate: h.hourRate,
				bagPrice: h.bagPrice,
				lidPrice: h.lidPrice
			},
			empty: await stores.home.isEmpty(),
			isDemo: h.demoDate !== null,
			others: await stores.kitchens.others(beenIn({ cookies, locals }))
		};
	});

const isZone = (value: string, helpers: Joi.CustomHelpers<string>) => {
	try {
		new Intl.DateTimeFormat('en', { timeZone: value });
		return value;
	} catch {
		return helpers.message({ custom: '{{#label}} is not one that is known; choose one such as Europe/Prague' });
	}
};

const saved = (what: string) => ({ saved: what });

export const actions: Actions = {
	basics: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...v } = parse(
				Joi.object<{ name: string; units: 'metric' | 'us'; zone: string; people: number; key: string }>({
					key: key(),
					name: line(60).required().label('The name'),
					units: Joi.string().valid('metric', 'us').required().label('Units'),
					zone: Joi.string().max(60).required().custom(isZone).label('The time zone'),
					people: Joi.number().integer().min(1).max(60).required().label('People')
				}),
				fields
			);
			// Prices that nobody has set yet are in the money of the place; what was set stays as it is.
			const { hourRate, bagPrice, lidPrice } = event.locals.household;
			const unset = hourRate === 0 && bagPrice === 0 && lidPrice === 0;
			await event.locals.stores.home.update(intent, {
				...v,
				...(unset ? { currency: usualCurrency(v.units, v.zone) } : {})
			});
			return saved('Household');
		}),

	/** Water, air and the hands of a usual day. */
	room: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const { key: intent, ...v } = parse(
				Joi.object<{ tapC: number; roomC: number; roomHumidity: number; handsHDay: number; key: string }>({
					key: key(),
					tapC: measureWithin('temperature', units, 1, 35).required().label('Tap water'),
					roomC: measureWithin('temperature', units, 0, 45).required().label('The room'),
					roomHumidity: decimalWithin(5, 100).required().label('The humidity'),
					handsHDay: decimalWithin(0, 24).required().label('Hours on a usual day')
				}),
				fields
			);
			await event.locals.stores.home.update(intent, {
				tapC: Number(v.tapC),
				roomC: Number(v.roomC),
				roomHumidity: Number(v.roomHumidity) / 100,
				handsHDay: Number(v.handsHDay)
			});
			return saved('The room and the day');
		}),

	prices: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...rest } = fields;
			await event.locals.stores.home.update(parse(key(), intent) as string, readPrices(rest));
			return saved('Prices');
		}),

	/** Empties this household: the demo goes, the kitchen starts afresh. */
	clear: (event) =>
		action(event, async (fields) => {
			const { name } = parse(
				Joi.object<{ sure: string; name: string; key: string }>({
					sure: Joi.string().valid('yes').required().label('The tick that you are sure'),
					name: line(60).required().label('The household’s name'),
					key: key()
				}),
				fields
			);
			remember(event, await event.locals.stores.kitchens.clear(name));
			return saved('Demo data cleared');
		}),

	/** Brings the demo's kitchen, haul and shelves into an empty household. */
	demo: (event) =>
		action(event, async (fields) => {
			const { name, key: intent } = parse(
				Joi.object<{ name: string; key: string }>({
					name: line(60).required().label('The household’s name'),
					key: key()
				}),
				fields
			);
			const { household, stores } = event.locals;
			if (name !== household.name)
				throw new AppError(
					409,
					'OTHER_NAME',
					`This household is called ${household.name} by now. Nothing was changed: open the page again and look.`
				);
			await stores.kitchens.fill(intent);
			return saved('The demo is back');
		}),

	/** To another household of this browser's, or a demo. */
	goTo: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; key: string }>({ id: id().required().label('The household'), key: key() }),
				fields
			);
			const others = await event.locals.stores.kitchens.others(beenIn(event));
			if (!others.some((o) => o.id === v.id)) throw notFound('household');
			remember(event, v.id);
			redirect(303, '/kitchen');
		}),

	/** A household beside this one, empty; this browser goes on in it. */
	newHousehold: (event) =>
		action(event, async (fields) => {
			const { name, key: intent } = parse(
				Joi.object<{ name: string; key: string }>({ name: line(60).required().label('The name'), key: key() }),
				fields
			);
			remember(event, await event.locals.stores.kitchens.create(intent, name));
			redirect(303, '/kitchen');
		})
};
