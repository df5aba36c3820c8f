import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import pg from 'pg';
import { causeOf, isLost } from './cause';
import { readFast } from './rows';

export { causeOf } from './cause';

export type Database = ReturnType<typeof connect>['db'];
/** A transaction or the database itself. */
export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0];

/** Connections to the database; one that is lost is replaced, and whoever waited on it is told. */
export function connect(url: string, connections = 10) {
	const pool = new pg.Pool({
		connectionString: url,
		max: connections,
		idleTimeoutMillis: 60_000,
		connectionTimeoutMillis: 10_000
	});
	// A connection that breaks tells its query; what it says besides must not end the process.
	const lost = (error: Error) => console.error(`A connection to the database was lost: ${error.message}`);
	pool.on('error', lost);
	pool.on('connect', (client) => client.on('error', () => {}));
	const db = drizzle(pool);
	return { db, pool, close: () => pool.end() };
}

/**
 * A transaction that is begun again when it stood in another's way (deadlock, serialization): nothing of it was written.
 * A lost connection is not tried again here: whether the commit arrived is not known, and the key of the request finds out.
 */
export async function transact<T>(db: Database, work: (tx: Tx) => Promise<T>, tries = 5): Promise<T> {
	for (let n = 1; ; n++) {
		// Checked out by hand: a connection that is lost before its first word is given back too, or the pool runs dry.
		const client = await db.$client.connect();
		let broken = false;
		try {
			return await drizzle(client).transaction((tx) => work(tx));
		} catch (thrown) {
			broken = isLost(thrown);
			const code = causeOf(thrown)?.code;
			if (n >= tries || (code !== '40P01' && code !== '40001')) throw thrown;
		} finally {
			client.release(broken);
		}
		await wait(Math.random() * 20 * n);
	}
}

/** A query that is asked at every request: its words are made once a pool of connections. */
export function preparedOnce<P>(make: (db: Database) => P): (db: Database) => P {
	const made = new WeakMap<Database, P>();
	return (db) => {
		const known = made.get(db);
		if (known !== undefined) return known;
		const fresh = readFast(make(db));
		made.set(db, fresh);
		return fresh;
	};
}

/** The migrations, wherever the built code lies: the first folder upwards that has them. */
function migrationsFolder(): string {
	let folder = dirname(fileURLToPath(import.meta.url));
	for (;;) {
		const candidate = join(folder, 'drizzle');
		if (existsSync(join(candidate, 'meta', '_journal.json'))) return candidate;
		const up = dirname(folder);
		if (up === folder) throw new Error('The migrations (folder "drizzle") are missing.');
		folder = up;
	}
}

/** Under this number a process holds the tables while it changes them. */
const migrationLock = 7_421_901;

/** Brings the tables up to date. Several processes may start at once: one does it, the others wait and find it done. */
export async function bringUpToDate(db: Database): Promise<void> {
	const client = await db.$client.connect();
	let broken = true;
	try {
		await client.query('select pg_advisory_lock($1)', [migrationLock]);
		await migrate(drizzle(client), { migrationsFolder: migrationsFolder() });
		await client.query('select pg_advisory_unlock($1)', [migrationLock]);
		broken = false;
	} finally {
		// A connection that is closed lets go of its lock.
		client.release(broken);
	}
}
