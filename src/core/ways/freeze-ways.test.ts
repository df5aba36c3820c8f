import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain as thingOf } from '../things/thing';
import { mFromFt } from '../quantities/units';
import { planFreeze } from '../runs/kinds/freeze/make';
import { freezeWays, usualPortion_g, type FreezeWay, type WaysInput } from './freeze-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const waysOf = (id: string, cut?: string, more: Partial<WaysInput> = {}) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return freezeWays({
		thing: thingOf(food),
		grams: 9100,
		food_C: 20,
		kitchen,
		choices: cut ? { cut } : {},
		now,
		...more
	});
};
const open = (id: string, cut?: string, more?: Partial<WaysInput>) =>
	waysOf(id, cut, more).ways.filter((w): w is FreezeWay => w.kind === 'way');

describe('ways of freezing', () => {
	it.each(foodRows.flatMap((f) => f.cuts.map((c) => [f.id, c.id] as const)))(
		'%s, %s: every way is worked out for the whole item, or refused with a way on',
		(id, cut) => {
			const { ways } = waysOf(id, cut);
			expect(ways.length).toBeGreaterThan(0);
			for (const way of ways) {
				if (way.kind === 'refused') {
					expect(way.reason.length).toBeGreaterThan(20);
					expect(way.instead.length).toBeGreaterThan(0);
					continue;
				}
				for (const n of [
					way.prepared_g,
					way.load_g,
					way.hands_s,
					way.elapsed_s,
					way.packs.volume_L,
					way.trays.needed,
					way.firstLook_h
				]) {
					expect(n).toBeGreaterThan(0);
					expect(Number.isFinite(n)).toBe(true);
				}
				expect(way.packs.count * way.packs.portion_g + way.packs.remainder_g).toBeCloseTo(way.prepared_g, 6);
				expect(way.elapsed_s).toBeGreaterThanOrEqual(way.firstLook_h * 3600);
				expect(way.keepsUntil).toMatch(/^202[67]-\d\d-\d\d$/);
				expect(way.source.length).toBeGreaterThan(5);
				expect(way.cautions.some((c) => c.id === 'authority')).toBe(true);
				expect(way.steps.length).toBeGreaterThan(2);
				// A run can be made of it, and its plan survives JSON.
				const plan = planFreeze([{ way, lotId: 'x', called: way.food.name, form: 'whole', raw_g: 9100 }], kitchen);
				expect(JSON.parse(JSON.stringify(plan))).toEqual(plan);
				// What goes in raw is never told to be blanched or boiled first, by its steps or at the stove; a cooked dish was.
				if (way.method === 'raw' && way.food.group !== 'dish' && way.food.group !== 'fish')
					expect([...way.steps, plan.subjects[0]?.prepare].join(' ')).not.toMatch(/\b(blanch|cook)/i);
			}
		}
	);

	it('refuses raw potatoes, and still offers potatoes cooked first or blanched', () => {
		expect(waysOf('potatoes', 'dice').ways.find((w) => w.id === 'raw')).toMatchObject({ kind: 'refused' });
		expect(open('potatoes', 'dice').map((w) => w.id)).toEqual(['cook']);
		expect(open('potatoes', 'small-whole')[0]?.blanchWords).toBe('3 to 5 min');
	});
	it('says that no time is published where none is, and gives the clock none', () => {
		const [cook] = open('potatoes', 'shreds');
		expect(cook?.blanchWords).toMatch(/no time is published/);
		expect(cook?.line).toBeUndefined();
		if (!cook) throw new Error('no way');
		const plan = planFreeze([{ way: cook, lotId: 'x', called: 'potatoes', form: 'whole', raw_g: 9100 }], kitchen);
		expect(plan.subjects[0]?.stages.find((s) => s.id === 'blanch')?.end).toEqual({ by: 'look' });
	});
	it('works out no heat before the altitude is known', () => {
		const without = { ...kitchen, altitude_m: null };
		const ways = waysOf('green-beans', 'cut', { kitchen: without }).ways;
		expect(ways.find((w) => w.id.startsWith('blanch'))).toMatchObject({ kind: 'refused' });
	});
	it('asks for a pot where there is none', () => {
		expect(waysOf('green-beans', 'cut', { kitchen: { ...kitchen, pots: [] } }).ways[0]).toMatchObject({
			kind: 'refused',
			reason: expect.stringMatching(/no pot/) as string
		});
	});
	it('takes the altitude minute into words, clock and steps from 5,000 ft', () => {
		const [high] = open('green-beans', 'cut', { kitchen: { ...kitchen, altitude_m: mFromFt(6200) } });
		expect(high?.blanchWords).toBe('4 min');
		expect(high?.line?.blanch_s).toEqual([240, 240]);
		expect(high?.steps.join(' ')).toMatch(/4 min/);
	});
	it('keeps blanched vegetables the published 8 to 12 months, unblanched ones shorter', () => {
		const ways = open('green-beans', 'cut');
		expect(ways.find((w) => w.method === 'water')).toMatchObject({ months: [8, 12], keepsUntil: '2027-08-25' });
		expect(ways.find((w) => w.method === 'raw')?.months[1]).toBeLessThan(8);
	});
	it('puts the ears through the pot where kernels are wanted', () => {
		const [kernels] = open('sweet-corn', 'kernels');
		expect(kernels?.load_g).toBeGreaterThan((kernels?.prepared_g ?? 0) * 1.8);
	});
	it('warns of the daily load and of a full freezer', () => {
		// NCHFP, Freezing: 2 to 3 lb to the cubic foot in 24 h (from memory): 240 L takes 7.7 kg at the lower figure.
		const [way] = open('green-beans', 'cut', { grams: 20_000 });
		expect(way?.freezer.dayLoad_kg).toBeCloseTo(7.69, 1);
		expect(way?.freezer.overload).toBe(true);
		expect(open('green-beans', 'cut', { kitchen: { ...kitchen, freezerFree_L: 3 } })[0]?.freezer.fits).toBe(false);
	});
	it('says to cook frozen vegetables, and that thawed tomatoes are not canned whole', () => {
		expect(open('peas')[0]?.cautions.map((c) => c.id)).toContain('cook-vegetables');
		expect(open('tomatoes', 'whole')[0]?.cautions.map((c) => c.id)).toContain('thawed-tomatoes');
		expect(open('strawberries')[0]?.cautions.map((c) => c.id)).not.toContain('cook-vegetables');
	});
	it('refuses an unknown cut and no food at all', () => {
		expect(() => waysOf('peas', 'julienne')).toThrow(/Known: shelled/);
		expect(() => waysOf('peas', 'shelled', { grams: 0 })).toThrow(/grams/);
	});
	it('portions go with the people at table', () => {
		expect(usualPortion_g(5)).toBe(500);
		expect(usualPortion_g(1)).toBe(100);
	});
});
