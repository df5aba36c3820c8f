import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { root, say } from './say.mjs';

/** Where the server leaves the tokens of the demo's simulated instruments: a folder of our own. */
export const standInFile = () => join(mkdtempSync(join(tmpdir(), 'root-jar-')), 'stand-ins.json');

/**
 * Runs the simulated instruments of the demo household, where there is one, until the server goes.
 * @param {string} file @param {string} origin @returns {() => void}
 */
export function startStandIns(file, origin) {
	let tokens = '[]';
	try {
		tokens = readFileSync(file, 'utf8');
	} catch {
		// The server wrote none: there is no demo.
	}
	// The file stays while the server may be started again: it writes it anew.
	const away = () => rmSync(dirname(file), { recursive: true, force: true });
	if (tokens === '[]') return away;
	const child = spawn(process.execPath, [join(root, 'bin', 'stand-ins.mjs')], {
		stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
		env: { ...process.env, STAND_INS: tokens, ORIGIN: origin, NODE_TLS_REJECT_UNAUTHORIZED: '0' }
	});
	child.on('error', (error) => say(`The simulated instruments did not start: ${error.message}`));
	return () => {
		child.kill('SIGTERM');
		away();
	};
}
