import Joi from 'joi';
import { dateIn, monthsAfter } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { sayWeight } from '$core/quantities/format';
import { labelResponse } from '$lib/server/labels/respond';
import { id, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** Labels for the packs of a run, before they are filled. 200 PDF, 400, 404. */
export const GET: RequestHandler = ({ locals, params, url }) =>
	endpoint(async () => {
		const runId = parse(id().required().label('The run'), params.run) as string;
		const run = await locals.stores.runs.get(runId);
		const usual = Math.max(1, Math.ceil(run.plan.prepared_g / run.plan.portion_g));
		const { count, grams } = parse(
			Joi.object<{ count: number; grams: number }>({
				count: Joi.number().integer().min(1).max(480).default(Math.min(480, usual)).label('The number of labels'),
				grams: Joi.number().integer().min(1).max(50_000).default(run.plan.portion_g).label('The weight of a pack')
			}),
			Object.fromEntries(url.searchParams)
		);
		const packed = dateIn(locals.household.zone, locals.now.getTime());
		return labelResponse(
			{
				title: `${run.plan.food.name}, ${run.plan.cut.name}`,
				amount:
					run.plan.portionWords && grams === run.plan.portion_g
						? run.plan.portionWords
						: sayWeight(grams, locals.household.units),
				packed: sayDate(packed),
				useFirst: sayDate(monthsAfter(packed, run.plan.months[1])),
				use: run.plan.use,
				code: run.code,
				url: `${url.origin}/b/${run.code}`
			},
			count,
			locals.household.units
		);
	});
