import { expect, hydrated, later, main, test } from './help';

test('the whole slice by keyboard alone', async ({ page, home, clock }) => {
	void home;
	test.setTimeout(120_000);
	await page.goto('/basket');
	await hydrated(page);
	/** Goes on with Tab until the focus is on what is meant. */
	const tabTo = async (name: RegExp) => {
		for (let i = 0; i < 90; i++) {
			await page.keyboard.press('Tab');
			const label = await page.evaluate(() => {
				const e = document.activeElement;
				return `${e?.getAttribute('aria-label') ?? ''} ${(e as HTMLElement | null)?.innerText ?? ''}`.trim();
			});
			if (name.test(label)) return;
		}
		throw new Error(`Tab never reaches ${name}`);
	};
	await page.keyboard.press('n');
	await page.keyboard.type('1.2 kg raspberries');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/raspberries in the basket/)).toBeVisible();
	await page.goto('/basket');
	await hydrated(page);
	await tabTo(/^Ways for raspberries/);
	await page.keyboard.press('Enter');
	await page.waitForURL(/\/ways\//);
	await expect(page.getByRole('button', { name: /^Start: Freeze raw/ })).toBeVisible();
	await page.locator('main').focus();
	// A number goes to the button; nothing starts before Enter.
	await page.keyboard.press('1');
	await expect(page.getByRole('button', { name: /^Start: Freeze raw/ })).toBeFocused();
	await page.keyboard.press('Enter');
	await page.waitForURL(/\/stove\//);
	await hydrated(page);
	await page.locator('main').focus();
	await page.keyboard.press('Space'); // weighed, as expected
	await expect(main(page)).toContainText('into the freezer');
	await page.keyboard.press('Space'); // in the freezer
	await expect(main(page)).toContainText('On the tray in the freezer');
	await page.keyboard.press('u');
	await expect(main(page)).toContainText('Spread it on');
	await page.keyboard.press('Space');
	await later(page, clock, 3700);
	await page.keyboard.press('Space'); // firm
	await expect(main(page)).toContainText('Bag, press out the air');
	await tabTo(/^Book these packs/);
	await page.keyboard.press('Enter');
	// 1.2 kg raspberries, 96 % of them left when they are sorted: 1,152 g.
	await expect(main(page)).toContainText('2 × 576 g');
	await tabTo(/^All away/);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await tabTo(/^To the Shelves/);
	await page.keyboard.press('Enter');
	await page.waitForURL(/\/shelves/);
	await tabTo(/^Take one: raspberries/);
	await page.keyboard.press('Enter');
	await expect(page.getByText('1 pack raspberries, whole taken', { exact: true })).toBeVisible();
	await page.keyboard.press('g');
	await page.keyboard.press('o');
	await page.waitForURL(/\/book/);
	await page.keyboard.press('?');
	await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('dialog')).toHaveCount(0);
});
