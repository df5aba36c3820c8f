import { sql } from 'drizzle-orm';
import {
	bigint,
	bigserial,
	check,
	foreignKey,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	text,
	timestamp,
	unique,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import type { RunEvent } from '../../../../core/runs/kinds';
import { owner } from './household';
import { lot } from './stock';

/** A plan as it is kept: its kind is known, its version may be an old one. */
export interface KeptPlan {
	readonly kind: string;
}

/** A frozen plan; its state is the fold of plan and events. `status` only finds the open ones quickly. */
export const run = pgTable(
	'run',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		/** As it was frozen, of whatever version: `planOf` brings it up. */
		plan: jsonb('plan').$type<KeptPlan>().notNull(),
		status: text('status', { enum: ['open', 'finished', 'stopped'] }).notNull(),
		startedAt: timestamp('started_at', { withTimezone: true }).notNull(),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [unique('run_of_household').on(t.householdId, t.id), index('run_by_status').on(t.householdId, t.status)]
);

/** What goes into a run: one lot or several, each with its share. */
export const runLot = pgTable(
	'run_lot',
	{
		runId: uuid('run_id').notNull(),
		householdId: owner(),
		lotId: uuid('lot_id').notNull(),
		/** In the lot's unit. */
		amount: bigint('amount', { mode: 'number' }).notNull()
	},
	(t) => [
		primaryKey({ columns: [t.runId, t.lotId] }),
		index('run_by_lot').on(t.householdId, t.lotId),
		foreignKey({
			columns: [t.householdId, t.runId],
			foreignColumns: [run.householdId, run.id],
			name: 'run_lot_run'
		}).onDelete('cascade'),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'run_lot_lot'
		}).onDelete('cascade'),
		check('run_lot_amount', sql`${t.amount} > 0`)
	]
);

/**
 * What comes out of a run, each with a code of its own from the start, so that labels can be printed before anything is
 * packed. The first is what it was started for; the others wait for what comes up on the way, offline too.
 */
export const runOutput = pgTable(
	'run_output',
	{
		runId: uuid('run_id').notNull(),
		householdId: owner(),
		n: integer('n').notNull(),
		code: text('code').notNull(),
		/** Its entry in the book, once it was closed for the first time. */
		batchId: uuid('batch_id')
	},
	(t) => [
		primaryKey({ columns: [t.runId, t.n] }),
		unique('run_output_code').on(t.householdId, t.code),
		foreignKey({
			columns: [t.householdId, t.runId],
			foreignColumns: [run.householdId, run.id],
			name: 'run_output_run'
		}).onDelete('cascade')
	]
);

/** What of a lot is spoken for, by whom. Checked under the lock by everything that takes; ended, never deleted. */
export const claim = pgTable(
	'claim',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		lotId: uuid('lot_id').notNull(),
		/** In the lot's unit. */
		amount: bigint('amount', { mode: 'number' }).notNull(),
		by: text('by', { enum: ['run', 'supper', 'plan'] }).notNull(),
		runId: uuid('run_id'),
		/** For what, in the household's words. */
		words: text('words').notNull().default(''),
		madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
		endedAt: timestamp('ended_at', { withTimezone: true })
	},
	(t) => [
		index('claim_open')
			.on(t.householdId, t.lotId)
			.where(sql`${t.endedAt} is null`),
		uniqueIndex('claim_of_run')
			.on(t.runId, t.lotId)
			.where(sql`${t.runId} is not null`),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'claim_lot'
		}).onDelete('cascade'),
		foreignKey({
			columns: [t.householdId, t.runId],
			foreignColumns: [run.householdId, run.id],
			name: 'claim_run'
		}).onDelete('cascade'),
		check('claim_amount', sql`${t.amount} > 0`)
	]
);

/** Append-only; the client's own UUID and time. `seq` is the order of arrival, for following along. */
export const runEvent = pgTable(
	'run_event',
	{
		seq: bigserial('seq', { mode: 'number' }).primaryKey(),
		id: uuid('id').notNull(),
		householdId: owner(),
		runId: uuid('run_id').notNull(),
		event: jsonb('event').$type<RunEvent>().notNull(),
		by: text('by').notNull(),
		/** The device that was tapped, and its own running number. */
		device: text('device').notNull().default('before'),
		n: bigint('n', { mode: 'number' }).notNull().default(0),
		/** As the device said. */
		at: timestamp('at', { withTimezone: true }).notNull(),
		/** As corrected for what is known of that device's clock; the fold counts by it. */
		correctedAt: timestamp('corrected_at', { withTimezone: true }).notNull(),
		recordedAt: timestamp('recorded_at', { withTimezone: true }).notNull()
	},
	(t) => [
		unique('run_event_once').on(t.householdId, t.id),
		index('run_event_by_run').on(t.runId, t.seq),
		foreignKey({
			columns: [t.householdId, t.runId],
			foreignColumns: [run.householdId, run.id],
			name: 'run_event_run'
		}).onDelete('cascade')
	]
);

/**
 * Where the book cannot be what the taps now say: packs that were eaten since, raw food that was gone. Told, and settled
 * by a person; never dropped.
 */
export const difference = pgTable(
	'difference',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		runId: uuid('run_id').notNull(),
		lotId: uuid('lot_id').notNull(),
		/** `packs`: as many are booked beyond what the taps say. `dg`: as many tenths of a gram less were used up than they say. */
		unit: text('unit', { enum: ['packs', 'dg'] }).notNull(),
		amount: bigint('amount', { mode: 'number' }).notNull(),
		foundAt: timestamp('found_at', { withTimezone: true }).notNull(),
		settledAt: timestamp('settled_at', { withTimezone: true }),
		settledBy: text('settled_by')
	},
	(t) => [
		uniqueIndex('difference_open')
			.on(t.runId, t.lotId)
			.where(sql`${t.settledAt} is null`),
		index('difference_by_household').on(t.householdId, t.settledAt),
		foreignKey({
			columns: [t.householdId, t.runId],
			foreignColumns: [run.householdId, run.id],
			name: 'difference_run'
		}).onDelete('cascade'),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'difference_lot'
		}).onDelete('cascade')
	]
);
