import { describe, expect, it } from 'vitest';
import { canWays } from '../ways/can-ways';
import { dryWay } from '../ways/dry-ways';
import { freezeWays } from '../ways/freeze-ways';
import { glance } from '../ways/glance';
import { kitchen } from '../ways/kitchen.fixture';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import type { Haul } from './haul';
import { eatFresh, haulOf, usualWishes, wayId, type HaulInput, type LotOfHaul } from './from-ways';

const now = Date.parse('2026-08-28T10:00:00Z');
const hour = 3_600_000;

function lotOf(id: string, grams: number, hours: number): LotOfHaul {
	const food = foodById(id);
	if (!food) throw new Error(id);
	const thing = plain(food);
	const { ways, cut } = freezeWays({ thing, grams, food_C: 18, kitchen, choices: {}, now });
	const dry = dryWay({ thing, cut, grams, kitchen, choices: {}, now });
	const cans = canWays({ thing, grams, kitchen, jar: 'quart', now });
	const list = glance({ kitchen, grams, food_C: 18, freeze: ways, dry, cans, paid: 0 });
	return {
		id,
		name: id,
		grams,
		seenAt: now,
		bestBy: now + hours * hour,
		goneBy: now + hours * 1.3 * hour,
		eaten: true,
		have_kg: 0,
		used_kg: 0,
		want_kg: null,
		apart: [],
		ways: list.flatMap((way) => (way.kind === 'way' ? [{ slug: way.id, name: way.name, way }] : []))
	};
}
const input = (lots: readonly LotOfHaul[], more: Partial<HaulInput> = {}): HaulInput => ({
	kitchen,
	lots,
	rooms: [],
	days: 3,
	wishes: usualWishes,
	locks: [],
	now,
	...more
});

describe('a haul out of the ways of its lots', () => {
	const beans = lotOf('green-beans', 9000, 60);
	const haul = haulOf(input([beans]));
	const way = (id: string) => haul.ways.find((w) => w.id === wayId('green-beans', id));

	it('asks of the kitchen by the kilo what the way asks for all of it', () => {
		const blanched = beans.ways.find((w) => w.way.demands.ice_kg > 0);
		const mine = way(blanched?.slug ?? '');
		const at = (limit: string) => (mine?.perKg.find((x) => x.limit === limit)?.amount ?? 0) * 9;
		expect(at('ice')).toBeCloseTo(blanched?.way.demands.ice_kg ?? 0, 6);
		expect(at('room')).toBeCloseTo(blanched?.way.demands.freezer_L ?? 0, 6);
		expect(at('hands')).toBeCloseTo((blanched?.way.demands.hands_s ?? 0) / 3600, 6);
		// Its pot is heated once a day, and the rest of the pot's time goes by the kilo.
		const pot = (blanched?.way.demands.pot?.seconds ?? 0) / 3600;
		const station = haul.stations.find((s) => s.id === mine?.station);
		expect(at('pot:p') + (station?.takes[0]?.amount ?? 0)).toBeCloseTo(pot, 6);
	});

	it('puts jars through the canner by whole loads of this canner, and nothing else by loads', () => {
		const can = beans.ways.find((w) => w.way.way === 'can' && w.way.packs > 0);
		const mine = way(can?.slug ?? '');
		expect(mine?.whole).toBe(true);
		expect(haul.groups.find((g) => g.id === mine?.group)?.packs).toBe(7);
		expect(haul.ways.filter((w) => w.group).every((w) => w.whole)).toBe(true);
	});

	it('gives each jar what it needs: so many jars of the programme are as many at the stove', () => {
		let some = 0;
		for (const grams of [5300, 9000, 12_345])
			for (const food of ['green-beans', 'tomatoes', 'potatoes', 'plums'])
				for (const w of haulOf(input([lotOf(food, grams, 60)])).ways.filter((x) => x.whole)) {
					const jars = Math.floor(w.most_kg / w.pack_kg + 1e-9);
					const part = lotOf(food, Math.floor(jars * w.pack_kg * 1000), 60);
					const then = part.ways.find((x) => wayId(food, x.slug) === w.id);
					expect(then?.way.packs, `${w.id}, ${grams} g`).toBeGreaterThanOrEqual(jars);
					some++;
				}
		expect(some).toBeGreaterThan(10);
	});

	it('works nothing past its time, and lets what keeps beyond the plan be', () => {
		const lots = haulOf(input([lotOf('green-beans', 5000, 20), lotOf('carrots', 5000, 24 * 30)])).lots;
		expect(lots.map((l) => [l.lastDay, l.left_cost])).toEqual([
			[0, 1],
			[2, 0]
		]);
		const gone = { ...lotOf('kale', 1000, 5), bestBy: now - 2, goneBy: now - 1 };
		expect(haulOf(input([gone])).lots[0]?.lastDay).toBe(-1);
	});

	it('values what the household cares about, and less of what the shelves are full of', () => {
		const worth = (more: Partial<HaulInput>, lot = beans) =>
			new Map(haulOf(input([lot], more)).ways.map((w) => [w.id, w.worth]));
		const fast = worth({ wishes: { ...usualWishes, leastWork: 4 } });
		const slow = worth({ wishes: { ...usualWishes, leastWork: 0 } });
		for (const [id, w] of fast) if (!id.endsWith(eatFresh)) expect(w).toBeLessThan(slow.get(id) ?? 0);
		const more = (lot: LotOfHaul) => haulOf(input([lot])).ways.filter((w) => !w.id.endsWith(eatFresh));
		for (const w of more({ ...beans, have_kg: 400 })) {
			expect(w.enough_kg).toBe(0);
			expect(w.worthMore).toBeLessThanOrEqual(0.8 * w.worth);
		}
		// By what went last year, where anything did: 5 kg went, 2 are there, a fifth more is wanted.
		for (const w of more({ ...beans, have_kg: 2, used_kg: 5 })) expect(w.enough_kg).toBeCloseTo(4, 6);
	});

	it('counts of today the hours that are left of it, and days by the calendar', () => {
		const at = (iso: string) => haulOf(input([lotOf('green-beans', 5000, 60)], { now: Date.parse(iso) }));
		const hands = (h: Haul) => h.limits.find((l) => l.id === 'hands')?.have;
		expect(hands(at('2026-08-28T10:00:00Z'))).toEqual([3, 3, 3]);
		expect(hands(at('2026-08-28T18:30:00Z'))).toEqual([1.5, 3, 3]);
		expect(hands(at('2026-08-28T20:10:00Z'))).toEqual([0, 3, 3]);
		// 27 hours from the evening on are tomorrow and no longer.
		const late = Date.parse('2026-08-28T20:00:00Z');
		const lot = { ...lotOf('green-beans', 5000, 1), bestBy: late + 27 * hour, goneBy: late + 40 * hour };
		expect(haulOf(input([lot], { now: late })).lots[0]?.lastDay).toBe(1);
		// What is past its best at night and not past its end is worked in the morning; in the morning it is worked today.
		const soon = { ...lot, bestBy: late + hour, goneBy: late + 20 * hour };
		expect(haulOf(input([soon], { now: late + hour / 2 })).lots[0]?.lastDay).toBe(1);
		const early = Date.parse('2026-08-28T08:00:00Z');
		const now_ = { ...lot, bestBy: early + hour, goneBy: early + 20 * hour };
		expect(haulOf(input([now_], { now: early })).lots[0]?.lastDay).toBe(0);
	});

	it('stores and ferments beside the other ways: by the room of the store, by jars, no more kraut than is eaten', () => {
		const apart: LotOfHaul['apart'] = [
			{
				slug: 'store',
				name: 'Into store: Cellar',
				hands_s: 1200,
				keeps_days: 90,
				room: { place: 'c', litres: 20 },
				jars: 0
			},
			{ slug: 'crock', name: 'Into the crock', hands_s: 4200, keeps_days: 120, room: null, jars: 8 }
		];
		const jars = { id: 'q', name: 'Quarts', kind: 'jar' as const, volume_mL: 946, count: 5 };
		const cabbage = { ...lotOf('cabbage', 10_000, 24 * 20), apart };
		const haul_ = haulOf(
			input([cabbage], {
				rooms: [{ place: 'c', name: 'Cellar', free_L: 12 }],
				kitchen: { ...kitchen, containers: [{ ...kitchen.containers[0], ...jars }] }
			})
		);
		const of = (slug: string) => haul_.ways.find((w) => w.id === wayId('cabbage', slug));
		expect(haul_.limits.find((l) => l.id === 'store:c')).toMatchObject({ name: 'Cellar', have: 12, unit: 'L' });
		expect(of('store')?.perKg.find((t) => t.limit === 'store:c')?.amount).toBeCloseTo(2, 9);
		expect(of('store')?.perKg.find((t) => t.limit === 'hands')?.amount).toBeCloseTo(1200 / 3600 / 10, 9);
		expect(of('crock')).toMatchObject({ enough_kg: 10, perPack: [{ limit: 'jars:quart', amount: 1 }] });
		expect(of('crock')?.pack_kg).toBeCloseTo(1.25, 9);
		expect((of('store')?.worth ?? 0) > (of('crock')?.worth ?? 9)).toBe(true);
	});

	it('takes jars of the drawer by their size, and jars of one product by one load', () => {
		const jars = { id: 'q', name: 'Quarts', kind: 'jar' as const, volume_mL: 946, count: 5 };
		const one = lotOf('green-beans', 9000, 60);
		const two = { ...one, id: 'more-beans' };
		const haul = haulOf(
			input([one, two], { kitchen: { ...kitchen, containers: [{ ...kitchen.containers[0], ...jars }] } })
		);
		expect(haul.limits.find((l) => l.id === 'jars:quart')).toMatchObject({ have: 5, kind: 'stock' });
		const canned = haul.ways.filter((w) => w.group);
		expect(canned.length).toBeGreaterThan(1);
		for (const w of canned) expect(w.perPack.find((x) => x.limit === 'jars:quart')?.amount).toBeCloseTo(1, 6);
		for (const g of haul.groups) expect(canned.filter((w) => w.group === g.id)).toHaveLength(2);
	});

	it('takes no way that is not offered: a refused one is not among them, nor one that makes no whole jar', () => {
		for (const w of haul.ways) {
			const slug = w.id.split('|')[1];
			expect(slug === eatFresh || beans.ways.some((b) => b.slug === slug && b.way.packs >= 1)).toBe(true);
		}
	});
});
