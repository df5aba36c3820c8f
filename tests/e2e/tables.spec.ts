import { expect, hydrated, postForm, test } from './help';

test('a person looks up a food by their own word, reads it, keeps one way, and prints the card', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await page.goto('/tables');
	await hydrated(page);
	const look = page.getByRole('combobox', { name: /look up/ });
	await look.fill('courg');
	await expect(page.getByRole('option', { name: /zucchini/ })).toContainText('courgette');
	await look.press('Enter');
	await page.waitForURL(/\/tables\/zucchini$/);
	await expect(page.getByRole('heading', { level: 1, name: 'zucchini' })).toBeVisible();
	const freezing = page.locator('[data-section=freeze]');
	await expect(freezing).toContainText('3 min');
	await expect(freezing).toContainText('NCHFP, Blanching Vegetables; from memory');
	await expect(page.locator('[data-partly=can]')).toContainText(
		'Plain summer squash and zucchini have no tested process'
	);
	await expect(page.locator('[data-partly=can]')).toContainText('Instead:');
	await page.getByRole('navigation', { name: 'Ways of zucchini' }).getByRole('link', { name: 'Drying' }).click();
	await expect(page).toHaveURL(/way=dry/);
	await expect(page.locator('[data-section=freeze]')).toHaveCount(0);
	await expect(page.locator('[data-section=dry]')).toContainText('10 to 12 h');
	await page.goBack();
	await expect(page.locator('[data-section=freeze]')).toBeVisible();
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
	await expect(page.getByRole('combobox')).toBeHidden();
	await expect(page.getByRole('heading', { name: 'Where people differ' })).toBeHidden();
	await expect(freezing).toBeVisible();
});

test('the whole place by keyboard: arrows in what was found, Escape, and the way to it', async ({ page, home }) => {
	void home;
	await page.goto('/basket');
	await hydrated(page);
	await page.keyboard.press('g');
	await page.keyboard.press('t');
	await page.waitForURL(/\/tables$/);
	const look = page.getByRole('combobox', { name: /look up/ });
	await page.keyboard.press('/');
	await expect(look).toBeFocused();
	await page.keyboard.type('beans');
	await expect(page.getByRole('option').first()).toBeVisible();
	await page.keyboard.press('ArrowDown');
	await expect(page.getByRole('option').nth(1)).toHaveAttribute('aria-selected', 'true');
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('ArrowUp');
	await expect(page.getByRole('option').last()).toHaveAttribute('aria-selected', 'true');
	await page.keyboard.press('Escape');
	await expect(look).toHaveValue('');
	await page.keyboard.type('qqqq');
	await expect(page.getByText('Nothing by that name.')).toBeVisible();
	await page.keyboard.press('Enter');
	await look.fill('thawing');
	await page.keyboard.press('Enter');
	await page.waitForURL(/\/tables\/way\/thaw$/);
	await expect(page.getByRole('heading', { level: 1, name: 'Thawing' })).toBeVisible();
});

test('every number of every page has its amount, its unit and its source', async ({ page, home }) => {
	void home;
	// Some two hundred and seventy pages are read whole.
	test.setTimeout(240_000);
	await page.goto('/tables');
	await hydrated(page);
	const paths = await page.evaluate(() =>
		[...document.querySelectorAll<HTMLAnchorElement>('main a[href^="/tables/"]')]
			.map((a) => a.pathname)
			.filter((p) => !/compare|differences/.test(p))
	);
	const unique = [...new Set(paths)];
	expect(unique.filter((p) => /^\/tables\/[a-z-]+$/.test(p)).length).toBeGreaterThanOrEqual(174);
	expect(unique.filter((p) => p.startsWith('/tables/way/')).length).toBe(20);
	expect(unique.filter((p) => p.startsWith('/tables/ratio/')).length).toBeGreaterThanOrEqual(60);
	const { lines, wrong } = await page.evaluate(async (all) => {
		const units =
			/°[CF]|mm|cm|\bin\b|kg|\bg\b|\blb\b|oz|ml|\bL\b|cups?|tbsp|tsp|pints?|quarts?|gallons?|\bh\b|min\b|\bs\b|days?|weeks?|months?|years?|%|kPa|psi|Pa|mTorr|cc|to 1|times|jars?|ft|\bm\b|feet|at once|none|W\/|kJ\/|as a power/;
		const bare = /pH|water activity|Done below|Low in acid above/i;
		const wrong: string[] = [];
		let lines = 0;
		for (const path of all) {
			const html = await (await fetch(path)).text();
			const doc = new DOMParser().parseFromString(html, 'text/html');
			for (const row of doc.querySelectorAll('[data-line]')) {
				lines++;
				const what = row.querySelector('dt')?.textContent?.trim() ?? '';
				const main = row.querySelector('dd b')?.textContent?.trim() ?? '';
				const mark = row.querySelector('[data-mark]')?.textContent?.trim() ?? '';
				const notes = [...(row.closest('section, details')?.querySelectorAll('[data-note]') ?? [])];
				const note = notes.find((n) => n.getAttribute('data-note') === mark)?.textContent ?? '';
				const sourced = /from memory|common practice|read from/.test(note);
				const said = /\d|[¼½¾⅓⅔⅛⅜⅝⅞]|at once|none/.test(main) && (units.test(main) || bare.test(what));
				if (what === '' || !said || !sourced) wrong.push(`${path}: ${what} = ${main} [${mark}: ${note}]`);
			}
			if (!/<h1/.test(html)) wrong.push(`${path}: no heading`);
		}
		return { lines, wrong };
	}, unique);
	expect(wrong).toEqual([]);
	expect(lines).toBeGreaterThan(3000);
});

test('foods stand side by side; one is added by its other name, one taken away, a wrong one is told', async ({
	page,
	home,
	quiet
}) => {
	void home;
	void quiet;
	await page.goto('/tables/carrots');
	await hydrated(page);
	await page.getByRole('link', { name: 'Beside another' }).click();
	await page.waitForURL(/compare/);
	await page.getByRole('combobox', { name: 'another food' }).fill('swede');
	await page.getByRole('button', { name: 'Set beside' }).click();
	const table = page.getByRole('table');
	await expect(table.getByRole('columnheader', { name: /rutabagas/ })).toBeVisible();
	await expect(table.getByRole('row', { name: /In the fridge/ }).getByRole('cell')).toHaveCount(2);
	await page.getByRole('combobox', { name: 'another food' }).fill('moon cheese');
	await page.getByRole('button', { name: 'Set beside' }).click();
	await expect(page.getByRole('alert')).toContainText('No food named "moon cheese"');
	await expect(page.getByRole('combobox', { name: 'another food' })).toHaveValue('moon cheese');
	await expect(table.getByRole('columnheader', { name: /carrots/ })).toBeVisible();
	await page.getByRole('combobox', { name: 'another food' }).fill('');
	await page.getByRole('combobox', { name: 'way', exact: true }).selectOption('cellar');
	await page.getByRole('button', { name: 'Set beside' }).click();
	await expect(table.getByRole('row', { name: /In the fridge/ })).toHaveCount(0);
	await expect(table.getByRole('row', { name: /Store wanted/ })).toBeVisible();
	await page.getByRole('link', { name: 'Take carrots away' }).click();
	await expect(table.getByRole('columnheader', { name: /carrots/ })).toHaveCount(0);
	await expect(page.getByRole('combobox', { name: 'way', exact: true })).toHaveValue('cellar');
});

test('a jam in whole sets, counted through an interruption and a mistake', async ({ page, home, quiet }) => {
	void home;
	void quiet;
	await page.goto('/tables/ratio/strawberry-freezer-jam');
	await hydrated(page);
	const have = page.getByRole('textbox', { name: /how much crushed strawberries/ });
	await have.fill('11 cups');
	await expect(page.getByText('whole sets')).toBeVisible();
	await expect(page.locator('main')).toContainText('5');
	const sugar = page.getByRole('row', { name: /sugar/ });
	await expect(sugar).toContainText('4 cups');
	await expect(sugar).toContainText('20 cups');
	await expect(page.locator('main')).toContainText(/1 cup\) of crushed strawberries left over/);
	const count = page.getByRole('button', { name: /^sugar: \d of 4 in, one more/ });
	for (let n = 0; n < 3; n++) await count.click();
	await page.getByRole('button', { name: 'sugar: one back' }).click();
	await page.reload();
	await hydrated(page);
	await expect(have).toHaveValue('11 cups');
	await expect(page.getByRole('button', { name: 'sugar: 2 of 4 in, one more' })).toBeVisible();
	await have.fill('eleven or so');
	await expect(page.getByRole('alert')).toContainText('"eleven or so" is no amount');
	await expect(page.getByRole('alert')).toContainText('One set is shown.');
	await expect(have).toHaveValue('eleven or so');
	await have.fill('1 cup');
	await expect(page.getByText('Not enough for a set:')).toBeVisible();
	await have.fill('');
	await expect(page.getByText('whole set', { exact: true })).toBeVisible();
});

test('canning times follow this kitchen’s altitude, and without one there are none', async ({
	page,
	home,
	context,
	baseURL
}) => {
	void home;
	const origin = baseURL ?? '';
	await page.goto('/tables/green-beans?way=can');
	await expect(page.locator('[data-section=can]')).toContainText('20 min');
	// Nowhere does a canning time stand without its product, pack and jar: a pickle's minutes are not the beans'.
	await page.goto('/tables/way/can');
	const bare = await page
		.locator('td > div')
		.evaluateAll((cells) =>
			cells.map((c) => c.textContent ?? '').filter((t) => !/(hot|raw) pack, (half-)?(pint|quart|gallon)/.test(t))
		);
	expect(bare.filter((t) => !/^\d.*Into every/.test(t))).toEqual([]);
	// Nor a pressure canner's without its pressure.
	for (const text of await page.locator('td:nth-child(3) > div').allTextContents())
		expect(text).toMatch(/\d+ psi, (dial|weighted) gauge/);
	await page.goto('/tables/compare?food=cucumbers&food=green-beans&food=peaches&way=can');
	const single = await page
		.getByRole('row', { name: /^Jars in boiling water/ })
		.locator('td > div')
		.allTextContents();
	expect(single.length).toBeGreaterThan(3);
	for (const text of single) expect(text).toMatch(/\S+, (hot|raw) pack, (half-)?(pint|quart)/);
	await page.goto('/tables/green-beans?way=can');
	// No canning time stands among the large figures, where it would stand without its product and jar.
	await expect(page.locator('article dl').first()).not.toContainText(/jar|pressure|boiling/);
	const made = await postForm(context.request, origin, '/kitchen/house?/newHousehold', {
		name: 'Bare',
		key: crypto.randomUUID()
	});
	expect(made.type).toBe('redirect');
	await page.goto('/tables/green-beans');
	await expect(page.locator('[data-section=can]')).toHaveCount(0);
	await expect(page.locator('[data-refused=can]')).toContainText('The altitude is not known');
	await expect(page.locator('article').first()).toContainText('altitude not set: no canning time is shown');
});

test('other names lead to the food, a slip is told with near names, and a way without numbers says so', async ({
	page,
	home
}) => {
	void home;
	await page.goto('/tables/courgettes?way=dry');
	await expect(page).toHaveURL(/\/tables\/zucchini\?way=dry$/);
	expect((await page.goto('/tables/brocoly'))?.status()).toBe(404);
	await expect(page.getByText(/Near it: broccoli/)).toBeVisible();
	expect((await page.goto('/tables/way/teleport'))?.status()).toBe(404);
	expect((await page.goto('/tables/ratio/moon-jam'))?.status()).toBe(404);
	await page.goto('/tables/way/smoke');
	await expect(page.getByText('none is made up')).toBeVisible();
	await page.goto('/tables?q=kraut');
	await expect(
		page.getByRole('region', { name: 'Found' }).getByRole('link', { name: 'sauerkraut' }).first()
	).toBeVisible();
	await page.goto('/tables/differences');
	await hydrated(page);
	await expect(page.locator('[data-practice]')).toHaveCount(25);
	await page.getByRole('combobox', { name: 'show' }).selectOption('safety');
	await expect.poll(() => page.locator('[data-practice]').count()).toBeLessThan(25);
	await expect(page.locator('[data-practice=thaw-counter]')).toContainText('Fridge, cold water, or cook from frozen');
});
