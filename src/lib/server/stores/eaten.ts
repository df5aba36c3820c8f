import { sql } from 'drizzle-orm';
import type { Draw, Eaten, Standing } from '$core/forecast/draws';
import type { Database } from '../db/client';
import { unkept, type Keep } from './kept';

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

/** How each food of the shelves went: what was eaten of it, and when there was any. Steps that were taken back are none. */
export function eatenStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const since = new Date(now.getTime() - years * 365.25 * day_ms);
	const from = since.toISOString().slice(0, 10);
	const last = now.getUTCFullYear() - 1;

	const days = async (): Promise<FoodDay[]> => {
		const { rows } = await db.execute<FoodDay>(sql`
			select food, (extract(epoch from day) * 1000 + 43200000)::float8 as at, packs, loose_g, found_packs, found_g, grams
			from food_day
			where household_id = ${householdId} and day > ${from}::date
			order by food, day`);
		return rows;
	};
	// What stands now less what came and went since is what stood at the beginning.
	const standing = async (): Promise<{ food: string; grams: number }[]> => {
		const { rows } = await db.execute<{ food: string; grams: number }>(sql`
			select l.food, sum(b.amount * l.unit_g)::float8 as grams
			from lot_balance b join lot l on l.id = b.lot_id
			where b.household_id = ${householdId} and b.amount > 0 and not l.waiting
			group by 1 order by 1`);
		return rows;
	};
	const firstCrops = async (): Promise<{ food: string; at: number }[]> => {
		const { rows } = await db.execute<{ food: string; at: number }>(sql`
			select l.food, (extract(epoch from min(l.since)) * 1000)::float8 as at
			from lot l
			where l.household_id = ${householdId} and l.waiting and l.origin <> 'bought' and l.state = 'fresh'
				and l.since >= ${`${last}-01-01`}::date and l.since < ${`${last + 1}-01-01`}::date
			group by 1 order by 1`);
		return rows;
	};

	return {
		/**
		 * @param meal_g of what is loose so much is a meal; a pack is one
		 */
		async byFood(meal_g: number): Promise<Map<string, Eaten>> {
			const [rows, stands] = await Promise.all([keep(`food days ${from}`, days), keep('foods standing', standing)]);
			return eatenFrom(rows, new Map(stands.map((r) => [r.food, r.grams])), {
				meal_g,
				since: since.getTime(),
				now: now.getTime()
			});
		},

		/** When each food came in first in the calendar year before, a whole number of years on, ms: when it may be new again. */
		async newCrops(): Promise<Map<string, number>> {
			const rows = await keep(`first crops ${last}`, firstCrops);
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
