import { dryingModel } from '../../reference/model-rules';
import type { DryingRow } from '../../reference/other-ways';
import type { CutRow, FoodRow } from '../../reference/tables';
import { mustBeWithin, type Refusal } from '../errors';
import { figureById } from '../freezing/freeze-look-up';
import { cFromF } from '../quantities/units';
import { advise } from '../safety/advise';
import { plain } from '../things/thing';
import { isMeat } from '../safety/dry';
import { sources } from '../../reference/sources';
import { dryerAir, type DryerAir } from './dryer-air';
import { dryingRowsOf } from './dry-look-up';

export const skins = ['as the row', 'undipped', 'pricked', 'dipped', 'halved'] as const;
export type Skin = (typeof skins)[number];

export interface DryingTimeInput {
	readonly food: FoodRow;
	readonly row: DryingRow;
	/** Without it as thick as printed. 1 to 60 mm. */
	readonly thickness_mm?: number;
	/** Berries and their like. */
	readonly skin?: Skin;
	/** Vegetables that the row blanches: were they? */
	readonly blanched?: boolean;
	/** Dryer air, °C; the row's without it. */
	readonly air_C?: number;
	readonly room_C?: number;
	/** 0 to 1. */
	readonly room_humidity?: number;
	/** m; sea level without it. */
	readonly altitude_m?: number;
	/** On a tray, kg/m²; one close layer without it. */
	readonly load_kg_m2?: number;
	readonly oven?: boolean;
}
/** What moves the hours, each with its factor. */
export interface DryingFactor {
	readonly words: string;
	readonly factor: number;
}
export interface DryingTime {
	readonly kind: 'time';
	/** Middle of the forecast, and where nine of ten end. h. */
	readonly hours: number;
	readonly interval_h: readonly [number, number];
	/** As printed, for the printed piece. */
	readonly printed_h: readonly [number, number];
	readonly factors: readonly DryingFactor[];
	/** Standard deviation of the logarithm. */
	readonly doubt: number;
	/** Share of water in the end and at the start. */
	readonly moistureOut: number;
	readonly moistureIn: number;
	readonly air: DryerAir;
	readonly air_C: number;
	/** Hours are as printed and not carried to another piece: meat. */
	readonly asPrinted: boolean;
	readonly test: string;
}

/** How far the smaller steps are trusted: standard deviations of the logarithm, or a share of the step (common practice). */
const shareDoubt = { damp: 0.5, unblanched: 0.15, load: 0.3, oven: 0.2 } as const;
const gas_kJ_mol_K = 0.008314462618;
const kelvin = (celsius: number) => celsius + 273.15;
const middle = ([low, high]: readonly [number, number]) => Math.sqrt(low * high);

/**
 * Hours in air of one temperature to those in another: Arrhenius.
 *
 * @param air_C of the air, and `of_C` of that which the hours are known for, °C
 * @source activation energy of water in fruit and vegetables, published 17 to 33 kJ/mol (from memory)
 */
export const warmthFactor = (air_C: number, of_C: number): number =>
	Math.exp((dryingModel.activation_kJ_mol.value / gas_kJ_mol_K) * (1 / kelvin(air_C) - 1 / kelvin(of_C)));

/** Water wanted in the end, share by weight. @source NCHFP, Drying: fruit 20 %, vegetables 10 % at most (rows); herbs and meat by common practice */
export function moistureWanted(row: DryingRow): number {
	const percent = (id: string) => Number(figureById(id).value) / 100;
	if (row.kind === 'fruit') return percent('dry/fruit-moisture');
	if (row.kind === 'vegetable') return percent('dry/vegetable-moisture');
	return dryingModel[row.kind === 'herb' ? 'herbMoisture' : 'meatMoisture'].value;
}

/** The row of a food that suits a skin: undipped berries have one of their own. */
const wholeWaxy = (row: DryingRow) => row.kind === 'fruit' && /whole/.test(row.cut);

/** What may be said of the skin for a row; empty where it makes no difference. */
export const skinsOf = (row: DryingRow): readonly Skin[] =>
	wholeWaxy(row) && (row.dip === true || /undipped/.test(row.cut)) ? skins : [];

/** The least doubt of a printed range, read as nine of ten. */
const doubtOf = ([low, high]: readonly [number, number]) =>
	Math.max(dryingModel.least.value, Math.log(high / low) / (2 * 1.645));

/**
 * Hours until a food is dry, with an interval in which nine of ten end: the printed hours of the row, carried to this piece,
 * air and load.
 *
 *     ln t = ln t_printed + p·ln(d/d_printed) + (E/R)(1/T − 1/T_printed) + ln((1 − φ_printed)/(1 − φ)) + ln(skin, load, oven)
 *
 * Each step adds its doubt. It is a forecast for planning the night: the test by hand and the weight say when it is done. Meat
 * is not carried to another piece, load or air: its printed hours stand, after its heat step.
 *
 * @throws {DomainError} OUT_OF_RANGE
 * @returns the time, or the safety module's refusal
 * @source printed rows (UGA, NCHFP); scaling by `dryingModel` (common practice; activation energies published 17 to 33 kJ/mol)
 */
export function dryingTime(input: DryingTimeInput): DryingTime | Refusal {
	const { food, row } = input;
	const rowAir_C = cFromF((row.F[0] + row.F[1]) / 2);
	const air_C = input.air_C ?? rowAir_C;
	const advice = advise(plain(food), 'dry', {
		heatStep: 'before',
		...(input.thickness_mm === undefined ? {} : { thickness_mm: input.thickness_mm }),
		...(input.air_C === undefined ? {} : { air_C: input.air_C })
	});
	if (advice.kind === 'refused') return advice;
	const room_C = input.room_C ?? dryingModel.roomAir_C.value;
	const altitude_m = input.altitude_m ?? 0;
	mustBeWithin(air_C, 30, 80, 'air_C');
	const air = dryerAir({
		air_C,
		room_C,
		room_humidity: input.room_humidity ?? dryingModel.roomHumidity.value,
		altitude_m
	});
	const beyond = beyondModel(input, air);
	if (beyond) return beyond;
	const meat = isMeat(food);
	const factors: DryingFactor[] = [];
	const doubts = [doubtOf(row.hours)];
	const moved = (words: string, factor: number, doubt: number) => {
		if (Math.abs(Math.log(factor)) < 0.005) return;
		factors.push({ words, factor });
		doubts.push(doubt);
	};
	if (!meat) {
		if (input.thickness_mm !== undefined) {
			mustBeWithin(input.thickness_mm, 1, 60, 'thickness_mm');
			const printed_mm = row.thickness_in ? middle(row.thickness_in) * 25.4 : undefined;
			if (printed_mm !== undefined) {
				const ratio = input.thickness_mm / printed_mm;
				const words = `${ratio > 1 ? 'thicker' : 'thinner'} than the printed piece`;
				moved(
					words,
					ratio ** dryingModel.thicknessPower.value,
					Math.abs(Math.log(ratio)) * dryingModel.thicknessDoubt.value
				);
			}
		}
		const warmth = warmthFactor(air_C, rowAir_C);
		moved(
			warmth > 1 ? 'cooler air than printed' : 'warmer air than printed',
			warmth,
			Math.abs(Math.log(warmth)) * dryingModel.activationDoubt.value
		);
		const usual = dryerAir({
			air_C: rowAir_C,
			room_C: dryingModel.roomAir_C.value,
			room_humidity: dryingModel.roomHumidity.value,
			altitude_m: 0
		});
		// At the printed temperature, so that warmth is not counted twice.
		const here = dryerAir({
			air_C: Math.max(rowAir_C, room_C),
			room_C,
			room_humidity: input.room_humidity ?? dryingModel.roomHumidity.value,
			altitude_m
		});
		const damp = (1 - usual.humidity) / Math.max(0.05, 1 - here.humidity);
		moved(damp > 1 ? 'damper room air' : 'drier room air', damp, Math.abs(Math.log(damp)) * shareDoubt.damp);
		const skin = skinFactor(row, input.skin ?? 'as the row');
		moved(`skin: ${input.skin ?? ''}`, skin, dryingModel.skinDoubt.value);
		if (input.blanched === false && (row.steam_min ?? row.water_min) && row.kind === 'vegetable')
			moved('not blanched', dryingModel.unblanched.value, shareDoubt.unblanched);
		const load = input.load_kg_m2 ?? dryingModel.trayLoad_kg_m2.value;
		mustBeWithin(load, 0.1, 40, 'load_kg_m2');
		const over = Math.max(1, load / dryingModel.trayLoad_kg_m2.value) ** dryingModel.overloadPower.value;
		moved('more on a tray than one layer', over, Math.abs(Math.log(over)) * shareDoubt.load);
		if (input.oven) moved('in an oven', dryingModel.ovenFactor.value, shareDoubt.oven);
	}
	const hours = factors.reduce((h, f) => h * f.factor, middle(row.hours));
	const doubt = Math.hypot(...doubts);
	const moistureIn = food.composition.water / 100;
	return {
		kind: 'time',
		hours,
		interval_h: [hours * Math.exp(-1.645 * doubt), hours * Math.exp(1.645 * doubt)],
		printed_h: row.hours,
		factors,
		doubt,
		moistureOut: Math.min(moistureWanted(row), moistureIn - 0.05),
		moistureIn,
		air,
		air_C,
		asPrinted: meat,
		test: row.test
	};
}

/** Least that the dryer's air must take up, Pa, and the dampest room and thickest piece that the scaling was ever held for. */
const leastDeficit_Pa = 400;
const dampestRoom = 0.95;
const thickest = 2;

/** Where the model does not carry: no hours are better than hours from nowhere. */
function beyondModel({ food, row, thickness_mm, room_humidity }: DryingTimeInput, air: DryerAir): Refusal | undefined {
	const refused = (reason: string, instead: readonly string[]): Refusal => ({
		kind: 'refused',
		reason,
		source: sources.practice.title,
		instead
	});
	if ((room_humidity ?? 0) >= dampestRoom || air.deficit_Pa < leastDeficit_Pa)
		return refused('Room air that damp leaves the dryer next to nothing to take up: no hours are worked out.', [
			'Dry in a drier room, or with the dehumidifier on',
			'Warmer air in the dryer, where the food allows it'
		]);
	const printed_mm = row.thickness_in ? Math.max(...row.thickness_in) * 25.4 : undefined;
	if (thickness_mm !== undefined && printed_mm !== undefined && thickness_mm > thickest * printed_mm + 1e-9)
		return refused(
			`${food.name}: more than twice as thick as the printed piece (${Math.round(printed_mm)} mm). Its middle would stay wet and spoil before it dries, and no hours are worked out.`,
			['Cut it thinner', 'Freeze it']
		);
	return undefined;
}

function skinFactor(row: DryingRow, skin: Skin): number {
	if (skin === 'as the row' || skinsOf(row).length === 0) return 1;
	const against: Record<Skin, number> = {
		'as the row': 1,
		undipped: dryingModel.undipped.value,
		pricked: dryingModel.pricked.value,
		dipped: 1,
		halved: dryingModel.halved.value
	};
	// The row itself is of one of the two.
	return against[skin] / (row.dip ? 1 : dryingModel.undipped.value);
}

/** The row that is meant without a word: of the whole food for berries, else the first. */
export function dryingRowFor(food: FoodRow, cut?: CutRow): DryingRow | undefined {
	const rows = dryingRowsOf(food);
	const words = cut ? [cut.id, ...cut.name.toLowerCase().split(/\W+/)].filter((w) => w.length > 3) : [];
	return rows.find((row) => words.some((w) => row.cut.includes(w.replace(/s$/, '')))) ?? rows[0];
}
