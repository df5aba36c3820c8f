import type { APIRequestContext, Page } from '@playwright/test';
import { expect, hydrated, main, postForm, press, startRun, test } from './help';

/** Scales and probes: paired on the page, heard within a second, and never believed where they cannot be. */

async function pair(page: Page, name: string, measures: string, watch = 'nothing by itself'): Promise<string> {
	await page.goto('/kitchen/instruments');
	await hydrated(page);
	const form = page.locator('form').filter({ hasText: 'Pair another' });
	await form.getByLabel('its name').fill(name);
	await form.getByLabel('measures').selectOption({ label: measures });
	await form.getByLabel('rings for').selectOption({ label: watch });
	await form.getByRole('button', { name: 'Pair it' }).click();
	const token = page.getByRole('region', { name: 'Its token' }).locator('p').nth(1);
	return token.innerText();
}

const send = async (request: APIRequestContext, token: string, lines: readonly object[]) => {
	const reply = await request.post('/instruments/readings', {
		headers: { authorization: `Bearer ${token}`, 'content-type': 'application/x-ndjson' },
		data: lines.map((l) => JSON.stringify(l)).join('\n')
	});
	return { status: reply.status(), body: (await reply.json()) as { kept?: number } };
};
const rest = (value: number, unit = 'g') => [2000, 1000, 0].map((ago) => ({ value, unit, at: Date.now() - ago }));

test('a scale fills the field a tap away; moving, silent, faulty, in a wrong unit or not believed it fills nothing; two scales never fill by themselves', async ({
	page,
	home,
	playwright,
	baseURL,
	quiet
}) => {
	void home;
	void quiet;
	// As an instrument speaks: without a cookie.
	const radio = await playwright.request.newContext({ baseURL: baseURL ?? '' });
	const token = await pair(page, 'Balance', 'weight');
	// Without a token of ours it is a stranger at the door.
	expect((await send(radio, 'nobody.at-all-of-this-kitchen', rest(1))).status).toBe(403);
	await startRun(page, 'runner beans');
	// The pot on, then what is ready is weighed.
	await press(page);
	const field = main(page).getByLabel(/ready, weighed/);
	const before = await field.inputValue();
	await page.waitForTimeout(1800);
	expect((await send(radio, token, rest(7650))).body.kept).toBe(3);
	await expect(main(page).getByText('7.65 kg')).toBeVisible({ timeout: 1500 });
	await expect(main(page).getByText('steady')).toBeVisible();
	// It fills nothing by itself, and what was written stays.
	expect(await field.inputValue()).toBe(before);
	await main(page).getByRole('button', { name: 'Take it' }).click();
	await expect(field).toHaveValue('7650 g');
	await field.fill('7.7 kg');
	await send(radio, token, rest(7000));
	await expect(main(page).getByText(/^7(\.0)* kg$/)).toBeVisible();
	await expect(field).toHaveValue('7.7 kg');
	// Moving, then with a fault, then in a unit of another quantity.
	await send(radio, token, [{ value: 2000, unit: 'g' }]);
	await expect(main(page).getByText('comes to rest')).toBeVisible();
	await expect(main(page).getByRole('button', { name: 'Take it' })).toHaveCount(0);
	await send(radio, token, [{ value: 2000, unit: 'g', fault: 'overload' }]);
	await expect(main(page).getByText('overload')).toBeVisible();
	expect((await send(radio, token, [{ value: 20, unit: 'C' }])).body.kept).toBe(0);
	// At rest again once what moved is long enough ago; silent for a while, and nothing is offered.
	await page.waitForTimeout(4000);
	await send(radio, token, rest(7650));
	await expect(main(page).getByRole('button', { name: 'Take it' })).toBeVisible();
	await expect(main(page).getByRole('button', { name: 'Take it' })).toHaveCount(0, { timeout: 12_000 });
	await page.goto('/kitchen/instruments');
	await hydrated(page);
	await page.getByRole('button', { name: 'Do not believe it' }).click();
	await expect(page.getByText('not believed').first()).toBeVisible();
	await page.goto('/stove');
	await hydrated(page);
	await page.waitForTimeout(1800);
	await send(radio, token, rest(7650));
	await page.waitForTimeout(1000);
	await expect(main(page).getByRole('button', { name: 'Take it' })).toHaveCount(0);
	await radio.dispose();
});

test('a freezer that gets warm rings on every device; what one device taps another shows within a second', async ({
	page,
	home,
	context,
	playwright,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	const radio = await playwright.request.newContext({ baseURL: baseURL ?? '' });
	const token = await pair(page, 'Chest probe', 'temperature', 'a freezer that gets warm');
	await startRun(page, 'runner beans');
	const run = page.url();
	const other = await context.newPage();
	await other.goto(run);
	await hydrated(other);
	await page.waitForTimeout(1800);
	await send(radio, token, [{ value: 12, unit: 'F' }]);
	// It has been so for a quarter of an hour.
	await sql`update instrument set beyond_since = now() - interval '15 minutes' where household_id = ${home.id}`;
	await send(radio, token, [{ value: 14, unit: 'F' }]);
	for (const one of [page, other])
		await expect(one.getByRole('alert').filter({ hasText: 'Chest probe' })).toContainText('−10 °C', { timeout: 2000 });
	await send(radio, token, [{ value: -1, unit: 'F' }]);
	await expect(other.getByRole('alert').filter({ hasText: 'Chest probe' })).toHaveCount(0, { timeout: 2000 });
	// A tap: by the stream, long before the page would ask by itself.
	const began = Date.now();
	await press(page);
	await expect(other.getByText(/Last: pot on/)).toBeVisible({ timeout: 2500 });
	expect(Date.now() - began).toBeLessThan(2500);
	const found = await postForm(context.request, baseURL ?? '', '/kitchen/instruments?/pair', {
		name: 'Chest probe',
		quantity: 'mass'
	});
	expect(found).toMatchObject({ type: 'failure', status: 409 });
	await radio.dispose();
});

test('a label printer: sent to from the Stove, it fetches its sheet, runs out of paper, and prints it again', async ({
	page,
	home,
	playwright,
	baseURL,
	quiet
}) => {
	void home;
	void quiet;
	const radio = await playwright.request.newContext({ baseURL: baseURL ?? '' });
	const token = await pair(page, 'Label printer', 'nothing: it prints labels');
	const headers = { authorization: `Bearer ${token}` };
	// A printer measures nothing, and a scale prints nothing.
	expect((await send(radio, token, rest(1))).status).toBe(403);
	const scale = await pair(page, 'Balance', 'weight');
	expect((await radio.get('/instruments/jobs', { headers: { authorization: `Bearer ${scale}` } })).status()).toBe(403);
	await startRun(page, 'runner beans');
	// Written before the packs are filled: from the line of labels at the side.
	await page.getByRole('button', { name: 'Send to Label printer' }).first().click();
	await expect(page.getByText('Sent to Label printer')).toBeVisible();
	const jobs = await radio.get('/instruments/jobs', { headers });
	const lines = (await jobs.text()).trim().split('\n');
	expect(lines).toHaveLength(1);
	const { id, count } = JSON.parse(lines[0] ?? '') as { id: string; count: number };
	expect(count).toBeGreaterThan(0);
	const sheet = await radio.get(`/instruments/jobs/${id}`, { headers });
	expect((await sheet.body()).subarray(0, 5).toString()).toBe('%PDF-');
	const say = (data: object) => radio.post(`/instruments/jobs/${id}`, { headers, data });
	expect((await say({ state: 'failed', fault: 'no paper' })).status()).toBe(200);
	await page.goto('/kitchen/instruments');
	await hydrated(page);
	const printers = page.getByRole('region', { name: 'Printers' });
	await expect(printers).toContainText('no paper');
	await printers.getByRole('button', { name: 'Print again' }).click();
	await expect(printers).toContainText(`${count} labels wait for it`);
	expect((await say({ state: 'printed' })).status()).toBe(200);
	await page.reload();
	await expect(printers).toContainText('printed at');
	await radio.dispose();
});
