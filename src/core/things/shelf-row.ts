import { readDate } from '../quantities/read-date';
import { contentUnits, lotUnits, type Counted } from '../stock/amount';
import { foodById, kindById } from './names';
import { readShelfLine, type OnShelf, type ShelfContext } from './shelf-line';
import { governing } from './mixture';
import { isFormOf } from './vocabulary';
import { conditions, states, type Part, type Thing } from './thing';

/** A row of a table by the names of its columns, without what is empty. */
export type Cells = Readonly<Record<string, string>>;
export interface RowFault {
	readonly column: string;
	readonly message: string;
}
export type RowRead = { readonly read: OnShelf; readonly line: string } | { readonly fault: RowFault };

/** Other names of the columns of a shelf's table. */
const otherNames: Readonly<Record<string, string>> = {
	item: 'what',
	name: 'what',
	product: 'what',
	count: 'packs',
	number: 'packs',
	quantity: 'packs',
	qty: 'packs',
	size: 'each',
	content: 'each',
	kept: 'state',
	where: 'place',
	location: 'place',
	packed: 'date',
	packed_on: 'date',
	since: 'date',
	notes: 'note',
	remarks: 'note'
};
/** A column's name as it is read here: small, one word. */
export const columnName = (said: string): string => said.trim().toLowerCase().replace(/\W+/g, '_');
/** Of a shelf's table written by a person. */
export const shelfColumn = (said: string): string => otherNames[said] ?? said;

/** What a table of stock has, by its columns: one that this application wrote, or one that a person did. */
export const isOwnStock = (columns: ReadonlySet<string>): boolean =>
	['food', 'form', 'state', 'amount', 'unit', 'grams_each'].every((c) => columns.has(c));
export const isStock = (columns: ReadonlySet<string>): boolean =>
	isOwnStock(columns) || [...columns].some((c) => shelfColumn(c) === 'what');

const most_note = 200;

/**
 * Reads a row of what stands on a shelf. A person's has `what`, and, beside it or in it, how many, of how much, where and since
 * when; it is read by the grammar of the Shelves, so that no word is dropped. One that this application wrote is read as it is.
 */
export function readShelfRow(cells: Cells, own: boolean, context: ShelfContext): RowRead {
	const date = own ? cells.since?.slice(0, 10) : cells.date;
	const dated = date === undefined ? undefined : readDate(date);
	if (dated && 'fault' in dated) {
		// "Sep 2025" is a month: the line's own reader has it.
		if (own || !/^[\p{L}.]+ \d{4}$/u.test(date ?? ''))
			return { fault: { column: own ? 'since' : 'date', message: dated.fault } };
	}
	const day = dated && 'day' in dated ? dated.day : undefined;
	if (day !== undefined && context.today !== undefined && day > context.today)
		return { fault: { column: own ? 'since' : 'date', message: `"${date}" lies ahead.` } };
	const placed = placeOf(cells.place, context);
	if ('fault' in placed) return placed;
	const read = own ? readOwn(cells, context) : readSaid(cells, day === undefined ? cells.date : undefined, context);
	if ('fault' in read) return read;
	const note = [read.read.note, cells.note ?? ''].filter(Boolean).join(', ');
	if (note.length > most_note)
		return { fault: { column: 'note', message: `The note is longer than ${most_note} characters.` } };
	return {
		line: read.line,
		read: {
			...read.read,
			...(placed.id === undefined ? {} : { placeId: placed.id }),
			...(day === undefined ? {} : { day, monthOnly: false }),
			note
		}
	};
}

function placeOf(said: string | undefined, { places }: ShelfContext): { id?: string } | { fault: RowFault } {
	if (said === undefined) return {};
	const found = places.find((p) => p.name.toLowerCase() === said.toLowerCase());
	if (found) return { id: found.id };
	const names = places.map((p) => p.name).join(', ');
	return { fault: { column: 'place', message: `"${said}" is no place of this kitchen. It has: ${names}.` } };
}

function readSaid(cells: Cells, month: string | undefined, context: ShelfContext): RowRead {
	const { what, packs, each, state } = cells;
	if (what === undefined) return { fault: { column: 'what', message: 'What is it? This row says nothing.' } };
	if (packs !== undefined && /^\d/.test(what))
		return { fault: { column: 'packs', message: `"${what}" counts already: say the number once.` } };
	const amount =
		packs !== undefined && each !== undefined ? `${packs} × ${each}` : packs !== undefined ? packs : (each ?? '');
	const line = [`${amount} ${what}`.trim(), state, month].filter(Boolean).join(', ');
	const reading = readShelfLine(line, context);
	switch (reading.kind) {
		case 'understood':
			return { read: reading, line };
		case 'asked':
			return {
				fault: {
					column: 'what',
					message: `${reading.question} Write one of: ${reading.choices.map((c) => c.text).join('; ')}.`
				}
			};
		case 'refused':
			return {
				fault: {
					column: 'what',
					message: `${reading.refusal.reason} Instead: ${reading.refusal.instead.join('; ')}.`
				}
			};
		case 'unclear':
			return { fault: { column: 'what', message: reading.message } };
	}
}

const isIn = <T extends string>(list: readonly T[], said: string | undefined): said is T =>
	(list as readonly (string | undefined)[]).includes(said);
/** Numbers as this application writes them. */
const numberOf = (said: string | undefined): number => (/^\d{1,15}(\.\d+)?$/.test(said ?? '') ? Number(said) : NaN);

/** The parts of a mixture as this application writes them; null where they are none. */
function readParts(said: string): readonly Part[] | null {
	let list: unknown;
	try {
		list = JSON.parse(said);
	} catch {
		return null;
	}
	if (!Array.isArray(list) || list.length < 2 || list.length > 30) return null;
	const parts = list.flatMap((one: unknown): Part[] => {
		const { food, kind, form, share } = (one ?? {}) as Partial<Record<keyof Part, unknown>>;
		const known = typeof food === 'string' ? foodById(food) : undefined;
		if (!known || typeof form !== 'string' || typeof share !== 'number' || !(share > 0 && share <= 1)) return [];
		if (kind !== undefined && !(typeof kind === 'string' && kindById(known.id, kind))) return [];
		return [{ food: known.id, form, share, ...(typeof kind === 'string' ? { kind } : {}) }];
	});
	const whole = parts.reduce((all, p) => all + p.share, 0);
	return parts.length === list.length && Math.abs(whole - 1) < 1e-6 ? parts : null;
}

function readOwn(cells: Cells, { jars }: ShelfContext): RowRead {
	const wrong = (column: string, message: string): RowRead => ({ fault: { column, message } });
	const food = foodById(cells.food ?? '');
	if (!food) return wrong('food', `"${cells.food ?? ''}" is not a food of the tables.`);
	const { form = '', state, unit } = cells;
	if (!isFormOf(food, form)) return wrong('form', `"${form}" is no form of ${food.name}.`);
	if (!isIn(states, state)) return wrong('state', `"${state ?? ''}" is no state that food is kept in.`);
	if (!isIn(lotUnits, unit)) return wrong('unit', `"${unit ?? ''}" is none of ${lotUnits.join(', ')}.`);
	const amount = numberOf(cells.amount);
	if (!(Number.isInteger(amount) && amount > 0)) return wrong('amount', 'Must be a whole number above 0.');
	const unitG = numberOf(cells.grams_each);
	if (!(unitG > 0) || unitG * amount > 1_000_000)
		return wrong('grams_each', 'Must be above 0, and all of it a tonne at the most.');
	const contentUnit = unit === 'pack' ? cells.content_unit : undefined;
	const content = unit === 'pack' ? numberOf(cells.content) : null;
	if (unit === 'pack' && (!isIn(contentUnits, contentUnit) || !(content !== null && content >= 1)))
		return wrong('content', 'A pack says what is in it: content, and content_unit dg, ml or piece.');
	const kind = cells.kind === undefined ? undefined : kindById(food.id, cells.kind);
	if (cells.kind !== undefined && !kind) return wrong('kind', `"${cells.kind}" is no kind of ${food.name}.`);
	const condition = cells.condition ?? 'firm';
	if (!isIn(conditions, condition)) return wrong('condition', `"${condition}" is none of ${conditions.join(', ')}.`);
	const { was } = cells;
	if (was !== undefined && !isIn(states, was)) return wrong('was', `"${was}" is no state that food is kept in.`);
	const madeOf = cells.made_of === undefined ? undefined : readParts(cells.made_of);
	if (madeOf === null || (madeOf && governing(madeOf).row.id !== food.id))
		return wrong('made_of', 'These parts are no mixture of this food.');
	const thing: Thing = {
		food,
		...(kind ? { kind } : {}),
		called: cells.title ?? food.name,
		form,
		state,
		condition,
		...(was === undefined ? {} : { was }),
		...(madeOf ? { madeOf } : {}),
		...(cells.wild === 'true' ? { wild: true } : {}),
		...(cells.identified === undefined ? {} : { identified: cells.identified === 'true' }),
		// A jar's process is somebody's word: without one nobody said it.
		...((state === 'canned' || state === 'pickled') && food.acid.class !== 'high'
			? { process: cells.process === 'tested' || jars === 'tested' ? ('tested' as const) : ('unknown' as const) }
			: {})
	};
	const counted: Counted = {
		unit,
		content,
		contentUnit: isIn(contentUnits, contentUnit) ? contentUnit : null,
		unitG
	};
	return {
		line: cells.title ?? food.name,
		read: { kind: 'understood', thing, counted, amount, note: '', because: '' }
	};
}
