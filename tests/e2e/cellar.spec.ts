import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { begin, expect, hydrated, later, lotOf, main, press, test } from './help';

const hour = 3600;
const sentence = (page: Page) => main(page).getByRole('heading', { level: 1 });

const weigh = async (page: Page, kilos: string) => {
	await main(page).getByRole('textbox').first().fill(kilos);
	await press(page);
};

test('40 packs of mince: filled and sealed in one go, in three lots under the clock, looked at after two days', async ({
	page,
	home,
	clock,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(150_000);
	const lot = await lotOf(page, baseURL ?? '', '20 kg ground beef in the fridge', 'ground beef');
	await page.goto(`/stove/seal?lot=${lot}&pack=500`);
	await hydrated(page);
	const comes = page.getByRole('region', { name: 'What comes of it' });
	await expect(comes).toContainText('40 bags of 500 g');
	await expect(comes).toContainText('14 + 13 + 13: each filled, then sealed, the others in the cold');
	await page.getByLabel(/one piece/).fill('20 x 12 x 3');
	await page.getByLabel(/one piece/).blur();
	await expect(page).toHaveURL(/size=/);
	await begin(page);
	await expect(sentence(page)).toHaveText('40 bags ready, labelled, mouths cuffed.');
	await press(page);
	for (const [n, bags] of [
		[1, 14],
		[2, 13],
		[3, 13]
	] as const) {
		await expect(sentence(page)).toContainText(`Lot ${n} of 3: `);
		await expect(sentence(page)).toContainText('onto the table');
		await press(page);
		await later(page, clock, hour * 0.2);
		await expect(sentence(page)).toContainText(`fill all ${bags} bags first`);
		await press(page);
		if (n === 2) {
			// Called away: back into the cold, and the clock stands; out again it goes on.
			await page.getByRole('button', { name: 'It is back' }).first().click();
			await later(page, clock, hour * 3);
			await expect(sentence(page)).toContainText('onto the table');
			await press(page);
		}
		await expect(sentence(page)).toContainText(`seal all ${bags} bags in one go`);
		await press(page);
		await expect(sentence(page)).toContainText('into the freezer');
		await main(page).getByLabel('bags', { exact: true }).fill(String(bags));
		await main(page).getByRole('button', { name: 'Book these bags' }).click();
	}
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	await expect
		.poll(
			() =>
				sql`select sum(b.amount)::int as packs, min(l.state) as state from lot l join lot_balance b on b.lot_id = l.id join batch x on x.id = l.batch_id where l.household_id = ${home.id} and x.way_id = 'vacuum'`
		)
		.toMatchObject([{ packs: 40, state: 'frozen' }]);
	await clock.forward(2 * 86_400);
	await page.goto('/shelves');
	await hydrated(page);
	await expect(page.locator('main')).toContainText('Sealed bags');
});

test('squash in the wrong cold is refused; onions are sorted, cured for two weeks, hung; apples beside potatoes are warned of', async ({
	page,
	home,
	clock,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(150_000);
	const origin = baseURL ?? '';
	await sql`update place set removed_at = now() where household_id = ${home.id} and kind in ('cellar', 'cool')`;
	for (const [name, kind, temp_c] of [
		['Root cellar', 'cellar', 2],
		['Loft', 'cool', 12]
	] as const)
		await sql`insert into place ${sql({ id: randomUUID(), household_id: home.id, name, kind, temp_c, position: 80 })}`;
	const squash = await lotOf(page, origin, '12 kg butternut squash', 'butternut squash');
	await page.goto(`/stove/store?lot=${squash}`);
	await hydrated(page);
	// USDA Handbook 66 (from memory): 10 to 13 °C.
	await expect(page.getByRole('region', { name: 'What comes of it' })).toContainText('10 °C to 13 °C');
	await page.getByLabel('into').selectOption({ label: 'Root cellar, 2 °C' });
	await expect(page.getByText(/Root cellar has 2 °C; .* want 10 °C to 13 °C/)).toBeVisible();
	await expect(page.getByText(/Better: Loft, 12 °C/)).toBeVisible();
	await expect(page.getByRole('button', { name: 'Start', exact: true })).toHaveCount(0);

	const onions = await lotOf(page, origin, '20 kg onions', 'onions');
	await page.goto(`/stove/store?lot=${onions}`);
	await hydrated(page);
	await expect(page.getByRole('region', { name: 'What comes of it' })).toContainText('14 to 28 days');
	await begin(page);
	await expect(sentence(page)).toContainText('what do the sound ones weigh?');
	await weigh(page, '18.5 kg');
	await expect(sentence(page)).toContainText('Spread out to cure');
	await press(page);
	// What is flawed is weighed into the Basket while they cure.
	await page.getByRole('button', { name: 'Set aside' }).click();
	await later(page, clock, hour * 24 * 10);
	await expect(main(page)).toContainText('4 days');
	await later(page, clock, hour * 24 * 5);
	await expect(sentence(page)).toHaveText('Are they cured?');
	await press(page);
	await expect(sentence(page)).toContainText('Into Root cellar: what do they weigh now?');
	await weigh(page, '17.8 kg');
	await expect(sentence(page)).toHaveText('All of it is in its place.');
	await press(page);
	await expect
		.poll(
			() =>
				sql`select l.title, l.waiting, p.name, b.amount::int as dg from lot l join lot_balance b on b.lot_id = l.id join place p on p.id = l.place_id where l.household_id = ${home.id} and l.food = 'onions' and l.pack_event_id is not null order by b.amount desc`
		)
		.toMatchObject([
			{ title: 'onions, cured', waiting: false, name: 'Root cellar', dg: 178_000 },
			{ title: 'onions, to eat first', waiting: true, dg: 15_000 }
		]);

	// Apples lie there already: potatoes beside them sprout, and the shelf says so.
	const apples = await lotOf(page, origin, '8 kg apples', 'apples');
	await page.goto(`/stove/store?lot=${apples}&cured=yes`);
	await hydrated(page);
	await begin(page);
	await weigh(page, '8 kg');
	await weigh(page, '8 kg');
	await press(page);
	const potatoes = await lotOf(page, origin, '25 kg potatoes', 'potatoes');
	const [cellar] = await sql`select id from place where household_id = ${home.id} and name = 'Root cellar'`;
	await page.goto(`/stove/store?lot=${potatoes}&place=${String(cellar?.id)}`);
	await hydrated(page);
	await expect(
		page.getByText(/Not beside the apples.* in Root cellar: Ripening fruit gives off ethylene/)
	).toBeVisible();
	await page.goto('/shelves');
	await hydrated(page);
	await expect(page.locator('main')).toContainText(/Onions beside apples|Apples beside onions/);
});
