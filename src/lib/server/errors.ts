import { DomainError } from '$core/errors';

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
		readonly status: 400 | 404 | 405 | 409 | 413 | 422,
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
	return undefined;
}

export const notFound = (what: string) =>
	new AppError(
		404,
		'NOT_FOUND',
		`There is no such ${what} in this household. It may have been cleared; nothing was changed.`
	);
