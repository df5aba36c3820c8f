import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bringUpToDate, connect } from '../../src/lib/server/db/client';
import { loadDemo } from '../../src/demo/load';
import { dumpBeforeMigration } from './dump.mjs';
import { pgBin } from './postgres.mjs';

const base = process.env.TEST_DATABASE_URL ?? '';
const urlOf = (name: string) => base.replace(/\/[^/]+$/, `/${name}`);
const admin = postgres(base, { max: 1, onnotice: () => {} });
const folder = mkdtempSync(join(tmpdir(), 'root-jar-dump-'));
const name = `dump_${process.pid}`;

beforeAll(async () => {
	for (const db of [name, `${name}_back`]) await admin.unsafe(`create database ${db}`);
});
afterAll(async () => {
	for (const db of [name, `${name}_back`]) await admin.unsafe(`drop database if exists ${db} with (force)`);
	await admin.end();
	rmSync(folder, { recursive: true, force: true });
});

describe('before the tables change', () => {
	it('writes nothing for a new database, and nothing for one that is up to date', async () => {
		expect(await dumpBeforeMigration(urlOf(name), folder)).toBeUndefined();
		const { db, close } = connect(urlOf(name), 2);
		await bringUpToDate(db);
		await loadDemo(db, new Date('2026-08-25T08:00:00Z'));
		await close();
		expect(await dumpBeforeMigration(urlOf(name), folder)).toBeUndefined();
	});
	it('writes the whole database beside it, from which it comes back row for row', async () => {
		const sql = postgres(urlOf(name), { max: 1, onnotice: () => {} });
		// As if the newest migration had not been made yet.
		await sql`delete from drizzle.__drizzle_migrations where created_at = (select max(created_at) from drizzle.__drizzle_migrations)`;
		const file = await dumpBeforeMigration(urlOf(name), folder);
		expect(file).toMatch(/before-\d{4}_[a-z-]+-.*\.sql$/);
		expect(readFileSync(file ?? '', 'utf8')).toContain('Harrow End');
		const back = spawnSync(join(pgBin(), 'psql'), [
			'-q',
			'-v',
			'ON_ERROR_STOP=1',
			'-f',
			file ?? '',
			urlOf(`${name}_back`)
		]);
		expect(String(back.stderr)).not.toMatch(/ERROR/);
		const other = postgres(urlOf(`${name}_back`), { max: 1, onnotice: () => {} });
		for (const table of ['household', 'lot', 'lot_balance', 'movement', 'batch', 'place']) {
			const [here] = await sql.unsafe(
				`select count(*)::int as n, md5(string_agg(t::text, '|' order by t::text)) as sum from "${table}" t`
			);
			const [there] = await other.unsafe(
				`select count(*)::int as n, md5(string_agg(t::text, '|' order by t::text)) as sum from "${table}" t`
			);
			expect(there, table).toEqual(here);
		}
		await sql.end();
		await other.end();
	});
});
