import { eq, gt, sql } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newHousehold } from '../stores/households';
import { bringUpToDate, connect, type Tx } from './client';
import { readFast } from './rows';
import { household, lot, place } from './schema';

let link: ReturnType<typeof connect>;
let home: string;
beforeAll(async () => {
	link = connect(process.env.TEST_DATABASE_URL ?? '', 2);
	await bringUpToDate(link.db);
	home = await newHousehold(link.db, { name: 'Rows', zone: 'UTC', now: new Date(0) });
});
afterAll(() => link.close());

/** Each query twice: as the library reads it, and by the plan that is made once. */
describe('rows of a prepared query', () => {
	const queries = {
		'tables taken whole, dates, numbers, SQL, nulls': (db: Tx) =>
			db
				.select({ place, household, twice: sql<number>`${place.tempC} * 2`, name: place.name, litres: place.litres })
				.from(place)
				.innerJoin(household, eq(household.id, place.householdId))
				.where(eq(place.householdId, home))
				.orderBy(place.id),
		'no row': (db: Tx) => db.select({ lot }).from(lot).where(eq(lot.householdId, home)),
		'a table that may be missing is left to the library': (db: Tx) =>
			db
				.select({ place, lot })
				.from(place)
				.leftJoin(lot, gt(lot.placeId, place.id))
				.where(eq(place.householdId, home))
				.orderBy(place.id),
		'columns of a table that may be missing': (db: Tx) =>
			db
				.select({ name: place.name, lot: lot.title, since: lot.since })
				.from(place)
				.leftJoin(lot, gt(lot.placeId, place.id))
				.where(eq(place.householdId, home))
				.orderBy(place.id)
	} as const;
	for (const [what, query] of Object.entries(queries))
		it(`are the library's own: ${what}`, async () => {
			const name = `rows_${what.length}`;
			// Other tests write beside this one: both see the tables as they were in one moment.
			const [slow, fast] = await link.db.transaction(
				async (db) => [
					await query(db).prepare(name).execute(),
					await readFast(query(db).prepare(`${name}_fast`)).execute()
				],
				{ isolationLevel: 'repeatable read' }
			);
			expect(fast).toEqual(slow);
			if (what.startsWith('tables')) expect(fast?.length).toBeGreaterThan(2);
		});
});
