import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { plain } from '../things/thing';
import { demandsOf, stepsOf } from './demands';
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
			const steps = stepsOf(way);
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
