import { companionRows, type CompanionRow } from '../../reference/other-ways';
import type { FoodRow } from '../../reference/tables';
import { foodById } from '../things/names';

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
