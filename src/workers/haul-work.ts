import type { Haul } from '$core/haul/haul';
import { allOf, nearlyAll, roomFor, type AllOfIt, type Offer, type Room } from '$core/haul/before';
import { whyNot, type Instead } from '$core/haul/explain';
import { share, type Answer, type Impossible } from '$core/haul/solve';
import type { Solver } from '$core/haul/solver';
import { worths, type Worth } from '$core/haul/worths';

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

/** What is asked of the solver's thread, in the browser or on the server; it is ended to stop it. */
export interface HaulWork {
	share(haul: Haul, ask: { seconds: number; gap: number }, onBetter: (answer: Answer) => void): Promise<Found>;
	/** What of an offer can be taken on, in steps: each is told as soon as it is found. */
	before(haul: Haul, offer: Offer, ask: { seconds: number }, onFound: (found: BeforeHaul) => void): Promise<BeforeHaul>;
	/** Why a lot went where it went: what would have come of its other ways. */
	why(haul: Haul, answer: Answer, lot: string, onFound: (found: Instead) => void): Promise<readonly Instead[]>;
	worths(haul: Haul, answer: Answer, onFound: (found: Worth) => void): Promise<readonly Worth[]>;
}

const now = () => performance.now();

export const haulWork = (solver: Promise<Solver>): HaulWork => ({
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
		if (nearlyAll(room.kg, offer.lot.kg)) return found;
		const nearly = roomFor(haul, answer, offer, s, { seconds, losing: 0.02, from: room.shared });
		told({ nearly });
		told({ all: allOf(haul, answer, offer, s, { seconds, from: nearly.shared }) ?? null });
		return found;
	},
	why: async (haul, answer, lot, onFound) =>
		whyNot(haul, answer, lot, await solver, { seconds: 2, tell: (found) => void onFound(found) }),
	worths: async (haul, answer, onFound) =>
		worths(haul, answer, await solver, { now, tell: (found) => void onFound(found) })
});
