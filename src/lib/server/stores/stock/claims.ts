import { and, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { preparedOnce, type Database, type Tx } from '../../db/client';
import { claim } from '../../db/schema';

/** What is spoken for, by lot, in the lot's unit; without what one run has spoken for where it is named. */
export async function claimedBy(
	tx: Tx | Database,
	householdId: string,
	besides?: string
): Promise<Map<string, number>> {
	const rows = await tx
		.select({ lotId: claim.lotId, amount: sql<string>`sum(${claim.amount})` })
		.from(claim)
		.where(
			and(
				eq(claim.householdId, householdId),
				isNull(claim.endedAt),
				besides === undefined ? undefined : sql`${claim.runId} is distinct from ${besides}`
			)
		)
		.groupBy(claim.lotId);
	return new Map(rows.map((r) => [r.lotId, Number(r.amount)]));
}

const spokenFor = preparedOnce((db) =>
	db
		.select({ lotId: claim.lotId, amount: sql<string>`sum(${claim.amount})` })
		.from(claim)
		.where(and(eq(claim.householdId, sql.placeholder('household')), isNull(claim.endedAt)))
		.groupBy(claim.lotId)
		.prepare('spoken_for')
);
/** The same outside a transaction, for the pages. */
export const claimsNow = async (db: Database, householdId: string): Promise<Map<string, number>> =>
	new Map((await spokenFor(db).execute({ household: householdId })).map((r) => [r.lotId, Number(r.amount)]));

/** Speaks for a part of a lot; the caller holds its balance and has seen that there is enough. */
export async function speakFor(
	tx: Tx,
	householdId: string,
	values: { lotId: string; amount: number; runId: string; at: Date }
): Promise<void> {
	const { lotId, amount, runId, at } = values;
	if (amount <= 0) return;
	await tx.insert(claim).values({ id: uuidv7(), householdId, lotId, amount, by: 'run', runId, words: '', madeAt: at });
}

/** A run's claims end with it, and hold again when it is opened again. */
export async function claimsOfRun(tx: Tx, householdId: string, runId: string, ended: Date | null): Promise<void> {
	await tx
		.update(claim)
		.set({ endedAt: ended })
		.where(
			and(
				eq(claim.householdId, householdId),
				eq(claim.runId, runId),
				ended === null ? sql`${claim.endedAt} is not null` : isNull(claim.endedAt)
			)
		);
}
