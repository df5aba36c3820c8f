import { and, asc, desc, eq, isNull, ne, sql } from 'drizzle-orm';
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

/** A part of a lot that is kept for a supper or a plan. */
export interface Aside {
	readonly id: string;
	/** In the lot's unit. */
	readonly amount: number;
	/** For what. */
	readonly words: string;
}
export interface Spoken {
	/** By open runs, in the lot's unit. */
	readonly atStove: number;
	readonly aside: readonly Aside[];
}
const openClaims = preparedOnce((db) =>
	db
		.select({ id: claim.id, lotId: claim.lotId, amount: claim.amount, by: claim.by, words: claim.words })
		.from(claim)
		.where(and(eq(claim.householdId, sql.placeholder('household')), isNull(claim.endedAt)))
		.orderBy(asc(claim.madeAt), asc(claim.id))
		.prepare('open_claims')
);
/** What is spoken for by whom, by lot: for the pages. */
export async function claimsNow(db: Database, householdId: string): Promise<Map<string, Spoken>> {
	const byLot = new Map<string, Spoken>();
	for (const { lotId, by, id, amount, words } of await openClaims(db).execute({ household: householdId })) {
		const { atStove, aside } = byLot.get(lotId) ?? { atStove: 0, aside: [] };
		byLot.set(
			lotId,
			by === 'run' ? { atStove: atStove + amount, aside } : { atStove, aside: [...aside, { id, amount, words }] }
		);
	}
	return byLot;
}

/** What is kept of one lot for suppers and plans, the newest first; under the lock of its balance. */
export const asideOf = (tx: Tx, householdId: string, lotId: string): Promise<Aside[]> =>
	tx
		.select({ id: claim.id, amount: claim.amount, words: claim.words })
		.from(claim)
		.where(and(eq(claim.householdId, householdId), eq(claim.lotId, lotId), isNull(claim.endedAt), ne(claim.by, 'run')))
		.orderBy(desc(claim.madeAt), desc(claim.id));

/** What is not there any more can be kept for nothing: the newest wish gives way first. */
export async function shrinkAside(
	tx: Tx,
	householdId: string,
	kept: readonly Aside[],
	by: number,
	at: Date
): Promise<void> {
	let over = by;
	for (const { id, amount } of kept) {
		if (over <= 0) break;
		await tx
			.update(claim)
			.set(amount > over ? { amount: amount - over } : { endedAt: at })
			.where(and(eq(claim.householdId, householdId), eq(claim.id, id)));
		over -= amount;
	}
}

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
