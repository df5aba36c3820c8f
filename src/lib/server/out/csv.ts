import { and, asc, desc, eq, gt } from 'drizzle-orm';
import { stringify } from 'csv-stringify/sync';
import type { Database } from '../db/client';
import { batch, container, instrument, lot, lotBalance, movement, place, reading } from '../db/schema';

/** Tables that go out, RFC 4180: commas, quotes where they are needed, CRLF, a line of names; UTF-8 with its mark. */
export const csvTables = ['stock', 'book', 'movements', 'readings'] as const;
export type CsvTable = (typeof csvTables)[number];

/** Newest first; more is for the whole household's file. */
const mostRows = 200_000;

/** A text that a spreadsheet would take for a formula is told apart by an apostrophe. */
const safe = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text);
const cell = (value: unknown): string | number =>
	value === null || value === undefined
		? ''
		: value instanceof Date
			? value.toISOString()
			: typeof value === 'number'
				? value
				: typeof value === 'object'
					? JSON.stringify(value)
					: safe(String(value));

async function rowsOf(db: Database, householdId: string, table: CsvTable): Promise<Record<string, unknown>[]> {
	switch (table) {
		case 'stock':
			return db
				.select({
					place: place.name,
					title: lot.title,
					food: lot.food,
					kind: lot.foodKind,
					form: lot.form,
					state: lot.state,
					was: lot.was,
					condition: lot.condition,
					made_of: lot.madeOf,
					process: lot.process,
					wild: lot.wild,
					identified: lot.identified,
					amount: lotBalance.amount,
					unit: lot.unit,
					content: lot.content,
					content_unit: lot.contentUnit,
					grams_each: lot.unitG,
					container: container.name,
					variety: lot.variety,
					origin: lot.origin,
					since: lot.since,
					keeps_until: lot.keepsUntil,
					code: batch.code,
					note: lot.note
				})
				.from(lotBalance)
				.innerJoin(lot, eq(lot.id, lotBalance.lotId))
				.innerJoin(place, eq(place.id, lot.placeId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.leftJoin(container, eq(container.id, lot.containerId))
				.where(and(eq(lotBalance.householdId, householdId), gt(lotBalance.amount, 0)))
				.orderBy(asc(place.position), asc(lot.since), asc(lot.id))
				.limit(mostRows);
		case 'book':
			return db
				.select({
					code: batch.code,
					packed_on: batch.packedOn,
					title: batch.title,
					food: batch.food,
					form: batch.form,
					cut: batch.cut,
					way: batch.way,
					method: batch.method,
					raw_g: batch.rawG,
					packed_g: batch.packedG,
					packs: batch.packsMade,
					kept: batch.yieldMass,
					hands_s: batch.handsS,
					elapsed_s: batch.elapsedS,
					paid_minor: batch.paidMinor,
					currency: batch.currency,
					keeps_until: batch.keepsUntil,
					again: batch.again,
					change: batch.change,
					struck: batch.voidedAt
				})
				.from(batch)
				.where(eq(batch.householdId, householdId))
				.orderBy(desc(batch.packedOn), desc(batch.id))
				.limit(mostRows);
		case 'movements':
			return db
				.select({
					id: movement.id,
					happened: movement.occurredAt,
					recorded: movement.recordedAt,
					kind: movement.kind,
					title: lot.title,
					food: lot.food,
					amount: movement.amount,
					unit: lot.unit,
					grams_each: lot.unitG,
					cause: movement.cause,
					by: movement.by,
					code: batch.code,
					lot: movement.lotId,
					takes_back: movement.reversesId
				})
				.from(movement)
				.innerJoin(lot, eq(lot.id, movement.lotId))
				.leftJoin(batch, eq(batch.id, lot.batchId))
				.where(eq(movement.householdId, householdId))
				.orderBy(desc(movement.recordedAt), desc(movement.id))
				.limit(mostRows);
		case 'readings':
			return db
				.select({
					instrument: instrument.name,
					quantity: instrument.quantity,
					at: reading.at,
					value: reading.value,
					span_ms: reading.spanMs,
					least: reading.least,
					most: reading.most,
					fault: reading.fault
				})
				.from(reading)
				.innerJoin(instrument, eq(instrument.id, reading.instrumentId))
				.where(eq(reading.householdId, householdId))
				.orderBy(desc(reading.at), desc(reading.seq))
				.limit(mostRows);
	}
}

const columns: Readonly<Record<CsvTable, readonly string[]>> = {
	stock: [
		'place',
		'title',
		'food',
		'kind',
		'form',
		'state',
		'was',
		'condition',
		'made_of',
		'process',
		'wild',
		'identified',
		'amount',
		'unit',
		'content',
		'content_unit',
		'grams_each',
		'container',
		'variety',
		'origin',
		'since',
		'keeps_until',
		'code',
		'note'
	],
	book: [
		'code',
		'packed_on',
		'title',
		'food',
		'form',
		'cut',
		'way',
		'method',
		'raw_g',
		'packed_g',
		'packs',
		'kept',
		'hands_s',
		'elapsed_s',
		'paid_minor',
		'currency',
		'keeps_until',
		'again',
		'change',
		'struck'
	],
	movements: [
		'id',
		'happened',
		'recorded',
		'kind',
		'title',
		'food',
		'amount',
		'unit',
		'grams_each',
		'cause',
		'by',
		'code',
		'lot',
		'takes_back'
	],
	readings: ['instrument', 'quantity', 'at', 'value', 'span_ms', 'least', 'most', 'fault']
};

/** One table as a file. */
export async function csvOf(db: Database, householdId: string, table: CsvTable): Promise<string> {
	const rows = await rowsOf(db, householdId, table);
	const names = columns[table];
	const lines = [names, ...rows.map((r) => names.map((n) => cell(r[n])))];
	return stringify(lines, { bom: true, record_delimiter: '\r\n' });
}
