/** Plain words to the terminal; errors carry a way on and no stack. */
export const root = new URL('../../', import.meta.url).pathname.replace(/\/$/, '');

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
