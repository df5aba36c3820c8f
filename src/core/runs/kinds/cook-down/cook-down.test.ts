import { describe, expect, it } from 'vitest';
import { cookTap } from '../../../../../tests/laws/cook-taps';
import { foldHistories, foldsTheSame } from '../../../../../tests/laws/fold-law';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { make, transformOf } from '../../../things/transform';
import { freezeWays } from '../../../ways/freeze-ways';
import type { FreezeWay } from '../../../ways/freeze-way';
import { kitchen } from '../../../ways/kitchen.fixture';
import type { CookTap } from './acts';
import type { CookEvent } from './events';
import { forecast, leftShare } from './fold';
import { cookDown } from '.';
import { cookedDown, planCook } from './make';
import { subjectOf, type CookPlan } from './plan';

const start = Date.parse('2026-09-05T09:00:00Z');
let n = 0;
const ev = (at_min: number, tap: CookTap): CookEvent =>
	({ ...tap, id: `k${String(++n).padStart(5, '0')}`, at: start + Math.round(at_min * 60_000) }) as CookEvent;

/** A pan of 26 cm, 20 cm high, over 2 kW of gas. */
const pot = {
	id: 'pan',
	name: 'Wide pan',
	litres: 10,
	burner: { kind: 'gas', power_W: 3000 },
	diameter_m: 0.26,
	height_m: 0.2
} as const;
function planOf(foodId: string, transform: string, grams: number, fraction?: number): CookPlan {
	const food = foodById(foodId);
	if (!food) throw new Error(foodId);
	const thing = plain(food);
	const row = transformOf(thing, transform);
	const made = make(row, thing, grams);
	const freeze = freezeWays({
		thing: made.thing,
		grams: made.grams,
		food_C: 20,
		kitchen,
		choices: {},
		now: start
	}).ways.find((w): w is FreezeWay => w.kind === 'way');
	if (!freeze) throw new Error('not frozen');
	return planCook(
		{
			thing,
			row,
			lotId: 'lot',
			called: food.name,
			raw_g: grams,
			pot,
			freeze,
			...(fraction === undefined ? {} : { fraction })
		},
		kitchen
	);
}

describe('nine litres of tomatoes to a half in a pan of 26 cm', () => {
	// 11.5 kg, a fifth of it skins and seeds: 9.2 kg are 9 L at 1.02 kg to the litre.
	const plan = planOf('tomatoes', 'tomatoes/sauce-thick', 11_500, 0.5);
	const before = [
		ev(0, { type: 'weigh', grams: 11_500 }),
		ev(10, { type: 'pan-on' }),
		ev(40, { type: 'soft' }),
		ev(60, { type: 'milled', grams: 9200 }),
		// 9 L in a circle of 0.0531 m² stand 169.5 mm deep.
		ev(70, { type: 'depth', mm: 170 })
	];
	const state = cookDown.fold(plan, start, before);
	const found = forecast(plan, state);
	it('is done at half the depth, since the pan is straight; by the burner’s heat first', () => {
		expect(state.ignored).toEqual([]);
		expect(found?.mark_m).toBeCloseTo(0.085, 3);
		// 4.5 L of water at 2.257 MJ/kg = 10.2 MJ.
		const rate = found?.rate_kg_h ?? 0;
		expect((found?.boil_s ?? 0) / 3600).toBeCloseTo(4.51 / rate, 1);
	});
	it('is refit by three dips, each narrowing it: a burner that is a third weaker is learned', () => {
		const truth_mm_h = ((found?.rate_kg_h ?? 0) * 0.67 * 1000) / ((Math.PI * 130 ** 2) / 1000);
		const dips = [30, 70, 120].map((m) => ev(70 + m, { type: 'depth', mm: Math.round(170 - (truth_mm_h * m) / 60) }));
		const widths = [0, 1, 2, 3].map((k) => {
			const [low, high] = forecast(plan, cookDown.fold(plan, start, [...before, ...dips.slice(0, k)]))?.interval_s ?? [
				0, 0
			];
			return high - low;
		});
		expect([...widths].sort((a, b) => b - a)).toEqual(widths);
		const after = forecast(plan, cookDown.fold(plan, start, [...before, ...dips]));
		expect((after?.boil_s ?? 0) / 3600 / (85 / truth_mm_h)).toBeGreaterThan(0.93);
		expect((after?.boil_s ?? 0) / 3600 / (85 / truth_mm_h)).toBeLessThan(1.07);
	});
	it('takes no dip that cannot be: deeper than it began, deeper than before, deeper than the pan', () => {
		const bad = [ev(90, { type: 'depth', mm: 175 }), ev(95, { type: 'depth', mm: 210 })];
		const good = ev(100, { type: 'depth', mm: 150 });
		const risen = ev(110, { type: 'depth', mm: 160 });
		const after = cookDown.fold(plan, start, [...before, ...bad, good, risen]);
		expect(after.ignored.map((i) => i.id)).toEqual([bad[0]?.id, bad[1]?.id, risen.id]);
		expect(leftShare(plan, after)).toBeCloseTo(150 / 170, 3);
	});
	it('cools by its two stages before it is packed: 70 °F in 2 h, 41 °F in 4 more (FDA Food Code 2022, 3-501.14)', () => {
		const thick = [...before, ev(300, { type: 'thick', by: 'mark' })];
		const hot = cookDown.fold(plan, start, thick);
		expect(cookDown.packables(plan, hot)).toEqual([]);
		const first = ev(400, { type: 'cooled', dC: 205 });
		const passed = cookDown.fold(plan, start, [...thick, first]);
		expect(passed.met).toBe(1);
		// 9.2 kg milled are 9.02 L; half of it at 1.05 kg to the litre is 4.74 kg.
		expect(cookDown.packables(plan, passed)[0]?.ready_g).toBe(4735);
		// Two hours and a minute after it came off: nobody knows any more.
		const late = ev(421, { type: 'cooled', dC: 205 });
		expect(cookDown.fold(plan, start, [...thick, late]).ignored.map((i) => i.id)).toEqual([late.id]);
		const again = cookDown.fold(plan, start, [
			...thick,
			late,
			ev(430, { type: 'boil-again' }),
			ev(500, { type: 'cooled', dC: 205 })
		]);
		expect(again.met).toBe(1);
		expect(cookDown.acts(plan, hot, start + 425 * 60_000)[0]).toMatchObject({ over: true, asks: 'temperature' });
	});
	it('is closed where it was lost: nothing of it is offered to be packed', () => {
		const burnt = [...before, ev(200, { type: 'lost', grams: 9200 })];
		const lost = cookDown.fold(plan, start, burnt);
		expect(cookDown.acts(plan, lost, start + 200 * 60_000)).toMatchObject([{ button: { tap: { type: 'finish' } } }]);
		const closed = cookDown.fold(plan, start, [...burnt, ev(201, { type: 'finish' })]);
		expect(cookDown.book(plan, closed).entries[0]?.closing).toMatchObject({ packed_g: 0, lost_g: 11_500 });
	});
	it('books what it was made of, its by-products apart, its mass whole', () => {
		const done = cookDown.fold(plan, start, [
			...before,
			ev(300, { type: 'thick', by: 'spoon' }),
			ev(390, { type: 'cooled', dC: 50 }),
			ev(395, { type: 'by-product', food: 'tomatoes', form: 'seeds', grams: 400, placeId: 'c' }),
			ev(400, { type: 'pack', packs: 9, pack_g: 500, containerId: null, placeId: 'f' }),
			ev(410, { type: 'finish' })
		]);
		expect(done.ignored).toEqual([]);
		const { entries, used } = cookDown.book(plan, done);
		expect(entries[0]).toMatchObject({
			food: 'tomato-sauce',
			method: 'cook',
			state: 'frozen',
			closing: { raw_g: 11_500, packed_g: 4500, byproduct_g: 400, lost_g: 6600 }
		});
		expect(used).toEqual([{ lotId: 'lot', grams: 11_500 }]);
		// 11.5 kg by 75 K are 3.61 MJ; 4,465 g cooked away at 2.257 MJ a kg, of 80 % with the lid off, 12.6 MJ; gas gives 40 %.
		expect(entries[0]?.closing.energy_kWh).toBeCloseTo((3.61 + 12.6) / 0.4 / 3.6, 1);
	});
});

describe('what goes into a pan', () => {
	it('is every row that is cooked, and leads to a plan whose numbers are the row’s', () => {
		let rows = 0;
		for (const id of ['tomatoes', 'apples', 'plums', 'grapes', 'peaches']) {
			const food = foodById(id);
			if (!food) continue;
			for (const row of cookedDown(plain(food))) {
				const made = make(row, plain(food), 5000);
				const ways = freezeWays({ thing: made.thing, grams: made.grams, food_C: 20, kitchen, choices: {}, now: start });
				// Juices are for jars, which have a run of their own.
				if (!ways.ways.some((w) => w.kind === 'way')) continue;
				rows++;
				const subject = subjectOf(planOf(id, row.id, 5000));
				const [low, high] = row.yield;
				if (row.step === 'reduce' && !row.added) expect(subject.out_g / 5000, row.id).toBeCloseTo((low + high) / 2, 2);
				expect(subject.months[1], row.id).toBeGreaterThan(0);
			}
		}
		expect(rows).toBeGreaterThanOrEqual(8);
	});
	it('leads, tap by tap, to packs', () => {
		const plan = planOf('apples', 'apples/applesauce', 4000);
		const events: CookEvent[] = [];
		let now = start;
		for (let i = 0; i < 60; i++) {
			const state = cookDown.fold(plan, start, events);
			if (state.phase !== 'working') break;
			const [act] = cookDown.acts(plan, state, now);
			now += 20 * 60_000;
			const add = (tap: CookTap) => events.push({ ...tap, id: `a${String(i).padStart(3, '0')}`, at: now } as CookEvent);
			if (act?.asks === 'packs')
				add(
					state.packed.length > 0
						? { type: 'finish' }
						: { type: 'pack', packs: 3, pack_g: 900, containerId: null, placeId: 'f' }
				);
			else if (act?.button) add(act.button.tap.type === 'depth' ? { type: 'depth', mm: 100 } : act.button.tap);
		}
		const state = cookDown.fold(plan, start, events);
		expect(state.phase).toBe('finished');
		expect(cookDown.book(plan, state).entries[0]?.closing.packed_g).toBe(2700);
	});
});

describe(`a pan over ${foldHistories} histories of two devices`, () => {
	it('folds to the same however its taps arrive, throws at none of them, and closes its mass', () => {
		foldsTheSame(planOf('tomatoes', 'tomatoes/sauce-thin', 4200), start, cookTap);
	});
});
