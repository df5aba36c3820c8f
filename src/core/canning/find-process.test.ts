import { describe, expect, it } from 'vitest';
import { canningProducts } from '../../reference/canning';
import { canningRules, jarSizes, pressureSets } from '../../reference/canning-rules';
import { sources } from '../../reference/sources';
import { foodRows } from '../../reference/tables';
import { mFromFt } from '../quantities/units';
import { pressureAt, waterColumn } from './bands';
import { findProcesses, type ProcessQuery } from './find-process';
import { answersTo, productByName, productsOf } from './products';

const product = (id: string) => {
	const found = canningProducts.find((p) => p.id === id);
	if (!found) throw new Error(id);
	return found;
};
const look = (id: string, feet: number, more: Partial<ProcessQuery> = {}) =>
	findProcesses({ product: product(id), altitude_m: mFromFt(feet), ...more }).map(
		(p) => `${p.style} ${p.jar} ${p.gauge ? `${p.gauge} ${p.psi} psi` : 'water'} ${p.minutes}`
	);

describe('the canning table', () => {
	it.each(canningProducts.map((p) => [p.id, p] as const))(
		'%s: every row is whole, sourced and in its place',
		(_id, p) => {
			expect(p.id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*(\/[a-z0-9]+(-[a-z0-9]+)*)?$/);
			expect(p.prepare.length).toBeGreaterThan(20);
			expect(p.processes.length).toBeGreaterThan(0);
			for (const food of p.foods)
				expect(
					foodRows.some((f) => f.id === food),
					food
				).toBe(true);
			for (const row of p.processes) {
				expect(Object.keys(sources)).toContain(row.source);
				expect(row.confidence).toBe('from memory');
				expect(['agreed', 'once']).toContain(row.recalls);
				expect([0.125, 0.25, 0.5, 1, 1.25, 1.5]).toContain(row.headspace_in);
				for (const jar of row.jars) expect(jarSizes).toContain(jar);
				if (row.method === 'water') {
					if (typeof row.minutes === 'number') throw new Error('one number in a boiling-water row');
					expect(row.minutes).toHaveLength(4);
					// Higher up the water boils cooler: never a shorter time, and never more than 10 minutes a column.
					for (let i = 1; i < 4; i++) {
						const step = (row.minutes[i] ?? 0) - (row.minutes[i - 1] ?? 0);
						expect(step).toBeGreaterThanOrEqual(0);
						expect(step).toBeLessThanOrEqual(10);
					}
					for (const m of row.minutes) expect(m % 5).toBe(0);
				} else {
					expect(Object.keys(pressureSets)).toContain(row.method);
					expect(typeof row.minutes).toBe('number');
				}
			}
		}
	);
	it('never has a low-acid food in boiling water, but as a recipe with its acid or with acid in the jar', () => {
		const low = new Set(foodRows.filter((f) => f.acid.class === 'low').map((f) => f.id));
		for (const p of canningProducts.filter((each) => each.foods.some((f) => low.has(f)))) {
			if (p.processes.some((r) => r.method === 'water')) expect(p.recipe || p.acid, p.id).toBeTruthy();
		}
	});
	it('keeps larger jars at least as long as smaller ones of the same row', () => {
		const worst = (m: readonly number[] | number) => (typeof m === 'number' ? m : Math.max(...m));
		for (const p of canningProducts) {
			for (const a of p.processes) {
				for (const b of p.processes) {
					if (a.style !== b.style || a.method !== b.method) continue;
					const larger =
						Math.min(...a.jars.map((j) => jarSizes.indexOf(j))) > Math.max(...b.jars.map((j) => jarSizes.indexOf(j)));
					if (larger) expect(worst(a.minutes), p.id).toBeGreaterThanOrEqual(worst(b.minutes));
				}
			}
		}
	});
});

describe('columns by altitude', () => {
	it('does not round metres: 304.8 m is 1,000 ft, a centimetre more is the next column', () => {
		expect([0, 304.8, 304.81, 914.4, 914.41, 1828.8, 1828.81, 3048].map(waterColumn)).toEqual([0, 0, 1, 1, 2, 2, 3, 3]);
	});
	it('turns each gauge at its own altitude', () => {
		const at = (feet: number) => [
			pressureAt('pressure-11', 'dial', mFromFt(feet)),
			pressureAt('pressure-11', 'weighted', mFromFt(feet))
		];
		// USDA Complete Guide to Home Canning, 2015, Guide 1 (from memory).
		expect(at(0)).toEqual([11, 10]);
		expect(at(1000)).toEqual([11, 10]);
		expect(at(1001)).toEqual([11, 15]);
		expect(at(2000)).toEqual([11, 15]);
		expect(at(2001)).toEqual([12, 15]);
		expect(at(4001)).toEqual([13, 15]);
		expect(at(6001)).toEqual([14, 15]);
		expect(at(8000)).toEqual([14, 15]);
		expect(at(8001)).toEqual([undefined, 15]);
	});
	it('is refused off the ends', () => {
		for (const altitude_m of [Number.NaN, Infinity, -500, 3100]) {
			expect(() => findProcesses({ product: product('berries'), altitude_m })).toThrow(/altitude_m/);
		}
	});
});

// USDA Complete Guide to Home Canning, 2015 (from memory): what a practitioner would look up, read off whole.
describe('look-ups', () => {
	it.each([
		['green-beans/pieces', 800, { style: 'raw', jar: 'quart', gauge: 'weighted' }, ['raw quart weighted 10 psi 25']],
		['green-beans/pieces', 1500, { style: 'raw', jar: 'quart', gauge: 'weighted' }, ['raw quart weighted 15 psi 25']],
		['green-beans/pieces', 1500, { style: 'hot', jar: 'pint', gauge: 'dial' }, ['hot pint dial 11 psi 20']],
		['green-beans/pieces', 5000, { style: 'hot', jar: 'pint', gauge: 'dial' }, ['hot pint dial 13 psi 20']],
		['sweet-corn/whole-kernel', 2500, { style: 'hot', jar: 'quart', gauge: 'dial' }, ['hot quart dial 12 psi 85']],
		['spinach/greens', 6500, { jar: 'quart', gauge: 'dial' }, ['hot quart dial 14 psi 90']],
		['chicken/boneless', 0, { style: 'raw', jar: 'pint', gauge: 'weighted' }, ['raw pint weighted 10 psi 75']],
		['meat-stock', 1200, { jar: 'quart', gauge: 'weighted' }, ['hot quart weighted 15 psi 25']],
		[
			'peaches/halves',
			500,
			{ style: 'hot', jar: 'quart', gauge: 'weighted' },
			['hot quart water 25', 'hot quart weighted 5 psi 10']
		],
		['applesauce', 3500, { jar: 'quart', gauge: 'dial' }, ['hot quart water 30', 'hot quart dial 7 psi 10']],
		['figs/whole', 6200, { jar: 'pint' }, ['hot pint water 60']],
		['sauerkraut', 4000, { style: 'raw', jar: 'quart' }, ['raw quart water 35']],
		['jam-cooked', 1001, { jar: 'half-pint' }, ['hot half-pint water 10']]
	] as const)('%s at %i ft', (id, feet, more, rows) => expect(look(id, feet, more)).toEqual(rows));

	it('gives tomatoes their several processes, and none at 15 lb above 1,000 ft', () => {
		expect(look('tomatoes/crushed', 1000, { jar: 'quart', gauge: 'weighted' })).toEqual([
			'hot quart water 45',
			'hot quart weighted 5 psi 20',
			'hot quart weighted 10 psi 15',
			'hot quart weighted 15 psi 10'
		]);
		expect(look('tomatoes/crushed', 1200, { jar: 'quart', gauge: 'weighted' })).toEqual([
			'hot quart water 50',
			'hot quart weighted 10 psi 20',
			'hot quart weighted 15 psi 15'
		]);
	});
	it('has no dial pressure above 8,000 ft, where a weighted one goes on', () => {
		expect(look('carrots/pieces', 8500, { jar: 'pint', style: 'hot', gauge: 'dial' })).toEqual([]);
		expect(look('carrots/pieces', 8500, { jar: 'pint', style: 'hot' })).toEqual(['hot pint weighted 15 psi 25']);
	});
	it('lets a smaller jar take the smallest tested time, and a larger jar none', () => {
		const [half] = findProcesses({
			product: product('green-beans/pieces'),
			altitude_m: 0,
			jar: 'half-pint',
			style: 'raw',
			gauge: 'weighted'
		});
		expect(half).toMatchObject({ jar: 'half-pint', testedJar: 'pint', minutes: 20 });
		expect(look('mushrooms/pieces', 0, { jar: 'quart' })).toEqual([]);
		expect(look('sweet-corn/cream-style', 0, { jar: 'quart' })).toEqual([]);
	});
	it('sterilises jars for processes under 10 minutes only, and lets a steam canner do up to 45', () => {
		const [low] = findProcesses({ product: product('jelly'), altitude_m: 0, jar: 'half-pint' });
		const [high] = findProcesses({ product: product('jelly'), altitude_m: 400, jar: 'half-pint' });
		expect([low?.sterileJars, high?.sterileJars]).toEqual([true, false]);
		const crushed = (feet: number) =>
			findProcesses({ product: product('tomatoes/crushed'), altitude_m: mFromFt(feet), jar: 'quart' })[0]?.steamCanner;
		expect([crushed(1000), crushed(1001)]).toEqual([true, false]);
	});
	it('measures the acid by the jar', () => {
		const acid = (jar: 'half-pint' | 'pint' | 'quart') =>
			findProcesses({ product: product('tomatoes/whole-in-water'), altitude_m: 0, jar })[0]?.acid;
		expect(acid('quart')).toMatchObject({ lemonJuice_tbsp: 2, citricAcid_tsp: 0.5, vinegar_tbsp: 4 });
		expect(acid('pint')).toMatchObject({ lemonJuice_tbsp: 1, citricAcid_tsp: 0.25, vinegar_tbsp: 2 });
		expect(acid('half-pint')).toMatchObject({ lemonJuice_tbsp: 0.5, citricAcid_tsp: 0.125, vinegar_tbsp: 1 });
	});
	it('turns psi into kPa', () => {
		const [row] = findProcesses({ product: product('meat-stock'), altitude_m: 0, jar: 'pint', gauge: 'dial' });
		expect(row).toMatchObject({ psi: 11, kPa: 75.8, headspace_m: 0.0254 });
	});
	it('holds the general rules as published', () => {
		// USDA Complete Guide to Home Canning, 2015, Guide 1 (from memory).
		expect(canningRules.waterInPressureCanner_m.value).toBeCloseTo(0.0508, 6);
		expect(canningRules.loadRaw_C.value).toBe(60);
		expect(canningRules.loadHot_C.value).toBeCloseTo(82.2, 1);
		expect(canningRules.storeNever_C.value).toBe(35);
		expect([canningRules.loadQuarts.value, canningRules.loadPints.value]).toEqual([7, 9]);
	});
});

describe('products by their names', () => {
	it.each([
		['applesauce', 'applesauce'],
		['Tomato ketchup', 'tomatoes/ketchup'],
		['bread and butter pickles', 'pickles-bread-and-butter'],
		['greens', 'spinach/greens'],
		['salsa', 'salsa-choice'],
		['dried-beans', 'dried-beans']
	])('%s', (name, id) => expect(productByName(name)?.id).toBe(id));
	it('answers to other words for a product, and lists plain ones first', () => {
		expect(answersTo(product('tomatoes/crushed'), 'diced')).toBe(true);
		expect(answersTo(product('tomatoes/crushed'), 'paste')).toBe(false);
		expect(productsOf('tomatoes')[0]?.recipe).toBeUndefined();
		expect(productsOf('goat')).toEqual([]);
	});
});

// USDA Complete Guide to Home Canning, 2015, "Quantity" of each page (from memory, twice): lb to a quart, 7 quarts, 9 pints.
describe('quantities', () => {
	it.each([
		['apples/sliced', 2.75, 19, 12.25],
		['applesauce', 3, 21, 13.5],
		['apricots/halves', 2.25, 16, 10],
		['asparagus/pieces', 3.5, 24.5, 16],
		['green-beans/pieces', 2, 14, 9],
		['lima-beans/shelled', 4, 28, 18],
		['beets/pieces', 3, 21, 13.5],
		['berries', 1.75, 12, 8],
		['carrots/pieces', 2.5, 17.5, 11],
		['cherries/whole', 2.5, 17.5, 11],
		['sweet-corn/whole-kernel', 4.5, 31.5, 20],
		['spinach/greens', 4, 28, 18],
		['okra/pieces', 1.5, 11, 7],
		['peaches/halves', 2.5, 17.5, 11],
		['pears/halves', 2.5, 17.5, 11],
		['peas/shelled', 4.5, 31.5, 20],
		['plums/whole', 2, 14, 9],
		['potatoes/cubed', 2.75, 20, 13],
		['winter-squash/cubed', 2.25, 16, 10],
		['rhubarb/stewed', 1.5, 10.5, 7],
		['sweet-potatoes/pieces', 2.5, 17.5, 11],
		['tomatoes/whole-in-water', 3, 21, 13],
		['tomatoes/crushed', 2.75, 22, 14],
		['tomatoes/juice', 3.25, 23, 14],
		['tomatoes/sauce', 5, 35, 21],
		['figs/whole', 2.5, 16, 11],
		['grapes/whole', 2, 14, 9],
		['grape-juice', 3.5, 24.5, 16],
		['grapefruit-orange-sections', 2, 15, 13],
		['pineapple/pieces', 3, 21, 13]
	])('%s: %d lb, %d lb, %d lb', (id, quart, seven, nine) => {
		expect(product(id).quantities).toMatchObject({ lb_per_quart: quart, lb_per_7_quarts: seven, lb_per_9_pints: nine });
		// Seven quarts take about seven times one, nine pints about four and a half.
		expect(seven / quart / 7).toBeGreaterThan(0.9);
		expect(seven / quart / 7).toBeLessThan(1.2);
		expect(nine / quart / 4.5).toBeGreaterThan(0.85);
		expect(nine / quart / 4.5).toBeLessThan(1.45);
	});
});
