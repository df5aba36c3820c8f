import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { understandAnswer } from '$lib/server/api/understand';
import { open, parseQuery } from '$lib/server/api/answer';
import { line } from '$lib/server/parse';
import type { RequestHandler } from './$types';

const schema = Joi.object<{ line: string; cups?: 'us' | 'metric' }>({
	line: line(200).required().label('line'),
	cups: Joi.string().valid('us', 'metric').label('cups')
});

/** How a line is read, without a household's own measures. 200 the reading, whatever it is; 400 malformed. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const { line: text, cups } = parseQuery(schema, url);
		return json(understandAnswer(text, cups ?? 'us'));
	});
