import type { Page } from '@playwright/test';
import { expect, hydrated, openWay, test, toWays as ways } from './help';

const list = (page: Page) => page.getByRole('navigation', { name: /^All ways of/ });
const facts = (page: Page) => page.locator('dl.facts');
/** What the open way is explained by. */
async function why(page: Page): Promise<void> {
	await page.getByRole('link', { name: /^why:/ }).click();
	await page.waitForURL(/\/why/);
	await hydrated(page);
}
const hours = async (page: Page) => Number(((await facts(page).innerText()).match(/about (\d+) h/) ?? ['', '0'])[1]);

test('every way stands beside the others, with what it gives and takes; what explains one is a word away', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'tomatoes');
	await expect(list(page).getByRole('link', { name: /^Freeze raw/ })).toContainText(/\d+ packs/);
	await expect(list(page).getByRole('link', { name: /^Blanch and dry/ })).toContainText(/\d+ jars/);
	await expect(list(page).getByRole('link', { name: /^Tomatoes, crushed/i })).toContainText(/\d+ quarts/);
	await openWay(page, /^Freeze raw/);
	await why(page);
	const costs = page.getByRole('region', { name: 'What it takes and costs' });
	await expect(costs).toContainText(/Energy to keep it.*kWh a month/);
	await costs.getByLabel('a shop’s price a kilo, EUR').fill('2,40');
	await costs.getByLabel('a shop’s price a kilo, EUR').blur();
	await expect(page).toHaveURL(/shop=2/);
	await expect(costs).toContainText('Against the shop');
	// A price that is none is said, and what was typed stays.
	await page.goto(page.url().replace(/shop=2[^&]*/, 'shop=cheap'));
	await expect(costs.getByRole('alert')).toContainText('“cheap” is no amount of money');
	await expect(costs.getByLabel('a shop’s price a kilo, EUR')).toHaveValue('cheap');
});

test('thickness and blanching move the dryer’s hours at once, and are there again after leaving', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'courgettes');
	await openWay(page, /^Blanch and dry/);
	const printed = await hours(page);
	await page.getByLabel('cut', { exact: true }).selectOption({ label: '12 mm' });
	await expect.poll(() => hours(page)).toBeGreaterThan(printed);
	const thick = await hours(page);
	await page.goto('/basket');
	await ways(page, 'courgettes');
	await openWay(page, /^Blanch and dry/);
	expect(await hours(page)).toBe(thick);
	await page.getByLabel('blanched', { exact: true }).selectOption('no');
	await expect.poll(() => hours(page)).toBeGreaterThan(thick);
	// Both are kept together.
	await expect(page.getByLabel('cut', { exact: true })).toHaveValue('12');
	await why(page);
	const dryer = page.getByRole('region', { name: 'In the dryer' });
	await expect(dryer).toContainText('use it within a month');
	// The curve says the same in words, and as a table.
	await expect(dryer.getByRole('img')).toHaveAccessibleName(/Of 100 g that go on, \d+ g are left/);
	await dryer.getByText('as a table').click();
	await expect(dryer.getByRole('table', { name: 'What is left on the tray' })).toContainText('100');
	await expect(page.getByText('With what else of the basket?')).toBeVisible();
});

test('the pack and the freezer are solved off the page, drawn and said; thicker takes longer', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await ways(page, 'runner beans');
	await why(page);
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
	await why(page);
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
	await openWay(page, /^tomatoes, whole or halved in water/i);
	await page.getByRole('radio', { name: 'raw' }).check();
	await expect(page.getByText('Raw pack')).toBeVisible();
	await page.reload();
	await hydrated(page);
	await expect(page.getByRole('radio', { name: 'raw' })).toBeChecked();
	await why(page);
	await expect(
		page
			.getByRole('list')
			.filter({ hasText: /process/i })
			.first()
	).toContainText(/wait/i);
	await expect(page.getByText(/A load of 7 quarts, .*takes/)).toBeVisible();
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
	// Its hours in the cold are part of it: from the pot to away.
	await expect(page.getByRole('img', { name: /Cold: cools, \d+ min/ })).toBeVisible();
	await expect(list(page)).toContainText('no weight to a jar');
	await why(page);
	const cooling = page.getByRole('region', { name: /^Cooling 8.0 L/ });
	await expect(cooling.getByRole('row', { name: /straight into the fridge/ })).toContainText('too slow');
	await expect(cooling.getByRole('row', { name: /ice water up to the level/ })).toContainText('in time');
	await expect(cooling).toContainText('A thermometer in the middle decides');
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
	const packed = page.getByLabel('packed', { exact: true });
	await openWay(page, /^Steam/);
	// Grated and pressed flat in bags, as usual; the demo has moulds, so they are offered.
	await expect(packed).toHaveValue('flat');
	await packed.selectOption({ label: 'in moulds, then bagged' });
	await expect(facts(page)).toContainText(/fillings? of/);
	await page.reload();
	await hydrated(page);
	await expect(packed).toHaveValue('mould');
	await openWay(page, /^Blanch \+ freeze/);
	// Rounds take no mould: on the tray, as usual.
	await expect(packed).toHaveValue('tray');
	const pack = page.getByLabel('a pack', { exact: true });
	await pack.fill('400 g + 200 g');
	await pack.blur();
	await expect(page.getByText(/\d+ of 400 g, \d+ of 200 g/).first()).toBeVisible();
	await pack.fill('1 kg + 500 g + 200 g');
	await pack.blur();
	await expect(page.getByRole('alert').first()).toContainText('Two sizes at the most');
	await expect(pack).toHaveValue('1 kg + 500 g + 200 g');
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
	await expect(page.getByText(/\$\d/).first()).toBeVisible();
	await expect(list(page)).toContainText('no dryer in the Kitchen');
});
