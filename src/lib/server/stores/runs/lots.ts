import { and, eq, isNull, ne, or } from 'drizzle-orm';
import { dateIn, keepsUntil } from '$core/freezing/keep';
import type { RunBook } from '$core/runs/engine/book';
import type { ByProductLine } from '$core/runs/engine/fold';
import { dgOf, packsOfGrams } from '$core/stock/amount';
import { plain } from '$core/things/thing';
import type { Tx } from '../../db/client';
import { lot, runEvent } from '../../db/schema';
import { knownFood, lotOfThing, thisReader } from '../../things';
import type { HouseholdRow } from '../households';
import { makeLot } from '../stock/post';
import type { Entries } from './entries';
import type { RunRow } from './read';

/** A lot that the run made: what of it is to stand there, in its unit. */
export interface MadeLot {
	readonly amount: number;
	readonly unit: 'pack' | 'dg';
	readonly containerId: string | null;
	readonly batchId: string | null;
}

/**
 * The lots of what came out, by id: one tap, one lot, made when it first comes into the book. Packs belong to their entry;
 * by-products wait in the Basket.
 */
export async function lotsOf(
	tx: Tx,
	home: HouseholdRow,
	row: RunRow,
	book: RunBook,
	entries: Entries,
	at: { readonly now: Date }
): Promise<Map<string, MadeLot>> {
	const known = await tx
		.select({
			id: lot.id,
			eventId: lot.packEventId,
			containerId: lot.containerId,
			unit: lot.unit,
			batchId: lot.batchId
		})
		.from(lot)
		.innerJoin(runEvent, and(eq(runEvent.householdId, lot.householdId), eq(runEvent.id, lot.packEventId)))
		.where(and(eq(lot.householdId, home.id), eq(runEvent.runId, row.id)));
	const packs = new Map(book.packs.map((line) => [line.eventId, line.packs]));
	const loose = new Map(book.byproducts.map((line) => [line.eventId, dgOf(line.grams)]));
	const lots = new Map<string, MadeLot>();
	for (const { id, eventId, containerId, unit, batchId } of known) {
		const amount = (unit === 'pack' ? packs : loose).get(eventId ?? '') ?? 0;
		lots.set(id, { amount, unit: unit === 'pack' ? 'pack' : 'dg', containerId, batchId });
	}
	if (!book.end) return lots;
	const packedOn = dateIn(home.zone, Math.min(book.end.endedAt, at.now.getTime()));
	const there = new Set(known.map((k) => k.eventId));
	for (const entry of book.entries) {
		const batchId = entries.get(entry.n) ?? null;
		const until = keepsUntil(packedOn, entry);
		if (batchId && known.some((k) => k.batchId === batchId))
			await tx
				.update(lot)
				.set({ keepsUntil: until })
				.where(
					and(
						eq(lot.householdId, home.id),
						eq(lot.batchId, batchId),
						or(isNull(lot.keepsUntil), ne(lot.keepsUntil, until))
					)
				);
		for (const line of book.packs) {
			if (line.subject !== entry.n || there.has(line.eventId)) continue;
			const id = await makeLot(
				tx,
				home.id,
				{
					...packsOfGrams(line.pack_g),
					state: entry.state,
					was: entry.was ?? null,
					// What is booked as canned had its full process: nothing else is.
					process: entry.closing.canning ? 'tested' : null,
					madeOf: entry.madeOf ? [...entry.madeOf] : null,
					food: entry.food,
					form: entry.form,
					placeId: line.placeId,
					condition: 'firm',
					// No line was read for it: it is what its plan says.
					reader: thisReader,
					said: '',
					note: '',
					title: entry.title,
					containerId: line.containerId,
					batchId,
					packEventId: line.eventId,
					since: new Date(Math.min(line.at, at.now.getTime())),
					keepsUntil: until
				},
				at.now
			);
			lots.set(id, { amount: line.packs, unit: 'pack', containerId: line.containerId, batchId });
		}
	}
	for (const line of book.byproducts) {
		if (there.has(line.eventId)) continue;
		const id = await makeLot(
			tx,
			home.id,
			{ ...byProductLot(line), since: new Date(Math.min(line.at, at.now.getTime())) },
			at.now
		);
		lots.set(id, { amount: dgOf(line.grams), unit: 'dg', containerId: null, batchId: null });
	}
	return lots;
}

/** What came off on the way, as it stands in the Basket. */
const byProductLot = (line: ByProductLine) => ({
	...lotOfThing({
		...plain(knownFood(line.food)),
		form: line.form,
		...(line.first ? { condition: 'soft' as const } : {}),
		called: line.title ?? `${knownFood(line.food).name} ${line.form}`
	}),
	...(line.foodKind ? { foodKind: line.foodKind } : {}),
	// What stood out of the cold on the way has that much of its clock behind it.
	stays:
		line.stays ??
		(line.warm && line.warm.ms > 0
			? [{ place: 'counter' as const, place_C: line.warm.C, from: line.at - line.warm.ms, until: line.at }]
			: []),
	placedAt: new Date(line.at),
	unit: 'dg' as const,
	waiting: !line.kept,
	placeId: line.placeId,
	said: '',
	note: line.kept ? '' : 'came off at the stove',
	packEventId: line.eventId
});
