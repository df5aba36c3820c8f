import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chance } from './chance.fixture';
import { afterWeeks, perDraw, priorOf, seasonOf, strangers, type Draw, type Eaten } from './draws';
import { lastsFor, mealsWithin, rationTo, weeksFor } from './lasts';

const week = 7 * 86_400_000;
const now = Date.parse('2026-12-01T12:00:00Z');

interface World {
	/** Rates of foods: the household's own, about once in ten days, times or by three. */
	readonly rate: (c: ReturnType<typeof chance>) => number;
	/** How the rate of a moment differs from the usual one. */
	readonly pace: (at: number) => number;
	readonly packs: (c: ReturnType<typeof chance>) => number;
}

/** What goes at a pace that changes: by thinning, at most three times the usual. */
function* meals(c: ReturnType<typeof chance>, from: number, rate: number, world: World): Generator<Draw> {
	for (let at = from; ;) {
		at += c.wait(3 * rate) * week;
		if (c.u() < world.pace(at) / 3) yield { at, units: world.packs(c) };
	}
}

/** Of so many foods of so many households, how many were gone between the two dates that were said. */
function covered(world: World, households: number, season: boolean): { inside: number; early: number; late: number } {
	let [inside, early, late] = [0, 0, 0];
	for (let h = 0; h < households; h++) {
		const c = chance(1000 + h);
		const foods = Array.from({ length: 12 }, () => {
			const rate = world.rate(c);
			const seen = c.u() * 100 * week;
			const draws: Draw[] = [];
			const going = meals(c, now - seen, rate, world);
			let next = going.next().value as Draw;
			for (; next.at < now; next = going.next().value as Draw) draws.push(next);
			return { rate, next, going, eaten: { draws, standing: [{ from: now - seen, to: now }] } satisfies Eaten };
		});
		const all = foods.map((f) => f.eaten);
		const prior = priorOf(all, now);
		for (const food of foods) {
			const stock = 1 + Math.floor(c.u() * 30);
			const said = lastsFor(food.eaten, stock, { prior, now, ...(season ? { season: seasonOf(all) } : {}) });
			let left = stock;
			let { next } = food;
			for (; ; next = food.going.next().value as Draw) {
				left -= next.units;
				if (left <= 0) break;
			}
			if (next.at < (said.early ?? 0)) early++;
			else if (next.at > (said.late ?? Infinity)) late++;
			else inside++;
		}
	}
	return { inside, early, late };
}

const usual = (c: ReturnType<typeof chance>) => 0.7 * Math.exp(0.8 * c.normal());
const one = () => 1;

describe('how long it lasts, nine in ten', () => {
	const worlds: [string, World, boolean][] = [
		['at an even pace', { rate: usual, pace: one, packs: one }, false],
		[
			'where two packs go at once as often as one',
			{ rate: usual, pace: one, packs: (c) => (c.u() < 0.5 ? 1 : 2) },
			false
		],
		[
			'where winter takes twice what summer takes, by the months that were seen',
			{ rate: usual, pace: (at) => 1 + 0.5 * Math.cos((2 * Math.PI * (at - now)) / (52.18 * week)), packs: one },
			true
		],
		[
			'where appetites grew by half within two years',
			{ rate: usual, pace: (at) => 1 + 0.25 * Math.tanh((at - now + 52 * week) / (40 * week)), packs: one },
			false
		]
	];
	for (const [name, world, season] of worlds)
		it(`holds in 85 to 95 of 100 foods ${name}`, () => {
			const { inside, early, late } = covered(world, 150, season);
			const n = inside + early + late;
			expect(inside / n, `${early} earlier, ${late} later, of ${n}`).toBeGreaterThan(0.85);
			expect(inside / n, `${early} earlier, ${late} later, of ${n}`).toBeLessThan(0.95);
			// Neither side alone may hide what the other gives away.
			expect(early / n).toBeLessThan(0.1);
			expect(late / n).toBeLessThan(0.1);
		});

	it('waits for n meals at a known pace as the sum of n waits does (Erlang, from memory)', () => {
		// Shape so large that the pace is certain: median of the tenth meal at two a week is 9.669 / 2 weeks.
		expect(weeksFor(10, { shape: 2e6, weeks: 1e6 }, 0.5)).toBeCloseTo(9.669 / 2, 2);
		expect(weeksFor(1, { shape: 2e6, weeks: 1e6 }, 0.95)).toBeCloseTo(-Math.log(0.05) / 2, 3);
	});

	it('is by hand where one meal waits on a pace of shape one: p / (1 − p) weeks', () => {
		for (const p of [0.05, 0.5, 0.95]) expect(weeksFor(1, { shape: 1, weeks: 3 }, p)).toBeCloseTo((3 * p) / (1 - p), 6);
	});

	it('laws: more stands longer, what went faster goes sooner, early before middle before late', () => {
		const history = fc.array(
			fc.record({ ago: fc.integer({ min: 1, max: 700 }), units: fc.integer({ min: 1, max: 4 }) }),
			{ maxLength: 60 }
		);
		fc.assert(
			fc.property(history, fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 20 }), (h, stock, more) => {
				const eaten: Eaten = {
					draws: h.map((d) => ({ at: now - d.ago * 86_400_000, units: d.units })),
					standing: [{ from: now - 700 * 86_400_000, to: now }]
				};
				const of = (e: Eaten, units: number) => lastsFor(e, units, { prior: strangers, now });
				const a = of(eaten, stock);
				const late = (x: number | null) => x ?? Infinity;
				expect(late(a.early)).toBeLessThanOrEqual(late(a.out));
				expect(late(a.out)).toBeLessThanOrEqual(late(a.late));
				expect(late(of(eaten, stock + more).out)).toBeGreaterThanOrEqual(late(a.out));
				const days = new Set(h.map((d) => d.ago));
				const free = Array.from({ length: 700 }, (_, i) => i + 1).find((d) => !days.has(d)) ?? 0;
				const one_ = perDraw(eaten.draws);
				const faster = { ...eaten, draws: [...eaten.draws, { at: now - free * 86_400_000, units: one_ }] };
				expect(late(of(faster, stock).out)).toBeLessThanOrEqual(late(a.out) + 1);
			}),
			{ numRuns: 400 }
		);
	});

	it('counts meals in a time: by hand where the pace is certain (Poisson of two, from memory), never fewer in a longer one', () => {
		// P(0) = 0.135, P(≤ 4) = 0.947, P(≤ 5) = 0.983.
		expect(mealsWithin({ shape: 2e6, weeks: 1e6 }, 1)).toEqual([0, 5]);
		expect(mealsWithin({ shape: 2e6, weeks: 1e6 }, 0)).toEqual([0, 0]);
		const rate = fc.record({
			shape: fc.double({ min: 0.5, max: 60, noNaN: true }),
			weeks: fc.double({ min: 0.5, max: 80, noNaN: true })
		});
		fc.assert(
			fc.property(
				rate,
				fc.double({ min: 0, max: 100, noNaN: true }),
				fc.double({ min: 0, max: 20, noNaN: true }),
				(r, t, more) => {
					const [a, b] = [mealsWithin(r, t), mealsWithin(r, t + more)];
					expect(b[0]).toBeGreaterThanOrEqual(a[0]);
					expect(b[1]).toBeGreaterThanOrEqual(a[1]);
					expect(a[0]).toBeLessThanOrEqual(a[1]);
					const mean = (r.shape * t) / r.weeks;
					expect(a[1]).toBeGreaterThanOrEqual(Math.floor(mean));
				}
			)
		);
	});

	it('gives nothing no time, and a month of double pace half of it', () => {
		const empty = lastsFor({ draws: [], standing: [] }, 0, { prior: strangers, now });
		expect([empty.early, empty.out, empty.late]).toEqual([now, now, now]);
		const december = Array.from({ length: 12 }, (_, m) => (m === 11 ? 2 : 10 / 11));
		expect(((afterWeeks(2, now, december) ?? 0) - now) / week).toBeCloseTo(1, 9);
		expect(rationTo(6, now, now + 12 * week)).toBeCloseTo(0.5, 9);
	});
});
