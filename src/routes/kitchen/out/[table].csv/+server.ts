import { csvTables } from '$lib/server/out/csv';
import { notFound } from '$lib/server/errors';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** One table, RFC 4180. */
export const GET: RequestHandler = ({ locals, params }) =>
	endpoint(async () => {
		const table = csvTables.find((t) => t === params.table);
		if (!table) throw notFound('table');
		return new Response(await locals.stores.out.csv(table), {
			headers: {
				'content-type': 'text/csv; charset=utf-8; header=present',
				'content-disposition': `attachment; filename="${table}.csv"`,
				'cache-control': 'no-store'
			}
		});
	});
