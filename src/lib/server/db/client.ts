import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { drizzle } from 'drizzle-orm/postgres-js';
import { migrate } from 'drizzle-orm/postgres-js/migrator';
import postgres from 'postgres';
import * as schema from './schema';

export type Database = ReturnType<typeof connect>['db'];
/** A transaction or the database itself. */
export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0];

export function connect(url: string, connections = 10) {
	const client = postgres(url, { max: connections, onnotice: () => {}, idle_timeout: 60, connect_timeout: 10 });
	const db = drizzle(client, { schema });
	return { db, client, close: () => client.end({ timeout: 3 }) };
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

export async function bringUpToDate(db: Database): Promise<void> {
	await migrate(db, { migrationsFolder: migrationsFolder() });
}
