import Joi from 'joi';
import { json } from '@sveltejs/kit';
import { DomainError } from '$core/errors';
import { latentHeat_J_kg, sharesOf, type FoodThermal } from '$core/heat/food-properties';
import { bulkOfFood, freezingTime_s, hard_C, plankTime_s, type FreezingShape } from '$core/heat/freezing-time';
import { foodNamed, foodParam, numberParam, open, parseQuery, refusedAnswer } from '$lib/server/api/answer';
import { provenance } from '$lib/server/api/other-ways';
import { freezingPointOf } from '$reference/freezing-points';
import { sources } from '$reference/sources';
import type { RequestHandler } from './$types';

interface Query {
	food: string;
	shape: 'slab' | 'cylinder' | 'sphere' | 'brick';
	size_mm: number;
	width_mm?: number;
	length_mm?: number;
	start_c: number;
	air_c: number;
	h: number;
}
const side = (name: string) => numberParam(name, 'millimetres', 1, 500, '20');
const schema = Joi.object<Query>({
	food: foodParam(),
	shape: Joi.string().valid('slab', 'cylinder', 'sphere', 'brick').default('slab').label('shape'),
	size_mm: side('size_mm').required(),
	width_mm: side('width_mm').when('shape', { is: 'brick', then: Joi.required(), otherwise: Joi.forbidden() }),
	length_mm: side('length_mm').when('shape', { is: 'brick', then: Joi.required(), otherwise: Joi.forbidden() }),
	start_c: numberParam('start_c', 'degrees Celsius', 0, 100, '5').default(5),
	air_c: numberParam('air_c', 'degrees Celsius', -40, -3, '-18').default(-18),
	h: numberParam('h', 'W/(m² K)', 1, 500, '10').default(10)
});

function shapeOf({ shape, size_mm, width_mm = size_mm, length_mm = size_mm }: Query): FreezingShape {
	return shape === 'brick'
		? { kind: 'brick', sides_m: [size_mm / 1000, width_mm / 1000, length_mm / 1000] }
		: { kind: shape, size_m: size_mm / 1000 };
}

/** Hours until a pack is hard. 200, 400 malformed, 404 unknown food, 422 where the air never gets it hard. */
export const GET: RequestHandler = ({ url }) =>
	open(() => {
		const query = parseQuery(schema, url);
		const food = foodNamed(query.food);
		const point = freezingPointOf(food);
		const thermal: FoodThermal = { composition: sharesOf(food.composition), freezing_C: point.C };
		const shape = shapeOf(query);
		const { start_c: start_C, air_c: medium_C, h: h_W_m2K } = query;
		const round = (value: number, digits: number) => Number(value.toFixed(digits));
		const work = () => {
			const bulk = bulkOfFood(thermal, hard_C);
			const latent_J_m3 = latentHeat_J_kg(thermal) * bulk.rhoFrozen;
			return {
				hours: freezingTime_s({ food: thermal, shape, start_C, medium_C, h_W_m2K }) / 3600,
				plank: plankTime_s({ shape, freezing_C: point.C, medium_C, h_W_m2K, k_W_mK: bulk.kFrozen, latent_J_m3 }) / 3600,
				bulk
			};
		};
		let answer: ReturnType<typeof work>;
		try {
			answer = work();
		} catch (thrown) {
			if (!(thrown instanceof DomainError) || thrown.code !== 'NO_DRIVING_FORCE') throw thrown;
			return refusedAnswer({
				kind: 'refused',
				reason: thrown.message,
				source: sources.ashraeRefrigeration.title,
				instead: ['Set the freezer to −18 °C (0 °F) or below', 'Freeze a thinner pack, and fewer at a time']
			});
		}
		return json({
			food: food.id,
			name: food.name,
			shape: query.shape,
			start_C,
			air_C: medium_C,
			h_W_m2K,
			centre_C: hard_C,
			hours: round(answer.hours, 2),
			plank_hours: round(answer.plank, 2),
			freezing_point: { C: point.C, ...provenance(point) },
			frozen: {
				density_kg_m3: round(answer.bulk.rhoFrozen, 0),
				conductivity_W_mK: round(answer.bulk.kFrozen, 2),
				heat_J_kgK: round(answer.bulk.heatFrozen, 0)
			},
			model: 'Pham 1986, properties by Choi and Okos; Plank beside it, from the freezing point and latent heat alone',
			source: sources.ashraeRefrigeration.title,
			confidence: 'from memory'
		});
	});
