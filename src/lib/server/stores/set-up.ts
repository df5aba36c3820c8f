import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Tx } from '../db/client';
import { household, place, pot } from '../db/schema';
import type { SetUp } from '$core/ways/set-up';

/** Keeps the first three answers: see `householdStore.setUp`. */
export async function setUpHousehold(tx: Tx, householdId: string, set: SetUp): Promise<void> {
	const { units, altitudeM, iceKg, basins, trays } = set;
	await tx.update(household).set({ units, altitudeM, iceKg, basins, trays }).where(eq(household.id, householdId));
	// The one that the ways take when nobody chooses: the largest.
	const [first] = await tx
		.select({ id: pot.id })
		.from(pot)
		.where(eq(pot.householdId, householdId))
		.orderBy(desc(pot.litres), asc(pot.id))
		.limit(1);
	if (first) await tx.update(pot).set(set.pot).where(eq(pot.id, first.id));
	else await tx.insert(pot).values({ id: uuidv7(), householdId, name: 'Big pot', basketL: null, ...set.pot });
	const cold = { litres: set.freezerL, tempC: set.freezerC };
	const [freezer] = await tx
		.select({ id: place.id })
		.from(place)
		.where(and(eq(place.householdId, householdId), eq(place.kind, 'freezer'), isNull(place.removedAt)))
		.orderBy(asc(place.position), asc(place.name), asc(place.id))
		.limit(1);
	if (freezer) await tx.update(place).set(cold).where(eq(place.id, freezer.id));
	else {
		const [last] = await tx
			.select({ n: sql<number>`coalesce(max(${place.position}), -1)::int` })
			.from(place)
			.where(eq(place.householdId, householdId));
		await tx
			.insert(place)
			.values({ id: uuidv7(), householdId, name: 'Freezer', kind: 'freezer', position: (last?.n ?? -1) + 1, ...cold });
	}
}
