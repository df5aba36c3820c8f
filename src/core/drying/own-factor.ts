import { dryingModel } from '../../reference/model-rules';
import { mustBeWithin } from '../errors';

/** A load of before: for each of its trays the hours that it took to those that the table's carried hours had said. */
export interface PastLoad {
	readonly ratios: readonly number[];
}

export interface OwnFactor {
	/** This kitchen's hours to the table's, most likely. */
	readonly factor: number;
	/** Standard deviation of the logarithm of the next tray's hours, in place of the table's doubt. */
	readonly doubt: number;
	readonly loads: number;
}

/**
 * The household's own factor of a food's hours, learned from its loads: Bayes, the table its prior.
 *
 *     ln f ~ N(0, d²);  mean of a load ~ N(ln f, l² + (b² + h²)/n)
 *
 * d the table's doubt, l between loads, b between trays, h the hand's test. Without a load it is the table again.
 *
 * @param doubt of the table's forecast: standard deviation of the logarithm, 0.01 to 2
 * @throws {DomainError} OUT_OF_RANGE: a doubt or a ratio that cannot be (a twentieth to twenty)
 * @source Bayes' rule for a normal mean (from memory); l, b, h: `dryingModel`, common practice
 */
export function ownFactor(doubt: number, loads: readonly PastLoad[]): OwnFactor {
	mustBeWithin(doubt, 0.01, 2, 'doubt');
	const between = dryingModel.betweenTrays.value;
	const tray = between ** 2 + dryingModel.handDoubt.value ** 2;
	const load = dryingModel.betweenLoads.value ** 2;
	let precision = 1 / doubt ** 2;
	let mean = 0;
	let seen = 0;
	for (const { ratios } of loads) {
		if (ratios.length === 0) continue;
		for (const r of ratios) mustBeWithin(r, 0.05, 20, 'ratio');
		const weight = 1 / (load + tray / ratios.length);
		mean += weight * (ratios.reduce((sum, r) => sum + Math.log(r), 0) / ratios.length);
		precision += weight;
		seen++;
	}
	if (seen === 0) return { factor: 1, doubt, loads: 0 };
	return {
		factor: Math.exp(mean / precision),
		// What is not known of the factor, what another load brings, and what a tray does.
		doubt: Math.min(doubt, Math.sqrt(1 / precision + load + between ** 2)),
		loads: seen
	};
}
