import { and, eq, gt, isNull, ne, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { dayLimit_kg } from '$core/freezing/freezer-week';
import { gaugeOf } from '$core/ways/gear-changes';
import { boilsLearned } from '$core/forecast/boils';
import type { YieldLearned } from '$core/forecast/yields';
import type { Kitchen } from '$core/ways/kitchen';
import { tasks } from '$core/ways/equipment';
import { freezerModel } from '$reference/model-rules';
import { preparedOnce, type Database, type Tx } from '../db/client';
import { container, household, lot, lotBalance, ownMeasure, place, recipePortion } from '../db/schema';
import { AppError, notFound } from '../errors';
import { standingIn } from '../things';
import { changer, named } from './change';
import { gearStore } from './gear';
import { unkept, type Keep } from './kept';
import { boilsSeen, containersOf, measuresOf, placesOf, portionsOf, potsOf } from './kitchen-reads';
import { watchingRuns } from './runs/kitchen-watch';
import { setUpHousehold } from './set-up';
import type { SetUp } from '$core/ways/set-up';
import { stockStore } from './stock';

export type HouseholdRow = typeof household.$inferSelect;
export type PlaceRow = typeof place.$inferSelect;
type PlaceKind = PlaceRow['kind'];

/** A run that is open, and the order of arrival of its newest tap: what a page's clocks hang on. */
export type OpenRun = readonly [id: string, seq: number];

/** Read with the household, since every page shows both. The newest run first. Named by its table: a bare "id" is the run's. */
const openRuns = sql<OpenRun[]>`coalesce((
	select json_agg(json_build_array(r.id, coalesce((select max(e.seq) from run_event e where e.run_id = r.id), 0)) order by r.started_at desc, r.id desc)
	from run r where r.household_id = "household"."id" and r.status = 'open'), '[]')`;
/** The number of its last change: what was kept under it still holds. */
const changed = sql<string>`coalesce((select c.transaction::text from last_change c where c.household_id = "household"."id"), '')`;
const withRuns = preparedOnce((db) =>
	db
		.select({ household, open: openRuns, changed })
		.from(household)
		.where(
			sql`case when ${sql.placeholder('id')}::uuid is null then ${household.isDefault} else ${household.id} = ${sql.placeholder('id')}::uuid end`
		)
		.prepare('household_with_runs')
);
/** A household with its open runs: by its id, without one the one that a browser without a cookie comes to. */
export async function householdWithRuns(
	db: Database,
	id: string | null
): Promise<{ household: HouseholdRow; open: readonly OpenRun[]; changed: string } | undefined> {
	const [row] = await withRuns(db).execute({ id });
	return row;
}

/** A household by its id. */
export async function householdById(db: Database, id: string): Promise<HouseholdRow | undefined> {
	const [row] = await byId(db).execute({ id });
	return row;
}

const byId = preparedOnce((db) =>
	db
		.select()
		.from(household)
		.where(eq(household.id, sql.placeholder('id')))
		.prepare('household_by_id')
);
const byDefault = preparedOnce((db) =>
	db.select().from(household).where(eq(household.isDefault, true)).prepare('household_by_default')
);

/** The one that a browser without a cookie comes to. */
export async function defaultHousehold(db: Database): Promise<HouseholdRow | undefined> {
	const [row] = await byDefault(db).execute();
	return row;
}

/** Where no household is the default (the first one, or after one was cleared), this one is. */
export async function becomeDefault(tx: Database | Tx, id: string): Promise<void> {
	await tx
		.update(household)
		.set({ isDefault: true })
		.where(and(eq(household.id, id), sql`not exists (select 1 from household where is_default)`));
}

/** A household as it is before anything is known of it, with the places that every home has. */
export async function newHousehold(
	db: Database | Tx,
	values: { name: string; zone: string; now: Date }
): Promise<string> {
	const id = uuidv7();
	await db.insert(household).values({
		id,
		name: values.name,
		altitudeM: null,
		units: 'metric',
		zone: values.zone,
		people: 2,
		iceKg: 2,
		basins: 1,
		trays: 2,
		trayAreaM2: 0.12,
		tapC: 14,
		roomC: 21,
		createdAt: values.now
	});
	const places: [string, PlaceKind, number, number | null][] = [
		['Counter', 'counter', 21, null],
		['Fridge', 'fridge', 4, null],
		['Freezer', 'freezer', -18, 100],
		['Pantry', 'pantry', 17, null]
	];
	await db.insert(place).values(
		places.map(([name, kind, tempC, litres], position) => ({
			id: uuidv7(),
			householdId: id,
			name,
			kind,
			tempC,
			litres,
			position
		}))
	);
	return id;
}

const comesBack = (learned: YieldLearned | undefined) =>
	learned ? { comesBack: learned.share, boilsSeen: learned.batches } : {};

export function householdStore(db: Database, row: HouseholdRow, now: Date, keep: Keep = unkept) {
	const householdId = row.id;
	const whose = { household: householdId };
	const parts = {
		places: () => keep('places', () => placesOf(db).execute(whose)),
		pots: () => keep('pots', () => potsOf(db).execute(whose)),
		containers: () => keep('containers', () => containersOf(db).execute(whose)),
		measures: () => keep('measures', () => measuresOf(db).execute(whose)),
		/** How each pot comes back to the boil, by its name, once two runs have shown it. */
		boils: async () => boilsLearned(await keep('boils', () => boilsSeen(db, householdId)))
	};
	const change = changer(db, householdId, now);
	const gear = gearStore(db, householdId, now);

	async function wholeKitchen() {
		const [places, pots, containers, used, machines, persons, supplies, boils] = await Promise.all([
			parts.places(),
			parts.pots(),
			parts.containers(),
			stockStore(db, householdId, now).freezerUsed_L(),
			gear.equipment(),
			gear.persons(),
			gear.supplies(),
			parts.boils()
		]);
		const freezers = places.filter((p) => p.kind === 'freezer');
		const freezer_L = freezers.reduce((sum, p) => sum + (p.litres ?? 0), 0);
		const canners = machines.flatMap((m) => (m.kind === 'canner' ? [{ name: m.name, ...m.spec }] : []));
		const [dryer] = machines.flatMap((m) => (m.kind === 'dryer' ? [{ name: m.name, ...m.spec }] : []));
		const kitchen: Kitchen = {
			altitude_m: row.altitudeM,
			gauge: gaugeOf(canners),
			canners,
			moulds: machines.flatMap((m) => (m.kind === 'moulds' ? [m.spec] : []))[0] ?? null,
			supplies,
			units: row.units,
			zone: row.zone,
			people: row.people,
			pots: pots.map((p) => ({
				id: p.id,
				name: p.name,
				litres: p.litres,
				burner: { kind: p.burnerKind, power_W: p.burnerW },
				diameter_m: p.diameterM,
				height_m: p.heightM,
				...(p.basketL ? { basket_L: p.basketL } : {}),
				...comesBack(boils.get(p.name))
			})),
			ice_kg: row.iceKg,
			basins: row.basins,
			trays: row.trays,
			trayArea_m2: row.trayAreaM2,
			freezeDay_kg: freezers.reduce((sum, p) => sum + (p.dayKg ?? dayLimit_kg(p.litres ?? 0)), 0),
			freezer_L,
			freezerFree_L: Math.max(0, freezer_L - used),
			containers: containers.map((c) => ({
				id: c.id,
				name: c.name,
				kind: c.kind,
				volume_mL: c.volumeMl,
				count: Math.max(0, c.count)
			})),
			tap_C: row.tapC,
			room_C: row.roomC,
			room_humidity: row.roomHumidity,
			dryer: dryer ?? null,
			freezeDryer: machines.flatMap((m) => (m.kind === 'freeze-dryer' ? [{ name: m.name, ...m.spec }] : []))[0] ?? null,
			freezer_C: Math.min(-12, ...freezers.map((p) => p.tempC)),
			frozen_kg: Math.min(used, freezer_L) * freezerModel.fill_kg_L.value,
			pantry_C: places.find((p) => p.kind === 'pantry')?.tempC ?? row.roomC,
			iceDay_kg: row.iceKgDay,
			handsDay_h: Math.min(24 * 60, row.handsHDay + persons.reduce((sum, p) => sum + (p.handsH ?? 0), 0)),
			ownHands_h: row.handsHDay,
			helpers: persons.map((p) => ({
				name: p.name,
				hours: p.handsH ?? 0,
				may: tasks.filter((t) => p.may.includes(t))
			})),
			prices: {
				currency: row.currency,
				kWh: row.energyPrice,
				hour: row.hourRate,
				bag: row.bagPrice,
				lid: row.lidPrice
			}
		};
		return { kitchen, places, pots, machines, persons };
	}

	return {
		...parts,
		/** The kitchen as the core wants it. */
		kitchen: async (): Promise<Kitchen> => (await wholeKitchen()).kitchen,
		/** The same, with the rows that it was read from. */
		wholeKitchen,
		async update(key: string, values: Partial<Omit<HouseholdRow, 'id' | 'createdAt' | 'isDefault'>>) {
			await change(key, 'update', values, (tx) =>
				watchingRuns(tx, householdId, now, () => tx.update(household).set(values).where(eq(household.id, householdId)))
			);
		},
		/**
		 * The first three answers, in one save: the pot that blanches and the first freezer are made or changed, nothing else
		 * is touched.
		 */
		async setUp(key: string, set: SetUp): Promise<{ set: true }> {
			await change(key, 'set up', set, (tx) =>
				watchingRuns(tx, householdId, now, () => setUpHousehold(tx, householdId, set))
			);
			return { set: true };
		},
		async addPlace(
			key: string,
			values: { name: string; kind: PlaceKind; tempC: number; litres: number | null; dayKg?: number | null }
		) {
			await named('name', values.name, () =>
				change(key, 'place', values, async (tx) => {
					const [last] = await tx
						.select({ n: sql<number>`coalesce(max(${place.position}), -1)::int` })
						.from(place)
						.where(eq(place.householdId, householdId));
					await tx.insert(place).values({ id: uuidv7(), householdId, position: (last?.n ?? -1) + 1, ...values });
				})
			);
		},
		/**
		 * What a place is measured at, and of a freezer its litres and what it freezes in a day. What stands there has stood at
		 * the old temperature until now: its history keeps that, unless the old figure was wrong from the start.
		 *
		 * @param values.allAlong what was written before was never so: what stands there has stood at the new one
		 * @throws {AppError} 404
		 */
		async setPlace(key: string, id: string, values: Measured) {
			await change(key, 'place at', { id, ...values }, (tx) => setPlace(tx, householdId, id, values, now));
		},
		async addContainer(
			key: string,
			values: { name: string; kind: 'bag' | 'box' | 'jar'; volumeMl: number; count: number; low?: number | null }
		) {
			await named('name', values.name, () =>
				change(key, 'container', values, (tx) => tx.insert(container).values({ id: uuidv7(), householdId, ...values }))
			);
		},
		async setContainerCount(key: string, id: string, count: number, low: number | null = null) {
			await change(key, 'count', { id, count, low }, async (tx) => {
				const changed = await tx
					.update(container)
					.set({ count, low })
					.where(and(eq(container.householdId, householdId), eq(container.id, id)))
					.returning({ id: container.id });
				if (changed.length === 0) throw notFound('container');
			});
		},
		/** What one pack is for, in the household's own measure. */
		recipePortions: () => portionsOf(db).execute(whose),
		metricCups: () => Promise.resolve(row.units === 'metric'),
		async keepPortion(key: string, values: { name: string; food: string; form: string; said: string; grams: number }) {
			await change(key, 'portion', values, (tx) =>
				tx
					.insert(recipePortion)
					.values({ id: uuidv7(), householdId, ...values })
					.onConflictDoUpdate({
						target: [recipePortion.householdId, recipePortion.name, recipePortion.food],
						set: { form: values.form, said: values.said, grams: values.grams }
					})
			);
		},
		async setMeasure(key: string, values: { name: string; food: string; grams: number }) {
			await change(key, 'measure', values, (tx) =>
				tx
					.insert(ownMeasure)
					.values({ id: uuidv7(), householdId, ...values })
					.onConflictDoUpdate({
						target: [ownMeasure.householdId, ownMeasure.name, ownMeasure.food],
						set: { grams: values.grams }
					})
			);
		},
		/**
		 * Takes something out of the Kitchen. A place goes when nothing stands in it; its past stays readable.
		 *
		 * @throws {AppError} 404; 409 IN_USE
		 */
		async remove(key: string, what: 'place' | 'container' | 'measure' | 'portion', id: string) {
			await change(key, 'remove', { what, id }, async (tx) => {
				if (what === 'place') return removePlace(tx, householdId, id, now);
				if (what === 'container') {
					const gone = await tx
						.update(container)
						.set({ removedAt: now })
						.where(and(eq(container.householdId, householdId), eq(container.id, id), isNull(container.removedAt)))
						.returning({ id: container.id });
					if (gone.length === 0) throw notFound(what);
					return;
				}
				const table = what === 'portion' ? recipePortion : ownMeasure;
				const gone = await tx
					.delete(table)
					.where(and(eq(table.householdId, householdId), eq(table.id, id)))
					.returning({ id: table.id });
				if (gone.length === 0) throw notFound(what);
			});
		},
		async isEmpty(): Promise<boolean> {
			const [any] = await db.select({ id: lot.id }).from(lot).where(eq(lot.householdId, householdId)).limit(1);
			return !any;
		}
	};
}

interface Measured {
	readonly tempC: number;
	readonly litres?: number;
	readonly dayKg?: number | null;
	readonly allAlong?: boolean;
}

async function setPlace(tx: Tx, householdId: string, id: string, values: Measured, now: Date): Promise<void> {
	const [before] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, householdId), eq(place.id, id), isNull(place.removedAt)))
		.for('update');
	if (!before) throw notFound('place');
	const { tempC, allAlong, ...freezer } = values;
	await tx
		.update(place)
		.set({ tempC, ...(before.kind === 'freezer' ? freezer : {}) })
		.where(and(eq(place.householdId, householdId), eq(place.id, id)));
	if (tempC === before.tempC || allAlong) return;
	const { place: kind, place_C } = standingIn(before);
	const from = sql`(extract(epoch from coalesce(${lot.placedAt}, ${lot.since})) * 1000)::bigint`;
	const until = now.getTime();
	await tx
		.update(lot)
		.set({
			stays: sql`${lot.stays} || jsonb_build_array(jsonb_build_object(
				'place', ${kind}::text, 'place_C', ${place_C}::float8, 'from', ${from}, 'until', greatest(${from}, ${until}::bigint), 'state', ${lot.state}))`,
			placedAt: sql`greatest(coalesce(${lot.placedAt}, ${lot.since}), ${now.toISOString()}::timestamptz)`
		})
		.where(
			and(
				eq(lot.householdId, householdId),
				eq(lot.placeId, id),
				sql`exists (select 1 from ${lotBalance} where ${lotBalance.lotId} = ${lot.id} and ${lotBalance.amount} > 0)`
			)
		);
}

/** Out of use, when nothing stands there: whoever puts something in meanwhile waits, and is told. */
async function removePlace(tx: Tx, householdId: string, id: string, now: Date): Promise<void> {
	const [row] = await tx
		.select()
		.from(place)
		.where(and(eq(place.householdId, householdId), eq(place.id, id), isNull(place.removedAt)))
		.for('update');
	if (!row) throw notFound('place');
	const [held] = await tx
		.select({ n: sql<number>`count(*)::int` })
		.from(lotBalance)
		.innerJoin(lot, eq(lot.id, lotBalance.lotId))
		.where(and(eq(lotBalance.householdId, householdId), eq(lot.placeId, id), gt(lotBalance.amount, 0)));
	if ((held?.n ?? 0) > 0)
		throw new AppError(
			409,
			'IN_USE',
			`"${row.name}" is in use: ${held?.n === 1 ? 'something stands' : `${held?.n} things stand`} there. Nothing was changed; move them first.`,
			[{ field: 'id', message: 'In use.' }]
		);
	const [other] = await tx
		.select({ id: place.id })
		.from(place)
		.where(and(eq(place.householdId, householdId), ne(place.id, id), isNull(place.removedAt)))
		.limit(1);
	if (!other)
		throw new AppError(409, 'LAST_PLACE', 'A kitchen needs a place to put things. Nothing was changed.', [
			{ field: 'id', message: 'The last one.' }
		]);
	await tx.update(place).set({ removedAt: now }).where(eq(place.id, id));
}
