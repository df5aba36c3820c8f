import { and, asc, desc, eq, gt, inArray, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../db/client';
import { instrument, printJob } from '../db/schema';
import { AppError, notFound } from '../errors';
import type { Label } from '../labels/label-sheet.mjs';
import { once } from './once';

/** What waits longer was sent to a printer that nobody has any more. */
const waits_ms = 86_400_000;
/** A printer takes no more at once. */
const mostWaiting = 20;

export interface Printer {
	readonly id: string;
	readonly name: string;
	readonly standIn: boolean;
	/** Labels that wait for it, sheets that failed with what it said, and when it printed last, ms. */
	readonly waiting: number;
	readonly failed: readonly {
		readonly id: string;
		readonly title: string;
		readonly count: number;
		readonly fault: string;
	}[];
	readonly printedAt: number | null;
}

/** Printers of labels: what is sent to them, and what became of it. A printer asks for its sheets; nothing is pushed. */
export function printerStore(db: Database, householdId: string, now: Date) {
	const mine = eq(printJob.householdId, householdId);
	const printers = () =>
		db
			.select()
			.from(instrument)
			.where(
				and(eq(instrument.householdId, householdId), eq(instrument.quantity, 'print'), isNull(instrument.removedAt))
			)
			.orderBy(asc(instrument.name), asc(instrument.id));
	return {
		/** Those that can be sent to, by name. */
		async names(): Promise<{ id: string; name: string }[]> {
			return (await printers()).filter((p) => p.mistrustedAt === null).map(({ id, name }) => ({ id, name }));
		},

		/** Every printer with what waits, failed and was printed lately. */
		async all(): Promise<Printer[]> {
			const [rows, jobs] = await Promise.all([
				printers(),
				db
					.select()
					.from(printJob)
					.where(and(mine, gt(printJob.madeAt, new Date(now.getTime() - 7 * waits_ms))))
					.orderBy(desc(printJob.madeAt))
					.limit(200)
			]);
			return rows.map((row) => {
				const own = jobs.filter((j) => j.instrumentId === row.id);
				const printed = own.find((j) => j.state === 'printed');
				return {
					id: row.id,
					name: row.name,
					standIn: row.standIn,
					waiting: own.filter((j) => j.state === 'waiting').reduce((sum, j) => sum + j.count, 0),
					failed: own
						.filter((j) => j.state === 'failed')
						.slice(0, 5)
						.map((j) => ({ id: j.id, title: j.label.title, count: j.count, fault: j.fault })),
					printedAt: printed?.endedAt?.getTime() ?? null
				};
			});
		},

		/** Labels to a printer. @throws {AppError} 404 no such printer; 409 TOO_MANY wait for it already */
		send: (
			key: string,
			printerId: string,
			sheet: { readonly label: Label; readonly count: number; readonly paper: 'a4' | 'letter' }
		): Promise<{ printer: string }> =>
			once(db, householdId, { key, action: 'print', body: { printerId, ...sheet } }, now, async (tx) => {
				const [row] = await tx
					.select()
					.from(instrument)
					.where(
						and(
							eq(instrument.householdId, householdId),
							eq(instrument.id, printerId),
							eq(instrument.quantity, 'print'),
							isNull(instrument.removedAt)
						)
					)
					.for('share');
				if (!row) throw notFound('printer');
				const waiting = await tx
					.select({ id: printJob.id })
					.from(printJob)
					.where(and(mine, eq(printJob.instrumentId, printerId), eq(printJob.state, 'waiting')))
					.limit(mostWaiting);
				if (waiting.length >= mostWaiting)
					throw new AppError(
						409,
						'TOO_MANY',
						`${mostWaiting} sheets wait for ${row.name} already: is it on? Nothing was sent.`
					);
				await tx.insert(printJob).values({ id: uuidv7(), householdId, instrumentId: printerId, ...sheet, madeAt: now });
				return { printer: row.name };
			}),

		/** A sheet that failed, once more. @throws {AppError} 404 */
		again: (key: string, id: string): Promise<object> =>
			once(db, householdId, { key, action: 'print again', body: { id } }, now, async (tx) => {
				const rows = await tx
					.update(printJob)
					.set({ state: 'waiting', fault: '', endedAt: null, madeAt: now })
					.where(and(mine, eq(printJob.id, id), eq(printJob.state, 'failed')))
					.returning({ id: printJob.id });
				if (rows.length === 0) throw notFound('sheet of labels');
				return {};
			}),

		/** What waits for one printer, the oldest first. */
		waiting: (printerId: string) =>
			db
				.select({ id: printJob.id, label: printJob.label, count: printJob.count, paper: printJob.paper })
				.from(printJob)
				.where(
					and(
						mine,
						eq(printJob.instrumentId, printerId),
						eq(printJob.state, 'waiting'),
						gt(printJob.madeAt, new Date(now.getTime() - waits_ms))
					)
				)
				.orderBy(asc(printJob.madeAt))
				.limit(mostWaiting),

		/** One sheet of a printer. @throws {AppError} 404 */
		async job(printerId: string, id: string) {
			const [row] = await db
				.select()
				.from(printJob)
				.where(and(mine, eq(printJob.instrumentId, printerId), eq(printJob.id, id)));
			if (!row) throw notFound('sheet of labels');
			return row;
		},

		/** What the printer says became of it; said again it changes nothing. @throws {AppError} 404 */
		async done(printerId: string, id: string, state: 'printed' | 'failed', fault: string): Promise<void> {
			const rows = await db
				.update(printJob)
				.set({ state, fault: state === 'failed' ? fault || 'it did not say why' : '', endedAt: now })
				.where(
					and(
						mine,
						eq(printJob.instrumentId, printerId),
						eq(printJob.id, id),
						inArray(printJob.state, ['waiting', state])
					)
				)
				.returning({ id: printJob.id });
			if (rows.length === 0) throw notFound('sheet of labels');
		}
	};
}
