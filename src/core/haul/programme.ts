import { mustBeWithin } from '../errors';
import { mostWays, type Haul, type HaulWay, type Limit, type Shared, type Take } from './haul';
import type { Column, Programme, Row } from './solver';

/** Which column stands for what. */
export interface Columns {
	/** By way and day: kilos, or whole packs where a part is of no use; −1 on days that are too late. */
	readonly amount: readonly (readonly number[])[];
	/** By way: packs, where a part of one is taken; else −1. */
	readonly packs: readonly number[];
	/** By way: whether it is gone at all. */
	readonly used: readonly number[];
	/** By way: kilos beyond what is enough; −1 where they are worth as much. */
	readonly more: readonly number[];
	/** By group and day, by station and day. */
	readonly loads: readonly (readonly number[])[];
	readonly setUps: readonly (readonly number[])[];
	/** By lot: its ways, by their number. */
	readonly waysOf: readonly (readonly number[])[];
	/** By lot: kilos left over. */
	readonly left: readonly number[];
	/** By lock: kilos by which it is missed; only where locks may give. */
	readonly given: readonly number[];
}
export interface Built {
	readonly programme: Programme;
	readonly columns: Columns;
	/** Rows of a limit, by its number: one, or one a day. */
	readonly limitRows: readonly (readonly number[])[];
}

/** Worth of a kilo by which a lock is missed: more than anything can gain. */
const missed = 1000;

/**
 * The programme of a haul: kilos of each lot to each way on each day, under what the kitchen has.
 *
 *     maximise  Σ worth·x − Σ (worth − worthMore)·more − Σ cost·loads − Σ cost·setUps − Σ left_cost·left
 *     lot       Σ x + left = kg                          way    least·used ≤ Σ x ≤ most·used, Σ used ≤ 3
 *     limit     Σ takes ≤ have (of all days; of a day; up to a day)
 *     group     Σ packs of a day ≤ packs a load · loads   station  x of a day ≤ most·setUp
 *
 * @param elastic locks may be missed at a price that nothing is worth: for a plan that they make impossible
 * @throws {DomainError} OUT_OF_RANGE: days, kilos or amounts that are none
 */
export function programmeOf(haul: Haul, elastic = false): Built {
	mustBeWithin(haul.days, 1, 14, 'days');
	const columns: Column[] = [];
	const rows: Row[] = [];
	const column = (name: string, upper: number, whole: boolean, worth: number, lower = 0): number =>
		columns.push({ name, lower, upper, whole, worth }) - 1;
	const row = (name: string, terms: Row['terms'], lower: number, upper: number): number =>
		rows.push({ name, terms, lower, upper }) - 1;
	const days = Array.from({ length: haul.days }, (_, t) => t);
	const lotAt = new Map(haul.lots.map((l, i) => [l.id, i]));
	const lotOf = (way: HaulWay) => {
		const lot = haul.lots[lotAt.get(way.lot) ?? -1];
		if (!lot) throw new RangeError(`The way ${way.id} is of no lot.`);
		return lot;
	};
	for (const lot of haul.lots) mustBeWithin(lot.kg, 0, 1e5, 'kg');
	/** Kilos of a unit of an amount's column. */
	const unit_kg = (way: HaulWay) => (way.whole ? way.pack_kg : 1);

	const amount = haul.ways.map((way, a) => {
		mustBeWithin(way.pack_kg, 1e-4, 1e5, 'pack_kg');
		const lot = lotOf(way);
		const most = Math.min(way.most_kg, lot.kg) / unit_kg(way);
		const upper = way.whole ? Math.floor(most + 1e-9) : most;
		return days.map((t) =>
			t <= lot.lastDay && upper > 0 ? column(`x${a}_${t}`, upper, way.whole, way.worth * unit_kg(way)) : -1
		);
	});
	const used = haul.ways.map((_, a) => column(`y${a}`, 1, true, 0));
	const packs = haul.ways.map((way, a) =>
		way.whole ? -1 : column(`b${a}`, Math.ceil(lotOf(way).kg / way.pack_kg), way.perPack.length > 0, 0)
	);
	const more = haul.ways.map((way, a) =>
		way.worthMore < way.worth && way.enough_kg < Math.min(way.most_kg, lotOf(way).kg)
			? column(`m${a}`, Infinity, false, way.worthMore - way.worth)
			: -1
	);
	const loads = haul.groups.map((g, i) => days.map((t) => column(`l${i}_${t}`, 1000, true, -g.cost)));
	const setUps = haul.stations.map((s, i) => days.map((t) => column(`s${i}_${t}`, 1, true, -s.cost)));
	const left = haul.lots.map((lot, i) => column(`r${i}`, lot.kg, false, -lot.left_cost));
	const given = elastic ? haul.locks.map((_, k) => column(`g${k}`, Infinity, false, -missed)) : [];

	/** Kilos of a way over all its days, as terms. */
	const kilos = (a: number, factor = 1): [number, number][] =>
		(amount[a] ?? []).filter((c) => c >= 0).map((c) => [c, factor * unit_kg(haul.ways[a] as HaulWay)]);

	const waysOf = haul.lots.map((lot) => haul.ways.flatMap((w, a) => (w.lot === lot.id ? [a] : [])));
	haul.lots.forEach((lot, i) => {
		const own = waysOf[i] ?? [];
		row(`lot${i}`, [...own.flatMap((a) => kilos(a)), [left[i] ?? 0, 1]], lot.kg, lot.kg);
		if (own.length > mostWays)
			row(
				`ways${i}`,
				own.map((a) => [used[a] ?? 0, 1]),
				-Infinity,
				mostWays
			);
	});
	haul.ways.forEach((way, a) => {
		const y = used[a] ?? 0;
		const most = Math.min(way.most_kg, lotOf(way).kg);
		row(`most${a}`, [...kilos(a), [y, -most]], -Infinity, 0);
		if (way.least_kg > 0) row(`least${a}`, [...kilos(a), [y, -Math.min(way.least_kg, most)]], 0, Infinity);
		const b = packs[a] ?? -1;
		if (b >= 0) row(`packs${a}`, [[b, way.pack_kg], ...kilos(a, -1)], 0, Infinity);
		const m = more[a] ?? -1;
		if (m >= 0) row(`more${a}`, [[m, 1], ...kilos(a, -1)], -way.enough_kg, Infinity);
	});
	haul.groups.forEach((g, i) => {
		const own = haul.ways.flatMap((w, a) => (w.group === g.id ? [a] : []));
		for (const t of days) {
			const terms = own.flatMap((a): [number, number][] => {
				const c = amount[a]?.[t] ?? -1;
				const way = haul.ways[a] as HaulWay;
				return c < 0 ? [] : [[c, way.whole ? 1 : 1 / way.pack_kg]];
			});
			if (terms.length > 0) row(`loads${i}_${t}`, [...terms, [loads[i]?.[t] ?? 0, -g.packs]], -Infinity, 0);
		}
	});
	haul.stations.forEach((s, i) => {
		haul.ways.forEach((way, a) => {
			if (way.station !== s.id) return;
			for (const t of days) {
				const c = amount[a]?.[t] ?? -1;
				if (c >= 0)
					row(
						`set${i}_${a}_${t}`,
						[
							[c, 1],
							[setUps[i]?.[t] ?? 0, -(columns[c]?.upper ?? 0)]
						],
						-Infinity,
						0
					);
			}
		});
	});
	haul.locks.forEach((lock, k) => {
		const a = haul.ways.findIndex((w) => w.id === lock.way);
		const way = haul.ways[a];
		if (!way) throw new RangeError(`The lock ${lock.way} is of no way.`);
		// In whole packs it is the nearest number of them.
		const kg = way.whole ? Math.round(lock.kg / way.pack_kg) * way.pack_kg : lock.kg;
		const slack: [number, number][] = given[k] === undefined ? [] : [[given[k], 1]];
		row(`lock${k}`, [...kilos(a), ...slack], kg - 1e-7, kg + 1e-7);
	});

	const limitRows = haul.limits.map((limit, l) => {
		const at = (taken: readonly Take[]) => taken.filter((x) => x.limit === limit.id).reduce((s, x) => s + x.amount, 0);
		/** What is taken on the days that are asked for. */
		const terms = (of: (t: number) => boolean, whole: boolean): [number, number][] => [
			...haul.ways.flatMap((way, a): [number, number][] => {
				const perPack = at(way.perPack);
				const each = at(way.perKg) * unit_kg(way) + (way.whole ? perPack : whole ? 0 : perPack / way.pack_kg);
				const b = packs[a] ?? -1;
				return [
					...days.filter(of).flatMap((t): [number, number][] => {
						const c = amount[a]?.[t] ?? -1;
						return c >= 0 && each > 0 ? [[c, each]] : [];
					}),
					...(whole && b >= 0 && perPack > 0 ? ([[b, perPack]] as [number, number][]) : [])
				];
			}),
			...haul.groups.flatMap((g, i) =>
				days.filter(of).flatMap((t): [number, number][] => (at(g.takes) > 0 ? [[loads[i]?.[t] ?? 0, at(g.takes)]] : []))
			),
			...haul.stations.flatMap((s, i) =>
				days
					.filter(of)
					.flatMap((t): [number, number][] => (at(s.takes) > 0 ? [[setUps[i]?.[t] ?? 0, at(s.takes)]] : []))
			)
		];
		return haveOf(limit, haul.days).map(({ of, have, whole }, j) => {
			mustBeWithin(have, 0, 1e9, `${limit.id}.have`);
			return row(`limit${l}_${j}`, terms(of, whole), -Infinity, have);
		});
	});
	return {
		programme: { columns, rows },
		columns: { amount, packs, used, more, loads, setUps, waysOf, left, given },
		limitRows
	};
}

/** What a limit allows: over which days, how much; whether packs count whole there (a day cannot say whose part is last). */
export function haveOf(
	limit: Limit,
	days: number
): { readonly of: (t: number) => boolean; readonly have: number; readonly whole: boolean }[] {
	if (limit.kind === 'stock') return [{ of: () => true, have: limit.have, whole: true }];
	return Array.from({ length: days }, (_, day) =>
		limit.kind === 'daily'
			? { of: (t: number) => t === day, have: limit.have[day] ?? 0, whole: false }
			: { of: (t: number) => t <= day, have: limit.have + limit.adds * day, whole: false }
	);
}

/** The answer that stands in the values of the columns. */
export function sharedFrom(haul: Haul, { columns }: Built, values: Float64Array): Shared {
	const at = (c: number | undefined) => (c === undefined || c < 0 ? 0 : (values[c] ?? 0));
	const parts = haul.ways.flatMap((way, a) =>
		(columns.amount[a] ?? []).flatMap((c, day) => {
			const kg = way.whole ? Math.round(at(c)) * way.pack_kg : at(c);
			return kg > 1e-5 ? [{ way: way.id, lot: way.lot, day, kg }] : [];
		})
	);
	const kgOf = (way: HaulWay) => parts.filter((p) => p.way === way.id).reduce((sum, p) => sum + p.kg, 0);
	const packs = Object.fromEntries(
		haul.ways.flatMap((way) => {
			const kg = kgOf(way);
			return kg > 0 ? [[way.id, Math.ceil(kg / way.pack_kg - 1e-6)]] : [];
		})
	);
	const loads = haul.groups.flatMap((g, i) =>
		(columns.loads[i] ?? []).flatMap((c, day) => {
			const count = Math.round(at(c));
			return count > 0 ? [{ group: g.id, day, count }] : [];
		})
	);
	const left = Object.fromEntries(
		haul.lots.map((lot) => [
			lot.id,
			Math.max(0, lot.kg - parts.filter((p) => p.lot === lot.id).reduce((sum, p) => sum + p.kg, 0))
		])
	);
	return { parts, packs, loads, left, worth: worthOf(haul, parts, loads, left) };
}

/** What an answer is worth, by the haul alone and no solver's word. */
export function worthOf(haul: Haul, parts: Shared['parts'], loads: Shared['loads'], left: Shared['left']): number {
	const ways = haul.ways.reduce((sum, way) => {
		const kg = parts.filter((p) => p.way === way.id).reduce((s, p) => s + p.kg, 0);
		const most = Math.max(0, kg - way.enough_kg);
		return sum + kg * way.worth - most * Math.max(0, way.worth - way.worthMore);
	}, 0);
	const set = haul.stations.reduce((sum, s) => {
		const own = new Set(haul.ways.filter((w) => w.station === s.id).map((w) => w.id));
		return sum + s.cost * new Set(parts.filter((p) => own.has(p.way)).map((p) => p.day)).size;
	}, 0);
	const gone = loads.reduce((sum, l) => sum + l.count * (haul.groups.find((g) => g.id === l.group)?.cost ?? 0), 0);
	const lost = haul.lots.reduce((sum, lot) => sum + lot.left_cost * (left[lot.id] ?? 0), 0);
	return ways - set - gone - lost;
}

/** The columns of an answer: what a solver begins from. */
export function valuesOf(haul: Haul, { programme, columns }: Built, shared: Shared): Float64Array {
	const values = new Float64Array(programme.columns.length);
	const set = (c: number | undefined, value: number) => {
		if (c !== undefined && c >= 0) values[c] = value;
	};
	haul.ways.forEach((way, a) => {
		const own = shared.parts.filter((p) => p.way === way.id);
		const kg = own.reduce((sum, p) => sum + p.kg, 0);
		for (const p of own) set(columns.amount[a]?.[p.day], way.whole ? Math.round(p.kg / way.pack_kg) : p.kg);
		set(columns.used[a], kg > 0 ? 1 : 0);
		set(columns.packs[a], Math.ceil(kg / way.pack_kg - 1e-6));
		set(columns.more[a], Math.max(0, kg - way.enough_kg));
	});
	haul.groups.forEach((g, i) => {
		for (const l of shared.loads) if (l.group === g.id) set(columns.loads[i]?.[l.day], l.count);
	});
	haul.stations.forEach((s, i) => {
		const own = new Set(haul.ways.filter((w) => w.station === s.id).map((w) => w.id));
		for (const p of shared.parts) if (own.has(p.way)) set(columns.setUps[i]?.[p.day], 1);
	});
	haul.lots.forEach((lot, i) => set(columns.left[i], shared.left[lot.id] ?? 0));
	return values;
}
