import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringUpToDate, connect } from '../db/client';
import { readHaul, placeFor } from '../haul';
import { storesFor } from '../stores';
import { householdById, newHousehold, type HouseholdRow } from '../stores/households';
import { lotOfThing } from '../things';
import { byHand, chooseWay, shareLot, startWay } from './do';
import { lookAt } from './look';
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
async function put(home: HouseholdRow, text: string): Promise<string> {
	const stores = at(home);
	const reading = await readHaul(stores, text, home, now);
	if (reading.kind !== 'understood') throw new Error(text);
	const place = placeFor(reading, await stores.home.places());
	const lot = {
		...lotOfThing(reading.thing),
		placeId: place.id,
		said: text,
		note: '',
		since: now,
		grams: reading.grams
	};
	return (await stores.stock.addRaw({ key: randomUUID(), body: { text } }, lot, 'test')).lotId;
}

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
		expect(started?.plan.subjects[0]?.raw_g).toBe(7000);
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
		expect(plan?.subjects[0]).toMatchObject({ cut: { id: second }, portion_g: 300 });
	});

	it('are started by what the form says, and by nothing that is refused or not led', async () => {
		const { home, lotId } = await kitchen('start', '3 kg courgettes');
		const stores = at(home);
		const start = (way: string, said = {}) => startWay(stores, { key: randomUUID(), body: {} }, lotId, { way, said }, now); // prettier-ignore
		await expect(start('dry')).rejects.toMatchObject({ status: 422, code: 'NOT_LED' });
		await expect(start('none')).rejects.toMatchObject({ status: 400, code: 'UNKNOWN_WAY' });
		await expect(start('raw', { grams: '9 kg' })).rejects.toMatchObject({ code: 'NOT_ENOUGH' });
		await expect(start('raw', { portion: 'lots' })).rejects.toMatchObject({ status: 400 });
	});
});
