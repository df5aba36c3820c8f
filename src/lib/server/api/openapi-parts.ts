/** Pieces of which the description of the open interface is put together. */

export const text = { type: 'string', minLength: 1 } as const;
export const texts = { type: 'array', items: text } as const;
export const number = { type: 'number' } as const;
export const pair = { type: 'array', items: number, minItems: 2, maxItems: 2 } as const;
export const confidence = { enum: ['read', 'from memory', 'practice'] } as const;
export const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` }) as const;

/** An object with these properties and no others; those named in `optional` may be missing. */
export const object = <P extends Record<string, object>>(
	properties: P,
	optional: readonly (keyof P & string)[] = []
) => ({
	type: 'object',
	properties,
	required: Object.keys(properties).filter((name) => !optional.includes(name)),
	additionalProperties: false
});
export const list = (items: object, more: object = {}) => ({ type: 'array', items, ...more });
export const orNull = (schema: object) => ({ anyOf: [schema, { type: 'null' }] });
export const sourced = { source: text, confidence };

export const answer = (description: string, schema: string) => ({
	description,
	content: { 'application/json': { schema: ref(schema) } }
});
export const malformed = answer('The query is malformed; every fault is named.', 'Error');
export const unknown = answer('No such food; near names are offered.', 'Error');
export const refused = answer('Not advised: the reason, whose word it is, and what to do instead.', 'Refusal');

export const asked = answer(
	'Asked: the name means several things, or one answer is missing. Each choice is what to say instead.',
	'Asked'
);

export const parameter = (name: string, description: string, schema: object, required = false, where = 'query') => ({
	name,
	in: where,
	description,
	required,
	schema
});
export const identifiedParameter = parameter(
	'identified',
	'What grows wild: whether someone who knows it for certain has seen it. Without it the question is asked.',
	{ enum: ['yes', 'no'] }
);
export const foodParameter = parameter('food', 'A food or tested product, by its id or any other name.', text, true);
