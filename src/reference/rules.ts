import type { Provenance, Row } from './row';
import type { Range } from './tables';

const nchfp = { source: 'nchfpBlanching', confidence: 'from memory' } as const;
const freezing = { source: 'nchfpFreezing', confidence: 'from memory' } as const;
const practice = { source: 'practice', confidence: 'practice' } as const;

/** Rules of blanching in water, as published. */
export const blanchRules = {
	water_L_per_kg: { value: 3.785411784 / 0.45359237, unit: 'L/kg', at: '1 gallon to a pound', ...nchfp },
	waterLeafy_L_per_kg: {
		value: (2 * 3.785411784) / 0.45359237,
		unit: 'L/kg',
		at: '2 gallons to a pound, leafy greens',
		...nchfp
	},
	reboil_s: { value: 60, unit: 's', at: 'the boil is back within a minute, else too much is in the water', ...nchfp },
	altitudeFrom_m: { value: 5000 * 0.3048, unit: 'm', at: '5,000 ft and above', ...nchfp },
	altitudeExtra_s: { value: 60, unit: 's', at: '1 minute longer', ...nchfp },
	chillWater_C: { value: ((60 - 32) * 5) / 9, unit: '°C', at: '60 °F or below', ...nchfp },
	ice_kg_per_kg: { value: 1, unit: 'kg/kg', at: '1 lb ice to 1 lb of vegetables', ...nchfp },
	potFill: { value: 0.75, unit: '1', at: 'the pot three quarters full, food in', ...practice },
	chillTarget_C: { value: 15, unit: '°C', at: 'at the centre; our own target, a little under 60 °F', ...practice },
	drain_s: { value: 300, unit: 's', at: 'in a sieve, then patted dry', ...practice },
	basinStart_L_per_kg: { value: 3, unit: 'L/kg', at: 'water in the basin, to the food of a potful', ...practice },
	iceLoss: { value: 0.15, unit: '1', at: 'ice lost to the room, the basin and drips', ...practice },
	chillCoefficient: { value: 500, unit: 'W/(m² K)', at: 'pieces stirred in ice water', ...practice }
} as const satisfies Record<string, Row>;

/** Rules of freezing and keeping frozen. */
export const freezingRules = {
	load_kg_per_L_day: {
		value: (2 * 0.45359237) / 28.316846592,
		unit: 'kg/L',
		at: '2 lb to the cubic foot of freezer in 24 h, the lower of the published 2 to 3',
		...freezing
	},
	freezer_C: { value: -18, unit: '°C', at: '0 °F or below', ...freezing },
	trayCover: { value: 0.6, unit: '1', at: 'share of a tray covered by one layer, pieces not touching', ...practice },
	sugar_kg_per_cup: { value: 0.2, unit: 'kg', at: 'a US cup of granulated sugar, level', ...practice },
	sugarPack_kg_per_L: { value: 1.05, unit: 'kg/L', at: 'fruit in its sugar, juice filling the gaps', ...practice },
	packSlack: { value: 1.15, unit: '1', at: 'room a stacked pack takes beside its food', ...practice },
	halved_K: {
		value: 10 / 1.8,
		unit: 'K',
		at: 'warmer than 0 °F that halves the months of frozen food: each 10 °F; never longer for being colder',
		...practice
	},
	flatPack_m: { value: 0.0254, unit: 'm', at: 'thickness of a bag frozen flat, an inch', ...practice }
} as const satisfies Record<string, Row>;

/** Share of a burner's power that reaches the water, lid on. */
export const burnerEfficiency = {
	gas: { value: 0.4, unit: '1', ...practice },
	electric: { value: 0.7, unit: '1', ...practice },
	ceramic: { value: 0.7, unit: '1', ...practice },
	induction: { value: 0.85, unit: '1', ...practice },
	fire: { value: 0.15, unit: '1', ...practice }
} as const satisfies Record<string, Row>;

export type BurnerKind = keyof typeof burnerEfficiency;

/** Keeping, scaled by temperature and condition. */
export const freshnessRules = {
	q10: { value: 2.5, unit: '1', at: 'spoilage for each 10 K, middle of the published 2 to 3', ...practice },
	firm: { value: 1, unit: '1', ...practice },
	ripe: { value: 0.7, unit: '1', at: 'fully ripe', ...practice },
	soft: { value: 0.35, unit: '1', at: 'soft, bruised or split', ...practice },
	cut: { value: 0.25, unit: '1', at: 'washed and cut', ...practice }
} as const satisfies Record<string, Row>;

/** What stands in jars and bags by volume, where no row of the food's own says what it weighs. */
export const shelfRules = {
	jar_kg_per_L: { value: 0.95, unit: 'kg/L', at: 'food and its liquid, to the headspace', ...practice },
	dried_kg_per_L: { value: 0.3, unit: 'kg/L', at: 'dried pieces, loose in a jar', ...practice }
} as const satisfies Record<string, Row>;

/** Clocks that start anew when a thing changes its state: days in the fridge, months in the freezer. */
export const clockRules = {
	thawed: {
		days: [1, 2],
		unit: 'day',
		at: 'in the fridge, cooked through before eating',
		source: 'fsisThaw',
		confidence: 'from memory'
	},
	cooked: {
		days: [3, 4],
		unit: 'day',
		at: 'in the fridge, cooled within two hours',
		source: 'coldStorage',
		confidence: 'from memory'
	},
	fermentedCool: {
		days: [30, 90],
		unit: 'day',
		at: 'finished, in a cool place under its brine; the fridge keeps it longer',
		...practice
	},
	salted: { days: [90, 180], unit: 'day', at: 'under salt or brine, in a cool place', ...practice },
	sugared: { days: [90, 180], unit: 'day', at: 'in heavy syrup, honey or candied, cool and dark', ...practice },
	ground: { days: [30, 120], unit: 'day', at: 'in the row, under cover, until the ground freezes hard', ...practice },
	soaked: { days: [1, 2], unit: 'day', at: 'in the fridge, under fresh water', ...practice },
	frozen: { months: [8, 12], unit: 'month', at: 'blanched vegetables and fruit; quality, not safety', ...freezing }
} as const satisfies Record<
	string,
	Provenance & { readonly unit: string; readonly at: string; readonly days?: Range; readonly months?: Range }
>;
