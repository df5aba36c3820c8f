import { groups, median, rollups, sum } from 'd3-array';
import { seasonMoney, shopOf, type BatchMoney } from '$core/costs/seasons';
import type { Planting } from '$core/forecast/season-plan';
import { hourSpreads, learnYield } from '$core/forecast/yields';
import { sayMoney } from '$core/quantities/money';
import { foodById } from '$core/things/names';
import type { FoodBook, SeasonRow } from '$lib/ui/book/types';
import { notFound } from './errors';
import { learnedOf, yearOf } from './learned';
import { nextYear, plannedYear } from './season-plan';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import type { ShopPrice } from './stores/prices';
import type { BatchOf } from './stores/seasons';

/** A batch as money sees it, against the newest price of a shop for the like. */
export const moneyOf =
	(household: HouseholdRow, seen: readonly ShopPrice[]) =>
	(b: BatchOf): BatchMoney => {
		const kept = shopOf(b.method);
		const like = seen.find((p) => p.food === b.food && p.kept === kept && p.currency === household.currency);
		return {
			method: b.method,
			wayId: b.wayId,
			packs: b.packs,
			packed_g: b.packedG,
			paid: b.currency === household.currency ? b.paidMinor : null,
			energy_kWh: b.energy_kWh,
			hands_s: b.handsS,
			shopPerKg: like?.perKg ?? null
		};
	};

function seasonRow(
	year: string,
	batches: readonly BatchOf[],
	household: HouseholdRow,
	{ seen, plantings }: { readonly seen: readonly ShopPrice[]; readonly plantings: readonly Planting[] }
): SeasonRow {
	const { currency } = household;
	const weighed = batches.filter((b) => b.yieldMass !== null && b.rawG > 0);
	const counted = batches.filter((b) => b.handsS > 0 && b.rawG > 0);
	const money = seasonMoney(batches.map(moneyOf(household, seen)), household);
	const say = (minor: number) => sayMoney(Math.round(minor), currency);
	const gain = money.shop === null ? 0 : money.shop - money.shopCost;
	const lasts = batches.flatMap((b) => (b.lastAt === null ? [] : [b.lastAt]));
	return {
		year,
		raw_g: sum(batches, (b) => b.rawG),
		kept: weighed.length > 0 ? sum(weighed, (b) => b.packedG) / sum(weighed, (b) => b.rawG) : null,
		packs: sum(batches, (b) => b.packs),
		hands_s_kg: counted.length > 0 ? sum(counted, (b) => b.handsS) / (sum(counted, (b) => b.rawG) / 1000) : null,
		perPack: money.perPack !== null && money.total > 0 ? say(money.perPack) : '',
		costs: (
			[
				['produce', money.produce],
				['bags and lids', money.supplies],
				['energy', money.energy],
				['own hours', money.hours]
			] as const
		)
			.filter(([, minor]) => minor > 0)
			.map(([what, minor]) => `${what} ${say(minor)}`)
			.join(', '),
		against: money.shop === null ? '' : `${say(Math.abs(gain))} ${gain >= 0 ? 'less' : 'more'} than in a shop`,
		plants: plantings.find((p) => `${p.year}` === year)?.plants ?? null,
		eaten: sum(batches, (b) => b.eaten),
		left: sum(batches, (b) => b.left),
		thrown: sum(batches, (b) => b.thrown),
		causes: [...new Set(batches.flatMap((b) => (b.causes ? [b.causes] : [])))].join(', '),
		lastAt: lasts.length > 0 ? Math.max(...lasts) : null
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

/** Hours of hands to a kilo, as the household learned them; null where fewer than two batches were counted. */
function hoursOf(batches: readonly BatchOf[]): FoodBook['hours'] {
	const each = batches.filter((b) => b.handsS > 0 && b.rawG > 0).map((b) => b.handsS / 3600 / (b.rawG / 1000));
	const middle = median(each);
	return middle === undefined || each.length < 2 ? null : learnYield(middle, each, hourSpreads);
}

function varietiesOf(batches: readonly BatchOf[]): FoodBook['varieties'] {
	return groups(
		batches.filter((b) => b.variety !== '' && b.packs > 0),
		(b) => b.variety
	).map(([name, own]) => {
		const shares = own.flatMap((b) => (b.yieldMass === null ? [] : [b.yieldMass]));
		const middle = median(shares);
		return {
			name,
			packs: sum(own, (b) => b.packs),
			thrown: sum(own, (b) => b.thrown),
			kept: middle === undefined ? null : learnYield(middle, shares)
		};
	});
}

/** One food of the book over its years. @throws {AppError} 404 no such food */
export async function foodBook(stores: Stores, household: HouseholdRow, food: string, now: Date): Promise<FoodBook> {
	const row = foodById(food);
	if (!row) throw notFound('food');
	const [batches, seen, plantings, loads] = await Promise.all([
		stores.seasons.batches(row.id),
		stores.prices.seen(),
		stores.garden.plantings(row.id),
		stores.batches.dryings(row.id)
	]);
	const yields = learnedOf(batches);
	const year = plannedYear(household, now);
	const planned = plantings.find((p) => p.year === year);
	const ratios = loads.flatMap((l) => l.ratios);
	const shrunk = batches.filter((b) => b.wet_mL > 0 && b.dry_mL > 0).map((b) => b.dry_mL / b.wet_mL);
	const next = await nextYear(stores, household, { batches, yields, plantings, now });
	return {
		food: row.id,
		name: row.name,
		raw_g: sum(batches, (b) => b.rawG),
		packs: sum(batches, (b) => b.packs),
		seasons: groups(batches, yearOf)
			.sort((a, b) => (a[0] < b[0] ? 1 : -1))
			.map(([of, list]) => seasonRow(of, list, household, { seen, plantings })),
		again: againOf(batches).slice(0, 6),
		yields,
		variety: bestVariety(batches),
		varieties: varietiesOf(batches),
		hours: hoursOf(batches),
		drying: ratios.length > 0 ? learnYield(1, ratios, hourSpreads) : null,
		shrinks: shrunk.length > 0 ? learnYield(median(shrunk) ?? 1, shrunk) : null,
		packsPerL: yields && next ? (row.bulk_kg_per_L.value * 1000 * yields.now.share) / next.pack_g : null,
		next,
		planting: {
			year,
			plants: planned?.plants ?? null,
			sowFrom: planned?.sowFrom ?? null,
			sowTo: planned?.sowTo ?? null,
			pickFrom: planned?.pickFrom ?? null,
			pickTo: planned?.pickTo ?? null
		}
	};
}

/** What was said of batches: whether they would be made again, and what would be changed; the newest first. */
export const againOf = (batches: readonly BatchOf[]): FoodBook['again'] =>
	batches
		.filter((b) => b.again !== '')
		.map((b) => ({
			code: b.code,
			packedOn: b.packedOn,
			raw_g: b.rawG,
			packs: b.packs,
			would: b.again === 'yes' ? 'yes' : b.again === 'no' ? 'no' : 'yes, changed',
			change: b.change
		}));

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
