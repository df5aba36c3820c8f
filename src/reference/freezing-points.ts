import rows from './freezing-points.json';
import type { Provenance } from './row';
import type { FoodGroup } from './tables';

/** Initial freezing point, °C. */
export interface FreezingPoint extends Provenance {
	readonly C: number;
}

const table = { source: 'ashraeRefrigeration', confidence: 'from memory' } as const;
const known = new Map(rows.map((r) => [r.food, r.C]));
/** Where the handbook has no row: the middle of its rows for the kind. Our own reckoning, no source. */
const middle: Readonly<Partial<Record<FoodGroup, number>>> = {
	meat: -2,
	poultry: -2.4,
	fish: -2.2,
	stock: -0.5,
	dish: -1
};

/** The printed freezing point of a food, else the middle of its kind, marked as practice. */
export function freezingPointOf(food: { readonly id: string; readonly group: FoodGroup }): FreezingPoint {
	const C = known.get(food.id);
	if (C !== undefined) return { C, ...table };
	return { C: middle[food.group] ?? -0.9, source: 'practice', confidence: 'practice', note: 'the middle of its kind' };
}
