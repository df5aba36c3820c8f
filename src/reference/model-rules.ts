import type { Row } from './row';

const practice = { source: 'practice', confidence: 'practice' } as const;
const nchfpDrying = { source: 'nchfpDrying', confidence: 'from memory' } as const;

/** How well heat passes from a surface: what lies round the food. W/(m² K). */
export const surfaces = {
	'still-air': { value: 8, unit: 'W/(m² K)', at: 'freezer or fridge shelf, air at rest; 5 to 10', ...practice },
	fan: { value: 25, unit: 'W/(m² K)', at: 'air moved by a fan; 20 to 30', ...practice },
	plate: { value: 60, unit: 'W/(m² K)', at: 'flat on a cold plate or coil, both sides pressed', ...practice },
	'ice-water': { value: 300, unit: 'W/(m² K)', at: 'outside of a container that stands in ice water', ...practice },
	'tap-water': { value: 250, unit: 'W/(m² K)', at: 'outside of a container in cold water that is changed', ...practice }
} as const satisfies Record<string, Row>;
export type SurfaceKind = keyof typeof surfaces;

/** What a wrapping holds back, m² K to the watt. */
export const wraps = {
	none: { value: 0, unit: 'm² K/W', at: 'bare on a tray', ...practice },
	tight: { value: 0.005, unit: 'm² K/W', at: 'bag with the air pressed out, or vacuum', ...practice },
	loose: { value: 0.05, unit: 'm² K/W', at: 'bag with some 1 mm of air at the food', ...practice },
	box: { value: 0.03, unit: 'm² K/W', at: 'plastic box, 1 mm wall and little air', ...practice },
	carton: { value: 0.07, unit: 'm² K/W', at: 'carton of 2 mm', ...practice }
} as const satisfies Record<string, Row>;
export type WrapKind = keyof typeof wraps;

/** A household freezer, by what it holds. */
export const freezerModel = {
	loss_W_K: {
		value: 0.03,
		unit: 'W/K',
		at: 'through the walls, times litres to the power of two thirds; 1.2 W/K for 240 L',
		...practice
	},
	spare: {
		value: 2.8,
		unit: '1',
		at: 'cooling at −18 °C, times what the walls lose with a room of 22 °C',
		...practice
	},
	capacitySlope: { value: 0.035, unit: '1', at: 'more cooling for each K of warmer air', ...practice },
	efficiency: { value: 1.3, unit: '1', at: 'cooling to the electricity it takes', ...practice },
	liner_J_K: { value: 20_000, unit: 'J/K', at: 'liner, shelves and air', ...practice },
	fill_kg_L: {
		value: 0.6,
		unit: 'kg/L',
		at: 'frozen food to the litre of a full freezer, air between packs',
		...practice
	},
	band_K: { value: 1.5, unit: 'K', at: 'the thermostat’s play, either way', ...practice },
	contact_W_m2K: { value: 10, unit: 'W/(m² K)', at: 'between a pack and the new one that lies on it', ...practice },
	oldWarmest_C: { value: -12, unit: '°C', at: 'warmest that old stock is let get; our own mark', ...practice },
	oldBlock_m: { value: 0.3, unit: 'm', at: 'thickness of the stacked old stock', ...practice }
} as const satisfies Record<string, Row>;

/** Cooling hot food. */
export const coolingModel = {
	stirred_W_m2K: { value: 500, unit: 'W/(m² K)', at: 'thin liquid, stirred, to the wall', ...practice },
	still_W_m2K: { value: 100, unit: 'W/(m² K)', at: 'thin liquid at rest, moving by its own warmth', ...practice },
	open_W_m2K: {
		value: 4,
		unit: 'W/(m² K)',
		at: 'carried by the air itself from an open surface; steam goes off it in proportion',
		...practice
	},
	airHumidity: { value: 0.7, unit: '1', at: 'relative humidity in a fridge', ...practice },
	shallow_m: {
		value: 2 * 0.0254,
		unit: 'm',
		at: '2 in deep, a shallow pan',
		source: 'fsis',
		confidence: 'from memory'
	},
	tight: { value: 1.25, unit: '1', at: 'a forecast this near the limit is called tight', ...practice }
} as const satisfies Record<string, Row>;

/** Drying time: how the printed hours are carried to this dryer. */
export const dryingModel = {
	thicknessPower: {
		value: 1.2,
		unit: 'power',
		at: 'hours go with thickness to this power: 1 where the air limits, 2 where the inside does; printed rows of fruit lie at 1.2',
		...practice
	},
	thicknessDoubt: { value: 0.3, unit: 'power', at: 'doubt of that power', ...practice },
	activation_kJ_mol: {
		value: 30,
		unit: 'kJ/mol',
		at: 'water in fruit and vegetables with temperature; published 17 to 33',
		...practice
	},
	activationDoubt: { value: 0.3, unit: '1', at: 'doubt of it, as a share', ...practice },
	roomAir_C: { value: 21, unit: '°C', at: 'room for which the printed hours are taken', ...practice },
	roomHumidity: { value: 0.5, unit: '1', at: 'relative humidity of that room', ...practice },
	overloadPower: { value: 0.7, unit: 'power', at: 'hours with the load over one layer', ...practice },
	ovenFactor: { value: 2, unit: '1', at: 'an oven takes about twice as long as a dryer', ...nchfpDrying },
	undipped: { value: 2.8, unit: '1', at: 'whole waxy berry not dipped, against dipped', ...practice },
	pricked: { value: 1.3, unit: '1', at: 'whole waxy berry pricked, against dipped', ...practice },
	halved: { value: 0.45, unit: '1', at: 'berry or cherry halved, against whole and dipped', ...practice },
	skinDoubt: { value: 0.2, unit: '1', at: 'doubt of what a skin does', ...practice },
	unblanched: { value: 1.25, unit: '1', at: 'vegetable dried raw, against blanched', ...practice },
	least: { value: 0.12, unit: '1', at: 'least doubt of a printed range', ...practice },
	shapeDoubt: { value: 0.12, unit: 'power', at: 'doubt of the curve’s power n, about 1', ...practice },
	herbMoisture: { value: 0.1, unit: '1', at: 'water left in crumbling herbs', ...practice },
	meatMoisture: { value: 0.2, unit: '1', at: 'water left in a strip that cracks and does not break', ...practice },
	equilibrium: { value: 0.03, unit: '1', at: 'kg of water to a kg of solids in the end, in a dryer', ...practice },
	trayLoad_kg_m2: { value: 4, unit: 'kg/m²', at: 'one close layer of slices', ...practice },
	dried_kg_L: { value: 0.2, unit: 'kg/L', at: 'dried pieces lying loose, where no yield is printed', ...practice },
	again_h: { value: 2, unit: 'h', at: 'a jar that clumped, back on the trays: 1 to 4 h, by the hand', ...practice },
	againDoubt: { value: 0.42, unit: '1', at: 'doubt of that', ...practice },
	againMoisture: { value: 0.06, unit: '1', at: 'water too much in what clumps, as a share', ...practice },
	turning_s: { value: 300, unit: 's', at: 'each time trays are turned, swapped and felt', ...practice },
	jarring_s: { value: 90, unit: 's', at: 'filling and labelling a jar', ...practice },
	betweenTrays: {
		value: 0.08,
		unit: '1',
		at: 'hours of trays of one food in one load, by place and by hand',
		...practice
	},
	betweenLoads: {
		value: 0.1,
		unit: '1',
		at: 'hours of one food from load to load: ripeness, cut, weather',
		...practice
	},
	handDoubt: {
		value: 0.06,
		unit: '1',
		at: 'hours by the hand’s test: felt every so often, and never in the minute',
		...practice
	},
	coolFor_s: {
		value: 2700,
		unit: 's',
		at: '30 to 60 minutes off the dryer before a jar is closed: warm it sweats',
		...nchfpDrying
	},
	dryerEfficiency: { value: 0.35, unit: '1', at: 'heat that goes into the water', ...practice }
} as const satisfies Record<string, Row>;

/** Boiling down in an open pot. */
export const boilDownModel = {
	openEfficiency: { value: 0.8, unit: '1', at: 'of what a covered pot takes up, lid off at a boil', ...practice },
	rateDoubt: { value: 0.25, unit: '1', at: 'doubt of the burner before the first dip', ...practice },
	dip_m: { value: 0.002, unit: 'm', at: 'a depth read on a stick', ...practice },
	mostSugar: { value: 0.7, unit: '1', at: 'sugar by weight beyond which it scorches', ...practice }
} as const satisfies Record<string, Row>;

/** A canner's load on the clock, beside the published waits and the process itself. */
export const cannerModel = {
	turn_s: { value: 600, unit: 's', at: 'between loads: jars out, water topped up and hot again', ...practice },
	fill_s: { value: 90, unit: 's', at: 'hands for each jar: filling, wiping, lid', ...practice },
	comeUp_s: { value: 600, unit: 's', at: 'from the weight going on to full pressure; 5 to 15 min', ...practice },
	comeDown_s: { value: 2700, unit: 's', at: 'pressure canner falling by itself; 30 to 60 min', ...practice },
	water_L: { value: 12, unit: 'L', at: 'in a boiling-water canner, jars in', ...practice },
	waterPressure_L: { value: 3, unit: 'L', at: 'in a pressure canner', ...practice },
	returnBoil_s: { value: 600, unit: 's', at: 'a loaded boiling-water canner back to the boil', ...practice },
	spareLids: { value: 0.1, unit: '1', at: 'lids over, for rims that fail', ...practice }
} as const satisfies Record<string, Row>;

/** Bags, rolls and absorbers. */
export const packModel = {
	bagSlack_m: { value: 3 * 0.0254, unit: 'm', at: 'longer than the item and its height by', ...practice },
	seam_m: { value: 0.012, unit: 'm', at: 'each seal or seam', ...practice },
	widthSlack_m: { value: 0.02, unit: 'm', at: 'wider than half way round', ...practice }
} as const satisfies Record<string, Row>;
