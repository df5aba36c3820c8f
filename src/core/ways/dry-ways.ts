import { shareLeft } from '../foods/share';
import { jarVolume_L } from '../../reference/canning-rules';
import { dryingModel } from '../../reference/model-rules';
import type { DryingRow } from '../../reference/other-ways';
import { blanchRules } from '../../reference/rules';
import { heatSteps } from '../../reference/safety';
import { sources } from '../../reference/sources';
import type { CutRow, Range } from '../../reference/tables';
import { dryingBalance, type DryingBalance } from '../drying/drying-balance';
import { lookUpDrying, printedMeatShare, type DryAnswer } from '../drying/dry-look-up';
import { ownFactor, type OwnFactor, type PastLoad } from '../drying/own-factor';
import { dryingRowFor, dryingTime, warmthFactor, type DryingTime, type Skin } from '../drying/drying-time';
import { refuse } from '../safety/refuse';
import type { Thing } from '../things/thing';
import { DomainError, mustBePositive, type Refusal } from '../errors';
import { figureById } from '../freezing/freeze-look-up';
import { dateIn, monthsAfter } from '../freezing/keep';
import { steamHeat_J_kg } from '../heat/boil-down';
import { sayTemperature, type Units } from '../quantities/format';
import { cFromF, kgFromLb } from '../quantities/units';
import { lookUpStorage, type Keeps } from '../storing/storage-look-up';
import { isMixture, mixtureNotDried } from './mixture-ways';
import type { Kitchen, KitchenDryer } from './kitchen';
import type { WorkStep } from './work';

export interface DryChoices {
	/** Id of a drying row; the one that suits the cut without it. */
	readonly row?: string;
	readonly thickness_mm?: number;
	readonly skin?: Skin;
	readonly blanched?: boolean;
	/** Air of the dryer where it is not the row's, °C. */
	readonly air_C?: number;
	/** In the oven, its door propped open, instead of a dryer. */
	readonly oven?: boolean;
}
export interface DryWaysInput {
	readonly thing: Thing;
	/** Null for a food that has none: it is refused before one is wanted. */
	readonly cut: CutRow | null;
	readonly grams: number;
	readonly kitchen: Kitchen;
	readonly choices: DryChoices;
	/** What trays of this food took before. */
	readonly before?: readonly DriedBefore[];
	/** ms. */
	readonly now: number;
}
/** A load of this food that went by a row of the table: hours of its trays to what the table had said. */
export interface DriedBefore extends PastLoad {
	readonly rowId: string;
	readonly machine: string;
}
export interface DryWay {
	readonly kind: 'way';
	readonly thing: Thing;
	readonly cut: CutRow;
	/** Ready for the trays, g. */
	readonly load_g: number;
	/** The table's hours carried to this piece, before what this household has learned; and what it has learned. */
	readonly table_h: number;
	readonly own: OwnFactor | null;
	/** As it was chosen; null as printed. */
	readonly thickness_mm: number | null;
	readonly skin: Skin | null;
	readonly row: DryingRow;
	/** Every row of the food: a choice where there is more than one. */
	readonly rows: readonly DryingRow[];
	readonly time: DryingTime;
	readonly balance: DryingBalance;
	readonly look: DryAnswer;
	/** Minutes of the printed blanch that comes first; null where none does or it is left out. */
	readonly blanch: {
		readonly method: 'water' | 'steam';
		readonly minutes: readonly [number, number];
		readonly dip: boolean;
	} | null;
	/** It comes frozen: onto the trays as it is. */
	readonly straight: boolean;
	/** It was dry and clumped in its jar: back in, by the hand alone. */
	readonly again: boolean;
	readonly dryer: KitchenDryer;
	/** In the oven: its door propped open, somebody near it. */
	readonly oven: boolean;
	/** The household has none: this is for a usual one. */
	readonly usualDryer: boolean;
	readonly trays: { readonly needed: number; readonly perTray_kg: number; readonly loads: number };
	readonly jars: { readonly quarts: number; readonly litres: number };
	/** Hands, and from start to jar, s. */
	readonly hands_s: number;
	readonly elapsed_s: number;
	/** The same as typed steps: what a schedule reads. */
	readonly work: readonly WorkStep[];
	readonly energy_kWh: number;
	readonly keeps: Keeps | undefined;
	/** Months it keeps here: as printed, or one where a blanch that the table asks for was left out. Null where none are printed. */
	readonly months: Range | null;
	readonly keepsUntil: string | null;
	readonly why: string;
}

/** A dryer as many have, where the household has none. Common practice. */
const usualDryer: KitchenDryer = { name: 'Dryer', trays: 5, trayArea_m2: 0.08, power_W: 500, heater: 'bottom' };
/** An oven: two grids of a baking sheet's size, and what it draws with its door open. Common practice. */
const oven = (area_m2: number): KitchenDryer => ({ name: 'Oven', trays: 2, trayArea_m2: area_m2, power_W: 1500, heater: 'bottom' }); // prettier-ignore
const traying_s = 120;

/**
 * Why a thing is not dried in the oven; undefined where it may be. An oven holds 60 °C (140 °F) at the least: herbs want less,
 * and strips of meat the steady air of a dryer.
 *
 * @source NCHFP, Drying (from memory)
 */
function notInOven(row: DryingRow): Refusal | undefined {
	if (row.kind === 'fruit' || row.kind === 'vegetable') return undefined;
	return {
		kind: 'refused',
		reason:
			row.kind === 'herb'
				? 'An oven holds no air as cool as herbs want: they lose their oil in it.'
				: 'Meat wants air that stays at its temperature all through: an oven with its door open does not.',
		source: sources.nchfpDrying.title,
		instead:
			row.kind === 'herb' ? ['In a dryer', 'Hung in bunches, airy and in the shade'] : ['In a dryer', 'Freeze it']
	};
}

/**
 * How it is dried in the sun: fruit alone, in such air, and against insects afterwards; or why not.
 *
 * @source dry/sun-air, dry/sun-humidity, pasteurise-oven, pasteurise-freezer: NCHFP, Drying (from memory)
 */
export function inTheSun(
	{ row }: Pick<DryWay, 'row'>,
	units: Units
): { readonly may: boolean; readonly words: string } {
	if (row.kind !== 'fruit')
		return { may: false, words: 'vegetables and meat spoil before the sun has dried them; herbs bleach in it' };
	const air_C = cFromF(Number(figureById('dry/sun-air').value));
	const step = (id: string) => {
		const found = heatSteps.find((h) => h.id === id);
		if (found?.F === undefined || found.minutes === undefined) throw new Error(`There is no heat step "${id}".`);
		const long = found.minutes >= 120 ? `${found.minutes / 60} h` : `${found.minutes} min`;
		return `${long} at ${sayTemperature(cFromF(found.F), units)}`;
	};
	return {
		may: true,
		words: `days at ${sayTemperature(air_C, units)} or more and below ${Number(figureById('dry/sun-humidity').value)} % damp, under a roof at night; then, against insects, ${step('pasteurise-freezer')} in the freezer or ${step('pasteurise-oven')} in the oven`
	};
}

/** What comes before: the table's steam or water, whichever this kitchen would do first. */
function blanchOf(row: DryingRow, wanted: boolean): DryWay['blanch'] {
	if (!wanted) return null;
	if (row.water_min) return { method: 'water', minutes: row.water_min, dip: row.dip === true };
	return row.steam_min ? { method: 'steam', minutes: row.steam_min, dip: false } : null;
}

/**
 * Drying the whole of an item in this kitchen: trays, loads of the dryer, hours with their interval, what is left and how
 * long it keeps.
 *
 * @returns the way; a refusal by the safety module, or where no hours are printed
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE, UNKNOWN_CUT
 */
export function dryWay(input: DryWaysInput): DryWay | Refusal {
	const { thing, cut, kitchen, choices } = input;
	const { food } = thing;
	mustBePositive(input.grams, 'grams');
	if (isMixture(thing)) return mixtureNotDried(thing);
	const look = lookUpDrying({ thing });
	if (look.kind === 'refused') return look;
	if (!cut) return refuse('kept-only', { food });
	const row = choices.row === undefined ? dryingRowFor(food, cut) : look.rows.find((r) => r.id === choices.row);
	if (choices.row !== undefined && !row)
		throw new DomainError('UNKNOWN_CUT', 'row', `${food.name} are not dried as "${choices.row}". Known: ${look.rows.map((r) => r.id).join(', ')}.`); // prettier-ignore
	if (!row)
		return {
			kind: 'refused',
			reason: `No hours are printed for drying ${food.name}, and none are made up.`,
			source: sources.ugaDrying.title,
			instead: ['Another way below', 'Dry a little, weigh it, and go by the test by hand']
		};
	const barred = choices.oven ? notInOven(row) : undefined;
	if (barred) return barred;
	const dryer = choices.oven ? oven(kitchen.trayArea_m2) : (kitchen.dryer ?? usualDryer);
	const perTray_kg = dryingModel.trayLoad_kg_m2.value * dryer.trayArea_m2;
	const again = thing.state === 'dried';
	const table = dryingTime({
		food,
		row,
		...(choices.oven ? { oven: true } : choices.air_C === undefined ? {} : { air_C: choices.air_C }),
		...(choices.thickness_mm === undefined ? {} : { thickness_mm: choices.thickness_mm }),
		...(choices.skin ? { skin: choices.skin } : {}),
		blanched: choices.blanched ?? true,
		room_C: kitchen.room_C,
		room_humidity: kitchen.room_humidity,
		altitude_m: kitchen.altitude_m ?? 0
	});
	if (table.kind === 'refused') return table;
	const { time, own } = again ? { time: backIn(table), own: null } : withOwn(table, (input.before ?? []).filter((b) => b.rowId === row.id && b.machine === dryer.name)); // prettier-ignore
	const share = again ? 1 : shareLeft(thing, cut);
	const wet_kg = (input.grams / 1000) * share;
	const needed = Math.max(1, Math.ceil(wet_kg / perTray_kg - 1e-9));
	const loads = Math.ceil(needed / dryer.trays);
	const printedShare = printedMeatShare(food);
	const balance = dryingBalance({
		wet_kg,
		...(printedShare === undefined ? {} : { printedShare }),
		bought_kg: input.grams / 1000,
		moistureIn: time.moistureIn,
		moistureOut: time.moistureOut,
		trays: needed
	});
	const litres = balance.dry_kg / bulkOf(look);
	// Straight from the freezer: it was made ready, and blanched where it is, before it was frozen.
	const frozen = thing.state === 'frozen';
	const blanch = blanchOf(row, !frozen && !again && (choices.blanched ?? true));
	const quarts = Math.max(1, Math.ceil(litres / (jarVolume_L.quart * 0.95)));
	// A potful is a pound to the gallon of what the largest pot holds, three quarters full.
	const pot_L = Math.max(6, ...kitchen.pots.map((p) => p.litres)) * blanchRules.potFill.value;
	const potfuls = blanch ? Math.ceil(wet_kg / (pot_L / (blanchRules.water_L_per_kg.value + 1))) : 0;
	const blanch_s = blanch ? potfuls * (blanch.minutes[1] * 60 + 100) : 0;
	const prep_s = frozen || again ? 0 : (input.grams / 1000) * cut.hands_min_per_kg.value * 60;
	const end_s = quarts * dryingModel.jarring_s.value;
	const turn_s = loads * Math.max(2, Math.round(time.hours / 4)) * dryingModel.turning_s.value;
	// What the water takes, and no more than the dryer can draw.
	const water_kWh = (balance.water_kg * steamHeat_J_kg) / dryingModel.dryerEfficiency.value / 3.6e6;
	const most_kWh = (dryer.power_W / 1000) * time.hours * loads;
	const storage = lookUpStorage({ thing, way: 'dry', temp_C: time.asPrinted ? -18 : Math.min(26.5, kitchen.pantry_C) });
	const keeps = storage.kind === 'refused' ? undefined : storage.keeps[0];
	const skipped = !frozen && !again && choices.blanched === false && blanchOf(row, true)?.dip === false;
	const months = leatherMonths(row) ?? (keeps ? monthsOf(keeps, skipped) : null);
	const today = dateIn(kitchen.zone, input.now);
	return {
		kind: 'way',
		thing,
		cut,
		load_g: Math.round(wet_kg * 1000),
		table_h: table.hours,
		own,
		thickness_mm: choices.thickness_mm ?? null,
		skin: choices.skin ?? null,
		row,
		rows: look.rows,
		time,
		balance,
		look,
		blanch,
		straight: frozen,
		again,
		dryer,
		usualDryer: kitchen.dryer === null && !choices.oven,
		oven: choices.oven === true,
		trays: { needed, perTray_kg: balance.trayWet_kg, loads },
		jars: { quarts, litres },
		hands_s: prep_s + blanch_s + needed * traying_s + turn_s + end_s,
		elapsed_s: prep_s + blanch_s + loads * time.hours * 3600 + end_s,
		work: [
			{ id: 'prepare', seconds: prep_s, attended: true, station: 'table' },
			...(blanch ? ([{ id: 'line', seconds: blanch_s, attended: true, station: 'pot' }] as const) : []),
			{ id: 'tray', seconds: needed * traying_s, attended: true, station: 'table' },
			{ id: 'dry', seconds: loads * time.hours * 3600, attended: false, station: 'dryer' },
			{ id: 'turn', seconds: turn_s, attended: true, station: 'dryer' },
			{ id: 'pack', seconds: end_s, attended: true, station: 'table' }
		],
		energy_kWh: Math.min(water_kWh, most_kWh),
		keeps,
		months,
		keepsUntil: months === null || months[1] < 1 ? null : monthsAfter(today, Math.floor(months[1])),
		why: again
			? 'It clumped, so it holds water still: back in until the hand says dry, then into the jar again from the first day. No table has hours for it.'
			: frozen
				? `Straight from the freezer onto the trays, without thawing and without another blanch (common practice). ${whyOf(time)}`
				: whyOf(time)
	};
}

/** Back on the trays from its jar: no table has its hours; the hand says. Common practice. */
function backIn(table: DryingTime): DryingTime {
	const hours = dryingModel.again_h.value;
	const doubt = dryingModel.againDoubt.value;
	const interval_h: Range = [hours * Math.exp(-1.645 * doubt), hours * Math.exp(1.645 * doubt)];
	return {
		...table,
		hours,
		doubt,
		interval_h,
		printed_h: [Math.round(interval_h[0]), Math.round(interval_h[1])],
		factors: [],
		moistureIn: table.moistureOut + dryingModel.againMoisture.value,
		asPrinted: true
	};
}

/** The hours as this household's own loads move them; meat's stand as printed. */
function withOwn(table: DryingTime, before: readonly DriedBefore[]): { time: DryingTime; own: OwnFactor | null } {
	if (table.asPrinted || before.length === 0) return { time: table, own: null };
	const own = ownFactor(table.doubt, before);
	const hours = table.hours * own.factor;
	const words = own.loads === 1 ? 'as your last load did' : `as your ${own.loads} loads did`;
	return {
		own,
		time: {
			...table,
			hours,
			doubt: own.doubt,
			interval_h: [hours * Math.exp(-1.645 * own.doubt), hours * Math.exp(1.645 * own.doubt)],
			factors: [...table.factors, { words, factor: own.factor }]
		}
	};
}

/** Air that fruit and vegetables are dried in besides what is printed, and herbs in damp weather, °F (common practice; dry/herb-humid). */
const otherAirs_F = { fruit: [120, 125, 135], vegetable: [120, 125, 135], herb: [125], meat: [] } as const;

/** Other air that this may be dried in, with the hours that it then takes: cooler costs hours. Meat has none but the printed. */
export function otherAirs(way: DryWay): { readonly air_C: number; readonly hours: number }[] {
	if (way.time.asPrinted || way.oven) return [];
	const printed_C = cFromF((way.row.F[0] + way.row.F[1]) / 2);
	const { hours, air_C: now_C } = way.time;
	return [printed_C, ...otherAirs_F[way.row.kind].map((f) => cFromF(f))]
		.filter((c, i, all) => all.findIndex((d) => Math.abs(d - c) < 0.5) === i)
		.map((air_C) => ({ air_C, hours: hours * warmthFactor(air_C, now_C) }));
}

/** When to load so that it is dry by then for nine of ten, and for the middle one; ms. */
export const loadBy = ({ time }: DryWay, ready: number): { readonly sure: number; readonly middle: number } => ({
	sure: ready - time.interval_h[1] * 3_600_000,
	middle: ready - time.hours * 3_600_000
});

/** Skipping a blanch that is printed shortens the date: used within a month (common practice). */
const skippedMonths = 1;
/** A leather keeps its own time at room temperature, whatever its fruit keeps. @source dry/leather-room, NCHFP (from memory) */
function leatherMonths(row: DryingRow): Range | null {
	if (row.id !== 'leather') return null;
	const month = Number(figureById('dry/leather-room').value);
	return [month, month];
}

const inMonths = { month: 1, week: 1 / 4.35, day: 1 / 30.4, year: 12, h: 0 } as const;
const monthsOf = ({ time, unit }: Keeps, skipped: boolean): Range => {
	const [low, high] = [time[0] * inMonths[unit], time[1] * inMonths[unit]];
	return skipped ? [Math.min(low, skippedMonths), Math.min(high, skippedMonths)] : [low, high];
};

/** Dried, lying loose, kg to the litre: by the printed pints where there are, else by practice. */
function bulkOf(look: DryAnswer): number {
	const { yields } = look;
	if (!yields?.pints) return dryingModel.dried_kg_L.value;
	return kgFromLb(yields.dried_lb) / (((yields.pints[0] + yields.pints[1]) / 2) * jarVolume_L.pint);
}

function whyOf(time: DryingTime): string {
	if (time.asPrinted) return 'As printed: hours of meat are not carried to another piece.';
	if (time.factors.length === 0) return 'As printed for this piece.';
	return `Printed ${time.printed_h.join(' to ')} h, carried on: ${time.factors.map((f) => `${f.words} ×${f.factor.toFixed(2)}`).join(', ')}.`;
}
