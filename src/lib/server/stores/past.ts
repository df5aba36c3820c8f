import { and, desc, eq, gt, inArray, isNotNull, isNull, ne, sql } from 'drizzle-orm';
import type { HandsBefore } from '$core/forecast/own-hands';
import type { KeptBefore } from '$core/forecast/own-yields';
import { planOf } from '$core/runs/kinds';
import { preparedOnce, type Database } from '../db/client';
import { batch, lot, movement, run, runOutput } from '../db/schema';

const year_ms = 365 * 86_400_000;
/** More buyings of one food than a household looks back on. */
const mostBought = 60;

const keptFrozenOf = preparedOnce((db) =>
	db
		.select({ form: batch.form, cut: batch.cut, share: batch.yieldMass })
		.from(batch)
		.where(
			and(
				eq(batch.householdId, sql.placeholder('household')),
				eq(batch.food, sql.placeholder('food')),
				eq(batch.method, 'freeze'),
				isNull(batch.voidedAt),
				isNotNull(batch.yieldMass)
			)
		)
		.orderBy(desc(batch.packedOn), desc(batch.id))
		.limit(sql.placeholder('most'))
		.prepare('kept_frozen')
);

const handsSaidOf = preparedOnce((db) =>
	db
		.select({
			plan: run.plan,
			n: runOutput.n,
			cut: batch.cut,
			raw_g: batch.rawG,
			said_s: batch.handsSaidS,
			planned_s: batch.handsS
		})
		.from(batch)
		.innerJoin(run, eq(run.id, batch.runId))
		.innerJoin(runOutput, eq(runOutput.batchId, batch.id))
		.where(
			and(
				eq(batch.householdId, sql.placeholder('household')),
				eq(batch.food, sql.placeholder('food')),
				isNull(batch.voidedAt),
				isNotNull(batch.handsSaidS)
			)
		)
		.orderBy(desc(batch.packedOn), desc(batch.id))
		.limit(sql.placeholder('most'))
		.prepare('hands_said')
);

const saidOf = preparedOnce((db) =>
	db
		.select({ code: batch.code, packedOn: batch.packedOn, would: batch.again, change: batch.change })
		.from(batch)
		.where(
			and(
				eq(batch.householdId, sql.placeholder('household')),
				eq(batch.food, sql.placeholder('food')),
				ne(batch.again, ''),
				isNull(batch.voidedAt)
			)
		)
		.orderBy(desc(batch.packedOn), desc(batch.id))
		.limit(1)
		.prepare('said_of')
);

/** What a household's own past says of a food: what was paid, what came of it, what went. */
export function pastStore(db: Database, householdId: string, now: Date) {
	return {
		/** Lots that were paid for in one money, the newest first: minor units for so many grams that came in. */
		async paidFor(food: string, currency: string): Promise<{ priceMinor: number; grams: number; at: Date }[]> {
			const came = sql<number>`sum(${movement.amount} * ${lot.unitG})::float8`;
			const rows = await db
				.select({ priceMinor: lot.priceMinor, at: lot.since, grams: came })
				.from(lot)
				.innerJoin(movement, and(eq(movement.lotId, lot.id), eq(movement.kind, 'put')))
				.where(
					and(
						eq(lot.householdId, householdId),
						eq(lot.food, food),
						eq(lot.currency, currency),
						isNotNull(lot.priceMinor)
					)
				)
				.groupBy(lot.id)
				.having(sql`sum(${movement.amount}) > 0`)
				.orderBy(desc(lot.since), desc(lot.id))
				.limit(mostBought);
			return rows.flatMap((r) => (r.priceMinor === null ? [] : [{ ...r, priceMinor: r.priceMinor }]));
		},

		/** What of a kilo came into packs, by every entry of this food that was weighed on both sides. */
		async yieldsOf(food: string): Promise<number[]> {
			const rows = await db
				.select({ yieldMass: batch.yieldMass })
				.from(batch)
				.where(
					and(
						eq(batch.householdId, householdId),
						eq(batch.food, food),
						isNull(batch.voidedAt),
						isNotNull(batch.yieldMass)
					)
				)
				.orderBy(desc(batch.packedOn), desc(batch.id))
				.limit(mostBought);
			return rows.flatMap((r) => (r.yieldMass === null ? [] : [r.yieldMass]));
		},

		/** Whether its last batch would be made again, and what would be changed; null where nobody said. */
		async said(food: string): Promise<{ code: string; packedOn: string; would: string; change: string } | null> {
			const [row] = await saidOf(db).execute({ household: householdId, food });
			return row ?? null;
		},

		/** The same of what was frozen, by form and cut, the newest first. */
		async keptFrozen(food: string): Promise<KeptBefore[]> {
			const rows = await keptFrozenOf(db).execute({ household: householdId, food, most: mostBought });
			return rows.flatMap(({ form, cut, share }) => (share === null ? [] : [{ form, cut, share }]));
		},

		/** Batches of a food of which somebody said what its hands really took; the newest first. */
		async handsSaid(food: string): Promise<HandsBefore[]> {
			const rows = await handsSaidOf(db).execute({ household: householdId, food, most: mostBought });
			return rows.flatMap(({ plan: kept, n, cut, raw_g, said_s, planned_s }): HandsBefore[] => {
				const plan = planOf(kept);
				const subject = 'subjects' in plan ? plan.subjects.find((s) => s.n === n) : undefined;
				const { hands_s = 0, knife_s = 0 } = subject?.expected ?? {};
				if (said_s === null || !(hands_s > 0) || !(knife_s > 0)) return [];
				// The book has the share of the plan that went through.
				return [{ cut, raw_g, said_s, planned_s, knife_s: (knife_s * planned_s) / hands_s }];
			});
		},

		/** What went from the shelves in the last year, kg by food: taken, given, used. */
		async goneInYear(): Promise<Map<string, number>> {
			const rows = await db
				.select({
					food: lot.food,
					grams: sql<number>`-sum(${movement.amount} * ${lot.unitG})::float8`
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.where(
					and(
						eq(movement.householdId, householdId),
						eq(lot.waiting, false),
						inArray(movement.kind, ['take', 'give', 'use']),
						gt(movement.recordedAt, new Date(now.getTime() - year_ms))
					)
				)
				.groupBy(lot.food);
			return new Map(rows.map((r) => [r.food, Math.max(0, r.grams / 1000)]));
		}
	};
}
