import { boilDown, type BoilPot } from '$core/heat/boil-down';
import { airPressure_Pa, boilingPoint_C } from '$core/heat/boiling-point';
import { blanchLine } from '$core/heat/blanch-line';
import { chillTime_s } from '$core/heat/chill-time';
import { coolHotFood, coolingChanges, coolingRule, type CoolingForecast, type CoolingInput } from '$core/heat/cooling';
import { potHeating_s, usefulPower_W, type Burner } from '$core/heat/pot-heating';
import { lookUpBlanch } from '$core/freezing/blanch-look-up';
import { otherCautions } from '$core/safety/cautions';
import { sources } from '$reference/sources';
import { burnerEfficiency, type BurnerKind } from '$reference/rules';
import { foodNamed } from '../answer';
import { choice, food, num, pairs, word as wordOf, yesNo } from '../asks';
import { model, word } from '../model';
import { AppError } from '../../errors';

const burners = Object.keys(burnerEfficiency) as BurnerKind[];
export const burnerAsks = {
	burner: choice('Kind of burner.', burners, { fallback: 'electric' }),
	power_w: num('Its rated power.', 'W', 50, 20_000, 2000, { fallback: 2000 })
} as const;
export const burnerOf = (query: { burner: string; power_w: number }): Burner => ({
	kind: query.burner as BurnerKind,
	power_W: query.power_w
});
export const altitude = num('Height above the sea.', 'm', -430, 6000, 380, { required: true });
/** Not said: the answer is for sea level, and says so. */
export const altitudeIfAny = num('Height above the sea; sea level without it.', 'm', -430, 6000, 380, { fallback: 0 });

export const boilingPoint = (() => {
	const asks = { altitude_m: altitude } as const;
	return {
		asks,
		GET: model(asks, { source: 'isa1976', instead: ['Give an altitude'] }, ({ altitude_m }) => ({
			altitude_m,
			pressure_Pa: airPressure_Pa(altitude_m),
			boil_C: boilingPoint_C(altitude_m),
			...word('Standard atmosphere, and the saturation line of IAPWS-IF97, equation 31', 'iapwsIf97')
		}))
	};
})();

export const potHeating = (() => {
	const asks = {
		water_l: num('Water in the pot.', 'L', 0.1, 200, 8, { required: true }),
		start_c: num('Its temperature.', '°C', 0, 99, 14, { fallback: 14 }),
		...burnerAsks,
		altitude_m: altitudeIfAny
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'iapwsIf97', instead: ['It boils already: start'] }, (q) => {
			const boil_C = boilingPoint_C(q.altitude_m);
			const burner = burnerOf(q);
			return {
				water_L: q.water_l,
				start_C: q.start_c,
				boil_C,
				useful_W: usefulPower_W(burner),
				seconds: potHeating_s({ water_L: q.water_l, start_C: q.start_c, boil_C, burner, pot_J_per_K: q.water_l * 170 }),
				...word('Energy balance, lid on; the burner’s share by common practice', 'practice', 'practice')
			};
		})
	};
})();

export const blanchLineModel = (() => {
	const asks = {
		food,
		cut: wordOf('A cut or size; the food’s usual one without it.'),
		method: choice('In water or steam.', ['water', 'steam'] as const),
		kg: num('What goes through the pot.', 'kg', 0.05, 500, 9, { required: true }),
		pot_l: num('The pot.', 'L', 1, 200, 12, { required: true }),
		basket_l: num('What its basket holds.', 'L', 0.5, 200, 8),
		...burnerAsks,
		altitude_m: altitude,
		tap_c: num('Tap water.', '°C', 1, 35, 14, { fallback: 14 }),
		food_c: num('The food as it goes in.', '°C', 0, 40, 20, { fallback: 20 }),
		basins: num('Basins of ice water.', 'basins', 1, 6, 2, { fallback: 1 }),
		smaller: yesNo('Potfuls small enough to boil again within the minute.')
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'nchfpBlanching', instead: ['Use colder water'] }, (q) => {
			const thing = foodNamed(q.food);
			const row = thing.food;
			const look = lookUpBlanch({
				thing,
				...(q.cut === undefined ? {} : { cut: q.cut }),
				...(q.method ? { method: q.method } : {}),
				altitude_m: q.altitude_m
			});
			if (look.kind === 'refused') return look;
			if (!look.row)
				return {
					kind: 'refused' as const,
					reason: `${row.name}, ${look.cut.name}: nothing is blanched. ${look.why}`,
					source: look.source,
					instead: ['Freeze it as it is, or another cut']
				};
			const line = blanchLine({
				food: row,
				cut: look.cut,
				row: look.row,
				load_kg: q.kg,
				pot: { litres: q.pot_l, burner: burnerOf(q), ...(q.basket_l ? { basket_L: q.basket_l } : {}) },
				altitude_m: q.altitude_m,
				basins: Math.floor(q.basins),
				tap_C: q.tap_c,
				food_C: q.food_c,
				...(q.smaller ? { smaller: true } : {})
			});
			return {
				food: row.id,
				cut: look.cut.id,
				method: look.method,
				boil_C: line.boil_C,
				water_L: line.water_L,
				potful_kg: line.potful_kg,
				potfuls: line.potfuls,
				limit: line.limit,
				blanch_s: line.blanch_s,
				to_boil_s: line.toBoil_s,
				dip_K: line.dip_K,
				reboil_s: line.reboil_s,
				reboil_late: line.reboilLate,
				chill_s: line.chill_s,
				ice_kg: line.ice_kg,
				ice_per_potful_kg: line.icePerPotful_kg,
				top_up_L: line.topUp_L,
				line_s: line.line_s,
				...word('Published minutes and water; balances of heat for the dip, the ice and the clock', 'nchfpBlanching')
			};
		})
	};
})();

export const chillTime = (() => {
	const asks = {
		shape: choice('Of the piece.', ['slab', 'cylinder', 'sphere'] as const, { required: true }),
		size_mm: num('Thickness or diameter: an ear of corn 50, its kernels 8.', 'mm', 1, 150, 50, { required: true }),
		blanch_s: num('In the boiling water.', 's', 5, 3600, 540, { required: true }),
		start_c: num('Before the blanch.', '°C', 0, 40, 20, { fallback: 20 }),
		bath_c: num('Ice water.', '°C', 0, 25, 4, { fallback: 4 }),
		target_c: num('At the centre.', '°C', 2, 40, 15, { fallback: 15 }),
		altitude_m: altitudeIfAny
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'nchfpBlanching', instead: ['Colder water: add ice'] }, (q) => ({
			shape: q.shape,
			size_mm: q.size_mm,
			seconds: chillTime_s({
				shape: q.shape,
				size_m: q.size_mm / 1000,
				start_C: q.start_c,
				boil_C: boilingPoint_C(q.altitude_m),
				blanch_s: q.blanch_s,
				bath_C: q.bath_c,
				target_C: q.target_c
			}),
			published_s: q.blanch_s,
			target_C: q.target_c,
			...word('Series of conduction for slab, cylinder and sphere, heated then cooled; at least the published rule, as long as the blanch', 'nchfpBlanching')
		}))
	}; // prettier-ignore
})();

const forecast = (f: CoolingForecast) => ({
	to_135F_s: f.to135_s,
	to_70F_s: f.to70_s,
	to_41F_s: f.to41_s,
	first_stage_s: f.first_s,
	both_stages_s: f.whole_s,
	verdict: f.verdict,
	fails: f.fails
});
export const cooling = (() => {
	const side = (words: string) => num(words, 'mm', 10, 1000, 250);
	const asks = {
		vessel: choice('Round pot or pan.', ['pot', 'pan'] as const, { required: true }),
		diameter_mm: side('Of a pot.'),
		length_mm: side('Of a pan.'),
		width_mm: side('Of a pan.'),
		depth_mm: num('Of the food in it.', 'mm', 10, 1000, 150, { required: true }),
		body: choice('Thin and stirred, thin and still, or thick.', ['stirred', 'still', 'thick'] as const, { fallback: 'still' }),
		start_c: num('Of the food.', '°C', 60, 100, 95, { fallback: 95 }),
		open: yesNo('Lid off: steam carries heat away.'),
		place: choice('Where it stands.', ['ice-water', 'tap-water', 'fridge', 'freezer', 'room'] as const, { required: true }),
		medium_c: num('Of the water or air there.', '°C', -30, 40, 3, { required: true })
	} as const; // prettier-ignore
	return {
		asks,
		GET: model(asks, { source: 'foodCode2022', instead: ['Stand it in ice water'] }, (q) => {
			const missing = (q.vessel === 'pot' ? (['diameter_mm'] as const) : (['length_mm', 'width_mm'] as const)).filter((n) => q[n] === undefined); // prettier-ignore
			if (missing.length > 0)
				throw new AppError(400, 'BAD_INPUT', `A ${q.vessel} needs ${missing.join(' and ')}.`, missing.map((field) => ({ field, message: `${field} is required.` }))); // prettier-ignore
			const m = (value: number | undefined) => (value ?? 0) / 1000;
			const input: CoolingInput = {
				vessel:
					q.vessel === 'pot'
						? { kind: 'pot', diameter_m: m(q.diameter_mm), depth_m: m(q.depth_mm) }
						: { kind: 'pan', length_m: m(q.length_mm), width_m: m(q.width_mm), depth_m: m(q.depth_mm) },
				body: q.body,
				start_C: q.start_c,
				place: q.place,
				open: q.open,
				medium_C: q.medium_c
			};
			const now = coolHotFood(input);
			return {
				...forecast(now),
				rule: {
					from_C: coolingRule.from_C,
					first_C: coolingRule.first_C,
					second_C: coolingRule.second_C,
					first_s: coolingRule.first_s,
					both_s: coolingRule.whole_s,
					source: sources[coolingRule.source].title
				},
				changes: now.verdict === 'in time' ? [] : coolingChanges(input).map((c) => ({ words: c.words, ...forecast(c.forecast) })),
				cautions: otherCautions(null, ['cool-fast']).map((c) => c.text),
				...word('Thin food: one temperature, resistance at the wall; thick food: series of conduction. A forecast; the thermometer decides', 'foodCode2022')
			}; // prettier-ignore
		})
	};
})();

export const boilDownModel = (() => {
	const asks = {
		base_mm: num('Inside diameter at the floor of the pot.', 'mm', 50, 1000, 280, { required: true }),
		rim_mm: num('At the rim; as the floor where it is straight.', 'mm', 50, 1200, 340),
		height_mm: num('Of the pot inside.', 'mm', 30, 1000, 200, { required: true }),
		depth_mm: num('Of the food at the start.', 'mm', 5, 1000, 150, { required: true }),
		fraction: num('Share of the volume that is to be left.', 'of the start', 0.05, 0.95, 0.5, { required: true }),
		...burnerAsks,
		start_c: num('Of the food.', '°C', 0, 90, 20, { fallback: 20 }),
		altitude_m: altitudeIfAny,
		sugar: num('Share of sugar by weight at the start.', 'of the weight', 0, 0.8, 0.05),
		dips: pairs('Readings since it boiled, seconds and millimetres of depth.', '1200:140,2400:128')
	} as const;
	return {
		asks,
		GET: model(asks, { source: 'practice', instead: ['Wait until it boils'] }, (q) => {
			const pot: BoilPot = {
				base_m: q.base_mm / 1000,
				height_m: q.height_mm / 1000,
				...(q.rim_mm ? { rim_m: q.rim_mm / 1000 } : {})
			};
			const b = boilDown({
				pot,
				start_m: q.depth_mm / 1000,
				fraction: q.fraction,
				burner: burnerOf(q),
				start_C: q.start_c,
				boil_C: boilingPoint_C(q.altitude_m),
				...(q.sugar === undefined ? {} : { sugar: q.sugar }),
				dips: (q.dips ?? []).map(([t_s, mm]) => ({ t_s, depth_m: mm / 1000 }))
			});
			return {
				start_L: b.start_L,
				end_L: b.end_L,
				mark_mm: b.mark_m * 1000,
				water_kg: b.water_kg,
				to_boil_s: b.toBoil_s,
				boil_s: b.boil_s,
				interval_s: b.interval_s,
				rate_kg_h: b.rate_kg_h,
				energy_kJ: b.energy_J / 1000,
				sugar_end: b.sugarEnd ?? null,
				learned: b.learned,
				...word('Balance of water and heat; the pot as a truncated cone; dips joined with the burner on the logarithm', 'practice', 'practice')
			}; // prettier-ignore
		})
	};
})();
