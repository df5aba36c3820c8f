import type { Page } from '@playwright/test';
import { expect, hydrated, openWay, test, toWays } from './help';

/** Types a haul and opens its ways. */
async function waysOf(page: Page, line: string, name: string): Promise<void> {
	await page.goto('/basket');
	await hydrated(page);
	await page.getByRole('textbox', { name: /What came in/ }).fill(line);
	await page.keyboard.press('Enter');
	await expect(page.getByRole('textbox', { name: /What came in/ })).toHaveValue('');
	await page.getByRole('link', { name: `Ways for ${name}` }).click();
	await page.waitForURL(/\/ways\/[0-9a-f-]{36}/);
	await hydrated(page);
}
/** What the open way takes: its facts. */
const facts = (page: Page) => page.locator('dl.facts');
async function kitchen(page: Page, feet: string, gauge: string): Promise<void> {
	await page.goto('/kitchen');
	await hydrated(page);
	await page.getByLabel('altitude', { exact: true }).fill(feet);
	await page.locator('select[name=unit]').selectOption('ft');
	// Each save is waited for: going on before its answer would cut it off.
	const saved = async (action: string, button: string) => {
		const answer = page.waitForResponse((r) => r.url().endsWith(`?/${action}`));
		await page.getByRole('button', { name: button }).click();
		expect((await answer).ok()).toBe(true);
	};
	await saved('altitude', 'Save the altitude');
	await page.locator('summary').filter({ hasText: 'Big canner' }).click();
	await page.getByLabel('its gauge').first().selectOption(gauge);
	await saved('gear', 'Save Big canner');
}

// USDA Complete Guide to Home Canning, 2015 (from memory): snap beans, pints 20 and quarts 25 minutes.
test('the kitchen’s altitude and gauge move the jars at once, and stay after a reload', async ({
	page,
	home,
	quiet
}) => {
	// Several whole pages of Ways are read; on a shared machine that takes its time.
	test.slow();
	void home;
	void quiet;
	await waysOf(page, '6.4 kg green beans', 'green beans');
	await openWay(page, /^snap and Italian beans/i);
	// 380 m is above 1,000 ft: a weighted gauge at 15 psi. 6.4 kg are 14 lb, seven quarts.
	await expect(facts(page)).toContainText(/25 min\s+at 15 psi \(103 kPa\), weighted gauge/);
	await expect(page.getByText('quarts', { exact: true }).first()).toBeVisible();
	await expect(facts(page)).toContainText(/loads\s*7\s/);
	const ways = page.url();
	await page.getByLabel('jar', { exact: true }).selectOption('pint');
	await expect(facts(page)).toContainText(/20 min\s+at 15 psi/);
	await page.reload();
	await hydrated(page);
	await expect(facts(page)).toContainText(/20 min\s+at 15 psi/);
	await page.getByLabel('jar', { exact: true }).selectOption('quart');
	await expect(facts(page)).toContainText(/25 min\s+at 15 psi/);
	await kitchen(page, '5000', 'dial');
	await page.goto(ways);
	await expect(facts(page)).toContainText(/25 min\s+at 13 psi \(90 kPa\), dial gauge/);
	await kitchen(page, '8500', 'dial');
	await page.goto(ways.replace(/\/can:.*/, '/can'));
	await expect(page.getByRole('region', { name: /no\.$/ })).toContainText('no column for this altitude');
	await kitchen(page, '500', 'none');
	await page.goto(ways);
	await expect(page.getByRole('navigation', { name: /^All ways/ })).toContainText('no pressure canner in the Kitchen');
});

test('tomatoes have their several processes, with acid for each jar, and are begun on a page of their own', async ({
	page,
	home
}) => {
	void home;
	await toWays(page, 'tomatoes');
	await openWay(page, /^tomatoes, crushed/i);
	await expect(facts(page)).toContainText(/50 min\s+in boiling water/);
	await expect(facts(page)).toContainText(/15 min\s+at 15 psi/);
	await expect(facts(page)).toContainText('2 tbsp (30 ml) bottled lemon juice, or ½ tsp (2.5 ml) citric acid');
	await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
	await expect(page.getByRole('link', { name: /^Into jars at the Stove/ })).toBeVisible();
	await openWay(page, /^tomato ketchup/i);
	await expect(facts(page)).toContainText(/20 min\s+in boiling water/);
	await expect(page.getByRole('region', { name: 'The recipe' })).toContainText('The time is for just this');
	await expect(page.getByText('Your local food authority or extension service').last()).toBeVisible();
});

test('what is not safe in a jar is refused with a way on, and frozen or cooked ways stay', async ({ page, home }) => {
	void home;
	await waysOf(page, '3 kg broccoli', 'broccoli');
	await expect(page.getByRole('button', { name: /^Start: Blanch/ })).toBeVisible();
	await openWay(page, /^Into jars as it is/);
	await expect(page.getByRole('region', { name: 'Into jars as it is: no.' })).toContainText(
		/Instead: Blanch and freeze it/
	);
	await waysOf(page, '1 kg morels', 'morels');
	await expect(page.getByRole('heading', { name: 'First: who has seen them?' })).toBeVisible();
	await expect(page.getByRole('button', { name: /^Start/ })).toHaveCount(0);
	await page.getByRole('button', { name: 'Yes, every one' }).click();
	await expect(page.getByRole('button', { name: /^Start: Cook first/ })).toBeVisible();
	await openWay(page, /^Into jars as it is/);
	await expect(page.getByRole('region', { name: 'Into jars as it is: no.' })).toContainText(
		'Wild mushrooms are never canned'
	);
	await openWay(page, /^Freeze raw/);
	await expect(page.getByRole('region', { name: 'Freeze raw: no.' })).toContainText('toxic until they are cooked');
	await openWay(page, /^Cook first/);
	await page.getByRole('region', { name: 'Mind' }).getByText(/more$/).click();
	await expect(page.getByText('only what an expert has identified').first()).toBeVisible();
});

test('meat goes by the two-hour clock, is frozen in its portions, and canned under pressure only', async ({
	page,
	home
}) => {
	void home;
	await waysOf(page, '3 kg minced beef', 'minced beef');
	await expect(page.getByRole('button', { name: 'Start: Wrap and freeze' })).toBeVisible();
	await expect(page.getByText('out of the cold two hours at most').first()).toBeAttached();
	await openWay(page, /^ground or chopped meat/i);
	await expect(facts(page)).toContainText(/90 min\s+at 15 psi/);
	await expect(facts(page)).not.toContainText('boiling water');
});

test('an address of before leads to its jars, to its dryer, and its choices hold', async ({ page, home }) => {
	void home;
	await waysOf(page, '5 kg zucchini', 'zucchini');
	const ways = page.url();
	await page.goto(`${ways}?mm=12#dryer`);
	await page.waitForURL(/\/dry\?mm=12$/);
	await expect(page.getByLabel('cut', { exact: true })).toHaveValue('12');
	await page.goto(`${ways}/blanch?portion=300 g`);
	await expect(page.locator('form[action="?/start"] input[name=portion]')).toHaveValue('300 g');
	await page.goto(`${ways}#freezer`);
	await page.waitForURL(/\/(blanch|steam)$/);
	await expect(page.getByRole('button', { name: /^Start/ })).toBeInViewport();
});

test.describe('the open reference over http', () => {
	test('answers any page, without a household, and describes itself', async ({ playwright, baseURL }) => {
		const anyone = await playwright.request.newContext({ baseURL: baseURL ?? '' });
		const reply = await anyone.get('/api/v1/canning?food=courgettes&product=pickled&jar=pint&altitude_m=0');
		expect(reply.status()).toBe(200);
		expect(reply.headers()['access-control-allow-origin']).toBe('*');
		expect(reply.headers()['content-type']).toContain('application/json');
		expect(await reply.json()).toMatchObject({
			food: 'zucchini',
			processes: [{ minutes: 10, method: 'boiling-water' }]
		});
		const description = (await (await anyone.get('/api/v1/openapi.json')).json()) as { openapi: string; paths: object };
		expect(description.openapi).toBe('3.1.0');
		expect(Object.keys(description.paths)).toHaveLength(24);
		const ratio = await anyone.get('/api/v1/ratio?recipe=sauerkraut&have=10%20kg');
		expect(ratio.headers()['access-control-allow-origin']).toBe('*');
		expect(await ratio.json()).toMatchObject({ salt_g_range: [225, 250] });
		expect((await anyone.get('/api/v1/drying?food=beef&thickness_mm=12')).status()).toBe(422);
		await anyone.dispose();
	});
	test('has one shape of error for every fault, and changes nothing', async ({ request }) => {
		for (const [method, path, status, code] of [
			['GET', '/api/v1/canning?food=peas', 400, 'BAD_INPUT'],
			['GET', '/api/v1/foods/no-such-food-at-all', 404, 'UNKNOWN_FOOD'],
			['GET', '/api/v1/foods/qqq%2F..%2Fqqq', 404, 'UNKNOWN_FOOD'],
			['GET', `/api/v1/foods?q=${'x'.repeat(500)}`, 400, 'BAD_INPUT'],
			['GET', '/api/v1/foods?q=%00', 400, 'BAD_INPUT'],
			['GET', '/api/v1/nothing', 404, 'NOT_FOUND'],
			['GET', '/api', 404, 'NOT_FOUND'],
			['POST', '/api/v1/foods', 405, 'READ_ONLY'],
			['DELETE', '/api/v1/canning', 405, 'READ_ONLY']
		] as const) {
			const reply = await request.fetch(path, { method });
			expect([path, reply.status()]).toEqual([path, status]);
			expect(await reply.json()).toMatchObject({ error: { code, faults: expect.any(Array) as unknown } });
		}
		const refused = await request.get('/api/v1/canning?food=pumpkin&product=butter&altitude_m=100');
		expect(refused.status()).toBe(422);
		expect(await refused.json()).toMatchObject({ refused: true, instead: expect.any(Array) as unknown });
	});
});
