import { mustBeWithin } from '../errors';

/**
 * Air pressure at an altitude, in Pa.
 *
 *     p = 101325 · (1 − 2.25577e-5 · h)^5.25588
 *
 * @param altitude_m height above the sea, −430 to 6000 m (no household lives beyond)
 * @throws {DomainError} OUT_OF_RANGE
 * @source U.S. Standard Atmosphere, 1976, troposphere
 */
export function airPressure_Pa(altitude_m: number): number {
	mustBeWithin(altitude_m, -430, 6000, 'altitude_m');
	return 101325 * (1 - 2.25577e-5 * altitude_m) ** 5.25588;
}

// IAPWS-IF97, table 34: coefficients of the saturation line.
// prettier-ignore
const n = [
	0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.12020824702470e5, -0.32325550322333e7,
	0.14915108613530e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3
] as const;

/**
 * Temperature at which water boils under a pressure, in °C.
 *
 * @param pressure_Pa 611.213 Pa to 22.064 MPa
 * @throws {DomainError} OUT_OF_RANGE
 * @source IAPWS-IF97, region 4, equation 31 (backward equation)
 */
export function saturationTemperature_C(pressure_Pa: number): number {
	mustBeWithin(pressure_Pa, 611.213, 22.064e6, 'pressure_Pa');
	const [n1, n2, n3, n4, n5, n6, n7, n8, n9, n10] = n;
	const beta = (pressure_Pa / 1e6) ** 0.25;
	const e = beta * beta + n3 * beta + n6;
	const f = n1 * beta * beta + n4 * beta + n7;
	const g = n2 * beta * beta + n5 * beta + n8;
	const d = (2 * g) / (-f - Math.sqrt(f * f - 4 * e * g));
	return (n10 + d - Math.sqrt((n10 + d) ** 2 - 4 * (n9 + n10 * d))) / 2 - 273.15;
}

/**
 * Temperature of boiling water in an open pot, in °C, from the altitude.
 *
 * @param altitude_m −430 to 6000 m
 * @throws {DomainError} OUT_OF_RANGE
 */
export const boilingPoint_C = (altitude_m: number): number => saturationTemperature_C(airPressure_Pa(altitude_m));
