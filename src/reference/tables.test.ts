import { describe, expect, it } from 'vitest';
import { blanchRows, foodRows } from './tables';
import { kindRows } from './things';
import { blanchRules, burnerEfficiency, freezingRules, freshnessRules } from './rules';
import { sources } from './sources';

const confidences = ['read', 'from memory', 'practice'];
const known = (row: { source: string; confidence?: string }, where: string) => {
	expect(Object.keys(sources), where).toContain(row.source);
	if (row.confidence !== undefined) {
		expect(confidences, where).toContain(row.confidence);
		// What has no source says so, and nothing that has one hides behind "practice".
		expect(row.confidence === 'practice', where).toBe(row.source === 'practice');
	}
};

describe('the tables', () => {
	it('hold the foods that people keep: produce, herbs, flowers, mushrooms, meat, fish, stock and dishes', () => {
		const count = (...groups: string[]) => foodRows.filter((f) => groups.includes(f.group)).length;
		expect(count('vegetable', 'fruit')).toBeGreaterThanOrEqual(70);
		expect(count('herb', 'flower')).toBeGreaterThanOrEqual(18);
		expect(count('mushroom')).toBeGreaterThanOrEqual(4);
		expect(count('meat', 'poultry', 'fish', 'stock', 'dish')).toBeGreaterThanOrEqual(30);
		expect(foodRows.some((f) => f.marks?.includes('wild-mushroom'))).toBe(true);
		for (const [id, kind] of [
			['potatoes', 'waxy'],
			['tomatoes', 'paste'],
			['winter-squash', 'storage']
		] as const)
			expect(kindRows.filter((k) => k.food === id).map((k) => k.id)).toContain(kind);
	});

	it('give every rule its unit, source and confidence', () => {
		for (const [name, row] of Object.entries({
			...blanchRules,
			...freezingRules,
			...freshnessRules,
			...burnerEfficiency
		})) {
			known(row, name);
			expect(Number.isFinite(row.value), name).toBe(true);
		}
	});

	it.each(foodRows.map((f) => [f.id, f] as const))(
		'%s: every number has its source and lies where such numbers lie',
		(_id, food) => {
			expect(food.id).toMatch(/^[a-z]+(-[a-z]+)*$/);
			known(food.acid, 'acid');
			known(food.composition, 'composition');
			const c = food.composition;
			// Proximates sum to 100 g within the rounding of the table; fibre is part of the carbohydrate.
			expect(Math.abs(c.water + c.protein + c.fat + c.carbohydrate + c.ash - 100)).toBeLessThan(4);
			expect(c.fibre).toBeLessThanOrEqual(c.carbohydrate);
			expect(food.forms.length).toBeGreaterThan(0);
			expect(food.bulk_kg_per_L.value).toBeGreaterThan(0.03);
			// Honey is the heaviest.
			expect(food.bulk_kg_per_L.value).toBeLessThan(1.45);
			// A form's own density belongs to a form of the food, and loose pods and ears lie well below a solid 1 kg/L.
			for (const [form, row] of Object.entries(food.bulkByForm ?? {})) {
				known(row, form);
				expect(food.forms.map((f) => f.id)).toContain(form);
				expect(row.value).toBeLessThan(0.7);
			}
			expect(food.keeping.some((k) => k.place === 'counter')).toBe(true);
			for (const k of food.keeping) {
				known(k, `keeping ${k.place}`);
				expect(k.days[0]).toBeLessThanOrEqual(k.days[1]);
				expect(k.days[0]).toBeGreaterThan(0);
			}
			for (const entry of Object.values(food.measures)) {
				for (const row of typeof entry.value === 'number' ? [entry] : Object.values(entry)) {
					known(row as { source: string }, 'measure');
					expect(['kg', 'lb']).toContain((row as { unit: string }).unit);
				}
			}
			for (const cut of food.cuts) {
				for (const form of food.forms) {
					const share = cut.yields[form.id];
					expect(share, `${cut.id} from ${form.id}`).toBeDefined();
					if (share) known(share, 'yield');
					expect(share?.value).toBeGreaterThan(0.1);
					// Dry beans take up water: more comes out than went in.
					expect(share?.value).toBeLessThanOrEqual(food.id === 'dry-beans' ? 2.5 : 1);
				}
				for (const id of cut.blanch ?? []) expect(blanchRows.map((r) => r.id)).toContain(id);
				expect(cut.use.length).toBeGreaterThan(10);
				if (cut.raw.kind !== 'refused') known(cut.raw, 'raw');
				else expect(cut.raw.instead.length).toBeGreaterThan(0);
			}
		}
	);

	it.each(blanchRows.map((r) => [r.id, r] as const))('blanching %s is sourced and in order', (_id, row) => {
		known(row, row.id);
		expect(row.minutes[0]).toBeGreaterThan(0);
		expect(row.minutes[0]).toBeLessThanOrEqual(row.minutes[1]);
		expect(row.minutes[1]).toBeLessThanOrEqual(11);
		expect(foodRows.some((f) => f.id === row.food)).toBe(true);
	});

	// USDA Complete Guide to Home Canning, 2015, weights of a bushel (from memory), set down a second time.
	it.each([
		['green-beans', 30],
		['tomatoes', 53],
		['carrots', 50],
		['spinach', 18],
		['kale', 18],
		['bell-peppers', 25],
		['zucchini', 40],
		['sweet-corn', 35]
	])('a bushel of %s weighs %i lb', (id, pounds) => {
		const bushel = foodRows.find((f) => f.id === id)?.measures.bushel;
		expect(bushel).toMatchObject({ value: pounds, unit: 'lb' });
	});

	// FDA, Approximate pH of Foods (from memory): 4.6 parts what can be boiled from what needs pressure.
	it('sort low acid from high by pH 4.6', () => {
		for (const food of foodRows) {
			const [low, high] = food.acid.pH;
			if (food.acid.class === 'high') expect(high, food.id).toBeLessThan(4.6);
			if (food.acid.class === 'low') expect(high, food.id).toBeGreaterThan(4.6);
			if (food.acid.class === 'borderline') expect(low < 4.6 && high > 4.6, food.id).toBe(true);
		}
	});

	// USDA Complete Guide and NCHFP, pounds as bought to a frozen pint (from memory), middle of the range. Those pints
	// are rigid boxes filled tight; loose tray-frozen pieces in a bag lie at 0.5 to 1.05 of that weight to the litre.
	it.each([
		['green-beans', 'cut', 'whole', 0.835],
		['carrots', 'diced', 'whole', 1.375],
		['peas', 'shelled', 'in-pod', 2.25],
		['sweet-corn', 'kernels', 'in-husk', 2.25],
		['zucchini', 'rounds', 'whole', 1.125],
		['bell-peppers', 'dice', 'whole', 0.67]
	])('%s %s: the bag’s density agrees with the published pint', (id, cutId, form, pounds) => {
		const cut = foodRows.find((f) => f.id === id)?.cuts.find((c) => c.id === cutId);
		const published = (pounds * 0.45359237 * (cut?.yields[form]?.value ?? 0)) / 0.473176473;
		const ratio = (cut?.bulk_kg_per_L.value ?? 0) / published;
		expect(ratio).toBeGreaterThan(0.5);
		expect(ratio).toBeLessThan(1.05);
	});
});
