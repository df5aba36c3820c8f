import { sayDuration, sayRange, sayTemperature, sayWeight } from '$core/quantities/format';
import { bestPlace, planStore } from '$core/runs/kinds/store/make';
import { wantWords } from '$core/runs/kinds/store/words';
import type { StorePlan } from '$core/runs/kinds/store/plan';
import type { StandIn } from '$core/storing/stand-in';
import { foodById } from '$core/things/names';
import type { Refusal } from '$core/errors';
import type { Begin } from '$lib/ui/run/types';
import type { Stores } from './stores';
import { staysAfter } from './things';
import type { PlaceRow } from './stores/households';
import { amountOf, readLot, type LotRead } from './ways/read';

export interface StoreAsk {
	readonly lot: string;
	readonly place?: string | undefined;
	readonly cured?: 'yes' | 'no' | undefined;
	readonly grams?: number | undefined;
}

/** Where something may be stored alive, the best first. */
const standing = ['cellar', 'cool', 'pantry', 'counter', 'fridge', 'ground'] as const;

/** Places of a household to store in, the best kinds first. */
export const storesOf = (all: readonly PlaceRow[]): StandIn[] =>
	all
		.filter((p) => standing.some((k) => k === p.kind))
		.sort((a, b) => standing.indexOf(a.kind as 'cool') - standing.indexOf(b.kind as 'cool'))
		.map((p) => ({ id: p.id, name: p.name, kind: p.kind, C: p.tempC }));

export interface StoreGround {
	readonly all: readonly PlaceRow[];
	readonly rows: Awaited<ReturnType<Stores['stock']['standing']>>;
}

/** So much of a lot into one place, with what stands there and where else it could go. */
export function storePlanOf(
	read: LotRead,
	{ all, rows }: StoreGround,
	{ place, raw_g, cured, now }: { place: StandIn; raw_g: number; cured: boolean; now: Date }
): StorePlan | Refusal {
	const { lot, thing, kitchen } = read;
	const aside = all.find((p) => p.kind === 'fridge') ?? all.find((p) => p.kind === 'counter');
	const there = rows
		.filter((r) => r.placeId === place.id && !r.waiting && r.state === 'fresh')
		.flatMap((r) => (foodById(r.food) ? [{ food: r.food, name: r.title.toLowerCase() }] : []));
	return planStore(
		{
			thing,
			called: lot.title,
			lotId: lot.id,
			raw_g,
			before: staysAfter(lot, read.place, now),
			place,
			places: storesOf(all),
			there,
			aside: aside ? { id: aside.id, name: aside.name } : null,
			cured
		},
		kitchen
	);
}

/**
 * A lot into its store: which place, what it has and what the food wants, what stands there that must not lie beside it.
 *
 * @throws {AppError} 404
 */
export async function storeFor(
	stores: Stores,
	ask: StoreAsk,
	now: Date
): Promise<{ view: Begin; plan: StorePlan | null }> {
	const [read, all, rows] = await Promise.all([
		readLot(stores, ask.lot, now),
		stores.home.places(),
		stores.stock.standing()
	]);
	const { thing, kitchen, lot } = read;
	const { units } = kitchen;
	const places = storesOf(all);
	const place = places.find((p) => p.id === ask.place) ?? bestPlace(thing, places) ?? places[0];
	const base: Begin = {
		name: lot.title,
		amount: sayWeight(read.whole_g, units),
		selects: [
			{
				name: 'place',
				label: 'into',
				value: place?.id ?? '',
				options: places.map((p) => ({ value: p.id, words: `${p.name}, ${sayTemperature(p.C, units)}` }))
			},
			{
				name: 'cured',
				label: 'cured already',
				value: ask.cured ?? 'no',
				options: [
					{ value: 'no', words: 'not yet' },
					{ value: 'yes', words: 'yes, or not wanted' }
				]
			}
		],
		gets: null,
		cautions: [],
		source: '',
		stop: read.stop
			? `${read.stop.reason} ${read.stop.instead.join('; ')}.`
			: read.free_g === 0
				? 'All of it is at the Stove already.'
				: place
					? ''
					: 'There is no place in the Kitchen to store in: a cellar, a cool room, a garden row.'
	};
	if (base.stop !== '' || !place) return { view: base, plan: null };
	const raw_g = amountOf(read, ask.grams);
	const plan = storePlanOf(read, { all, rows }, { place, raw_g, cured: ask.cured === 'yes', now });
	if (plan.kind === 'refused')
		return {
			view: {
				...base,
				stop: `${plan.reason} ${plan.rule === 'cellar-temperature' ? 'Better: ' : ''}${plan.instead.join('; ')}.`
			},
			plan: null
		};
	return {
		plan,
		view: {
			...base,
			gets: {
				packs: sayRange([plan.keeps_days[0] / 7, plan.keeps_days[1] / 7]),
				each: `weeks in ${place.name}`,
				lines: [
					['it has', sayTemperature(place.C, units)],
					['they want', wantWords(plan)],
					...(plan.cure ? [['first cured', `${sayRange(plan.cure.days)} days, ${plan.cure.where}`] as const] : []),
					['then', plan.how],
					['looked over', 'every two weeks; a soft one is eaten next'],
					['your hands', sayDuration(plan.hands_s)]
				]
			},
			cautions: plan.cautions,
			source: plan.source
		}
	};
}
