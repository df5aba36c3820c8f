import Joi from 'joi';
import type { Units } from '$core/quantities/format';
import { editMeasure, fieldUnit, parseMeasure, type MeasureKind } from '$core/quantities/parse-measure';
import { parseWeight } from '$core/quantities/parse-weight';
import { isWellFormed } from './door';
import { AppError } from './errors';

/** Limits of what is looked at at all: a request beyond them is nobody's. */
const mostFaults = 20;
const mostFields = 100;
const mostItems = 1_000;

/**
 * Checks what came in against a schema; every fault is named at once.
 *
 * @throws {AppError} 400 BAD_INPUT
 */
export function parse<T>(schema: Joi.Schema<T>, input: unknown, after = 'Nothing was saved.'): T {
	const { value, error } = schema.validate(input, { abortEarly: false, stripUnknown: false, convert: true });
	if (!error) return value as T;
	const faults = error.details
		.slice(0, mostFaults)
		.map((d) => ({ field: d.path.join('.'), message: plain(d.message) }));
	const more = error.details.length - faults.length;
	throw new AppError(
		400,
		'BAD_INPUT',
		`${faults.map((f) => f.message).join(' ')}${more > 0 ? ` And ${more} more.` : ''} ${after}`.trim(),
		faults
	);
}

function plain(message: string): string {
	const text = message.replaceAll('"', '').replace(/^\w/, (c) => c.toUpperCase());
	return text.endsWith('.') ? text : `${text}.`;
}

/** Form fields as an object; a field left empty counts as not given. @throws {AppError} 400, 413 */
export async function formOf(request: Request): Promise<Record<string, string>> {
	let data: FormData;
	try {
		data = await request.formData();
	} catch (thrown) {
		throw (
			tooLarge(thrown) ?? new AppError(400, 'NOT_A_FORM', 'The form arrived garbled. Nothing was saved; send it again.')
		);
	}
	const fields = new Map<string, string>();
	for (const [name, value] of data) {
		if (typeof value !== 'string' || value.trim() === '') continue;
		if (fields.size >= mostFields)
			throw new AppError(413, 'TOO_MUCH', `The form has more than ${mostFields} fields. Nothing was saved.`);
		fields.set(name, value);
	}
	return Object.fromEntries(fields);
}

/** @throws {AppError} 400 a character that no column can hold */
export function checkCharacters(fields: Record<string, string>): void {
	const bad = Object.entries(fields).filter(
		([name, value]) => !isWellFormed(name + value) || `${name}${value}`.includes('\0')
	);
	if (bad.length > 0)
		throw new AppError(
			400,
			'BAD_INPUT',
			'The form has characters that cannot be kept. Nothing was saved.',
			bad.slice(0, mostFaults).map(([field]) => ({ field, message: 'Has characters that cannot be kept.' }))
		);
}

/** @throws {AppError} 400 when the body is not JSON, 413 when it is more than anybody means */
export async function readJson(request: Request): Promise<unknown> {
	let text: string;
	try {
		text = await request.text();
	} catch (thrown) {
		throw tooLarge(thrown) ?? new AppError(400, 'NOT_JSON', 'The request could not be read. Nothing was saved.');
	}
	let items = 0;
	try {
		const value: unknown = JSON.parse(text, (name, one: unknown) => {
			// Counted while it is read: no schema ever sees what is beyond all measure.
			if (++items > mostItems * 20)
				throw new AppError(413, 'TOO_MUCH', 'The request has more parts than anybody means. Nothing was saved.');
			if (Array.isArray(one) && one.length > mostItems)
				throw new AppError(413, 'TOO_MUCH', `The request has a list of more than ${mostItems}. Nothing was saved.`);
			if (!isWellFormed(name) || (typeof one === 'string' && (one.includes('\0') || !isWellFormed(one))))
				throw new AppError(400, 'BAD_INPUT', 'The request has characters that cannot be kept. Nothing was saved.');
			return one;
		});
		return value;
	} catch (thrown) {
		if (thrown instanceof AppError) throw thrown;
		throw new AppError(400, 'NOT_JSON', 'The request is not JSON. Nothing was saved.');
	}
}

const tooLarge = (thrown: unknown): AppError | undefined =>
	(thrown as { status?: number } | null)?.status === 413
		? new AppError(413, 'TOO_MUCH', 'That is more than a form or a tap can be (64 kB). Nothing was saved.')
		: undefined;

/** A number as a person writes it, decimal comma too. */
export const decimal = () =>
	Joi.alternatives()
		.try(Joi.number(), Joi.string().max(30))
		.custom((value: unknown, helpers) => {
			const text = String(value).trim();
			const number = /^[-−]?\d+([.,]\d+)?$/.test(text) ? Number(text.replace(',', '.').replace('−', '-')) : Number.NaN;
			return Number.isFinite(number) ? number : helpers.message({ custom: '{{#label}} must be a number such as 2.5' });
		});

/** A decimal within a closed range. */
export const decimalWithin = (low: number, high: number) =>
	decimal().custom((number: number, helpers) =>
		number >= low && number <= high ? number : helpers.message({ custom: `{{#label}} must be from ${low} to ${high}` })
	);

/** A measure as a person writes it, a bare number being in the household's unit; within a closed range of °C, L, kg, m² or m. */
export const measureWithin = (kind: MeasureKind, units: Units, low: number, high: number) =>
	Joi.alternatives()
		.try(Joi.number(), Joi.string().max(40))
		.custom((value: unknown, helpers) => {
			const number = parseMeasure(String(value), kind, units);
			const unit = fieldUnit[kind][units];
			if (number === undefined)
				return helpers.message({
					custom: `{{#label}} must be a number in ${unit}, such as ${editMeasure((low + high) / 2, kind, units)}`
				});
			if (!(number >= low && number <= high)) {
				return helpers.message({
					custom: `{{#label}} must be from ${editMeasure(low, kind, units)} to ${editMeasure(high, kind, units)} ${unit}`
				});
			}
			return number;
		});

/** A weight as a person writes it, "500 g", "3 lb 4 oz", a bare number being grams; within a closed range of grams. */
export const weightWithin = (low_g: number, high_g: number) =>
	Joi.alternatives()
		.try(Joi.number(), Joi.string().max(40))
		.custom((value: unknown, helpers) => {
			const grams = parseWeight(String(value));
			if (grams === undefined)
				return helpers.message({ custom: '{{#label}} must be a weight such as 500 g or 3 lb 4 oz' });
			if (grams < low_g || grams > high_g)
				return helpers.message({
					custom: `{{#label}} must be from ${low_g} to ${high_g} g; say its unit, such as 500 g or 1 lb`
				});
			return grams;
		});

/**
 * A weight that was left as the form showed it is the exact one: shown in ounces it may be rounded up above what there is.
 * The marks `shown` and `exact` go.
 */
export function asShown(fields: Record<string, string>, name: string): Record<string, string> {
	const { shown, exact, ...rest } = fields;
	return shown !== undefined && exact !== undefined && rest[name]?.trim() === shown.trim()
		? { ...rest, [name]: `${exact} g` }
		: rest;
}

export const id = () => Joi.string().uuid().messages({ 'string.guid': '{{#label}} is not an id' });
/** Ids with commas between them, at most two hundred. */
export const ids = () =>
	Joi.string()
		.max(200 * 37)
		.pattern(/^[0-9a-f-]{36}(,[0-9a-f-]{36})*$/i)
		.messages({ 'string.pattern.base': '{{#label}} is no list of ids' });
export const key = () => id().required().label('The form’s key');
/** A calendar date that there is: 2026-02-30 is none. */
export const date = () =>
	Joi.string()
		.pattern(/^\d{4}-\d{2}-\d{2}$/)
		.custom((text: string, helpers) => {
			const day = new Date(`${text}T00:00:00Z`);
			return Number.isNaN(day.getTime()) || day.toISOString().slice(0, 10) !== text
				? helpers.error('string.pattern.base')
				: text;
		})
		.messages({ 'string.pattern.base': '{{#label}} must be a day such as 2026-08-25' });
/** One line of text: no control characters. */
export const line = (most: number) =>
	Joi.string()
		.trim()
		.max(most)
		.pattern(/^\P{Cc}*$/u)
		.messages({ 'string.pattern.base': '{{#label}} has characters that cannot be kept' });
