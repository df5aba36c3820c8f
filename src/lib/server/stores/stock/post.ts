import { and, asc, eq, inArray } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Units } from '$core/quantities/format';
import { sayAmount } from '$core/stock/amount';
import type { MovementKind } from '$core/stock/fold';
import type { Tx } from '../../db/client';
import { household, lot, lotBalance, lotParent, movement, place } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { carryLooks } from './carry-looks';
import { asideOf, claimedBy, shrinkAside, type Aside } from './claims';

export type LotRow = typeof lot.$inferSelect;
export type NewLot = Omit<typeof lot.$inferInsert, 'id' | 'householdId' | 'createdAt'>;

export interface Change {
	readonly lotId: string;
	readonly kind: MovementKind;
	/** In the lot's unit; what goes is negative. */
	readonly amount: number;
	readonly cause?: string;
	readonly batchId?: string | null;
	readonly reversesId?: string;
	/** The run that books it: its own raw food is spoken for by itself. */
	readonly runId?: string;
}

/** The household's units, for what has to be said. */
export async function unitsOf(tx: Tx, householdId: string): Promise<Units> {
	const [row] = await tx.select({ units: household.units }).from(household).where(eq(household.id, householdId));
	return row?.units ?? 'metric';
}

/**
 * Writes the movements of one step: locks the balances in the order of their ids (so that two steps never wait for
 * each other), checks that nothing falls below zero nor below what is spoken for, appends, updates. All or nothing: the
 * caller's transaction.
 *
 * @throws {AppError} 404 a lot is not this household's; 409 NOT_ENOUGH, AT_THE_STOVE, KEPT_FOR
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
		.select({ balance: lotBalance, lot })
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.where(and(eq(lotBalance.householdId, householdId), inArray(lotBalance.lotId, ids)))
		.orderBy(asc(lotBalance.lotId))
		.for('update', { of: lotBalance });
	if (locked.length !== ids.length) throw notFound('lot');
	const balances = new Map(locked.map((b) => [b.balance.lotId, { amount: b.balance.amount, lot: b.lot }]));
	// Under the lock: a start that was a moment faster is seen.
	const spoken = changes.some((c) => c.amount < 0 && c.runId === undefined)
		? await claimedBy(tx, householdId)
		: new Map<string, number>();
	for (const change of changes) {
		const balance = balances.get(change.lotId);
		if (!balance) throw notFound('lot');
		const left = balance.amount + change.amount;
		if (left < 0) throw await notEnough(tx, householdId, balance.lot, balance.amount);
		const atStove = spoken.get(change.lotId) ?? 0;
		if (change.amount < 0 && change.runId === undefined && left < atStove) {
			const kept = await asideOf(tx, householdId, change.lotId);
			const runs = atStove - kept.reduce((sum, k) => sum + k.amount, 0);
			// What was counted or found spoiled is so, whatever it was kept for; the stove's share is in the pot.
			if (!(change.kind === 'count' || change.kind === 'spoil') || left < runs)
				throw await spokenFor(tx, householdId, balance.lot, balance.amount, { runs, kept });
			await shrinkAside(tx, householdId, kept, atStove - left, at.now);
			spoken.set(change.lotId, left);
		}
		balance.amount = left;
	}
	await tx.insert(movement).values(
		changes.map((c) => ({
			id: uuidv7(),
			householdId,
			lotId: c.lotId,
			groupId,
			kind: c.kind,
			amount: c.amount,
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
		await tx.update(lotBalance).set({ amount: b.amount }).where(eq(lotBalance.lotId, lotId));
}

async function notEnough(tx: Tx, householdId: string, row: LotRow, there: number): Promise<AppError> {
	const words = sayAmount(row, there, await unitsOf(tx, householdId));
	return new AppError(
		409,
		'NOT_ENOUGH',
		`There ${row.unit === 'pack' && there === 1 ? 'is' : 'are'} only ${words} left there. Nothing was changed.`,
		[{ field: 'amount', message: `At most ${row.unit === 'pack' ? there : words}.` }]
	);
}

async function spokenFor(
	tx: Tx,
	householdId: string,
	row: LotRow,
	there: number,
	by: { readonly runs: number; readonly kept: readonly Aside[] }
): Promise<AppError> {
	const units = await unitsOf(tx, householdId);
	const say = (amount: number) => sayAmount(row, amount, units);
	const kept = by.kept.reduce((sum, k) => sum + k.amount, 0);
	const free = Math.max(0, there - by.runs - kept);
	const who = [
		...(by.runs > 0 ? [`${say(by.runs)} at the stove`] : []),
		...by.kept.map((k) => `${say(k.amount)} kept for ${k.words}`)
	].join(', ');
	if (kept > 0)
		return new AppError(
			409,
			'KEPT_FOR',
			`Of these ${say(there)}: ${who}. ${free > 0 ? `At most ${say(free)} can go now.` : 'None is free.'} Nothing was changed: take them for what they are kept for, or let them go first.`
		);
	return new AppError(
		409,
		'AT_THE_STOVE',
		free > 0
			? `Of these ${say(there)}, ${say(by.runs)} are at the stove: at most ${say(free)} can go now. Nothing was changed.`
			: 'This item is at the stove: finish or stop that run first. Nothing was changed.'
	);
}

/** Makes an empty lot with its balance row; `post` fills it. */
export async function makeLot(tx: Tx, householdId: string, values: NewLot, now: Date): Promise<string> {
	const id = uuidv7();
	await tx.insert(lot).values({ ...values, id, householdId, createdAt: now });
	await tx.insert(lotBalance).values({ lotId: id, householdId, amount: 0 });
	return id;
}

/** A lot like another one, but for what is said of it: what is split, moved, opened or thawed off it. */
export async function makeChild(
	tx: Tx,
	parent: LotRow,
	how: (typeof lotParent.$inferInsert)['how'],
	values: Partial<NewLot>,
	now: Date
): Promise<string> {
	const { id: _id, householdId, createdAt: _c, packEventId: _p, ...rest } = parent;
	const lotId = await makeLot(tx, householdId, { ...rest, ...values }, now);
	await tx.insert(lotParent).values({ lotId, parentId: parent.id, householdId, how });
	await carryLooks(tx, householdId, parent.id, lotId);
	return lotId;
}

export interface Step {
	readonly groupId: string;
	readonly words: string;
	/** The lot that it made, where it made one. */
	readonly lotId?: string;
}

/** A lot of this household. @throws {AppError} 404 */
export async function ownLot(tx: Tx, householdId: string, lotId: string): Promise<LotRow> {
	const [row] = await tx
		.select()
		.from(lot)
		.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)));
	if (!row) throw notFound('lot');
	return row;
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
