import { takenOf } from './check';
import type { Haul, HaulWay, Shared } from './haul';
import { changesOf, kgOf, nearestTo, type Change } from './nearest';
import { haveOf, programmeOf } from './programme';
import type { Answer } from './solve';
import type { Solver } from './solver';

/** What would come of it, had the largest part of a lot gone another way. */
export interface Instead {
	/** The way that it has, and the other. */
	readonly way: string | null;
	readonly other: string;
	/** So much was asked to go the other way, and so much of it can. */
	readonly kg: number;
	readonly can_kg: number;
	/** Limits that the other way takes and of which nothing is left with it, by id. */
	readonly full: readonly string[];
	/** What the other lots get and lose. */
	readonly changes: readonly Change[];
	/** Worth that is lost by it in all; below zero where it was not found that it is. */
	readonly loses: number;
}

/**
 * Why a lot went where it went: for the best of its other ways, what would have come of it there. Nothing is explained by a
 * price of the solver: the haul is worked out anew with the part set to the other way, and what changes is told.
 *
 * @param lot by id
 * @returns one for each of the other ways that are worth most, the best first; empty where there is no other
 */
export function whyNot(
	haul: Haul,
	answer: Answer,
	lot: string,
	solver: Solver,
	options: { readonly seconds: number; readonly most?: number; readonly tell?: (found: Instead) => void }
): Instead[] {
	const { shared } = answer;
	const own = haul.ways.filter((w) => w.lot === lot);
	const [largest] = own
		.filter((w) => kgOf(shared, w.id) > 0.01)
		.sort((a, b) => Number(isFree(a)) - Number(isFree(b)) || kgOf(shared, b.id) - kgOf(shared, a.id));
	const kg = largest ? kgOf(shared, largest.id) : (shared.left[lot] ?? 0);
	if (kg < 0.01) return [];
	return own
		.filter((w) => w !== largest && !isFree(w) && w.most_kg > 0.01)
		.sort((a, b) => b.worth - a.worth)
		.slice(0, options.most ?? 3)
		.flatMap((other): Instead[] => {
			// In whole packs as many as there are in it; what it has of this way already stays with it.
			const asked = Math.min(other.most_kg, kg + kgOf(shared, other.id));
			const set = { way: other.id, kg: other.whole ? Math.floor(asked / other.pack_kg + 1e-9) * other.pack_kg : asked };
			if (set.kg < 0.05) return [];
			const others = haul.locks.filter((k) => haul.ways.find((w) => w.id === k.way)?.lot !== lot);
			const changed: Haul = { ...haul, locks: [...others, set] };
			const built = programmeOf(changed, true);
			const found = nearestTo(changed, built, shared, solver, { seconds: options.seconds });
			if (!found) return [];
			const short = found.values[built.columns.given[others.length] ?? -1] ?? 0;
			const one: Instead = {
				way: largest?.id ?? null,
				other: other.id,
				kg: set.kg,
				can_kg: Math.max(0, set.kg - short),
				full: fullFor(changed, found.shared, other),
				changes: changesOf(haul, shared, found.shared).filter((c) => c.lot !== lot),
				loses: shared.worth - found.shared.worth
			};
			options.tell?.(one);
			return [one];
		});
}

/** It takes nothing of the kitchen: eaten as it is. */
const isFree = (way: HaulWay): boolean =>
	way.perKg.length === 0 && way.perPack.length === 0 && way.station === null && way.group === null;

/** Limits that a way takes and of which nothing is left on any day on which its lot may still be worked. */
function fullFor(haul: Haul, shared: Shared, way: HaulWay): string[] {
	const takes = new Set(
		[
			...way.perKg,
			...way.perPack,
			...(haul.groups.find((g) => g.id === way.group)?.takes ?? []),
			...(haul.stations.find((s) => s.id === way.station)?.takes ?? [])
		].map((x) => x.limit)
	);
	const lastDay = haul.lots.find((l) => l.id === way.lot)?.lastDay ?? 0;
	return haul.limits
		.filter((limit) => takes.has(limit.id))
		.filter((limit) =>
			haveOf(limit, haul.days)
				.filter((_, day) => limit.kind === 'stock' || day <= lastDay)
				.every(
					({ of, have, whole }) => have - takenOf(haul, shared, limit.id, of, whole) <= Math.max(1e-6, 0.02 * have)
				)
		)
		.map((limit) => limit.id);
}
