import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { conductivityAt, densityAt, iceShare, sensibleHeatAt, type FoodThermal } from './food-properties';
import { iceHeat_J_kg } from './constants';

/** Slab by its thickness, long cylinder and sphere by their diameter, brick by three sides. All in m. */
export type FreezingShape =
	| { readonly kind: 'slab' | 'cylinder' | 'sphere'; readonly size_m: number }
	| { readonly kind: 'brick'; readonly sides_m: readonly [number, number, number] };

/** Hard enough to bag and stack: our own mark, reached in every freezer. */
export const hard_C = -10;

interface Bulk {
	/** kg/m³, J/(kg K), W/(m K), J/kg. */
	readonly rhoFresh: number;
	readonly rhoFrozen: number;
	readonly heatFresh: number;
	readonly heatFrozen: number;
	readonly kFrozen: number;
	readonly latent: number;
}

const lengthsOf = (shape: FreezingShape): readonly number[] =>
	shape.kind === 'brick' ? [...shape.sides_m].sort((a, b) => a - b) : [shape.size_m];

/**
 * Plank's shape factors P and R, on the full thickness or diameter; for a brick on its least side.
 *
 * @source Plank 1941; Ede 1949, in ASHRAE Handbook: Refrigeration, Cooling and Freezing Times of Foods (from memory)
 */
export function plankFactors(shape: FreezingShape): { P: number; R: number; size_m: number } {
	const [size_m = Number.NaN, second = Number.NaN, third = Number.NaN] = lengthsOf(shape);
	mustBePositive(size_m, 'size_m');
	switch (shape.kind) {
		case 'slab':
			return { P: 1 / 2, R: 1 / 8, size_m };
		case 'cylinder':
			return { P: 1 / 4, R: 1 / 16, size_m };
		case 'sphere':
			return { P: 1 / 6, R: 1 / 24, size_m };
		case 'brick': {
			const b1 = second / size_m;
			const b2 = third / size_m;
			const P = (b1 * b2) / (2 * (b1 * b2 + b1 + b2));
			const root = Math.sqrt((b1 - b2) * (b1 - 1) + (b2 - 1) ** 2);
			// A cube has no root: the limit of the formula there is a twenty-fourth.
			if (root < 1e-6) return { P, R: 1 / 24, size_m };
			const r = (b1 + b2 + 1 + root) / 3;
			const s = (b1 + b2 + 1 - root) / 3;
			const term = (x: number) => (Math.abs(x - 1) < 1e-9 ? 0 : (x - 1) * (b1 - x) * (b2 - x) * Math.log(x / (x - 1)));
			const R = (term(r) - term(s)) / (8 * root) + (2 * b1 + 2 * b2 - 1) / 72;
			return { P, R, size_m };
		}
	}
}

/**
 * Plank's freezing time, s: from the freezing point, latent heat alone.
 *
 *     θ = ρ·L/(T_f − T_m) · (P·D/h + R·D²/k_s)
 *
 * @param latent_J_m3 heat of freezing by volume
 * @throws {DomainError} NO_DRIVING_FORCE: the medium is not colder than the freezing point; NOT_POSITIVE
 * @source Plank 1913, in ASHRAE Handbook: Refrigeration (from memory)
 */
export function plankTime_s(input: {
	readonly shape: FreezingShape;
	readonly freezing_C: number;
	readonly medium_C: number;
	readonly h_W_m2K: number;
	readonly k_W_mK: number;
	readonly latent_J_m3: number;
}): number {
	const { freezing_C, medium_C, h_W_m2K, k_W_mK, latent_J_m3 } = input;
	mustBePositive(h_W_m2K, 'h_W_m2K');
	mustBePositive(k_W_mK, 'k_W_mK');
	mustBePositive(latent_J_m3, 'latent_J_m3');
	if (!(medium_C < freezing_C))
		throw new DomainError(
			'NO_DRIVING_FORCE',
			'medium_C',
			'It never freezes: the air is not colder than its freezing point.'
		);
	const { P, R, size_m } = plankFactors(input.shape);
	return (latent_J_m3 / (freezing_C - medium_C)) * ((P * size_m) / h_W_m2K + (R * size_m ** 2) / k_W_mK);
}

/**
 * How many dimensions' worth of cooling a shape has: 1 for a slab, 2 for a long cylinder, 3 for a sphere or a cube.
 *
 *     E = 1 + Σ (1 + 2/Bi) / (β² + 2β/Bi),  β the ratio of each longer side to the least, Bi on the half of it
 *
 * @source Cleland and Earle; Hossain, in Singh and Heldman, Introduction to Food Engineering (from memory)
 */
export function heatDimensions(shape: FreezingShape, biot: number): number {
	if (shape.kind !== 'brick') return { slab: 1, cylinder: 2, sphere: 3 }[shape.kind];
	const [least = Number.NaN, second = Number.NaN, third = Number.NaN] = lengthsOf(shape);
	const part = (ratio: number) => (1 + 2 / biot) / (ratio * ratio + (2 * ratio) / biot);
	return 1 + part(second / least) + part(third / least);
}

/** Time from the start until the centre is at `centre_C`, s, from known bulk values. @source Pham 1986, in Singh and Heldman (from memory) */
export function phamTime_s(input: {
	readonly shape: FreezingShape;
	readonly start_C: number;
	readonly centre_C: number;
	readonly medium_C: number;
	readonly h_W_m2K: number;
	readonly bulk: Bulk;
}): number {
	const { shape, start_C, centre_C, medium_C, h_W_m2K, bulk } = input;
	mustBePositive(h_W_m2K, 'h_W_m2K');
	const mean_C = 1.8 + 0.263 * centre_C + 0.105 * medium_C;
	if (!(medium_C < centre_C && medium_C < mean_C))
		throw new DomainError(
			'NO_DRIVING_FORCE',
			'medium_C',
			`The centre never reaches ${centre_C} °C: the air is not colder.`
		);
	mustBeWithin(start_C, mean_C, 100, 'start_C');
	const half_m = (lengthsOf(shape)[0] ?? Number.NaN) / 2;
	mustBePositive(half_m, 'size_m');
	const biot = (h_W_m2K * half_m) / bulk.kFrozen;
	const first = (bulk.rhoFresh * bulk.heatFresh * (start_C - mean_C)) / ((start_C + mean_C) / 2 - medium_C);
	const second = (bulk.rhoFrozen * (bulk.latent + bulk.heatFrozen * (mean_C - centre_C))) / (mean_C - medium_C);
	return (half_m / (heatDimensions(shape, biot) * h_W_m2K)) * (first + second) * (1 + biot / 2);
}

/**
 * Time from the start until the centre is at `centre_C`, s, in Pham's three stages: cooling, freezing, going colder. Unlike the
 * form of 1986 it carries the food's own freezing point, which for meat and fish lies well below that of a vegetable.
 *
 *     θ = R/(E·h) · Σ ΔH_i/ΔT_i · (1 + Bi_i/k_i),  k = 6, 4, 6,  Bi = h·D/k on the full size
 *     ΔH = C_l(T_i − T_fa), L, C_s(T_fa − T_o);  T_fa = T_f − 1.5;  T_o = T_c − (T_c − T_m)/(2 + 4/Bi_s)
 *
 * @param bulk.latent heat of the ice that forms until the end, J/kg
 * @throws {DomainError} NO_DRIVING_FORCE, OUT_OF_RANGE, NOT_POSITIVE
 * @source Pham 1984, in ASHRAE Handbook: Refrigeration, Cooling and Freezing Times of Foods (from memory)
 */
export function phamStages_s(input: {
	readonly shape: FreezingShape;
	readonly freezing_C: number;
	readonly start_C: number;
	readonly centre_C: number;
	readonly medium_C: number;
	readonly h_W_m2K: number;
	readonly bulk: Bulk & { readonly kFresh: number };
}): number {
	const { shape, freezing_C, start_C, centre_C, medium_C, h_W_m2K, bulk } = input;
	mustBePositive(h_W_m2K, 'h_W_m2K');
	const mean_C = freezing_C - 1.5;
	if (!(medium_C < centre_C && centre_C < mean_C))
		throw new DomainError(
			'NO_DRIVING_FORCE',
			'medium_C',
			`The centre never reaches ${centre_C} °C: the air is not colder.`
		);
	mustBeWithin(start_C, freezing_C, 100, 'start_C');
	const size_m = lengthsOf(shape)[0] ?? Number.NaN;
	mustBePositive(size_m, 'size_m');
	const biotFrozen = (h_W_m2K * size_m) / bulk.kFrozen;
	const biotFresh = (h_W_m2K * size_m) / bulk.kFresh;
	const end_C = centre_C - (centre_C - medium_C) / (2 + 4 / biotFrozen);
	const above = mean_C - medium_C;
	const logMean = (a: number, b: number) => (Math.abs(a - b) < 1e-9 ? a : (a - b) / Math.log(a / b));
	const stages = [
		[bulk.rhoFresh * bulk.heatFresh * (start_C - mean_C), logMean(start_C - medium_C, above), (biotFresh + biotFrozen) / 2, 6],
		[bulk.rhoFrozen * bulk.latent, above, biotFrozen, 4],
		[bulk.rhoFrozen * bulk.heatFrozen * (mean_C - end_C), logMean(above, end_C - medium_C), biotFrozen, 6]
	] as const; // prettier-ignore
	const sum = stages.reduce((total, [heat, difference, biot, k]) => total + (heat / difference) * (1 + biot / k), 0);
	return (size_m / 2 / (heatDimensions(shape, biotFrozen / 2) * h_W_m2K)) * sum;
}

/**
 * Bulk values of a food for the freezing formulas: fresh at 10 °C, frozen at the centre's end. The density is that of the
 * fresh food in both: a pack keeps its weight, and its size is measured before it swells.
 */
export function bulkOfFood(food: FoodThermal, centre_C: number): Bulk & { readonly kFresh: number } {
	const rho = densityAt(food, 10);
	return {
		rhoFresh: rho,
		rhoFrozen: rho,
		heatFresh: sensibleHeatAt(food, 10),
		heatFrozen: sensibleHeatAt(food, centre_C),
		kFresh: conductivityAt(food, 10),
		kFrozen: conductivityAt(food, centre_C),
		latent: iceHeat_J_kg * iceShare(food, centre_C)
	};
}

/**
 * Time until a food's centre is hard, s, by Pham's three stages with properties from its composition.
 *
 * Within 12 % of the finite-volume solver in every case of a grid of 100 (see `freezing-curve.test.ts`).
 *
 * @param start_C above the freezing point, at most 100 °C
 * @param medium_C of the freezer's air or plate, −40 °C to just below −10 °C; warmer never gets it hard
 * @param h_W_m2K see `surfaceCoefficient`
 * @throws {DomainError} NO_DRIVING_FORCE, OUT_OF_RANGE, NOT_POSITIVE
 */
export function freezingTime_s(input: {
	readonly food: FoodThermal;
	readonly shape: FreezingShape;
	readonly start_C: number;
	readonly medium_C: number;
	readonly h_W_m2K: number;
	readonly centre_C?: number;
}): number {
	const { food, shape, start_C, medium_C, h_W_m2K, centre_C = hard_C } = input;
	mustBeWithin(medium_C, -40, -3, 'medium_C');
	const bulk = bulkOfFood(food, centre_C);
	return phamStages_s({ shape, freezing_C: food.freezing_C, start_C, centre_C, medium_C, h_W_m2K, bulk });
}
