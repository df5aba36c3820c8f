import { redirect } from '@sveltejs/kit';
import { asAppError } from '$lib/server/errors';
import type { RequestHandler } from './$types';

/** What a label's code opens: its batch, or the run it is still coming from. */
export const GET: RequestHandler = async ({ locals, params }) => {
	const code = params.code.slice(0, 12);
	try {
		const batch = await locals.stores.batches.byCode(code);
		const open = batch.voidedAt && batch.runId ? batch.runId : null;
		redirect(303, open ? `/stove/${open}` : `/book/${batch.code}`);
	} catch (thrown) {
		if (asAppError(thrown)?.status !== 404) throw thrown;
	}
	const runId = await locals.stores.runs.idOfCode(code);
	redirect(303, runId ? `/stove/${runId}` : `/book/${encodeURIComponent(code)}`);
};
