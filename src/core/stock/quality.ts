import { mustBeWithin } from '../errors';

/**
 * What is left of the time in which a thing is good, 0 to 1: by its label over the warmth of its freezers, its clock, and what was
 * found at it. A matter of quality; what is unsafe is told elsewhere.
 *
 * @param from when it became what it is, ms
 * @param by when it should be eaten by, ms
 * @throws {DomainError} OUT_OF_RANGE a time that is none
 */
export function qualityLeft(from: number, by: number, now: number): number {
	for (const [name, at] of Object.entries({ from, by, now })) mustBeWithin(at, -8.64e15, 8.64e15, name);
	if (by <= now) return 0;
	return Math.min(1, Math.max(0, (by - now) / Math.max(1, by - from)));
}

export interface Ending {
	readonly by: number;
	/** @see qualityLeft */
	readonly left: number;
}
const soon_ms = 30 * 86_400_000;

/**
 * What is eaten next: what ends within a month, the first of it first; then what has least of its time left, so that last
 * autumn's peas go before this summer's, whose label ends sooner.
 */
export const eatNext =
	(now: number) =>
	(a: Ending, b: Ending): number => {
		const [first, second] = [a.by - now <= soon_ms, b.by - now <= soon_ms];
		if (first || second) return first && second ? a.by - b.by : first ? -1 : 1;
		return a.left - b.left || a.by - b.by;
	};
