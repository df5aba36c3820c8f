import { eq, sql } from 'drizzle-orm';
import { preparedOnce, type Database } from '../db/client';
import { lastChange } from '../db/schema';

/**
 * Reads that hold until something of the household changes: most pages ask what no hand has touched since the page before.
 *
 * What is kept is what the database said; what was made of it by a clock has the hour or the minute of that clock in its name.
 */
export type Keep = <T>(name: string, read: () => Promise<T>) => Promise<T>;

/** A household with what was read of it since its last change. */
interface Kept {
	readonly at: string;
	readonly reads: Map<string, Promise<unknown>>;
}
/** Of a pool of connections, since a test has several. */
const pools = new WeakMap<Database, Map<string, Kept>>();
const mostHouseholds = 8;
/** Searches and single foods have names of their own. */
const mostReads = 120;

const changeOf = preparedOnce((db) =>
	db
		.select({ at: sql<string>`${lastChange.transaction}::text` })
		.from(lastChange)
		.where(eq(lastChange.householdId, sql.placeholder('household')))
		.prepare('last_change')
);

/** The last change of a household, as of now. */
export async function lastChangeOf(db: Database, household: string): Promise<string> {
	const [row] = await changeOf(db).execute({ household });
	return row?.at ?? '';
}

/**
 * @param at its last change, where it was read before everything else and this request changes nothing; else it is asked each
 *   time. Read first, what is kept under it is never older than it.
 */
export function keeper(db: Database, household: string, at?: string): Keep {
	return async <T>(name: string, read: () => Promise<T>): Promise<T> => {
		const reads = readsSince(db, household, at ?? (await lastChangeOf(db, household)));
		const known = reads.get(name);
		// A name has one read, and so one type.
		if (known !== undefined) return known as Promise<T>;
		if (reads.size >= mostReads) reads.clear();
		const fresh = read().then(frozen);
		reads.set(name, fresh);
		fresh.catch(() => reads.delete(name));
		return fresh;
	};
}

/** What a read without a keeper is: asked each time. Within a transaction nothing may be kept. */
export const unkept: Keep = (_name, read) => read();

/** What many pages read is changed by none of them. */
const frozen = <T>(value: T): T => (Array.isArray(value) ? Object.freeze(value) : value);

function readsSince(db: Database, household: string, at: string): Map<string, Promise<unknown>> {
	const pool = pools.get(db) ?? new Map<string, Kept>();
	pools.set(db, pool);
	const before = pool.get(household);
	const kept = before?.at === at ? before : { at, reads: new Map<string, Promise<unknown>>() };
	// The one that was asked for last goes last.
	pool.delete(household);
	pool.set(household, kept);
	const [oldest] = pool.keys();
	if (pool.size > mostHouseholds && oldest !== undefined) pool.delete(oldest);
	return kept.reads;
}
