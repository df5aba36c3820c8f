import type { Units } from '$core/quantities/format';
import { editWeight } from '$core/quantities/parse-weight';
import type { ByHand, Panel, WaysView } from '$lib/ui/ways/view';
import type { Stores } from '../stores';

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
