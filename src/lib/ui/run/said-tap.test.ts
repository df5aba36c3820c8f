import { describe, expect, it } from 'vitest';
import { allFields, type Tap } from '$core/runs/kinds';
import { saidTap } from './said-tap';

describe('what was typed is what is said', () => {
	it('of every tap that holds a weight, whatever its kind', () => {
		const weighed = Object.entries(allFields).filter(([, fields]) => 'grams' in fields);
		expect(weighed.map(([type]) => type)).toEqual(expect.arrayContaining(['weigh', 'salted', 'stored', 'part']));
		for (const [type] of weighed) {
			const tap = { type, grams: 100, tray: 1, part: 1, placeId: 'p' } as unknown as Tap;
			expect(saidTap(tap, { grams: 250.4 }, 'metric', 237), type).toMatchObject({ grams: 250 });
		}
	});
});
