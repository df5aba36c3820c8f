import { UTCDate } from '@date-fns/utc';
import { differenceInCalendarDays } from 'date-fns';
import { isJarOf, jarSizes, type JarSize } from '../../reference/canning-rules';
import { dateIn } from '../freezing/keep';
import { nextAt } from '../quantities/dates';
import type { GlanceWay } from '../ways/glance';
import type { Kitchen } from '../ways/kitchen';
import { apartWayOf, roomLimit, type ApartWay, type StoreRoom } from './apart';
import { cannerTask, handsByTask, handsLimits, handsTakes, type HandsLimit } from './hands';
import type { Wishes } from './wishes';
import type { Haul, HaulLot, HaulWay, Limit, LoadGroup, Lock, Station, Take } from './haul';

/** A way of a lot by its name in the address, worked out for all of the lot. */
export interface WayOfLot {
	readonly slug: string;
	readonly name: string;
	readonly way: GlanceWay;
}
export interface LotOfHaul {
	readonly id: string;
	readonly name: string;
	readonly grams: number;
	/** When its ways were worked out; when it is past its best, and past its end, ms. */
	readonly seenAt: number;
	readonly bestBy: number;
	readonly goneBy: number;
	/** Good to be eaten as it is, in the days that it keeps. */
	readonly eaten: boolean;
	/** Of this food on the shelves already, and what went from them in the last year, kg as it came in. */
	readonly have_kg: number;
	readonly used_kg: number;
	/** What the household wants of it in a year, kg; null where it said nothing. */
	readonly want_kg: number | null;
	readonly ways: readonly WayOfLot[];
	/** Into store, into the crock: what is begun on a page of its own. */
	readonly apart: readonly ApartWay[];
}
export interface HaulInput {
	readonly kitchen: Kitchen;
	readonly lots: readonly LotOfHaul[];
	/** Places to store in whose room was said. */
	readonly rooms: readonly StoreRoom[];
	/** 1 to 14, today among them. */
	readonly days: number;
	readonly wishes: Wishes;
	readonly locks: readonly Lock[];
	/** ms. */
	readonly now: number;
}

export { usualWishes, wishKinds, type Wishes } from './wishes';

const day_ms = 86_400_000;
/** Common practice, all four: a helping of a vegetable, g; hours that a pot or a canner is kept going in a day; fillings of
 * the freezer's trays in one; kilos of one food that a person gets through in a year. */
const helping_kg = 0.2;
const fire_h = 8;
const fillings = 2;
const yearly_kg = 10;
/** How much of a fresh thing is left in each way, from 0 to 1 (practice: what cooks say of texture and taste). */
const freshness = (way: GlanceWay): number =>
	way.way === 'freeze' ? (/raw|blanch|steam/.test(way.id) ? 0.85 : 0.7) : way.way === 'dry' ? 0.4 : 0.5;

/** The slug of eating it as it is: no way of the list, and nothing is started for it. */
export const eatFresh = 'fresh';
export const wayId = (lot: string, slug: string): string => `${lot}|${slug}`;

/**
 * A haul as its programme wants it: the typed demands and steps of each way by the kilo, what this kitchen has by the day,
 * the clocks of the lots, what the household cares about.
 *
 * Nothing is among the ways that the core does not offer: a refused way has no demands.
 *
 * @throws {DomainError} by the programme: amounts that are none
 */
export function haulOf(input: HaulInput): Haul {
	const { kitchen, days, now } = input;
	const hands = handsLimits(kitchen, leftToday_h(kitchen.zone, now));
	const limits = new Map(limitsOf(input, hands).map((l) => [l.id, l]));
	const groups = new Map<string, LoadGroup>();
	const stations = new Map<string, Station>();
	const ways: HaulWay[] = [];
	const lots = input.lots.map((lot): HaulLot => {
		const kg = lot.grams / 1000;
		// Past its best and not past its end it is worked tonight; where the evening is over, in the morning.
		const grace = now + (leftToday_h(kitchen.zone, now) < leastToday_h ? day_ms : day_ms / 2);
		const until = Math.max(lot.bestBy, Math.min(lot.goneBy, grace));
		// A day counts where it is good until noon of it: what turns at breakfast is worked the evening before.
		const last = Math.max(0, daysBetween(kitchen.zone, now, until - day_ms / 2));
		const lastDay = lot.goneBy <= now ? -1 : Math.min(days - 1, last);
		for (const one of lot.ways) {
			if (one.way.packs < 1 || /^no /.test(one.way.missing ?? '')) continue;
			const made = wayOf(one, lot, input, hands);
			ways.push(made.way);
			if (made.group) groups.set(made.group.id, made.group);
			if (made.station) stations.set(made.station.id, made.station);
		}
		for (const one of lot.apart)
			ways.push(
				apartWayOf(one, lot, input, {
					id: wayId(lot.id, one.slug),
					hands,
					wanted_kg: wantedOf(lot, kitchen),
					quarts: jarLimit('quart')
				})
			);
		if (lot.eaten) ways.push(fresh(lot, input));
		return { id: lot.id, name: lot.name, kg, lastDay, left_cost: lot.bestBy < now + days * day_ms ? 1 : 0 };
	});
	// What nobody counted limits nothing: takes of it are left out.
	const counted = (takes: readonly Take[]) => takes.filter((x) => x.amount > 0 && limits.has(x.limit));
	return {
		days,
		lots,
		ways: ways.map((w) => ({ ...w, perKg: counted(w.perKg), perPack: counted(w.perPack) })),
		limits: [...limits.values()],
		stations: [...stations.values()].map((s) => ({ ...s, takes: counted(s.takes) })),
		groups: [...groups.values()].map((g) => ({ ...g, takes: counted(g.takes) })),
		locks: input.locks.filter((k) => ways.some((w) => w.id === k.way))
	};
}

/** Whole days from one date to another, 0 for the same. */
const daysBetween = (zone: string, from: number, to: number): number =>
	differenceInCalendarDays(new UTCDate(dateIn(zone, to)), new UTCDate(dateIn(zone, from)));

/** Until ten in the evening hands work and pots are watched (common practice). */
const lateHour = 22;
/** With less than that of the day nothing is begun any more (common practice). */
const leastToday_h = 2;
/** Hours of today's work that are left. */
function leftToday_h(zone: string, now: number): number {
	const late = nextAt(lateHour, now, zone);
	return dateIn(zone, late) === dateIn(zone, now) ? (late - now) / 3_600_000 : 0;
}

/** Jars of one size, whichever row of the drawer they are counted in. */
const jarsOf = (kitchen: Kitchen, size: JarSize) =>
	kitchen.containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, size));
const jarLimit = (size: string): string => `jars:${size}`;
/** What is counted by its own row: a jar of a size by that size. */
function containerLimit(kitchen: Kitchen, id: string): string {
	const size = jarSizes.find((j) => jarsOf(kitchen, j).some((c) => c.id === id));
	return size ? jarLimit(size) : `box:${id}`;
}

/** What this kitchen has until the last day: of today the hours that are left of it. */
function limitsOf({ kitchen, rooms, days, now }: HaulInput, hands: readonly HandsLimit[]): Limit[] {
	const left_h = leftToday_h(kitchen.zone, now);
	const daily = (id: string, name: string, unit: string, have: number, today = have): Limit => ({
		id,
		name,
		unit,
		kind: 'daily',
		have: Array.from({ length: days }, (_, day) => (day === 0 ? Math.min(have, today) : have))
	});
	const stock = (id: string, name: string, unit: string, have: number): Limit => ({
		id,
		name,
		unit,
		kind: 'stock',
		have
	});
	const sum = (of: readonly { readonly count: number }[]) => of.reduce((s, c) => s + c.count, 0);
	const lids = kitchen.supplies.filter((s) => s.kind === 'lid');
	const canners = (of: number) => fire_h * Math.max(1, of);
	const pressure = kitchen.canners.filter((c) => c.gauge !== 'none').length;
	return [
		...hands.map((h) => daily(h.id, h.name, 'h', h.have_h, h.today_h)),
		stock('room', 'Freezer', 'L', Math.max(0, kitchen.freezerFree_L)),
		...rooms.map((r) => stock(roomLimit(r.place), r.name, 'L', Math.max(0, r.free_L))),
		daily('freezing', 'Freezing in a day', 'kg', kitchen.freezeDay_kg),
		{ id: 'ice', name: 'Ice', unit: 'kg', kind: 'carried', have: kitchen.ice_kg, adds: kitchen.iceDay_kg },
		daily('trays', 'Freezer trays', 'trays', kitchen.trays * fillings),
		...kitchen.pots.map((p) => daily(`pot:${p.id}`, p.name, 'h', fire_h, left_h)),
		...(kitchen.dryer ? [daily('dryer', 'Dryer', 'tray-hours', kitchen.dryer.trays * 24)] : []),
		daily('canner:pressure', 'Pressure canner', 'h', canners(pressure), left_h),
		daily('canner:boiling-water', 'Canner', 'h', canners(kitchen.canners.length), left_h),
		...(lids.length > 0
			? [
					stock(
						'lids',
						'Lids',
						'lids',
						lids.reduce((s, l) => s + l.amount, 0)
					)
				]
			: []),
		...jarSizes.flatMap((size) => {
			const own = jarsOf(kitchen, size);
			return own.length > 0 ? [stock(jarLimit(size), `${size} jars`, 'jars', sum(own))] : [];
		}),
		...kitchen.containers
			.filter((c) => containerLimit(kitchen, c.id).startsWith('box:'))
			.map((c) => stock(`box:${c.id}`, c.name, c.kind === 'bag' ? 'bags' : 'pieces', c.count))
	];
}

function wayOf(
	{ slug, name, way }: WayOfLot,
	lot: LotOfHaul,
	input: HaulInput,
	hands: readonly HandsLimit[]
): { way: HaulWay; group?: LoadGroup; station?: Station } {
	const kg = lot.grams / 1000;
	const { demands: d } = way;
	const whole = way.way === 'can';
	const packs = Math.max(1, way.packs);
	// A gram over: what is rounded down on its way to the stove must not be a jar short there.
	const pack_kg = whole ? (way.each_g + 1) / 1000 : kg / packs;
	const step = (id: string) => way.work.find((s) => s.id === id)?.seconds ?? 0;
	const boil_h = step('boil') / 3600;
	const pot = d.pot ? `pot:${d.pot.id}` : null;
	const loads =
		way.loads && d.canner
			? { count: Math.max(1, d.canner.loads), hands_s: way.loads.hands_s, elapsed_s: way.loads.elapsed_s }
			: null;
	const id = wayId(lot.id, slug);
	const group: LoadGroup | undefined =
		loads && d.canner
			? {
					// Jars of one product, style and size go by one load, of whichever lot.
					id: `load:${way.id}:${d.jars?.size ?? ''}`,
					packs: Math.max(1, way.loads?.perLoad ?? packs),
					takes: [
						{ limit: `canner:${d.canner.method}`, amount: loads.elapsed_s / loads.count / 3600 },
						...handsTakes(hands, new Map([[cannerTask(way), loads.hands_s / loads.count / 3600]]))
					],
					cost: 0.02
				}
			: undefined;
	const station: Station | undefined =
		pot && boil_h > 0 ? { id: pot, takes: [{ limit: pot, amount: boil_h }], cost: 0.02 } : undefined;
	const per = (amount: number) => amount / kg;
	const worth = worthOfWay(way, lot, input);
	// Variety: the last part of a lot goes another way. And more than the house gets through until next year is worth less.
	const various_kg = kg * (0.9 - 0.12 * input.wishes.variety);
	const wanted_kg = wantedOf(lot, input.kitchen);
	return {
		way: {
			id,
			lot: lot.id,
			name,
			pack_kg,
			whole,
			least_kg: Math.min(kg, pack_kg),
			most_kg: kg,
			worth,
			enough_kg: Math.min(various_kg, wanted_kg),
			worthMore: worth * (1 - 0.06 * input.wishes.variety) * (wanted_kg < various_kg ? beyondWanted : 1),
			perKg: [
				...handsTakes(hands, handsByTask(way), per(1)),
				{ limit: 'room', amount: per(d.freezer_L) },
				{ limit: 'freezing', amount: per(d.freeze_kg) },
				{ limit: 'ice', amount: per(d.ice_kg) },
				{ limit: 'trays', amount: per(d.trays) },
				...(pot && d.pot ? [{ limit: pot, amount: per(Math.max(0, d.pot.seconds / 3600 - boil_h)) }] : []),
				...(d.dryer ? [{ limit: 'dryer', amount: per(d.dryer.tray_h) }] : [])
			],
			perPack: [
				...(d.canner ? [{ limit: 'lids', amount: d.canner.lids / packs }] : []),
				...(d.jars ? [{ limit: jarLimit(d.jars.size), amount: d.jars.count / packs }] : []),
				...d.containers.map((c) => ({ limit: containerLimit(input.kitchen, c.id), amount: c.count / packs }))
			],
			station: station?.id ?? null,
			group: group?.id ?? null
		},
		...(group ? { group } : {}),
		...(station ? { station } : {})
	};
}

/** What of a year's is not on the shelves yet, kg. */
const wantedOf = (lot: LotOfHaul, kitchen: Kitchen): number => Math.max(0, yearly(lot, kitchen) - lot.have_kg);
/** A year's, kg: what was said; else a fifth more than last year's, or by its heads where nothing went yet. */
export const yearly = (
	{ want_kg, used_kg }: Pick<LotOfHaul, 'want_kg' | 'used_kg'>,
	{ people }: Pick<Kitchen, 'people'>
): number => want_kg ?? (used_kg > 0.5 ? 1.2 * used_kg : people * yearly_kg);
/** Worth of a kilo beyond it, against one that is wanted (common practice). */
const beyondWanted = 0.8;

/** Worth of a kilo by what the household cares about; about one. */
function worthOfWay(way: GlanceWay, lot: LotOfHaul, { kitchen, wishes, now }: HaulInput): number {
	const kg = lot.grams / 1000;
	const months = way.keepsUntil ? Math.max(0, (Date.parse(way.keepsUntil) - now) / (30.4 * day_ms)) : 1;
	const money =
		way.energy_kWh * kitchen.prices.kWh +
		way.packs * (way.each === 'jar' && way.way === 'can' ? kitchen.prices.lid : kitchen.prices.bag);
	return (
		1 +
		0.15 * wishes.closestToFresh * freshness(way) +
		0.1 * wishes.keepsLongest * Math.min(1, months / 12) -
		0.05 * wishes.leastFreezer * (way.store === 'freezer' ? way.litres / kg : 0) -
		(0.1 + 0.4 * wishes.leastWork) * (way.hands_s / 3600 / kg) -
		0.2 * wishes.costsLeast * (money / kg / Math.max(1, kitchen.prices.hour))
	);
}

/** Eaten as it is while it keeps: a helping a head and day. */
function fresh(lot: LotOfHaul, { kitchen, days, wishes, now }: HaulInput): HaulWay {
	const kg = lot.grams / 1000;
	const keeps = Math.max(0, Math.min(7, Math.ceil((lot.bestBy - now) / day_ms)));
	return {
		id: wayId(lot.id, eatFresh),
		lot: lot.id,
		name: 'eat fresh',
		pack_kg: kitchen.people * helping_kg,
		whole: false,
		least_kg: 0,
		most_kg: Math.min(kg, kitchen.people * helping_kg * Math.max(1, Math.min(days, keeps))),
		worth: 1 + 0.15 * wishes.closestToFresh,
		enough_kg: kg,
		worthMore: 1 + 0.15 * wishes.closestToFresh,
		perKg: [],
		perPack: [],
		station: null,
		group: null
	};
}
