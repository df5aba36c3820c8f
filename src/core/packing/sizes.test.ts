import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { packCost } from '../costs/pack-cost';
import { takeOn } from '../costs/take-on';
import { foodById } from '../things/names';
import { figureById } from '../freezing/freeze-look-up';
import { absorberFor, type AbsorberInput } from './absorber';
import { bagCut, moulds } from './bags';
import { portions } from './portions';

const food = (id: string) => {
	const found = foodById(id);
	if (!found) throw new Error(id);
	return found;
};

describe('portions', () => {
	it('loses nothing, in one size or two', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 90_000 }), fc.integer({ min: 5, max: 3000 }), fc.integer({ min: 5, max: 3000 }), fc.double({ min: 0, max: 1, noNaN: true }), (food_g, a, b, share) => {
				const p = portions({ food_g, portion: { by: 'weight', grams: a }, second: { portion: { by: 'weight', grams: b }, share } });
				const packed = p.sizes.reduce((sum, s) => sum + s.grams * s.packs, 0);
				return packed + p.remainder_g === food_g && p.remainder_g >= 0 && p.remainder_g < Math.min(a, b);
			})
		);
	}); // prettier-ignore
	it.each([
		[{ by: 'weight', grams: 500 }, 500],
		[{ by: 'volume', mL: 473 }, 284],
		[{ by: 'pieces', count: 4 }, 480],
		[{ by: 'recipe', name: 'one loaf', grams: 350 }, 350],
		[{ by: 'people', people: 5, gramsEach: 120 }, 600]
	] as const)('%o is %d g', (portion, grams) => {
		const p = portions({ food_g: 6000, portion, bulk_kg_per_L: 0.6, piece_g: 120 });
		expect(p.sizes[0]).toMatchObject({ grams, packs: Math.floor(6000 / grams) });
	});
	it('says the price of a pack and the weeks it lasts', () => {
		const p = portions({ food_g: 5000, portion: { by: 'weight', grams: 500 }, paid: 1250, perWeek: 0.5 });
		expect(p.sizes[0]?.price).toBe(125);
		expect([p.packs, p.weeks]).toEqual([10, 20]);
	});
	it('does not guess a bulk or a piece', () => {
		expect(() => portions({ food_g: 500, portion: { by: 'volume', mL: 200 } })).toThrow(/bulk/);
		expect(() => portions({ food_g: 500, portion: { by: 'pieces', count: 2 } })).toThrow(/piece_g/);
		expect(() => portions({ food_g: 500, portion: { by: 'weight', grams: 1 } })).toThrow(/5 g/);
		expect(() => portions({ food_g: 500, portion: { by: 'weight', grams: 100 }, perWeek: 0 })).toThrow(/perWeek/);
	});
});

describe('bags, moulds and absorbers', () => {
	it('cuts a roll to the item, its height and 3 in (common practice)', () => {
		const chop = { length_m: 0.2, width_m: 0.12, height_m: 0.03 };
		const cut = bagCut(chop, [0.2, 0.28], 6);
		expect(cut.cut_m).toBeCloseTo(0.2 + 0.03 + Number(figureById('freeze/bag-slack').value) * 0.0254, 9);
		expect(cut.roll).toBe(0.2);
		expect(cut.perRoll).toBe(19);
		expect(bagCut({ ...chop, width_m: 0.6, length_m: 0.5 }, [0.2, 0.28]).roll).toBeUndefined();
		expect(() => bagCut({ ...chop, height_m: 0 }, [])).toThrow(/height_m/);
	});
	it('counts moulds and their fillings', () => {
		expect(moulds({ food_g: 1000, mL: 30, hollows: 14, kg_per_L: 1 })).toEqual({ portions: 34, rounds: 3, last_g: 10 });
		expect(() => moulds({ food_g: 1000, mL: 0, hollows: 14, kg_per_L: 1 })).toThrow(/mL/);
	});
	// Utah State University Extension (rows of the tables, from memory): cc for a jar, dense or light food.
	it.each([
		['dense-quart', 0.946, 'dense'], ['light-quart', 0.946, 'light'], ['dense-half-gallon', 1.893, 'dense'], ['light-half-gallon', 1.893, 'light'],
		['dense-gallon', 3.785, 'dense'], ['light-gallon', 3.785, 'light'], ['dense-bucket', 18.93, 'dense'], ['light-bucket', 18.93, 'light']
	] as const)('%s of %d L is within the printed sizes', (row, volume_L, lies) => {
		const { value } = figureById(`absorber/${row}`);
		const [low, high] = typeof value === 'number' ? [value, value] : value;
		const a = absorberFor({ food: food('dry-beans'), moisture: 9, volume_L, lies });
		if (a.kind === 'refused') throw new Error(a.reason);
		expect(a.size_cc * a.count).toBeGreaterThanOrEqual(low);
		expect(a.size_cc * a.count).toBeLessThanOrEqual(high);
		expect(a.size_cc * a.count).toBeGreaterThanOrEqual(a.oxygen_mL);
	}); // prettier-ignore
	it('is refused for moist and fat food, for dried fruit that was not measured, and for dried meat on the shelf', () => {
		const ask = (id: string, more: Partial<AbsorberInput> = {}) =>
			absorberFor({ food: food(id), volume_L: 1, lies: 'light', ...more });
		for (const refused of [
			ask('carrots', { moisture: 15 }),
			ask('apples'),
			ask('carrots'),
			ask('dry-beans'),
			ask('apples', { moisture: 20 }),
			ask('beef'),
			ask('coconut', { moisture: 3 })
		]) {
			expect(refused.kind).toBe('refused');
			if (refused.kind === 'refused') expect(refused.instead.length).toBeGreaterThan(0);
		}
		expect(ask('apples', { moisture: 8 }).kind).toBe('absorber');
		expect(ask('carrots', { fill: 0.5, moisture: 6 })).toMatchObject({ kind: 'absorber', count: 1 });
		expect(() => ask('carrots', { volume_L: 50 })).toThrow(/volume_L/);
		// How dry is asked of every food, dried fruit or not.
		expect(ask('carrots')).toMatchObject({ asks: { choices: [{ text: '8' }, { text: '20' }] } });
		expect(() => ask('carrots', { moisture: -1 })).toThrow(/moisture/);
	});
});

describe('what a pack costs', () => {
	const ask = {
		produce: 1200,
		supplies: 240,
		energy_kWh: 2.5,
		energyPrice: 30,
		hands_s: 5400,
		hourRate: 800,
		packs: 18,
		pack_g: 500,
		shopPerKg: 480
	};
	it('is the exact sum of its parts', () => {
		const c = packCost(ask);
		expect(c).toMatchObject({
			produce: 1200,
			supplies: 240,
			energy: 75,
			hours: 1200,
			total: 2715,
			perPack: 151,
			perPackWithoutHours: 84
		});
		expect([c.shopPack, c.saved]).toEqual([240, 89]);
		// 18 packs for 4320 in a shop against 1515 here, in an hour and a half.
		expect(c.earnsPerHour).toBe(Math.round((4320 - 1515) / 1.5));
	});
	it('leaves the shop out where nothing was said of it, and has no cost without a pack', () => {
		const { shopPerKg: _shop, ...plain } = ask;
		expect(packCost(plain).saved).toBeUndefined();
		expect(() => packCost({ ...ask, packs: 0 })).toThrow(/no whole pack/);
		expect(() => packCost({ ...ask, produce: 12.5 })).toThrow(/whole minor units/);
		expect(() => packCost({ ...ask, hourRate: -1 })).toThrow(/hourRate/);
	});
});

describe('what can still be taken on', () => {
	const r = (id: string, have: number, perKg: number) => ({ id, name: id, unit: 'h', have, perKg });
	it('is the least of what each resource stands, and names it', () => {
		const t = takeOn([r('hands', 6, 0.4), r('ice', 9, 1), r('jars', 40, 0), r('freezer', 30, 2)]);
		expect(t.kg).toBe(9);
		expect(t.binds?.id).toBe('ice');
		expect(t.by.map((b) => b.resource.id)).toEqual(['ice', 'hands', 'freezer']);
	});
	it('is nothing where something has run out, or nothing is used', () => {
		expect(takeOn([r('hands', 0, 1)]).kg).toBe(0);
		expect(takeOn([])).toEqual({ kg: 0, by: [] });
		expect(() => takeOn([r('ice', Number.NaN, 1)])).toThrow(/ice/);
	});
});
