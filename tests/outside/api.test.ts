import { Validator } from '@seriousme/openapi-schema-validator';
import { describe, expect, it } from 'vitest';
import { openApi } from '../../src/lib/server/api/openapi';
import { canningProducts } from '../../src/reference/canning';
import { jarSizes } from '../../src/reference/canning-rules';
import { foodRows } from '../../src/reference/tables';
import { recipeOf } from '../../src/core/canning/recipe-of';
import { understand } from '../../src/core/things/understand';
import { call } from './api-call';

const can = (query: Record<string, string>) => call('/api/v1/canning', query);
const line = (p: Record<string, unknown>) => [p.product, p.style, p.jar, p.method, p.gauge, p.minutes, p.psi].filter((x) => x !== undefined).join(' '); // prettier-ignore

describe('the description', () => {
	it('is valid OpenAPI 3.1', async () => {
		const result = await new Validator().validate(JSON.parse(JSON.stringify(openApi)));
		expect(result.errors ?? []).toEqual([]);
		expect(result.valid).toBe(true);
	});
	it('is served as it is', async () => expect((await call('/api/v1/openapi.json')).body).toEqual(openApi));
});

describe('GET /api/v1/foods', () => {
	it('finds a food by any of its names, plurals and small slips', async () => {
		for (const [word, id] of [
			['courgette', 'zucchini'],
			['aubergines', 'eggplant'],
			['capsicum', 'bell-peppers'],
			['swede', 'rutabagas'],
			['coriander', 'cilantro'],
			['minced beef', 'ground-beef'],
			['prawns', 'shrimp'],
			['strawbery', 'strawberries']
		] as const) {
			const { body } = await call('/api/v1/foods', { q: word });
			expect((body.foods as { id: string }[])[0]?.id, word).toBe(id);
		}
	});
	it('lists all of them without a word, and none for nonsense', async () => {
		expect((await call('/api/v1/foods')).body.count).toBe(foodRows.length);
		expect((await call('/api/v1/foods', { q: 'qqqqqqqq' })).body).toEqual({ count: 0, foods: [] });
	});
	it('gives every food in full, by its id and by each other name', async () => {
		for (const row of foodRows) {
			for (const name of [row.id, ...row.names]) {
				const { status, body } = await call('/api/v1/foods/{id}', {}, name);
				expect([status, body.id]).toEqual([200, row.id]);
			}
		}
	});
	it('answers 404 with near names', async () => {
		const { status, body } = await call('/api/v1/foods/{id}', {}, 'brocoly');
		expect(status).toBe(404);
		expect(body.error).toMatchObject({ code: 'UNKNOWN_FOOD', near: expect.arrayContaining(['broccoli']) as string[] });
	});
});

describe('GET /api/v1/blanch', () => {
	const of = (query: Record<string, string>) => call('/api/v1/blanch', query);
	// NCHFP, Blanching Vegetables (from memory).
	it.each([
		[{ food: 'green-beans', cut: 'cut', method: 'water', altitude_m: '100' }, 3],
		[{ food: 'green-beans', cut: 'cut', method: 'water', altitude_m: '1524' }, 4],
		[{ food: 'green-beans', cut: 'cut', method: 'water', altitude_m: '1523.9' }, 3],
		[{ food: 'broccoli', method: 'steam', altitude_m: '0' }, 5],
		[{ food: 'corn', cut: 'ears-large', altitude_m: '0' }, 11],
		[{ food: 'asparagus', cut: 'small', altitude_m: '0' }, 2],
		[{ food: 'collards', altitude_m: '0' }, 3],
		[{ food: 'corn', cut: 'on the cob', altitude_m: '0' }, 9],
		[{ food: 'corn', cut: 'whole-kernel', altitude_m: '0' }, 4],
		[{ food: 'carrots', cut: 'sliced', altitude_m: '0' }, 2],
		[{ food: 'cultivated mushrooms', cut: 'whole', altitude_m: '0' }, 5],
		[{ food: 'potatoes', altitude_m: '0' }, 5]
	])('%o: %d min', async (query, minutes) => {
		const { status, body } = await of(query);
		expect([status, body.minutes]).toEqual([200, minutes]);
		expect(body.chill_minutes as number).toBeGreaterThanOrEqual(minutes);
	});
	it('says which cut it took, and the minute for the altitude', async () => {
		expect((await of({ food: 'asparagus' })).body).toMatchObject({
			cut: 'spears',
			usual_cut: true,
			altitude_minute: null
		});
		expect((await of({ food: 'asparagus', cut: 'large', altitude_m: '2000' })).body).toMatchObject({
			usual_cut: false,
			altitude_minute: 1,
			minutes: 5
		});
	});
	it('answers 0 and why where nothing is blanched, and says what is cooked instead', async () => {
		for (const name of [
			'strawberries',
			'onions',
			'tomatoes',
			'basil',
			'beets',
			'winter squash',
			'sweet potatoes',
			'beef'
		]) {
			const { status, body } = await of({ food: name, altitude_m: '0' });
			expect([status, body.minutes, body.basis], name).toEqual([200, 0, 'none']);
			expect(body.why as string).not.toBe('');
		}
		expect((await of({ food: 'beets' })).body.why).toMatch(/cooked instead.*25 to 30/);
	});
	it('takes the published rule for steam where no steam time is printed, and refuses what has no time', async () => {
		expect((await of({ food: 'green-beans', method: 'steam', altitude_m: '0' })).body).toMatchObject({
			minutes: 4.5,
			basis: 'rule'
		});
		expect((await of({ food: 'potatoes', cut: 'shreds' })).status).toBe(422);
		expect((await of({ food: 'button mushrooms', method: 'water' })).status).toBe(422);
		expect((await of({ food: 'morels' })).status).toBe(300);
		expect((await of({ food: 'morels', identified: 'yes' })).status).toBe(422);
		expect((await of({ food: 'morels', identified: 'no' })).status).toBe(422);
		expect((await of({ food: 'lettuce' })).status).toBe(422);
	});
	it('lists the cuts where one is unknown, and names every fault', async () => {
		const unknown = await of({ food: 'asparagus', cut: 'mashed' });
		expect(unknown.status).toBe(400);
		expect(unknown.body.error).toMatchObject({ near: ['spears', 'medium', 'small', 'large'] });
		const two = await of({ cut: 'small', method: 'fry', altitude_m: 'high' });
		expect(two.status).toBe(400);
		expect(two.body.error?.faults.map((f) => f.field).sort()).toEqual(['altitude_m', 'food', 'method']);
		expect((await of({ food: 'brocoly' })).status).toBe(404);
	});
	it('answers for every cut of every food as described', async () => {
		for (const row of foodRows) {
			for (const cut of [undefined, ...row.cuts.map((c) => c.id)]) {
				for (const method of [undefined, 'water', 'steam']) {
					const query = { food: row.id, altitude_m: '1600', ...(cut ? { cut } : {}), ...(method ? { method } : {}) };
					expect(row.id === 'mushrooms' ? [300] : [200, 422]).toContain(
						(await of({ ...query, identified: 'yes' })).status
					);
				}
			}
		}
	});
});

describe('GET /api/v1/canning', () => {
	// USDA Complete Guide to Home Canning, 2015 (from memory).
	it.each([
		[
			{ food: 'green-beans', style: 'raw', jar: 'quart', altitude_m: '200', gauge: 'weighted' },
			['pieces raw quart pressure weighted 25 10']
		],
		[
			{ food: 'green-beans', style: 'raw', jar: 'quart', altitude_m: '305', gauge: 'weighted' },
			['pieces raw quart pressure weighted 25 15']
		],
		[
			{ food: 'corn', product: 'whole-kernel', style: 'hot', jar: 'pint', altitude_m: '700', gauge: 'dial' },
			['whole-kernel hot pint pressure dial 55 12']
		],
		[
			{ food: 'beef', product: 'strips-cubes', style: 'hot', jar: 'quart', altitude_m: '0', gauge: 'dial' },
			['strips-cubes hot quart pressure dial 90 11']
		],
		[
			{ food: 'peaches', style: 'hot', jar: 'pint', altitude_m: '0', gauge: 'dial' },
			['halves hot pint boiling-water 20', 'halves hot pint pressure dial 10 6']
		],
		[
			{ food: 'strawberries', product: 'jam', jar: 'half-pint', altitude_m: '0' },
			['jam hot half-pint boiling-water 5']
		],
		[{ food: 'sauerkraut', style: 'hot', jar: 'quart', altitude_m: '1900' }, ['sauerkraut hot quart boiling-water 25']]
	])('%o', async (query, rows) => {
		const { status, body } = await can(query);
		expect(status).toBe(200);
		expect(body.processes?.map(line)).toEqual(rows);
	});
	it('gives tomatoes several, each with acid, psi and kPa where there is pressure', async () => {
		const { body } = await can({ food: 'tomatoes', product: 'crushed', jar: 'quart', altitude_m: '0', gauge: 'dial' });
		expect(body.processes?.map(line)).toEqual([
			'crushed hot quart boiling-water 45',
			'crushed hot quart pressure dial 20 6',
			'crushed hot quart pressure dial 15 11'
		]);
		for (const p of body.processes ?? [])
			expect(p.acid).toMatchObject({ lemon_juice_tbsp: 2, citric_acid_tsp: 0.5, vinegar_tbsp: 4 });
		expect(body.processes?.[2]).toMatchObject({ psi: 11, kPa: 75.8, headspace_in: 0.5, headspace_mm: 12.7 });
	});
	it('is 400 without an altitude, never sea level, and names every fault', async () => {
		expect((await can({ food: 'green-beans' })).body.error).toMatchObject({
			code: 'BAD_INPUT',
			faults: [{ field: 'altitude_m' }]
		});
		const { status, body } = await can({
			style: 'boiled',
			jar: 'bucket',
			altitude_m: 'NaN',
			gauge: 'none',
			moon: 'full'
		});
		expect(status).toBe(400);
		expect(body.error?.faults.map((f) => f.field).sort()).toEqual([
			'altitude_m',
			'food',
			'gauge',
			'jar',
			'moon',
			'style'
		]);
		for (const altitude_m of ['', ' ', '1e3', 'Infinity', '0x10', '300,400', '-500', '99999']) {
			expect((await can({ food: 'green-beans', altitude_m })).status, altitude_m).toBe(400);
		}
		expect((await call('/api/v1/canning', 'food=peas&food=corn&altitude_m=0')).status).toBe(400);
		expect((await call('/api/v1/canning', 'food=peas&altitude_m=0&altitude_m=2000')).status).toBe(400);
	});
	it('refuses with 422, the reason, the source and a way on', async () => {
		const queries: readonly Record<string, string>[] = [
			{ food: 'zucchini' },
			{ food: 'pumpkin', product: 'puree' },
			{ food: 'pumpkin butter' },
			{ food: 'white peaches' },
			{ food: 'broccoli' },
			{ food: 'morels' },
			{ food: 'pesto' },
			{ food: 'green-beans', jar: 'half-gallon' },
			{ food: 'apples', style: 'raw' }
		];
		for (const query of queries) {
			const { status, body } = await can({ ...query, altitude_m: '0' });
			expect([status, body.refused], JSON.stringify(query)).toEqual([422, true]);
			expect(body.instead?.length).toBeGreaterThan(0);
		}
		expect((await can({ food: 'peas', altitude_m: '2500', gauge: 'dial' })).status).toBe(422);
		expect((await can({ food: 'peas', altitude_m: '3500' })).status).toBe(422);
	});
	it('is 404 with near names for an unknown food', async () => {
		const { status, body } = await can({ food: 'aspargus tips', altitude_m: '0' });
		expect(status).toBe(404);
		expect(body.error?.near?.length).toBeGreaterThan(0);
	});
	it('answers for every food, product, jar and gauge as described, and never with a time for an untested one', async () => {
		let processes = 0;
		for (const row of foodRows) {
			const products = canningProducts.filter((p) => p.foods.includes(row.id)).map((p) => p.product);
			for (const product of [undefined, 'mashed', ...products]) {
				for (const jar of [undefined, ...jarSizes]) {
					const { status, body } = await can({
						food: row.id,
						altitude_m: '1000',
						...(product ? { product } : {}),
						...(jar ? { jar } : {})
					});
					expect(row.id === 'mushrooms' ? [300] : [200, 422]).toContain(status);
					if (status === 200 && product === 'mashed') throw new Error(`${row.id} mashed has a time`);
					processes += body.processes?.length ?? 0;
				}
			}
		}
		expect(processes).toBeGreaterThan(1000);
	});
	it('answers for every product by a name of its own', async () => {
		for (const product of canningProducts) {
			for (const name of [product.id, product.name, ...(product.names ?? [])]) {
				// "Greens" and "fish" are several: they are asked for.
				// A recipe without its ingredients has no minutes; a jam or jelly is of a fruit.
				const bare = !recipeOf(product, null) && product.recipe;
				const asked = understand(name).kind === 'asked' && ['greens', 'fish', 'berries', 'ground-meat'].includes(name);
				expect((await can({ food: name, altitude_m: '50' })).status, name).toBe(asked ? 300 : bare ? 422 : 200);
			}
		}
	});
});
