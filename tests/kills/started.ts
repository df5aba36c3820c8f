import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ask } from '../walk/ask';

export const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
export const wait = (ms: number) => new Promise((r) => setTimeout(r, ms));

/** The start command as a person runs it, with what it says and how it ends. */
export class Started {
	readonly child: ChildProcess;
	said = '';
	readonly ended: Promise<{ code: number | null; signal: string | null }>;

	constructor(
		readonly port: number,
		env: Record<string, string>,
		cwd = root
	) {
		this.child = spawn(process.execPath, [join(root, 'bin/start.mjs')], {
			cwd,
			stdio: ['ignore', 'pipe', 'pipe'],
			detached: true,
			env: { ...process.env, PORT: String(port), HOST: '', DATABASE_URL: '', ORIGIN: '', ...env }
		});
		const hear = (d: Buffer) => (this.said = (this.said + String(d)).slice(-8_000));
		this.child.stdout?.on('data', hear);
		this.child.stderr?.on('data', hear);
		this.ended = new Promise((done) => this.child.on('exit', (code, signal) => done({ code, signal })));
	}

	/** Whether it answers within the time. */
	async up(ms = 90_000): Promise<boolean> {
		for (const end = Date.now() + ms; Date.now() < end && this.child.exitCode === null; await wait(80)) {
			const answer = await ask(`http://127.0.0.1:${this.port}`, '/alive').catch(() => undefined);
			if (answer?.status === 200) return true;
		}
		return false;
	}

	async stop(signal: NodeJS.Signals = 'SIGTERM'): Promise<{ code: number | null; signal: string | null }> {
		this.child.kill(signal);
		return this.ended;
	}
}
