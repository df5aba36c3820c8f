import { spawn, type ChildProcess } from 'node:child_process';
import { createServer } from 'node:net';
import { randomUUID } from 'node:crypto';
import { request as newRequest } from '@playwright/test';
import postgres from 'postgres';
import { expect, hydrated, main, postForm, press, test } from './help';

const url = process.env.KILLED_DATABASE_URL ?? '';

async function freePort(): Promise<number> {
	return new Promise((resolve) => {
		const probe = createServer().listen(0, '127.0.0.1', () => {
			const address = probe.address();
			probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
		});
	});
}

/** A server of this test's own, to be killed without warning. */
async function serve(port: number): Promise<ChildProcess> {
	const origin = `http://127.0.0.1:${port}`;
	const child = spawn(process.execPath, ['bin/lib/serve.mjs'], {
		stdio: 'ignore',
		env: {
			...process.env,
			DATABASE_URL: url,
			HOST: '127.0.0.1',
			PORT: String(port),
			ORIGIN: origin,
			ROOT_JAR_TEST: '1'
		}
	});
	for (let i = 0; i < 300; i++) {
		const up = await fetch(`${origin}/alive`)
			.then((r) => r.ok)
			.catch(() => false);
		if (up) return child;
		await new Promise((r) => setTimeout(r, 100));
	}
	throw new Error('The server did not start.');
}
const kill = (child: ChildProcess) =>
	new Promise<void>((resolve) => {
		if (child.exitCode !== null || child.signalCode !== null) return resolve();
		child.on('exit', () => resolve());
		child.kill('SIGKILL');
	});

test.describe.configure({ mode: 'serial' });

test('the server is killed in the middle of a run: the taps go on, nothing is lost, the clocks are right', async ({
	browser
}) => {
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	let server = await serve(port);
	const context = await browser.newContext({ baseURL: origin });
	try {
		await postForm(context.request, origin, '/kitchen/house?/newHousehold', { name: 'killed', key: randomUUID() });
		await postForm(context.request, origin, '/kitchen/house?/demo', { name: 'killed' });
		const page = await context.newPage();
		await page.goto('/basket');
		await page.getByRole('link', { name: 'Ways for runner beans' }).click();
		await page.getByRole('button', { name: /^Start: Blanch/ }).click();
		await page.waitForURL(/\/stove\//);
		await hydrated(page);
		await press(page);
		await expect(page.getByText(/Last: pot on/)).toBeVisible();
		await page.waitForTimeout(600);
		const heatOn = Date.now();
		await kill(server);
		// Wet hands do not wait for a server.
		await press(page);
		await expect(page.getByText(/kept here/)).toBeVisible();
		server = await serve(port);
		await expect(page.getByText(/kept here/)).toHaveCount(0, { timeout: 20_000 });
		await page.reload();
		await hydrated(page);
		await expect(main(page)).toContainText('Waiting for the boil');
		// The pot's clock went on from its own start, through the crash.
		const shown = (await main(page).getByRole('timer').innerText()).split(':').map(Number);
		const left_s = (shown[0] ?? 0) * 60 + (shown[1] ?? 0);
		const sql = postgres(url, { max: 1 });
		const [run] = await sql`select plan->'pots'->0->>'toBoil_s' as s from run order by created_at desc limit 1`;
		const taps = await sql`select event->>'type' as type from run_event order by seq`;
		await sql.end();
		expect(taps.map((t) => t.type)).toEqual(['heat-on', 'weigh']);
		expect(Math.abs(Number(run?.s) - (Date.now() - heatOn) / 1000 - left_s)).toBeLessThan(4);
	} finally {
		await context.close();
		await kill(server);
	}
});

test('the server is killed in the middle of saves: what was answered is there, once, and nothing by halves', async () => {
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	let server = await serve(port);
	const sql = postgres(url, { max: 2 });
	try {
		const request = await newRequest.newContext({ baseURL: origin });
		await postForm(request, origin, '/kitchen/house?/newHousehold', { name: 'cut off', key: randomUUID() });
		await postForm(request, origin, '/kitchen/house?/demo', { name: 'cut off' });
		const household =
			(await request.storageState()).cookies.find((c) => c.name === 'household')?.value.split('.')[0] ?? '';
		const answered: string[] = [];
		const sent: string[] = [];
		const saving = Array.from({ length: 4 }, async () => {
			for (let i = 0; i < 60; i++) {
				const key = randomUUID();
				sent.push(key);
				const ok = await postForm(request, origin, '/basket?/add', { text: `1 kg onions, note: ${key}`, key })
					.then((a) => a.type === 'success')
					.catch(() => false);
				if (!ok) return;
				answered.push(key);
			}
		});
		// In the middle of it, however fast this machine is: some are answered, others on their way.
		await expect.poll(() => answered.length, { intervals: [5] }).toBeGreaterThan(7);
		await kill(server);
		await Promise.all(saving);
		expect(answered.length).toBeGreaterThan(3);
		expect(sent.length).toBeGreaterThan(answered.length);
		server = await serve(port);
		const notes = async () =>
			(await sql`select note from lot where household_id = ${household} and food = 'onions'`).map(
				(r) => r.note as string
			);
		const there = await notes();
		for (const key of answered) expect(there).toContain(key);
		expect(new Set(there).size).toBe(there.length);
		// No lot without its balance and its movement, and the balance is their sum.
		const [halves] =
			await sql`select count(*)::int as n from lot l left join lot_balance b on b.lot_id = l.id left join (select lot_id, sum(amount) as g from movement group by lot_id) m on m.lot_id = l.id where l.household_id = ${household} and l.food = 'onions' and (b.amount is distinct from m.g or b.amount is distinct from 10000)`;
		expect(halves?.n).toBe(0);
		// Whoever got no answer sends again: still once.
		for (const key of sent.filter((k) => !answered.includes(k)))
			await postForm(request, origin, '/basket?/add', { text: `1 kg onions, note: ${key}`, key });
		expect((await notes()).sort()).toEqual([...sent].sort());
		await request.dispose();
	} finally {
		await sql.end();
		await kill(server);
	}
});

test('the Stove opens from cold without the server on a device that has been there: clocks, taps, codes; all arrives later', async ({
	browser
}) => {
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	let server = await serve(port);
	const context = await browser.newContext({ baseURL: origin, serviceWorkers: 'allow' });
	const sql = postgres(url, { max: 1 });
	try {
		await postForm(context.request, origin, '/kitchen/house?/newHousehold', { name: 'cold', key: randomUUID() });
		await postForm(context.request, origin, '/kitchen/house?/demo', { name: 'cold' });
		let page = await context.newPage();
		await page.goto('/stove/new');
		await hydrated(page);
		for (const name of ['runner beans', 'raspberries']) await page.getByRole('checkbox', { name }).check();
		await expect(page.getByText('2 foods, hands about')).toBeVisible();
		await page.getByRole('button', { name: 'Start', exact: true }).click();
		await page.waitForURL(/stove\/[0-9a-f-]{36}$/);
		await hydrated(page);
		await press(page);
		await expect(main(page)).toContainText('Weigh');
		const address = page.url();
		// Kept on this device: the code, the shell, and this run as it is now.
		await expect
			.poll(() =>
				page.evaluate(
					async (path) => {
						const names = await caches.keys();
						const data = names.find((n) => n.startsWith('data '));
						const found = data ? await (await caches.open(data)).match(path) : undefined;
						return (await found?.text())?.includes('heat-on') ?? false;
					},
					`${new URL(address).pathname}/__data.json`
				)
			)
			.toBe(true);
		await page.close();
		await kill(server);

		page = await context.newPage();
		await page.goto(address);
		await hydrated(page);
		await expect(page.getByRole('complementary', { name: 'Running clocks' })).toContainText('pot to the boil');
		// Two taps, without anybody to tell them to.
		await press(page);
		await press(page);
		await expect(page.getByText(/No connection\. 2\s+taps kept here/)).toBeVisible();
		// Another page is not kept: said inside the application, never the browser's own error.
		await page.goto(`${origin}/book`);
		await expect(page.getByText('this page is not kept on this device')).toBeVisible();
		await expect(page.getByRole('complementary', { name: 'Running clocks' })).toContainText('pot to the boil');
		await page.goto(`${origin}/stove`);
		await expect(main(page)).toBeVisible();
		const before = await sql`select count(*)::int as n from run_event`;
		server = await serve(port);
		await expect
			.poll(async () => (await sql`select count(*)::int as n from run_event`)[0]?.n as number, { timeout: 20_000 })
			.toBe((before[0]?.n as number) + 2);
		const taps = await sql`select event->>'type' as type from run_event order by seq desc limit 3`;
		expect(taps.map((t) => t.type as string).reverse()).toEqual(['heat-on', 'weigh', 'weigh']);
	} finally {
		await sql.end();
		await context.close();
		await kill(server);
	}
});
