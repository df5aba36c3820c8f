import { expose } from 'comlink';
import loadHighs from 'highs';
import wasm from 'highs/runtime?url';
import type { Haul } from '$core/haul/haul';
import { allOf, nearlyAll, roomFor, type AllOfIt, type Offer, type Room } from '$core/haul/before';
import { share, type Answer, type Impossible } from '$core/haul/solve';
import { worths, type Worth } from '$core/haul/worths';
import { highsSolver } from '$lib/haul/highs';

/** One name for either: comlink would take a union apart. */
export interface Found {
	readonly answer: Answer | Impossible;
}

/** As far as it is worked out: the haul without the offer, what fits beside it, what fits at a fiftieth, what all of it pushes out. */
export interface BeforeHaul {
	readonly answer: Answer | null;
	readonly room: Room | null;
	readonly nearly: Room | null;
	readonly all: AllOfIt | null;
}

/** What the page asks of the solver's thread; it is ended to stop it. */
export interface HaulWork {
	share(haul: Haul, ask: { seconds: number; gap: number }, onBetter: (answer: Answer) => void): Promise<Found>;
	/** What of an offer can be taken on, in steps: each is told as soon as it is found. */
	before(haul: Haul, offer: Offer, ask: { seconds: number }, onFound: (found: BeforeHaul) => void): Promise<BeforeHaul>;
	worths(haul: Haul, answer: Answer, onFound: (found: Worth) => void): Promise<readonly Worth[]>;
}

const solver = loadHighs({ locateFile: (file: string) => (file.endsWith('.wasm') ? wasm : file) }).then(highsSolver);
const now = () => performance.now();

const work: HaulWork = {
	share: async (haul, ask, onBetter) => ({
		answer: share(haul, await solver, { ...ask, now, tell: (answer) => void onBetter(answer) })
	}),
	before: async (haul, offer, { seconds }, onFound) => {
		const s = await solver;
		let found: BeforeHaul = { answer: null, room: null, nearly: null, all: null };
		const told = (more: Partial<BeforeHaul>) => {
			found = { ...found, ...more };
			void onFound(found);
		};
		const answer = share(haul, s, { seconds, gap: 0.005, now });
		// Nothing is set on this page, so that something is always possible.
		if (answer.kind === 'impossible') return found;
		told({ answer });
		const room = roomFor(haul, answer, offer, s, { seconds, losing: 0 });
		told({ room });
		const short = !nearlyAll(room.kg, offer.lot.kg);
		if (short) told({ nearly: roomFor(haul, answer, offer, s, { seconds, losing: 0.02, from: room.shared }) });
		if (short)
			told({ all: allOf(haul, answer, offer, s, { seconds, from: found.nearly?.shared ?? room.shared }) ?? null });
		return found;
	},
	worths: async (haul, answer, onFound) =>
		worths(haul, answer, await solver, { now, tell: (found) => void onFound(found) })
};

expose(work);
