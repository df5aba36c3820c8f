import type { Thing } from '$core/things/thing';
import { freezeWays, type Ways } from '$core/ways/freeze-ways';
import { withOwnHands, type OwnHands } from '$core/forecast/own-hands';
import { withOwnYields, type OwnYield } from '$core/forecast/own-yields';
import type { DriedBefore } from '$core/ways/dry-ways';
import type { Kitchen } from '$core/ways/kitchen';
import { editWeight } from '$core/quantities/parse-weight';
import { AppError } from '../errors';
import { stopOf } from '../stop';
import type { Stores } from '../stores';
import { lotThing } from '../things';
import { choicesOf, type PortionHome, type WayQuery } from './query';

/** A lot of the basket with all that its ways are worked out from. */
export interface LotRead {
	readonly lot: Awaited<ReturnType<Stores['stock']['rawLot']>>['lot'];
	readonly place: Awaited<ReturnType<Stores['stock']['rawLot']>>['place'];
	readonly thing: Thing;
	readonly clock: ReturnType<typeof lotThing>['clock'];
	readonly stop: ReturnType<typeof stopOf>;
	readonly kitchen: Kitchen;
	readonly home: PortionHome;
	/** What it weighs, what of it is not at the stove, and for how much the ways are worked out, g. */
	readonly grams: number;
	readonly free_g: number;
	readonly whole_g: number;
	/** Of the place it stands in, within what food can be, °C. */
	readonly food_C: number;
	/** What trays of this food took before. */
	readonly dried: readonly DriedBefore[];
	/** What this household keeps of it by its own batches, by cut: reckoned with in place of the table. */
	readonly own: readonly OwnYield[];
	/** What its hands take of it at the knife, as it said of batches, by cut. */
	readonly hands: readonly OwnHands[];
}

/** What the ways of every lot are worked out with: read once, however many lots are looked at. */
export interface HouseRead {
	readonly kitchen: Kitchen;
	readonly home: PortionHome;
	/** At the stove already, g by lot. */
	readonly reserved: ReadonlyMap<string, number>;
}
export async function readHouse(stores: Stores): Promise<HouseRead> {
	const [kitchen, reserved, recipes, metricCups] = await Promise.all([
		stores.home.kitchen(),
		stores.runs.reserved(),
		stores.home.recipePortions(),
		stores.home.metricCups()
	]);
	return { kitchen, reserved, home: { recipes, metricCups } };
}

/** A lot as it stands, with what it weighs and where. */
export type LotStanding = Pick<Awaited<ReturnType<Stores['stock']['rawLot']>>, 'lot' | 'grams' | 'place'>;

/** @throws {AppError} 404 */
export async function readLot(stores: Stores, lotId: string, now: Date): Promise<LotRead> {
	const [standing, house] = await Promise.all([stores.stock.rawLot(lotId), readHouse(stores)]);
	return readStanding(stores, standing, house, now);
}

/** The same of a lot and a house that were read already; the lot may be one that is only offered. */
export async function readStanding(
	stores: Stores,
	{ lot, grams, place }: LotStanding,
	{ kitchen, home, reserved }: HouseRead,
	now: Date
): Promise<LotRead> {
	const [dried, kept, worked] = await Promise.all([
		stores.batches.dryings(lot.food),
		stores.past.keptFrozen(lot.food),
		stores.past.handsSaid(lot.food)
	]);
	const { thing: read, clock, reread } = lotThing(lot, place, now);
	const { food: yields, own } = withOwnYields(read.food, read.form, kept);
	const { food, hands } = withOwnHands(yields, worked);
	const thing = { ...read, food };
	const free_g = Math.max(0, grams - (reserved.get(lot.id) ?? 0));
	return {
		lot,
		place,
		thing,
		clock,
		stop: stopOf(thing, reread),
		kitchen,
		home,
		grams,
		free_g,
		// A lot that is all at the stove is shown whole, without a start.
		whole_g: free_g > 0 ? free_g : Math.max(1, grams),
		food_C: Math.min(30, Math.max(1, place.tempC)),
		dried,
		own,
		hands
	};
}

/** So much of it, as it was asked for: no more than is free. @throws {AppError} 400 NOT_ENOUGH */
export function amountOf({ free_g, whole_g, kitchen }: LotRead, asked_g: number | undefined): number {
	if (asked_g === undefined) return whole_g;
	// What reads the same as all of it is all of it: shown in pounds it may be rounded up.
	const shownAs = (grams: number) => editWeight(grams, kitchen.units);
	if (asked_g > free_g && shownAs(asked_g) === shownAs(free_g)) return whole_g;
	if (asked_g > free_g && free_g > 0)
		throw new AppError(400, 'NOT_ENOUGH', `Only ${free_g} g of it are free. Nothing was changed.`, [
			{ field: 'grams', message: `At most ${free_g} g.` }
		]);
	return free_g > 0 ? asked_g : whole_g;
}

/** The ways of freezing a lot with one cut. @throws {AppError} 400, 404 */
export async function waysFor(stores: Stores, lotId: string, query: WayQuery, now: Date) {
	const read = await readLot(stores, lotId, now);
	const { words, ...choices } = choicesOf(query, read.thing, read.home);
	const shown_g = amountOf(read, query.grams);
	const ways: Ways = freezeWays({
		thing: read.thing,
		grams: shown_g,
		food_C: read.food_C,
		kitchen: read.kitchen,
		choices,
		now: now.getTime()
	});
	return { ...read, food: read.thing.food, shown_g, ways, portionWords: words };
}
