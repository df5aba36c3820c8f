import { spawn } from 'node:child_process';
import { request as httpsRequest } from 'node:https';
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
			...extra
		}
	});
	/** @type {Promise<{ code: number, signal: NodeJS.Signals | null }>} */
	const exited = new Promise((resolve) => {
		child.on('exit', (code, signal) => resolve({ code: code ?? 1, signal }));
		child.on('error', () => resolve({ code: 1, signal: null }));
	});
	return {
		exited,
		pid: child.pid,
		stop: async () => {
			if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM');
			const late = setTimeout(() => child.kill('SIGKILL'), 6000);
			await exited;
			clearTimeout(late);
		}
	};
}

/** Asks once; our own certificate, whoever signed it, is our own. @param {string} url @returns {Promise<number>} the status */
function statusOf(url) {
	if (url.startsWith('http:'))
		return fetch(url, { redirect: 'manual', signal: AbortSignal.timeout(5000) }).then(async (reply) => {
			await reply.arrayBuffer();
			return reply.status;
		});
	return new Promise((resolve, reject) => {
		const asked = httpsRequest(url, { rejectUnauthorized: false, timeout: 5000 }, (reply) => {
			reply.resume();
			resolve(reply.statusCode ?? 500);
		});
		asked.on('error', reject).on('timeout', () => asked.destroy(new Error('no answer')));
		asked.end();
	});
}

/** Waits until the address answers. @param {string} url @param {number} ms @param {Promise<unknown>} exited */
export async function answers(url, ms, exited) {
	let over = false;
	void exited.then(() => (over = true));
	for (const end = Date.now() + ms; Date.now() < end && !over;) {
		try {
			if ((await statusOf(url)) < 500) return true;
		} catch {
			// not listening yet
		}
		await new Promise((r) => setTimeout(r, 60));
	}
	return false;
}
