import { sql } from 'drizzle-orm';
import {
	doublePrecision,
	integer,
	jsonb,
	pgTable,
	text,
	timestamp,
	unique,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import { equipmentKinds, supplyKinds, type EquipmentSpec } from '../../../../core/ways/equipment';
import { placeKinds } from '../../../../core/things/place';
import { owner } from './household';

/** Where things stand: counter, fridge, a freezer basket, a board in the pantry. */
export const place = pgTable(
	'place',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		kind: text('kind', { enum: placeKinds }).notNull(),
		tempC: doublePrecision('temp_c').notNull(),
		/** Inside, for freezers; null where it is no limit. */
		litres: doublePrecision('litres'),
		/** Of a freezer: new food that it freezes in a day by its plate, kg; null goes by the published load. */
		dayKg: doublePrecision('day_kg'),
		position: integer('position').notNull(),
		/** When it was last counted, line by line. */
		countedAt: timestamp('counted_at', { withTimezone: true }),
		/** Taken out of use: its past stays readable, and a pack that comes late brings it back. */
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('place_of_household').on(t.householdId, t.id),
		uniqueIndex('place_name')
			.on(t.householdId, t.name)
			.where(sql`${t.removedAt} is null`)
	]
);

export const pot = pgTable(
	'pot',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		litres: doublePrecision('litres').notNull(),
		/** Inside, m; null where nobody measured. */
		diameterM: doublePrecision('diameter_m'),
		heightM: doublePrecision('height_m'),
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
		/** What was counted, less what was packed since; below nothing where more was used than counted. */
		count: integer('count').notNull(),
		/** At or under it there are few left; null: nobody minds. */
		low: integer('low'),
		/** Taken out of use: what was packed in it keeps its name. */
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('container_of_household').on(t.householdId, t.id),
		uniqueIndex('container_name')
			.on(t.householdId, t.name)
			.where(sql`${t.removedAt} is null`)
	]
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

/** What a kitchen works with besides pots and places; several of each. What it can is checked by its kind's schema. */
export const equipment = pgTable(
	'equipment',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		kind: text('kind', { enum: equipmentKinds }).notNull(),
		name: text('name').notNull(),
		spec: jsonb('spec').$type<EquipmentSpec>().notNull(),
		position: integer('position').notNull(),
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('equipment_of_household').on(t.householdId, t.id),
		uniqueIndex('equipment_name')
			.on(t.householdId, t.kind, t.name)
			.where(sql`${t.removedAt} is null`)
	]
);

/** What one pack is for, in the household's own measure: "one loaf: 2 cups grated, squeezed". */
export const recipePortion = pgTable(
	'recipe_portion',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		food: text('food').notNull(),
		/** As it goes in: grated, squeezed. */
		form: text('form').notNull(),
		said: text('said').notNull(),
		grams: integer('grams').notNull()
	},
	(t) => [unique('recipe_portion_name').on(t.householdId, t.name, t.food)]
);

/** What lies in the drawer besides containers: lids, rolls, absorbers. */
export const supply = pgTable(
	'supply',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		kind: text('kind', { enum: supplyKinds }).notNull(),
		name: text('name').notNull(),
		/** Lids: mouth, mm. Rolls: width, mm. Absorbers: cc of oxygen. */
		size: integer('size').notNull(),
		/** Pieces; of rolls centimetres. */
		amount: integer('amount').notNull(),
		low: integer('low'),
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('supply_of_household').on(t.householdId, t.id),
		uniqueIndex('supply_name')
			.on(t.householdId, t.name)
			.where(sql`${t.removedAt} is null`)
	]
);

/** Who is at home and helps. */
export const person = pgTable(
	'person',
	{
		id: uuid('id').primaryKey(),
		householdId: owner(),
		name: text('name').notNull(),
		/** Hours that their hands have on a usual day; null where nobody said. */
		handsH: doublePrecision('hands_h'),
		/** What they are let do: knives, heat, pressure. */
		may: text('may').array().notNull().default([]),
		removedAt: timestamp('removed_at', { withTimezone: true })
	},
	(t) => [
		unique('person_of_household').on(t.householdId, t.id),
		uniqueIndex('person_name')
			.on(t.householdId, t.name)
			.where(sql`${t.removedAt} is null`)
	]
);
