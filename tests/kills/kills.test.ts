import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { and, eq, inArray } from 'drizzle-orm';
import { describe, expect, it } from 'vitest';
import { foldRun, kindOf } from '$core/runs/kinds';
import { connect } from '$lib/server/db/client';
import { idempotency, lot, place, run, runEvent } from '$lib/server/db/schema';
import { storesFor } from '$lib/server/stores';
import { householdById } from '$lib/server/stores/households';
import { freePort, runningPostgres } from '../../bin/lib/postgres.mjs';
import { expectBook, expectLedger } from '../laws/book-equals-fold';
import { random } from '../laws/random';
import { ask } from '../walk/ask';
import { Writer } from './household';

/** `npm run siege` asks for a thousand, by a new seed. */
const kills = Number(process.env.SIEGE_KILLS ?? 20);
const seed = Number(process.env.SIEGE_SEED ?? 7);
const writers = 20;
const root = fileURLToPath(new URL('../..', import.meta.url));
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** Processes whose command line has all these words. */
function processes(...words: string[]): number[] {
	return readdirSync('/proc')
		.filter((n) => /^\d+$/.test(n))
		.map(Number)
		.filter((pid) => {
			try {
				const line = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
				return words.every((w) => line.includes(w));
			} catch {
				return false;
			}
		});
}
const parentOf = (pid: number) => {
	try {
		const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
		return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]);
	} catch {
		return 0;
	}
};
const kill = (pid: number | undefined) => {
	try {
		if (pid) process.kill(pid, 'SIGKILL');
	} catch {
		// gone already
	}
};

describe(`${kills} random kills of server, backend, postmaster and start command under ${writers} writers`, () => {
	it(`lose nothing that was answered and do nothing twice (seed ${seed})`, async () => {
		const r = random(seed);
		// A folder with a space and a letter of another alphabet, as people have them.
		const data = mkdtempSync(join(tmpdir(), 'root jar č-'));
		const port = await freePort();
		const origin = `http://127.0.0.1:${port}`;
		let said = '';
		let start: ChildProcess | undefined;
		let starts = 0;
		const born = Date.now();
		const begin = () => {
			starts++;
			const which = starts;
			const hear = (d: Buffer) => {
				const when = ((Date.now() - born) / 1000).toFixed(1);
				said = (said + String(d).replace(/^(?=.)/gm, `${when} s, start ${which}: `)).slice(-12_000);
			};
			start = spawn(process.execPath, [join(root, 'bin/start.mjs')], {
				stdio: ['ignore', 'pipe', 'pipe'],
				detached: true,
				env: {
					...process.env,
					ROOT_JAR_DATA: data,
					ROOT_JAR_BACKUPS: join(data, 'backups'),
					PORT: String(port),
					HOST: '127.0.0.1',
					DATABASE_URL: '',
					ORIGIN: ''
				}
			});
			start.stdout?.on('data', hear);
			start.stderr?.on('data', hear);
		};
		const up = async (ms: number) => {
			for (const end = Date.now() + ms; Date.now() < end; await wait(100)) {
				const answer = await Promise.race([
					ask(origin, '/basket').catch(() => undefined),
					wait(5_000).then(() => undefined)
				]);
				if (answer?.status === 200) return true;
			}
			return false;
		};
		const table: Record<string, { kills: number; back_ms: number[] }> = {};
		begin();
		const people: Writer[] = [];
		try {
			expect(await up(180_000), said).toBe(true);
			const database = await runningPostgres(data);
			if (!database) throw new Error('no database');
			const page = await ask(origin, '/kitchen');
			const first = /name="household" value="([^"]+)"/.exec(page.text)?.[1] ?? '';
			const made = await ask(origin, '/kitchen/house?/newHousehold', {
				method: 'POST',
				body: new URLSearchParams({ household: first, key: r.id(), name: 'Under siege' }).toString(),
				headers: { origin, 'content-type': 'application/x-www-form-urlencoded', 'x-sveltekit-action': 'true' }
			});
			const cookie = [made.headers['set-cookie'] ?? []]
				.flat()
				.map((c) => c.split(';')[0])
				.join('; ');
			const household = /household=([0-9a-f-]{36})\./.exec(cookie)?.[1] ?? '';
			let link = connect(database.url, 2);
			const [freezer] = await link.db
				.select()
				.from(place)
				.where(and(eq(place.householdId, household), eq(place.kind, 'freezer')));
			await link.close();
			for (let i = 0; i < writers; i++)
				people.push(new Writer(`w${i}`, origin, cookie, household, freezer?.id ?? '', random(seed * 100 + i)));
			const working = people.map((p) => p.work());
			// On a slow machine eight seconds of kills may pass before anybody has come as far as the stove.
			for (const end = Date.now() + 120_000; Date.now() < end && !people.some((p) => p.cooks);) await wait(100);

			for (let n = 0; n < kills; n++) {
				await wait(100 + r.below(500));
				const postmasters = processes('/postgres', '-D', data).filter(
					(pid) => !processes('/postgres', '-D', data).includes(parentOf(pid))
				);
				const backends = processes('postgres: rootjar').filter((pid) => postmasters.includes(parentOf(pid)));
				const target = r.pick(['server', 'backend', 'backend', 'postmaster', 'start'] as const);
				const began = Date.now();
				if (target === 'server') kill(processes('bin/lib/serve.mjs').find((pid) => parentOf(pid) === start?.pid));
				else if (target === 'backend') kill(backends.length > 0 ? r.pick(backends) : undefined);
				else if (target === 'postmaster') kill(postmasters[0]);
				else kill(start?.pid);
				// The start command gives up on nothing here but its own death.
				if (target === 'start') {
					await wait(50);
					begin();
				}
				const ok = await up(60_000);
				const there = () =>
					execFileSync('ps', ['-eo', 'pid,ppid,stat,etimes,args'], { encoding: 'utf8' })
						.split('\n')
						.filter((l) => l.includes('postgres') || l.includes('bin/'))
						.join('\n');
				if (!ok)
					expect.fail(
						`kill ${n} of the ${target}, seed ${seed}: not back within a minute; start ${starts} has ended with ${start?.exitCode}\n${said}\n${there()}`
					);
				expect(start?.exitCode, `the start command ended\n${said}`).toBeNull();
				const row = (table[target] ??= { kills: 0, back_ms: [] });
				row.kills++;
				row.back_ms.push(Date.now() - began);
			}
			await wait(500);
			for (const p of people) p.stop = true;
			await Promise.all(working);

			// What is there now, against what was said.
			const after = await runningPostgres(data);
			link = connect(after?.url ?? '', 4);
			const home = await householdById(link.db, household);
			if (!home) throw new Error('the household is gone');
			const sent = people.flatMap((p) => p.sent);
			const answered = sent.filter((s) => s.answered);
			expect(answered.length).toBeGreaterThan(kills * 5);
			const keys = new Set((await link.db.select({ key: idempotency.key }).from(idempotency)).map((k) => k.key));
			const taps = new Set((await link.db.select({ id: runEvent.id }).from(runEvent)).map((e) => e.id));
			expect(answered.filter((s) => s.what === 'add' && !keys.has(s.key))).toEqual([]);
			expect(answered.filter((s) => s.what === 'tap' && !taps.has(s.key))).toEqual([]);
			// As many lots came in as keys were taken for it: none twice.
			const adds = sent.filter((s) => s.what === 'add' && keys.has(s.key)).length;
			const [lots] = [
				await link.db
					.select({ id: lot.id })
					.from(lot)
					.where(and(eq(lot.householdId, household), eq(lot.waiting, true)))
			];
			expect(lots?.length).toBe(adds);
			expect(await expectLedger(link, household, 'after the kills')).toBeGreaterThan(0);
			const runs = await link.db.select().from(run).where(eq(run.householdId, household));
			expect(runs.length).toBeGreaterThan(0);
			let closed = 0;
			for (const row of runs) {
				const view = await storesFor(link.db, home, new Date()).runs.get(row.id);
				const book = kindOf(view.plan).book(view.plan, foldRun(view.plan, view.startedAt, view.events));
				if (book.end) closed++;
				await expectBook(link, home, row.id, book, `run ${row.id}`);
			}
			const open = runs.map((one) => one.id);
			const events =
				open.length > 0
					? await link.db.select({ id: runEvent.id }).from(runEvent).where(inArray(runEvent.runId, open))
					: [];
			await link.close();
			const median = (list: number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
			console.log(
				[
					`seed ${seed}: ${kills} kills, ${starts} starts, ${sent.length} writes sent, ${answered.length} answered, ${runs.length} runs (${closed} closed) with ${events.length} taps, ${lots?.length} lots`,
					'killed      times  back after, median / longest',
					...Object.entries(table).map(
						([what, { kills: n, back_ms }]) =>
							`${what.padEnd(12)}${String(n).padStart(4)}   ${(median(back_ms) / 1000).toFixed(1)} s / ${(Math.max(...back_ms) / 1000).toFixed(1)} s`
					)
				].join('\n')
			);
		} finally {
			for (const p of people) p.stop = true;
			start?.kill('SIGTERM');
			await new Promise((done) => (start && start.exitCode === null ? start.on('exit', done) : done(null)));
			rmSync(data, { recursive: true, force: true });
		}
	}, 7_200_000);
});
