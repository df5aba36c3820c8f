import { blanchRules } from '../../reference/rules';
import type { Shape } from '../../reference/tables';
import { DomainError, mustBePositive } from '../errors';
import { plantConductivity_W_mK, plantDiffusivity_m2_s } from './food-heat';
import { centreLeft } from './transient';

export interface ChillInput {
	readonly shape: Shape;
	/** Full thickness or diameter, m. */
	readonly size_m: number;
	readonly start_C: number;
	readonly boil_C: number;
	/** How long it was in the boiling water, s. */
	readonly blanch_s: number;
	readonly bath_C: number;
	readonly target_C: number;
}

/**
 * Time in the ice water until the centre is at the target, in seconds.
 *
 * The piece is heated through its surface for the blanch, then cooled through it: the linear sum of two steps. A thick
 * ear's centre goes on warming for minutes after it is lifted, so the last time it passes the target counts. The
 * published rule (as long as the blanch) is the least.
 *
 *     T(t) = T0 + (Tb − T0)·[1 − Θ(t_b + t)] + (Tm − Tb)·[1 − Θ(t)]
 *
 * The surface coefficient is the same in both waters (common practice, 500 W/(m² K) for stirred pieces); conduction
 * rules for anything thicker than a bean.
 *
 * @returns seconds, at least the blanch time
 * @throws {DomainError} NO_DRIVING_FORCE: the bath is not colder than the target
 * @source superposition of the series of `centreLeft`; the least from NCHFP, Blanching Vegetables
 */
export function chillTime_s(input: ChillInput): number {
	mustBePositive(input.size_m, 'size_m');
	mustBePositive(input.blanch_s, 'blanch_s');
	if (!(input.bath_C < input.target_C)) {
		throw new DomainError(
			'NO_DRIVING_FORCE',
			'bath_C',
			'The chilling water must be colder than the centre is to become.'
		);
	}
	const least = input.blanch_s;
	if (centreAfter(input, least) <= input.target_C && centreAfter(input, least + 60) <= input.target_C) return least;
	let high = least;
	// The centre's rise is over within a few diffusion times; look on until it stays below.
	const step = Math.max(15, (input.size_m / 2) ** 2 / plantDiffusivity_m2_s / 20);
	for (let t = least, below = 0; below < 6; t += step) {
		if (centreAfter(input, t) > input.target_C) {
			below = 0;
			high = t + step;
		} else below++;
		if (t > 6 * 3600)
			throw new DomainError('NOT_CONVERGED', 'size_m', 'Too thick to chill in ice water within six hours.');
	}
	let low = Math.max(least, high - step);
	for (let i = 0; i < 40; i++) {
		const middle = (low + high) / 2;
		if (centreAfter(input, middle) > input.target_C) low = middle;
		else high = middle;
	}
	return Math.max(least, high);
}

/** Temperature at the centre after a time in the ice water, °C. */
export function centreAfter(input: ChillInput, chill_s: number): number {
	const radius = input.size_m / 2;
	const biot = (blanchRules.chillCoefficient.value * radius) / plantConductivity_W_mK;
	const fourier = (seconds: number) => (plantDiffusivity_m2_s * seconds) / radius ** 2;
	const heated =
		(input.boil_C - input.start_C) * (1 - centreLeft(input.shape, biot, fourier(input.blanch_s + chill_s)));
	const cooled = (input.bath_C - input.boil_C) * (1 - centreLeft(input.shape, biot, fourier(chill_s)));
	return input.start_C + heated + cooled;
}
