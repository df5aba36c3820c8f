import type { CutRow, FoodRow } from '../../reference/tables';
import { DomainError } from '../errors';

/** Loose in a bowl, kg to the L, in a form. */
export const bulkOf = (food: FoodRow, form: string): number => (food.bulkByForm?.[form] ?? food.bulk_kg_per_L).value;

/** A food's cut by id. @throws {DomainError} UNKNOWN_CUT, naming the known ones */
export function cutOf(food: FoodRow, id: string): CutRow {
	const cut = food.cuts.find((c) => c.id === id);
	if (cut) return cut;
	const known = food.cuts.map((c) => c.id).join(', ');
	throw new DomainError('UNKNOWN_CUT', 'cut', `${food.name} are not cut as "${id}". Known: ${known}.`);
}

/**
 * Kilos ready from a kilo as it came in, by the food's first cut.
 *
 * @param form as it came in; the food's first without it
 * @throws {DomainError} UNKNOWN_CUT, naming the known forms
 */
export function yieldShare(food: FoodRow, form?: string): number {
	const yields = food.cuts[0]?.yields ?? {};
	const row = form === undefined ? Object.values(yields)[0] : yields[form];
	if (row) return row.value;
	const known = Object.keys(yields).join(', ');
	throw new DomainError('UNKNOWN_CUT', 'form', `${food.name} do not come in as "${form}". Known: ${known}.`);
}
