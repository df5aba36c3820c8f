import {
	bigserial,
	boolean,
	doublePrecision,
	foreignKey,
	index,
	integer,
	jsonb,
	pgTable,
	text,
	timestamp,
	unique,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import { sql } from 'drizzle-orm';
import { watches } from '../../../../core/instruments/alarm';
import { tools } from '../../../../core/instruments/reading';
import type { Label } from '../../labels/label-sheet.mjs';
import { owner } from './household';
import { place } from './kitchen';

/** A scale, a probe, a gauge: what reads by itself. Its token is its id, signed: nothing secret is kept. */
export const instrument = pgTable(
	'instrument',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		quantity: text('quantity', { enum: tools }).notNull(),
		/** What it rings for by itself. */
		watch: text('watch', { enum: watches }).notNull().default('nothing'),
		/** The place that its probe hangs in: what stands there grows old by what it read. */
		placeId: uuid('place_id'),
		/** Of a scale: what the tray on it weighs, g. */
		tareG: doublePrecision('tare_g').notNull().default(0),
		/** It is not believed since then: shown, and taken for nothing. */
		mistrustedAt: timestamp('mistrusted_at', { withTimezone: true }),
		/** It is simulated. */
		standIn: boolean('stand_in').notNull().default(false),
		/** Since when it reads beyond what it watches for. */
		beyondSince: timestamp('beyond_since', { withTimezone: true }),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull(),
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('instrument_of_household').on(t.householdId, t.id),
		foreignKey({
			columns: [t.householdId, t.placeId],
			foreignColumns: [place.householdId, place.id],
			name: 'instrument_place'
		}),
		uniqueIndex('instrument_name')
			.on(t.householdId, t.name)
			.where(sql`${t.removedAt} is null`)
	]
);

/** What an instrument said: each reading for two days, then a minute's, then an hour's as one. */
export const reading = pgTable(
	'reading',
	{
		seq: bigserial('seq', { mode: 'number' }).primaryKey(),
		householdId: owner(),
		instrumentId: uuid('instrument_id').notNull(),
		at: timestamp('at', { withTimezone: true }).notNull(),
		/** g, °C or Pa: of a stretch its mean. */
		value: doublePrecision('value').notNull(),
		/** How long the stretch is that it stands for, ms; 0 for a reading. */
		spanMs: integer('span_ms').notNull().default(0),
		least: doublePrecision('least'),
		most: doublePrecision('most'),
		steady: boolean('steady'),
		fault: text('fault').notNull().default(''),
		battery: doublePrecision('battery')
	},
	(t) => [
		unique('reading_once').on(t.instrumentId, t.spanMs, t.at),
		index('reading_recent').on(t.householdId, t.at),
		foreignKey({
			columns: [t.householdId, t.instrumentId],
			foreignColumns: [instrument.householdId, instrument.id],
			name: 'reading_instrument'
		}).onDelete('cascade')
	]
);

/** How far a printer is with a sheet of labels. */
export const jobStates = ['waiting', 'printed', 'failed'] as const;

/** Labels that were sent to a printer: it asks for them, and says what became of them. */
export const printJob = pgTable(
	'print_job',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		instrumentId: uuid('instrument_id').notNull(),
		/** What stands on each of them. */
		label: jsonb('label').$type<Label>().notNull(),
		count: integer('count').notNull(),
		paper: text('paper', { enum: ['a4', 'letter'] }).notNull(),
		state: text('state', { enum: jobStates }).notNull().default('waiting'),
		/** What the printer says is wrong: "no paper". */
		fault: text('fault').notNull().default(''),
		madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
		endedAt: timestamp('ended_at', { withTimezone: true })
	},
	(t) => [
		index('print_job_of').on(t.householdId, t.instrumentId, t.madeAt),
		foreignKey({
			columns: [t.householdId, t.instrumentId],
			foreignColumns: [instrument.householdId, instrument.id],
			name: 'print_job_instrument'
		}).onDelete('cascade')
	]
);
