import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { foldRun, type Tap } from '$core/runs/kinds';
import { askOf, cannerWith } from '$core/runs/kinds/can/fixture';
import type { CanState } from '$core/runs/kinds/can/fold';
import { planCan } from '$core/runs/kinds/can/make';
import { mark_Pa, type CanPlan, type Heat } from '$core/runs/kinds/can/plan';
import { bringUpToDate, connect } from '../db/client';
import { canFor } from '../can';
import { gaugeIntoRuns } from '../instruments/gauge';
import { householdById, newHousehold } from './households';
import { instrumentById } from './instruments';
import type { UnsealedTo } from './stock/unsealed';
import { storesFor, type Stores } from '.';

let link: ReturnType<typeof connect>;
const start = Date.parse('2026-08-27T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

const dial = { quarts: 7, pints: 9, halfPints: 12, stacked: false, gauge: 'dial', dialTested: '2026-05-04' } as const;
const minute = 60_000;

/** So much of a food on the counter. */
async function rawLot(stores: Stores, food: string): Promise<string> {
	const counter = (await stores.home.places()).find((p) => p.kind === 'counter')?.id ?? '';
	const { lotId } = await stores.stock.addRaw(
		{ key: randomUUID(), body: {} },
		{
			food,
			form: 'whole',
			placeId: counter,
			condition: 'firm',
			title: food,
			said: '',
			note: '',
			since: new Date(start),
			grams: 9000,
			reader: 1
		},
		'test'
	);
	return lotId;
}

/** A household with a canner that has a dial, and a run in it: chicken under pressure, or tomatoes in boiling water. */
async function kitchen(name: string, heat: Heat) {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now: new Date(start) });
	const bare = await householdById(link.db, id);
	if (!bare) throw new Error('no household');
	await storesFor(link.db, bare, new Date(start)).home.update(randomUUID(), { altitudeM: 380 });
	const row = { ...bare, altitudeM: 380 };
	const at = (min: number) => storesFor(link.db, row, new Date(start + min * minute));
	const stores = at(0);
	await stores.gear.keep(randomUUID(), { kind: 'canner', id: null, name: 'canner', values: dial });
	const gauge = await stores.instruments.add(randomUUID(), {
		name: 'Gauge',
		quantity: 'gauge-pressure',
		watch: 'nothing'
	});
	const food = heat === 'pressure' ? 'chicken' : 'tomatoes';
	const lotId = await rawLot(stores, food);
	const with_ = { altitude_m: 380, heat, canner: cannerWith('dial') } as const;
	const one =
		heat === 'pressure'
			? ({ product: 'chicken/boneless', food, style: 'raw', jar: 'pint', grams: 5000, jars: 7 } as const)
			: ({ product: 'tomatoes/crushed', food, style: 'hot', jar: 'quart', grams: 9000, jars: 7 } as const);
	const plan = planCan(
		[askOf(one, with_, lotId)],
		{ heat, canner: with_.canner, instrument: { id: gauge, name: 'Gauge' }, today: '2026-08-27' },
		{ ...(await stores.home.kitchen()), altitude_m: 380 }
	);
	if (plan.kind === 'refused') throw new Error(plan.reason);
	const run = (await stores.runs.start({ key: randomUUID(), body: {} }, plan)).id;
	let n = 0;
	const tap = async (min: number, what: Tap) =>
		at(min).runs.append(
			run,
			[{ ...what, id: randomUUID(), at: start + min * minute, device: 'stove', n: ++n } as never],
			'test'
		);
	const state = async (min: number): Promise<CanState> => {
		const view = await at(min).runs.get(run);
		return foldRun(view.plan, view.startedAt, view.events) as CanState;
	};
	/** Filled, vented, weight on at minute 20. */
	const ready = async () => {
		await tap(1, { type: 'all-there' });
		await tap(1, { type: 'as-printed', product: 1, word: 'yes' });
		await tap(2, { type: 'filled', load: 1, product: 1, jars: 7, ...(heat === 'pressure' ? {} : { acid: 'lemon-juice' as const }) }); // prettier-ignore
		await tap(3, { type: 'lid-on', load: 1 });
		if (heat !== 'pressure') return;
		await tap(10, { type: 'venting', load: 1 });
		await tap(20, { type: 'weight-on', load: 1 });
	};
	/** So much by the instrument, at a minute. */
	const reads = async (min: number, Pa: number, more: { fault?: string } = {}) => {
		const tool = await instrumentById(link.db, gauge);
		if (!tool) throw new Error('no gauge');
		const stores = at(min);
		await stores.instruments.keep(tool, [{ value: Pa, unit: 'Pa', at: start + min * minute, ...more }]);
		await gaugeIntoRuns(stores, tool, new Date(start + min * minute));
	};
	const gauges = async (min: number) => (await at(min).runs.get(run)).events.filter((e) => e.type === 'gauge');
	return { at, run, plan, tap, state, ready, reads, gauges, gauge };
}
const over = (plan: CanPlan, psi = 0.5) => mark_Pa(plan) + Math.round(psi * 6894.757);

describe('the Kitchen is changed while a canner is on', () => {
	it('another altitude: nothing is counted until somebody says that the run has the right one', async () => {
		const { at, tap, state, ready } = await kitchen('altitude', 'boiling-water');
		await ready();
		await tap(20, { type: 'full-boil', load: 1 });
		expect((await state(30)).loads[0]?.spot).toBe('hold');
		await at(40).home.update(randomUUID(), { altitudeM: 1200 });
		const changed = await state(41);
		expect(changed.unsettled).toEqual({ at: start + 40 * minute, what: 'altitude' });
		expect(changed.loads[0]).toMatchObject({
			spot: 'heat',
			heldFrom: null,
			restarts: [{ why: 'changed', lost_s: 1200 }]
		});
		await tap(42, { type: 'full-boil', load: 1 });
		expect((await state(43)).loads[0]?.heldFrom).toBe(null);
		await tap(44, { type: 'plan-is-right' });
		await tap(45, { type: 'full-boil', load: 1 });
		expect((await state(46)).loads[0]?.heldFrom).toBe(start + 45 * minute);
	});
	it('another gauge on its canner, or the canner gone: a run under pressure is told, one in boiling water is not', async () => {
		for (const heat of ['pressure', 'boiling-water'] as const) {
			const { at, state, ready } = await kitchen(`gauge ${heat}`, heat);
			await ready();
			const [canner] = (await at(30).gear.equipment()).filter((e) => e.kind === 'canner');
			if (!canner) throw new Error('no canner');
			const other = { ...dial, gauge: 'weighted', dialTested: null } as const;
			await at(30).gear.keep(randomUUID(), { kind: 'canner', id: canner.id, name: canner.name, values: other });
			expect((await state(31)).unsettled?.what).toBe(heat === 'pressure' ? 'gauge' : undefined);
			await at(32).gear.drop(randomUUID(), 'gear', canner.id);
			expect((await state(33)).unsettled?.at).toBe(heat === 'pressure' ? start + 32 * minute : undefined);
		}
	});
	it('what is no matter to it tells nothing, and a plan of another altitude is not begun', async () => {
		const { at, state, plan, ready } = await kitchen('same', 'pressure');
		await ready();
		await at(30).home.update(randomUUID(), { units: 'us' });
		await at(31).home.update(randomUUID(), { altitudeM: 380 });
		expect((await state(32)).unsettled).toBe(null);
		await at(33).home.update(randomUUID(), { altitudeM: 900 });
		const start = at(34).runs.start({ key: randomUUID(), body: {} }, plan);
		await expect(start).rejects.toMatchObject({ status: 409, code: 'KITCHEN_CHANGED' });
	});
});

describe('a gauge that reads by itself', () => {
	it('enters its run once a minute, comes up to the mark at once, and falls below it at once', async () => {
		const { plan, state, ready, reads, gauges } = await kitchen('minutes', 'pressure');
		await ready();
		for (let s = 0; s < 180; s += 10) await reads(20.1 + s / 60, 20_000 + s * 200);
		// Three minutes of coming up are four events at the most.
		expect((await gauges(24)).length).toBeLessThanOrEqual(4);
		expect((await state(24)).loads[0]?.spot).toBe('up');
		await reads(24.2, over(plan));
		expect((await state(24.3)).loads[0]).toMatchObject({ spot: 'hold', heldFrom: start + 24.2 * minute });
		for (let s = 0; s < 600; s += 20) await reads(24.5 + s / 60, over(plan));
		const steady = (await gauges(35)).length;
		expect(steady).toBeLessThanOrEqual(4 + 11);
		expect((await state(35)).loads[0]?.heldFrom).toBe(start + 24.2 * minute);
		await reads(36.1, mark_Pa(plan) - 2000);
		expect((await state(36.2)).loads[0]).toMatchObject({ spot: 'up', heldFrom: null, restarts: [{ why: 'fell' }] });
	});
	it('loses no dip between two of its minutes, whatever it shows at their end', async () => {
		const { plan, state, ready, reads } = await kitchen('dip', 'pressure');
		await ready();
		await reads(25.1, over(plan));
		await reads(26.2, over(plan));
		// Below for a moment in a minute that is told already, and back before the next one is.
		await reads(26.5, mark_Pa(plan) - 500);
		await reads(26.8, over(plan));
		await reads(27.2, over(plan));
		const [load] = (await state(28)).loads;
		expect(load?.heldFrom).toBe(start + 27.2 * minute);
		expect(load?.restarts).toMatchObject([{ why: 'fell' }]);
	});
	it('is told once by two processes, never by a faulty reading, never by one that is not believed', async () => {
		const { plan, ready, reads, gauges, state, at, gauge } = await kitchen('twice', 'pressure');
		await ready();
		await reads(25.1, over(plan), { fault: 'sensor' });
		expect(await gauges(26)).toEqual([]);
		await Promise.all([reads(26.1, over(plan)), reads(26.1, over(plan))]);
		expect(await gauges(27)).toHaveLength(1);
		await at(27).instruments.mistrust(randomUUID(), gauge, true);
		await reads(28.1, 0);
		expect((await state(29)).loads[0]?.spot).toBe('hold');
	});
	it('that falls silent leaves a gap, and a gap claims nothing', async () => {
		const { plan, ready, reads, state } = await kitchen('silent', 'pressure');
		await ready();
		for (let m = 25; m < 40; m++) await reads(m + 0.1, over(plan));
		for (let m = 55; m < 60; m++) await reads(m + 0.1, over(plan));
		const [load] = (await state(60)).loads;
		expect(load?.gap).toMatchObject({ from: start + 39.1 * minute, to: start + 55.1 * minute });
		expect(load?.heldFrom).toBe(start + 55.1 * minute);
	});
});

describe('jars that did not seal', () => {
	/** Seven jars booked as canned, the seal not looked at yet; out of the canner at minute 85. */
	async function jars(name: string) {
		const kit = await kitchen(name, 'boiling-water');
		await kit.ready();
		await kit.tap(20, { type: 'full-boil', load: 1 });
		await kit.tap(75, { type: 'heat-off', load: 1 });
		await kit.tap(85, { type: 'jars-out', load: 1 });
		const pantry = (await kit.at(86).home.places()).find((p) => p.kind === 'pantry')?.id ?? '';
		const pack_g = kit.plan.subjects[0]?.portion_g ?? 0;
		await kit.tap(90, { type: 'pack', subject: 1, packs: 7, pack_g, containerId: null, placeId: pantry });
		await kit.tap(91, { type: 'finish' });
		const shelf = async (min: number) => (await kit.at(min).stock.shelves()).filter((l) => l.food === 'tomatoes');
		const [lot] = (await shelf(92)).filter((l) => l.state === 'canned');
		if (!lot) throw new Error('no jars');
		const away = (min: number, to: UnsealedTo, amount = 1) =>
			kit.at(min).stock.unsealed(randomUUID(), { lotId: lot.id, amount, to }, 'test');
		return { ...kit, lot, shelf, away };
	}
	const hours = 60;

	it('go into the freezer with their months, and come back by an undo', async () => {
		const { at, away, shelf } = await jars('freezer');
		const { groupId, words } = await away(15 * hours, 'freezer', 2);
		expect(words).toContain('2 jars tomatoes');
		expect((await shelf(15 * hours)).map((l) => [l.state, l.process, l.amount])).toEqual(
			expect.arrayContaining([
				['canned', 'tested', 5],
				['frozen', null, 2]
			])
		);
		await at(15 * hours).stock.undo(randomUUID(), groupId, 'test');
		expect((await shelf(15 * hours)).map((l) => [l.state, l.amount])).toEqual([['canned', 7]]);
	});
	it('are no more than there are, and stand a day at the most', async () => {
		const { away, shelf } = await jars('bounds');
		await expect(away(15 * hours, 'fridge', 8)).rejects.toMatchObject({ code: 'NOT_ENOUGH' });
		await expect(away(26 * hours, 'again')).rejects.toMatchObject({ code: 'TOO_LATE' });
		expect((await shelf(26 * hours)).map((l) => l.amount)).toEqual([7]);
	});
	it('are done again with the whole of their time, by the end of their day', async () => {
		const { at, away } = await jars('again');
		const { lotId } = await away(15 * hours, 'again', 2);
		// In their own jars, by their own row: quarts, though a household of one would be offered pints.
		const asked = { lot: lotId ?? '' };
		const soon = await canFor(at(16 * hours), asked, new Date(start + 16 * hours * minute));
		expect(soon.view.stop).toBe('');
		expect(soon.plan?.subjects[0]).toMatchObject({ jar: 'quart', style: 'hot', minutes: 50, jars: 2 });
		// Whoever said it in time and then let them stand has no day more.
		const late = await canFor(at(26 * hours), asked, new Date(start + 26 * hours * minute));
		expect(late.plan).toBe(null);
		expect(late.view.stop).toContain('24 hours');
	});
});

describe('the page that begins a day at the canner', () => {
	it('warns of the canner that is used, and not of the other', async () => {
		const { at } = await kitchen('cautions', 'boiling-water');
		const words = async (food: string) => {
			const lotId = await rawLot(at(0), food);
			const { view } = await canFor(at(0), { lot: lotId }, new Date(start));
			return view.cautions.join(' ');
		};
		const tomatoes = await words('tomatoes');
		expect(tomatoes).toContain('stops boiling');
		expect(tomatoes).not.toMatch(/Vent 10 minutes|pressure falls/);
		const chicken = await words('chicken');
		expect(chicken).toMatch(/pressure falls.*Vent 10 minutes/);
		expect(chicken).not.toContain('stops boiling');
	});
});
