import Ajv, { type ErrorObject, type ValidateFunction } from 'ajv';
import { and, asc, eq, getTableColumns, sql, type Column } from 'drizzle-orm';
import { getTableConfig, PgTable, type PgColumn } from 'drizzle-orm/pg-core';
import { v5 as uuidv5, v7 as uuidv7 } from 'uuid';
import { transact, type Database } from '../db/client';
import * as schema from '../db/schema';
import { AppError, notFound } from '../errors';

/**
 * A household as one JSON, and back: every table that names a household, row by row, as the schema beside it says. What is
 * made of others (answers of before to the same key) is not in it; counters of rows are made anew.
 */
export const wholeFormat = 'root-jar-household';
export const wholeVersion = 1;

type Row = Record<string, unknown>;
export interface Whole {
	readonly format: typeof wholeFormat;
	readonly version: number;
	readonly savedAt: string;
	readonly household: Row;
	readonly tables: Readonly<Record<string, readonly Row[]>>;
}

interface Known {
	readonly name: string;
	readonly table: PgTable;
	/** By their names in the application, without counters. */
	readonly columns: Readonly<Record<string, PgColumn>>;
	readonly counter: PgColumn | undefined;
}
const isCounter = (c: Column): boolean => c.columnType.startsWith('PgBigSerial') || c.columnType.startsWith('PgSerial');
const left: ReadonlySet<string> = new Set(['idempotency', 'calendar_feed', 'food_day', 'last_change']);

const known: Known[] = Object.values(schema).flatMap((table): Known[] => {
	if (!(table instanceof PgTable)) return [];
	const all = getTableColumns(table) as Record<string, PgColumn>;
	const { name } = getTableConfig(table);
	if (!('householdId' in all) || left.has(name)) return [];
	const entries = Object.entries(all);
	return [
		{
			name,
			table,
			columns: Object.fromEntries(entries.filter(([, c]) => !isCounter(c))),
			counter: entries.find(([, c]) => isCounter(c))?.[1]
		}
	];
});

/** What is referred to goes in first. */
const order: readonly Known[] = (() => {
	const done = new Set<string>();
	const sorted: Known[] = [];
	const visit = (k: Known) => {
		if (done.has(k.name)) return;
		done.add(k.name);
		for (const { reference } of getTableConfig(k.table).foreignKeys) {
			const { name } = getTableConfig(reference().foreignTable);
			const other = known.find((o) => o.name === name);
			if (other) visit(other);
		}
		sorted.push(k);
	};
	for (const k of known) visit(k);
	return sorted;
})();

const uuid = '^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$';
/** JSON Schema of a column. */
function ofColumn(c: PgColumn): object {
	const nullable = (one: object) => (c.notNull ? one : { anyOf: [one, { type: 'null' }] });
	if (c.enumValues && c.enumValues.length > 0) return nullable({ enum: c.enumValues });
	switch (c.dataType) {
		case 'string':
			return nullable(
				c.columnType === 'PgUUID'
					? { type: 'string', pattern: uuid }
					: c.columnType.startsWith('PgDate')
						? { type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}$' }
						: { type: 'string', maxLength: 100_000 }
			);
		case 'number':
			return nullable({
				type: /Integer|BigInt/.test(c.columnType) ? 'integer' : 'number',
				minimum: -9_007_199_254_740_991,
				maximum: 9_007_199_254_740_991
			});
		case 'boolean':
			return nullable({ type: 'boolean' });
		case 'date':
			return nullable({ type: 'string', pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,6})?Z$' });
		default:
			return nullable({});
	}
}
const ofRow = (columns: Readonly<Record<string, PgColumn>>) => ({
	type: 'object',
	additionalProperties: false,
	// What has a value of its own may be missing: a file of before knows nothing of it.
	required: Object.entries(columns).flatMap(([name, c]) => (c.notNull && !c.hasDefault ? [name] : [])),
	properties: Object.fromEntries(Object.entries(columns).map(([name, c]) => [name, ofColumn(c)]))
});

/** The document's own description, JSON Schema 2020-12. */
export const wholeSchema = {
	$schema: 'https://json-schema.org/draft/2020-12/schema',
	title: 'A household of Root Jar, whole',
	type: 'object',
	additionalProperties: false,
	required: ['format', 'version', 'savedAt', 'household', 'tables'],
	properties: {
		format: { const: wholeFormat },
		version: { const: wholeVersion },
		savedAt: { type: 'string' },
		household: ofRow(getTableColumns(schema.household) as Record<string, PgColumn>),
		tables: {
			type: 'object',
			additionalProperties: false,
			properties: Object.fromEntries(known.map((k) => [k.name, { type: 'array', items: ofRow(k.columns) }]))
		}
	}
} as const;

let validator: ValidateFunction | undefined;
const validate = (): ValidateFunction => {
	// Its own dialect of JSON Schema is checked by the draft before it: no keyword here differs.
	const { $schema: _dialect, ...plain } = wholeSchema;
	validator ??= new Ajv({ allErrors: true, strict: false }).compile(plain);
	return validator;
};

const out = (value: unknown): unknown => (value instanceof Date ? value.toISOString() : value);

/** @throws {AppError} 404 */
export async function wholeOf(db: Database, householdId: string, now: Date): Promise<Whole> {
	// One moment for all of it: what is written meanwhile is in none of its tables, or in all.
	return db.transaction(
		async (tx) => {
			const [household] = await tx.select().from(schema.household).where(eq(schema.household.id, householdId));
			if (!household) throw notFound('household');
			const tables: Record<string, Row[]> = {};
			for (const { name, table, columns, counter } of known) {
				const primary = getTableConfig(table).columns.filter((c) => c.primary);
				const keys = getTableConfig(table).primaryKeys.flatMap((k) => k.columns);
				const by = counter ? [counter] : [...primary, ...keys];
				const rows = await tx
					.select(columns)
					.from(table)
					.where(eq(columns.householdId as PgColumn, householdId))
					.orderBy(...by.map((c) => asc(c)));
				tables[name] = rows.map((r) => Object.fromEntries(Object.entries(r as Row).map(([k, v]) => [k, out(v)])));
			}
			return {
				format: wholeFormat,
				version: wholeVersion,
				savedAt: now.toISOString(),
				household: Object.fromEntries(Object.entries(household).map(([k, v]) => [k, out(v)])),
				tables
			};
		},
		{ isolationLevel: 'repeatable read', accessMode: 'read only' }
	);
}

const faultWords = ({ instancePath, message, params }: ErrorObject): string => {
	const [, where, table, row, field] =
		/^\/(household|tables)(?:\/(\w+))?(?:\/(\d+))?(?:\/(\w+))?/.exec(instancePath) ?? [];
	const place =
		where === 'tables'
			? [table, row === undefined ? '' : `row ${Number(row) + 1}`, field ?? ''].filter(Boolean).join(', ')
			: [where ?? 'the file', table ?? ''].filter(Boolean).join(', ');
	const extra = 'additionalProperty' in params ? ` "${String(params.additionalProperty)}"` : '';
	return `${place}: ${message ?? 'is wrong'}${extra}`;
};
/** More faults than that are one: the file is another one. */
const mostFaults = 20;

/** Reads a file as a whole household. @throws {AppError} 400 with every fault, by table and row */
export function readWhole(text: string): Whole {
	let said: unknown;
	try {
		said = JSON.parse(text);
	} catch {
		throw new AppError(400, 'NOT_JSON', 'This file is no JSON, or only a part of one. Nothing was taken in.');
	}
	const check = validate();
	if (check(said)) return said as Whole;
	const errors = check.errors ?? [];
	const faults = errors.slice(0, mostFaults).map((e) => ({ field: e.instancePath, message: faultWords(e) }));
	const version = (said as { version?: unknown } | null)?.version;
	const other =
		typeof version === 'number' && version !== wholeVersion
			? ` It is of version ${version}; this reads ${wholeVersion}.`
			: '';
	throw new AppError(
		400,
		'NOT_WHOLE',
		`This file is no whole household of Root Jar: ${faults[0]?.message ?? ''}${errors.length > 1 ? `, and ${errors.length - 1} more` : ''}.${other} Nothing was taken in.`,
		faults
	);
}

/** An id's own in a new household: when it was made stays in it, so that what was sorted by it stays sorted. */
export const idIn = (household: string, old: string): string => old.slice(0, 19) + uuidv5(old, household).slice(19);

/** A batch's worth of rows: the protocol takes 65,535 values. */
const mostValues = 30_000;

/**
 * Takes a whole household in as a new one, every id its own, so that it may stand beside the one that it was saved from.
 * All of it or nothing.
 *
 * @returns its id
 * @throws {AppError} 400 rows that do not belong together
 */
export async function takeWhole(db: Database, whole: Whole, now: Date): Promise<string> {
	const id = uuidv7();
	const own = new Map<string, string>([[String(whole.household.id), id]]);
	for (const { name, columns } of known)
		if (columns.id) for (const row of whole.tables[name] ?? []) own.set(String(row.id), idIn(id, String(row.id)));
	// Ids stand in columns, in plans, in taps and in claims: wherever one of this household's is named it is its new one.
	const renamed = (value: unknown): unknown => {
		if (typeof value === 'string') return own.get(value) ?? (value.length > 36 ? inText(value) : value);
		if (Array.isArray(value)) return value.map(renamed);
		if (value !== null && typeof value === 'object')
			return Object.fromEntries(Object.entries(value).map(([k, v]) => [own.get(k) ?? k, renamed(v)]));
		return value;
	};
	const inText = (text: string): string =>
		text.replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, (one) => own.get(one) ?? one);
	const into = (columns: Readonly<Record<string, PgColumn>>, row: Row): Row =>
		Object.fromEntries(
			Object.entries(columns).flatMap(([name, c]) => {
				if (row[name] === undefined && c.hasDefault) return [];
				const value = renamed(row[name] ?? null);
				return [[name, c.dataType === 'date' && typeof value === 'string' ? new Date(value) : value] as const];
			})
		);
	try {
		await transact(db, async (tx) => {
			const columns = getTableColumns(schema.household) as Record<string, PgColumn>;
			// Whatever it was saved from, here it is somebody's own: no demo that is laid out anew.
			const values = {
				...into(columns, whole.household),
				id,
				isDefault: false,
				demoDate: null,
				touched: true,
				createdAt: now
			};
			await tx.insert(schema.household).values(values as typeof schema.household.$inferInsert);
			for (const { name, table, columns } of order) {
				const rows = (whole.tables[name] ?? []).map((row) => ({ ...into(columns, row), householdId: id }));
				// What was taken back stands before what took it back.
				if (columns.reversesId)
					rows.sort((a, b) => Number((a as Row).reversesId !== null) - Number((b as Row).reversesId !== null));
				const many = Math.max(1, Math.floor(mostValues / Object.keys(columns).length));
				for (let i = 0; i < rows.length; i += many) await tx.insert(table).values(rows.slice(i, i + many));
			}
			await balanced(tx, id);
		});
	} catch (thrown) {
		const code = (thrown as { cause?: { code?: string } }).cause?.code ?? '';
		if (/^23/.test(code))
			throw new AppError(
				400,
				'NOT_WHOLE',
				'Rows of this file do not belong together: one names another that is not in it, or two are one. Nothing was taken in.'
			);
		throw thrown;
	}
	return id;
}

/** What stands is the sum of what happened, here as everywhere. @throws {AppError} 400 */
async function balanced(tx: Parameters<Parameters<Database['transaction']>[0]>[0], id: string): Promise<void> {
	const { lotBalance, movement } = schema;
	const [wrong] = await tx
		.select({ lot: lotBalance.lotId })
		.from(lotBalance)
		.where(
			and(
				eq(lotBalance.householdId, id),
				sql`${lotBalance.amount} <> coalesce((select sum(m.amount) from ${movement} m where m.lot_id = ${lotBalance.lotId}), 0)`
			)
		)
		.limit(1);
	if (wrong)
		throw new AppError(
			400,
			'NOT_WHOLE',
			'What stands in this file is not the sum of what happened in it. Nothing was taken in.'
		);
}
