import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { frozenPace, labelOver, paceAs_C, withMeasured, type ColdStay } from './pace';

const day = 86_400_000;
const cFromF = (f: number) => (f - 32) / 1.8;

describe('frozen food over the history of its freezer', () => {
	it('grows old twice as fast for each 10 °F above 0 °F, and no slower below (common practice)', () => {
		expect(frozenPace(-18)).toBe(1);
		expect(frozenPace(-30)).toBe(1);
		expect(frozenPace(cFromF(9.6))).toBeCloseTo(2, 9);
		expect(frozenPace(cFromF(19.6))).toBeCloseTo(4, 9);
	});
	it('a year on the label, a hundred days at 0 °F, then ten degrees warmer: half of the rest', () => {
		const stays: ColdStay[] = [
			{ place_C: -18, from: 0, until: 100 * day },
			{ place_C: -18 + 10 / 1.8, from: 100 * day, until: null }
		];
		expect(labelOver(365 * day, stays) / day).toBeCloseTo(100 + 265 / 2, 9);
		// Cold again after thirty warm days: sixty days of the label went in thirty.
		const [one, two] = stays;
		if (!one || !two) throw new Error('no stays');
		const cold = [one, { ...two, until: 130 * day }, { place_C: -20, from: 130 * day, until: null }];
		expect(labelOver(365 * day, cold) / day).toBeCloseTo(365 - 30, 9);
	});
	it('never gives more than the label, never less for a colder history, and a stay cut in two is the same stay', () => {
		const stay = fc.record({ C: fc.double({ min: -30, max: -12, noNaN: true }), days: fc.double({ min: 0, max: 400, noNaN: true }) }); // prettier-ignore
		fc.assert(
			fc.property(
				fc.array(stay, { minLength: 1, maxLength: 6 }),
				fc.integer({ min: 1, max: 700 }),
				fc.double({ min: 0, max: 5, noNaN: true }),
				(list, label, colder) => {
					// prettier-ignore
					const laid = (shift: number, cut = false) => {
					let at = 0;
					return list.flatMap(({ C, days }, i): ColdStay[] => {
						const from = at;
						at += days * day;
						const until = i === list.length - 1 ? null : at;
						const place_C = C - shift;
						if (!cut || until === null) return [{ place_C, from, until }];
						const middle = (from + until) / 2;
						return [{ place_C, from, until: middle }, { place_C, from: middle, until }];
					});
				};
					const by = labelOver(label * day, laid(0));
					expect(by).toBeLessThanOrEqual(label * day);
					expect(labelOver(label * day, laid(colder))).toBeGreaterThanOrEqual(by - 1);
					expect(Math.abs(labelOver(label * day, laid(0, true)) - by)).toBeLessThan(1);
				}
			),
			{ numRuns: 2000 }
		);
	});
});

describe('a freezer that its probe knows', () => {
	const open: ColdStay[] = [{ place_C: -18, from: 0, until: null }];
	it('uses up the label by what was measured, and by the usual temperature where nothing was', () => {
		// Ten days 10 °F above the printed freezer age twice as fast (common practice): ten days more are gone of the label.
		const warm: ColdStay[] = [{ place_C: -18 + 10 / 1.8, from: 20 * day, until: 30 * day }];
		const stays = withMeasured(open, warm);
		expect(stays.map((s) => [Math.round(s.from / day), s.until === null ? null : Math.round(s.until / day)])).toEqual([[0, 20], [20, 30], [30, null]]); // prettier-ignore
		expect(labelOver(365 * day, stays) / day).toBeCloseTo(355, 1);
		expect(labelOver(365 * day, open) / day).toBe(365);
	});
	it('is followed only since the pack lies there, and gives nothing back for what was colder', () => {
		const before: ColdStay[] = [{ place_C: -5, from: -10 * day, until: 2 * day }];
		expect(withMeasured(open, before)[0]).toMatchObject({ place_C: -5, from: 0, until: 2 * day });
		const cold: ColdStay[] = [{ place_C: -30, from: 0, until: 100 * day }];
		expect(labelOver(365 * day, withMeasured(open, cold)) / day).toBe(365);
	});
	it('turns a mean pace back into the temperature that has it', () => {
		for (const pace of [1, 1.7, 2, 8]) expect(frozenPace(paceAs_C(pace))).toBeCloseTo(pace, 9);
	});
});
