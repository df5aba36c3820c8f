import { DomainError } from '../errors';

export type MovementKind = 'put' | 'take' | 'spoil' | 'give' | 'move' | 'use' | 'count';

/** Append-only; whole grams or whole packs. */
export interface Movement {
	readonly id: string;
	readonly kind: MovementKind;
	readonly grams: number;
	readonly packs: number;
	/** The movement that this one takes back. */
	readonly reverses: string | null;
}

export interface Balance {
	readonly grams: number;
	readonly packs: number;
}

/**
 * What a lot holds: the sum of its movements.
 *
 * @throws {DomainError} NOT_ENOUGH: a movement would take more than there is
 */
export function foldStock(movements: readonly Movement[]): Balance {
	let grams = 0;
	let packs = 0;
	for (const m of movements) {
		grams += m.grams;
		packs += m.packs;
		if (grams < 0 || packs < 0) {
			throw new DomainError('NOT_ENOUGH', 'amount', 'More was taken from a lot than it held.');
		}
	}
	return { grams, packs };
}

/** The movement that takes another one back. */
export function reverseOf(movement: Movement, id: string): Movement {
	if (movement.reverses !== null)
		throw new DomainError('BAD_EVENT', 'movement', 'An undo is not undone; do the step again.');
	return { id, kind: movement.kind, grams: -movement.grams, packs: -movement.packs, reverses: movement.id };
}
