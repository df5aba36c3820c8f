import { mean, sum } from 'd3-array';
import jstat from 'jstat';
import { mustBeWithin } from '../errors';

/** What of a kilo comes into packs, learned: nine in ten. */
export interface YieldLearned {
	/** The household's own, 0 to above 1 (what is dried is far below, what takes up water above). */
	readonly share: number;
	/** Between these the household's own lies, nine in ten. */
	readonly low: number;
	readonly high: number;
	/** Between these the next batch comes out, nine in ten. */
	readonly nextLow: number;
	readonly nextHigh: number;
	readonly batches: number;
}

/** How far households lie from the table and batches from their household, as logarithms (common practice). */
export interface Spreads {
	readonly between: number;
	readonly within: number;
}
const shares: Spreads = { between: 0.15, within: 0.1 };
/** Hours lie further apart than shares do: another knife, other hands, another air (common practice). */
export const hourSpreads: Spreads = { between: 0.4, within: 0.25 };
/** What a plant bears, from year to year and from garden to garden (common practice). */
export const plantSpreads: Spreads = { between: 0.6, within: 0.35 };
/** So many batches' worth the spread within is believed before any was weighed. */
const believed = 5;

/**
 * The share that a household keeps, from the table's and its own batches: logarithms of the shares are normal about the
 * household's own, that about the table's, with a spread that is learned too (normal with an inverse gamma; the answer is
 * Student's t).
 *
 * @param published the table's share, above 0
 * @param own shares of its batches, above 0; what is none is left out
 * @param spreads of other things than shares: hours a kilo, kilos a plant
 * @source conjugate normal model (from memory); its intervals held against simulated households
 */
export function learnYield(published: number, own: readonly number[], { between, within } = shares): YieldLearned {
	mustBeWithin(published, 1e-3, 200, 'published');
	const logs = own.filter((x) => Number.isFinite(x) && x > 1e-3 && x < 200).map(Math.log);
	const n = logs.length;
	const mu0 = Math.log(published);
	const kappa0 = (within / between) ** 2;
	const alpha = believed + n / 2;
	const at = mean(logs) ?? mu0;
	const kappa = kappa0 + n;
	const mu = (kappa0 * mu0 + n * at) / kappa;
	const beta =
		believed * within ** 2 + sum(logs, (x) => (x - at) ** 2) / 2 + (kappa0 * n * (at - mu0) ** 2) / (2 * kappa);
	const t = jstat.jStat.studentt.inv(0.95, 2 * alpha);
	const own_ = t * Math.sqrt(beta / (alpha * kappa));
	const next = t * Math.sqrt((beta / alpha) * (1 + 1 / kappa));
	return {
		share: Math.exp(mu),
		low: Math.exp(mu - own_),
		high: Math.exp(mu + own_),
		nextLow: Math.exp(mu - next),
		nextHigh: Math.exp(mu + next),
		batches: n
	};
}
