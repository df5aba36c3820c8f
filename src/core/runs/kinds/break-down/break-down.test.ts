import { describe, expect, it } from 'vitest';
import { foldsTheSame } from '../../../../../tests/laws/fold-law';
import { meatTap } from '../../../../../tests/laws/meat-taps';
import { speciesById } from '../../../../reference/breakdown';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { kitchen as harvestKitchen } from '../../../ways/kitchen.fixture';
import { breakDown } from '.';
import type { BreakDownTap } from './acts';
import type { BreakDownEvent } from './events';
import { balanceOf, weighedOf } from './fold';
import { planBreakDown, type BreakDownChosen } from './make';
import type { BreakDownPlan } from './plan';

const start = Date.parse('2026-11-19T08:00:00Z');
const min = 60_000;
const species = speciesById('beef');
const beef = foodById('beef');
if (!species || !beef) throw new Error('no ox');
const [option] = species.options;
if (!option) throw new Error('no way to cut it');
const chosen: BreakDownChosen = {
	thing: plain(beef),
	called: 'half a beef',
	lotId: 'l',
	raw_g: 148_000,
	species,
	option,
	basis: 'hanging',
	boxes: 4,
	cold: { id: 'cold', name: 'the cold room' },
	practised: true,
	mincer_kg_h: null
};
function planOf(more: Partial<BreakDownChosen> = {}, room_C = 18): BreakDownPlan {
	const made = planBreakDown({ ...chosen, ...more }, { ...harvestKitchen, people: 5, room_C });
	if ('kind' in made) throw new Error(made.reason);
	return made.plan;
}
let n = 0;
const ev = (at_min: number, tap: BreakDownTap): BreakDownEvent =>
	({ ...tap, id: `b${String(++n).padStart(5, '0')}`, at: start + at_min * min }) as BreakDownEvent;
const fold = (plan: BreakDownPlan, events: readonly BreakDownEvent[]) => breakDown.fold(plan, start, events);
const acts = (plan: BreakDownPlan, events: readonly BreakDownEvent[], at_min: number) =>
	breakDown.acts(plan, fold(plan, events), start + at_min * min);

describe('half a beef on the table', () => {
	const plan = planOf();
	const nOf = (id: string) => plan.parts.find((p) => p.id === id)?.n ?? 0;
	const weigh = (at: number, id: string, grams: number) => ev(at, { type: 'part', part: nOf(id), grams, placeId: 'cold' }); // prettier-ignore
	const out = (at: number, box: number) => ev(at, { type: 'box-out', box });
	const back = (at: number, box: number) => ev(at, { type: 'box-back', box });

	it('adds up the time of a box out of the cold, and stands still in it', () => {
		// Forty minutes out, an hour in, and out again: eighty are left of two hours (USDA FSIS, from memory).
		const events = [out(0, 2), back(40, 2), out(100, 2)];
		const [act] = acts(plan, events, 120);
		expect(act).toMatchObject({ kind: 'box-back', due: start + 180 * min, over: false });
		expect(fold(plan, events).timers).toMatchObject([{ key: 'box-2', due: start + 180 * min }]);
	});
	it('calls it a quarter of an hour before, and says what is to be done when it is too late', () => {
		const events = [out(0, 1)];
		expect(acts(plan, events, 100)[0]?.urgency).toBeGreaterThan(5);
		expect(acts(plan, events, 106)[0]).toMatchObject({ kind: 'box-back', urgency: 1 });
		expect(acts(plan, events, 121)[0]).toMatchObject({ over: true, hint: expect.stringContaining('cook it through now') as string }); // prettier-ignore
	});
	it('has one box on the table, the least warmed next, none that has had its time', () => {
		const events = [out(0, 1), back(30, 1)];
		expect(acts(plan, events, 31).find((a) => a.kind === 'box-out')?.button?.tap).toEqual({ type: 'box-out', box: 2 });
		expect(acts(plan, [...events, out(32, 2)], 33).some((a) => a.kind === 'box-out')).toBe(false);
		const all = [1, 2, 3, 4].flatMap((b) => [out(b * 130, b), back(b * 130 + 121, b)]);
		expect(acts(plan, all, 700).some((a) => a.kind === 'box-out')).toBe(false);
	});
	it('gives an hour in a kitchen above 32 °C', () => {
		expect(planOf({}, 33).out_h).toBe(1);
	});
	it('takes the scale for it, re-balances the rest, and sends what was weighed into the cold with its warm time', () => {
		const events = [out(0, 1), weigh(50, 'roasts', 20_000), weigh(60, 'roasts', 6_320), ev(61, { type: 'part-done', part: nOf('roasts') })]; // prettier-ignore
		const state = fold(plan, events);
		expect(weighedOf(state, nOf('roasts'))).toBe(26_320);
		const { expected } = balanceOf(plan, state);
		expect(expected.reduce((s, g) => s + g, 0)).toBe(148_000);
		expect(state.byproducts[0]).toMatchObject({ food: 'beef', form: 'roast', title: 'ox, roasts', warm: { ms: 50 * min, C: 18 } }); // prettier-ignore
		expect(state.byproducts[1]?.warm?.ms).toBe(60 * min);
		// Weighed after its box went back, it was warm all the same.
		const after = fold(plan, [out(0, 1), back(50, 1), weigh(70, 'stew', 2_000)]);
		expect(after.byproducts[0]?.warm?.ms).toBe(50 * min);
	});
	it('books its parts, and what nobody weighed as lost', () => {
		const all = plan.parts.filter((p) => p.food !== null);
		const events = [
			out(0, 1),
			...all.flatMap((p) => [ev(60, { type: 'part', part: p.n, grams: p.grams, placeId: 'cold' }), ev(61, { type: 'part-done', part: p.n })]), // prettier-ignore
			ev(90, { type: 'box-empty', box: 1 })
		];
		expect(breakDown.allAway(plan, fold(plan, events))).toBe(true);
		expect(acts(plan, events, 91)[0]).toMatchObject({ kind: 'over', button: { tap: { type: 'finish' } } });
		const book = breakDown.book(plan, fold(plan, [...events, ev(92, { type: 'finish' })]));
		expect(book.used).toEqual([{ lotId: 'l', grams: 148_000 }]);
		expect(book.byproducts).toHaveLength(6);
		// Two in a hundred are saw dust, drip and trim (extension bulletins, from memory).
		expect(book.entries[0]?.closing).toMatchObject({ byproduct_g: 145_040, lost_g: 2_960, packs: 0 });
	});
	it('left half-way: what was not cut is still there; weighed after the end it counts too', () => {
		const stopped = [out(0, 1), weigh(30, 'steaks', 10_000), ev(40, { type: 'stop', reason: 'dark' })];
		expect(breakDown.book(plan, fold(plan, stopped)).used).toEqual([{ lotId: 'l', grams: 10_000 }]);
		const late = [...stopped, weigh(45, 'stew', 5_000)];
		expect(breakDown.book(plan, fold(plan, late)).byproducts).toHaveLength(2);
	});
	it('asks about a weight that nobody has', () => {
		const tap = (id: string, grams: number) => breakDown.surprise(plan, { type: 'part', part: nOf(id), grams, placeId: 'cold' }); // prettier-ignore
		expect(tap('mince', 35_000)).toBeUndefined();
		expect(tap('stew', 60_000)).toMatch(/about 8\.44 kg was to come/);
		expect(tap('bones', 149_000)).toMatch(/148 kg on the table/);
	});
	it('is not begun where nothing is cold', () => {
		expect(planBreakDown({ ...chosen, cold: null }, harvestKitchen)).toMatchObject({ kind: 'refused' });
	});
	it('folds to the same, closes its mass, throws nothing', () => {
		foldsTheSame(plan, start, meatTap);
	});
});
