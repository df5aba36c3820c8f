import { DomainError } from '$core/errors';
import { causeOf, isLost } from './db/cause';

export interface Fault {
	readonly field: string;
	readonly message: string;
}

/** The one shape of an error towards the outside. */
export interface ErrorBody {
	readonly error: {
		readonly code: string;
		readonly message: string;
		readonly faults: readonly Fault[];
		/** Names that were probably meant. */
		readonly near?: readonly string[];
	};
}

/** An error whose words are meant for the person: what is wrong, what was kept, what to do. */
export class AppError extends Error {
	constructor(
		readonly status: 400 | 401 | 403 | 404 | 405 | 406 | 409 | 413 | 421 | 422 | 429 | 503,
		readonly code: string,
		message: string,
		readonly faults: readonly Fault[] = [],
		readonly near?: readonly string[]
	) {
		super(message);
		this.name = 'AppError';
	}
	get body(): ErrorBody {
		return {
			error: { code: this.code, message: this.message, faults: this.faults, ...(this.near ? { near: this.near } : {}) }
		};
	}
}

/** A misuse of the core by what was sent is the sender's to mend; anything else stays what it is. */
export function asAppError(error: unknown): AppError | undefined {
	if (error instanceof AppError) return error;
	if (error instanceof DomainError) {
		return new AppError(422, error.code, error.message, [{ field: error.field, message: error.message }]);
	}
	if (isLost(error))
		return new AppError(
			503,
			'NO_DATABASE',
			'The database cannot be reached just now. Nothing was half saved; try again in a moment.'
		);
	// A value that no column can hold: characters, dates and numbers out of all bounds.
	if (/^22/.test(causeOf(error)?.code ?? ''))
		return new AppError(
			400,
			'BAD_INPUT',
			'Something in this cannot be kept: a character, a date or a number out of all bounds. Nothing was saved.'
		);
	return undefined;
}

export const notFound = (what: string) =>
	new AppError(
		404,
		'NOT_FOUND',
		`There is no such ${what} in this household. It may have been cleared; nothing was changed.`
	);
