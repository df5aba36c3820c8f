import { sql } from 'drizzle-orm';
import {
	bigint,
	boolean,
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
	unique,
	uuid,
	type AnyPgColumn
} from 'drizzle-orm/pg-core';
import type { Closing } from '../../../../core/runs/engine/book';
import { woulds } from '../../../../core/runs/engine/event';
import type { Stay } from '../../../../core/things/clock';
import { movementKinds } from '../../../../core/stock/fold';
import { contentUnits, lotUnits } from '../../../../core/stock/amount';
import { findings, lookKinds } from '../../../../core/stock/looks';
import { conditions, states, type Part } from '../../../../core/things/thing';
import { owner } from './household';
import { container, place } from './kitchen';

/** How a batch was kept. `other`: written down by hand without a method of ours. */
export const methods = [
	'freeze',
	'dry',
	'can',
	'cellar',
	'ferment',
	'salt',
	'cure',
	'cook',
	'bought',
	'other'
] as const;

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
		/** The way by its id; empty where it was not one of ours. */
		wayId: text('way_id').notNull().default(''),
		method: text('method', { enum: methods }).notNull().default('freeze'),
		/** Led by a run, or written down afterwards. */
		madeBy: text('made_by', { enum: ['run', 'hand'] })
			.notNull()
			.default('run'),
		/** Whole grams that went in and came into packs, and how many packs. */
		rawG: bigint('raw_g', { mode: 'number' }).notNull().default(0),
		packedG: bigint('packed_g', { mode: 'number' }).notNull().default(0),
		packsMade: integer('packs_made').notNull().default(0),
		/** Packed from raw, by weight; null where nothing was packed or weighed. */
		yieldMass: doublePrecision('yield_mass'),
		elapsedS: integer('elapsed_s').notNull().default(0),
		handsS: integer('hands_s').notNull().default(0),
		/** What hands really took, as somebody said afterwards; null where nobody did. The plan's estimate stays beside it. */
		handsSaidS: integer('hands_said_s'),
		/** What was paid for what went in, in minor units; null where it was not said. */
		paidMinor: integer('paid_minor'),
		currency: text('currency'),
		/** Would you do it again, and what would you change; empty where nobody said. */
		again: text('again', { enum: ['', ...woulds] })
			.notNull()
			.default(''),
		change: text('change').notNull().default(''),
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

/** One buying: several lines, one till. */
export const receipt = pgTable(
	'receipt',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		shop: text('shop').notNull(),
		boughtOn: date('bought_on').notNull(),
		/** What was paid in all, in minor units; null where the lines have prices of their own alone. */
		totalMinor: integer('total_minor'),
		currency: text('currency').notNull(),
		/** How the whole price was shared out. */
		split: text('split', { enum: ['weight', 'hand'] }).notNull(),
		createdAt: timestamp('created_at', { withTimezone: true }).notNull()
	},
	(t) => [unique('receipt_of_household').on(t.householdId, t.id)]
);

/** Like units of one thing in one place: loose by weight, volume or pieces, or packs of a content in a container. */
export const lot = pgTable(
	'lot',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		food: text('food').notNull(),
		form: text('form').notNull(),
		placeId: uuid('place_id').notNull(),
		condition: text('condition', { enum: conditions }).notNull(),
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
		/** What its amount counts; whole numbers. */
		unit: text('unit', { enum: lotUnits }).notNull().default('dg'),
		/** Of a pack what is in one; null for what is loose. */
		content: bigint('content', { mode: 'number' }),
		contentUnit: text('content_unit', { enum: contentUnits }),
		/** Grams to one of its unit. */
		unitG: doublePrecision('unit_g').notNull().default(0.1),
		/** Waits to be worked on: it stands in the Basket too. */
		waiting: boolean('waiting').notNull().default(false),
		/** What it was before it was opened or thawed: its second clock hangs on that. */
		was: text('was', { enum: states }),
		/** Of several foods: what is in it, by weight. */
		madeOf: jsonb('made_of').$type<readonly Part[]>(),
		variety: text('variety').notNull().default(''),
		/** Where it is from. */
		origin: text('origin', { enum: ['', 'own', 'bought', 'given', 'wild'] })
			.notNull()
			.default(''),
		/** What was paid for all of it when it came in, in minor units. */
		priceMinor: integer('price_minor'),
		currency: text('currency'),
		receiptId: uuid('receipt_id'),
		/** Of a jar: whether it is known that it went by a tested process. Null where the question does not arise. */
		process: text('process', { enum: ['tested', 'unknown'] }),
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
		index('lot_waiting')
			.on(t.householdId)
			.where(sql`${t.waiting}`),
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
		foreignKey({
			columns: [t.householdId, t.receiptId],
			foreignColumns: [receipt.householdId, receipt.id],
			name: 'lot_receipt'
		}),
		check('lot_shape', sql`(${t.unit} = 'pack') = (${t.content} is not null and ${t.contentUnit} is not null)`)
	]
);

/** Locked and updated with every movement; equals their sum. Open lots only are in the small index. */
export const lotBalance = pgTable(
	'lot_balance',
	{
		lotId: uuid('lot_id').primaryKey(),
		householdId: owner(),
		/** In the lot's unit. */
		amount: bigint('amount', { mode: 'number' }).notNull()
	},
	(t) => [
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'balance_lot'
		}).onDelete('cascade'),
		index('balance_open')
			.on(t.householdId)
			.where(sql`${t.amount} > 0`),
		check('balance_amount', sql`${t.amount} >= 0`)
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
		kind: text('kind', { enum: movementKinds }).notNull(),
		/** In the lot's unit; what goes is negative. */
		amount: bigint('amount', { mode: 'number' }).notNull(),
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

/** Where a lot came from: what was split, opened or thawed off it, and what it was made of. */
export const lotParent = pgTable(
	'lot_parent',
	{
		lotId: uuid('lot_id').notNull(),
		parentId: uuid('parent_id').notNull(),
		householdId: owner(),
		how: text('how', { enum: ['move', 'split', 'open', 'thaw', 'merge', 'made'] }).notNull()
	},
	(t) => [
		primaryKey({ columns: [t.lotId, t.parentId] }),
		index('lot_children').on(t.householdId, t.parentId),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'parent_lot'
		}).onDelete('cascade'),
		foreignKey({
			columns: [t.householdId, t.parentId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'parent_parent'
		}).onDelete('cascade')
	]
);

/** Append-only: someone looked at a lot, and what was found. */
export const look = pgTable(
	'look',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		lotId: uuid('lot_id').notNull(),
		kind: text('kind', { enum: lookKinds }).notNull(),
		finding: text('finding', { enum: findings }).notNull(),
		by: text('by').notNull(),
		at: timestamp('at', { withTimezone: true }).notNull(),
		recordedAt: timestamp('recorded_at', { withTimezone: true }).notNull()
	},
	(t) => [
		index('look_by_lot').on(t.householdId, t.lotId, t.at),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'look_lot'
		}).onDelete('cascade')
	]
);

/** What was chosen for one way of a lot, as it was typed, and its share of the kilos; kept until it is chosen otherwise. */
/** A part of a share on a day, `yyyy-MM-dd`. */
export interface PlannedPart {
	readonly on: string;
	readonly grams: number;
}

export const wayChoice = pgTable(
	'way_choice',
	{
		householdId: owner(),
		lotId: uuid('lot_id').notNull(),
		/** "blanch", "dry", "can:tomatoes.crushed". */
		way: text('way').notNull(),
		/** Fields of its switches. */
		choices: jsonb('choices').$type<Readonly<Record<string, string>>>().notNull().default({}),
		/** Grams of the lot that go this way; null where nobody shared it out. */
		shareG: bigint('share_g', { mode: 'number' }),
		/** On which days of the plan so many grams of it are worked; null where nobody planned it. */
		planned: jsonb('planned').$type<readonly PlannedPart[]>(),
		/** Place among the shares, left to right. */
		position: integer('position').notNull().default(0)
	},
	(t) => [
		primaryKey({ columns: [t.householdId, t.lotId, t.way] }),
		foreignKey({
			columns: [t.householdId, t.lotId],
			foreignColumns: [lot.householdId, lot.id],
			name: 'choice_lot'
		}).onDelete('cascade'),
		check('choice_share', sql`${t.shareG} is null or ${t.shareG} > 0`)
	]
);

/** What is gathered over days toward a load or a recipe: whatever of this food stands fresh or frozen counts. */
export const gathering = pgTable(
	'gathering',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		food: text('food').notNull(),
		targetG: integer('target_g').notNull(),
		/** For what: "ketchup". */
		words: text('words').notNull(),
		madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
		/** Given up, or taken to work. */
		endedAt: timestamp('ended_at', { withTimezone: true })
	},
	(t) => [
		index('gathering_open')
			.on(t.householdId)
			.where(sql`${t.endedAt} is null`),
		check('gathering_target', sql`${t.targetG} > 0`)
	]
);
