import psychrolib from 'psychrolib';
import { mustBeWithin } from '../errors';
import { airPressure_Pa } from '../heat/boiling-point';

psychrolib.SetUnitSystem(psychrolib.SI);

export interface DryerAir {
	/** Relative humidity in the dryer, 0 to 1. */
	readonly humidity: number;
	/** What a wet surface falls to in it, °C. */
	readonly wetBulb_C: number;
	/** What drives water off a wet surface, Pa: saturation at the surface less the vapour in the air. */
	readonly deficit_Pa: number;
	/** kg of water to a kg of dry air. */
	readonly ratio: number;
}

/**
 * Room air warmed in a dryer: the same water, drier by the warmth.
 *
 * @param room_C 0 to 45; room_humidity 0.02 to 1
 * @param air_C of the dryer, 25 to 90, at least the room's
 * @param altitude_m −430 to 6000
 * @throws {DomainError} OUT_OF_RANGE
 * @source ASHRAE Handbook: Fundamentals, Psychrometrics, through psychrolib
 */
export function dryerAir(input: {
	readonly air_C: number;
	readonly room_C: number;
	readonly room_humidity: number;
	readonly altitude_m: number;
}): DryerAir {
	mustBeWithin(input.room_C, 0, 45, 'room_C');
	mustBeWithin(input.room_humidity, 0.02, 1, 'room_humidity');
	mustBeWithin(input.air_C, Math.max(25, input.room_C), 90, 'air_C');
	const pressure = airPressure_Pa(input.altitude_m);
	const ratio = psychrolib.GetHumRatioFromRelHum(input.room_C, input.room_humidity, pressure);
	const humidity = psychrolib.GetRelHumFromHumRatio(input.air_C, ratio, pressure);
	const wetBulb_C = psychrolib.GetTWetBulbFromHumRatio(input.air_C, ratio, pressure);
	const vapour = humidity * psychrolib.GetSatVapPres(input.air_C);
	return { humidity, wetBulb_C, deficit_Pa: psychrolib.GetSatVapPres(wetBulb_C) - vapour, ratio };
}
