import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { reverseOf } from '$core/stock/fold';
import type { Tx } from '../../db/client';
import { batch, lot, movement, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { staysMerged } from '../../things';
import { carryLooks } from './carry-looks';
import { post, type Step } from './post';

/** Appends the reverse of every movement of a group. @throws {AppError} 404, 409 when it cannot be taken back */
export async function undoGroup(tx: Tx, householdId: string, groupId: string, now: Date, by: string): Promise<Step> {
	const rows = await tx
		.select()
		.from(movement)
		.where(and(eq(movement.householdId, householdId), eq(movement.groupId, groupId), isNull(movement.reversesId)))
		.orderBy(asc(movement.lotId))
		.for('update');
	if (rows.length === 0) throw notFound('step');
	if (rows.some((r) => r.runId !== null))
		throw new AppError(
			409,
			'BOOKED_BY_RUN',
			'That was booked by a run: open the run again and take back its tap there. Nothing was changed.'
		);
	const reversed = await tx
		.select({ id: movement.id })
		.from(movement)
		.where(
			inArray(
				movement.reversesId,
				rows.map((r) => r.id)
			)
		);
	if (reversed.length > 0)
		throw new AppError(409, 'UNDONE_BEFORE', 'That step was taken back already. Nothing was changed.');
	const undoGroupId = uuidv7();
	await comeBack(tx, householdId, rows, now);
	try {
		await post(
			tx,
			householdId,
			undoGroupId,
			rows.map((r) => {
				const back = reverseOf({ id: r.id, kind: r.kind, amount: r.amount, reverses: null }, uuidv7());
				return {
					lotId: r.lotId,
					kind: back.kind,
					amount: back.amount,
					cause: 'undo',
					batchId: r.batchId,
					reversesId: r.id
				};
			}),
			{ now, by }
		);
	} catch (error) {
		if (error instanceof AppError && error.code === 'NOT_ENOUGH') {
			throw new AppError(
				409,
				'USED_SINCE',
				'It cannot be taken back: some of it has been used since. Nothing was changed; undo the later step first.'
			);
		}
		throw error;
	}
	// An entry that was written by hand for what is taken back was a slip.
	const puts = rows.filter((r) => r.kind === 'put' && r.batchId !== null).map((r) => r.batchId ?? '');
	if (puts.length > 0)
		await tx
			.update(batch)
			.set({ voidedAt: now })
			.where(and(eq(batch.householdId, householdId), inArray(batch.id, puts), eq(batch.madeBy, 'hand')));
	return { groupId: undoGroupId, words: 'Taken back' };
}

/** Steps that carry a thing from one lot to another. Opening is none: taken back, the jar was never open. */
const carries = new Set<(typeof movement.$inferSelect)['kind']>(['move', 'thaw', 'split', 'merge']);

/** Before a thing comes back to the lot that it left: it brings the hours that it spent where it was. */
async function comeBack(
	tx: Tx,
	householdId: string,
	rows: readonly (typeof movement.$inferSelect)[],
	now: Date
): Promise<void> {
	const split = rows.filter((r) => carries.has(r.kind));
	const from = split.find((r) => r.amount < 0);
	const to = split.find((r) => r.amount > 0);
	if (!from || !to) return;
	const lots = await tx
		.select({ lot, place })
		.from(lot)
		.innerJoin(place, eq(place.id, lot.placeId))
		.where(and(eq(lot.householdId, householdId), inArray(lot.id, [from.lotId, to.lotId])))
		.orderBy(asc(lot.id))
		.for('update', { of: lot });
	const home = lots.find((l) => l.lot.id === from.lotId);
	const away = lots.find((l) => l.lot.id === to.lotId);
	if (!home || !away) throw notFound('lot');
	await carryLooks(tx, householdId, to.lotId, from.lotId);
	const merged = staysMerged(home.lot, home.place, away.lot, away.place, now);
	await tx
		.update(lot)
		.set({ stays: merged.stays, placedAt: merged.placedAt })
		.where(and(eq(lot.householdId, householdId), eq(lot.id, from.lotId)));
}
