import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { findFood, nearFoods } from '$core/foods/find-food';
import type { Refusal } from '$core/errors';
import type { FoodRow } from '$reference/tables';
import { asAppError, AppError } from '../errors';
import { line, parse } from '../parse';

/** A refusal as every endpoint says it: 422. */
export interface RefusedBody {
	readonly refused: true;
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
}

export const refusedAnswer = (refusal: Refusal): Response => {
	const body: RefusedBody = {
		refused: true,
		reason: refusal.reason,
		source: refusal.source,
		instead: refusal.instead
	};
	return json(body, { status: 422 });
};

/** Runs an endpoint of the open interface: an error of ours in the one shape; a misuse of the core by the query is 400. */
export function open(work: () => Response): Response {
	try {
		return work();
	} catch (thrown) {
		const known = asAppError(thrown);
		if (!known) throw thrown;
		return json(known.body, { status: known.status === 422 ? 400 : known.status });
	}
}

/** The query as an object; a name given twice stays a list, and is a fault. An empty value counts as not given. */
export function queryOf(url: URL): Record<string, string | string[]> {
	const query: Record<string, string | string[]> = {};
	for (const name of new Set(url.searchParams.keys())) {
		const values = url.searchParams.getAll(name).filter((v) => v.trim() !== '');
		const [only] = values;
		if (values.length > 1) query[name] = values;
		else if (only !== undefined) query[name] = only;
	}
	return query;
}

/** Checks a query; every fault is named. @throws {AppError} 400 */
export const parseQuery = <T>(schema: Joi.Schema<T>, url: URL): T => parse(schema, queryOf(url), '');

export const foodParam = () => line(80).required().label('food');
/** A plain number within bounds; `1e3`, `,5` and words are faults that show how it is written. */
export const numberParam = (name: string, unit: string, low: number, high: number, example: string) =>
	Joi.string()
		.custom((value: string, helpers) => {
			const number = /^-?\d+(\.\d+)?$/.test(value.trim()) ? Number(value) : Number.NaN;
			return number >= low && number <= high
				? number
				: helpers.message({
						custom: `{{#label}} must be a number of ${unit} from ${low} to ${high}, such as ${example}`
					});
		})
		.label(name);

/** Metres above the sea, as they are: the tables' columns are looked up with them unrounded. */
export const altitudeParam = () => numberParam('altitude_m', 'metres', -430, 9000, '380');

/** @throws {AppError} 404 with near names */
export function foodNamed(text: string): FoodRow {
	const food = findFood(text);
	if (food) return food;
	throw unknownFood(text);
}

export function unknownFood(text: string): AppError {
	const near = nearFoods(text, 5).map((f) => f.id);
	const hint = near.length > 0 ? ` Near it: ${near.join(', ')}.` : ' GET /api/v1/foods lists what is known.';
	return new AppError(404, 'UNKNOWN_FOOD', `No food named "${text}" is known.${hint}`, [], near);
}
