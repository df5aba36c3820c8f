import { describe, expect, it } from 'vitest';
import { dryingModel } from '../../../../reference/model-rules';
import { random } from '../../../../../tests/laws/random';
import { weightShare } from '../../../drying/page-curve';
import type { DryTap } from './act';
import type { DryEvent } from './events';
import { forecastOf } from './forecast';
import { planOf, start } from './fixture';
import { dry } from '.';

/** A standard normal from two uniforms (Box and Muller 1958). */
const normal = (next: () => number): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
/** `npm run siege` asks for more, by a new seed. */
const runs = Number(process.env.SIEGE_COVERAGE ?? 400);
const seed = Number(process.env.SIEGE_SEED ?? 16);

/**
 * Loads of apples whose truth is drawn from what the plan says it does not know: an end that the trays share, what differs
 * between trays, the curve's power; weighed by a scale with its noise. All that the forecast sees are the run's own taps.
 */
describe(`the forecast of a tray, over ${runs} simulated loads through the run’s own taps`, () => {
	const plan = planOf([{ food: 'apples', grams: 1500 }]);
	const [subject] = plan.subjects;
	if (!subject) throw new Error('no apples');
	const { hours, doubt, moistureIn, moistureOut } = subject.forecast;
	const between = dryingModel.betweenTrays.value;

	function load(next: () => number, weighings: number) {
		const shared = Math.log(hours) + Math.sqrt(doubt ** 2 - between ** 2) * normal(next);
		const truth = [1, 2].map(() => Math.exp(shared + between * normal(next)));
		const power = 1 + dryingModel.shapeDoubt.value * normal(next);
		let n = 0;
		const ev = (h: number, tap: DryTap) =>
			({ ...tap, id: `c${String(++n).padStart(4, '0')}`, at: start + Math.round(h * 3_600_000) }) as DryEvent;
		const events = [
			ev(0, { type: 'weigh', grams: 800 }),
			ev(0, { type: 'load', tray: 1, slot: 8, grams: 400 }),
			ev(0, { type: 'load', tray: 2, slot: 7, grams: 400 })
		];
		for (const share of [0.2, 0.45, 0.7].slice(0, weighings)) {
			const t_h = share * hours;
			const grams = 400 * weightShare({ t_h, end_h: truth[0] ?? 0, moistureIn, moistureOut, power });
			// A scale and a hand: a hundredth of what went on.
			events.push(ev(t_h, { type: 'scale', tray: 1, grams: Math.max(1, Math.round(grams + 4 * normal(next))) }));
		}
		const state = dry.fold(plan, start, events);
		return state.trays.map((t, i) => {
			const { interval_h, done_h } = forecastOf(plan, state.trays, t);
			const end = truth[i] ?? 0;
			return {
				inside: end >= interval_h[0] && end <= interval_h[1],
				width: Math.log(interval_h[1] / interval_h[0]),
				off: Math.abs(Math.log(done_h / end))
			};
		});
	}

	it.each([0, 1, 2, 3])(
		'holds nine of ten, after %i weighings, of the tray that was weighed and of its neighbour',
		(weighings) => {
			const { next } = random(seed * 10 + weighings);
			const all = Array.from({ length: runs }, () => load(next, weighings));
			for (const tray of [0, 1]) {
				const covered = all.filter((l) => l[tray]?.inside).length / runs;
				expect(covered, `tray ${tray + 1}`).toBeGreaterThanOrEqual(0.85);
				expect(covered, `tray ${tray + 1}`).toBeLessThanOrEqual(0.95);
			}
		},
		120_000
	);
	it('narrows with each weighing, and comes nearer to the truth', () => {
		const of = (weighings: number) => {
			const { next } = random(seed * 10 + 5);
			const all = Array.from({ length: 120 }, () => load(next, weighings));
			const mean = (f: (l: (typeof all)[number]) => number) => all.reduce((s, l) => s + f(l), 0) / all.length;
			return {
				width: mean((l) => l[0]?.width ?? 0),
				off: mean((l) => l[0]?.off ?? 0),
				beside: mean((l) => l[1]?.width ?? 0)
			};
		};
		const [none, one, three] = [of(0), of(1), of(3)];
		expect(one.width).toBeLessThan(none.width);
		expect(three.width).toBeLessThan(one.width);
		expect(three.off).toBeLessThan(none.off * 0.6);
		expect(three.beside).toBeLessThan(none.beside);
	}, 60_000);
});
