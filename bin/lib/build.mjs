import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { must } from './run.mjs';
import { root, say } from './say.mjs';

const inputs = [
	'src',
	'static',
	'drizzle',
	'package-lock.json',
	'vite.config.ts',
	'vite.threads.config.ts',
	'svelte.config.js'
];
const stamp = join(root, 'build', '.sources');

/** @param {string} path @param {import('node:crypto').Hash} hash */
function feed(path, hash) {
	const full = join(root, path);
	if (!existsSync(full)) return;
	if (statSync(full).isDirectory()) {
		for (const name of readdirSync(full).sort()) feed(join(path, name), hash);
	} else {
		hash.update(path).update(readFileSync(full));
	}
}

/** Builds the application when what it is built from has changed. */
export async function ensureBuild() {
	const hash = createHash('sha256');
	for (const input of inputs) feed(input, hash);
	const now = hash.digest('hex');
	if (existsSync(stamp) && readFileSync(stamp, 'utf8') === now) return;
	// Cut off in the middle, it is no build of anything.
	rmSync(stamp, { force: true });
	say('Building (about half a minute, when the sources changed) …');
	const vite = join(root, 'node_modules/vite/bin/vite.js');
	await must('The build', process.execPath, [vite, 'build', '--logLevel', 'error']);
	// Threads of the server, beside it.
	const threads = ['build', '--logLevel', 'error', '--config', 'vite.threads.config.ts'];
	await must('The build of the threads', process.execPath, [vite, ...threads]);
	writeFileSync(stamp, now);
}
