import { proxy, wrap } from 'comlink';
import type { Models, OnProgress } from '../../../workers/protocol';

/** Long work off the page's thread: a worker for each, ended when it is done or stopped. */
export interface Running<T> {
	readonly done: Promise<T>;
	readonly stop: () => void;
}

/** Asks a fresh worker. */
export function inWorker<T>(
	ask: (models: ReturnType<typeof wrap<Models>>, onProgress: OnProgress) => Promise<T>,
	onProgress: OnProgress
): Running<T> {
	const worker = new Worker(new URL('../../../workers/models.ts', import.meta.url), { type: 'module' });
	const failed = new Promise<never>((_, reject) => {
		worker.addEventListener('error', (event) => reject(new Error(event.message || 'The worker stopped.')));
	});
	const stop = () => worker.terminate();
	const done = Promise.race([ask(wrap<Models>(worker), proxy(onProgress)), failed]).finally(stop);
	return { done, stop };
}
