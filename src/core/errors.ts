/** Stable codes; a form marks `field`. */
export type ErrorCode =
	| 'NOT_POSITIVE'
	| 'NOT_FINITE'
	| 'OUT_OF_RANGE'
	| 'NO_DRIVING_FORCE'
	| 'NOT_CONVERGED'
	| 'UNKNOWN_FOOD'
	| 'UNKNOWN_CUT'
	| 'UNKNOWN_UNIT'
	| 'NOT_UNDERSTOOD'
	| 'BAD_EVENT'
	| 'NOT_ENOUGH'
	| 'NOT_READY'
	| 'BAD_MIXTURE'
	| 'BAD_TRANSFORM';

/** Misuse of the core: a bug, or input that was not checked. */
export class DomainError extends Error {
	constructor(
		readonly code: ErrorCode,
		readonly field: string,
		message: string
	) {
		super(message);
		this.name = 'DomainError';
	}
}

/** Throws unless finite and above 0. Written so that NaN fails too. */
export function mustBePositive(value: number, field: string): void {
	if (!(value > 0 && value < Infinity)) {
		throw new DomainError('NOT_POSITIVE', field, `${field} must be a number above 0, not ${value}.`);
	}
}

/** Throws unless within the closed range. */
export function mustBeWithin(value: number, low: number, high: number, field: string): void {
	if (!(value >= low && value <= high)) {
		throw new DomainError('OUT_OF_RANGE', field, `${field} must be from ${low} to ${high}, not ${value}.`);
	}
}

/** A legitimate outcome: not advised, with the reason, whose word it is, and a way on. */
export interface Refusal {
	readonly kind: 'refused';
	/** Which rule of the safety tables, where one stands behind it. */
	readonly rule?: string;
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
	/** One answer is missing: with it the way may open. Until then it is as good as refused. */
	readonly asks?: Asks;
}

/** A question with its answers: what to say instead, or what to answer. */
export interface Asks {
	readonly question: string;
	readonly choices: readonly { readonly label: string; readonly text: string }[];
}
