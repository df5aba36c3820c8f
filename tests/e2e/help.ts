import { randomUUID } from 'node:crypto';
import AxeBuilder from '@axe-core/playwright';
import { expect, test as base, type APIRequestContext, type BrowserContext, type Page } from '@playwright/test';
import postgres from 'postgres';

/** A form as the page posts it; the answer as the page gets it. */
export interface ActionAnswer {
	type: 'success' | 'failure' | 'redirect' | 'error';
	status: number;
	location?: string;
	data?: string;
	error?: { message: string };
}

export async function postForm(
	request: APIRequestContext,
	origin: string,
	path: string,
	form: Record<string, string>
): Promise<ActionAnswer> {
	// As the page does: the form says which household it is for, and has a key of its own.
	const { cookies } = await request.storageState();
	const said = cookies.find((c) => c.name === 'household' && origin.includes(c.domain))?.value.split('.')[0];
	const household = said ?? /name="household" value="([^"]+)"/.exec(await (await request.get('/kitchen')).text())?.[1];
	const marks = { key: randomUUID(), ...(household ? { household } : {}) };
	const send = () =>
		request.post(path, {
			form: { ...marks, ...form },
			headers: { origin, 'x-sveltekit-action': 'true', accept: 'application/json' }
		});
	// A line that had rested is closed by the server in the moment in which it is used again: sent once more, with the same
	// key, it is done once.
	const reply = await send().catch((error: unknown) => {
		if (!String(error).includes('ECONNRESET')) throw error;
		return send();
	});
	return (await reply.json()) as ActionAnswer;
}

/** Shifts the server's clock for this browser. */
export class TestClock {
	#shift_s = 0;
	constructor(
		private readonly context: BrowserContext,
		private readonly origin: string
	) {}
	/** @returns the server's time from which on it holds, ms */
	async forward(seconds: number): Promise<number> {
		// A tap on its way is sent first: it was made before the clock was moved.
		for (const page of this.context.pages())
			await page.locator('html:not([data-unsent])').waitFor({ state: 'attached' });
		this.#shift_s += seconds;
		await this.context.addCookies([{ name: 'clock', value: `+${this.#shift_s * 1000}`, url: this.origin }]);
		return Date.now() + this.#shift_s * 1000;
	}
}

interface Fixtures {
	/** A household of its own with the demo in it; this browser's cookie points to it. */
	home: { id: string; cookie: string };
	clock: TestClock;
	sql: postgres.Sql;
	/** What the page complained about; checked at the end. */
	quiet: string[];
}

export const test = base.extend<Fixtures>({
	home: async ({ context, baseURL }, use) => {
		const origin = baseURL ?? '';
		const made = await postForm(context.request, origin, '/kitchen/house?/newHousehold', {
			name: 'Test',
			key: randomUUID()
		});
		expect(made.type).toBe('redirect');
		expect((await postForm(context.request, origin, '/kitchen/house?/demo', { name: 'Test' })).type).toBe('success');
		const cookie = (await context.cookies()).find((c) => c.name === 'household');
		expect(cookie).toBeDefined();
		await use({ id: cookie?.value.split('.')[0] ?? '', cookie: cookie?.value ?? '' });
	},
	clock: async ({ context, baseURL }, use) => {
		await use(new TestClock(context, baseURL ?? ''));
	},
	sql: async ({ playwright }, use) => {
		void playwright;
		const sql = postgres(process.env.E2E_DATABASE_URL ?? '', { max: 2, onnotice: () => {} });
		await use(sql);
		await sql.end();
	},
	quiet: async ({ page }, use) => {
		const said: string[] = [];
		page.on('console', (m) => {
			if (m.type() === 'error') said.push(m.text());
		});
		page.on('pageerror', (e) => said.push(e.message));
		await use(said);
		expect(said).toEqual([]);
	}
});

export { expect };

/** What axe looks for: in the light all of it; in the dark, where only the colours are others, what hangs on colours. */
function axeFor(page: Page, scheme: 'light' | 'dark'): AxeBuilder {
	const axe = new AxeBuilder({ page });
	return scheme === 'light'
		? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
		: axe.withRules(['color-contrast', 'link-in-text-block']);
}

/** Of rows that are all alike the first ten are left: axe takes half a minute over hundreds, and finds the same in each. */
export const thinned = (page: Page): Promise<void> =>
	page.evaluate(() => {
		for (const row of document.querySelectorAll('tbody > tr:nth-child(n + 11), main li:nth-child(n + 11)'))
			row.remove();
	});

/** What axe finds in the light, and of colours in the dark. */
export async function seen(page: Page, what: string): Promise<void> {
	for (const scheme of ['light', 'dark'] as const) {
		await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
		const { violations } = await axeFor(page, scheme).analyze();
		expect(violations.map((v) => `${what}, ${scheme}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
	}
	await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' });
}

/** From the Basket to the ways of an item. */
export async function toWays(page: Page, item: string): Promise<void> {
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('link', { name: `Ways for ${item}` }).click();
	await page.waitForURL(/\/ways\//);
	await hydrated(page);
}

/** Opens a way from the list of all of them. */
export async function openWay(page: Page, name: string | RegExp): Promise<void> {
	const list = page.getByRole('navigation', { name: /^All ways of/ });
	const link = list.getByRole('link', { name }).first();
	// Beyond the first few the list is folded, and so are recipes.
	if (!(await link.isVisible()))
		await list.locator('details').evaluateAll((all) => all.forEach((d) => ((d as HTMLDetailsElement).open = true)));
	await link.click();
	await expect(list.locator('[aria-current=page]').first()).toContainText(name);
}

/** Starts a run of an item, blanched, and gives the page at the Stove. */
export async function startRun(page: Page, item: string, way: RegExp = /^Start: Blanch/): Promise<void> {
	await page.goto('/basket');
	await page.getByRole('link', { name: `Ways for ${item}` }).click();
	await page.waitForURL(/\/ways\//);
	await hydrated(page);
	const start = page.getByRole('button', { name: way }).first();
	if (!(await start.isVisible())) await openWay(page, new RegExp(way.source.replace('^Start: ', '^')));
	await start.click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}/);
	await hydrated(page);
}

/** Waits until the page's own code runs: before, a tap would be lost. */
export async function hydrated(page: Page): Promise<void> {
	await page.locator('html[data-alive]').waitFor();
}

/** So much later, on a page that is looked at again. */
export async function later(page: Page, clock: TestClock, seconds: number): Promise<void> {
	const now = await clock.forward(seconds);
	await page.evaluate(() => document.dispatchEvent(new Event('visibilitychange')));
	await page.waitForFunction((at) => Number(document.documentElement.dataset.asked) >= at, now);
}

/** The one button of a page that begins a run, and its page at the Stove. */
export async function begin(page: Page): Promise<void> {
	await page.getByRole('button', { name: 'Start', exact: true }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
}

/** A line into the Basket; the lot that it became. */
export async function lotOf(page: Page, origin: string, text: string, name: string): Promise<string> {
	const added = await postForm(page.request, origin, '/basket?/add', { text, sure: 'yes' });
	expect(added.type, text).toBe('success');
	await page.goto('/basket');
	await hydrated(page);
	const link = page.getByRole('link', { name: `Ways for ${name}`, exact: true }).last();
	return (await link.getAttribute('href'))?.split('/').pop() ?? '';
}

export const main = (page: Page) => page.getByRole('region', { name: 'What to do now' });
/** Presses the big button, whatever it says just now. */
export async function press(page: Page): Promise<void> {
	await main(page).locator('button:has(.key)').click();
}
