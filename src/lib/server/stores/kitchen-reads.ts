import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { planOf } from '$core/runs/kinds';
import { boilSeen, type BoilSeen } from '$core/runs/kinds/freeze/boils';
import { preparedOnce, type Database } from '../db/client';
import {
	batch,
	container,
	equipment,
	ownMeasure,
	person,
	place,
	pot,
	recipePortion,
	run,
	runOutput,
	supply
} from '../db/schema';

/**
 * What a kitchen has, read by every other page: prepared once, since building a query costs more than answering it. Two of one
 * name or size stand in the same order at every look: the id ends each.
 */
const household = sql.placeholder('household');

export const placesOf = preparedOnce((db) =>
	db
		.select()
		.from(place)
		.where(and(eq(place.householdId, household), isNull(place.removedAt)))
		.orderBy(asc(place.position), asc(place.name), asc(place.id))
		.prepare('places_of')
);
export const potsOf = preparedOnce((db) =>
	db.select().from(pot).where(eq(pot.householdId, household)).orderBy(asc(pot.litres), asc(pot.id)).prepare('pots_of')
);
/** Of two that hold as much the one first of which more lie there. */
export const containersOf = preparedOnce((db) =>
	db
		.select()
		.from(container)
		.where(and(eq(container.householdId, household), isNull(container.removedAt)))
		.orderBy(asc(container.volumeMl), desc(container.count), asc(container.id))
		.prepare('containers_of')
);
export const measuresOf = preparedOnce((db) =>
	db
		.select()
		.from(ownMeasure)
		.where(eq(ownMeasure.householdId, household))
		.orderBy(asc(ownMeasure.name), asc(ownMeasure.food), asc(ownMeasure.id))
		.prepare('measures_of')
);
/** In the order of use within a kind. */
export const equipmentOf = preparedOnce((db) =>
	db
		.select({ id: equipment.id, kind: equipment.kind, name: equipment.name, spec: equipment.spec })
		.from(equipment)
		.where(and(eq(equipment.householdId, household), isNull(equipment.removedAt)))
		.orderBy(asc(equipment.position), asc(equipment.name), asc(equipment.id))
		.prepare('equipment_of')
);
export const personsOf = preparedOnce((db) =>
	db
		.select()
		.from(person)
		.where(and(eq(person.householdId, household), isNull(person.removedAt)))
		.orderBy(asc(person.name), asc(person.id))
		.prepare('persons_of')
);
export const suppliesOf = preparedOnce((db) =>
	db
		.select()
		.from(supply)
		.where(and(eq(supply.householdId, household), isNull(supply.removedAt)))
		.orderBy(asc(supply.kind), asc(supply.size), asc(supply.id))
		.prepare('supplies_of')
);
export const portionsOf = preparedOnce((db) =>
	db
		.select()
		.from(recipePortion)
		.where(eq(recipePortion.householdId, household))
		.orderBy(asc(recipePortion.name), asc(recipePortion.id))
		.prepare('portions_of')
);
/** Older runs than these say little of today's burner. */
const mostBoils = 30;
const blanchedLately = preparedOnce((db) =>
	db
		.select({ run: run.id, closing: batch.closing, n: runOutput.n, plan: run.plan })
		.from(batch)
		.innerJoin(run, eq(run.id, batch.runId))
		.innerJoin(runOutput, eq(runOutput.batchId, batch.id))
		.where(
			and(
				eq(batch.householdId, household),
				isNull(batch.voidedAt),
				sql`${run.plan}->>'kind' = 'freeze'`,
				sql`jsonb_array_length(${batch.closing}->'potfuls') > 0`
			)
		)
		.orderBy(desc(batch.packedOn), desc(batch.id))
		.limit(mostBoils)
		.prepare('blanched_lately')
);

/** How the boil came back in runs of before, the newest first. */
export async function boilsSeen(db: Database, householdId: string): Promise<BoilSeen[]> {
	const rows = await blanchedLately(db).execute({ household: householdId });
	return rows.flatMap(({ run: id, closing, n, plan: kept }) => {
		const plan = planOf(kept);
		const seen = plan.kind === 'freeze' ? boilSeen(plan, n, closing.potfuls) : undefined;
		return seen ? [{ run: id, ...seen }] : [];
	});
}
