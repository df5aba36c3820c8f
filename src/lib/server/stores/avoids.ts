import { and, asc, eq } from 'drizzle-orm';
import type { Database } from '../db/client';
import { avoid } from '../db/schema';
import { changer } from './change';
import { unkept, type Keep } from './kept';

/** Foods that somebody at table does not eat: no supper has them. */
export function avoidStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const change = changer(db, householdId, now);
	return {
		all: (): Promise<{ food: string; who: string }[]> =>
			keep('avoids', () =>
				db
					.select({ food: avoid.food, who: avoid.who })
					.from(avoid)
					.where(eq(avoid.householdId, householdId))
					.orderBy(asc(avoid.food))
					.limit(400)
					.execute()
			),
		add: (key: string, food: string, who: string) =>
			change(key, 'avoid', { food, who }, (tx) =>
				tx
					.insert(avoid)
					.values({ householdId, food, who })
					.onConflictDoUpdate({ target: [avoid.householdId, avoid.food], set: { who } })
			),
		remove: (key: string, food: string) =>
			change(key, 'avoid no more', { food }, (tx) =>
				tx.delete(avoid).where(and(eq(avoid.householdId, householdId), eq(avoid.food, food)))
			)
	};
}
