/** Something that goes wrong in a rehearsal, drawn from a seed or chosen. */
export interface Mishap {
	readonly id: string;
	readonly name: string;
}

/** What somebody did in the scene, beside the taps: turned up the heat, went to the door. */
export interface Reaction {
	/** ms, by the rehearsal's own clock. */
	readonly at: number;
	readonly what: string;
}

/** What a rehearsal plays: which mishaps, when (by its seed), and what was done about them. */
export interface Script {
	readonly seed: number;
	readonly mishaps: readonly string[];
	readonly reactions: readonly Reaction[];
}

/** What is to be seen and heard just now: the truth, which the taps may or may not follow. */
export interface Scene {
	readonly words: string;
	/** It wants an answer. */
	readonly loud: boolean;
	/** What a gauge would show, Pa; null where there is none. */
	readonly gauge_Pa: number | null;
	readonly choices: readonly { readonly what: string; readonly label: string }[];
	/** Nothing more comes: what was right and what was not can be said. */
	readonly over: boolean;
}

/** What would have spoiled the food or hurt somebody, and what was done rightly. */
export interface Review {
	readonly right: readonly string[];
	/** It would have been unsafe. */
	readonly unsafe: readonly string[];
	/** It went wrong, and was mended. */
	readonly mended: readonly string[];
}

/**
 * A kind of run gone through dry: the same plan, fold, acts and screens, on a clock of its own, with what can go wrong. It
 * keeps nothing and books nothing; there is no way from it into a run.
 */
export interface Rehearsal<P, S, E> {
	readonly mishaps: readonly Mishap[];
	scene(plan: P, state: S, script: Script, now: number): Scene;
	/** What an instrument would have said by itself at this moment. */
	reads(plan: P, state: S, script: Script, now: number): readonly E[];
	review(plan: P, state: S, script: Script): Review;
}

/** Between 0 and 1, always the same for a seed and a word: a small hash (FNV-1a, 32 bit, its bits mixed once more). */
export function chanceOf(seed: number, word: string): number {
	let hash = 0x811c9dc5 ^ seed;
	for (const char of word) hash = Math.imul(hash ^ char.charCodeAt(0), 0x01000193);
	hash ^= hash >>> 16;
	hash = Math.imul(hash, 0x85ebca6b);
	hash ^= hash >>> 13;
	return (hash >>> 0) / 2 ** 32;
}
