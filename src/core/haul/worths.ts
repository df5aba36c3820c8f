import { takenOf } from './check';
import type { Haul, Limit, Shared } from './haul';
import { haveOf } from './programme';
import { share, type Answer } from './solve';
import type { Solver } from './solver';

/** How full a limit is, on its fullest day. */
export interface Use {
	readonly limit: Limit;
	/** Of a daily one; null where it is one for the plan. */
	readonly day: number | null;
	readonly taken: number;
	readonly have: number;
	readonly full: boolean;
}
/** What one more of a limit gains, at the least: found by working it out anew with it. */
export interface Worth {
	readonly limit: string;
	readonly day: number | null;
	/** How much more was asked for, in its unit. */
	readonly more: number;
	/** Worth that it gains, and kilos that are placed beside. */
	readonly gains: number;
	readonly kg: number;
	/** The way that got the most by it, by id, and how much more it got, kg; null and 0 where nothing was gained. */
	readonly way: string | null;
	readonly moved_kg: number;
}

/** Nearer to its end than a fiftieth: it is full. */
const full = 0.98;
/** What jumps by whole jars and loads binds before it is full: from here on it is asked. */
const asked = 0.8;

/** What each limit is used for by an answer, the fullest first; what is not used is not among them. */
export function usesOf(haul: Haul, shared: Shared): Use[] {
	return haul.limits
		.flatMap((limit): Use[] => {
			const by = haveOf(limit, haul.days).map(({ of, have, whole }, day) => {
				const taken = takenOf(haul, shared, limit.id, of, whole);
				return {
					limit,
					day: limit.kind === 'stock' ? null : day,
					taken,
					have,
					full: taken > 1e-6 && taken >= have * full
				};
			});
			const most = by.reduce((a, b) => (b.taken / Math.max(1e-9, b.have) > a.taken / Math.max(1e-9, a.have) ? b : a));
			return most.taken > 1e-6 ? [most] : [];
		})
		.sort((a, b) => b.taken / Math.max(1e-9, b.have) - a.taken / Math.max(1e-9, a.have));
}

/** The haul with so much more of a limit: once, each day, or on one day. */
export function withMore(haul: Haul, limit: string, day: number | null, more: number): Haul {
	return {
		...haul,
		limits: haul.limits.map((l) => {
			if (l.id !== limit) return l;
			if (l.kind !== 'daily') return { ...l, have: l.have + more };
			return { ...l, have: l.have.map((h, t) => (day === null || t === day ? h + more : h)) };
		})
	};
}

const unplaced = (shared: Shared) => Object.values(shared.left).reduce((sum, kg) => sum + kg, 0);

/**
 * What binds, and what one more of it is worth: the limits that are full, each worked out anew with one more unit. It is
 * what was gained at the least, since the new answer need not be the best.
 */
export function worths(
	haul: Haul,
	answer: Answer,
	solver: Solver,
	options: {
		readonly now: () => number;
		readonly tell?: (found: Worth) => void;
		readonly seconds?: number;
		readonly most?: number;
	}
): Worth[] {
	const { shared } = answer;
	return usesOf(haul, shared)
		.filter((u) => u.taken >= u.have * asked)
		.slice(0, options.most ?? 5)
		.map(({ limit, day }) => {
			const then = share(withMore(haul, limit.id, day, 1), solver, {
				seconds: options.seconds ?? 1.5,
				gap: 0,
				now: options.now,
				from: shared
			});
			const better = then.kind === 'shared' && then.shared.worth > shared.worth + 1e-6 ? then.shared : undefined;
			const kgOf = (s: Shared, way: string) => s.parts.filter((p) => p.way === way).reduce((sum, p) => sum + p.kg, 0);
			const [most] = better
				? haul.ways.map((w) => ({ way: w.id, kg: kgOf(better, w.id) - kgOf(shared, w.id) })).sort((a, b) => b.kg - a.kg)
				: [];
			const found: Worth = {
				limit: limit.id,
				day,
				more: 1,
				gains: better ? better.worth - shared.worth : 0,
				kg: better ? Math.max(0, unplaced(shared) - unplaced(better)) : 0,
				way: most && most.kg > 1e-3 ? most.way : null,
				moved_kg: most && most.kg > 1e-3 ? most.kg : 0
			};
			options.tell?.(found);
			return found;
		});
}
