import { describe, expect, it } from 'vitest';
import { parts, species } from '../../reference/breakdown';
import { productsOf } from '../canning/products';
import { advise } from '../safety/advise';
import { foodById } from '../things/names';
import { plain, type State, type Thing } from '../things/thing';
import { make, transformsOf } from '../things/transform';
import { freezeWays } from '../ways/freeze-ways';
import type { FreezeWay } from '../ways/freeze-way';
import { kitchen } from '../ways/kitchen.fixture';

const now = Date.parse('2026-11-03T08:00:00Z');
function part(food: string, form: string, state: State = 'fresh'): Thing {
	const row = foodById(food);
	if (!row) throw new Error(food);
	return { ...plain(row), form, state };
}
const steps = (thing: Thing) => transformsOf(thing).map((t) => t.step);
const frozen = (thing: Thing) =>
	freezeWays({ thing, grams: 9000, food_C: 4, kitchen, choices: {}, now }).ways.filter(
		(w): w is FreezeWay => w.kind === 'way'
	);

describe('the parts of an animal go on', () => {
	it('bones to stock, the fat of pig and ox rendered, each with what comes off', () => {
		expect(steps(part('beef', 'bones'))).toContain('stock');
		for (const food of ['pork', 'beef']) {
			const [render] = transformsOf(part(food, 'back fat')).filter((t) => t.step === 'render');
			if (!render) throw new Error(food);
			const made = make(render, part(food, 'back fat'), 10_000);
			const off = made.by.reduce((sum, b) => sum + b.grams, 0);
			expect(made.grams + off, food).toBeLessThanOrEqual(10_000);
			// Common practice: three quarters of pork fat, two thirds of trimmed beef fat.
			expect(made.grams / 10_000, food).toBeGreaterThan(0.6);
			expect(made.grams / 10_000, food).toBeLessThan(0.85);
		}
	});
	it('every part of every species goes into the freezer under its own name, and keeps no longer than a roast, or the shortest cut', () => {
		for (const one of species)
			for (const p of parts.filter((x) => x.of === 'meat' && x.form !== '')) {
				const thing = part(one.food, p.form);
				const { cuts, forms } = thing.food;
				const own = cuts.find((c) => c.id === p.form);
				const [way] = frozen(thing);
				if (!way || own || forms.some((f) => f.id === p.form)) continue;
				expect(way.cut.name, `${one.id} ${p.form}`).toBe(p.form);
				const months = cuts.flatMap((c) => ('months' in c.raw ? [c.raw.months[1]] : []));
				const most = ['roast', 'chops', 'steaks'].includes(p.pack) ? Math.max(...months) : Math.min(...months);
				expect(way.months[1], `${one.id} ${p.form}`).toBeLessThanOrEqual(most);
			}
		expect(frozen(part('pork', 'belly'))[0]?.cut.name).toBe('belly');
	});
	it('meat into jars by tested products alone, jerky by its heat step and into the freezer', () => {
		// USDA Complete Guide, Guide 5 (from memory): strips, cubes or chunks; ground or chopped; chicken and rabbit.
		const beef = productsOf('beef').map((p) => p.id);
		expect(beef.length).toBeGreaterThan(0);
		expect(productsOf('ground-beef').length).toBeGreaterThan(0);
		for (const p of [...productsOf('beef'), ...productsOf('ground-beef')])
			expect(
				p.processes.every((x) => x.method !== 'water'),
				p.id
			).toBe(true);
		expect(advise(part('beef', 'whole'), 'dry', { heatStep: 'none' }).kind).toBe('refused');
		expect(advise(part('beef', 'whole', 'dried'), 'room').kind).toBe('refused');
	});
});
