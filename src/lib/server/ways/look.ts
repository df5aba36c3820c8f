import type { FreezeKind } from '$core/ways/freeze-way';
import { allFreezeWays, type FreezeEntry, type KindChoices } from '$core/ways/all-ways';
import { canWays, type CanWay, type CanWays } from '$core/ways/can-ways';
import { dryWay, type DryChoices, type DryWay } from '$core/ways/dry-ways';
import { glance, type Glance } from '$core/ways/glance';
import { fitting, type Share } from '$core/ways/shares';
import type { Refusal } from '$core/errors';
import type { PackStyle } from '$reference/canning';
import type { JarSize } from '$reference/canning-rules';
import type { Stores } from '../stores';
import { readable, type WayFault } from './query';
import { readHouse, readStanding, type HouseRead, type LotRead, type LotStanding } from './read';

/** A tested product of a food: what it is in jars, in each style that was tested, in the jar that is wanted for it. */
export interface CanEntry {
	readonly id: string;
	readonly recipe: boolean;
	readonly ways: readonly CanWay[];
	/** The style that is chosen, else the first that is tested. */
	readonly way: CanWay;
	readonly all: CanWays;
}

/** All ways of one lot as its kitchen stands now. */
export interface Look extends LotRead {
	/** So much of it they are worked out for, g. */
	readonly shown_g: number;
	readonly freeze: readonly FreezeEntry[];
	readonly dry: DryWay | Refusal;
	readonly cans: readonly CanEntry[];
	readonly canned: CanWays;
	/** In the order freeze, dry, plain jars. */
	readonly list: Glance;
	/** What was chosen for a way. */
	readonly readOf: (way: string) => WayRead;
	readonly shares: readonly Share[];
	readonly faults: readonly WayFault[];
	/** Minor units, for what is shown of it. */
	readonly paid: number;
}

type WayRead = ReturnType<typeof readable>;

/** "can:tomatoes.crushed": a product of the tables as one word of an address. */
export const canSlug = (product: string): string => `can:${product.replaceAll('/', '.')}`;

/** What was asked for in an address: of one way, or of whatever the page is about. */
export interface Asked {
	readonly way?: string | undefined;
	readonly fields: Readonly<Record<string, string>>;
}

/**
 * Works out every way of a lot for the whole of it, each with what was chosen for it.
 *
 * @throws {AppError} 400 a field that names nothing of this kitchen is a fault and no error; 404 no such lot
 */
export async function lookAt(stores: Stores, lotId: string, asked: Asked, now: Date): Promise<Look> {
	const [standing, house] = await Promise.all([stores.stock.rawLot(lotId), readHouse(stores)]);
	return lookStanding(stores, standing, house, asked, now);
}

/** The same of a lot and a house that were read already: a whole basket is looked at with one reading of the kitchen. */
export async function lookStanding(
	stores: Stores,
	standing: LotStanding,
	house: HouseRead,
	asked: Asked,
	now: Date
): Promise<Look> {
	const { id } = standing.lot;
	const [read, kept, came_g] = await Promise.all([
		readStanding(stores, standing, house, now),
		stores.choices.of(id),
		stores.choices.cameIn(id)
	]);
	const fields = new Map(kept.map((k) => [k.way, k.choices]));
	const faults: WayFault[] = [];
	const known = new Map<string, WayRead>();
	const readOf = (way: string) => {
		const before = known.get(way);
		if (before) return before;
		const said = asked.way === undefined || asked.way === way ? asked.fields : {};
		const one = readable({ ...fields.get(way), ...said }, read.thing, read.home);
		// What an address said of no way in particular is told once.
		for (const f of one.faults) if (!faults.some((g) => g.field === f.field && g.typed === f.typed)) faults.push(f);
		known.set(way, one);
		return one;
	};
	const shares = fitting(
		read.free_g,
		kept.flatMap((k) => (k.shareG === null ? [] : [{ way: k.way, grams: k.shareG }]))
	);
	return {
		...read,
		shares,
		...worked(read, readOf, read.whole_g, {
			now,
			price: read.lot.priceMinor ?? 0,
			came_g: came_g ?? read.grams
		}),
		readOf,
		faults
	};
}

/** The same ways for a part of it. */
export function lookAtPart(look: Look, grams: number, now: Date, shopPerKg?: number): Look {
	if (grams === look.shown_g && shopPerKg === undefined) return look;
	const price = Math.round((look.paid * grams) / look.shown_g);
	return { ...look, ...worked(look, look.readOf, grams, { now, price, came_g: grams, shopPerKg }) };
}

interface Money {
	readonly now: Date;
	/** The like in a shop, minor units a kilo. */
	readonly shopPerKg?: number | undefined;
	readonly price: number;
	/** What the price was paid for, g. */
	readonly came_g: number;
}

/** The ways of a lot for so much of it: no store is asked. */
export function worked(
	read: LotRead,
	readOf: (way: string) => WayRead,
	shown_g: number,
	{ now: at, price, came_g, shopPerKg }: Money
) {
	const { thing, kitchen, food_C } = read;
	const now = at.getTime();
	const of = (becomes: FreezeKind): KindChoices => {
		const { words: _words, ...choices } = readOf(becomes).choices;
		return choices;
	};
	const freeze = allFreezeWays({ thing, grams: shown_g, food_C, kitchen, now }, of);
	const q = readOf('dry').query;
	const choices: DryChoices = {
		...(q.dry ? { row: q.dry } : {}),
		...(q.mm ? { thickness_mm: q.mm } : {}),
		...(q.skin ? { skin: q.skin } : {}),
		...(q.blanch ? { blanched: false } : {}),
		...(q.air ? { air_C: q.air } : {}),
		...(q.oven ? { oven: true } : {})
	};
	const cut = freeze[0]?.ways.cut ? firstCut(read) : null;
	const dry = dryWay({ thing, cut, grams: shown_g, kitchen, choices, before: read.dried, now });
	const { cans, canned } = allCans(read, readOf, shown_g, now);
	const paid = came_g > 0 ? Math.round(price * Math.min(1, shown_g / came_g)) : 0;
	const list = glance({
		kitchen,
		grams: shown_g,
		food_C,
		freeze: freeze.map((f) => f.way),
		dry,
		cans: 'kind' in canned.plain ? canned : { ...canned, plain: cans.filter((c) => !c.recipe).map((c) => c.way) },
		paid,
		...(shopPerKg === undefined ? {} : { shopPerKg })
	});
	return { shown_g, freeze, dry, cans, canned, list, paid };
}

/** Its own cut, or the usual: what goes into the dryer is cut as the drying row says. */
const firstCut = ({ thing }: LotRead) => thing.food.cuts.find((c) => c.id === thing.form) ?? thing.food.cuts[0] ?? null;

/** A family opens a quart, one or two people a pint. */
const usualJar = (people: number): JarSize => (people >= 4 ? 'quart' : 'pint');

/** Every tested product, each in the jar and the style that were chosen for it. */
function allCans({ thing, kitchen }: LotRead, readOf: (way: string) => WayRead, grams: number, now: number) {
	const byJar = new Map<JarSize, CanWays>();
	const inJar = (jar: JarSize): CanWays => {
		const ways = byJar.get(jar) ?? canWays({ thing, grams, kitchen, jar, now });
		byJar.set(jar, ways);
		return ways;
	};
	const canned = inJar(usualJar(kitchen.people));
	const own = 'kind' in canned.plain ? [] : canned.plain;
	const products = [...new Set([...own, ...canned.recipes].map((w) => w.product.id))];
	const cans = products.flatMap((id): CanEntry[] => {
		const { jar, style } = readOf(canSlug(id)).query;
		const all = jar ? inJar(jar) : canned;
		const ways = [...('kind' in all.plain ? [] : all.plain), ...all.recipes].filter((w) => w.product.id === id);
		const way = styled(ways, style);
		return way ? [{ id, recipe: !own.some((w) => w.product.id === id), ways, way, all }] : [];
	});
	return { cans, canned };
}

const styled = (ways: readonly CanWay[], style: PackStyle | undefined) =>
	ways.find((w) => w.style === style) ?? ways[0];
