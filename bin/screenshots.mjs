/** `npm run screenshots`: takes docs/screenshots anew, with the demo on a fixed morning in August. Look at them after. */
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { answers, startApp } from './lib/app.mjs';
import { ensureBuild } from './lib/build.mjs';
import { chromiumPath, ensureChromium, ensurePackages } from './lib/install.mjs';
import { freePort, startPostgres } from './lib/postgres.mjs';
import { Plain, fail, root, say } from './lib/say.mjs';

/** @type {(() => Promise<void>)[]} */
const stops = [];
try {
	await ensurePackages();
	await ensureChromium();
	await ensureBuild();
	const database = await startPostgres({ name: 'pg-shots', throwaway: true });
	stops.push(database.stop);
	const port = await freePort();
	const origin = `http://127.0.0.1:${port}`;
	const app = startApp({ databaseUrl: database.url, host: '127.0.0.1', port, origin, extra: { ROOT_JAR_TEST: '1' } });
	stops.push(app.stop);
	if (!(await answers(`${origin}/basket`, 60_000, app.exited))) throw new Plain('The application did not start.');

	const { chromium } = await import('@playwright/test');
	const browser = await chromium.launch({
		executablePath: chromiumPath(),
		args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking']
	});
	stops.push(() => browser.close());
	const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: origin });
	const page = await context.newPage();
	let now = Date.parse('2026-08-25T11:40:00+02:00');
	const at = async (/** @type {number} */ seconds) => {
		// A tap on its way is sent first: it was made before the clock was moved.
		await page.waitForTimeout(300);
		now += seconds * 1000;
		await context.addCookies([{ name: 'clock', value: new Date(now).toISOString(), url: origin }]);
	};
	const post = async (/** @type {string} */ path, /** @type {Record<string, string>} */ form) => {
		const page = await (await context.request.get('/kitchen')).text();
		const household = /name="household" value="([^"]+)"/.exec(page)?.[1] ?? '';
		return context.request.post(path, {
			form: { household, key: randomUUID(), ...form },
			headers: { origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
	};
	const shot = async (/** @type {string} */ name) => {
		await page.waitForTimeout(250);
		await page.screenshot({ path: join(root, 'docs', 'screenshots', `${name}.png`) });
	};
	const alive = () => page.locator('html[data-alive]').waitFor();
	const open = async (/** @type {string} */ path) => {
		await page.goto(path);
		await alive();
	};

	await at(0);
	await post('/kitchen/house?/newHousehold', { name: 'Harrow End', key: randomUUID() });
	await post('/kitchen/house?/demo', { name: 'Harrow End' });
	await open('/basket');
	await page.getByRole('textbox', { name: /What came in/ }).fill('3 lb 4 oz peas in the pod');
	await page.getByText(/^= 1[.,]47 kg peas/).waitFor();
	await shot('basket');
	const ways = String(await page.getByRole('link', { name: 'Ways for tomatoes' }).getAttribute('href'));
	await open(`${ways}/can:tomatoes.crushed`);
	await shot('jars');
	await open('/basket');
	await page.getByRole('link', { name: 'Ways for runner beans' }).click();
	await page.getByRole('button', { name: /^Start: Blanch/ }).waitFor();
	await shot('ways');
	await open('/ways');
	await page.getByText('of hands by').waitFor();
	await page.getByText('still looking').waitFor({ state: 'hidden' });
	await shot('haul');
	await open('/stove/new');
	for (const name of ['courgettes', 'kale', 'raspberries']) {
		await page.getByRole('checkbox', { name, exact: true }).check();
		await page.waitForTimeout(500);
	}
	await page.getByRole('button', { name: 'Start', exact: true }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await alive();
	const stove = page.url();
	const big = page.getByRole('region', { name: 'What to do now' }).locator('button:has(.key)');
	const press = async () => {
		const before = await page.getByText(/^(Last:|Nothing tapped)/).innerText();
		await big.click();
		await page.getByText(before, { exact: true }).waitFor({ state: 'detached' });
	};
	const later = async (/** @type {number} */ seconds) => {
		await at(seconds);
		await open(stove);
	};
	/** Does what the page says, until a potful of courgettes is in the ice and the next in the pot. */
	for (let i = 0; i < 200; i++) {
		const top = await page.getByRole('region', { name: 'What to do now' }).innerText();
		if (/potful 3 of/.test(top) && /Blanching/.test(top)) break;
		if (await page.locator('button.btn-full:has(.key)').isVisible()) await press();
		else await later(20);
	}
	await later(70);
	await page.getByRole('timer').waitFor();
	await shot('stove');
	await page.setViewportSize({ width: 390, height: 844 });
	await shot('phone');
	await page.setViewportSize({ width: 1280, height: 800 });
	await open('/shelves');
	await shot('shelves');
	await open('/kitchen');
	await shot('kitchen');
	await open('/shelves');
	const count = await page.locator('a[href^="/shelves/count/"]').first().getAttribute('href');
	await page.setViewportSize({ width: 390, height: 844 });
	await open(String(count));
	await page.getByRole('button', { name: 'one fewer' }).click();
	await shot('shelves-count');
	await page.setViewportSize({ width: 1280, height: 800 });
	await open('/tables/runner-beans');
	await shot('tables-food');
	await open('/stove/meat?basis=boxed&grams=148+kg');
	await page.getByRole('region', { name: 'What it comes to' }).waitFor();
	await shot('meat');

	// On to the end, as the page says.
	await open(stove);
	let packs = 0;
	for (let i = 0; i < 600; i++) {
		const away = page.getByRole('button', { name: /All away/ });
		if (await away.isVisible()) break;
		const book = page.getByRole('region', { name: 'What to do now' }).getByRole('button', { name: 'Book these packs' });
		if (await book.isVisible()) {
			if (packs++ === 0) {
				await page.evaluate(() => window.scrollTo(0, 0));
			}
			await book.click();
			await page.waitForTimeout(400);
		} else if (await page.locator('button.btn-full:has(.key)').isVisible()) await press();
		else await later((await page.locator('h1').innerText()).includes('tray in the freezer') ? 600 : 20);
	}
	await page.getByRole('button', { name: /All away/ }).click();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await page.getByRole('heading', { name: 'The run on the clock' }).waitFor();
	await open('/book');
	await shot('book');
	await open('/book/foods/green-beans');
	await shot('book-food');
	await open('/book/plan');
	await shot('book-plan');
	await open('/supper');
	await shot('supper');
	// A dryer in the afternoon: seven trays in, one of them weighed twice.
	await open(`${ways}/dry`);
	await page
		.getByRole('button', { name: /^Start/ })
		.first()
		.click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	const dryer = page.url();
	const feed = async (/** @type {object[]} */ taps) => {
		const events = taps.map((tap) => ({ ...tap, id: randomUUID(), at: now }));
		const reply = await context.request.post(`${dryer}/events`, { data: { events }, headers: { origin } });
		if (!reply.ok()) throw new Plain(`The dryer was not tapped: ${await reply.text()}`);
	};
	await feed([
		{ type: 'weigh', grams: 3050 },
		{ type: 'first', on: true }
	]);
	await at(120);
	await feed([{ type: 'first', on: false, last: true }]);
	for (const [i, grams] of [405, 390, 398, 385, 395, 380, 372].entries()) {
		await at(180);
		await feed([{ type: 'load', tray: i + 1, slot: 8 - i, grams }]);
	}
	await at(2.6 * 3600);
	await feed([{ type: 'scale', tray: 1, grams: 276 }]);
	await at(3.4 * 3600);
	await feed([{ type: 'turned' }]);
	await feed([{ type: 'scale', tray: 1, grams: 158 }]);
	await at(600);
	await open(dryer);
	await page.getByRole('region', { name: 'Tray 8' }).waitFor();
	await shot('dryer');
	// Potatoes under pressure, held for a quarter of an hour by what the weight does.
	await open('/basket');
	const potatoes = String(await page.getByRole('link', { name: 'Ways for potatoes' }).getAttribute('href'));
	const asked = `lot=${potatoes.split('/').pop()}&style=hot&jar=pint&jars=18&by=eye`;
	await open(`/stove/can?${asked}`);
	await page.getByRole('button', { name: 'Start', exact: true }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	const canner = page.url();
	const can = async (/** @type {number} */ minutes, /** @type {object[]} */ taps) => {
		await at(minutes * 60);
		const events = taps.map((tap) => ({ ...tap, id: randomUUID(), at: now }));
		const reply = await context.request.post(`${canner}/events`, { data: { events }, headers: { origin } });
		if (!reply.ok()) throw new Plain(`The canner was not tapped: ${await reply.text()}`);
	};
	const load = { load: 1 };
	await can(5, [{ type: 'all-there' }, { type: 'as-printed', product: 1, word: 'yes' }]);
	await can(25, [{ type: 'filled', ...load, product: 1, jars: 9 }]);
	await can(3, [{ type: 'lid-on', ...load }]);
	await can(9, [{ type: 'venting', ...load }]);
	await can(10.1, [{ type: 'weight-on', ...load }]);
	await can(6, [{ type: 'gauge', ...load, weight: 'moves' }]);
	for (let i = 0; i < 2; i++) await can(5, [{ type: 'gauge', ...load, weight: 'moves' }]);
	await at(2.4 * 60);
	await open(canner);
	await page.getByRole('timer').waitFor();
	await shot('canner');
	await open(`/stove/rehearsal?${asked}`);
	await page.getByRole('button', { name: 'Begin the rehearsal' }).click();
	for (const name of [/^All there/, /^Just so/, /^Not weighed/, /^All \d+ are in/, /^Lid on/])
		await page.locator('main').getByRole('button', { name }).click();
	await page.getByRole('button', { name: '60×' }).click();
	await page
		.getByText(/steam comes in a steady stream/)
		.first()
		.waitFor({ timeout: 30_000 });
	await shot('rehearsal');
	// Mince into bags: the first lot is filled and on the table.
	await post('/basket?/add', { text: '20 kg ground beef in the fridge', sure: 'yes' });
	await open('/basket');
	const mince = String(await page.getByRole('link', { name: 'Ways for ground beef' }).getAttribute('href'));
	await open(`/stove/seal?lot=${mince.split('/').pop()}&pack=500&size=20x12x3`);
	await page.getByRole('button', { name: 'Start', exact: true }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	const sealer = page.url();
	const seal = async (/** @type {number} */ minutes, /** @type {object[]} */ taps) => {
		await at(minutes * 60);
		const events = taps.map((tap) => ({ ...tap, id: randomUUID(), at: now }));
		const reply = await context.request.post(`${sealer}/events`, { data: { events }, headers: { origin } });
		if (!reply.ok()) throw new Plain(`The sealer was not tapped: ${await reply.text()}`);
	};
	await seal(12, [{ type: 'bags-ready' }]);
	await seal(1, [{ type: 'round-out', round: 1 }]);
	await seal(11, [{ type: 'round-filled', round: 1, bags: 14 }]);
	await open(sealer);
	await page.getByText('seal all 14 bags').first().waitFor();
	await shot('sealing');
	for (const stop of stops.reverse()) await stop();
	say('docs/screenshots is new. Open each picture and look at it.');
} catch (error) {
	for (const stop of stops.reverse()) await stop();
	fail(error);
}
