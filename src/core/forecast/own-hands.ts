import type { FoodRow } from '../../reference/tables';
import { hourSpreads, learnYield, type YieldLearned } from './yields';

/** A batch of a food of which somebody said what its hands really took. */
export interface HandsBefore {
	readonly cut: string;
	readonly raw_g: number;
	/** As it was said, s. */
	readonly said_s: number;
	/** What its plan had for it, and of that at the knife, s. */
	readonly planned_s: number;
	readonly knife_s: number;
}
/** What is reckoned with instead of the table: minutes at the knife to a kilo. */
export interface OwnHands extends YieldLearned {
	readonly cut: string;
	readonly table: number;
}

/** One batch may have been a bad day. */
const fewest = 2;
/** Nobody's knife is ten times as quick as the table's; a smaller rest is a word of another part of the work. */
const quickest = 0.1;

/**
 * Minutes at the knife to a kilo, as a batch says: what its hands took less what pot, trays and bags take by themselves.
 *
 * @param table min/kg, above 0
 */
export const knifeOfBatch = (b: HandsBefore, table: number): number =>
	Math.max(quickest * table, (b.said_s - (b.planned_s - b.knife_s)) / 60 / (b.raw_g / 1000));

/** A food with the pace of this household's own hands in place of the table's, for the cuts of which it said it often enough. */
export function withOwnHands(
	food: FoodRow,
	before: readonly HandsBefore[]
): { readonly food: FoodRow; readonly hands: readonly OwnHands[] } {
	const hands = food.cuts.flatMap((cut): OwnHands[] => {
		const table = cut.hands_min_per_kg.value;
		const each = before
			.filter((b) => b.cut === cut.id && b.raw_g > 0 && b.knife_s > 0)
			.map((b) => knifeOfBatch(b, table));
		return table > 0 && each.length >= fewest ? [{ cut: cut.id, table, ...learnYield(table, each, hourSpreads) }] : [];
	});
	if (hands.length === 0) return { food, hands };
	const cuts = food.cuts.map((cut) => {
		const own = hands.find((h) => h.cut === cut.id);
		return own ? { ...cut, hands_min_per_kg: { ...cut.hands_min_per_kg, value: own.share } } : cut;
	});
	return { food: { ...food, cuts }, hands };
}
