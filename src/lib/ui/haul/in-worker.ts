import { proxy, wrap, type Remote } from 'comlink';
import type { HaulWork } from '../../../workers/haul-work';
import type { Running } from '../forecast/in-worker';

const hasThreads = () => typeof Worker !== 'undefined' && typeof WebAssembly !== 'undefined';

/** Asks a fresh thread of the solver, which is ended when it is done or stopped. */
export function inSolver<T, P>(
	ask: (work: Remote<HaulWork>, tell: (part: P) => void) => Promise<T>,
	tell: (part: P) => void
): Running<T> {
	if (!hasThreads()) return { done: Promise.reject(new Error('this browser has no thread for it')), stop: () => {} };
	const worker = new Worker(new URL('../../../workers/haul.ts', import.meta.url), { type: 'module' });
	const failed = new Promise<never>((_, reject) => {
		worker.addEventListener('error', (event) => reject(new Error(event.message || 'The solver stopped.')));
	});
	const stop = () => worker.terminate();
	const done = Promise.race([ask(wrap<HaulWork>(worker), proxy(tell)), failed]).finally(stop);
	return { done, stop };
}

/**
 * The same here, or on the server where this browser has no thread or no WebAssembly for it, or its thread fails: an old
 * phone, a locked-down one.
 *
 * @param here begins it in this browser
 * @param body what the server is asked instead
 * @param told that the server is asked
 */
export function hereOrServer<T>(
	here: () => Running<T>,
	body: () => Record<string, unknown>,
	told: () => void
): Running<T> {
	const ends = new AbortController();
	let local: Running<T> | undefined;
	const remote = async (): Promise<T> => {
		told();
		const answer = await fetch('/ways/solve', {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: JSON.stringify(body()),
			signal: ends.signal
		});
		const said = (await answer.json()) as T & { error?: { message: string } };
		if (!answer.ok) throw new Error(said.error?.message ?? 'The server did not answer.');
		return said;
	};
	const begin = async (): Promise<T> => {
		if (!hasThreads()) return remote();
		try {
			local = here();
			return await local.done;
		} catch (thrown) {
			if (ends.signal.aborted) throw thrown;
			return remote();
		}
	};
	return {
		done: begin(),
		stop: () => {
			ends.abort();
			local?.stop();
		}
	};
}
