import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { proxy, wrap, type Remote } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import type { HaulWork } from '../../workers/haul-work';
import { AppError } from './errors';

/** The thread as it was built beside the application. */
const file = join(process.cwd(), 'build', 'threads', 'haul.js');
/** Two at a time: a household's pages are few, and what is asked of a solver fills a core. */
const most = 2;
let running = 0;

/**
 * Asks a thread of the solver, for a page whose own browser cannot; the thread ends with its answer, or after its time.
 *
 * @param seconds after which it is ended, whatever it was at
 * @throws {AppError} 503 two are at it already, or it did not answer in its time
 */
export async function onServer<T>(
	seconds: number,
	ask: (work: Remote<HaulWork>, ignore: () => void) => Promise<T>
): Promise<T> {
	if (running >= most)
		throw new AppError(
			503,
			'BUSY',
			'Two hauls are being worked out already. Ask again in some seconds; nothing was changed.'
		);
	const worker = new Worker(file, { resourceLimits: { maxOldGenerationSizeMb: 256 } });
	running++;
	let timer: NodeJS.Timeout | undefined;
	const ended = new Promise<never>((_, reject) => {
		worker.on('error', reject);
		worker.on('exit', (code) => reject(new Error(`The solver's thread ended (${code}).`)));
		timer = setTimeout(
			() =>
				reject(new AppError(503, 'TOO_LONG', 'It took too long to work out. Ask for fewer days; nothing was changed.')),
			seconds * 1000
		);
	});
	// Whoever waits has been answered by then.
	ended.catch(() => {});
	try {
		return await Promise.race([
			ask(
				wrap<HaulWork>(nodeEndpoint(worker)),
				proxy(() => {})
			),
			ended
		]);
	} finally {
		clearTimeout(timer);
		running--;
		await worker.terminate();
	}
}
