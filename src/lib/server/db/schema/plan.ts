import { doublePrecision, pgTable, primaryKey, text } from 'drizzle-orm/pg-core';
import { owner } from './household';

/** What a household wants to eat of a food, the year round. */
export const want = pgTable(
	'want',
	{
		householdId: owner(),
		food: text('food').notNull(),
		/** Helpings wanted in a usual week, and what one weighs as it is kept, g. */
		perWeek: doublePrecision('per_week').notNull(),
		helpingG: doublePrecision('helping_g').notNull()
	},
	(t) => [primaryKey({ columns: [t.householdId, t.food] })]
);
