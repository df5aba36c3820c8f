import { looksOf, type Looked, type LookKind, type Watched } from '$core/stock/looks';
import type { Units } from '$core/quantities/format';
import { inHouseholdUnits } from '$core/quantities/household-words';
import type { Thing } from '$core/things/thing';
import { foodById } from '$core/things/names';
import type { AllLooks, DueLooks, LookView } from '$lib/ui/shelves/types';
import { lookRows, type LookRow } from '$reference/looks';
import type { Stores } from './stores';
import type { PlaceRow } from './stores/households';
import type { LotRow } from './stores/stock';
import { arrivedAt, arrivedFrom } from './things';

/** Where a look is due within this, it stands among the looks. */
const lookAhead_ms = 86_400_000;

/** The looks that a lot wants where it stands; what waits in the Basket wants none. */
export function looksAt(
	row: Pick<LotRow, 'waiting' | 'placedAt' | 'since' | 'stays' | 'state'> & Pick<Watched, 'wayId'>,
	thing: Pick<Thing, 'food' | 'state'>,
	place: PlaceRow['kind'],
	seen: readonly Looked[],
	now: Date
): LookView[] {
	if (row.waiting) return [];
	return looksSince(
		{ food: thing.food, state: thing.state, wayId: row.wayId ?? null },
		place,
		arrivedAt(row, { kind: place }).getTime(),
		seen,
		now
	);
}

const looksSince = (
	thing: Watched,
	place: PlaceRow['kind'],
	since: number,
	seen: readonly Looked[],
	now: Date
): LookView[] =>
	looksOf(thing, place, since, seen, now.getTime()).map(({ row: { id }, at }) => ({
		kind: id as LookKind,
		at,
		due: at <= now.getTime() + lookAhead_ms
	}));

/** What is looked for, for every page once. */
export const allLooks = (units: Units): AllLooks =>
	mapRows((row) => ({
		name: row.name,
		look: row.look,
		findings: row.findings.map(({ id, words, advice }) => ({
			id,
			words,
			...(advice ? { advice: inHouseholdUnits(advice, units) } : {})
		}))
	}));

function mapRows<T>(to: (row: LookRow) => T): Record<LookKind, T> {
	const of = (kind: LookKind): T => {
		const row = lookRows.find((r) => r.id === kind);
		if (!row) throw new Error(`The looks have no row "${kind}".`);
		return to(row);
	};
	return {
		seal: of('seal'),
		shake: of('shake'),
		clump: of('clump'),
		soft: of('soft'),
		frost: of('frost'),
		brine: of('brine'),
		'brine-cold': of('brine-cold'),
		bag: of('bag'),
		row: of('row'),
		cured: of('cured')
	};
}

const nameOf = (kind: LookKind): string => lookRows.find((r) => r.id === kind)?.name ?? kind;

/** A lot as a walk names it. */
export interface Walked {
	readonly id: string;
	readonly title: string;
	readonly looks: readonly LookView[];
}

/** What of the rest of a household, the boards' first lots aside, wants a look: by place. */
export async function looksOfTheRest(
	stores: Stores,
	places: readonly PlaceRow[],
	shown: readonly string[],
	now: Date
): Promise<Map<string, Walked[]>> {
	const rows = await stores.stock.lookedFor();
	const read = new Set(shown);
	const kindOf = new Map(places.map((p) => [p.id, p.kind]));
	const byPlace = new Map<string, Walked[]>();
	for (const row of rows) {
		const food = foodById(row.food);
		const kind = kindOf.get(row.placeId);
		if (!food || !kind || read.has(row.id)) continue;
		const seen = Object.entries(row.last ?? {}) as [LookKind, number][];
		const looks = looksSince(
			{ food, state: row.state, wayId: row.wayId },
			kind,
			arrivedFrom(row.stays ?? [], row.from, kind, row.state),
			seen.map(([look, at]) => ({ kind: look, at, finding: 'fine' as const })),
			now
		);
		if (!looks.some((l) => l.due)) continue;
		const list = byPlace.get(row.placeId) ?? [];
		list.push({ id: row.id, title: row.title, looks });
		byPlace.set(row.placeId, list);
	}
	return byPlace;
}

/** Looks of one kind in one place are one walk. */
export function walksOf(places: readonly { readonly name: string; readonly lots: readonly Walked[] }[]): DueLooks[] {
	return places
		.flatMap((p) => {
			const due = p.lots.flatMap((l) => l.looks.filter((k) => k.due).map((look) => ({ look, lot: l })));
			return [...new Set(due.map((d) => d.look.kind))].map((kind) => {
				const same = due.filter((d) => d.look.kind === kind);
				return {
					kind,
					name: nameOf(kind),
					place: p.name,
					titles: same.slice(0, 4).map((d) => d.lot.title.toLowerCase()),
					lotIds: same.map((d) => d.lot.id),
					at: Math.min(...same.map((d) => d.look.at))
				};
			});
		})
		.sort((a, b) => a.at - b.at);
}
