import { and, asc, eq, inArray, isNotNull, ne, or, sql } from 'drizzle-orm';
import { dateIn } from '$core/freezing/keep';
import { demo } from '$demo/household';
import { fillDemo } from '$demo/load';
import { transact, type Database } from '../db/client';
import {
	container,
	equipment,
	household,
	lot,
	ownMeasure,
	person,
	place,
	pot,
	recipePortion,
	supply
} from '../db/schema';
import { AppError } from '../errors';
import { becomeDefault, newHousehold, type HouseholdRow } from './households';
import { once } from './once';

/** Households beside one another: going from one to the next, clearing a demo, beginning anew. */
export function kitchensStore(db: Database, home: HouseholdRow, now: Date) {
	return {
		/** Households that a browser may go to: those it has been in, and the demos. */
		others(known: readonly string[]): Promise<{ id: string; name: string }[]> {
			const been = known.length > 0 ? inArray(household.id, [...known]) : undefined;
			return db
				.select({ id: household.id, name: household.name })
				.from(household)
				.where(and(ne(household.id, home.id), or(isNotNull(household.demoDate), been)))
				.orderBy(...(been ? [sql`case when ${been} then 0 else 1 end`] : []), asc(household.createdAt))
				.limit(12);
		},

		/**
		 * Empties the demo household: it goes, and a fresh one takes its place.
		 *
		 * @param name of the household as the page showed it: what is cleared is what was seen
		 * @returns the fresh one
		 * @throws {AppError} 409 NOT_DEMO, OTHER_NAME, GONE
		 */
		async clear(name: string): Promise<string> {
			if (home.demoDate === null)
				throw new AppError(409, 'NOT_DEMO', 'Only demo data can be cleared this way. Nothing was changed.');
			if (name !== home.name)
				throw new AppError(
					409,
					'OTHER_NAME',
					`This household is called ${home.name} by now. Nothing was cleared: open the page again and look.`
				);
			return transact(db, async (tx) => {
				const [gone] = await tx
					.delete(household)
					.where(eq(household.id, home.id))
					.returning({ was: household.isDefault });
				if (!gone) throw new AppError(409, 'GONE', 'It was cleared already. Nothing was changed.');
				const fresh = await newHousehold(tx, { name: 'Our kitchen', zone: home.zone, now });
				if (gone.was) await becomeDefault(tx, fresh);
				return fresh;
			});
		},

		/** Lays the demo's kitchen, haul and shelves into this household, once. @throws {AppError} 409 NOT_EMPTY */
		fill(key: string): Promise<object> {
			return once(db, home.id, { key, action: 'demo', body: {} }, now, async (tx) => {
				await tx.select({ id: household.id }).from(household).where(eq(household.id, home.id)).for('update');
				const [any] = await tx.select({ id: lot.id }).from(lot).where(eq(lot.householdId, home.id)).limit(1);
				if (any)
					throw new AppError(
						409,
						'NOT_EMPTY',
						'This household has lots of its own, so the demo is not laid over them. Start a new household for it; nothing was changed.'
					);
				for (const table of [place, pot, container, ownMeasure, equipment, person, supply, recipePortion])
					await tx.delete(table).where(eq(table.householdId, home.id));
				await tx
					.update(household)
					.set({ ...demo.household, demoDate: dateIn(demo.household.zone, now.getTime()), touched: true })
					.where(eq(household.id, home.id));
				await fillDemo(tx, home.id, now);
				return {};
			});
		},

		/** A household beside this one, empty. @returns its id */
		async create(key: string, name: string): Promise<string> {
			const { fresh } = await once(db, home.id, { key, action: 'new household', body: { name } }, now, async (tx) => ({
				fresh: await newHousehold(tx, { name, zone: home.zone, now })
			}));
			return fresh;
		}
	};
}
