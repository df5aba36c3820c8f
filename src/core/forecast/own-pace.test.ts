import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boilSeen } from '../runs/kinds/freeze/boils';
import { planFreeze } from '../runs/kinds/freeze/make';
import type { FreezePlan } from '../runs/kinds/freeze/plan';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import { freezeWays, type FreezeWay } from '../ways/freeze-ways';
import type { Kitchen } from '../ways/kitchen';
import { kitchen } from '../ways/kitchen.fixture';
import { boilsLearned } from './boils';
import { knifeOfBatch, withOwnHands, type HandsBefore } from './own-hands';

const now = Date.parse('2026-08-25T08:00:00Z');
const beans = foodById('green-beans');
if (!beans) throw new Error('no beans');

function blanched(own: Kitchen, food = beans, grams = 6000): { way: FreezeWay; plan: FreezePlan } {
	if (!food) throw new Error('no food');
	const way = freezeWays({
		thing: plain(food),
		grams,
		food_C: 18,
		kitchen: own,
		choices: { cut: 'cut' },
		now
	}).ways.find((w): w is FreezeWay => w.kind === 'way' && w.id === 'blanch:cut');
	if (!way) throw new Error('no way');
	return { way, plan: planFreeze([{ way, lotId: 'lot', called: 'beans', form: 'whole', raw_g: grams }], own) };
}
const withPots = (comesBack: number | undefined): Kitchen => ({
	...kitchen,
	pots: kitchen.pots.map((p) => ({ ...p, ...(comesBack === undefined ? {} : { comesBack, boilsSeen: 3 }) }))
});
/** Potfuls of a plan that came back after so long, s to the gram. */
const potfuls = (grams: readonly number[], s_per_g: (nth: number) => number) =>
	grams.map((g, i) => ({
		n: i + 1,
		grams: g,
		outcome: 'firm' as const,
		stages: { return: s_per_g(i) * g, blanch: 180 }
	}));

describe('how a pot comes back to the boil', () => {
	it('law: a plan whose potfuls come back as a burner of so much less does says so, by whichever share it was planned', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0.3, max: 3, noNaN: true }),
				fc.option(fc.double({ min: 0.3, max: 3, noNaN: true }), { nil: undefined }),
				fc.array(fc.integer({ min: 300, max: 1500 }), { minLength: 1, maxLength: 8 }),
				(truth, planned, grams) => {
					// What the burner's power alone says is the same, whatever was learned before.
					const bare = blanched(withPots(undefined)).way.line;
					const { plan } = blanched(withPots(planned));
					const s_per_g = (bare?.reboil_s ?? 0) / ((bare?.potful_kg ?? 1) * 1000);
					const seen = boilSeen(
						plan,
						1,
						potfuls(grams, () => s_per_g * truth)
					);
					expect(seen?.ratio).toBeGreaterThan(truth * 0.99);
					expect(seen?.ratio).toBeLessThan(truth * 1.01);
				}
			),
			{ numRuns: 60 }
		);
	});

	it('moves what is predicted and the potful that boils again within the minute, and no time in the water', () => {
		const bare = blanched(withPots(undefined)).way.line;
		const half = blanched(withPots(0.5)).way.line;
		const twice = blanched(withPots(2)).way.line;
		if (!bare || !half || !twice) throw new Error('no line');
		expect(half.reboil_s).toBeCloseTo(bare.reboil_s / 2, 6);
		expect(twice.reboil_s).toBeCloseTo(bare.reboil_s * 2, 6);
		expect(twice.minutePotful_kg).toBeLessThanOrEqual(bare.minutePotful_kg);
		for (const line of [half, twice]) {
			expect(line.blanch_s).toEqual(bare.blanch_s);
			expect(line.potful_kg).toBe(bare.potful_kg);
			expect(line.water_L).toBe(bare.water_L);
			expect(line.ice_kg).toBe(bare.ice_kg);
		}
	});

	it('is believed from the second run on, each pot by itself; a tap at once, steam and an older plan say nothing', () => {
		expect(
			boilsLearned([
				{ run: 'a', pot: 'Large pot', ratio: 0.5 },
				{ run: 'a', pot: 'Large pot', ratio: 0.6 }
			]).size
		).toBe(0);
		const learned = boilsLearned([
			{ run: 'a', pot: 'Large pot', ratio: 0.5 },
			{ run: 'a', pot: 'Stock pot', ratio: 1.4 },
			{ run: 'b', pot: 'Large pot', ratio: 0.7 },
			{ run: 'b', pot: 'Large pot', ratio: 0.5 },
			{ run: 'c', pot: 'Large pot', ratio: 0.55 }
		]);
		expect([...learned.keys()]).toEqual(['Large pot']);
		// Three runs about 0.55, drawn a little towards what the power says.
		expect(learned.get('Large pot')?.share).toBeGreaterThan(0.55);
		expect(learned.get('Large pot')?.share).toBeLessThan(0.65);
		expect(learned.get('Large pot')?.batches).toBe(3);
		const { plan } = blanched(withPots(undefined));
		expect(
			boilSeen(
				plan,
				1,
				potfuls([800], () => 1 / 800)
			)
		).toBeUndefined();
		expect(
			boilSeen(
				plan,
				2,
				potfuls([800], () => 0.1)
			)
		).toBeUndefined();
		const [subject] = plan.subjects;
		if (!subject) throw new Error('no food');
		const other = (of: Partial<typeof subject>): FreezePlan => ({ ...plan, subjects: [{ ...subject, ...of }] });
		for (const of of [{ heat: 'steam' }, { reboil_s: 0 }, { pot: null }] as const)
			expect(
				boilSeen(
					other(of),
					1,
					potfuls([800], () => 0.1)
				)
			).toBeUndefined();
		// Taken out before it boiled again: nobody saw it come back.
		expect(boilSeen(plan, 1, [{ n: 1, grams: 800, outcome: 'supper', stages: { return: 400 } }])).toBeUndefined();
	});
});

describe('the pace of own hands', () => {
	const said = (said_s: number, more: Partial<HandsBefore> = {}): HandsBefore => ({
		cut: 'cut',
		raw_g: 6000,
		said_s,
		planned_s: 6000,
		knife_s: 3600,
		...more
	});

	it('by hand: 6 kg, 100 min planned of which 60 at the knife, 130 said: 90 at the knife, 15 to a kilo', () => {
		expect(knifeOfBatch(said(130 * 60), 10)).toBeCloseTo(15, 9);
		// Said to be less than pot, trays and bags take: a tenth of the table's, never less than nothing.
		expect(knifeOfBatch(said(600), 10)).toBe(1);
	});

	it('is reckoned with from the second batch on, in the cut that it was said of, and in nothing but the knife', () => {
		const table = beans.cuts.find((c) => c.id === 'cut')?.hands_min_per_kg.value ?? 0;
		expect(withOwnHands(beans, [said(9000)])).toEqual({ food: beans, hands: [] });
		expect(withOwnHands(beans, [said(9000, { cut: 'whole' }), said(9000)]).hands).toEqual([]);
		const { food, hands } = withOwnHands(beans, [said(9000), said(9000), said(9600)]);
		expect(hands).toMatchObject([{ cut: 'cut', table, batches: 3 }]);
		const before = blanched(withPots(undefined)).way;
		const after = blanched(withPots(undefined), food).way;
		const knife = (w: FreezeWay) => w.work.find((s) => s.id === 'prepare')?.seconds ?? 0;
		expect(knife(after)).toBeCloseTo((hands[0]?.share ?? 0) * 6 * 60, 6);
		expect(after.hands_s - before.hands_s).toBeCloseTo(knife(after) - knife(before), 6);
		expect({ ...after.line }).toEqual({ ...before.line });
		for (const cut of food.cuts.filter((c) => c.id !== 'cut')) expect(beans.cuts).toContain(cut);
	});

	it('law: who always takes so long at the knife is planned so, whatever the plans before had', () => {
		fc.assert(
			fc.property(fc.double({ min: 3, max: 40, noNaN: true }), fc.integer({ min: 2, max: 8 }), (truth, batches) => {
				let own = beans;
				const before: HandsBefore[] = [];
				for (let i = 0; i < batches; i++) {
					const { way, plan } = blanched(withPots(undefined), own);
					const { hands_s, knife_s = 0 } = plan.subjects[0]?.expected ?? { hands_s: 0 };
					expect(knife_s).toBeGreaterThan(0);
					expect(way.hands_s).toBe(hands_s);
					before.push({
						cut: 'cut',
						raw_g: 6000,
						planned_s: hands_s,
						knife_s,
						said_s: hands_s - knife_s + truth * 6 * 60
					});
					own = withOwnHands(beans, before).food;
				}
				const learned = withOwnHands(beans, before).hands[0];
				expect(before.map((b) => knifeOfBatch(b, 1)).every((m) => Math.abs(m - truth) < 1e-6)).toBe(true);
				// Drawn towards the table by less the more were said.
				const table = learned?.table ?? 1;
				const away = Math.abs(Math.log((learned?.share ?? 1) / truth));
				expect(away).toBeLessThanOrEqual(Math.abs(Math.log(table / truth)) / (1 + batches) + 1e-9);
			}),
			{ numRuns: 40 }
		);
	});
});
