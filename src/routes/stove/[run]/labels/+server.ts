import Joi from 'joi';
import { dateIn, keepsUntil } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { sayWeight } from '$core/quantities/format';
import { kindOf } from '$core/runs/kinds';
import { notFound } from '$lib/server/errors';
import { labelResponse, sendLabels } from '$lib/server/labels/respond';
import { id, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

type Asked = Pick<Parameters<RequestHandler>[0], 'locals' | 'params' | 'url'>;

/** What stands on the labels of the packs of a run, before they are filled; and how many. @throws {AppError} 400, 404 */
async function labelsOf({ locals, params, url }: Asked) {
	const runId = parse(id().required().label('The run'), params.run) as string;
	const run = await locals.stores.runs.get(runId);
	const outputs = kindOf(run.plan).outputs(run.plan);
	const { of } = parse(
		Joi.object<{ of: number }>({
			of: Joi.number().integer().min(1).max(outputs.length).default(1).label('Which food of the run')
		}).unknown(),
		Object.fromEntries(url.searchParams)
	);
	const output = outputs.find((o) => o.n === of);
	const code = run.codes[of - 1];
	if (!output || !code) throw notFound('food of this run');
	const usual = Math.max(1, Math.ceil(output.prepared_g / output.portion_g));
	const { count, grams } = parse(
		Joi.object<{ of?: number; count: number; grams: number }>({
			of: Joi.any(),
			count: Joi.number().integer().min(1).max(480).default(Math.min(480, usual)).label('The number of labels'),
			grams: Joi.number().integer().min(1).max(50_000).default(output.portion_g).label('The weight of a pack')
		}),
		Object.fromEntries(url.searchParams)
	);
	const packed = dateIn(locals.household.zone, locals.now.getTime());
	const label = {
		title: output.title,
		amount:
			output.portionWords && grams === output.portion_g
				? output.portionWords
				: sayWeight(grams, locals.household.units),
		packed: sayDate(packed),
		useFirst: sayDate(keepsUntil(packed, output.keeps)),
		use: output.use,
		code,
		url: `${url.origin}/b/${code}`
	};
	return { label, count };
}

/** Labels for the packs of a run. 200 PDF, 400, 404. */
export const GET: RequestHandler = (event) =>
	endpoint(async () => {
		const { label, count } = await labelsOf(event);
		return labelResponse(label, count, event.locals.household.units);
	});

/** The same to a printer: its id and a key of the sending. 200, 400, 404, 409. */
export const POST: RequestHandler = (event) => endpoint(async () => sendLabels(event, await labelsOf(event)));
