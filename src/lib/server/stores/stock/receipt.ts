import { v7 as uuidv7 } from 'uuid';
import { dgOf } from '$core/stock/amount';
import type { Tx } from '../../db/client';
import { receipt } from '../../db/schema';
import { makeLot, openPlace, post, type Change, type NewLot, type Step } from './post';

export interface ReceiptLine {
	readonly lot: Omit<NewLot, 'unit' | 'waiting' | 'receiptId'>;
	readonly grams: number;
}

/** One buying as one intake: all its lines, or none; one step, which undo takes back whole. @throws {AppError} 404, 409 */
export async function takeIn(
	tx: Tx,
	householdId: string,
	head: { shop: string; boughtOn: string; totalMinor: number | null; currency: string; lines: readonly ReceiptLine[] },
	at: { now: Date; by: string }
): Promise<Step> {
	const { lines, ...rest } = head;
	const receiptId = uuidv7();
	await tx.insert(receipt).values({ id: receiptId, householdId, ...rest, split: 'weight', createdAt: at.now });
	const changes: Change[] = [];
	for (const { lot, grams } of lines) {
		await openPlace(tx, householdId, lot.placeId);
		const lotId = await makeLot(tx, householdId, { ...lot, unit: 'dg', waiting: true, receiptId }, at.now);
		changes.push({ lotId, kind: 'put', amount: dgOf(grams) });
	}
	const groupId = uuidv7();
	await post(tx, householdId, groupId, changes, at);
	return { groupId, words: `${lines.length === 1 ? 'One item' : `${lines.length} items`} in the basket` };
}
