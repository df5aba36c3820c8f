import { foldName } from '$core/foods/fold-name';
import { foodById, kindsOf } from '$core/things/names';
import { nearNames, understand } from '$core/things/understand';
import { measuresOf } from '$core/foods/measures';
import { recipeOf } from '$core/canning/recipe-of';
import { productsOf } from '$core/canning/products';
import { cutNames } from '$core/freezing/blanch-look-up';
import { sources } from '$reference/sources';
import { foodRows, type FoodRow } from '$reference/tables';
import type { Provenance } from '$reference/row';

const sourced = (row: Provenance) => ({ source: sources[row.source].title, confidence: row.confidence });

/** A food in a list. */
export const briefly = (food: FoodRow) => ({
	id: food.id,
	name: food.name,
	names: food.names,
	group: food.group,
	acid: food.acid.class
});

/** A food with its numbers, each with source and confidence. */
export const inFull = (food: FoodRow) => ({
	...briefly(food),
	acid: { class: food.acid.class, pH: food.acid.pH, ...sourced(food.acid) },
	composition: { ...food.composition, ...sourced(food.composition) },
	forms: food.forms.map((f) => ({ id: f.id, name: f.name })),
	measures: measuresOf(food).map(({ measure, form, row }) => ({
		measure,
		...(form ? { form } : {}),
		value: row.value,
		unit: row.unit,
		...sourced(row)
	})),
	keeping: food.keeping.map((k) => ({ place: k.place, days: k.days, at_C: k.at_C, ...sourced(k) })),
	wants: food.want
		? {
				C: food.want.C,
				relative_humidity: food.want.rh,
				weeks: food.want.weeks,
				note: food.want.note ?? null,
				...sourced(food.want)
			}
		: null,
	kinds: kindsOf(food.id).map((t) => ({ id: t.id, name: t.name, matters: t.matters })),
	intake: food.intake,
	cuts: food.cuts.map((c) => ({
		id: c.id,
		name: c.name,
		yields: Object.entries(c.yields).map(([form, y]) => ({ form, value: y.value, ...sourced(y) })),
		byproducts: c.byproducts ?? []
	})),
	blanch_cuts: cutNames(food),
	canning_products: productsOf(food.id)
		.filter((p) => !p.recipe || recipeOf(p, food.id))
		.map((p) => ({
			product: p.product,
			name: p.name,
			tested_recipe_only: p.recipe ?? false
		}))
});

/** Foods by any part of any of their names; a misspelt word finds its neighbours. Without a word, all of them. */
export function search(text: string | undefined): readonly FoodRow[] {
	if (!text) return foodRows;
	const key = foldName(text);
	const named = understand(text);
	const exact = foodById(text) ?? (named.kind === 'thing' ? named.thing.food : undefined);
	const kinds = (f: FoodRow) => kindsOf(f.id).flatMap((k) => k.names);
	const within = foodRows.filter((f) => [f.id, f.name, ...f.names, ...kinds(f)].some((n) => foldName(n).includes(key)));
	const near = within.length > 0 || exact ? [] : nearNames(text, 5).map((n) => n.food);
	return [...new Set([...(exact ? [exact] : []), ...within, ...near])];
}
