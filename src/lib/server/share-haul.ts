import type { HaulInput, LotOfHaul } from '$core/haul/from-ways';
import type { HaulView } from '$lib/ui/haul/view';
import type { Share } from '$core/ways/shares';
import { AppError } from './errors';
import type { Stores } from './stores';
import { lotThing } from './things';
import { slugsOf } from './ways/do';
import { lookAt, lookStanding, type Look } from './ways/look';
import { readHouse } from './ways/read';
import { named } from './ways/rows';

/** A household's basket in a season's worst week; beyond it the most urgent are shared out. */
const mostLots = 40;
/** Nothing of it is kept by being eaten soon: dried, frozen and the like are no haul. */
const asItIs: ReadonlySet<string> = new Set(['fresh', 'prepared', 'cooked', 'thawed']);

/** All that stands in the Basket and is not at the stove, with its ways, as the haul's programme reads it. */
export async function haulView(stores: Stores, now: Date): Promise<HaulView> {
	const [basket, house, shelf] = await Promise.all([stores.stock.basket(), readHouse(stores), stores.stock.standing()]);
	const kept_kg = keptOf(shelf);
	const free = basket
		.filter((l) => l.grams > (house.reserved.get(l.lot.id) ?? 0))
		.map((l) => ({ ...l, clock: lotThing(l.lot, l.place, now).clock }))
		.sort((a, b) => a.clock.bestBy - b.clock.bestBy);
	const lots: LotOfHaul[] = [];
	const apart: HaulView['apart'][number][] = [];
	const shares: Record<string, readonly Share[]> = {};
	for (const standing of free.slice(0, mostLots)) {
		const { lot } = standing;
		const look = await lookStanding(stores, standing, house, { fields: {} }, now);
		if (look.stop) apart.push({ id: lot.id, name: lot.title, why: look.stop.reason });
		else lots.push(lotOf(look, kept_kg.get(look.thing.food.id) ?? 0));
		if (look.shares.length > 0) shares[lot.id] = look.shares;
	}
	return { lots, apart, kitchen: house.kitchen, shares, more: Math.max(0, free.length - mostLots) };
}

/** What stands on the shelves already, kg by food. */
export function keptOf(shelf: Awaited<ReturnType<Stores['stock']['standing']>>): Map<string, number> {
	const kept = new Map<string, number>();
	for (const s of shelf) if (!s.waiting) kept.set(s.food, (kept.get(s.food) ?? 0) + (s.amount * s.unitG) / 1000);
	return kept;
}

export const lotOf = (look: Look, have_kg: number): HaulInput['lots'][number] => ({
	id: look.lot.id,
	name: look.lot.title,
	grams: look.free_g,
	bestBy: look.clock.bestBy,
	goneBy: look.clock.goneBy,
	eaten: asItIs.has(look.thing.state),
	have_kg,
	ways: named(look).flatMap(({ slug, name, row }) => (row.kind === 'way' ? [{ slug, name, way: row }] : []))
});

/**
 * Takes a shared-out haul as the plan: each lot's kilos stand shared between its ways, each way's Start takes its part.
 *
 * @throws {AppError} 400 a lot or a way that is none; 404
 */
export async function takePlan(
	stores: Stores,
	key: string,
	plan: readonly { readonly lot: string; readonly shares: readonly Share[] }[],
	now: Date
): Promise<void> {
	const known = await Promise.all(
		plan.map(async ({ lot, shares }) => {
			const slugs = slugsOf(await lookAt(stores, lot, { fields: {} }, now));
			if (shares.some((s) => !slugs.includes(s.way)))
				throw new AppError(400, 'UNKNOWN_WAY', 'One of the parts goes no way that its item has. Nothing was changed.');
			return { lot, shares };
		})
	);
	await stores.choices.shareAll(key, known);
}
