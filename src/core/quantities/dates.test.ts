import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantOf, sayAs } from './dates';

const local = "yyyy-MM-dd'T'HH:mm";

describe('a time of the wall clock', () => {
	it('law: what a clock shows at an instant is that instant, or the first of two at which it shows it', () => {
		const zones = ['UTC', 'Europe/Prague', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kathmandu', 'Pacific/Apia'];
		fc.assert(
			fc.property(
				fc.constantFrom(...zones),
				fc.integer({ min: Date.UTC(2012, 0, 1) / 60_000, max: Date.UTC(2030, 0, 1) / 60_000 }),
				(zone, minute) => {
					const at = minute * 60_000;
					const said = sayAs(at, zone, local);
					const found = instantOf(said, zone);
					expect(found).toBeLessThanOrEqual(at);
					expect(sayAs(found ?? 0, zone, local)).toBe(said);
				}
			),
			{ numRuns: 1500 }
		);
	});
	it('takes the first of the hour that comes twice, the hour after one that is skipped, and no day that is none', () => {
		// Central Europe, 2026: clocks go forward on 29 March at 02:00, back on 25 October at 03:00.
		expect(instantOf('2026-10-25T02:30', 'Europe/Prague')).toBe(Date.parse('2026-10-25T00:30:00Z'));
		expect(instantOf('2026-03-29T02:30', 'Europe/Prague')).toBe(Date.parse('2026-03-29T01:30:00Z'));
		expect(instantOf('2026-07-01T22:10', 'Europe/Prague')).toBe(Date.parse('2026-07-01T20:10:00Z'));
		for (const none of ['2026-02-30T10:00', '2026-01-01T24:00', '2026-01-01T10:60', 'yesterday', ''])
			expect(instantOf(none, 'UTC')).toBeUndefined();
	});
	it('law: in every zone it shows what the platform’s own calendar shows, turns of the clocks and all', () => {
		const zones = Intl.supportedValuesOf('timeZone');
		fc.assert(
			fc.property(
				fc.constantFrom(...zones),
				fc.integer({ min: Date.UTC(1965, 0, 1) / 1000, max: Date.UTC(2090, 0, 1) / 1000 }),
				fc.integer({ min: -3, max: 3 }),
				(zone, second, quarters) => {
					const at = second * 1000 + quarters * 900_000;
					const plain = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'medium' });
					expect(sayAs(at, zone, 'yyyy-MM-dd HH:mm:ss'), `${zone} ${at}`).toBe(plain.format(at));
					expect(sayAs(at + 999, zone, 'yyyy-MM-dd HH:mm:ss'), `${zone} ${at}`).toBe(plain.format(at + 999));
				}
			),
			{ numRuns: 3000 }
		);
		expect(() => sayAs(0, 'Nowhere/Land', 'HH:mm')).toThrow(RangeError);
		expect(() => sayAs(NaN, 'UTC', 'HH:mm')).toThrow(RangeError);
	});
});
