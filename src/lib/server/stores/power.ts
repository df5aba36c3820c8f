import { and, asc, desc, eq, gte, isNull, lte } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Condition } from '$core/freezing/after-cut';
import type { Database, Tx } from '../db/client';
import { instrument, powerCut, reading } from '../db/schema';
import { AppError, notFound } from '../errors';
import { changer } from './change';

export type PowerCutRow = typeof powerCut.$inferSelect;

/** Readings before and after a time without power that still say something of its ends. */
const beside_ms = 60 * 60_000;
/** A day and a night of readings every few seconds, and more. */
const mostReadings = 60_000;

/** Times without power: when it went, when it came back, how the freezers were found. */
export function powerStore(db: Database, householdId: string, now: Date) {
	const change = changer(db, householdId, now);
	const open = and(eq(powerCut.householdId, householdId), isNull(powerCut.closedAt));
	const ownOpen = async (tx: Tx): Promise<PowerCutRow> => {
		const [row] = await tx.select().from(powerCut).where(open).for('update');
		if (!row) throw notFound('power cut');
		return row;
	};
	return {
		/** The one that is not gone through yet. */
		async now(): Promise<PowerCutRow | null> {
			const [row] = await db.select().from(powerCut).where(open).orderBy(desc(powerCut.from)).limit(1);
			return row ?? null;
		},

		/** Since then it is out; said again, it was since then. @throws {AppError} 400 in the future */
		began: (key: string, from: Date) =>
			change(key, 'power out', { from }, async (tx) => {
				if (from.getTime() > now.getTime() + 60_000)
					throw new AppError(400, 'BAD_TIME', 'That is in the future. Nothing was saved.', [
						{ field: 'from', message: 'A time that has been.' }
					]);
				const [row] = await tx.select().from(powerCut).where(open).for('update');
				if (row?.until && row.until < from)
					throw new AppError(400, 'BAD_TIME', 'It came back before that. Nothing was saved.', [
						{ field: 'from', message: 'Before it came back.' }
					]);
				if (row) await tx.update(powerCut).set({ from }).where(eq(powerCut.id, row.id));
				else await tx.insert(powerCut).values({ id: uuidv7(), householdId, from, createdAt: now });
			}),

		/** It came back then. @throws {AppError} 400 before it went, or in the future; 404 */
		ended: (key: string, until: Date) =>
			change(key, 'power back', { until }, async (tx) => {
				const row = await ownOpen(tx);
				if (until < row.from || until.getTime() > now.getTime() + 60_000)
					throw new AppError(400, 'BAD_TIME', 'It came back after it went, and not in the future. Nothing was saved.', [
						{ field: 'until', message: 'Between when it went and now.' }
					]);
				await tx.update(powerCut).set({ until }).where(eq(powerCut.id, row.id));
			}),

		/** How a freezer was found that has no probe. @throws {AppError} 404 */
		found: (key: string, placeId: string, condition: Condition, warm_h: number | null) =>
			change(key, 'power found', { placeId, condition, warm_h }, async (tx) => {
				const row = await ownOpen(tx);
				const found = { ...row.found, [placeId]: { condition, warm_h } };
				await tx.update(powerCut).set({ found }).where(eq(powerCut.id, row.id));
			}),

		/** Gone through, or never was. @throws {AppError} 404 */
		closed: (key: string) =>
			change(key, 'power closed', {}, async (tx) => {
				const row = await ownOpen(tx);
				await tx.update(powerCut).set({ closedAt: now }).where(eq(powerCut.id, row.id));
			}),

		/** What the believed probes read around a time, by the place that each hangs in. */
		async readings(from: Date, to: Date): Promise<Map<string, { at: number; value: number }[]>> {
			const rows = await db
				.select({ placeId: instrument.placeId, at: reading.at, value: reading.value, most: reading.most })
				.from(reading)
				.innerJoin(instrument, eq(instrument.id, reading.instrumentId))
				.where(
					and(
						eq(reading.householdId, householdId),
						eq(instrument.quantity, 'temperature'),
						isNull(instrument.mistrustedAt),
						eq(reading.fault, ''),
						gte(reading.at, new Date(from.getTime() - beside_ms)),
						lte(reading.at, new Date(to.getTime() + beside_ms))
					)
				)
				.orderBy(asc(reading.at))
				.limit(mostReadings);
			const byPlace = new Map<string, { at: number; value: number }[]>();
			for (const { placeId, at, value, most } of rows)
				if (placeId !== null) {
					const list = byPlace.get(placeId) ?? [];
					list.push({ at: at.getTime(), value: most ?? value });
					byPlace.set(placeId, list);
				}
			return byPlace;
		}
	};
}
