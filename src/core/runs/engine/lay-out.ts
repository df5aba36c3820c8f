/** More units of work than this are nobody's evening; the rest is laid into larger ones. */
export const mostUnits = 500;

/** Splits an amount into equal parts no larger than the limit. Whole grams; the sum is exact. */
export function equalParts(grams: number, most_g: number): number[] {
	if (grams <= 0) return [];
	const count = Math.max(1, Math.ceil(grams / Math.max(1, most_g) - 1e-9));
	const base = Math.floor(grams / count);
	return Array.from({ length: count }, (_, i) => base + (i < grams - base * count ? 1 : 0));
}
