import { groups, sum } from 'd3-array';
import { dateIn } from '$core/freezing/keep';
import { meal_g } from '$core/forecast/larder';
import { instantOf, sayDate } from '$core/quantities/dates';
import { readDate } from '$core/quantities/read-date';
import { byWeight, dgOf } from '$core/stock/amount';
import type { OnShelf } from '$core/things/shelf-line';
import type { Thing } from '$core/things/thing';
import { cookedAs } from '$core/things/understand';
import { sayWeight } from '$core/quantities/format';
import { leftSince } from '$core/supper/leftovers';
import { suppers, thawsFor, type Eatable, type Meal, type Part, type SupperAsk } from '$core/supper/supper';
import { foodById } from '$core/things/names';
import type { ShelfLot } from '$lib/ui/shelves/types';
import type { PartShown, SupperView } from '$lib/ui/supper/types';
import { notFound } from './errors';
import { lastsView } from './lasting';
import { standingOf } from './shelf-line';
import { shelvesOf } from './shelves';
import type { Stores } from './stores';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { Standing } from './stores/stock/put';

export interface SupperAsked {
	readonly people?: number | undefined;
	readonly within?: number | undefined;
	readonly at?: string | undefined;
}

/** In pieces or minced: it goes into the pan frozen (common practice). */
const inPieces: ReadonlySet<string> = new Set(['bacon', 'sausage', 'shrimp', 'chicken-livers']);
/** Of each place those that are eaten first: what keeps longer is for another supper. */
const mostLots = 25;

/** What stands anywhere and may be eaten tonight. */
async function eatables(stores: Stores, household: HouseholdRow, now: Date) {
	const [shelves, rows, claimed] = await Promise.all([
		shelvesOf(stores, household, now, { most: mostLots }),
		stores.stock.standing(),
		stores.stock.claimed()
	]);
	const byId = new Map(rows.map((r) => [r.id, r]));
	const found = shelves.groups
		.flatMap((g) => g.places)
		.flatMap((place) =>
			place.lots.flatMap((l): { lot: ShelfLot; eatable: Eatable }[] => {
				const row = byId.get(l.id);
				const food = row && foodById(row.food);
				// What is stopped, past its end, or waits to be worked on is no supper.
				if (!row || !food || l.stop || l.tone === 'out' || l.tone === 'past' || l.waiting) return [];
				const spoken = claimed.get(l.id);
				const free = row.amount - (spoken ? spoken.atStove + spoken.aside.reduce((s, a) => s + a.amount, 0) : 0);
				const packed = row.unit === 'pack';
				const eatable: Eatable = {
					lot: l.id,
					food: food.id,
					name: l.title,
					// A mixture is a dish: what is in it besides is eaten with it.
					group: row.mixed && food.group !== 'vegetable' ? 'dish' : food.group,
					state: row.state,
					packed,
					unit_g: row.unitG,
					units: Math.max(0, free),
					place: place.name,
					by: l.by,
					small: food.id.startsWith('ground-') || inPieces.has(food.id),
					lowAcid: food.acid.class !== 'high'
				};
				return [{ lot: l, eatable }];
			})
		);
	return { found, shelves };
}

/** What we take out: meals from what is there, what goes to the fridge for tomorrow, what is open. @throws {AppError} */
export async function supperView(
	stores: Stores,
	household: HouseholdRow,
	now: Date,
	asked: SupperAsked
): Promise<SupperView> {
	const { units, zone } = household;
	const people = asked.people ?? household.people;
	const within = asked.within ?? 40;
	const [{ found, shelves }, eaten, avoids, places, lasts, taken, claimed] = await Promise.all([
		eatables(stores, household, now),
		stores.eaten.byFood(meal_g(household.people)),
		stores.avoids.all(),
		stores.home.places(),
		lastsView(stores, household, now),
		stores.stock.suppers(lately_h),
		stores.stock.claimed()
	]);
	const today = dateIn(zone, now.getTime());
	const at = asked.at ?? '18:30';
	const atMs = instantOf(`${today}T${at}`, zone) ?? now.getTime();
	const ask: SupperAsk = {
		people,
		within_min: within,
		now: now.getTime(),
		eaten: new Map(
			[...eaten].flatMap(([food, e]) => {
				const last = e.draws.at(-1);
				return last ? [[food, last.at] as const] : [];
			})
		),
		avoid: new Set(avoids.map((a) => a.food))
	};
	const list = found.map((f) => f.eatable);
	const lotOf = new Map(found.map((f) => [f.lot.id, f.lot]));
	const shown = (part: Part): PartShown => {
		const { eatable, grams, minutes, units: n } = part;
		const lot = lotOf.get(eatable.lot);
		return {
			amount: eatable.packed ? `${n} × ${lot?.each ?? ''}` : sayWeight(Math.round(grams), units),
			name: eatable.name,
			place: eatable.place,
			how:
				minutes.how === 'from frozen'
					? 'from frozen'
					: minutes.how === 'cold water first'
						? 'in cold water first, in its bag'
						: ''
		};
	};
	const meals = suppers(list, ask);
	const thaws = thawsFor(list, ask, atMs + 86_400_000);
	const hurry = lasts.rows.find((r) => r.ration !== '' && !r.soon);
	return {
		people,
		at,
		atMs,
		within,
		meals: meals.map((m) => {
			const lot = lotOf.get(m.first.lot);
			return {
				title: titleOf(m),
				minutes: m.minutes,
				parts: m.parts.map(shown),
				why: `${m.first.name}: ${lot?.until ?? ''}`,
				soon: lot?.tone === 'soon',
				short: m.short,
				take: m.parts.map((p) => `${p.eatable.lot} ${Math.round(p.units)}`).join(';')
			};
		}),
		planned: plannedOf(
			shelves.groups.flatMap((g) => g.places).flatMap((p) => p.lots),
			claimed,
			today
		),
		tomorrow: dateIn(zone, now.getTime() + 86_400_000),
		taken: takenOf(taken),
		thaws: thaws.map(({ eatable, units: n, hours, inTime }) => ({
			lot: eatable.lot,
			title: eatable.name,
			amount: eatable.packed ? `${n} × ${lotOf.get(eatable.lot)?.each ?? ''}` : sayWeight(n * eatable.unit_g, units),
			place: eatable.place,
			hours,
			inTime,
			unit: lotOf.get(eatable.lot)?.unit ?? 'pack',
			units: Math.round(n)
		})),
		fridge: places.find((p) => p.kind === 'fridge')?.id ?? null,
		second: shelves.second.map((l) => ({
			title: l.title,
			all: l.all,
			until: l.until,
			hours: (l.by - now.getTime()) / 3_600_000
		})),
		avoids: avoids.map((a) => ({ ...a, name: foodById(a.food)?.name ?? a.food })),
		eatDown: hurry ? { name: hurry.name, stands: hurry.stands, ration: hurry.ration } : null,
		lowAcid: meals.some((m) => m.parts.some((p) => p.eatable.state === 'canned' && p.eatable.lowAcid))
	};
}

/** What a supper is kept under until its day: said so on the Shelves too. */
export const supperWords = (day: string, title: string): string => `supper on ${sayDate(day)}: ${title}`.slice(0, 200);
const kept = /^supper on (\d{1,2} \w{3} \d{4}): (.+)$/;

/** Suppers that are kept for their days, the first of them first. */
function plannedOf(
	lots: readonly ShelfLot[],
	claimed: ReadonlyMap<string, { readonly aside: readonly { readonly id: string; readonly words: string }[] }>,
	today: string
): SupperView['planned'] {
	const found = [...claimed].flatMap(([lot, { aside }]) =>
		aside.flatMap((a) => {
			const [, day = '', title = ''] = kept.exec(a.words) ?? [];
			const read = readDate(day);
			return 'day' in read ? [{ day: read.day, title, id: a.id, lot, words: a.words }] : [];
		})
	);
	return groups(found, (f) => f.words)
		.map(([, parts]) => {
			const [first] = parts;
			const day = first?.day ?? today;
			return {
				day,
				when: day === today ? 'today' : day < today ? `was for ${sayDate(day)}` : sayDate(day).replace(/ \d{4}$/, ''),
				title: first?.title ?? '',
				claims: parts.map((p) => p.id).join(','),
				parts: parts
					.map((p) => {
						const shelf = lots.find((l) => l.id === p.lot);
						return shelf ? `${shelf.aside.find((a) => a.id === p.id)?.amount ?? ''} ${shelf.title}` : '';
					})
					.filter(Boolean)
					.join(', ')
			};
		})
		.sort((a, b) => (a.day < b.day ? -1 : 1));
}

/** So long after it was taken out a supper may be cooked, eaten and put away, hours (common practice): later it has stood too long. */
export const lately_h = 5;

/** Suppers that were taken today, of which something may be left over. */
function takenOf(rows: Awaited<ReturnType<Stores['stock']['suppers']>>): SupperView['taken'] {
	return groups(rows, (r) => r.groupId).map(([groupId, parts]) => ({
		groupId,
		title: parts
			.map((p) => p.lot.title.split(',')[0]?.toLowerCase() ?? '')
			.join(' with ')
			.replace(/^./, (c) => c.toUpperCase()),
		grams: Math.round(sum(parts, (p) => -p.amount * p.lot.unitG))
	}));
}

/**
 * What is left over of a supper, as it stands in the fridge: one dish for all of it, by what spoils first of its parts.
 *
 * @throws {AppError} 404 that supper was taken back, or is long ago; 422 it may not stand there
 */
export function leftoverOf(
	rows: Awaited<ReturnType<Stores['stock']['suppers']>>,
	groupId: string,
	share: number,
	{ places, household, now }: { places: readonly PlaceRow[]; household: HouseholdRow; now: Date }
): Standing {
	const [supper] = takenOf(rows.filter((r) => r.groupId === groupId));
	const parts = rows.filter((r) => r.groupId === groupId);
	const fridge = places.find((p) => p.kind === 'fridge');
	if (!supper) throw notFound('supper');
	if (!fridge) throw notFound('fridge');
	// Meat before fish before what grew: the part that the whole dish is kept by.
	const by = ['poultry', 'fish', 'meat', 'egg', 'dish'];
	const rank = (food: string) => {
		const at = by.indexOf(foodById(food)?.group ?? '');
		return at < 0 ? by.length : at;
	};
	const [first] = [...parts].sort((a, b) => rank(a.lot.food) - rank(b.lot.food));
	const food = foodById(first?.lot.food ?? '');
	if (!food) throw notFound('supper');
	const dish = cookedAs(food);
	const thing: Thing = {
		food: dish ?? food,
		called: `leftovers: ${supper.title.toLowerCase()}`.slice(0, 120),
		form: dish ? (dish.forms[0]?.id ?? 'whole') : (first?.lot.form ?? 'whole'),
		state: dish ? 'fresh' : 'cooked',
		condition: 'firm'
	};
	const reading: OnShelf = {
		kind: 'understood',
		thing,
		counted: byWeight,
		amount: dgOf(Math.max(10, supper.grams * share)),
		note: '',
		because: ''
	};
	const { standing } = standingOf(reading, fridge, 'leftovers', household, now);
	const since = leftSince(
		parts.flatMap(({ lot }) => {
			const group = foodById(lot.food)?.group;
			return group ? [{ group, state: lot.state, from: (lot.placedAt ?? lot.since).getTime() }] : [];
		}),
		now.getTime()
	);
	return { ...standing, lot: { ...standing.lot, since: new Date(since) } };
}

/** "Beef mince with green beans and potatoes". */
function titleOf({ parts }: Meal): string {
	const [first, ...rest] = parts.map((p) => p.eatable.name.split(',')[0]?.toLowerCase() ?? '');
	const name = `${first ?? ''}${rest.length > 0 ? ` with ${rest.join(' and ')}` : ''}`;
	return name.charAt(0).toUpperCase() + name.slice(1);
}

/** "…-lot… 2;…-lot… 1000": what a meal takes of which lots. */
export const readTake = (text: string): { lotId: string; amount: number }[] =>
	text.split(';').flatMap((part) => {
		const [, lotId = '', amount = ''] = /^([0-9a-f-]{36}) (\d{1,7})$/.exec(part.trim()) ?? [];
		return lotId ? [{ lotId, amount: Number(amount) }] : [];
	});
