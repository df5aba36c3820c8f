import { groups, mean, median, rollups, sum } from 'd3-array';
import { learnYield } from '$core/forecast/yields';
import { meal_g } from '$core/forecast/larder';
import { priorOf, rateOf } from '$core/forecast/draws';
import { sayMoney } from '$core/quantities/money';
import { foodById } from '$core/things/names';
import type { FoodBook, NextYear, SeasonRow } from '$lib/ui/book/types';
import { notFound } from './errors';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import type { BatchOf } from './stores/seasons';

const week_ms = 7 * 86_400_000;
const yearOf = (b: BatchOf): string => b.packedOn.slice(0, 4);

function seasonRow(year: string, batches: readonly BatchOf[], { currency, hourRate }: HouseholdRow): SeasonRow {
	const weighed = batches.filter((b) => b.yieldMass !== null && b.rawG > 0);
	const counted = batches.filter((b) => b.handsS > 0 && b.rawG > 0);
	const packs = sum(batches, (b) => b.packs);
	const paid = batches.filter((b) => b.paidMinor !== null && b.currency === currency);
	const hours = sum(counted, (b) => b.handsS) / 3600;
	const cost = sum(paid, (b) => b.paidMinor ?? 0) + hours * hourRate;
	const lasts = batches.flatMap((b) => (b.lastAt === null ? [] : [b.lastAt]));
	return {
		year,
		raw_g: sum(batches, (b) => b.rawG),
		kept: weighed.length > 0 ? sum(weighed, (b) => b.packedG) / sum(weighed, (b) => b.rawG) : null,
		packs,
		hands_s_kg: counted.length > 0 ? sum(counted, (b) => b.handsS) / (sum(counted, (b) => b.rawG) / 1000) : null,
		perPack: packs > 0 && cost > 0 ? sayMoney(Math.round(cost / packs), currency) : '',
		eaten: sum(batches, (b) => b.eaten),
		left: sum(batches, (b) => b.left),
		thrown: sum(batches, (b) => b.thrown),
		causes: [...new Set(batches.flatMap((b) => (b.causes ? [b.causes] : [])))].join(', '),
		lastAt: lasts.length > 0 ? Math.max(...lasts) : null
	};
}

/** The way that was gone most often, with how its share was learned batch by batch. */
function learnedOf(batches: readonly BatchOf[]): FoodBook['yields'] {
	const weighed = batches.filter((b) => b.yieldMass !== null && b.yieldMass > 0);
	const [most] = groups(weighed, (b) => `${b.method} ${b.form} ${b.cut}`).sort((a, b) => b[1].length - a[1].length);
	const own = [...(most?.[1] ?? [])].sort((a, b) => (a.packedOn < b.packedOn ? -1 : 1));
	const [first] = own;
	if (!first || own.length < 2) return null;
	const cut = foodById(first.food)?.cuts.find((c) => c.id === first.cut);
	const table = first.method === 'freeze' ? (cut?.yields[first.form]?.value ?? null) : null;
	const shares = own.map((b) => b.yieldMass ?? 0);
	// Without a row of the table the first batch stands for it.
	const prior = table ?? shares[0] ?? 1;
	return {
		what: first.way.toLowerCase(),
		table,
		now: learnYield(prior, shares),
		steps: own.map((b, i) => ({
			packedOn: b.packedOn,
			share: shares[i] ?? 0,
			learned: learnYield(prior, shares.slice(0, i + 1))
		}))
	};
}

/** The variety of which the smallest share was thrown, where several were kept and any was thrown. */
function bestVariety(batches: readonly BatchOf[]): string {
	const lists = rollups(
		batches.filter((b) => b.variety !== '' && b.packs > 0),
		(own) => sum(own, (b) => b.thrown) / sum(own, (b) => b.packs),
		(b) => b.variety
	);
	if (lists.length < 2) return '';
	const [best, next] = [...lists].sort((a, b) => a[1] - b[1]);
	return best && next && best[1] < next[1] ? best[0] : '';
}

/** Next year's sum: meals that are wanted while none is fresh, as packs, as kilos kept, as kilos that come in. */
async function nextYear(
	stores: Stores,
	household: HouseholdRow,
	batches: readonly BatchOf[],
	yields: FoodBook['yields'],
	now: Date
): Promise<NextYear | null> {
	const [first] = batches;
	if (!first) return null;
	const [eaten, wants] = await Promise.all([stores.eaten.byFood(meal_g(household.people)), stores.wants.all()]);
	const own = eaten.get(first.food);
	const want = wants.get(first.food);
	const pack_g =
		median(
			batches.filter((b) => b.packs > 0),
			(b) => b.packedG / b.packs
		) ?? 0;
	const known = yields?.now ?? null;
	const kept = known?.share ?? mean(batches, (b) => b.yieldMass ?? undefined) ?? 1;
	if (!(pack_g > 0) || !(kept > 0)) return null;
	const rate =
		own && own.draws.length > 0 ? rateOf(own, priorOf([...eaten.values()], now.getTime()), now.getTime()) : null;
	const perWeek = want ? (want.perWeek * want.helpingG) / pack_g : rate ? rate.shape / rate.weeks : null;
	if (perWeek === null) return null;
	// Fresh from its first to its last batch of a season, on the average of the seasons.
	const spans = groups(batches, yearOf).map(([, list]) => {
		const days = list.map((b) => Date.parse(b.packedOn));
		return (Math.max(...days) - Math.min(...days)) / week_ms;
	});
	const freshWeeks = Math.round(Math.min(40, (mean(spans) ?? 0) + 2));
	const packs = Math.ceil((52 - freshWeeks) * perWeek - 1e-9);
	const kept_kg = (packs * pack_g) / 1000;
	const last = String(now.getUTCFullYear() - 1);
	return {
		weeks: 52,
		freshWeeks,
		perWeek,
		from: want ? 'as you said' : 'as eaten till now',
		packs,
		pack_g,
		kept_kg,
		kept,
		raw_kg: kept_kg / kept,
		low_kg: kept_kg / (known?.high ?? kept),
		high_kg: kept_kg / (known?.low ?? kept),
		last_kg:
			sum(
				batches.filter((b) => yearOf(b) === last),
				(b) => b.rawG
			) / 1000
	};
}

/** One food of the book over its years. @throws {AppError} 404 no such food */
export async function foodBook(stores: Stores, household: HouseholdRow, food: string, now: Date): Promise<FoodBook> {
	const row = foodById(food);
	if (!row) throw notFound('food');
	const batches = await stores.seasons.batches(row.id);
	const yields = learnedOf(batches);
	return {
		food: row.id,
		name: row.name,
		raw_g: sum(batches, (b) => b.rawG),
		packs: sum(batches, (b) => b.packs),
		seasons: groups(batches, yearOf)
			.sort((a, b) => (a[0] < b[0] ? 1 : -1))
			.map(([year, list]) => seasonRow(year, list, household)),
		again: batches
			.filter((b) => b.again !== '')
			.slice(0, 6)
			.map((b) => ({
				code: b.code,
				packedOn: b.packedOn,
				raw_g: b.rawG,
				packs: b.packs,
				would: b.again === 'yes' ? 'yes' : b.again === 'no' ? 'no' : 'yes, changed',
				change: b.change
			})),
		yields,
		variety: bestVariety(batches),
		next: await nextYear(stores, household, batches, yields, now)
	};
}

/** Every food of the book, the largest first: for the way to its page. */
export async function foodsOfBook(stores: Stores) {
	const batches = await stores.seasons.batches();
	return groups(batches, (b) => b.food)
		.map(([food, list]) => ({
			food,
			name: foodById(food)?.name ?? food,
			raw_g: sum(list, (b) => b.rawG),
			packs: sum(list, (b) => b.packs),
			seasons: new Set(list.map(yearOf)).size,
			left: sum(list, (b) => b.left)
		}))
		.sort((a, b) => b.raw_g - a.raw_g);
}
