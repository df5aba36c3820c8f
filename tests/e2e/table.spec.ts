import { randomUUID } from 'node:crypto';
import { expect, hydrated, later, main, postForm, press, test } from './help';

/** Kits, whole sets of a recipe, the freeze-dryer: on a controlled clock with hand-worked numbers, through to the shelf. */

test('ten smoothie packs of five lots: weighed out, filled, each lot traced, by the weakest date, one taken', async ({
	page,
	home,
	clock,
	context,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(120_000);
	const origin = baseURL ?? '';
	for (const text of [
		'2 kg strawberries',
		'1.2 kg blueberries',
		'900 g spinach',
		'1.5 kg mangoes, frozen',
		'900 g peaches, frozen'
	])
		expect((await postForm(context.request, origin, '/basket?/add', { text })).type, text).toBe('success');
	await page.goto('/stove/kit');
	await hydrated(page);
	for (const [name, each] of [
		['strawberries', '150 g'],
		['blueberries', '80 g'],
		['spinach', '40 g'],
		['mangoes', '60 g'],
		['peaches', '50 g']
	] as const) {
		await page.getByRole('checkbox', { name, exact: true }).check();
		await page.getByLabel(`${name} in each pack`).fill(each);
		await page.getByLabel(`${name} in each pack`).blur();
		await expect(page).toHaveURL(new RegExp(`each-[0-9a-f-]+=${each.replace(' ', '\\+')}`));
	}
	await page.getByLabel('it is called').fill('smoothie');
	await page.getByLabel('packs', { exact: true }).fill('10');
	await page.getByLabel('packs', { exact: true }).blur();
	// 150 + 80 + 40 + 60 + 50 g; raw spinach keeps two months, the berries and what is frozen longer.
	await expect(page.getByRole('complementary')).toContainText('10 packs of 380 g');
	await expect(page.getByRole('complementary')).toContainText('spinach first');
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	const sentence = main(page).getByRole('heading', { level: 1 });
	const order: string[] = [];
	for (let i = 0; i < 5; i++) {
		const [words = ''] = (await sentence.innerText()).split(':');
		order.push(words);
		// The berries: 70 g fewer than ten packs want.
		if (words === 'Blueberries')
			await main(page)
				.getByLabel(/^ready, weighed/)
				.fill('730 g');
		await press(page);
		await expect(page.getByText(new RegExp(`Last: ${words.toLowerCase()} ready`))).toBeVisible();
		if (i === 1) {
			// Called away for an hour in the middle of it.
			await later(page, clock, 3600);
		}
	}
	// What is frozen comes out last.
	expect(order.slice(0, 3).sort()).toEqual(['Blueberries', 'Spinach', 'Strawberries']);
	expect(order.slice(3).sort()).toEqual(['Mangoes', 'Peaches']);
	await expect(sentence).toContainText('Fill them, label them, into the freezer');
	await expect(main(page)).toContainText('Enough blueberries for 9 packs');
	await expect(main(page)).toContainText('150 g strawberries');
	await expect(main(page).getByLabel('packs', { exact: true })).toHaveValue('9');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('smoothie');
	const went = page.getByRole('list', { name: 'What went into it' });
	for (const name of ['strawberries', 'blueberries', 'spinach', 'mangoes', 'peaches'])
		await expect(went).toContainText(name);
	const code = page.url().split('/').pop() ?? '';
	const [lot] =
		await sql`select l.id, l.state, l.made_of as "madeOf", b.amount::int as packs, l.keeps_until::text as until, x.packed_on::text as packed from lot l join lot_balance b on b.lot_id = l.id join batch x on x.id = l.batch_id where x.code = ${code} and l.household_id = ${home.id}`;
	expect(lot).toMatchObject({ state: 'frozen', packs: 9 });
	expect((lot?.madeOf as { food: string }[]).map((p) => p.food).sort()).toEqual([
		'blueberries',
		'mangoes',
		'peaches',
		'spinach',
		'strawberries'
	]);
	// Two months from the day that it was planned.
	const days = (Date.parse(String(lot?.until)) - Date.parse(String(lot?.packed))) / 86_400_000;
	expect(days).toBeGreaterThan(55);
	expect(days).toBeLessThanOrEqual(62);
	const taken = await postForm(context.request, origin, '/shelves?/take', { lotId: String(lot?.id) });
	expect(taken.type).toBe('success');
});

test('strawberry freezer jam: two sets and 0.2 cup over, every cup counted, a day until set, into freezer and fridge', async ({
	page,
	home,
	clock,
	context,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(150_000);
	const origin = baseURL ?? '';
	await postForm(context.request, origin, '/basket?/add', { text: '1.2 kg strawberries' });
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('link', { name: 'Ways for strawberries' }).click();
	await page.waitForURL(/\/ways\//);
	await hydrated(page);
	await page.getByRole('link', { name: 'in whole sets of a recipe' }).click();
	await page.getByLabel('it becomes').selectOption({ label: 'strawberry freezer jam, powdered pectin' });
	await expect(page.getByRole('region', { name: 'What comes of it' })).toContainText('2 whole sets');
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	const sentence = main(page).getByRole('heading', { level: 1 });
	await expect(sentence).toContainText('Crushed strawberries: how much is there');
	// What is only expected of it is no measure.
	await press(page);
	await expect(main(page)).toContainText('Measure it, and write what there is');
	await main(page).getByLabel('or in cups of 237 ml').fill('4.2');
	await press(page);
	// 4.2 cups: two sets of 2, 0.2 over.
	await expect(page.getByText('0.2 cup over')).toBeVisible();
	await expect(sentence).toHaveText('Crushed strawberries: cup 1 of 2.');
	await press(page);
	await expect(sentence).toHaveText('Crushed strawberries: cup 2 of 2.');
	await press(page);
	await expect(sentence).toHaveText('Sugar: cup 1 of 4.');
	await press(page);
	await press(page);
	await expect(sentence).toHaveText('Sugar: cup 3 of 4.');
	// Interrupted: another day, another hand, the same cup.
	await later(page, clock, 5400);
	await expect(sentence).toHaveText('Sugar: cup 3 of 4.');
	await main(page).getByRole('button', { name: 'All of it is in' }).click();
	await expect(sentence).toContainText('Water');
	await press(page);
	await press(page);
	// While the first set stands in its sugar, the second is measured out.
	await expect(sentence).toHaveText('Crushed strawberries: cup 1 of 2.');
	for (const name of ['All of it is in', 'All of it is in']) await main(page).getByRole('button', { name }).click();
	await press(page);
	await press(page);
	await later(page, clock, 11 * 60);
	for (const set of [1, 2]) {
		await expect(main(page)).toContainText(`set ${set} of 2`);
		await expect(sentence).toContainText('Stir the sugar into the fruit');
		await press(page);
	}
	await later(page, clock, 4 * 60);
	for (const set of [1, 2]) {
		await expect(main(page)).toContainText(`set ${set} of 2`);
		await expect(sentence).toContainText('Boil pectin and water 1 minute');
		await press(page);
	}
	await expect(sentence).toContainText('it stands until it is set');
	await later(page, clock, 24.2 * 3600);
	await expect(sentence).toHaveText('Is it set?');
	await press(page);
	await expect(sentence).toContainText('into the freezer, or into the fridge');
	await main(page).getByLabel('jars', { exact: true }).fill('10');
	await main(page).getByRole('button', { name: 'Book these jars' }).click();
	await page.getByText('Pack what is ready: into the fridge').click();
	await page.getByRole('group').filter({ hasText: 'into the fridge' }).getByLabel('jars', { exact: true }).fill('1');
	await page
		.getByRole('group')
		.filter({ hasText: 'into the fridge' })
		.getByRole('button', { name: 'Book these jars' })
		.click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	const booked = () =>
		sql`select l.state, p.kind, b.amount::int as jars, l.keeps_until - x.packed_on as days from lot l join lot_balance b on b.lot_id = l.id join place p on p.id = l.place_id join batch x on x.id = l.batch_id where l.household_id = ${home.id} and x.way_id = 'strawberry-freezer-jam' order by p.kind`;
	await expect.poll(async () => (await booked()).length).toBe(2);
	const lots = await booked();
	expect(lots[0]).toMatchObject({ kind: 'freezer', state: 'frozen', jars: 10 });
	expect(Number(lots[0]?.days)).toBeGreaterThanOrEqual(364);
	// NCHFP (from memory): three weeks in the fridge.
	expect(lots[1]).toMatchObject({ kind: 'fridge', jars: 1, days: 21 });
});

test('a freeze-dryer with two trays of strawberries and one of sauce: the slowest sets the end, bagged, used with its water', async ({
	page,
	home,
	clock,
	context,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(120_000);
	const origin = baseURL ?? '';
	await page.goto('/stove/freeze-dry');
	await expect(page.getByText('There is no freeze-dryer in the Kitchen yet')).toBeVisible();
	await sql`insert into equipment ${sql({ id: randomUUID(), household_id: home.id, kind: 'freeze-dryer', name: 'Freeze-dryer', spec: sql.json({ trays: 4, load_kg: 4 }), position: 9 })}`;
	for (const text of ['2 kg strawberries, frozen', '1 kg tomato sauce'])
		expect((await postForm(context.request, origin, '/basket?/add', { text })).type, text).toBe('success');
	await page.goto('/stove/freeze-dry');
	await hydrated(page);
	await page.getByRole('checkbox', { name: 'strawberries' }).check();
	await page.getByRole('checkbox', { name: 'tomato sauce' }).check();
	await expect(page.getByRole('complementary')).toContainText('3 of 4 trays');
	await expect(page.getByRole('complementary')).toContainText('tomato sauce, which can double it');
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	const sentence = main(page).getByRole('heading', { level: 1 });
	for (const tray of [1, 2, 3]) {
		await expect(sentence).toContainText(`onto tray ${tray}`);
		await main(page)
			.getByLabel(/on this tray/)
			.fill('990 g');
		await press(page);
	}
	await expect(sentence).toContainText('until they are hard through');
	await later(page, clock, 3600 * 10);
	await press(page);
	await expect(sentence).toContainText('door shut, start');
	await press(page);
	await later(page, clock, 3600 * 15.2);
	/** Weighs the trays in the order in which they are asked for; each is seen to be asked for before its weight is typed. */
	const weigh = async (trays: Record<number, number>) => {
		for (const [tray, g] of Object.entries(trays)) {
			await expect(sentence).toHaveText(`Weigh tray ${tray}.`);
			await main(page)
				.getByLabel(/what it weighs now/)
				.fill(`${g} g`);
			await press(page);
			await expect(page.getByText(`Last: tray ${tray} weighs`)).toBeVisible();
		}
	};
	await weigh({ 1: 94, 2: 93, 3: 310 });
	await later(page, clock, 3600 * 2.1);
	await weigh({ 1: 94, 2: 92, 3: 180 });
	// The strawberries are done; the sauce goes on.
	await later(page, clock, 3600 * 10);
	await weigh({ 3: 121 });
	await later(page, clock, 3600 * 2.1);
	await weigh({ 3: 121 });
	await expect(sentence).toContainText('Warm to the touch?');
	await press(page);
	await expect(sentence).toContainText('absorber in, closed, at once');
	// 1,980 g became 186 g: 1,794 g of water, 9.6 to a gram.
	await expect(main(page)).toContainText('9.6 g to each gram');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await expect(main(page)).toContainText('tomato sauce');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await expect(page.getByRole('heading', { name: 'Done and away.' })).toBeVisible();
	const booked = () =>
		sql`select x.title, x.use_words as use, p.kind from batch x join lot l on l.batch_id = x.id join place p on p.id = l.place_id where x.household_id = ${home.id} and x.way_id = 'freeze-dry' order by x.title`;
	await expect.poll(async () => (await booked()).length).toBe(2);
	const rows = await booked();
	expect(rows.map((r) => [r.title, r.kind])).toEqual([
		['strawberries, freeze-dried', 'pantry'],
		['tomato sauce, freeze-dried', 'pantry']
	]);
	expect(String(rows[0]?.use)).toContain('9.6 g to each gram');
});

test('tomatoes gathered frozen to 20 kg: forecast, taken to work as one lot, cooked down, jarred for the freezer, one used', async ({
	page,
	home,
	clock,
	context,
	baseURL,
	sql,
	quiet
}) => {
	void quiet;
	test.setTimeout(120_000);
	const origin = baseURL ?? '';
	// The demo's own tomatoes would count too.
	await sql`update lot_balance set amount = 0 where lot_id in (select id from lot where household_id = ${home.id} and food = 'tomatoes')`;
	await page.goto('/stove/gather');
	await hydrated(page);
	await page.getByLabel('how much of what').fill('20 kg tomatoes');
	await page.getByLabel('for what').fill('sauce');
	await page.getByRole('button', { name: 'Gather', exact: true }).click();
	const card = page.getByRole('region', { name: 'tomatoes for sauce' });
	await expect(card).toContainText('0 g of 20.0 kg');
	for (const [days, text] of [
		[0, '8 kg tomatoes, frozen'],
		[3, '7 kg tomatoes, frozen']
	] as const) {
		await clock.forward(days * 86_400);
		expect((await postForm(context.request, origin, '/basket?/add', { text })).type).toBe('success');
	}
	await page.reload();
	// 15 kg in two pickings three days apart: 5 kg missing, 7.5 kg every 3 days.
	await expect(card).toContainText('15.0 kg of 20.0 kg');
	await expect(card).toContainText('5.0 kg missing. At 7.5 kg every 3 days it is full about');
	await clock.forward(3 * 86_400);
	await postForm(context.request, origin, '/basket?/add', { text: '5.2 kg tomatoes, frozen' });
	await page.reload();
	await hydrated(page);
	await expect(card).toContainText('All of it is there.');
	await card.getByRole('button', { name: 'All of it to work' }).click();
	await page.waitForURL(/\/ways\//);
	await hydrated(page);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('20.2 kg');
	await page.getByRole('link', { name: 'into the pan' }).click();
	await page.getByLabel('it becomes').selectOption({ label: 'sauce, thick' });
	await page.getByRole('button', { name: 'Start' }).click();
	await page.waitForURL(/\/stove\/[0-9a-f-]{36}$/);
	await hydrated(page);
	// Through the pan by its own taps: the whole of it is led in pan.spec; here to the jar, the shelf, the first of them used.
	const [claimed] =
		await sql`select sum(c.amount)::int as dg from claim c join lot l on l.id = c.lot_id where c.household_id = ${home.id} and l.food = 'tomatoes' and c.ended_at is null`;
	expect(claimed?.dg).toBe(202_000);
	const sentence = main(page).getByRole('heading', { level: 1 });
	await press(page);
	await press(page);
	await later(page, clock, 40 * 60);
	await press(page);
	await main(page)
		.getByLabel(/through the mill/)
		.fill('16 kg');
	await press(page);
	await main(page)
		.getByLabel(/from the floor/)
		.fill('14');
	await press(page);
	await later(page, clock, 4 * 3600);
	await main(page).getByRole('button', { name: 'Thick by the spoon' }).click();
	await expect(sentence).toContainText('Pour it shallow');
	await later(page, clock, 106 * 60);
	await main(page)
		.getByLabel(/at its centre/)
		.fill('19');
	await press(page);
	await main(page).getByLabel('packs', { exact: true }).fill('12');
	await main(page).getByLabel('each', { exact: true }).fill('500 g');
	await main(page).getByRole('button', { name: 'Book these packs' }).click();
	await main(page).getByRole('button', { name: 'All away: close the run' }).click();
	await page.getByRole('link', { name: 'Its page in the book' }).click();
	await expect(page.getByRole('list', { name: 'What went into it' })).toContainText('20.2 kg');
	const [lot] =
		await sql`select l.id, b.amount::int as packs from lot l join lot_balance b on b.lot_id = l.id join batch x on x.id = l.batch_id where x.household_id = ${home.id} and x.way_id = 'cook-down' and l.household_id = ${home.id} order by l.created_at desc limit 1`;
	expect(lot?.packs).toBe(12);
	expect((await postForm(context.request, origin, '/shelves?/take', { lotId: String(lot?.id) })).type).toBe('success');
});
