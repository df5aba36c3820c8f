import { freezerModel } from '../../reference/model-rules';
import { freezingPointOf } from '../../reference/freezing-points';
import { isJarOf, type JarSize } from '../../reference/canning-rules';
import type { PackStyle } from '../../reference/canning';
import { cannerCapacity, cannerLoads, type CannerLoads } from '../canning/canner-loads';
import { packCost, type PackCost } from '../costs/pack-cost';
import type { Refusal } from '../errors';
import { freezerPlate } from '../freezing/freezer-week';
import { boilingPoint_C } from '../heat/boiling-point';
import { waterHeat_J_kgK } from '../heat/constants';
import { foodHeat_J_kgK } from '../heat/food-heat';
import { enthalpyAt, sharesOf } from '../heat/food-properties';
import { usefulPower_W } from '../heat/pot-heating';
import type { CanWay, CanWays } from './can-ways';
import type { DryWay } from './dry-ways';
import type { FreezeWay, RefusedWay } from './freeze-ways';
import { cannerFor } from './gear-changes';
import { demandsOf, dryDemands } from './demands';
import type { Kitchen } from './kitchen';
import { simmer_s } from './simmer';
import { noDemands, type Demands, type WorkStep } from './work';

/** One way beside the others, for the whole of an item. */
export interface GlanceWay {
	readonly kind: 'way';
	readonly id: string;
	readonly store: 'freezer' | 'shelf';
	readonly way: 'freeze' | 'dry' | 'can';
	readonly name: string;
	/** Packs or jars, and what of the food as it came in is in one. */
	readonly packs: number;
	readonly each: 'pack' | 'jar';
	readonly each_g: number;
	readonly hands_s: number;
	readonly elapsed_s: number;
	/** To make it, and to keep it for a month. */
	readonly energy_kWh: number;
	readonly keep_kWh_month: number;
	readonly litres: number;
	/** `yyyy-MM-dd`; null where no months are printed. */
	readonly keepsUntil: string | null;
	/** Null where it makes no whole pack. */
	readonly cost: PackCost | null;
	/** What is missing here: a dryer, a canner, room. */
	readonly missing: string | null;
	/** Canning: its loads. */
	readonly loads?: CannerLoads;
	/** Typed steps, and what it takes of the kitchen: what plans, boards and schedules read. */
	readonly work: readonly WorkStep[];
	readonly demands: Demands;
}
export interface GlanceRefused extends Refusal {
	readonly id: string;
	readonly way: GlanceWay['way'];
	readonly name: string;
}
/** A tested way of which no amount can be said: its place in the list, and where it stands in full. */
export interface GlanceNote {
	readonly kind: 'note';
	readonly id: string;
	readonly way: GlanceWay['way'];
	readonly name: string;
	readonly words: string;
}
export type Glance = readonly (GlanceWay | GlanceRefused | GlanceNote)[];

export interface GlanceInput {
	readonly kitchen: Kitchen;
	readonly grams: number;
	/** Of the food where it stands, °C. */
	readonly food_C: number;
	readonly freeze: readonly (FreezeWay | RefusedWay)[];
	readonly dry: DryWay | Refusal;
	readonly cans: CanWays;
	/** Of the jars, where it matters. */
	readonly style?: PackStyle;
	/** Paid for all of it, and the like in a shop for a kilo: minor units. */
	readonly paid: number;
	readonly shopPerKg?: number;
}

/**
 * Every way for one item in one list: freezing, drying, canning, refused ways with their reason. What each takes in hands,
 * hours, energy, room and money.
 *
 * Energy is what pot, dryer, canner and freezer draw for it; a burner's by its share of useful heat, cold by 1.3.
 *
 * @throws {DomainError} as the models it asks
 */
export function glance(input: GlanceInput): Glance {
	const { freeze, dry, cans } = input;
	const list: (GlanceWay | GlanceRefused | GlanceNote)[] = freeze.map((way) =>
		way.kind === 'refused' ? { ...way, id: `freeze-${way.id}`, way: 'freeze' as const } : frozen(input, way)
	);
	list.push(dry.kind === 'refused' ? { ...dry, id: 'dry', way: 'dry', name: 'Dry' } : dried(input, dry));
	if ('kind' in cans.plain) list.push({ ...cans.plain, id: 'can', way: 'can', name: 'Into jars as it is' });
	else {
		// One line a product, in the style that was chosen, else the first that is tested.
		for (const product of new Set(cans.plain.map((c) => c.product.id))) {
			const styles = cans.plain.filter((c) => c.product.id === product);
			const chosen = styles.find((c) => c.style === input.style) ?? styles[0];
			if (chosen) list.push(canned(input, chosen));
		}
	}
	return list;
}

/** Washing, peeling, cutting for jars: s to a kilo as it came in (common practice). */
const canPrep_s_kg = 360;
/** Room a jar takes on a shelf, glass and lid with it, L (common practice). */
const jarRoom_L: Readonly<Record<JarSize, number>> = { 'half-pint': 0.3, pint: 0.6, quart: 1.15, 'half-gallon': 2.2 };

type Draft = Omit<GlanceWay, 'kind' | 'cost'> & { readonly supplies: number; readonly pack_g: number };

function priced({ kitchen, paid, shopPerKg }: GlanceInput, { supplies, pack_g, ...draft }: Draft): GlanceWay {
	const cost =
		draft.packs < 1
			? null
			: packCost({
					produce: paid,
					supplies,
					energy_kWh: draft.energy_kWh,
					energyPrice: kitchen.prices.kWh,
					hands_s: draft.hands_s,
					hourRate: kitchen.prices.hour,
					packs: draft.packs,
					pack_g,
					...(shopPerKg === undefined ? {} : { shopPerKg })
				});
	return { kind: 'way', ...draft, cost };
}

const kWh = (joule: number) => joule / 3.6e6;

function frozen(input: GlanceInput, way: FreezeWay): GlanceWay {
	const { kitchen } = input;
	const { food, line, pot } = way;
	const thermal = { composition: sharesOf(food.composition), freezing_C: freezingPointOf(food).C };
	let energy_kWh = kWh(
		((enthalpyAt(thermal, Math.max(0, input.food_C)) - enthalpyAt(thermal, Math.max(-40, kitchen.freezer_C))) * (way.prepared_g / 1000)) /
			freezerModel.efficiency.value
	); // prettier-ignore
	if (line && pot) {
		const share = usefulPower_W(pot.burner) / pot.burner.power_W;
		const water_J = line.water_L * waterHeat_J_kgK * (line.boil_C - kitchen.tap_C);
		const food_J = (way.load_g / 1000) * foodHeat_J_kgK(food) * (line.boil_C - input.food_C);
		energy_kWh += kWh((water_J + food_J) / share);
	}
	const count = way.packs.count + (way.second?.count ?? 0);
	const bags = count + (way.packs.remainder_g > 0 ? 1 : 0);
	const litres = way.packs.volume_L + (way.second?.volume_L ?? 0);
	const perLitre_W = keepPerLitre_W(kitchen);
	return priced(input, {
		id: `freeze-${way.id}`,
		store: 'freezer',
		way: 'freeze',
		name: way.name,
		packs: count,
		each: 'pack',
		each_g: way.second ? way.prepared_g / count : way.packs.portion_g,
		hands_s: way.hands_s,
		elapsed_s: way.elapsed_s,
		energy_kWh,
		keep_kWh_month: (perLitre_W * litres * 730) / 1000,
		litres,
		keepsUntil: way.keepsUntil,
		missing: way.freezer.fits
			? way.freezer.overload
				? `${way.freezer.days} days’ load of the freezer`
				: null
			: 'not enough freezer room',
		supplies: bags * kitchen.prices.bag,
		pack_g: way.packs.portion_g,
		work: way.work,
		demands: demandsOf(way)
	});
}

/** What a litre of freezer draws, W: its walls' loss at a room's 40 K. */
const keepPerLitre_W = ({ freezer_L, room_C, freezer_C }: Kitchen): number => {
	if (freezer_L < 20) return 0;
	const { loss_W_K } = freezerPlate({ litres: Math.min(2000, freezer_L), set_C: freezer_C, room_C });
	return (loss_W_K * (room_C - freezer_C)) / freezerModel.efficiency.value / freezer_L;
};

function dried(input: GlanceInput, way: DryWay): GlanceWay {
	return priced(input, {
		id: 'dry',
		store: way.time.asPrinted ? 'freezer' : 'shelf',
		way: 'dry',
		name: way.blanch && !way.blanch.dip ? 'Blanch and dry' : 'Dry',
		packs: way.jars.quarts,
		each: 'jar',
		each_g: Math.round((way.balance.dry_kg * 1000) / way.jars.quarts),
		hands_s: way.hands_s,
		elapsed_s: way.elapsed_s,
		energy_kWh: way.energy_kWh,
		keep_kWh_month: way.time.asPrinted ? (keepPerLitre_W(input.kitchen) * way.jars.litres * 730) / 1000 : 0,
		litres: way.jars.litres,
		keepsUntil: way.keepsUntil,
		missing: way.usualDryer ? 'no dryer in the Kitchen' : way.trays.loads > 1 ? `${way.trays.loads} dryer loads` : null,
		supplies: 0,
		// What a shop sells is fresh: the fresh weight of a jar is set against it.
		pack_g: Math.round(input.grams / way.jars.quarts),
		work: way.work,
		demands: dryDemands(way)
	});
}

/** Jars and lids that the drawer has too few of; one where none was ever counted says nothing. */
function shortInDrawer(kitchen: Kitchen, jar: JarSize, jars: number, lids: number): string | null {
	const own = kitchen.containers.filter((c) => c.kind === 'jar' && isJarOf(c.volume_mL, jar));
	const haveJars = own.reduce((sum, c) => sum + c.count, 0);
	const counted = kitchen.supplies.filter((s) => s.kind === 'lid');
	const haveLids = counted.reduce((sum, s) => sum + s.amount, 0);
	const short = [
		...(own.length > 0 && haveJars < jars ? [`${jars} ${jar} jars, ${haveJars} in the drawer`] : []),
		...(counted.length > 0 && haveLids < lids ? [`${lids} lids, ${haveLids} in the drawer`] : [])
	];
	return short.length > 0 ? short.join('; ') : null;
}

function canned(input: GlanceInput, can: CanWay): GlanceWay | GlanceNote {
	const { kitchen } = input;
	const [process] = can.processes;
	const name = `${can.product.name}, ${can.style} pack`;
	if (!process || !can.jars) {
		const words = `Tested in ${can.jar}s; the guide prints no weight to a jar, so jars, hours and cost are not worked out.`;
		return { kind: 'note', id: `can-${can.id}`, way: 'can', name, words };
	}
	const count = can.jars.count;
	const burner = kitchen.pots.at(-1)?.burner ?? { kind: 'electric', power_W: 2000 };
	const loads =
		count > 0
			? cannerLoads({
					process,
					jars: count,
					capacity: cannerCapacity(cannerFor(kitchen, process.method), can.jar),
					burner,
					tap_C: kitchen.tap_C,
					boil_C: boilingPoint_C(kitchen.altitude_m ?? 0)
				})
			: undefined;
	const prep_s = (input.grams / 1000) * canPrep_s_kg;
	const cook_s = simmer_s(can.product.id, input.grams, burner);
	return priced(input, {
		id: `can-${can.id}`,
		store: 'shelf',
		way: 'can',
		name,
		packs: count,
		each: 'jar',
		each_g: Math.round(can.jars.perJar_g),
		hands_s: prep_s + (loads?.hands_s ?? 0),
		elapsed_s: prep_s + cook_s + (loads?.elapsed_s ?? 0),
		energy_kWh: loads ? kWh(loads.energy_J / (usefulPower_W(burner) / burner.power_W)) : 0,
		keep_kWh_month: 0,
		litres: count * jarRoom_L[can.jar],
		keepsUntil: can.keepsUntil,
		missing: can.noCanner
			? 'no pressure canner in the Kitchen'
			: count === 0
				? `not a ${can.jar} full`
				: shortInDrawer(kitchen, can.jar, count, loads?.lids ?? count),
		supplies: count * kitchen.prices.lid,
		pack_g: Math.round(can.jars.perJar_g),
		work: [
			{ id: 'prepare', seconds: prep_s, attended: true, station: 'table' },
			...(cook_s > 0
				? ([{ id: 'simmer', seconds: cook_s, attended: false, watched: true, station: 'pot' }] as const)
				: []),
			{ id: 'fill', seconds: loads?.hands_s ?? 0, attended: true, station: 'table' },
			// Nobody leaves a canner: what is not hands is watched.
			{ id: 'process', seconds: loads?.elapsed_s ?? 0, attended: false, watched: true, station: 'canner' }
		],
		demands: {
			...noDemands,
			shelf_L: count * jarRoom_L[can.jar],
			canner: { method: process.method, loads: loads?.loads.length ?? 0, lids: loads?.lids ?? count },
			jars: { size: can.jar, count },
			hands_s: prep_s + (loads?.hands_s ?? 0)
		},
		...(loads ? { loads } : {})
	});
}
