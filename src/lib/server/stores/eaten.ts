import { eq, sql } from 'drizzle-orm';
import type { Draw, Eaten, Standing } from '$core/forecast/draws';
import { preparedOnce, type Database } from '../db/client';
import { foodDay, household, lotBalance } from '../db/schema';

/** A food on a day: what went of it, and by how much there was more or less of it in the evening. */
export interface FoodDay extends Record<string, unknown> {
	readonly food: string;
	/** Noon of the day, ms. */
	readonly at: number;
	readonly packs: number;
	readonly loose_g: number;
	readonly found_packs: number;
	readonly found_g: number;
	readonly grams: number;
}
/** More years than an appetite goes back. */
const years = 3;
const day_ms = 86_400_000;

const stampOf = preparedOnce((db) =>
	db
		.select({
			// Whatever changes a row leaves another transaction's number in it.
			eaten: sql<string>`(select count(*) || ' ' || coalesce(sum(d.xmin::text::bigint), 0) from ${foodDay} d where d.household_id = ${household.id})`,
			stands: sql<string>`(select count(*) || ' ' || coalesce(sum(b.xmin::text::bigint), 0) || ' ' || coalesce(sum(b.amount), 0) from ${lotBalance} b where b.household_id = ${household.id} and b.amount > 0)`
		})
		.from(household)
		.where(eq(household.id, sql.placeholder('household')))
		.prepare('larder_stamp')
);

/** How each food of the shelves went: what was eaten of it, and when there was any. Steps that were taken back are none. */
export function eatenStore(db: Database, householdId: string, now: Date) {
	return {
		/**
		 * @param meal_g of what is loose so much is a meal; a pack is one
		 */
		async byFood(meal_g: number): Promise<Map<string, Eaten>> {
			const since = new Date(now.getTime() - years * 365.25 * day_ms);
			const { rows } = await db.execute<FoodDay>(sql`
				select food, (extract(epoch from day) * 1000 + 43200000)::float8 as at, packs, loose_g, found_packs, found_g, grams
				from food_day
				where household_id = ${householdId} and day > ${since.toISOString()}::date
				order by food, day`);
			// What stands now less what came and went since is what stood at the beginning.
			const { rows: standing } = await db.execute<{ food: string; grams: number }>(sql`
				select l.food, sum(b.amount * l.unit_g)::float8 as grams
				from lot_balance b join lot l on l.id = b.lot_id
				where b.household_id = ${householdId} and b.amount > 0 and not l.waiting
				group by 1`);
			const stands = new Map(standing.map((r) => [r.food, r.grams]));
			return eatenFrom(rows, stands, { meal_g, since: since.getTime(), now: now.getTime() });
		},

		/** The same as long as nothing of what is eaten and of what stands there has changed: both are read for it, and nothing is added up. */
		async stamp(): Promise<string> {
			const [row] = await stampOf(db).execute({ household: householdId });
			return `${row?.eaten ?? ''} ${row?.stands ?? ''}`;
		},

		/** When each food came in first in the calendar year before, a whole number of years on, ms: when it may be new again. */
		async newCrops(): Promise<Map<string, number>> {
			const last = now.getUTCFullYear() - 1;
			const { rows } = await db.execute<{ food: string; at: number }>(sql`
				select l.food, (extract(epoch from min(l.since)) * 1000)::float8 as at
				from lot l
				where l.household_id = ${householdId} and l.waiting and l.origin <> 'bought' and l.state = 'fresh'
					and l.since >= ${`${last}-01-01`}::date and l.since < ${`${last + 1}-01-01`}::date
				group by 1`);
			return new Map(
				rows.map(({ food, at }) => {
					const date = new Date(at);
					do date.setUTCFullYear(date.getUTCFullYear() + 1);
					while (date.getTime() <= now.getTime());
					return [food, date.getTime()];
				})
			);
		}
	};
}

interface Going {
	readonly draws: Draw[];
	readonly standing: Standing[];
	grams: number;
	/** Since when there is some, ms. */
	from: number;
}

/**
 * Days of each food, in order, as what went of it and while there was any.
 *
 * @param stands what stands of each food now, g: less what its days changed it is what stood before them
 */
export function eatenFrom(
	rows: readonly FoodDay[],
	stands: ReadonlyMap<string, number>,
	{ meal_g, since, now }: { readonly meal_g: number; readonly since: number; readonly now: number }
): Map<string, Eaten> {
	const foods = new Map<string, Going>();
	for (const [food, grams] of stands) foods.set(food, { draws: [], standing: [], grams, from: since });
	for (const { food, grams } of rows) {
		const known = foods.get(food) ?? { draws: [], standing: [], grams: 0, from: since };
		foods.set(food, { ...known, grams: known.grams - grams });
	}
	for (const r of rows) {
		const known = foods.get(r.food);
		if (!known) continue;
		const units = r.packs + r.loose_g / meal_g;
		if (units > 1e-6) known.draws.push({ at: r.at, units });
		const missing = r.found_packs + r.found_g / meal_g;
		if (missing > 1e-6) known.draws.push({ at: r.at, units: missing, found: true });
		const stood = known.grams > 1;
		known.grams += r.grams;
		const stays = known.grams > 1;
		if (!stood) known.from = r.at;
		// What comes and goes on one day stood there for it.
		if (!stays && (stood || units > 1e-6)) known.standing.push({ from: known.from, to: r.at + day_ms / 2 });
	}
	return new Map(
		[...foods].map(([food, { draws, standing, grams, from }]) => [
			food,
			{ draws, standing: grams > 1 ? [...standing, { from, to: now }] : standing }
		])
	);
}
