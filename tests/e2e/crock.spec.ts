import { expect, hydrated, main, postForm, press, test } from './help';

test('kraut of 9 kg: cut, weighed, salted by weight, under its brine, in its place; looked at, and into the cold', async ({
	page,
	home,
	clock,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(120_000);
	const origin = baseURL ?? '';
	await sql`update place set temp_c = 21.5 where household_id = ${home.id} and kind in ('counter', 'crock')`;
	expect((await postForm(page.request, origin, '/basket?/add', { text: '9 kg cabbage' })).type).toBe('success');
	await page.goto('/basket');
	await hydrated(page);
	const lot = (await page.getByRole('link', { name: 'Ways for cabbage' }).getAttribute('href'))?.split('/').pop() ?? '';
	await page.goto(`/ways/${lot}`);
	await hydrated(page);
	await page.getByRole('link', { name: 'into the crock, in salt' }).click();
	await page.waitForURL(/\/stove\/ferment/);
	await hydrated(page);
	const gets = page.getByRole('region', { name: 'What comes of it' });
	const stands = page.getByLabel('it stands');
	await stands.selectOption({ label: (await stands.locator('option', { hasText: '21.5 °C' }).first().innerText()) }); // prettier-ignore
	// 70 to 75 °F: three to four weeks (USDA Complete Guide, Guide 6, from memory).
	await expect(gets).toContainText('21 to 28 days there');
	await page.locator('select[name=percent]').selectOption('2.25');
	await expect(gets).toContainText('2.25 % of vegetable and water together');
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	const sentence = main(page).getByRole('heading', { level: 1 });
	await expect(sentence).toHaveText('Cut: what does it weigh?');
	await main(page)
		.getByLabel(/ready, weighed/)
		.fill('7.2 kg');
	await press(page);
	// 7.2 kg of shreds at 2.25 %: 162 g.
	await expect(sentence).toHaveText('162 g of salt.');
	await press(page);
	await expect(sentence).toContainText('under its brine');
	await press(page);
	await main(page).getByLabel('jars', { exact: true }).fill('8');
	await main(page).getByRole('button', { name: 'Book these jars' }).click();
	await main(page)
		.getByRole('button', { name: /^All away/ })
		.click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	const jars = () =>
		sql`select l.id, l.state, l.title, b.amount::int as jars from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${home.id} and l.title = 'sauerkraut' and b.amount > 0`;
	await expect.poll(jars).toMatchObject([{ state: 'fermented', jars: 8 }]);
	// Two days later its brine wants a look.
	await clock.forward(2.2 * 86_400);
	const [row] = await jars();
	await page.goto(`/shelves?open=${String(row?.id)}`);
	await hydrated(page);
	await expect(page.getByRole('form', { name: 'Brine: look' })).toBeVisible();
});

test('brined carrots: refused where the brine ends too weak, with the strength that it wants', async ({ page, home, baseURL, quiet }) => {
	void quiet;
	void home;
	expect((await postForm(page.request, baseURL ?? '', '/basket?/add', { text: '3 kg carrots' })).type).toBe('success');
	await page.goto('/basket');
	await hydrated(page);
	const lot = (await page.getByRole('link', { name: 'Ways for carrots' }).getAttribute('href'))?.split('/').pop() ?? '';
	await page.goto(`/stove/ferment?lot=${lot}&way=brine&percent=3`);
	await hydrated(page);
	await expect(page.getByText(/It ends at 1\.2 % of salt in vegetable and water together/)).toBeVisible();
	await expect(page.getByText(/A brine of 5 to 6 %/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Start' })).toHaveCount(0);
}); // prettier-ignore
