import { sql } from 'drizzle-orm';
import {
	check,
	date,
	doublePrecision,
	foreignKey,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	timestamp,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import type { Condition } from '../../../../core/freezing/after-cut';
import { keptInShops } from '../../../../core/costs/seasons';
import { owner } from './household';
import { equipment } from './kitchen';

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

/** A time without power. One at a time is open. */
export const powerCut = pgTable(
	'power_cut',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		from: timestamp('from', { withTimezone: true }).notNull(),
		/** When it came back; null while it is out. */
		until: timestamp('until', { withTimezone: true }),
		/** How freezers without a probe were found, by place. */
		found: jsonb('found')
			.$type<Readonly<Record<string, { readonly condition: Condition; readonly warm_h: number | null }>>>()
			.notNull()
			.default({}),
		/** Gone through to the end. */
		closedAt: timestamp('closed_at', { withTimezone: true }),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [
		uniqueIndex('power_cut_open')
			.on(t.householdId)
			.where(sql`${t.closedAt} is null`),
		check('power_cut_order', sql`${t.until} is null or ${t.until} >= ${t.from}`)
	]
);

/** A food that somebody at table does not eat. */
export const avoid = pgTable(
	'avoid',
	{
		householdId: owner(),
		food: text('food').notNull(),
		/** Who, in the household's words; empty for nobody in particular. */
		who: text('who').notNull().default('')
	},
	(t) => [primaryKey({ columns: [t.householdId, t.food] })]
);

/** The address at which calendars read a household's dates by themselves: whoever knows it may. It goes with no file. */
export const calendarFeed = pgTable('calendar_feed', {
	householdId: owner().primaryKey(),
	key: uuid('key').notNull().unique(),
	createdAt: timestamp('created_at', { withTimezone: true }).notNull()
});

/** How many plants of a food a household sets in a year, and when, as it says. */
export const planting = pgTable(
	'planting',
	{
		householdId: owner(),
		food: text('food').notNull(),
		year: integer('year').notNull(),
		plants: integer('plants'),
		sowFrom: date('sow_from'),
		sowTo: date('sow_to'),
		pickFrom: date('pick_from'),
		pickTo: date('pick_to')
	},
	(t) => [primaryKey({ columns: [t.householdId, t.food, t.year] })]
);

/** What the like costs in a shop, as somebody saw it. */
export const shopPrice = pgTable(
	'shop_price',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		food: text('food').notNull(),
		/** As it is sold there. */
		kept: text('kept', { enum: keptInShops }).notNull(),
		/** Minor units for a kilo. */
		perKg: doublePrecision('per_kg').notNull(),
		currency: text('currency').notNull(),
		shop: text('shop').notNull(),
		seenOn: date('seen_on').notNull()
	},
	(t) => [index('shop_price_of').on(t.householdId, t.food, t.seenOn)]
);

/** What a machine cost, and since when it works here: against it stands what it saved. */
export const machinePrice = pgTable(
	'machine_price',
	{
		equipmentId: uuid('equipment_id').primaryKey(),
		householdId: owner(),
		paidMinor: integer('paid_minor').notNull(),
		currency: text('currency').notNull(),
		boughtOn: date('bought_on').notNull()
	},
	(t) => [
		foreignKey({
			columns: [t.householdId, t.equipmentId],
			foreignColumns: [equipment.householdId, equipment.id],
			name: 'machine_price_of'
		}).onDelete('cascade')
	]
);
