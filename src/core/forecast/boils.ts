import { mean, rollup } from 'd3-array';
import type { BoilSeen } from '../runs/kinds/freeze/boils';
import { hourSpreads, learnYield, type YieldLearned } from './yields';

/** One run may have been a lid that was left off; two are the pot. */
const least = 2;

/** By what share of the time that its burner's power says each pot comes back to the boil; foods of one run are one word. */
export const boilsLearned = (seen: readonly BoilSeen[]): Map<string, YieldLearned> =>
	new Map(
		[
			...rollup(
				seen,
				(own) => [
					...rollup(
						own,
						(of) => mean(of, (s) => s.ratio) ?? 1,
						(s) => s.run
					).values()
				],
				(s) => s.pot
			)
		].flatMap(([pot, ratios]) => (ratios.length < least ? [] : [[pot, learnYield(1, ratios, hourSpreads)] as const]))
	);
