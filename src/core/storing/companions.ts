import { companionRows, type CompanionRow } from '../../reference/other-ways';
import type { FoodRow } from '../../reference/tables';
import { foodById } from '../things/names';

/** A food that had better not lie beside others that are there. */
export interface Clash {
	readonly one: string;
	readonly others: readonly string[];
	readonly words: string;
}

/** Of foods in one place, those that hurt others there; each pair once, from the side that gives. */
export function clashesAmong(foods: readonly FoodRow[]): Clash[] {
	const seen = new Set<string>();
	return foods.flatMap((food) =>
		apartFrom(food).flatMap(({ row, from }) => {
			const others = foods.filter((f) => f.id !== food.id && from.foods.includes(f.id) && !seen.has(pairOf(food, f)));
			for (const other of others) seen.add(pairOf(food, other));
			return others.length > 0 ? [{ one: food.name, others: others.map((o) => o.name), words: row.words }] : [];
		})
	);
}
const pairOf = (a: FoodRow, b: FoodRow): string => [a.id, b.id].sort().join(' ');

/** Why a food must lie apart from others, and from which. */
export interface Apart {
	readonly row: CompanionRow;
	readonly from: CompanionRow;
	/** Names of the foods it must not lie beside. */
	readonly names: readonly string[];
}

/** What a food must not be stored beside. @source USDA Handbook 66 (from memory); common practice where the row says so */
export function apartFrom(food: FoodRow): Apart[] {
	const own = companionRows.filter((r) => r.foods.includes(food.id));
	return own.flatMap((row) =>
		row.apart.flatMap((id) => {
			const from = companionRows.find((r) => r.id === id);
			if (!from) throw new Error(`There is no companion row "${id}".`);
			const names = from.foods.filter((f) => f !== food.id && !row.foods.includes(f));
			return [{ row, from, names: names.map((f) => foodById(f)?.name ?? f) }];
		})
	);
}
