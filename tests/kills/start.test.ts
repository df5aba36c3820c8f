import { spawn } from 'node:child_process';
import {
	chmodSync,
	existsSync,
	mkdirSync,
	mkdtempSync,
	readFileSync,
	readdirSync,
	rmSync,
	symlinkSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { freePort, runningPostgres } from '../../bin/lib/postgres.mjs';
import { random } from '../laws/random';
import { Started, wait } from './started';

const ground = mkdtempSync(join(tmpdir(), 'root jar ž-'));
// The database's own user has to reach it.
chmodSync(ground, 0o755);
afterAll(() => rmSync(ground, { recursive: true, force: true }));
const rounds = Number(process.env.SIEGE_KILLS ? 90 : 5);
const r = random(Number(process.env.SIEGE_SEED ?? 7));
const fresh = (name: string) => join(ground, name);
const env = (data: string) => ({ ROOT_JAR_DATA: data, ROOT_JAR_BACKUPS: join(ground, 'backups') });
const gone = (pid: number) => {
	try {
		process.kill(pid, 0);
		return /^\S+ \(.*\) Z/.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
	} catch {
		return true;
	}
};

describe('npm start', () => {
	it('makes its data in a folder that is new, named beside where it was typed, or a link to one elsewhere', async () => {
		mkdirSync(fresh('elsewhere'));
		symlinkSync(fresh('elsewhere'), fresh('link'));
		for (const [data, lies] of [
			['here/there', fresh('here/there')],
			[fresh('link'), fresh('elsewhere')]
		] as const) {
			const one = new Started(await freePort(), { ...env(data), INIT_CWD: ground });
			expect(await one.up(), one.said).toBe(true);
			expect(existsSync(join(lies, 'pg', 'PG_VERSION'))).toBe(true);
			// Started once more beside it, it says that it runs.
			const twice = new Started(await freePort(), { ...env(data), INIT_CWD: ground });
			expect((await twice.ended).code).toBe(1);
			expect(twice.said).toMatch(/already running/);
			expect((await one.stop()).code).toBe(143);
		}
	});
	it(`comes up after it was killed anywhere while it made its database, ${rounds} times`, async () => {
		for (let i = 0; i < rounds; i++) {
			const data = fresh(`killed-${i}`);
			const port = await freePort();
			const first = new Started(port, env(data));
			await wait(150 + r.below(3_000));
			await first.stop('SIGKILL');
			const second = new Started(port, env(data));
			expect(await second.up(), `round ${i}\n${first.said}\n---\n${second.said}`).toBe(true);
			await second.stop();
			rmSync(data, { recursive: true, force: true });
		}
	});
	it('takes its server along when it is killed without a word, the thread that draws labels too', async () => {
		const data = fresh('orphan');
		const one = new Started(await freePort(), env(data));
		expect(await one.up(), one.said).toBe(true);
		const server = readdirSync('/proc').filter((n) => /^\d+$/.test(n)).find((n) => existsSync(`/proc/${n}/stat`) && new RegExp(`\\) \\S ${one.child.pid} `).test(readFileSync(`/proc/${n}/stat`, 'utf8')) && readFileSync(`/proc/${n}/cmdline`, 'utf8').includes('serve.mjs')); // prettier-ignore
		expect(server).toBeDefined();
		// The thread is warm by then.
		await wait(3_000);
		await one.stop('SIGKILL');
		await expect.poll(() => gone(Number(server)), { timeout: 10_000 }).toBe(true);
		// The database that it left behind is taken over, and ends with its owner.
		const two = new Started(await freePort(), env(data));
		expect(await two.up(), two.said).toBe(true);
		await two.stop();
	});
	it('is not kept out by an owner that is dead and not buried', async () => {
		const data = fresh('zombie');
		mkdirSync(data);
		// The child of a process that never asks how it ended.
		const parent = spawn('sh', ['-c', 'sleep 0 & exec sleep 60'], { stdio: 'ignore' });
		await wait(400);
		const zombie = readdirSync('/proc')
			.filter((n) => /^\d+$/.test(n))
			.map((n) => ({
				pid: Number(n),
				stat: existsSync(`/proc/${n}/stat`) ? readFileSync(`/proc/${n}/stat`, 'utf8') : ''
			}))
			.find(({ stat }) => new RegExp(`\\) Z ${parent.pid} `).test(stat));
		expect(zombie).toBeDefined();
		const ticks = zombie?.stat.slice(zombie.stat.lastIndexOf(')') + 2).split(' ')[19];
		writeFileSync(join(data, 'pg.owner'), `${zombie?.pid} ${ticks}`);
		const one = new Started(await freePort(), env(data));
		expect(await one.up(), one.said).toBe(true);
		await one.stop();
		parent.kill('SIGKILL');
	});
	it('leaves nothing running when the terminal is closed, and says by its number that a signal ended it', async () => {
		const data = fresh('terminal');
		const one = new Started(await freePort(), env(data));
		expect(await one.up(), one.said).toBe(true);
		const pidFile = join(data, 'pg', 'postmaster.pid');
		const postmaster = Number(readFileSync(pidFile, 'utf8').split('\n')[0]);
		expect(await runningPostgres(data)).toBeDefined();
		// Nobody reads any more what it says.
		one.child.stdout?.destroy();
		one.child.stderr?.destroy();
		expect((await one.stop('SIGHUP')).code).toBe(129);
		await expect.poll(() => gone(postmaster), { timeout: 10_000 }).toBe(true);
		const again = new Started(one.port, env(data));
		expect(await again.up(), again.said).toBe(true);
		expect((await again.stop('SIGINT')).code).toBe(130);
	});
	it('gives up with a word and a number when the server never comes up', async () => {
		const data = fresh('never');
		writeFileSync(fresh('cert.pem'), 'no certificate');
		const one = new Started(await freePort(), {
			...env(data),
			TLS_CERT: fresh('cert.pem'),
			TLS_KEY: fresh('cert.pem')
		});
		expect((await one.ended).code).toBe(1);
		expect(one.said).toMatch(/again and again/);
	});
	it('says what to do where the PostgreSQL that made the data is not installed any more', async () => {
		mkdirSync(fresh('old/pg'), { recursive: true });
		writeFileSync(fresh('old/pg/PG_VERSION'), '9\n');
		chmodSync(fresh('old'), 0o777);
		const one = new Started(await freePort(), env(fresh('old')));
		expect((await one.ended).code).toBe(1);
		expect(one.said).toMatch(/made by PostgreSQL 9.*postgresql-9.*npm run restore/s);
		expect(readdirSync(fresh('old/pg'))).toEqual(['PG_VERSION']);
	});
	it('does not lay itself over what somebody else has there', async () => {
		mkdirSync(fresh('mine/pg'), { recursive: true });
		writeFileSync(fresh('mine/pg/letters.txt'), 'dear');
		const one = new Started(await freePort(), env(fresh('mine')));
		expect((await one.ended).code).toBe(1);
		expect(one.said).toMatch(/nothing was changed/i);
		expect(readFileSync(fresh('mine/pg/letters.txt'), 'utf8')).toBe('dear');
	});
});
