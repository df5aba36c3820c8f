import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { printerOf } from '$lib/server/instruments/printer';
import { labelResponse } from '$lib/server/labels/respond';
import { id, line, parse, readJson } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

const jobOf = (params: { job?: string }) => parse(id().required().label('The sheet'), params.job) as string;

/** The sheet itself. 200 PDF, 401, 403, 404. */
export const GET: RequestHandler = ({ locals, params }) =>
	endpoint(async () => {
		const { stores, printer } = printerOf(locals);
		const { label, count, paper } = await stores.printers.job(printer.id, jobOf(params));
		return labelResponse(label, count, paper === 'letter' ? 'us' : 'metric');
	});

/** What became of it: {"state": "printed"} or {"state": "failed", "fault": "no paper"}. 200, 400, 401, 403, 404. */
export const POST: RequestHandler = ({ locals, params, request }) =>
	endpoint(async () => {
		const { stores, printer } = printerOf(locals);
		const said = parse(
			Joi.object<{ state: 'printed' | 'failed'; fault?: string }>({
				state: Joi.string().valid('printed', 'failed').required().label('What became of it'),
				fault: line(80).allow('').label('What is wrong')
			}),
			await readJson(request)
		);
		await stores.printers.done(printer.id, jobOf(params), said.state, said.fault ?? '');
		return json({});
	});
