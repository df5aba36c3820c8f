import Joi from 'joi';
import { date, decimalWithin, id, key, line, parse, weightWithin } from '$lib/server/parse';
import { readMoney } from '$core/quantities/money';
import { AppError } from '$lib/server/errors';
import { pastOf } from '$lib/server/past-batch';
import { action, page } from '$lib/server/respond';
import { echoOfShelf, readShelf, shelfPlace, standingOf } from '$lib/server/shelf-line';
import type { Actions, PageServerLoad } from './$types';

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
				raw_g: r.rawG,
				packed_g: r.packedG,
				packs: r.packsMade,
				yield: r.yieldMass,
				byHand: r.madeBy === 'hand'
			}))
		};
	});

export const actions: Actions = {
	/** A batch that is past: what came of it, in the grammar of the Shelves, and what went in. */
	add: (event) =>
		action(event, async (fields) => {
			const { key: once, ...v } = parse(
				Joi.object<{ text: string; raw?: number; hours?: number; paid?: string; key: string }>({
					text: line(200).required().label('What came of it'),
					raw: weightWithin(1, 1_000_000).label('What went in'),
					hours: decimalWithin(0, 200).label('Hours of hands'),
					paid: line(20).label('What was paid'),
					key: key()
				}),
				fields
			);
			const { stores, household, now } = event.locals;
			const read = await readShelf(stores, v.text, household, now);
			const { reading } = read;
			if (reading.kind !== 'understood') {
				const { words } = echoOfShelf(read, household, now);
				throw new AppError(400, 'NOT_UNDERSTOOD', `${words} Nothing was saved; your line is still there.`, [
					{ field: 'text', message: words }
				]);
			}
			const { standing } = standingOf(reading, shelfPlace(reading, read.places), v.text, household, now);
			const paidMinor = v.paid === undefined ? null : readMoney(v.paid, household.currency);
			if (paidMinor === undefined)
				throw new AppError(400, 'BAD_INPUT', `"${v.paid}" is no amount of ${household.currency}. Nothing was saved.`, [
					{ field: 'paid', message: 'Write it like 4.20.' }
				]);
			const { code } = await stores.batches.addPast(
				{ key: once, body: v },
				pastOf(standing, {
					raw_g: v.raw ?? 0,
					hands_s: Math.round(Number(v.hours ?? 0) * 3600),
					paidMinor,
					currency: household.currency
				})
			);
			return { saved: `Entry ${code}` };
		})
};
