import { sum } from 'd3-array';
import { priorOf, rateOf, type Eaten, type Rate } from '$core/forecast/draws';
import { mealsWithin } from '$core/forecast/lasts';
import { meal_g } from '$core/forecast/larder';
import { sayDate } from '$core/quantities/dates';
import { sayCount } from '$core/quantities/format';
import { dateIn } from '$core/freezing/keep';
import { editWeight } from '$core/quantities/parse-weight';
import { sayAmount, sayContent } from '$core/stock/amount';
import { notFound } from './errors';
import { countedWords, eatBy, untilWords } from './shelves';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import { lotThing } from './things';

const week_ms = 7 * 86_400_000;

/** The lines of a place that is counted, what is eaten first at the top; and the places that may come next. @throws {AppError} 404 */
export async function countOf(stores: Stores, household: HouseholdRow, now: Date, placeId: string, most: number) {
	const { stock, home } = stores;
	const [places, sums, rows, cold, eaten] = await Promise.all([
		home.places(),
		stock.sums(),
		stock.shelves({ most, only: placeId }),
		stores.instruments.coldHistory(),
		stores.eaten.byFood(meal_g(household.people))
	]);
	const prior = priorOf([...eaten.values()], now.getTime());
	const rates = new Map<string, Rate>();
	const place = places.find((p) => p.id === placeId);
	if (!place) throw notFound('place');
	const there = rows.filter((r) => !r.waiting);
	const looked = await stock.looked(there.map((r) => r.id));
	const { units, zone } = household;
	const lines = there
		.map((row) => {
			const told = lotThing(row, place, now);
			const { by, ended } = eatBy(row, place, told, looked.get(row.id) ?? [], cold.get(placeId));
			const over = told.thing.age?.past === 'end' && told.thing.age.limit === 'safety';
			const { id, title, unit, amount, code } = row;
			const each = unit === 'pack' ? sayContent(row, units) : '';
			const line = {
				id,
				title,
				each,
				unit,
				amount,
				all: unit === 'pack' ? `${amount} × ${each}` : sayAmount(row, amount, units),
				edit: unit === 'dg' ? editWeight(amount / 10, units) : `${amount}`,
				packed: sayDate(dateIn(zone, row.since.getTime())),
				until: untilWords(by, ended || over, now.getTime(), zone).until,
				code,
				usual: row.unit === 'pack' ? usualWords(row, place, eaten.get(row.food)) : ''
			};
			return { by, line };
		})
		.sort((a, b) => a.by - b.by)
		.map(({ line }) => line);
	/** What its pace says of a difference: how many were taken since it was counted, and how many such a time usually takes. */
	function usualWords(row: (typeof there)[number], at: typeof place, own: Eaten | undefined): string {
		if (!own || own.draws.length === 0) return '';
		const since = Math.max(row.since.getTime(), at?.countedAt?.getTime() ?? 0);
		const weeks = (now.getTime() - since) / week_ms;
		if (weeks < 1) return '';
		const rate = rates.get(row.food) ?? rateOf(own, prior, now.getTime());
		rates.set(row.food, rate);
		const [low, high] = mealsWithin(rate, weeks);
		const taken = Math.round(
			sum(
				own.draws.filter((d) => d.at >= since && !d.found),
				(d) => d.units
			)
		);
		const range = low === high ? sayCount(high, 'pack') : `${low} to ${sayCount(high, 'pack')}`;
		return `Since ${sayDate(dateIn(zone, since))} the book knows of ${taken} taken; at your pace such a time takes ${range}.`;
	}
	const holds = new Set(sums.map((s) => s.placeId));
	return {
		place: { id: place.id, name: place.name, counted: countedWords(place.countedAt, now) },
		lines,
		next: places.filter((p) => p.id !== placeId && holds.has(p.id)).map(({ id, name }) => ({ id, name }))
	};
}
