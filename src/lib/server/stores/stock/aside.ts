import { and, eq, isNull } from 'drizzle-orm';
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
