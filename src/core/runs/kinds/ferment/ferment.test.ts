import { describe, expect, it } from 'vitest';
import { fermentTap } from '../../../../../tests/laws/ferment-taps';
import { foldsTheSame } from '../../../../../tests/laws/fold-law';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { ferment } from '.';
import type { FermentTap } from './acts';
import type { FermentEvent } from './events';
import { endOf, leastSalt } from './fold';
import { planFerment, type FermentChosen } from './make';
import type { FermentPlan } from './plan';

const start = Date.parse('2026-10-03T08:00:00Z');
const cellar = { id: 'p1', name: 'the crock', C: 22 };
function planOf(food: string, more: Partial<FermentChosen> = {}): FermentPlan {
	const row = foodById(food);
	if (!row) throw new Error(food);
	const plan = planFerment({ thing: plain(row), called: row.name, lotId: 'l', raw_g: 9000, way: 'dry', place: cellar, ...more }, kitchen); // prettier-ignore
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
let n = 0;
const ev = (min: number, tap: FermentTap): FermentEvent =>
	({ ...tap, id: `f${String(++n).padStart(5, '0')}`, at: start + min * 60_000 }) as FermentEvent;
const fold = (plan: FermentPlan, events: readonly FermentEvent[]) => ferment.fold(plan, start, events);
const first = (plan: FermentPlan, events: readonly FermentEvent[]) => ferment.acts(plan, fold(plan, events), start)[0];
const jars = (min: number, packs: number) =>
	ev(min, { type: 'pack', packs, pack_g: 900, containerId: null, placeId: 'p1' });

describe('a ferment, from the knife to the crock', () => {
	const kraut = planOf('cabbage', { percent: 2.25 });

	it('goes by what was really cut: 8 kg of shreds, 180 g of salt', () => {
		expect(first(kraut, [])?.kind).toBe('weigh');
		const cut = [ev(20, { type: 'weigh', grams: 8000 })];
		expect(first(kraut, cut)).toMatchObject({ kind: 'salted', button: { tap: { grams: 180 } } });
		const salted = [...cut, ev(30, { type: 'salted', grams: 180 })];
		expect(first(kraut, salted)?.sentence).toContain('under its brine');
		const away = [...salted, ev(40, { type: 'under' }), jars(45, 9), ev(50, { type: 'finish' })];
		const [entry] = ferment.book(kraut, fold(kraut, away)).entries;
		expect(entry).toMatchObject({ title: 'sauerkraut', method: 'ferment', state: 'fermented', closing: { packs: 9, added_g: 180 } }); // prettier-ignore
	});
	it('9 kg at two temperatures: three to four weeks at 22 °C, five to six at 17', () => {
		// USDA Complete Guide, Guide 6 (from memory).
		expect(kraut.subjects[0]).toMatchObject({ days: [21, 28], between: false });
		expect(planOf('cabbage', { place: { ...cellar, C: 17 } }).subjects[0]).toMatchObject({ days: [35, 42] });
		const warm = foodById('cabbage');
		if (!warm) throw new Error('no cabbage');
		const hot = { thing: plain(warm), called: 'cabbage', lotId: 'l', raw_g: 9000, way: 'dry', place: { ...cellar, C: 28 } } as const; // prettier-ignore
		expect(planFerment(hot, kitchen)).toMatchObject({ kind: 'refused' });
		expect(planFerment({ ...hot, place: cellar, percent: 1.2 }, kitchen)).toMatchObject({ kind: 'refused' });
		const meat = foodById('pork');
		if (!meat) throw new Error('no pork');
		expect(planFerment({ ...hot, place: cellar, thing: plain(meat) }, kitchen)).toMatchObject({ kind: 'refused' });
	});
	it('brined carrots count the water: too little salt is asked for again, and is no ferment until it is there', () => {
		const plan = planOf('carrots', { way: 'brine', percent: 5.5, raw_g: 3000 });
		const cut = ev(10, { type: 'weigh', grams: 2500 });
		const least = leastSalt(plan, 2500);
		expect(endOf(plan, 2500, least)).toBeGreaterThanOrEqual(1.9);
		const weak = [cut, ev(20, { type: 'salted', grams: least - 5 }), ev(25, { type: 'under' }), jars(30, 3)];
		expect(first(plan, weak)).toMatchObject({ kind: 'salted', urgency: 1 });
		expect(fold(plan, weak).packed).toEqual([]);
		expect(fold(plan, weak).ignored[0]?.why).toContain('no ferment');
		expect(fold(plan, [...weak, ev(40, { type: 'salted', grams: least })]).packed).toHaveLength(1);
		// Weighed anew and heavier: the salt of before is too little for it, whenever that was said.
		expect(fold(plan, [...weak, ev(40, { type: 'salted', grams: least }), ev(50, { type: 'weigh', grams: 2900 })]).packed).toEqual([]); // prettier-ignore
	});
	it('asks about a slip of the scale', () => {
		const state = fold(kraut, [ev(1, { type: 'weigh', grams: 8000 })]);
		expect(ferment.surprise(kraut, { type: 'salted', grams: 1800 }, state)).toContain('180 g');
		expect(ferment.surprise(kraut, { type: 'salted', grams: 182 }, state)).toBeUndefined();
		expect(ferment.surprise(kraut, { type: 'weigh', grams: 90_000 })).toContain('9');
	});
	it('folds to the same, closes its mass, throws nothing, and books nothing without its salt', () => {
		foldsTheSame(kraut, start, fermentTap);
		foldsTheSame(planOf('carrots', { way: 'brine', raw_g: 3000 }), start, fermentTap);
	});
});
