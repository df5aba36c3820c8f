import { notFound } from '$lib/server/errors';
import { paperResponse } from '$lib/server/labels/respond';
import { canningPaper } from '$lib/server/out/papers';
import { line, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** The canning record of a batch of jars. 200 PDF, 404 no batch, or none of jars. */
export const GET: RequestHandler = ({ locals, params }) =>
	endpoint(async () => {
		const batch = await locals.stores.batches.byCode(parse(line(12).required(), params.code) as string);
		const { canning } = batch.closing;
		if (!canning) throw notFound('canning record');
		const { household } = locals;
		return paperResponse(canningPaper(batch, canning, household), `canning-${batch.code}`, household.units);
	});
