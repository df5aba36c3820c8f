import { packedLots, type Closing } from './book';
import type { ByProductLine, PackedLine } from './fold';

export interface ClosingSums {
	readonly startedAt: number;
	readonly endedAt: number;
	/** Used up of what came in, g. */
	readonly raw_g: number;
	/** Known to have gone through, g. */
	readonly load_g: number;
	/** Stirred in on the way, g. */
	readonly added_g?: number;
	readonly packed: readonly PackedLine[];
	readonly byproducts: readonly ByProductLine[];
	/** Hands by the plan, s; the run's own time is the most. */
	readonly hands_s: number;
	/** What the yield is of, where it is not what was packed; null: it has none. */
	readonly made_g?: number | null;
}

/** What closes one thing: what is in none of its packs, by-products and additions is lost, so that its mass closes. */
export function closingOf(sums: ClosingSums): Closing {
	const { raw_g, load_g, added_g = 0, packed, byproducts } = sums;
	const packed_g = packed.reduce((sum, p) => sum + p.packs * p.pack_g, 0);
	const byproduct_g = byproducts.reduce((sum, b) => sum + b.grams, 0);
	const made_g = sums.made_g === undefined ? packed_g - added_g : sums.made_g;
	const elapsed_s = (sums.endedAt - sums.startedAt) / 1000;
	const made = sums.made_g === undefined ? packed_g > 0 : made_g !== null && made_g > 0;
	return {
		raw_g,
		load_g,
		packed_g,
		packs: packed.reduce((n, p) => n + p.packs, 0),
		supper_g: 0,
		...(byproduct_g > 0 ? { byproduct_g } : {}),
		...(added_g > 0 ? { added_g } : {}),
		lost_g: raw_g + added_g - packed_g - byproduct_g,
		yield: made && raw_g > 0 ? Math.max(0, made_g ?? 0) / raw_g : null,
		elapsed_s: Math.round(elapsed_s),
		hands_s: Math.round(Math.min(raw_g > 0 ? sums.hands_s : 0, elapsed_s)),
		lots: packedLots(packed),
		potfuls: []
	};
}
