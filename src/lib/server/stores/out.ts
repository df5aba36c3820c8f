import { randomUUID } from 'node:crypto';
import { and, eq, gt } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dateIn } from '$core/freezing/keep';
import { sayCount } from '$core/quantities/format';
import type { Database, Tx } from '../db/client';
import { batch, calendarFeed, lot, lotBalance, runOutput } from '../db/schema';
import { AppError } from '../errors';
import { csvOf, type CsvTable } from '../out/csv';
import { bookKey, stockKey, type KnownHere, type TableIn } from '../out/table-rows';
import { readWhole, takeWhole, wholeOf, type Whole } from '../out/whole';
import { insertPast } from './batches';
import { containersOf, measuresOf, placesOf } from './kitchen-reads';
import type { HouseholdRow } from './households';
import { once } from './once';
import { putAway } from './stock/put';

/** The household out of the application and in again, in open formats. */
export function outStore(db: Database, household: HouseholdRow, now: Date) {
	const { id: householdId } = household;

	/** What a table is read under. */
	async function knownHere(tx: Database | Tx): Promise<KnownHere> {
		const places = await placesOf(db).execute({ household: householdId });
		const measures = await measuresOf(db).execute({ household: householdId });
		const drawer = await containersOf(db).execute({ household: householdId });
		// One after the other: a transaction has one line.
		const lots = await tx
			.select({ lot, amount: lotBalance.amount })
			.from(lotBalance)
			.innerJoin(lot, eq(lot.id, lotBalance.lotId))
			.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.amount, 0)));
		const batches = await tx.select().from(batch).where(eq(batch.householdId, householdId));
		const outputs = await tx
			.select({ code: runOutput.code })
			.from(runOutput)
			.where(eq(runOutput.householdId, householdId));
		const known = new Map<string, number>();
		const count = (key: string) => known.set(key, (known.get(key) ?? 0) + 1);
		for (const { lot: row, amount } of lots)
			count(stockKey({ ...row, amount, day: dateIn(household.zone, row.since.getTime()) }));
		for (const b of batches)
			if (!b.voidedAt) count(bookKey({ ...b, raw_g: b.rawG, packed_g: b.packedG, packs: b.packsMade }));
		const codes = new Set([...batches, ...outputs].map((b) => b.code));
		return { places, containers: new Map(drawer.map((c) => [c.name, c.id])), measures, known, codes };
	}

	return {
		csv: (table: CsvTable): Promise<string> => csvOf(db, householdId, table),
		whole: (): Promise<Whole> => wholeOf(db, householdId, now),
		/** Another household beside this one, from a file. @returns its id @throws {AppError} 400 */
		async takeIn(key: string, text: string): Promise<string> {
			const whole = readWhole(text);
			const done = await once(
				db,
				householdId,
				{ key, action: 'take in', body: { of: whole.household.id, at: whole.savedAt } },
				now,
				async () => ({ id: await takeWhole(db, whole, now) })
			);
			return done.id;
		},
		/** Under which key calendars read this household; null where none may. */
		async feed(): Promise<string | null> {
			const [row] = await db
				.select({ key: calendarFeed.key })
				.from(calendarFeed)
				.where(eq(calendarFeed.householdId, householdId));
			return row?.key ?? null;
		},
		/** A new key, or none any more: the one before holds no longer. */
		setFeed: (key: string, on: boolean): Promise<object> =>
			once(db, householdId, { key, action: 'calendar feed', body: { on } }, now, async (tx) => {
				await tx.delete(calendarFeed).where(eq(calendarFeed.householdId, householdId));
				// Random throughout: what may be guessed from a time opens nothing.
				if (on) await tx.insert(calendarFeed).values({ householdId, key: randomUUID(), createdAt: now });
				return {};
			}),
		/** What a table would put here, row by row; nothing is written. @throws {AppError} 400 it is none */
		preview: async (read: (here: KnownHere) => Promise<TableIn>): Promise<TableIn> => read(await knownHere(db)),
		/**
		 * Takes a table in, all of its rows that are not here already, in one step.
		 *
		 * @param ask what was sent
		 * @param read reads it under what stands here by then
		 * @throws {AppError} 400 it is none; 422 a row is at fault: then nothing of it is taken
		 */
		takeTable: (
			ask: { key: string; body: unknown },
			read: (here: KnownHere) => Promise<TableIn>,
			by: string
		): Promise<{ words: string; groupId?: string }> =>
			once(db, householdId, { ...ask, action: 'take table' }, now, async (tx) => {
				const table = await read(await knownHere(tx));
				const wrong = table.rows.filter((r) => r.faults.length > 0).length;
				if (wrong > 0)
					throw new AppError(422, 'FAULTY_ROWS', `${sayCount(wrong, 'row')} of it cannot be taken in. Nothing was.`);
				const groupId = uuidv7();
				let taken = 0;
				if (table.kind === 'stock')
					for (const { standing, already } of table.rows) {
						if (already || !standing) continue;
						await putAway(tx, householdId, standing, { now, by }, undefined, groupId);
						taken++;
					}
				else
					for (const { past, already } of table.rows) {
						if (already || !past) continue;
						await insertPast(tx, householdId, past, now);
						taken++;
					}
				const words = `${sayCount(taken, table.kind === 'stock' ? 'row' : 'batch', table.kind === 'stock' ? 'rows' : 'batches')} taken in`;
				return table.kind === 'stock' && taken > 0 ? { words, groupId } : { words };
			})
	};
}

/** The household whose calendar has this key; undefined where none has. */
export async function householdOfFeed(db: Database, key: string): Promise<string | undefined> {
	const [row] = await db.select({ id: calendarFeed.householdId }).from(calendarFeed).where(eq(calendarFeed.key, key));
	return row?.id;
}
