import { readdirSync, readFileSync } from 'node:fs';
import AxeBuilder from '@axe-core/playwright';
import { v7 as uuidv7 } from 'uuid';
import { expect, hydrated, test } from './help';

/** Ways as one decision: of everything that a household may hold, at a desk and on a phone. */

interface Held {
	readonly food: string;
	readonly form: string;
	readonly state: string;
}

/** Lots of each, beside the demo's own, and the addresses of their ways. */
async function hold(sql: import('postgres').Sql, household: string, held: readonly Held[]): Promise<string[]> {
	const [place] = await sql`select id from place where household_id = ${household} and kind = 'fridge' limit 1`;
	const rows = held.map(({ food, form, state }) => ({
		id: uuidv7(),
		household_id: household,
		food,
		form,
		state,
		place_id: place?.id as string,
		condition: 'firm',
		identified: true,
		reader: 99,
		said: `4 kg ${food}`,
		note: '',
		title: food,
		waiting: true,
		since: new Date(),
		created_at: new Date()
	}));
	await sql`insert into lot ${sql(rows)}`;
	await sql`insert into lot_balance ${sql(rows.map(({ id, household_id }) => ({ lot_id: id, household_id, amount: 40_000 })))}`;
	return rows.map((r) => `/ways/${r.id}`);
}

const folder = new URL('../../src/reference/foods/', import.meta.url);
const foodRows = readdirSync(folder)
	.filter((f) => f.endsWith('.json'))
	.flatMap((f) => JSON.parse(readFileSync(new URL(f, folder), 'utf8')) as { id: string; forms: { id: string }[] }[]);
const fresh = foodRows.map((f) => ({ food: f.id, form: f.forms[0]?.id ?? 'whole', state: 'fresh' }));
const others = foodRows.flatMap((f) => [
	...f.forms.slice(1).map((form) => ({ food: f.id, form: form.id, state: 'fresh' })),
	...['prepared', 'cooked', 'frozen', 'thawed', 'soaked'].map((state) => ({ food: f.id, form: f.forms[0]?.id ?? 'whole', state })) // prettier-ignore
]);

for (const [where, width, height] of [
	['at a desk', 1280, 800],
	['on a phone', 390, 844]
] as const)
	test(`${where}: Start or why not in sight, two screens at the most, nothing sideways, of every food`, async ({
		page,
		home,
		sql
	}) => {
		test.setTimeout(300_000);
		await page.setViewportSize({ width, height });
		// Another handful of forms and states each time; which, is said when it fails.
		const seed = Number(process.env.WAYS_SEED ?? Date.now() % 1000);
		const some = others.filter((_, i) => i % 8 === seed % 8);
		const held = [...fresh, ...some];
		const paths = await hold(sql, home.id, held);
		const bad: string[] = [];
		await page.goto(paths[0] ?? '');
		await hydrated(page);
		// As a click on a link goes there; a whole load for each of them would take minutes.
		const seen = await page.evaluate(async (list) => {
			const link = document.createElement('a');
			link.style.display = 'none';
			document.body.append(link);
			const frame = () => new Promise((done) => requestAnimationFrame(done));
			const all = [];
			for (const path of list) {
				link.href = path;
				link.click();
				const until = performance.now() + 10_000;
				while (location.pathname !== path && performance.now() < until) await frame();
				await frame();
				const box = document.querySelector('[data-start], .struck, #stopped-title')?.getBoundingClientRect();
				all.push({
					at: location.pathname,
					bottom: box && box.height > 0 ? box.bottom : Infinity,
					height: document.documentElement.scrollHeight,
					wide: document.documentElement.scrollWidth - innerWidth
				});
			}
			return all;
		}, paths);
		for (const [i, one] of seen.entries()) {
			const what = `${held[i]?.food}, ${held[i]?.form}, ${held[i]?.state} (seed ${seed})`;
			if (one.at !== paths[i]) bad.push(`${what}: never came`);
			if (one.bottom > height) bad.push(`${what}: Start ends at ${Math.round(one.bottom)}`);
			if (one.height > height * 2) bad.push(`${what}: ${one.height} high`);
			if (one.wide > 0) bad.push(`${what}: ${one.wide} px too wide`);
		}
		expect(bad).toEqual([]);
	});

for (const scheme of ['light', 'dark'] as const)
	test(`axe finds nothing on any kind of way, ${scheme}`, async ({ page, home, sql }) => {
		test.setTimeout(180_000);
		await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
		const [tomatoes = '', beef = '', morels = ''] = await hold(sql, home.id, [
			{ food: 'tomatoes', form: 'whole', state: 'fresh' },
			{ food: 'beef', form: 'boneless', state: 'fresh' },
			{ food: 'morels', form: 'whole', state: 'fresh' }
		]);
		const found = await page.request.get(tomatoes);
		const ways = [...new Set([...(await found.text()).matchAll(/href="(\/ways\/[^"]+\/[^"]+)"/g)].map((m) => m[1] ?? ''))];
		for (const path of [...ways.filter((w) => w.startsWith(tomatoes)).slice(0, 7), `${tomatoes}/blanch`, beef, morels, `${tomatoes}/raw/why`, `${tomatoes}/dry/why`, `/ways/together?lot=${tomatoes.split('/')[2]}&lot=${beef.split('/')[2]}`]) {
			const reply = await page.goto(path);
			if (reply?.status() === 404) continue;
			await hydrated(page);
			const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
			expect(violations.map((v) => `${path}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
		}
	}); // prettier-ignore
