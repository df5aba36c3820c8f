import { and, asc, eq, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import type { Kitchen } from '$core/ways/kitchen';
import { freezerModel } from '$reference/model-rules';
import type { Database, Tx } from '../db/client';
import { container, household, lot, ownMeasure, place, pot } from '../db/schema';
import { AppError, notFound } from '../errors';
import { stockStore } from './stock';

export type HouseholdRow = typeof household.$inferSelect;
export type PlaceRow = typeof place.$inferSelect;
type PlaceKind = PlaceRow['kind'];

/** The household of the cookie, else the first. */
export async function resolveHousehold(db: Database, id: string | undefined): Promise<HouseholdRow | undefined> {
	if (id && /^[0-9a-f-]{36}$/i.test(id)) {
		const [row] = await db.select().from(household).where(eq(household.id, id));
		if (row) return row;
	}
	const [first] = await db.select().from(household).orderBy(asc(household.createdAt)).limit(1);
	return first;
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

/** A unique name that is taken becomes a clear fault. */
async function named<T>(field: string, name: string, work: () => Promise<T>): Promise<T> {
	try {
		return await work();
	} catch (error) {
		const cause = (error as { cause?: { code?: string } }).cause;
		if (cause?.code === '23505') {
			throw new AppError(409, 'NAME_TAKEN', `"${name}" is there already. Nothing was saved; give it another name.`, [
				{ field, message: 'Taken already.' }
			]);
		}
		if (cause?.code === '23503') {
			throw new AppError(
				409,
				'IN_USE',
				`"${name}" is in use: lots stand there or are packed in it. Nothing was changed; move them first.`,
				[{ field, message: 'In use.' }]
			);
		}
		throw error;
	}
}

export function householdStore(db: Database, row: HouseholdRow, now: Date) {
	const householdId = row.id;
	const parts = {
		places: () =>
			db.select().from(place).where(eq(place.householdId, householdId)).orderBy(asc(place.position), asc(place.name)),
		pots: () => db.select().from(pot).where(eq(pot.householdId, householdId)).orderBy(asc(pot.litres)),
		containers: () =>
			db.select().from(container).where(eq(container.householdId, householdId)).orderBy(asc(container.volumeMl)),
		measures: () =>
			db.select().from(ownMeasure).where(eq(ownMeasure.householdId, householdId)).orderBy(asc(ownMeasure.name))
	};
	/** A change by hand and its mark on the household: both or neither. */
	const change = (work: (tx: Tx) => Promise<unknown>) =>
		db.transaction(async (tx) => {
			await work(tx);
			await tx.update(household).set({ touched: true }).where(eq(household.id, householdId));
		});

	return {
		...parts,
		/** The kitchen as the core wants it. */
		async kitchen(): Promise<Kitchen> {
			const [places, pots, containers, used] = await Promise.all([
				parts.places(),
				parts.pots(),
				parts.containers(),
				stockStore(db, householdId, now).freezerUsed_L()
			]);
			const freezer_L = places.filter((p) => p.kind === 'freezer').reduce((sum, p) => sum + (p.litres ?? 0), 0);
			return {
				altitude_m: row.altitudeM,
				gauge: row.gauge,
				units: row.units,
				zone: row.zone,
				people: row.people,
				pots: pots.map((p) => ({
					id: p.id,
					name: p.name,
					litres: p.litres,
					burner: { kind: p.burnerKind, power_W: p.burnerW },
					...(p.basketL ? { basket_L: p.basketL } : {})
				})),
				ice_kg: row.iceKg,
				basins: row.basins,
				trays: row.trays,
				trayArea_m2: row.trayAreaM2,
				freezer_L,
				freezerFree_L: Math.max(0, freezer_L - used),
				containers: containers.map((c) => ({
					id: c.id,
					name: c.name,
					kind: c.kind,
					volume_mL: c.volumeMl,
					count: c.count
				})),
				tap_C: row.tapC,
				room_C: row.roomC,
				room_humidity: row.roomHumidity,
				dryer:
					row.dryerTrays === 0
						? null
						: {
								trays: row.dryerTrays,
								trayArea_m2: row.dryerTrayAreaM2,
								power_W: row.dryerPowerW,
								heater: row.dryerHeater
							},
				cannerQuarts: row.cannerQuarts,
				freezer_C: Math.min(-12, ...places.filter((p) => p.kind === 'freezer').map((p) => p.tempC)),
				frozen_kg: Math.min(used, freezer_L) * freezerModel.fill_kg_L.value,
				pantry_C: places.find((p) => p.kind === 'pantry')?.tempC ?? row.roomC,
				iceDay_kg: row.iceKgDay,
				handsDay_h: row.handsHDay,
				prices: {
					currency: row.currency,
					kWh: row.energyPrice,
					hour: row.hourRate,
					bag: row.bagPrice,
					lid: row.lidPrice
				}
			};
		},
		async update(values: Partial<Omit<HouseholdRow, 'id' | 'createdAt'>>) {
			await db
				.update(household)
				.set({ ...values, touched: true })
				.where(eq(household.id, householdId));
		},
		async addPlace(values: { name: string; kind: PlaceKind; tempC: number; litres: number | null }) {
			await named('name', values.name, () =>
				change(async (tx) => {
					const [last] = await tx
						.select({ n: sql<number>`coalesce(max(${place.position}), -1)::int` })
						.from(place)
						.where(eq(place.householdId, householdId));
					await tx.insert(place).values({ id: uuidv7(), householdId, position: (last?.n ?? -1) + 1, ...values });
				})
			);
		},
		async addPot(values: {
			name: string;
			litres: number;
			burnerW: number;
			burnerKind: (typeof pot.$inferSelect)['burnerKind'];
			basketL: number | null;
		}) {
			await named('name', values.name, () =>
				change((tx) => tx.insert(pot).values({ id: uuidv7(), householdId, ...values }))
			);
		},
		async addContainer(values: { name: string; kind: 'bag' | 'box' | 'jar'; volumeMl: number; count: number }) {
			await named('name', values.name, () =>
				change((tx) => tx.insert(container).values({ id: uuidv7(), householdId, ...values }))
			);
		},
		async setContainerCount(id: string, count: number) {
			await change(async (tx) => {
				const changed = await tx
					.update(container)
					.set({ count })
					.where(and(eq(container.householdId, householdId), eq(container.id, id)))
					.returning({ id: container.id });
				if (changed.length === 0) throw notFound('container');
			});
		},
		async setMeasure(values: { name: string; food: string; grams: number }) {
			await change((tx) =>
				tx
					.insert(ownMeasure)
					.values({ id: uuidv7(), householdId, ...values })
					.onConflictDoUpdate({
						target: [ownMeasure.householdId, ownMeasure.name, ownMeasure.food],
						set: { grams: values.grams }
					})
			);
		},
		async remove(what: 'place' | 'pot' | 'container' | 'measure', id: string) {
			const table = { place, pot, container, measure: ownMeasure }[what];
			await named('id', what, () =>
				change(async (tx) => {
					const gone = await tx
						.delete(table)
						.where(and(eq(table.householdId, householdId), eq(table.id, id)))
						.returning({ id: table.id });
					if (gone.length === 0) throw notFound(what);
				})
			);
		},
		async isEmpty(): Promise<boolean> {
			const [any] = await db.select({ id: lot.id }).from(lot).where(eq(lot.householdId, householdId)).limit(1);
			return !any;
		}
	};
}
