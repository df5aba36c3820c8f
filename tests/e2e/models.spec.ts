import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, hydrated, test } from './help';

/** To the Ways of an item of the demo's basket. */
async function ways(page: Page, item: string): Promise<void> {
	await page.goto('/basket');
	await page.getByRole('link', { name: `Ways for ${item}` }).click();
	await page.waitForURL(/\/ways\//);
	await hydrated(page);
}
const list = (page: Page) => page.getByRole('region', { name: 'All ways, for the whole of it' });
const dryer = (page: Page) => page.getByRole('region', { name: 'Into the dryer' });
const hours = async (page: Page) =>
	Number(((await dryer(page).locator('b.head').first().innerText()).match(/\d+/) ?? ['0'])[0]);

test('every way stands beside the others, with what it takes and costs; choices survive a reload', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'tomatoes');
	const rows = list(page).getByRole('row');
	await expect(rows.filter({ hasText: 'Freeze raw' })).toContainText(/packs/);
	await expect(rows.filter({ hasText: 'Blanch and dry' })).toContainText(/jars.*kWh/);
	await expect(rows.filter({ hasText: 'Tomatoes, crushed' })).toContainText(/none to keep/);
	await page.getByLabel('paid for it, EUR').fill('9');
	await page.getByLabel('paid for it, EUR').blur();
	await expect(page).toHaveURL(/paid=9/);
	await page.getByLabel('a shop’s price a kilo').fill('2,40');
	await page.getByLabel('a shop’s price a kilo').blur();
	await expect(page).toHaveURL(/shop=2/);
	await expect(
		list(page)
			.getByText(/under the shop|over the shop/)
			.first()
	).toBeVisible();
	const before = await rows.filter({ hasText: 'Freeze raw' }).innerText();
	await page.reload();
	await hydrated(page);
	expect(await rows.filter({ hasText: 'Freeze raw' }).innerText()).toBe(before);
	// A price that is none is said, and what was typed stays.
	await page.goto(page.url().replace(/paid=9/, 'paid=cheap'));
	await expect(list(page).getByRole('alert')).toContainText('“cheap” is no amount of money');
	await expect(page.getByLabel('paid for it, EUR')).toHaveValue('cheap');
});

test('thickness, skin and blanching move the dryer’s hours at once, and stay in the address', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'courgettes');
	const printed = await hours(page);
	await dryer(page).getByRole('link', { name: '12 mm', exact: true }).click();
	await expect(page).toHaveURL(/mm=12/);
	await expect.poll(() => hours(page)).toBeGreaterThan(printed);
	const thick = await hours(page);
	await page.reload();
	await hydrated(page);
	expect(await hours(page)).toBe(thick);
	await dryer(page)
		.getByRole('link', { name: /^no, soon used/ })
		.click();
	await expect(page).toHaveURL(/mm=12.*blanch=no|blanch=no.*mm=12/);
	await expect.poll(() => hours(page)).toBeGreaterThan(thick);
	await expect(dryer(page)).toContainText('use it within a month');
	// The curve says the same in words, and as a table.
	await expect(dryer(page).getByRole('img')).toHaveAccessibleName(/Of 100 g that go on, \d+ g are left/);
	await dryer(page).getByText('as a table').click();
	await expect(dryer(page).getByRole('table', { name: 'What is left on the tray' })).toContainText('100');
});

test('the pack and the freezer are solved off the page, drawn and said; thicker takes longer', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'runner beans');
	const chart = page.getByRole('figure', { name: 'The temperature inside' });
	await expect(chart).toContainText(/hard to the middle after .*8 cm thick: /);
	const loose = await chart.locator('p').first().innerText();
	await page.getByRole('group', { name: 'frozen as' }).getByRole('link', { name: '50 mm thick' }).click();
	await expect(page).toHaveURL(/pack=50/);
	await expect(chart).toContainText('a pack 50 mm thick: hard to the middle after');
	expect(await chart.locator('p').first().innerText()).not.toBe(loose);
	const week = page.getByRole('figure', { name: 'The freezer over days' });
	await expect(week).toContainText(/packs of \d+ g, a day apart.*warmest old pack gets to −1[2-9]/s);
	await week.getByText('as a table').click();
	await expect(week.getByRole('table')).toContainText('−1');
});

test('long work shows that it works, is stopped, and is begun again', async ({ page, home }) => {
	void home;
	// The worker's code comes late, as on a slow connection.
	await page.route(/workers\/.*\.js/, async (route) => {
		await new Promise((done) => setTimeout(done, 2500));
		await route.continue();
	});
	await ways(page, 'runner beans');
	const working = page.getByRole('status').filter({ hasText: 'Working out the freezer over days' });
	await expect(working.getByRole('progressbar')).toBeVisible();
	await working.getByRole('button', { name: 'Stop' }).click();
	const stopped = page.getByRole('status').filter({ hasText: 'Stopped.' });
	await expect(stopped).toBeVisible();
	await stopped.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByRole('figure', { name: 'The freezer over days' })).toBeVisible({ timeout: 20_000 });
});

test('hot or raw, loads on the clock, and pickings toward a load', async ({ page, home, quiet }) => {
	void home;
	void quiet;
	await ways(page, 'tomatoes');
	const jars = page.getByRole('region', { name: 'Into jars' });
	await expect(jars).toContainText(/A load of 7 quarts, .*takes/);
	await jars.getByRole('group', { name: 'packed' }).getByRole('link', { name: 'raw', exact: true }).click();
	await expect(page).toHaveURL(/style=raw/);
	await expect(jars.getByRole('heading', { name: /hot pack$/ })).toHaveCount(0);
	await jars
		.getByText(/^on the clock/)
		.first()
		.click();
	await expect(jars.getByRole('list').filter({ hasText: 'process' }).first()).toContainText(/wait/);
	await expect(dryer(page).locator('xpath=following-sibling::details[1]')).toContainText(
		'With what else of the basket?'
	);
});

test('a ratio knows what the basket has toward a set, and takes it over in a tap', async ({ page, home, quiet }) => {
	void home;
	void quiet;
	await page.goto('/tables/ratio/tomato-ketchup');
	await hydrated(page);
	await expect(page.getByText(/In the basket: 12.0 kg of tomatoes/)).toContainText(/set/);
	await page.getByRole('link', { name: /12.0 kg of tomatoes/ }).click();
	await expect(page).toHaveURL(/have=12/);
	await expect(page.getByRole('textbox', { name: /how much/ })).toHaveValue(/12/);
	await page.goto('/tables/ratio/strawberry-freezer-jam');
	await expect(page.getByText(/In the basket/)).toHaveCount(0);
});

test('hot stock: what cools it in time and what does not, before it goes into the freezer', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('textbox', { name: /What came in/ }).fill('8 kg chicken stock');
	await page.getByRole('button', { name: /Keep it/ }).click();
	await expect(page.getByRole('row', { name: /chicken stock/i })).toBeVisible();
	await ways(page, 'chicken stock');
	const cooling = page.getByRole('region', { name: /^Cooling 8.0 L/ });
	await expect(cooling.getByRole('row', { name: /straight into the fridge/ })).toContainText('too slow');
	await expect(cooling.getByRole('row', { name: /ice water up to the level/ })).toContainText('in time');
	await expect(cooling).toContainText('A thermometer in the middle decides');
	await expect(list(page).getByRole('row', { name: /stock/i }).last()).toContainText('no weight to a jar');
	await page.goto('/kitchen/places');
	await expect(page.getByText(/Without power, shut, they keep about \d+ h/)).toBeVisible();
});

test('before buying: what the kitchen could still take on, by which day, and what ends it', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await page.goto('/basket');
	await hydrated(page);
	await page.getByText('Could we take more?').click();
	await page.getByLabel('of what').fill('courgettes');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page).toHaveURL(/more=courgettes/);
	const table = page.getByRole('table', { name: /^zucchini, in 3 days|^courgettes, in 3 days/ });
	await expect(table.getByRole('row').nth(1)).toContainText(/kg.*ends with/);
	await page.getByLabel('of what').fill('brocoly');
	await page.getByRole('button', { name: 'Work it out' }).click();
	await expect(page.getByRole('status')).toContainText('Near it: broccoli');
});

test('packs are made as the household makes them: in moulds, flat, in two sizes', async ({ page, home, quiet }) => {
	void home;
	void quiet;
	await ways(page, 'courgettes');
	const table = page.getByRole('table', { name: 'Ways side by side, for the whole item' });
	await page.getByRole('link', { name: 'grated', exact: true }).click();
	const packed = page.getByRole('group', { name: 'packed' });
	// Grated and pressed flat in bags, as usual; the demo has moulds, so they are offered.
	await expect(packed.getByRole('link', { name: 'bagged, frozen flat' })).toHaveAttribute('aria-current', 'true');
	await packed.getByRole('link', { name: 'in moulds, then bagged' }).click();
	await expect(table.getByRole('row', { name: /^To freeze/ })).toContainText(/fillings of/);
	await expect(page).toHaveURL(/packed=mould/);
	await page.reload();
	await page.getByRole('link', { name: 'rounds', exact: true }).click();
	// Rounds take no mould: on the tray, as usual.
	await expect(packed.getByRole('link', { name: 'on the tray, then bagged' })).toHaveAttribute('aria-current', 'true');
	await page.getByLabel('a pack', { exact: true }).fill('400 g + 200 g');
	await page.getByLabel('a pack', { exact: true }).blur();
	await expect(table.getByRole('row', { name: /^You get/ })).toContainText(/packs of 400 g[\s\S]*and \d+ of 200 g/);
	await page.getByLabel('a pack', { exact: true }).fill('1 kg + 500 g + 200 g');
	await page.getByLabel('a pack', { exact: true }).blur();
	await expect(page.getByRole('alert')).toContainText('Two sizes at the most');
});

test('the dryer and the prices are kept, and a fault keeps what was typed', async ({ page, home, quiet }) => {
	void home;
	void quiet;
	await page.goto('/kitchen');
	await hydrated(page);
	// 8 trays of 0.1 m² take 4 kg of what is cut; with more area more.
	const tray = page.locator('details').filter({ hasText: 'Tray dryer' });
	await tray.locator('summary').click();
	await tray.getByLabel('one of them, m²').fill('3');
	await tray.getByRole('button', { name: 'Save Tray dryer' }).click();
	await expect(page.getByRole('alert')).toContainText('One of them must be from 0.01 to 2 m²');
	await expect(tray.getByLabel('one of them, m²')).toHaveValue('3');
	await tray.getByRole('button', { name: 'Remove Tray dryer' }).click();
	await expect(page.getByText('Removed: saved')).toBeVisible();
	await page.getByRole('link', { name: 'House and prices' }).click();
	await page.getByLabel('a kilowatt-hour').fill('dear');
	await page.getByRole('button', { name: 'Save the prices' }).click();
	await expect(page.getByRole('alert')).toContainText('A kilowatt-hour: write money such as 0.31');
	await expect(page.getByLabel('a kilowatt-hour')).toHaveValue('dear');
	await page.getByLabel('a kilowatt-hour').fill('0.4215');
	await page.getByLabel('currency, three letters').fill('usd');
	await page.getByRole('button', { name: 'Save the prices' }).click();
	await expect(page.getByText('Prices: saved')).toBeVisible();
	await page.reload();
	await expect(page.getByLabel('a kilowatt-hour')).toHaveValue('0.4215');
	await ways(page, 'courgettes');
	await expect(list(page)).toContainText('$');
	await expect(dryer(page)).toContainText('There is no dryer in the Kitchen');
});

for (const scheme of ['light', 'dark'] as const)
	test(`Ways with everything open: axe finds nothing, ${scheme}; fits a phone`, async ({ page, home }) => {
		void home;
		test.slow();
		await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
		await ways(page, 'tomatoes');
		await expect(page.getByRole('figure', { name: 'The freezer over days' })).toBeVisible();
		await page.evaluate(() => document.querySelectorAll('details').forEach((d) => (d.open = true)));
		const { violations } = await new AxeBuilder({ page })
			.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
			.analyze();
		expect(violations.map((v) => `${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
		await page.setViewportSize({ width: 390, height: 844 });
		const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
		expect(wide).toBeLessThanOrEqual(0);
	});
