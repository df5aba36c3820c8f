import type { Confidence, Row } from './row';
import type { SourceId } from './sources';

const guide = { source: 'usdaCanning2015', confidence: 'from memory' } as const;
const nchfp = { source: 'nchfpFreezing', confidence: 'from memory' } as const;
const practice = { source: 'practice', confidence: 'practice' } as const;
const ft = 0.3048;
const inch = 0.0254;
const fahrenheit = (f: number) => ((f - 32) * 5) / 9;

/** Up to and including this many feet; null where the table says "above". */
export interface Band {
	readonly to_ft: number | null;
	readonly psi: number;
}
export type Gauge = 'dial' | 'weighted';

/** Upper ends of the four columns of minutes for boiling water; the last is "above 6,000 ft". */
export const waterBands_ft = [1000, 3000, 6000, null] as const;

const dial11: readonly Band[] = [
	{ to_ft: 2000, psi: 11 },
	{ to_ft: 4000, psi: 12 },
	{ to_ft: 6000, psi: 13 },
	{ to_ft: 8000, psi: 14 }
];
const dial6: readonly Band[] = [
	{ to_ft: 2000, psi: 6 },
	{ to_ft: 4000, psi: 7 },
	{ to_ft: 6000, psi: 8 },
	{ to_ft: 8000, psi: 9 }
];

/**
 * Gauge pressure by altitude, for each set of columns that the guide prints. The dial columns end at 8,000 ft.
 * @source USDA Complete Guide to Home Canning, 2015, guides 2 to 5 (from memory)
 */
export const pressureSets: Readonly<Record<PressureSet, Readonly<Record<Gauge, readonly Band[]>>>> = {
	'pressure-11': {
		dial: dial11,
		weighted: [
			{ to_ft: 1000, psi: 10 },
			{ to_ft: null, psi: 15 }
		]
	},
	'pressure-6': {
		dial: dial6,
		weighted: [
			{ to_ft: 1000, psi: 5 },
			{ to_ft: null, psi: 10 }
		]
	},
	// Tomatoes at 15 lb: the table prints "not recommended" above 1,000 ft.
	'weighted-15': { dial: [], weighted: [{ to_ft: 1000, psi: 15 }] }
};
export type PressureSet = 'pressure-11' | 'pressure-6' | 'weighted-15';

/** What holds for every load, as published. */
export const canningRules = {
	lowAcidAbove_pH: { value: 4.6, unit: 'pH', at: 'above it, low in acid: pressure only', ...guide },
	highest_m: {
		value: 10_000 * ft,
		unit: 'm',
		at: 'the altitude beyond which Root Jar gives no canning time; our own limit, the columns only say "above"',
		...practice
	},
	vent_s: { value: 600, unit: 's', at: 'steady steam from the open vent before the weight goes on', ...guide },
	waterInPressureCanner_m: { value: 2 * inch, unit: 'm', at: '2 to 3 in of hot water', ...guide },
	waterOverJars_m: { value: 1 * inch, unit: 'm', at: 'at least 1 in over the lids', ...guide },
	waterOverJarsLong_m: { value: 2 * inch, unit: 'm', at: '2 in where the process is longer than 30 minutes', ...guide },
	loadRaw_C: { value: fahrenheit(140), unit: '°C', at: '140 °F, water for raw-packed jars', ...guide },
	loadHot_C: { value: fahrenheit(180), unit: '°C', at: '180 °F, water for hot-packed jars', ...guide },
	restWater_s: { value: 300, unit: 's', at: 'heat off, lid off, before the jars come out', ...guide },
	restPressure_s: {
		value: 600,
		unit: 's',
		at: 'after the pressure has fallen to nothing by itself and the weight is off, before the lid',
		...guide
	},
	coolLeast_h: { value: 12, unit: 'h', at: 'undisturbed, 12 to 24 hours, then the seal is checked', ...guide },
	coolMost_h: {
		value: 24,
		unit: 'h',
		at: 'within which an unsealed jar is reprocessed or goes into the fridge',
		...guide
	},
	sterileBelow_min: { value: 10, unit: 'min', at: 'processes shorter than this need sterilised jars', ...guide },
	sterilise_min: { value: 10, unit: 'min', at: 'boiled, and a minute more for each 1,000 ft', ...guide },
	steamCanner_min: {
		value: 45,
		unit: 'min',
		at: 'the longest process, altitude included, in an atmospheric steam canner; acid foods only',
		...nchfp
	},
	storeWarmest_C: { value: fahrenheit(70), unit: '°C', at: '50 to 70 °F, dark and dry', ...guide },
	storeNever_C: { value: fahrenheit(95), unit: '°C', at: 'never above 95 °F', ...guide },
	best_months: { value: 12, unit: 'month', at: 'best quality', ...guide },
	loadQuarts: { value: 7, unit: 'jar', at: 'a usual canner, boiling water or pressure', ...guide },
	loadPints: { value: 9, unit: 'jar', at: 'a usual canner, one layer', ...guide },
	smallestCanner: { value: 4, unit: 'jar', at: 'quarts that a pressure canner must hold at the least', ...guide },
	dialTest_months: {
		value: 12,
		unit: 'month',
		at: 'a dial gauge is tested every year; over 2 lb out, replaced',
		...guide
	}
} as const satisfies Record<string, Row>;

/** Acid that goes into each jar, where it is part of the process; half of a quart's for a pint. */
export interface AcidRow {
	readonly lemonJuice_tbsp: number;
	readonly citricAcid_tsp?: number;
	readonly vinegar_tbsp?: number;
	readonly words: string;
	readonly source: SourceId;
	readonly confidence: Confidence;
}
export type AcidId = 'tomatoes' | 'figs' | 'asian-pears';

/** To a quart. @source USDA Complete Guide to Home Canning, 2015, guides 2 and 3 (from memory) */
export const acidPerQuart: Readonly<Record<AcidId, AcidRow>> = {
	tomatoes: {
		lemonJuice_tbsp: 2,
		citricAcid_tsp: 0.5,
		vinegar_tbsp: 4,
		words: 'bottled lemon juice (not fresh), or citric acid; 5 % vinegar instead changes the taste',
		...guide
	},
	figs: {
		lemonJuice_tbsp: 2,
		citricAcid_tsp: 0.5,
		words: 'bottled lemon juice (not fresh), or citric acid; no amount of vinegar is published',
		...guide
	},
	'asian-pears': { lemonJuice_tbsp: 2, words: 'bottled lemon juice (not fresh)', ...guide }
};

/** Canning jars of the guides. A pint is 473 mL, a quart 946 mL. */
export const jarSizes = ['half-pint', 'pint', 'quart', 'half-gallon'] as const;
export type JarSize = (typeof jarSizes)[number];
/** Whether a container of this volume is such a jar: those of other countries hold a little more or less. */
export const isJarOf = (volume_mL: number, jar: JarSize): boolean =>
	Math.abs(volume_mL / 1000 / jarVolume_L[jar] - 1) < 0.15;
export const jarVolume_L: Readonly<Record<JarSize, number>> = {
	'half-pint': 0.2365882365,
	pint: 0.473176473,
	quart: 0.946352946,
	'half-gallon': 1.892705892
};
