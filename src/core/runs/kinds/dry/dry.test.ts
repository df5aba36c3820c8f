import { describe, expect, it } from 'vitest';
import { random } from '../../../../../tests/laws/random';
import { dryTap } from '../../../../../tests/laws/dry-taps';
import { Device } from '../../../../../tests/laws/devices';
import { weightShare } from '../../../drying/page-curve';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { dryWay } from '../../../ways/dry-ways';
import { kitchen } from '../../../ways/kitchen.fixture';
import type { DryTap } from './act';
import type { DryEvent } from './events';
import type { DryState } from './fold';
import { doneAt, forecastOf } from './forecast';
import { chosenOf, planOf, start } from './fixture';
import { dry } from '.';
import { planDry } from './make';
import type { DryPlan } from './plan';

let n = 0;
const ev = (at_h: number, tap: DryTap): DryEvent =>
	({ ...tap, id: `e${String(++n).padStart(6, '0')}`, at: start + Math.round(at_h * 3_600_000) }) as DryEvent;
const ms = (h: number) => start + h * 3_600_000;
const trayOf = (state: DryState, tray: number) => {
	const found = state.trays.find((t) => t.tray === tray);
	if (!found) throw new Error(`no tray ${tray}`);
	return found;
};

describe('apples and tomatoes in one dryer', () => {
	const plan = planOf([
		{ food: 'apples', grams: 2000 },
		{ food: 'tomatoes', grams: 2500 }
	]);
	const apples = plan.subjects.find((s) => s.food.id === 'apples');
	const tomatoes = plan.subjects.find((s) => s.food.id === 'tomatoes');
	if (!apples || !tomatoes) throw new Error('no food');
	const of = (s: typeof apples) => ({ subject: s.n });
	const ready: DryEvent[] = [
		ev(0, { type: 'weigh', ...of(apples), grams: 1400 }),
		ev(0, { type: 'weigh', ...of(tomatoes), grams: 2000 }),
		ev(0.05, { type: 'first', ...of(apples), on: true }),
		ev(0.1, { type: 'first', ...of(apples), on: false, last: true }),
		ev(0.1, { type: 'first', ...of(tomatoes), on: true }),
		ev(0.2, { type: 'first', ...of(tomatoes), on: false, last: true }),
		ev(0.5, { type: 'load', ...of(apples), tray: 1, slot: 8, grams: 700 }),
		ev(0.5, { type: 'load', ...of(apples), tray: 2, slot: 7, grams: 700 }),
		ev(0.5, { type: 'load', ...of(tomatoes), tray: 3, slot: 1, grams: 1000 }),
		ev(0.5, { type: 'load', ...of(tomatoes), tray: 4, slot: 2, grams: 1000 })
	];
	it('is dry at the weight that the water says, worked by hand', () => {
		const state = dry.fold(plan, start, ready);
		expect(state.ignored).toEqual([]);
		// Apples with skin 85.56 % water (USDA FoodData Central, from memory), wanted 20 %: 700 g × 0.1444 / 0.8 = 126 g.
		expect(forecastOf(plan, state.trays, trayOf(state, 1)).target_g).toBe(126);
		// Tomatoes 93.76 % (ASHRAE, from memory), wanted 10 %: 1000 g × 0.0624 / 0.9 = 69 g.
		expect(forecastOf(plan, state.trays, trayOf(state, 3)).target_g).toBe(69);
	});
	it('without a weighing forecasts what the plan does; each weighing narrows it, and its neighbours follow', () => {
		const blank = dry.fold(plan, start, ready);
		const before = forecastOf(plan, blank.trays, trayOf(blank, 1));
		expect(before.done_h).toBeCloseTo(apples.forecast.hours, 6);
		const end_h = apples.forecast.hours * 1.25;
		const at = (h: number) =>
			Math.round(
				700 *
					weightShare({
						t_h: h,
						end_h,
						moistureIn: apples.forecast.moistureIn,
						moistureOut: apples.forecast.moistureOut
					})
			);
		const weights = [2, 4.5, 7].map((h) => ev(0.5 + h, { type: 'scale', tray: 1, grams: at(h) }));
		const widths = [0, 1, 2, 3].map((k) => {
			const state = dry.fold(plan, start, [...ready, ...weights.slice(0, k)]);
			const [low, high] = forecastOf(plan, state.trays, trayOf(state, 1)).interval_h;
			return high - low;
		});
		expect(widths[1]).toBeLessThan(widths[0] ?? 0);
		expect(widths[2]).toBeLessThan(widths[1] ?? 0);
		expect(widths[3]).toBeLessThan(widths[2] ?? 0);
		const state = dry.fold(plan, start, [...ready, ...weights]);
		const own = forecastOf(plan, state.trays, trayOf(state, 1));
		expect(own.done_h / end_h).toBeGreaterThan(0.95);
		expect(own.done_h / end_h).toBeLessThan(1.05);
		// The other tray of apples was not weighed, and knows most of it; the tomatoes know nothing of it.
		const beside = forecastOf(plan, state.trays, trayOf(state, 2));
		expect(beside.done_h / end_h).toBeGreaterThan(0.93);
		expect(beside.doubt).toBeLessThan(apples.forecast.doubt);
		expect(beside.doubt).toBeGreaterThan(own.doubt);
		expect(forecastOf(plan, state.trays, trayOf(state, 3)).done_h).toBeCloseTo(tomatoes.forecast.hours, 6);
	});
	it('keeps nothing that a scale cannot have said: with the tray on it, lighter than its dry matter, before it began', () => {
		const bad = [
			ev(3, { type: 'scale', tray: 1, grams: 1010 }),
			ev(3, { type: 'scale', tray: 1, grams: 60 }),
			ev(3, { type: 'scale', tray: 9, grams: 400 })
		];
		const state = dry.fold(plan, start, [...ready, ...bad]);
		expect(state.ignored.map((i) => i.id)).toEqual(bad.map((b) => b.id));
		expect(trayOf(state, 1).weights).toEqual([]);
	});
	it('stands still while the power is gone', () => {
		const state = dry.fold(plan, start, [
			...ready,
			ev(2, { type: 'power', on: false }),
			ev(5, { type: 'power', on: true }),
			ev(6, { type: 'felt', tray: 1, found: 'wet' })
		]);
		// From 0:30 to 2:00, and from 5:00 to 6:00.
		expect(trayOf(state, 1).felt?.hours).toBeCloseTo(2.5, 6);
		const off = dry.fold(plan, start, [...ready, ev(2, { type: 'power', on: false })]);
		expect(doneAt(trayOf(off, 1), forecastOf(plan, off.trays, trayOf(off, 1)), ms(3))).toBeNull();
		expect(dry.acts(plan, off, ms(3))[0]?.kind).toBe('power');
	});
	it('swaps two trays, and pulls a single one: the others go on', () => {
		const state = dry.fold(plan, start, [
			...ready,
			ev(4, { type: 'swap', tray: 1, slot: 1 }),
			ev(9, { type: 'pull', tray: 1, grams: 130 })
		]);
		expect(trayOf(state, 3)).toMatchObject({ slot: 8, spot: 'in' });
		expect(trayOf(state, 1)).toMatchObject({ slot: 1, spot: 'cooling', dry_g: 130, hours: 8.5 });
		expect(dry.packables(plan, state)).toMatchObject([{ n: apples.n, ready_g: 130, packed_g: 0 }]);
		// Cooled for three quarters of an hour before it is asked into a jar.
		expect(dry.acts(plan, state, ms(9.5)).some((a) => a.kind === 'pack')).toBe(false);
		expect(dry.acts(plan, state, ms(9.8)).some((a) => a.kind === 'pack')).toBe(true);
		const back = dry.fold(plan, start, [
			...ready,
			ev(9, { type: 'pull', tray: 1, grams: 130 }),
			ev(9.5, { type: 'back', tray: 1, slot: 8 }),
			ev(10.5, { type: 'pull', tray: 1, grams: 121 })
		]);
		expect(trayOf(back, 1)).toMatchObject({ dry_g: 121, hours: 9.5 });
	});
	it('books weight in and out, hours planned and taken; what was stopped uses what lay on trays', () => {
		const pack = (s: typeof apples, at: number, packs: number, pack_g: number) =>
			ev(at, { type: 'pack', ...of(s), packs, pack_g, containerId: null, placeId: 'pantry' });
		const events = [
			...ready,
			ev(8.5, { type: 'pull', tray: 1, grams: 128 }),
			ev(9.5, { type: 'pull', tray: 2, grams: 126, mL: 900 }),
			pack(apples, 11, 2, 127),
			ev(14, { type: 'pull', tray: 3, grams: 62 }),
			ev(14, { type: 'out', tray: 4, why: 'eaten' }),
			pack(tomatoes, 15, 1, 62),
			ev(15.1, { type: 'finish' })
		];
		const state = dry.fold(plan, start, events);
		expect(state.ignored).toEqual([]);
		const book = dry.book(plan, state);
		const entry = (s: typeof apples) => book.entries.find((e) => e.n === s.n);
		expect(entry(apples)).toMatchObject({
			method: 'dry',
			state: 'dried',
			closing: { raw_g: 2000, packed_g: 254, packs: 2 }
		});
		expect(entry(apples)?.closing.trays).toMatchObject([
			{ wet_g: 700, dry_g: 128, hours: 8, outcome: 'dry', table_h: apples.forecast.table_h },
			{ wet_g: 700, dry_g: 126, dry_mL: 900, hours: 9, outcome: 'dry' }
		]);
		expect(entry(tomatoes)?.closing).toMatchObject({
			raw_g: 2500,
			supper_g: 1000,
			packed_g: 62,
			lost_g: 2500 - 1000 - 62
		});
		expect(book.used.map((u) => u.grams).sort()).toEqual([2000, 2500]);
		const stopped = dry.fold(plan, start, [...ready.slice(0, 7), ev(1, { type: 'stop', reason: '' })]);
		// One tray of two: half of what was weighed.
		expect(dry.book(plan, stopped).used).toEqual([{ lotId: apples.lotId, grams: 1000 }]);
	});
});

describe('what nobody may pass over', () => {
	it('takes no morel that nobody identified, and keeps who did', () => {
		const plan = planOf([{ food: 'morels', grams: 500, thing: { identified: true } }]);
		const weigh = ev(0, { type: 'weigh', grams: 480 });
		const load = ev(1, { type: 'load', tray: 1, slot: 8, grams: 240 });
		const shut = dry.fold(plan, start, [weigh, load]);
		expect(shut.trays).toEqual([]);
		expect(shut.ignored).toEqual([{ id: load.id, why: 'Nobody has said who identified it, and by what.' }]);
		expect(dry.acts(plan, shut, ms(0.5))[0]).toMatchObject({ kind: 'identified', asks: 'words' });
		const open = dry.fold(plan, start, [weigh, ev(0.2, { type: 'identified', words: 'the club, by section' }), load]);
		expect(open.trays).toHaveLength(1);
		// Not identified at the door: not even a plan.
		const food = foodById('morels');
		if (!food) throw new Error('no morels');
		const cut = food.cuts[0] ?? null;
		const unseen = { ...plain(food), identified: false };
		expect(dryWay({ thing: unseen, cut, grams: 500, kitchen, choices: {}, now: start }).kind).toBe('refused');
	});
	it('dries no meat that was not heated through, and keeps it in the cold: 160 °F (USDA FSIS, Jerky and Food Safety, from memory)', () => {
		const plan = planOf([{ food: 'beef', grams: 1000 }]);
		const low = ev(0.1, { type: 'heated', dC: 705 });
		const load = ev(0.2, { type: 'load', tray: 1, slot: 8, grams: 400 });
		const weigh = ev(0, { type: 'weigh', grams: 900 });
		const shut = dry.fold(plan, start, [weigh, low, load]);
		expect(shut.trays).toEqual([]);
		expect(shut.ignored.map((i) => i.id)).toEqual([low.id, load.id]);
		// 160 °F is 71.1 °C.
		const open = dry.fold(plan, start, [weigh, ev(0.1, { type: 'heated', dC: 711 }), load]);
		expect(open.trays).toHaveLength(1);
		// Its months are the freezer's: in a fridge it keeps two weeks (NCHFP, from memory), and its date would be wrong.
		expect(dry.placesFor(plan, 1)).toEqual(['freezer']);
		expect(plan.subjects[0]?.forecast).toMatchObject({ asPrinted: true, printed_h: [10, 24] });
	});
	it('lets nothing dry beside meat', () => {
		const plan = planDry(
			chosenOf([
				{ food: 'beef', grams: 500 },
				{ food: 'apples', grams: 500 }
			]),
			kitchen
		);
		expect(plan).toMatchObject({ kind: 'refused' });
	});
});

describe('carrot shreds in cups', () => {
	it('weighs by what a cup of it weighs, and says so by a wider forecast', () => {
		const plan = planOf([{ food: 'carrots', grams: 1500, choices: { thickness_mm: 2, blanched: false } }]);
		const [carrots] = plan.subjects;
		if (!carrots) throw new Error('no carrots');
		// Four cups of 236.6 mL.
		const state = dry.fold(plan, start, [
			ev(0, { type: 'weigh', grams: 1200 }),
			ev(0.5, { type: 'load', tray: 1, slot: 8, mL: 946 })
		]);
		expect(state.ignored).toEqual([]);
		const wet = Math.round(946 * (carrots.wet_kg_L ?? 0));
		expect(forecastOf(plan, state.trays, trayOf(state, 1)).target_g).toBe(
			Math.round((wet * (1 - carrots.forecast.moistureIn)) / (1 - carrots.forecast.moistureOut))
		);
		const weighed = dry.fold(plan, start, [
			ev(0, { type: 'weigh', grams: 1200 }),
			ev(0.5, { type: 'load', tray: 1, slot: 8, mL: 946 }),
			ev(0.5, { type: 'load', tray: 2, slot: 7, grams: wet }),
			...[1, 2].map((tray) => ev(3, { type: 'scale', tray, grams: Math.round(wet * 0.55) }))
		]);
		const [cups, grams] = [1, 2].map((t) => forecastOf(plan, [trayOf(weighed, t)], trayOf(weighed, t)));
		expect(cups?.doubt).toBeGreaterThan(grams?.doubt ?? 1);
	});
});

describe('loads that follow what the page says', () => {
	it('come to an end with all of it in jars, for every kind of thing that is dried', () => {
		for (const [food, thing] of [
			['apples', {}],
			['blueberries', {}],
			['carrots', {}],
			['basil', {}],
			['morels', { identified: true }],
			['beef', {}],
			['onions', {}],
			['cooked-meat', {}]
		] as const) {
			const plan = planOf([{ food, grams: 3000, thing }]);
			const { state, now } = follow(plan);
			expect(state.phase, food).toBe('finished');
			const closing = dry.book(plan, state).entries[0]?.closing;
			expect(closing?.packed_g, food).toBeGreaterThan(0);
			expect(closing?.raw_g, food).toBe(3000);
			// The water that went at 2.257 MJ a kilo of a dryer that is a quarter to a half efficient; never more than it draws.
			const water_kWh = (3 - (closing?.packed_g ?? 0) / 1000) * (2.257 / 3.6);
			expect(closing?.energy_kWh, food).toBeGreaterThan(0.3);
			expect(closing?.energy_kWh, food).toBeLessThan(water_kWh / 0.2);
			const longest_h = Math.max(...(closing?.trays ?? []).map((t) => t.hours));
			expect(closing?.energy_kWh, food).toBeLessThanOrEqual(0.6 * longest_h + 0.01);
			expect((now - start) / 3_600_000, food).toBeGreaterThan(plan.subjects[0]?.forecast.printed_h[0] ?? 0);
		}
	});
});

/** Taps what the page says next, waiting where nothing is due; at the hand's test it is dry. */
function follow(plan: DryPlan, most = 2000): { state: DryState; events: DryEvent[]; now: number } {
	const events: DryEvent[] = [];
	let now = start;
	for (let step = 0; step < most; step++) {
		const state = dry.fold(plan, start, events);
		if (state.phase !== 'working') return { state, events, now };
		const add = (tap: DryTap) => events.push({ ...tap, id: `f${String(step).padStart(6, '0')}`, at: now } as DryEvent);
		const acts = dry.acts(plan, state, now);
		const act = acts.find((a) => a.asks === 'packs' || (a.button && (a.due === null || now >= a.due)));
		now += 60_000;
		if (!act) {
			now = Math.max(now, Math.min(...acts.flatMap((a) => (a.due === null ? [] : [a.due]))));
			continue;
		}
		if (act.asks === 'packs') {
			const ready = dry.packables(plan, state).find((p) => p.n === (act.subject ?? 1));
			const left = (ready?.ready_g ?? 0) - (ready?.packed_g ?? 0);
			if (left > 0)
				add({
					type: 'pack',
					packs: 1,
					pack_g: left,
					containerId: null,
					placeId: 'p',
					...(plan.subjects.length > 1 ? { subject: act.subject ?? 1 } : {})
				});
			else add({ type: 'finish' });
			continue;
		}
		const tap = act.button?.tap;
		if (!tap) continue;
		add(tap.type === 'identified' ? { ...tap, words: 'an expert' } : tap);
	}
	throw new Error(`no end after ${most} steps`);
}

/** `npm run siege` asks for more, by a new seed. */
const histories = Math.max(400, Math.round(Number(process.env.SIEGE_RUNS ?? 10_000) / 10));
const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 100_000 + i;

describe(`a load over ${histories} histories of two devices`, () => {
	const plan = planOf([{ food: 'apples', grams: 1600 }]);
	const mixed = planOf([
		{ food: 'apples', grams: 1600 },
		{ food: 'tomatoes', grams: 1800 }
	]);
	it('folds to the same however its taps arrive, keeps every pack, and closes its mass', () => {
		let closed = 0;
		for (let i = 0; i < histories; i++) {
			const seed = seedOf(i);
			const r = random(seed);
			const of = i % 2 === 0 ? plan : mixed;
			const devices = [new Device('a', r), new Device('b', r)];
			let now = start;
			for (let step = 0; step < 5 + r.below(25); step++) {
				now += r.next() < 0.2 ? 0 : r.below(3_600_000);
				const device = r.pick(devices);
				if (r.next() < 0.4) {
					const all = devices.flatMap((d) => d.shown);
					device.seen = [...new Map(all.map((e) => [e.id, e])).values()];
				}
				const where = { placeIds: ['p1', 'p2'], containerIds: ['c1', null] };
				device.tap(dryTap(r, of, start, now, device.shown, where), now, r.next() < 0.15 ? r.below(30) * 60_000 : 0);
			}
			const events = devices.flatMap((d) => d.waiting) as DryEvent[];
			const state = dry.fold(of, start, events);
			const shuffled = [...events]
				.map((e) => ({ e, at: r.next() }))
				.sort((a, b) => a.at - b.at)
				.map(({ e }) => e);
			expect(dry.fold(of, start, shuffled), `seed ${seed}`).toEqual(state);
			for (const t of state.trays) {
				expect(t.hours, `seed ${seed}`).toBeGreaterThanOrEqual(0);
				// In one place there is one tray.
				if (t.spot === 'in')
					expect(
						state.trays.filter((o) => o.spot === 'in' && o.slot === t.slot),
						`seed ${seed}`
					).toHaveLength(1);
			}
			const book = dry.book(of, state);
			for (const { closing } of book.entries) {
				closed++;
				const { raw_g, packed_g, supper_g, byproduct_g = 0, lost_g = 0 } = closing;
				expect(packed_g + supper_g + byproduct_g + lost_g, `seed ${seed}`).toBe(raw_g);
			}
			for (const used of book.used)
				expect(used.grams, `seed ${seed}`).toBeLessThanOrEqual(
					of.subjects.find((s) => s.lotId === used.lotId)?.raw_g ?? 0
				);
			expect(book.end ? book.packs.length : 0, `seed ${seed}`).toBe(book.end ? state.packed.length : 0);
		}
		expect(closed).toBeGreaterThan(histories / 4);
	});
});

describe('a jar that clumped', () => {
	it('goes back onto the trays by the hand alone, and into its jar again from the first day; meat does not', () => {
		const plan = planOf([
			{ food: 'apples', grams: 250, thing: { state: 'dried', called: 'dried apples', form: 'slices' } }
		]);
		expect(plan.subjects[0]).toMatchObject({ load_g: 250, first: null, condition_days: [7, 10] });
		const { state } = follow(plan);
		expect(dry.book(plan, state).entries[0]).toMatchObject({
			title: 'dried apples',
			state: 'dried',
			closing: { raw_g: 250 }
		});
		// It teaches nothing about apples from fresh.
		expect(dry.book(plan, state).entries[0]?.closing.trays?.[0]?.rowId).toBe('apples again');
		expect(() => planOf([{ food: 'beef', grams: 250, thing: { state: 'dried' } }])).toThrow();
	});
});

describe('what is dried of a purée or a dish', () => {
	it('keeps a leather a month on the shelf, whatever its fruit keeps (NCHFP, from memory)', () => {
		const plan = planOf([{ food: 'apples', grams: 2000, choices: { row: 'leather' } }]);
		expect(plan.subjects[0]).toMatchObject({ months: [1, 1], rowId: 'leather', condition_days: null, cold: false });
		expect(plan.subjects[0]?.forecast.printed_h).toEqual([6, 8]);
	});
	it('dries a cooked chili after its heat step, and for the cold alone', () => {
		const plan = planOf([{ food: 'chile-con-carne', grams: 2000, thing: { state: 'cooked' } }]);
		const [chili] = plan.subjects;
		expect(chili).toMatchObject({ cold: true, forecast: { printed_h: [8, 12], asPrinted: true } });
		expect(chili?.gates.map((g) => g.id)).toEqual(['heated']);
		// 75 % water, 20 % wanted: 2000 g × 0.25 / 0.8 = 625 g.
		expect(chili?.dry_g).toBe(625);
		expect(dry.placesFor(plan, 1)).not.toContain('pantry');
	});
});

describe('a tray that is weighed for all of its food', () => {
	it('is followed by the next when it is pulled, which is not asked for weighings that are long past', () => {
		const plan = planOf([{ food: 'onions', grams: 1600 }]);
		const done_h = plan.subjects[0]?.forecast.hours ?? 0;
		const two = [
			ev(0, { type: 'weigh', grams: 700 }),
			ev(0, { type: 'load', tray: 1, slot: 8, grams: 350 }),
			ev(0, { type: 'load', tray: 2, slot: 7, grams: 350 })
		];
		const kinds = (events: readonly DryEvent[], h: number) =>
			dry.acts(plan, dry.fold(plan, start, events), ms(h)).map((a) => a.key);
		expect(kinds(two, 0.1)).toContain('scale-1-0');
		expect(kinds(two, 0.1)).not.toContain('scale-2-0');
		const pulled = [...two, ev(done_h, { type: 'pull', tray: 1, grams: 45 })];
		expect(kinds(pulled, done_h + 2).filter((k) => k.startsWith('scale'))).toEqual([]);
	});
});
