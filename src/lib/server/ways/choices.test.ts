import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringUpToDate, connect } from '../db/client';
import { intoBasket } from '../basket.fixture';
import { storesFor } from '../stores';
import { householdById, newHousehold, type HouseholdRow } from '../stores/households';
import { kindOf, type RunEvent } from '$core/runs/kinds';
import { byHand, chooseWay, shareLot, startLoad, startWay } from './do';
import { canSlug, lookAt } from './look';
import { waysView } from './view';

let link: ReturnType<typeof connect>;
const now = new Date('2026-11-27T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());
const at = (home: HouseholdRow) => storesFor(link.db, home, now);

/** A kitchen with a lot in its basket. */
async function kitchen(name: string, text: string): Promise<{ home: HouseholdRow; lotId: string }> {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now });
	const home = await householdById(link.db, id);
	if (!home) throw new Error('no household');
	return { home, lotId: await put(home, text) };
}
const put = (home: HouseholdRow, text: string) => intoBasket(at(home), home, text, now);

describe('what is chosen for the ways of a lot', () => {
	it('is there again, way by way, whichever was chosen last; a choice that is none is refused and changes nothing', async () => {
		const { home, lotId } = await kitchen('choices', '6 kg carrots');
		const stores = at(home);
		await chooseWay(stores, randomUUID(), lotId, 'raw', { portion: '300 g' }, now);
		await chooseWay(stores, randomUUID(), lotId, 'dry', { mm: '5' }, now);
		await chooseWay(stores, randomUUID(), lotId, 'raw', { portion: '400 g' }, now);
		const look = await lookAt(stores, lotId, { fields: {} }, now);
		expect(look.readOf('raw').query.portion).toBe('400 g');
		expect(look.readOf('dry').query.mm).toBe(5);
		await expect(chooseWay(stores, randomUUID(), lotId, 'raw', { portion: 'lots' }, now)).rejects.toMatchObject({
			status: 400
		});
		expect((await lookAt(stores, lotId, { fields: {} }, now)).readOf('raw').query.portion).toBe('400 g');
	});

	it('takes what hangs on a cut with it when the cut is another', async () => {
		const { home, lotId } = await kitchen('cuts', '6 kg carrots');
		const stores = at(home);
		const look = await lookAt(stores, lotId, { fields: {} }, now);
		const [first, second] = look.freeze.find((f) => f.cuts.length > 1)?.cuts ?? [];
		const container = look.kitchen.containers[0]?.id ?? randomUUID();
		await chooseWay(stores, randomUUID(), lotId, 'raw', { cut: first?.id ?? '', container }, now);
		await chooseWay(stores, randomUUID(), lotId, 'raw', { cut: second?.id ?? '', container }, now);
		const [kept] = await stores.choices.of(lotId);
		expect(kept?.choices).toEqual({ cut: second?.id });
	});

	it('is nobody else’s: another household has no such lot', async () => {
		const { lotId } = await kitchen('mine', '6 kg carrots');
		const { home: other } = await kitchen('theirs', '1 kg carrots');
		await expect(chooseWay(at(other), randomUUID(), lotId, 'raw', { portion: '300 g' }, now)).rejects.toMatchObject({
			status: 404
		});
		await expect(shareLot(at(other), randomUUID(), lotId, { part: 'raw' }, now)).rejects.toMatchObject({ status: 404 });
	});
});

describe('the kilos of a lot', () => {
	it('go to the ways as they were shared, each start takes its share, and what is at the stove is shared no more', async () => {
		const { home, lotId } = await kitchen('shares', '12 kg raspberries');
		const stores = at(home);
		await shareLot(stores, randomUUID(), lotId, { part: 'raw' }, now);
		await shareLot(stores, randomUUID(), lotId, { shares: 'raw 7000; sugar 3000' }, now);
		const view = await waysView(stores, lotId, { way: 'sugar', fields: {} }, now);
		expect(view.shares.map((s) => [s.way, s.grams])).toEqual([['raw', 7000], ['sugar', 3000]]); // prettier-ignore
		expect(view.panel?.part_g).toBe(3000);
		// The list is for the whole of it all the same: what is compared is comparable.
		expect(view.rows.find((r) => r.slug === 'raw')?.figure).toBe(
			(await waysView(stores, lotId, { fields: {} }, now)).rows.find((r) => r.slug === 'raw')?.figure
		);
		const run = await startWay(stores, { key: randomUUID(), body: {} }, lotId, { way: 'raw', said: {} }, now);
		const started = (await at(home).runs.open()).find((r) => r.id === run);
		expect(started?.plan).toMatchObject({ subjects: [{ raw_g: 7000 }] });
		const after = await lookAt(at(home), lotId, { fields: {} }, now);
		expect([after.free_g, after.shares]).toEqual([5000, [{ way: 'sugar', grams: 3000 }]]);
	});

	it('are refused to a way that the lot has not, and to more of it than there is only what is there', async () => {
		const { home, lotId } = await kitchen('bounds', '2 kg raspberries');
		const stores = at(home);
		await expect(shareLot(stores, randomUUID(), lotId, { shares: 'pickle 500' }, now)).rejects.toMatchObject({ status: 400 }); // prettier-ignore
		await expect(shareLot(stores, randomUUID(), lotId, { shares: 'raw lots' }, now)).rejects.toMatchObject({ status: 400 }); // prettier-ignore
		await shareLot(stores, randomUUID(), lotId, { shares: 'raw 1500; sugar 1500' }, now);
		expect((await lookAt(stores, lotId, { fields: {} }, now)).shares).toEqual([{ way: 'raw', grams: 1500 }, { way: 'sugar', grams: 500 }]); // prettier-ignore
	});

	it('that were worked without the Stove are used up with what came of them, in one step that goes back whole', async () => {
		const { home, lotId } = await kitchen('hand', '5 kg apples');
		const stores = at(home);
		const asked = { lotId, text: '2 × 1 quart jars dried apples', grams: 3000 };
		const done = await byHand(stores, randomUUID(), home, asked, { now, by: 'test' });
		expect((await lookAt(stores, lotId, { fields: {} }, now)).free_g).toBe(2000);
		await expect(byHand(stores, randomUUID(), home, { ...asked, grams: 9000 }, { now, by: 'test' })).rejects.toMatchObject({ status: 409 }); // prettier-ignore
		await stores.stock.undo(randomUUID(), done.groupId, 'test');
		expect((await lookAt(stores, lotId, { fields: {} }, now)).free_g).toBe(5000);
	});

	it('in jars are of a tested process only where somebody says that it was done in full', async () => {
		const { home, lotId } = await kitchen('jars', '8 kg green beans');
		const stores = at(home);
		const asked = { lotId, text: '3 quarts green beans, canned', grams: 2700 };
		const process = async (tested: boolean) => {
			const { lotId: made } = await byHand(stores, randomUUID(), home, { ...asked, tested }, { now, by: 'test' });
			return (await stores.stock.named([made]))[0]?.process;
		};
		expect(await process(false)).toBe('unknown');
		expect(await process(true)).toBe('tested');
	});

	it('are started as they were shown, whatever was chosen since on another device', async () => {
		const { home, lotId } = await kitchen('shown', '3 kg carrots');
		const stores = at(home);
		// An address of before shows one way with choices of its own; then another device chooses otherwise.
		const cuts = (await lookAt(stores, lotId, { fields: {} }, now)).freeze.find((f) => f.cuts.length > 1)?.cuts ?? [];
		const [first, second] = cuts.map((c) => c.id);
		const fields = { cut: second ?? '', portion: '300 g' };
		const view = await waysView(stores, lotId, { way: 'raw', fields }, now);
		expect(view.panel?.says).toMatchObject({ ...fields, grams: '3000' });
		await chooseWay(stores, randomUUID(), lotId, 'raw', { cut: first ?? '', portion: '700 g' }, now);
		const said = view.panel?.says ?? {};
		const id = await startWay(stores, { key: randomUUID(), body: {} }, lotId, { way: 'raw', said }, now);
		const plan = (await at(home).runs.open()).find((r) => r.id === id)?.plan;
		expect(plan).toMatchObject({ subjects: [{ cut: { id: second }, portion_g: 300 }] });
	});

	it('are started by what the form says, and by nothing that is refused, or begun elsewhere', async () => {
		const { home, lotId } = await kitchen('start', '3 kg tomatoes');
		// Canned at a known altitude alone, and begun on its own page.
		const stores = at({ ...home, altitudeM: 300 });
		const start = (way: string, said = {}) => startWay(stores, { key: randomUUID(), body: {} }, lotId, { way, said }, now); // prettier-ignore
		const [can] = (await lookAt(stores, lotId, { fields: {} }, now)).cans;
		await expect(start(canSlug(can?.id ?? ''))).rejects.toMatchObject({ status: 422, code: 'OWN_PAGE' });
		await expect(start('none')).rejects.toMatchObject({ status: 400, code: 'UNKNOWN_WAY' });
		await expect(start('raw', { grams: '9 kg' })).rejects.toMatchObject({ code: 'NOT_ENOUGH' });
		await expect(start('raw', { portion: 'lots' })).rejects.toMatchObject({ status: 400 });
	});

	it('are dried as the form says, with the hours that another air costs', async () => {
		const { home, lotId } = await kitchen('dry', '3 kg apples');
		const said = { mm: '5', air: '52', grams: '2000' };
		const id = await startWay(at(home), { key: randomUUID(), body: {} }, lotId, { way: 'dry', said }, now);
		const plan = (await at(home).runs.open()).find((r) => r.id === id)?.plan;
		if (plan?.kind !== 'dry') throw new Error('not dried');
		expect(plan.air_C).toBe(52);
		expect(plan.subjects[0]).toMatchObject({ raw_g: 2000, thickness_mm: 5, rowId: 'apples' });
		// 30 kJ/mol, 333.15 to 325.15 K: exp(3608 × (1/325.15 − 1/333.15)) = 1.31.
		const warm = await lookAt(at(home), lotId, { way: 'dry', fields: { mm: '5' } }, now);
		if (warm.dry.kind !== 'way') throw new Error('no way');
		expect((plan.subjects[0]?.forecast.hours ?? 0) / warm.dry.time.hours).toBeCloseTo(1.31, 1);
	});

	it('share one load of the dryer with others, and never with meat', async () => {
		const { home, lotId } = await kitchen('load', '2 kg apples');
		const onions = await put(home, '1 kg carrots');
		const beef = await put(home, '2 kg beef');
		const load = (lots: string[]) => startLoad(at(home), { key: randomUUID(), body: {} }, lots, now);
		await expect(load([lotId, beef])).rejects.toMatchObject({ status: 422, code: 'REFUSED' });
		const id = await load([lotId, onions]);
		const plan = (await at(home).runs.open()).find((r) => r.id === id)?.plan;
		expect(
			plan &&
				kindOf(plan)
					.lots(plan)
					.map((l) => l.lotId)
					.sort()
		).toEqual([lotId, onions].sort());
		await expect(load([lotId, onions])).rejects.toMatchObject({ status: 409, code: 'SPOKEN_FOR' });
	});

	it('come to the shelf as dried food, in its place alone; and the next forecast is this kitchen’s own', async () => {
		const { home, lotId } = await kitchen('learn', '2 kg apples');
		const places = await at(home).home.places();
		const placeId = (kind: string) => places.find((p) => p.kind === kind)?.id ?? '';
		const before = await lookAt(at(home), lotId, { fields: {} }, now);
		if (before.dry.kind !== 'way') throw new Error('no way');
		const id = await startWay(at(home), { key: randomUUID(), body: {} }, lotId, { way: 'dry', said: { grams: '1000' } }, now); // prettier-ignore
		const end_h = before.dry.time.hours * 1.4;
		const ev = (h: number, tap: object) =>
			({ ...tap, id: randomUUID(), at: now.getTime() + Math.round(h * 3_600_000) }) as RunEvent;
		const later = storesFor(link.db, home, new Date(now.getTime() + 30 * 3_600_000));
		const pack = { type: 'pack', packs: 1, pack_g: 70, containerId: null };
		await later.runs.append(id, [
			ev(0.1, { type: 'weigh', grams: 400 }),
			ev(0.1, { type: 'first', on: false, last: true }),
			ev(0.2, { type: 'load', tray: 1, slot: 1, grams: 400 }),
			ev(0.2 + end_h, { type: 'pull', tray: 1, grams: 70 })
		], 'test'); // prettier-ignore
		await expect(later.runs.append(id, [ev(25, { ...pack, placeId: placeId('counter') })], 'test')).rejects.toMatchObject({ status: 422, code: 'NOT_THERE' }); // prettier-ignore
		await expect(later.runs.append(id, [ev(25, { type: 'move', potful: 1, to: 'blanch' })], 'test')).rejects.toMatchObject({ status: 404 }); // prettier-ignore
		await later.runs.append(
			id,
			[ev(25, { ...pack, placeId: placeId('pantry') }), ev(25.1, { type: 'finish' })],
			'test'
		);
		const shelf = await later.stock.shelves();
		expect(shelf.filter((l) => !l.waiting).map((l) => [l.food, l.state, l.amount])).toEqual([['apples', 'dried', 1]]);
		// One load at 1.4 times the table: the prior of the table and the load, worked by hand in own-factor.test.ts.
		const after = await lookAt(later, lotId, { fields: {} }, now);
		if (after.dry.kind !== 'way') throw new Error('no way');
		expect(after.dry.table_h).toBeCloseTo(before.dry.table_h, 6);
		expect(after.dry.own?.loads).toBe(1);
		expect(after.dry.time.hours).toBeGreaterThan(before.dry.time.hours * 1.2);
		expect(after.dry.time.hours).toBeLessThan(before.dry.time.hours * 1.4);
		expect(after.dry.time.doubt).toBeLessThan(before.dry.time.doubt);
	});
});
