import { DomainError } from '../errors';

export const movementKinds = [
	'put',
	'take',
	'spoil',
	'give',
	'move',
	'use',
	'count',
	'open',
	'thaw',
	'split',
	'merge'
] as const;
export type MovementKind = (typeof movementKinds)[number];

/** Append-only; a whole number in the lot's unit. */
export interface Movement {
	readonly id: string;
	readonly kind: MovementKind;
	readonly amount: number;
	/** The movement that this one takes back. */
	readonly reverses: string | null;
}

/**
 * What a lot holds: the sum of its movements.
 *
 * @throws {DomainError} NOT_ENOUGH: a movement would take more than there is
 */
export function foldStock(movements: readonly Movement[]): number {
	let amount = 0;
	for (const m of movements) {
		amount += m.amount;
		if (amount < 0) throw new DomainError('NOT_ENOUGH', 'amount', 'More was taken from a lot than it held.');
	}
	return amount;
}

/** The movement that takes another one back. */
export function reverseOf(movement: Movement, id: string): Movement {
	if (movement.reverses !== null)
		throw new DomainError('BAD_EVENT', 'movement', 'An undo is not undone; do the step again.');
	return { id, kind: movement.kind, amount: -movement.amount, reverses: movement.id };
}
