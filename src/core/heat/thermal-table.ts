import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { iceHeat_J_kg } from './constants';
import { conductivityAt, densityAt, iceShare, sensibleHeatAt, type FoodThermal } from './food-properties';

/**
 * Heat content and conduction of a material against temperature, as a solver wants them: three rising columns.
 * `flow` is Kirchhoff's variable ∫k dT, in which conduction is linear whatever k does.
 */
export interface ThermalTable {
	/** °C. */
	readonly t: Float64Array;
	/** J/m³ above the first row. */
	readonly heat: Float64Array;
	/** W/m above the first row. */
	readonly flow: Float64Array;
}

/**
 * Builds a table from heat capacity and conductivity at chosen temperatures; trapezia between them.
 *
 * @param rows at least two, rising in t; `melts_J_m3` is the heat taken up between the row before and this one beside c
 * @throws {DomainError} OUT_OF_RANGE: temperatures that do not rise; NOT_POSITIVE: c·ρ or k
 */
export function thermalTable(
	rows: readonly {
		readonly t_C: number;
		readonly c_J_m3K: number;
		readonly k_W_mK: number;
		readonly melts_J_m3?: number;
	}[]
): ThermalTable {
	const t = new Float64Array(rows.length);
	const heat = new Float64Array(rows.length);
	const flow = new Float64Array(rows.length);
	rows.forEach((row, i) => {
		mustBePositive(row.c_J_m3K, 'c_J_m3K');
		mustBePositive(row.k_W_mK, 'k_W_mK');
		t[i] = row.t_C;
		const before = rows[i - 1];
		if (!before) return;
		const step = row.t_C - before.t_C;
		if (!(step > 0)) throw new DomainError('OUT_OF_RANGE', 't_C', 'The temperatures of a table must rise.');
		heat[i] = (heat[i - 1] ?? 0) + (step * (row.c_J_m3K + before.c_J_m3K)) / 2 + (row.melts_J_m3 ?? 0);
		flow[i] = (flow[i - 1] ?? 0) + (step * (row.k_W_mK + before.k_W_mK)) / 2;
	});
	if (rows.length < 2) throw new DomainError('OUT_OF_RANGE', 'rows', 'A table has two rows at the least.');
	return { t, heat, flow };
}

/**
 * A food's table from its composition: dense just below the freezing point, where most of the ice forms.
 *
 * The volume is that of the fresh food; its swelling on freezing (some 6 %) is left out, its mass is kept.
 *
 * @param low_C −40 °C or above, below the freezing point
 * @param high_C at most 150 °C
 * @throws {DomainError} OUT_OF_RANGE
 * @source Choi and Okos 1986, through `food-properties`
 */
export function foodTable(food: FoodThermal, low_C: number, high_C: number): ThermalTable {
	mustBeWithin(low_C, -40, food.freezing_C - 0.1, 'low_C');
	mustBeWithin(high_C, food.freezing_C + 0.1, 150, 'high_C');
	const below: number[] = [];
	for (let depth = 0.01; food.freezing_C - depth > low_C; depth *= 1.12) below.push(food.freezing_C - depth);
	const above: number[] = [];
	for (let t = food.freezing_C + 0.02; t < high_C; t += 2) above.push(t);
	const rho = densityAt(food, 10);
	let ice = Number.NaN;
	return thermalTable(
		[low_C, ...below.reverse(), food.freezing_C, ...above, high_C].map((t_C) => {
			const now = iceShare(food, t_C);
			const melts_J_m3 = Number.isNaN(ice) ? 0 : rho * iceHeat_J_kg * (ice - now);
			ice = now;
			return { t_C, c_J_m3K: rho * sensibleHeatAt(food, t_C), k_W_mK: conductivityAt(food, t_C), melts_J_m3 };
		})
	);
}

/** Row i such that column[i] ≤ value < column[i + 1], within the table; beyond its ends the end rows. */
export function rowOf(column: Float64Array, value: number): number {
	let low = 0;
	let high = column.length - 2;
	while (low < high) {
		const middle = (low + high + 1) >> 1;
		if ((column[middle] as number) <= value) low = middle;
		else high = middle - 1;
	}
	return low;
}

/** A value of one column read at a value of another, straight lines between rows and beyond the ends. */
export function readTable(from: Float64Array, to: Float64Array, value: number): number {
	const i = rowOf(from, value);
	const x0 = from[i] as number;
	const x1 = from[i + 1] as number;
	const y0 = to[i] as number;
	return y0 + (((to[i + 1] as number) - y0) * (value - x0)) / (x1 - x0);
}
