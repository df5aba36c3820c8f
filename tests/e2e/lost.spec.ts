import { randomUUID } from 'node:crypto';
import { expect, hydrated, main, postForm, press, startRun, test } from './help';

/** A run of raspberries up to its packs, tapped by another device. */
async function firm(page: import('@playwright/test').Page, origin: string): Promise<string> {
	await startRun(page, 'raspberries', /^Start: Freeze raw/);
	const id = page.url().split('/').pop() ?? '';
	const now = Date.now();
	const taps = [
		{ type: 'weigh', grams: 1150 },
		{ type: 'move', potful: 1, to: 'freeze' },
		{ type: 'move', potful: 1, to: 'firm' }
	].map((tap, n) => ({ id: randomUUID(), at: now + n, device: 'earlier', n, ...tap }));
	const reply = await page.request.post(`/stove/${id}/events`, { data: { events: taps }, headers: { origin } });
	expect(reply.status()).toBe(200);
	await page.reload();
	await hydrated(page);
	await expect(main(page)).toContainText('Bag, press out the air');
	return id;
}

test('packed and closed without a connection: the page stays, and all of it is in the book when there is one', async ({
	page,
	home,
	context,
	baseURL,
	sql
}) => {
	const id = await firm(page, baseURL ?? '');
	await context.setOffline(true);
	await page.getByRole('button', { name: 'Book these packs' }).click();
	// "Tapping late" and Close together: the packs were tapped just now, the end is said to be ten minutes old.
	await page.getByLabel(/Tapping late/).selectOption('10');
	await page.getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await expect(page.getByText(/kept on this device/)).toBeVisible();
	await page.waitForTimeout(4_000);
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	expect(page.url()).toContain(id);
	await context.setOffline(false);
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByRole('heading', { name: /raspberries, whole/i })).toBeVisible();
	const [row] =
		await sql`select closing->>'packs' as packs from batch where run_id = ${id} and household_id = ${home.id}`;
	expect(Number(row?.packs)).toBe(2);
});

test('a run that is opened again is followed, and rings: undone by one device, the other goes on', async ({
	page,
	home,
	browser,
	baseURL
}) => {
	await firm(page, baseURL ?? '');
	await page.getByRole('button', { name: 'Book these packs' }).click();
	await page.getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('link', { name: 'Its page in the book' })).toBeVisible();
	const other = await browser.newContext({ baseURL: baseURL ?? '' });
	await other.addCookies([{ name: 'household', value: home.cookie, url: baseURL ?? '' }]);
	const phone = await other.newPage();
	await phone.goto(page.url());
	await hydrated(phone);
	await expect(phone.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await page.getByRole('button', { name: /Open the run again/ }).click();
	await expect(main(phone)).toContainText('Bag, press out the air');
	// The entry waits, and its label leads to the run.
	await other.close();
});

test('an unlikely figure is asked about, and one tap keeps it', async ({ page, home }) => {
	void home;
	await page.goto('/basket');
	await hydrated(page);
	const line = page.getByRole('textbox', { name: /What came in/ });
	await line.fill('1,000 kg carrots');
	await expect(page.getByText('1000 kg of carrots: is that right?')).toBeVisible();
	// Enter does not keep it by itself.
	await line.press('Enter');
	await expect(page.getByText(/say that it is, or change the line/)).toBeVisible();
	await page.getByRole('button', { name: 'No: 1 kg carrots' }).click();
	await line.press('Enter');
	await expect(page.getByText('carrots in the basket')).toBeVisible();
	await expect(page.getByText('1.0 kg', { exact: true })).toBeVisible();

	await startRun(page, 'runner beans');
	await press(page);
	await page.getByLabel(/ready, weighed/).fill('790 g');
	await press(page);
	await expect(page.getByText(/790 g weighed, where about/)).toBeVisible();
	await page.getByRole('button', { name: 'No, let me change it' }).click();
	await page.getByLabel(/ready, weighed/).fill('7.9 kg');
	await press(page);
	await expect(page.getByText(/Last: weighed 7.9 kg/)).toBeVisible();
});

test('Space held down answers nothing twice, and keys with Ctrl or Alt are the browser’s', async ({ page, home }) => {
	void home;
	await startRun(page, 'runner beans');
	await press(page);
	await press(page);
	await expect(main(page)).toContainText('Waiting for the boil');
	await page.locator('main').focus();
	await page.keyboard.down('Space');
	for (let i = 0; i < 5; i++) await page.keyboard.down('Space');
	await page.keyboard.up('Space');
	await expect(page.getByRole('button', { name: /Yes, early/ })).toBeVisible();
	await expect(main(page)).toContainText('Waiting for the boil');
	await page.keyboard.press('Control+u');
	await page.keyboard.press('Alt+u');
	await page.waitForTimeout(300);
	await expect(page.getByText(/Last: weighed/)).toBeVisible();
	await page.keyboard.press('u');
	await expect(page.getByText(/Last: pot on/)).toBeVisible();
});

test('what the server does not take lies in the tray and holds up nothing', async ({ page, home, sql }) => {
	void home;
	await startRun(page, 'runner beans');
	const id = page.url().split('/').pop() ?? '';
	// A tap that the server fails over, as long as it likes.
	await page.route('**/events', async (route) => {
		const body = route.request().postDataJSON() as { events: { type: string }[] } | null;
		if (body?.events.some((e) => e.type === 'weigh'))
			return route.fulfill({
				status: 422,
				contentType: 'application/json',
				body: JSON.stringify({ error: { code: 'BAD_INPUT', message: 'No such weight.', faults: [] } })
			});
		return route.continue();
	});
	await press(page);
	await press(page);
	await expect(page.getByRole('region', { name: 'Taps that were not kept' })).toContainText(
		'weighed 7.83 kg: No such weight.'
	);
	await page.getByRole('button', { name: 'Undo U' }).click();
	await expect
		.poll(async () =>
			(await sql`select event->>'type' as t from run_event where run_id = ${id} order by seq`).map((r) => r.t as string)
		)
		.toEqual(['heat-on', 'undo']);
	await page.unroute('**/events');
	await page.getByRole('button', { name: 'Send it again' }).click();
	await expect(page.getByRole('region', { name: 'Taps that were not kept' })).toHaveCount(0);
	await expect
		.poll(
			async () =>
				(await sql`select count(*)::int as n from run_event where run_id = ${id} and event->>'type' = 'weigh'`)[0]?.n
		)
		.toBe(1);
});

test('a form in a tab of another household writes nothing, and a kitchen that was cleared is told', async ({
	page,
	home,
	context,
	baseURL,
	sql
}) => {
	const origin = baseURL ?? '';
	await page.goto('/basket');
	await hydrated(page);
	// In a second tab one goes into another household.
	const cookies = await context.cookies();
	await postForm(context.request, origin, '/kitchen/house?/newHousehold', { name: 'Beside' });
	await page.getByRole('textbox', { name: /What came in/ }).fill('3 kg leeks');
	await page.getByRole('textbox', { name: /What came in/ }).press('Enter');
	await expect(page.getByText(/This page was opened in another household/)).toBeVisible();
	expect(await page.getByRole('textbox', { name: /What came in/ }).inputValue()).toBe('3 kg leeks');
	expect(
		(
			await sql`select count(*)::int as n from lot where food = 'leeks' and said = '3 kg leeks' and household_id in (select id from household where name = 'Beside' or id = ${home.id})`
		)[0]?.n
	).toBe(0);
	// Clear, sent twice from two devices with the same page before them: one household goes, no other.
	await context.clearCookies();
	await context.addCookies(cookies);
	const clear = { household: home.id, sure: 'yes', name: 'Harrow End', key: randomUUID() };
	const twice = await Promise.all(
		[1, 2, 3].map(() =>
			context.request.post('/kitchen/house?/clear', {
				form: clear,
				headers: {
					origin,
					cookie: `household=${home.cookie}`,
					'x-sveltekit-action': 'true',
					accept: 'application/json'
				}
			})
		)
	);
	const said = await Promise.all(twice.map((r) => r.text()));
	expect(said.filter((t) => t.includes('"type":"success"'))).toHaveLength(1);
	expect((await sql`select count(*)::int as n from household where name = 'Beside'`)[0]?.n).toBe(1);
	expect((await sql`select count(*)::int as n from household where id = ${home.id}`)[0]?.n).toBe(0);
	// The browser that still holds the old cookie.
	await context.clearCookies();
	await context.addCookies(cookies);
	await page.goto('/basket');
	await expect(page.getByRole('heading', { name: /kitchen is not here any more/ })).toBeVisible();
	await page.getByRole('button', { name: /Go on in/ }).click();
	await page.waitForURL(/\/basket/);
	await hydrated(page);
});

test('all of it in pounds is all of it, though it is rounded up to be shown; the Book goes on within a day', async ({
	page,
	home,
	context,
	baseURL,
	sql
}) => {
	const origin = baseURL ?? '';
	await sql`update household set units = 'us' where id = ${home.id}`;
	await postForm(context.request, origin, '/basket?/add', { text: '9100 g carrots' });
	await page.goto('/basket');
	await hydrated(page);
	await page
		.getByRole('button', { name: /More for carrots/i })
		.first()
		.click();
	const ways = await page.getByRole('link', { name: 'Ways for carrots' }).getAttribute('href');
	const reply = await context.request.get(`${ways}?grams=${encodeURIComponent('20.1 lb')}`);
	expect(await reply.text()).not.toContain('worked out without it');
	await page.getByRole('button', { name: 'Eaten fresh' }).first().click();
	await expect(page.getByText(/carrots taken/).first()).toBeVisible();
	await expect(page.getByRole('link', { name: 'Ways for carrots' })).toHaveCount(0);
	// Ninety entries of one day, forty to the page.
	await sql`insert into batch (id, household_id, code, food, form, cut, way, title, packed_on, keeps_until, use_words, closing, created_at)
		select gen_random_uuid(), household_id, 'DAY' || n, food, form, cut, way, 'Day entry ' || n, '2026-05-05', keeps_until, use_words, closing, created_at from batch, generate_series(1, 90) n where household_id = ${home.id} and code = 'DEMO2'`;
	const seen = new Set<string>();
	await page.goto('/book?q=Day+entry');
	for (let i = 0; i < 4; i++) {
		for (const t of await page.getByText(/^Day entry \d+/).allInnerTexts()) seen.add(t);
		const older = page.getByRole('link', { name: 'Older ones' });
		if ((await older.count()) === 0) break;
		const before = page.url();
		await older.click();
		// A page of the application's own navigation: its entries are there when its address is.
		await page.waitForURL((url) => url.href !== before);
	}
	expect(seen.size).toBe(90);
});
