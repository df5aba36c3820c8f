import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import { cannerCapacity } from '../canning/canner-loads';
import { canWays, type CanWay } from './can-ways';
import { dryWay, type DryWay } from './dry-ways';
import { freezeWays, type FreezeWay } from './freeze-ways';
import { cannerFor } from './gear-changes';
import { kitchen as home } from './kitchen.fixture';
import type { Kitchen } from './kitchen';
import { sharedCanners, sharedDryer, sharedPots, type WithWay } from './together';

const now = Date.parse('2026-08-25T15:40:00Z');
const dryer = { name: 'Dryer', trays: 9, trayArea_m2: 0.1, power_W: 600, heater: 'back' } as const;
const kitchen: Kitchen = { ...home, altitude_m: 380, dryer, canners: [] };
const food = (id: string) => {
	const found = foodById(id);
	if (!found) throw new Error(id);
	return found;
};
const frozen = (id: string, grams = 3000): WithWay<FreezeWay> => {
	const { ways } = freezeWays({ thing: plain(food(id)), grams, food_C: 18, kitchen, choices: {}, now });
	const way = ways.find((w): w is FreezeWay => w.kind === 'way');
	if (!way) throw new Error(id);
	return { lotId: id, name: id, way };
};
const dried = (id: string, grams = 1000): WithWay<DryWay>[] => {
	const one = food(id);
	const way = dryWay({ thing: plain(one), cut: one.cuts[0] ?? null, grams, kitchen, choices: {}, now });
	return way.kind === 'way' ? [{ lotId: id, name: id, way }] : [];
};
const canned = (id: string, product: string | undefined, grams: number): WithWay<CanWay> => {
	const { plain: own, recipes } = canWays({ thing: plain(food(id)), grams, kitchen, jar: 'quart', now });
	const way = [...('kind' in own ? [] : own), ...recipes].find(
		(w) => product === undefined || w.product.id === product
	);
	if (!way) throw new Error(`${id}: ${[...('kind' in own ? [] : own), ...recipes].map((w) => w.product.id).join()}`);
	return { lotId: id, name: id, way };
};
const holds = (way: CanWay) => cannerCapacity(cannerFor(kitchen, way.processes[0]?.method ?? 'pressure'), way.jar);

describe('lots that share something', () => {
	it('heat one pot of water once: the smaller heatings are saved, by hand', () => {
		const [a, b] = [frozen('green-beans'), frozen('carrots')];
		const [shared] = sharedPots([a, b, frozen('raspberries')]);
		expect(shared?.lots.map((l) => l.lotId)).toEqual(['green-beans', 'carrots']);
		const times = [a, b].map((l) => l.way.line?.toBoil_s ?? 0);
		expect(shared?.saved_s).toBe(Math.min(...times));
		expect(sharedPots([a])).toEqual([]);
	});

	it('dry no longer together than one after the other, and never beside raw meat', () => {
		const all = foodRows.filter((f) => !f.perishable).flatMap((f) => dried(f.id, 700));
		for (let i = 0; i + 2 < all.length; i += 3) {
			const three = all.slice(i, i + 3);
			const shared = sharedDryer(three, dryer);
			expect(shared?.together_h).toBeLessThanOrEqual((shared?.alone_h ?? 0) + 1e-9);
		}
		const beef = dried('beef')[0];
		const apples = dried('apples')[0];
		if (!beef || !apples) throw new Error('no beef or apples to dry');
		expect(sharedDryer([beef, apples], dryer)?.apart.some((a) => a.safety)).toBe(true);
	});

	it('go through the canner in one load only by one method and pressure, with the longest printed time', () => {
		const crushed = canned('tomatoes', 'tomatoes/crushed', 6000);
		const peaches = canned('peaches', undefined, 6000);
		for (const shared of sharedCanners([crushed, peaches], holds)) {
			const printed = shared.lots.map((l) => l.way.processes.find((p) => p.method === shared.method)?.minutes ?? 0);
			expect(shared.minutes).toBe(Math.max(...printed));
			expect(new Set(shared.lots.map((l) => l.way.jar)).size).toBe(1);
			expect(shared.loadsTogether).toBeLessThan(shared.loadsAlone);
		}
		const beans = canned('green-beans', undefined, 6000);
		for (const shared of sharedCanners([crushed, peaches, beans], holds))
			expect(new Set(shared.lots.map((l) => `${l.way.processes[0]?.method} ${l.way.processes[0]?.psi ?? ''}`)).size).toBe(1); // prettier-ignore
	});
});
