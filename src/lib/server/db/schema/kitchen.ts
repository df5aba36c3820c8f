import { doublePrecision, integer, pgTable, text, unique, uuid } from 'drizzle-orm/pg-core';
import { owner } from './household';

/** Where things stand: counter, fridge, a freezer basket, a board in the pantry. */
export const place = pgTable(
	'place',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		kind: text('kind', { enum: ['counter', 'cool', 'fridge', 'cellar', 'freezer', 'pantry'] }).notNull(),
		tempC: doublePrecision('temp_c').notNull(),
		/** Inside, for freezers; null where it is no limit. */
		litres: doublePrecision('litres'),
		position: integer('position').notNull()
	},
	(t) => [unique('place_of_household').on(t.householdId, t.id), unique('place_name').on(t.householdId, t.name)]
);

export const pot = pgTable(
	'pot',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		litres: doublePrecision('litres').notNull(),
		burnerW: doublePrecision('burner_w').notNull(),
		burnerKind: text('burner_kind', { enum: ['gas', 'electric', 'ceramic', 'induction', 'fire'] }).notNull(),
		basketL: doublePrecision('basket_l')
	},
	(t) => [unique('pot_of_household').on(t.householdId, t.id), unique('pot_name').on(t.householdId, t.name)]
);

/** Containers in the drawer, empty. */
export const container = pgTable(
	'container',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		kind: text('kind', { enum: ['bag', 'box', 'jar'] }).notNull(),
		volumeMl: integer('volume_ml').notNull(),
		count: integer('count').notNull()
	},
	(t) => [unique('container_of_household').on(t.householdId, t.id), unique('container_name').on(t.householdId, t.name)]
);

/** "Our big bowl", weighed once with one food in it. */
export const ownMeasure = pgTable(
	'own_measure',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		food: text('food').notNull(),
		grams: integer('grams').notNull()
	},
	(t) => [unique('own_measure_food').on(t.householdId, t.name, t.food)]
);
