import { sql } from 'drizzle-orm';
import { expect } from 'vitest';
import type { Database } from '$lib/server/db/client';

/** What the database keeps of each food by day is what the movements of a household add up to. */
export async function expectFoodDays(db: Database, household: string, where: string): Promise<void> {
	const { rows: differs } = await db.execute(sql`
		select food, day from (
			select food, day, packs, loose_g, found_packs, found_g, grams from food_day where household_id = ${household}
			union all
			select food, day, -packs, -loose_g, -found_packs, -found_g, -grams from food_day_of d
			where household_id = ${household} and not exists (select 1 from movement r where r.reverses_id = d.id)
		) x group by 1, 2
		having greatest(abs(sum(packs)), abs(sum(loose_g)), abs(sum(found_packs)), abs(sum(found_g)), abs(sum(grams))) > 1e-6`);
	expect(differs, where).toEqual([]);
}
