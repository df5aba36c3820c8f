import type { Page } from '@playwright/test';
import { expect, hydrated, later, main, openWay, postForm, press, test, toWays, type TestClock } from './help';

/** Drying on a controlled clock, with hand-worked numbers: from the first tray to the labelled jar and its first use. */

async function haul(page: Page, origin: string, lines: readonly string[]): Promise<Record<string, string>> {
	const found: Record<string, string> = {};
	for (const text of lines)
		expect((await postForm(page.context().request, origin, '/basket?/add', { text })).type, text).toBe('success');
	await page.goto('/basket');
	await hydrated(page);
	for (const link of await page.getByRole('link', { name: /^Ways for / }).all()) {
		const name = (await link.getAttribute('aria-label')) ?? (await link.innerText());
		found[name.replace('Ways for ', '')] = ((await link.getAttribute('href')) ?? '').split('/').pop() ?? '';
	}
	return found;
}

const field = (page: Page, label: RegExp) => main(page).getByLabel(label).first();
const hour = 3600;
const sentence = (page: Page) => main(page).getByRole('heading', { level: 1 });

/** Fills what the act asks for, and taps its button. */
async function say(page: Page, label: RegExp, value: string): Promise<void> {
	await field(page, label).fill(value);
	await press(page);
}

/** Through what comes before the trays: weighed, and the printed heat where there is one. */
async function ready(page: Page, clock: TestClock, weights: readonly string[]): Promise<void> {
	for (const weight of weights) {
		await expect(sentence(page)).toContainText(/Make it ready|Onto the trays/);
		await say(page, /ready, weighed/, weight);
	}
	for (let i = 0; i < 6 && /Into the|First into/.test(await sentence(page).innerText()); i++) {
		await press(page);
		await later(page, clock, hour * 0.15);
		await main(page).getByRole('button', { name: 'Out: the last of it' }).click();
	}
}

test('apples and tomatoes in one load: three weighings narrow the forecast, one tray is pulled, jars, shelf, first use, and next time it is this kitchen’s own', async ({
	page,
	home,
	clock,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(180_000);
	const lots = await haul(page, baseURL ?? '', ['1 kg apples', '800 g carrots']);
	await page.goto(`/ways/together?lot=${lots.apples}&lot=${lots.carrots}`);
	await hydrated(page);
	await page.getByRole('button', { name: 'Start one load with these' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	// Carrots take longer, so they come first: 560 g of 800 g; apples 780 g of the kilo.
	await ready(page, clock, ['360 g', '720 g']);
	await expect(sentence(page)).toContainText('carrots: a tray into place 8');
	await say(page, /on this tray/, '360 g');
	await expect(sentence(page)).toContainText('apples: a tray into place 7');
	await say(page, /on this tray/, '365 g');
	await expect(sentence(page)).toContainText('apples: a tray into place 6');
	await say(page, /on this tray/, '355 g');
	const rack = page.getByRole('region', { name: /On the worktop/ });
	await expect(rack.getByRole('listitem').nth(7)).toContainText('carrots');
	await expect(rack.getByRole('listitem').nth(6)).toContainText('365 g');

	// Apples 85.56 % water, 20 % wanted: 365 g × 0.1444 / 0.8 = 66 g.
	await rack.getByRole('listitem').nth(6).getByRole('button').click();
	const opened = page.getByRole('region', { name: 'Tray 7' });
	await expect(opened).toContainText('dry at 66 g');
	const band = async () => {
		const [, n = '0', unit] = /± ([\d.]+) (h|min)/.exec(await opened.getByRole('heading').innerText()) ?? [];
		return Number(n) * (unit === 'h' ? 60 : 1);
	};
	const widths = [await band()];
	for (const [hours, grams] of [
		[2, '255 g'],
		[2.5, '160 g'],
		[2, '113 g']
	] as const) {
		await later(page, clock, hour * hours);
		await rack.getByRole('listitem').nth(6).getByRole('button').click();
		await opened.getByLabel(/on it now/).fill(grams);
		await opened.getByRole('button', { name: 'Weighed' }).click();
		await expect(page.getByText(new RegExp(`Last: tray 2 weighs ${grams}`))).toBeVisible();
		widths.push(await band());
	}
	expect(widths[3]).toBeLessThan((widths[0] ?? 0) * 0.8);
	// With the tray on the scale: it says so and keeps nothing.
	await opened.getByLabel(/on it now/).fill('675 g');
	await opened.getByRole('button', { name: 'Weighed' }).click();
	await expect(main(page)).toContainText('cannot weigh more');

	// The hand says dry: one tray is pulled, the others go on.
	await later(page, clock, hour * 3);
	await rack.getByRole('listitem').nth(6).getByRole('button').click();
	await opened.getByLabel(/on it now/).fill('67 g');
	await opened.getByRole('button', { name: 'Dry: off it comes' }).click();
	await expect(rack.getByRole('listitem').nth(6)).toContainText('free');
	await expect(rack).toContainText('Off, cooling: apples, 67 g');
	await rack.getByRole('listitem').nth(5).getByRole('button').click();
	await page.getByRole('region', { name: 'Tray 6' }).getByRole('button', { name: 'Dry: off it comes' }).click();
	await later(page, clock, hour * 0.8);
	await rack.getByRole('listitem').nth(7).getByRole('button').click();
	await page.getByRole('region', { name: 'Tray 8' }).getByRole('button', { name: 'Dry: off it comes' }).click();
	await expect(sentence(page)).toContainText('Into jars, two thirds full');
	await main(page).getByLabel('jars').fill('1');
	await main(page).getByRole('button', { name: 'Book these jars' }).click();
	await later(page, clock, hour * 0.8);
	await expect(sentence(page)).toContainText('Into jars, two thirds full');
	await main(page).getByLabel('jars').fill('1');
	await main(page).getByRole('button', { name: 'Book these jars' }).click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await page.getByRole('link', { name: 'in the book' }).first().click();
	await expect(page.getByRole('heading', { name: 'Trays' })).toBeVisible();
	await expect(page.getByText(/times the table’s hours/)).toBeVisible();
	await page.goto('/shelves');
	await hydrated(page);
	await expect(page.getByText(/apples, .*dried/i).first()).toBeVisible();

	// A jar that clumped goes back onto the trays, by the hand alone.
	const [jar] =
		await sql`select l.id from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${home.id} and l.food = 'apples' and l.state = 'dried' and b.amount > 0 and l.batch_id is not null order by l.created_at desc limit 1`;
	const lotId = String(jar?.id);
	const post = (path: string, form: Record<string, string>) =>
		postForm(page.context().request, baseURL ?? '', path, { lotId, ...form });
	expect((await post('/shelves?/look', { kind: 'shake', finding: 'damp' })).type).toBe('success');
	expect((await post('/shelves?/work', { unit: 'pack', amount: '1' })).type).toBe('success');
	const [back] =
		await sql`select l.id from lot l join lot_parent p on p.lot_id = l.id where p.parent_id = ${lotId} and l.waiting limit 1`;
	await page.goto(`/ways/${String(back?.id)}/dry`);
	await hydrated(page);
	await page
		.getByRole('button', { name: /^Start/ })
		.first()
		.click();
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	await expect(main(page)).toContainText(/apples/);
	await main(page).locator('button:has(.key)').click();
	await expect(sentence(page)).toContainText('tray into place');

	// Next time the table is not the last word.
	const again = await haul(page, baseURL ?? '', ['2 kg apples']);
	await page.goto(`/ways/${again.apples}/dry`);
	await hydrated(page);
	await page.getByText('step by step').click();
	await expect(page.getByText(/as your last load did ×/)).toBeVisible();
});

test('berries dipped against whole and halved; carrots in cups; morels only where somebody has said who identified them; a chili for the cold', async ({
	page,
	home,
	clock,
	baseURL,
	quiet
}) => {
	void home;
	void quiet;
	test.setTimeout(120_000);
	const lots = await haul(page, baseURL ?? '', [
		'1 kg blueberries',
		'600 g carrots',
		'300 g morels',
		'2 kg cooked chili con carne'
	]);
	const hours = async (query: string) => {
		await page.goto(`/ways/${lots.blueberries}/dry${query}`);
		await hydrated(page);
		const [, h = '0'] = /about (\d+) h/.exec(await page.locator('body').innerText()) ?? [];
		return Number(h);
	};
	// 24 to 36 h dipped: √(24 × 36) = 29.4, and 2 % more in this kitchen's air: 30. Undipped 2.8 times, 84; halved 0.45, 13½
	// (common practice).
	expect(await hours('')).toBe(30);
	expect(Math.abs((await hours('?skin=undipped')) - 84)).toBeLessThanOrEqual(1);
	expect(Math.abs((await hours('?skin=halved')) - 13.5)).toBeLessThanOrEqual(1);

	await toWays(page, 'carrots');
	await openWay(page, /dry/i);
	await page
		.getByRole('button', { name: /^Start/ })
		.first()
		.click();
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	await ready(page, clock, ['420 g']);
	await field(page, /or in cups/).fill('3 1/2');
	await press(page);
	await expect(page.getByText(/Last: tray into place 8, 875 ml/)).toBeVisible();

	// Nobody has said who saw the morels: no way of them opens.
	const morels = lots[Object.keys(lots).find((name) => /morel/i.test(name)) ?? ''];
	await page.goto(`/ways/${morels}`);
	await hydrated(page);
	await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
	await page.getByRole('button', { name: /Yes, every one/ }).click();
	// Kept, before the page is left.
	await expect(page.getByRole('button', { name: /^Start/ }).first()).toBeVisible();
	await page.goto(`/ways/${morels}/dry`);
	await hydrated(page);
	await page
		.getByRole('button', { name: /^Start/ })
		.first()
		.click();
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	await expect(main(page)).toContainText('Who identified');
	await press(page);
	await expect(main(page)).toContainText('Say who identified it, and by what.');
	await say(page, /who, and by what/, 'the mushroom club, cut through');
	await expect(sentence(page)).toContainText('Make it ready');

	const chili = lots[Object.keys(lots).find((name) => /chil/i.test(name)) ?? ''];
	await page.goto(`/ways/${chili}/dry`);
	await hydrated(page);
	await page
		.getByRole('button', { name: /^Start/ })
		.first()
		.click();
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	await say(page, /ready, weighed/, '1900 g');
	await expect(sentence(page)).toContainText('Heat it through: at least 71.1 °C');
	await say(page, /at its centre/, '60');
	await expect(main(page)).toContainText('not heated through');
	await say(page, /at its centre/, '74');
	await expect(sentence(page)).toContainText('A tray into place');
	// As deep as it may lie; 75 % water, 20 % wanted: 500 g leave 156.
	for (let n = 0; n < 10 && /A tray into place/.test(await sentence(page).innerText()); n++)
		await say(page, /on this tray/, '475 g');
	await later(page, clock, hour * 11);
	for (let n = 0; n < 10 && /Feel tray|Swap the trays/.test(await sentence(page).innerText()); n++) await press(page);
	await later(page, clock, hour * 1);
	// Dried meat and what holds it stand in the cold alone.
	await expect(main(page).getByLabel('into').locator('option', { hasText: 'Pantry' })).toHaveCount(0);
	await main(page).getByLabel('packs', { exact: true }).fill('2');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await expect(page.getByText(/Last: .*2 packs/)).toBeVisible();
});
