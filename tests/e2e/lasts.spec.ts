import { expect, hydrated, test } from './help';

/** The demo's larder: how long each food lasts, and what stands without power. */
test('how long it lasts, by food, with the dates between which it is gone, and what keeps without power', async ({
	page,
	home
}) => {
	void home;
	await page.goto('/shelves');
	await page.getByRole('link', { name: 'How long it lasts' }).click();
	await hydrated(page);
	await expect(page.getByRole('heading', { level: 1 })).toContainText(
		/\d+ helpings, \d+ days if we ate of nothing else/
	);
	const beans = page
		.getByRole('listitem')
		.filter({ has: page.getByRole('link', { name: 'green beans', exact: true }) });
	await expect(beans).toContainText(/\d+ weeks?.*10 packs.*to \d+ \w+.*between \d+ \w+.* and \d+ \w+/s);
	const all = await page.getByRole('listitem').count();
	await page.getByRole('button', { name: 'keeps without power' }).click();
	await expect(beans).toHaveCount(0);
	expect(await page.getByRole('listitem').count()).toBeLessThan(all);
	// A pack that is taken is one meal more, and one pack less.
	await page.goto('/shelves?q=green+beans');
	await hydrated(page);
	await page
		.getByRole('button', { name: /^Take one: green beans/ })
		.first()
		.click();
	await expect(page.getByText(/1 pack.*green beans.*taken/i).first()).toBeVisible();
	await page.goto('/shelves/lasts');
	await expect(beans).toContainText('9 packs');
});

/** Out over a night, back in the morning: freezer by freezer what becomes of it. */
test('a power cut over a night: how long it keeps, how it was found, what is thrown is off the shelves, and taken back', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/shelves/power');
	await hydrated(page);
	const title = page.getByRole('heading', { level: 1 });
	await expect(title).toContainText('24 h');
	const before = page.getByLabel('out since');
	const at = (hours: number, from: string) => {
		const date = new Date(`${from}:00Z`);
		return new Date(date.getTime() + hours * 3_600_000).toISOString().slice(0, 16);
	};
	const shown = await before.inputValue();
	await before.fill(at(-9, shown));
	await page.getByRole('button', { name: 'It is out' }).click();
	await expect(title).toContainText('Keep it shut until');
	// What can be saved no more comes first: meat before vegetables before fruit.
	const lots = await page.getByRole('region', { name: 'Chest freezer' }).getByRole('listitem').allInnerTexts();
	const first = (words: RegExp) => lots.findIndex((l) => words.test(l));
	expect(first(/beef mince/)).toBeLessThan(first(/green beans/));
	expect(first(/green beans/)).toBeLessThan(first(/strawberries/));
	// Back before it went is no answer, and what was typed stands.
	await page.getByLabel('back since').fill(at(-12, shown));
	await page.getByRole('button', { name: 'It is back' }).click();
	await expect(page.getByRole('alert')).toContainText('It came back after it went');
	await page.getByLabel('back since').fill(at(-1, shown));
	await page.getByRole('button', { name: 'It is back' }).click();
	await expect(title).toContainText('How was it found?');
	await page.getByRole('button', { name: 'Soft, with ice in it' }).click();
	await expect(title).toContainText(/0\s+to throw, 11\s+to keep/);
	await page.getByRole('button', { name: 'Warmer, or nobody knows' }).click();
	await expect(title).toContainText(/9\s+to throw/);
	// A toast is a list item too: only the freezer's own.
	const freezer = page.getByRole('region', { name: 'Chest freezer' });
	const mince = freezer.getByRole('listitem').filter({ hasText: 'beef mince' });
	await expect(mince).toContainText('throw out');
	await expect(page.getByRole('listitem').filter({ hasText: 'strawberries' })).toContainText('look at it');
	await mince.getByRole('button', { name: 'Thrown: beef mince' }).click();
	await expect(mince).toHaveCount(0);
	const [thrown] = await sql`
		select m.amount::int as amount, m.cause from movement m join lot l on l.id = m.lot_id
		where m.household_id = ${home.id} and m.kind = 'spoil' and m.cause = 'power out' and l.title = 'beef mince'`;
	expect(thrown).toEqual({ amount: -18, cause: 'power out' });
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(mince).toHaveCount(1);
	await page.getByRole('button', { name: 'Gone through' }).click();
	await expect(title).toContainText('Without power the freezer keeps');
});

/** Fewer than the book says: what the book knows of the time, and what such a time usually takes, stand beside the question. */
test('a stocktake explains its differences: by the pace of the household, then by what a person says', async ({
	page,
	home,
	sql
}) => {
	const [beans] = await sql`
		select l.id, l.place_id, b.amount::int as packs from lot l join lot_balance b on b.lot_id = l.id
		where l.household_id = ${home.id} and l.food = 'green-beans' and l.unit = 'pack' and b.amount > 0`;
	await page.goto(`/shelves/count/${beans?.place_id}`);
	await hydrated(page);
	for (let i = 0; i < 12; i++) {
		const title = await page.getByRole('heading', { level: 1 }).innerText();
		if (/green beans/i.test(title)) break;
		await page.getByRole('button', { name: /^Next|^That was the last/ }).click();
		await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title);
	}
	for (let n = 0; n < 2; n++) await page.getByRole('button', { name: 'one fewer' }).click();
	await expect(page.getByText('2 packs fewer')).toBeVisible();
	await expect(
		page.getByText(/Since .* the book knows of \d+ taken; at your pace such a time takes \d+( to \d+)? packs?\./)
	).toBeVisible();
	await page.getByRole('button', { name: 'Eaten' }).click();
	await expect(page.getByText('2 packs fewer green beans')).toHaveCount(0);
	// What was found missing is eaten, and counts for the pace; the ledger says why.
	await expect
		.poll(
			async () =>
				(
					await sql`select kind, amount::int as n from movement where lot_id = ${beans?.id} order by recorded_at desc limit 1`
				)[0]
		)
		.toMatchObject({ n: -2 });
	const [left] = await sql`select amount::int as packs from lot_balance where lot_id = ${beans?.id}`;
	expect(left?.packs).toBe(Number(beans?.packs) - 2);
});
