import { CsvError, parse as parseCsv } from 'csv-parse/sync';
import { columnName, type Cells } from '$core/things/shelf-row';
import { AppError } from '../errors';

/** A row of a table that comes in, by the names of its columns, and where it stands in the file. */
export interface TableRow {
	readonly line: number;
	readonly cells: Cells;
}
export interface Table {
	/** As they are read: small, one word. */
	readonly columns: readonly string[];
	readonly rows: readonly TableRow[];
}

export const mostRows = 1_000;
const mostColumns = 60;
const mostCell = 2_000;

const nothing = 'Nothing was taken in.';
const refused = (code: string, message: string) => new AppError(400, code, `${message} ${nothing}`);

/** Commas, semicolons or tabs: whichever the line of names has most of, outside quotes. */
function delimiterOf(text: string): string {
	const names = (text.split(/\r?\n|\r/, 1)[0] ?? '').replace(/"(?:[^"]|"")*"/g, '');
	const count = (d: string) => names.split(d).length;
	return [',', ';', '\t'].reduce((best, d) => (count(d) > count(best) ? d : best));
}

/** What was told apart for a spreadsheet is what it was. */
const plainCell = (cell: string): string => cell.trim().replace(/^'(?=[=+\-@\t\r])/, '');

/**
 * A table as CSV (RFC 4180), with or without the mark of UTF-8; semicolons and tabs between cells too, as spreadsheets of other
 * countries write them.
 *
 * @throws {AppError} 400 no table, or a broken one: the line is named
 */
export function readTable(text: string): Table {
	if (text.includes('\uFFFD'))
		throw refused(
			'NOT_UTF8',
			'Some letters of this file could not be read: save it as “CSV UTF-8”, and choose it again.'
		);
	if (text.includes('\0')) throw refused('NOT_CSV', 'This file is no table: save the sheet as CSV.');
	let read: { record: string[]; info: { lines: number } }[];
	try {
		// With `info` each row comes with where it stands: the package's types know of it only beside names of columns.
		read = parseCsv(text, {
			bom: true,
			delimiter: delimiterOf(text.replace(/^\uFEFF/, '')),
			relax_column_count: true,
			skip_records_with_empty_values: true,
			skip_empty_lines: true,
			info: true,
			to: mostRows + 2
		}) as unknown as typeof read;
	} catch (thrown) {
		if (!(thrown instanceof CsvError)) throw thrown;
		const line = typeof thrown.lines === 'number' ? ` in line ${thrown.lines}` : '';
		throw refused('NOT_CSV', `This file breaks off or has a quote that does not fit${line}.`);
	}
	const [head, ...body] = read;
	const columns = (head?.record ?? []).map(columnName);
	if (columns.length === 0 || body.length === 0)
		throw refused('NO_ROWS', 'This file has no rows: the first line names the columns, a row for each thing follows.');
	if (columns.length > mostColumns || body.length > mostRows)
		throw refused('TOO_LARGE', `At most ${mostRows} rows and ${mostColumns} columns are taken in at once: divide it.`);
	const twice = columns.find((c, i) => c !== '' && columns.indexOf(c) !== i);
	if (twice) throw refused('TWO_COLUMNS', `Two columns are named “${twice}”.`);
	const long = body.find(({ record }) => record.some((cell) => cell.length > mostCell));
	if (long) throw refused('TOO_LARGE', `Line ${long.info.lines} has a cell of more than ${mostCell} characters.`);
	return {
		columns,
		rows: body.map(({ record, info }) => ({
			line: info.lines,
			cells: Object.fromEntries(
				columns.flatMap((name, i) => {
					const cell = plainCell(record[i] ?? '');
					return name === '' || cell === '' ? [] : [[name, cell] as const];
				})
			)
		}))
	};
}
