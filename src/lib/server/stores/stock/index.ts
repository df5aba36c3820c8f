import { and, eq, or, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dgOf, type LotUnit } from '$core/stock/amount';
import type { Finding, LookKind } from '$core/stock/looks';
import type { Database } from '../../db/client';
import { look, lot, place } from '../../db/schema';
import { notFound } from '../../errors';
import { unkept, type Keep } from '../kept';
import { once } from '../once';
import { act, type StockStep } from './act';
import { keepAll, keepAside, letAllGo, letGo, takeAside, takeKept } from './aside';
import { allOf, intoWork, ontoShelf, openPack } from './open';
import { makeOf, type MakeStep } from './make';
import { mergeLots } from './merge';
import { makeLot, openPlace, ownLot, post, type LotRow, type NewLot, type Step } from './post';
import { putAway, type MadeFrom, type Standing } from './put';
import { stockReads } from './reads';
import { takeIn } from './receipt';
import { undoGroup } from './undo';
import { unsealed, type UnsealedTo } from './unsealed';

export type { Change, LotRow, NewLot, Step } from './post';
export { makeLot, post } from './post';
export type { StockStep } from './act';

/** What may be told of a lot afterwards; what is not named stays. */
export type Told = Partial<Pick<LotRow, 'variety' | 'origin' | 'priceMinor' | 'currency' | 'since'>>;

export function stockStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	return {
		...stockReads(db, householdId, now, keep),

		/** Puts what came in into the basket, by weight. @param ask what was said: not what it was read as, nor when */
		addRaw(
			ask: { key: string; body: unknown },
			values: Omit<NewLot, 'unit' | 'waiting'> & { grams: number },
			by: string
		): Promise<Step & { lotId: string }> {
			return once(db, householdId, { ...ask, action: 'add' }, now, async (tx) => {
				await openPlace(tx, householdId, values.placeId);
				const { grams, ...rest } = values;
				const lotId = await makeLot(tx, householdId, { ...rest, unit: 'dg', waiting: true }, now);
				const groupId = uuidv7();
				await post(tx, householdId, groupId, [{ lotId, kind: 'put', amount: dgOf(grams) }], { now, by });
				return { lotId, groupId, words: `${values.title} in the basket` };
			});
		},

		/** What stands there already. @see putAway @param ask what was said */
		putAway: (
			ask: { key: string; body: unknown },
			values: Standing,
			by: string,
			from?: MadeFrom
		): Promise<Step & { lotId: string }> =>
			once(db, householdId, { ...ask, action: 'put away' }, now, (tx) =>
				putAway(tx, householdId, values, { now, by }, from)
			),

		/** @see act */
		act: (key: string, step: StockStep, by: string): Promise<Step> =>
			once(db, householdId, { key, action: step.kind, body: step }, now, (tx) => act(tx, householdId, step, now, by)),

		/** One of what is counted, in a tap; of what is weighed all of it. @throws {AppError} 404, 409 */
		takeOne: (key: string, lotId: string, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'take one', body: { lotId } }, now, async (tx) => {
				const { unit } = await ownLot(tx, householdId, lotId);
				const amount = unit === 'pack' || unit === 'piece' ? 1 : Math.max(1, await allOf(tx, lotId));
				return act(tx, householdId, { lotId, kind: 'take', unit, amount }, now, by);
			}),

		/** It is known how these jars were made: of every lot of the same entry. @throws {AppError} 404 */
		knowProcess: (key: string, lotId: string): Promise<object> =>
			once(db, householdId, { key, action: 'process', body: { lotId } }, now, async (tx) => {
				const row = await ownLot(tx, householdId, lotId);
				const same = row.batchId ? or(eq(lot.id, lotId), eq(lot.batchId, row.batchId)) : eq(lot.id, lotId);
				await tx
					.update(lot)
					.set({ process: 'tested' })
					.where(and(eq(lot.householdId, householdId), same));
				return {};
			}),

		/** A place was gone through, line by line. @throws {AppError} 404 */
		counted: (key: string, placeId: string): Promise<object> =>
			once(db, householdId, { key, action: 'counted', body: { placeId } }, now, async (tx) => {
				await openPlace(tx, householdId, placeId);
				await tx
					.update(place)
					.set({ countedAt: now })
					.where(and(eq(place.householdId, householdId), eq(place.id, placeId)));
				return {};
			}),

		/** @see openPack */
		open: (key: string, step: { lotId: string; placeId?: string }, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'open', body: step }, now, (tx) =>
				openPack(tx, householdId, step, { now, by })
			),

		/** @see unsealed */
		unsealed: (key: string, step: { lotId: string; amount: number; to: UnsealedTo }, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'unsealed', body: step }, now, (tx) =>
				unsealed(tx, householdId, step, { now, by })
			),

		/** @see intoWork */
		work: (key: string, step: { lotId: string; amount: number }, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'work', body: step }, now, (tx) =>
				intoWork(tx, householdId, step, { now, by })
			),

		/** @see takeIn @param ask what was typed */
		takeIn: (ask: { key: string; body: unknown }, head: Parameters<typeof takeIn>[2], by: string): Promise<Step> =>
			once(db, householdId, { ...ask, action: 'receipt' }, now, (tx) => takeIn(tx, householdId, head, { now, by })),

		/** @see makeOf */
		make: (key: string, step: MakeStep, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'make', body: step }, now, (tx) =>
				makeOf(tx, householdId, step, { now, by })
			),

		/** What is told of a lot after it came in. @throws {AppError} 404 */
		tell: (key: string, lotId: string, told: Told): Promise<object> =>
			once(db, householdId, { key, action: 'tell', body: { lotId, ...told } }, now, async (tx) => {
				await ownLot(tx, householdId, lotId);
				await tx
					.update(lot)
					.set(told)
					.where(and(eq(lot.householdId, householdId), eq(lot.id, lotId)));
				return {};
			}),

		/** Several at once, as one step that is taken back whole: a supper. @throws {AppError} 404; 409 */
		takeAll: (
			key: string,
			parts: readonly { lotId: string; amount: number }[],
			words: string,
			by: string
		): Promise<Step> =>
			once(db, householdId, { key, action: 'take all', body: { parts, words } }, now, async (tx) => {
				const groupId = uuidv7();
				const changes = [];
				for (const { lotId, amount } of parts) {
					const row = await ownLot(tx, householdId, lotId);
					changes.push({ lotId, kind: 'take' as const, amount: -amount, cause: 'supper', batchId: row.batchId });
				}
				await post(tx, householdId, groupId, changes, { now, by });
				return { groupId, words };
			}),

		/** @see keepAside */
		aside: (key: string, step: { lotId: string; unit: LotUnit; amount: number; words: string }, by: string) =>
			once(db, householdId, { key, action: 'aside', body: step }, now, (tx) =>
				keepAside(tx, householdId, step, { now, by })
			),
		/** @see letGo */
		letGo: (key: string, claimId: string, by: string) =>
			once(db, householdId, { key, action: 'let go', body: { claimId } }, now, (tx) =>
				letGo(tx, householdId, claimId, { now, by })
			),
		/** @see takeAside */
		takeAside: (key: string, claimId: string, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'take aside', body: { claimId } }, now, (tx) =>
				takeAside(tx, householdId, claimId, { now, by })
			),
		/** @see keepAll */
		keepAll: (key: string, parts: readonly { lotId: string; amount: number }[], words: string, by: string) =>
			once(db, householdId, { key, action: 'keep all', body: { parts, words } }, now, (tx) =>
				keepAll(tx, householdId, parts, words, { now, by })
			),
		/** @see takeKept */
		takeKept: (key: string, claimIds: readonly string[], words: string, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'take kept', body: { claimIds, words } }, now, (tx) =>
				takeKept(tx, householdId, claimIds, words, { now, by })
			),
		/** @see letAllGo */
		letAllGo: (key: string, claimIds: readonly string[], by: string) =>
			once(db, householdId, { key, action: 'let all go', body: { claimIds } }, now, (tx) =>
				letAllGo(tx, householdId, claimIds, { now, by })
			),
		/** @see mergeLots */
		merge: (key: string, step: { lotId: string; fromId: string }, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'merge', body: step }, now, (tx) =>
				mergeLots(tx, householdId, step, { now, by })
			),

		/** @see ontoShelf */
		keep: (key: string, step: { lotId: string; amount: number }, by: string): Promise<Step> =>
			once(db, householdId, { key, action: 'keep', body: step }, now, (tx) =>
				ontoShelf(tx, householdId, step, { now, by })
			),

		/** Someone looked at a lot, and what was found. @throws {AppError} 404 */
		look: (
			key: string,
			step: { lotIds: readonly string[]; kind: LookKind; finding: Finding },
			by: string
		): Promise<object> =>
			once(db, householdId, { key, action: 'look', body: step }, now, async (tx) => {
				const { lotIds, ...said } = step;
				for (const lotId of lotIds) await ownLot(tx, householdId, lotId);
				await tx
					.insert(look)
					.values(lotIds.map((lotId) => ({ id: uuidv7(), householdId, lotId, ...said, by, at: now, recordedAt: now })));
				return {};
			}),

		/** Keeps whether an expert has seen a lot, with every lot that was split from it by moving. @throws {AppError} 404 */
		async identify(key: string, lotId: string, identified: boolean): Promise<void> {
			await once(db, householdId, { key, action: 'identify', body: { lotId, identified } }, now, async (tx) => {
				// Said of one, it is said of all that it was moved from and to: an undone move never brings back the other answer.
				const { rows: found } = await tx.execute<{ id: string }>(sql`
				with recursive kin (id) as (
					select id from lot where id = ${lotId} and household_id = ${householdId} and unit = 'dg'
					union
					select b.lot_id from kin
					join movement a on a.lot_id = kin.id and a.kind in ('move', 'thaw', 'split') and a.household_id = ${householdId}
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
		}
	};
}
