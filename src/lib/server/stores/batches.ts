import { and, desc, eq, ilike, isNull, lt, or, sql } from 'drizzle-orm';
import type { Database } from '../db/client';
import { batch, lot, lotBalance, run } from '../db/schema';
import { notFound } from '../errors';

export type BatchRow = typeof batch.$inferSelect;

export function batchStore(db: Database, householdId: string) {
	const mine = eq(batch.householdId, householdId);
	return {
		/**
		 * The book: newest first, a page at a time, with what is left of each.
		 *
		 * @param before the last entry of the page before: its day, and its id where that day goes on
		 */
		async list({
			before,
			search,
			most = 40
		}: {
			before?: { on: string; id?: string };
			search?: string;
			most?: number;
		}) {
			return db
				.select({
					id: batch.id,
					code: batch.code,
					title: batch.title,
					way: batch.way,
					food: batch.food,
					packedOn: batch.packedOn,
					keepsUntil: batch.keepsUntil,
					closing: batch.closing,
					left: sql<number>`coalesce((select sum(b.amount) from ${lot} l join ${lotBalance} b on b.lot_id = l.id where l.unit = 'pack' and l.household_id = "batch"."household_id" and l.batch_id = "batch"."id"), 0)::int`
				})
				.from(batch)
				.where(
					and(
						mine,
						isNull(batch.voidedAt),
						before
							? or(
									lt(batch.packedOn, before.on),
									before.id ? and(eq(batch.packedOn, before.on), lt(batch.id, before.id)) : undefined
								)
							: undefined,
						search
							? or(ilike(batch.title, `%${search.replace(/[\\%_]/g, '\\$&')}%`), eq(batch.code, search.toUpperCase()))
							: undefined
					)
				)
				.orderBy(desc(batch.packedOn), desc(batch.id))
				.limit(most);
		},

		async byCode(
			code: string
		): Promise<BatchRow & { plan: (typeof run.$inferSelect)['plan'] | null; startedAt: Date | null }> {
			const [row] = await db
				.select({ batch, plan: run.plan, startedAt: run.startedAt })
				.from(batch)
				.leftJoin(run, eq(run.id, batch.runId))
				.where(and(mine, eq(batch.code, code.toUpperCase())));
			if (!row) throw notFound('batch');
			return { ...row.batch, plan: row.plan, startedAt: row.startedAt };
		}
	};
}
