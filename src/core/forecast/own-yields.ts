import type { FoodRow } from '../../reference/tables';
import { learnYield, type YieldLearned } from './yields';

/** What a household's batches of a food kept, by form and cut. */
export interface KeptBefore {
	readonly form: string;
	readonly cut: string;
	readonly share: number;
}
/** What is reckoned with instead of the table. */
export interface OwnYield extends YieldLearned {
	readonly cut: string;
	readonly table: number;
}

/** One batch may have been a slip. */
const fewest = 2;

/**
 * A food with the shares that this household keeps in place of the table's, for the cuts of which it has batches enough.
 *
 * @param form as it comes in
 */
export function withOwnYields(
	food: FoodRow,
	form: string,
	before: readonly KeptBefore[]
): { readonly food: FoodRow; readonly own: readonly OwnYield[] } {
	const own = food.cuts.flatMap((cut): OwnYield[] => {
		const known = cut.yields[form];
		const shares = before.filter((b) => b.form === form && b.cut === cut.id).map((b) => b.share);
		if (!known || shares.length < fewest) return [];
		return [{ cut: cut.id, table: known.value, ...learnYield(known.value, shares) }];
	});
	if (own.length === 0) return { food, own };
	const cuts = food.cuts.map((cut) => {
		const learned = own.find((o) => o.cut === cut.id);
		const known = cut.yields[form];
		// Never more than all of it: what comes into packs of a fresh thing was in it.
		return learned && known
			? { ...cut, yields: { ...cut.yields, [form]: { ...known, value: Math.min(1, learned.share) } } }
			: cut;
	});
	return { food: { ...food, cuts }, own };
}
