import { bigserial, foreignKey, index, jsonb, pgTable, text, timestamp, unique, uuid } from 'drizzle-orm/pg-core';
import type { RunEvent } from '../../../../core/runs/events';
import type { RunPlan } from '../../../../core/runs/plan';
import { owner } from './household';
import { lot } from './stock';

/** A frozen plan; its state is the fold of plan and events. `status` only finds the open ones quickly. */
export const run = pgTable(
	'run',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		/** Set at the start, so that labels can be printed before anything is packed; its batch takes it over. */
		code: text('code').notNull(),
		lotId: uuid('lot_id').notNull(),
		plan: jsonb('plan').$type<RunPlan>().notNull(),
		status: text('status', { enum: ['open', 'finished', 'stopped'] }).notNull(),
		batchId: uuid('batch_id'),
		/** The movements that closing it made; taken back when it is opened again. */
		closingGroupId: uuid('closing_group_id'),
		startedAt: timestamp('started_at', { withTimezone: true }).notNull(),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [
		unique('run_of_household').on(t.householdId, t.id),
		unique('run_code').on(t.householdId, t.code),
		index('run_by_status').on(t.householdId, t.status),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'run_lot'
		}).onDelete('cascade')
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
		at: timestamp('at', { withTimezone: true }).notNull(),
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
