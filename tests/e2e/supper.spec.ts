import { expect, hydrated, test } from './help';

/** Five at table at half past six: out of what stands there, in one tap, and back again. */
test('a supper for five at 18:30: within the minutes, taken in one tap, taken back whole; what somebody does not eat is in none', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/supper?people=5&at=18:30&within=40');
	await hydrated(page);
	const meals = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Take: / }) });
	await expect(page.getByRole('heading', { name: 'What do we take out?' })).toBeVisible();
	// What was cooked yesterday is eaten first; nothing takes longer than was asked for.
	await expect(meals.first()).toContainText('cooked chicken');
	for (const text of await meals.allInnerTexts()) expect(Number(/^\s*(\d+)/.exec(text)?.[1])).toBeLessThanOrEqual(40);
	const mince = meals.filter({ hasText: /^\s*\d+\s*min\s*Beef mince with/ });
	await expect(mince).toContainText(/2 × 400 g\s+beef mince.*from frozen/s);
	const standing = async () =>
		await sql`select l.title, b.amount::float8 as amount from lot_balance b join lot l on l.id = b.lot_id where b.household_id = ${home.id} and not l.waiting order by l.id`;
	const before = await standing();
	await mince.getByRole('button', { name: /^Take: Beef mince/ }).click();
	await expect(page.getByText(/Beef mince with .*: taken/)).toBeVisible();
	const after = await standing();
	const gone = before.filter((b, i) => after[i]?.amount !== b.amount).map((b) => String(b.title));
	expect(gone.length).toBeGreaterThanOrEqual(2);
	expect(gone).toContain('beef mince');
	// One step: the undo brings back all of it.
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect.poll(standing).toEqual(before);
	// Somebody does not eat it: no meal has it, until it is eaten again.
	await page.getByLabel('a food').fill('beef mince');
	await page.getByLabel('who').fill('Ana');
	await page.getByRole('button', { name: 'Leave out' }).click();
	await expect(mince).toHaveCount(0);
	await page.getByRole('button', { name: /^Eaten again: / }).click();
	await expect(mince).toHaveCount(1);
	await page.getByLabel('a food').fill('moonstones');
	await page.getByRole('button', { name: 'Leave out' }).click();
	await expect(page.getByRole('alert')).toContainText('No one food named “moonstones” is known');
	// For tomorrow it goes to the fridge tonight, and has its second clock there.
	await page.getByRole('button', { name: 'Move to the fridge: beef mince' }).click();
	await expect(page.getByRole('heading', { name: 'Opened and thawed' })).toBeVisible();
	const [thawed] =
		await sql`select l.state, b.amount::int as packs from lot_balance b join lot l on l.id = b.lot_id where b.household_id = ${home.id} and l.state = 'thawed' and b.amount > 0`;
	expect(thawed).toEqual({ state: 'thawed', packs: 2 });
});

test('a supper is kept for its day: nothing else takes it; taken then, and what is left over stands in the fridge', async ({
	page,
	home,
	sql,
	clock
}) => {
	await page.goto('/supper?people=4&within=40');
	await hydrated(page);
	const meals = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Take: / }) });
	const mince = meals.filter({ hasText: /Beef mince with/ });
	await mince.getByText('keep for…').click();
	await mince.getByRole('button', { name: /^Keep: Beef mince/ }).click();
	await expect(page.getByText(/^Kept for .*: saved$/)).toBeVisible();
	const claims = async () =>
		await sql`select c.words, sum(c.amount)::int as n, count(*)::int as lots from claim c where c.household_id = ${home.id} and c.ended_at is null and c.run_id is null group by 1`;
	const [kept] = await claims();
	expect(kept?.words).toMatch(/^supper on \d+ \w+ \d{4}: Beef mince with/);
	// On the shelf it is spoken for.
	await page.goto('/shelves?q=beef+mince');
	await expect(page.getByText(/supper on/).first()).toBeVisible();
	await page.goto('/supper?people=4&within=40');
	await hydrated(page);
	const planned = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^Let go: Beef mince/ }) });
	await planned.getByRole('button', { name: /^Take what was kept: / }).click();
	await expect(page.getByText(/Beef mince with .*: taken/)).toBeVisible();
	expect(await claims()).toEqual([]);
	// Half of it is left over: one dish, kept by its meat, with a clock of days.
	const taken = page.getByRole('listitem').filter({ has: page.getByRole('button', { name: /^half of Beef mince/ }) });
	await taken.getByRole('button', { name: /^half of Beef mince/ }).click();
	await expect(page.getByText(/leftovers: beef mince.* in Fridge/).first()).toBeVisible();
	const [left] = await sql`
		select l.food, p.kind, (b.amount * l.unit_g)::float8 as g from lot l join lot_balance b on b.lot_id = l.id join place p on p.id = l.place_id
		where l.household_id = ${home.id} and l.title like 'leftovers:%' and b.amount > 0`;
	const [went] = await sql`
		select sum(-m.amount * l.unit_g)::float8 as g from movement m join lot l on l.id = m.lot_id
		where m.household_id = ${home.id} and m.cause like 'supper on %'`;
	expect(left).toMatchObject({ food: 'cooked-meat', kind: 'fridge' });
	expect(Number(left?.g)).toBeCloseTo(Number(went?.g) / 2, 0);
	// On its last day its clock runs down in the rail, on every page.
	const rail = page.getByRole('complementary', { name: 'Running clocks' });
	await expect(rail).toHaveCount(0);
	await clock.forward(67 * 3_600);
	await page.goto('/basket');
	await expect(rail).toContainText(/\d+ h\s*eat: leftovers: beef mince/);
});

/** The Book of one food: last year against this, the share learned, next year's sum; what is wanted moves it. */
test('a food of the book: its years, the share learned beside the table’s, next year’s sum', async ({ page, home }) => {
	void home;
	await page.goto('/book');
	await page.getByRole('link', { name: 'By food' }).click();
	await page.getByRole('link', { name: 'green beans', exact: true }).click();
	await hydrated(page);
	const years = page.getByRole('row').filter({ hasText: /20\d\d/ });
	await expect(years.first()).toBeVisible();
	expect(await years.count()).toBeGreaterThanOrEqual(2);
	await expect(page.getByText('bag split').first()).toBeVisible();
	await expect(
		page.getByRole('img', { name: /Your green beans keep \d+ %, between \d+ % and \d+ %; the table says 88 %/ })
	).toBeVisible();
	const sum = page.getByText('packs wanted').locator('..');
	await expect(sum).toContainText('as eaten till now');
	await page.getByLabel(/helpings wanted a week/).fill('20');
	await page.getByRole('button', { name: 'Write it down' }).click();
	await expect(sum).toContainText('as you said');
	// Twenty helpings of 150 g are six packs of 500 g a week.
	await expect(sum).toContainText('× 6.0');
	// What it says is what the way of the next beans is reckoned with.
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('textbox').first().fill('6 kg green beans');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/green beans in the basket/).first()).toBeVisible();
	await page.goto('/ways');
	await page.getByRole('link', { name: 'green beans', exact: true }).click();
	await expect(page).toHaveURL(/\/ways\/[0-9a-f-]{36}/);
	await page.goto(`${page.url().replace(/(ways\/[0-9a-f-]{36}).*/, '$1')}/blanch?cut=cut`);
	await expect(page.getByText(/by your own \d+ batches, \d+ to \d+; the table says 88/)).toBeVisible();
});
