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
					litres: p.litres === null ? '' : editMeasure(p.litres, 'volume', h.units),
					dayKg: p.dayKg === null ? '' : editMeasure(p.dayKg, 'weight', h.units)
				}
			})),
			freezerUsed_L: used,
			...freezerHours(places, used, h.roomC)
		};
	});

const saved = (what: string) => ({ saved: what });

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
				litres: v.litres === undefined ? null : Number(v.litres),
				dayKg: v.dayKg === undefined ? null : Number(v.dayKg)
			});
			return saved('Place');
		}),

	/** A freezer's litres, and what it freezes in a day. */
	freezer: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const v = parse(
				Joi.object<{ id: string; litres: number; dayKg?: number; key: string }>({
					key: key(),
					id: id().required().label('Which'),
					litres: measureWithin('volume', units, 1, 5000).required().label('What it holds'),
					dayKg: measureWithin('weight', units, 0.5, 500).label('What it freezes in a day')
				}),
				fields
			);
			await event.locals.stores.home.setFreezer(v.key, v.id, {
				litres: Number(v.litres),
				dayKg: v.dayKg === undefined ? null : Number(v.dayKg)
			});
			return saved('Freezer');
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
