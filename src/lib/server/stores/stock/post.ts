import { and, asc, eq, inArray } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { MovementKind } from '$core/stock/fold';
import type { Tx } from '../../db/client';
import { lot, lotBalance, movement, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { reservedBy } from '../runs/read';

export type LotRow = typeof lot.$inferSelect;
export type NewLot = Omit<typeof lot.$inferInsert, 'id' | 'householdId' | 'createdAt'>;

export interface Change {
	readonly lotId: string;
	readonly kind: MovementKind;
	readonly grams: number;
	readonly packs: number;
	readonly cause?: string;
	readonly batchId?: string | null;
	readonly reversesId?: string;
	/** The run that books it: its own raw food is spoken for by itself. */
	readonly runId?: string;
}

/**
 * Writes the movements of one step: locks the balances in the order of their ids (so that two steps never wait for
 * each other), checks that nothing falls below zero nor below what open runs have spoken for, appends, updates. All or
 * nothing: the caller's transaction.
 *
 * @throws {AppError} 404 a lot is not this household's; 409 NOT_ENOUGH, AT_THE_STOVE
 */
export async function post(
	tx: Tx,
	householdId: string,
	groupId: string,
	changes: readonly Change[],
	at: { now: Date; occurredAt?: Date; by: string }
): Promise<void> {
	const ids = [...new Set(changes.map((c) => c.lotId))].sort();
	const locked = await tx
		.select()
		.from(lotBalance)
		.where(and(eq(lotBalance.householdId, householdId), inArray(lotBalance.lotId, ids)))
		.orderBy(asc(lotBalance.lotId))
		.for('update');
	if (locked.length !== ids.length) throw notFound('lot');
	const balances = new Map(locked.map((b) => [b.lotId, { grams: b.grams, packs: b.packs }]));
	// Under the lock: a start that was a moment faster is seen.
	const spoken = changes.some((c) => c.grams < 0 && c.runId === undefined)
		? await reservedBy(tx, householdId)
		: new Map<string, number>();
	for (const change of changes) {
		const balance = balances.get(change.lotId);
		if (!balance) throw notFound('lot');
		if (balance.grams + change.grams < 0) {
			throw new AppError(409, 'NOT_ENOUGH', `There are only ${balance.grams} g left there. Nothing was changed.`, [
				{ field: 'amount', message: `At most ${balance.grams} g.` }
			]);
		}
		const atStove = spoken.get(change.lotId) ?? 0;
		if (change.grams < 0 && change.runId === undefined && balance.grams + change.grams < atStove) {
			throw new AppError(
				409,
				'AT_THE_STOVE',
				balance.grams > atStove
					? `Of these ${balance.grams} g, ${atStove} g are at the stove: at most ${balance.grams - atStove} g can go now. Nothing was changed.`
					: 'This item is at the stove: finish or stop that run first. Nothing was changed.'
			);
		}
		if (balance.packs + change.packs < 0) {
			throw new AppError(
				409,
				'NOT_ENOUGH',
				`There ${balance.packs === 1 ? 'is only 1 pack' : `are only ${balance.packs} packs`} left there. Nothing was changed.`,
				[{ field: 'amount', message: `At most ${balance.packs}.` }]
			);
		}
		balance.grams += change.grams;
		balance.packs += change.packs;
	}
	await tx.insert(movement).values(
		changes.map((c) => ({
			id: uuidv7(),
			householdId,
			lotId: c.lotId,
			groupId,
			kind: c.kind,
			grams: c.grams,
			packs: c.packs,
			cause: c.cause ?? '',
			by: at.by,
			batchId: c.batchId ?? null,
			reversesId: c.reversesId ?? null,
			runId: c.runId ?? null,
			occurredAt: at.occurredAt ?? at.now,
			recordedAt: at.now
		}))
	);
	for (const [lotId, b] of balances)
		await tx.update(lotBalance).set({ grams: b.grams, packs: b.packs }).where(eq(lotBalance.lotId, lotId));
}

/** Makes an empty lot with its balance row; `post` fills it. */
export async function makeLot(tx: Tx, householdId: string, values: NewLot, now: Date): Promise<string> {
	const id = uuidv7();
	await tx.insert(lot).values({ ...values, id, householdId, createdAt: now });
	await tx.insert(lotBalance).values({ lotId: id, householdId, grams: 0, packs: 0 });
	return id;
}

export interface Step {
	readonly groupId: string;
	readonly words: string;
}

/** A place in use; it is not removed before this transaction is over. @throws {AppError} 404, 409 PLACE_REMOVED */
export async function openPlace(tx: Tx, householdId: string, id: string): Promise<typeof place.$inferSelect> {
	const [row] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, householdId), eq(place.id, id || '00000000-0000-0000-0000-000000000000')))
		.for('share');
	if (!row) throw notFound('place');
	if (row.removedAt)
		throw new AppError(
			409,
			'PLACE_REMOVED',
			`${row.name} has been removed from the Kitchen meanwhile. Nothing was changed; choose another place.`,
			[{ field: 'placeId', message: 'Choose another place.' }]
		);
	return row;
}
