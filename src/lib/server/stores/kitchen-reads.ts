import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { preparedOnce } from '../db/client';
import { container, equipment, ownMeasure, person, place, pot, recipePortion, supply } from '../db/schema';

/** What a kitchen has, read by every other page: prepared once, since building a query costs more than answering it. */
const household = sql.placeholder('household');

export const placesOf = preparedOnce((db) =>
	db
		.select()
		.from(place)
		.where(and(eq(place.householdId, household), isNull(place.removedAt)))
		.orderBy(asc(place.position), asc(place.name))
		.prepare('places_of')
);
export const potsOf = preparedOnce((db) =>
	db.select().from(pot).where(eq(pot.householdId, household)).orderBy(asc(pot.litres)).prepare('pots_of')
);
export const containersOf = preparedOnce((db) =>
	db
		.select()
		.from(container)
		.where(and(eq(container.householdId, household), isNull(container.removedAt)))
		.orderBy(asc(container.volumeMl))
		.prepare('containers_of')
);
export const measuresOf = preparedOnce((db) =>
	db
		.select()
		.from(ownMeasure)
		.where(eq(ownMeasure.householdId, household))
		.orderBy(asc(ownMeasure.name))
		.prepare('measures_of')
);
/** In the order of use within a kind. */
export const equipmentOf = preparedOnce((db) =>
	db
		.select({ id: equipment.id, kind: equipment.kind, name: equipment.name, spec: equipment.spec })
		.from(equipment)
		.where(and(eq(equipment.householdId, household), isNull(equipment.removedAt)))
		.orderBy(asc(equipment.position), asc(equipment.name))
		.prepare('equipment_of')
);
export const personsOf = preparedOnce((db) =>
	db
		.select()
		.from(person)
		.where(and(eq(person.householdId, household), isNull(person.removedAt)))
		.orderBy(asc(person.name))
		.prepare('persons_of')
);
export const suppliesOf = preparedOnce((db) =>
	db
		.select()
		.from(supply)
		.where(and(eq(supply.householdId, household), isNull(supply.removedAt)))
		.orderBy(asc(supply.kind), asc(supply.size))
		.prepare('supplies_of')
);
export const portionsOf = preparedOnce((db) =>
	db
		.select()
		.from(recipePortion)
		.where(eq(recipePortion.householdId, household))
		.orderBy(asc(recipePortion.name))
		.prepare('portions_of')
);
