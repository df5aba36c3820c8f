import { boolean, doublePrecision, integer, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core';

/** Every row of every other table names its household. */
export const household = pgTable('household', {
	id: uuid('id').primaryKey(),
	name: text('name').notNull(),
	/** Null until asked: safety hangs on it. */
	altitudeM: doublePrecision('altitude_m'),
	/** Gauge of the pressure canner; null until said. */
	gauge: text('gauge', { enum: ['none', 'dial', 'weighted'] }),
	units: text('units', { enum: ['metric', 'us'] }).notNull(),
	zone: text('zone').notNull(),
	people: integer('people').notNull(),
	iceKg: doublePrecision('ice_kg').notNull(),
	basins: integer('basins').notNull(),
	trays: integer('trays').notNull(),
	trayAreaM2: doublePrecision('tray_area_m2').notNull(),
	tapC: doublePrecision('tap_c').notNull(),
	roomC: doublePrecision('room_c').notNull(),
	/** The calendar date that the demo was laid out for; null for a household of its own. */
	demoDate: text('demo_date'),
	/** Set at the first change by hand: a demo that someone works in is not laid out anew. */
	touched: boolean('touched').notNull().default(false),
	createdAt: timestamp('created_at', { withTimezone: true }).notNull()
});

/** The household of a row; it goes with it. */
export const owner = () =>
	uuid('household_id')
		.notNull()
		.references(() => household.id, { onDelete: 'cascade' });
