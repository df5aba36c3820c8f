import { describe, expect, it } from 'vitest';
import { allRecipes, findRecipe } from '../recipes/find-recipe';
import { setWeight_kg } from '../recipes/scale-recipe';
import { askByName } from '../things/ask-by-name';
import type { Question } from '../safety/question';
import { cannerLoads, mixedCannerLoad, usualCapacity } from './canner-loads';
import type { TestedProcess } from './find-process';
import { gathering } from './gathering';

const process = (food: string, more: Partial<Question> = {}): TestedProcess => {
	const advice = askByName({ way: 'can', food, altitude_m: 380, gauge: 'weighted', ...more });
	if (advice.kind === 'refused') throw new Error(advice.reason);
	const found = advice.processes.find((p) => p.jar === (more.jar ?? 'quart'));
	if (!found) throw new Error(food);
	return found;
};
const stove = { burner: { kind: 'electric', power_W: 2000 } as const, tap_C: 14, boil_C: 98.7 };

describe('jars to canner loads', () => {
	it('makes loads of seven quarts and nine pints (USDA Complete Guide, from memory), losing no jar', () => {
		expect([usualCapacity('quart'), usualCapacity('pint')]).toEqual([7, 9]);
		const { loads, lids, perLoad } = cannerLoads({ process: process('green-beans'), jars: 17, ...stove });
		expect(loads.map((l) => l.jars)).toEqual([7, 7, 3]);
		expect([perLoad, lids]).toEqual([7, 19]);
		for (const [i, load] of loads.entries()) expect(load.from_s).toBeGreaterThanOrEqual(loads[i - 1]?.to_s ?? 0);
	});
	it('keeps every published minute: vent, process and waits stand in each load as in the table', () => {
		const beans = process('green-beans');
		for (const { steps } of cannerLoads({ process: beans, jars: 9, ...stove }).loads) {
			const published = Object.fromEntries(steps.filter((s) => s.kind === 'published').map((s) => [s.name, s.seconds]));
			expect(published).toEqual({ vent: 600, process: beans.minutes * 60, wait: 600 });
			expect(steps.map((s) => s.name)).toEqual(['fill', 'vent', 'come up', 'process', 'come down', 'wait']);
		}
		const tomatoes = process('peaches');
		const [load] = cannerLoads({ process: tomatoes, jars: 7, ...stove }).loads;
		expect(load?.steps.filter((s) => s.kind === 'published').map((s) => s.seconds)).toEqual([
			tomatoes.minutes * 60,
			300
		]);
		// Twelve to twenty-four hours until the seal is checked.
		expect(load?.check_s.map((s) => (s - load.to_s) / 3600)).toEqual([12, 24]);
	});
	it('leaves the pressure canner alone only while it falls', () => {
		const { loads } = cannerLoads({ process: process('green-beans'), jars: 7, ...stove });
		expect(loads[0]?.steps.filter((s) => !s.attended).map((s) => s.name)).toEqual(['come down']);
	});
	it('takes a canner of the household’s own size, and refuses nonsense', () => {
		expect(cannerLoads({ process: process('green-beans'), jars: 10, capacity: 4, ...stove }).loads).toHaveLength(3);
		for (const [more, words] of [
			[{ jars: 0 }, /jars/],
			[{ capacity: 0 }, /capacity/],
			[{ jars: Number.NaN }, /jars/]
		] as const)
			expect(() => cannerLoads({ process: process('green-beans'), jars: 7, ...stove, ...more })).toThrow(words);
	});
});

describe('a load topped off', () => {
	it('has the longest time of its own rows, never a shorter (common practice)', () => {
		const beans = process('green-beans', { style: 'raw' });
		const carrots = process('carrots', { style: 'raw' });
		const mixed = mixedCannerLoad([beans, carrots]);
		if (mixed.kind === 'refused') throw new Error(mixed.reason);
		expect(mixed.minutes).toBe(Math.max(beans.minutes, carrots.minutes));
		expect(mixed.confidence).toBe('practice');
		expect(mixed.words).toContain(`${mixed.minutes} min`);
	});
	it('is refused across canners, pressures and styles, with a way on', () => {
		const beans = process('green-beans', { style: 'raw' });
		for (const other of [
			process('peaches', { style: 'raw' }),
			process('carrots', { style: 'hot' }),
			process('carrots', { style: 'raw', gauge: 'dial' })
		]) {
			const mixed = mixedCannerLoad([beans, other]);
			expect(mixed).toMatchObject({ kind: 'refused' });
			if (mixed.kind === 'refused') expect(mixed.instead.length).toBeGreaterThan(0);
		}
		expect(() => mixedCannerLoad([beans])).toThrow(/processes/);
	});
});

describe('gathering toward a load', () => {
	const day = 86_400_000;
	const now = Date.parse('2026-08-25T08:00:00Z');
	const picking = (daysAgo: number, kg: number, keeps = 6) => ({
		at: now - daysAgo * day,
		kg,
		bestBy: now + (keeps - daysAgo) * day
	});
	it('says what is missing, when it fills and that the oldest sets the date', () => {
		const g = gathering({ need_kg: 6.4, pickings: [picking(4, 1.2), picking(2, 1.3), picking(0, 1.4)], now });
		expect(g.have_kg).toBeCloseTo(3.9, 9);
		expect(g.short_kg).toBeCloseTo(2.5, 9);
		expect(g.deadline).toBe(now + 2 * day);
		// 2.7 kg in the four days since the first picking.
		expect(g.rate_kg_day).toBeCloseTo(0.675, 9);
		expect(((g.fills?.likely ?? 0) - now) / day).toBeCloseTo(2.5 / 0.675, 6);
		expect(g.fills?.from).toBeLessThan(g.fills?.likely ?? 0);
		expect(g.fills?.to).toBeGreaterThan(g.fills?.likely ?? 0);
		expect(g.verdict).toBe('too late');
	});
	it('is in time, close, or full', () => {
		const list = [picking(4, 1.2, 60), picking(2, 1.3, 60), picking(0, 1.4, 60)];
		expect(gathering({ need_kg: 6.4, pickings: list, now }).verdict).toBe('in time');
		expect(gathering({ need_kg: 6.4, pickings: list.map((p) => ({ ...p, bestBy: now + 4 * day })), now }).verdict).toBe(
			'close'
		);
		expect(gathering({ need_kg: 1.5, pickings: list, now })).toMatchObject({ verdict: 'full', loads: 2, short_kg: 0 });
	});
	it('does not guess from one picking or none', () => {
		expect(gathering({ need_kg: 5, pickings: [], now })).toMatchObject({
			verdict: 'unknown',
			deadline: null,
			fills: null
		});
		expect(gathering({ need_kg: 5, pickings: [picking(1, 2)], now })).toMatchObject({
			verdict: 'unknown',
			rate_kg_day: null
		});
		expect(() => gathering({ need_kg: 0, pickings: [], now })).toThrow(/need_kg/);
		expect(() => gathering({ need_kg: 5, pickings: [{ at: now + 1, kg: 1, bestBy: now }], now })).toThrow(/at/);
	});
	it('goes toward a recipe’s weight as toward a load', () => {
		const ketchup = findRecipe('tomato-ketchup');
		if (!ketchup) throw new Error('ketchup');
		// USDA Complete Guide, guide 3 (from memory): 24 lb of tomatoes.
		const need_kg = setWeight_kg(ketchup) ?? 0;
		expect(need_kg).toBeCloseTo(24 * 0.45359237, 6);
		const g = gathering({ need_kg, pickings: [picking(3, 4), picking(1, 3), picking(0, 2)], now });
		expect(g.short_kg).toBeCloseTo(need_kg - 9, 9);
		expect(g.fills).not.toBeNull();
		for (const recipe of allRecipes) expect(setWeight_kg(recipe) ?? 1, recipe.id).toBeGreaterThan(0);
	});
	it('has no deadline once all of it is frozen', () => {
		const g = gathering({
			need_kg: 9,
			pickings: [picking(4, 1), picking(1, 2)].map((p) => ({ ...p, bestBy: Infinity })),
			now
		});
		expect(g).toMatchObject({ deadline: Infinity, verdict: 'in time' });
	});
});
