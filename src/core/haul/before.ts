import { DomainError } from '../errors';
import type { Haul, HaulLot, HaulWay, LoadGroup, Shared, Station } from './haul';
import { programmeOf, sharedFrom, valuesOf, type Built } from './programme';
import type { Answer } from './solve';
import type { Programme, Solver } from './solver';

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
	readonly changes: readonly { readonly lot: string; readonly way: string | null; readonly kg: number }[];
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
		const found = session.solve({
			seconds,
			gap: 1e-3,
			start: from ? valuesOf(whole, built, from) : kept,
			...(stopped ? { stopped } : {})
		});
		if (found.kind !== 'solved')
			return { kg: 0, most_kg: offer.lot.kg, proven: false, losing: options.losing, shared: start };
		const shared = sharedFrom(whole, built, found.values);
		const kg = offer.lot.kg - (shared.left[offer.lot.id] ?? 0);
		const most_kg = Math.min(offer.lot.kg, Math.max(kg, found.bound));
		return { kg, most_kg, proven: most_kg - kg < 0.01 + 1e-3 * most_kg, losing: options.losing, shared };
	} finally {
		session.close();
	}
}

/** Worth of a kilo of an offer that is not placed, where all of it is to be: above what any other kilo is worth. */
const mustGo = 20;
/** Worth of a kilo that has to leave the way it had: of two plans alike, the one that leaves more as it was. */
const disturbed = 0.25;

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
	const built = programmeOf(whole);
	const kgOf = (s: Shared, way: string) => s.parts.filter((p) => p.way === way).reduce((sum, p) => sum + p.kg, 0);
	const had = haul.ways.map((w) => kgOf(answer.shared, w.id));
	const { columns, rows } = built.programme;
	const less = had.flatMap((kg, a) => (kg > 0.01 ? [{ a, kg }] : []));
	const programme: Programme = {
		columns: [
			...columns,
			...less.map(({ a, kg }) => ({ name: `d${a}`, lower: 0, upper: kg, whole: false, worth: -disturbed }))
		],
		rows: [
			...rows,
			...less.map(({ a, kg }, i) => ({
				name: `less${a}`,
				terms: [
					[columns.length + i, 1] as const,
					...(built.columns.amount[a] ?? [])
						.filter((c) => c >= 0)
						.map((c) => [c, haul.ways[a]?.whole ? (haul.ways[a]?.pack_kg ?? 1) : 1] as const)
				],
				lower: kg,
				upper: Infinity
			}))
		]
	};
	const { seconds, from, stopped } = options;
	const start = from && [
		...valuesOf(whole, built, from),
		...less.map(({ a, kg }) => Math.max(0, kg - kgOf(from, haul.ways[a]?.id ?? '')))
	];
	const session = solver.open(programme);
	try {
		const found = session.solve({
			seconds,
			gap: 1e-4,
			...(start ? { start: Float64Array.from(start) } : {}),
			...(stopped ? { stopped } : {})
		});
		if (found.kind !== 'solved') return undefined;
		const shared = sharedFrom(whole, built, found.values);
		const changes = [
			...haul.ways.map((w, a) => ({ lot: w.lot, way: w.id as string | null, kg: kgOf(shared, w.id) - (had[a] ?? 0) })),
			...haul.lots.map((l) => ({
				lot: l.id,
				way: null,
				kg: (shared.left[l.id] ?? 0) - (answer.shared.left[l.id] ?? 0)
			}))
		];
		return {
			shared,
			left_kg: shared.left[offer.lot.id] ?? 0,
			changes: changes.filter((c) => Math.abs(c.kg) > 0.05).sort((x, y) => Math.abs(y.kg) - Math.abs(x.kg))
		};
	} finally {
		session.close();
	}
}
