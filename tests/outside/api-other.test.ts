import { describe, expect, it } from 'vitest';
import { allRecipes } from '../../src/core/recipes/find-recipe';
import { storagePacks, storageWays } from '../../src/core/storing/storage-look-up';
import { freezerPacks } from '../../src/reference/other-ways';
import { foodRows } from '../../src/reference/tables';
import { call, type Body } from './api-call';

type Query = Record<string, string>;
const dry = (query: Query) => call('/api/v1/drying', query);
const freeze = (query: Query) => call('/api/v1/freezing', query);
const store = (query: Query) => call('/api/v1/storage', query);
const cook = (query: Query) => call('/api/v1/cooking', query);
const ratio = (query: Query) => call('/api/v1/ratio', query);
const keeps = (body: Body) => body.keeps as { what: string; time_range: number[]; unit: string; at: string | null }[];

describe('every food', () => {
	it('has an answer as described from each endpoint, and a way on with every refusal', async () => {
		let dried = 0;
		for (const row of foodRows) {
			// "Mushrooms" alone are asked for; what grows wild has been seen here.
			const id = row.id === 'mushrooms' ? 'button-mushrooms' : row.id;
			const seen = { food: id, identified: 'yes' };
			const answers = [
				await dry(seen),
				await freeze(seen),
				await cook({ food: id }),
				...(await Promise.all(freezerPacks.map((p) => freeze({ ...seen, pack: p.id }))))
			];
			for (const { status, body } of answers) {
				expect([200, 422], id).toContain(status);
				if (status === 422) expect(body.instead?.length, id).toBeGreaterThan(0);
			}
			if (answers[0]?.status === 200) dried++;
			expect(answers[1]?.status, id).toBe(row.keepOnly ? 422 : 200);
		}
		expect(dried).toBeGreaterThan(110);
	});
	it('has an answer for every way of storing, in every pack, cold and warm', async () => {
		let counted = 0;
		for (const row of foodRows) {
			const id = row.id === 'mushrooms' ? 'button-mushrooms' : row.id;
			for (const way of storageWays) {
				for (const more of [{}, { temp_c: '3' }, { temp_c: '-18' }, ...storagePacks.map((pack) => ({ pack }))]) {
					const { status, body } = await store({ food: id, identified: 'yes', way, ...more } as Query);
					// Nothing stands fresh at −18 °C: that is no question, and the fault says so.
					if (status === 400 && ['counter', 'cool', 'fridge'].includes(way) && 'temp_c' in more) continue;
					// A jar for the shelf or the fridge is no pack for the freezer.
					if (status === 400 && way === 'freeze' && 'pack' in more && more.pack.endsWith('-jar')) continue;
					expect([200, 422], `${id} ${way}`).toContain(status);
					if (status === 200) counted += keeps(body).length;
					else expect(body.instead?.length, `${id} ${way}`).toBeGreaterThan(0);
				}
			}
		}
		expect(counted).toBeGreaterThan(5000);
	}, 60_000);
});

describe('GET /api/v1/drying', () => {
	it('gives the printed hours for the printed piece, and says how another stands to it', async () => {
		const { body } = await dry({ food: 'carrots', thickness_mm: '3' });
		expect(body).toMatchObject({
			hours_range: [10, 12],
			temp_F_range: [140, 140],
			temp_C_range: [60, 60],
			thickness_mm_range: [3.2, 3.2],
			thickness_fit: 'as printed',
			rehydrate: { cups_water_per_cup: 2.25, hours: 1 },
			recalled: 'twice'
		});
		expect((await dry({ food: 'carrots', thickness_mm: '8' })).body).toMatchObject({
			hours_range: [10, 12],
			thickness_fit: 'thicker'
		});
		expect((await dry({ food: 'carrots', thickness_mm: '1.5' })).body).toMatchObject({ thickness_fit: 'thinner' });
		expect((await dry({ food: 'broccoli', thickness_mm: '9' })).body).toMatchObject({ thickness_fit: 'not printed' });
	});
	it('takes the cut by its words', async () => {
		expect((await dry({ food: 'peaches', cut: 'slices' })).body.hours_range).toEqual([8, 12]);
		expect((await dry({ food: 'peaches', cut: 'halves' })).body.hours_range).toEqual([36, 48]);
		const { status, body } = await dry({ food: 'peaches', cut: 'spirals' });
		expect([status, body.error?.faults[0]?.field]).toEqual([400, 'cut']);
		expect(body.error?.near).toContain('peaches-sliced');
	});
	it('gives meat its heat step, and refuses thick strips, fish, stock and what has no row', async () => {
		const { body } = await dry({ food: 'venison', thickness_mm: '5' });
		expect(body.heat_steps).toMatchObject([{ temp_F: 160, temp_C: 71.1 }, { temp_F: 130 }]);
		expect((await dry({ food: 'chicken' })).body.heat_steps).toMatchObject([{ temp_F: 165 }, { temp_F: 130 }]);
		for (const query of [
			{ food: 'beef', thickness_mm: '10' },
			{ food: 'salmon' },
			{ food: 'beef-stock' },
			{ food: 'cucumbers' },
			{ food: 'cream-soup' }
		] as Query[])
			expect((await dry(query)).status, JSON.stringify(query)).toBe(422);
	});
	it('names every fault', async () => {
		const { body } = await dry({ thickness_mm: 'thin', moon: 'full' });
		expect(body.error?.faults.map((f) => f.field).sort()).toEqual(['food', 'moon', 'thickness_mm']);
		for (const thickness_mm of ['0', '-3', '1e2', 'NaN', '3,5', '201'])
			expect((await dry({ food: 'apples', thickness_mm })).status, thickness_mm).toBe(400);
		expect((await dry({ food: 'aples of the moon' })).status).toBe(404);
	});
});

describe('GET /api/v1/freezing', () => {
	it('gives each cut its time, its months in the pack and its use', async () => {
		const { body } = await freeze({ food: 'green-beans' });
		const cuts = body.cuts as {
			cut: string;
			method: string;
			months_range: number[];
			blanch: { minutes_range: number[] }[];
		}[];
		expect(cuts.find((c) => c.method === 'blanched')).toMatchObject({
			cut: 'cut',
			months_range: [8, 12],
			blanch: [{ minutes_range: [3, 3] }]
		});
		expect(cuts.find((c) => c.method === 'raw')?.months_range).toEqual([1, 2]);
	});
	it('shortens the months in a poor pack only, and never lengthens them', async () => {
		const months = async (pack: string) =>
			((await freeze({ food: 'beef', pack })).body.cuts as { months_range: number[] }[])[0]?.months_range;
		expect(await months('freezer-bag')).toEqual([4, 12]);
		expect(await months('vacuum')).toEqual([4, 12]);
		expect(await months('shop-tray')).toEqual([1, 2]);
		expect(await months('storage-bag')).toEqual([1, 1]);
		const { status, body } = await freeze({ food: 'beef', pack: 'crate' });
		expect([status, body.error?.near?.includes('freezer-bag')]).toEqual([400, true]);
	});
	it('refuses raw potatoes and wild mushrooms beside what it gives', async () => {
		expect((await freeze({ food: 'morels' })).status).toBe(300);
		for (const food of ['potatoes', 'morels']) {
			const { body } = await freeze({ food, identified: 'yes' });
			expect((body.refused as unknown[]).length, food).toBeGreaterThan(0);
		}
	});
});

describe('GET /api/v1/storage', () => {
	it.each([
		[{ food: 'apples', way: 'dry', temp_c: '15' }, [12, 12], 'month'],
		[{ food: 'apples', way: 'dry', temp_c: '20' }, [6, 6], 'month'],
		[{ food: 'carrots', way: 'dry', temp_c: '15' }, [6, 6], 'month'],
		[{ food: 'carrots', way: 'dry', temp_c: '26' }, [3, 3], 'month'],
		[{ food: 'chicken', way: 'fridge' }, [1, 2], 'day'],
		[{ food: 'beef', way: 'fridge' }, [3, 5], 'day'],
		[{ food: 'potatoes', way: 'cellar' }, [20, 36], 'week'],
		[{ food: 'garlic', way: 'oil' }, [4, 4], 'day'],
		[{ food: 'spinach', way: 'vacuum', pack: 'fridge-jar' }, [7, 7], 'day'],
		[{ food: 'salmon', way: 'freeze' }, [2, 3], 'month'],
		[{ food: 'green-beans', way: 'can' }, [12, 12], 'month'],
		[{ food: 'ground-beef', way: 'thawed' }, [1, 2], 'day'],
		[{ food: 'green-beans', way: 'opened' }, [5, 7], 'day']
	] as [Query, number[], string][])('%o: %o %s', async (query, time, unit) => {
		const { status, body } = await store(query);
		expect(status).toBe(200);
		expect(
			keeps(body).some((k) => k.time_range[0] === time[0] && k.time_range[1] === time[1] && k.unit === unit),
			JSON.stringify(keeps(body))
		).toBe(true);
	});
	it('keeps no leaves longer than seven days in a vacuum jar', async () => {
		for (const { id } of foodRows.filter((f) => f.leafy)) {
			const { status, body } = await store({ food: id, way: 'vacuum', pack: 'fridge-jar' });
			if (status === 200) for (const k of keeps(body)) expect(k.time_range[1], id).toBeLessThanOrEqual(7);
		}
	});
	it('reads nothing between two printed temperatures', async () => {
		const at = async (temp_c: string) =>
			keeps((await store({ food: 'apples', way: 'dry', temp_c })).body)[0]?.time_range[0];
		for (const temp_c of ['16', '17', '20', '26.6']) expect(await at(temp_c), temp_c).toBe(6);
		expect(await at('15.5')).toBe(12);
	});
	it.each([
		[{ food: 'beef', way: 'dry', temp_c: '20' }, false],
		[{ food: 'beef', way: 'dry', temp_c: '8' }, false],
		[{ food: 'beef', way: 'dry', temp_c: '-10' }, false],
		[{ food: 'beef', way: 'dry', temp_c: '3' }, true],
		[{ food: 'beef', way: 'dry', temp_c: '-18' }, true],
		[{ food: 'green-beans', way: 'opened', temp_c: '9' }, false],
		[{ food: 'beef', way: 'thawed', temp_c: '9' }, false],
		[{ food: 'beef', way: 'thawed', temp_c: '3' }, true],
		[{ food: 'garlic', way: 'oil', temp_c: '9' }, false],
		[{ food: 'chicken', way: 'fridge', temp_c: '8' }, false],
		[{ food: 'apples', way: 'dry', temp_c: '30' }, false],
		[{ food: 'raspberries', way: 'freeze', temp_c: '-10' }, false],
		[{ food: 'green-beans', way: 'can', temp_c: '38' }, false],
		[{ food: 'carrots', way: 'cellar', temp_c: '12' }, false],
		[{ food: 'zucchini', way: 'can' }, false],
		[{ food: 'chicken', way: 'pickle' }, false],
		[{ food: 'cucumbers', way: 'pickle' }, true],
		[{ food: 'chicken', way: 'freeze-dry' }, false],
		[{ food: 'beef-stew', way: 'freeze-dry' }, false],
		[{ food: 'apples', way: 'freeze-dry' }, true],
		[{ food: 'garlic', way: 'vacuum', pack: 'fridge-jar' }, false],
		[{ food: 'beef', way: 'vacuum', pack: 'dry-jar' }, false],
		[{ food: 'chicken', way: 'counter' }, false],
		[{ food: 'strawberries', way: 'fridge', temp_c: '8' }, true]
	] as [Query, boolean][])('%o: allowed %o', async (query, allowed) => {
		const { status, body } = await store(query);
		expect(status).toBe(allowed ? 200 : 422);
		if (!allowed) expect(body.instead?.length).toBeGreaterThan(0);
	});
});

describe('GET /api/v1/cooking', () => {
	// USDA FSIS, Safe Minimum Internal Temperature Chart (from memory).
	it.each([
		['beef', 145],
		['pork', 145],
		['ground-beef', 160],
		['ground-venison', 160],
		['sausage', 160],
		['ground-chicken', 165],
		['chicken', 165],
		['duck', 165],
		['turkey', 165],
		['rabbit', 160],
		['venison', 160],
		['bear', 160],
		['ham', 145],
		['salmon', 145],
		['oysters', 145],
		['beef-stew', 165],
		['chicken-stock', 165]
	])('%s: %d °F inside', async (food, temp_F) => {
		expect((await cook({ food })).body.inside).toMatchObject({ temp_F });
	});
	it('says that frozen vegetables are cooked, and gives plants no temperature', async () => {
		expect((await cook({ food: 'peas' })).body).toMatchObject({
			inside: null,
			always_cooked: expect.stringContaining('cooked') as string
		});
		expect((await cook({ food: 'strawberries' })).body).toMatchObject({ inside: null, always_cooked: null });
	});
});

describe('GET /api/v1/ratio', () => {
	const all = (body: Body) =>
		Object.fromEntries(
			(body.all as { what: string; range: number[]; unit: string }[]).map((i) => [i.what, [...i.range, i.unit]])
		);
	it('makes whole sets of a jam and says what is left', async () => {
		// NCHFP, uncooked jam (from memory): 2 cups crushed, 4 cups sugar, 3/4 cup water, 1 box. 11 cups: five sets, a cup over.
		const { body } = await ratio({ recipe: 'strawberry-freezer-jam', have: '11 cups' });
		expect(body).toMatchObject({
			sets: 5,
			left: { amount: 1, unit: 'cup' },
			makes: { range: [25, 30], unit: 'half-pint' }
		});
		expect(all(body)).toMatchObject({
			sugar: [20, 20, 'cup'],
			water: [3.75, 3.75, 'cup'],
			'powdered pectin, 1¾ oz': [5, 5, 'box']
		});
	});
	it('scales a syrup and a kraut to any amount', async () => {
		expect(all((await ratio({ recipe: 'freezing-syrup-30', have: '2 cups' })).body)).toMatchObject({
			sugar: [0.875, 0.875, 'cup']
		});
		const kraut = (await ratio({ recipe: 'sauerkraut', have: '10 kg' })).body;
		expect(kraut.salt_g_range).toEqual([225, 250]);
		expect((await ratio({ recipe: 'sauerkraut', have: '10 lb' })).body.all).toMatchObject([
			{},
			{ range: [0.375, 0.375], unit: 'cup' }
		]);
	});
	it('says what is short of a first set', async () => {
		expect((await ratio({ recipe: 'berry jam, no added pectin', have: '3 cups' })).body).toMatchObject({
			sets: 0,
			short: { amount: 1, unit: 'cup' }
		});
	});
	it('answers for every recipe by id and by name, and for one set without an amount', async () => {
		for (const recipe of allRecipes) {
			for (const name of [recipe.id, recipe.name]) {
				const { status, body } = await ratio({ recipe: name });
				expect([status, body.recipe, body.sets], name).toEqual([200, recipe.id, 1]);
			}
		}
	});
	it('is 400 for what is no amount, 404 with near names for no recipe', async () => {
		for (const have of ['some', '-3 cups', '0 cups', '4 ears', '1e99 lb'])
			expect((await ratio({ recipe: 'sauerkraut', have })).status, have).toBe(400);
		expect((await ratio({ recipe: 'sauerkraut', have: '5 cups' })).status).toBe(400);
		const { status, body } = await ratio({ recipe: 'strawberry jelly' });
		expect(status).toBe(404);
		expect(body.error?.near).toContain('strawberry-rhubarb-jelly');
		expect((await call('/api/v1/ratio', 'recipe=sauerkraut&have=1&have=2')).status).toBe(400);
	});
});
