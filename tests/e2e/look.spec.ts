import { axeFor, expect, hydrated, press, startRun, test } from './help';

const tables = [
	'/tables',
	'/tables/green-beans',
	'/tables/beef',
	'/tables/way/dry',
	'/tables/way/can',
	'/tables/ratio/strawberry-freezer-jam?have=11+cups',
	'/tables/compare?food=carrots&food=beets&food=parsnips',
	'/tables/differences'
];
const places = [
	'/basket',
	'/ways',
	'/stove',
	'/stove/new',
	'/stove/meat?basis=boxed&grams=212+kg&extra=300&paid=2120',
	'/shelves',
	'/book',
	'/book/DEMO3',
	'/kitchen',
	'/kitchen/first',
	'/kitchen/drawer',
	'/kitchen/places',
	'/kitchen/house',
	'/shelves/add',
	'/basket/receipt',
	...tables,
	'/book/NOSUCH'
];

for (const scheme of ['light', 'dark'] as const) {
	test(`axe finds nothing on any page, ${scheme}`, async ({ page, home }) => {
		void home;
		// Some twenty whole pages are read; on a shared machine that takes its time.
		test.slow();
		await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
		const axe = () => axeFor(page, scheme);
		// Of like pages one is read: the rest of Tables is drawn by the same parts.
		for (const path of places.filter((p) => !['/tables/beef', '/tables/way/can', '/tables/differences'].includes(p))) {
			await page.goto(path);
			await hydrated(page);
			const { violations } = await axe().analyze();
			expect(violations.map((v) => `${path}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
		}
		await page.goto('/basket');
		const lot = (await page.getByRole('link', { name: 'Ways for tomatoes' }).getAttribute('href'))?.split('/').pop() ?? ''; // prettier-ignore
		for (const path of [`/stove/can?lot=${lot}`, `/stove/rehearsal?lot=${lot}`]) {
			await page.goto(path);
			await hydrated(page);
			if (path.includes('rehearsal')) await page.getByRole('button', { name: 'Begin the rehearsal' }).click();
			const { violations } = await axe().analyze();
			expect(violations.map((v) => `${path}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
		}
		await page.goto('/shelves');
		await hydrated(page);
		await page.locator('li.pack button.face').first().click();
		await startRun(page, 'runner beans');
		await press(page);
		const { violations } = await axe().analyze();
		expect(violations.map((v) => `stove: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
		await page.getByRole('button', { name: 'What now?' }).click();
		await page.getByRole('dialog').waitFor();
		const open = await axe().analyze();
		expect(open.violations.map((v) => `what now: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
	});
}

test('every page fits a phone of 390 px, with touch targets of 44 px', async ({ page, home }) => {
	void home;
	await page.setViewportSize({ width: 390, height: 844 });
	const check = async (path: string) => {
		const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
		expect(wide, `${path} scrolls sideways`).toBeLessThanOrEqual(0);
		const small = await page.evaluate(() =>
			[
				...document.querySelectorAll<HTMLElement>(
					'button, .btn, nav a, select, input:not([type=hidden]):not([type=checkbox]):not([type=radio]), label:has([type=radio])'
				)
			]
				.filter((e) => e.offsetParent !== null && e.getBoundingClientRect().height < 43.5)
				.map((e) => e.outerHTML.slice(0, 90))
		);
		expect(small, path).toEqual([]);
	};
	for (const path of places.slice(0, -1)) {
		await page.goto(path);
		await hydrated(page);
		await check(path);
	}
	await startRun(page, 'runner beans');
	await press(page);
	await check('stove');
});

test('every page has a title, and an unknown one says where to go', async ({ page, home }) => {
	void home;
	for (const path of places.slice(0, -1)) {
		await page.goto(path);
		await expect(page).toHaveTitle(/.+ · Root Jar$/);
	}
	const reply = await page.goto('/nowhere');
	expect(reply?.status()).toBe(404);
	await expect(page.getByRole('link', { name: 'To the Basket' })).toBeVisible();
});

test('printing leaves out what is not for paper', async ({ page, home }) => {
	void home;
	await page.goto('/shelves');
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('navigation', { name: 'Places' })).toBeHidden();
	await expect(page.getByRole('button', { name: /Take one/ }).first()).toBeHidden();
	await expect(page.getByText(/peas, shelled/).first()).toBeVisible();
});
