import { foodById } from '$core/things/names';
import { dateIn, daysBetween } from '$core/freezing/keep';
import { labelOver, withMeasured, type ColdStay } from '$core/freezing/pace';
import { sayAs, sayDate, sayMonth } from '$core/quantities/dates';
import { editWeight } from '$core/quantities/parse-weight';
import { sayWeight } from '$core/quantities/format';
import { inHouseholdUnits } from '$core/quantities/household-words';
import { betterPlaces } from '$core/safety/stand';
import { partWords } from '$core/things/mixture';
import { clashesAmong } from '$core/storing/companions';
import { gate } from '$core/safety/gate';
import { gramsOf, sayAmount, sayContent } from '$core/stock/amount';
import { afterLooks, type Looked } from '$core/stock/looks';
import { eatNext, qualityLeft } from '$core/stock/quality';
import type { Thing } from '$core/things/thing';
import type { Drawn, DueLooks, PlaceGroup, ShelfLot, ShelfPlace } from '$lib/ui/shelves/types';
import { formWords } from './haul';
import { looksAt, looksOfTheRest, walksOf, type Walked } from './looks';
import type { HouseholdRow, PlaceRow } from './stores/households';
import type { Stores } from './stores';
import type { Spoken } from './stores/stock/claims';
import { likeness } from './stores/stock/merge';
import type { StandingRow } from './stores/stock/reads';
import { lotThing, ripensWords, standingIn, staysOf, type LotThing } from './things';

export type ShelfRow = Awaited<ReturnType<Stores['stock']['named']>>[number];

/**
 * When a lot should be eaten by, over its label, its clock and what was found at it.
 *
 * @param measured what the probe of its freezer said, day by day
 */
export function eatBy(
	row: ShelfRow,
	place: PlaceRow,
	told: LotThing,
	looked: readonly Looked[],
	measured: readonly ColdStay[] = []
): { by: number; ended: boolean } {
	const { clock, thing } = told;
	// A label holds for what was kept, frozen over what its freezers were; what is opened, thawed or fresh goes by its clock.
	const said = row.keepsUntil === null ? undefined : Date.parse(`${row.keepsUntil}T12:00:00Z`);
	const label =
		said !== undefined && thing.state === 'frozen'
			? labelOver(said, withMeasured(staysOf(row, place), measured))
			: said;
	const own = thing.state === 'fresh' || label === undefined ? clock.bestBy : label;
	const found = afterLooks(looked);
	return { by: Math.min(own, found.by ?? Infinity), ended: found.ended };
}

/** How a lot is drawn. */
function drawnAs(row: ShelfRow, thing: Thing, place: PlaceRow): Drawn {
	if (place.kind === 'ground') return 'row';
	if (place.kind === 'crock') return 'crock';
	if (place.kind === 'freezer') return 'pack';
	if (thing.state === 'dried' || thing.food.id === 'dried-fruit') return row.unit === 'pack' ? 'low-jar' : 'sack';
	if (row.unit === 'pack') return thing.state === 'canned' || thing.state === 'pickled' ? 'jar' : 'pack';
	if (row.unit === 'piece') return 'pile';
	return thing.state === 'opened' || thing.state === 'cooked' || thing.state === 'thawed' || row.unit === 'ml' ? 'dish' : 'sack'; // prettier-ignore
}

/** "25 Aug": the year goes without saying. */
const dayAndMonth = (date: string): string => sayDate(date).replace(/ \d{4}$/, '');

export function untilWords(by: number, ended: boolean, now: number, zone: string): Pick<ShelfLot, 'until' | 'tone'> {
	if (ended) return { until: 'out: do not eat', tone: 'out' };
	const today = dateIn(zone, now);
	const date = dateIn(zone, by);
	const days = daysBetween(today, date);
	if (days < 0 || by <= now) {
		const past = daysBetween(date, today);
		return { until: past > 45 ? `past its best since ${sayMonth(date)}` : `past its best since ${sayDate(date)}`, tone: 'past' }; // prettier-ignore
	}
	if (days === 0) return { until: `soon: by ${sayAs(by, zone, 'HH:mm')} today`, tone: 'soon' };
	if (days === 1) return { until: 'soon: tomorrow', tone: 'soon' };
	if (days <= 45) return { until: `soon: by ${dayAndMonth(date)}`, tone: 'soon' };
	return { until: `to ${sayMonth(date)}`, tone: '' };
}

/** Kinds that hold what was put up: there a month is soon. In the fridge and on the counter two days are. */
const shortLived = new Set<PlaceRow['kind']>(['fridge', 'counter', 'cool']);

interface Around {
	readonly places: readonly PlaceRow[];
	readonly household: HouseholdRow;
	readonly looked: ReadonlyMap<string, Looked[]>;
	readonly claimed: ReadonlyMap<string, Spoken>;
	/** What probes said of freezers, by place. */
	readonly cold: ReadonlyMap<string, readonly ColdStay[]>;
	readonly now: Date;
}

/** One lot as the Shelves show it. */
export function shelfLot(row: ShelfRow, place: PlaceRow, around: Around): ShelfLot {
	const { household, looked, claimed, cold, now } = around;
	const { units, zone } = household;
	const told = lotThing(row, place, now);
	const { thing, clock } = told;
	const seen = looked.get(row.id) ?? [];
	const spoken = claimed.get(row.id);
	const { by, ended } = eatBy(row, place, told, seen, cold.get(place.id));
	const over = thing.age?.past === 'end' && thing.age.limit === 'safety';
	const stopped = gate({ thing, way: 'serve-raw' });
	const stop = stopped && ['jar-process', 'age-out'].includes(stopped.rule ?? '') ? stopped : undefined;
	const until = untilWords(by, ended || over, now.getTime(), zone);
	const short = shortLived.has(place.kind) && until.tone === 'soon' && by - now.getTime() > 2.5 * 86_400_000;
	const say = (text: string) => inHouseholdUnits(text, units);
	const amount = row.amount;
	const all = row.unit === 'pack' ? `${amount} × ${sayContent(row, units)}` : sayAmount(row, amount, units);
	return {
		id: row.id,
		title: row.title,
		detail: [row.variety, formWords(thing.food, row.form).replace(/^, /, ''), row.note, partWords(row.madeOf)]
			.filter(Boolean)
			.join(' · '),
		unit: row.unit,
		amount,
		count: row.unit === 'pack' || row.unit === 'piece' ? `${amount}` : sayAmount(row, amount, units),
		each:
			row.unit === 'pack' ? sayContent(row, units) : row.unit === 'piece' ? sayWeight(gramsOf(row, amount), units) : '',
		all,
		edit: row.unit === 'dg' ? editWeight(amount / 10, units) : `${amount}`,
		state: thing.state,
		drawn: drawnAs(row, thing, place),
		until: short ? `to ${dayAndMonth(dateIn(zone, by))}` : until.until,
		tone: short ? '' : until.tone,
		by,
		left: qualityLeft(row.since.getTime(), by, now.getTime()),
		packed: sayDate(dateIn(zone, row.since.getTime())),
		code: row.code,
		way: row.way,
		container: row.container,
		waiting: row.waiting,
		spoken: spoken && spoken.atStove > 0 ? sayAmount(row, spoken.atStove, units) : '',
		aside: (spoken?.aside ?? []).map((a) => ({ id: a.id, amount: sayAmount(row, a.amount, units), words: a.words })),
		alike: row.unit === 'pack' || row.waiting ? '' : likeness(row),
		stop: stop ? { reason: say(stop.reason), instead: stop.instead.map(say) } : null,
		warning: clock.warning ? say(clock.warning) : null,
		ripens: ripensWords(thing, row, place, zone, now),
		better: betterWords(thing, place, around.places),
		looks: looksAt(row, thing, place.kind, seen, now),
		can: {
			open: row.unit === 'pack' && thing.state !== 'frozen' && !stop,
			thaw: thing.state === 'frozen',
			work: !row.waiting && !stop && !over && !ended,
			tested: stop?.rule === 'jar-process'
		}
	};
}

function betterWords(thing: Thing, place: PlaceRow, places: readonly PlaceRow[]): string | null {
	if (thing.state !== 'fresh' || thing.food.perishable) return null;
	const here = { ...standingIn(place), name: place.name, loose: true };
	const [best] = betterPlaces(
		thing,
		here,
		places.filter((p) => p.id !== place.id).map((p) => ({ ...standingIn(p), name: p.name, loose: true }))
	);
	return best ? `${best.at.name} keeps them about ${Math.round(best.days)} days` : null;
}

export const countedWords = (at: Date | null, now: Date): string => {
	if (!at) return '';
	const days = Math.floor((now.getTime() - at.getTime()) / 86_400_000);
	return days === 0 ? 'counted today' : days === 1 ? 'counted yesterday' : `counted ${days} days ago`;
};

/** Whether a lot is what was looked for: every word in its name, note, code or place. */
const matches = (row: StandingRow, place: PlaceRow, words: readonly string[]): boolean => {
	const text = `${row.title} ${row.food.replaceAll('-', ' ')} ${row.note} ${row.variety} ${row.code ?? ''} ${row.state} ${place.name}`.toLowerCase(); // prettier-ignore
	return words.every((w) => text.includes(w));
};

export interface Shelves {
	readonly groups: readonly PlaceGroup[];
	readonly totals: { readonly packs: number; readonly jars: number; readonly loose_g: number; readonly lots: number };
	readonly next: readonly ShelfLot[];
	readonly looks: readonly DueLooks[];
	readonly second: readonly ShelfLot[];
}

/**
 * Everything that stands anywhere, by place; with what is eaten next and the looks that are due. Only what is shown is read
 * whole.
 *
 * @param how.search only what holds every word of it, of every place all
 * @param how.all this place whole, the others their first `most`
 */
export function shelvesOf(
	stores: Stores,
	household: HouseholdRow,
	now: Date,
	{ search = '', all, most }: { search?: string; all?: string; most: number }
): Promise<Shelves> {
	const words = search.toLowerCase().split(/\s+/).filter(Boolean);
	const work = () => laidOut(stores, household, now, { words, all, most });
	// Its words are of days and times of day: worked out once a minute, as long as nothing changes.
	const minute = Math.floor(now.getTime() / 60_000);
	return words.length > 0
		? work()
		: stores.keep(`laid out ${minute} ${most} ${all ?? ''} ${household.units} ${household.zone}`, work);
}

async function laidOut(
	stores: Stores,
	household: HouseholdRow,
	now: Date,
	{ words, all, most }: { words: readonly string[]; all: string | undefined; most: number }
): Promise<Shelves> {
	const { stock, home } = stores;
	const [places, claimed, sums, cold, rows] = await Promise.all([
		home.places(),
		stock.claimed(),
		stock.sums(),
		stores.instruments.coldHistory(),
		words.length > 0 ? searched(stores, words) : stock.shelves({ most, ...(all ? { all } : {}) })
	]);
	// A search has no name: the next one is another.
	const looked = await stock.looked(
		rows.map((r) => r.id),
		words.length > 0 ? undefined : `${most} ${all ?? ''}`
	);
	const around: Around = { places, household, looked, claimed, cold, now };
	const sumAt = new Map(sums.map((s) => [s.placeId, s]));
	const byPlace = new Map<string, ShelfRow[]>();
	for (const row of rows) {
		const list = byPlace.get(row.placeId);
		if (list) list.push(row);
		else byPlace.set(row.placeId, [row]);
	}
	const shown: ShelfPlace[] = places.map((place) => {
		const here = byPlace.get(place.id) ?? [];
		const sum = sumAt.get(place.id);
		return {
			id: place.id,
			name: place.name,
			kind: place.kind,
			tempC: place.tempC,
			litres: place.litres,
			used_L: place.kind === 'freezer' ? (sum?.litres ?? 0) : 0,
			counted: countedWords(place.countedAt, now),
			apart: livingStores.has(place.kind) ? apartWords(sum?.foods ?? []) : '',
			// In the freezer by label, elsewhere what turns first.
			lots: alikes(here.map((row) => shelfLot(row, place, around))).sort((a, b) => a.by - b.by),
			more: words.length > 0 ? 0 : (sum?.lots ?? 0) - here.length
		};
	});
	const lots = shown.flatMap((p) => p.lots);
	// What a board does not show is looked at all the same: looks are of the whole household.
	const rest = shown.some((p) => p.more > 0)
		? await looksOfTheRest(stores, places, rows.map((r) => r.id), now) // prettier-ignore
		: new Map<string, Walked[]>();
	const kept = lots.filter((l) => !l.waiting && !l.stop && l.tone !== 'out');
	const total = (of: (sum: (typeof sums)[number]) => number) => sums.reduce((all, sum) => all + of(sum), 0);
	return {
		groups: grouped(shown),
		totals: {
			packs: total((s) => s.packs),
			jars: total((s) => s.jars),
			loose_g: total((s) => s.loose_g),
			lots: total((s) => s.lots)
		},
		next: [...kept].sort(eatNext(now.getTime())).slice(0, 5),
		looks: walksOf(shown.map((p) => ({ name: p.name, lots: [...p.lots, ...(rest.get(p.id) ?? [])] }))),
		second: kept.filter((l) => l.state === 'opened' || l.state === 'thawed').sort((a, b) => a.by - b.by)
	};
}

/** Where food lies alive for weeks. */
const livingStores: ReadonlySet<PlaceRow['kind']> = new Set(['cellar', 'cool', 'pantry']);

/** "Apples beside potatoes: ripening fruit gives off ethylene." */
function apartWords(foods: readonly string[]): string {
	const clashes = clashesAmong(foods.flatMap((id) => foodById(id) ?? []));
	return clashes
		.slice(0, 2)
		.map(
			({ one, others, words }) => `${one.charAt(0).toUpperCase()}${one.slice(1)} beside ${others.join(', ')}: ${words}`
		)
		.join(' ');
}

/** Which lots may become one: the same letter for those that are alike, none where there is but one. */
function alikes(lots: readonly ShelfLot[]): ShelfLot[] {
	const many = new Map<string, number>();
	for (const { alike } of lots) if (alike) many.set(alike, (many.get(alike) ?? 0) + 1);
	const twice = [...many].filter(([, n]) => n > 1).map(([of]) => of);
	return lots.map((lot) => ({ ...lot, alike: twice.includes(lot.alike) ? `${twice.indexOf(lot.alike)}` : '' }));
}

/** What holds every word, wherever it stands. */
async function searched(stores: Stores, words: readonly string[]): Promise<ShelfRow[]> {
	const [rows, places] = await Promise.all([stores.stock.standing(), stores.home.places()]);
	const placeOf = new Map(places.map((p) => [p.id, p]));
	const found = rows.filter((r) => {
		const place = placeOf.get(r.placeId);
		return place !== undefined && matches(r, place, words);
	});
	return stores.stock.named(found.map((r) => r.id));
}

/** What stands coldest first; then the dry, then what is eaten soon. */
const order: readonly ShelfPlace['kind'][] = [
	'freezer',
	'cellar',
	'cool',
	'pantry',
	'crock',
	'fridge',
	'counter',
	'ground'
];

/** Places whose names begin alike before a comma are one thing: "Chest freezer, top basket" and "Chest freezer, floor". */
function grouped(places: readonly ShelfPlace[]): PlaceGroup[] {
	const groups = new Map<string, ShelfPlace[]>();
	for (const place of places) {
		const name = `${place.kind} ${place.name.split(',')[0]?.trim() ?? place.name}`;
		groups.set(name, [...(groups.get(name) ?? []), place]);
	}
	const lists = [...groups.values()].sort((a, b) => order.indexOf(a[0]?.kind ?? 'counter') - order.indexOf(b[0]?.kind ?? 'counter')); // prettier-ignore
	return lists.map((list) => ({
		name: list.length > 1 ? (list[0]?.name.split(',')[0]?.trim() ?? '') : (list[0]?.name ?? ''),
		kind: list[0]?.kind ?? 'counter',
		places: list
	}));
}
