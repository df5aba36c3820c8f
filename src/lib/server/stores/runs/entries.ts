import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dateIn, keepsUntil } from '$core/freezing/keep';
import type { Closing, RunBook } from '$core/runs/engine/book';
import type { Tx } from '../../db/client';
import { batch, runOutput } from '../../db/schema';
import type { HouseholdRow } from '../households';
import type { RunRow } from './read';

/** What a closing says that can be asked for. */
export const columnsOf = (closing: Closing) => ({
	rawG: Math.round(closing.raw_g),
	packedG: Math.round(closing.packed_g),
	packsMade: closing.packs,
	yieldMass: closing.yield,
	elapsedS: Math.round(closing.elapsed_s),
	handsS: Math.round(closing.hands_s)
});

/** Ids of entries by the number of what came out; those that are set aside too. */
export type Entries = ReadonlyMap<number, string>;

/**
 * The entries in the book, one for each thing that came out: made at the first closing, brought up to date at every other,
 * set aside while the run goes on or where nothing came of it any more.
 */
export async function writeEntries(
	tx: Tx,
	home: HouseholdRow,
	row: RunRow,
	book: RunBook,
	at: { readonly now: Date }
): Promise<Entries> {
	const outputs = await tx
		.select()
		.from(runOutput)
		.where(and(eq(runOutput.householdId, home.id), eq(runOutput.runId, row.id)))
		.orderBy(asc(runOutput.n));
	const ids = new Map(outputs.flatMap((o) => (o.batchId ? [[o.n, o.batchId] as const] : [])));
	const idle = [...ids].filter(([n]) => !book.entries.some((e) => e.n === n)).map(([, id]) => id);
	if (idle.length > 0)
		await tx
			.update(batch)
			.set({ voidedAt: at.now })
			.where(and(eq(batch.householdId, home.id), inArray(batch.id, idle), isNull(batch.voidedAt)));
	if (!book.end) return ids;
	// On the day that it was done, by the taps: not on the day that they arrived.
	const packedOn = dateIn(home.zone, Math.min(book.end.endedAt, at.now.getTime()));
	for (const entry of book.entries) {
		// Whatever a late tap changes of it: how it was made, and what it is called, too.
		const { way, wayId, method, title, use: useWords } = entry;
		const dated = {
			way,
			wayId,
			method,
			title,
			useWords,
			packedOn,
			keepsUntil: keepsUntil(packedOn, entry),
			closing: entry.closing,
			...columnsOf(entry.closing),
			again: book.again?.would ?? ('' as const),
			change: book.again?.change ?? '',
			voidedAt: null
		};
		const known = ids.get(entry.n);
		if (known) {
			await tx.update(batch).set(dated).where(eq(batch.id, known));
			continue;
		}
		const output = outputs.find((o) => o.n === entry.n);
		if (!output) throw new Error(`Run ${row.id} has no output ${entry.n}.`);
		const id = uuidv7();
		const { food, form, cut } = entry;
		await tx.insert(batch).values({
			id,
			householdId: home.id,
			code: output.code,
			food,
			form,
			cut,
			runId: row.id,
			...dated,
			createdAt: at.now
		});
		await tx
			.update(runOutput)
			.set({ batchId: id })
			.where(and(eq(runOutput.runId, row.id), eq(runOutput.n, entry.n)));
		ids.set(entry.n, id);
	}
	return ids;
}
