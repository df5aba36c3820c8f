import { foodById } from '$core/things/names';
import { helpingsDay, larderOf, meal_g, type FoodLasts, type Larder, type LarderLot } from '$core/forecast/larder';
import { sayAs } from '$core/quantities/dates';
import { sayCount, sayWeight } from '$core/quantities/format';
import type { LastsRow, LastsView } from '$lib/ui/lasts/types';
import type { Stores } from './stores';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { StandingRow } from './stores/stock/reads';

const day_ms = 86_400_000;

/** What stands on the shelves as its forecast wants it; what waits in the Basket is none of it. */
export const larderLots = (rows: readonly StandingRow[], places: readonly PlaceRow[]): LarderLot[] =>
	rows.flatMap((r) => {
		const food = foodById(r.food);
		if (!food || r.waiting) return [];
		const kind = places.find((p) => p.id === r.placeId)?.kind;
		return [
			{
				food: food.id,
				group: food.group,
				state: r.state,
				powered: kind === 'freezer' || kind === 'fridge',
				packs: r.unit === 'pack' ? r.amount : null,
				grams: r.amount * r.unitG
			}
		];
	});

const hour_ms = 3_600_000;

/** What is left of every food, and how long it lasts; by the hour, since it is told in weeks. */
export function larder(stores: Stores, household: HouseholdRow, now: Date): Promise<Larder> {
	const hour = Math.floor(now.getTime() / hour_ms);
	return stores.keep(`larder ${hour} ${household.people}`, () => workOut(stores, household, now));
}

async function workOut(stores: Stores, household: HouseholdRow, now: Date): Promise<Larder> {
	const [rows, places, eaten, newCrops] = await Promise.all([
		stores.stock.standing(),
		stores.home.places(),
		stores.eaten.byFood(meal_g(household.people)),
		stores.eaten.newCrops()
	]);
	return larderOf(larderLots(rows, places), eaten, { people: household.people, now: now.getTime(), newCrops });
}

/** "one meal in 9 days", "two meals a week". */
export function paceWords(perWeek: number): string {
	if (perWeek >= 1.5) return `${sayCount(Math.round(perWeek), 'meal')} a week`;
	const days = Math.round(7 / Math.max(perWeek, 1e-3));
	if (days <= 8) return 'a meal a week';
	if (days <= 70) return `a meal in ${days} days`;
	return `a meal in ${Math.round(days / 30.4)} months`;
}

function rowOf(f: FoodLasts, household: HouseholdRow, now: number): LastsRow {
	const { units, zone } = household;
	const name = foodById(f.food)?.name ?? f.food;
	const year = sayAs(now, zone, 'yyyy');
	const day = (at: number) =>
		sayAs(at, zone, 'yyyy') === year ? sayAs(at, zone, 'd MMM') : sayAs(at, zone, 'd MMM yyyy');
	const weeks = f.weeks;
	const long = weeks === null || weeks > 104;
	const soon = weeks !== null && weeks < 4;
	return {
		food: f.food,
		name,
		stands: [f.packs > 0 ? sayCount(f.packs, 'pack') : '', f.loose_g > 0 ? `${sayWeight(f.loose_g, units)} loose` : '']
			.filter(Boolean)
			.join(', '),
		figure:
			weeks === null
				? '2+'
				: long
					? '2+'
					: weeks < 1
						? `${Math.max(1, Math.round(weeks * 7))}`
						: `${Math.round(weeks)}`,
		unit: long
			? 'years'
			: weeks < 1
				? Math.round(weeks * 7) <= 1
					? 'day'
					: 'days'
				: Math.round(weeks) === 1
					? 'week'
					: 'weeks',
		out: f.out === null || long ? 'for years at this pace' : `to ${day(f.out)}`,
		between:
			f.early === null || long
				? ''
				: f.late === null || f.late > now + 3 * 365 * day_ms
					? `not before ${day(f.early)}`
					: `between ${day(f.early)} and ${day(f.late)}`,
		soon,
		at: f.out,
		early: f.early,
		late: f.late,
		pace: f.seen === 0 ? `${paceWords(f.perWeek)}, a guess by your other foods` : paceWords(f.perWeek),
		ration:
			f.newCrop === null || f.ration === null || f.newCrop - now > 400 * day_ms
				? ''
				: `${paceWords(f.ration)} reaches ${sayAs(f.newCrop, zone, 'd MMM')}, when it came in last year`,
		instead: f.instead.map((id) => foodById(id)?.name ?? id).join(', '),
		helpings: Math.round(f.helpings),
		unpowered: Math.round(f.unpowered),
		uncooked: Math.round(f.uncooked)
	};
}

/** @param most foods that are told, those that are gone first */
export async function lastsView(
	stores: Stores,
	household: HouseholdRow,
	now: Date,
	most = Infinity
): Promise<LastsView> {
	const all = await larder(stores, household, now);
	return {
		rows: all.foods.slice(0, most).map((f) => rowOf(f, household, now.getTime())),
		people: household.people,
		helpings: Math.round(all.helpings),
		days: all.days,
		unpoweredDays: all.unpoweredDays,
		uncookedDays: all.uncookedDays,
		helpingsDay
	};
}
