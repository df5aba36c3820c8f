import type { FoodMark, FoodRow } from '../../reference/tables';
import { DomainError } from '../errors';
import { foodById, kindById } from './names';
import type { Part, Thing } from './thing';

export interface MixturePart extends Part {
	readonly row: FoodRow;
}

/**
 * The parts of a mixture with their rows.
 *
 * @throws {DomainError} BAD_MIXTURE: none, an unknown food, a share out of range, or shares that do not add up to 1
 */
export function partsOf(parts: readonly Part[]): MixturePart[] {
	const bad = (words: string) => new DomainError('BAD_MIXTURE', 'parts', words);
	if (parts.length === 0) throw bad('A mixture has something in it.');
	const sum = parts.reduce((s, p) => s + p.share, 0);
	if (!(Math.abs(sum - 1) < 1e-6)) throw bad(`The shares add up to ${sum.toFixed(3)}, not to 1.`);
	return parts.map((p) => {
		const row = foodById(p.food);
		if (!row) throw bad(`There is no food "${p.food}".`);
		if (!(p.share > 0 && p.share <= 1)) throw bad(`The share of ${row.name} must be more than nothing.`);
		return { ...p, row };
	});
}

/** How dangerous a part is: the mixture obeys its worst. Low acid before high; perishable before all. */
const danger = (food: FoodRow): number =>
	(food.perishable ? 4 : 0) + { low: 2, borderline: 1, high: 0 }[food.acid.class];

/**
 * What a mixture must be kept by: its most dangerous part. Of two alike the larger.
 *
 * Acid is never averaged: a sour part does not make a low-acid one safe, since nobody has tested this mixture.
 */
export function governing(parts: readonly Part[]): MixturePart {
	const [worst] = partsOf(parts).sort((a, b) => danger(b.row) - danger(a.row) || b.share - a.share);
	if (!worst) throw new DomainError('BAD_MIXTURE', 'parts', 'A mixture has something in it.');
	return worst;
}

/** Every mark of its parts: one wild mushroom makes the whole pot one. */
export const marksOf = (parts: readonly Part[]): FoodMark[] => [
	...new Set(partsOf(parts).flatMap((p) => p.row.marks ?? []))
];

/** Density by parts, kg to the L: the volumes add up, not the densities. */
export function densityOf(parts: readonly { readonly share: number; readonly kg_per_L: number }[]): number {
	const litres = parts.reduce((sum, p) => {
		if (!(p.kg_per_L > 0)) throw new DomainError('NOT_POSITIVE', 'kg_per_L', 'A density is more than nothing.');
		return sum + p.share / p.kg_per_L;
	}, 0);
	return parts.reduce((sum, p) => sum + p.share, 0) / litres;
}

/** What is in it, in words: "40 % carrots, 60 % leeks"; empty for one food. */
export const partWords = (parts: readonly Part[] | null | undefined): string =>
	parts && parts.length > 1
		? partsOf(parts)
				.map((p) => `${Math.round(p.share * 100)} % ${p.row.name}`)
				.join(', ')
		: '';

/** Each part as a thing of its own, in the state and condition of the whole. */
export const thingsIn = (whole: Thing): Thing[] =>
	whole.madeOf === undefined
		? [whole]
		: partsOf(whole.madeOf).map((p) => {
				const kind = kindById(p.food, p.kind);
				const { madeOf: _parts, kind: _kind, ...rest } = whole;
				return { ...rest, food: p.row, form: p.form, called: p.row.name, ...(kind ? { kind } : {}) };
			});
