import { describe, expect, it } from 'vitest';
import { foodById } from '../../../things/names';
import { plain } from '../../../things/thing';
import { freezeWays, type FreezeWay } from '../../../ways/freeze-ways';
import { kitchen as home } from '../../../ways/kitchen.fixture';
import type { Kitchen } from '../../../ways/kitchen';
import type { FreezeTap } from './act';
import { acts } from './acts';
import { book } from './book';
import type { FreezeEvent } from './events';
import { fold, tally } from './fold';
import { planFreeze, type Chosen } from './make';
import type { FreezePlan, Subject } from './plan';

const start = Date.parse('2026-08-26T16:00:00Z');
const minute = 60_000;
const pot = { id: 'p', name: 'Big pot', litres: 12, burner: { kind: 'gas', power_W: 3500 } } as const;
const kitchen: Kitchen = { ...home, altitude_m: 300, pots: [pot], basins: 2, ice_kg: 20, trays: 12, freezeDay_kg: 40 };

function chosen(id: string, cut: string, wayId: string, raw_g: number, k = kitchen, lotId = id): Chosen {
	const food = foodById(id);
	if (!food) throw new Error(id);
	const found = freezeWays({ thing: plain(food), grams: raw_g, food_C: 18, kitchen: k, choices: { cut }, now: start });
	const way = found.ways.find((w): w is FreezeWay => w.kind === 'way' && w.id === wayId);
	if (!way) throw new Error(`${id} ${wayId}: ${found.ways.map((w) => w.id).join()}`);
	return { way, lotId, called: food.name, form: 'whole', raw_g };
}
const of = (plan: FreezePlan, food: string): Subject => {
	const subject = plan.subjects.find((s) => s.food.id === food);
	if (!subject) throw new Error(food);
	return subject;
};

/** An evening on a clock of its own. */
class Evening {
	now = start;
	readonly events: FreezeEvent[] = [];
	constructor(readonly plan: FreezePlan) {}
	get state() {
		return fold(this.plan, start, this.events);
	}
	get acts() {
		return acts(this.plan, this.state, this.now);
	}
	tap(tap: FreezeTap, after_s = 5): string {
		this.now += after_s * 1000;
		const id = `t${String(this.events.length).padStart(4, '0')}`;
		this.events.push({ ...tap, id, at: this.now } as FreezeEvent);
		return id;
	}
	/** Does what the page says, waiting where it says so, until something holds. */
	until(holds: (e: Evening) => boolean, most = 2000): this {
		for (let i = 0; i < most && !holds(this); i++) {
			const list = this.acts;
			const ready = list.find((a) => a.ready && a.button);
			if (ready?.button) this.tap(ready.button.tap);
			else {
				const dues = list.map((a) => a.due).filter((d): d is number => d !== null && d > this.now);
				this.now = dues.length > 0 ? Math.min(...dues) : this.now + minute;
			}
		}
		expect(holds(this)).toBe(true);
		return this;
	}
}
const allFirm = (e: Evening) => {
	const t = tally(e.state);
	return t.waiting_g + t.under_g === 0;
};

describe('an evening over several foods in one pot', () => {
	// Common practice: firm before soft, what is dipped for its skin after, strong ones last.
	it('takes firm before leafy before skins before strong, whatever they were ticked in', () => {
		const plan = planFreeze(
			[
				chosen('cauliflower', 'florets', 'blanch:florets', 1000),
				chosen('tomatoes', 'skinned', 'blanch:skin-dip', 3000),
				chosen('raspberries', 'whole', 'raw', 800),
				chosen('spinach', 'leaves', 'blanch:leaves', 1000),
				chosen('green-beans', 'cut', 'blanch:cut', 2000),
				chosen('carrots', 'diced', 'blanch:diced', 2000)
			],
			kitchen
		);
		const foods = plan.subjects.map((s) => s.food.id);
		expect(foods.slice(2)).toEqual(['spinach', 'tomatoes', 'cauliflower', 'raspberries']);
		expect(new Set(foods.slice(0, 2))).toEqual(new Set(['green-beans', 'carrots']));
		// One pot, named once.
		expect(plan.pots).toHaveLength(1);
		expect(of(plan, 'raspberries').pot).toBeNull();
	});

	it('gives each food its own published time from the boil, in the same water', () => {
		const e = new Evening(
			planFreeze(
				[chosen('green-beans', 'cut', 'blanch:cut', 2000), chosen('tomatoes', 'skinned', 'blanch:skin-dip', 2000)],
				kitchen
			)
		).until(allFirm);
		// NCHFP, from memory: green beans 3 minutes; tomatoes 30 s to a minute, until the skins split.
		for (const potful of e.state.potfuls) {
			const at = (spot: string) => potful.path.find((s) => s.spot === spot)?.at ?? Number.NaN;
			const heat_s = (at('chill') - at('blanch')) / 1000;
			const food = e.plan.subjects.find((s) => s.n === potful.subject)?.food.id;
			expect(heat_s).toBeGreaterThanOrEqual(food === 'tomatoes' ? 30 : 180);
			expect(heat_s).toBeLessThan((food === 'tomatoes' ? 30 : 180) + 30);
		}
		// The beans are through the pot before the first tomato goes in.
		const into = (subject: number) =>
			e.state.potfuls.filter((p) => p.subject === subject).map((p) => p.path[0]?.at ?? 0);
		expect(Math.max(...into(1))).toBeLessThan(Math.min(...into(2)));
		// Never two in one pot.
		const inPot = e.state.potfuls
			.map((p) => [p.path[0]?.at ?? 0, p.path.find((s) => s.spot === 'chill')?.at ?? 0] as const)
			.sort((a, b) => a[0] - b[0]);
		for (let i = 1; i < inPot.length; i++) expect(inPot[i]?.[0]).toBeGreaterThanOrEqual(inPot[i - 1]?.[1] ?? 0);
	});

	it('asks for ice before the potful that would find too little, by what lay ready and what has gone', () => {
		// 9 kg of beans, 4 kg of ice: worked by hand, a kilo wants ice_kg_per_kg of it.
		const plan = planFreeze([chosen('green-beans', 'cut', 'blanch:cut', 9000)], { ...kitchen, ice_kg: 4 });
		const beans = of(plan, 'green-beans');
		const e = new Evening(plan);
		const each_kg = (fold(plan, start, []).potfuls[0]?.grams ?? 0) / 1000;
		const enough = Math.floor(4 / (each_kg * beans.ice_kg_per_kg) + 1e-9);
		expect(enough).toBeGreaterThan(0);
		expect(enough).toBeLessThan(e.state.potfuls.length);
		e.until((x) => x.acts.find((a) => a.kind === 'ice' || a.kind === 'in')?.kind === 'ice');
		expect(e.state.potfuls.filter((p) => p.spot !== 'waiting')).toHaveLength(enough);
		const ask = e.acts.find((a) => a.kind === 'ice');
		expect(ask?.hint).toContain('is left');
		// A bag of 10 kg from the shop: it goes on, and what is there goes down from that.
		e.tap({ type: 'ice', grams: 10_000 });
		expect(e.acts.some((a) => a.kind === 'ice')).toBe(false);
		e.until((x) => x.state.potfuls.filter((p) => p.path.some((s) => s.spot === 'chill')).length > enough);
		expect(e.state.ice_kg).toBeCloseTo(10 - each_kg * beans.ice_kg_per_kg, 2);
	});

	it('goes on in running water where there is no ice: not asked again, nothing melts, ice again by one tap', () => {
		const e = new Evening(planFreeze([chosen('green-beans', 'cut', 'blanch:cut', 9000)], { ...kitchen, ice_kg: 0.5 }));
		e.until((x) => x.acts.some((a) => a.kind === 'ice'));
		const way = e.acts.find((a) => a.kind === 'ice')?.others?.find((o) => o.tap.type === 'running');
		if (!way) throw new Error('no way on without ice');
		e.tap(way.tap);
		const left = e.state.ice_kg;
		e.until((x) => x.acts.some((a) => a.kind === 'ice') || allFirm(x));
		expect(allFirm(e)).toBe(true);
		expect(e.state.ice_kg).toBe(left);
		const undone = fold(e.plan, start, [
			...e.events,
			{ type: 'undo', target: e.events.find((x) => x.type === 'running')?.id ?? '', id: 'zz', at: e.now }
		]);
		expect(undone.running).toBe(false);
		// A bag of ice is ice again.
		expect(fold(e.plan, start, [...e.events, { type: 'ice', grams: 5000, id: 'zy', at: e.now }]).running).toBe(false);
	});

	it('skins by soaking as by the dip: no time of its own, the eye ends it, then the cold', () => {
		const e = new Evening(planFreeze([chosen('tomatoes', 'skinned', 'soak:skin-dip', 3000)], kitchen));
		e.until((x) => x.state.potfuls.some((p) => p.spot === 'blanch'));
		const act = e.acts.find((a) => a.kind === 'stage');
		expect(act?.due).toBeNull();
		expect(act?.button?.label).toContain('Skins slip');
		e.until(allFirm);
		expect(e.state.potfuls.every((p) => p.path.some((s) => s.spot === 'chill'))).toBe(true);
	});

	it('weighs the sugar by what is ready, packs it with the fruit, and closes the mass', () => {
		// 2 kg strawberries, 88 % of them left when hulled (Food Buying Guide, from memory): 1,760 g. NCHFP, from memory:
		// ¾ cup of sugar to a quart of 1⅓ lb; a cup weighs 200 g (practice), a quart 600 g: 250 g to the kilogram.
		const plan = planFreeze([chosen('strawberries', 'whole', 'sugar', 2000)], kitchen);
		const berries = of(plan, 'strawberries');
		expect(berries.load_g).toBe(1760);
		expect(berries.sugar?.g_per_kg).toBeCloseTo(250, 6);
		expect(berries.prepared_g).toBe(1760 + 440);
		expect(berries.style).toBe('liquid');
		const e = new Evening(plan);
		e.tap({ type: 'weigh', grams: 1600 });
		// Weighed less than was thought: 1.6 kg want 400 g.
		expect(e.acts.find((a) => a.kind === 'in')?.sentence).toContain('400 g of sugar');
		e.until(allFirm);
		e.tap({ type: 'pack', packs: 4, pack_g: 500, containerId: null, placeId: 'f' });
		e.tap({ type: 'finish' });
		const [entry] = book(plan, e.state).entries;
		expect(entry?.closing).toMatchObject({ raw_g: 2000, packed_g: 2000, added_g: 400, lost_g: 400, yield: 0.8 });
	});

	it('says that the boil is not back in two minutes, and lays the rest out by the boil that was; the published time stays', () => {
		const e = new Evening(planFreeze([chosen('green-beans', 'cut', 'blanch:cut', 6000)], kitchen));
		e.until((x) => x.state.potfuls.some((p) => p.spot === 'return'));
		expect(e.acts[0]?.sentence).not.toContain('two minutes');
		e.now += 180_000;
		const [act] = e.acts;
		expect(act?.sentence).toBe('The boil is not back in two minutes.');
		const grams = e.state.potfuls[0]?.grams ?? 0;
		const tap = act?.others?.[0]?.tap;
		// Worked by hand: heat goes with the weight, so a third of it would be back in a third of three minutes.
		expect(tap).toMatchObject({ type: 'replan', reboil_s: 180, potful_g: grams });
		if (tap?.type !== 'replan') throw new Error('no replan');
		expect(Math.abs(tap.next_g - grams / 3)).toBeLessThanOrEqual(5);
		const before = e.state.potfuls[0];
		e.tap(tap, 0);
		expect(e.state.potfuls[0]).toEqual(before);
		expect(Math.max(...e.state.potfuls.slice(1).map((p) => p.grams))).toBeLessThanOrEqual(tap.next_g);
		expect(tally(e.state).waiting_g + grams).toBe(e.state.subjects[0]?.load_g);
		e.tap({ type: 'move', potful: 1, to: 'blanch' });
		expect(e.state.timers.find((t) => t.key === '1-blanch')?.due).toBe(e.now + 180_000);
		expect(e.state.subjects[0]?.reboil).toEqual({ s: 185, grams });
	});

	it('tops the pot up when a tenth of it has gone, between two potfuls', () => {
		const e = new Evening(planFreeze([chosen('green-beans', 'cut', 'blanch:cut', 9000)], kitchen));
		e.until((x) => x.acts.some((a) => a.kind === 'water'));
		const water = e.plan.pots[0]?.water_L ?? 0;
		expect(e.state.kettles[0]?.gone_L).toBeGreaterThanOrEqual(water * 0.1);
		const act = e.acts.find((a) => a.kind === 'water');
		if (act?.button) e.tap(act.button.tap);
		expect(e.state.kettles[0]?.gone_L).toBeLessThan(0.01);
	});

	it('sends what finds no tray into the fridge, and a second round onto the trays when they are free', () => {
		const e = new Evening(planFreeze([chosen('green-beans', 'cut', 'blanch:cut', 9000)], { ...kitchen, trays: 3 }));
		e.until((x) => x.state.potfuls.some((p) => p.spot === 'fridge'));
		const first = e.now;
		expect(e.state.potfuls.filter((p) => p.spot === 'freeze').length).toBeGreaterThan(0);
		e.until(allFirm);
		const later = e.state.potfuls.filter((p) => p.path.some((s) => s.spot === 'fridge'));
		for (const p of later) expect(p.path.find((s) => s.spot === 'freeze')?.at).toBeGreaterThan(first);
		// Nothing waited longer than its day.
		for (const p of later) {
			const at = (spot: string) => p.path.find((s) => s.spot === spot)?.at ?? 0;
			expect(at('freeze') - at('fridge')).toBeLessThanOrEqual(86_400_000);
		}
	});

	it('spreads what is more than the freezers take in a day over days, and over the freezers', () => {
		const k = { ...kitchen, freezeDay_kg: 5, trays: 30 };
		const freezers = [
			{ id: 'a', name: 'Chest', day_kg: 3 },
			{ id: 'b', name: 'Upright', day_kg: 2 }
		];
		const e = new Evening(planFreeze([chosen('raspberries', 'whole', 'raw', 12_000, k)], k, freezers));
		const load = e.state.subjects[0]?.load_g ?? 0;
		e.until(allFirm);
		const days = e.state.potfuls.map((p) => Math.floor(((p.path[0]?.at ?? 0) - start) / 86_400_000));
		expect(Math.max(...days)).toBe(Math.ceil(load / 5000) - 1);
		for (const p of e.state.potfuls) {
			const at = p.path[0]?.at ?? 0;
			const within = e.state.potfuls.filter(
				(o) => (o.path[0]?.at ?? 0) > at - 86_400_000 && (o.path[0]?.at ?? 0) <= at
			);
			expect(within.reduce((s, o) => s + o.grams, 0)).toBeLessThanOrEqual(5000);
		}
		const f = new Evening(planFreeze([chosen('raspberries', 'whole', 'raw', 2000, k)], k, freezers));
		f.until((x) => x.acts[0]?.kind === 'in');
		expect(f.acts[0]?.hint).toContain('Into: Chest.');
	});

	it('counts the two stages of cooling in what is cooked, asks for the temperature, and does not go on without it', () => {
		const e = new Evening(planFreeze([{ ...chosen('chicken-stock', 'portions', 'raw', 4000) }], kitchen));
		e.until((x) => x.state.potfuls.some((p) => p.spot === 'chill'));
		const at = e.now;
		// FDA Food Code 2022, 3-501.14 (from memory): to 21 °C (70 °F) within 2 h, to 5 °C (41 °F) within 6 h in all.
		// It rings a quarter of an hour before, so that it is measured in time.
		expect(e.state.timers[0]).toMatchObject({ due: at + 105 * minute, latest: at + 120 * minute });
		const slip = e.tap({ type: 'move', potful: 1, to: 'freeze' });
		expect(e.state.ignored).toEqual([{ id: slip, why: expect.stringMatching(/not measured/) }]);
		e.now = at + 3_600_000;
		e.tap({ type: 'reading', potful: 1, dC: 350 });
		expect(e.state.potfuls[0]?.met).toBe(0);
		e.tap({ type: 'reading', potful: 1, dC: 205 });
		expect(e.state.timers[0]?.latest).toBe(at + 6 * 3_600_000);
		e.tap({ type: 'reading', potful: 1, dC: 45 });
		expect(e.acts[0]).toMatchObject({ sentence: 'Cold. Fill the portions, into the freezer.' });
		// Another that was not measured in time is said to be late, before all else.
		const late = new Evening(planFreeze([chosen('chicken-stock', 'portions', 'raw', 4000)], kitchen));
		late.until((x) => x.state.potfuls.some((p) => p.spot === 'chill'));
		late.now += 2 * 3_600_000 + 1000;
		expect(late.acts[0]).toMatchObject({ over: true, asks: 'temperature' });
		expect(late.acts[0]?.hint).toMatch(/boil at once/);
		// Cold when it was measured too late says nothing of two hours ago; what was measured in time may be said late.
		const tooLate = late.tap({ type: 'reading', potful: 1, dC: 180 });
		expect(late.state.ignored).toEqual([{ id: tooLate, why: expect.stringMatching(/nobody knows/) }]);
		expect(late.state.potfuls[0]?.met).toBe(0);
		const said = new Evening(late.plan);
		said.events.push(...late.events.slice(0, -1));
		said.now = late.now - 10 * minute;
		said.tap({ type: 'reading', potful: 1, dC: 180 });
		expect(said.state.potfuls[0]?.met).toBe(1);
		// Nor does it go on when the six hours are over.
		said.now = at + 7 * 3_600_000;
		const after = said.tap({ type: 'move', potful: 1, to: 'freeze' });
		expect(said.state.ignored.map((i) => i.id)).toEqual([after]);
		const boiled = late.acts[0]?.others?.[0];
		if (boiled) late.tap(boiled.tap);
		expect(late.state.timers[0]?.latest).toBe(late.now + 2 * 3_600_000);
	});
});

describe('the book of an evening', () => {
	const plan = planFreeze(
		[
			chosen('ground-beef', 'flat', 'raw', 3100),
			chosen('pork', 'chops', 'raw', 1750),
			chosen('raspberries', 'whole', 'raw', 2200)
		],
		kitchen
	);
	it('has an entry for each food that was worked on, and none for one that nobody began', () => {
		const e = new Evening(plan);
		const beef = of(plan, 'ground-beef').n;
		e.tap({ type: 'weigh', subject: beef, grams: 3100 });
		e.tap({ type: 'move', subject: beef, potful: 1, to: 'freeze' });
		e.tap({ type: 'move', subject: beef, potful: 1, to: 'firm' }, 6 * 3600);
		e.tap({ type: 'pack', subject: beef, packs: 10, pack_g: 300, containerId: null, placeId: 'f' });
		e.tap({ type: 'again', would: 'changed', change: 'flatter bags' });
		e.tap({ type: 'finish' });
		const { entries, used, packs, again, end } = book(plan, e.state);
		expect(entries.map((x) => x.food)).toEqual(['ground-beef']);
		expect(used).toEqual([{ lotId: 'ground-beef', grams: 3100 }]);
		expect(packs).toHaveLength(1);
		expect(again).toEqual({ would: 'changed', change: 'flatter bags' });
		expect(end?.status).toBe('finished');
		// 3,100 g in, 3,000 g in ten packs: 100 g stuck to hands and bowl.
		expect(entries[0]?.closing).toMatchObject({ raw_g: 3100, packed_g: 3000, lost_g: 100 });
	});
	it('uses a lot up once, though two foods of the run are shares of it', () => {
		const two = planFreeze(
			[
				chosen('raspberries', 'whole', 'raw', 1000, kitchen, 'same'),
				chosen('raspberries', 'whole', 'raw', 500, kitchen, 'same')
			],
			kitchen
		);
		const e = new Evening(two);
		for (const n of [1, 2]) {
			e.tap({ type: 'weigh', subject: n, grams: of(two, 'raspberries').load_g });
			e.tap({ type: 'move', subject: n, potful: 1, to: 'freeze' });
		}
		e.tap({ type: 'finish' });
		expect(book(two, e.state).used).toEqual([{ lotId: 'same', grams: 1500 }]);
	});
});
