import { dateIn } from '$core/freezing/keep';
import { sayDate } from '$core/quantities/dates';
import { sayCount, sayWeight } from '$core/quantities/format';
import { amountText, sayAmount as sayPrinted } from '$core/quantities/amount';
import { recipesOf } from '$core/recipes/find-recipe';
import { mainOf, setWeight_kg } from '$core/recipes/scale-recipe';
import { gatherForecast, type GatherForecast } from '$core/stock/gather';
import { gramsOf, sayAmount } from '$core/stock/amount';
import { eatBy } from './shelves';
import type { HouseholdRow } from './stores/households';
import type { Stores } from './stores';
import { knownFood, lotThing } from './things';

export interface GatherView {
	readonly id: string;
	readonly food: string;
	readonly words: string;
	readonly have: string;
	readonly target: string;
	/** 0 to 1. */
	readonly share: number;
	readonly full: boolean;
	/** When it fills, by its own pace. */
	readonly forecast: string;
	/** Which of it cannot wait, and what to do where it does not fill. */
	readonly deadline: string;
	readonly warns: boolean;
	readonly lots: readonly {
		readonly id: string;
		readonly title: string;
		readonly amount: string;
		readonly place: string;
		readonly since: string;
		readonly until: string;
		readonly href: string;
	}[];
}

/** What is gathered, how far it is, when it fills, and what the oldest of it wants. */
export async function gatheringsOf(stores: Stores, household: HouseholdRow, now: Date): Promise<GatherView[]> {
	const open = await stores.gather.open();
	const [rows, cold] = await Promise.all([
		stores.gather.lotsOf([...new Set(open.map((g) => g.food))]),
		stores.instruments.coldHistory()
	]);
	const { units, zone } = household;
	const say = (ms: number) => sayDate(dateIn(zone, ms));
	return open.map((one) => {
		const food = knownFood(one.food);
		const lots = rows
			.filter((r) => r.lot.food === one.food)
			.map(({ lot, place, free }) => {
				const told = lotThing(lot, place, now);
				return {
					lot,
					place,
					free,
					grams: gramsOf(lot, free),
					until: eatBy(
						{ ...lot, amount: free, code: null, way: null, wayId: null, container: null, volumeMl: null },
						place,
						told,
						[],
						cold.get(place.id)
					).by
				};
			});
		const found = gatherForecast(
			lots.map((l) => ({ at: l.lot.since.getTime(), grams: l.grams, until: l.until })),
			one.targetG,
			now.getTime()
		);
		const fresh = lots.some((l) => l.lot.state !== 'frozen' && l.until <= (found.first?.until ?? 0));
		return {
			id: one.id,
			food: food.name,
			words: one.words,
			have: sayWeight(found.have_g, units),
			target: sayWeight(one.targetG, units),
			share: Math.min(1, found.have_g / one.targetG),
			full: found.missing_g === 0,
			forecast: forecastWords(found, say, (g) => sayWeight(g, units)),
			deadline: deadlineWords(found, say, (g) => sayWeight(g, units), fresh, one.food, units, now.getTime()),
			warns: found.fills === 'not in time' || (found.first !== null && found.first.until <= now.getTime() + 86_400_000),
			lots: lots.map(({ lot, place, free, until }) => ({
				id: lot.id,
				title: lot.title,
				amount: sayAmount(lot, free, units),
				place: place.name,
				since: say(lot.since.getTime()),
				until: say(until),
				href: lot.waiting ? `/ways/${lot.id}` : `/shelves?open=${lot.id}`
			}))
		};
	});
}

function forecastWords(found: GatherForecast, say: (ms: number) => string, weight: (g: number) => string): string {
	if (found.fills === 'full') return 'All of it is there.';
	const missing = `${weight(found.missing_g)} missing.`;
	if (!found.full || !found.pace) return `${missing} A second picking tells the pace.`;
	const { full, pace } = found;
	const days = Math.max(1, Math.round(pace.days));
	return `${missing} At ${weight(pace.grams)} every ${days === 1 ? 'day' : `${days} days`} it is full about ${say(full.at)}, nine times in ten between ${say(full.low)} and ${say(full.high)}.`;
}

/** What the oldest wants; where it does not fill in time: freeze it, or make what it is enough for. */
function deadlineWords(
	{ first, fills, have_g }: GatherForecast,
	say: (ms: number) => string,
	weight: (g: number) => string,
	fresh: boolean,
	food: string,
	units: HouseholdRow['units'],
	now: number
): string {
	if (!first) return 'Nothing is there yet: what comes into the Basket or the freezer counts by itself.';
	const oldest =
		first.until <= now
			? `The oldest, ${weight(first.grams)}, cannot wait: to work with it today.`
			: `The oldest, ${weight(first.grams)}, waits until ${say(first.until)}.`;
	if (fills === 'full' || fills === 'in time') return oldest;
	const sets = setsOf(food, have_g, units);
	const enough = sets ? ` Or begin with what is there: ${sets}.` : '';
	if (fresh)
		return `${oldest} It will hardly fill by then: freeze that part now, cored or stoned, in weighed bags, and go on.${enough}`;
	return fills === 'unknown' ? oldest : `${oldest} Perhaps it does not fill by then.${enough}`;
}

/** What it is enough for: the recipe of which there are the most whole sets, in words. */
function setsOf(food: string, have_g: number, units: HouseholdRow['units']): string {
	const best = recipesOf(food)
		.filter((r) => r.scale === 'whole')
		.map((recipe) => ({ recipe, kg: setWeight_kg(recipe) ?? Infinity }))
		.filter(({ kg }) => kg * 1000 <= have_g)
		.sort((a, b) => b.kg - a.kg)[0];
	if (!best) return '';
	const main = mainOf(best.recipe);
	const sets = Math.floor(have_g / 1000 / best.kg);
	return `${sayCount(sets, 'set')} of ${best.recipe.name} (${amountText(sayPrinted(main.amount as number, main.unit, units))} each)`;
}
