import Joi from 'joi';
import { json } from '@sveltejs/kit';
import type { RunEvent } from '$core/runs/events';
import { AppError } from '$lib/server/errors';
import { id, line, parse, readJson } from '$lib/server/parse';
import { deviceOf, endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

const base = {
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
const potful = Joi.number().integer().min(1).max(5000).required().label('The potful');
const event = (type: string, fields: Joi.SchemaMap = {}) =>
	Joi.object({ ...base, type: Joi.string().valid(type).required(), ...fields });

const eventSchema = Joi.alternatives()
	.conditional('.type', {
		switch: [
			{ is: 'heat-on', then: event('heat-on') },
			{ is: 'boiling', then: event('boiling') },
			{
				is: 'weigh',
				then: event('weigh', {
					grams: Joi.number().integer().min(1).max(1_000_000).required().label('The weight in grams')
				})
			},
			{
				is: 'move',
				then: event('move', {
					potful,
					to: Joi.string().valid('return', 'blanch', 'chill', 'drain', 'freeze', 'firm', 'supper').required()
				})
			},
			{
				is: 'resize',
				then: event('resize', {
					potful_g: Joi.number().integer().min(20).max(100_000).required().label('The potful in grams')
				})
			},
			{ is: 'hold', then: event('hold', { on: Joi.boolean().required() }) },
			{ is: 'note', then: event('note', { text: line(500).required().label('The note') }) },
			{
				is: 'pack',
				then: event('pack', {
					packs: Joi.number().integer().min(1).max(2000).required().label('The number of packs'),
					pack_g: Joi.number().integer().min(1).max(50_000).required().label('The weight of a pack in grams'),
					containerId: id().allow(null).required().label('The container'),
					placeId: id().required().label('The freezer')
				})
			},
			{ is: 'finish', then: event('finish', { seen }) },
			{ is: 'stop', then: event('stop', { seen, reason: line(300).allow('').required().label('The reason') }) },
			{ is: 'undo', then: event('undo', { target: id().required().label('The step') }) }
		],
		otherwise: Joi.object({
			type: Joi.string()
				.valid('heat-on', 'boiling', 'weigh', 'move', 'resize', 'hold', 'note', 'pack', 'finish', 'stop', 'undo')
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
