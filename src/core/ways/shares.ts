/** A way's part of a lot, g. */
export interface Share {
	readonly way: string;
	readonly grams: number;
}

/**
 * Shares as they hold for what is there now: from left to right, none beyond what is left, empty ones gone.
 *
 * @param whole_g what there is to share, g
 */
export function fitting(whole_g: number, shares: readonly Share[]): Share[] {
	let left = Math.max(0, Math.floor(whole_g));
	return shares.flatMap(({ way, grams }) => {
		const part = Math.min(left, Math.max(0, Math.round(grams)));
		left -= part;
		return part > 0 ? [{ way, grams: part }] : [];
	});
}

/** What nobody has shared out yet, g. */
export const unshared_g = (whole_g: number, shares: readonly Share[]): number =>
	Math.max(0, Math.floor(whole_g) - fitting(whole_g, shares).reduce((sum, s) => sum + s.grams, 0));

/**
 * A way gets a part of it: first of what nobody has yet; a way that has one already keeps it. Where all of it is shared out
 * it gets half of the largest share, so that something moves.
 */
export function withPart(whole_g: number, shares: readonly Share[], way: string): Share[] {
	const held = fitting(whole_g, shares);
	if (held.some((s) => s.way === way)) return held;
	const rest = unshared_g(whole_g, held);
	if (held.length === 0) return [{ way, grams: Math.max(1, Math.round(rest / 2)) }];
	if (rest > 0) return [...held, { way, grams: rest }];
	const largest = held.reduce((a, b) => (b.grams > a.grams ? b : a));
	const half = Math.floor(largest.grams / 2);
	return fitting(whole_g, [
		...held.map((s) => (s === largest ? { ...s, grams: s.grams - half } : s)),
		{ way, grams: half }
	]);
}

/**
 * A mark of the rule moved: the share left of it grows or shrinks by what the next one, or what is left over, gives or gets.
 *
 * @param at which mark, from 0
 * @param to where it stands now, g from the left; never past its neighbours
 */
export function markMoved(whole_g: number, shares: readonly Share[], at: number, to: number): Share[] {
	const held = fitting(whole_g, shares);
	const here = held[at];
	if (!here) return held;
	const from = held.slice(0, at).reduce((sum, s) => sum + s.grams, 0);
	const next = held[at + 1];
	const end = next ? from + here.grams + next.grams : Math.floor(whole_g);
	const mark = Math.min(end, Math.max(from, Math.round(to)));
	return fitting(
		whole_g,
		held.map((s, i) => (i === at ? { ...s, grams: mark - from } : i === at + 1 ? { ...s, grams: end - mark } : s))
	);
}
