import psychrolib from 'psychrolib';
import { mustBeWithin } from '../errors';

psychrolib.SetUnitSystem(psychrolib.SI);

/**
 * Pressure of vapour over water (over ice below 0 °C), Pa.
 *
 * @param t_C −60 to 150 °C
 * @throws {DomainError} OUT_OF_RANGE
 * @source ASHRAE Handbook: Fundamentals, Psychrometrics, equations 5 and 6, through psychrolib
 */
export function saturation_Pa(t_C: number): number {
	mustBeWithin(t_C, -60, 150, 't_C');
	return psychrolib.GetSatVapPres(t_C);
}
