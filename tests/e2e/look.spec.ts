import type { Page } from '@playwright/test';
import { expect, hydrated, press, seen, startRun, test, thinned } from './help';

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
	'/ways/plan',
	'/ways/offer?say=20+kg+plums+at+0.90',
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
	'/shelves/lasts',
	'/shelves/power',
	'/supper',
	'/book/foods',
	'/book/foods/green-beans',
	'/kitchen/out',
	'/basket/receipt',
	...tables,
	'/book/NOSUCH'
];

/** Of like pages axe reads one: the rest of Tables is drawn by the same parts. */
const alike = ['/tables/beef', '/tables/way/can', '/tables/differences'];

/** Nothing sideways on 390 px, nothing smaller than a finger. */
async function fits(page: Page, what: string): Promise<void> {
	await page.setViewportSize({ width: 390, height: 844 });
	const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
	expect(wide, `${what} scrolls sideways`).toBeLessThanOrEqual(0);
	const small = await page.evaluate(() =>
		[
			...document.querySelectorAll<HTMLElement>(
				'button, .btn, nav a, select, input:not([type=hidden]):not([type=checkbox]):not([type=radio]), label:has([type=radio])'
			)
		]
			.filter((e) => e.offsetParent !== null && e.getBoundingClientRect().height < 43.5)
			.map((e) => e.outerHTML.slice(0, 90))
	);
	expect(small, what).toEqual([]);
	await page.setViewportSize({ width: 1280, height: 800 });
}

const half = Math.ceil(places.length / 2);
for (const [which, some] of [
	['the first half', places.slice(0, half)],
	['the second half', places.slice(half)]
] as const)
	test(`every page has a title, nothing that axe finds in light or dark, fits 390 px with targets of 44: ${which}`, async ({
		page,
		home
	}) => {
		void home;
		test.setTimeout(300_000);
		for (const path of some) {
			await page.goto(path);
			await hydrated(page);
			await expect(page).toHaveTitle(/.+ · Root Jar$/);
			if (path !== '/book/NOSUCH') await fits(page, path);
			await thinned(page);
			if (!alike.includes(path)) await seen(page, path);
		}
	});

test('the Stove, its beginnings and its dialogs: nothing that axe finds in light or dark, and it fits 390 px', async ({
	page,
	home
}) => {
	void home;
	test.setTimeout(300_000);
	await page.goto('/basket');
	const lot = (await page.getByRole('link', { name: 'Ways for tomatoes' }).getAttribute('href'))?.split('/').pop() ?? ''; // prettier-ignore
	for (const path of [`/stove/can?lot=${lot}`, `/stove/rehearsal?lot=${lot}`]) {
		await page.goto(path);
		await hydrated(page);
		if (path.includes('rehearsal')) await page.getByRole('button', { name: 'Begin the rehearsal' }).click();
		await seen(page, path);
	}
	await page.goto('/shelves');
	await hydrated(page);
	await page.locator('li.pack button.face').first().click();
	await startRun(page, 'runner beans');
	await press(page);
	await seen(page, 'stove');
	await fits(page, 'stove');
	await page.getByRole('button', { name: 'What now?' }).click();
	await page.getByRole('dialog').waitFor();
	await seen(page, 'what now');
});

test('an unknown page says where to go', async ({ page, home }) => {
	void home;
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
