import type { FoodRow } from '../../reference/tables';
import { mustBeWithin } from '../errors';
import { iceHeat_J_kg } from './constants';

/** Shares by weight, normed to 1; carbohydrate without its fibre. The food tables print the same parts in percent. */
export type Composition = Pick<FoodRow['composition'], 'water' | 'protein' | 'fat' | 'carbohydrate' | 'fibre' | 'ash'>;
type Part = keyof Composition | 'ice';
type Polynomial = readonly [number, number, number];

/*
 * Choi and Okos, 1986: a + b·t + c·t², t in °C from −40 to 150, as in ASHRAE Handbook: Refrigeration, Thermal Properties of
 * Foods, Tables 1 and 2 (from memory). The conductivity of fat has b = −2.7604e-4; printings with e-3 are wrong.
 */
const conductivity: Readonly<Record<Part, Polynomial>> = {
	protein: [1.7881e-1, 1.1958e-3, -2.7178e-6],
	fat: [1.8071e-1, -2.7604e-4, -1.7749e-7],
	carbohydrate: [2.0141e-1, 1.3874e-3, -4.3312e-6],
	fibre: [1.8331e-1, 1.2497e-3, -3.1683e-6],
	ash: [3.2962e-1, 1.4011e-3, -2.9069e-6],
	water: [5.7109e-1, 1.7625e-3, -6.7036e-6],
	ice: [2.2196, -6.2489e-3, 1.0154e-4]
};
const density: Readonly<Record<Part, Polynomial>> = {
	protein: [1.3299e3, -5.184e-1, 0],
	fat: [9.2559e2, -4.1757e-1, 0],
	carbohydrate: [1.5991e3, -3.1046e-1, 0],
	fibre: [1.3115e3, -3.6589e-1, 0],
	ash: [2.4238e3, -2.8063e-1, 0],
	water: [9.9718e2, 3.1439e-3, -3.7574e-3],
	ice: [9.1689e2, -1.3071e-1, 0]
};
/** kJ/(kg K). */
const heat: Readonly<Record<Part, Polynomial>> = {
	protein: [2.0082, 1.2089e-3, -1.3129e-6],
	fat: [1.9842, 1.4733e-3, -4.8008e-6],
	carbohydrate: [1.5488, 1.9625e-3, -5.9399e-6],
	fibre: [1.8459, 1.8306e-3, -4.6509e-6],
	ash: [1.0926, 1.8896e-3, -3.6817e-6],
	water: [4.1762, -9.0864e-5, 5.4731e-6],
	ice: [2.0623, 6.0769e-3, 0]
};
/** Water below 0 °C has a row of its own. */
const coldWaterHeat: Polynomial = [4.0817, -5.3062e-3, 9.9516e-4];

const at = ([a, b, c]: Polynomial, t: number) => a + b * t + c * t * t;
const heatAt = (part: Part, t: number) => at(part === 'water' && t < 0 ? coldWaterHeat : heat[part], t) * 1000;

export interface FoodThermal {
	readonly composition: Composition;
	/** °C, below 0. */
	readonly freezing_C: number;
}

/** Norms percentages (carbohydrate by difference, fibre within it, as the food tables print them) to shares. */
export function sharesOf(percent: Composition): Composition {
	const carbohydrate = Math.max(0, percent.carbohydrate - percent.fibre);
	const sum = percent.water + percent.protein + percent.fat + carbohydrate + percent.fibre + percent.ash;
	return {
		water: percent.water / sum,
		protein: percent.protein / sum,
		fat: percent.fat / sum,
		carbohydrate: carbohydrate / sum,
		fibre: percent.fibre / sum,
		ash: percent.ash / sum
	};
}

/**
 * Share of the food's weight that is ice.
 *
 *     x_ice = (x_w − 0.4·x_p) · (1 − t_f/t),  t < t_f < 0;  0 above t_f
 *
 * @param t_C −40 to 150 °C
 * @throws {DomainError} OUT_OF_RANGE
 * @source Tchigeov / Miles from freezing-point depression, in ASHRAE Handbook: Refrigeration (from memory)
 */
export function iceShare({ composition, freezing_C }: FoodThermal, t_C: number): number {
	mustBeWithin(t_C, -40, 150, 't_C');
	mustBeWithin(freezing_C, -10, -0.01, 'freezing_C');
	if (t_C >= freezing_C) return 0;
	return Math.max(0, composition.water - 0.4 * composition.protein) * (1 - freezing_C / t_C);
}

/** Every part's share by weight at a temperature, ice apart from water. */
function partsAt(food: FoodThermal, t_C: number): readonly (readonly [Part, number])[] {
	const ice = iceShare(food, t_C);
	const { water, ...solids } = food.composition;
	return [...(Object.entries(solids) as [Part, number][]), ['water', water - ice], ['ice', ice]];
}

/** Density, kg/m³: the parts side by side, no pores. @param t_C −40 to 150 °C */
export const densityAt = (food: FoodThermal, t_C: number): number =>
	1 / partsAt(food, t_C).reduce((sum, [part, x]) => sum + x / at(density[part], t_C), 0);

/** Conductivity, W/(m K): parallel to the flow, by volume. @param t_C −40 to 150 °C */
export function conductivityAt(food: FoodThermal, t_C: number): number {
	const rho = densityAt(food, t_C);
	return partsAt(food, t_C).reduce(
		(sum, [part, x]) => sum + ((x * rho) / at(density[part], t_C)) * at(conductivity[part], t_C),
		0
	);
}

/** Heat capacity without the heat of melting, J/(kg K). @param t_C −40 to 150 °C */
export const sensibleHeatAt = (food: FoodThermal, t_C: number): number =>
	partsAt(food, t_C).reduce((sum, [part, x]) => sum + x * heatAt(part, t_C), 0);

/** Heat of melting all the water of a food, J/kg, as handbooks print it. */
export const latentHeat_J_kg = ({ composition }: FoodThermal): number => composition.water * iceHeat_J_kg;

const coldest_C = -40;

/**
 * Enthalpy above −40 °C, J/kg: sensible heat, and the ice that has melted since.
 *
 *     H(t) = ∫ c(t′) dt′ + L·(x_ice(−40) − x_ice(t))
 *
 * @param t_C −40 to 150 °C
 * @throws {DomainError} OUT_OF_RANGE
 */
export function enthalpyAt(food: FoodThermal, t_C: number): number {
	mustBeWithin(t_C, coldest_C, 150, 't_C');
	// Steps of a quarter degree: the integrand is smooth but for its bend at the freezing point.
	const steps = Math.max(1, Math.ceil((t_C - coldest_C) * 4));
	const width = (t_C - coldest_C) / steps;
	let sensible = 0;
	for (let i = 0; i < steps; i++) sensible += sensibleHeatAt(food, coldest_C + (i + 0.5) * width) * width;
	return sensible + iceHeat_J_kg * (iceShare(food, coldest_C) - iceShare(food, t_C));
}
