import { describe, expect, it } from 'vitest';
import { foldsTheSame } from '../../../../../tests/laws/fold-law';
import { storeTap } from '../../../../../tests/laws/store-taps';
import { curingRows } from '../../../../reference/curing';
import { clashesAmong } from '../../../storing/companions';
import { foodById, kindById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { kitchen } from '../../../ways/kitchen.fixture';
import { store } from '.';
import type { StoreTap } from './acts';
import type { StoreEvent } from './events';
import { day_ms } from './fold';
import { planStore, storable, type StoreChosen } from './make';
import type { StorePlan } from './plan';

const start = Date.parse('2026-09-20T08:00:00Z');
const cellar = { id: 'c', name: 'Cellar', kind: 'cellar', C: 3 } as const;
const loft = { id: 'l', name: 'Loft', kind: 'cool', C: 12 } as const;
const garage = { id: 'g', name: 'Garage', kind: 'cool', C: 2 } as const;
const row = { id: 'r', name: 'Bed 3', kind: 'ground', C: 6 } as const;

const foodOf = (id: string) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return food;
};
const ask = (food: string, more: Partial<StoreChosen> = {}) =>
	planStore(
		{
			thing: plain(foodOf(food)),
			called: foodOf(food).name,
			lotId: 'x',
			raw_g: 20_000,
			before: [{ place: 'counter', place_C: 20, from: start - 5 * day_ms, until: start }],
			place: cellar,
			places: [cellar, loft, garage, row],
			there: [],
			aside: { id: 'f', name: 'Fridge' },
			cured: false,
			...more
		},
		kitchen
	);
function planOf(...asked: Parameters<typeof ask>): StorePlan {
	const plan = ask(...asked);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	return plan;
}
let n = 0;
const ev = (days: number, tap: StoreTap): StoreEvent =>
	({ ...tap, id: `t${String(++n).padStart(5, '0')}`, at: start + Math.round(days * day_ms) }) as StoreEvent;
const fold = (plan: StorePlan, events: readonly StoreEvent[]) => store.fold(plan, start, events);
const first = (plan: StorePlan, events: readonly StoreEvent[], days = 0) =>
	store.acts(plan, fold(plan, events), start + days * day_ms)[0];

describe('whole and alive into store', () => {
	it('squash in the wrong cold is refused, with the place that suits it', () => {
		// USDA Handbook 66 (from memory): 10 to 13 °C; chilling below 10.
		const cold = ask('winter-squash', { place: garage });
		expect(cold).toMatchObject({ kind: 'refused', rule: 'cellar-temperature', instead: ['Loft, 12 °C'] });
		expect(planOf('winter-squash', { place: loft })).toMatchObject({ kind: 'store', cure: { days: [10, 14] } });
		// Too warm is worth a warning and its days; too cold for them is no store.
		const warm = planOf('potatoes', { place: loft });
		expect(warm.keeps_days[0]).toBeLessThan(planOf('potatoes').keeps_days[0]);
		expect(warm.cautions[0]).toContain('warmer than they want');
		expect(ask('sweet-potatoes', { place: cellar })).toMatchObject({ kind: 'refused' });
		expect(ask('lettuce', { place: loft }).kind).toBe('refused');
		expect(ask('spinach').kind).toBe('refused');
		expect(ask('beef').kind).toBe('refused');
		expect(storable({ ...plain(foodOf('onions')), state: 'frozen' })).toBe(false);
	});
	it('a place below the freezing point of a food is no store for it', () => {
		// ASHRAE (from memory): onions −0.9 °C, apples −1.1 °C or a little below.
		const frost = { id: 'w', name: 'Woodshed', kind: 'cool', C: -2 } as const;
		for (const food of ['onions', 'apples', 'carrots', 'potatoes'])
			expect(ask(food, { place: frost, places: [frost, cellar] }), food).toMatchObject({
				kind: 'refused',
				rule: 'cellar-temperature'
			});
	});
	it('acorn squash is not cured, and says why; roots may stay in their row, potatoes not', () => {
		const acorn = kindById('winter-squash', 'acorn');
		expect(acorn).toBeDefined();
		const plan = planOf('winter-squash', {
			place: loft,
			thing: { ...plain(foodOf('winter-squash')), ...(acorn ? { kind: acorn } : {}) }
		});
		expect(plan.cure).toBeNull();
		expect(plan.cautions.join(' ')).toContain('curing shortens');
		expect(planOf('parsnips', { place: row }).how).toContain('in their row');
		expect(ask('potatoes', { place: row })).toMatchObject({ kind: 'refused' });
	});
	it('apples beside potatoes, onions beside potatoes are warned of; carrots beside potatoes are not', () => {
		const there = [{ food: 'apples', name: 'bramley apples' }];
		expect(planOf('potatoes', { there }).cautions[0]).toContain('Not beside the bramley apples in Cellar');
		expect(planOf('potatoes', { there: [{ food: 'carrots', name: 'carrots' }] }).cautions.join(' ')).not.toContain(
			'Not beside'
		);
		const among = (...ids: string[]) => clashesAmong(ids.map(foodOf)).map((c) => [c.one, ...c.others]);
		expect(among('apples', 'potatoes')).toEqual([['apples', 'potatoes']]);
		expect(among('potatoes', 'onions', 'carrots')).toEqual([
			['potatoes', 'onions'],
			['onions', 'carrots']
		]);
		expect(among('carrots', 'potatoes')).toEqual([]);
	});
	it('onions: sorted, cured two weeks, judged by the look, then hung and weighed', () => {
		const plan = planOf('onions', { place: { ...cellar, C: 1 } });
		expect(first(plan, [])).toMatchObject({ kind: 'weigh' });
		const events = [ev(0, { type: 'weigh', grams: 18_500 })];
		expect(first(plan, events)?.kind).toBe('curing');
		const aside = store.acts(plan, fold(plan, events), start).find((a) => a.kind === 'set-aside');
		expect(aside?.button?.tap).toEqual({ type: 'set-aside', grams: 1500, placeId: 'f' });
		events.push(ev(0, { type: 'set-aside', grams: 1500, placeId: 'f' }), ev(0.1, { type: 'curing' }));
		// USDA Handbook 66; extension (from memory): two to four weeks, necks tight.
		expect(first(plan, events, 13)).toMatchObject({ kind: 'cured', ready: false, due: start + 14.1 * day_ms });
		expect(first(plan, events, 15)).toMatchObject({ ready: true, sentence: 'Are they cured?' });
		events.push(ev(16, { type: 'cured' }));
		expect(first(plan, events, 16)).toMatchObject({ kind: 'stored', button: { tap: { grams: 18_500 } } });
		events.push(ev(16, { type: 'stored', grams: 17_800, placeId: 'c' }), ev(16, { type: 'finish' }));
		const { entries, used } = store.book(plan, fold(plan, events));
		expect(used).toEqual([{ lotId: 'x', grams: 20_000 }]);
		expect(entries[0]).toMatchObject({
			title: 'onions, cured',
			method: 'cellar',
			closing: { byproduct_g: 19_300, lost_g: 700 }
		});
		expect(fold(plan, events).byproducts.map((b) => [b.title, b.kept ?? false])).toEqual([
			['onions, to eat first', false],
			['onions, cured', true]
		]);
	});
	it('what is not cured is no younger for being put away; what is cured begins its weeks', () => {
		const carrots = planOf('carrots');
		const [kept] = fold(carrots, [ev(1, { type: 'stored', grams: 19_000, placeId: 'c' })]).byproducts;
		expect(kept?.stays).toEqual([{ place: 'counter', place_C: 20, from: start - 5 * day_ms, until: start + day_ms }]);
		const onions = planOf('onions', { place: { ...cellar, C: 1 } });
		const cured = [
			ev(0, { type: 'curing' }),
			ev(15, { type: 'cured' }),
			ev(15, { type: 'stored', grams: 19_000, placeId: 'c' })
		];
		expect(fold(onions, cured).byproducts[0]?.stays).toBeUndefined();
	});
	it('closed before they stand in their place, they are still where they were', () => {
		const plan = planOf('onions', { place: { ...cellar, C: 1 } });
		const events = [
			ev(0, { type: 'weigh', grams: 18_000 }),
			ev(0, { type: 'set-aside', grams: 2000, placeId: 'f' }),
			ev(1, { type: 'finish' })
		];
		expect(store.book(plan, fold(plan, events)).used).toEqual([{ lotId: 'x', grams: 2000 }]);
		expect(store.surprise(plan, { type: 'stored', grams: 178_000, placeId: 'c' })).toContain('178 kg of 20.0 kg');
	});
	it('every row of curing names known foods, days and temperatures in order', () => {
		for (const r of curingRows) {
			for (const id of r.foods) expect(foodById(id)?.want, id).toBeDefined();
			for (const [low, high] of [r.days, r.C, r.rh]) expect(low).toBeLessThanOrEqual(high);
			expect(r.C[1]).toBeLessThan(35);
		}
	});
	it('folds to the same, closes its mass, throws nothing', () => {
		foldsTheSame(planOf('onions', { place: { ...cellar, C: 1 } }), start, storeTap);
		foldsTheSame(planOf('carrots'), start, storeTap);
	});
});
