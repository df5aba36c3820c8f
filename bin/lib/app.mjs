import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { root } from './say.mjs';

/**
 * Starts the built application. It has its own process group, so that Ctrl-C reaches only the script, which then
 * stops the application first and the database after it; the ipc channel lets it stop by itself if we are killed.
 * @param {{ databaseUrl: string, host: string, port: number, origin: string, extra?: Record<string, string> }} options
 */
export function startApp({ databaseUrl, host, port, origin, extra = {} }) {
	const child = spawn(process.execPath, [join(root, 'bin', 'lib', 'serve.mjs')], {
		cwd: root,
		detached: true,
		stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
		env: {
			...process.env,
			NODE_ENV: 'production',
			DATABASE_URL: databaseUrl,
			HOST: host,
			PORT: String(port),
			ORIGIN: origin,
			SHUTDOWN_TIMEOUT: '3',
			BODY_SIZE_LIMIT: '1M',
			...extra
		}
	});
	const exited = new Promise((resolve) => child.on('exit', (code) => resolve(code ?? 0)));
	return {
		exited,
		stop: async () => {
			if (child.exitCode === null) child.kill('SIGTERM');
			const late = setTimeout(() => child.kill('SIGKILL'), 6000);
			await exited;
			clearTimeout(late);
		}
	};
}

/** Waits until the address answers. @param {string} url @param {number} ms @param {Promise<unknown>} exited */
export async function answers(url, ms, exited) {
	let over = false;
	void exited.then(() => (over = true));
	for (const end = Date.now() + ms; Date.now() < end && !over;) {
		try {
			const reply = await fetch(url, { redirect: 'manual' });
			await reply.arrayBuffer();
			if (reply.status < 500) return true;
		} catch {
			// not listening yet
		}
		await new Promise((r) => setTimeout(r, 60));
	}
	return false;
}
