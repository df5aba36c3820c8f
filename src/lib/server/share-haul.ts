import { createHash } from 'node:crypto';
import { yearly, type HaulInput, type LotOfHaul } from '$core/haul/from-ways';
import type { StoreRoom } from '$core/haul/apart';
import { shareLeft } from '$core/foods/share';
import { yearRaw_kg, type Want } from '$core/stock/wants';
import type { HaulView } from '$lib/ui/haul/view';
import type { Share } from '$core/ways/shares';
import { dateIn } from '$core/freezing/keep';
import { AppError } from './errors';
import type { Stores } from './stores';
import type { PlannedLot } from './stores/choices';
import { lotThing } from './things';
import type { StoreGround } from './store-away';
import { apartWays, roomsOf } from './ways/apart';
import { slugsOf } from './ways/do';
import { lookStanding, type Look } from './ways/look';
import { readHouse } from './ways/read';
import { named } from './ways/rows';

/** A household's basket in a season's worst week; beyond it the most urgent are shared out. */
const mostLots = 40;
/** Nothing of it is kept by being eaten soon: dried, frozen and the like are no haul. */
const asItIs: ReadonlySet<string> = new Set(['fresh', 'prepared', 'cooked', 'thawed']);

/** All that stands in the Basket and is not at the stove, with its ways, as the haul's programme reads it. */
export async function haulView(stores: Stores, now: Date): Promise<HaulView> {
	const [basket, house, ground] = await Promise.all([stores.stock.basket(), readHouse(stores), readGround(stores)]);
	const free = basket
		.filter((l) => l.grams > (house.reserved.get(l.lot.id) ?? 0))
		.map((l) => ({ ...l, clock: lotThing(l.lot, l.place, now).clock }))
		.sort((a, b) => a.clock.bestBy - b.clock.bestBy);
	const lots: LotOfHaul[] = [];
	const apart: HaulView['apart'][number][] = [];
	const shares: Record<string, readonly Share[]> = {};
	const wants: HaulView['wants'][number][] = [];
	for (const standing of free.slice(0, mostLots)) {
		const { lot } = standing;
		const look = await lookStanding(stores, standing, house, { fields: {} }, now);
		if (look.stop) apart.push({ id: lot.id, name: lot.title, why: look.stop.reason });
		else {
			const one = lotOf(look, ground, now);
			lots.push(one);
			const { food } = look.thing;
			if (!wants.some((w) => w.food === food.id))
				wants.push({
					food: food.id,
					name: food.name,
					perWeek: ground.wants.get(food.id)?.perWeek ?? null,
					year_kg: yearly(one, house.kitchen),
					have_kg: one.have_kg
				});
		}
		if (look.shares.length > 0) shares[lot.id] = look.shares;
	}
	return {
		lots,
		apart,
		kitchen: house.kitchen,
		rooms: ground.rooms,
		wants,
		shares,
		more: Math.max(0, free.length - mostLots)
	};
}

/** What the Basket holds, in one short word that is another as soon as anything in it is. */
export async function basketStamp(stores: Stores): Promise<string> {
	const [lots, reserved] = await Promise.all([stores.stock.basket(), stores.runs.reserved()]);
	const words = lots.map((l) => `${l.lot.id} ${l.grams} ${reserved.get(l.lot.id) ?? 0}`).sort();
	return createHash('sha256').update(words.join('\n')).digest('base64url').slice(0, 16);
}

/** What stands on the shelves already, kg by food. */
export function keptOf(shelf: Awaited<ReturnType<Stores['stock']['standing']>>): Map<string, number> {
	const kept = new Map<string, number>();
	for (const s of shelf) if (!s.waiting) kept.set(s.food, (kept.get(s.food) ?? 0) + (s.amount * s.unitG) / 1000);
	return kept;
}

/** What a lot of the haul is set beside: what stands on the shelves and in the stores, what went, what is wanted. */
export interface Ground extends StoreGround {
	readonly rooms: readonly StoreRoom[];
	readonly kept_kg: ReadonlyMap<string, number>;
	readonly gone_kg: ReadonlyMap<string, number>;
	readonly wants: ReadonlyMap<string, Want>;
}
export async function readGround(stores: Stores): Promise<Ground> {
	const [all, rows, gone_kg, wants] = await Promise.all([
		stores.home.places(),
		stores.stock.standing(),
		stores.past.goneInYear(),
		stores.wants.all()
	]);
	return { all, rows, rooms: roomsOf({ all, rows }), kept_kg: keptOf(rows), gone_kg, wants };
}

export function lotOf(look: Look, ground: Ground, now: Date): HaulInput['lots'][number] {
	const { thing } = look;
	const [cut] = thing.food.cuts;
	// What stands in packs was peeled and stoned: as it came in it was more.
	const left = cut ? shareLeft(thing, cut) : 1;
	const raw = (kg: number | undefined) => (kg ?? 0) / left;
	const want = ground.wants.get(thing.food.id);
	return {
		id: look.lot.id,
		name: look.lot.title,
		grams: look.free_g,
		seenAt: now.getTime(),
		bestBy: look.clock.bestBy,
		goneBy: look.clock.goneBy,
		eaten: asItIs.has(thing.state),
		have_kg: raw(ground.kept_kg.get(thing.food.id)),
		used_kg: raw(ground.gone_kg.get(thing.food.id)),
		want_kg: want ? yearRaw_kg(want, left) : null,
		ways: named(look).flatMap(({ slug, name, row }) => (row.kind === 'way' ? [{ slug, name, way: row }] : [])),
		apart: apartWays({ ...look, whole_g: look.free_g }, ground, ground.rooms, now)
	};
}

/** A lot of a plan as the page sends it: days are counted from today, 0. */
export interface TakenLot {
	readonly lot: string;
	readonly shares: readonly {
		readonly way: string;
		readonly grams: number;
		readonly days: readonly { readonly day: number; readonly grams: number }[];
	}[];
}

/**
 * Takes a shared-out haul as the plan: each lot's kilos stand shared between its ways with the days on which they are worked,
 * each way's Start takes its part.
 *
 * @throws {AppError} 400 a lot or a way that is none; 404
 */
export async function takePlan(
	stores: Stores,
	key: string,
	plan: readonly TakenLot[],
	{ now, zone }: { readonly now: Date; readonly zone: string }
): Promise<void> {
	const house = await readHouse(stores);
	const known = await Promise.all(
		plan.map(async ({ lot, shares }): Promise<PlannedLot> => {
			const look = await lookStanding(stores, await stores.stock.rawLot(lot), house, { fields: {} }, now);
			const slugs = slugsOf(look);
			if (shares.some((s) => !slugs.includes(s.way)))
				throw new AppError(400, 'UNKNOWN_WAY', 'One of the parts goes no way that its item has. Nothing was changed.');
			const onDay = (day: number) => dateIn(zone, now.getTime() + day * 86_400_000);
			return {
				lot,
				shares: shares.map(({ way, grams, days }) => ({
					way,
					grams,
					planned: days.map((d) => ({ on: onDay(d.day), grams: d.grams }))
				}))
			};
		})
	);
	await stores.choices.shareAll(key, known);
}
