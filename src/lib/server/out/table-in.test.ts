import { randomUUID } from 'node:crypto';
import { sql } from 'drizzle-orm';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import Papa from 'papaparse';
import { loadDemo } from '$demo/load';
import { readDate } from '$core/quantities/read-date';
import { bringUpToDate, connect } from '../db/client';
import { storesFor } from '../stores';
import { householdById } from '../stores/households';
import { examples } from './examples';
import { readTable } from './table';
import { tableReader } from './table-in';

let link: ReturnType<typeof connect>;
const now = new Date('2026-09-10T08:00:00Z');
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 4);
	await bringUpToDate(link.db);
});
afterAll(() => link.close());

async function kitchen() {
	const id = await loadDemo(link.db, now);
	const home = await householdById(link.db, id);
	if (!home) throw new Error('no demo');
	const stores = storesFor(link.db, home, now);
	return {
		id,
		stores,
		preview: (text: string) => stores.out.preview(tableReader(text, { household: home, now })),
		take: (text: string) =>
			stores.out.takeTable({ key: randomUUID(), body: { text } }, tableReader(text, { household: home, now }), 'test')
	};
}
const rowsOf = (text: string) =>
	Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: true }).data;
const lotsIn = async (id: string) =>
	Number((await link.db.execute(sql`select count(*)::int as n from lot where household_id = ${id}`)).rows[0]?.n);

describe('a table that comes in', () => {
	it('is what another library wrote: whatever stands in its cells, however it is quoted', () => {
		const cell = fc.string({ unit: 'grapheme', maxLength: 20 }).map((s) => s.replace(/[\0\uFFFD]/g, '').trim());
		fc.assert(
			fc.property(
				fc.array(fc.array(cell, { minLength: 2, maxLength: 2 }), { minLength: 1, maxLength: 8 }),
				fc.constantFrom(',', ';', '\t'),
				(rows, delimiter) => {
					const full = rows.filter((r) => r.some((c) => c !== ''));
					fc.pre(full.length > 0 && full.flat().every((c) => !/^'[=+\-@\t\r]/.test(c)));
					const text = Papa.unparse([['what', 'note'], ...full], { delimiter, newline: '\r\n' });
					expect(readTable(text).rows.map(({ cells }) => [cells.what ?? '', cells.note ?? ''])).toEqual(full);
				}
			),
			{ numRuns: 400 }
		);
	});

	it('names the line at which it breaks off, and what it is not', () => {
		expect(() => readTable('what,note\r\n"beans,1')).toThrow(/line|quote/);
		expect(() => readTable('what\r\n')).toThrow(/no rows/);
		expect(() => readTable('what,what\r\n1,2')).toThrow(/Two columns/);
		expect(() => readTable('what\r\nM\uFFFDhren')).toThrow(/UTF-8/);
		expect(() => readTable(`what\r\n${'beans\r\n'.repeat(1_001)}`)).toThrow(/At most 1000/);
	});

	it('reads dates that can be but one day, and asks about the others', () => {
		expect(readDate('2026-02-28')).toEqual({ day: '2026-02-28' });
		expect(readDate('28.2.2026')).toEqual({ day: '2026-02-28' });
		expect(readDate('28/2/2026')).toEqual({ day: '2026-02-28' });
		expect(readDate('2/28/2026')).toEqual({ day: '2026-02-28' });
		expect(readDate('4 Aug 2025')).toEqual({ day: '2025-08-04' });
		expect(readDate('3/3/2026')).toEqual({ day: '2026-03-03' });
		expect(readDate('8/9/2026')).toHaveProperty('fault');
		expect(readDate('2026-02-30')).toHaveProperty('fault');
		expect(readDate('soon')).toHaveProperty('fault');
	});

	it('of our own stock goes in again and is equal; a second time nothing of it is new', async () => {
		const { id, stores, preview, take } = await kitchen();
		const out = await stores.out.csv('stock');
		const before = rowsOf(out);
		const first = await preview(out);
		expect(first.rows.filter((r) => !r.already)).toEqual([]);
		await link.db.execute(sql`delete from lot where household_id = ${id}`);
		const shown = await preview(out);
		expect(shown.rows.flatMap((r) => r.faults.map((f) => [before[r.line - 2]?.title, f]))).toEqual([]);
		await take(out);
		const same = ({ code: _c, keeps_until: _k, since, ...row }: Record<string, string>) =>
			JSON.stringify({ ...row, since: (since ?? '').slice(0, 10) });
		const after = rowsOf(await stores.out.csv('stock'));
		expect(after.map(same).sort()).toEqual(before.map(same).sort());
		const again = await take(out);
		expect(again).toEqual({ words: '0 rows taken in' });
	});

	it('of our own book goes in again; what is there by its code is left out', async () => {
		const { id, stores, preview, take } = await kitchen();
		const out = await stores.out.csv('book');
		expect((await preview(out)).rows.filter((r) => !r.already)).toEqual([]);
		await link.db.execute(sql`delete from lot where household_id = ${id}`);
		await link.db.execute(sql`delete from run_output where household_id = ${id}`);
		await link.db.execute(sql`delete from batch where household_id = ${id}`);
		const shown = await preview(out);
		expect(shown.rows.flatMap((r) => r.faults)).toEqual([]);
		await take(out);
		const byCode = (text: string) => rowsOf(text).sort((a, b) => ((a.code ?? '') < (b.code ?? '') ? -1 : 1));
		expect(byCode(await stores.out.csv('book'))).toEqual(byCode(out));
	});

	it('as a person writes it: every row is understood, taken in one step and taken back in one', async () => {
		const { id, stores, preview, take } = await kitchen();
		const before = await lotsIn(id);
		const text = examples['example-stock'] ?? '';
		const shown = await preview(text);
		expect(shown.rows.map((r) => [r.words, r.faults])).toEqual([
			[expect.stringMatching(/^12 × 500 g green beans, frozen, in Chest freezer/), []],
			[expect.stringMatching(/^7 × quart tomatoes, canned, in Pantry/), []],
			[expect.stringMatching(/^9 butternut squash/), []],
			[expect.stringMatching(/^6 × 600 g .*frozen/), []],
			[expect.stringMatching(/^14.* kg beetroot/), []]
		]);
		const { groupId = '' } = await take(text);
		expect(await lotsIn(id)).toBe(before + 5);
		const sum = async () =>
			(await link.db.execute(sql`select sum(amount)::float8 as s from lot_balance where household_id = ${id}`)).rows[0]
				?.s;
		const full = await sum();
		await stores.stock.undo(randomUUID(), groupId, 'test');
		expect(await sum()).not.toBe(full);
		const book = await preview(examples['example-book'] ?? '');
		expect([book.kind, book.rows.flatMap((r) => r.faults)]).toEqual(['book', []]);
		await take(examples['example-book'] ?? '');
		const [beans] = (await stores.seasons.batches('green-beans')).filter((b) => b.packedOn === '2024-08-10');
		expect(beans).toMatchObject({ rawG: 7000, packedG: 6000, packs: 12, handsS: 9000, again: 'yes' });
	});

	it('is held by the same rules as what is typed: every fault by its row, and nothing by halves', async () => {
		const { id, preview, take } = await kitchen();
		const before = await lotsIn(id);
		const text = [
			'what,packs,each,state,place,date',
			'green beans,12,500 g,frozen,,2025-08-14',
			'green beans,12,500 g,frozen,Attic,2025-08-14',
			'unobtainium,3,500 g,frozen,,',
			'green beans,3,500 g,frozen,,8/9/2025',
			'green beans,3,500 g,frozen,,2031-01-01',
			'chicken,2,500 g,frozen,Kitchen counter,',
			',2,500 g,frozen,,'
		].join('\n');
		const shown = await preview(text);
		expect(shown.rows.map((r) => [r.line, r.faults.map((f) => f.column).join()])).toEqual([
			[2, ''],
			[3, 'place'],
			[4, 'what'],
			[5, 'date'],
			[6, 'date'],
			[7, 'place'],
			[8, 'what']
		]);
		await expect(take(text)).rejects.toMatchObject({ status: 422 });
		expect(await lotsIn(id)).toBe(before);
		// A jar of what is low in acid is nobody's word for a tested process, whatever else the row says.
		const own = 'title,food,form,state,amount,unit,content,content_unit,grams_each';
		const jar = await preview(`${own}\nbeans,green-beans,whole,canned,3,pack,946,ml,900`);
		expect(jar.kind === 'stock' && jar.rows[0]?.standing?.lot.process).toBe('unknown');
		const bad = await preview(
			`${own}\nx,green-beans,whole,canned,0,pack,946,ml,900\nx,green-beans,cubist,frozen,1,pack,1,dg,1\nx,green-beans,whole,melted,1,dg,,,0.1\nx,green-beans,whole,frozen,2,pack,,,5`
		);
		expect(bad.rows.map((r) => r.faults.map((f) => f.column).join())).toEqual(['amount', 'form', 'state', 'content']);
		await expect(preview('colour,size\nred,2')).rejects.toThrow(/Neither stock nor batches/);
	});
});
