import { setImmediate as breathe } from 'node:timers/promises';
import Joi from 'joi';
import { dateIn } from '$core/freezing/keep';
import { readDate } from '$core/quantities/read-date';
import { readMoney } from '$core/quantities/money';
import { parseWeight } from '$core/quantities/parse-weight';
import { readNumber } from '$core/quantities/read-number';
import { woulds } from '$core/runs/engine/event';
import { sayLot } from '$core/stock/amount';
import { foodById } from '$core/things/names';
import { isFormOf } from '$core/things/vocabulary';
import {
	isOwnStock,
	isStock,
	readShelfRow,
	shelfColumn,
	type Cells,
	type RowFault,
	type RowRead
} from '$core/things/shelf-row';
import type { ShelfContext } from '$core/things/shelf-line';
import { methods } from '../db/schema';
import { AppError } from '../errors';
import { pastOf } from '../past-batch';
import { shelfPlace, standingOf } from '../shelf-line';
import type { PastBatch, PastMore } from '../stores/batches';
import type { HouseholdRow } from '../stores/households';
import type { Standing } from '../stores/stock/put';
import { readTable } from './table';
import { bookKey, stockKey, type BookRow, type KnownHere, type Row, type StockRow, type TableIn } from './table-rows';

export interface TableContext extends KnownHere {
	readonly household: HouseholdRow;
	readonly now: Date;
}

/** So many rows are read before others have their turn. */
const atOnce = 40;

/**
 * A table as it would be taken in, row by row, with every fault of each: nothing is written.
 *
 * @throws {AppError} 400 no table, or one of neither kind
 */
export async function tableIn(text: string, context: TableContext): Promise<TableIn> {
	const { columns, rows } = readTable(text);
	const names = new Set(columns);
	const book = names.has('packed_on') && names.has('packs') && names.has('raw_g') && names.has('food');
	const said = !book && ['in', 'hours', 'paid'].some((c) => names.has(c));
	if (!book && !isStock(names))
		throw new AppError(
			400,
			'OTHER_TABLE',
			`Neither stock nor batches can be read from these columns: ${columns.slice(0, 12).join(', ')}. A table of either has a column “what”. Nothing was taken in.`
		);
	const own = isOwnStock(names);
	const left = new Map(context.known);
	const { household, now, places, measures } = context;
	const shelf: ShelfContext = {
		own: measures,
		metricCups: household.units === 'metric',
		today: dateIn(household.zone, now.getTime()),
		places
	};
	const stock: StockRow[] = [];
	const batches: BookRow[] = [];
	const inFile = new Set<string>();
	for (const [n, { line, cells: raw }] of rows.entries()) {
		if (n % atOnce === atOnce - 1) await breathe();
		const cells = own || book ? raw : renamed(raw);
		if (book) batches.push(counted({ line, ...ownBatch(cells, context) }, left, context.codes, inFile));
		else {
			const read = readShelfRow(cells, own, shelf);
			if (said) batches.push(counted({ line, ...saidBatch(cells, read, context) }, left, context.codes, inFile));
			else stock.push({ line, ...stockRow(cells, read, left, context) });
		}
	}
	return book || said ? { kind: 'book', rows: batches } : { kind: 'stock', rows: stock };
}

const renamed = (cells: Cells): Cells =>
	Object.fromEntries(Object.entries(cells).map(([name, cell]) => [shelfColumn(name), cell]));

/** One of what is known is used up by each row that is like it. */
function isKnown(key: string, left: Map<string, number>): boolean {
	const n = left.get(key) ?? 0;
	if (n > 0) left.set(key, n - 1);
	return n > 0;
}

const faulty = (faults: readonly RowFault[], words = ''): Omit<Row, 'line'> => ({ words, faults, already: false });

/** What a row puts on the shelf by its place and its safety, or why it may not. */
function standingFor(read: RowRead, { household, places, now }: TableContext): Standing | RowFault {
	if ('fault' in read) return read.fault;
	try {
		const place = shelfPlace(read.read, places);
		const { standing } = standingOf(read.read, place, read.line.slice(0, 200), household, now);
		return standing;
	} catch (thrown) {
		if (!(thrown instanceof AppError)) throw thrown;
		return { column: 'place', message: thrown.message.replace(/ Nothing was saved.*$/, '') };
	}
}

const origins = ['own', 'bought', 'given', 'wild'] as const;

function stockRow(
	cells: Cells,
	read: RowRead,
	left: Map<string, number>,
	context: TableContext
): Omit<StockRow, 'line'> {
	const found = standingFor(read, context);
	if ('message' in found) return faulty([found]);
	const { household, places } = context;
	const { origin, variety = '' } = cells;
	const from = origins.find((o) => o === origin);
	if (origin !== undefined && !from)
		return faulty([{ column: 'origin', message: `"${origin}" is none of ${origins.join(', ')}.` }]);
	if (variety.length > 60) return faulty([{ column: 'variety', message: 'A name of at most 60 characters.' }]);
	const containerId = context.containers.get(cells.container ?? '');
	const lot = { ...found.lot, variety, ...(containerId ? { containerId } : {}), ...(from ? { origin: from } : {}) };
	const place = places.find((p) => p.id === lot.placeId)?.name ?? '';
	const day = dateIn(household.zone, found.lot.since.getTime());
	return {
		words: `${sayLot(found.counted, found.amount, lot.title, household.units)}, ${lot.state ?? 'fresh'}, in ${place}`,
		faults: [],
		already: isKnown(stockKey({ ...lot, ...found.counted, amount: found.amount, day }), left),
		standing: { ...found, lot }
	};
}

function counted(row: BookRow, left: Map<string, number>, codes: ReadonlySet<string>, before: Set<string>): BookRow {
	const { past } = row;
	if (!past || row.faults.length > 0) return row;
	const { code } = past;
	if (code !== undefined && before.has(code))
		return { line: row.line, ...faulty([{ column: 'code', message: `Another row has the code ${code} too.` }]) };
	if (code !== undefined) before.add(code);
	return { ...row, already: (code !== undefined && codes.has(code)) || isKnown(bookKey(past), left) };
}

const wordsOf = (past: PastBatch): string =>
	`${past.packedOn}: ${past.title}, ${past.packs} packs${past.raw_g > 0 ? ` from ${(past.raw_g / 1000).toFixed(1)} kg` : ''}`;

/** A batch that a person wrote down: what came of it as on the Shelves, what went in, the hours, what was paid. */
function saidBatch(cells: Cells, read: RowRead, context: TableContext): Omit<BookRow, 'line'> {
	const { household } = context;
	const standing = standingFor(read, context);
	const faults: RowFault[] = 'message' in standing ? [standing] : [];
	const weight = cells.in === undefined ? 0 : (parseWeight(cells.in) ?? NaN);
	if (!(weight <= 1_000_000)) faults.push({ column: 'in', message: `"${cells.in}" is no weight such as 7.9 kg.` });
	const read_h = cells.hours === undefined ? { value: 0, length: 0 } : readNumber(cells.hours);
	const hours = read_h && cells.hours?.slice(read_h.length).trim() ? NaN : (read_h?.value ?? NaN);
	if (!(hours >= 0 && hours <= 200))
		faults.push({ column: 'hours', message: `"${cells.hours}" is no number of hours from 0 to 200.` });
	const paid = cells.paid === undefined ? null : readMoney(cells.paid, household.currency);
	if (paid === undefined)
		faults.push({ column: 'paid', message: `"${cells.paid}" is no amount of ${household.currency}.` });
	const again = cells.again === undefined ? '' : woulds.find((w) => w === cells.again);
	if (again === undefined)
		faults.push({ column: 'again', message: `"${cells.again}" is none of ${woulds.join(', ')}.` });
	if ((cells.change ?? '').length > 300) faults.push({ column: 'change', message: 'At most 300 characters.' });
	if (faults.length > 0 || 'message' in standing) return faulty(faults);
	try {
		const past = pastOf(standing, {
			raw_g: weight,
			hands_s: Math.round(hours * 3600),
			paidMinor: paid ?? null,
			currency: household.currency
		});
		return {
			words: wordsOf(past),
			faults: [],
			already: false,
			past: { ...past, again: again ?? '', change: cells.change ?? '' }
		};
	} catch (thrown) {
		if (!(thrown instanceof AppError)) throw thrown;
		return faulty([{ column: 'what', message: thrown.message.replace(/ Nothing was saved.*$/, '') }]);
	}
}

const whole = (most: number) => Joi.number().integer().min(0).max(most);
const text = (most: number) => Joi.string().max(most);
const day = (label: string) =>
	Joi.string()
		.custom((value: string, helpers) => {
			const read = readDate(value);
			return 'day' in read ? read.day : helpers.message({ custom: read.fault });
		})
		.label(label);

type OwnBatch = Omit<PastBatch, 'hands_s' | 'paidMinor' | 'packedOn' | 'keepsUntil'> & {
	packed_on: string;
	keeps_until: string;
	hands_s: number;
	elapsed_s: number;
	paid_minor?: number;
	currency?: string;
	code?: string;
	cut?: string;
	again?: PastMore['again'];
	change?: string;
	struck?: string;
};
/** A row of the book as this application writes it; its share kept is reckoned again. */
const ownBatchSchema = Joi.object<OwnBatch>({
	code: text(12)
		.uppercase()
		.pattern(/^[0-9A-Z]{4,12}$/),
	packed_on: day('packed_on').required(),
	title: text(200).required(),
	food: text(60).required(),
	form: text(60).required(),
	cut: text(60),
	way: text(200).required(),
	method: Joi.string()
		.valid(...methods)
		.required(),
	raw_g: whole(10_000_000).default(0),
	packed_g: whole(10_000_000).default(0),
	packs: whole(10_000).default(0),
	hands_s: whole(30 * 86_400).default(0),
	elapsed_s: whole(3 * 366 * 86_400).default(0),
	paid_minor: whole(1_000_000_000),
	currency: Joi.string().pattern(/^[A-Z]{3}$/),
	keeps_until: day('keeps_until').required(),
	again: Joi.string().valid(...woulds),
	change: text(500),
	struck: text(40)
}).unknown(true);

function ownBatch(cells: Cells, { household, now }: TableContext): Omit<BookRow, 'line'> {
	const { value, error } = ownBatchSchema.validate(cells, { abortEarly: false, errors: { wrap: { label: false } } });
	const faults: RowFault[] = (error?.details ?? []).map((d) => ({
		column: d.path.join('.'),
		message: `${d.message}.`
	}));
	const row = value as OwnBatch;
	const food = foodById(row.food);
	if (row.food !== undefined && !food)
		faults.push({ column: 'food', message: `"${row.food}" is not a food of the tables.` });
	if (food && row.form !== undefined && !isFormOf(food, row.form))
		faults.push({ column: 'form', message: `"${row.form}" is no form of ${food.name}.` });
	if (faults.length === 0 && row.packed_on > dateIn(household.zone, now.getTime()))
		faults.push({ column: 'packed_on', message: `"${row.packed_on}" lies ahead.` });
	if (faults.length === 0 && row.raw_g > 0 && row.packed_g > row.raw_g * 4)
		faults.push({ column: 'packed_g', message: 'Four times as much came out as went in.' });
	if (faults.length > 0) return faulty(faults);
	const past: PastBatch & PastMore = {
		food: row.food,
		form: row.form,
		title: row.title,
		way: row.way,
		method: row.method,
		packedOn: row.packed_on,
		keepsUntil: row.keeps_until,
		raw_g: row.raw_g,
		packed_g: row.packed_g,
		packs: row.packs,
		hands_s: row.hands_s,
		elapsedS: row.elapsed_s,
		paidMinor: row.paid_minor ?? null,
		currency: row.paid_minor === undefined ? null : (row.currency ?? household.currency),
		...(row.code === undefined ? {} : { code: row.code }),
		...(row.cut === undefined ? {} : { cut: row.cut }),
		again: row.again ?? '',
		change: row.change ?? ''
	};
	// What was struck in the book that it is from is no batch.
	return row.struck === undefined
		? { words: wordsOf(past), faults: [], already: false, past }
		: { words: `${wordsOf(past)}, struck`, faults: [], already: true };
}

/** A table of a household, to be read under what is known there. */
export const tableReader =
	(text: string, { household, now }: Pick<TableContext, 'household' | 'now'>) =>
	(known: KnownHere): Promise<TableIn> =>
		tableIn(text, { ...known, household, now });
