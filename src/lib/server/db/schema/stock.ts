import { sql } from 'drizzle-orm';
import {
	bigint,
	boolean,
	check,
	date,
	foreignKey,
	index,
	integer,
	jsonb,
	pgTable,
	text,
	timestamp,
	unique,
	uuid,
	type AnyPgColumn
} from 'drizzle-orm/pg-core';
import type { Closing } from '../../../../core/runs/close';
import type { Stay } from '../../../../core/things/clock';
import { states } from '../../../../core/things/thing';
import { owner } from './household';
import { container, place } from './kitchen';

/** A dated entry in the book: lots went in, lots came out. */
export const batch = pgTable(
	'batch',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		/** Short, on the label and in the address. */
		code: text('code').notNull(),
		food: text('food').notNull(),
		form: text('form').notNull(),
		cut: text('cut').notNull(),
		way: text('way').notNull(),
		title: text('title').notNull(),
		/** Calendar date in the household's zone. */
		packedOn: date('packed_on').notNull(),
		keepsUntil: date('keeps_until').notNull(),
		useWords: text('use_words').notNull(),
		runId: uuid('run_id'),
		/** What it closed with: amounts, times, potfuls. */
		closing: jsonb('closing').$type<Closing>().notNull(),
		/** The run was opened again: this entry no longer counts. */
		voidedAt: timestamp('voided_at', { withTimezone: true }),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [
		unique('batch_of_household').on(t.householdId, t.id),
		unique('batch_code').on(t.householdId, t.code),
		index('batch_by_date').on(t.householdId, t.packedOn)
	]
);

/** Like units of one thing in one place: raw grams, or packs of a content and a container. */
export const lot = pgTable(
	'lot',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		kind: text('kind', { enum: ['raw', 'pack'] }).notNull(),
		food: text('food').notNull(),
		form: text('form').notNull(),
		placeId: uuid('place_id').notNull(),
		/** `cut` is how lots of before say what is now the state `prepared`. */
		condition: text('condition', { enum: ['firm', 'ripe', 'soft', 'cut', 'unsound'] }).notNull(),
		/** Kind of the food, by id. */
		foodKind: text('food_kind'),
		state: text('state', { enum: states }).notNull().default('fresh'),
		wild: boolean('wild').notNull().default(false),
		/** Whether an expert has seen it: null while nobody has said. */
		identified: boolean('identified'),
		/** Where it stood before this place, in order: the clock adds up over all of it. */
		stays: jsonb('stays').$type<readonly Stay[]>().notNull().default([]),
		/** When it came to this place; with `since` where it has stood nowhere else. */
		placedAt: timestamp('placed_at', { withTimezone: true }),
		/** Which reader understood the line: 0 dropped words that it did not know, so that its lots are read again. */
		reader: integer('reader').notNull().default(0),
		/** How it was said: "40 ears". */
		said: text('said').notNull(),
		note: text('note').notNull(),
		title: text('title').notNull(),
		packG: integer('pack_g'),
		containerId: uuid('container_id'),
		batchId: uuid('batch_id'),
		/** The tap of a run that packed it: one tap, one lot, however often the run is closed. */
		packEventId: uuid('pack_event_id'),
		/** When its clock started: picked, bought, packed. */
		since: timestamp('since', { withTimezone: true }).notNull(),
		keepsUntil: date('keeps_until'),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [
		unique('lot_of_household').on(t.householdId, t.id),
		index('lot_by_batch').on(t.householdId, t.batchId),
		unique('lot_of_pack').on(t.householdId, t.packEventId),
		index('lot_raw')
			.on(t.householdId)
			.where(sql`${t.kind} = 'raw'`),
		foreignKey({
			columns: [t.householdId, t.placeId],
			foreignColumns: [place.householdId, place.id],
			name: 'lot_place'
		}),
		foreignKey({
			columns: [t.householdId, t.containerId],
			foreignColumns: [container.householdId, container.id],
			name: 'lot_container'
		}),
		foreignKey({
			columns: [t.householdId, t.batchId],
			foreignColumns: [batch.householdId, batch.id],
			name: 'lot_batch'
		}),
		check('lot_shape', sql`(${t.kind} = 'raw') = (${t.packG} is null)`)
	]
);

/** Locked and updated with every movement; equals their sum. Open lots only are in the small index. */
export const lotBalance = pgTable(
	'lot_balance',
	{
		lotId: uuid('lot_id').primaryKey(),
		householdId: owner(),
		grams: bigint('grams', { mode: 'number' }).notNull(),
		packs: integer('packs').notNull()
	},
	(t) => [
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'balance_lot'
		}).onDelete('cascade'),
		index('balance_open')
			.on(t.householdId)
			.where(sql`${t.grams} > 0 or ${t.packs} > 0`),
		check('balance_grams', sql`${t.grams} >= 0`),
		check('balance_packs', sql`${t.packs} >= 0`)
	]
);

/** Append-only. `groupId` ties the movements of one step, so that an undo takes back the whole step. */
export const movement = pgTable(
	'movement',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		lotId: uuid('lot_id').notNull(),
		groupId: uuid('group_id').notNull(),
		kind: text('kind', { enum: ['put', 'take', 'spoil', 'give', 'move', 'use', 'count'] }).notNull(),
		grams: bigint('grams', { mode: 'number' }).notNull(),
		packs: integer('packs').notNull(),
		cause: text('cause').notNull(),
		by: text('by').notNull(),
		batchId: uuid('batch_id'),
		/** Booked by this run: only its taps take it back. */
		runId: uuid('run_id'),
		reversesId: uuid('reverses_id').references((): AnyPgColumn => movement.id),
		occurredAt: timestamp('occurred_at', { withTimezone: true }).notNull(),
		recordedAt: timestamp('recorded_at', { withTimezone: true }).notNull()
	},
	(t) => [
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'movement_lot'
		}).onDelete('cascade'),
		unique('movement_reversed_once').on(t.reversesId),
		index('movement_by_lot').on(t.lotId, t.recordedAt),
		index('movement_by_group').on(t.householdId, t.groupId),
		index('movement_by_time').on(t.householdId, t.recordedAt),
		index('movement_by_run')
			.on(t.householdId, t.runId)
			.where(sql`${t.runId} is not null`)
	]
);

/** What a request with this key was answered: the same key twice does the work once; with another body it is told so. */
export const idempotency = pgTable(
	'idempotency',
	{
		key: uuid('key').notNull(),
		householdId: owner(),
		/** What was asked for, and a digest of with what. */
		action: text('action').notNull().default(''),
		body: text('body').notNull().default(''),
		answer: jsonb('answer').notNull(),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [unique('idempotency_once').on(t.householdId, t.key)]
);
