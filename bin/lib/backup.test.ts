import {
	copyFileSync,
	existsSync,
	mkdtempSync,
	readFileSync,
	readdirSync,
	rmSync,
	utimesSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringUpToDate, connect } from '../../src/lib/server/db/client';
import { loadDemo } from '../../src/demo/load';
import { backupBeforeMigration, backupDaily, prune, readBackup, restoreInto, writeBackup } from './backup.mjs';

const base = process.env.TEST_DATABASE_URL ?? '';
const urlOf = (name: string) => base.replace(/\/[^/]+$/, `/${name}`);
const admin = postgres(base, { max: 1, onnotice: () => {} });
const folder = mkdtempSync(join(tmpdir(), 'root-jar-backup-'));
const name = `backup_${process.pid}`;
const names = [name, `${name}_back`, `${name}_bad`];

beforeAll(async () => {
	for (const db of names) await admin.unsafe(`create database ${db}`);
	const { db, close } = connect(urlOf(name), 2);
	await bringUpToDate(db);
	await loadDemo(db, new Date('2026-08-25T08:00:00Z'));
	await close();
});
afterAll(async () => {
	for (const db of names) await admin.unsafe(`drop database if exists ${db} with (force)`);
	await admin.end();
	rmSync(folder, { recursive: true, force: true });
});

/** Every table of a database with its rows, as one fingerprint each. */
async function rows(url: string): Promise<Record<string, unknown>> {
	const sql = postgres(url, { max: 1, onnotice: () => {} });
	const tables =
		await sql`select table_schema as s, table_name as t from information_schema.tables where table_schema in ('public', 'drizzle') order by 1, 2`;
	const all: Record<string, unknown> = {};
	for (const { s, t } of tables)
		[all[`${s}.${t}`]] = await sql.unsafe(
			`select count(*)::int as n, md5(string_agg(t::text, '|' order by t::text)) as sum from "${s}"."${t}" t`
		);
	await sql.end();
	return all;
}

describe('a backup', () => {
	it('is one file that says what it is, and comes back row for row', async () => {
		const file = await writeBackup(urlOf(name), folder);
		const head = JSON.parse(readFileSync(file, 'latin1').split('\n')[0] ?? '') as Record<string, unknown>;
		expect(head).toMatchObject({ what: 'root-jar-backup', version: expect.any(String) as string });
		expect(readdirSync(folder)).toHaveLength(1);
		await restoreInto(file, urlOf(`${name}_back`));
		const here = await rows(urlOf(name));
		expect(Object.keys(here).length).toBeGreaterThan(15);
		expect(await rows(urlOf(`${name}_back`))).toEqual(here);
	});
	it('is not laid over what is there', async () => {
		const file = await writeBackup(urlOf(name), folder, { now: new Date('2026-08-26T08:00:00Z') });
		await expect(restoreInto(file, urlOf(`${name}_back`))).rejects.toThrow(/not empty. Nothing was changed/);
	});
	it('is refused when a byte of it is wrong, wherever, when it is cut off, newer or no backup at all', async () => {
		const file = await writeBackup(urlOf(name), folder, { now: new Date('2026-08-27T08:00:00Z') });
		const bytes = readFileSync(file);
		const bad = join(folder, 'bad.backup');
		const begin = bytes.indexOf(10) + 1;
		for (const at of [begin, begin + 7, Math.floor(bytes.length / 2), bytes.length - 1]) {
			const wrong = Buffer.from(bytes);
			wrong[at] = (wrong[at] ?? 0) ^ 1;
			writeFileSync(bad, wrong);
			await expect(restoreInto(bad, urlOf(`${name}_bad`)), `byte ${at}`).rejects.toThrow(/is damaged/);
		}
		writeFileSync(bad, bytes.subarray(0, bytes.length - 5));
		await expect(readBackup(bad)).rejects.toThrow(/is damaged/);
		writeFileSync(bad, 'select 1;\n');
		await expect(readBackup(bad)).rejects.toThrow(/no backup of Root Jar/);
		const newer = bytes.toString('latin1').replace(/"migratedUpTo":\d+/, '"migratedUpTo":9999999999999');
		writeFileSync(bad, newer, 'latin1');
		await expect(readBackup(bad)).rejects.toThrow(/newer Root Jar/);
		await expect(readBackup(join(folder, 'nowhere'))).rejects.toThrow(/no file/);
		expect(await rows(urlOf(`${name}_bad`))).toEqual({});
	});
	it('is made before the tables change, and only then', async () => {
		expect(await backupBeforeMigration(urlOf(`${name}_bad`), { folder })).toBeUndefined();
		expect(await backupBeforeMigration(urlOf(name), { folder })).toBeUndefined();
		const sql = postgres(urlOf(name), { max: 1, onnotice: () => {} });
		// As if the newest migration had not been made yet.
		await sql`delete from drizzle.__drizzle_migrations where created_at = (select max(created_at) from drizzle.__drizzle_migrations)`;
		await sql.end();
		const file = await backupBeforeMigration(urlOf(name), { folder });
		expect(existsSync(file ?? '')).toBe(true);
	});
	it('is made once a day, and the last seven stay', async () => {
		const own = mkdtempSync(join(folder, 'daily-'));
		const daily = () =>
			readdirSync(own)
				.filter((f) => /^root-jar-daily-.*\.backup$/.test(f))
				.sort();
		const twice = async (before: readonly string[]) => {
			const stop = backupDaily(urlOf(name), { folder: own, every_ms: 20 });
			await expect.poll(daily, { timeout: 20_000 }).not.toEqual(before);
			await new Promise((r) => setTimeout(r, 300));
			stop();
		};
		await twice([]);
		expect(daily()).toHaveLength(1);
		for (let day = 1; day <= 9; day++)
			copyFileSync(join(own, daily()[0] ?? ''), join(own, `root-jar-daily-2026-07-0${day}.backup`));
		prune(own, 'daily');
		expect(daily()).toHaveLength(7);
		for (const f of daily()) utimesSync(join(own, f), new Date(), new Date(Date.now() - 90_000_000));
		const before = daily();
		await twice(before);
		expect(daily()).toHaveLength(7);
		expect(daily()).not.toEqual(before);
	});
});
