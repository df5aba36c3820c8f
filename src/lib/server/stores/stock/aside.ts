import { and, eq, inArray, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { sayThing, type LotUnit } from '$core/stock/amount';
import type { Tx } from '../../db/client';
import { claim } from '../../db/schema';
import { AppError, notFound } from '../../errors';
import { claimedBy } from './claims';
import { allOf } from './open';
import { ownLot, post, unitsOf, type Step } from './post';

interface At {
	readonly now: Date;
	readonly by: string;
}

/**
 * Keeps a part of a lot for something: it stays where it stands, and nothing else takes it.
 *
 * @param step.words for what: "Sunday's roast"
 * @throws {AppError} 404; 409 NOT_FREE, WAITS; 422 WRONG_UNIT
 */
export async function keepAside(
	tx: Tx,
	householdId: string,
	step: { lotId: string; unit: LotUnit; amount: number; words: string },
	{ now }: At
): Promise<{ words: string; claimId: string }> {
	const row = await ownLot(tx, householdId, step.lotId);
	if (row.unit !== step.unit)
		throw new AppError(422, 'WRONG_UNIT', 'That is counted otherwise. Nothing was kept.', [
			{ field: 'amount', message: 'An amount as it is counted there.' }
		]);
	if (row.waiting)
		throw new AppError(409, 'WAITS', 'It waits in the Basket: put it on the shelf first. Nothing was kept.');
	const there = await allOf(tx, step.lotId);
	const free = there - ((await claimedBy(tx, householdId)).get(step.lotId) ?? 0);
	const units = await unitsOf(tx, householdId);
	if (step.amount > free)
		throw new AppError(
			409,
			'NOT_FREE',
			free > 0
				? `Only ${sayThing(row, free, row.title, units)} are free: the rest is spoken for. Nothing was kept.`
				: 'All of it is spoken for already. Nothing was kept.',
			[{ field: 'amount', message: 'Less, or let something go first.' }]
		);
	const claimId = uuidv7();
	await tx.insert(claim).values({
		id: claimId,
		householdId,
		lotId: step.lotId,
		amount: step.amount,
		by: 'plan',
		runId: null,
		words: step.words,
		madeAt: now
	});
	return { claimId, words: `${sayThing(row, step.amount, row.title, units)} kept for ${step.words}` };
}

/** A wish that still holds, locked. @throws {AppError} 404: none, a run's, or let go before */
async function openAside(tx: Tx, householdId: string, claimId: string): Promise<typeof claim.$inferSelect> {
	const [row] = await tx
		.select()
		.from(claim)
		.where(and(eq(claim.householdId, householdId), eq(claim.id, claimId), isNull(claim.endedAt), isNull(claim.runId)))
		.for('update');
	if (!row) throw notFound('thing kept aside');
	return row;
}

const end = (tx: Tx, householdId: string, claimId: string, now: Date) =>
	tx
		.update(claim)
		.set({ endedAt: now })
		.where(and(eq(claim.householdId, householdId), eq(claim.id, claimId)));

/** What was kept for something is free again. @throws {AppError} 404 */
export async function letGo(tx: Tx, householdId: string, claimId: string, { now }: At): Promise<{ words: string }> {
	const kept = await openAside(tx, householdId, claimId);
	await end(tx, householdId, claimId, now);
	const row = await ownLot(tx, householdId, kept.lotId);
	const units = await unitsOf(tx, householdId);
	return { words: `${sayThing(row, kept.amount, row.title, units)} free again` };
}

/** Takes what was kept for something, for it. @throws {AppError} 404; 409 */
export async function takeAside(tx: Tx, householdId: string, claimId: string, { now, by }: At): Promise<Step> {
	// The balance before the claim: the one order of locks.
	const [named] = await tx
		.select({ lotId: claim.lotId })
		.from(claim)
		.where(and(eq(claim.householdId, householdId), eq(claim.id, claimId)));
	if (!named) throw notFound('thing kept aside');
	await allOf(tx, named.lotId);
	const kept = await openAside(tx, householdId, claimId);
	await end(tx, householdId, claimId, now);
	const row = await ownLot(tx, householdId, kept.lotId);
	const groupId = uuidv7();
	await post(
		tx,
		householdId,
		groupId,
		[{ lotId: kept.lotId, kind: 'take', amount: -kept.amount, cause: kept.words, batchId: row.batchId }],
		{ now, by }
	);
	const units = await unitsOf(tx, householdId);
	return { groupId, words: `${sayThing(row, kept.amount, row.title, units)} taken for ${kept.words}` };
}

/** Keeps every part of a supper for a day, or none. @see keepAside */
export async function keepAll(
	tx: Tx,
	householdId: string,
	parts: readonly { lotId: string; amount: number }[],
	words: string,
	at: At
): Promise<{ words: string }> {
	// In the one order of locks, so that two suppers never wait for each other.
	for (const { lotId, amount } of [...parts].sort((a, b) => (a.lotId < b.lotId ? -1 : 1))) {
		const { unit } = await ownLot(tx, householdId, lotId);
		await keepAside(tx, householdId, { lotId, amount, unit, words }, at);
	}
	return { words };
}

/** Takes all that was kept under the same words, as one step. @throws {AppError} 404 one of them was let go; 409 */
export async function takeKept(
	tx: Tx,
	householdId: string,
	claimIds: readonly string[],
	words: string,
	{ now, by }: At
): Promise<Step> {
	const named = await tx
		.select({ id: claim.id, lotId: claim.lotId })
		.from(claim)
		.where(and(eq(claim.householdId, householdId), inArray(claim.id, [...claimIds])));
	if (named.length !== claimIds.length || named.length === 0) throw notFound('supper that was kept');
	named.sort((a, b) => (a.lotId < b.lotId ? -1 : 1));
	for (const { lotId } of named) await allOf(tx, lotId);
	const groupId = uuidv7();
	const changes = [];
	for (const { id } of named) {
		const kept = await openAside(tx, householdId, id);
		await end(tx, householdId, id, now);
		const row = await ownLot(tx, householdId, kept.lotId);
		changes.push({
			lotId: kept.lotId,
			kind: 'take' as const,
			amount: -kept.amount,
			cause: kept.words,
			batchId: row.batchId
		});
	}
	await post(tx, householdId, groupId, changes, { now, by });
	return { groupId, words };
}

/** What was kept under the same words is free again. @throws {AppError} 404 */
export async function letAllGo(tx: Tx, householdId: string, claimIds: readonly string[], at: At): Promise<object> {
	for (const id of claimIds) await letGo(tx, householdId, id, at);
	return {};
}
