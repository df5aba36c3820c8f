import { describe, expect, it } from 'vitest';
import { foodRows } from '../../src/reference/tables';
import { call } from './api-call';

const freezing = (query: Record<string, string>) => call('/api/v1/models/freezing-time', query);

describe('GET /api/v1/models/freezing-time', () => {
	it('answers for every food as described', async () => {
		for (const { id } of foodRows) {
			const { status, body } = await freezing({ food: id, size_mm: '20' });
			expect(status, id).toBe(200);
			expect(body.hours as number, id).toBeGreaterThan(0.3);
			expect(body.hours as number, id).toBeLessThan(12);
		}
	});
	it('takes longer when thicker, warmer or stiller', async () => {
		const hours = async (more: Record<string, string>) =>
			(await freezing({ food: 'ground-beef', size_mm: '30', ...more })).body.hours as number;
		const plain = await hours({});
		expect(await hours({ size_mm: '60' })).toBeGreaterThan(2 * plain);
		expect(await hours({ air_c: '-15' })).toBeGreaterThan(plain);
		expect(await hours({ h: '25' })).toBeLessThan(plain);
		expect(await hours({ start_c: '40' })).toBeGreaterThan(plain);
		expect(await hours({ shape: 'brick', width_mm: '120', length_mm: '160' })).toBeLessThan(plain);
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
