import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain as thingOf } from '../things/thing';
import { canWays } from './can-ways';
import { dryWay, type DryChoices } from './dry-ways';
import { freezeWays } from './freeze-ways';
import { cannerCapacity } from '../canning/canner-loads';
import { glance, type GlanceInput, type GlanceWay } from './glance';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const foodOf = (id: string) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return food;
};
const drying = (id: string, choices: DryChoices = {}, grams = 6000, own = kitchen) => {
	const food = foodOf(id);
	const [cut = null] = food.cuts;
	return dryWay({ thing: thingOf(food), cut, grams, kitchen: own, choices, now });
};
const open = (id: string, choices?: DryChoices, grams?: number, own = kitchen) => {
	const way = drying(id, choices, grams, own);
	if (way.kind === 'refused') throw new Error(way.reason);
	return way;
};
function seen(id: string, more: Partial<GlanceInput> = {}, grams = 9000) {
	const thing = thingOf(foodOf(id));
	const { ways, cut } = freezeWays({ thing, grams, food_C: 18, kitchen, choices: {}, now });
	const dry = dryWay({ thing, cut, grams, kitchen, choices: {}, now });
	const cans = canWays({ thing, grams, kitchen, jar: 'quart', now });
	return glance({ kitchen, grams, food_C: 18, freeze: ways, dry, cans, paid: 1500, ...more });
}
const ways = (id: string, more?: Partial<GlanceInput>) =>
	seen(id, more).filter((w): w is GlanceWay => w.kind === 'way');

describe('drying an item', () => {
	it('works out trays, loads, jars and hours for the whole of it', () => {
		const apples = open('apples', { thickness_mm: 5 });
		expect(apples.trays.needed * apples.trays.perTray_kg).toBeCloseTo(
			apples.balance.trayWet_kg * apples.trays.needed,
			9
		);
		expect(apples.trays.loads).toBe(Math.ceil(apples.trays.needed / 8));
		expect(apples.balance.byproduct_kg + apples.balance.water_kg + apples.balance.dry_kg).toBeCloseTo(6, 9);
		expect(apples.elapsed_s).toBeGreaterThan(apples.trays.loads * apples.time.hours * 3600);
		expect(apples.why).toMatch(/thicker than the printed/);
		expect(apples.keepsUntil).toMatch(/^2027-/);
	});
	it('counts the blanch, or leaves it out and says that it takes longer', () => {
		const beans = open('green-beans');
		const raw = open('green-beans', { blanched: false });
		expect(beans.blanch).toEqual({ method: 'water', minutes: [2, 2], dip: false });
		expect(raw.blanch).toBeNull();
		expect(raw.time.hours).toBeGreaterThan(beans.time.hours);
		expect(raw.hands_s).toBeLessThan(beans.hands_s);
		// Dried raw where the table blanches: used within a month (common practice).
		expect(raw.months).toEqual([1, 1]);
		expect(raw.keepsUntil).toBe('2026-09-25');
		expect(beans.months?.[1]).toBeGreaterThan(1);
	});
	it('is for a usual dryer where there is none, and draws no more than a dryer can', () => {
		const own = { ...kitchen, dryer: null };
		expect(open('apples', {}, 6000, own).usualDryer).toBe(true);
		const soaked = open('tomatoes', {}, 6000, {
			...kitchen,
			dryer: { name: 'Dryer', trays: 8, trayArea_m2: 0.1, power_W: 100, heater: 'bottom' }
		});
		expect(soaked.energy_kWh).toBeCloseTo(0.1 * soaked.time.hours * soaked.trays.loads, 9);
	});
	it('keeps dried meat in the freezer', () => {
		const beef = open('beef', {}, 3000);
		expect(beef.time.asPrinted).toBe(true);
		expect(beef.keeps?.what).toMatch(/freezer/);
		// NCHFP, Jerky (from memory): 4 oz from a pound.
		expect(beef.balance.dry_kg / 3).toBeCloseTo(0.25, 9);
		expect(ways('beef').find((w) => w.way === 'dry')).toMatchObject({ store: 'freezer' });
		expect(ways('beef').find((w) => w.way === 'dry')?.keep_kWh_month).toBeGreaterThan(0);
	});
	it.each(foodRows.map((f) => [f.id]))('%s: worked out or refused with a way on', (id) => {
		const way = drying(id);
		if (way.kind === 'refused') expect(way.instead.length).toBeGreaterThan(0);
		else {
			expect(way.time.interval_h[0]).toBeLessThan(way.time.interval_h[1]);
			expect(way.jars.quarts).toBeGreaterThan(0);
			expect(Number.isFinite(way.energy_kWh)).toBe(true);
		}
	});
	it('refuses a row that is not of the food', () =>
		expect(() => drying('apples', { row: 'carrots' })).toThrow(/not dried as/));
});

describe('all ways at a glance', () => {
	it.each(foodRows.map((f) => [f.id]))('%s: each way has its numbers, or its reason', (id) => {
		const list = seen(id);
		expect(new Set(list.map((w) => w.id)).size).toBe(list.length);
		expect(new Set(list.map((w) => w.way)).size).toBeGreaterThan(0);
		for (const w of list) {
			if (w.kind === 'refused') expect(w.instead.length, w.id).toBeGreaterThan(0);
			if (w.kind === 'note') expect(w.words, w.id).toMatch(/no weight to a jar/);
			if (w.kind !== 'way') continue;
			for (const n of [w.hands_s, w.elapsed_s, w.energy_kWh, w.keep_kWh_month, w.litres])
				expect(n >= 0 && Number.isFinite(n), w.id).toBe(true);
			if (w.cost) expect(w.cost.total).toBe(w.cost.produce + w.cost.supplies + w.cost.energy + w.cost.hours);
		}
	});
	it.each([1, 90, 1_000_000])('works for %d g of it', (grams) => {
		for (const id of ['tomatoes', 'apples', 'beef', 'potatoes', 'basil'])
			expect(seen(id, {}, grams).length, id).toBeGreaterThan(1);
	});
	it('costs power to keep in the freezer and none on the shelf', () => {
		const list = ways('green-beans');
		expect(list.map((w) => w.way)).toEqual(['freeze', 'freeze', 'freeze', 'dry', 'can'].slice(-list.length));
		for (const w of list) expect(w.keep_kWh_month > 0).toBe(w.store === 'freezer');
	});
	it('sets a shop’s price beside it where one was said', () => {
		for (const w of ways('green-beans', { shopPerKg: 500 }))
			expect(w.cost?.saved).toBe((w.cost?.shopPack ?? 0) - (w.cost?.perPack ?? 0));
		expect(ways('green-beans')[0]?.cost?.saved).toBeUndefined();
	});
	it('takes the style of the jars that was chosen, and says what is missing', () => {
		expect(
			ways('green-beans', { style: 'hot' })
				.filter((w) => w.way === 'can')
				.map((w) => w.name)
		).toEqual([expect.stringContaining('hot pack')]);
		const cans = canWays({
			thing: thingOf(foodOf('green-beans')),
			grams: 9000,
			kitchen: { ...kitchen, gauge: 'none' },
			jar: 'quart',
			now
		});
		expect(ways('green-beans', { cans }).find((w) => w.way === 'can')?.missing).toMatch(/no pressure canner/);
		const refusedToo = seen('zucchini').find((w) => w.kind === 'refused' && w.way === 'can');
		expect(refusedToo).toMatchObject({ rule: 'can/summer-squash' });
		// Stock has a tested process and no printed weight: it stands in the list all the same.
		expect(seen('chicken-stock').find((w) => w.way === 'can')).toMatchObject({ kind: 'note' });
		const four = { quarts: 4, pints: null, halfPints: null };
		expect(cannerCapacity(four, 'pint')).toBe(5);
		// As it was counted, where somebody counted: two layers of pints.
		expect(cannerCapacity({ ...four, pints: 16 }, 'pint')).toBe(16);
		expect(cannerCapacity({ ...four, pints: 16 }, 'half-pint')).toBe(16);
		expect(cannerCapacity({ ...four, pints: 16, halfPints: 20 }, 'half-pint')).toBe(20);
	});
	it('reckons the same canner loads as the jars beside it, whatever the canner holds', () => {
		let compared = 0;
		for (const quarts of [4, 5, 7, 15])
			for (const food of foodRows) {
				const canner = {
					name: 'own',
					quarts,
					pints: null,
					halfPints: null,
					stacked: false,
					gauge: null,
					dialTested: null
				};
				const own = { ...kitchen, canners: [canner] };
				const cans = canWays({ thing: thingOf(food), grams: 11_000, kitchen: own, jar: 'quart', now });
				if ('kind' in cans.plain) continue;
				const list = glance({
					kitchen: own,
					grams: 11_000,
					food_C: 18,
					freeze: [],
					dry: drying('apples'),
					cans,
					paid: 0
				});
				for (const can of cans.plain) {
					const seen = list.find((w): w is GlanceWay => w.kind === 'way' && w.id === `can-${can.id}`);
					if (!can.jars || !seen?.loads) continue;
					compared++;
					expect(can.jars.loads, `${food.id}, ${can.id}, ${quarts} quarts`).toBe(seen.loads.loads.length);
				}
			}
		expect(compared).toBeGreaterThan(40);
	});
});
