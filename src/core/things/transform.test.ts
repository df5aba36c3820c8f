import { describe, expect, it } from 'vitest';
import { sources } from '../../reference/sources';
import { transformRows, transformSteps, type TransformRow } from '../../reference/transforms';
import { foodById, kindById } from './names';
import { plain, states, type Thing } from './thing';
import { make, transformOf, transformsOf } from './transform';

const middle = (row: TransformRow) => (row.yield[0] + row.yield[1]) / 2;
const byShare = (row: TransformRow) => (row.by ?? []).reduce((sum, b) => sum + b.share, 0);
const thingOf = (row: TransformRow): Thing => {
	const food = foodById(row.food);
	if (!food) throw new Error(row.food);
	return { ...plain(food), form: row.from.form, state: row.from.state as Thing['state'] };
};
const of = (food: string, id: string) => {
	const row = transformRows.find((r) => r.id === `${food}/${id}`);
	if (!row) throw new Error(`${food}/${id}`);
	return row;
};

describe('the table of transforms', () => {
	it('has its breadth: 150 rows and more, 60 different yields, 50 foods', () => {
		expect(transformRows.length).toBeGreaterThanOrEqual(240);
		expect(new Set(transformRows.map((r) => r.yield.join())).size).toBeGreaterThanOrEqual(60);
		expect(new Set(transformRows.map((r) => r.food)).size).toBeGreaterThanOrEqual(50);
		expect(new Set(transformRows.map((r) => r.id)).size).toBe(transformRows.length);
	});
	it.each(transformRows.map((r) => [r.id, r] as const))(
		'%s: known food, states, step, source; a yield in range',
		(_id, row) => {
			expect(foodById(row.food)).toBeDefined();
			if (row.to.food) expect(foodById(row.to.food)).toBeDefined();
			if (row.to.kind) expect(kindById(row.to.food ?? row.food, row.to.kind)).toBeDefined();
			expect(transformSteps).toContain(row.step);
			for (const side of [row.from, row.to]) {
				expect(states).toContain(side.state);
				expect(side.form).toMatch(/\S/);
			}
			expect(Object.keys(sources)).toContain(row.source);
			expect(row.confidence === 'practice').toBe(row.source === 'practice');
			expect(row.yield[0]).toBeGreaterThan(0);
			expect(row.yield[1]).toBeGreaterThanOrEqual(row.yield[0]);
			expect(row.yield[1]).toBeLessThanOrEqual(1 + (row.added?.share ?? 0) * 1.7 + 0.02);
			for (const b of row.by ?? []) expect(b.share).toBeGreaterThan(0);
			if (row.cup_g !== undefined) expect(row.cup_g).toBeGreaterThan(5);
			if (row.kg_per_L !== undefined) expect(row.kg_per_L).toBeGreaterThanOrEqual(0.3);
		}
	);
	it.each(transformRows.map((r) => [r.id, r] as const))('%s: mass closes', (_id, row) => {
		const lost = row.lost?.share ?? 0;
		expect(lost).toBeGreaterThanOrEqual(0);
		expect(1 + (row.added?.share ?? 0)).toBeCloseTo(middle(row) + byShare(row) + lost, 2);
		// A knife loses little; water leaves by heat, and never more of it than the food and what was added hold.
		const heat = [
			'cook',
			'reduce',
			'mash',
			'par-fry',
			'dry',
			'render',
			'stock',
			'shape',
			'rehydrate',
			'soak',
			'thaw'
		].includes(row.step);
		if (!heat) expect(lost).toBeLessThanOrEqual(0.13);
		const food = foodById(row.food);
		const water = (food?.composition.water ?? 0) / 100 + (row.added?.share ?? 0);
		if (row.lost?.what === 'water') expect(lost).toBeLessThanOrEqual(Math.max(water, 0.02) + 0.01);
	});
	it('dries to the dry matter that the food has, and the water that dried food holds (ASHRAE compositions, from memory)', () => {
		for (const row of transformRows.filter((r) => r.step === 'dry' && r.from.state !== 'cooked')) {
			const food = foodById(row.food);
			if (!food) continue;
			const solids = 1 - food.composition.water / 100;
			const left = middle(row) + byShare(row);
			// Blanching washes a little out; the driest keeps nothing but its solids, the softest a quarter water.
			expect(left / solids, row.id).toBeGreaterThan(0.85);
			expect(left / solids, row.id).toBeLessThan(1.5);
		}
	});
	it('agrees with what was published (USDA Food Buying Guide and Agriculture Handbook 102, from memory)', () => {
		const published: [string, string, number][] = [
			['peas', 'shelled', 0.38],
			['lima-beans', 'shelled', 0.44],
			['green-beans', 'trimmed-cut-1-in', 0.88],
			['broccoli', 'florets-and-peeled-stem', 0.81],
			['onions', 'peeled-chopped', 0.88],
			['potatoes', 'peeled-diced', 0.81],
			['apples', 'peeled-cored-sliced', 0.78],
			['pineapple', 'peeled-cored-diced', 0.54],
			['rhubarb', 'trimmed-diced', 0.86],
			['pears', 'peeled-cored-sliced', 0.78],
			['mangoes', 'peeled-stoned-diced', 0.69]
		];
		for (const [food, id, share] of published) expect(middle(of(food, id)), `${food} ${id}`).toBeCloseTo(share, 2);
	});
	it('agrees with the ratios of the trade (common practice, no source)', () => {
		// Cups raw to a cup cooked, spinach: 10 to 12.
		const raw = of('spinach', 'stemmed-washed-leaves').cup_g ?? 0;
		const boiled = of('spinach', 'cooked-or-blanched-drained');
		const cups = (boiled.cup_g ?? 0) / middle(boiled) / raw;
		expect(cups).toBeGreaterThan(7.5);
		expect(cups).toBeLessThan(13);
		// 3 cups of corn to a quart bag: a quart holds 4, and about an inch stays free.
		const corn = (of('sweet-corn', 'kernels-cut-at-about-2-3-depth-tips-not-scraped').cup_g ?? 0) * 3;
		expect(corn).toBeGreaterThan(380);
		expect(corn).toBeLessThan(480);
	});
	it('agrees with what the foods’ own cuts give of them, within 12 parts in a hundred', () => {
		let compared = 0;
		const apart: string[] = [];
		for (const row of transformRows.filter((r) => ['trim', 'shell'].includes(r.step))) {
			const cut = foodById(row.food)?.cuts.find((c) => c.id === row.to.form);
			const own = cut?.yields[row.from.form];
			if (!own) continue;
			compared++;
			// Of two rows to one cut (florets alone, florets with their stem) the nearer one.
			const alike = transformRows.filter(
				(r) => r.food === row.food && r.from.form === row.from.form && r.to.form === row.to.form
			);
			if (Math.min(...alike.map((r) => Math.abs(own.value - middle(r)))) > 0.12) apart.push(row.id);
		}
		// Chard: the cut keeps its ribs. Thyme: the cut takes the soft tips with their stems.
		expect(apart).toEqual(['chard/leaf-blades-ribs-out', 'thyme/stripped-leaves']);
		expect(compared).toBeGreaterThan(25);
	});
});

describe('a transform', () => {
	it('closes for every row at every amount, expected or weighed', () => {
		for (const row of transformRows)
			for (const grams of [40, 1000, 12_345])
				for (const out of [
					undefined,
					grams * row.yield[0],
					grams * Math.min(row.yield[1], 1 + (row.added?.share ?? 0))
				]) {
					const made = make(row, thingOf(row), grams, out);
					const parts = made.grams + made.by.reduce((s, b) => s + b.grams, 0) + made.lost.grams;
					expect(parts, `${row.id} ${out}`).toBeCloseTo(grams + made.added_g, 3);
					expect(Math.min(made.lost.grams, ...made.by.map((b) => b.grams)), row.id).toBeGreaterThanOrEqual(0);
				}
	});
	it('closes over every chain of two: what comes out of one row goes into the next', () => {
		let chains = 0;
		for (const first of transformRows) {
			const one = make(first, thingOf(first), 5000);
			for (const second of transformsOf({ ...one.thing, identified: true })) {
				chains++;
				const two = make(second, one.thing, one.grams);
				const left =
					two.grams + [...one.by, ...two.by].reduce((s, b) => s + b.grams, 0) + one.lost.grams + two.lost.grams;
				expect(left, `${first.id} then ${second.id}`).toBeCloseTo(5000 + one.added_g + two.added_g, 2);
			}
		}
		expect(chains).toBeGreaterThan(40);
	});
	it('is offered for what a thing is now, and for nothing else', () => {
		const zucchini = { ...plain(foodById('zucchini') as never), state: 'fresh' as const };
		const names = transformsOf(zucchini).map((r) => r.id);
		expect(names).toContain('zucchini/ends-off-grated');
		expect(names).not.toContain('zucchini/grated-squeezed');
		const grated = make(transformOf(zucchini, 'zucchini/ends-off-grated'), zucchini, 1000).thing;
		expect(transformsOf(grated).map((r) => r.id)).toContain('zucchini/grated-squeezed');
		expect(() => transformOf(grated, 'zucchini/ends-off-grated')).toThrow(/cannot become/);
	});
	it('makes of thawed tomatoes only what is juiced or cooked down (USDA Complete Guide, from memory)', () => {
		const thawed: Thing = { ...plain(foodById('tomatoes') as never), state: 'thawed' };
		const steps = transformsOf(thawed).map((r) => r.step);
		expect(steps.length).toBeGreaterThan(2);
		expect(steps.every((s) => ['reduce', 'juice', 'cook'].includes(s))).toBe(true);
	});
	it('makes nothing of what is past its safe end, or that nobody has seen', () => {
		const chicken = plain(foodById('chicken') as never);
		expect(transformsOf({ ...chicken, age: { past: 'end', limit: 'safety' } })).toEqual([]);
		const morels = plain(foodById('morels') as never);
		expect(transformsOf({ ...morels, identified: false })).toEqual([]);
	});
	it('believes the scale, within reason', () => {
		const row = of('carrots', 'peeled-ends-off');
		const made = make(row, thingOf(row), 1000, 900);
		expect(made.grams).toBe(900);
		expect(made.by[0]?.grams).toBeLessThan(1000 * byShare(row));
		expect(() => make(row, thingOf(row), 1000, 1200)).toThrow(/More came out/);
	});
});
