import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { afterAll, describe, expect, it } from 'vitest';
import { freePort, runningPostgres } from '../../bin/lib/postgres.mjs';
import { ask } from '../walk/ask';
import { root, Started } from './started';

const ground = mkdtempSync(join(tmpdir(), 'root jar backup-'));
chmodSync(ground, 0o755);
afterAll(() => rmSync(ground, { recursive: true, force: true }));
/** Without simulated instruments: they go on reading between the backup and the look at what it holds. */
const env = (data: string) => ({
	ROOT_JAR_DATA: join(ground, data),
	ROOT_JAR_BACKUPS: join(ground, 'kept'),
	ROOT_JAR_STAND_INS: '0'
});
const run = (command: string, args: string[], data: string) => {
	const done = spawnSync(process.execPath, [join(root, 'bin', `${command}.mjs`), ...args], {
		env: { ...process.env, DATABASE_URL: '', ...env(data) },
		encoding: 'utf8'
	});
	return { code: done.status, said: done.stdout + done.stderr };
};

/** Every table of a running copy with its rows, as one fingerprint each. */
async function rows(data: string): Promise<Record<string, unknown>> {
	const running = await runningPostgres(join(ground, data));
	if (!running) throw new Error(`nothing runs on ${data}`);
	const sql = postgres(running.url, { max: 1, onnotice: () => {} });
	const all: Record<string, unknown> = {};
	for (const {
		t
	} of await sql`select table_name as t from information_schema.tables where table_schema = 'public' order by 1`)
		[all[t as string]] = await sql.unsafe(
			`select count(*)::int as n, md5(string_agg(t::text, '|' order by t::text)) as sum from "${t}" t`
		);
	await sql.end();
	return all;
}

describe('npm run backup and npm run restore', () => {
	it('keep the whole of a running kitchen in one file, and bring it back on another machine row for row', async () => {
		const first = new Started(await freePort(), env('first'));
		expect(await first.up(), first.said).toBe(true);
		const origin = `http://127.0.0.1:${first.port}`;
		const household = /name="household" value="([^"]+)"/.exec((await ask(origin, '/kitchen')).text)?.[1] ?? '';
		const add = (text: string) =>
			ask(origin, '/basket?/add', {
				method: 'POST',
				body: new URLSearchParams({ household, key: crypto.randomUUID(), text }).toString(),
				headers: { origin, 'content-type': 'application/x-www-form-urlencoded', 'x-sveltekit-action': 'true' }
			});
		expect((await add('3 kg leeks')).text).toContain('success');
		const made = run('backup', [], 'first');
		expect(made.code, made.said).toBe(0);
		const file = /is in (.*\.backup)/.exec(made.said)?.[1] ?? '';
		const before = await rows('first');
		// Not over what is running, and not from a damaged file.
		expect(run('restore', [file], 'first')).toMatchObject({
			code: 1,
			said: expect.stringMatching(/running on these data/) as string
		});
		const bytes = readFileSync(file);
		bytes[bytes.length - 3] = (bytes.at(-3) ?? 0) ^ 1;
		writeFileSync(join(ground, 'damaged.backup'), bytes);
		expect(run('restore', [join(ground, 'damaged.backup')], 'second')).toMatchObject({
			code: 1,
			said: expect.stringMatching(/damaged.*Nothing was changed/s) as string
		});
		// What came in since is kept beside when the backup is brought back.
		expect((await add('5 kg onions')).text).toContain('success');
		await first.stop();
		for (const data of ['first', 'second']) {
			const back = run('restore', [file], data);
			expect(back.code, back.said).toBe(0);
			const again = new Started(await freePort(), env(data));
			expect(await again.up(), again.said).toBe(true);
			const now = await rows(data);
			expect(now).toEqual(before);
			await again.stop();
		}
		expect(readdirSync(join(ground, 'first')).filter((f) => f.startsWith('pg-before-restore-'))).toHaveLength(1);
		// Into a folder that is named, while it does not run.
		expect(run('restore', [file, join(ground, 'third')], 'first').code).toBe(0);
		expect(run('restore', [join(ground, 'nowhere.backup')], 'first')).toMatchObject({
			code: 1,
			said: expect.stringMatching(/no file/) as string
		});
	});
});
