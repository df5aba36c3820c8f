import Joi from 'joi';
import { sayDate } from '$core/quantities/dates';
import { sayContent } from '$core/stock/amount';
import { labelResponse, sendLabels } from '$lib/server/labels/respond';
import { line, parse } from '$lib/server/parse';
import { endpoint } from '$lib/server/respond';
import type { RequestHandler } from './$types';

type Asked = Pick<Parameters<RequestHandler>[0], 'locals' | 'params' | 'url'>;

/** What stands on the labels of what is left of a batch; and how many. @throws {AppError} 400, 404 */
async function labelsOf({ locals, params, url }: Asked) {
	const batch = await locals.stores.batches.byCode(parse(line(12).required(), params.code) as string);
	const { lots } = await locals.stores.stock.ofBatch(batch.id);
	const left = lots.reduce((sum, l) => sum + (l.unit === 'pack' ? l.amount : 0), 0);
	const { count } = parse(
		Joi.object<{ count: number }>({
			count: Joi.number()
				.integer()
				.min(1)
				.max(480)
				.default(Math.min(480, Math.max(1, left)))
				.label('The number of labels')
		}),
		Object.fromEntries(url.searchParams)
	);
	const label = {
		title: batch.title,
		amount: lots[0] ? sayContent(lots[0], locals.household.units) : '',
		packed: sayDate(batch.packedOn),
		useFirst: sayDate(batch.keepsUntil),
		use: batch.useWords,
		code: batch.code,
		url: `${url.origin}/b/${batch.code}`
	};
	return { label, count };
}

/** Labels for what is left of a batch. 200 PDF, 400, 404. */
export const GET: RequestHandler = (event) =>
	endpoint(async () => {
		const { label, count } = await labelsOf(event);
		return labelResponse(label, count, event.locals.household.units);
	});

/** The same to a printer: its id and a key of the sending. 200, 400, 404, 409. */
export const POST: RequestHandler = (event) => endpoint(async () => sendLabels(event, await labelsOf(event)));
