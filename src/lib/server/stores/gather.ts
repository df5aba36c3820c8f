import { and, asc, eq, gt, inArray, isNull } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Database } from '../db/client';
import { gathering, lot, lotBalance, place } from '../db/schema';
import { AppError, notFound } from '../errors';
import { once } from './once';
import { claimedBy } from './stock/claims';
import { mergeLots, likeness } from './stock/merge';
import { intoWork } from './stock/open';

/** As it came in, made ready, or frozen for it: what else the household holds of a food is for something else. */
const counted = ['fresh', 'prepared', 'frozen'] as const;

/** What is gathered over days toward a load or a recipe. */
export function gatherStore(db: Database, householdId: string, now: Date) {
	const mine = eq(gathering.householdId, householdId);
	const lotsOf = async (foods: readonly string[]) => {
		if (foods.length === 0) return [];
		const [rows, spoken] = await Promise.all([
			db
				.select({ lot, place, amount: lotBalance.amount })
				.from(lot)
				.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
				.innerJoin(place, eq(place.id, lot.placeId))
				.where(
					and(
						eq(lot.householdId, householdId),
						inArray(lot.food, [...foods]),
						inArray(lot.state, [...counted]),
						gt(lotBalance.amount, 0)
					)
				)
				.orderBy(asc(lot.since), asc(lot.id)),
			claimedBy(db, householdId)
		]);
		return rows
			.filter((r) => (r.lot.madeOf?.length ?? 0) <= 1)
			.map((r) => ({ ...r, free: Math.max(0, r.amount - (spoken.get(r.lot.id) ?? 0)) }))
			.filter((r) => r.free > 0);
	};
	return {
		/** What goes on being gathered, the oldest first. */
		open: () =>
			db
				.select()
				.from(gathering)
				.where(and(mine, isNull(gathering.endedAt)))
				.orderBy(asc(gathering.madeAt), asc(gathering.id)),

		/** Lots of these foods that count: fresh, made ready or frozen, and not spoken for, each with what of it is free. */
		lotsOf,

		add: (
			ask: { key: string; body: unknown },
			values: { readonly food: string; readonly target_g: number; readonly words: string }
		): Promise<{ id: string }> =>
			once(db, householdId, { ...ask, action: 'gather' }, now, async (tx) => {
				const id = uuidv7();
				const { food, target_g, words } = values;
				await tx.insert(gathering).values({ id, householdId, food, targetG: target_g, words, madeAt: now });
				return { id };
			}),

		/** Given up: what was gathered stays where it stands. @throws {AppError} 404 */
		end: (key: string, id: string): Promise<object> =>
			once(db, householdId, { key, action: 'gathered', body: { id } }, now, async (tx) => {
				const ended = await tx
					.update(gathering)
					.set({ endedAt: now })
					.where(and(mine, eq(gathering.id, id), isNull(gathering.endedAt)))
					.returning({ id: gathering.id });
				if (ended.length === 0) throw notFound('gathering');
				return {};
			}),

		/**
		 * All of it to work: packs come into the Basket by weight, and what is alike and stands in one place becomes one lot.
		 * All or nothing.
		 *
		 * @returns the lots that stand in the Basket then, the largest first
		 * @throws {AppError} 404; 409 NOTHING_LEFT, and whatever a step of it says
		 */
		takeAll: (key: string, id: string, by: string): Promise<{ lots: string[] }> =>
			once(db, householdId, { key, action: 'gathered to work', body: { id } }, now, async (tx) => {
				const [row] = await tx
					.select()
					.from(gathering)
					.where(and(mine, eq(gathering.id, id), isNull(gathering.endedAt)))
					.for('update');
				if (!row) throw notFound('gathering');
				const rows = await lotsOf([row.food]);
				if (rows.length === 0) throw new AppError(409, 'NOTHING_LEFT', 'Nothing of it is there. Nothing was changed.');
				const at = { now, by };
				const ids: string[] = [];
				for (const { lot: one, free } of rows)
					ids.push(
						one.waiting
							? one.id
							: ((await intoWork(tx, householdId, { lotId: one.id, amount: free }, at)).lotId ?? one.id)
					);
				const there = await tx
					.select({ lot, amount: lotBalance.amount })
					.from(lot)
					.innerJoin(lotBalance, eq(lotBalance.lotId, lot.id))
					.where(and(eq(lot.householdId, householdId), inArray(lot.id, ids)))
					.orderBy(asc(lot.since), asc(lot.id));
				const spoken = await claimedBy(tx, householdId);
				const kept = new Map<string, { id: string; grams: number }>();
				for (const { lot: one, amount } of there) {
					const like = likeness(one);
					const into = kept.get(like);
					// What is at the stove in part stays a lot of its own.
					if (!into || spoken.has(one.id) || spoken.has(into.id)) {
						kept.set(into ? `${like} ${one.id}` : like, { id: one.id, grams: amount * one.unitG });
						continue;
					}
					await mergeLots(tx, householdId, { lotId: into.id, fromId: one.id }, at);
					into.grams += amount * one.unitG;
				}
				await tx.update(gathering).set({ endedAt: now }).where(eq(gathering.id, id));
				return { lots: [...kept.values()].sort((a, b) => b.grams - a.grams).map((k) => k.id) };
			})
	};
}
