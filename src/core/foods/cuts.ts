import type { CutRow, FoodRow } from '../../reference/tables';
import { DomainError } from '../errors';

/** A food's cut by id. @throws {DomainError} UNKNOWN_CUT, naming the known ones */
export function cutOf(food: FoodRow, id: string): CutRow {
	const cut = food.cuts.find((c) => c.id === id);
	if (cut) return cut;
	const known = food.cuts.map((c) => c.id).join(', ');
	throw new DomainError('UNKNOWN_CUT', 'cut', `${food.name} are not cut as "${id}". Known: ${known}.`);
}
