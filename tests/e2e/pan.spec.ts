import { expect, hydrated, later, main, postForm, press, test, toWays } from './help';

/** A sauce on a controlled clock, with hand-worked numbers: from the board to packs on the shelf. */

test('tomatoes to a half in a pan: softened, milled, three dips, cooled in two stages, packed, taken from the shelf', async ({
	page,
	home,
	clock,
	context,
	baseURL,
	sql,
	quiet
}) => {
	void home;
	void quiet;
	test.setTimeout(150_000);
	await toWays(page, 'tomatoes');
	await page.getByRole('link', { name: 'into the pan' }).click();
	await page.getByLabel('it becomes').selectOption({ label: 'sauce, thick' });
	await page.getByLabel('cooked down').selectOption({ label: 'to a half' });
	// 12.02 kg, a fifth milled out: 9.62 kg are 9.43 L; half of it at 1.05 kg to the litre is 4.95 kg.
	await expect(page.getByRole('region', { name: 'What comes of it' })).toContainText('4.95 kg of 12.0 kg');
	await expect(page.getByRole('region', { name: 'What comes of it' })).toContainText('50 %');
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	const sentence = main(page).getByRole('heading', { level: 1 });
	await press(page);
	await expect(sentence).toContainText('with an inch of water');
	await press(page);
	await later(page, clock, 60 * 30);
	await press(page);
	await expect(sentence).toContainText('Hot through the mill');
	// What is only expected of it is no weight.
	await press(page);
	await expect(main(page)).toContainText('write what it shows');
	await main(page)
		.getByLabel(/through the mill/)
		.fill('9.2 kg');
	await press(page);
	await expect(sentence).toContainText('How deep does it stand');
	await main(page)
		.getByLabel(/from the floor/)
		.fill('17');
	await press(page);
	await expect(sentence).toContainText('Done at 8.5 cm');
	for (const [minutes, depth] of [
		[25, '16.2'],
		[30, '15.2'],
		[40, '13.6']
	] as const) {
		await later(page, clock, 60 * minutes);
		await main(page)
			.getByLabel(/from the floor/)
			.fill(depth);
		await press(page);
		await expect(page.getByText(`Last: ${depth} cm`)).toBeVisible();
	}
	await expect(main(page)).toContainText('By your own dips');
	// It cannot have risen.
	await main(page)
		.getByLabel(/from the floor/)
		.fill('15');
	await press(page);
	await expect(main(page)).toContainText('It stood at 136 mm before');
	await later(page, clock, 60 * 120);
	await main(page).getByRole('button', { name: 'It is at the mark' }).click();
	await expect(sentence).toContainText('Pour it shallow');
	await later(page, clock, 60 * 106);
	await main(page)
		.getByLabel(/at its centre/)
		.fill('19');
	await press(page);
	// 9.2 kg milled, half of its volume: 4.74 kg.
	await expect(sentence).toContainText('Fill it, label it, into the freezer');
	await expect(main(page)).toContainText('About 4.74 kg is cold');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('tomatoes, sauce, thick');
	const code = page.url().split('/').pop() ?? '';
	// Found by its code, and one of them taken.
	await page.goto(`/b/${code}`);
	await hydrated(page);
	await expect(page.locator('body')).toContainText('tomatoes, sauce, thick');
	const [lot] =
		await sql`select l.id, b.amount::int as packs from lot l join lot_balance b on b.lot_id = l.id join batch x on x.id = l.batch_id where x.code = ${code}`;
	const taken = await postForm(context.request, baseURL ?? '', '/shelves?/take', { lotId: String(lot?.id) });
	expect(taken.type).toBe('success');
	const [left] = await sql`select amount::int as packs from lot_balance where lot_id = ${lot?.id}`;
	expect(Number(left?.packs)).toBe(Number(lot?.packs) - 1);
});
