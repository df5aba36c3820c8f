import type { RequestEvent } from '@sveltejs/kit';
import Joi from 'joi';
import type { Units } from '$core/quantities/format';
import { editWeight } from '$core/quantities/parse-weight';
import type { ByHand, Panel, WaysView } from '$lib/ui/ways/view';
import { id, key, line, parse, weightWithin } from '../parse';
import { deviceOf } from '../respond';
import type { Stores } from '../stores';
import { byHand } from './do';

/** A line to begin with, as the shelves read it, and the places that it may stand in; what really came of it is typed over it. */
export async function handOf(stores: Stores, lot: WaysView['lot'], panel: Panel, units: Units): Promise<ByHand> {
	const places = await stores.home.places();
	const [, product] = panel.slug.split(':');
	const { count, unit } = panel.figure;
	const text =
		product !== undefined
			? `${count || '?'} ${unit.replace(/^in /, '')} ${lot.name}, canned`
			: panel.slug === 'dry'
				? `${count} × 1 quart jars dried ${lot.name}`
				: `${count} × ${panel.each_g ? editWeight(panel.each_g, units) : '500 g'} ${lot.name}, frozen`;
	return {
		text,
		grams: editWeight(panel.part_g, units),
		jars: product !== undefined,
		places: places.map((p) => ({ id: p.id, name: p.name }))
	};
}

/** What came of a lot without the Stove, as its form says it. @throws {AppError} 400, 404, 409, 422 */
export async function handed(event: RequestEvent, lotId: string, fields: Record<string, string>) {
	const v = parse(
		Joi.object<{ text: string; placeId?: string; grams: number; tested?: 'yes'; lot?: string; key: string }>({
			lot: id(),
			tested: Joi.string().valid('yes').label('Whether its process was done in full'),
			text: line(200).required().label('What came of it'),
			placeId: id().label('The place'),
			grams: weightWithin(1, 1_000_000).required().label('How much of it went into this'),
			key: key()
		}),
		fields
	);
	const { stores, household, now } = event.locals;
	const { key: once, tested, lot: _lot, ...rest } = v;
	const asked = { lotId, ...rest, tested: tested === 'yes' };
	const done = await byHand(stores, once, household, asked, { now, by: deviceOf(event) });
	return { done: { groupId: done.groupId, words: done.words } };
}
