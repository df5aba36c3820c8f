import Joi from 'joi';
import { placeKinds } from '$core/things/place';
import { AppError } from '$lib/server/errors';
import { freezerHours } from '$lib/server/means';
import { id, key, line, measureWithin, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import { freezerView } from '$lib/server/gear-view';
import { editMeasure } from '$core/quantities/parse-measure';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { household: h, stores } = locals;
		const [places, used] = await Promise.all([stores.home.places(), stores.stock.freezerUsed_L()]);
		return {
			title: 'Places',
			units: h.units,
			places: places.map((p) => ({
				...p,
				view: p.kind === 'freezer' ? freezerView(p, h.units) : null,
				edit: {
					tempC: editMeasure(p.tempC, 'temperature', h.units),
					litres: p.litres === null ? '' : editMeasure(p.litres, 'volume', h.units),
					dayKg: p.dayKg === null ? '' : editMeasure(p.dayKg, 'weight', h.units)
				}
			})),
			freezerUsed_L: used,
			...freezerHours(places, used, h.roomC)
		};
	});

const saved = (what: string) => ({ saved: what });

function coldEnough(tempC: number): void {
	if (tempC > -12)
		throw new AppError(
			422,
			'TOO_WARM',
			'A freezer keeps at −18 °C (0 °F) or below; above −12 °C (10 °F) food does not keep its months. Nothing was saved: measure again, or turn it colder. Where it stood warm for longer, use first what lies there.',
			[{ field: 'tempC', message: 'Too warm for a freezer.' }]
		);
}

export const actions: Actions = {
	place: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const v = parse(
				Joi.object<{ name: string; kind: 'counter'; tempC: number; litres?: number; dayKg?: number; key: string }>({
					key: key(),
					name: line(60).required().label('The place’s name'),
					kind: Joi.string()
						.valid(...placeKinds)
						.required()
						.label('The kind of place'),
					tempC: measureWithin('temperature', units, -40, 45).required().label('Its temperature'),
					litres: measureWithin('volume', units, 1, 5000).label('What it holds'),
					dayKg: measureWithin('weight', units, 0.5, 500).label('What it freezes in a day')
				}),
				fields
			);
			if ((v.kind as string) === 'freezer') coldEnough(Number(v.tempC));
			await event.locals.stores.home.addPlace(v.key, {
				name: v.name,
				kind: v.kind,
				tempC: Number(v.tempC),
				litres: v.litres === undefined ? null : Number(v.litres),
				dayKg: v.dayKg === undefined ? null : Number(v.dayKg)
			});
			return saved('Place');
		}),

	/** What a place is measured at; of a freezer its litres too, and what it freezes in a day. */
	at: (event) =>
		action(event, async (fields) => {
			const { home } = event.locals.stores;
			const { units } = event.locals.household;
			const v = parse(
				Joi.object<{
					id: string;
					tempC: number;
					litres?: number;
					dayKg?: number;
					allAlong?: 'yes';
					key: string;
				}>({
					key: key(),
					allAlong: Joi.string().valid('yes').label('Whether it was so all along'),
					id: id().required().label('Which'),
					tempC: measureWithin('temperature', units, -40, 45).required().label('Its temperature'),
					litres: measureWithin('volume', units, 1, 5000).label('What it holds'),
					dayKg: measureWithin('weight', units, 0.5, 500).label('What it freezes in a day')
				}),
				fields
			);
			const place = (await home.places()).find((p) => p.id === v.id);
			const freezer = place?.kind === 'freezer';
			if (freezer) coldEnough(Number(v.tempC));
			if (freezer && v.litres === undefined)
				throw new AppError(400, 'BAD_INPUT', 'What does it hold? Nothing was saved.', [
					{ field: 'litres', message: 'Say what it holds.' }
				]);
			await home.setPlace(v.key, v.id, {
				tempC: Number(v.tempC),
				...(v.allAlong ? { allAlong: true } : {}),
				...(freezer ? { litres: Number(v.litres), dayKg: v.dayKg === undefined ? null : Number(v.dayKg) } : {})
			});
			return saved(place?.name ?? 'Place');
		}),

	remove: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ id: string; key: string }>({ id: id().required().label('Which'), key: key() }),
				fields
			);
			await event.locals.stores.home.remove(v.key, 'place', v.id);
			return saved('Removed');
		})
};
