import Joi from 'joi';
import type { BurnerKind } from '$reference/rules';
import type { Units } from '$core/quantities/format';
import { editMeasure } from '$core/quantities/parse-measure';
import { dayLimit_kg } from '$core/freezing/freezer-week';
import { mFromFt } from '$core/quantities/units';
import { setUpEffects, type SetUp } from '$core/ways/set-up';
import { AppError } from './errors';
import { decimal, decimalWithin, measureWithin, parse } from './parse';
import type { Stores } from './stores';

const burners = ['gas', 'electric', 'ceramic', 'induction', 'fire'] as const;

/** The answers as they were typed. @throws {AppError} 400 every fault named */
export function readSetUp(fields: Record<string, string>): SetUp {
	const units: Units = fields.units === 'us' ? 'us' : 'metric';
	const v = parse(
		Joi.object({
			units: Joi.string().valid('metric', 'us').required().label('Units'),
			altitude: decimal().required().label('The altitude'),
			potLitres: measureWithin('volume', units, 1, 100).required().label('What the pot holds'),
			burnerW: decimalWithin(300, 20_000).required().label('The burner in watts'),
			burnerKind: Joi.string()
				.valid(...burners)
				.required()
				.label('The burner'),
			freezerLitres: measureWithin('volume', units, 20, 5000).required().label('The freezer'),
			freezerTemp: measureWithin('temperature', units, -40, -12).required().label('How cold it gets'),
			ice: measureWithin('weight', units, 0, 500).required().label('The ice'),
			basins: Joi.number().integer().min(1).max(20).required().label('Basins'),
			trays: Joi.number().integer().min(1).max(100).required().label('Trays')
		}),
		fields
	) as Record<string, number | string>;
	const altitudeM = units === 'us' ? mFromFt(Number(v.altitude)) : Number(v.altitude);
	if (!(altitudeM >= -430 && altitudeM <= 6000))
		throw new AppError(
			400,
			'BAD_INPUT',
			'The altitude must be from −430 to 6000 m (−1400 to 19,685 ft). Nothing was saved.',
			[{ field: 'altitude', message: 'Check the number and its unit.' }]
		);
	return {
		units,
		altitudeM,
		pot: { litres: Number(v.potLitres), burnerW: Number(v.burnerW), burnerKind: v.burnerKind as BurnerKind },
		freezerL: Number(v.freezerLitres),
		freezerC: Number(v.freezerTemp),
		iceKg: Number(v.ice),
		basins: Number(v.basins),
		trays: Number(v.trays)
	};
}

/** What the answers change, before they are kept. */
export async function effectsOf(stores: Stores, set: SetUp, now: Date) {
	const kitchen = await stores.home.kitchen();
	return setUpEffects(
		{
			...kitchen,
			altitude_m: set.altitudeM,
			units: set.units,
			pots: [{ id: 'first', name: 'pot', litres: set.pot.litres, burner: { kind: set.pot.burnerKind, power_W: set.pot.burnerW } }],
			ice_kg: set.iceKg,
			basins: set.basins,
			trays: set.trays,
			freezer_L: set.freezerL,
			freezeDay_kg: dayLimit_kg(set.freezerL),
			freezerFree_L: set.freezerL,
			freezer_C: set.freezerC
		},
		now.getTime()
	); // prettier-ignore
}

/** The answers as the form shows them: this household's own, or what most kitchens have. */
export async function answersOf(
	stores: Stores,
	home: { units: Units; altitudeM: number | null; iceKg: number; basins: number; trays: number }
) {
	const [pots, places] = await Promise.all([stores.home.pots(), stores.home.places()]);
	const pot = pots.at(-1);
	const freezers = places.filter((p) => p.kind === 'freezer');
	const { units } = home;
	return {
		units,
		altitudeM: home.altitudeM,
		potName: pot?.name ?? '',
		potLitres: editMeasure(pot?.litres ?? 10, 'volume', units),
		burnerW: String(pot?.burnerW ?? 2000),
		burnerKind: pot?.burnerKind ?? 'electric',
		freezerName: freezers[0]?.name ?? 'Freezer',
		freezerLitres: editMeasure(freezers[0]?.litres ?? 100, 'volume', units),
		freezerTemp: editMeasure(freezers[0]?.tempC ?? -18, 'temperature', units),
		ice: editMeasure(home.iceKg, 'weight', units),
		basins: String(home.basins),
		trays: String(home.trays)
	};
}
