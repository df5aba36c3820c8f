import { endpoint } from '$lib/server/respond';
import { printerOf } from '$lib/server/instruments/printer';
import type { RequestHandler } from './$types';

/** Sheets that wait for this printer, the oldest first: JSON lines of id, title, count and paper. 200, 401, 403. */
export const GET: RequestHandler = ({ locals }) =>
	endpoint(async () => {
		const { stores, printer } = printerOf(locals);
		const jobs = await stores.printers.waiting(printer.id);
		const lines = jobs.map(({ id, label, count, paper }) => JSON.stringify({ id, title: label.title, count, paper }));
		return new Response(lines.map((l) => `${l}\n`).join(''), {
			headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' }
		});
	});
