import { readdirSync, readFileSync } from 'node:fs';
import { v7 as uuidv7 } from 'uuid';
import { expect, hydrated, openWay, seen, test, toWays } from './help';

/** Ways as one decision: of everything that a household may hold, at a desk and on a phone. */

interface Held {
	readonly food: string;
	readonly form: string;
	readonly state: string;
}

/** Lots of each, beside the demo's own, and the addresses of their ways. */
async function hold(sql: import('postgres').Sql, household: string, held: readonly Held[]): Promise<string[]> {
	const [place] = await sql`select id from place where household_id = ${household} and kind = 'fridge' limit 1`;
	const rows = held.map(({ food, form, state }) => ({
		id: uuidv7(),
		household_id: household,
		food,
		form,
		state,
		place_id: place?.id as string,
		condition: 'firm',
		identified: true,
		reader: 99,
		said: `4 kg ${food}`,
		note: '',
		title: food,
		waiting: true,
		since: new Date(),
		created_at: new Date()
	}));
	await sql`insert into lot ${sql(rows)}`;
	await sql`insert into lot_balance ${sql(rows.map(({ id, household_id }) => ({ lot_id: id, household_id, amount: 40_000 })))}`;
	return rows.map((r) => `/ways/${r.id}`);
}

const folder = new URL('../../src/reference/foods/', import.meta.url);
const foodRows = readdirSync(folder)
	.filter((f) => f.endsWith('.json'))
	.flatMap((f) => JSON.parse(readFileSync(new URL(f, folder), 'utf8')) as { id: string; forms: { id: string }[] }[]);
const fresh = foodRows.map((f) => ({ food: f.id, form: f.forms[0]?.id ?? 'whole', state: 'fresh' }));
const others = foodRows.flatMap((f) => [
	...f.forms.slice(1).map((form) => ({ food: f.id, form: form.id, state: 'fresh' })),
	...['prepared', 'cooked', 'frozen', 'thawed', 'soaked'].map((state) => ({ food: f.id, form: f.forms[0]?.id ?? 'whole', state })) // prettier-ignore
]);

const screens = [
	{ where: 'at a desk', width: 1280, height: 800 },
	{ where: 'on a phone', width: 390, height: 844 }
] as const;

test('Start or why not in sight, two screens at the most, nothing sideways, of every food, at a desk and on a phone', async ({
	page,
	home,
	sql
}) => {
	test.setTimeout(process.env.WAYS_ALL ? 900_000 : 300_000);
	// Another handful of forms and states each time; which, is said when it fails.
	const seed = Number(process.env.WAYS_SEED ?? Date.now() % 1000);
	const some = process.env.WAYS_ALL ? others : others.filter((_, i) => i % 12 === seed % 12);
	const held = [...fresh, ...some];
	const paths = await hold(sql, home.id, held);
	const bad: string[] = [];
	await page.goto(paths[0] ?? '');
	await hydrated(page);
	for (const [i, path] of paths.entries()) {
		// As a click on a link goes there; a whole load for each of them would take minutes.
		const at = await page.evaluate(async (to) => {
			const frame = () => new Promise((done) => requestAnimationFrame(done));
			const link = document.createElement('a');
			link.style.display = 'none';
			link.href = to;
			document.body.append(link);
			link.click();
			link.remove();
			const until = performance.now() + 10_000;
			while (location.pathname !== to && performance.now() < until) await frame();
			await frame();
			return location.pathname;
		}, path);
		// Every other food the other way round: the screen is changed once for each.
		for (const { where, width, height } of i % 2 === 0 ? screens : [...screens].reverse()) {
			if (page.viewportSize()?.width !== width) await page.setViewportSize({ width, height });
			const one = await page.evaluate(() => {
				const box = document.querySelector('[data-start], .struck, #stopped-title')?.getBoundingClientRect();
				return {
					inner: innerWidth,
					bottom: box && box.height > 0 ? box.bottom + scrollY : Infinity,
					height: document.documentElement.scrollHeight,
					wide: document.documentElement.scrollWidth - innerWidth
				};
			});
			const what = `${held[i]?.food}, ${held[i]?.form}, ${held[i]?.state}, ${where} (seed ${seed})`;
			if (at !== path || one.inner !== width) bad.push(`${what}: never came`);
			if (one.bottom > height) bad.push(`${what}: Start ends at ${Math.round(one.bottom)}`);
			if (one.height > height * 2) bad.push(`${what}: ${one.height} high`);
			if (one.wide > 0) bad.push(`${what}: ${one.wide} px too wide`);
		}
	}
	expect(bad).toEqual([]);
});

test('axe finds nothing on any kind of way, in light or dark', async ({ page, home, sql }) => {
	test.setTimeout(180_000);
	const [tomatoes = '', beef = '', morels = ''] = await hold(sql, home.id, [
		{ food: 'tomatoes', form: 'whole', state: 'fresh' },
		{ food: 'beef', form: 'boneless', state: 'fresh' },
		{ food: 'morels', form: 'whole', state: 'fresh' }
	]);
	const found = await page.request.get(tomatoes);
	const ways = [
		...new Set([...(await found.text()).matchAll(/href="(\/ways\/[^"]+\/[^"]+)"/g)].map((m) => m[1] ?? ''))
	];
	const together = `/ways/together?lot=${tomatoes.split('/')[2]}&lot=${beef.split('/')[2]}`;
	const own = ways.filter((w) => w.startsWith(tomatoes)).slice(0, 7);
	for (const path of [
		...own,
		`${tomatoes}/blanch`,
		beef,
		morels,
		`${tomatoes}/raw/why`,
		`${tomatoes}/dry/why`,
		together
	]) {
		const reply = await page.goto(path);
		if (reply?.status() === 404) continue;
		await hydrated(page);
		await seen(page, path);
	}
});

test('from a typed line to a started run: three taps on a phone, in under twenty seconds', async ({ page, home }) => {
	void home;
	await page.setViewportSize({ width: 390, height: 844 });
	await page.goto('/basket');
	await hydrated(page);
	const began = Date.now();
	await page.getByRole('textbox', { name: /What came in/ }).fill('2 kg spinach');
	await page.getByRole('button', { name: /Keep it/ }).click();
	await page.getByRole('link', { name: 'Ways for spinach' }).click();
	const start = page.getByRole('button', { name: /^Start: Blanch/ });
	await expect(start).toBeInViewport();
	await start.click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}/);
	await expect(page.getByRole('region', { name: 'What to do now' })).toBeVisible();
	expect(Date.now() - began).toBeLessThan(20_000);
});

test('six Tabs at the most to Start, and nothing shifts after the first paint', async ({ page, home }) => {
	void home;
	for (const [width, height] of [
		[1280, 800],
		[390, 844]
	] as const) {
		await page.setViewportSize({ width, height });
		await page.goto('/basket');
		const href = await page.getByRole('link', { name: 'Ways for tomatoes' }).getAttribute('href');
		await page.goto(`${href}/raw`);
		const shift = await page.evaluate(async () => {
			let sum = 0;
			new PerformanceObserver((list) => {
				for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[]) sum += entry.value;
			}).observe({ type: 'layout-shift', buffered: true });
			await new Promise((done) => setTimeout(done, 1200));
			return sum;
		});
		expect(shift, `${width} px`).toBeLessThan(0.02);
		await hydrated(page);
		// Past the places by the first link of every page.
		await page.keyboard.press('Tab');
		await page.keyboard.press('Enter');
		let tabs = 1;
		const focused = () => page.evaluate(() => document.activeElement?.hasAttribute('data-start') ?? false);
		while (!(await focused()) && tabs < 20) {
			await page.keyboard.press('Tab');
			tabs++;
		}
		expect(tabs, `${width} px`).toBeLessThanOrEqual(6);
	}
});

test('the kilos are shared out between ways: each with its packs, each Start with its share, undone by one button', async ({
	page,
	home,
	sql,
	quiet
}) => {
	void quiet;
	await toWays(page, 'tomatoes');
	await page.keyboard.press('p');
	await page.keyboard.press('Enter');
	const rule = page.getByRole('region', { name: 'Shared out' });
	await expect(rule).toContainText('6.01 kg');
	// Pushed to 7 kg: the figure of the way follows, and the rest stays free.
	const mark = rule.getByRole('slider');
	await mark.fill('7000');
	await expect(rule).toContainText(/5\.0\d kg for no way yet/);
	await openWay(page, /^Blanch and dry/);
	await page.getByRole('button', { name: /^Part of it/ }).click();
	await expect(rule.getByRole('slider')).toHaveCount(2);
	await expect(rule).not.toContainText('for no way yet');
	await expect(rule).toContainText(/5\.0\d kg[\s\S]*jars/);
	await page.reload();
	await hydrated(page);
	await expect(rule.getByRole('slider')).toHaveCount(2);
	await openWay(page, /^Freeze raw/);
	// Worked by hand: 7 kg, 97 % of them left, are 6.79 kg.
	await expect(page.locator('dl.facts')).toContainText('6.79 kg');
	await page.getByRole('button', { name: /^Start: Freeze raw/ }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}/);
	const [run] =
		await sql`select plan from run where household_id = ${home.id} and status = 'open' order by created_at desc limit 1`;
	expect((run?.plan as { subjects: { raw_g: number }[] }).subjects[0]?.raw_g).toBe(7000);
	// What is at the stove is shared out no more; the dryer keeps its five.
	await toWays(page, 'tomatoes');
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/5\.0\d? kg/);
	await expect(rule.getByRole('slider')).toHaveCount(1);
	await rule.getByRole('button', { name: /Share nothing out/ }).click();
	await expect(rule).toHaveCount(0);
});

test('what was done without the Stove is written down: jars on the shelf, kilos out of the Basket, one step back', async ({
	page,
	home,
	sql
}) => {
	await toWays(page, 'courgettes');
	await openWay(page, /^Blanch and dry/);
	await page.getByText('done: write it down').click();
	const form = page.getByRole('form', { name: 'What came of it' });
	await expect(form.getByLabel('what came of it')).toHaveValue(/^\d+ × 1 quart jars dried courgettes$/);
	await form.getByLabel('what came of it').fill('2 × 1 quart jars dried courgettes');
	await form.getByLabel('of it went in').fill('3 kg');
	await form.getByRole('button', { name: 'Write it down' }).click();
	await expect(page.getByText(/courgettes.* in Pantry|in Pantry/i).first()).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('500 g');
	const [entry] =
		await sql`select raw_g::int as raw, made_by from batch where household_id = ${home.id} order by created_at desc limit 1`;
	expect(entry).toEqual({ raw: 3000, made_by: 'hand' });
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('3.5 kg');
});

test('several ticked in the Basket open as one: the pot, the dryer and what they save', async ({ page, home }) => {
	void home;
	await page.goto('/basket');
	await hydrated(page);
	for (const name of ['runner beans', 'sweetcorn'])
		await page.getByRole('checkbox', { name: `${name}, together with others` }).check();
	await page.getByRole('button', { name: 'Ways of these 2 together' }).click();
	await page.waitForURL(/\/ways\/together\?/);
	await expect(page.getByRole('heading', { name: /^One pot/ })).toBeVisible();
	await expect(page.getByText('of heating saved')).toBeVisible();
	await page.getByRole('link', { name: 'Start an evening with these' }).click();
	await page.waitForURL(/\/stove\/new\?/);
	await expect(page.getByRole('checkbox', { name: 'sweetcorn', exact: true })).toBeChecked();
});
