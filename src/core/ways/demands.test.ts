import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { plain } from '../things/thing';
import { canWays } from './can-ways';
import { demandsOf } from './demands';
import { dryWay } from './dry-ways';
import { glance, type GlanceWay } from './glance';
import { freezeWays, type FreezeWay } from './freeze-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const all = foodRows.flatMap((food) =>
	food.cuts.flatMap((cut) =>
		freezeWays({ thing: plain(food), grams: 4200, food_C: 18, kitchen, choices: { cut: cut.id }, now })
			.ways.filter((w): w is FreezeWay => w.kind === 'way')
			.map((way) => ({ name: `${food.id}, ${cut.id}, ${way.id}`, way }))
	)
);

describe('the typed steps and demands of every way of freezing', () => {
	it('agree with what the way says: hands, room, ice, trays, containers', () => {
		expect(all.length).toBeGreaterThan(250);
		for (const { name, way } of all) {
			const steps = way.work;
			const demands = demandsOf(way);
			const attended = steps.filter((s) => s.attended).reduce((sum, s) => sum + s.seconds, 0);
			expect(attended, name).toBeCloseTo(way.hands_s, 6);
			expect(
				steps.every((s) => s.seconds >= 0 && Number.isFinite(s.seconds)),
				name
			).toBe(true);
			expect(
				steps.some((s) => s.station === 'pot'),
				name
			).toBe(way.line !== undefined || way.method === 'cook');
			expect(demands.freeze_kg * 1000, name).toBeCloseTo(way.prepared_g, 6);
			expect(demands.ice_kg, name).toBe(way.ice?.kg ?? 0);
			expect(demands.freezer_L <= kitchen.freezerFree_L, name).toBe(way.freezer.fits);
			const containers = demands.containers.reduce((sum, c) => sum + c.count, 0);
			if (way.packs.container) expect(containers, name).toBeGreaterThanOrEqual(way.packs.count);
			if (way.style !== 'tray') expect(demands.trays, name).toBe(0);
		}
	});
});

describe('the typed steps and demands of every way there is', () => {
	it('agree with what the list says of it: hands, hours, room, loads, lids', () => {
		const seen = { freeze: 0, dry: 0, can: 0 };
		for (const food of foodRows.filter((f) => f.cuts.length > 0)) {
			const thing = plain(food);
			const ask = { thing, grams: 9000, kitchen, now };
			const freeze = freezeWays({ ...ask, food_C: 18, choices: {} });
			const list = glance({
				kitchen,
				grams: 9000,
				food_C: 18,
				freeze: freeze.ways,
				dry: dryWay({ ...ask, cut: freeze.cut, choices: {} }),
				cans: canWays({ ...ask, jar: 'pint' }),
				paid: 0
			}).filter((w): w is GlanceWay => w.kind === 'way');
			for (const way of list) {
				seen[way.way]++;
				const name = `${food.id}, ${way.id}`;
				const { work, demands } = way;
				const attended = work.filter((s) => s.attended).reduce((sum, s) => sum + s.seconds, 0);
				expect(attended, name).toBeCloseTo(way.hands_s, 6);
				expect(demands.hands_s, name).toBeCloseTo(way.hands_s, 6);
				expect(
					work.every((s) => s.seconds >= 0 && Number.isFinite(s.seconds)),
					name
				).toBe(true);
				expect(demands.freezer_L + demands.shelf_L, name).toBeCloseTo(way.litres, 6);
				if (way.way === 'can') {
					expect(demands.canner?.loads, name).toBe(way.loads?.loads.length ?? 0);
					expect(demands.jars?.count, name).toBe(way.packs);
					// A canner is never shown as safe to leave.
					expect(
						work.filter((s) => s.station === 'canner').every((s) => s.watched),
						name
					).toBe(true);
				}
				if (way.way === 'dry') expect(demands.dryer?.tray_h, name).toBeGreaterThan(0);
			}
		}
		expect(Math.min(seen.freeze, seen.dry, seen.can)).toBeGreaterThan(10);
	});
});
