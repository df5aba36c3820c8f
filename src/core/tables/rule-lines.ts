import { acidPerQuart, canningRules, pressureSets, waterBands_ft, type Gauge } from '../../reference/canning-rules';
import type { FigureUnit, TableWay } from '../../reference/other-ways';
import type { Row } from '../../reference/row';
import { blanchRules, burnerEfficiency, freezingRules, freshnessRules } from '../../reference/rules';
import { heatSteps } from '../../reference/safety';
import type { Units } from '../quantities/format';
import { from, lineOf, type Line } from './line';
import { modelTables } from './model-names';

type Named = Readonly<Record<string, readonly [TableWay, string]>>;

/** Where each rule of the core stands, and what it is called there. A test holds that none is missing. */
export const ruleNames: Named = {
	'blanch/water_L_per_kg': ['freeze', 'Blanching water'],
	'blanch/waterLeafy_L_per_kg': ['freeze', 'Blanching water, leafy greens'],
	'blanch/reboil_s': ['freeze', 'Back at the boil within'],
	'blanch/altitudeFrom_m': ['freeze', 'A longer blanch from'],
	'blanch/altitudeExtra_s': ['freeze', 'Longer by, at that altitude'],
	'blanch/chillWater_C': ['freeze', 'Chilling water at most'],
	'blanch/ice_kg_per_kg': ['freeze', 'Ice to vegetables'],
	'blanch/potFill': ['freeze', 'Pot filled to'],
	'blanch/chillTarget_C': ['freeze', 'Chilled to, at the centre'],
	'blanch/drain_s': ['freeze', 'Drained for'],
	'blanch/basinStart_L_per_kg': ['freeze', 'Water in the basin'],
	'blanch/iceLoss': ['freeze', 'Ice lost'],
	'blanch/chillCoefficient': ['freeze', 'Heat through stirred ice water'],
	'freezing/load_kg_per_L_day': ['freeze', 'New food a freezer takes in a day'],
	'freezing/freezer_C': ['freeze', 'Freezer at'],
	'freezing/trayCover': ['freeze', 'Tray covered'],
	'freezing/sugar_kg_per_cup': ['freeze', 'A cup of sugar weighs'],
	'freezing/sugarPack_kg_per_L': ['freeze', 'Fruit in sugar weighs'],
	'freezing/packSlack': ['freeze', 'Room a pack takes'],
	'freezing/halved_K': ['freeze', 'Months of frozen food halve for each'],
	'freezing/flatPack_m': ['freeze', 'Thickness of a flat bag'],
	'freshness/q10': ['fresh', 'Spoils faster for each 10 °C (18 °F), times'],
	'freshness/firm': ['fresh', 'Keeps, firm'],
	'freshness/ripe': ['fresh', 'Keeps, fully ripe'],
	'freshness/soft': ['fresh', 'Keeps, soft or split'],
	'freshness/cut': ['fresh', 'Keeps, cut'],
	'burner/gas': ['freeze', 'Gas burner: heat into the pot'],
	'burner/electric': ['freeze', 'Electric plate: heat into the pot'],
	'burner/ceramic': ['freeze', 'Ceramic hob: heat into the pot'],
	'burner/induction': ['freeze', 'Induction: heat into the pot'],
	'burner/fire': ['freeze', 'Open fire: heat into the pot'],
	'canning/lowAcidAbove_pH': ['can', 'Low in acid above'],
	'canning/highest_m': ['can', 'Highest kitchen with a time'],
	'canning/vent_s': ['can', 'Vent'],
	'canning/waterInPressureCanner_m': ['can', 'Water in a pressure canner'],
	'canning/waterOverJars_m': ['can', 'Water over the jars'],
	'canning/waterOverJarsLong_m': ['can', 'Water over the jars, long process'],
	'canning/loadRaw_C': ['can', 'Canner water, raw pack'],
	'canning/loadHot_C': ['can', 'Canner water, hot pack'],
	'canning/restWater_s': ['can', 'Wait, boiling water'],
	'canning/restPressure_s': ['can', 'Wait, pressure'],
	'canning/coolLeast_h': ['can', 'Jars cool, at least'],
	'canning/coolMost_h': ['can', 'Jars cool, at most'],
	'canning/sterileBelow_min': ['can', 'Sterilised jars below'],
	'canning/sterilise_min': ['can', 'Sterilise jars'],
	'canning/steamCanner_min': ['can', 'Atmospheric steam canner, longest'],
	'canning/storeWarmest_C': ['can', 'Sealed jars kept at most'],
	'canning/storeNever_C': ['can', 'Sealed jars never above'],
	'canning/best_months': ['can', 'Sealed jars at their best'],
	'canning/loadQuarts': ['can', 'A load of quarts'],
	'canning/loadPints': ['can', 'A load of pints'],
	'canning/smallestCanner': ['can', 'Smallest pressure canner, quarts'],
	'canning/dialTest_months': ['can', 'Dial gauge tested every']
};

/** Heat steps that belong to a way; the others are of cooking. */
const stepWays: Readonly<Record<string, TableWay>> = {
	'jerky-meat': 'dry',
	'jerky-poultry': 'dry',
	'dry-meat-air': 'dry',
	'jerky-oven-after': 'dry',
	'pasteurise-oven': 'dry',
	'pasteurise-freezer': 'dry',
	'boil-low-acid': 'can',
	fridge: 'fresh',
	freezer: 'freeze',
	'out-of-the-cold': 'thaw',
	'out-of-the-cold-hot': 'thaw',
	'oil-fridge': 'oil',
	'thaw-water': 'thaw'
};

/** A rule's SI value in a unit that people read: 600 s is 10 min, 0.4 is 40 %. */
function readable(row: Row): [number, FigureUnit] {
	switch (row.unit) {
		case 's':
			return [row.value / 60, 'min'];
		case 'kg':
			return [row.value * 1000, 'g'];
		case '1':
			return row.value <= 1.5 ? [row.value * 100, '%'] : [row.value, 'parts'];
		case '°C':
			return [row.value, 'C'];
		case 'm':
		case 'L/kg':
		case 'kg/kg':
		case 'W/(m² K)':
		case 'pH':
		case 'h':
		case 'min':
		case 'month':
		case 'jar':
		case 'kg/L':
		case 'power':
		case 'L':
		case 'kg/m²':
		case 'kJ/mol':
		case 'm² K/W':
		case 'W/K':
			return [row.value, row.unit];
		case 'K':
			return [row.value * 1.8, 'Fdiff'];
		case 'J/K':
			return [row.value / 1000, 'kJ/K'];
		default:
			throw new Error(`No words for the unit "${row.unit}".`);
	}
}

const tables: readonly (readonly [string, Readonly<Record<string, Row>>])[] = [
	['blanch', blanchRules],
	['freezing', freezingRules],
	['freshness', freshnessRules],
	['burner', burnerEfficiency],
	['canning', canningRules]
];

/** The rules that the core computes a way with, in the household's units. */
export function ruleLines(way: TableWay, units: Units): Line[] {
	const rules = tables.flatMap(([table, rows]) =>
		Object.entries(rows).flatMap(([name, row]) => {
			const named = ruleNames[`${table}/${name}`];
			if (named?.[0] !== way) return [];
			const [value, unit] = readable(row);
			const key = `rules/${table}/${name}`;
			return [lineOf({ key, slot: key, what: named[1], value, unit, at: row.at, ...from(row) }, units)];
		})
	);
	const steps = heatSteps
		.filter((s) => (stepWays[s.id] ?? 'cook') === way)
		.flatMap((step) => {
			const what = `${step.words.charAt(0).toUpperCase()}${step.words.slice(1)}`;
			const key = `heat-steps/${step.id}`;
			const lines: Line[] = [];
			if (step.F !== undefined)
				lines.push(lineOf({ key: `${key}/F`, slot: key, what, value: step.F, unit: 'F', ...from(step) }, units));
			if (step.minutes !== undefined) {
				const hours = step.minutes >= 60;
				const value = hours ? step.minutes / 60 : step.minutes;
				lines.push(
					lineOf({ key: `${key}/minutes`, slot: key, what: step.F === undefined ? what : `${what}: time`, value, unit: hours ? 'h' : 'min', ...from(step) }, units)
				); // prettier-ignore
			}
			return lines;
		});
	return [...rules, ...steps];
}

/** Constants that the models reckon with, in a group of their own. */
export const modelLines = (way: TableWay, units: Units): Line[] =>
	modelTables
		.filter((t) => t.way === way)
		.flatMap(({ id, rows, names }) =>
			Object.entries(rows).map(([name, row]) => {
				const [value, unit] = readable(row);
				const key = `models/${id}/${name}`;
				return lineOf({ key, slot: key, group: 'what the forecasts reckon with', what: names[name] ?? name, value, unit, at: row.at, ...from(row) }, units); // prettier-ignore
			})
		);

const bandWords = (to_ft: number | null, low_ft: number | null): string =>
	to_ft === null
		? `above ${(low_ft ?? 0).toLocaleString('en-US')} ft (${Math.round((low_ft ?? 0) * 0.3048)} m)`
		: `up to ${to_ft.toLocaleString('en-US')} ft (${Math.round(to_ft * 0.3048)} m)`;

/** Acid to a quart, and gauge pressure by altitude. */
export function canningTableLines(units: Units): Line[] {
	const guide = { source: 'usdaCanning2015', confidence: 'from memory' } as const;
	const acid = Object.entries(acidPerQuart).flatMap(([food, row]) => {
		const one = (name: string, value: number | undefined, unit: 'tbsp' | 'tsp', words: string) =>
			value === undefined
				? []
				: [lineOf({ key: `acid/${food}/${name}`, slot: `can/acid-${name}`, what: `${food.replace('-', ' ')}: ${words} to a quart`, value, unit, at: 'half for a pint', ...from(row) }, units)]; // prettier-ignore
		return [
			...one('lemon', row.lemonJuice_tbsp, 'tbsp', 'bottled lemon juice'),
			...one('citric', row.citricAcid_tsp, 'tsp', 'or citric acid'),
			...one('vinegar', row.vinegar_tbsp, 'tbsp', 'or 5 % vinegar')
		];
	});
	const pressure = Object.entries(pressureSets).flatMap(([set, gauges]) =>
		(Object.entries(gauges) as [Gauge, (typeof gauges)[Gauge]][]).flatMap(([gauge, bands]) =>
			bands.map(
				(band, i) =>
				lineOf({ key: `pressure/${set}/${gauge}/${i}`, slot: 'can/pressure', what: `${set.replace('pressure-', 'Tables of ').replace('weighted-', 'Tables of ')} lb, ${gauge} gauge`, value: band.psi, unit: 'psi', at: bandWords(band.to_ft, bands[i - 1]?.to_ft ?? null), ...guide }, units) // prettier-ignore
			)
		)
	);
	const water = waterBands_ft.map(
		(to_ft, i) =>
		lineOf({ key: `water-bands/${i}`, slot: 'can/water-band', what: `Boiling water, column ${i + 1}`, value: (to_ft ?? waterBands_ft[i - 1] ?? 0) * 0.3048, unit: 'm', at: bandWords(to_ft, waterBands_ft[i - 1] ?? null), ...guide }, units) // prettier-ignore
	);
	return [...acid, ...water, ...pressure];
}
