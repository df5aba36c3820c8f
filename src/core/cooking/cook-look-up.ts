import { figures, isFor, type FigureRow } from '../../reference/other-ways';
import type { HeatStepRow } from '../../reference/safety';
import type { FoodRow } from '../../reference/tables';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import { cookStepOf } from '../safety/cook';
import { stepOf } from '../safety/dry';
import type { Thing } from '../things/thing';

export interface CookAnswer {
	readonly food: FoodRow;
	/** The temperature inside; undefined for plants, of which none is printed. */
	readonly inside: HeatStepRow | undefined;
	/** Cooling of what is left, two stages; reheating. For foods of animal origin and dishes. */
	readonly after: readonly HeatStepRow[];
	/** Losses and other figures of cooking. */
	readonly figures: readonly FigureRow[];
	readonly thaw: readonly FigureRow[];
	/** How each cut is used from its pack. */
	readonly use: readonly { readonly cut: string; readonly words: string }[];
	/** Vegetables from the freezer are always cooked; null where raw is fine. */
	readonly cooked: string | null;
	readonly cautions: readonly Caution[];
}

/**
 * How a food is cooked and used after it was kept.
 * @source USDA FSIS, Safe Minimum Internal Temperature Chart; FDA Food Code; USDA Food Buying Guide (from memory)
 */
export function lookUpCooking(thing: Thing): CookAnswer {
	const { food } = thing;
	const inside = cookStepOf(food);
	const raw = advise({ ...thing, state: 'frozen' }, 'serve-raw');
	const thaw = advise(thing, 'thaw', { thaw: 'fridge' });
	// A dish is reheated in the first place: its step stands once.
	const after = food.perishable ? [stepOf('cool-first'), stepOf('cool-second'), stepOf('reheat')] : [];
	return {
		food,
		inside,
		after: after.filter((step) => step !== inside),
		figures: figures.filter((f) => f.way === 'cook' && isFor(f, food)),
		thaw: figures.filter((f) => f.way === 'thaw' && isFor(f, food)),
		use: food.cuts.map((c) => ({ cut: c.name, words: c.use })),
		cooked: raw.kind === 'refused' ? raw.reason : null,
		cautions: thaw.kind === 'allowed' ? thaw.cautions : []
	};
}
