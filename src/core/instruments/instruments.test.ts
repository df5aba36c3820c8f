import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alarmAt, beyond } from './alarm';
import { plausible, readValue } from './read-value';
import { quantities, stale_ms, standing, type Reading } from './reading';
import { thin } from './thin';

const at = (s: number, value: number, more: Partial<Reading> = {}): Reading => ({
	at: s * 1000,
	value,
	fault: '',
	...more
});

describe('a reading', () => {
	it('is held in g, °C and Pa, whatever the instrument speaks: 1 lb is 453.59 g, 160 °F 71.1 °C, 10 psi 68.9 kPa', () => {
		expect(readValue('mass', 1, 'lb')).toMatchObject({ kind: 'read', value: expect.closeTo(453.59, 1) });
		expect(readValue('temperature', 160, 'F')).toMatchObject({ value: expect.closeTo(71.11, 2) });
		expect(readValue('gauge-pressure', 10, 'psi')).toMatchObject({ value: expect.closeTo(68_948, -1) });
	});
	it('of another quantity, an unknown unit, or beyond what can be, is none', () => {
		expect(readValue('mass', 20, 'C')).toMatchObject({ kind: 'bad', why: expect.stringContaining('warmth') });
		expect(readValue('temperature', 20, 'stone').kind).toBe('bad');
		expect(readValue('temperature', 9000, 'C').kind).toBe('bad');
		expect(readValue('mass', Number.NaN, 'g').kind).toBe('bad');
		fc.assert(
			fc.property(
				fc.constantFrom(...quantities),
				fc.double(),
				fc.constantFrom('g', 'kg', 'C', 'F', 'psi', '__proto__'),
				(q, value, unit) => {
					const read = readValue(q, value, unit);
					if (read.kind === 'read') {
						expect(read.value).toBeGreaterThanOrEqual(plausible[q][0]);
						expect(read.value).toBeLessThanOrEqual(plausible[q][1]);
					}
				}
			)
		);
	});
	it('is taken only while it is of now, without a fault, and at rest', () => {
		const calm = [at(1, 411), at(2, 412), at(3, 412)];
		expect(standing('mass', calm, 3_500).is).toBe('steady');
		expect(standing('mass', calm, 3_000 + stale_ms + 1).is).toBe('silent');
		expect(standing('mass', [at(1, 200), at(2, 380), at(3, 412)], 3_500).is).toBe('moving');
		expect(standing('mass', [...calm, at(4, 412, { steady: false })], 4_100).is).toBe('moving');
		expect(standing('mass', [...calm, at(4, 412, { fault: 'overload' })], 4_100).is).toBe('faulty');
		expect(standing('mass', [at(3, 412)], 3_500).is).toBe('moving');
		expect(standing('mass', [], 0)).toEqual({ is: 'silent', reading: null });
	});
});

describe('an alarm', () => {
	const min = 60_000;
	it('rings for a freezer that stays above −12 °C for ten minutes, not for a door that was opened', () => {
		expect(beyond('freezer', -9)).toBe(true);
		expect(beyond('freezer', -12)).toBe(false);
		expect(alarmAt('freezer', 0, -9, 9 * min)).toBeUndefined();
		expect(alarmAt('freezer', 0, -9, 10 * min)).toMatchObject({ since: 0, value_C: -9 });
		expect(alarmAt('freezer', undefined, -9, 99 * min)).toBeUndefined();
	});
	it('rings for a warm basin and for a dryer that is off, and for nothing that nobody asked of it', () => {
		expect(alarmAt('basin', 0, 18, min)).toMatchObject({ words: expect.stringContaining('ice') });
		expect(beyond('basin', 15)).toBe(false);
		expect(alarmAt('dryer', 0, 22, 10 * min)).toMatchObject({ words: expect.stringContaining('on?') });
		expect(beyond('dryer', 60)).toBe(false);
		expect(beyond('nothing', 90)).toBe(false);
		expect(alarmAt('nothing', 0, 90, 99 * min)).toBeUndefined();
	});
});

describe('a history', () => {
	it('keeps mean, least and most of what was sound', () => {
		const list = [at(0, -18), at(20, -16), at(40, 99, { fault: 'open' }), at(61, -12)];
		expect(thin(list, 60_000)).toEqual([
			{ at: 0, span: 60_000, value: -17, least: -18, most: -16, count: 2 },
			{ at: 60_000, span: 60_000, value: -12, least: -12, most: -12, count: 1 }
		]);
	});
});
