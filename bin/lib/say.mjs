/** Plain words to the terminal; errors carry a way on and no stack. */
import { fileURLToPath } from 'node:url';

export const root = fileURLToPath(new URL('../../', import.meta.url)).replace(/\/$/, '');

// A terminal that was closed is no reason to leave anything running.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => {});

/** @param {string} text */
export function say(text) {
	process.stdout.write(`${text}\n`);
}

/** An error whose message is meant for the person at the terminal. */
export class Plain extends Error {}

/** @param {unknown} error @returns {never} */
export function fail(error) {
	const known = error instanceof Plain;
	process.stderr.write(`\n${known ? error.message : error instanceof Error ? error.stack : String(error)}\n`);
	process.exit(1);
}
