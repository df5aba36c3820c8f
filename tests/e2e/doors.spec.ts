import { randomUUID } from 'node:crypto';
import { v7 as uuidv7 } from 'uuid';
import { expect, hydrated, postForm, test, toWays } from './help';

const line = (page: import('@playwright/test').Page) => page.getByRole('textbox', { name: /What came in/ });

test('a line that says another food is read, asked or refused as it is typed, and never kept as something else', async ({
	page,
	home,
	sql
}) => {
	await page.goto('/basket');
	await hydrated(page);
	await line(page).fill('3 kg cherry peppers');
	await expect(page.getByText(/^= 3\.0 kg cherry peppers/)).toBeVisible();
	await expect(page.getByText('a kind of chile peppers')).toBeVisible();
	await line(page).fill('2 kg beans');
	await expect(page.getByText('Which beans?')).toBeVisible();
	await page.getByRole('button', { name: 'runner beans', exact: true }).click();
	await expect(line(page)).toHaveValue('2 kg runner beans');
	await line(page).fill('1 kg rhubarb leaves');
	await expect(page.getByText('No: Rhubarb leaves are poisonous.')).toBeVisible();
	await expect(page.getByText('Use the stalks only')).toBeVisible();
	const count = async () =>
		(await sql`select count(*)::int as n from lot where household_id = ${home.id}`)[0]?.n as number;
	const before = await count();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('alert').first()).toContainText('Nothing was saved');
	expect(await count()).toBe(before);
	await expect(line(page)).toHaveValue('1 kg rhubarb leaves');
	// A half-typed line outlives a look at another place, and is gone once it is kept.
	await line(page).fill('2 kg sungold tom');
	await page.getByRole('link', { name: 'Shelves' }).first().click();
	await page.waitForURL(/shelves/);
	await page.goto('/basket');
	await expect(line(page)).toHaveValue('2 kg sungold tom');
	await line(page).fill('2 kg sungold tomatoes');
	await page.getByRole('button', { name: /the variety/ }).click();
	await expect(line(page)).toHaveValue('2 kg tomatoes, variety sungold');
	await page.keyboard.press('Enter');
	// Kept: the line is empty again, and stays so.
	await expect(line(page)).toHaveValue('');
	await page.reload();
	await hydrated(page);
	await expect(line(page)).toHaveValue('');
});

test('wild mushrooms open no way before it is said who has seen them, and the answer is kept', async ({
	page,
	home,
	baseURL,
	context
}) => {
	void home;
	await postForm(context.request, baseURL ?? '', '/basket?/add', { text: '1 kg porcini', key: randomUUID() });
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('link', { name: 'Ways for porcini' }).click();
	await expect(page.getByRole('heading', { name: 'First: who has seen them?' })).toBeVisible();
	await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
	await page.getByRole('button', { name: 'No, or not sure' }).click();
	await expect(page.getByRole('heading', { name: /^Out\./ })).toBeVisible();
	await page.reload();
	await expect(page.getByRole('heading', { name: /^Out\./ })).toBeVisible();
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('button', { name: 'More for porcini' }).click();
	await page.getByRole('button', { name: 'They have been seen now' }).click();
	await page.getByRole('link', { name: 'Ways for porcini' }).click();
	await expect(page.getByRole('button', { name: /^Start: Cook first/ })).toBeVisible();
	await expect(page.getByRole('navigation', { name: /^All ways/ })).toContainText('never canned');
});

test('the hours out of the cold are not forgotten in the fridge: mince after twelve of them is out, with no start', async ({
	page,
	home,
	clock,
	baseURL,
	context
}) => {
	void home;
	await postForm(context.request, baseURL ?? '', '/basket?/add', { text: '2 kg minced beef', key: randomUUID() });
	await clock.forward(3600);
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('button', { name: 'More for minced beef' }).click();
	await page.getByRole('combobox', { name: 'to' }).selectOption({ label: 'Fridge' });
	await page.getByRole('button', { name: 'Move it' }).click();
	await expect(page.getByText(/minced beef moved to Fridge/)).toBeVisible();
	// Half the clock is used up: a day later it is past its end, two days after it came in.
	await clock.forward(25 * 3600);
	await page.goto('/basket');
	await hydrated(page);
	await expect(page.getByText(/^out: /)).toBeVisible();
	await page.getByRole('link', { name: 'Why out for minced beef' }).click();
	await expect(page.getByRole('heading', { name: /^Out\./ })).toBeVisible();
	await expect(page.getByText('add up over every place')).toBeVisible();
	await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
	const lot = page.url().split('/').at(-1) ?? '';
	const start = await postForm(context.request, baseURL ?? '', `/ways/${lot}?/start`, { way: 'raw', key: uuidv7() });
	expect([start.type, start.status]).toEqual(['failure', 422]);
	expect(start.data).toContain('Nothing was started');
	// Back on the counter or not: out is out.
	await clock.forward(60);
	await page.reload();
	await expect(page.getByRole('heading', { name: /^Out\./ })).toBeVisible();
	// What to do with it is not what would be done with fresh mince.
	await expect(page.locator('main')).not.toContainText(/freeze it|in the fridge for/i);
	await page.getByRole('link', { name: 'Take it out of the Basket' }).click();
	await hydrated(page);
	await expect(page.getByRole('button', { name: 'Spoiled' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Eaten fresh' })).toHaveCount(0);
	await page.getByRole('textbox', { name: 'how much' }).press('Enter');
	await page.waitForTimeout(300);
	await expect(page.getByText(/^out: /)).toBeVisible();
	await page.getByRole('button', { name: 'Spoiled' }).click();
	await expect(page.getByText(/^out: /)).toHaveCount(0);
});

test('a link that is pressed while the line is still being kept is followed, and the line is kept', async ({
	page,
	home
}) => {
	void home;
	const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
	await page.route('**/basket?/add', async (route) => {
		await wait(500);
		await route.continue();
	});
	await page.route('**/ways/**/__data.json*', async (route) => {
		await wait(1500);
		await route.continue();
	});
	await page.goto('/basket');
	await hydrated(page);
	await line(page).fill('2 kg carrots');
	await line(page).press('Enter');
	await page
		.getByRole('link', { name: /^Ways for/ })
		.first()
		.click();
	await page.waitForURL(/\/ways\/[0-9a-f-]{36}/);
	await page.waitForTimeout(500);
	await expect(page).toHaveURL(/\/ways\//);
	await page.goto('/basket');
	await expect(page.getByRole('link', { name: 'Ways for carrots' })).toBeVisible();
});

test('a lot that an older reader kept as another food is flagged, never changed, and has no way until it is said again', async ({
	page,
	home,
	sql
}) => {
	// As that reader left it: the first known word the food, the rest a note.
	await sql`update lot set food = 'cherries', title = 'cherry', note = 'peppers', said = '3 kg cherry peppers', reader = 0
		where household_id = ${home.id} and title = 'courgettes' and waiting`;
	await page.goto('/basket');
	await hydrated(page);
	await expect(page.getByText('say it again')).toBeVisible();
	await page.getByRole('link', { name: 'Ways for cherry' }).click();
	await expect(page.getByRole('heading', { name: 'Say this one again.' })).toBeVisible();
	await expect(page.getByText('min in boiling water')).toHaveCount(0);
	await page.getByRole('link', { name: 'Type it again in the Basket' }).click();
	await hydrated(page);
	await expect(page.getByText(/^= 3\.0 kg cherry peppers/)).toBeVisible();
	const [kept] = await sql`select food, title from lot where household_id = ${home.id} and title = 'cherry'`;
	expect(kept).toMatchObject({ food: 'cherries', title: 'cherry' });
});

test('two items of one name, food that is only kept, and a number that is none leave the page of ways whole', async ({
	page,
	home,
	baseURL,
	context
}) => {
	void home;
	for (const text of ['2 kg beef', '1 kg pork', '3 kg pork', '12 duck eggs', '2 kg frozen raspberries'])
		await postForm(context.request, baseURL ?? '', '/basket?/add', { text, key: randomUUID() });
	await toWays(page, 'beef');
	const ways = page.url();
	for (const pack of ['5', 'abc']) {
		await page.getByRole('combobox', { name: 'a pack' }).fill(pack);
		await page.getByRole('combobox', { name: 'a pack' }).press('Tab');
		await expect(page.getByRole('alert').first()).toContainText(/10 g to 20 kg|“abc” is no portion/);
		await expect(page.getByRole('button', { name: /^Start/ }).first()).toBeVisible();
		await expect(page.getByRole('combobox', { name: 'a pack' })).toHaveValue(pack);
	}
	await page.goto(`${ways}/dry/why`);
	await page.getByText('With what else of the basket?').click();
	await expect(page.getByText(/^Never with pork/)).toHaveCount(2);
	await expect(page.getByText('their heat steps differ').first()).toBeVisible();
	await page.goto('/basket');
	await page.getByRole('link', { name: 'Ways for duck eggs' }).click();
	await expect(page.getByRole('heading', { name: 'Nothing more is made of it here.' })).toBeVisible();
	await expect(page.getByText(/Freeze beaten eggs/)).toBeVisible();
	await page.goto('/basket');
	await page.getByRole('link', { name: 'Ways for raspberries' }).last().click();
});

test('the altitude keeps its number beside its unit, whatever else is saved', async ({
	page,
	home,
	context,
	baseURL
}) => {
	void home;
	await page.goto('/kitchen');
	await hydrated(page);
	const number = page.getByRole('textbox', { name: 'altitude', exact: true });
	const unit = page.getByRole('combobox', { name: 'in', exact: true });
	await number.fill('1900');
	// Something else of this page is saved, and the household's units change on another device.
	await postForm(context.request, baseURL ?? '', '/kitchen/house?/basics', {
		name: 'Harrow End',
		people: '5',
		units: 'us',
		zone: 'Europe/Prague'
	});
	await page.getByText('Ice, basins, trays', { exact: true }).click();
	await page.getByLabel('basins for chilling').fill('3');
	await page.getByRole('button', { name: 'Save ice, basins, trays' }).click();
	// Six kilos are never taken for six pounds.
	await expect(page.getByRole('alert')).toContainText('The units of this household were changed');
	await expect(number).toHaveValue('1900');
	await expect(unit).toHaveValue('m');
	await page.getByRole('button', { name: 'Save the altitude' }).click();
	await expect(page.getByText('Altitude: saved')).toBeVisible();
	await expect(page.getByRole('heading', { name: 'Altitude: 6,234 ft' })).toBeVisible();
	await expect(number).toHaveValue('1900');
	await unit.selectOption('ft');
	await expect(number).toHaveValue('1900');
	// What failed in one form stands in that form alone.
	await page.reload();
	await hydrated(page);
	await expect(number).toHaveValue('6233.6');
});

test('on the Shelves Enter in the cause books what was spoiled, and a count starts from what is there', async ({
	page,
	home
}) => {
	void home;
	await page.goto('/shelves');
	await hydrated(page);
	await page.locator('li.pack button.face').first().click();
	await page.getByText('move, count, keep aside, spoiled').click();
	const spoil = page.getByRole('form', { name: 'Spoiled' });
	await spoil.getByRole('textbox', { name: 'cause' }).fill('frost');
	await spoil.getByRole('textbox', { name: 'cause' }).press('Enter');
	await expect(page.getByText(/1 pack .* spoiled/).first()).toBeVisible();
	await page.locator('li.pack button.face').first().click();
	await page.getByText('move, count, keep aside, spoiled').click();
	await expect(page.getByRole('form', { name: 'Counted' }).getByRole('spinbutton')).not.toHaveValue('1');
});

test('labels printed on this machine say that their picture leads nowhere else', async ({ page, home }) => {
	void home;
	await page.goto('/book/DEMO3');
	await expect(page.getByText('which only this computer can open')).toBeVisible();
});

test('a part is kept for a supper, a place is measured again, and the drawer says what runs low', async ({
	page,
	home
}) => {
	void home;
	await page.goto('/shelves');
	await hydrated(page);
	const packs = page.locator('li.pack').first();
	await packs.locator('button.face').click();
	await page.getByText('move, count, keep aside, spoiled').click();
	const keep = page.getByRole('form', { name: 'Keep aside' });
	await keep.getByRole('spinbutton').fill('2');
	await keep.getByRole('textbox', { name: 'for' }).fill('Sunday’s roast');
	await keep.getByRole('textbox', { name: 'for' }).press('Enter');
	await expect(packs).toContainText('kept: 2 packs for Sunday’s roast');
	await packs.locator('button.face').click();
	const kept = page.getByRole('form', { name: 'Kept for Sunday’s roast' });
	await kept.getByRole('button', { name: 'Take them for it' }).click();
	await expect(page.getByText(/2 packs .* taken for Sunday’s roast/).first()).toBeVisible();
	await expect(packs).not.toContainText('kept:');

	await page.goto('/kitchen/places');
	await hydrated(page);
	const fridge = page.locator('details').filter({ hasText: 'Fridge, fridge' });
	await fridge.locator('summary').click();
	await fridge.getByLabel(/measured now/).fill('7.5');
	await fridge.getByRole('button', { name: 'Save Fridge' }).click();
	await expect(fridge.locator('summary')).toContainText('7.5 °C');
	const freezer = page.locator('details').filter({ hasText: 'a day may go in' }).first();
	await freezer.locator('summary').click();
	await freezer.getByLabel(/measured now/).fill('-8');
	await freezer.getByRole('button', { name: /^Save/ }).click();
	await expect(page.getByRole('alert')).toContainText('does not keep its months');
	await expect(freezer.getByLabel(/measured now/)).toHaveValue('-8');

	await page.goto('/kitchen/drawer');
	await hydrated(page);
	const mark = page.getByLabel(/^Low mark of/).first();
	const name = ((await mark.getAttribute('aria-label')) ?? '').replace('Low mark of ', '');
	await mark.fill('99999');
	await page.getByRole('button', { name: `Save the count of ${name}`, exact: true }).click();
	await expect(page.getByText('Running low:').locator('..')).toContainText(name);
});
