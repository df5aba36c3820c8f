import { and, asc, desc, eq, inArray, isNull, sql, type SQL } from 'drizzle-orm';
import { planOf, type RunEvent } from '$core/runs/kinds';
import { dgPerG } from '$core/stock/amount';
import type { RunNews, RunView } from '$core/runs/wire';
import { preparedOnce, type Database, type Tx } from '../../db/client';
import { batch, difference, lot, run, runEvent, runOutput } from '../../db/schema';
import { notFound } from '../../errors';
import { claimsNow } from '../stock/claims';

export type RunRow = typeof run.$inferSelect;

/**
 * Events of runs in the order of their arrival, put together by the database: a run of hundreds of taps is one row. An event
 * says what the fold counts by: the corrected time, and the device's own number.
 */
export async function eventsOf(tx: Tx | Database, householdId: string, ids: readonly string[], after = 0) {
	const rows = await tx.execute<{ runId: string; seq: string; events: RunEvent[] }>(sql`
		select ${runEvent.runId} as "runId", max(${runEvent.seq})::text as seq,
			json_agg(${runEvent.event} || jsonb_build_object(
				'at', floor(extract(epoch from ${runEvent.correctedAt}) * 1000)::bigint,
				'device', ${runEvent.device}, 'n', ${runEvent.n}) order by ${runEvent.seq}) as events
		from ${runEvent}
		where ${runEvent.householdId} = ${householdId} and ${inArray(runEvent.runId, [...ids])} and ${runEvent.seq} > ${after}
		group by ${runEvent.runId}`);
	return new Map(rows.rows.map((r) => [r.runId, { events: r.events, seq: Number(r.seq) }]));
}

async function outputsOf(tx: Tx | Database, householdId: string, ids: readonly string[]) {
	const rows = await tx
		.select({
			runId: runOutput.runId,
			n: runOutput.n,
			code: runOutput.code,
			// An entry that was set aside counts for nothing.
			batchId: sql<string | null>`case when ${batch.voidedAt} is null then ${batch.id} end`
		})
		.from(runOutput)
		.leftJoin(batch, eq(batch.id, runOutput.batchId))
		.where(and(eq(runOutput.householdId, householdId), inArray(runOutput.runId, [...ids])))
		.orderBy(asc(runOutput.n));
	return (runId: string) => rows.filter((r) => r.runId === runId);
}

const entriesOf = (codes: readonly { n: number; code: string; batchId: string | null }[]): RunView['entries'] =>
	codes.filter((c) => c.batchId !== null).map(({ n, code }) => ({ n, code }));

/** Order of arrival of a run's newest tap; 0 before the first. Named by its table: inside, a bare "id" is the tap's. */
export const newestOf = sql<string>`coalesce((select max(e.seq) from ${runEvent} e where e.run_id = "run"."id"), 0)`;

const openDifferences = (db: Tx | Database, more?: SQL) =>
	db
		.select({
			id: difference.id,
			runId: difference.runId,
			title: lot.title,
			unit: difference.unit,
			amount: difference.amount,
			made: sql<boolean>`${lot.packEventId} is not null`,
			code: batch.code
		})
		.from(difference)
		.innerJoin(lot, eq(lot.id, difference.lotId))
		.leftJoin(batch, eq(batch.id, lot.batchId))
		.where(and(eq(difference.householdId, sql.placeholder('household')), isNull(difference.settledAt), more))
		.orderBy(asc(difference.foundAt), asc(difference.id));
const allDifferences = preparedOnce((db) => openDifferences(db).prepare('differences'));

/** Open differences of a run, or of all. */
export const differencesOf = (tx: Tx | Database, householdId: string, runId?: string) =>
	openDifferences(tx, runId === undefined ? undefined : eq(difference.runId, runId)).execute({
		household: householdId
	});
/** Of all runs, for the pages. */
export const differencesNow = (db: Database, householdId: string) =>
	allDifferences(db).execute({ household: householdId });

/** Runs as their pages want them, in a fixed number of queries however many they are. */
export async function viewsOf(tx: Tx | Database, householdId: string, rows: readonly RunRow[]): Promise<RunView[]> {
	if (rows.length === 0) return [];
	const ids = rows.map((r) => r.id);
	// One after the other: in a transaction there is one line to the database.
	const events = await eventsOf(tx, householdId, ids);
	const outputs = await outputsOf(tx, householdId, ids);
	const open = await differencesOf(tx, householdId, ids.length === 1 ? ids[0] : undefined);
	return rows.map((row) => {
		const codes = outputs(row.id);
		if (codes.length === 0) throw new Error(`Run ${row.id} has no output.`);
		const known = events.get(row.id);
		return {
			id: row.id,
			codes: codes.map((c) => c.code),
			plan: planOf(row.plan),
			startedAt: row.startedAt.getTime(),
			status: row.status,
			entries: row.status === 'open' ? [] : entriesOf(codes),
			events: known?.events ?? [],
			seq: known?.seq ?? 0,
			differences: open
				.filter((d) => d.runId === row.id)
				.map(({ id, title, unit, amount, made }) => ({ id, title, unit, amount, made }))
		};
	});
}

export function runReads(db: Database, householdId: string) {
	const mine = eq(run.householdId, householdId);
	const rowOf = async (id: string): Promise<RunRow> => {
		const [row] = await db
			.select()
			.from(run)
			.where(and(mine, eq(run.id, id)));
		if (!row) throw notFound('run');
		return row;
	};
	const since = async (id: string, seq: number): Promise<RunNews> => {
		const row = await rowOf(id);
		const known = (await eventsOf(db, householdId, [id], seq)).get(id);
		const codes = (await outputsOf(db, householdId, [id]))(id);
		const differences = await differencesOf(db, householdId, id);
		return {
			status: row.status,
			entries: row.status === 'open' ? [] : entriesOf(codes),
			events: known?.events ?? [],
			seq: known?.seq ?? seq,
			differences: differences.map(({ id, title, unit, amount, made }) => ({ id, title, unit, amount, made }))
		};
	};
	return {
		/** Runs that go on, the newest first, each with what is needed to fold it. */
		async open(): Promise<RunView[]> {
			const rows = await db
				.select()
				.from(run)
				.where(and(mine, eq(run.status, 'open')))
				.orderBy(desc(run.startedAt), desc(run.id));
			return viewsOf(db, householdId, rows);
		},

		/** Open runs whose gauge this instrument reads, by its id. */
		async readBy(instrumentId: string): Promise<RunView[]> {
			const rows = await db
				.select()
				.from(run)
				.where(and(mine, eq(run.status, 'open'), sql`${run.plan} -> 'instrument' ->> 'id' = ${instrumentId}`));
			return viewsOf(db, householdId, rows);
		},

		/** Runs that are named, each with what is needed to fold it. */
		async views(ids: readonly string[]): Promise<RunView[]> {
			if (ids.length === 0) return [];
			return viewsOf(
				db,
				householdId,
				await db
					.select()
					.from(run)
					.where(and(mine, inArray(run.id, [...ids])))
			);
		},

		async get(id: string): Promise<RunView> {
			const [view] = await viewsOf(db, householdId, [await rowOf(id)]);
			return view as RunView;
		},

		/** By the code on a label, while its entry is not in the book. */
		async idOfCode(code: string): Promise<string | undefined> {
			const [row] = await db
				.select({ id: runOutput.runId })
				.from(runOutput)
				.where(and(eq(runOutput.householdId, householdId), eq(runOutput.code, code.toUpperCase())));
			return row?.id;
		},

		/** Newer arrivals only, for a second device that follows along. */
		since,

		/** Of the runs that a page follows, what has come since; a run without news is left out. */
		async news(asks: readonly { readonly id: string; readonly seq: number }[]): Promise<Record<string, RunNews>> {
			if (asks.length === 0) return {};
			const rows = await db
				.select({ id: run.id, seq: newestOf })
				.from(run)
				.where(
					and(
						mine,
						inArray(
							run.id,
							asks.map((a) => a.id)
						)
					)
				);
			const fresh = asks.filter((a) => rows.some((r) => r.id === a.id && Number(r.seq) > a.seq));
			return Object.fromEntries(await Promise.all(fresh.map(async (a) => [a.id, await since(a.id, a.seq)] as const)));
		},

		/** Where the book could not follow, over all runs. */
		differences: () => differencesNow(db, householdId),

		/** Raw grams that are spoken for, by lot. */
		async reserved(): Promise<Map<string, number>> {
			const claimed = await claimsNow(db, householdId);
			return new Map([...claimed].map(([lotId, { atStove }]) => [lotId, Math.round(atStove / dgPerG)]));
		}
	};
}
