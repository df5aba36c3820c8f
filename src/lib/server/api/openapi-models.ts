import { parametersOf, type Asks } from './asks';
import { cooling, blanchLineModel, boilDownModel, boilingPoint, chillTime, potHeating } from './models/heat';
import { dryingTimeModel, dryingYield } from './models/drying';
import { freezerWeek, freezingTime } from './models/freezing';
import { absorber, cannerLoadsModel, portionsModel } from './models/packing';
import {
	answer,
	asked,
	list,
	malformed,
	number,
	object,
	orNull,
	pair,
	refused,
	sourced,
	text,
	texts,
	unknown
} from './openapi-parts';

const flag = { type: 'boolean' } as const;
const whole = { type: 'integer' } as const;
const maybe = orNull(number);
const modelled = { model: text, ...sourced };

/** Name of the path: its asks, what it is for, the schema of its answer. */
const models: Readonly<Record<string, readonly [asks: Asks, id: string, summary: string, schema: string]>> = {
	'boiling-point': [boilingPoint.asks, 'BoilingPoint', 'Where water boils, by the altitude.', 'Boiling point.'],
	'pot-heating': [potHeating.asks, 'PotHeating', 'How long a pot takes to the boil.', 'Seconds to the boil.'],
	'blanch-line': [blanchLineModel.asks, 'BlanchLine', 'Blanching a whole amount: potfuls, boil, ice and time.', 'The whole line.'],
	'chill-time': [chillTime.asks, 'ChillTime', 'How long a blanched piece lies in ice water until its centre is cold.', 'Seconds in the ice.'],
	'freezing-time': [freezingTime.asks, 'FreezingTime', 'Hours until a pack is hard, −10 °C at its centre, from the composition of the food.', 'The time, Plank’s beside it, and the curve where asked for.'],
	'freezer-week': [freezerWeek.asks, 'FreezerWeek', 'A freezer over days: how many packs go in each day so that old stock stays cold; without power too.', 'The plan, and all at once for comparison.'],
	'drying-time': [dryingTimeModel.asks, 'DryingTime', 'Hours until a food is dry, with an interval; learned from weighings.', 'The forecast.'],
	'drying-yield': [dryingYield.asks, 'DryingYield', 'What is left of a food when it is dry, and what each tray is to weigh.', 'The balance.'],
	'boil-down': [boilDownModel.asks, 'BoilDown', 'Boiling down: the mark on the stick, minutes, heat and sugar; learned from dips.', 'The forecast.'],
	'canner-loads': [cannerLoadsModel.asks, 'CannerLoads', 'Kilos to jars to canner loads on the clock; a load topped off. Times are of the tables.', 'The loads.'],
	portions: [portionsModel.asks, 'Portions', 'Packs by weight, volume, pieces or people, in one size or two.', 'Packs and what is left.'],
	absorber: [absorber.asks, 'Absorber', 'The oxygen absorber for a container.', 'Size and number.'],
	cooling: [cooling.asks, 'Cooling', 'Hot food through the two published stages, and what to change when it is too slow.', 'The forecast.']
}; // prettier-ignore

/** Every model is read-only and answers the same way. */
export const modelPaths = Object.fromEntries(
	Object.entries(models).map(([path, [asks, schema, summary, words]]) => [
		`/api/v1/models/${path}`,
		{
			get: {
				operationId: `model${schema}`,
				summary,
				parameters: parametersOf(asks),
				responses: {
					200: answer(words, schema),
					400: malformed,
					...('food' in asks ? { 300: asked, 404: unknown } : {}),
					422: refused
				}
			}
		}
	])
);

const stages = {
	to_135F_s: maybe,
	to_70F_s: maybe,
	to_41F_s: maybe,
	first_stage_s: maybe,
	both_stages_s: maybe,
	verdict: { enum: ['in time', 'tight', 'too slow'] },
	fails: orNull({ enum: ['first', 'second'] })
};
const week = object({
	air_warmest_C: number,
	old_warmest_C: maybe,
	old_safe: flag,
	hard_h: list(maybe),
	duty: number,
	energy_kWh: number,
	day_load_kg: number,
	within_limit: flag,
	points: list(object({ h: number, air_C: number, old_C: maybe, old_warmest_C: maybe, new_C: maybe }))
});
const process = {
	product: text,
	name: text,
	style: { enum: ['hot', 'raw'] },
	jar: text,
	method: { enum: ['boiling-water', 'pressure'] },
	gauge: orNull({ enum: ['dial', 'weighted'] }),
	minutes: { type: 'number', exclusiveMinimum: 0 },
	psi: maybe,
	source: text
};
const step = object({
	name: text,
	seconds: number,
	kind: { enum: ['published', 'estimate'] },
	attended: flag,
	words: text
});

export const modelSchemas = {
	BoilingPoint: object({ altitude_m: number, pressure_Pa: number, boil_C: number, ...modelled }),
	PotHeating: object({ water_L: number, start_C: number, boil_C: number, useful_W: number, seconds: number, ...modelled }),
	BlanchLine: object({
		food: text, cut: text, method: { enum: ['water', 'steam'] }, boil_C: number, water_L: number, potful_kg: number, potfuls: whole,
		limit: { enum: ['water', 'fill', 'basket', 'minute'] }, blanch_s: pair, to_boil_s: number, dip_K: number, reboil_s: number,
		reboil_late: flag, chill_s: number, ice_kg: number, ice_per_potful_kg: number, top_up_L: number, line_s: number, ...modelled
	}),
	ChillTime: object({ shape: text, size_mm: number, seconds: number, published_s: number, target_C: number, ...modelled }),
	FreezingTime: object({
		food: text, name: text, shape: { enum: ['slab', 'cylinder', 'sphere', 'brick'] }, start_C: number, medium_C: number, h_W_m2K: number,
		centre_C: number, hours: number, plank_hours: number, freezing_point: object({ C: number, ...sourced }),
		frozen: object({ density_kg_m3: number, conductivity_W_mK: number, heat_J_kgK: number }),
		curve: orNull(object({ hours: number, points: list(object({ h: number, centre_C: number, surface_C: number, mean_C: number })) })),
		...modelled
	}),
	FreezerWeek: object({
		food: text, limit_kg_day: number, packs_by_day: list(whole), limited_by: { enum: ['the published load', 'the old stock', 'neither'] },
		plate: object({ loss_W_K: number, cooling_W: number }), week, at_once: orNull(week),
		outage: object({ fill: number, published_h: maybe, to_minus_5C_h: number, to_4C_h: number, plan_h: number }), ...modelled
	}),
	DryingTime: object({
		food: text, row: text, cut: text, hours: number, interval_h: pair, printed_h: pair, as_printed: flag,
		factors: list(object({ words: text, factor: number })), moisture_in: number, moisture_out: number,
		air: object({ C: number, relative_humidity: number, wet_bulb_C: number, deficit_Pa: number }),
		learned: orNull(object({ done_h: number, interval_h: pair, target_kg: number, power: number, odd: orNull(object({ h: number, kg: number })) })),
		curve: list(object({ h: number, weight_share: number })), test: text, heat_before: texts, cautions: texts, ...modelled
	}),
	DryingYield: object({
		food: text, cut: text, bought_kg: number, prepared_kg: number, byproduct_kg: number, byproducts: texts, water_kg: number, dry_kg: number,
		ratio: number, tray_wet_kg: number, tray_dry_kg: number, printed: orNull(object({ fresh_kg: number, dried_kg: number, source: text })), ...modelled
	}),
	BoilDown: object({
		start_L: number, end_L: number, mark_mm: number, water_kg: number, to_boil_s: number, boil_s: number, interval_s: pair,
		rate_kg_h: number, energy_kJ: number, sugar_end: maybe, learned: flag, ...modelled
	}),
	CannerLoads: object({
		process: object(process), jars: whole, per_jar_g: maybe, per_load: whole,
		loads: list(object({ jars: whole, from_s: number, to_s: number, check_s: pair, steps: list(step) })),
		elapsed_s: number, hands_s: number, lids: whole, energy_kJ: number,
		mixed: orNull(object({ minutes: number, with: object(process), longest: text, words: text, confidence: { const: 'practice' } })), cautions: texts, ...modelled
	}),
	Portions: object({
		food: text, cut: text, sizes: list(object({ grams: whole, packs: whole, words: text, price: maybe })), packs: whole,
		remainder_g: number, weeks: maybe, ...modelled
	}),
	Absorber: object({ food: text, air_mL: number, oxygen_mL: number, size_cc: number, count: whole, ...modelled }),
	Cooling: object({
		...stages, rule: object({ from_C: number, first_C: number, second_C: number, first_s: number, both_s: number, source: text }),
		changes: list(object({ words: text, ...stages })), cautions: texts, ...modelled
	})
} as const; // prettier-ignore
