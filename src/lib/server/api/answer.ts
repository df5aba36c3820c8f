import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { foodById } from '$core/things/names';
import type { Thing } from '$core/things/thing';
import { nearNames, understand } from '$core/things/understand';
import type { Asks, Refusal } from '$core/errors';
import { asAppError, AppError } from '../errors';
import { line, parse } from '../parse';

/** A refusal as every endpoint says it: 422. */
export interface RefusedBody {
	readonly refused: true;
	readonly reason: string;
	readonly source: string;
	readonly instead: readonly string[];
}

/** A question as every endpoint asks it: 300, with what to say instead. */
export interface AskedBody {
	readonly asked: true;
	readonly question: string;
	readonly choices: readonly { readonly label: string; readonly text: string }[];
}
export const askedAnswer = ({ question, choices }: Asks): Response => {
	const body: AskedBody = { asked: true, question, choices };
	return json(body, { status: 300 });
};

/** A refusal, or the question that would open the way. */
export const refusedAnswer = (refusal: Refusal): Response => {
	if (refusal.asks) return askedAnswer(refusal.asks);
	const body: RefusedBody = {
		refused: true,
		reason: refusal.reason,
		source: refusal.source,
		instead: refusal.instead
	};
	return json(body, { status: 422 });
};

/** A name that leads to another answer than the one that was asked for: a question, or a refusal. */
class Answered extends Error {
	constructor(readonly response: Response) {
		super('answered otherwise');
	}
}

/** Runs an endpoint of the open interface: an error of ours in the one shape; a misuse of the core by the query is 400. */
export function open(work: () => Response): Response {
	try {
		return work();
	} catch (thrown) {
		if (thrown instanceof Answered) return thrown.response;
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

/** Whether an expert has seen what grows wild: unsaid is asked. */
export const identifiedParam = () => Joi.string().valid('yes', 'no').label('identified');

/**
 * The door for names: one thing, with its state. A name that means several is asked, one that is refused says why.
 *
 * @throws {AppError} 404 with near names
 */
export function thingNamed(text: string, identified?: 'yes' | 'no'): Thing {
	const named = understand(text);
	switch (named.kind) {
		case 'thing':
			return { ...named.thing, ...(identified ? { identified: identified === 'yes' } : {}) };
		case 'asked':
			throw new Answered(askedAnswer(named));
		case 'refused':
			throw new Answered(refusedAnswer(named.refusal));
		case 'unknown':
			if (named.asked) throw new Answered(askedAnswer(named.asked));
			throw unknownFood(text);
	}
}

/** A food by its id, or by a name. For what is about the food itself: its numbers, not a way of it. */
export const foodNamed = (text: string): Thing => {
	const own = foodById(text);
	return own ? { ...thingNamed(own.name), identified: true } : { ...thingNamed(text), identified: true };
};

export function unknownFood(text: string): AppError {
	const near = nearNames(text, 5).map((n) => n.food.id);
	const hint = near.length > 0 ? ` Near it: ${near.join(', ')}.` : ' GET /api/v1/foods lists what is known.';
	return new AppError(404, 'UNKNOWN_FOOD', `No food named "${text}" is known.${hint}`, [], near);
}
