import { expect, hydrated, test } from './help';

/** What a season was worth, what the year to come takes, what ran without a record. */

test('last year against this: money against the shop, plants of the garden, the plan of the year; a machine that pays for itself', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/book/foods/green-beans');
	await hydrated(page);
	const years = page.getByRole('row').filter({ hasText: /20\d\d/ });
	await expect(years.nth(1)).toContainText(/less than in a shop/);
	// By hand: what its batches hold, at the noted price, less bags, own hours and nothing paid.
	const [season] = await sql`
		select extract(year from packed_on)::int as year, sum(packed_g)::float8 as g, sum(packs_made)::int as packs, sum(hands_s)::float8 as s
		from batch where household_id = ${home.id} and food = 'green-beans' and voided_at is null group by 1 order by 1 desc offset 1 limit 1`;
	const [house] = await sql`select hour_rate, bag_price from household where id = ${home.id}`;
	const [shop] = await sql`select per_kg from shop_price where household_id = ${home.id} and food = 'green-beans'`;
	const row = page
		.getByRole('row')
		.filter({ hasText: `${season?.year}` })
		.first();
	const saved = /€([\d.]+) less/.exec(await row.innerText())?.[1];
	const worth = (Number(season?.g) / 1000) * Number(shop?.per_kg);
	const cost = Number(season?.packs) * Number(house?.bag_price) + (Number(season?.s) / 3600) * Number(house?.hour_rate);
	expect(Number(saved) * 100).toBeCloseTo(worth - cost, -1);
	// What is set in the garden moves the plan, and stands there.
	await page.getByLabel('plants', { exact: true }).fill('21');
	await page.getByRole('button', { name: /^Write into 20\d\d$/ }).click();
	await expect(page.getByText(/In the garden in 20\d\d: saved/)).toBeVisible();
	await page.getByRole('link', { name: 'The plan of the whole year' }).click();
	await hydrated(page);
	const beans = page.getByRole('row').filter({ hasText: 'green beans' });
	await expect(beans).toContainText('21 written down');
	await expect(beans).toContainText('picked 10 Jul to 5 Sep');
	const kilos = (await beans.getByRole('cell').allInnerTexts()).slice(6).map((t) => Number(t.trim() || 0));
	const all = Number(/([\d.]+) kg/.exec(await beans.innerText())?.[1]);
	expect(kilos.reduce((a, b) => a + b, 0)).toBeCloseTo(all, 0);
	// A price of a shop, and what the dryer still has to earn.
	await page.goto('/book/prices');
	await hydrated(page);
	const dryer = page.getByRole('listitem').filter({ hasText: 'Tray dryer' });
	await expect(dryer).toContainText('to go');
	await dryer.getByLabel(/^it cost/).fill('12.50');
	await dryer.getByRole('button', { name: 'Write down what it cost: Tray dryer' }).click();
	await expect(dryer).toContainText('It has paid for itself');
	await page.getByLabel('food', { exact: true }).fill('raspberries');
	await page.getByLabel(/^a kilo/).fill('much');
	await page.getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByRole('alert')).toContainText('"much" is no price');
	await expect(page.getByLabel('food', { exact: true })).toHaveValue('raspberries');
	await page.getByLabel(/^a kilo/).fill('9.40');
	await page.getByRole('button', { name: 'Note it' }).click();
	await expect(page.getByText('€9.40 a kilo')).toBeVisible();
	await page.getByRole('button', { name: /^Forget: raspberries/ }).click();
	await expect(page.getByText('€9.40 a kilo')).toHaveCount(0);
});

test('what ran today without a record is written down in three taps, and taken back in one', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/book');
	await page.getByRole('link', { name: 'What ran today?' }).click();
	await hydrated(page);
	await page.getByRole('link', { name: /courgettes/i }).click();
	const ways = page.getByRole('link', { name: /freez|blanch|raw/i });
	await ways.first().click();
	await expect(page.getByRole('heading', { name: /Is that so/ })).toBeVisible();
	const line = await page.getByRole('textbox', { name: 'what came of it' }).inputValue();
	expect(line).toMatch(/^\d+ × .* courgettes, frozen$/);
	const standing = () =>
		sql`select l.title, b.amount::float8 as amount from lot_balance b join lot l on l.id = b.lot_id where b.household_id = ${home.id} and b.amount > 0 order by l.id`;
	const before = await standing();
	await page.getByRole('button', { name: 'Write it down' }).click();
	await expect(page.getByText(/courgettes in Chest freezer/).first()).toBeVisible();
	const [made] =
		await sql`select made_by, raw_g::int as raw, packs_made::int as packs from batch where household_id = ${home.id} order by created_at desc, id desc limit 1`;
	expect(made).toMatchObject({ made_by: 'hand', raw: 3500, packs: Number(/^(\d+)/.exec(line)?.[1]) });
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect.poll(standing).toEqual(before);
});

test('the same food again says what was said of it the last time', async ({ page, home, sql }) => {
	const [beans] =
		await sql`select id from lot where household_id = ${home.id} and waiting and food = 'tomatoes' limit 1`;
	await page.goto(`/ways/${beans?.id}`);
	await expect(page.getByText(/^Again\? /)).toContainText('last time');
});
