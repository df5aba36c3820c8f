import type { Page } from '@playwright/test';
import { expect, hydrated, postForm, test } from './help';

/** What was found so far will do, where it is still looking: it may be at its end any moment. */
const enough = (page: Page): Promise<void> =>
	page
		.getByRole('button', { name: 'That will do' })
		.evaluateAll((all) => all.forEach((button) => (button as HTMLButtonElement).click()));

/** The demo's morning shared out: worked out on the page, set by hand, made impossible, taken as the plan. */
test('the whole haul is shared out, a part is set, what cannot be is told, and the plan is taken', async ({
	page,
	home,
	quiet,
	sql
}) => {
	void quiet;
	await page.goto('/ways');
	await hydrated(page);
	const title = page.getByRole('heading', { level: 1 });
	await expect(title).toContainText('of hands by', { timeout: 20_000 });
	await expect(page.getByRole('heading', { name: 'What binds' })).toBeVisible();
	const tomatoes = page
		.getByRole('listitem')
		.filter({ has: page.getByRole('link', { name: 'tomatoes', exact: true }) });
	await expect(tomatoes.first()).toContainText('12.0 kg');
	// Enough is enough: what was found so far stays.
	await enough(page);
	await expect(page.getByRole('status').first()).toContainText(/possible|Proven/);
	// Set by hand it stays, and the rest is worked out around it.
	await tomatoes.first().getByRole('button', { name: 'Set' }).first().click();
	await expect(tomatoes.first().getByRole('button', { name: 'Set: let go' })).toHaveAttribute('aria-pressed', 'true');
	await expect(title).toContainText('of hands by');
	await enough(page);
	// More than there is, in two parts: told with the least that must give, and one tap lets it.
	const slide = tomatoes.first().getByRole('slider');
	await slide.nth(0).fill('12');
	await slide.nth(1).fill('12');
	const cannot = page.getByRole('alert').filter({ hasText: 'What is set cannot all be done.' });
	await expect(cannot).toContainText(/tomatoes.*kg of the 12\.\d kg must give/, { timeout: 20_000 });
	await expect(page.getByRole('button', { name: /Take this as the plan/ })).toBeDisabled();
	await cannot.getByRole('button', { name: 'Let it give' }).first().click();
	await expect(cannot).toHaveCount(0, { timeout: 20_000 });
	await enough(page);
	await page.getByRole('button', { name: /Take this as the plan/ }).click();
	await expect(page).toHaveURL(/\/ways\/plan$/);
	const [shared] = await sql`
			select count(distinct c.lot_id)::int as lots, sum(c.share_g)::int as g
			from way_choice c
			where c.household_id = ${home.id} and c.share_g is not null`;
	expect(shared?.lots).toBeGreaterThan(2);
	expect(shared?.g).toBeGreaterThan(5_000);
	// Nobody's lot is shared out beyond what there is of it.
	const over = await sql`
			select c.lot_id
			from way_choice c join lot_balance b on b.lot_id = c.lot_id
			where c.household_id = ${home.id}
			group by c.lot_id, b.amount having sum(c.share_g) > b.amount / 10.0 + 1`;
	expect(over).toEqual([]);
	// The plan stands by day, each step with its Start; what is begun is planned no more, and the rest is as it was.
	await hydrated(page);
	const steps = page.getByRole('button', { name: /^Start: / }).or(page.getByRole('link', { name: /: .*, / }));
	await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d+ steps/);
	await expect(page.getByRole('heading', { name: 'What it takes' })).toBeVisible();
	const before = await steps.count();
	const start = page.getByRole('button', { name: /^Start: / }).first();
	const name = await start.getAttribute('aria-label');
	await start.click();
	await expect(page).toHaveURL(/\/stove\/[0-9a-f-]{36}/);
	await page.goto('/ways/plan');
	await expect(page.getByRole('button', { name: name ?? '', exact: true })).toHaveCount(0);
	expect(await steps.count()).toBe(before - 1);
	await page.getByRole('button', { name: 'Let go of the plan' }).click();
	await expect(page.getByRole('heading', { name: 'Nothing is planned.' })).toBeVisible();
});

/** What comes in while it is worked out is shared out too; why a lot went where it went is told. */
test('a lot that comes in while it solves is shared out; why so is told by what would have come of the other ways', async ({
	page,
	home,
	quiet,
	baseURL
}) => {
	void [home, quiet];
	await page.goto('/ways');
	await hydrated(page);
	expect((await postForm(page.request, baseURL ?? '', '/basket?/add', { text: '4 kg plums' })).type).toBe('success');
	const rule = (name: string) =>
		page
			.getByRole('listitem')
			.filter({ has: page.getByRole('link', { name, exact: true }) })
			.first();
	await expect(rule('plums').getByRole('button', { name: 'Set' }).first()).toBeVisible({ timeout: 20_000 });
	await enough(page);
	await page.getByRole('button', { name: 'Why so: plums' }).click();
	await expect(
		rule('plums')
			.getByText(/^Instead /)
			.first()
	).toBeVisible({ timeout: 20_000 });
	await page.getByRole('button', { name: 'Why so: plums' }).click();
	await expect(rule('plums').getByText(/^Instead /)).toHaveCount(0);
});

/** A phone whose browser has no threads: the server works it out, and the phone shows the same. */
test('where the browser cannot, the server shares the haul out and answers for an offer', async ({
	page,
	home,
	quiet
}) => {
	void [home, quiet];
	await page.setViewportSize({ width: 390, height: 844 });
	await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'Worker'));
	await page.goto('/ways');
	await hydrated(page);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('of hands by', { timeout: 30_000 });
	await expect(page.getByText('Worked out on the server')).toBeVisible();
	await page.goto('/ways/offer?say=20%20kg%20plums%20at%200.90');
	await hydrated(page);
	await expect(page.getByRole('heading', { level: 2 }).first()).toContainText(/kg of\s+(20\.0 kg\s+)?plums by/, {
		timeout: 40_000
	});
	// What is no question is refused in words, and nothing hangs.
	const asked = (body: unknown) =>
		page.request.post('/ways/solve', { data: body, headers: { origin: new URL(page.url()).origin } });
	expect((await asked({ days: 99 })).status()).toBe(400);
	expect((await asked({ days: 2, say: 'moonstones' })).status()).toBe(400);
	expect((await asked([])).status()).toBe(400);
});

/** "20 kg plums at 0.90": what can be taken on, what would give, whether the price is good, and into the Basket with it. */
test('before the haul: what fits, what all of it would push out, and what fits goes into the Basket', async ({
	page,
	home,
	quiet,
	sql
}) => {
	void quiet;
	await page.goto('/ways');
	await hydrated(page);
	await page.getByLabel('Before you take on more').fill('60 kg plums at 0.90');
	await page.getByRole('button', { name: 'Can we?' }).click();
	await expect(page).toHaveURL(/ways\/offer\?say=/);
	const title = page.getByRole('heading', { level: 2 }).first();
	await expect(title).toContainText(/\d kg of 60\.0 kg\s+plums by [A-Z]\w+, and nothing else gives/, {
		timeout: 20_000
	});
	await expect(page.getByText('€0.90/kg', { exact: true })).toBeVisible();
	await expect(page.getByText('€54.00 in all')).toBeVisible();
	await expect(page.getByText(/kg less|not placed/).first()).toBeVisible({ timeout: 20_000 });
	// A line that cannot be read is asked about, and nothing that was typed is lost.
	await page.getByLabel('What is offered').fill('20 kg moonstones at 0.90');
	await page.keyboard.press('Enter');
	await expect(page.getByText(/is not a food I know/)).toBeVisible();
	await expect(page.getByLabel('What is offered')).toHaveValue('20 kg moonstones at 0.90');
	await page.getByLabel('What is offered').fill('2 kg plums at 0.90');
	await page.keyboard.press('Enter');
	await expect(title).toContainText('All 2.0 kg of plums', { timeout: 20_000 });
	await page.getByRole('link', { name: /Into the Basket/ }).click();
	await expect(page.getByRole('textbox', { name: /What came in/ })).toHaveValue('2 kg plums at 0.90 a kilo');
	await page.getByRole('textbox', { name: /What came in/ }).press('Enter');
	await expect(page.getByRole('link', { name: 'Ways for plums' })).toBeVisible();
	const [lot] =
		await sql`select price_minor from lot where household_id = ${home.id} and food = 'plums' and waiting order by created_at desc limit 1`;
	expect(lot?.price_minor).toBe(180);
});
