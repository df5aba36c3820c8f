import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { fitting, markMoved, unshared_g, withPart, type Share } from './shares';

const sum = (shares: readonly Share[]) => shares.reduce((total, s) => total + s.grams, 0);
const whole = fc.integer({ min: 1, max: 200_000 });
const some = fc.uniqueArray(
	fc.record({ way: fc.constantFrom('blanch', 'raw', 'dry', 'can:a', 'can:b', 'cook'), grams: fc.integer({ min: -10, max: 250_000 }) }),
	{ selector: (s) => s.way, maxLength: 6 }
); // prettier-ignore

describe('a lot shared out among its ways', () => {
	it('never shares out more than there is, nor less than nothing, whatever was kept', () => {
		fc.assert(
			fc.property(whole, some, (grams, shares) => {
				const held = fitting(grams, shares);
				expect(sum(held)).toBeLessThanOrEqual(grams);
				expect(held.every((s) => s.grams > 0 && Number.isInteger(s.grams))).toBe(true);
				expect(sum(held) + unshared_g(grams, held)).toBe(grams);
				// What fits stays as it is.
				expect(fitting(grams, held)).toEqual(held);
			})
		);
	});

	it('gives a way a part without taking more than half of any other', () => {
		fc.assert(
			fc.property(whole, some, (grams, shares) => {
				const held = fitting(grams, shares);
				const after = withPart(grams, held, 'new');
				expect(sum(after)).toBeLessThanOrEqual(grams);
				for (const s of held) expect((after.find((a) => a.way === s.way)?.grams ?? 0) * 2).toBeGreaterThanOrEqual(s.grams);
				if (grams > 2) expect(after.some((s) => s.way === 'new')).toBe(true);
				expect(withPart(grams, after, 'new')).toEqual(after);
			})
		); // prettier-ignore
	});

	it('moves a mark between its neighbours: the others stay, the sum of the two stays', () => {
		fc.assert(
			fc.property(whole, some, fc.nat(5), fc.integer({ min: -5_000, max: 300_000 }), (grams, shares, at, to) => {
				const held = fitting(grams, shares);
				const after = markMoved(grams, held, at, to);
				expect(sum(after)).toBeLessThanOrEqual(grams);
				for (const [i, s] of held.entries())
					if (i !== at && i !== at + 1) expect(after.find((a) => a.way === s.way)).toEqual(s);
				const pair = (list: readonly Share[]) =>
					sum(list.filter((s) => s.way === held[at]?.way || s.way === held[at + 1]?.way));
				if (held[at] && held[at + 1]) expect(pair(after)).toBe(pair(held));
			})
		);
	});

	it('shares 12 kg of tomatoes as it is drawn: 7 crushed, 2.6 dried, 2.4 frozen', () => {
		let shares = withPart(12_000, [], 'can:tomatoes.crushed');
		expect(shares).toEqual([{ way: 'can:tomatoes.crushed', grams: 6000 }]);
		shares = markMoved(12_000, shares, 0, 7000);
		shares = withPart(12_000, shares, 'dry');
		expect(shares.at(-1)).toEqual({ way: 'dry', grams: 5000 });
		shares = markMoved(12_000, shares, 1, 9600);
		shares = withPart(12_000, shares, 'raw');
		expect(shares.map((s) => s.grams)).toEqual([7000, 2600, 2400]);
	});
});
