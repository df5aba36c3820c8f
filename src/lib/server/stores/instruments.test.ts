import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { packsOfGrams } from '$core/stock/amount';
import { plain } from '$core/things/thing';
import { bringUpToDate, connect } from '../db/client';
import { LiveHub, tell, type NewsKind } from '../live';
import { instrumentById, instrumentStore, type SentReading } from './instruments';
import { shelvesOf } from '../shelves';
import { knownFood, lotOfThing } from '../things';
import { storesFor } from '.';
import { makeLot, post } from './stock';
import { householdById, newHousehold } from './households';

let link: ReturnType<typeof connect>;
const url = process.env.TEST_DATABASE_URL ?? '';
const now = Date.parse('2026-11-28T08:00:00Z');
beforeAll(async () => {
	link = connect(url, 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function kitchen(name: string) {
	const id = await newHousehold(link.db, { name, zone: 'UTC', now: new Date(now) });
	if (!(await householdById(link.db, id))) throw new Error('no household');
	const at = (ms: number) => instrumentStore(link.db, id, new Date(ms));
	const pair = async (quantity: 'mass' | 'temperature', watch: 'nothing' | 'freezer' = 'nothing') => {
		const tool = await at(now).add(randomUUID(), { name: `${quantity} ${randomUUID()}`, quantity, watch });
		const row = async () => {
			const found = await instrumentById(link.db, tool);
			if (!found) throw new Error('no instrument');
			return found;
		};
		const send = async (ms: number, lines: readonly SentReading[]) => at(ms).keep(await row(), lines);
		const one = async (ms: number) => (await at(ms).live()).find((i) => i.id === tool);
		return { tool, send, one };
	};
	return { id, at, pair };
}
const g = (value: number, at: number): SentReading => ({ value, unit: 'g', at });

describe('an instrument', () => {
	it('that hangs in a freezer tells, day by day, at what pace the packs in it grew old; mistrusted it tells nothing', async () => {
		const { id, at, pair } = await kitchen('freezer');
		const { tool, send } = await pair('temperature', 'freezer');
		const home = await householdById(link.db, id);
		if (!home) throw new Error('no household');
		const stores = (ms: number) => storesFor(link.db, home, new Date(ms));
		const freezer = (await stores(now).home.places()).find((p) => p.kind === 'freezer');
		const name = { name: 'Probe', watch: 'freezer', tareG: 0 } as const;
		const day = 86_400_000;
		// Two days at −8 °C, one at −20.
		for (const [d, value] of [
			[0, -8],
			[1, -8],
			[2, -20]
		] as const)
			for (let h = 0; h < 24; h++) {
				const ms = now - (now % day) + d * day + h * 3_600_000;
				await send(ms, [{ value, unit: 'C', at: ms }]);
			}
		const later = now + 4 * day;
		expect((await at(later).coldHistory()).size).toBe(0);
		await at(later).change(randomUUID(), tool, { ...name, placeId: freezer?.id ?? '' });
		const found = [...((await at(later).coldHistory()).get(freezer?.id ?? '') ?? [])];
		expect(found.map((f) => Math.round(f.place_C * 10) / 10)).toEqual([-8, -8, -18]);
		// A pack frozen that morning keeps less than its label says: each of the two days took 2^(10/5.56) days of it.
		const lotId = await link.db.transaction(async (tx) => {
			const lot = { ...lotOfThing({ ...plain(knownFood('green-beans')), state: 'frozen' }), ...packsOfGrams(500) };
			const since = new Date(now - (now % day));
			const made = await makeLot(tx, id, { ...lot, said: '', note: '', placeId: freezer?.id ?? '', since, keepsUntil: '2027-08-01' }, since); // prettier-ignore
			await post(tx, id, randomUUID(), [{ lotId: made, kind: 'put', amount: 4 }], { now: since, by: 'test' });
			return made;
		});
		const by = async (ms: number) => {
			const { groups } = await shelvesOf(stores(ms), home, new Date(ms), { most: 50 });
			return groups.flatMap((g) => g.places.flatMap((p) => p.lots)).find((l) => l.id === lotId)?.by ?? 0;
		};
		const lost = (Date.parse('2027-08-01T12:00:00Z') - (await by(later))) / day;
		expect(lost).toBeCloseTo(2 * (2 ** (10 / (10 / 1.8)) - 1), 1);
		await at(later).mistrust(randomUUID(), tool, true);
		await at(later).change(randomUUID(), tool, { ...name, placeId: freezer?.id ?? '' });
		expect((await at(later).coldHistory()).size).toBe(0);
		await expect(at(later).change(randomUUID(), tool, { ...name, placeId: randomUUID() })).rejects.toMatchObject({ status: 404 }); // prettier-ignore
	});
	it('is taken at its word only at rest, of now, without a fault and believed; a wrong unit is refused', async () => {
		const { at, pair } = await kitchen('scale');
		const { tool, send, one } = await pair('mass');
		expect((await one(now))?.standing.is).toBe('silent');
		await send(now + 1_000, [g(200, now)]);
		await send(now + 2_000, [g(400, now + 1_000)]);
		expect((await one(now + 2_000))?.standing.is).toBe('moving');
		await send(now + 5_000, [g(412, now + 3_000), g(412, now + 4_000), g(413, now + 5_000)]);
		expect(await one(now + 5_000)).toMatchObject({ standing: { is: 'steady', reading: { value: 413 } } });
		// Sent again after a lost answer: kept once.
		expect(await send(now + 5_100, [g(413, now + 5_000)])).toEqual({ kept: 0, refused: [] });
		expect(
			await send(now + 5_200, [
				{ value: 21, unit: 'C' },
				{ value: 1, unit: 'stone' }
			])
		).toMatchObject({ kept: 0, refused: [{ line: 1 }, { line: 2 }] });
		expect((await one(now + 5_200))?.standing).toMatchObject({ is: 'steady', reading: { value: 413 } });
		await send(now + 6_000, [{ ...g(0, now + 6_000), fault: 'overload' }]);
		expect((await one(now + 6_000))?.standing.is).toBe('faulty');
		expect((await one(now + 60_000))?.standing.is).toBe('silent');
		await at(now).mistrust(randomUUID(), tool, true);
		expect((await one(now + 6_000))?.trusted).toBe(false);
		// Its clock runs ahead, or is days behind: of now, or of nothing.
		await send(now + 7_000, [g(500, now + 9_000_000)]);
		expect((await one(now + 7_000))?.standing.reading).toMatchObject({ value: 500, at: now + 7_000 });
		expect((await send(now + 8_000, [g(1, now - 9_000_000)])).refused).toHaveLength(1);
	});
	it('rings for a freezer that stays warm, and no more when it is cold again', async () => {
		const { pair } = await kitchen('freezer');
		const { send, one } = await pair('temperature', 'freezer');
		const C = (value: number, s: number) => send(now + s * 1000, [{ value, unit: 'C', at: now + s * 1000 }]);
		await C(-18, 0);
		await C(-9, 60);
		expect((await one(now + 60_000))?.alarm).toBeNull();
		await C(-9, 700);
		expect((await one(now + 700_000))?.alarm).toMatchObject({ since: now + 60_000 });
		await C(-14, 760);
		expect((await one(now + 760_000))?.alarm).toBeNull();
	});
	it('keeps each reading for two days, then a minute’s, then an hour’s as one; nothing is lost between', async () => {
		const { at, pair } = await kitchen('history');
		const { tool, send } = await pair('temperature');
		for (let s = 0; s < 600; s += 10)
			await send(now + s * 1000, [{ value: -18 + (s % 60 === 0 ? 3 : 0), unit: 'C', at: now + s * 1000 }]);
		const raw = await at(now + 600_000).history(tool, new Date(now - 1));
		expect(raw).toHaveLength(60);
		const later = now + 3 * 86_400_000;
		expect(await at(later).thinOld()).toBe(60);
		const minutes = await at(later).history(tool, new Date(now - 1));
		expect(minutes).toHaveLength(10);
		// One of six was 3 warmer.
		expect(minutes[0]?.value).toBeCloseTo(-17.5, 6);
		expect(await at(later).thinOld()).toBe(0);
		await at(now + 20 * 86_400_000).thinOld();
		expect(await at(later).history(tool, new Date(now - 3_600_001))).toMatchObject([
			{ value: expect.closeTo(-17.5, 6) }
		]);
	});
	it('is of its own household: another one neither sees nor changes it', async () => {
		const one = await kitchen('own');
		const other = await kitchen('other');
		const { tool } = await one.pair('mass');
		expect(await other.at(now).live()).toEqual([]);
		await expect(other.at(now).remove(randomUUID(), tool)).rejects.toMatchObject({ status: 404 });
		await one.at(now).remove(randomUUID(), tool);
		expect(await instrumentById(link.db, tool)).toBeUndefined();
	});
});

describe('what changes', () => {
	it('is heard in two processes within a second, joined to four a second, and not where it was rolled back', async () => {
		const { id, pair } = await kitchen('live');
		const { send } = await pair('mass');
		const read = async () => 'now';
		const hubs = [new LiveHub(url, read), new LiveHub(url, read)];
		const heard: { hub: number; kinds: readonly NewsKind[]; at: number }[] = [];
		await Promise.all(hubs.map((h) => h.open()));
		const leaves = hubs.map((h, hub) =>
			h.join(id, { hear: (kinds) => void heard.push({ hub, kinds, at: performance.now() }), end: () => {} })
		);
		const began = performance.now();
		await send(now, [g(1, now)]);
		for (let i = 0; i < 60 && new Set(heard.map((h) => h.hub)).size < 2; i++)
			await new Promise((r) => setTimeout(r, 20));
		expect(new Set(heard.map((h) => h.hub)).size).toBe(2);
		expect(Math.max(...heard.map((h) => h.at)) - began).toBeLessThan(1_000);
		await link.db
			.transaction(async (tx) => {
				await tell(tx, id, 'taps');
				throw new Error('rolled back');
			})
			.catch(() => {});
		// Forty in a second are a handful of notices.
		heard.length = 0;
		for (let i = 1; i <= 40; i++) {
			await send(now + i, [g(i, now + i)]);
			await new Promise((r) => setTimeout(r, 20));
		}
		await new Promise((r) => setTimeout(r, 400));
		const took_s = (performance.now() - began) / 1000;
		const mine = heard.filter((h) => h.hub === 0);
		expect(mine.length).toBeGreaterThan(1);
		expect(mine.length).toBeLessThanOrEqual(Math.ceil(took_s * 4) + 1);
		expect(heard.some((h) => h.kinds.includes('taps'))).toBe(false);
		for (const leave of leaves) leave();
		for (const hub of hubs) hub.close();
	});
	it('is heard again after the connection was cut: all may be new', async () => {
		const { id } = await kitchen('cut');
		const hub = new LiveHub(url, async () => 'now');
		await hub.open();
		const heard: NewsKind[] = [];
		let ended = false;
		hub.join(id, { hear: (kinds) => void heard.push(...kinds), end: () => (ended = true) });
		await link.pool.query(
			`select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen root_jar%' and pid <> pg_backend_pid()`
		);
		for (let i = 0; i < 100 && !heard.includes('taps'); i++) await new Promise((r) => setTimeout(r, 50));
		expect(heard).toContain('taps');
		expect(heard).toContain('readings');
		hub.close();
		expect(ended).toBe(true);
	});
});
