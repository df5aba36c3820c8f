import { describe, expect, it } from 'vitest';
import { foldHistories, foldsTheSame } from '../../../../../tests/laws/fold-law';
import { ratioTap } from '../../../../../tests/laws/ratio-taps';
import { recipes } from '../../../../reference/other-ways';
import { findRecipe } from '../../../recipes/find-recipe';
import { foodById } from '../../../things/names';
import { plain, type Thing } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { ratio } from '.';
import { itemAmount, overWords, scoopWords, type RatioTap } from './acts';
import type { RatioEvent } from './events';
import { setsFor, subjectOf } from './fold';
import { planRatio, ratiosOf } from './make';
import type { RatioPlan } from './plan';

const start = Date.parse('2026-06-20T08:00:00Z');
let n = 0;
const ev = (at_min: number, tap: RatioTap): RatioEvent =>
	({ ...tap, id: `r${String(++n).padStart(5, '0')}`, at: start + Math.round(at_min * 60_000) }) as RatioEvent;

function planOf(id: string, food: string, raw_g: number, thing: Partial<Thing> = {}): RatioPlan {
	const [recipe, row] = [findRecipe(id), foodById(food)];
	if (!recipe || !row) throw new Error(id);
	const plan = planRatio({ thing: { ...plain(row), ...thing }, recipe, lotId: 'lot', called: food, raw_g }, kitchen);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
/** Everything of a set, in its order, a minute each. */
const whole = (plan: RatioPlan, set: number, at: number): RatioEvent[] =>
	subjectOf(plan).items.map((item, i) => ev(at + i, { type: 'added', set, item: i + 1, scoop: item.scoops }));
const cup_mL = 236.588;

describe('strawberry freezer jam, two sets and 0.2 cup over', () => {
	const plan = planOf('strawberry-freezer-jam', 'strawberries', 1200);
	const measured = ev(10, { type: 'measured', mL: Math.round(4.2 * cup_mL) });
	it('makes whole sets of 2 cups crushed, 4 of sugar, ¾ of water and a box (leaflet of powdered pectin, from memory)', () => {
		const state = ratio.fold(plan, start, [measured]);
		const { sets, over } = setsFor(subjectOf(plan), state.have ?? 0);
		expect(sets).toBe(2);
		expect(over).toBeCloseTo(0.2, 2);
		expect(overWords(plan, state)).toMatch(/cup over/);
		expect(subjectOf(plan).items.map((i) => [i.what, i.amount[0], i.unit, i.scoops])).toEqual([
			['crushed strawberries', 2, 'cup', 2],
			['sugar', 4, 'cup', 4],
			['water', 0.75, 'cup', 1],
			['powdered pectin, 1¾ oz', 1, 'box', 1]
		]);
	});
	it('counts every cup, through an interruption, once however often it is said', () => {
		const [one, two] = [1, 2].map((scoop) => ev(12 + scoop, { type: 'added', set: 1, item: 2, scoop }));
		const twice = ev(14.5, { type: 'added', set: 1, item: 2, scoop: 2 });
		const state = ratio.fold(plan, start, [measured, one!, two!, twice]);
		expect(state.ignored.map((i) => i.id)).toEqual([twice.id]);
		expect(state.sets[0]?.scoops).toEqual([0, 2, 0, 0]);
		const after = ratio.fold(plan, start, [measured, one!, two!, ...whole(plan, 1, 20).slice(0, 1)]);
		expect(ratio.acts(plan, after, start + 3 * 3_600_000)[0]?.sentence).toBe('Sugar: cup 3 of 4.');
	});
	it('stands 10 minutes in its sugar, is stirred 3, stands a day, and goes into the freezer or for three weeks into the fridge', () => {
		const first = [measured, ...whole(plan, 1, 20)];
		const standing = ratio.fold(plan, start, first);
		expect(standing.timers).toMatchObject([{ due: start + (23 + 10) * 60_000 }]);
		// While the first stands, the second is measured out.
		expect(ratio.acts(plan, standing, start + 25 * 60_000)[0]?.key).toMatch(/^add-2/);
		const both = [
			...first,
			...whole(plan, 2, 26),
			ev(34, { type: 'set-step', set: 1, step: 1 }),
			ev(38, { type: 'set-step', set: 1, step: 2 }),
			ev(40, { type: 'set-step', set: 2, step: 1 }),
			ev(44, { type: 'set-step', set: 2, step: 2 })
		];
		const filled = ratio.fold(plan, start, both);
		expect(filled.ignored).toEqual([]);
		expect(filled.timers).toMatchObject([{ key: 'rest', due: start + (44 + 1440) * 60_000 }]);
		expect(ratio.acts(plan, filled, start + 60 * 60_000)[0]).toMatchObject({ kind: 'rested', ready: false });
		const done = ratio.fold(plan, start, [
			...both,
			ev(44 + 1450, { type: 'rested', grade: 'set' }),
			ev(1500, { type: 'pack', packs: 10, pack_g: 250, containerId: null, placeId: 'f' }),
			ev(1501, { type: 'pack', subject: 2, packs: 1, pack_g: 250, containerId: null, placeId: 'k' }),
			ev(1502, { type: 'finish' })
		]);
		const { entries, used } = ratio.book(plan, done);
		expect(entries.map((e) => [e.n, e.state, e.months, e.days, e.closing.packs])).toEqual([
			[1, 'frozen', 12, undefined, 10],
			[2, 'opened', 0, 21, 1]
		]);
		expect(used).toEqual([{ lotId: 'lot', grams: 1200 }]);
		// Two sets: 8 cups of sugar are 1,600 g, 1½ of water 355, two boxes 100.
		expect(entries.reduce((sum, e) => sum + (e.closing.added_g ?? 0), 0)).toBe(2 * subjectOf(plan).added_g);
		expect(subjectOf(plan).added_g).toBe(800 + 177 + 50);
	});
	it('lets no step begin while something of its set is missing', () => {
		const early = ev(30, { type: 'set-step', set: 1, step: 1 });
		const state = ratio.fold(plan, start, [measured, ...whole(plan, 1, 20).slice(0, 3), early]);
		expect(state.ignored.map((i) => i.id)).toEqual([early.id]);
	});
	it('has no third set, and none at all of one cup', () => {
		const third = ev(30, { type: 'added', set: 3, item: 1, scoop: 1 });
		expect(ratio.fold(plan, start, [measured, third]).ignored.map((i) => i.id)).toEqual([third.id]);
		expect(setsFor(subjectOf(plan), 1.9)).toEqual({ sets: 0, over: 1.9 });
	});
});

describe('every recipe in whole sets', () => {
	const led = recipes.filter((r) => ['jam', 'freezer-jam', 'pickle'].includes(r.kind));
	it('stands in the run as it is printed: every line, its amount, its unit; and says how long a step stands in its own words', () => {
		expect(led.length).toBeGreaterThanOrEqual(20);
		for (const recipe of led) {
			const food = foodById(recipe.foods[0] ?? '');
			if (!food) throw new Error(recipe.id);
			expect(ratiosOf(plain(food)), recipe.id).toContain(recipe);
			const plan = planOf(recipe.id, food.id, 9000);
			const { items, steps, rest_s } = subjectOf(plan);
			expect(
				items.map((i) => [i.what, i.amount[0], i.amount[1], i.unit]),
				recipe.id
			).toEqual(
				recipe.ingredients.map((i) => [
					i.what,
					...(typeof i.amount === 'number' ? [i.amount, i.amount] : i.amount),
					i.unit
				])
			);
			expect(steps.length, recipe.id).toBeGreaterThan(0);
			for (const [i, wait] of (recipe.waits ?? []).entries()) {
				const words = recipe.steps?.[i] ?? '';
				const said = wait === 1440 ? '24 hours' : `${wait} minute`;
				if (wait !== null) expect(words, recipe.id).toContain(said);
			}
			expect(rest_s, recipe.id).toBe(recipe.kind === 'freezer-jam' ? 86_400 : null);
		}
	});
	it('says the gel point by the boil of this kitchen, 8 °F above it (USDA Complete Guide, Guide 7, from memory)', () => {
		const [recipe, food] = [findRecipe('berry-jam'), foodById('raspberries')];
		const at = (altitude_m: number) => {
			const plan = planRatio(
				{ thing: plain(food!), recipe: recipe!, lotId: 'l', called: 'r', raw_g: 3000 },
				{ ...kitchen, altitude_m }
			);
			return plan.kind === 'refused' ? 0 : (subjectOf(plan).gel_C ?? 0);
		};
		// 220 °F at sea level, 212 at 1,000 ft by the guide's table (from memory): it falls with the boil.
		expect(at(0)).toBeCloseTo(104.4, 1);
		expect(at(305) - at(0)).toBeCloseTo(-1.0, 1);
	});
	it('goes by the leaflet where there is pectin, never by a test of ours', () => {
		const plan = planOf('blueberry-spice-jam', 'blueberries', 3000);
		expect(subjectOf(plan).steps.some((s) => s.test)).toBe(false);
		expect(subjectOf(plan).steps[0]?.words).toContain('leaflet');
	});
	it('is tested as often as it must be, and ends by the hand', () => {
		const plan = planOf('berry-jam', 'raspberries', 1200);
		const events = [
			ev(5, { type: 'measured', grams: 960 }),
			...whole(plan, 1, 10),
			ev(20, { type: 'set-step', set: 1, step: 1 }),
			ev(30, { type: 'set-test', set: 1, how: 'sheet', grade: 'not-yet' }),
			ev(36, { type: 'set-test', set: 1, how: 'cold-plate', grade: 'set' }),
			ev(40, { type: 'set-step', set: 1, step: 3 })
		];
		const state = ratio.fold(plan, start, events);
		expect(state.ignored).toEqual([]);
		expect(ratio.packables(plan, state)).toHaveLength(1);
		expect(ratio.placesFor(plan, 1)).toEqual(['fridge']);
	});
	it('is refused to what was cooked; frozen fruit makes jam, but a frozen cucumber no pickle', () => {
		expect(ratiosOf({ ...plain(foodById('strawberries')!), state: 'cooked' })).toEqual([]);
		expect(ratiosOf({ ...plain(foodById('strawberries')!), state: 'frozen' }).length).toBeGreaterThan(0);
		expect(ratiosOf(plain(foodById('cucumbers')!)).length).toBeGreaterThan(0);
		expect(ratiosOf({ ...plain(foodById('cucumbers')!), state: 'frozen' })).toEqual([]);
	});
	it('says measures as they stand in the hand', () => {
		const item = (amount: number, scoops: number) =>
			({ what: 'sugar', amount: [amount, amount], unit: 'cup', main: false, optional: false, scoops }) as const;
		expect(scoopWords(item(5.25, 6), 5)).toBe('cup 5 of 5');
		expect(scoopWords(item(5.25, 6), 6)).toBe('the last ¼ cup');
		expect(itemAmount(item(0.75, 1), 'us')).toBe('¾ cup');
	});
});

describe(`sets by a ratio over ${foldHistories} histories of two devices`, () => {
	it('folds to the same however its taps arrive, and closes its mass', () => {
		foldsTheSame(planOf('strawberry-freezer-jam', 'strawberries', 1300), start, ratioTap);
	});
});
