import { blanchRules } from '../../reference/rules';
import type { BlanchRow, CutRow, FoodRow } from '../../reference/tables';
import { mustBePositive } from '../errors';
import { boilingPoint_C } from './boiling-point';
import { chillTime_s } from './chill-time';
import { waterHeat_J_kgK } from './constants';
import { foodHeat_J_kgK } from './food-heat';
import { iceToHave_kg } from './ice';
import { potHeating_s, potMetal_J_per_K, usefulPower_W, type Burner } from './pot-heating';

export interface Pot {
	readonly litres: number;
	readonly burner: Burner;
	/** What the basket or steamer holds, L; without one the pot's fill is the limit. */
	readonly basket_L?: number;
	/** By what share of the time that its burner's power says it comes back to the boil, learned from its runs; 1 without. */
	readonly comesBack?: number;
}

export interface BlanchLineInput {
	readonly food: FoodRow;
	readonly cut: CutRow;
	readonly row: BlanchRow;
	/** What goes through the pot, kg. */
	readonly load_kg: number;
	readonly pot: Pot;
	readonly altitude_m: number;
	readonly basins: number;
	readonly tap_C: number;
	/** Of the food as it goes in, °C. */
	readonly food_C: number;
	/** Potfuls small enough to boil again within the minute. */
	readonly smaller?: boolean;
}

export interface BlanchLine {
	readonly water_L: number;
	readonly potful_kg: number;
	/** Which limit set the potful. */
	readonly limit: 'water' | 'fill' | 'basket' | 'minute';
	readonly potfuls: number;
	readonly boil_C: number;
	readonly toBoil_s: number;
	/** Published, with the altitude minute: shortest and longest. */
	readonly blanch_s: readonly [number, number];
	readonly altitudeExtra_s: number;
	/** Predicted fall of the water when the food goes in, K. */
	readonly dip_K: number;
	/** Predicted time until it boils again, s: at most, since the food takes its heat up slowly; as it was seen, once it was. */
	readonly reboil_s: number;
	readonly reboilLate: boolean;
	/** The potful that would boil again within the minute, kg. */
	readonly minutePotful_kg: number;
	readonly chill_s: number;
	readonly ice_kg: number;
	readonly icePerPotful_kg: number;
	readonly iceRule_kg: number;
	/** Water that goes out with the food and off as steam, to top up in all, L. */
	readonly topUp_L: number;
	/** From the first potful into the pot to the last out of the ice, s. */
	readonly line_s: number;
	/** From one potful to the next, s. */
	readonly cycle_s: number;
}

/** Lifting, dripping, tipping out and the next one in: hands for each potful, s (common practice). */
const handling_s = 40;
/** Water that each potful carries off, L to the kg (common practice). */
const carried_L_per_kg = 0.1;

/** Seconds in the water: the published minutes and, from 5,000 ft, the published minute more. */
export function blanchTime_s(
	row: BlanchRow,
	altitude_m: number
): { seconds: readonly [number, number]; extra_s: number } {
	const high = !row.dip && altitude_m >= blanchRules.altitudeFrom_m.value;
	const extra_s = high ? blanchRules.altitudeExtra_s.value : 0;
	return { seconds: [row.minutes[0] * 60 + extra_s, row.minutes[1] * 60 + extra_s], extra_s };
}

/**
 * The blanching of a whole item: potfuls, boil, chill, ice, time.
 *
 * A potful is the least of a pound to the gallon of the actual water (leafy greens two gallons), the pot three
 * quarters full with the food in, and what the basket holds. The blanch is counted from the return to the boil,
 * whatever was predicted.
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE
 * @source NCHFP, Blanching Vegetables (from memory); energy balances
 */
export function blanchLine(input: BlanchLineInput): BlanchLine {
	mustBePositive(input.load_kg, 'load_kg');
	mustBePositive(input.pot.litres, 'litres');
	mustBePositive(input.basins, 'basins');
	const { food, cut, row, pot } = input;
	const boil_C = boilingPoint_C(input.altitude_m);
	const heat = foodHeat_J_kgK(food);
	const power = usefulPower_W(pot.burner);
	const comesBack = pot.comesBack ?? 1;
	mustBePositive(comesBack, 'comesBack');
	const { seconds, extra_s } = blanchTime_s(row, input.altitude_m);
	const steam = row.method === 'steam';

	const perKg_L = food.leafy ? blanchRules.waterLeafy_L_per_kg.value : blanchRules.water_L_per_kg.value;
	const room_L = pot.litres * blanchRules.potFill.value;
	// Water and the food it takes share the room: water·(1 + 1/perKg) = room, food about as dense as water.
	const water_L = steam ? Math.min(2, room_L * 0.25) : room_L / (1 + 1 / perKg_L);
	// Steam: one loose layer about 5 cm deep over the water; a basket holds less than the pot (common practice).
	const byWater = steam ? pot.litres * 0.06 : water_L / perKg_L;
	const byBasket = pot.basket_L ? pot.basket_L * cut.bulk_kg_per_L.value : Infinity;
	const minutePotful_kg = (power * blanchRules.reboil_s.value) / (heat * (boil_C - input.food_C) * comesBack);
	let potful_kg = Math.min(byWater, byBasket);
	let limit: BlanchLine['limit'] = byBasket < byWater ? 'basket' : steam ? 'fill' : 'water';
	if (input.smaller && !steam && minutePotful_kg < potful_kg) {
		potful_kg = minutePotful_kg;
		limit = 'minute';
	}
	const potfuls = Math.max(1, Math.ceil(input.load_kg / potful_kg - 1e-9));
	const each_kg = input.load_kg / potfuls;

	const dip_K = steam ? 0 : (each_kg * heat * (boil_C - input.food_C)) / (each_kg * heat + water_L * waterHeat_J_kgK);
	const reboil_s = steam ? 0 : ((each_kg * heat * (boil_C - input.food_C)) / power) * comesBack;
	const piece = row.blanchedAs ?? cut.piece;
	// A dip heats the skin only: cold water stops it within its own minute, without ice.
	const chill_s = row.dip
		? Math.max(60, seconds[1])
		: chillTime_s({
				shape: piece.shape,
				size_m: piece.size_mm / 1000,
				start_C: input.food_C,
				boil_C,
				blanch_s: seconds[1],
				bath_C: 4,
				target_C: blanchRules.chillTarget_C.value
			});
	const ice = row.dip
		? { kg: 0, rule_kg: 0 }
		: iceToHave_kg({
				food_kg: input.load_kg,
				foodHeat_J_kgK: heat,
				hot_C: boil_C,
				basin_L: each_kg * blanchRules.basinStart_L_per_kg.value * input.basins,
				tap_C: input.tap_C,
				end_C: blanchRules.chillTarget_C.value - 5
			});
	const potCycle = reboil_s + seconds[1] + handling_s;
	const iceCycle = (chill_s + handling_s) / input.basins;
	const cycle_s = Math.max(potCycle, iceCycle);
	return {
		water_L,
		potful_kg: each_kg,
		limit,
		potfuls,
		boil_C,
		toBoil_s: potHeating_s({
			water_L,
			start_C: input.tap_C,
			boil_C,
			burner: pot.burner,
			pot_J_per_K: pot.litres * potMetal_J_per_K
		}),
		blanch_s: seconds,
		altitudeExtra_s: extra_s,
		dip_K,
		reboil_s,
		// A steamer refills with steam at once; only water has to come back.
		reboilLate: !steam && reboil_s > blanchRules.reboil_s.value * 1.05,
		minutePotful_kg: Math.min(minutePotful_kg, potful_kg),
		chill_s,
		ice_kg: ice.kg,
		icePerPotful_kg: ice.kg / potfuls,
		iceRule_kg: ice.rule_kg,
		topUp_L: steam
			? 0
			: input.load_kg * carried_L_per_kg + (potfuls * (seconds[1] + reboil_s) * power * 0.15) / 2.257e6,
		line_s: (potfuls - 1) * cycle_s + potCycle + chill_s,
		cycle_s
	};
}
