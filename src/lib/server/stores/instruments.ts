import { and, asc, eq, gt, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import { v7 as uuidv7 } from 'uuid';
import { paceAs_C, type ColdStay } from '$core/freezing/pace';
import { freezingRules } from '$reference/rules';
import { alarmAt, beyond } from '$core/instruments/alarm';
import { readValue } from '$core/instruments/read-value';
import { standing, type Reading } from '$core/instruments/reading';
import { thin, thinning } from '$core/instruments/thin';
import { preparedOnce, type Database } from '../db/client';
import { instrument, place, reading } from '../db/schema';
import { AppError, notFound } from '../errors';
import { changer, named } from './change';
import { tell } from '../live';
import type { LiveInstrument } from '$lib/ui/live/types';

export type InstrumentRow = typeof instrument.$inferSelect;

/** A reading as an instrument sends it, line by line. */
export interface SentReading {
	/** By its own clock, ms; now where it has none. */
	readonly at?: number;
	readonly value: number;
	readonly unit: string;
	readonly steady?: boolean;
	readonly fault?: string;
	readonly battery?: number;
}

/** So far back is looked at to see whether it has come to rest, ms. */
const recent_ms = 8_000;
/** A reading that was under way for longer says nothing of now: it is kept for the history, at its own time. */
const mostLate_ms = 3_600_000;

const recentOf = preparedOnce((db) =>
	db
		.select({
			instrumentId: reading.instrumentId,
			at: reading.at,
			value: reading.value,
			steady: reading.steady,
			fault: reading.fault,
			battery: reading.battery
		})
		.from(reading)
		.where(
			and(
				eq(reading.householdId, sql.placeholder('household')),
				eq(reading.spanMs, 0),
				gt(reading.at, sql.placeholder('since'))
			)
		)
		.orderBy(asc(reading.at))
		.prepare('recent_readings')
);
const instrumentsOf = preparedOnce((db) =>
	db
		.select()
		.from(instrument)
		.where(and(eq(instrument.householdId, sql.placeholder('household')), isNull(instrument.removedAt)))
		.orderBy(asc(instrument.name), asc(instrument.id))
		.prepare('instruments')
);

/** One instrument, whoever's: found by its own signed word. */
export async function instrumentById(db: Database, id: string): Promise<InstrumentRow | undefined> {
	const [row] = await db
		.select()
		.from(instrument)
		.where(and(eq(instrument.id, id), isNull(instrument.removedAt)));
	return row;
}

/** Read anew after so long; of so many households. A cache: what it holds can be read again at any time. */
const coldFresh_ms = 60_000;
const mostCold = 200;
const cold = new Map<string, { at: number; places: ReadonlyMap<string, readonly ColdStay[]> }>();
/** A label lasts no longer. */
const coldSince_ms = 2 * 365 * 86_400_000;

/** Of each day the mean pace of what was read, as the temperature that has it. */
async function readCold(db: Database, householdId: string, now: Date): Promise<Map<string, ColdStay[]>> {
	const pace = sql`greatest(1, power(2, (${reading.value} - ${freezingRules.freezer_C.value}) / ${freezingRules.halved_K.value}))`;
	const span = sql`greatest(${reading.spanMs}, 1000)`;
	const rows = await db
		.select({
			placeId: instrument.placeId,
			from: sql<number>`(extract(epoch from date_trunc('day', ${reading.at}, 'UTC')) * 1000)::float8`,
			pace: sql<number>`(sum(${pace} * ${span}) / sum(${span}))::float8`
		})
		.from(instrument)
		.innerJoin(reading, eq(reading.instrumentId, instrument.id))
		.where(
			and(
				eq(instrument.householdId, householdId),
				eq(instrument.quantity, 'temperature'),
				isNotNull(instrument.placeId),
				isNull(instrument.mistrustedAt),
				eq(reading.fault, ''),
				gt(reading.at, new Date(now.getTime() - coldSince_ms))
			)
		)
		.groupBy(instrument.placeId, sql`date_trunc('day', ${reading.at}, 'UTC')`)
		.orderBy(sql`date_trunc('day', ${reading.at}, 'UTC')`);
	const places = new Map<string, ColdStay[]>();
	for (const { placeId, from, pace } of rows) {
		if (placeId === null) continue;
		const until = Math.min(from + 86_400_000, now.getTime());
		places.set(placeId, [...(places.get(placeId) ?? []), { place_C: paceAs_C(pace), from, until }]);
	}
	return places;
}

export function instrumentStore(db: Database, householdId: string, now: Date) {
	const change = changer(db, householdId, now);
	const mine = (id: string) => and(eq(instrument.householdId, householdId), eq(instrument.id, id));
	const update = (key: string, id: string, what: string, values: Partial<InstrumentRow>) =>
		change(key, `instrument ${what}`, { id, ...values }, async (tx) => {
			const [row] = await tx
				.update(instrument)
				.set(values)
				.where(and(mine(id), isNull(instrument.removedAt)))
				.returning({ id: instrument.id });
			if (!row) throw notFound('instrument');
			await tell(tx, householdId, 'readings');
		});
	return {
		/** Every instrument with its word of now. */
		async live(): Promise<LiveInstrument[]> {
			const at = now.getTime();
			const [rows, recent] = await Promise.all([
				instrumentsOf(db).execute({ household: householdId }),
				recentOf(db).execute({ household: householdId, since: new Date(at - recent_ms) })
			]);
			return rows.flatMap((row): LiveInstrument[] => {
				// What prints reads nothing.
				if (row.quantity === 'print') return [];
				const own = recent.filter((r) => r.instrumentId === row.id).map(asReading);
				const stands = standing(row.quantity, own, at);
				return [
					{
						id: row.id,
						name: row.name,
						quantity: row.quantity,
						watch: row.watch,
						placeId: row.placeId,
						tare_g: row.tareG,
						trusted: row.mistrustedAt === null,
						standIn: row.standIn,
						standing: stands,
						alarm:
							row.mistrustedAt === null
								? (alarmAt(row.watch, row.beyondSince?.getTime(), stands.reading?.value, at) ?? null)
								: null
					}
				];
			});
		},

		/** @throws {AppError} 409 NAME_TAKEN */
		async add(
			key: string,
			values: Pick<InstrumentRow, 'name' | 'quantity' | 'watch'> & { tareG?: number; standIn?: boolean }
		): Promise<string> {
			const id = uuidv7();
			await named('name', values.name, () =>
				change(key, 'instrument', values, (tx) =>
					tx.insert(instrument).values({ id, householdId, ...values, createdAt: now })
				)
			);
			const [row] = await db
				.select({ id: instrument.id })
				.from(instrument)
				.where(
					and(eq(instrument.householdId, householdId), eq(instrument.name, values.name), isNull(instrument.removedAt))
				);
			if (!row) throw notFound('instrument');
			return row.id;
		},
		/** @throws {AppError} 404, also of the place; 409 NAME_TAKEN */
		async change(key: string, id: string, values: Pick<InstrumentRow, 'name' | 'watch' | 'tareG' | 'placeId'>) {
			if (values.placeId !== null) {
				const [there] = await db
					.select({ id: place.id })
					.from(place)
					.where(and(eq(place.householdId, householdId), eq(place.id, values.placeId), isNull(place.removedAt)));
				if (!there) throw notFound('place');
			}
			cold.delete(householdId);
			return named('name', values.name, () => update(key, id, 'change', values));
		},
		/**
		 * What the probes said of the places that they hang in, day by day, by the pace at which frozen food grew old there.
		 * A minute old at the most.
		 */
		async coldHistory(): Promise<ReadonlyMap<string, readonly ColdStay[]>> {
			const at = now.getTime();
			const known = cold.get(householdId);
			if (known && Math.abs(at - known.at) < coldFresh_ms) return known.places;
			const places = await readCold(db, householdId, now);
			cold.delete(householdId);
			cold.set(householdId, { at, places });
			for (const id of cold.keys()) {
				if (cold.size <= mostCold) break;
				cold.delete(id);
			}
			return places;
		},
		/** It is believed no more, or again. @throws {AppError} 404 */
		mistrust: (key: string, id: string, on: boolean) =>
			update(key, id, 'mistrust', { mistrustedAt: on ? now : null, beyondSince: null }),
		/** @throws {AppError} 404 */
		remove: (key: string, id: string) => update(key, id, 'remove', { removedAt: now }),

		/**
		 * Keeps what an instrument sent; one of the same moment is kept once. Its own clock is corrected by the server's: a
		 * reading of the future is one of now.
		 *
		 * @returns how many were new, and why others are none
		 */
		async keep(
			row: InstrumentRow,
			lines: readonly SentReading[]
		): Promise<{ kept: number; refused: { line: number; why: string }[] }> {
			const { quantity } = row;
			if (quantity === 'print')
				throw new AppError(403, 'NOT_A_MEASURE', 'A printer measures nothing. Nothing was kept.');
			const refused: { line: number; why: string }[] = [];
			const values = lines.flatMap((sent, i) => {
				const read = readValue(quantity, sent.value, sent.unit);
				if (read.kind === 'bad') {
					refused.push({ line: i + 1, why: read.why });
					return [];
				}
				const at = Math.min(sent.at ?? now.getTime(), now.getTime());
				if (now.getTime() - at > mostLate_ms) {
					refused.push({ line: i + 1, why: 'It is of more than an hour ago.' });
					return [];
				}
				return [
					{
						householdId,
						instrumentId: row.id,
						at: new Date(at),
						value: read.value,
						fault: (sent.fault ?? '').slice(0, 80),
						...(sent.steady === undefined ? {} : { steady: sent.steady }),
						...(sent.battery === undefined ? {} : { battery: sent.battery })
					}
				];
			});
			if (values.length === 0) return { kept: 0, refused };
			const kept = await db.insert(reading).values(values).onConflictDoNothing().returning({ seq: reading.seq });
			const last = [...values].sort((a, b) => a.at.getTime() - b.at.getTime()).findLast((v) => v.fault === '');
			// What comes late says nothing of now.
			if (last && now.getTime() - last.at.getTime() < recent_ms) {
				const out = beyond(row.watch, last.value);
				if (out !== (row.beyondSince !== null))
					await db
						.update(instrument)
						.set({ beyondSince: out ? last.at : null })
						.where(mine(row.id));
			}
			if (kept.length > 0) await tell(db, householdId, 'readings');
			return { kept: kept.length, refused };
		},

		/** What an instrument said since, thinned as it is kept. */
		async history(id: string, since: Date): Promise<Reading[]> {
			const rows = await db
				.select()
				.from(reading)
				.where(and(eq(reading.householdId, householdId), eq(reading.instrumentId, id), gt(reading.at, since)))
				.orderBy(asc(reading.at));
			return rows.map(asReading);
		},

		/** Old readings become one a minute, then one an hour. @returns how many rows went */
		async thinOld(): Promise<number> {
			let gone = 0;
			for (const { after_ms, span_ms } of thinning) {
				const until = new Date(Math.floor((now.getTime() - after_ms) / span_ms) * span_ms);
				const most = 20_000;
				const found = await db
					.select()
					.from(reading)
					.where(and(eq(reading.householdId, householdId), lt(reading.at, until), lt(reading.spanMs, span_ms)))
					.orderBy(asc(reading.at))
					.limit(most);
				// A stretch that is cut off is left for the next time: thinned in two parts its second would be lost.
				const last =
					found.length === most ? Math.floor((found.at(-1)?.at.getTime() ?? 0) / span_ms) * span_ms : Infinity;
				const old = found.filter((r) => r.at.getTime() < last);
				if (old.length === 0) continue;
				await db.transaction(async (tx) => {
					const byTool = new Map<string, typeof old>();
					for (const r of old) byTool.set(r.instrumentId, [...(byTool.get(r.instrumentId) ?? []), r]);
					for (const [instrumentId, list] of byTool) {
						const rows = thin(list.map(asReading), span_ms).map((t) => ({
							householdId,
							instrumentId,
							at: new Date(t.at),
							value: t.value,
							spanMs: span_ms,
							least: t.least,
							most: t.most
						}));
						if (rows.length > 0) await tx.insert(reading).values(rows).onConflictDoNothing();
					}
					await tx.delete(reading).where(
						inArray(
							reading.seq,
							old.map((r) => r.seq)
						)
					);
				});
				gone += old.length;
			}
			return gone;
		}
	};
}

const asReading = (r: {
	at: Date;
	value: number;
	steady: boolean | null;
	fault: string;
	battery: number | null;
}): Reading => ({
	at: r.at.getTime(),
	value: r.value,
	fault: r.fault,
	...(r.steady === null ? {} : { steady: r.steady }),
	...(r.battery === null ? {} : { battery: r.battery })
});

/** Every household's old readings. */
export async function thinAll(db: Database, now: Date): Promise<void> {
	const homes = await db.selectDistinct({ id: instrument.householdId }).from(instrument);
	for (const { id } of homes) await instrumentStore(db, id, now).thinOld();
}
