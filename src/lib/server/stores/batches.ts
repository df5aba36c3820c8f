import { and, desc, eq, ilike, isNull, lt, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { DriedBefore } from '$core/ways/dry-ways';
import type { CanningLog, Closing } from '$core/runs/engine/book';
import { planOf, type RunPlan } from '$core/runs/kinds';
import type { Database, Tx } from '../db/client';
import { batch, lot, lotBalance, run, runOutput } from '../db/schema';
import { AppError, notFound } from '../errors';
import { once } from './once';
import { freeCodes } from './runs/codes';
import { columnsOf } from './runs/entries';

/** Older loads than these say little of today's. */
const mostLoads = 20;

export type BatchRow = typeof batch.$inferSelect;

/** A batch of before, written down by hand: what went in, what came into packs, how long it took. */
export interface PastBatch {
	readonly food: string;
	readonly form: string;
	readonly title: string;
	readonly way: string;
	readonly method: BatchRow['method'];
	readonly packedOn: string;
	readonly keepsUntil: string;
	readonly raw_g: number;
	readonly packed_g: number;
	readonly packs: number;
	readonly hands_s: number;
	readonly paidMinor: number | null;
	readonly currency: string | null;
}

/** What else is known of a batch that another book has. */
export type PastMore = Partial<Pick<BatchRow, 'code' | 'cut' | 'again' | 'change' | 'elapsedS'>>;

/** Writes a batch of before into the book; nothing comes onto the shelves by it. */
export async function insertPast(
	tx: Tx,
	householdId: string,
	past: PastBatch & PastMore,
	now: Date
): Promise<{ code: string }> {
	const [free = ''] = past.code === undefined ? await freeCodes(tx, householdId, 1) : [past.code];
	const { raw_g, packed_g, packs, hands_s, elapsedS, ...rest } = past;
	const closing: Closing = {
		raw_g,
		load_g: packed_g,
		packed_g,
		packs,
		supper_g: 0,
		yield: raw_g > 0 && packed_g > 0 ? packed_g / raw_g : null,
		elapsed_s: elapsedS ?? hands_s,
		hands_s,
		lots: [],
		potfuls: []
	};
	await tx.insert(batch).values({
		id: uuidv7(),
		householdId,
		cut: past.form,
		useWords: '',
		madeBy: 'hand',
		closing,
		...columnsOf(closing),
		...rest,
		code: free,
		createdAt: now
	});
	return { code: free };
}

export function batchStore(db: Database, householdId: string, now: Date) {
	const mine = eq(batch.householdId, householdId);
	return {
		/** An entry of before; nothing comes onto the shelves by it. @param ask what was typed */
		addPast(ask: { key: string; body: unknown }, past: PastBatch): Promise<{ code: string }> {
			return once(db, householdId, { ...ask, action: 'past batch' }, now, (tx) =>
				insertPast(tx, householdId, past, now)
			);
		},

		/** what trays of a food took in loads of before: the newest loads first, those alone that the hand called dry. */
		async dryings(food: string): Promise<DriedBefore[]> {
			const rows = await db
				.select({ closing: batch.closing })
				.from(batch)
				.where(and(mine, eq(batch.food, food), eq(batch.method, 'dry'), isNull(batch.voidedAt)))
				.orderBy(desc(batch.packedOn), desc(batch.id))
				.limit(mostLoads);
			return rows.flatMap(({ closing }) => {
				const dry = (closing.trays ?? []).filter((t) => t.outcome === 'dry' && t.hours > 0 && t.table_h > 0);
				const [first] = dry;
				if (!first) return [];
				const ratios = dry.map((t) => Math.min(20, Math.max(0.05, t.hours / t.table_h)));
				return [{ rowId: first.rowId, machine: first.machine, ratios }];
			});
		},

		/** By which tested row the jars of an entry were made, and what one holds, g; null where they were not. */
		async cannedAs(
			batchId: string | null
		): Promise<(Pick<CanningLog, 'style' | 'jar'> & { readonly product: string; readonly each_g: number }) | null> {
			if (batchId === null) return null;
			const [row] = await db
				.select({ closing: batch.closing, wayId: batch.wayId })
				.from(batch)
				.where(and(mine, eq(batch.id, batchId)));
			if (!row?.closing.canning) return null;
			const { canning, packed_g, packs } = row.closing;
			const each_g = packed_g / Math.max(1, packs);
			return { product: row.wayId.replace(/^can:/, ''), style: canning.style, jar: canning.jar, each_g };
		},

		/** What its hands really took; null takes the word back. @throws {AppError} 404 */
		sayHands(key: string, code: string, hands_s: number | null): Promise<object> {
			return once(db, householdId, { key, action: 'hands', body: { code, hands_s } }, now, async (tx) => {
				const [row] = await tx
					.update(batch)
					.set({ handsSaidS: hands_s })
					.where(and(mine, eq(batch.code, code.toUpperCase()), isNull(batch.voidedAt)))
					.returning({ id: batch.id });
				if (!row) throw notFound('batch');
				return {};
			});
		},

		/** An entry by hand that was a slip, and of which nothing stands anywhere. @throws {AppError} 404; 409 HAS_LOTS */
		strike(key: string, code: string): Promise<object> {
			return once(db, householdId, { key, action: 'strike', body: { code } }, now, async (tx) => {
				const [row] = await tx
					.select()
					.from(batch)
					.where(and(mine, eq(batch.code, code.toUpperCase()), eq(batch.madeBy, 'hand'), isNull(batch.voidedAt)))
					.for('update');
				if (!row) throw notFound('batch');
				const [any] = await tx.select({ id: lot.id }).from(lot).where(and(eq(lot.householdId, householdId), eq(lot.batchId, row.id))).limit(1); // prettier-ignore
				if (any)
					throw new AppError(409, 'HAS_LOTS', 'Packs of this entry stand or stood on the Shelves: take them back there. Nothing was changed.'); // prettier-ignore
				await tx.update(batch).set({ voidedAt: now }).where(eq(batch.id, row.id));
				return {};
			});
		},

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
					madeBy: batch.madeBy,
					rawG: batch.rawG,
					packedG: batch.packedG,
					packsMade: batch.packsMade,
					yieldMass: batch.yieldMass,
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

		async byCode(code: string): Promise<BatchRow & { plan: RunPlan | null; n: number; startedAt: Date | null }> {
			const [row] = await db
				.select({ batch, plan: run.plan, startedAt: run.startedAt, n: runOutput.n })
				.from(batch)
				.leftJoin(run, eq(run.id, batch.runId))
				.leftJoin(runOutput, eq(runOutput.batchId, batch.id))
				.where(and(mine, eq(batch.code, code.toUpperCase())));
			if (!row) throw notFound('batch');
			return { ...row.batch, plan: row.plan && planOf(row.plan), n: row.n ?? 1, startedAt: row.startedAt };
		}
	};
}
