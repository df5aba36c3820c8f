import { burnerEfficiency, type BurnerKind } from '../../reference/rules';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { waterHeat_J_kgK } from './constants';

/** Heat that the metal of a pot takes up, J/K to each litre that it holds (common practice). */
export const potMetal_J_per_K = 130;

export interface Burner {
	readonly kind: BurnerKind;
	/** Rated power, W. */
	readonly power_W: number;
}

/** Watts of a burner that reach the water, lid on. Share from `burnerEfficiency` (practice). */
export function usefulPower_W(burner: Burner): number {
	mustBePositive(burner.power_W, 'power_W');
	return burner.power_W * burnerEfficiency[burner.kind].value;
}

export interface PotHeatingInput {
	/** Water in the pot, L. */
	readonly water_L: number;
	readonly start_C: number;
	readonly boil_C: number;
	readonly burner: Burner;
	/** The pot's own heat capacity, J/K: 5 kg of stainless steel is about 2500. */
	readonly pot_J_per_K?: number;
}

/** A pot that takes longer has lost to the room what it was given. */
const longest_s = 4 * 3600;

/**
 * Time from cold to the boil, lid on, in seconds.
 *
 *     t = (m·c + C_pot) · (T_boil − T_start) / (η · P)
 *
 * What the room takes is in η, the share of the burner's power that reaches the water.
 *
 * @throws {DomainError} NOT_POSITIVE: water or power is not above 0
 * @throws {DomainError} NO_DRIVING_FORCE: the water starts at the boil or hotter, or would take over four hours
 * @source energy balance
 */
export function potHeating_s(input: PotHeatingInput): number {
	mustBePositive(input.water_L, 'water_L');
	mustBeWithin(input.start_C, 0, 100, 'start_C');
	if (!(input.boil_C > input.start_C)) {
		throw new DomainError('NO_DRIVING_FORCE', 'start_C', 'The water already boils.');
	}
	const capacity = input.water_L * waterHeat_J_kgK + (input.pot_J_per_K ?? 0);
	const seconds = (capacity * (input.boil_C - input.start_C)) / usefulPower_W(input.burner);
	// Such a burner loses to the room what the balance leaves out: it would never boil.
	if (seconds > longest_s)
		throw new DomainError('NO_DRIVING_FORCE', 'power_W', `That burner would take over ${longest_s / 3600} hours: it does not bring so much water to the boil.`); // prettier-ignore
	return seconds;
}
