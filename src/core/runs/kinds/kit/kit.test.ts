import { describe, expect, it } from 'vitest';
import { foldHistories, foldsTheSame } from '../../../../../tests/laws/fold-law';
import { kitTap } from '../../../../../tests/laws/kit-taps';
import { foodById } from '../../../things/names';
import { plain, type State, type Thing } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { kit } from '.';
import type { KitTap } from './acts';
import type { KitEvent } from './events';
import { fillable } from './fold';
import { kitPart, planKit, reachOf, type KitAsk } from './make';
import type { KitPlan } from './plan';

const start = Date.parse('2026-08-25T08:00:00Z');
let n = 0;
const ev = (at_min: number, tap: KitTap): KitEvent =>
	({ ...tap, id: `k${String(++n).padStart(5, '0')}`, at: start + Math.round(at_min * 60_000) }) as KitEvent;

function thingOf(id: string, state: State = 'fresh', form?: string): Thing {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return { ...plain(food), state, ...(form ? { form } : {}) };
}
const ask = (
	id: string,
	free_g: number,
	each_g: number,
	state: State = 'fresh',
	keepsUntil = '2027-08-20'
): KitAsk => ({
	lotId: id,
	thing: thingOf(id, state),
	called: id,
	free_g,
	each_g,
	keepsUntil
});
function planOf(asks: readonly KitAsk[], count: number): KitPlan {
	const plan = planKit({ name: 'smoothie', asks, count, container: null, use: '' }, kitchen, start);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
const five = [
	ask('strawberries', 2000, 150),
	ask('blueberries', 1200, 80),
	ask('mangoes', 1500, 60, 'frozen', '2027-01-31'),
	ask('raspberries', 900, 50, 'frozen', '2027-05-01'),
	ask('peaches', 1000, 40, 'frozen', '2027-06-01')
];

describe('ten smoothie packs of five lots', () => {
	const plan = planOf(five, 10);
	it('takes so much of each lot as ten packs want, raw where something is cut off; what is frozen comes last', () => {
		expect(plan.parts.map((p) => p.food.id)).toEqual([
			'strawberries',
			'blueberries',
			'mangoes',
			'raspberries',
			'peaches'
		]);
		expect(plan.parts.map((p) => p.ready_g)).toEqual([1500, 800, 600, 500, 400]);
		// What is frozen goes in as it is; of picked-over blueberries 4 % goes: 800 / 0.96.
		expect(plan.parts.slice(1).map((p) => p.raw_g)).toEqual([833, 600, 500, 400]);
		expect(plan.parts[0]?.raw_g).toBeGreaterThan(1500);
		expect(plan.subjects[0]).toMatchObject({ portion_g: 380, load_g: 3800, state: 'frozen', place: 'freezer' });
	});
	it('keeps to the weakest date and says whose it is', () => {
		expect(plan.subjects[0]).toMatchObject({ until: '2027-01-31', weakest: 'mangoes' });
		expect(plan.subjects[0].madeOf.reduce((sum, p) => sum + p.share, 0)).toBeCloseTo(1, 9);
		expect(plan.subjects[0].madeOf.find((p) => p.food === 'strawberries')?.share).toBeCloseTo(150 / 380, 6);
	});
	it('is weighed out part by part, filled once, and every lot is used up by what went in', () => {
		const ready = plan.parts.map((p, i) => ev(5 * (i + 1), { type: 'part-ready', part: p.n, grams: p.ready_g }));
		const half = kit.fold(plan, start, ready.slice(0, 3));
		expect(kit.packables(plan, half)).toEqual([]);
		expect(kit.acts(plan, half, start + 20 * 60_000)[0]).toMatchObject({ asks: 'weight', key: 'part-4' });
		const done = kit.fold(plan, start, [
			...ready,
			ev(40, { type: 'pack', packs: 10, pack_g: 380, containerId: null, placeId: 'f' }),
			ev(45, { type: 'finish' })
		]);
		expect(done.ignored).toEqual([]);
		const { entries, used } = kit.book(plan, done);
		expect(used.map((u) => [u.lotId, u.grams])).toEqual(plan.parts.map((p) => [p.lotId, p.raw_g]));
		expect(entries[0]).toMatchObject({ method: 'freeze', state: 'frozen', until: '2027-01-31' });
		expect(entries[0]?.closing).toMatchObject({ packed_g: 3800, packs: 10, raw_g: plan.subjects[0].raw_g });
	});
	it('says where one part runs short, and for how many it is enough', () => {
		const [first, ...rest] = plan.parts;
		const state = kit.fold(plan, start, [
			ev(5, { type: 'part-ready', part: first?.n ?? 1, grams: 1130 }),
			...rest.map((p) => ev(6, { type: 'part-ready', part: p.n, grams: p.ready_g }))
		]);
		// 1,130 g at 150 g: seven, and 80 g over.
		expect(fillable(plan, state)).toMatchObject({ kits: 7, by: { food: { id: 'strawberries' } } });
		expect(kit.packables(plan, state)[0]?.ready_g).toBe(7 * 380);
	});
	it('takes no weight that cannot be, and uses up what the packs must have taken where nothing was weighed', () => {
		const bowl = ev(5, { type: 'part-ready', part: 2, grams: 900 });
		const state = kit.fold(plan, start, [bowl]);
		expect(state.ignored.map((i) => i.id)).toEqual([bowl.id]);
		const packed = kit.fold(plan, start, [
			ev(30, { type: 'pack', packs: 5, pack_g: 380, containerId: null, placeId: 'f' }),
			ev(31, { type: 'stop', reason: '' })
		]);
		expect(kit.book(plan, packed).used.find((u) => u.lotId === 'blueberries')?.grams).toBe(417);
	});
});

describe('how far the parts reach', () => {
	it('is the least of them; what is over and what is short is told for any number', () => {
		const parts = [
			{ lotId: 'a', free_g: 1000, each_g: 150, share: 1 },
			// A fifth is cut off: 1,000 g give 800 g.
			{ lotId: 'b', free_g: 1000, each_g: 100, share: 0.8 }
		];
		expect(reachOf(parts, null)).toMatchObject({ most: 6, count: 6, parts: [{ left_g: 100 }, { left_g: 200 }] });
		expect(reachOf(parts, 8)).toMatchObject({ parts: [{ short_g: 200 }, { short_g: 0, left_g: 0 }] });
	});
	it('counts one lot once, where two parts are of it', () => {
		const parts = [
			{ lotId: 'a', free_g: 1000, each_g: 100, share: 1 },
			{ lotId: 'a', free_g: 1000, each_g: 100, share: 1 }
		];
		expect(reachOf(parts, null).most).toBe(5);
	});
});

describe('what may go into a kit', () => {
	it('is refused raw where it wants its own heat, with a way on; frozen by it, it goes in', () => {
		expect(kitPart(ask('potatoes', 500, 100), kitchen, start)).toMatchObject({ kind: 'refused' });
		expect(kitPart(ask('potatoes', 500, 100, 'frozen'), kitchen, start)).toMatchObject({ kind: 'part', share: 1 });
	});
	it('brings its own date: raw spinach keeps two months, and so does all that is packed with it', () => {
		const green = planOf([ask('strawberries', 2000, 150), ask('spinach', 900, 40)], 5);
		expect(green.subjects[0]).toMatchObject({ until: '2026-10-25', weakest: 'spinach' });
	});
	it('is never what has thawed, nor what nobody identified', () => {
		expect(kitPart(ask('beef', 500, 100, 'thawed'), kitchen, start).kind).toBe('refused');
		const wild = { ...ask('morels', 200, 50), thing: { ...thingOf('morels'), identified: false } };
		expect(kitPart(wild, kitchen, start).kind).toBe('refused');
	});
	it('stands dry on the shelf only where all of it is dried and none of it is meat; its water is that of its rows', () => {
		const soup = planOf(
			[ask('carrots', 300, 20, 'dried'), ask('onions', 200, 10, 'dried'), ask('peas', 300, 20, 'dried')],
			8
		);
		expect(soup.subjects[0]).toMatchObject({ state: 'dried', place: 'pantry' });
		expect(kit.placesFor(soup, 1)).toContain('pantry');
		// Drying Foods, NCHFP (from memory): 2¼ cups to carrots, 2 to onions, 2½ to peas; the longest is an hour.
		expect(soup.subjects[0].use).toContain('2¼ to a cup of carrots, 2 to a cup of onions, 2½ to a cup of peas; 1 h');
		const meal = planOf([ask('carrots', 300, 20, 'dried'), ask('beef', 200, 10, 'dried')], 8);
		expect(meal.subjects[0]).toMatchObject({ state: 'dried', place: 'freezer' });
		const wet = planOf([ask('carrots', 300, 20, 'dried'), ask('strawberries', 900, 80)], 8);
		expect(wet.subjects[0]).toMatchObject({ state: 'frozen', place: 'freezer' });
	});
	it('says that there is raw meat in it, whatever somebody writes on the label', () => {
		const asks = [ask('beef', 1000, 100), ask('onions', 1000, 50)];
		for (const use of ['', 'into the wok']) {
			const plan = planKit({ name: 'stir-fry', asks, count: 5, container: null, use }, kitchen, start);
			if (plan.kind === 'refused') throw new Error(plan.reason);
			expect(plan.subjects[0].use).toMatch(/^Cook through from frozen: there is raw meat in it\./);
			expect(plan.subjects[0].use.endsWith(use)).toBe(true);
		}
	});
	it('rings for what was cooked two hours after it came out of the cold', () => {
		const bowl = planOf([ask('cooked-chicken', 1000, 100, 'cooked'), ask('sweet-corn', 1000, 100, 'frozen')], 8);
		const state = kit.fold(bowl, start, [ev(0, { type: 'part-ready', part: 1, grams: 800 })]);
		expect(state.timers).toMatchObject([{ due: start + 7_200_000 }]);
		expect(kit.acts(bowl, state, start + 7_300_000)[0]).toMatchObject({ over: true, key: 'back' });
	});
});

describe(`a kit over ${foldHistories} histories of two devices`, () => {
	it('folds to the same however its taps arrive, and closes its mass', () => {
		foldsTheSame(planOf(five, 10), start, kitTap);
	});
});
