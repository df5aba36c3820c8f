import { spawn } from 'node:child_process';
import { Plain, root } from './say.mjs';

/**
 * Runs a command to its end with our own streams.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions & { quiet?: boolean }} [options]
 * @returns {Promise<number>} the exit code
 */
export function run(command, args, options = {}) {
	const { quiet, ...rest } = options;
	return new Promise((resolve, reject) => {
		const child = spawn(command, args, { cwd: root, stdio: quiet ? 'ignore' : 'inherit', ...rest });
		child.on('error', reject);
		child.on('exit', (code, signal) => resolve(signal ? 1 : (code ?? 1)));
	});
}

/**
 * Runs a command and gives back what it printed.
 * @param {string} command
 * @param {string[]} args
 * @param {import('node:child_process').SpawnOptions} [options]
 * @returns {Promise<{ code: number, out: string }>}
 */
export function capture(command, args, options = {}) {
	return new Promise((resolve, reject) => {
		const child = spawn(command, args, { cwd: root, ...options, stdio: ['ignore', 'pipe', 'pipe'] });
		let out = '';
		child.stdout?.on('data', (d) => (out += d));
		child.stderr?.on('data', (d) => (out += d));
		child.on('error', reject);
		child.on('exit', (code) => resolve({ code: code ?? 1, out }));
	});
}

/**
 * Runs a step that must succeed.
 * @param {string} what @param {string} command @param {string[]} args @param {import('node:child_process').SpawnOptions} [options]
 */
export async function must(what, command, args, options) {
	const code = await run(command, args, options);
	if (code !== 0) throw new Plain(`${what} failed (exit code ${code}). The lines above say why.`);
}
