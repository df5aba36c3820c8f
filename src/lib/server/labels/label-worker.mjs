/** Draws label sheets in a thread of its own, one after the other. */
import { parentPort } from 'node:worker_threads';
import { labelSheet } from './label-sheet.mjs';

parentPort?.on(
	'message',
	async (/** @type {{ id: number, labels: import('./label-sheet.mjs').Label[], paper: 'a4' | 'letter' }} */ ask) => {
		try {
			const bytes = await labelSheet(ask.labels, ask.paper);
			parentPort?.postMessage({ id: ask.id, bytes }, [/** @type {ArrayBuffer} */ (bytes.buffer)]);
		} catch (error) {
			parentPort?.postMessage({ id: ask.id, error: error instanceof Error ? error.message : String(error) });
		}
	}
);
