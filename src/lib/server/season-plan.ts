import { groups, mean, median, sum } from 'd3-array';
import { dateIn } from '$core/freezing/keep';
import { meal_g } from '$core/forecast/larder';
import { priorOf, rateOf, type Eaten, type Rate } from '$core/forecast/draws';
import { monthsOfPicking, plantBears, seasonNeed, yearWeeks, type Planting } from '$core/forecast/season-plan';
import { sayDate } from '$core/quantities/dates';
import { sayMoney } from '$core/quantities/money';
import type { Want } from '$core/stock/wants';
import { foodById } from '$core/things/names';
import type { FoodBook, NextYear, PlanRow } from '$lib/ui/book/types';
import { learnedOf, yearOf } from './learned';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import type { Paid } from './stores/prices';
import { byMonth, type CameIn } from './stores/season-plan';
import type { BatchOf } from './stores/seasons';

const week_ms = 7 * 86_400_000;
/** From September on it is next year's garden that is planned. */
const turns = 9;

/** The year that is planned now. */
export function plannedYear({ zone }: Pick<HouseholdRow, 'zone'>, now: Date): number {
	const [year = 0, month = 1] = dateIn(zone, now.getTime()).split('-').map(Number);
	return month >= turns ? year + 1 : year;
}

/** What is known around a food, read once for all of them. */
interface Around {
	readonly eaten: Eaten | undefined;
	readonly want: Want | undefined;
	readonly prior: Rate;
	readonly came: readonly CameIn[];
	readonly paid: Paid | undefined;
	readonly plantings: readonly Planting[];
	readonly now: Date;
}

/** Meals that are wanted while none is fresh, as packs, as kilos kept, as kilos that come in, as plants or money. */
function needOf(
	household: HouseholdRow,
	batches: readonly BatchOf[],
	yields: FoodBook['yields'],
	{ eaten, want, prior, came, paid, plantings, now }: Around
): NextYear | null {
	const pack_g =
		median(
			batches.filter((b) => b.packs > 0),
			(b) => b.packedG / b.packs
		) ?? 0;
	const kept = yields?.now.share ?? mean(batches, (b) => b.yieldMass ?? undefined) ?? 1;
	if (!(pack_g >= 1) || !(kept > 1e-3)) return null;
	const rate = eaten && eaten.draws.length > 0 ? rateOf(eaten, prior, now.getTime()) : null;
	const perWeek = want ? (want.perWeek * want.helpingG) / pack_g : rate ? rate.shape / rate.weeks : null;
	if (perWeek === null) return null;
	// Fresh from its first to its last batch of a season, on the average of the seasons.
	const spans = groups(batches, yearOf).map(([, list]) => {
		const days = list.map((b) => Date.parse(b.packedOn));
		return (Math.max(...days) - Math.min(...days)) / week_ms;
	});
	const freshWeeks = Math.round(Math.min(40, (mean(spans) ?? 0) + 2));
	const year = plannedYear(household, now);
	const set = plantings.find((p) => p.year === year);
	const inYear = (y: number) =>
		sum(
			came.filter((c) => c.year === y),
			(c) => c.kg
		);
	const plant = plantBears(
		plantings.flatMap((p) =>
			p.plants === null || p.year >= year ? [] : [{ plants: p.plants, raw_kg: inYear(p.year) }]
		)
	);
	const need = seasonNeed({
		perWeek,
		pack_g,
		freshWeeks,
		kept: yields?.now ?? { share: kept, low: kept, high: kept },
		plant,
		months: monthsOfPicking(set?.pickFrom && set.pickTo ? { from: set.pickFrom, to: set.pickTo } : null, byMonth(came))
	});
	return {
		...need,
		weeks: yearWeeks,
		freshWeeks,
		perWeek,
		from: want ? 'as you said' : 'as eaten till now',
		pack_g,
		kept,
		last_kg: inYear(year - 1),
		year,
		plant_kg: plant?.share ?? null,
		buy: paid && paid.kg > 0 ? sayMoney(Math.round((need.raw_kg * paid.minor) / paid.kg), paid.currency) : ''
	};
}

/** Next year's sum of one food; null where nothing of it is known. */
export async function nextYear(
	stores: Stores,
	household: HouseholdRow,
	known: {
		readonly batches: readonly BatchOf[];
		readonly yields: FoodBook['yields'];
		readonly plantings: readonly Planting[];
		readonly now: Date;
	}
): Promise<NextYear | null> {
	const { batches, yields, plantings, now } = known;
	const [first] = batches;
	if (!first) return null;
	const [eaten, wants, came, paid] = await Promise.all([
		stores.eaten.byFood(meal_g(household.people)),
		stores.wants.all(),
		stores.garden.cameIn(first.food),
		stores.prices.paid()
	]);
	return needOf(household, batches, yields, {
		eaten: eaten.get(first.food),
		want: wants.get(first.food),
		prior: priorOf([...eaten.values()], now.getTime()),
		came,
		paid: paid.find((p) => p.food === first.food && p.currency === household.currency),
		plantings,
		now
	});
}

const window = (from: string | null, to: string | null): string =>
	from === null && to === null
		? ''
		: [from, to].flatMap((d) => (d === null ? [] : [sayDate(d).replace(/ \d{4}$/, '')])).join(' to ');

/** The season plan: every food of the book of which something is eaten or wanted, what wants most kilos first. */
export async function seasonPlan(stores: Stores, household: HouseholdRow, now: Date): Promise<PlanRow[]> {
	const [all, eaten, wants, came, paid, plantings] = await Promise.all([
		stores.seasons.batches(),
		stores.eaten.byFood(meal_g(household.people)),
		stores.wants.all(),
		stores.garden.cameIn(),
		stores.prices.paid(),
		stores.garden.plantings()
	]);
	const prior = priorOf([...eaten.values()], now.getTime());
	const year = plannedYear(household, now);
	return groups(all, (b) => b.food)
		.flatMap(([food, batches]): PlanRow[] => {
			const own = plantings.filter((p) => p.food === food);
			const need = needOf(household, batches, learnedOf(batches), {
				eaten: eaten.get(food),
				want: wants.get(food),
				prior,
				came: came.filter((c) => c.food === food),
				paid: paid.find((p) => p.food === food && p.currency === household.currency),
				plantings: own,
				now
			});
			const set = own.find((p) => p.year === year);
			return need === null || need.packs === 0
				? []
				: [
						{
							...need,
							food,
							name: foodById(food)?.name ?? food,
							set: set?.plants ?? null,
							sow: window(set?.sowFrom ?? null, set?.sowTo ?? null),
							pick: window(set?.pickFrom ?? null, set?.pickTo ?? null)
						}
					];
		})
		.sort((a, b) => b.raw_kg - a.raw_kg);
}
