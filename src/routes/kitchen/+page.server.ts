import Joi from 'joi';
import { boilingPoint_C } from '$core/heat/boiling-point';
import { mFromFt } from '$core/quantities/units';
import { freezerView, gearView } from '$lib/server/gear-view';
import { readGear } from '$lib/server/gear';
import { AppError } from '$lib/server/errors';
import { decimal, id, key, measureWithin, parse } from '$lib/server/parse';
import { action, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(async () => {
		const { household: h, stores, now } = locals;
		const whole = await stores.home.wholeKitchen();
		return {
			title: 'Kitchen',
			units: h.units,
			altitudeM: h.altitudeM,
			boil_C: h.altitudeM === null ? null : boilingPoint_C(h.altitudeM),
			groups: gearView(whole, now),
			gaugeSaid: whole.kitchen.gauge !== null,
			freezers: whole.places.filter((p) => p.kind === 'freezer').map((p) => freezerView(p, h.units)),
			cold: {
				iceKg: h.iceKg,
				iceKgDay: h.iceKgDay,
				basins: h.basins,
				trays: h.trays,
				trayAreaM2: h.trayAreaM2
			}
		};
	});

const saved = (what: string) => ({ saved: what });

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

	/** A pot, a machine or a helper: new, or changed. */
	gear: (event) =>
		action(event, async (fields) => {
			const { stores, household } = event.locals;
			const { key: intent, piece } = readGear(fields, household.units);
			await stores.gear.keep(intent, piece);
			return saved(piece.name);
		}),

	drop: (event) =>
		action(event, async (fields) => {
			const v = parse(
				Joi.object<{ what: 'gear' | 'pot' | 'person'; id: string; key: string }>({
					what: Joi.string().valid('gear', 'pot', 'person').required().label('What to remove'),
					id: id().required().label('Which'),
					key: key()
				}),
				fields
			);
			await event.locals.stores.gear.drop(v.key, v.what, v.id);
			return saved('Removed');
		}),

	/** Ice, basins and the trays of the freezer. */
	cold: (event) =>
		action(event, async (fields) => {
			const { units } = event.locals.household;
			const { key: intent, ...v } = parse(
				Joi.object<{ iceKg: number; iceKgDay: number; basins: number; trays: number; trayAreaM2: number; key: string }>(
					{
						key: key(),
						iceKg: measureWithin('weight', units, 0, 500).required().label('The ice'),
						iceKgDay: measureWithin('weight', units, 0, 500).required().label('The ice that comes in a day'),
						basins: Joi.number().integer().min(1).max(20).required().label('Basins'),
						trays: Joi.number().integer().min(1).max(100).required().label('Trays'),
						trayAreaM2: measureWithin('area', units, 0.01, 2).required().label('The area of a tray')
					}
				),
				fields
			);
			await event.locals.stores.home.update(intent, {
				...v,
				iceKg: Number(v.iceKg),
				iceKgDay: Number(v.iceKgDay),
				trayAreaM2: Number(v.trayAreaM2)
			});
			return saved('Ice, basins and trays');
		})
};
