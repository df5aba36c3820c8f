import { pressureSets, waterBands_ft, type Gauge, type PressureSet } from '../../reference/canning-rules';

const ft = 0.3048;
/** Metres to which a band's end is exact: 3,000 ft is 914.4 m, and 3000 × 0.3048 is a hair above in binary. */
const hair_m = 1e-6;

const within = (altitude_m: number, to_ft: number | null) => to_ft === null || altitude_m <= to_ft * ft + hair_m;

/**
 * The column of a boiling-water table.
 *
 * @param altitude_m not rounded: 304.8 m is still the first column, 304.9 m the second
 * @returns 0 to 3
 */
export const waterColumn = (altitude_m: number): number =>
	waterBands_ft.findIndex((to_ft) => within(altitude_m, to_ft));

/** Gauge pressure in psi at an altitude, or undefined where the table has no column for it. */
export const pressureAt = (set: PressureSet, gauge: Gauge, altitude_m: number): number | undefined =>
	pressureSets[set][gauge].find((band) => within(altitude_m, band.to_ft))?.psi;
