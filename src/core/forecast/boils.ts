import { group } from 'd3-array';
import type { BoilSeen } from '../runs/kinds/freeze/boils';
import { hourSpreads, learnYield, type YieldLearned } from './yields';

/** One run may have been a lid that was left off; two are the pot. */
const least = 2;

/** By what share of the time that its burner's power says each pot comes back to the boil, from its own runs. */
export const boilsLearned = (seen: readonly BoilSeen[]): Map<string, YieldLearned> =>
	new Map(
		[...group(seen, (s) => s.pot)].flatMap(([pot, own]) =>
			own.length < least
				? []
				: [
						[
							pot,
							learnYield(
								1,
								own.map((s) => s.ratio),
								hourSpreads
							)
						]
					]
		)
	);
