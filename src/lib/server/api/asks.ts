import Joi from 'joi';
import { foodParam, numberParam } from './answer';
import { line } from '../parse';

/** One parameter of a query, said once: the check and the description are both made from it. */
export interface Ask {
	readonly words: string;
	readonly kind: 'number' | 'choice' | 'text' | 'yes-no' | 'food' | 'pairs';
	readonly unit?: string;
	readonly low?: number;
	readonly high?: number;
	readonly example?: string;
	readonly values?: readonly string[];
	readonly fallback?: number | string | boolean;
	readonly required?: boolean;
}
export type Asks = Readonly<Record<string, Ask>>;

type Said<A extends Ask> = A['kind'] extends 'number'
	? number
	: A['kind'] extends 'yes-no'
		? boolean
		: A['kind'] extends 'pairs'
			? readonly (readonly [number, number])[]
			: A extends { readonly values: readonly (infer V)[] }
				? V
				: string;
type Sure<A extends Ask> = A extends { readonly required: true } | { readonly fallback: number | string | boolean }
	? true
	: false;
/** What a query says, by its asks: what is required or has a fallback is there. */
export type Query<T extends Asks> = {
	readonly [K in keyof T as Sure<T[K]> extends true ? K : never]: Said<T[K]>;
} & { readonly [K in keyof T as Sure<T[K]> extends true ? never : K]?: Said<T[K]> };

export const num = <const M extends Partial<Ask> = object>(
	words: string, unit: string, low: number, high: number, example: number, more?: M
) => ({ words, kind: 'number', unit, low, high, example: String(example), ...(more as M) }) as const; // prettier-ignore
export const choice = <const V extends readonly string[], const M extends Partial<Ask> = object>(
	words: string, values: V, more?: M
) => ({ words, kind: 'choice', values, ...(more as M) }) as const; // prettier-ignore
export const word = <const M extends Partial<Ask> = object>(words: string, more?: M) =>
	({ words, kind: 'text', ...(more as M) }) as const;
export const yesNo = (words: string) => ({ words, kind: 'yes-no', fallback: false }) as const;
export const food = { words: 'A food, by its id or another name.', kind: 'food', required: true } as const;
/** "1200:140,2400:125": times with what was read at each. */
export const pairs = (words: string, example: string) => ({ words, kind: 'pairs', example }) as const;

/** A list of pairs of numbers; every one finite. */
function readPairs(value: string, helpers: Joi.CustomHelpers<string>) {
	const list = value.split(',').map((pair) => pair.split(':').map((n) => (/^\d+(\.\d+)?$/.test(n.trim()) ? Number(n) : Number.NaN)));
	const good = list.length <= 50 && list.every((pair) => pair.length === 2 && pair.every(Number.isFinite));
	return good
		? list
		: helpers.message({ custom: '{{#label}} must be pairs of numbers such as 1200:140,2400:125, at most 50' });
} // prettier-ignore

function joiOf(name: string, ask: Ask): Joi.Schema {
	const plain = () => {
		switch (ask.kind) {
			case 'food':
				return foodParam();
			case 'number':
				return numberParam(name, ask.unit ?? '', ask.low ?? 0, ask.high ?? 0, ask.example ?? '1');
			case 'choice':
				return Joi.string()
					.valid(...(ask.values ?? []))
					.label(name);
			case 'yes-no':
				return Joi.boolean().label(name);
			case 'text':
				return line(120).label(name);
			case 'pairs':
				return Joi.string().max(2000).custom(readPairs).label(name);
		}
	};
	const schema = plain();
	return ask.required ? schema.required() : ask.fallback === undefined ? schema : schema.default(ask.fallback);
}

export const schemaOf = <T extends Asks>(asks: T): Joi.ObjectSchema<Query<T>> =>
	Joi.object<Query<T>>(
		Object.fromEntries(Object.entries(asks).map(([name, ask]) => [name, joiOf(name, ask)])) as Joi.PartialSchemaMap<
			Query<T>
		>
	);

const typeOf = (ask: Ask): object => {
	switch (ask.kind) {
		case 'number':
			return { type: 'number', minimum: ask.low, maximum: ask.high };
		case 'choice':
			return { enum: ask.values };
		case 'yes-no':
			return { type: 'boolean' };
		case 'pairs':
			return { type: 'string', pattern: '^[0-9.]+:[0-9.]+(,[0-9.]+:[0-9.]+)*$' };
		default:
			return { type: 'string', minLength: 1 };
	}
};

/** The parameters as OpenAPI has them. */
export const parametersOf = (asks: Asks) =>
	Object.entries(asks).map(([name, ask]) => ({
		name,
		in: 'query',
		description: `${ask.words}${ask.unit ? ` In ${ask.unit}.` : ''}`,
		required: ask.required === true,
		schema: { ...typeOf(ask), ...(ask.fallback === undefined ? {} : { default: ask.fallback }) },
		...(ask.example === undefined ? {} : { example: ask.kind === 'number' ? Number(ask.example) : ask.example })
	}));
