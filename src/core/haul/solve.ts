import { mostWays, type Haul, type Shared } from './haul';
import { programmeOf, sharedFrom, valuesOf, worthOf, type Built } from './programme';
import type { Session, Solved, Solver } from './solver';
import { tidied } from './tidy';

/** An answer as it stands: how far from the best that is possible, and whether that is known to the end. */
export interface Answer {
	readonly kind: 'shared';
	readonly shared: Shared;
	/** No plan under these limits is worth more. */
	readonly bound: number;
	/** The answer may be so much under it, as a share: 0.04. */
	readonly gap: number;
	readonly proven: boolean;
}
/** What a person set cannot all be done: the least that must give, by lock, kg. */
export interface Impossible {
	readonly kind: 'impossible';
	readonly gives: readonly { readonly way: string; readonly set_kg: number; readonly by_kg: number }[];
}

export interface ShareOptions {
	readonly seconds: number;
	/** Good enough: 0 for the best. */
	readonly gap: number;
	/** A clock that only goes on, ms. */
	readonly now: () => number;
	/** An answer that holds here too: it is begun from, and nothing worse is given. */
	readonly from?: Shared;
	/** Told of each better answer. */
	readonly tell?: (answer: Answer) => void;
	readonly stopped?: () => boolean;
}

/** Below this a gap is none: what sums of floating numbers leave. */
const exact = 1e-6;

export const gapOf = (worth: number, bound: number): number =>
	bound - worth <= exact * Math.max(1, Math.abs(bound)) ? 0 : (bound - worth) / Math.max(1e-9, Math.abs(bound));

/**
 * Shares a haul out: a first answer by diving from the relaxation, then the best that is found in the time.
 *
 * @returns the answer; or what must give, where the locks cannot all hold
 * @throws {DomainError} as {@link programmeOf}
 */
export function share(haul: Haul, solver: Solver, options: ShareOptions): Answer | Impossible {
	const built = programmeOf(haul);
	const session = solver.open(built.programme);
	const began = options.now();
	const left_s = () => options.seconds - (options.now() - began) / 1000;
	const stopped = () => options.stopped?.() === true;
	try {
		const root = session.relax();
		if (root.kind === 'infeasible') return impossible(haul, solver);
		if (root.kind === 'stopped') throw new Error('The relaxation came to no end.');
		const found = foundSoFar(haul, built, root.worth, options);
		const known = options.from ? valuesOf(haul, built, options.from) : undefined;
		const dived = dive(session, built, root);
		let start: Solved | undefined = dived;
		if (known && options.from && (!dived || options.from.worth > dived.worth))
			start = { kind: 'solved', values: known, worth: options.from.worth, bound: root.worth, proven: false };
		if (start) {
			found.take(start, root.worth);
			if (found.enough() || stopped()) return found.last();
			start = improve(session, built, start, {
				// A tenth of the time: beyond that the whole programme finds more (`npm run bench -- haul`).
				until: began + options.seconds * 100,
				now: options.now,
				stopped,
				better: (one) => {
					found.take(one, root.worth);
					return found.enough();
				}
			});
			if (found.enough() || stopped()) return found.last();
		}
		const last = session.solve({
			seconds: Math.max(0.1, left_s()),
			gap: options.gap,
			...(start ? { start: start.values } : {}),
			onBetter: (one) => found.take(one, one.bound),
			stopped
		});
		if (last.kind === 'solved') found.take(last, last.bound);
		if (last.kind === 'infeasible' && !found.any()) return impossible(haul, solver);
		return found.last();
	} finally {
		session.close();
	}
}

/** The best answer so far, and the least that is known to bound it; both only get better. */
function foundSoFar(haul: Haul, built: Built, root: number, { gap: enough, tell }: ShareOptions) {
	let shared: Shared | undefined;
	let bound = root;
	const answer = (): Answer => {
		const now = shared ?? nothing(haul);
		const gap = gapOf(now.worth, bound);
		return { kind: 'shared', shared: now, bound: Math.max(bound, now.worth), gap, proven: gap === 0 };
	};
	return {
		take(one: Solved, its: number): void {
			const next = sharedFrom(haul, built, one.values);
			bound = Math.min(bound, its);
			if (!shared || next.worth > shared.worth + exact) shared = next;
			tell?.(answer());
		},
		any: () => shared !== undefined,
		enough: () => shared !== undefined && gapOf(shared.worth, bound) <= enough,
		/** The last of them, with its little parts put together. */
		last(): Answer {
			if (shared) shared = tidied(haul, shared);
			return answer();
		}
	};
}

/** Nothing placed: what there is where it was stopped before the first answer. */
function nothing(haul: Haul): Shared {
	const left = Object.fromEntries(haul.lots.map((l) => [l.id, l.kg]));
	return { parts: [], packs: {}, loads: [], left, worth: worthOf(haul, [], [], left) };
}

/**
 * A first answer: the whole numbers of the relaxation settled class by class (set-ups, loads, ways, packs), a handful at a
 * time and solved anew after each, so that what is settled first is made up for by what comes later. Undefined where a
 * lock leaves no room for it.
 */
function dive(session: Session, built: Built, root: Solved): Solved | undefined {
	const { programme, columns } = built;
	const whole = (c: number) => c >= 0 && programme.columns[c]?.whole === true;
	const upper = (c: number) => programme.columns[c]?.upper ?? 0;
	const settled = new Set<number>();
	const fix = (c: number, to: number) => {
		settled.add(c);
		session.bounds(c, to, to);
	};
	let at: Solved = root;
	/** Settles a handful and solves anew; where that cannot be, each goes to its other side. */
	const settle = (handful: readonly { readonly c: number; readonly to: number }[]): boolean => {
		for (const { c, to } of handful) fix(c, Math.min(upper(c), Math.max(0, to)));
		const now = session.relax();
		if (now.kind === 'solved') {
			at = now;
			return true;
		}
		for (const { c, to } of handful) {
			const value = at.values[c] ?? 0;
			const other = to > value ? Math.floor(value + 1e-6) : Math.ceil(value - 1e-6);
			fix(c, Math.min(upper(c), Math.max(0, other)));
		}
		const turned = session.relax();
		if (turned.kind === 'solved') at = turned;
		return turned.kind === 'solved';
	};
	const rest = (of: readonly number[]) =>
		of.filter((c) => whole(c) && !settled.has(c)).map((c) => ({ c, value: at.values[c] ?? 0 }));
	/** Of a class: what is whole already stays, then the handful that is nearest to a whole number, again and again. */
	const through = (of: readonly number[], round: (value: number) => number, handful: number): boolean => {
		for (let left = rest(of); left.length > 0; left = rest(of)) {
			const off = (value: number) => Math.abs(value - round(value));
			const done = left.filter(({ value }) => off(value) < 1e-6);
			const near = left.filter(({ value }) => off(value) >= 1e-6).sort((x, y) => off(x.value) - off(y.value));
			const some = near.length > 0 ? [...done, ...near.slice(0, handful)] : done;
			if (!settle(some.map(({ c, value }) => ({ c, to: round(value) })))) return false;
		}
		return true;
	};
	const undo = () => programme.columns.forEach((c, j) => session.bounds(j, c.lower, c.upper));
	try {
		// A set-up of which a little is wanted is wanted; of loads that are spread over days the largest first.
		if (!through(columns.setUps.flat(), (v) => (v > 0.1 ? 1 : 0), 2)) return undefined;
		if (!through(columns.loads.flat(), (v) => Math.round(v + 0.1), 1)) return undefined;
		// Of a lot's ways the few that take most of it.
		for (const c of notTaken(built, at)) fix(c, 0);
		const fewer = session.relax();
		if (fewer.kind !== 'solved') return undefined;
		at = fewer;
		if (!through(columns.used, (v) => (v > 1e-3 ? 1 : 0), 8)) return undefined;
		if (!through(columns.amount.flat(), Math.round, 6)) return undefined;
		if (!through(columns.packs, (v) => Math.ceil(v - 1e-6), 12)) return undefined;
		return at;
	} finally {
		undo();
	}
}

/** Of every lot the ways beyond the few that the relaxation gives most to. */
function notTaken({ columns }: Built, { values }: Solved): number[] {
	return columns.waysOf.flatMap((ways) => {
		const share = (a: number) => values[columns.used[a] ?? 0] ?? 0;
		return [...ways]
			.sort((a, b) => share(b) - share(a))
			.slice(mostWays)
			.map((a) => columns.used[a] ?? 0);
	});
}

/**
 * Makes an answer better by working out a few lots anew while the others stay, over and over: small programmes that are
 * solved to the end in a moment each.
 *
 * @param until by the clock `now`, ms
 */
function improve(
	session: Session,
	built: Built,
	from: Solved,
	{
		until,
		now,
		stopped,
		better
	}: {
		readonly until: number;
		readonly now: () => number;
		readonly stopped: () => boolean;
		readonly better: (found: Solved) => boolean;
	}
): Solved {
	const { programme, columns } = built;
	const lots = columns.waysOf.length;
	const often = [...columns.loads.flat(), ...columns.setUps.flat()];
	let best = from;
	let turn = 0;
	let idle = 0;
	const size = 4;
	// Of a few lots all are neighbours: the whole programme does the same.
	while (lots > size && now() < until && !stopped() && idle < lots * 2) {
		// Neighbours by turns, with a step that changes, so that every pair meets.
		const step = 1 + (Math.floor(turn / lots) % Math.max(1, lots - 1));
		const free = new Set(Array.from({ length: size }, (_, i) => (turn + i * step) % lots));
		turn++;
		const open = new Set(often);
		columns.waysOf.forEach((ways, lot) => {
			if (!free.has(lot)) return;
			for (const a of ways)
				for (const c of [...(columns.amount[a] ?? []), columns.packs[a] ?? -1, columns.used[a] ?? -1]) open.add(c);
		});
		programme.columns.forEach((c, j) => {
			if (!c.whole) return;
			const value = Math.round(best.values[j] ?? 0);
			if (open.has(j)) session.bounds(j, c.lower, c.upper);
			else session.bounds(j, value, value);
		});
		const seconds = Math.min(0.5, Math.max(0.05, (until - now()) / 1000));
		const found = session.solve({ seconds, gap: 1e-4, start: best.values });
		idle++;
		if (found.kind === 'solved' && found.worth > best.worth + exact) {
			idle = 0;
			best = { ...found, bound: from.bound, proven: false };
			if (better(best)) break;
		}
	}
	programme.columns.forEach((c, j) => session.bounds(j, c.lower, c.upper));
	return best;
}

function impossible(haul: Haul, solver: Solver): Impossible {
	const built = programmeOf(haul, true);
	const session = solver.open(built.programme);
	try {
		const found = session.solve({ seconds: 10, gap: 0.001 });
		const values = found.kind === 'solved' ? found.values : undefined;
		return {
			kind: 'impossible',
			gives: haul.locks.flatMap((lock, k) => {
				const by = values?.[built.columns.given[k] ?? -1] ?? 0;
				return by > 1e-5 ? [{ way: lock.way, set_kg: lock.kg, by_kg: by }] : [];
			})
		};
	} finally {
		session.close();
	}
}
