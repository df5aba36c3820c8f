import { chmodSync, mkdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pgBin } from './postgres.mjs';
import { capture } from './run.mjs';
import { Plain, root, say } from './say.mjs';

/** Migrations that are not in the database yet, by name; none for a new one, which has nothing to lose. @param {string} url */
async function pending(url) {
	const { default: postgres } = await import('postgres');
	const sql = postgres(url, { max: 1, onnotice: () => {}, connect_timeout: 10 });
	try {
		const [table] = await sql`select to_regclass('drizzle.__drizzle_migrations') as name`;
		if (!table?.name) return [];
		const [row] = await sql`select max(created_at)::bigint as last from drizzle.__drizzle_migrations`;
		const last = Number(row?.last ?? 0);
		/** @type {{ entries: { tag: string, when: number }[] }} */
		const journal = JSON.parse(readFileSync(join(root, 'drizzle', 'meta', '_journal.json'), 'utf8'));
		return last === 0 ? [] : journal.entries.filter((e) => e.when > last).map((e) => e.tag);
	} finally {
		await sql.end();
	}
}

/**
 * Before the tables are changed, the whole database is written beside it as plain SQL: `psql` brings it back as it was.
 *
 * @param {string} url @param {string} folder
 * @returns {Promise<string | undefined>} the file; undefined where nothing is to be changed
 * @throws {Plain} it could not be written: nothing has been changed then
 */
export async function dumpBeforeMigration(url, folder) {
	const tags = await pending(url);
	const [first] = tags;
	if (first === undefined) return undefined;
	mkdirSync(folder, { recursive: true });
	const file = join(folder, `before-${first}-${new Date().toISOString().replace(/[:.]/g, '-')}.sql`);
	const { code, out } = await capture(join(pgBin(), 'pg_dump'), ['--clean', '--if-exists', '--file', file, url]);
	if (code !== 0 || statSync(file).size < 1000)
		throw new Plain(
			`The database could not be written to ${file} before its tables change, so nothing was changed.\n${out}`
		);
	chmodSync(file, 0o600);
	say(`The tables change (${tags.join(', ')}). The database as it was is in ${file}`);
	return file;
}
