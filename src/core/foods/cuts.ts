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
