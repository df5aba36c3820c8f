import { sql } from 'drizzle-orm';
import { boolean, doublePrecision, integer, pgTable, text, timestamp, uniqueIndex, uuid } from 'drizzle-orm/pg-core';

/** Every row of every other table names its household. */
export const household = pgTable(
	'household',
	{
		id: uuid('id').primaryKey(),
		name: text('name').notNull(),
		/** Null until asked: safety hangs on it. */
		altitudeM: doublePrecision('altitude_m'),
		units: text('units', { enum: ['metric', 'us'] }).notNull(),
		zone: text('zone').notNull(),
		people: integer('people').notNull(),
		iceKg: doublePrecision('ice_kg').notNull(),
		basins: integer('basins').notNull(),
		trays: integer('trays').notNull(),
		trayAreaM2: doublePrecision('tray_area_m2').notNull(),
		tapC: doublePrecision('tap_c').notNull(),
		roomC: doublePrecision('room_c').notNull(),
		roomHumidity: doublePrecision('room_humidity').notNull().default(0.5),
		/** Ice that can be made or bought in a day, kg. */
		iceKgDay: doublePrecision('ice_kg_day').notNull().default(2),
		/** Hours that the household's own hands have on a usual day; helpers come on top. */
		handsHDay: doublePrecision('hands_h_day').notNull().default(3),
		/** ISO 4217. Money is in its minor units; a price to a kWh may have parts of one. */
		currency: text('currency').notNull().default('EUR'),
		energyPrice: doublePrecision('energy_price').notNull().default(30),
		hourRate: integer('hour_rate').notNull().default(0),
		bagPrice: integer('bag_price').notNull().default(0),
		lidPrice: integer('lid_price').notNull().default(0),
		/** The calendar date that the demo was laid out for; null for a household of its own. */
		demoDate: text('demo_date'),
		/** Set at the first change by hand: a demo that someone works in is not laid out anew. */
		touched: boolean('touched').notNull().default(false),
		/** The one that a browser without a cookie comes to: said, never guessed from the dates. */
		isDefault: boolean('is_default').notNull().default(false),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [
		uniqueIndex('household_default')
			.on(t.isDefault)
			.where(sql`${t.isDefault}`)
	]
);

/** The household of a row; it goes with it. */
export const owner = () =>
	uuid('household_id')
		.notNull()
		.references(() => household.id, { onDelete: 'cascade' });
