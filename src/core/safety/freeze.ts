import { blanchRows, type BlanchRow, type CutRow, type FoodRow } from '../../reference/tables';
import { sources } from '../../reference/sources';
import { freezingCautions } from './cautions';
import { tooWarmForFreezer } from './dry';
import type { Advice, Query } from './question';
import { refuse } from './refuse';

/** Blanching rows of a cut. @throws {Error} a cut names a row that is not in the table: a bug in the tables */
export const blanchRowsOf = (cut: CutRow): BlanchRow[] =>
	(cut.blanch ?? []).map((id) => {
		const row = blanchRows.find((r) => r.id === id);
		if (!row) throw new Error(`There is no blanching row "${id}".`);
		return row;
	});

/** The cut that is meant: the one named, or the food's usual one for this way. */
export function usualCut(food: FoodRow, way: Query['way']): CutRow | undefined {
	if (way === 'freeze-blanched') return food.cuts.find((c) => c.blanch?.length) ?? food.cuts[0];
	if (way === 'freeze-cooked') return food.cuts.find((c) => c.cookFirst) ?? food.cuts[0];
	return food.cuts[0];
}

/** Whether a food may be frozen raw, blanched or cooked, as one cut; the rows that say how. */
export function adviseFreezing(question: Query): Advice {
	const { food } = question.thing;
	const cut = food.cuts.find((c) => c.id === question.cut) ?? usualCut(food, question.way);
	if (!cut) return refuse('untested-food', { food });
	if (food.marks?.includes('wild-mushroom') && question.way === 'freeze-raw')
		return refuse('wild-mushroom-raw', { food });
	if (tooWarmForFreezer(question)) return refuse('freezer-warm', { food });
	const hot = question.way !== 'freeze-raw';
	const allowed = (blanch: readonly BlanchRow[]): Advice => ({
		kind: 'allowed',
		way: question.way,
		food,
		cut,
		processes: [],
		heat: [],
		blanch,
		cautions: freezingCautions(food, hot)
	});
	if (question.way === 'freeze-raw') {
		if (cut.raw.kind !== 'refused') return allowed([]);
		return {
			kind: 'refused',
			rule: `freeze-raw/${food.id}`,
			reason: cut.raw.reason,
			source: sources[cut.raw.source].title,
			instead: cut.raw.instead
		};
	}
	if (question.way === 'freeze-cooked')
		return cut.cookFirst || food.perishable ? allowed([]) : refuse('freeze-untimed', { food });
	const rows = blanchRowsOf(cut);
	return rows.length > 0 ? allowed(rows) : refuse('freeze-untimed', { food });
}
