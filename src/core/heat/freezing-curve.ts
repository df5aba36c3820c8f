import type { Shape } from '../../reference/tables';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import type { FoodThermal } from './food-properties';
import { freezingTime_s, hard_C } from './freezing-time';
import { HeatSolver } from './heat-solver';
import { foodTable } from './thermal-table';

export interface FreezingCurveInput {
	readonly food: FoodThermal;
	readonly shape: Shape;
	/** Full thickness, or diameter, m: 1 mm to 0.5 m. */
	readonly size_m: number;
	/** Above the freezing point, at most 100 °C. */
	readonly start_C: number;
	/** Air or plate, −40 °C to just below the end. */
	readonly medium_C: number;
	/** 1 to 1000 W/(m² K). */
	readonly h_W_m2K: number;
	/** End: the centre's temperature. */
	readonly centre_C?: number;
	/** Between middle and surface; 24 is within 1 % of 200 (see the test). */
	readonly cells?: number;
	/** Called now and then with the share that is done, 0 to 1. */
	readonly onProgress?: (share: number) => void;
}
export interface CurvePoint {
	readonly t_s: number;
	readonly centre_C: number;
	readonly surface_C: number;
	/** Of the whole, left alone. */
	readonly mean_C: number;
}
export interface FreezingCurve {
	/** Until the centre is at the end. */
	readonly seconds: number;
	/** At most 240 points, the first at 0, the last at `seconds`. */
	readonly points: readonly CurvePoint[];
	readonly steps: number;
}

/**
 * The temperatures in a pack while it freezes, until its centre is hard.
 *
 * @throws {DomainError} NO_DRIVING_FORCE: the air is not colder than the end; OUT_OF_RANGE, NOT_POSITIVE, NOT_CONVERGED
 */
export function freezingCurve(input: FreezingCurveInput): FreezingCurve {
	const { food, shape, size_m, start_C, medium_C, h_W_m2K, centre_C = hard_C, cells = 24, onProgress } = input;
	mustBePositive(size_m, 'size_m');
	mustBeWithin(size_m, 0.001, 0.5, 'size_m');
	mustBeWithin(h_W_m2K, 1, 1000, 'h_W_m2K');
	mustBeWithin(medium_C, -40, -3, 'medium_C');
	mustBeWithin(start_C, food.freezing_C + 0.1, 100, 'start_C');
	// Pham's time sets the step; it is a guess here, not the answer. It also refuses air that is too warm.
	const guess_s = freezingTime_s({ food, shape: { kind: shape, size_m }, start_C, medium_C, h_W_m2K, centre_C });
	const dt = guess_s / (10 * cells);
	const table = foodTable(food, Math.max(-40, medium_C - 0.5), start_C + 0.5);
	const solver = new HeatSolver(table, shape, size_m / 2, cells, start_C);
	const all: CurvePoint[] = [{ t_s: 0, centre_C: start_C, surface_C: start_C, mean_C: start_C }];
	const most = 80 * cells;
	let before = start_C;
	for (let i = 1; i <= most; i++) {
		solver.step(dt, medium_C, h_W_m2K);
		const now = solver.centre_C;
		if (now <= centre_C) {
			// The last step is cut where the centre passed the end.
			const share = before > now ? (before - centre_C) / (before - now) : 1;
			const seconds = (i - 1 + share) * dt;
			all.push({ t_s: seconds, centre_C, surface_C: solver.surface_C, mean_C: solver.mean_C });
			onProgress?.(1);
			return { seconds, points: thinned(all, 240), steps: i };
		}
		before = now;
		all.push({ t_s: i * dt, centre_C: now, surface_C: solver.surface_C, mean_C: solver.mean_C });
		if (i % 16 === 0) onProgress?.(Math.min(0.99, i / (10 * cells)));
	}
	throw new DomainError('NOT_CONVERGED', 'medium_C', 'The centre did not get there in eight times the usual time.');
}

/** At most so many of a list, the first and the last among them. */
export function thinned<T>(list: readonly T[], most: number): T[] {
	if (list.length <= most) return [...list];
	return Array.from({ length: most }, (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))] as T);
}
