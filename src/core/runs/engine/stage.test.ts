import { describe, expect, it } from 'vitest';
import { ringsOf } from './stage';

describe('when a stage rings', () => {
	it('is at its shortest published time, with the longest beside it', () => {
		expect(ringsOf({ by: 'clock', least_s: 30, most_s: 60 }, 1000)).toEqual({ due: 31_000, latest: 61_000 });
		expect(ringsOf({ by: 'clock', least_s: 180 }, 0)).toEqual({ due: 180_000, latest: null });
	});
	it('is a reminder where a person looks, or never where nobody said when', () => {
		expect(ringsOf({ by: 'look', first_s: 3600 }, 0)).toEqual({ due: 3_600_000, latest: null });
		expect(ringsOf({ by: 'look' }, 0)).toEqual({ due: null, latest: null });
		expect(ringsOf({ by: 'mark', words: 'half' }, 0)).toEqual({ due: null, latest: null });
	});
	it('is a quarter of an hour before a reading must be there, mark by mark', () => {
		const marks = [
			{ value: 21, falling: true, within_s: 7200 },
			{ value: 5, falling: true, within_s: 21_600 }
		];
		const end = { by: 'reading', quantity: 'temperature', marks } as const;
		expect(ringsOf(end, 0)).toEqual({ due: 6_300_000, latest: 7_200_000 });
		expect(ringsOf(end, 0, 1)).toEqual({ due: 20_700_000, latest: 21_600_000 });
		expect(ringsOf(end, 0, 2)).toEqual({ due: null, latest: null });
	});
	it('is days from its start, where it ends by a date', () => {
		expect(ringsOf({ by: 'date', days: 7 }, 0)).toEqual({ due: 604_800_000, latest: null });
	});
});
