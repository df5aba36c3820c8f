import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { allOf, roomFor, withOffer } from '$core/haul/before';
import { faultsOf } from '$core/haul/check';
import { randomHaul, seeded } from '$core/haul/haul.fixture';
import type { Haul, HaulWay, Shared } from '$core/haul/haul';
import { worthOf } from '$core/haul/programme';
import { share, type Answer } from '$core/haul/solve';
import type { Solver } from '$core/haul/solver';
import { whyNot } from '$core/haul/explain';
import { withMore, worths } from '$core/haul/worths';
import { highsSolver } from './highs';

let solver: Solver;
beforeAll(async () => {
	solver = highsSolver(await loadHighs());
});
const now = () => performance.now();
const solved = (haul: Haul, gap = 0, seconds = 20): Answer => {
	const answer = share(haul, solver, { seconds, gap, now });
	if (answer.kind !== 'shared') throw new Error('impossible');
	return answer;
};

/** One or two lots, two ways each of whole packs, one day: few enough to try them all. */
function tiny(seed: number): Haul {
	const r = seeded(seed);
	const between = (a: number, b: number) => a + r() * (b - a);
	const lots = Array.from({ length: 1 + Math.floor(r() * 2) }, (_, i) => ({
		id: `l${i}`,
		name: `lot ${i}`,
		kg: Math.round(between(2, 6)),
		lastDay: 0,
		left_cost: r() < 0.5 ? 0 : between(0, 0.5)
	}));
	const ways = lots.flatMap((lot) =>
		[0, 1].map((j): HaulWay => {
			const worth = between(0.5, 1.5);
			return {
				id: `${lot.id}-${j}`,
				lot: lot.id,
				name: `way ${j}`,
				pack_kg: Math.round(between(0.6, 1.4) * 10) / 10,
				whole: true,
				least_kg: r() < 0.3 ? 2 : 0,
				most_kg: r() < 0.3 ? 3 : 100,
				worth,
				enough_kg: r() < 0.5 ? 2 : 100,
				worthMore: worth * between(0.3, 1),
				perKg: [{ limit: 'hands', amount: between(0.05, 0.2) }],
				perPack: [{ limit: 'room', amount: between(0.5, 1.5) }],
				station: j === 0 ? 'pot' : null,
				group: j === 1 ? 'canner' : null
			};
		})
	);
	return {
		days: 1,
		lots,
		ways,
		limits: [
			{ id: 'hands', name: 'hands', unit: 'h', kind: 'daily', have: [between(0.4, 1.4)] },
			{ id: 'room', name: 'room', unit: 'L', kind: 'stock', have: between(2, 8) }
		],
		stations: [{ id: 'pot', takes: [{ limit: 'hands', amount: 0.2 }], cost: 0.1 }],
		groups: [{ id: 'canner', packs: 3, takes: [{ limit: 'hands', amount: 0.2 }], cost: 0.2 }],
		locks: []
	};
}

/** Every number of packs of every way, by counting: each that breaks no rule. It knows of no programme. */
function every(haul: Haul, visit: (shared: Shared) => void): void {
	const counts = haul.ways.map((w) => {
		const lot = haul.lots.find((l) => l.id === w.lot);
		return Math.floor((lot?.kg ?? 0) / w.pack_kg + 1e-9);
	});
	const packs = haul.ways.map(() => 0);
	const look = (a: number): void => {
		if (a === haul.ways.length) {
			const parts = haul.ways.flatMap((w, i) =>
				packs[i] ? [{ way: w.id, lot: w.lot, day: 0, kg: (packs[i] ?? 0) * w.pack_kg }] : []
			);
			const left = Object.fromEntries(
				haul.lots.map((l) => [l.id, l.kg - parts.filter((p) => p.lot === l.id).reduce((s, p) => s + p.kg, 0)])
			);
			if (Object.values(left).some((kg) => kg < -1e-9)) return;
			const canned = haul.ways.reduce((sum, w, i) => sum + (w.group ? (packs[i] ?? 0) : 0), 0);
			const loads = canned > 0 ? [{ group: 'canner', day: 0, count: Math.ceil(canned / 3) }] : [];
			const shared: Shared = { parts, packs: {}, loads, left, worth: worthOf(haul, parts, loads, left) };
			if (faultsOf(haul, shared).length === 0) visit(shared);
			return;
		}
		for (let n = 0; n <= (counts[a] ?? 0); n++) {
			packs[a] = n;
			look(a + 1);
		}
		packs[a] = 0;
	};
	look(0);
}
function byCounting(haul: Haul): number {
	let best = -Infinity;
	every(haul, (shared) => (best = Math.max(best, shared.worth)));
	return best;
}

describe('a haul shared out', () => {
	it('is what counting every possibility finds, in 200 small kitchens', () => {
		let several = 0;
		for (let seed = 1; seed <= 200; seed++) {
			const haul = tiny(seed);
			const answer = solved(haul);
			expect(faultsOf(haul, answer.shared), `seed ${seed}`).toEqual([]);
			expect(answer.proven, `seed ${seed}`).toBe(true);
			expect(answer.shared.worth, `seed ${seed}`).toBeCloseTo(byCounting(haul), 4);
			if (answer.shared.parts.length > 1) several++;
		}
		expect(several).toBeGreaterThan(80);
	});

	it('breaks no rule in larger ones, is never over its bound, and kilos close', () => {
		for (let seed = 1; seed <= 8; seed++) {
			const haul = randomHaul(seed, 6, 6, 3);
			const { shared, bound, gap } = solved(haul, 0.02, 0.8);
			expect(faultsOf(haul, shared), `seed ${seed}`).toEqual([]);
			expect(shared.worth, `seed ${seed}`).toBeLessThanOrEqual(bound + 1e-6 * Math.abs(bound));
			expect(gap, `seed ${seed}`).toBeGreaterThanOrEqual(0);
		}
	});

	it('is never worse for having more of something', () => {
		const r = seeded(9);
		for (let seed = 1; seed <= 40; seed++) {
			const haul = tiny(seed);
			const at = Math.floor(r() * haul.limits.length);
			const more: Haul = {
				...haul,
				limits: haul.limits.map((l, i) =>
					i !== at ? l : l.kind === 'daily' ? { ...l, have: l.have.map((h) => h + 0.3) } : { ...l, have: l.have + 1 }
				)
			};
			expect(solved(more).shared.worth, `seed ${seed}`).toBeGreaterThanOrEqual(solved(haul).shared.worth - 1e-6);
		}
	});

	it('says of one more what the next solving gains by it', () => {
		let gained = 0;
		for (let seed = 1; seed <= 40; seed++) {
			const haul = tiny(seed);
			const answer = solved(haul);
			for (const one of worths(haul, answer, solver, { now, seconds: 20 })) {
				const then = byCounting(withMore(haul, one.limit, one.day, one.more));
				expect(one.gains, `seed ${seed}, ${one.limit}`).toBeCloseTo(Math.max(0, then - answer.shared.worth), 4);
				if (one.gains > 0) gained++;
				expect(one.way === null, `seed ${seed}`).toBe(one.gains <= 1e-6);
			}
		}
		expect(gained).toBeGreaterThan(5);
	});

	it('takes of what is offered the most that counting finds while the rest stays as good as it is', () => {
		let some = 0;
		let none = 0;
		for (let seed = 1; seed <= 200; seed++) {
			const whole = tiny(seed);
			const [first, second] = whole.lots;
			if (!first || !second) continue;
			const of = (lot: string) => whole.ways.filter((w) => w.lot === lot);
			const haul: Haul = { ...whole, lots: [first], ways: of(first.id) };
			const lot = { ...second, left_cost: 0 };
			const offer = { lot, ways: of(second.id), groups: whole.groups, stations: whole.stations, limits: [] };
			const answer = solved(haul);
			for (const losing of [0, 0.02]) {
				const room = roomFor(haul, answer, offer, solver, { seconds: 20, losing });
				const now = withOffer(haul, offer);
				expect(faultsOf(now, room.shared), `seed ${seed}`).toEqual([]);
				// Set-ups cost neither side; loads of the canner cost the rest, that goes by it too.
				const others = (s: Shared) =>
					worthOf(
						{ ...haul, stations: [] },
						s.parts.filter((p) => p.lot === first.id),
						s.loads,
						{ [first.id]: s.left[first.id] ?? 0 }
					);
				const least = others(answer.shared) - losing * Math.abs(others(answer.shared)) - 1e-6;
				let most = 0;
				every(now, (s) => {
					if (others(s) >= least) most = Math.max(most, lot.kg - (s.left[lot.id] ?? 0));
				});
				expect(others(room.shared), `seed ${seed}`).toBeGreaterThanOrEqual(least - 1e-6);
				expect(room.kg, `seed ${seed}, losing ${losing}`).toBeCloseTo(most, 4);
				expect(room.most_kg).toBeGreaterThanOrEqual(room.kg);
				if (room.kg > 0.01) some++;
				else none++;
			}
		}
		expect(some).toBeGreaterThan(20);
		expect(none).toBeGreaterThan(5);
	});

	it('says what all of an offer pushes out: its kilos first, and no kilo lost in the telling', () => {
		let pushed = 0;
		for (let seed = 1; seed <= 60; seed++) {
			const whole = tiny(seed);
			const [first, second] = whole.lots;
			if (!first || !second) continue;
			const of = (lot: string) => whole.ways.filter((w) => w.lot === lot);
			const haul: Haul = { ...whole, lots: [first], ways: of(first.id) };
			const offer = { lot: second, ways: of(second.id), groups: whole.groups, stations: whole.stations, limits: [] };
			const answer = solved(haul);
			const all = allOf(haul, answer, offer, solver, { seconds: 20 });
			if (!all) throw new Error('impossible');
			const both = withOffer(haul, offer);
			expect(faultsOf(both, all.shared), `seed ${seed}`).toEqual([]);
			let least_kg = Infinity;
			every(both, (s) => (least_kg = Math.min(least_kg, s.left[second.id] ?? 0)));
			expect(all.left_kg, `seed ${seed}`).toBeCloseTo(least_kg, 4);
			expect(
				all.changes.reduce((sum, c) => sum + c.kg, 0),
				`seed ${seed}`
			).toBeCloseTo(0, 0);
			if (all.changes.length > 0) pushed++;
		}
		expect(pushed).toBeGreaterThan(5);
	});

	it('explains by what would have come of the other way: no more of it could go there, and nothing is better for it', () => {
		let short = 0;
		let whole = 0;
		for (let seed = 1; seed <= 60; seed++) {
			const haul = tiny(seed);
			const answer = solved(haul);
			for (const lot of haul.lots)
				for (const one of whyNot(haul, answer, lot.id, solver, { seconds: 20 })) {
					let most = 0;
					every(haul, (s) => {
						const kg = s.parts.find((p) => p.way === one.other)?.kg ?? 0;
						if (kg <= one.kg + 1e-6) most = Math.max(most, kg);
					});
					expect(one.can_kg, `seed ${seed}, ${one.other}`).toBeCloseTo(most, 4);
					expect(one.loses, `seed ${seed}`).toBeGreaterThanOrEqual(-1e-6);
					if (one.can_kg < one.kg - 0.01) short++;
					else whole++;
				}
		}
		expect(short).toBeGreaterThan(5);
		expect(whole).toBeGreaterThan(20);
	});

	it('keeps what a person has set, or says what must give', () => {
		let kept = 0;
		let refused = 0;
		for (let seed = 1; seed <= 60; seed++) {
			const haul = tiny(seed);
			const [way] = haul.ways;
			if (!way) continue;
			const lot = haul.lots.find((l) => l.id === way.lot);
			const locked: Haul = { ...haul, locks: [{ way: way.id, kg: (lot?.kg ?? 0) * (seed % 3 === 0 ? 0.5 : 0.9) }] };
			const answer = share(locked, solver, { seconds: 5, gap: 0, now });
			if (answer.kind === 'shared') {
				kept++;
				expect(faultsOf(locked, answer.shared), `seed ${seed}`).toEqual([]);
			} else {
				refused++;
				expect(
					answer.gives.map((g) => g.way),
					`seed ${seed}`
				).toEqual([way.id]);
			}
		}
		expect(kept).toBeGreaterThan(10);
		expect(refused).toBeGreaterThan(10);
	});
});
