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
