import { meatPackById, meatRules, partById, type PartId } from '../../reference/breakdown';
import { mustBePositive } from '../errors';
import type { Container } from '../packing/packs';

export interface MeatPacks {
	readonly part: PartId;
	readonly grams: number;
	readonly packs: number;
	/** Of one pack, g; the packs of a part are alike. */
	readonly pack_g: number;
	readonly style: string;
	/** Room in the freezer, stacked, L: least and most. */
	readonly litres: readonly [number, number];
	/** A bag of the drawer for it; null where none is large enough. */
	readonly bag: { readonly id: string; readonly name: string } | null;
	/** Off the roll for one pack, m: width and length. */
	readonly roll_m: readonly [number, number];
	/** Bags that are missing for it, when all that is packed before it has taken its own. */
	readonly short: number;
}

export interface PackingAsk {
	readonly parts: readonly { readonly id: PartId; readonly grams: number }[];
	readonly people: number;
	readonly containers: readonly Container[];
}

export interface MeatPacking {
	readonly packs: readonly MeatPacks[];
	readonly count: number;
	readonly short: number;
	/** Bags by container: wanted and there. */
	readonly bags: readonly {
		readonly id: string;
		readonly name: string;
		readonly want: number;
		readonly have: number;
	}[];
	/** Off the roll if all of it is sealed, m, by the width that it takes. */
	readonly roll_m: readonly { readonly width_m: number; readonly length_m: number; readonly pieces: number }[];
	/** In the freezer, L: 35 to 40 lb to the cubic foot of cut and wrapped meat; by their own rows what is odd in its shape. */
	readonly litres: readonly [number, number];
}

/** Odd shapes are stowed worse than the published figure of cut and wrapped meat. */
const odd = new Set(['ribs', 'bones', 'whole', 'pieces', 'shanks']);
/** A bag is filled to nine tenths. */
const fill = 0.9;

/**
 * The size of a pack: a meal for the household, within half of the least and twice the most that is usual, to 50 g; of what is no
 * portion the usual one.
 */
export function packOf(part: PartId, people: number): number {
	const row = meatPackById(partById(part).pack);
	const [low, high] = row.pack_kg;
	const middle = ((low + high) / 2) * 1000;
	if (!row.portion_g) return Math.round(middle / 50) * 50;
	const meal = people * ((row.portion_g[0] + row.portion_g[1]) / 2);
	return Math.round(Math.min(high * 2000, Math.max(low * 500, meal)) / 50) * 50;
}

/**
 * Parts into packs, bags, rolls and litres: what is short is known before the first cut.
 *
 * @throws {DomainError} NOT_POSITIVE
 * @source rows of breakdown.json (common practice); 35 to 40 lb to the cubic foot (extension bulletins, from memory)
 */
export function packMeat({ parts, people, containers }: PackingAsk): MeatPacking {
	mustBePositive(people, 'people');
	const bags = containers.filter((c) => c.kind === 'bag').sort((a, b) => a.volume_mL - b.volume_mL);
	const left = new Map(bags.map((b) => [b.id, Math.max(0, b.count)]));
	const wanted = new Map<string, number>();
	const todo = parts.filter((p) => partById(p.id).of !== 'none' && p.grams > 0);
	// The largest packs choose first: a small pack goes into a large bag, never the other way round.
	const sized = todo.map((p) => ({ ...p, pack_g: packOf(p.id, people) })).sort((a, b) => b.pack_g - a.pack_g);
	const made = new Map<PartId, MeatPacks>();
	for (const { id, grams, pack_g } of sized) {
		const row = meatPackById(partById(id).pack);
		const count = Math.max(1, Math.round(grams / pack_g));
		const each = grams / count;
		const need_mL = ((each / 1000) * row.L_kg[0] * 1000) / fill;
		const fitting = bags.filter((b) => b.volume_mL >= need_mL);
		let open = count;
		for (const bag of fitting) {
			const take = Math.min(open, left.get(bag.id) ?? 0);
			left.set(bag.id, (left.get(bag.id) ?? 0) - take);
			wanted.set(bag.id, (wanted.get(bag.id) ?? 0) + take);
			open -= take;
		}
		const [first] = fitting;
		if (first && open > 0) wanted.set(first.id, (wanted.get(first.id) ?? 0) + open);
		// A bag off the roll grows with what it holds, by the cube root of it.
		const usual_g = ((row.pack_kg[0] + row.pack_kg[1]) / 2) * 1000;
		const grows = Math.cbrt(each / usual_g);
		const [width, length] = row.vacuum_cm;
		made.set(id, {
			part: id,
			grams,
			packs: count,
			pack_g: Math.round(each),
			style: row.style,
			litres: roomOf(row.id, grams, row.L_kg),
			bag: first ? { id: first.id, name: first.name } : null,
			roll_m: [width / 100, Math.round((length / 100) * grows * 100) / 100],
			short: open
		});
	}
	const packs = todo.flatMap((p) => made.get(p.id) ?? []);
	const widths = [...new Set(packs.map((p) => p.roll_m[0]))].sort((a, b) => a - b);
	return {
		packs,
		count: packs.reduce((sum, p) => sum + p.packs, 0),
		short: packs.reduce((sum, p) => sum + p.short, 0),
		bags: bags.map((b) => ({ id: b.id, name: b.name, want: wanted.get(b.id) ?? 0, have: Math.max(0, b.count) })),
		roll_m: widths.map((width_m) => {
			const of = packs.filter((p) => p.roll_m[0] === width_m);
			return { width_m, length_m: of.reduce((sum, p) => sum + p.packs * p.roll_m[1], 0), pieces: of.reduce((sum, p) => sum + p.packs, 0) }; // prettier-ignore
		}),
		litres: [packs.reduce((sum, p) => sum + p.litres[0], 0), packs.reduce((sum, p) => sum + p.litres[1], 0)]
	};
}

function roomOf(pack: string, grams: number, L_kg: readonly [number, number]): readonly [number, number] {
	const kg = grams / 1000;
	return odd.has(pack)
		? [kg * L_kg[0], kg * L_kg[1]]
		: [kg * meatRules.roomLeast_L_kg.value, kg * meatRules.roomMost_L_kg.value];
}

/** A meal of meat for so many, g, to 50 g (common practice: 150 g a person, raw). */
export const mealOf = (people: number): number =>
	Math.max(150, Math.round((people * meatRules.appetite_kg_day.value * 1000) / 50) * 50);

/** A bag off the roll for a piece, m: its length and its height, and three inches for the mouth (common practice). */
export const bagLength_m = (length_m: number, height_m: number): number =>
	length_m + height_m + meatRules.mouth_m.value;
