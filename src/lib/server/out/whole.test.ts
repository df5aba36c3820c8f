import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import Ajv2020 from 'ajv/dist/2020';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '$demo/load';
import { bringUpToDate, connect } from '../db/client';
import { storesFor } from '../stores';
import { householdById } from '../stores/households';
import { startWay } from '../ways/do';
import { lastsView } from '../lasting';
import { foodBook } from '../book-food';
import { idIn, readWhole, takeWhole, wholeOf, wholeSchema, type Whole } from './whole';

let link: ReturnType<typeof connect>;
const now = new Date('2026-09-10T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

/** The rows of a saved household under the ids of another, each table in one order. */
function under(whole: Whole, household: string): unknown {
	const own = new Map<string, string>([[String(whole.household.id), household]]);
	for (const rows of Object.values(whole.tables))
		for (const row of rows) if (row.id) own.set(String(row.id), idIn(household, String(row.id)));
	const text = JSON.stringify(whole.tables).replace(
		/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g,
		(one) => own.get(one) ?? one
	);
	const tables = JSON.parse(text) as Record<string, object[]>;
	const key = (row: object): string =>
		JSON.stringify(Object.fromEntries(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1))));
	return {
		household: { ...whole.household, id: household, createdAt: '', isDefault: false, demoDate: null, touched: true },
		tables: Object.fromEntries(Object.entries(tables).map(([name, rows]) => [name, rows.map(key).sort()]))
	};
}

describe('a household as one file', () => {
	it('goes in again beside itself and is equal, row for row; pages read the same of it', async () => {
		const first = await loadDemo(link.db, now);
		const home = await householdById(link.db, first);
		if (!home) throw new Error('no demo');
		const stores = storesFor(link.db, home, now);
		const [beans] = (await stores.stock.basket()).filter((l) => l.lot.title.includes('beans'));
		await startWay(
			stores,
			{ key: randomUUID(), body: {} },
			beans?.lot.id ?? '',
			{ way: 'raw', said: { grams: '2000' } },
			now
		);
		const saved = await wholeOf(link.db, first, now);
		expect(new Ajv2020({ strict: false }).validate(wholeSchema, saved)).toBe(true);
		expect(Object.values(saved.tables).flat().length).toBeGreaterThan(400);
		const again = await takeWhole(link.db, readWhole(JSON.stringify(saved)), now);
		const copy = await wholeOf(link.db, again, now);
		expect(under(saved, again)).toEqual(sorted(copy));
		const there = await householdById(link.db, again);
		if (!there) throw new Error('no copy');
		const others = storesFor(link.db, there, now);
		expect(await lastsView(others, there, now)).toEqual(await lastsView(stores, home, now));
		expect((await foodBook(others, there, 'green-beans', now)).seasons).toEqual(
			(await foodBook(stores, home, 'green-beans', now)).seasons
		);
		expect((await others.runs.reserved()).size).toBe(1);
	});

	it('tells every fault by table and row, and takes nothing in by halves', async () => {
		const first = await loadDemo(link.db, now);
		const read = JSON.parse(JSON.stringify(await wholeOf(link.db, first, now))) as Whole;
		// By a name of its own: other tests make households meanwhile.
		const name = `Whole ${randomUUID()}`;
		const saved: Whole = { ...read, household: { ...read.household, name } };
		const count = async () =>
			(await link.db.execute(sql`select count(*)::int as n from household where position(${name} in name) > 0`)).rows[0]
				?.n;
		const before = await count();
		expect(() => readWhole('{"format":')).toThrow(/no JSON/);
		expect(() => readWhole('[]')).toThrow(/no whole household/);
		const lots = saved.tables.lot ?? [];
		const bad = {
			...saved,
			tables: {
				...saved.tables,
				lot: lots.map((l, i) => (i === 2 ? { ...l, unitG: 'much' } : i === 4 ? { ...l, extra: 1 } : l))
			}
		};
		let faults: { message: string }[] = [];
		try {
			readWhole(JSON.stringify(bad));
		} catch (thrown) {
			faults = (thrown as { body: { error: { faults?: { message: string }[] } } }).body.error.faults ?? [];
		}
		expect(faults.map((f) => f.message)).toEqual([
			'lot, row 3, unitG: must be number',
			'lot, row 5: must NOT have additional properties "extra"'
		]);
		const orphan = { ...saved, tables: { ...saved.tables, place: [] } };
		await expect(takeWhole(link.db, readWhole(JSON.stringify(orphan)), now)).rejects.toMatchObject({ status: 400 });
		const balances = (saved.tables.lot_balance ?? []).map((b, i) =>
			i === 0 ? { ...b, amount: Number(b.amount) + 1 } : b
		);
		const more = { ...saved, tables: { ...saved.tables, lot_balance: balances } };
		await expect(takeWhole(link.db, readWhole(JSON.stringify(more)), now)).rejects.toThrow(/not the sum/);
		const twice = {
			...saved,
			tables: { ...saved.tables, pot: [...(saved.tables.pot ?? []), ...(saved.tables.pot ?? [])] }
		};
		await expect(takeWhole(link.db, readWhole(JSON.stringify(twice)), now)).rejects.toMatchObject({ status: 400 });
		expect(await count()).toBe(before);
		// The same file without a fault does go in.
		await takeWhole(link.db, readWhole(JSON.stringify(saved)), now);
		expect(await count()).toBe(1);
	});
});

/** The same order, without new ids. */
function sorted(whole: Whole): unknown {
	const key = (row: object): string =>
		JSON.stringify(Object.fromEntries(Object.entries(row).sort(([a], [b]) => (a < b ? -1 : 1))));
	return {
		household: { ...whole.household, createdAt: '', isDefault: false, demoDate: null, touched: true },
		tables: Object.fromEntries(Object.entries(whole.tables).map(([name, rows]) => [name, rows.map(key).sort()]))
	};
}
