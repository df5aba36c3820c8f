import {
	meatRules,
	partById,
	species as allSpecies,
	type CuttingRow,
	type DressingRow,
	type PartId,
	type SpeciesRow
} from '$reference/breakdown';
import { sources } from '$reference/sources';
import { dayLimit_kg } from '$core/freezing/freezer-week';
import { breakDown, cutUp, type Basis, type BreakDown } from '$core/meat/break-down';
import { freezeMeat, type FreezePlan, type FreezerRoom } from '$core/meat/freeze-meat';
import { packMeat, type MeatPacking } from '$core/meat/pack-meat';
import { ration, tableHours, worthOf, type Ration, type Worth } from '$core/meat/worth';
import { sayMoney } from '$core/quantities/money';
import { sayCount, sayDuration, sayLength, sayVolume, sayWeight } from '$core/quantities/format';
import { planBreakDown } from '$core/runs/kinds/break-down/make';
import type { BreakDownPlan } from '$core/runs/kinds/break-down/plan';
import type { Kitchen } from '$core/ways/kitchen';
import type { Begin } from '$lib/ui/run/types';
import type { Stores } from './stores';
import { readLot, type LotRead } from './ways/read';

/** What was chosen of an animal: before it is there by its weight alone, after it by its lot. */
export interface MeatChosen {
	readonly lot?: string | undefined;
	readonly species?: string | undefined;
	readonly option?: string | undefined;
	readonly basis?: Basis | undefined;
	readonly dressing?: string | undefined;
	readonly grams?: number | undefined;
	readonly hung?: number | undefined;
	readonly lean?: number | undefined;
	readonly boxes?: number | undefined;
	readonly first?: 'yes' | 'no' | undefined;
	/** A freezer that is rented or a neighbour's, L. */
	readonly extra?: number | undefined;
	/** In all, in minor units. */
	readonly paid?: number | undefined;
	/** A shop's price a kilo, minor units, by part. */
	readonly shop?: Readonly<Partial<Record<PartId, number>>> | undefined;
	/** A person's a day, g. */
	readonly appetite?: number | undefined;
}

export interface MeatRow {
	readonly id: PartId;
	readonly name: string;
	/** Of what is on the table, 0 to 1: how long it is drawn. */
	readonly share: number;
	readonly weight: string;
	readonly packs: number;
	readonly each: string;
	readonly style: string;
	readonly bag: string;
	readonly short: number;
	/** What it cost, by its share of what was paid; empty where nothing was. */
	readonly cost: string;
	readonly shop: number | null;
	readonly priced: boolean;
}

export interface MeatView extends Pick<Begin, 'name' | 'amount' | 'selects' | 'cautions' | 'source' | 'stop'> {
	readonly lot: string;
	readonly grams: number | null;
	/** Numbers that may be typed: their field, their word, what stands there. */
	readonly hung: number;
	readonly lean: number;
	readonly leanAs: number;
	readonly boxes: number;
	readonly extra: number;
	readonly paid: number | null;
	readonly appetite: number;
	readonly currency: string;
	readonly packs: number;
	readonly meat: string;
	readonly chain: readonly (readonly [string, string])[];
	readonly rows: readonly MeatRow[];
	/** What is missing, the worst first; nothing where all of it is there. */
	readonly short: readonly string[];
	readonly freezers: readonly {
		readonly name: string;
		readonly free: string;
		readonly takes: string;
		readonly filled: string;
	}[];
	readonly freezing: readonly (readonly [string, string])[];
	readonly facts: readonly (readonly [string, string])[];
	readonly fits: boolean;
}

/** What a lot can be: a hen or a broiler, a deer or an elk; without a lot any of them. */
const animalsOf = (read: LotRead | null): readonly SpeciesRow[] =>
	read ? allSpecies.filter((s) => s.food === read.thing.food.id) : allSpecies;
/** Enough to be laid out before anybody has said how much: half an ox hangs at about that. */
const usual_g = 100_000;

/** All that is worked out of what was chosen. */
interface Worked {
	readonly ask: MeatChosen;
	readonly read: LotRead | null;
	readonly kitchen: Kitchen;
	readonly species: SpeciesRow;
	readonly option: CuttingRow;
	readonly basis: Basis;
	readonly dressing: DressingRow | undefined;
	readonly grams: number;
	readonly made: BreakDown;
	readonly packing: MeatPacking;
	readonly rooms: readonly FreezerRoom[];
	readonly freeze: FreezePlan;
	readonly mincer: number | null;
}

/** A box is about 25 kg, a piece of a carcass about 40 (common practice). */
const boxesFor = ({ ask, basis, grams }: Pick<Worked, 'ask' | 'basis' | 'grams'>): number =>
	ask.boxes ?? Math.max(1, Math.round(grams / (basis === 'boxed' ? 25_000 : 40_000)));

/**
 * An animal, a carcass or boxes of meat, worked out before the butcher comes: what it comes to, in which packs and bags, whether
 * the freezers hold it and how many days they take, hours at the table, how long it lasts, what a kilo came to.
 *
 * @throws {AppError} 404; {DomainError} as `breakDown`
 */
export async function meatFor(
	stores: Stores,
	ask: MeatChosen,
	now: Date
): Promise<{ view: MeatView; plan: BreakDownPlan | null }> {
	const read = ask.lot ? await readLot(stores, ask.lot, now) : null;
	const [kitchen, places, sums, gear] = await Promise.all([
		read ? read.kitchen : stores.home.kitchen(),
		stores.home.places(),
		stores.stock.sums(),
		stores.gear.equipment()
	]);
	const own = places
		.filter((p) => p.kind === 'freezer' && (p.litres ?? 0) > 0)
		.map((p): FreezerRoom => ({
			id: p.id,
			name: p.name,
			litres: p.litres ?? 0,
			free_L: Math.max(0, (p.litres ?? 0) - (sums.find((s) => s.placeId === p.id)?.litres ?? 0)),
			day_kg: p.dayKg ?? dayLimit_kg(p.litres ?? 0)
		}));
	const [mincer = null] = gear.flatMap((g) => (g.kind === 'grinder' ? [g.spec.kg_h] : []));
	const w = workOut(ask, read, kitchen, own, mincer);
	const cold = places.find((p) => ['fridge', 'cool', 'cellar'].includes(p.kind) && p.tempC <= cold_C);
	const may = read !== null && cutUp(read.thing) !== undefined;
	const planned = read && may && !read.stop && read.free_g > 0 ? planOf(w, read, cold) : null;
	const refused = planned && 'kind' in planned ? planned : (read?.stop ?? null);
	const stop = refused
		? `${refused.reason} ${refused.instead.join('; ')}.`
		: read?.free_g === 0
			? 'All of it is at the Stove already.'
			: read && !may
				? `${read.lot.title} is no whole animal, carcass or box of one that is cut up here.`
				: '';
	return { view: viewOf(w, stop), plan: planned && !('kind' in planned) ? planned.plan : null };
}

function workOut(
	ask: MeatChosen,
	read: LotRead | null,
	kitchen: Kitchen,
	own: readonly FreezerRoom[],
	mincer: number | null
): Worked {
	const animals = animalsOf(read);
	const species = animals.find((a) => a.id === ask.species) ?? animals[0] ?? allSpecies[0];
	const option = species?.options.find((o) => o.id === ask.option) ?? species?.options[0];
	if (!species || !option) throw new Error('The table of animals is empty.');
	const basis: Basis = ask.basis ?? 'hanging';
	const dressing = species.dressing.find((d) => d.id === ask.dressing) ?? species.dressing[0];
	const most = read ? Math.max(1, read.free_g) : Infinity;
	const grams = Math.min(most, ask.grams ?? (read ? most : usual_g));
	const made = breakDown({
		species,
		option,
		basis,
		weight_g: grams,
		hung_d: ask.hung ?? 0,
		...(dressing ? { dressed: dressing.usual } : {}),
		...(ask.lean === undefined ? {} : { lean: ask.lean })
	});
	const packing = packMeat({ parts: made.parts, people: kitchen.people, containers: kitchen.containers });
	const extra = ask.extra ?? 0;
	const lent: FreezerRoom = {
		id: 'extra',
		name: 'a rented or a neighbour’s freezer',
		litres: extra,
		free_L: extra,
		day_kg: dayLimit_kg(extra)
	};
	const rooms = extra > 0 ? [...own, lent] : own;
	const frozen_kg = packing.packs.reduce((sum, p) => sum + p.grams, 0) / 1000;
	const freeze = freezeMeat(frozen_kg, packing.litres, rooms);
	return { ask, read, kitchen, species, option, basis, dressing, grams, made, packing, rooms, freeze, mincer };
}

function viewOf(w: Worked, stop: string): MeatView {
	const { ask, read, kitchen, species, option, made, packing, freeze } = w;
	const { units, prices } = kitchen;
	const paid = ask.paid ?? read?.lot.priceMinor ?? null;
	const worth =
		paid === null
			? null
			: worthOf(
					paid,
					made.parts.map((p) => ({ id: p.id, grams: p.grams, shop_kg: ask.shop?.[p.id] ?? null }))
				);
	const appetite = ask.appetite ?? meatRules.appetite_kg_day.value * 1000;
	const lasts = ration(made.parts, kitchen.people, appetite / 1000);
	return {
		name: read ? read.lot.title : species.name,
		amount: sayWeight(w.grams, units),
		lot: ask.lot ?? '',
		grams: ask.grams ?? null,
		selects: selectsOf(w),
		hung: ask.hung ?? 0,
		lean: ask.lean ?? species.lean,
		leanAs: species.lean,
		boxes: boxesFor(w),
		extra: ask.extra ?? 0,
		paid,
		appetite,
		currency: prices.currency,
		packs: packing.count,
		meat: sayWeight(lasts.meat_kg * 1000, units),
		chain: made.chain.map((c) => [c.name, sayWeight(c.grams, units)] as const),
		rows: rowsOf(w, worth?.cost ?? null),
		short: shortOf(packing, freeze, kitchen),
		freezers: w.rooms.map((r) => {
			const into = freeze.loads.filter((l) => l.freezer === r.id);
			const kg = into.reduce((sum, l) => sum + l.kg, 0);
			return {
				name: r.name,
				free: sayVolume(r.free_L, units),
				takes: `${sayWeight((r.day_kg ?? dayLimit_kg(r.litres)) * 1000, units)} a day`,
				filled: kg > 0 ? `${sayWeight(kg * 1000, units)}, days 1 to ${into.at(-1)?.day ?? 1}` : 'none of it'
			};
		}),
		freezing: freeze.fits
			? [
					[sayCount(freeze.days ?? 0, 'day'), `to freeze it, ${sayWeight(freeze.day_kg * 1000, units)} a day`],
					[sayCount(freeze.daysLeast ?? 0, 'day'), 'at the upper of the published loads: the old stock gets warmer']
				]
			: [],
		facts: [...hoursOf(w), ...rationWords(w, lasts, appetite), ...rollsOf(w), ...worthWords(worth, prices.currency)],
		fits: freeze.fits,
		cautions: [
			'Raw meat stands out of the cold two hours at most, all its times together; one above 32 °C (90 °F).',
			'Old stock stays at −12 °C (10 °F) or below: no more goes in a day than the freezer takes.',
			'Slaughter, inspection and the movement of game and its parts are a matter of your own law: ask there first.',
			...(option.note ? [option.note] : [])
		],
		source: `${sources[option.source].short} (${option.confidence}); packs and hours: common practice; ${sources.nchfpFreezing.short}, ${sources.fsis.short} (from memory)`,
		stop
	};
}

function selectsOf({ read, ask, species, option, basis, dressing }: Worked): MeatView['selects'] {
	const animals = animalsOf(read);
	const named = (rows: readonly { readonly id: string; readonly name: string }[]) =>
		rows.map((r) => ({ value: r.id, words: r.name }));
	return [
		...(animals.length > 1 ? [select('species', 'what', species.id, named(animals))] : []),
		select('option', 'cut', option.id, named(species.options)),
		select('basis', 'weighed', basis, [
			{ value: 'live', words: 'alive' },
			{ value: 'hot', words: 'dressed, warm' },
			{ value: 'hanging', words: 'hanging, cold' },
			{ value: 'boxed', words: 'in boxes, off the bone' }
		]),
		...(basis === 'live' && dressing
			? [
					select(
						'dressing',
						'it was',
						dressing.id,
						species.dressing.map((d) => ({ value: d.id, words: `${d.name}, ${d.usual} %` }))
					)
				]
			: []),
		select('first', 'you have done it', ask.first ?? 'no', [
			{ value: 'no', words: 'before' },
			{ value: 'yes', words: 'never' }
		])
	];
}

type Said = readonly (readonly [string, string])[];

function hoursOf({ made, basis, ask, mincer }: Worked): Said {
	const hours = tableHours({
		table_g: made.table_g,
		mince_g: made.parts.find((p) => p.id === 'mince')?.grams ?? 0,
		mincer_kg_h: mincer,
		practised: ask.first !== 'yes',
		boxed: basis === 'boxed'
	});
	const say = (h: number) => sayDuration(h * 3600);
	return [
		[
			say(hours.sum_h),
			`at the table for one: ${say(hours.cut_h)} cutting, ${say(hours.mince_h)} mincing, ${say(hours.wrap_h)} wrapping, the rest setting up and cleaning`
		]
	];
}

const rationWords = ({ kitchen: { units, people } }: Worked, lasts: Ration, appetite: number): Said => [
	[
		sayCount(Math.floor(lasts.days), 'day'),
		`of meat at ${sayWeight(appetite, units)} a person a day, ${people} at table`
	],
	[sayWeight(Math.round(lasts.year_g), units), 'a person a day, if it is to last a year']
];

const rollsOf = ({ packing: { roll_m }, kitchen: { units } }: Worked): Said =>
	roll_m.length === 0
		? []
		: [
				[
					rollWords(
						roll_m.reduce((sum, r) => sum + r.length_m, 0),
						units
					),
					`off the rolls if all of it is sealed: ${roll_m.map((r) => `${r.pieces} of ${sayLength(r.width_m, units)}`).join(', ')}`
				]
			];

function worthWords(worth: Worth | null, currency: string): Said {
	if (worth === null || worth.kilo === null) return [];
	const money = (minor: number) => sayMoney(Math.round(minor), currency);
	const saved = worth.saved >= 0 ? `${money(worth.saved)} saved` : `${money(-worth.saved)} more than there`;
	return [
		[
			money(worth.kilo),
			`a kilo of meat${worth.shop > 0 ? `; at a shop the same is ${money(worth.shop)}: ${saved}` : ''}`
		]
	];
}

const rollWords = (metres: number, units: Kitchen['units']): string =>
	units === 'us' ? `${Math.ceil(metres / 0.3048)} ft` : `${metres.toFixed(1)} m`;

const select = (
	name: string,
	label: string,
	value: string,
	options: MeatView['selects'][number]['options']
): MeatView['selects'][number] => ({ name, label, value, options });

/** A cool place is cold enough for meat up to so many °C. @source USDA FSIS, 40 °F (from memory) */
const cold_C = 4.5;

const planOf = (w: Worked, { thing, lot }: LotRead, cold: { readonly id: string; readonly name: string } | undefined) =>
	planBreakDown(
		{
			thing,
			called: lot.title,
			lotId: lot.id,
			raw_g: w.grams,
			species: w.species,
			option: w.option,
			basis: w.basis,
			hung_d: w.ask.hung ?? 0,
			...(w.dressing ? { dressed: w.dressing.usual } : {}),
			...(w.ask.lean === undefined ? {} : { lean: w.ask.lean }),
			boxes: boxesFor(w),
			cold: cold ? { id: cold.id, name: cold.name } : null,
			practised: w.ask.first !== 'yes',
			mincer_kg_h: w.mincer
		},
		w.kitchen
	);

function rowsOf({ made, packing, ask, kitchen: { units, prices } }: Worked, cost: readonly number[] | null): MeatRow[] {
	const money = (minor: number) => sayMoney(Math.round(minor), prices.currency);
	return made.parts.map((p, i) => {
		const pack = packing.packs.find((x) => x.part === p.id);
		const row = partById(p.id);
		return {
			id: p.id,
			name: p.name,
			share: p.grams / Math.max(1, made.table_g),
			weight: sayWeight(p.grams, units),
			packs: pack?.packs ?? 0,
			each: pack ? sayWeight(pack.pack_g, units) : '',
			style: pack?.style ?? '',
			bag: pack ? (pack.bag?.name ?? 'no bag is large enough') : '',
			short: pack?.short ?? 0,
			cost: cost && (cost[i] ?? 0) > 0 ? money(cost[i] ?? 0) : '',
			shop: ask.shop?.[p.id] ?? null,
			priced: row.meat
		};
	});
}

/** What is missing before the first cut: room, then bags. */
function shortOf(packing: MeatPacking, freeze: ReturnType<typeof freezeMeat>, { units }: Kitchen): string[] {
	const list: string[] = [];
	const [least, most] = freeze.short_L;
	if (most > 0)
		list.push(
			`It does not fit: ${least > 0 ? `${sayVolume(least, units)} to ` : 'up to '}${sayVolume(most, units)} short of the ${sayVolume(packing.litres[0], units)} to ${sayVolume(packing.litres[1], units)} that it takes. Another freezer, or less of it: jars, the dryer, a neighbour.`
		);
	if (packing.short > 0)
		list.push(
			`${sayCount(packing.short, 'bag')} short: ${packing.packs
				.filter((p) => p.short > 0)
				.map((p) => `${p.short} for ${partById(p.part).name}${p.bag ? ` (${p.bag.name})` : ', none large enough'}`)
				.join(', ')}.`
		);
	return list;
}
