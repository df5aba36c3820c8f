import { csvTables } from '$lib/server/out/csv';
import { examples } from '$lib/server/out/examples';
import { notFound } from '$lib/server/errors';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

/** One table, RFC 4180. */
export const GET: RequestHandler = ({ locals, params }) =>
	endpoint(async () => {
		const table = csvTables.find((t) => t === params.table);
		const example = Object.hasOwn(examples, params.table) ? examples[params.table] : undefined;
		if (!table && example === undefined) throw notFound('table');
		return new Response(table ? await locals.stores.out.csv(table) : example, {
			headers: {
				'content-type': 'text/csv; charset=utf-8; header=present',
				'content-disposition': `attachment; filename="${params.table}.csv"`,
				'cache-control': 'no-store'
			}
		});
	});
