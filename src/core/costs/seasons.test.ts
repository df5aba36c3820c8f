import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { machineWorth, seasonMoney, type BatchMoney } from './seasons';

const prices = { energyPrice: 30, hourRate: 1200, bagPrice: 8, lidPrice: 25 };
const beans: BatchMoney = {
	method: 'freeze',
	wayId: 'blanch',
	packs: 12,
	packed_g: 6000,
	paid: null,
	energy_kWh: 2,
	hands_s: 5400,
	shopPerKg: 320
};
const jars: BatchMoney = {
	...beans,
	method: 'can',
	wayId: 'can:tomatoes/crushed',
	packs: 7,
	packed_g: 6300,
	paid: 950,
	shopPerKg: null
};

describe('a season as money', () => {
	it('is by hand: 12 packs of 500 g cost bags 96, energy 60, hours 1,800 and stand for 1,920 in a shop', () => {
		expect(seasonMoney([beans], prices)).toEqual({
			produce: 0,
			supplies: 96,
			energy: 60,
			hours: 1800,
			total: 1956,
			perPack: 163,
			shop: 1920,
			shopCost: 1956
		});
		// Seven lids of 25, and produce that was paid; without a price of a shop it is held against none.
		expect(seasonMoney([jars], prices)).toMatchObject({ produce: 950, supplies: 175, shop: null, shopCost: 0 });
		expect(seasonMoney([], prices)).toMatchObject({ perPack: null, total: 0, shop: null });
	});
	it('laws: sums of seasons are the season of all; what has no price in a shop changes nothing against it', () => {
		const batch = fc.record({
			method: fc.constantFrom('freeze', 'can', 'dry', 'cellar'),
			wayId: fc.constantFrom('', 'dry', 'freeze-dry'),
			packs: fc.integer({ min: 0, max: 40 }),
			packed_g: fc.integer({ min: 0, max: 20_000 }),
			paid: fc.option(fc.nat(5000)),
			energy_kWh: fc.double({ min: 0, max: 20, noNaN: true }),
			hands_s: fc.nat(40_000),
			shopPerKg: fc.option(fc.nat(3000))
		});
		fc.assert(
			fc.property(fc.array(batch, { maxLength: 8 }), fc.array(batch, { maxLength: 8 }), (a, b) => {
				const [x, y, both] = [seasonMoney(a, prices), seasonMoney(b, prices), seasonMoney([...a, ...b], prices)];
				expect(both.total).toBe(x.total + y.total);
				expect(both.total).toBe(both.produce + both.supplies + both.energy + both.hours);
				expect((both.shop ?? 0) - both.shopCost).toBe((x.shop ?? 0) - x.shopCost + (y.shop ?? 0) - y.shopCost);
				for (const kind of ['dryer', 'canner', 'freeze-dryer'] as const) {
					const worth = machineWorth(kind, 10_000, [...a, ...b], prices);
					const [one, two] = [machineWorth(kind, 0, a, prices), machineWorth(kind, 0, b, prices)];
					expect(worth.saved).toBe(one.saved + two.saved);
					expect(worth.left).toBe(10_000 - worth.saved);
				}
			})
		);
	});
	it('a machine is held against its own batches alone, without own hours', () => {
		const dried: BatchMoney = {
			...beans,
			method: 'dry',
			wayId: 'dry',
			packs: 4,
			packed_g: 1200,
			energy_kWh: 6,
			shopPerKg: 2400
		};
		// 1.2 kg at 24 a kilo, less four bags and 6 kWh: 2880 − 32 − 180.
		expect(machineWorth('dryer', 12_900, [dried, beans, { ...dried, wayId: 'freeze-dry' }], prices)).toEqual({
			batches: 1,
			priced: 1,
			saved: 2668,
			hours_s: 5400,
			left: 12_900 - 2668
		});
		expect(machineWorth('canner', 9000, [jars], prices)).toMatchObject({ batches: 1, priced: 0, saved: 0, left: 9000 });
	});
});
