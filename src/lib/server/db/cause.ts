/** What PostgreSQL or the connection says of a failure, wherever it is wrapped. */
export function causeOf(thrown: unknown): { code: string; constraint?: string } | undefined {
	for (let error = thrown, depth = 0; error instanceof Error && depth < 5; error = error.cause, depth++) {
		const { code, constraint } = error as Error & { code?: unknown; constraint?: string };
		if (typeof code === 'string') return { code, ...(constraint ? { constraint } : {}) };
	}
	return undefined;
}

/** Whether the database was lost, not the question wrong. */
export const isLost = (thrown: unknown): boolean => {
	const code = causeOf(thrown)?.code ?? '';
	// Connection refused, reset or shut down; the server starting, stopping or out of connections.
	if (/^(ECONN|EPIPE|ETIMEDOUT|ENOTFOUND|08|57P0|53300)/.test(code)) return true;
	for (let error = thrown, depth = 0; error instanceof Error && depth < 5; error = error.cause, depth++)
		if (/Connection terminated|timeout exceeded when trying to connect|not queryable/i.test(error.message)) return true;
	return false;
};
