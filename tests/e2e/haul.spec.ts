import { expect, hydrated, test } from './help';

/** The demo's morning shared out: worked out on the page, set by hand, made impossible, taken as the plan. */
test('the whole haul is shared out, a part is set, what cannot be is told, and the plan is taken', async ({
	page,
	home,
	quiet,
	sql
}) => {
	void quiet;
	await page.goto('/ways');
	await hydrated(page);
	const title = page.getByRole('heading', { level: 1 });
	await expect(title).toContainText('of hands by', { timeout: 20_000 });
	await expect(page.getByRole('heading', { name: 'What binds' })).toBeVisible();
	const tomatoes = page
		.getByRole('listitem')
		.filter({ has: page.getByRole('link', { name: 'tomatoes', exact: true }) });
	await expect(tomatoes.first()).toContainText('12.0 kg');
	// Enough is enough: what was found so far stays.
	const enough = page.getByRole('button', { name: 'That will do' });
	if (await enough.isVisible()) await enough.click();
	await expect(page.getByRole('status').first()).toContainText(/possible|Proven/);
	// Set by hand it stays, and the rest is worked out around it.
	await tomatoes.first().getByRole('button', { name: 'Set' }).first().click();
	await expect(tomatoes.first().getByRole('button', { name: 'Set: let go' })).toHaveAttribute('aria-pressed', 'true');
	await expect(title).toContainText('of hands by');
	const done = page.getByRole('button', { name: 'That will do' });
	if (await done.isVisible()) await done.click();
	await page.getByRole('button', { name: /Take this as the plan/ }).click();
	await expect(page.getByText(/shared out: open one to start its part/)).toBeVisible();
	const [shared] =
		await sql`select count(distinct c.lot_id)::int as lots, sum(c.share_g)::int as g from way_choice c where c.household_id = ${home.id} and c.share_g is not null`;
	expect(shared?.lots).toBeGreaterThan(2);
	expect(shared?.g).toBeGreaterThan(5_000);
	// Nobody's lot is shared out beyond what there is of it.
	const over =
		await sql`select c.lot_id from way_choice c join lot_balance b on b.lot_id = c.lot_id where c.household_id = ${home.id} group by c.lot_id, b.amount having sum(c.share_g) > b.amount / 10.0 + 1`;
	expect(over).toEqual([]);
});

/** "20 kg plums at 0.90": what can be taken on, what would give, whether the price is good, and into the Basket with it. */
test('before the haul: what fits, what all of it would push out, and what fits goes into the Basket', async ({
	page,
	home,
	quiet,
	sql
}) => {
	void quiet;
	await page.goto('/ways');
	await hydrated(page);
	await page.getByLabel('Before you take on more').fill('60 kg plums at 0.90');
	await page.getByRole('button', { name: 'Can we?' }).click();
	await expect(page).toHaveURL(/ways\/offer\?say=/);
	const title = page.getByRole('heading', { level: 2 }).first();
	await expect(title).toContainText(/\d kg of 60\.0 kg\s+plums by [A-Z]\w+, and nothing else gives/, {
		timeout: 20_000
	});
	await expect(page.getByText('€0.90/kg')).toBeVisible();
	await expect(page.getByText('€54.00 in all')).toBeVisible();
	await expect(page.getByText(/kg less|not placed/).first()).toBeVisible({ timeout: 20_000 });
	// A line that cannot be read is asked about, and nothing that was typed is lost.
	await page.getByLabel('What is offered').fill('20 kg moonstones at 0.90');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/is not a food I know/)).toBeVisible();
	await expect(page.getByLabel('What is offered')).toHaveValue('20 kg moonstones at 0.90');
	await page.getByLabel('What is offered').fill('2 kg plums at 0.90');
	await page.keyboard.press('Enter');
	await expect(title).toContainText('All 2.0 kg of plums', { timeout: 20_000 });
	await page.getByRole('link', { name: /Into the Basket/ }).click();
	await expect(page.getByRole('textbox', { name: /What came in/ })).toHaveValue('2 kg plums at 0.90 a kilo');
	await page.getByRole('textbox', { name: /What came in/ }).press('Enter');
	await expect(page.getByRole('link', { name: 'Ways for plums' })).toBeVisible();
	const [lot] = await sql`select price_minor from lot where household_id = ${home.id} and food = 'plums' and waiting`;
	expect(lot?.price_minor).toBe(180);
});
