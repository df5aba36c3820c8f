import { demandsOf } from '$core/ways/demands';
import { packStyleNames } from '$core/packing/pack-style';
import { sayCount, sayWeight } from '$core/quantities/format';
import { planFreeze, type Chosen } from '$core/runs/kinds/freeze/make';
import type { FreezePlan } from '$core/runs/kinds/freeze/plan';
import { freezeWays, type FreezeWay } from '$core/ways/freeze-ways';
import { AppError } from './errors';
import { byProductsOf, freezersOf } from './start';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';
import { wayQuery } from './ways/query';
import { waysFor } from './ways/read';

/** A lot that is ticked for an evening, with what was chosen for it; nothing chosen is the usual. */
export interface Ticked {
	readonly lotId: string;
	/** Cut and way: "cut|blanch:cut". */
	readonly way?: string | undefined;
	readonly portion?: string | undefined;
	/** How it is packed. */
	readonly packed?: string | undefined;
}

/** A lot of the basket as the evening shows it. */
export interface EveningRow {
	readonly lotId: string;
	readonly title: string;
	readonly amount: string;
	readonly ticked: boolean;
	readonly options: readonly { readonly value: string; readonly words: string }[];
	readonly way: string;
	readonly portion: string;
	/** How it can be packed, and how it is; one way alone is no choice. */
	readonly styles: readonly { readonly value: string; readonly words: string }[];
	readonly packed: string;
	/** What comes of it, where it is ticked. */
	readonly gets: string;
	/** Why it cannot be among them. */
	readonly stop: string;
}

/** What all of it together takes, and what of that is there. */
export interface EveningSum {
	readonly order: readonly string[];
	readonly hands_s: number;
	readonly lines: readonly {
		readonly what: string;
		readonly wants: string;
		readonly has: string;
		readonly short: boolean;
	}[];
}

interface Found {
	readonly row: EveningRow;
	readonly chosen: Chosen | null;
	readonly way: FreezeWay | null;
}

/** Every cut of a lot with its ways of freezing, and the one that was chosen. */
async function look(
	stores: Stores,
	lotId: string,
	title: string,
	ticked: Ticked | undefined,
	units: HouseholdRow['units'],
	now: Date
): Promise<Found> {
	const base = {
		lotId,
		title,
		amount: '',
		ticked: ticked !== undefined,
		options: [],
		way: '',
		portion: ticked?.portion ?? '',
		styles: [],
		packed: '',
		gets: '',
		stop: ''
	};
	const first = await waysFor(stores, lotId, {}, now);
	const amount = sayWeight(first.free_g, units);
	if (first.stop) return { row: { ...base, amount, ticked: false, stop: first.stop.reason }, chosen: null, way: null };
	if (first.free_g === 0)
		return { row: { ...base, amount, ticked: false, stop: 'All of it is at the stove.' }, chosen: null, way: null };
	const cuts = first.ways.cut ? [first.ways.cut, ...first.food.cuts.filter((c) => c.id !== first.ways.cut?.id)] : [];
	const list: { value: string; words: string }[] = [];
	for (const cut of cuts) {
		// The lot and the kitchen are read once: only the ways of freezing are worked out for each cut.
		const { ways } =
			cut === first.ways.cut
				? first.ways
				: freezeWays({
						thing: first.thing,
						grams: first.shown_g,
						food_C: first.food_C,
						kitchen: first.kitchen,
						choices: { cut: cut.id },
						now: now.getTime()
					});
		for (const way of ways)
			if (way.kind === 'way') list.push({ value: `${cut.id}|${way.id}`, words: `${cut.name} · ${way.name}` });
	}
	const [usual] = list;
	if (!usual) {
		const refused = first.ways.ways.find((w) => w.kind === 'refused');
		return {
			row: {
				...base,
				amount,
				ticked: false,
				stop: refused?.kind === 'refused' ? refused.reason : 'No way of freezing it is known.'
			},
			chosen: null,
			way: null
		};
	}
	const value = list.some((o) => o.value === ticked?.way) ? (ticked?.way ?? usual.value) : usual.value;
	const [cutId = '', wayId = ''] = value.split('|');
	const row = { ...base, amount, options: list, way: value };
	if (!ticked) return { row, chosen: null, way: null };
	const found = await waysFor(
		stores,
		lotId,
		wayQuery({
			cut: cutId,
			...(ticked.portion ? { portion: ticked.portion } : {}),
			...(ticked.packed ? { packed: ticked.packed } : {})
		}),
		now
	);
	const way = found.ways.ways.find((w): w is FreezeWay => w.kind === 'way' && w.id === wayId);
	if (!way) return { row, chosen: null, way: null };
	const { count, portion_g } = way.packs;
	return {
		row: {
			...row,
			styles: found.ways.styles.map((value) => ({ value, words: packStyleNames[value] })),
			packed: way.style,
			gets: `${sayCount(count, 'pack')} of ${sayWeight(portion_g, units)}, ${packStyleNames[way.style]}`
		},
		way,
		chosen: {
			way,
			lotId,
			called: found.lot.title,
			form: found.lot.form,
			raw_g: found.shown_g,
			portionWords: found.portionWords,
			cooked: found.thing.state === 'cooked',
			byproducts: byProductsOf(found.thing, way, found.shown_g)
		}
	};
}

/**
 * An evening over several lots of the basket: what each becomes, what all of it takes of the kitchen, and the plan of its
 * one run.
 *
 * @throws {AppError} 400 a portion that is none, 404
 */
export async function eveningOf(
	stores: Stores,
	household: HouseholdRow,
	ticked: readonly Ticked[],
	now: Date
): Promise<{ rows: EveningRow[]; sum: EveningSum | null; plan: FreezePlan | null }> {
	const basket = await stores.stock.basket();
	const found: Found[] = [];
	for (const { lot } of basket)
		found.push(
			await look(
				stores,
				lot.id,
				lot.title,
				ticked.find((t) => t.lotId === lot.id),
				household.units,
				now
			)
		);
	const gone = ticked.find((t) => !basket.some(({ lot }) => lot.id === t.lotId));
	if (gone)
		throw new AppError(404, 'NOT_FOUND', 'One of these is no longer in the Basket. Look again at what is there.');
	const rows = found.map((f) => f.row);
	const chosen = found.flatMap((f) => (f.chosen ? [f.chosen] : []));
	if (chosen.length === 0) return { rows, sum: null, plan: null };
	const kitchen = await stores.home.kitchen();
	const plan = planFreeze(chosen, kitchen, await freezersOf(stores));
	const demands = chosen.map(({ way }) => demandsOf(way));
	const total = (of: (d: (typeof demands)[number]) => number) => demands.reduce((all, d) => all + of(d), 0);
	const say = (kg: number) => sayWeight(kg * 1000, household.units);
	const ice = total((d) => d.ice_kg);
	const trays = total((d) => d.trays);
	const day = total((d) => d.freeze_kg);
	const litres = total((d) => d.freezer_L);
	const containers = new Map<string, number>();
	for (const d of demands) for (const c of d.containers) containers.set(c.id, (containers.get(c.id) ?? 0) + c.count);
	const lines = [
		...(ice > 0.05
			? [{ what: 'Ice', wants: say(ice), has: say(kitchen.ice_kg), short: ice > kitchen.ice_kg + 0.05 }]
			: []),
		...(trays > 0 ? [{ what: 'Trays', wants: `${trays}`, has: `${kitchen.trays}`, short: trays > kitchen.trays }] : []),
		{
			what: 'To freeze in a day',
			wants: say(day),
			has: say(kitchen.freezeDay_kg),
			short: day > kitchen.freezeDay_kg + 0.001
		},
		{
			what: 'Freezer room',
			wants: `${Math.ceil(litres)} L`,
			has: `${Math.floor(kitchen.freezerFree_L)} L`,
			short: litres > kitchen.freezerFree_L
		},
		...[...containers].map(([id, count]) => {
			const own = kitchen.containers.find((c) => c.id === id);
			return {
				what: own?.name ?? 'Containers',
				wants: `${count}`,
				has: `${own?.count ?? 0}`,
				short: count > (own?.count ?? 0)
			};
		})
	];
	return {
		rows,
		plan,
		sum: {
			order: plan.subjects.filter((s) => s.pot !== null).map((s) => s.food.name),
			hands_s: total((d) => d.hands_s),
			lines
		}
	};
}
