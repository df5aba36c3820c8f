import { and, asc, desc, eq, gt, inArray, isNull, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../../db/client';
import { batch, container, lot, lotBalance, movement, place } from '../../db/schema';
import { notFound } from '../../errors';
import { once } from '../once';
import { act, type StockStep } from './act';
import { makeLot, openPlace, post, type LotRow, type NewLot, type Step } from './post';
import { undoGroup } from './undo';

export type { Change, LotRow, NewLot, Step } from './post';
export { makeLot, post } from './post';
export type { StockStep } from './act';

export function stockStore(db: Database, householdId: string, now: Date) {
	const mine = eq(lot.householdId, householdId);

	return {
		/** Raw lots that hold something, the newest first. */
		async basket() {
			return db
				.select({ lot, grams: lotBalance.grams, place })
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.grams, 0), eq(lot.kind, 'raw')))
				.orderBy(desc(lot.since));
		},

		async rawLot(lotId: string) {
			const [row] = await db
				.select({ lot, grams: lotBalance.grams, place })
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(mine, eq(lot.id, lotId), eq(lot.kind, 'raw')));
			if (!row) throw notFound('lot');
			return row;
		},

		/** Puts what came in into the basket. @param ask what was said: not what it was read as, nor when */
		addRaw(
			ask: { key: string; body: unknown },
			values: Omit<NewLot, 'kind' | 'title'> & { grams: number; title: string },
			by: string
		): Promise<Step & { lotId: string }> {
			return once(db, householdId, { ...ask, action: 'add' }, now, async (tx) => {
				await openPlace(tx, householdId, values.placeId);
				const { grams, ...rest } = values;
				const lotId = await makeLot(tx, householdId, { ...rest, kind: 'raw' }, now);
				const groupId = uuidv7();
				await post(tx, householdId, groupId, [{ lotId, kind: 'put', grams, packs: 0 }], { now, by });
				return { lotId, groupId, words: `${values.title} in the basket` };
			});
		},

		/** Packs on the shelves, oldest first within their place. */
		async shelves() {
			return db
				.select({
					id: lot.id,
					title: lot.title,
					food: lot.food,
					packG: lot.packG,
					packs: lotBalance.packs,
					keepsUntil: lot.keepsUntil,
					since: lot.since,
					placeId: lot.placeId,
					code: batch.code,
					way: batch.way,
					container: container.name
				})
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.packs, 0)))
				.orderBy(asc(lot.keepsUntil), asc(lot.since));
		},

		/** @see act */
		act: (key: string, step: StockStep, by: string): Promise<Step> =>
			once(db, householdId, { key, action: step.kind, body: step }, now, (tx) => act(tx, householdId, step, now, by)),

		/** Keeps whether an expert has seen a lot, with every lot that was split from it by moving. @throws {AppError} 404 */
		async identify(key: string, lotId: string, identified: boolean): Promise<void> {
			await once(db, householdId, { key, action: 'identify', body: { lotId, identified } }, now, async (tx) => {
				// Said of one, it is said of all that it was moved from and to: an undone move never brings back the other answer.
				const { rows: found } = await tx.execute<{ id: string }>(sql`
				with recursive kin (id) as (
					select id from lot where id = ${lotId} and household_id = ${householdId} and kind = 'raw'
					union
					select b.lot_id from kin
					join movement a on a.lot_id = kin.id and a.kind = 'move' and a.household_id = ${householdId}
					join movement b on b.group_id = a.group_id and b.household_id = ${householdId}
				)
				update lot set identified = ${identified} from kin where lot.id = kin.id returning lot.id`);
				if (found.length === 0) throw notFound('lot');
				return {};
			});
		},

		/** Takes a whole step back. */
		undo(key: string, groupId: string, by: string): Promise<Step> {
			return once(db, householdId, { key, action: 'undo', body: { groupId } }, now, (tx) =>
				undoGroup(tx, householdId, groupId, now, by)
			);
		},

		/** The last steps of this week with raw lots or packs, for undoing them. */
		async lastSteps(of: LotRow['kind'], count = 6) {
			return db
				.select({
					groupId: movement.groupId,
					kind: movement.kind,
					grams: movement.grams,
					packs: movement.packs,
					title: lot.title,
					at: movement.recordedAt,
					by: movement.by
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.where(
					and(
						eq(movement.householdId, householdId),
						isNull(movement.reversesId),
						eq(lot.kind, of),
						gt(movement.recordedAt, new Date(now.getTime() - 7 * 86_400_000)),
						inArray(movement.kind, ['take', 'give', 'spoil', 'count', 'move']),
						or(sql`${movement.kind} <> 'move'`, sql`${movement.grams} + ${movement.packs} < 0`),
						sql`not exists (select 1 from movement r where r.reverses_id = ${movement.id})`
					)
				)
				.orderBy(desc(movement.recordedAt))
				.limit(count);
		},

		/** Everything that happened to the lots of a batch. */
		async ofBatch(batchId: string) {
			const lots = await db
				.select({
					id: lot.id,
					title: lot.title,
					packG: lot.packG,
					packs: lotBalance.packs,
					place: place.name,
					container: container.name,
					keepsUntil: lot.keepsUntil
				})
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(mine, eq(lot.batchId, batchId)))
				.orderBy(asc(lot.createdAt));
			const moves = await db
				.select({
					id: movement.id,
					kind: movement.kind,
					packs: movement.packs,
					cause: movement.cause,
					by: movement.by,
					at: movement.occurredAt,
					reversesId: movement.reversesId,
					place: place.name
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(and(eq(movement.householdId, householdId), eq(lot.batchId, batchId)))
				.orderBy(asc(movement.recordedAt), asc(movement.id));
			return { lots, moves };
		},

		/** Litres that the packs in freezers take: by their containers, or twice their weight where none is known. */
		async freezerUsed_L(): Promise<number> {
			const [row] = await db
				.select({
					ml: sql<string>`coalesce(sum(coalesce(${container.volumeMl}, ${lot.packG} * 2)::bigint * ${lotBalance.packs}), 0)`
				})
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.packs, 0), eq(place.kind, 'freezer')));
			return Number(row?.ml ?? 0) / 1000;
		}
	};
}
