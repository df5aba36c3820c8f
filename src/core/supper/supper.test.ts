import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foodRows, type FoodGroup } from '../../reference/tables';
import { states } from '../things/thing';
import { minutesOf, roleOf, suppers, thaw_h, thawsFor, waterThaw_min, type Eatable, type SupperAsk } from './supper';

const now = Date.parse('2026-12-01T16:00:00Z');
const day = 86_400_000;
const one = (food: string, group: FoodGroup, more: Partial<Eatable> = {}): Eatable => ({
	lot: `${food}-${more.state ?? 'frozen'}`,
	food,
	name: food,
	group,
	state: 'frozen',
	packed: true,
	unit_g: 500,
	units: 6,
	place: 'Freezer',
	by: now + 200 * day,
	small: false,
	lowAcid: true,
	...more
});
const ask: SupperAsk = { people: 5, within_min: 60, now, eaten: new Map(), avoid: new Set() };

describe('supper out of what stands there', () => {
	const larder = [
		one('ground-beef', 'meat', { unit_g: 400, units: 18, small: true }),
		one('chicken', 'poultry', { unit_g: 1200, units: 2 }),
		one('cooked-chicken', 'dish', {
			state: 'cooked',
			packed: false,
			unit_g: 1,
			units: 800,
			by: now + day,
			place: 'Fridge'
		}),
		one('green-beans', 'vegetable'),
		one('kale', 'vegetable', { unit_g: 300 }),
		one('potatoes', 'vegetable', { state: 'fresh', packed: false, unit_g: 1, units: 14_000, place: 'Cellar' }),
		one('strawberries', 'fruit')
	];
	it('puts what turns tomorrow first, with a vegetable; mince with beans and potatoes within the hour', () => {
		const meals = suppers(larder, ask);
		expect(meals[0]?.parts[0]?.eatable.food).toBe('cooked-chicken');
		const mince = meals.find((m) => m.parts[0]?.eatable.food === 'ground-beef');
		expect(mince?.parts.map((p) => p.role)).toEqual(['main', 'vegetable', 'starch']);
		// Two packs of 400 g feed five at 150 g; potatoes are weighed, a kilo of them.
		expect(mince?.parts[0]).toMatchObject({ units: 2, grams: 800, minutes: { minutes: 30, how: 'from frozen' } });
		expect(mince?.parts[2]?.grams).toBe(1000);
		// A hen of 1.2 kg takes an hour and twenty in cold water before it is cooked: not tonight.
		expect(meals.some((m) => m.parts.some((p) => p.eatable.food === 'chicken'))).toBe(false);
		expect(
			suppers(larder, { ...ask, within_min: 120 }).some((m) => m.parts.some((p) => p.eatable.food === 'chicken'))
		).toBe(true);
	});
	it('goes by the printed thaw times: a day in the fridge for each 4 lb, half an hour a pound in cold water (USDA FSIS, The Big Thaw, from memory)', () => {
		expect([300, 1800, 1900, 5000].map(thaw_h)).toEqual([24, 24, 48, 72]);
		expect([400, 1361].map(waterThaw_min)).toEqual([60, 91]);
		const thaw = thawsFor(larder, ask, now + 26 * 3_600_000);
		expect(thaw.map((t) => [t.eatable.food, t.hours, t.inTime])).toEqual([
			['ground-beef', 24, true],
			['chicken', 24, true]
		]);
	});
	it('knows a part for every food of the tables, or that it is none', () => {
		for (const { id, group } of foodRows)
			expect(['main', 'vegetable', 'starch', null]).toContain(roleOf({ food: id, group }));
	});
	it('laws: within the minutes, no more than there is, nobody’s avoided food, no main part twice, nothing unfrozen in water', () => {
		const any = fc.constantFrom(...foodRows).chain((f) =>
			fc.record({
				lot: fc.uuid(),
				food: fc.constant(f.id),
				name: fc.constant(f.name),
				group: fc.constant(f.group),
				state: fc.constantFrom(...states),
				packed: fc.boolean(),
				unit_g: fc.integer({ min: 1, max: 3000 }),
				units: fc.integer({ min: 0, max: 40 }),
				place: fc.constant('x'),
				by: fc.integer({ min: now - day, max: now + 400 * day }),
				small: fc.boolean(),
				lowAcid: fc.boolean()
			})
		);
		fc.assert(
			fc.property(
				fc.array(any, { maxLength: 40 }),
				fc.integer({ min: 1, max: 12 }),
				fc.integer({ min: 10, max: 180 }),
				(all, people, within_min) => {
					const avoid = new Set(all.slice(0, 3).map((e) => e.food));
					const meals = suppers(all, { ...ask, people, within_min, avoid });
					const firsts = meals.map((m) => m.parts[0]?.eatable.food);
					expect(new Set(firsts).size).toBe(firsts.length);
					for (const meal of meals) {
						expect(meal.minutes).toBeLessThanOrEqual(within_min);
						expect(meal.parts.length).toBeGreaterThan(0);
						for (const { eatable, units } of meal.parts) {
							expect(units).toBeGreaterThan(0);
							expect(units).toBeLessThanOrEqual(eatable.units);
							expect(avoid.has(eatable.food)).toBe(false);
							if (eatable.state !== 'frozen') expect(minutesOf(eatable).how).toBe('as it is');
						}
					}
				}
			),
			{ numRuns: 500 }
		);
	});
});
