import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { expect, hydrated, test } from './help';

type Whole = { household: { id: string; name: string }; tables: Record<string, Record<string, unknown>[]> };
/** What two copies have in common: every row without its ids, each table sorted. */
const alike = ({ tables }: Whole) =>
	Object.fromEntries(
		Object.entries(tables).map(([name, rows]) => [
			name,
			rows.map((r) => JSON.stringify(r).replace(/[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, '#')).sort()
		])
	);

test('the whole household goes out as one file, into an empty application, and is equal; a broken one is named row by row', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/kitchen');
	await page.getByRole('link', { name: 'Out and in' }).click();
	await hydrated(page);
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'The whole household, one file' }).click();
	const file = await (await download).path();
	const saved = JSON.parse(readFileSync(file, 'utf8')) as Whole;
	expect(saved.household.id).toBe(home.id);
	// A name of its own: other tests make households beside this one.
	saved.household.name = `Copy ${home.id.slice(24)}`;
	expect(saved.tables.lot?.length).toBeGreaterThan(50);
	// A file with a wrong row: named, and nothing of it stands anywhere.
	const households = async () =>
		Number((await sql`select count(*)::int as n from household where name = ${saved.household.name}`)[0]?.n);
	const before = await households();
	const wrong = { ...saved, tables: { ...saved.tables, pot: saved.tables.pot?.map((p) => ({ ...p, litres: 'big' })) } };
	const input = page.getByLabel('a whole household’s file');
	await input.setInputFiles({
		name: 'wrong.json',
		mimeType: 'application/json',
		buffer: Buffer.from(JSON.stringify(wrong))
	});
	await page.getByRole('button', { name: 'Take wrong.json in' }).click();
	await expect(page.getByRole('alert')).toContainText('pot, row 1, litres: must be number');
	expect(await households()).toBe(before);
	// Into a household that is empty, as on another machine.
	await input.setInputFiles({
		name: 'good.json',
		mimeType: 'application/json',
		buffer: Buffer.from(JSON.stringify(saved))
	});
	await page.getByRole('button', { name: 'Take good.json in' }).click();
	await expect(page).toHaveURL(/\/kitchen$/);
	expect(await households()).toBe(before + 1);
	const again = (await (await page.request.get('/kitchen/out/household.json')).json()) as Whole;
	expect(again.household.id).not.toBe(home.id);
	expect(again.household.name).toBe(saved.household.name);
	expect(alike(again)).toEqual(alike(saved));
	await page.goto('/shelves');
	await expect(page.getByText('beef mince').first()).toBeVisible();
});

test('tables and the calendar are read by other programs', async ({ page, home, sql, playwright }) => {
	// A name that a spreadsheet would calculate, with a comma, quotes and a line's worth of accents.
	await sql`update lot set note = '=1+1, "für Mutter"' where household_id = ${home.id} and food = 'kale' and waiting`;
	const csv = async (table: string) => {
		const reply = await page.request.get(`/kitchen/out/${table}.csv`);
		expect(reply.headers()['content-type']).toContain('text/csv');
		const text = (await reply.body()).toString('utf8');
		expect(text.replace(/"(?:[^"]|"")*"/g, '').match(/(?<!\r)\n/)).toBeNull();
		const { data, errors } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
			header: true,
			skipEmptyLines: true
		});
		expect(errors).toEqual([]);
		return data;
	};
	const stock = await csv('stock');
	expect(stock.find((r) => r.title === 'beef mince')).toMatchObject({ amount: '18', unit: 'pack', grams_each: '400' });
	expect(stock.some((r) => r.note === '\'=1+1, "für Mutter"')).toBe(true);
	const [kept] = await sql`
		select sum(b.amount * l.unit_g)::float8 as g, count(*)::int as n from lot_balance b join lot l on l.id = b.lot_id
		where b.household_id = ${home.id} and b.amount > 0`;
	expect(stock).toHaveLength(Number(kept?.n));
	expect(stock.reduce((s, r) => s + Number(r.amount) * Number(r.grams_each), 0)).toBeCloseTo(Number(kept?.g), 3);
	const [moved] =
		await sql`select count(*)::int as n, sum(amount)::float8 as s from movement where household_id = ${home.id}`;
	const movements = await csv('movements');
	expect([movements.length, movements.reduce((s, r) => s + Number(r.amount), 0)]).toEqual([
		Number(moved?.n),
		Number(moved?.s)
	]);
	expect((await csv('book')).length).toBeGreaterThan(30);
	expect((await page.request.get('/kitchen/out/secrets.csv')).status()).toBe(404);
	const own = await page.request.get('/kitchen/out/calendar.ics');
	// The same at an address of its own, which a calendar reads without this household's cookie; ended, it opens nothing.
	await page.goto('/kitchen/out');
	await hydrated(page);
	await page.getByRole('button', { name: 'Make an address' }).click();
	const address = await page.locator('[data-feed]').innerText();
	const stranger = await playwright.request.newContext();
	const reply = await stranger.get(address);
	const text = await reply.text();
	const undated = (ics: string) => ics.replace(/\r\n /g, '').replace(/^DTSTAMP.*$/gm, '');
	expect(undated(text)).toBe(undated(await own.text()));
	// Lines of at most 75 octets, folded (RFC 5545, 3.1).
	for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
	const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
	const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
	expect(events.length).toBeGreaterThan(3);
	expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
	const peas = events.find((e) => /Use first: peas, shelled/.test(e.summary));
	expect(peas?.startDate.isDate).toBe(true);
	const [due] =
		await sql`select keeps_until::text as d from lot where household_id = ${home.id} and title = 'peas, shelled' and keeps_until > now() order by keeps_until limit 1`;
	expect(peas?.startDate.toString()).toBe(due?.d);
	await page.getByRole('button', { name: 'End this address' }).click();
	await expect(page.locator('[data-feed]')).toHaveCount(0);
	expect((await stranger.get(address)).status()).toBe(404);
	await stranger.dispose();
});

test('a table with faults is shown row by row and not taken by halves; mended, it stands on the shelves and goes back in one step', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/kitchen/out');
	await hydrated(page);
	const lots = async () =>
		Number(
			(await sql`select count(*)::int as n from lot_balance where household_id = ${home.id} and amount > 0`)[0]?.n
		);
	const before = await lots();
	const choose = (name: string, text: string) =>
		page.getByLabel('a table of stock, or of past batches (CSV)').setInputFiles({
			name,
			mimeType: 'text/csv',
			buffer: Buffer.from(text)
		});
	const rows = (place: string, date: string) =>
		`what;packs;each;state;place;date\r\n"leeks, sliced";6;400 g;frozen;${place};2026-03-04\r\nleeks;2;300 g;frozen;;${date}\r\n`;
	await choose('leeks.csv', rows('Attic', '8/9/2026'));
	const list = page.getByRole('list', { name: 'Rows of the file' });
	await expect(list.getByText('"Attic" is no place of this kitchen')).toBeVisible();
	await expect(list.getByText('one day here and another there')).toBeVisible();
	await expect(page.getByText('2 rows are at fault')).toBeVisible();
	await expect(page.getByRole('button', { name: /^Take .* in$/ })).toBeDisabled();
	expect(await lots()).toBe(before);
	await choose('leeks.csv', rows('Chest freezer, floor', '2026-03-04'));
	await expect(list.getByText('6 × 400 g leeks')).toBeVisible();
	await page.getByRole('button', { name: 'Take 2 rows in' }).click();
	await expect(page.getByText('2 rows taken in')).toBeVisible();
	expect(await lots()).toBe(before + 2);
	// The same file again: nothing of it is new.
	await choose('again.csv', rows('Chest freezer, floor', '2026-03-04'));
	await expect(page.getByText('2 rows are here already')).toBeVisible();
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByText('Taken back')).toBeVisible();
	expect(await lots()).toBe(before);
	// What no table is, says so.
	await choose('photo.csv', 'colour,size\r\nred,2\r\n');
	await expect(page.getByRole('alert')).toContainText('Neither stock nor batches');
});

test('the list of the shelves and a food’s card are papers that another program reads', async ({ page, home }) => {
	expect(home.id).not.toBe('');
	const words = async (path: string) => {
		const reply = await page.request.get(path);
		expect(reply.headers()['content-type']).toBe('application/pdf');
		return execFileSync('pdftotext', ['-layout', '-', '-'], { input: await reply.body() }).toString();
	};
	const list = await words('/shelves/list.pdf');
	expect(list).toMatch(/18 × 400 g\s+beef mince/);
	expect(list).toContain('Chest freezer, top basket');
	// A time never stands without its product, its jar and its canner.
	const card = await words('/tables/tomatoes/card.pdf');
	for (const line of card.split('\n').filter((l) => /\d+ min\b/.test(l) && /canner|boiling water/.test(l)))
		expect(line).toMatch(/pint|quart/);
	expect(card).toMatch(/tomatoes, crushed, no added liquid, hot pack, quart, boiling water\s+50 min/);
	expect(await page.request.get('/book/DEMO2/record.pdf').then((r) => r.status())).toBe(404);
});
