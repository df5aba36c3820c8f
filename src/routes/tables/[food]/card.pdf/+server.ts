import { kindById } from '$core/things/names';
import { paperResponse } from '$lib/server/labels/respond';
import { foodPaper } from '$lib/server/out/papers';
import { endpoint } from '$lib/server/respond';
import { tableThing } from '$lib/server/tables';
import type { RequestHandler } from './$types';

/** A food's card for the wall; `kind` for one with limits of its own. 200 PDF, 404. */
export const GET: RequestHandler = ({ locals, params, url }) =>
	endpoint(async () => {
		const { stores, household } = locals;
		const named = tableThing(params.food);
		const kind = kindById(named.food.id, url.searchParams.get('kind'));
		const thing = kind ? { ...named, kind, called: kind.name } : named;
		return paperResponse(await foodPaper(stores, household, thing), `card-${named.food.id}`, household.units);
	});
