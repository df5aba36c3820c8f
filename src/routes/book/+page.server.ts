import Joi from 'joi';
import { line, parse } from '$lib/server/parse';
import { page } from '$lib/server/respond';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, url }) =>
	page(async () => {
		const { before, q } = parse(
			Joi.object<{ before?: string; q?: string }>({
				before: Joi.string()
					.pattern(/^\d{4}-\d{2}-\d{2}$/)
					.label('The date')
					.messages({ 'string.pattern.base': '{{#label}} must be like 2026-08-25' }),
				q: line(60).allow('').label('The search')
			}),
			Object.fromEntries(url.searchParams)
		);
		const most = 40;
		const rows = await locals.stores.batches.list({ ...(before ? { before } : {}), ...(q ? { search: q } : {}), most });
		return {
			title: 'Book',
			q: q ?? '',
			before: before ?? '',
			more: rows.length === most ? (rows.at(-1)?.packedOn ?? null) : null,
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
