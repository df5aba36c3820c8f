import { describe, expect, it } from 'vitest';
import { foldHistories, foldsTheSame } from '../../../../../tests/laws/fold-law';
import { freezeDryTap } from '../../../../../tests/laws/freeze-dry-taps';
import { foodById } from '../../../things/names';
import { plain, type Thing } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { freezeDry } from '.';
import { waterWords, type FreezeDryTap } from './acts';
import type { FreezeDryEvent } from './events';
import { isDry } from './fold';
import { planFreezeDry, type FreezeDryAsk } from './make';
import type { FreezeDryPlan } from './plan';

const start = Date.parse('2026-10-01T18:00:00Z');
let n = 0;
const ev = (hours: number, tap: FreezeDryTap): FreezeDryEvent =>
	({ ...tap, id: `f${String(++n).padStart(5, '0')}`, at: start + Math.round(hours * 3_600_000) }) as FreezeDryEvent;
function ask(id: string, raw_g: number, thing: Partial<Thing> = {}): FreezeDryAsk {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return { lotId: id, thing: { ...plain(food), ...thing }, called: thing.called ?? food.name, raw_g };
}
function planOf(asks: readonly FreezeDryAsk[], machine = kitchen.freezeDryer): FreezeDryPlan {
	const plan = planFreezeDry(asks, { ...kitchen, freezeDryer: machine });
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
const mixed = () =>
	planOf([
		ask('strawberries', 2000, { state: 'frozen' }),
		ask('apples', 1000, { state: 'prepared', form: 'puree', called: 'apple purée' })
	]);

describe('a load of two trays of strawberries and one of purée', () => {
	const plan = mixed();
	it('says that the purée sets the end, and takes a kilo to a tray of a machine of four (common practice)', () => {
		expect(plan.subjects.map((s) => [s.food.name, s.trays, s.wet])).toEqual([
			['strawberries', [1, 2], false],
			['apple purée', [3], true]
		]);
		expect(plan.hours).toEqual([15, 40]);
		expect(freezeDry.head(plan).way).toMatch(/apple purée, which can double it/);
	});
	const filled = [
		ev(0.2, { type: 'tray-filled', tray: 1, grams: 1000 }),
		ev(0.3, { type: 'tray-filled', tray: 2, grams: 1000 }),
		ev(0.4, { type: 'tray-filled', tray: 3, grams: 1000 })
	];
	it('goes in frozen hard alone: what is soft foams', () => {
		const early = ev(0.5, { type: 'chamber-on' });
		expect(freezeDry.fold(plan, start, [...filled, early]).ignored.map((i) => i.id)).toEqual([early.id]);
	});
	const on = [...filled, ev(10, { type: 'trays-frozen' }), ev(10.5, { type: 'chamber-on' })];
	it('is first weighed after the least of the printed hours, and each tray again two hours on', () => {
		const state = freezeDry.fold(plan, start, on);
		expect(state.timers).toMatchObject([{ key: 'chamber', due: start + 25.5 * 3_600_000 }]);
		const one = freezeDry.fold(plan, start, [...on, ev(26, { type: 'tray-weighed', tray: 1, grams: 120 })]);
		const next = freezeDry.acts(plan, one, start + 27 * 3_600_000).find((a) => a.key === 'weigh-1-1');
		expect(next?.due).toBe(start + 28 * 3_600_000);
	});
	const weighed = [
		...on,
		ev(26, { type: 'tray-weighed', tray: 1, grams: 95 }),
		ev(26, { type: 'tray-weighed', tray: 2, grams: 93 }),
		ev(26, { type: 'tray-weighed', tray: 3, grams: 310 })
	];
	it('is dry by two weighings alike, two hours apart: the slowest tray sets the end', () => {
		const again = [
			...weighed,
			ev(27, { type: 'tray-weighed', tray: 1, grams: 95 }),
			ev(28.1, { type: 'tray-weighed', tray: 2, grams: 92 }),
			ev(28.1, { type: 'tray-weighed', tray: 3, grams: 240 })
		];
		const state = freezeDry.fold(plan, start, again);
		// An hour apart is no proof; a gram is the scale's play.
		expect(state.trays.map((t) => isDry(plan, t))).toEqual([false, true, false]);
		const early = ev(28.2, { type: 'trays-warm' });
		expect(freezeDry.fold(plan, start, [...again, early]).ignored.map((i) => i.id)).toEqual([early.id]);
	});
	it('is warm, broken, bagged within the half hour, and says its water back by its own weights', () => {
		const done = [
			...weighed,
			ev(28.5, { type: 'tray-weighed', tray: 1, grams: 95 }),
			ev(28.5, { type: 'tray-weighed', tray: 2, grams: 93 }),
			ev(40, { type: 'tray-weighed', tray: 3, grams: 142 }),
			ev(42.1, { type: 'tray-weighed', tray: 3, grams: 142 }),
			ev(42.2, { type: 'trays-warm' })
		];
		const state = freezeDry.fold(plan, start, done);
		expect(state.ignored).toEqual([]);
		expect(state.timers).toMatchObject([
			{ key: 'pack', due: start + 42.2 * 3_600_000 + 900_000, latest: start + 42.2 * 3_600_000 + 1_800_000 }
		]);
		// 2,000 g became 188 g: 1,812 g of water, 9.6 to a gram.
		expect(waterWords(plan, state, 1)).toBe('Water back by weight: 9.6 g to each gram.');
		expect(freezeDry.acts(plan, state, start + 43 * 3_600_000)[0]).toMatchObject({ over: true, asks: 'packs' });
		const closed = freezeDry.fold(plan, start, [
			...done,
			ev(42.3, { type: 'pack', subject: 1, packs: 2, pack_g: 94, containerId: null, placeId: 'p' }),
			ev(42.4, { type: 'pack', subject: 2, packs: 1, pack_g: 140, containerId: null, placeId: 'p' }),
			ev(42.5, { type: 'finish' })
		]);
		expect(freezeDry.allAway(plan, closed)).toBe(true);
		const { entries } = freezeDry.book(plan, closed);
		expect(entries.map((e) => [e.title, e.state, e.closing.packed_g, e.closing.lost_g])).toEqual([
			['strawberries, freeze-dried', 'dried', 188, 1812],
			['apple purée, freeze-dried', 'dried', 140, 860]
		]);
		expect(entries[0]?.use).toMatch(/^Water back by weight: 9\.6 g/);
	});
	it('takes no weight that rises, and none of a tray that is not in', () => {
		const risen = ev(30, { type: 'tray-weighed', tray: 1, grams: 120 });
		const absent = ev(30, { type: 'tray-weighed', tray: 4, grams: 100 });
		const state = freezeDry.fold(plan, start, [...weighed, risen, absent]);
		expect(state.ignored.map((i) => i.id)).toEqual([risen.id, absent.id]);
	});
	it('goes on without a tray that is lost', () => {
		const lost = [
			...weighed,
			ev(27, { type: 'tray-lost', tray: 3 }),
			ev(28.5, { type: 'tray-weighed', tray: 1, grams: 95 }),
			ev(28.5, { type: 'tray-weighed', tray: 2, grams: 93 })
		];
		const state = freezeDry.fold(plan, start, [...lost, ev(28.6, { type: 'trays-warm' })]);
		expect(state.ignored).toEqual([]);
		expect(freezeDry.packables(plan, state).map((p) => p.n)).toEqual([1]);
	});
});

describe('what goes into a freeze-dryer', () => {
	it('is never pure fat, and no more than the machine has trays for', () => {
		expect(planFreezeDry([ask('butter', 500)], kitchen)).toMatchObject({ kind: 'refused' });
		expect(planFreezeDry([ask('strawberries', 5200, { state: 'frozen' })], kitchen)).toMatchObject({
			kind: 'refused',
			reason: expect.stringContaining('has 4') as string
		});
		expect(planFreezeDry([ask('apples', 500)], { ...kitchen, freezeDryer: null })).toMatchObject({ kind: 'refused' });
	});
	it('stays raw where it was raw, and in the cold where it is meat: it kills no germ', () => {
		const plan = planOf([ask('beef', 800)]);
		expect(plan.subjects[0]?.asItWas).toMatch(/no germ dies/);
		// The label goes where the screen does not: nothing raw is said to be eaten dry, before or after the run is closed.
		for (const [food, state] of [
			['beef', 'fresh'],
			['beef', 'frozen'],
			['chicken', 'fresh'],
			['eggs', 'fresh']
		] as const) {
			const found = planFreezeDry([ask(food, 600, { state })], kitchen);
			if (found.kind === 'refused') continue;
			expect(freezeDry.outputs(found)[0]?.use, food).toMatch(/never eaten dry, cooked through/);
			expect(found.subjects[0]?.asItWas, food).toMatch(/still is/);
		}
		expect(freezeDry.outputs(planOf([ask('apples', 500)]))[0]?.use).toBe('Or as it is, dry.');
		expect(freezeDry.placesFor(plan, 1)).not.toContain('pantry');
	});
	it('expects to be left what is not water', () => {
		// Strawberries are 91 % water (USDA FoodData Central): 1,000 g leave about 94 g with 4 % in them.
		const plan = planOf([ask('strawberries', 1000, { state: 'frozen' })]);
		expect(plan.subjects[0]?.dry_g).toBeGreaterThan(85);
		expect(plan.subjects[0]?.dry_g).toBeLessThan(105);
	});
});

describe(`a load of the freeze-dryer over ${foldHistories} histories of two devices`, () => {
	it('folds to the same however its taps arrive, and closes its mass', () => {
		foldsTheSame(mixed(), start, freezeDryTap);
	});
});
