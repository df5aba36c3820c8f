import { writeFileSync } from 'node:fs';
import loadHighs from 'highs';
import { bench, describe } from 'vitest';
import { randomHaul } from '$core/haul/haul.fixture';
import { gapOf, share } from '$core/haul/solve';
import { highsSolver } from './highs';

/** How good an answer stands after so many seconds, over seeded kitchens; written to the file that is named. */
const { BENCH_HAUL: file, BENCH_SEEDS: seeds = '30' } = process.env;
const sizes = [
	{ lots: 7, ways: 6, days: 3, seconds: 3, at: [1, 3] },
	{ lots: 20, ways: 10, days: 3, seconds: 20, at: [1, 3, 20] },
	{ lots: 40, ways: 12, days: 3, seconds: 20, at: [1, 3, 20] }
];
export interface HaulMeasured {
	readonly name: string;
	/** Until the first answer, s. */
	readonly first: readonly number[];
	/** By seconds: how far each stood from its own last bound. */
	readonly gaps: Readonly<Record<string, readonly number[]>>;
	/** Of the process, MB. */
	readonly most_MB: number;
}

describe.runIf(file)('hauls shared out', () => {
	if (!file) return;
	const measured: HaulMeasured[] = [];
	bench(
		'all sizes',
		async () => {
			const solver = highsSolver(await loadHighs());
			for (const { lots, ways, days, seconds, at } of sizes) {
				const first: number[] = [];
				const gaps: Record<string, number[]> = Object.fromEntries(at.map((s) => [s, []]));
				for (let seed = 1; seed <= Number(seeds); seed++) {
					const began = performance.now();
					const told: { s: number; worth: number }[] = [];
					const answer = share(randomHaul(seed, lots, ways, days), solver, {
						seconds,
						gap: 0.005,
						now: () => performance.now(),
						tell: (a) => told.push({ s: (performance.now() - began) / 1000, worth: a.shared.worth })
					});
					if (answer.kind !== 'shared') throw new Error(`seed ${seed}: nothing is set, and yet impossible`);
					first.push(told[0]?.s ?? seconds);
					for (const s of at) {
						const then = told.filter((t) => t.s <= s).at(-1);
						gaps[s]?.push(then ? gapOf(then.worth, answer.bound) : 1);
					}
				}
				const most_MB = process.resourceUsage().maxRSS / 1024;
				measured.push({ name: `${lots} lots × ${ways} ways × ${days} days`, first, gaps, most_MB });
				writeFileSync(file, JSON.stringify(measured));
			}
		},
		{ iterations: 1, time: 0, warmupIterations: 0, warmupTime: 0 }
	);
});
