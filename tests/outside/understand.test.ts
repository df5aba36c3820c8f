import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { cautionTexts } from '../../src/reference/cautions';
import { call } from './api-call';

const of = (line: string, more: Record<string, string> = {}) => call('/api/v1/understand', { line, ...more });

describe('GET /api/v1/understand', () => {
	it('gives the reading of a line: understood, asked, refused or unclear', async () => {
		expect((await of('3 kg cherry peppers')).body).toMatchObject({
			kind: 'understood',
			food: 'chile-peppers',
			food_kind: 'hot',
			grams: 3000,
			state: 'fresh',
			must_be_identified: false
		});
		expect((await of('24 lb tomatoes, frozen')).body).toMatchObject({
			kind: 'understood',
			state: 'frozen',
			grams: 10886
		});
		expect((await of('1 kg porcini')).body).toMatchObject({ kind: 'understood', must_be_identified: true });
		expect((await of('2 kg beans')).body).toMatchObject({ kind: 'asked', question: 'Which beans?' });
		expect((await of('1 kg death cap mushrooms')).body).toMatchObject({ kind: 'refused', rule: 'poison/mushrooms' });
		expect((await of('9 kg plutonium')).body).toMatchObject({ kind: 'unclear', code: 'UNKNOWN_FOOD' });
		expect((await of('2 trugs kale')).body).toMatchObject({ kind: 'unclear', code: 'OWN_MEASURE' });
	});
	it('takes US cups, or metric ones where it is told', async () => {
		// A US cup is 236.6 ml, a metric one 250 ml.
		const us = (await of('4 cups tomato sauce')).body.grams as number;
		expect([us, (await of('4 cups tomato sauce', { cups: 'metric' })).body.grams]).toEqual([946, 1000]);
		expect((await of('4 cups tomato sauce', { cups: 'us' })).body.grams).toBe(us);
	});
	it('answers as described for every written line of the core, and for what is no line', async () => {
		const file = readFileSync(new URL('../../src/core/things/lines.txt', import.meta.url), 'utf8');
		const lines = file.split('\n').filter((l) => l.includes(' | '));
		for (const line of lines) expect((await of((line.split(' | ')[0] ?? '').trim())).status, line).toBe(200);
		expect((await call('/api/v1/understand')).status).toBe(400);
		expect((await of('x'.repeat(201))).status).toBe(400);
		expect((await of('2 kg beans', { cups: 'imperial' })).status).toBe(400);
	});
	it('is asked elsewhere too: a name that means several is a question of the whole reference', async () => {
		for (const food of ['beans', 'chili', 'gumbo', 'mustard', 'laurel leaves', 'bangers', 'mushrooms', 'squash']) {
			for (const path of ['/api/v1/blanch', '/api/v1/freezing', '/api/v1/drying', '/api/v1/cooking'] as const)
				expect([food, path, (await call(path, { food })).status]).toEqual([food, path, 300]);
			expect((await call('/api/v1/canning', { food, altitude_m: '0' })).status, food).toBe(300);
			expect((await call('/api/v1/storage', { food, way: 'fridge' })).status, food).toBe(300);
		}
		// What canning refuses, storage of jars refuses too.
		for (const food of ['white peaches', 'minestrone', 'pea soup', 'fish chowder', 'bolognese', 'spaghetti squash']) {
			expect((await call('/api/v1/canning', { food, altitude_m: '0' })).status, food).toBe(422);
			expect((await call('/api/v1/storage', { food, way: 'can' })).status, food).toBe(422);
		}
		expect((await call('/api/v1/canning', { food: 'peaches', product: 'butter', altitude_m: '0' })).body.reason).not.toMatch(/milk|cream/i); // prettier-ignore
		expect((await call('/api/v1/canning', { food: 'ground turkey', altitude_m: '0' })).body.reason).not.toMatch(
			/liver/i
		);
	});
	it('has one time for a mixed load, in every step and sum', async () => {
		const query = { style: 'raw', jar: 'pint', altitude_m: '300', jars: '9', gauge: 'weighted' };
		let held = 0;
		for (const food of ['green-beans', 'carrots', 'lima-beans', 'asparagus', 'peas', 'sweet-corn', 'beef', 'chicken'])
			for (const other of ['carrots', 'beef', 'asparagus', 'tomatoes']) {
				const product: Record<string, string> = food === 'chicken' ? { product: 'boneless' } : {};
				const { status, body } = await call('/api/v1/models/canner-loads', { ...query, ...product, food, with: other });
				if (status !== 200) continue;
				held++;
				const { minutes } = body.mixed as unknown as { minutes: number };
				const process = body.process as unknown as { minutes: number };
				const loads = body.loads as unknown as { steps: { name: string; seconds: number; words: string }[] }[];
				expect(process.minutes).toBe(minutes);
				for (const load of loads) {
					const step = load.steps.find((s) => s.name === 'process');
					expect(step?.seconds).toBe(minutes * 60);
					expect(step?.words).toContain(`${minutes} min`);
				}
			}
		expect(held).toBeGreaterThan(8);
	});
	it('says the cautions of the canner that is used, and none of the other', async () => {
		const of = async (query: Record<string, string>) =>
			((await call('/api/v1/canning', { altitude_m: '0', ...query })).body.cautions as unknown as string[]) ?? [];
		const { 'boil-lost': boil, botulism, 'pressure-lost': pressure } = cautionTexts;
		expect(await of({ food: 'strawberries', product: 'jam' })).toEqual(expect.arrayContaining([boil.text]));
		expect(await of({ food: 'strawberries', product: 'jam' })).not.toContain(botulism.text);
		expect(await of({ food: 'green-beans' })).toEqual(expect.arrayContaining([botulism.text, pressure.text]));
		expect(await of({ food: 'green-beans' })).not.toContain(boil.text);
		// Peaches were tested in both: both losses are told, and nobody says that only pressure will do.
		const peaches = await of({ food: 'peaches' });
		expect(peaches).toEqual(expect.arrayContaining([boil.text, pressure.text]));
		expect(peaches).not.toContain(botulism.text);
	});
});
