import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boilingPoint_C } from '../../src/core/heat/boiling-point';
import { openApi } from '../../src/lib/server/api/openapi';
import { foodRows } from '../../src/reference/tables';
import { call, models } from './api-call';

const ask = (name: string, query: Record<string, string> | string) => call(`/api/v1/models/${name}`, query);
const freezing = (query: Record<string, string>) => ask('freezing-time', query);
const documented = [...readFileSync('docs/api.md', 'utf8').matchAll(/^GET \/api\/v1\/models\/([a-z-]+)\?(\S+)$/gm)];

describe('the models, open to scripts', () => {
	it('answers every call in docs/api.md as described, and every model has one', async () => {
		expect([...new Set(documented.map((m) => `/api/v1/models/${m[1]}`))].sort()).toEqual(Object.keys(models).sort());
		for (const [, name = '', query = ''] of documented)
			expect((await ask(name, query)).status, `${name}?${query}`).toBe(200);
	});
	it('describes each, with every parameter checked as it is described', async () => {
		for (const path of Object.keys(models)) {
			const { get } = (openApi.paths as unknown as Record<string, { get: { parameters: { name: string; required: boolean; schema: { minimum?: number; enum?: string[] } }[] } }>)[path] ?? {}; // prettier-ignore
			if (!get) throw new Error(`${path} is not described`);
			const nonsense = Object.fromEntries(get.parameters.map((p) => [p.name, p.schema.minimum !== undefined ? String(p.schema.minimum - 1) : p.schema.enum ? 'moon' : 'x'])); // prettier-ignore
			const { status, body } = await call(path, { ...nonsense, moon: 'full' });
			expect(status, path).toBe(400);
			const named = body.error?.faults.map((f) => f.field) ?? [];
			for (const p of get.parameters.filter((q) => q.schema.minimum !== undefined || q.schema.enum))
				expect(named, path).toContain(p.name);
			expect(named, path).toContain('moon');
			const bare = await call(path, {});
			expect(bare.status, path).toBe(400);
			expect(bare.body.error?.faults.map((f) => f.field)).toEqual(
				expect.arrayContaining(get.parameters.filter((p) => p.required).map((p) => p.name))
			);
		}
	});
	it('knows no food of that name: 404 with near ones', async () => {
		for (const [, name = '', query = ''] of documented.filter((m) => m[2]?.includes('food='))) {
			const { status, body } = await ask(name, query.replace(/food=[^&]+/, 'food=brocoly'));
			expect(status, name).toBe(404);
			expect(body.error?.near, name).toContain('broccoli');
		}
	});
});

interface Asked {
	readonly name: string;
	readonly required: boolean;
	readonly example?: string | number;
	readonly schema: {
		readonly type?: string;
		readonly minimum?: number;
		readonly maximum?: number;
		readonly enum?: readonly string[];
	};
}
/** A value within what the description allows; now and then at an end of it. */
const valueFor = (p: Asked): fc.Arbitrary<string> => {
	const { minimum, maximum, enum: values, type } = p.schema;
	if (values) return fc.constantFrom(...values);
	if (minimum !== undefined && maximum !== undefined)
		return fc.oneof(fc.constant(String(minimum)), fc.constant(String(maximum)), fc.double({ min: minimum, max: maximum, noNaN: true }).map((x) => x.toFixed(4))); // prettier-ignore
	if (type === 'boolean') return fc.constantFrom('true', 'false');
	if (p.name === 'food' || p.name === 'with') return fc.constantFrom(...foodRows.map((f) => f.id));
	return fc.constant(String(p.example ?? 'whole'));
};

describe('whatever is asked within bounds', () => {
	it.each(Object.keys(models))('%s answers as described, or says why not; never fails', async (path) => {
		const { get } = (openApi.paths as unknown as Record<string, { get: { parameters: readonly Asked[] } }>)[path] ?? {};
		if (!get) throw new Error(path);
		const query = fc.record(
			Object.fromEntries(
				get.parameters.map((p) => [p.name, p.required ? valueFor(p) : fc.option(valueFor(p), { nil: '', freq: 2 })])
			)
		);
		// A freezer over days takes longer than the others.
		const numRuns = path.endsWith('freezer-week') ? 15 : 150;
		let answered = 0;
		await fc.assert(
			fc.asyncProperty(query, async (asked) => {
				const { status } = await call(path, asked);
				if (status === 200) answered++;
				expect([200, 300, 400, 422]).toContain(status);
			}),
			{ numRuns, seed: 5 }
		);
		expect(answered, 'answers among them').toBeGreaterThan(0);
	});
});

describe('what they answer', () => {
	it('boils and heats as the core does', async () => {
		const { body } = await ask('boiling-point', { altitude_m: '1524' });
		// Published table (from memory): 202.8 to 202.9 °F at 5,000 ft.
		expect(((body.boil_C as number) * 9) / 5 + 32).toBeCloseTo(202.9, 0);
		const pot = await ask('pot-heating', { water_l: '8', power_w: '2000', burner: 'induction', altitude_m: '380' });
		expect(pot.body.seconds as number).toBeCloseTo(((8 * 4186 + 8 * 170) * (boilingPoint_C(380) - 14)) / 1700, -1);
	});
	it('keeps the published minutes in the blanch line and refuses where nothing is blanched', async () => {
		const { body } = await ask('blanch-line', { food: 'green-beans', kg: '9', pot_l: '12', altitude_m: '1600' });
		expect(body.blanch_s).toEqual([240, 240]);
		expect((await ask('blanch-line', { food: 'strawberries', kg: '3', pot_l: '8', altitude_m: '0' })).status).toBe(422);
	});
	it('leaves an ear of corn in the ice far longer than its kernels', async () => {
		const seconds = async (shape: string, size_mm: string, blanch_s: string) =>
			(await ask('chill-time', { shape, size_mm, blanch_s })).body.seconds as number;
		const kernels = await seconds('sphere', '8', '240');
		expect(kernels).toBe(240);
		expect(await seconds('cylinder', '50', '540')).toBeGreaterThan(3 * kernels);
		expect((await ask('chill-time', { shape: 'slab', size_mm: '20', blanch_s: '60', bath_c: '20' })).status).toBe(422);
	});
	it('cools by the published stages and says what to change', async () => {
		const { body } = await ask('cooling', {
			vessel: 'pot',
			diameter_mm: '260',
			depth_mm: '200',
			place: 'fridge',
			medium_c: '4'
		});
		expect(body).toMatchObject({ verdict: 'too slow', rule: { first_s: 7200, both_s: 21600 } });
		expect((body.changes as unknown[]).length).toBeGreaterThan(0);
		expect(
			(await ask('cooling', { vessel: 'pan', depth_mm: '50', place: 'room', medium_c: '20' })).body.error?.faults.map(
				(f) => f.field
			)
		).toEqual(['length_mm', 'width_mm']);
		const room = await ask('cooling', {
			vessel: 'pot',
			diameter_mm: '260',
			depth_mm: '200',
			place: 'room',
			medium_c: '22'
		});
		expect(room.body.to_41F_s).toBeNull();
	});
	it('learns from dips and weighings', async () => {
		const pot = { base_mm: '280', height_mm: '200', depth_mm: '150', fraction: '0.5' };
		expect((await ask('boil-down', pot)).body).toMatchObject({ learned: false, mark_mm: 75 });
		expect((await ask('boil-down', { ...pot, dips: '1200:140,2400:130' })).body.learned).toBe(true);
		expect((await ask('boil-down', { ...pot, dips: '1200;140' })).status).toBe(400);
		expect((await ask('boil-down', { ...pot, dips: '1200:160' })).status).toBe(400);
		const plain = (await ask('drying-time', { food: 'apples' })).body as unknown as {
			interval_h: [number, number];
			learned: null;
		};
		expect(plain.learned).toBeNull();
		const { body } = await ask('drying-time', { food: 'apples', wet_kg: '1', weigh_ins: '2:0.66,4:0.45,6:0.3' });
		const [low, high] = (body.learned as { interval_h: [number, number] }).interval_h;
		expect(high - low).toBeLessThan(plain.interval_h[1] - plain.interval_h[0]);
		expect((await ask('drying-time', { food: 'apples', weigh_ins: '2:0.6' })).status).toBe(400);
	});
	it('carries no hours of meat, makes none up, and refuses what is not dried', async () => {
		expect((await ask('drying-time', { food: 'beef', thickness_mm: '5' })).body).toMatchObject({
			as_printed: true,
			factors: []
		});
		expect((await ask('drying-time', { food: 'beef', thickness_mm: '12' })).status).toBe(422);
		expect((await ask('drying-time', { food: 'cod' })).status).toBe(422);
		expect((await ask('drying-time', { food: 'lettuce' })).status).toBe(422);
	});
	it('answers drying for every food: a balance that adds up, or a reason', async () => {
		for (const { id } of foodRows) {
			const { status, body } = await ask('drying-yield', { food: id, kg: '10' });
			if (status === 422) expect(body.instead?.length, id).toBeGreaterThan(0);
			else
				expect((body.byproduct_kg as number) + (body.water_kg as number) + (body.dry_kg as number), id).toBeCloseTo(
					10,
					2
				);
		}
		expect((await ask('drying-yield', { food: 'apples', kg: '10', form: 'moon' })).status).toBe(400);
	});
	it('computes no canning time: the table’s minutes stand in every load, refusals stay', async () => {
		const query = { food: 'green-beans', style: 'raw', jar: 'pint', altitude_m: '380', kg: '20' };
		const { body } = await ask('canner-loads', query);
		const table = await call('/api/v1/canning', {
			food: 'green-beans',
			style: 'raw',
			jar: 'pint',
			altitude_m: '380',
			gauge: 'weighted'
		});
		const minutes = (table.body.processes ?? [])[0]?.minutes;
		for (const load of body.loads as { steps: { name: string; seconds: number }[] }[])
			expect(load.steps.find((s) => s.name === 'process')?.seconds).toBe((minutes as number) * 60);
		expect((await ask('canner-loads', { ...query, food: 'zucchini' })).status).toBe(422);
		expect((await ask('canner-loads', { ...query, altitude_m: '3300' })).status).toBe(422);
		expect((await ask('canner-loads', { ...query, jars: '7' })).status).toBe(400);
		expect((await ask('canner-loads', { ...query, kg: '0.2' })).status).toBe(400);
		const mixed = await ask('canner-loads', { ...query, with: 'carrots' });
		expect((mixed.body.mixed as { minutes: number }).minutes).toBeGreaterThanOrEqual(minutes as number);
		expect((await ask('canner-loads', { ...query, with: 'zucchini' })).status).toBe(422);
		expect((await ask('canner-loads', { ...query, with: 'peaches' })).status).toBe(422);
	});
	it('packs, and asks for just one way of portioning', async () => {
		const { body } = await ask('portions', {
			food: 'green-beans',
			kg: '8.4',
			portion_g: '500',
			second_g: '200',
			paid: '1250',
			per_week: '1'
		});
		const sizes = body.sizes as { grams: number; packs: number }[];
		expect(sizes.reduce((sum, s) => sum + s.grams * s.packs, body.remainder_g as number)).toBe(8400);
		expect((await ask('portions', { food: 'green-beans', kg: '8.4' })).status).toBe(400);
		expect((await ask('portions', { food: 'green-beans', kg: '8.4', portion_g: '500', people: '4' })).status).toBe(400);
		expect((await ask('portions', { food: 'apples', kg: '8.4', pieces: '6' })).status).toBe(200);
	});
	it('sizes an absorber or says why not', async () => {
		expect(
			(await ask('absorber', { food: 'dry-beans', volume_l: '0.946', lies: 'dense', moisture: '9' })).body
		).toMatchObject({
			size_cc: 100,
			count: 1
		});
		expect((await ask('absorber', { food: 'apples', volume_l: '0.946', lies: 'light', moisture: '18' })).status).toBe(
			422
		);
	});
	it('spreads a load over days and keeps the old stock cold', async () => {
		const { body } = await ask('freezer-week', { litres: '240', old_kg: '70', food: 'green-beans', kg: '20' });
		expect((body.packs_by_day as number[]).reduce((a, b) => a + b)).toBe(40);
		expect(body).toMatchObject({ week: { old_safe: true, within_limit: true }, at_once: { within_limit: false } });
		expect((await ask('freezer-week', { litres: '60', food: 'beef', kg: '90', pack_kg: '4' })).status).toBe(422);
		expect((await ask('freezer-week', { litres: '60', food: 'beef', kg: '9', old_kg: '90' })).status).toBe(400);
	});
});

describe('GET /api/v1/models/freezing-time', () => {
	it('answers for every food as described', async () => {
		for (const { id, composition } of foodRows) {
			const { status, body } = await freezing({ food: id, size_mm: '20' });
			// Flour and nuts have next to no water to freeze: the model says so.
			expect(status, id).toBe(composition.water < 20 ? 422 : 200);
			if (status !== 200) continue;
			expect(body.hours as number, id).toBeGreaterThan(0.3);
			expect(body.hours as number, id).toBeLessThan(12);
		}
	});
	it('takes longer when thicker, warmer, stiller, stacked or wrapped loosely', async () => {
		const hours = async (more: Record<string, string>) =>
			(await freezing({ food: 'ground-beef', size_mm: '30', ...more })).body.hours as number;
		const plain = await hours({});
		expect(await hours({ size_mm: '60' })).toBeGreaterThan(2 * plain);
		expect(await hours({ stack: '2' })).toBeCloseTo(await hours({ size_mm: '60' }), 3);
		expect(await hours({ air_c: '-15' })).toBeGreaterThan(plain);
		expect(await hours({ h: '25' })).toBeLessThan(plain);
		expect(await hours({ place: 'fan', wrap: 'tight' })).toBeLessThan(await hours({ place: 'fan', wrap: 'carton' }));
		expect(await hours({ start_c: '40' })).toBeGreaterThan(plain);
		expect(await hours({ shape: 'brick', width_mm: '120', length_mm: '160' })).toBeLessThan(plain);
	});
	it('draws the curve where it is asked for', async () => {
		const { body } = await freezing({ food: 'ground-beef', size_mm: '30', curve: 'true' });
		const curve = body.curve as { hours: number; points: { h: number; centre_C: number }[] };
		expect(curve.hours / (body.hours as number)).toBeGreaterThan(0.88);
		expect(curve.hours / (body.hours as number)).toBeLessThan(1.12);
		expect(curve.points[0]).toMatchObject({ h: 0, centre_C: 5 });
		expect(curve.points.at(-1)?.centre_C).toBe(-10);
		expect(
			(await freezing({ food: 'peas', size_mm: '20', shape: 'brick', width_mm: '30', length_mm: '40', curve: 'true' }))
				.status
		).toBe(400);
	});
	it('refuses air that never gets it hard, with what to do', async () => {
		const { status, body } = await freezing({ food: 'peas', size_mm: '20', air_c: '-8' });
		expect([status, body.refused]).toEqual([422, true]);
		expect(body.instead?.length).toBeGreaterThan(0);
	});
	it('names every fault', async () => {
		const { status, body } = await freezing({ shape: 'star', size_mm: 'big', air_c: '20', h: '0', moon: 'full' });
		expect(status).toBe(400);
		expect(body.error?.faults.map((f) => f.field).sort()).toEqual(['air_c', 'food', 'h', 'moon', 'shape', 'size_mm']);
		expect((await freezing({ food: 'peas', size_mm: '20', width_mm: '30' })).status).toBe(400);
		expect((await freezing({ food: 'peas', shape: 'brick', size_mm: '20' })).status).toBe(400);
	});
});
