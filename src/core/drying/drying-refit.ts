import { dryingModel } from '../../reference/model-rules';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { pageEnds } from './page-curve';

export interface WeighIn {
	/** Since the start, above 0. */
	readonly t_h: number;
	/** Of the tray or load, food only, kg. */
	readonly kg: number;
}
export interface RefitInput {
	/** As it went on, kg. */
	readonly wet_kg: number;
	readonly moistureIn: number;
	readonly moistureOut: number;
	/** The forecast before any weighing: `dryingTime`. */
	readonly prior: { readonly hours: number; readonly doubt: number };
	readonly weighIns: readonly WeighIn[];
	/** Scale and handling, kg; a hundredth of the wet weight, 2 g at least, without it. */
	readonly noise_kg?: number;
}
export interface Refit {
	/** Middle of when it is done, since the start, and where nine of ten are. h. */
	readonly done_h: number;
	readonly interval_h: readonly [number, number];
	/** Page's power, most likely. */
	readonly power: number;
	/** What it is to weigh when done, kg. */
	readonly target_kg: number;
	/** A weight that fits no drying curve, first of them: weighed wrong, or food was taken off. */
	readonly odd?: WeighIn;
}

const rows = 161;
const columns = 41;

/**
 * When it will be done, learned from weighing it: Bayes on a grid of the end's time and Page's power.
 *
 *     w(t) = m_e + (m_0 − m_e)·MR(t) + noise,  ln t_end ~ N(ln forecast, doubt²),  n ~ N(1, 0.12²)
 *
 * No weighing gives the forecast back; each one narrows it.
 *
 * @throws {DomainError} OUT_OF_RANGE: a weighing is not later than the one before, or heavier than the wet food could be
 * @source Bayes' rule; Page 1949 (from memory)
 */
export function refitDrying(input: RefitInput): Refit {
	const { wet_kg, prior, weighIns } = input;
	mustBePositive(wet_kg, 'wet_kg');
	mustBePositive(prior.hours, 'hours');
	mustBeWithin(prior.doubt, 0.01, 2, 'doubt');
	const noise = input.noise_kg ?? Math.max(0.002, wet_kg * 0.01);
	mustBePositive(noise, 'noise_kg');
	const { X0, Xe, left } = pageEnds(input.moistureIn, input.moistureOut);
	const solids = wet_kg / (1 + X0);
	weighIns.forEach((w, i) => {
		if (!(w.t_h > (weighIns[i - 1]?.t_h ?? 0)))
			throw new DomainError('OUT_OF_RANGE', 't_h', 'Each weighing is later than the one before it. Nothing was kept.');
		if (!(w.kg > solids * 0.7 && w.kg < wet_kg + 6 * noise))
			throw new DomainError(
				'OUT_OF_RANGE',
				'kg',
				`${w.kg} kg cannot be: it went on at ${wet_kg} kg and its dry matter alone is ${solids.toFixed(3)} kg. Weigh the food without its tray.`
			);
	});
	const expected = (t_h: number, end_h: number, n: number) =>
		solids * (1 + Xe + (X0 - Xe) * left ** ((t_h / end_h) ** n));
	const ends = Array.from(
		{ length: rows },
		(_, i) => Math.log(prior.hours) + prior.doubt * (-4 + (8 * i) / (rows - 1))
	);
	const powers = Array.from(
		{ length: columns },
		(_, j) => 1 + dryingModel.shapeDoubt.value * (-3.5 + (7 * j) / (columns - 1))
	);
	const logs: number[][] = ends.map((logEnd, i) =>
		powers.map((n, j) => {
			const a = -4 + (8 * i) / (rows - 1);
			const b = -3.5 + (7 * j) / (columns - 1);
			return weighIns.reduce(
				(sum, w) => sum - ((w.kg - expected(w.t_h, Math.exp(logEnd), n)) / noise) ** 2 / 2,
				-(a * a + b * b) / 2
			);
		})
	);
	const top = Math.max(...logs.flat());
	let best = { end: ends[0] ?? 0, power: 1 };
	const marginal = logs.map((line, i) =>
		line.reduce((sum, log, j) => {
			if (log === top) best = { end: ends[i] ?? 0, power: powers[j] ?? 1 };
			return sum + Math.exp(log - top);
		}, 0)
	);
	const whole = marginal.reduce((a, b) => a + b, 0);
	const quantile = (share: number): number => {
		let sum = 0;
		for (let i = 0; i < rows; i++) {
			const next = sum + (marginal[i] ?? 0) / whole;
			if (next >= share) {
				// Within the cell by straight line: the grid is an eightieth of the prior's width.
				const inside = (share - sum) / (next - sum) - 0.5;
				return Math.exp((ends[i] ?? 0) + (inside * 8 * prior.doubt) / (rows - 1));
			}
			sum = next;
		}
		return Math.exp(ends[rows - 1] ?? 0);
	};
	const odd = weighIns.find((w) => Math.abs(w.kg - expected(w.t_h, Math.exp(best.end), best.power)) > 5 * noise);
	return {
		done_h: quantile(0.5),
		interval_h: [quantile(0.05), quantile(0.95)],
		power: best.power,
		target_kg: solids / (1 - input.moistureOut),
		...(odd ? { odd } : {})
	};
}
