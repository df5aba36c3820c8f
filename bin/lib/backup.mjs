/**
 * Backups: one file of a line of JSON that says what it is, and a dump by pg_dump in its own compressed format.
 * Without Root Jar: `tail -n +2 FILE | pg_restore --dbname …`.
 */
import { createHash } from 'node:crypto';
import {
	createReadStream,
	createWriteStream,
	existsSync,
	mkdirSync,
	readFileSync,
	readdirSync,
	renameSync,
	rmSync,
	statSync
} from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { capture } from './run.mjs';
import { meant, pgBin } from './postgres.mjs';
import { Plain, root, say } from './say.mjs';

const what = 'root-jar-backup';
/** Kept of each kind. */
const keep = 7;

/** Where backups go: outside of the clone, where no `git clean` reaches. */
export function backupFolder() {
	if (process.env.ROOT_JAR_BACKUPS) return meant(process.env.ROOT_JAR_BACKUPS);
	const hash = createHash('sha256').update(root).digest('hex').slice(0, 8);
	return join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'root-jar', `backups-${hash}`);
}

/**
 * How PostgreSQL's tools are told where to go: the password in their environment, not on a command line that all can read.
 * @param {string} url
 */
function connectionOf(url) {
	const { password } = new URL(url);
	const open = new URL(url);
	open.password = '';
	return { url: open.href, env: { ...process.env, ...(password ? { PGPASSWORD: decodeURIComponent(password) } : {}) } };
}

/** @param {string} path */
async function sha256(path, start = 0) {
	const hash = createHash('sha256');
	for await (const part of createReadStream(path, { start })) hash.update(/** @type {Buffer} */ (part));
	return hash.digest('hex');
}

/** Names of the migrations that this copy knows. @returns {{ tag: string, when: number }[]} */
export const knownMigrations = () =>
	/** @type {{ entries: { tag: string, when: number }[] }} */ (
		JSON.parse(readFileSync(join(root, 'drizzle', 'meta', '_journal.json'), 'utf8'))
	).entries;

/** @param {string} url @param {(client: import('pg').Client) => Promise<any>} work */
export async function withClient(url, work) {
	const { default: pg } = await import('pg');
	const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 10_000 });
	client.on('error', () => {});
	await client.connect();
	try {
		return await work(client);
	} finally {
		await client.end();
	}
}

/** When the newest migration of a database was made; 0 for one without any. @param {string} url @returns {Promise<number>} */
export const migratedUpTo = (url) =>
	withClient(url, async (client) => {
		const { rows } = await client.query(`select to_regclass('drizzle.__drizzle_migrations') as name`);
		if (!rows[0]?.name) return 0;
		const last = await client.query('select max(created_at)::bigint as last from drizzle.__drizzle_migrations');
		return Number(last.rows[0]?.last ?? 0);
	});

/**
 * Writes a database into one file, while it is used.
 * @param {string} url @param {string} folder @param {{ kind?: string, bin?: string, now?: Date }} [options]
 * @returns {Promise<string>} the file
 * @throws {Plain} it could not be written: there is no file then
 */
export async function writeBackup(url, folder, { kind = 'by-hand', bin = pgBin(), now = new Date() } = {}) {
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	const stamp = now.toISOString().replace(/[:.]/g, '-');
	const file = join(folder, `root-jar-${kind}-${stamp}.backup`);
	const dump = `${file}.dump-${process.pid}`;
	const part = `${file}.part-${process.pid}`;
	try {
		const to = connectionOf(url);
		const { code, out } = await capture(
			join(bin, 'pg_dump'),
			['--format=custom', '--no-owner', '--file', dump, to.url],
			{
				env: to.env
			}
		);
		if (code !== 0 || !existsSync(dump)) throw new Plain(`The database could not be written to ${file}.\n${out}`);
		const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
		const head = {
			what,
			version,
			createdAt: now.toISOString(),
			migratedUpTo: await migratedUpTo(url),
			bytes: statSync(dump).size,
			sha256: await sha256(dump)
		};
		const into = createWriteStream(part, { mode: 0o600, flush: true });
		into.write(`${JSON.stringify(head)}\n`);
		await pipeline(createReadStream(dump), into);
		renameSync(part, file);
		return file;
	} finally {
		rmSync(dump, { force: true });
		rmSync(part, { force: true });
	}
}

/** The last few of a kind stay. @param {string} folder @param {string} kind */
export function prune(folder, kind) {
	const files = readdirSync(folder)
		.filter((f) => f.startsWith(`root-jar-${kind}-`) && f.endsWith('.backup'))
		.sort();
	for (const old of files.slice(0, Math.max(0, files.length - keep))) rmSync(join(folder, old));
}

/**
 * Reads a backup and checks every byte of it.
 * @param {string} file
 * @returns {Promise<{ head: { version: string, createdAt: string, migratedUpTo: number }, offset: number }>} offset: where the dump begins
 * @throws {Plain} it is no backup, damaged, or of a newer Root Jar
 */
export async function readBackup(file) {
	if (!existsSync(file)) throw new Plain(`There is no file ${file}. Nothing was changed.`);
	/** @type {Buffer[]} */
	const parts = [];
	for await (const part of createReadStream(file, { end: 4095 })) parts.push(/** @type {Buffer} */ (part));
	const begin = Buffer.concat(parts);
	const line = begin.indexOf('\n');
	/** @type {any} */
	let head;
	try {
		head = JSON.parse(begin.subarray(0, line).toString('utf8'));
	} catch {
		head = undefined;
	}
	if (line < 0 || head?.what !== what) throw new Plain(`${file} is no backup of Root Jar. Nothing was changed.`);
	const offset = line + 1;
	const bytes = statSync(file).size - offset;
	if (bytes !== head.bytes || (await sha256(file, offset)) !== head.sha256)
		throw new Plain(
			`${file} is damaged: it is not what was written on ${head.createdAt}. Nothing was changed; take another one from ${backupFolder()}.`
		);
	const newest = knownMigrations().at(-1)?.when ?? 0;
	if (head.migratedUpTo > newest)
		throw new Plain(
			`${file} was written by a newer Root Jar (${head.version}). Bring this copy up to date first; nothing was changed.`
		);
	return { head, offset };
}

/**
 * Brings a backup into an empty database.
 * @param {string} file @param {string} url @param {{ bin?: string }} [options]
 * @throws {Plain} see readBackup; or the database is not empty, or refused it
 */
export async function restoreInto(file, url, { bin = pgBin() } = {}) {
	const { head, offset } = await readBackup(file);
	const tables = await withClient(url, async (client) => {
		const { rows } = await client.query(
			`select count(*)::int as n from information_schema.tables where table_schema in ('public', 'drizzle')`
		);
		return rows[0]?.n ?? 0;
	});
	if (tables > 0) throw new Plain('The database to restore into is not empty. Nothing was changed.');
	const dump = join(backupTemp(), `restore-${process.pid}.dump`);
	try {
		await pipeline(createReadStream(file, { start: offset }), createWriteStream(dump, { mode: 0o600 }));
		const to = connectionOf(url);
		const args = ['--exit-on-error', '--single-transaction', '--no-owner', '--dbname', to.url, dump];
		const { code, out } = await capture(join(bin, 'pg_restore'), args, { env: to.env });
		if (code !== 0) throw new Plain(`The backup could not be brought back:\n${out}`);
	} finally {
		rmSync(dump, { force: true });
	}
	return head;
}

function backupTemp() {
	const folder = backupFolder();
	mkdirSync(folder, { recursive: true, mode: 0o700 });
	return folder;
}

/**
 * Before the tables are changed, the whole database is written down.
 * @param {string} url @param {{ bin?: string, folder?: string }} [options]
 * @returns {Promise<string | undefined>} the file; undefined where nothing is to be changed
 * @throws {Plain} it could not be written: nothing has been changed then
 */
export async function backupBeforeMigration(url, { bin = pgBin(), folder = backupFolder() } = {}) {
	const last = await migratedUpTo(url);
	const tags =
		last === 0
			? []
			: knownMigrations()
					.filter((e) => e.when > last)
					.map((e) => e.tag);
	if (tags.length === 0) return undefined;
	const file = await writeBackup(url, folder, { kind: 'before-change', bin });
	prune(folder, 'before-change');
	say(`The tables change (${tags.join(', ')}). The database as it was is in ${file}`);
	return file;
}

/**
 * A backup a day while the application runs; a failure is said and tried again, it stops nothing.
 * @param {string} url @param {{ bin?: string, folder?: string, every_ms?: number }} [options] @returns {() => void} ends it
 */
export function backupDaily(url, { bin = pgBin(), folder = backupFolder(), every_ms = 3_600_000 } = {}) {
	let busy = false;
	const look = async () => {
		if (busy) return;
		busy = true;
		try {
			mkdirSync(folder, { recursive: true, mode: 0o700 });
			const newest = readdirSync(folder)
				.filter((f) => f.startsWith('root-jar-daily-') && f.endsWith('.backup'))
				.sort()
				.at(-1);
			const age = newest === undefined ? Infinity : Date.now() - statSync(join(folder, newest)).mtimeMs;
			if (age < 86_400_000 && age >= 0) return;
			await writeBackup(url, folder, { kind: 'daily', bin });
			prune(folder, 'daily');
		} catch (error) {
			say(`The daily backup into ${folder} did not work: ${error instanceof Error ? error.message : String(error)}`);
		} finally {
			busy = false;
		}
	};
	const timer = setInterval(() => void look(), every_ms);
	timer.unref();
	void look();
	return () => clearInterval(timer);
}
