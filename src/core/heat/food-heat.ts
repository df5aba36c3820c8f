import type { FoodRow } from '../../reference/tables';
import { mustBeWithin } from '../errors';

/**
 * Specific heat of unfrozen food, J/(kg K).
 *
 *     c = 4.19 − 2.30·x_s − 0.628·x_s³   kJ/(kg K), x_s the share of solids
 *
 * @param water share of water by weight, 0.3 to 1
 * @source Chen 1985, in ASHRAE Handbook: Refrigeration, Thermal Properties of Foods (from memory)
 */
export function specificHeat_J_kgK(water: number): number {
	mustBeWithin(water, 0.3, 1, 'water');
	const solids = 1 - water;
	return (4.19 - 2.3 * solids - 0.628 * solids ** 3) * 1000;
}

/** Specific heat of a food of the tables, J/(kg K). */
export const foodHeat_J_kgK = (food: FoodRow): number => specificHeat_J_kgK(food.composition.water / 100);

/**
 * Thermal diffusivity of wet plant tissue, m²/s.
 *
 * Fruits and vegetables lie between 1.2e-7 and 1.5e-7; the middle is taken (common practice).
 */
export const plantDiffusivity_m2_s = 1.4e-7;
/** Conductivity of wet plant tissue, W/(m K): 0.5 to 0.6 for most (common practice). */
export const plantConductivity_W_mK = 0.55;
