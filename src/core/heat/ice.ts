import { blanchRules } from '../../reference/rules';
import { mustBePositive, mustBeWithin } from '../errors';
import { iceHeat_J_kg, waterHeat_J_kgK } from './constants';

export interface IceInput {
	/** Food to chill, kg. */
	readonly food_kg: number;
	readonly foodHeat_J_kgK: number;
	readonly hot_C: number;
	/** Tap water in the basin, cooled along, L. Counted once for the run. */
	readonly basin_L: number;
	readonly tap_C: number;
	/** What food and water are to end at, °C. */
	readonly end_C: number;
}

/**
 * Ice that melts while the food and the basin come to the end temperature, kg.
 *
 *     m_ice · (L + c_w·T_end) = m_food·c·(T_hot − T_end) + m_water·c_w·(T_tap − T_end)
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE
 * @source energy balance; latent heat 333.6 kJ/kg (ASHRAE, from memory)
 */
export function iceBalance_kg(input: IceInput): number {
	mustBePositive(input.food_kg, 'food_kg');
	mustBeWithin(input.end_C, 0, 60, 'end_C');
	const food = input.food_kg * input.foodHeat_J_kgK * Math.max(0, input.hot_C - input.end_C);
	const water = input.basin_L * waterHeat_J_kgK * Math.max(0, input.tap_C - input.end_C);
	return (food + water) / (iceHeat_J_kg + waterHeat_J_kgK * input.end_C);
}

/**
 * Ice to have ready, kg: the larger of the published pound a pound and the balance, with what the room takes.
 *
 * @source NCHFP, Blanching Vegetables (1 lb a lb); `iceBalance_kg`; loss by common practice
 */
export function iceToHave_kg(input: IceInput): { kg: number; balance_kg: number; rule_kg: number } {
	const balance_kg = iceBalance_kg(input);
	const rule_kg = input.food_kg * blanchRules.ice_kg_per_kg.value;
	return { kg: Math.max(rule_kg, balance_kg * (1 + blanchRules.iceLoss.value)), balance_kg, rule_kg };
}
