import Joi from 'joi';
import { date, id, line, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const {
			before,
			id: at,
			q
		} = parse(
			Joi.object<{ before?: string; id?: string; q?: string }>({
				before: date().label('The date'),
				id: id().label('The entry'),
				q: line(60).allow('').label('The search')
			}),
			Object.fromEntries(url.searchParams)
		);
		const most = 40;
		const rows = await locals.stores.batches.list({
			...(before ? { before: { on: before, ...(at ? { id: at } : {}) } } : {}),
			...(q ? { search: q } : {}),
			most
		});
		return {
			title: 'Book',
			q: q ?? '',
			before: before ?? '',
			more: rows.length === most ? { before: rows.at(-1)?.packedOn ?? '', id: rows.at(-1)?.id ?? '' } : null,
			rows: rows.map((r) => ({
				id: r.id,
				code: r.code,
				title: r.title,
				way: r.way,
				packedOn: r.packedOn,
				left: r.left,
				raw_g: r.closing.raw_g,
				packed_g: r.closing.packed_g,
				packs: r.closing.packs,
				yield: r.closing.yield
			}))
		};
	});
