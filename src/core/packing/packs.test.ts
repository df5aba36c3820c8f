import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { trayLoad_kg_m2 } from '../freezing/tray';
import { dateIn, daysBetween, monthsAfter } from '../freezing/keep';
import { packs, type Container } from './packs';

const drawer: Container[] = [
	{ id: 'a', name: '1 L bag', kind: 'bag', volume_mL: 1000, count: 10 },
	{ id: 'b', name: '2 L bag', kind: 'bag', volume_mL: 2000, count: 20 },
	{ id: 'c', name: '4 L bag', kind: 'bag', volume_mL: 4000, count: 2 }
];
const one = { food_g: 8400, portion_g: 500, bulk_kg_per_L: 0.45, pack: 'loose', containers: drawer } as const;

describe('packs', () => {
	it('loses nothing: packs and remainder make up the food, for any amount and portion', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 500_000 }), fc.integer({ min: 10, max: 20_000 }), (food_g, portion_g) => {
				const p = packs({ ...one, food_g, portion_g });
				const alike = packs({ ...one, food_g, portion_g, equal: true });
				expect(p.count * p.portion_g + p.remainder_g).toBeCloseTo(food_g, 6);
				expect(alike.count * alike.portion_g).toBeCloseTo(food_g, 6);
				return p.count >= 1 && p.remainder_g >= 0 && p.remainder_g < portion_g && alike.remainder_g === 0;
			}),
			{ seed: 3 }
		);
	});
	it('are all alike, near what is usual: never a rest over, never none', () => {
		expect(packs({ ...one, food_g: 9100, equal: true })).toMatchObject({ count: 18, remainder_g: 0 });
		expect(packs({ ...one, food_g: 9100, equal: true }).portion_g).toBeCloseTo(505.6, 1);
		expect(packs({ ...one, food_g: 180, equal: true })).toMatchObject({ count: 1, portion_g: 180 });
		// Said to the gram it is that, and less than it is one small pack.
		expect(packs({ ...one, food_g: 9100 })).toMatchObject({ count: 18, portion_g: 500, remainder_g: 100 });
		expect(packs({ ...one, food_g: 180 })).toMatchObject({ count: 1, portion_g: 180, remainder_g: 0 });
	});
	it('takes the smallest container that holds the portion with a tenth to spare', () => {
		// 500 g at 0.45 kg/L is 1.11 L: the 1 L bag is too small.
		expect(packs(one).container?.id).toBe('b');
		expect(packs({ ...one, food_g: 6000, portion_g: 400 }).container?.id).toBe('b');
		expect(packs({ ...one, food_g: 3000, portion_g: 400, bulk_kg_per_L: 0.6 }).container?.id).toBe('a');
	});
	it('prefers one of which there are enough, and says how many are short when there are not', () => {
		expect(packs({ ...one, portion_g: 250, food_g: 4000 }).container?.id).toBe('b');
		expect(packs({ ...one, portion_g: 1500 }).short).toBe(6 - 2);
	});
	it('says what is wrong when nothing fits, and when the chosen one does not', () => {
		expect(packs({ ...one, portion_g: 5000 }).problem).toMatch(/Nothing in the drawer/);
		expect(packs({ ...one, containerId: 'a' }).problem).toMatch(/too small/);
	});
	it('a loose tray pack needs no headspace, a dry pack half an inch', () => {
		// NCHFP, Headspace to Allow Between Packed Food and Closure (from memory).
		expect(packs(one).headspace).toMatch(/no headspace/);
		expect(packs({ ...one, pack: 'dry' }).headspace).toMatch(/½ in/);
	});
	it.each([{ food_g: 0 }, { portion_g: 5 }, { portion_g: Number.NaN }, { bulk_kg_per_L: -1 }])('refuses %o', (bad) => {
		expect(() => packs({ ...one, ...bad })).toThrow();
	});
});

describe('trays', () => {
	it('a layer of slabs weighs cover · density · thickness', () =>
		expect(trayLoad_kg_m2('slab', 0.01)).toBeCloseTo(6, 9));
	it('goes with the size, and rounder pieces load less', () => {
		expect(trayLoad_kg_m2('sphere', 0.02)).toBeCloseTo(2 * trayLoad_kg_m2('sphere', 0.01), 9);
		expect(trayLoad_kg_m2('sphere', 0.02)).toBeLessThan(trayLoad_kg_m2('cylinder', 0.02));
		expect(trayLoad_kg_m2('cylinder', 0.02)).toBeLessThan(trayLoad_kg_m2('slab', 0.02));
	});
	it('refuses no size', () => expect(() => trayLoad_kg_m2('slab', 0)).toThrow(/size_m/));
});

describe('dates of keeping', () => {
	it('is the household’s own date, not that of UTC', () => {
		const at = Date.parse('2026-08-24T22:30:00Z');
		expect(dateIn('Europe/Prague', at)).toBe('2026-08-25');
		expect(dateIn('America/Denver', at)).toBe('2026-08-24');
	});
	it('adds months, and keeps to the last day of a shorter one', () => {
		expect(monthsAfter('2026-08-25', 12)).toBe('2027-08-25');
		expect(monthsAfter('2026-08-31', 6)).toBe('2027-02-28');
		expect(monthsAfter('2024-02-29', 12)).toBe('2025-02-28');
	});
	it('counts days across a change of the clocks', () => expect(daysBetween('2026-10-24', '2026-10-26')).toBe(2));
});
