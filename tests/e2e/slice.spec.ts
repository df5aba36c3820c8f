import { expect, hydrated, later, main, press, startRun, test } from './help';

test('a haul goes from the basket to the shelf and into the book', async ({ page, home, clock, quiet }) => {
	void home;
	await page.goto('/basket');
	await hydrated(page);
	// Typed as one would say it; understood while typing.
	const line = page.getByRole('textbox', { name: /What came in/ });
	await line.fill('3 lb 4 oz peas');
	await expect(page.getByText('in the pod or shelled?')).toBeVisible();
	await page.getByRole('button', { name: 'shelled', exact: true }).click();
	await expect(page.getByText('1.47 kg peas, shelled')).toBeVisible();
	await page.getByRole('button', { name: /Keep it/ }).click();
	await expect(page.getByRole('row', { name: /peas/i })).toBeVisible();
	await expect(line).toHaveValue('');

	await page.getByRole('link', { name: 'Ways for peas' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/peas/i);
	await expect(page.getByText('1½ min').first()).toBeVisible();
	await page.getByLabel('a pack', { exact: true }).fill('300 g');
	await page.getByLabel('a pack', { exact: true }).blur();
	await expect(page.getByText('300 g in each').first()).toBeVisible();
	// Kept: it is there again after coming back.
	await page.reload();
	await hydrated(page);
	await expect(page.getByLabel('a pack', { exact: true })).toHaveValue('300 g');
	await page.getByRole('button', { name: 'Start: Blanch + freeze' }).click();
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	const stove = page.url();

	await press(page); // the pot is on
	await main(page).getByRole('textbox').fill('1.4 kg');
	await press(page); // weighed
	await expect(main(page)).toContainText('Waiting for the boil');
	await later(page, clock, 1300);
	await press(page); // it boils
	await expect(main(page)).toContainText('Potful 1 into the boiling water');
	await expect(main(page)).toContainText('potful 1 of 2, 700 g');
	await press(page); // in
	await later(page, clock, 45);
	await press(page); // the boil is back
	await expect(main(page).getByRole('timer')).toHaveText(/^1:(30|2\d)$/);

	// Early is asked about, not done at once.
	await press(page);
	await expect(page.getByRole('button', { name: /Yes, early/ })).toBeVisible();

	// The clocks run in every place and survive a reload.
	await page.goto('/shelves');
	await expect(page.getByRole('complementary', { name: 'Running clocks' })).toContainText('blanching · peas, potful 1');
	await page.goto(stove);
	await hydrated(page);
	await expect(main(page).getByRole('timer')).toHaveText(/^1:[012]\d$/);

	await later(page, clock, 95);
	await expect(main(page)).toContainText('Lift it into the ice');
	await expect(page).toHaveTitle(/^\(1\) now: blanching/);
	await press(page);

	// The second goes in while the first chills.
	await expect(main(page)).toContainText('Potful 2 into the boiling water');
	await press(page);
	await expect(page.getByRole('complementary', { name: 'Running clocks' })).toContainText(
		'in the ice · peas, potful 1'
	);

	// A slip is taken back.
	await page.getByRole('button', { name: /^Undo/ }).click();
	await expect(main(page)).toContainText('Potful 2 into the boiling water');
	await press(page);
	for (let i = 0; i < 60; i++) {
		if (await page.getByRole('button', { name: 'Book these packs' }).isVisible()) break;
		const ready = main(page).locator('button.btn-full:has(.key)');
		if (await ready.isVisible()) {
			const before = await page.getByText(/^Last:/).innerText();
			await ready.click();
			await expect(page.getByText(/^Last:/)).not.toHaveText(before);
		} else {
			await later(page, clock, (await main(page).innerText()).includes('freezer') ? 3700 : 120);
		}
	}
	await expect(main(page)).toContainText('Bag, press out the air, label');
	const packs = main(page).getByRole('spinbutton', { name: 'packs' });
	await expect(packs).toHaveValue('4');
	await page.getByRole('button', { name: 'Book these packs' }).click();
	await expect(main(page)).toContainText('4 × 300 g');
	await page.getByRole('button', { name: /All away/ }).click();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/peas, shelled/i);
	await expect(page.getByText('81 %')).toBeVisible();
	await expect(page.getByRole('heading', { name: 'Actual against plan' })).toBeVisible();
	await expect(page.getByRole('img', { name: /When each potful/ })).toBeVisible();
	const code = page.url().split('/').pop() ?? '';

	// Its label's address finds it.
	await page.goto(`/b/${code.toLowerCase()}`);
	await expect(page).toHaveURL(new RegExp(`/book/${code}`));

	// One is taken, by mistake, and put back.
	await page.goto('/shelves');
	await hydrated(page);
	const lot = page
		.locator('li.pack', { hasText: '300 g' })
		.filter({ hasText: 'peas' })
		.filter({ has: page.locator('b', { hasText: /^4$/ }) });
	const before = await lot.count();
	await lot
		.last()
		.getByRole('button', { name: /Take one/ })
		.click();
	await expect(page.getByText(/1 pack peas, shelled taken/).first()).toBeVisible();
	await expect(lot).toHaveCount(before - 1);
	await page.getByRole('button', { name: 'Undo', exact: true }).click();
	await expect(lot).toHaveCount(before);
	// The raw peas are used up.
	await page.goto('/basket');
	await expect(page.getByRole('link', { name: 'Ways for peas' })).toHaveCount(0);
	void quiet;
});

test('a second device sees the run and goes on with it; both taps at once count once', async ({
	page,
	home,
	browser,
	baseURL
}) => {
	await startRun(page, 'runner beans');
	const other = await browser.newContext({ viewport: { width: 390, height: 844 } });
	await other.addCookies([{ name: 'household', value: home.cookie, url: baseURL ?? '' }]);
	const phone = await other.newPage();
	await phone.goto(page.url());
	await hydrated(phone);
	await press(page);
	await expect(phone.getByText(/Last: pot on/)).toBeVisible();
	await press(phone);
	await expect(page.getByText(/Last: weighed/)).toBeVisible();
	await Promise.all([
		page
			.getByRole('button', { name: /It boils/ })
			.first()
			.click(),
		phone
			.getByRole('button', { name: /It boils/ })
			.first()
			.click()
	]);
	for (const p of [page, phone]) {
		const sure = p.getByRole('button', { name: /Yes, early/ });
		// The other device's tap may be here first: then there is nothing to be sure of any more.
		if (await sure.isVisible()) await sure.click({ timeout: 2000 }).catch(() => undefined);
	}
	await expect(main(page)).toContainText('Potful 1 into the boiling water');
	await expect(main(phone)).toContainText('Potful 1 into the boiling water');
	await other.close();
});

test('taps without a connection wait with their own time, over a reload too', async ({ page, home, context, sql }) => {
	await startRun(page, 'runner beans');
	const id = page.url().split('/').pop() ?? '';
	await context.setOffline(true);
	await press(page);
	await press(page);
	await expect(page.getByText(/2\s+taps\s+kept here/)).toBeVisible();
	await expect(main(page)).toContainText('Waiting for the boil');
	const stored = await sql`select count(*)::int as n from run_event where run_id = ${id}`;
	expect(stored[0]?.n).toBe(0);
	const tapped = Date.now();
	await page.waitForTimeout(1500);
	await context.setOffline(false);
	await page.reload();
	await expect
		.poll(async () => (await sql`select count(*)::int as n from run_event where run_id = ${id}`)[0]?.n)
		.toBe(2);
	await expect(main(page)).toContainText('Waiting for the boil');
	const [late] = await sql`select max(at) as at from run_event where run_id = ${id}`;
	expect(Math.abs((late?.at as Date).getTime() - tapped)).toBeLessThan(1400);
	void home;
});

test('called away: the run is stopped half-way, what there is is recorded, the rest stays in the basket', async ({
	page,
	home
}) => {
	void home;
	await startRun(page, 'raspberries', /^Start: Freeze raw/);
	await press(page); // weighed
	await press(page); // on the trays
	await page.getByRole('button', { name: 'What now?' }).click();
	await expect(page.getByRole('dialog')).toContainText('Not firm when it rang');
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: /Stop here/ }).click();
	await page.getByLabel(/why/).fill('guests at the door');
	await page.getByRole('button', { name: 'Stop and record' }).click();
	await expect(page.getByRole('heading', { name: 'Stopped.' })).toBeVisible();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByText('guests at the door')).toBeVisible();
});

test('when the boil does not come back, the next potfuls are made smaller; too long goes to supper', async ({
	page,
	home
}) => {
	void home;
	await startRun(page, 'runner beans');
	await press(page);
	await press(page);
	await page.getByRole('button', { name: /It boils/ }).click();
	await page.getByRole('button', { name: /Yes, early/ }).click();
	await press(page);
	await page.getByRole('button', { name: 'What now?' }).click();
	await page.getByText('The boil won’t come back').click();
	await page.getByRole('button', { name: /Smaller potfuls/ }).click();
	await expect(main(page)).toContainText(/potful 1 of 1[5-9]/);
	await page.getByRole('button', { name: 'What now?' }).click();
	await page.getByRole('button', { name: 'Potful 1 is for supper' }).click();
	await expect(main(page)).toContainText('Potful 2 into the boiling water');
});

test('the altitude moves the numbers at once', async ({ page, home }) => {
	void home;
	await page.goto('/basket');
	await page.getByRole('link', { name: 'Ways for runner beans' }).click();
	await expect(page.getByText('3 min', { exact: true }).first()).toBeVisible();
	const ways = page.url();
	await page.goto('/kitchen');
	await hydrated(page);
	await page.getByLabel('altitude', { exact: true }).fill('6200');
	await page.locator('select[name=unit]').selectOption('ft');
	await page.getByRole('button', { name: 'Save the altitude' }).click();
	await expect(page.getByRole('heading', { name: 'Altitude: 1890 m' })).toBeVisible();
	await page.goto(ways);
	await expect(page.getByText('4 min', { exact: true }).first()).toBeVisible();
});

test('a new household is asked for its altitude first, and is led on from empty places', async ({
	page,
	home,
	baseURL
}) => {
	void home;
	await page.goto('/kitchen/house');
	await hydrated(page);
	await page.getByLabel('a household beside this one').fill('Lower Field');
	await page.getByRole('button', { name: 'Start it' }).click();
	await expect(page.getByText('Nothing that needs heat is worked out until you say it.')).toBeVisible();
	for (const [place, words] of [
		['basket', 'Nothing waits.'],
		['ways', 'Nothing to choose for yet.'],
		['stove', 'Nothing is on the stove.'],
		['shelves', 'The shelves are empty.'],
		['book', 'No batch yet.']
	] as const) {
		await page.goto(`/${place}`);
		await expect(page.getByRole('heading', { name: words })).toBeVisible();
	}
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('textbox', { name: /What came in/ }).fill('2 kg green beans');
	await page.keyboard.press('Enter');
	await page.getByRole('link', { name: 'Ways for green beans' }).click();
	await expect(page.getByText('The altitude of this kitchen is not known yet').first()).toBeVisible();
	void baseURL;
});

test('a household in US units reads and writes pounds, gallons and °F all the way', async ({ page, home }) => {
	void home;
	await page.goto('/kitchen/house');
	await hydrated(page);
	await page.getByLabel('units').selectOption('us');
	await page.getByRole('button', { name: 'Save the household' }).click();
	await expect(page.getByText('Household: saved')).toBeVisible();
	await page.getByRole('link', { name: 'Works with' }).click();
	await expect(page.getByRole('heading', { name: 'Altitude: 1,247 ft' })).toBeVisible();
	await expect(page.getByText('209.6 °F').or(page.getByText('210 °F')).first()).toBeVisible();
	await page.getByText('+ pot or pan').click();
	const kettle = page.locator('form').filter({ has: page.getByRole('button', { name: 'Add the pot or pan' }) });
	await kettle.getByLabel('its name').fill('canning kettle');
	await kettle.getByLabel('to the rim, qt').fill('20');
	await kettle.getByLabel(/its burner, W/).fill('3500');
	await kettle.getByRole('button', { name: 'Add the pot or pan' }).click();
	await expect(page.getByText(/canning kettle/).first()).toBeVisible();
	await expect(page.getByText(/5\.0\s+gal/)).toBeVisible();
	await page.goto('/basket');
	await expect(page.getByText('20.1 lb').first()).toBeVisible();
	await startRun(page, 'runner beans');
	await expect(main(page)).toContainText(/Put 3\.3 gal of water on/);
	await press(page);
	await main(page).getByRole('textbox').fill('17 lb 4 oz');
	await press(page);
	await expect(page.getByText(/Last: weighed 17\.2 lb/)).toBeVisible();
});

test('one can go back to the household one came from', async ({ page, home }) => {
	await page.goto('/kitchen/house');
	await hydrated(page);
	await page.getByLabel('a household beside this one').fill('Upper Field');
	await page.getByRole('button', { name: 'Start it' }).click();
	await expect(page.getByText('Upper Field').first()).toBeVisible();
	await page.getByRole('link', { name: 'House and prices' }).click();
	await page.locator(`button[name=id][value="${home.id}"]`).click();
	await expect(page.getByRole('heading', { name: 'Altitude: 380 m' })).toBeVisible();
});

test('the demo is cleared from the Kitchen', async ({ page, home }) => {
	void home;
	await page.goto('/kitchen/house');
	await hydrated(page);
	await page.getByLabel('yes, all of the demo goes').check();
	await page.getByRole('button', { name: 'Clear the demo' }).click();
	await expect(page.getByText('Demo data cleared: saved')).toBeVisible();
	await page.goto('/shelves');
	await expect(page.getByRole('heading', { name: 'The shelves are empty.' })).toBeVisible();
});

test('an own measure is weighed once and known ever after', async ({ page, home }) => {
	void home;
	await page.goto('/basket');
	await hydrated(page);
	const line = page.getByRole('textbox', { name: /What came in/ });
	await line.fill('2 trugs runner beans');
	await page.getByLabel(/One trug of runner beans weighs/).fill('3,2 kg');
	await page.getByRole('button', { name: 'Remember it' }).click();
	await expect(page.getByText('= 6.4 kg runner beans')).toBeVisible();
	await expect(line).toHaveValue('2 trugs runner beans');
});

test.describe('without the page’s own code', () => {
	test.use({ javaScriptEnabled: false });
	test('the basket and the ways still work', async ({ page, home }) => {
		void home;
		await page.goto('/basket');
		await page.getByRole('textbox', { name: /What came in/ }).fill('2 kgg carrots');
		await page.getByRole('button', { name: /Keep it/ }).click();
		await expect(page.getByRole('alert')).toContainText('your line is still there');
		await expect(page.getByRole('textbox', { name: /What came in/ })).toHaveValue('2 kgg carrots');
		await page.getByRole('textbox', { name: /What came in/ }).fill('2 kg carrots');
		await page.getByRole('button', { name: /Keep it/ }).click();
		await page.getByRole('link', { name: 'Ways for carrots' }).click();
		await page.getByLabel('a pack', { exact: true }).fill('400 g');
		await page.getByRole('button', { name: 'Work it out' }).click();
		await expect(page.getByText('400 g in each').first()).toBeVisible();
	});
});
