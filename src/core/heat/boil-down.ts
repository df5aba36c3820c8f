import { boilDownModel } from '../../reference/model-rules';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { waterHeat_J_kgK } from './constants';
import { usefulPower_W, type Burner } from './pot-heating';

/** Heat that turns a kg of boiling water into steam, J. @source steam tables, 100 °C (from memory); 2 % more at 3000 m */
export const steamHeat_J_kg = 2.257e6;

/** A round pot; a flared one is wider at the rim. m. */
export interface BoilPot {
	readonly base_m: number;
	/** At the rim; the base's where it is straight. */
	readonly rim_m?: number;
	readonly height_m: number;
}

function radii(pot: BoilPot): { base: number; slope: number } {
	mustBeWithin(pot.base_m, 0.05, 1, 'base_m');
	mustBeWithin(pot.height_m, 0.03, 1, 'height_m');
	const rim_m = pot.rim_m ?? pot.base_m;
	mustBeWithin(rim_m, 0.05, 1.2, 'rim_m');
	return { base: pot.base_m / 2, slope: (rim_m - pot.base_m) / 2 / pot.height_m };
}

/** Litres at a depth: a truncated cone, π·d·(r² + r·R + R²)/3. @throws {DomainError} OUT_OF_RANGE: deeper than the pot */
export function potVolume_L(pot: BoilPot, depth_m: number): number {
	const { base, slope } = radii(pot);
	mustBeWithin(depth_m, 0, pot.height_m, 'depth_m');
	const top = base + slope * depth_m;
	return ((Math.PI * depth_m) / 3) * (base * base + base * top + top * top) * 1000;
}

/** Depth of so many litres, m. @throws {DomainError} OUT_OF_RANGE: more than the pot holds */
export function potDepth_m(pot: BoilPot, litres: number): number {
	const full_L = potVolume_L(pot, pot.height_m);
	mustBeWithin(litres, 0, full_L, 'litres');
	let [low, high] = [0, pot.height_m];
	for (let i = 0; i < 60; i++) {
		const middle = (low + high) / 2;
		if (potVolume_L(pot, middle) < litres) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/** Depth read on a stick. */
export interface Dip {
	/** Since it boiled, above 0. */
	readonly t_s: number;
	readonly depth_m: number;
}
export interface BoilDownInput {
	readonly pot: BoilPot;
	readonly start_m: number;
	/** What is to be left of the volume, 0.05 to 0.95: ketchup to a half. */
	readonly fraction: number;
	readonly burner: Burner;
	readonly start_C: number;
	readonly boil_C: number;
	/** Share of sugar by weight at the start. */
	readonly sugar?: number;
	/** kg to the litre; 1.03 without it. */
	readonly density_kg_L?: number;
	readonly dips?: readonly Dip[];
}
export interface BoilDown {
	readonly start_L: number;
	readonly end_L: number;
	/** Where the stick is marked, m from the floor of the pot. */
	readonly mark_m: number;
	readonly water_kg: number;
	readonly toBoil_s: number;
	/** From the boil until the mark; nine of ten end within. */
	readonly boil_s: number;
	readonly interval_s: readonly [number, number];
	/** Water that goes in an hour, kg. */
	readonly rate_kg_h: number;
	readonly energy_J: number;
	/** Share of sugar by weight in the end; undefined where none was given. */
	readonly sugarEnd?: number;
	/** Dips were used. */
	readonly learned: boolean;
}

/**
 * How long a pot boils down, to which depth, with what it takes.
 *
 *     m_water = V_0·(1 − f),  t = m_water·L/(η·P),  sugar_end = sugar·m_0/(m_0 − m_water)
 *
 * What leaves is water, a kilo to the litre. The burner's share is that of a covered pot less what an open one loses. The mark
 * comes from the pot's shape: in a flared pot half the volume is more than half the depth.
 *
 * Each dip gives a rate of its own; with the burner's as a prior they are joined on the logarithm:
 *
 *     ln r ~ N(ln r_burner, 0.25²);  ln(V_0 − V_i)/t_i ~ N(ln r, s_i²), s_i from 2 mm on the stick
 *
 * @throws {DomainError} OUT_OF_RANGE, NOT_POSITIVE; dips that rise or are not later than the one before
 * @returns the forecast; it is done at the mark, not at the minute
 * @source energy balance; constants of `boilDownModel` (common practice)
 */
export function boilDown(input: BoilDownInput): BoilDown {
	const { pot, start_m, fraction, burner } = input;
	mustBeWithin(fraction, 0.05, 0.95, 'fraction');
	mustBeWithin(start_m, 0.005, pot.height_m, 'start_m');
	mustBeWithin(input.start_C, 0, input.boil_C, 'start_C');
	const density = input.density_kg_L ?? 1.03;
	mustBeWithin(density, 0.9, 1.4, 'density_kg_L');
	const start_L = potVolume_L(pot, start_m);
	const end_L = start_L * fraction;
	const water_kg = start_L - end_L;
	const power_W = usefulPower_W(burner) * boilDownModel.openEfficiency.value;
	const start_kg = start_L * density;
	const sugar = input.sugar ?? 0;
	mustBeWithin(sugar, 0, 0.8, 'sugar');
	const sugarEnd = (sugar * start_kg) / (start_kg - water_kg);
	if (sugarEnd > boilDownModel.mostSugar.value)
		throw new DomainError(
			'OUT_OF_RANGE',
			'fraction',
			`That would leave ${Math.round(sugarEnd * 100)} % sugar, which scorches. Boil it down less.`
		);
	const prior = Math.log(power_W / steamHeat_J_kg);
	let weight = 1 / boilDownModel.rateDoubt.value ** 2;
	let sum = prior * weight;
	let before: Dip = { t_s: 0, depth_m: start_m };
	let last = start_L;
	for (const dip of input.dips ?? []) {
		if (!(dip.t_s > before.t_s))
			throw new DomainError('OUT_OF_RANGE', 't_s', 'Each dip is later than the one before it. Nothing was kept.');
		if (!(dip.depth_m > 0 && dip.depth_m < start_m))
			throw new DomainError('OUT_OF_RANGE', 'depth_m', 'A dip is below the depth it started at. Read it off the boil.');
		last = potVolume_L(pot, dip.depth_m);
		const gone_L = start_L - last;
		// The stick's 2 mm at this depth and at the start, as a share of what has gone.
		const each_L = potVolume_L(pot, Math.min(pot.height_m, dip.depth_m + boilDownModel.dip_m.value)) - last;
		const doubt = Math.max(0.03, (Math.SQRT2 * each_L) / gone_L);
		weight += 1 / doubt ** 2;
		sum += Math.log(gone_L / dip.t_s) / doubt ** 2;
		before = dip;
	}
	const rate_kg_s = Math.exp(sum / weight);
	const spread = Math.exp(1.645 / Math.sqrt(weight));
	// From the last dip on: what it showed is known.
	const left_L = Math.max(0, last - end_L);
	const boil_s = before.t_s + left_L / rate_kg_s;
	const heat_J = start_kg * waterHeat_J_kgK * (input.boil_C - input.start_C);
	const covered_W = usefulPower_W(burner);
	mustBePositive(covered_W, 'power_W');
	return {
		start_L,
		end_L,
		mark_m: potDepth_m(pot, end_L),
		water_kg,
		toBoil_s: heat_J / covered_W,
		boil_s,
		interval_s: [before.t_s + left_L / (rate_kg_s * spread), before.t_s + (left_L * spread) / rate_kg_s],
		rate_kg_h: rate_kg_s * 3600,
		energy_J: heat_J + water_kg * steamHeat_J_kg,
		...(input.sugar === undefined ? {} : { sugarEnd }),
		learned: (input.dips ?? []).length > 0
	};
}
