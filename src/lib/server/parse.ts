import Joi from 'joi';
import type { Units } from '$core/quantities/format';
import { editMeasure, fieldUnit, parseMeasure, type MeasureKind } from '$core/quantities/parse-measure';
import { parseWeight } from '$core/quantities/parse-weight';
import { AppError } from './errors';

/**
 * Checks what came in against a schema; every fault is named at once.
 *
 * @throws {AppError} 400 BAD_INPUT
 */
export function parse<T>(schema: Joi.Schema<T>, input: unknown, after = 'Nothing was saved.'): T {
	const { value, error } = schema.validate(input, { abortEarly: false, stripUnknown: false, convert: true });
	if (!error) return value as T;
	const faults = error.details.map((d) => ({ field: d.path.join('.'), message: plain(d.message) }));
	throw new AppError(400, 'BAD_INPUT', `${faults.map((f) => f.message).join(' ')} ${after}`.trim(), faults);
}

function plain(message: string): string {
	const text = message.replaceAll('"', '').replace(/^\w/, (c) => c.toUpperCase());
	return text.endsWith('.') ? text : `${text}.`;
}

/** Form fields as an object; a field left empty counts as not given. */
export async function formOf(request: Request): Promise<Record<string, string>> {
	const data = await request.formData();
	const fields: Record<string, string> = {};
	for (const [name, value] of data) {
		if (typeof value === 'string' && value.trim() !== '') fields[name] = value;
	}
	return fields;
}

/** @throws {AppError} 400 when the body is not JSON */
export async function readJson(request: Request): Promise<unknown> {
	try {
		return await request.json();
	} catch {
		throw new AppError(400, 'NOT_JSON', 'The request is not JSON. Nothing was saved.');
	}
}

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

/** A measure as a person writes it, a bare number being in the household's unit; within a closed range of °C, L, kg or m². */
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

export const id = () => Joi.string().uuid().messages({ 'string.guid': '{{#label}} is not an id' });
export const key = () => id().required().label('The form’s key');
/** One line of text: no control characters. */
export const line = (most: number) =>
	Joi.string()
		.trim()
		.max(most)
		.pattern(/^\P{Cc}*$/u)
		.messages({ 'string.pattern.base': '{{#label}} has characters that cannot be kept' });
