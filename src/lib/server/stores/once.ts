import { and, eq } from 'drizzle-orm';
import type { Database, Tx } from '../db/client';
import { household, idempotency } from '../db/schema';

/**
 * Does the work once per key, in one transaction: a second request with the same key waits for the first and gets its
 * answer. When the work throws, the key is free again and nothing is written.
 */
export function once<T>(
	db: Database,
	householdId: string,
	key: string,
	now: Date,
	work: (tx: Tx) => Promise<T>
): Promise<T> {
	return db.transaction(async (tx) => {
		const taken = await tx
			.insert(idempotency)
			.values({ householdId, key, answer: {}, createdAt: now })
			.onConflictDoNothing()
			.returning({ key: idempotency.key });
		const which = and(eq(idempotency.householdId, householdId), eq(idempotency.key, key));
		if (taken.length === 0) {
			const [before] = await tx.select({ answer: idempotency.answer }).from(idempotency).where(which);
			return before?.answer as T;
		}
		const answer = await work(tx);
		await tx.update(idempotency).set({ answer }).where(which);
		await tx
			.update(household)
			.set({ touched: true })
			.where(and(eq(household.id, householdId), eq(household.touched, false)));
		return answer;
	});
}
