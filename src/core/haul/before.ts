import { DomainError } from '../errors';
import type { Haul, HaulLot, HaulWay, LoadGroup, Shared, Station } from './haul';
import { programmeOf, sharedFrom, valuesOf, type Built } from './programme';
import { changesOf, nearestTo, type Change } from './nearest';
import type { Answer } from './solve';
import type { Programme, Session, Solver } from './solver';

/** What is offered, as a lot with its ways that is not in the haul yet. */
export interface Offer {
	readonly lot: HaulLot;
	readonly ways: readonly HaulWay[];
	readonly groups: readonly LoadGroup[];
	readonly stations: readonly Station[];
	/** More limits that only its ways know. */
	readonly limits: Haul['limits'];
}

/** So much of an offer can be placed while the rest keeps its worth, or nearly. */
export interface Room {
	readonly kg: number;
	/** No more than this can be, as far as is known. */
	readonly most_kg: number;
	readonly proven: boolean;
	/** What the rest may lose of its worth, as a share. */
	readonly losing: number;
	readonly shared: Shared;
}
/** What is left over is no more than the last jar or pack leaves: a bowl of it, and nobody's trouble (common practice). */
export const nearlyAll = (kg: number, of_kg: number): boolean => of_kg - kg <= Math.max(0.3, 0.03 * of_kg);

/** What all of an offer pushes out. */
export interface AllOfIt {
	readonly shared: Shared;
	/** Of the offer itself, kg that even then find no place. */
	readonly left_kg: number;
	/** Kilos of other lots by way: what there would be more of (+) and less of (−), the largest first. */
	readonly changes: readonly Change[];
}

/** Of two ways that take as many kilos the one that is worth more: so little that no kilo is given up for it. */
const tie = 0.01;
const better = (worth: number, unit_kg: number | undefined) =>
	unit_kg ? tie * Math.min(1, Math.max(0, worth / unit_kg / 2)) : 0;

/** @throws {DomainError} NOT_READY: it is in the haul already */
export function withOffer(haul: Haul, offer: Offer): Haul {
	if (haul.lots.some((l) => l.id === offer.lot.id))
		throw new DomainError('NOT_READY', 'offer', 'What is offered is in the haul already.');
	const fresh = <T extends { readonly id: string }>(have: readonly T[], more: readonly T[]) => [
		...have,
		...more.filter((m) => !have.some((h) => h.id === m.id))
	];
	return {
		...haul,
		lots: [...haul.lots, offer.lot],
		ways: [...haul.ways, ...offer.ways],
		groups: fresh(haul.groups, offer.groups),
		stations: fresh(haul.stations, offer.stations),
		limits: fresh(haul.limits, offer.limits)
	};
}

/**
 * The programme turned round: the most kilos of one lot, while what the others are worth stays what it is.
 *
 * What belongs to the others is all but the ways of the lot and the loads that it alone goes by; set-ups are shared and
 * cost neither side.
 *
 * @param kept an answer in which nothing of the lot is placed
 * @param losing the others may lose so much of their worth, as a share: 0.02
 */
export function turnedRound(haul: Haul, built: Built, lot: string, kept: Float64Array, losing: number): Programme {
	const { programme, columns } = built;
	const own = new Set(haul.ways.flatMap((w, a) => (w.lot === lot ? [a] : [])));
	const its = new Set<number>();
	const unit = new Map<number, number>();
	for (const a of own) {
		const way = haul.ways[a] as HaulWay;
		for (const c of columns.amount[a] ?? []) if (c >= 0) unit.set(c, way.whole ? way.pack_kg : 1);
		its.add(columns.more[a] ?? -1);
	}
	haul.lots.forEach((l, i) => l.id === lot && its.add(columns.left[i] ?? -1));
	for (const c of columns.setUps.flat()) its.add(c);
	haul.groups.forEach((g, i) => {
		const goers = haul.ways.flatMap((w, a) => (w.group === g.id ? [a] : []));
		if (goers.every((a) => own.has(a))) for (const c of columns.loads[i] ?? []) its.add(c);
	});
	const terms = programme.columns.flatMap((c, j): [number, number][] =>
		c.worth !== 0 && !unit.has(j) && !its.has(j) ? [[j, c.worth]] : []
	);
	const worth = terms.reduce((sum, [c, w]) => sum + w * (kept[c] ?? 0), 0);
	return {
		columns: programme.columns.map((c, j) => ({
			...c,
			worth: (unit.get(j) ?? 0) * (1 + better(c.worth, unit.get(j)))
		})),
		rows: [...programme.rows, { name: 'kept', terms, lower: worth - losing * Math.abs(worth) - 1e-7, upper: Infinity }]
	};
}

/** The most of a lot while every pack of the others stays as it is; what is kept, where nothing better is found. */
function beside(
	session: Session,
	built: Built,
	haul: Haul,
	lot: string,
	kept: Float64Array,
	seconds: number
): Float64Array {
	const { columns } = built.programme;
	const others = haul.ways.flatMap((w, a) => (w.lot === lot ? [] : columnsOfWay(built, a)));
	for (const c of others) if (columns[c]?.whole) session.bounds(c, kept[c] ?? 0, kept[c] ?? 0);
	const found = session.solve({ seconds, gap: 1e-3, start: kept });
	for (const c of others) session.bounds(c, columns[c]?.lower ?? 0, columns[c]?.upper ?? 0);
	return found.kind === 'solved' ? found.values : kept;
}

const columnsOfWay = ({ columns }: Built, a: number): number[] =>
	[...(columns.amount[a] ?? []), columns.packs[a] ?? -1, columns.used[a] ?? -1].filter((c) => c >= 0);

/**
 * How much of an offer can be taken on while the rest of the haul stays as good as it is.
 *
 * @param answer of the haul without the offer
 * @throws {DomainError} as {@link withOffer} and {@link programmeOf}
 */
export function roomFor(
	haul: Haul,
	answer: Answer,
	offer: Offer,
	solver: Solver,
	options: {
		/** For each of its two steps; the first is at its end in a part of a second where nothing else holds the machine. */
		readonly seconds: number;
		readonly losing: number;
		/** An answer that keeps the rest better still: it is begun from. */
		readonly from?: Shared;
		readonly stopped?: () => boolean;
	}
): Room {
	const whole = withOffer(haul, offer);
	const built = programmeOf(whole);
	const start: Shared = { ...answer.shared, left: { ...answer.shared.left, [offer.lot.id]: offer.lot.kg } };
	const kept = valuesOf(whole, built, start);
	const session = solver.open(turnedRound(whole, built, offer.lot.id, kept, options.losing));
	try {
		const { seconds, stopped, from } = options;
		const ask = { gap: 1e-3, ...(stopped ? { stopped } : {}) };
		// First beside the others as they are: found in a moment, and a good beginning for moving them too.
		const begun = from ? valuesOf(whole, built, from) : beside(session, built, whole, offer.lot.id, kept, seconds);
		const found = session.solve({ ...ask, seconds, start: begun });
		if (found.kind !== 'solved')
			return { kg: 0, most_kg: offer.lot.kg, proven: false, losing: options.losing, shared: start };
		const shared = sharedFrom(whole, built, found.values);
		const kg = offer.lot.kg - (shared.left[offer.lot.id] ?? 0);
		const most_kg = Math.min(offer.lot.kg, Math.max(kg, found.bound));
		return { kg, most_kg, proven: most_kg - kg < 0.01, losing: options.losing, shared };
	} finally {
		session.close();
	}
}

/** Worth of a kilo of an offer that is not placed, where all of it is to be: above what any other kilo is worth. */
const mustGo = 20;
/**
 * What would have to give for all of an offer: the plan that places the most of it, and of those the one nearest to the
 * plan without it.
 *
 * @param answer of the haul without the offer
 * @param options.from an answer of both that is begun from
 */
export function allOf(
	haul: Haul,
	answer: Answer,
	offer: Offer,
	solver: Solver,
	options: { readonly seconds: number; readonly from?: Shared; readonly stopped?: () => boolean }
): AllOfIt | undefined {
	const whole = withOffer(haul, { ...offer, lot: { ...offer.lot, left_cost: mustGo } });
	const found = nearestTo(whole, programmeOf(whole), answer.shared, solver, options);
	return (
		found && {
			shared: found.shared,
			left_kg: found.shared.left[offer.lot.id] ?? 0,
			changes: changesOf(haul, answer.shared, found.shared)
		}
	);
}
