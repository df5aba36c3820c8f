import Joi from 'joi';
import { redirect, type RequestEvent } from '@sveltejs/kit';
import { dateIn } from '$core/freezing/keep';
import { AppError } from '$lib/server/errors';
import { date, key, line, parse } from '$lib/server/parse';
import { readReceipt } from '$lib/server/receipt';
import { action, deviceOf, page } from '$lib/server/respond';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	page(() =>
		Promise.resolve({
			title: 'A receipt',
			today: dateIn(locals.household.zone, locals.now.getTime()),
			currency: locals.household.currency
		})
	);

async function take(event: RequestEvent) {
	const kept = await action(event, async (fields) => {
		const { stores, household, now } = event.locals;
		const v = parse(
			Joi.object<{ shop?: string; on: string; total?: string; lines: string; key: string }>({
				shop: line(60).allow('').label('The shop'),
				on: date().required().label('The day'),
				total: line(20).label('What was paid in all'),
				lines: Joi.string()
					.max(4000)
					.pattern(/^[\P{Cc}\n\r\t]*$/u)
					.required()
					.label('The lines')
					.messages({
						'any.required': 'Type what was bought, a line for each: 5 kg beef stew meat',
						'string.pattern.base': 'The lines have characters that cannot be kept'
					}),
				key: key()
			}),
			fields
		);
		if (v.on > dateIn(household.zone, now.getTime()))
			throw new AppError(400, 'BAD_INPUT', 'That day lies ahead. Nothing was saved.', [
				{ field: 'on', message: 'Today or before.' }
			]);
		const { lines, totalMinor } = await readReceipt(stores, household, now, {
			text: v.lines.replaceAll('\r', ''),
			on: v.on,
			...(v.total === undefined ? {} : { total: v.total })
		});
		const head = { shop: v.shop ?? '', boughtOn: v.on, totalMinor, currency: household.currency };
		const { key: once, ...body } = v;
		return stores.stock.takeIn({ key: once, body }, { ...head, lines }, deviceOf(event));
	});
	if ('groupId' in kept) redirect(303, '/basket');
	return kept;
}

export const actions: Actions = {
	take: (event) => take(event)
};
