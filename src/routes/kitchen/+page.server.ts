import Joi from 'joi';
import { usualCurrency } from '$core/quantities/money';
import { redirect, type RequestEvent } from '@sveltejs/kit';
import { boilingPoint_C } from '$core/heat/boiling-point';
import { mFromFt } from '$core/quantities/units';
import { placeKinds } from '$core/things/place';
import { foodById } from '$core/things/names';
import { AppError, notFound } from '$lib/server/errors';
import { decimal, decimalWithin, id, key, line, measureWithin, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { beenIn, remember } from '$lib/server/who';
import { freezerHours, readMeans, readPrices } from '$lib/server/means';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, cookies }) =>
	page(async () => {
		const { household: h, stores } = locals;
		const [places, pots, containers, measures, used, empty] = await Promise.all([
			stores.home.places(),
			stores.home.pots(),
			stores.home.containers(),
			stores.home.measures(),
			stores.stock.freezerUsed_L(),
			stores.home.isEmpty()
		]);
		return {
			title: 'Kitchen',
			kitchen: {
				name: h.name,
				altitudeM: h.altitudeM,
				gauge: h.gauge,
				units: h.units,
				zone: h.zone,
				people: h.people,
				iceKg: h.iceKg,
				basins: h.basins,
				trays: h.trays,
				trayAreaM2: h.trayAreaM2,
				tapC: h.tapC,
				roomC: h.roomC,
				roomHumidity: h.roomHumidity,
				dryerTrays: h.dryerTrays,
				dryerTrayAreaM2: h.dryerTrayAreaM2,
				dryerPowerW: h.dryerPowerW,
				dryerHeater: h.dryerHeater,
				cannerQuarts: h.cannerQuarts,
				iceKgDay: h.iceKgDay,
				handsHDay: h.handsHDay,
				currency: h.currency,
				energyPrice: h.energyPrice,
				hourRate: h.hourRate,
				bagPrice: h.bagPrice,
				lidPrice: h.lidPrice
			},
			boil_C: h.altitudeM === null ? null : boilingPoint_C(h.altitudeM),
			places,
			pots,
			containers,
			measures: measures.map((m) => ({ ...m, foodName: foodById(m.food)?.name ?? m.food })),
			freezerUsed_L: used,
			...freezerHours(places, used, h.roomC),
			empty,
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

async function remove(event: RequestEvent, fields: Record<string, string>) {
	const values = parse(
		Joi.object<{ what: 'place' | 'pot' | 'container' | 'measure'; id: string; key: string }>({
			what: Joi.string().valid('place', 'pot', 'container', 'measure').required().label('What to remove'),
			id: id().required().label('Which'),
			key: key()
		}),
		fields
	);
	await event.locals.stores.home.remove(values.key, values.what, values.id);
	return saved('Removed');
}

export const actions: Actions = {
	altitude: (event) =>
		action(event, async (fields) => {
			const {
				altitude,
				unit,
				key: intent
			} = parse(
				Joi.object<{ altitude: number; unit: 'm' | 'ft'; key: string }>({
					key: key(),
					altitude: decimal().required().label('The altitude'),
					unit: Joi.string().valid('m', 'ft').required().label('Its unit')
				}),
				fields
			);
			const metres = unit === 'ft' ? mFromFt(Number(altitude)) : Number(altitude);
			if (!(metres >= -430 && metres <= 6000)) {
				throw new AppError(
					400,
					'BAD_INPUT',
					'The altitude must be from −430 to 6000 m (−1400 to 19,685 ft). Nothing was saved.',
					[{ field: 'altitude', message: 'Check the number and its unit.' }]
				);
			}
			await event.locals.stores.home.update(intent, { altitudeM: metres });
			return saved('Altitude');
		}),
	canner: (event) =>
		action(event, async (fields) => {
			const { gauge, key: intent } = parse(
				Joi.object<{ gauge: 'none' | 'dial' | 'weighted'; key: string }>({
					key: key(),
					gauge: Joi.string().valid('none', 'dial', 'weighted').required().label('The gauge')
				}),
				fields
			);
			await event.locals.stores.home.update(intent, { gauge });
			return saved('Canner');
		}),

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

	equipment: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const { key: intent, ...v } = parse(
				Joi.object<{
					iceKg: number;
					basins: number;
					trays: number;
					trayAreaM2: number;
					tapC: number;
					roomC: number;
					key: string;
				}>({
					key: key(),
					iceKg: measureWithin('weight', units, 0, 500).required().label('The ice'),
					basins: Joi.number().integer().min(1).max(20).required().label('Basins'),
					trays: Joi.number().integer().min(1).max(100).required().label('Trays'),
					trayAreaM2: measureWithin('area', units, 0.01, 2).required().label('The area of a tray'),
					tapC: measureWithin('temperature', units, 1, 35).required().label('Tap water'),
					roomC: measureWithin('temperature', units, 0, 45).required().label('The room')
				}),
				fields
			);
			await event.locals.stores.home.update(intent, {
				...v,
				iceKg: Number(v.iceKg),
				trayAreaM2: Number(v.trayAreaM2),
				tapC: Number(v.tapC),
				roomC: Number(v.roomC)
			});
			return saved('Ice, basins and trays');
		}),

	means: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...rest } = fields;
			await event.locals.stores.home.update(
				parse(key(), intent) as string,
				readMeans(rest, event.locals.household.units)
			);
			return saved('Dryer, canner and day');
		}),

	prices: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...rest } = fields;
			await event.locals.stores.home.update(parse(key(), intent) as string, readPrices(rest));
			return saved('Prices');
		}),

	pot: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const v = parse(
				Joi.object<{ name: string; litres: number; burnerW: number; burnerKind: 'gas'; basketL?: number; key: string }>(
					{
						key: key(),
						name: line(60).required().label('The pot’s name'),
						litres: measureWithin('volume', units, 1, 100).required().label('What it holds'),
						burnerW: decimalWithin(300, 20_000).required().label('The burner in watts'),
						burnerKind: Joi.string()
							.valid('gas', 'electric', 'ceramic', 'induction', 'fire')
							.required()
							.label('The burner'),
						basketL: measureWithin('volume', units, 0.5, 100).label('The basket')
					}
				),
				fields
			);
			await event.locals.stores.home.addPot(v.key, {
				name: v.name,
				burnerKind: v.burnerKind,
				litres: Number(v.litres),
				burnerW: Number(v.burnerW),
				basketL: v.basketL === undefined ? null : Number(v.basketL)
			});
			return saved('Pot');
		}),

	place: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const v = parse(
				Joi.object<{ name: string; kind: 'counter'; tempC: number; litres?: number; key: string }>({
					key: key(),
					name: line(60).required().label('The place’s name'),
					kind: Joi.string()
						.valid(...placeKinds)
						.required()
						.label('The kind of place'),
					tempC: measureWithin('temperature', units, -40, 45).required().label('Its temperature'),
					litres: measureWithin('volume', units, 1, 5000).label('What it holds')
				}),
				fields
			);
			if ((v.kind as string) === 'freezer' && Number(v.tempC) > -12) {
				throw new AppError(
					422,
					'TOO_WARM',
					'A freezer keeps at −18 °C (0 °F) or below; above −12 °C food does not keep its months. Nothing was saved: measure again, or turn it colder.',
					[{ field: 'tempC', message: 'Too warm for a freezer.' }]
				);
			}
			await event.locals.stores.home.addPlace(v.key, {
				name: v.name,
				kind: v.kind,
				tempC: Number(v.tempC),
				litres: v.litres === undefined ? null : Number(v.litres)
			});
			return saved('Place');
		}),

	container: (event) =>
		action(event, async (fields) => {
			const { key: intent, ...v } = parse(
				Joi.object<{ name: string; kind: 'bag'; volumeMl: number; count: number; key: string }>({
					key: key(),
					name: line(60).required().label('The container’s name'),
					kind: Joi.string().valid('bag', 'box', 'jar').required().label('The kind'),
					volumeMl: Joi.number().integer().min(50).max(20_000).required().label('Millilitres'),
					count: Joi.number().integer().min(0).max(10_000).required().label('How many')
				}),
				fields
			);
			await event.locals.stores.home.addContainer(intent, v);
			return saved('Container');
		}),

	count: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; count: number; key: string }>({
					key: key(),
					id: id().required().label('The container'),
					count: Joi.number().integer().min(0).max(10_000).required().label('How many')
				}),
				fields
			);
			await event.locals.stores.home.setContainerCount(v.key, v.id, v.count);
			return saved('Count');
		}),

	remove: (event) => action(event, (fields) => remove(event, fields)),

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
