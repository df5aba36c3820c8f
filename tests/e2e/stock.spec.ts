import { expect, hydrated, postForm, test } from './help';

/** Sixty things in nine places, as somebody types them walking round the house. */
const lines: Readonly<Record<string, readonly string[]>> = {
	'Chest freezer, basket': [
		'12 × 500 g green beans, August',
		'4 bags spinach, 300 g',
		'6 × 250 g bell peppers, diced',
		'8 × 400 g beef mince',
		'5 × 1 L chicken stock',
		'3 × 250 g basil pesto',
		'6 × 600 g soup mix (carrots + leeks + 20 % potatoes)',
		'10 × 300 g raspberries',
		'3 × 400 g blueberries'
	],
	'Chest freezer, floor': [
		'2 chickens, whole',
		'8 × 350 g pork chops',
		'6 × 500 g strawberries',
		'4 × 1 kg tomatoes',
		'9 × 300 g kale',
		'7 × 500 g zucchini, grated',
		'3 kg beef bones'
	],
	Fridge: [
		'12 eggs',
		'1 L milk',
		'300 g butter',
		'800 g chicken, cooked, yesterday',
		'1 kg carrots',
		'500 g yogurt',
		'400 g cheese',
		'1 kg spinach'
	],
	Counter: ['2 kg tomatoes, ripe', '1 kg bananas', '2 kg apples', '1 kg lemons', '500 g shallots'],
	'Pantry board 1': [
		'19 quarts crushed tomatoes, canned, tested',
		'7 pints green beans, pickled, tested',
		'12 half-pints plum jam',
		'5 half-pints apple butter',
		'3 quarts apple juice',
		'12 tins chickpeas, 400 g',
		'6 tins tuna, 150 g',
		'7 quarts green beans, canned 2025'
	],
	'Pantry board 2': [
		'2 pint jars dried plums',
		'3 × 1 pint jars dried apples',
		'200 g dried mint',
		'500 g dried button mushrooms',
		'25 kg flour',
		'5 kg rice',
		'3 kg dry beans',
		'10 jars honey, 500 g',
		'2 kg walnuts'
	],
	Cellar: [
		'9 butternut squash, 11.2 kg',
		'14 kg beetroot in sand',
		'40 kg potatoes',
		'12 kg carrots in sand',
		'6 cabbages',
		'10 kg onions on strings',
		'3 kg garlic',
		'4 kg pears',
		'5 kg celeriac'
	],
	'Third row': ['6 kg carrots', '4 kg leeks', '3 kg parsnips'],
	Crock: ['5 kg sauerkraut, fermenting', '3 kg cucumbers, fermented', '2 kg cabbage, salted']
};

test('a household is typed in from an empty application: sixty lots in nine places, counted, opened, thawed, moved, part used, undone, equal to its ledger', async ({
	page,
	home,
	context,
	baseURL,
	sql
}) => {
	test.setTimeout(240_000);
	void home;
	const origin = baseURL ?? '';
	await page.goto('/kitchen/house');
	await hydrated(page);
	await page.getByLabel('a household beside this one').fill('Upper Field');
	await page.getByRole('button', { name: 'Start it' }).click();
	await expect(page.getByText('Nothing that needs heat is worked out until you say it.')).toBeVisible();
	const [own] = await sql`select id from household where name = 'Upper Field' order by created_at desc limit 1`;
	const id = own?.id as string;

	// Three answers, one save.
	await page.getByRole('link', { name: 'Set it up in three answers' }).click();
	await page.getByLabel(/height above the sea/).fill('380');
	await expect(page.getByText('98.7')).toBeVisible();
	await expect(page.getByText('+ 5')).toBeVisible();
	await page.getByRole('button', { name: 'This is our kitchen' }).click();
	await expect(page).toHaveURL(/\/basket$/);

	// Its places.
	const places = new Map<string, string>();
	const wanted: [string, string, string][] = [
		['Chest freezer, basket', 'freezer', '-19'],
		['Chest freezer, floor', 'freezer', '-19'],
		['Pantry board 1', 'pantry', '17'],
		['Pantry board 2', 'pantry', '17'],
		['Cellar', 'cellar', '9'],
		['Third row', 'ground', '9'],
		['Crock', 'crock', '18']
	];
	for (const [name, kind, tempC] of wanted)
		expect(
			(
				await postForm(context.request, origin, '/kitchen/places?/place', {
					name,
					kind,
					tempC,
					litres: kind === 'freezer' ? '120' : ''
				})
			).type
		).toBe('success');
	for (const row of await sql`select id, name from place where household_id = ${id}`)
		places.set(row.name as string, row.id as string);

	// The first line by hand, as a person does it; the others as fast as a form goes.
	await page.goto(`/shelves/add?place=${places.get('Chest freezer, basket')}`);
	await hydrated(page);
	const line = page.getByRole('textbox', { name: /What stands there/ });
	await line.fill('garlic in oil');
	await expect(page.locator('#echo')).toContainText(/How much/);
	const all = Object.entries(lines).flatMap(([place, list]) => list.map((text) => ({ place, text })));
	expect(all.length).toBeGreaterThanOrEqual(60);
	for (const [i, { place, text }] of all.entries()) {
		if (i === 0) {
			await line.fill(text);
			await expect(page.locator('#echo')).toContainText('12 × 500 g green beans, frozen, in Chest freezer, basket');
			await line.press('Enter');
			await expect(page.getByText(/12 packs green beans in Chest freezer/).first()).toBeVisible();
			continue;
		}
		const answer = await postForm(context.request, origin, '/shelves/add?/add', {
			text,
			placeId: places.get(place) ?? ''
		});
		expect(`${text}: ${answer.type} ${answer.type === 'success' ? '' : (answer.data ?? '').slice(0, 300)}`).toBe(
			`${text}: success `
		);
	}
	await page.reload();
	await hydrated(page);
	expect(await page.getByRole('button', { name: /^Undo:/ }).count()).toBe(all.length);
	const slip = page.getByRole('button', { name: /^Undo:/ }).first();
	const what = (await slip.getAttribute('aria-label')) ?? '';
	await slip.click();
	await expect(page.getByRole('button', { name: what, exact: true })).toHaveCount(0);
	expect(
		(
			await postForm(context.request, origin, '/shelves/add?/add', {
				text: all.at(-1)?.text ?? '',
				placeId: places.get('Crock') ?? ''
			})
		).type
	).toBe('success');

	// What is dangerous is said; what may not stand there is not kept.
	const refused = await postForm(context.request, origin, '/shelves/add?/add', {
		text: '3 × 200 ml garlic in oil',
		placeId: places.get('Pantry board 1') ?? ''
	});
	expect(refused.data).toMatch(/botulism/);
	await page.goto('/shelves');
	await hydrated(page);
	const unknown = page.locator('li.stand', { hasText: 'its process is unknown' });
	await expect(unknown).toHaveCount(1);
	await unknown.locator('button.face').click();
	await expect(page.getByText(/botulism gives no sign/)).toBeVisible();

	// One jar opened, two bags to thaw, some squash moved, part of the flour used: each in a few taps.
	const block = (title: string) => page.locator('li.stand').filter({ hasText: title }).first();
	await block('plum jam').locator('button.face').click();
	await page.getByRole('button', { name: 'Open one' }).click();
	await expect(page.getByRole('heading', { name: 'Opened and thawed' })).toBeVisible();
	await block('beef mince').locator('button.face').click();
	const thaw = page.getByRole('form', { name: 'Thaw' });
	await thaw.getByLabel('packs').fill('2');
	await thaw.getByRole('button').click();
	await expect(page.getByText(/2 packs beef mince thawing/).first()).toBeVisible();
	await block('butternut squash').locator('button.face').click();
	await page.getByText('move, count, keep aside, spoiled').click();
	const move = page.getByRole('form', { name: 'Move' });
	await move.getByLabel('pieces').fill('2');
	await move.getByLabel('to').selectOption({ label: 'Counter' });
	await move.getByRole('button').click();
	await expect(page.getByText(/2 butternut squash .* moved to Counter/).first()).toBeVisible();
	await block('flour').locator('button.face').click();
	const use = page.getByRole('form', { name: 'Use it' });
	await use.getByLabel('weight').fill('1.5 kg');
	await use.getByRole('button', { name: 'Take' }).click();
	await expect(page.getByText(/1.5 kg flour taken/).first()).toBeVisible();
	await page.getByRole('button', { name: /^Undo: 1.5 kg flour/ }).click();
	await expect(block('flour')).toContainText('25');

	// Five minutes with the phone: one line at a time, differences explained.
	await page.setViewportSize({ width: 390, height: 844 });
	await page.goto(`/shelves/count/${places.get('Cellar')}`);
	await hydrated(page);
	await expect(page.getByText('line 1 of 9')).toBeVisible();
	for (let i = 0; i < 9; i++) {
		const title = await page.getByRole('heading', { level: 1 }).innerText();
		if (/butternut/i.test(title)) {
			await page.getByRole('button', { name: 'one fewer' }).click();
			await expect(page.getByText('1 piece fewer')).toBeVisible();
			await page.getByRole('button', { name: 'Spoiled' }).click();
		} else await page.getByRole('button', { name: /^Next|^That was the last/ }).click();
		await expect(page.getByText(i < 8 ? `line ${i + 2} of 9` : 'all 9 lines')).toBeVisible();
	}
	await page.getByRole('button', { name: 'Cellar is counted' }).click();
	await expect(page.getByRole('heading', { name: 'Counted.' })).toBeVisible();
	expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);

	// The ledger says what the shelves show.
	const [left] =
		await sql`select count(*)::int as n from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${id} and l.title = 'butternut squash' and b.amount in (6, 2)`;
	expect(left?.n).toBe(2);
	const [wrong] =
		await sql`select count(*)::int as n from lot_balance b left join (select lot_id, sum(amount) as s from movement group by lot_id) m on m.lot_id = b.lot_id where b.household_id = ${id} and b.amount is distinct from m.s`;
	expect(wrong?.n).toBe(0);
	const [standing] =
		await sql`select count(*)::int as n, count(distinct l.place_id)::int as places from lot l join lot_balance b on b.lot_id = l.id where l.household_id = ${id} and b.amount > 0`;
	expect(Number(standing?.n)).toBeGreaterThanOrEqual(55);
	expect(standing?.places).toBe(9);

	// Found again by a word, from any place; printed with a box to tick.
	await page.setViewportSize({ width: 1280, height: 800 });
	await page.goto('/shelves?q=carrots');
	await expect(page.locator('li.stand')).toHaveCount(4);
});
