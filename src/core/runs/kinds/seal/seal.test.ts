import { describe, expect, it } from 'vitest';
import { foldsTheSame } from '../../../../../tests/laws/fold-law';
import { sealTap } from '../../../../../tests/laws/seal-taps';
import { foodById } from '../../../things/names';
import { plain, type State } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { seal } from '.';
import type { SealTap } from './acts';
import type { SealEvent } from './events';
import { backBy, outFor } from './fold';
import { planSeal, roundsOf, type SealChosen } from './make';
import type { SealPlan } from './plan';

const start = Date.parse('2026-11-03T08:00:00Z');
const minute = 60_000;

function ask(food: string, state: State = 'fresh', more: Partial<SealChosen> = {}) {
	const row = foodById(food);
	if (!row) throw new Error(food);
	const chosen = {
		thing: { ...plain(row), state },
		called: row.name,
		lotId: 'l',
		warm_ms: 0,
		place: { name: 'Fridge', C: 4 },
		raw_g: 20_000,
		keepsUntil: '2027-03-01',
		pack_g: 500,
		item: null,
		sealer: null,
		firmFirst: false,
		...more
	};
	return planSeal(chosen, kitchen, start);
}
function planOf(...asked: Parameters<typeof ask>): SealPlan {
	const plan = ask(...asked);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
let n = 0;
const ev = (min: number, tap: SealTap): SealEvent =>
	({ ...tap, id: `s${String(++n).padStart(5, '0')}`, at: start + min * minute }) as SealEvent;
const pack = (min: number, packs: number) =>
	ev(min, { type: 'pack', packs, pack_g: 500, containerId: null, placeId: 'p1' });
const fold = (plan: SealPlan, events: readonly SealEvent[]) => seal.fold(plan, start, events);
const first = (plan: SealPlan, events: readonly SealEvent[], min = 0) =>
	seal.acts(plan, fold(plan, events), start + min * minute)[0];

describe('40 packs of mince, sealed in one go in three lots under the clock', () => {
	const plan = planOf('ground-beef');
	const lot = (round: number, from: number, packs: number) => [
		ev(from, { type: 'round-out', round }),
		ev(from + 10, { type: 'round-filled', round, bags: packs }),
		ev(from + 22, { type: 'round-sealed', round, bags: packs }),
		pack(from + 25, packs)
	];

	it('are 14, 13 and 13: an hour of hands, twenty minutes at the table each', () => {
		// 40 × (40 + 50 s) = 3,600 s; 1,200 s in one go (common practice).
		expect(plan.rounds.map((r) => r.packs)).toEqual([14, 13, 13]);
		expect(plan.out_h).toBe(2);
		expect(roundsOf(40, false)).toEqual([{ n: 1, packs: 40 }]);
		expect(roundsOf(1, true)).toEqual([{ n: 1, packs: 1 }]);
	});
	it('goes from bag to freezer, lot by lot, and books all of it under the date of the meat', () => {
		const events: SealEvent[] = [];
		expect(first(plan, events)?.kind).toBe('bags-ready');
		events.push(ev(1, { type: 'bags-ready' }));
		expect(first(plan, events)?.sentence).toContain('Lot 1 of 3');
		events.push(...lot(1, 5, 14));
		expect(first(plan, events, 31)).toMatchObject({ kind: 'round-out', about: 'ground beef · lot 2 of 3' });
		events.push(...lot(2, 35, 13), ...lot(3, 65, 13), ev(95, { type: 'finish' }));
		const state = fold(plan, events);
		expect(seal.allAway(plan, state)).toBe(true);
		expect(state.rounds.map((r) => outFor(r, start + 300 * minute) / minute)).toEqual([25, 25, 25]);
		const [entry] = seal.book(plan, state).entries;
		expect(entry).toMatchObject({
			wayId: 'vacuum',
			method: 'freeze',
			state: 'frozen',
			closing: { packs: 40, packed_g: 20_000, lost_g: 0 }
		});
		// NCHFP (from memory): mince three to four months; no date is made later by the vacuum.
		expect(entry?.months).toBeLessThanOrEqual(4);
	});
	it('adds its times out of the cold: 50 minutes, back, and 70 are left', () => {
		const out = [
			ev(0, { type: 'bags-ready' }),
			ev(0, { type: 'round-out', round: 1 }),
			ev(50, { type: 'round-back', round: 1 })
		];
		const again = [...out, ev(200, { type: 'round-out', round: 1 })];
		const [round] = fold(plan, again).rounds;
		expect(round && backBy(plan, round)).toBe(start + 270 * minute);
		expect(first(plan, again, 280)).toMatchObject({ kind: 'round-back', over: true, urgency: 0.3 });
		// Packed after that it is no raw pack, and the book says so.
		const late = fold(plan, [...again, ev(275, { type: 'round-sealed', round: 1, bags: 14 }), pack(276, 14)]);
		expect(late.packed).toEqual([]);
		expect(late.ignored[0]?.why).toContain('more than 2 h');
		expect(
			fold(plan, [...again, ev(260, { type: 'round-sealed', round: 1, bags: 14 }), pack(265, 14)]).packed
		).toHaveLength(1);
	});
	it('counts the time that it was out before, and is not begun from a warm place', () => {
		const eighty = planOf('ground-beef', 'fresh', { warm_ms: 80 * minute });
		const out = [ev(0, { type: 'round-out', round: 1 })];
		const [round] = fold(eighty, out).rounds;
		expect(round && backBy(eighty, round)).toBe(start + 40 * minute);
		expect(fold(eighty, [...out, ev(44, { type: 'round-sealed', round: 1, bags: 14 }), pack(45, 14)]).packed).toEqual(
			[]
		);
		expect(ask('ground-beef', 'fresh', { place: { name: 'Counter', C: 20 } })).toMatchObject({ kind: 'refused' });
		const long = ask('ground-beef', 'fresh', { warm_ms: 121 * minute });
		expect(long).toMatchObject({ kind: 'refused', instead: ['Cooked through at once, or out with it'] });
		expect(ask('apples', 'dried', { place: { name: 'Counter', C: 20 } })).toMatchObject({ kind: 'seal' });
	});
	it('asks about a slip, counts a bag that would not hold, and takes what was packed uncounted for packed', () => {
		expect(seal.surprise(plan, { type: 'round-sealed', round: 1, bags: 140 })).toContain('14 were to come');
		expect(seal.surprise(plan, { type: 'round-sealed', round: 1, bags: 13 })).toBeUndefined();
		const act = first(plan, [ev(0, { type: 'bags-ready' }), ...lot(1, 5, 14).slice(0, 2)], 20);
		expect(act?.others?.map((o) => o.tap)).toContainEqual({ type: 'round-sealed', round: 1, bags: 13 });
		expect(fold(plan, [...lot(1, 5, 14), pack(31, 2)]).packed.map((p) => p.packs)).toEqual([14, 2]);
	});
});

describe('what is closed in without air, and what is not', () => {
	it('raw vegetables that want their blanch, garlic, mushrooms, and what lives are refused with a way on', () => {
		for (const [food, state] of [
			['broccoli', 'fresh'],
			['green-beans', 'fresh'],
			['potatoes', 'prepared'],
			['cabbage', 'fermented'],
			['tomatoes', 'canned'],
			['sprouts', 'sprouted']
		] as const) {
			if (!foodById(food)) continue;
			const answer = ask(food, state);
			expect(answer, food).toMatchObject({ kind: 'refused' });
			if (answer.kind === 'refused') expect(answer.instead.length, food).toBeGreaterThan(0);
		}
		expect(ask('broccoli', 'frozen')).toMatchObject({ kind: 'seal' });
		// What is refused for a reason of its own says that reason.
		const cured = ask('beef', 'cured');
		expect(cured).toMatchObject({ kind: 'refused' });
		if (cured.kind === 'refused') expect(cured.reason).not.toContain('without their heat');
	});
	it('berries are hard first, stock is a block first, and a chamber draws liquid as it is', () => {
		// Vacuum sealer makers (common practice): 1 to 3 h for pieces, overnight in a mould for stock.
		expect(planOf('raspberries').subjects[0].first?.hours).toEqual([1, 3]);
		const stock = planOf('beef-stock', 'cooked');
		expect(stock.subjects[0].first?.hours).toEqual([8, 14]);
		expect(planOf('beef-stock', 'cooked', { sealer: { rolls_m: [0.28], chamber: true } }).subjects[0].first).toBeNull();
		const begun = [ev(0, { type: 'bags-ready' })];
		expect(first(stock, begun)).toMatchObject({ kind: 'frozen-first', due: start + 8 * 60 * minute });
		expect(first(stock, [...begun, ev(600, { type: 'frozen-first' })])?.kind).toBe('round-out');
	});
	it('dry goods stand on the shelf in jars without a clock; dried meat stays in the freezer, where its places are', () => {
		const apples = planOf('apples', 'dried', { raw_g: 2000, pack_g: 250 });
		expect(apples).toMatchObject({
			out_h: null,
			rounds: [{ n: 1, packs: 8 }],
			subjects: [{ place: 'pantry', into: 'jar', until: '2027-03-01' }]
		});
		expect(seal.placesFor(apples, 1)).toContain('pantry');
		const jerky = planOf('beef', 'dried', { raw_g: 900 });
		expect(jerky.subjects[0].place).toBe('freezer');
		expect(seal.placesFor(jerky, 1)).toEqual(['freezer']);
	});
	it('cuts a bag by the item: its length, its height and three inches', () => {
		// Common practice, hand-worked: 20 + 10 + 7.62 = 37.62 cm; 12 + 10 + 2 and two seams of 1.2 wide: off the 28 cm roll.
		const [roast] = planOf('beef', 'fresh', {
			item: { length_m: 0.2, width_m: 0.12, height_m: 0.1 },
			sealer: { rolls_m: [0.2, 0.28], chamber: false }
		}).subjects;
		expect(roast.cut?.length_m).toBeCloseTo(0.3762, 4);
		expect(roast.cut?.width_m).toBe(0.28);
		const wide = planOf('beef', 'fresh', {
			item: { length_m: 0.4, width_m: 0.3, height_m: 0.2 },
			sealer: { rolls_m: [0.28], chamber: false }
		});
		expect(wide.subjects[0].cut).toBeNull();
		expect(wide.subjects[0].cautions.join(' ')).toContain('None of the rolls is wide enough');
	});
	it('frozen things keep their own date, and say what vacuum does not do', () => {
		const [frozen] = planOf('peas', 'frozen').subjects;
		expect(frozen.until).toBe('2027-03-01');
		expect(frozen.cautions[0]).toContain('kills nothing');
	});
});

describe('the law of a sealing', () => {
	it('folds to the same, closes its mass, throws nothing', () => {
		foldsTheSame(planOf('ground-beef'), start, sealTap);
		foldsTheSame(planOf('apples', 'dried', { raw_g: 2000, pack_g: 250 }), start, sealTap);
	});
});
