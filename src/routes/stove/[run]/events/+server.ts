import Joi from 'joi';
import { json } from '@sveltejs/kit';
import type { Field } from '$core/runs/engine/event';
import { allFields } from '$core/runs/kinds/fields';
import type { RunEvent } from '$core/runs/kinds';
import { AppError } from '$lib/server/errors';
import { id, line, parse, readJson } from '$lib/server/parse';
import { deviceOf, endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

const stamp = {
	id: id().required().label('The tap’s id'),
	at: Joi.number().integer().min(0).max(8.64e15).required().label('Its time'),
	device: Joi.string()
		.pattern(/^[\w-]{1,40}$/)
		.invalid('__proto__', 'before')
		.label('The device'),
	n: Joi.number().integer().min(0).max(8.64e15).label('The device’s running number'),
	sure: Joi.boolean().valid(true).label('That it is sure')
};
/** Of an end: what its device had seen of the others. */
const seen = Joi.object()
	.pattern(/^[\w-]{1,40}$/, Joi.number().integer().min(0).max(8.64e15))
	.max(50)
	.label('What was seen');

/** A field as its kind describes it. */
function joiOf(field: Field): Joi.Schema {
	const schema = ((): Joi.Schema => {
		switch (field.as) {
			case 'whole':
				return Joi.number().integer().min(field.min).max(field.max);
			case 'word':
				return Joi.string().valid(...field.of);
			case 'line':
				return field.empty ? line(field.max).allow('') : line(field.max);
			case 'yes-no':
				return Joi.boolean();
			case 'id':
				return field.orNull ? id().allow(null) : id();
			case 'list':
				return Joi.array().items(joiOf(field.of)).min(1).max(field.most);
		}
	})().label(field.label);
	return field.needed ? schema.required() : schema;
}

const eventSchema = Joi.alternatives()
	.conditional('.type', {
		switch: Object.entries(allFields).map(([type, fields]) => ({
			is: type,
			then: Joi.object({
				...stamp,
				type: Joi.string().valid(type).required(),
				...Object.fromEntries(Object.entries(fields).map(([name, field]) => [name, joiOf(field)])),
				...(type === 'finish' || type === 'stop' ? { seen } : {})
			})
		})),
		otherwise: Joi.object({
			type: Joi.string()
				.valid(...Object.keys(allFields))
				.required()
				.label('The kind of tap')
		}).unknown()
	})
	.required();

const mostTaps = 100;
const bodySchema = Joi.object<{ events: RunEvent[]; sent?: number }>({
	events: Joi.array().items(eventSchema).min(1).max(mostTaps).required().label('Taps'),
	sent: Joi.number().integer().min(0).max(8.64e15).label('The device’s own time')
});

/** Counted before they are looked at: a list beyond it is not checked one by one. @throws {AppError} 413 */
function bounded(body: unknown): unknown {
	const events = (body as { events?: unknown } | null)?.events;
	if (Array.isArray(events) && events.length > mostTaps)
		throw new AppError(413, 'TOO_MUCH', `At most ${mostTaps} taps at once. Nothing was saved; send them in parts.`);
	return body;
}

/**
 * Appends taps to a run. 200 with the whole run, and those taps that could not be kept; 400 malformed (faults named),
 * 404, 409, 413, 422 where none could.
 */
export const POST: RequestHandler = (request) =>
	endpoint(async () => {
		const runId = parse(id().required().label('The run'), request.params.run) as string;
		const { events, sent } = parse(bodySchema, bounded(await readJson(request.request)));
		return json(await request.locals.stores.runs.append(runId, events, deviceOf(request), sent));
	});

/** Taps that arrived after a number, for a second device. 200, 400, 404. */
export const GET: RequestHandler = ({ locals, params, url }) =>
	endpoint(async () => {
		const runId = parse(id().required().label('The run'), params.run) as string;
		const { after } = parse(
			Joi.object<{ after: number }>({ after: Joi.number().integer().min(0).required().label('After') }),
			Object.fromEntries(url.searchParams)
		);
		return json(await locals.stores.runs.since(runId, after), { headers: { 'cache-control': 'no-store' } });
	});
