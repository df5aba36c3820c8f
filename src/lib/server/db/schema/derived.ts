import { bigint, date, doublePrecision, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { household, owner } from './household';

// What the database keeps by itself, by its triggers: no store writes it, and no export carries it.

/**
 * What of a food went on a day, and by how much there was more or less of it: the sum of its movements but for the Basket's and
 * those that were taken back, kept by the database itself with every movement, so that no page adds up ten years.
 */
export const foodDay = pgTable(
	'food_day',
	{
		householdId: owner(),
		food: text('food').notNull(),
		/** UTC. */
		day: date('day').notNull(),
		/** Taken and used. */
		packs: doublePrecision('packs').notNull(),
		looseG: doublePrecision('loose_g').notNull(),
		/** Found missing at a count. */
		foundPacks: doublePrecision('found_packs').notNull(),
		foundG: doublePrecision('found_g').notNull(),
		/** More or less of it, g. */
		grams: doublePrecision('grams').notNull()
	},
	(t) => [primaryKey({ columns: [t.householdId, t.food, t.day] })]
);

/**
 * The transaction that changed anything of a household last, but for what its instruments say and the taps of open runs: as
 * long as it is the same, what was read before still holds. Written when a transaction ends, so that nothing waits for it.
 */
export const lastChange = pgTable('last_change', {
	householdId: uuid('household_id')
		.primaryKey()
		.references(() => household.id, { onDelete: 'cascade' }),
	transaction: bigint('transaction', { mode: 'number' }).notNull()
});
