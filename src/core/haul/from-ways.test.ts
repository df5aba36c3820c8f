import { describe, expect, it } from 'vitest';
import { canWays } from '../ways/can-ways';
import { dryWay } from '../ways/dry-ways';
import { freezeWays } from '../ways/freeze-ways';
import { glance } from '../ways/glance';
import { kitchen } from '../ways/kitchen.fixture';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
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
		bestBy: now + hours * hour,
		goneBy: now + hours * 1.3 * hour,
		eaten: true,
		have_kg: 0,
		ways: list.flatMap((way) => (way.kind === 'way' ? [{ slug: way.id, name: way.name, way }] : []))
	};
}
const input = (lots: readonly LotOfHaul[], more: Partial<HaulInput> = {}): HaulInput => ({
	kitchen,
	lots,
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
		const full = worth({}, { ...beans, have_kg: 400 });
		for (const [id, w] of worth({})) if (!id.endsWith(eatFresh)) expect(full.get(id)).toBeLessThan(w);
	});

	it('takes no way that is not offered: a refused one is not among them, nor one that makes no whole jar', () => {
		for (const w of haul.ways) {
			const slug = w.id.split('|')[1];
			expect(slug === eatFresh || beans.ways.some((b) => b.slug === slug && b.way.packs >= 1)).toBe(true);
		}
	});
});
