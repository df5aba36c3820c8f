import { bulkOf } from '$core/foods/cuts';
import { apartNames, type ApartSlug, type ApartWay, type StoreRoom } from '$core/haul/apart';
import { bestPlace, storable } from '$core/runs/kinds/store/make';
import { fermentRowOf } from '$core/runs/kinds/ferment/make';
import { foodById } from '$core/things/names';
import type { Thing } from '$core/things/thing';
import { usualCrock } from '../ferment';
import { storePlanOf, storesOf, type StoreGround } from '../store-away';
import type { StandIn } from '$core/storing/stand-in';
import type { LotRead } from './read';

/** Ways of a lot that are begun on a page of their own, by what may be at all. */
export const apartSlugsOf = (thing: Thing): ApartSlug[] => [
	...(storable(thing) ? (['store'] as const) : []),
	...(fermentRowOf(thing) ? (['crock'] as const) : [])
];

/** A haul goes into no fridge and is no store on the counter. */
const isRoomy = ({ kind }: StandIn): boolean => kind !== 'fridge' && kind !== 'counter';

/** The same worked out for all of a lot: what this household's stores and its crock make of it; what is refused is not among them. */
export function apartWays(read: LotRead, ground: StoreGround, rooms: readonly StoreRoom[], now: Date): ApartWay[] {
	const { thing, place: stands, whole_g } = read;
	const slugs = apartSlugsOf(thing);
	const best = slugs.includes('store') ? bestPlace(thing, storesOf(ground.all).filter(isRoomy)) : undefined;
	const stored =
		best && best.id !== stands.id
			? storePlanOf(read, ground, { place: best, raw_g: whole_g, cured: false, now })
			: null;
	const crock = slugs.includes('crock') ? usualCrock(read, ground.all) : null;
	const salted = crock?.subjects[0];
	return [
		...(best && stored && stored.kind !== 'refused'
			? [
					{
						slug: 'store' as const,
						name: `${apartNames.store}: ${best.name}`,
						hands_s: stored.hands_s,
						keeps_days: stored.keeps_days[0],
						room: rooms.some((r) => r.place === best.id)
							? { place: best.id, litres: whole_g / 1000 / bulkOf(thing.food, read.lot.form) }
							: null,
						jars: 0
					}
				]
			: []),
		...(salted
			? [
					{
						slug: 'crock' as const,
						name: apartNames.crock,
						hands_s: salted.expected.hands_s,
						keeps_days: salted.days[0] + salted.cold_weeks[0] * 7,
						room: null,
						jars: Math.max(1, Math.ceil(salted.load_g / salted.portion_g))
					}
				]
			: [])
	];
}

/** What stores have free whose litres were said: what stands there loose takes its bulk, packs are not among it. */
export function roomsOf({ all, rows }: StoreGround): StoreRoom[] {
	return storesOf(all).flatMap(({ id, name }) => {
		const litres = all.find((p) => p.id === id)?.litres;
		if (litres === null || litres === undefined) return [];
		const taken = rows
			.filter((r) => r.placeId === id && r.state === 'fresh')
			.reduce((sum, r) => {
				const food = foodById(r.food);
				return food ? sum + (r.amount * r.unitG) / 1000 / bulkOf(food, '') : sum;
			}, 0);
		return [{ place: id, name, free_L: Math.max(0, litres - taken) }];
	});
}
