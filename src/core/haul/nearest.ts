import type { Haul, Shared } from './haul';
import { sharedFrom, valuesOf, type Built } from './programme';
import type { Programme, Solver } from './solver';

/** Kilos that a way of a lot got or lost from one plan to another; of what is not placed where `way` is null. */
export interface Change {
	readonly lot: string;
	readonly way: string | null;
	readonly kg: number;
}

export const kgOf = (shared: Shared, way: string): number =>
	shared.parts.reduce((sum, p) => sum + (p.way === way ? p.kg : 0), 0);

/** What is other in the second of two plans, the largest first; less than a handful is nothing. */
export function changesOf(haul: Haul, before: Shared, after: Shared): Change[] {
	const changes: Change[] = [
		...haul.ways.map((w) => ({ lot: w.lot, way: w.id, kg: kgOf(after, w.id) - kgOf(before, w.id) })),
		...haul.lots.map((l) => ({ lot: l.id, way: null, kg: (after.left[l.id] ?? 0) - (before.left[l.id] ?? 0) }))
	];
	return changes.filter((c) => Math.abs(c.kg) > 0.05).sort((a, b) => Math.abs(b.kg) - Math.abs(a.kg));
}

/** Worth of a kilo that has to leave the way it had: of two plans alike, the one that leaves more as it was. */
const disturbed = 0.25;

export interface NearestOptions {
	readonly seconds: number;
	/** An answer that is begun from. */
	readonly from?: Shared;
	readonly stopped?: () => boolean;
}

/**
 * The best plan of a haul with little moved: every kilo that leaves the way which it had in another plan costs a little.
 * What a person is told of a change is then its cause, and no coin that fell on the other side.
 *
 * @param built of the haul
 * @param had the plan that is kept to; it may know less lots
 * @returns the plan and the values of the programme's columns; undefined where nothing was found in the time
 */
export function nearestTo(
	haul: Haul,
	built: Built,
	had: Shared,
	solver: Solver,
	{ seconds, from, stopped }: NearestOptions
): { readonly shared: Shared; readonly values: Float64Array } | undefined {
	const { columns, rows } = built.programme;
	const less = haul.ways.flatMap((way, a) => {
		const kg = kgOf(had, way.id);
		return kg > 0.01 ? [{ way, a, kg }] : [];
	});
	const programme: Programme = {
		columns: [
			...columns,
			...less.map(({ a, kg }) => ({ name: `d${a}`, lower: 0, upper: kg, whole: false, worth: -disturbed }))
		],
		rows: [
			...rows,
			...less.map(({ way, a, kg }, i) => ({
				name: `less${a}`,
				terms: [
					[columns.length + i, 1] as const,
					...(built.columns.amount[a] ?? []).filter((c) => c >= 0).map((c) => [c, way.whole ? way.pack_kg : 1] as const)
				],
				lower: kg,
				upper: Infinity
			}))
		]
	};
	const start = from && [
		...valuesOf(haul, built, from),
		...less.map(({ way, kg }) => Math.max(0, kg - kgOf(from, way.id)))
	];
	const session = solver.open(programme);
	try {
		const found = session.solve({
			seconds,
			gap: 1e-4,
			...(start ? { start: Float64Array.from(start) } : {}),
			...(stopped ? { stopped } : {})
		});
		return found.kind === 'solved'
			? { shared: sharedFrom(haul, built, found.values), values: found.values }
			: undefined;
	} finally {
		session.close();
	}
}
