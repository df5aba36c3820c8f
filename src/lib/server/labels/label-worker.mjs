/** Draws label sheets and papers in a thread of its own, one after the other. */
import { parentPort } from 'node:worker_threads';
import { labelSheet } from './label-sheet.mjs';

/**
 * @typedef {{ id: number, size: 'a4' | 'letter' } & (
 *   { labels: import('./label-sheet.mjs').Label[] } | { paper: import('./paper.mjs').Paper })} Ask
 */

parentPort?.on('message', async (/** @type {Ask} */ ask) => {
	try {
		const bytes =
			'labels' in ask
				? await labelSheet(ask.labels, ask.size)
				: // Its library takes a second to read: only by who wants a paper.
					await (await import('./paper.mjs')).paperOf(ask.paper, ask.size);
		parentPort?.postMessage({ id: ask.id, bytes }, [/** @type {ArrayBuffer} */ (bytes.buffer)]);
	} catch (error) {
		parentPort?.postMessage({ id: ask.id, error: error instanceof Error ? error.message : String(error) });
	}
});
