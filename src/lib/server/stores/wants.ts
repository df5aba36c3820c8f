import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Want } from '$core/stock/wants';
import type { Database } from '../db/client';
import { want } from '../db/schema';
import { changer } from './change';
import { unkept, type Keep } from './kept';

export interface WantOf extends Want {
	readonly food: string;
}
/** More foods than the tables have. */
const mostFoods = 400;

/** What the household wants to eat of each food. */
export function wantStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const change = changer(db, householdId, now);
	async function all(): Promise<Map<string, Want>> {
		const rows = await db
			.select({ food: want.food, perWeek: want.perWeek, helpingG: want.helpingG })
			.from(want)
			.where(eq(want.householdId, householdId))
			.orderBy(asc(want.food))
			.limit(mostFoods);
		return new Map(rows.map(({ food, ...w }) => [food, w]));
	}
	return {
		all: (): Promise<Map<string, Want>> => keep('wants', all),

		/** Sets foods; one of which nothing is wanted any more has no row. Foods that are not named stay as they are. */
		set: (key: string, wants: readonly WantOf[]) =>
			change(key, 'wants', wants, async (tx) => {
				const none = wants.filter((w) => w.perWeek <= 0).map((w) => w.food);
				const some = wants.filter((w) => w.perWeek > 0);
				if (none.length > 0)
					await tx.delete(want).where(and(eq(want.householdId, householdId), inArray(want.food, none)));
				if (some.length > 0)
					await tx
						.insert(want)
						.values(some.map((w) => ({ householdId, ...w })))
						.onConflictDoUpdate({
							target: [want.householdId, want.food],
							set: { perWeek: sql`excluded.per_week`, helpingG: sql`excluded.helping_g` }
						});
			})
	};
}
