import { startPostgres } from '../bin/lib/postgres.mjs';

/** A real PostgreSQL for the store tests: the one of `npm test`, or a throw-away one for `npx vitest`. */
export default async function setup(): Promise<() => Promise<void>> {
	if (process.env.TEST_DATABASE_URL) return async () => {};
	const database = await startPostgres({ name: 'pg-unit', throwaway: true });
	process.env.TEST_DATABASE_URL = database.url;
	return database.stop;
}
