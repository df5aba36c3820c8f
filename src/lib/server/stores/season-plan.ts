import { and, eq, sql } from 'drizzle-orm';
import { sum } from 'd3-array';
import type { Planting } from '$core/forecast/season-plan';
import type { Database } from '../db/client';
import { planting } from '../db/schema';
import { changer } from './change';
import { unkept, type Keep } from './kept';

/** What of a food came in fresh from the own garden in a month. */
export interface CameIn extends Record<string, unknown> {
	readonly food: string;
	readonly year: number;
	/** From 0. */
	readonly month: number;
	readonly kg: number;
}

/** What is set and picked in the garden, as a household says and as it came. */
export function seasonPlanStore(db: Database, householdId: string, now: Date, keep: Keep = unkept) {
	const change = changer(db, householdId, now);
	async function plantingsOf(food?: string): Promise<Planting[]> {
		const rows = await db
			.select()
			.from(planting)
			.where(and(eq(planting.householdId, householdId), food === undefined ? undefined : eq(planting.food, food)))
			.orderBy(planting.food, planting.year);
		return rows.map(({ householdId: _h, ...p }) => p);
	}
	async function cameInOf(food?: string): Promise<CameIn[]> {
		const { rows } = await db.execute<CameIn>(sql`
				with came as (
					select l.food, l.since::date as day, m.amount * l.unit_g / 1000 as kg
					from lot l join movement m on m.lot_id = l.id and m.kind = 'put' and m.reverses_id is null
					where l.household_id = ${householdId} and l.waiting and l.state = 'fresh' and l.origin not in ('bought', 'given')
						and not exists (select 1 from movement r where r.reverses_id = m.id)
						and (${food ?? null}::text is null or l.food = ${food ?? null})
					union all
					select b.food, b.packed_on, b.raw_g / 1000.0
					from batch b
					where b.household_id = ${householdId} and b.voided_at is null and b.run_id is null and b.raw_g > 0 and b.paid_minor is null
						and (${food ?? null}::text is null or b.food = ${food ?? null})
						and not exists (select 1 from movement m where m.batch_id = b.id and m.kind = 'use' and m.household_id = ${householdId})
				)
				select food, extract(year from day)::int as year, (extract(month from day) - 1)::int as month, sum(kg)::float8 as kg
				from came group by 1, 2, 3 order by 1, 2, 3`);
		return rows;
	}
	return {
		plantings: (food?: string): Promise<Planting[]> => keep(`plantings ${food ?? ''}`, () => plantingsOf(food)),
		/** A food's plants and days of a year; all of them empty is none. */
		setPlanting: (key: string, p: Planting) =>
			change(key, 'planting', p, async (tx) => {
				const whose = and(eq(planting.householdId, householdId), eq(planting.food, p.food), eq(planting.year, p.year));
				await tx.delete(planting).where(whose);
				if ([p.plants, p.sowFrom, p.sowTo, p.pickFrom, p.pickTo].some((v) => v !== null))
					await tx.insert(planting).values({ householdId, ...p });
			}),
		/**
		 * What came in, by month. A lot of the Basket says itself; a batch that was written down without one says what went in.
		 */
		cameIn: (food?: string): Promise<CameIn[]> => keep(`came in ${food ?? ''}`, () => cameInOf(food))
	};
}

/** Kilos by month over all years, January first. */
export const byMonth = (came: readonly CameIn[]): number[] =>
	Array.from({ length: 12 }, (_, m) =>
		sum(
			came.filter((c) => c.month === m),
			(c) => c.kg
		)
	);
