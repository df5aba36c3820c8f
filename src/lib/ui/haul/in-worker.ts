import { proxy, wrap, type Remote } from 'comlink';
import type { HaulWork } from '../../../workers/haul';
import type { Running } from '../forecast/in-worker';

/** Asks a fresh thread of the solver, which is ended when it is done or stopped. */
export function inSolver<T, P>(
	ask: (work: Remote<HaulWork>, tell: (part: P) => void) => Promise<T>,
	tell: (part: P) => void
): Running<T> {
	const worker = new Worker(new URL('../../../workers/haul.ts', import.meta.url), { type: 'module' });
	const failed = new Promise<never>((_, reject) => {
		worker.addEventListener('error', (event) => reject(new Error(event.message || 'The solver stopped.')));
	});
	const stop = () => worker.terminate();
	const done = Promise.race([ask(wrap<HaulWork>(worker), proxy(tell)), failed]).finally(stop);
	return { done, stop };
}
