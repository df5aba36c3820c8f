import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import type { Haul } from '$core/haul/haul';
import { share, type Answer, type Impossible } from '$core/haul/solve';
import { worths, type Worth } from '$core/haul/worths';
import { highsSolver } from '$lib/haul/highs';

/** One name for either: comlink would take a union apart. */
export interface Found {
	readonly answer: Answer | Impossible;
}

/** What the page asks of the solver's thread; it is ended to stop it. */
export interface HaulWork {
	share(haul: Haul, ask: { seconds: number; gap: number }, onBetter: (answer: Answer) => void): Promise<Found>;
	worths(haul: Haul, answer: Answer, onFound: (found: Worth) => void): Promise<readonly Worth[]>;
}

const solver = loadHighs({ locateFile: (file: string) => (file.endsWith('.wasm') ? wasm : file) }).then(highsSolver);
const now = () => performance.now();

const work: HaulWork = {
	share: async (haul, ask, onBetter) => ({
		answer: share(haul, await solver, { ...ask, now, tell: (answer) => void onBetter(answer) })
	}),
	worths: async (haul, answer, onFound) =>
		worths(haul, answer, await solver, { now, tell: (found) => void onFound(found) })
};

expose(work);
