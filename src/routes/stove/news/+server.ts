import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

const most = 20;
const asked = Joi.string()
	.allow('')
	.max(most * 60)
	.pattern(/^([0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}:\d{1,15}(,|$))*$/i)
	.label('What is followed');

/** The clocks of all open runs, and of the runs that a page follows what came after a number. 200, 400. */
export const GET: RequestHandler = ({ locals, url }) =>
	endpoint(async () => {
		const text = parse(asked, url.searchParams.get('runs') ?? '') as string | undefined;
		const asks = (text ?? '')
			.split(',')
			.filter(Boolean)
			.slice(0, most)
			.map((one) => one.split(':'))
			.map(([id = '', seq]) => ({ id, seq: Number(seq) }));
		const { runs } = locals.stores;
		const [heads, news] = await Promise.all([runs.heads(), runs.news(asks)]);
		return json({ now: locals.now.getTime(), heads, runs: news }, { headers: { 'cache-control': 'no-store' } });
	});
