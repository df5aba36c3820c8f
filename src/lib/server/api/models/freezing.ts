import { dayLimit_kg, freezerOutage, freezerPlate, planFreezing, type FreezerWeek } from '$core/freezing/freezer-week';
import { publishedOutage } from '$core/freezing/published-outage';
import { iceShare, latentHeat_J_kg, sharesOf, type FoodThermal } from '$core/heat/food-properties';
import { freezingCurve } from '$core/heat/freezing-curve';
import { bulkOfFood, freezingTime_s, hard_C, plankTime_s, type FreezingShape } from '$core/heat/freezing-time';
import { stackedThickness_m, surfaceCoefficient } from '$core/heat/surface';
import { freezingPointOf } from '$reference/freezing-points';
import { surfaces, wraps, type SurfaceKind, type WrapKind } from '$reference/model-rules';
import type { FoodRow } from '$reference/tables';
import type { Refusal } from '$core/errors';
import { sources } from '$reference/sources';
import { AppError } from '../../errors';
import { foodNamed } from '../answer';
import { choice, food, num, yesNo } from '../asks';
import { model, word } from '../model';
import { provenance } from '../other-ways';

export const thermalOf = (row: FoodRow): FoodThermal => ({
	composition: sharesOf(row.composition),
	freezing_C: freezingPointOf(row).C
});
const colder = {
	source: 'ashraeRefrigeration',
	instead: ['Set the freezer to −18 °C (0 °F) or below', 'Freeze a thinner pack, and fewer at a time']
} as const;

/** Less water than this and there is next to nothing to freeze: the model was never held against such food. */
const wettest_g = 20;
const tooDry = (food: FoodRow): Refusal => ({
	kind: 'refused',
	reason: `${food.name} hold ${Math.round(food.composition.water)} % of water: too little for a freezing time by this model.`,
	source: sources.practice.title,
	instead: ['Freeze it overnight: dry food is cold through when the air around it is']
});
/** Pham's method was held against Plank within this. */
const floorPlay = 0.05;
const belowFloor = (name: string): Refusal => ({
	kind: 'refused',
	reason: `${name}: the time comes out below what the latent heat alone takes, so the model does not hold for this piece and air.`,
	source: sources.practice.title,
	instead: ['Ask for a usual piece, air and start', 'Leave it in overnight, and look']
});

export const freezingTime = (() => {
	const side = (words: string) => num(words, 'mm', 1, 500, 20);
	const asks = {
		food,
		shape: choice('Of the pack.', ['slab', 'cylinder', 'sphere', 'brick'] as const, { fallback: 'slab' }),
		size_mm: { ...side('Thickness or diameter; of a brick the first side.'), required: true },
		width_mm: side('Of a brick.'),
		length_mm: side('Of a brick.'),
		stack: num('Packs that lie on one another and freeze as one.', 'packs', 1, 20, 1, { fallback: 1 }),
		start_c: num('Of the food.', '°C', 0, 100, 5, { fallback: 5 }),
		air_c: num('Of the freezer.', '°C', -40, -3, -18, { fallback: -18 }),
		h: num('Surface coefficient; else by place and wrap.', 'W/(m² K)', 1, 500, 10),
		place: choice('What lies round it.', Object.keys(surfaces) as SurfaceKind[]),
		wrap: choice('What it is wrapped in.', Object.keys(wraps) as WrapKind[]),
		curve: yesNo('With the temperatures over time, by the finite-volume solver; slab, cylinder or sphere.')
	} as const;
	return {
		asks,
		GET: model(asks, colder, (q) => {
			const brick = q.shape === 'brick';
			const faults = (['width_mm', 'length_mm'] as const)
				.filter((name) => (q[name] !== undefined) !== brick)
				.map((field) => ({
					field,
					message: brick ? `${field} is required for a brick.` : `${field} is of a brick only.`
				}));
			if (brick && q.curve)
				faults.push({ field: 'curve' as 'width_mm', message: 'The curve is for a slab, cylinder or sphere.' });
			if (faults.length > 0) throw new AppError(400, 'BAD_INPUT', faults.map((f) => f.message).join(' '), faults);
			const row = foodNamed(q.food).food;
			if (row.composition.water < wettest_g) return tooDry(row);
			const thermal = thermalOf(row);
			const size_m = stackedThickness_m(q.size_mm / 1000, q.stack);
			const shape: FreezingShape =
				q.shape === 'brick'
					? { kind: 'brick', sides_m: [size_m, (q.width_mm ?? 0) / 1000, (q.length_mm ?? 0) / 1000] }
					: { kind: q.shape, size_m };
			const h_W_m2K = q.h ?? (q.place || q.wrap ? surfaceCoefficient(q.place ?? 'still-air', q.wrap) : 10);
			const ask = { start_C: q.start_c, medium_C: q.air_c, h_W_m2K };
			const bulk = bulkOfFood(thermal, hard_C);
			const hours = freezingTime_s({ food: thermal, shape, ...ask }) / 3600;
			const latent_J_m3 = latentHeat_J_kg(thermal) * bulk.rhoFrozen;
			const plank = plankTime_s({ shape, freezing_C: thermal.freezing_C, medium_C: q.air_c, h_W_m2K, k_W_mK: bulk.kFrozen, latent_J_m3 }); // prettier-ignore
			// No body freezes faster than the ice it forms by then allows: below that floor the model has left its ground.
			const floor_s = (plank * iceShare(thermal, hard_C)) / thermal.composition.water;
			if (hours * 3600 < floor_s * (1 - floorPlay)) return belowFloor(row.name);
			const curve =
				q.curve && q.shape !== 'brick' ? freezingCurve({ food: thermal, shape: q.shape, size_m, ...ask }) : null;
			return {
				food: row.id,
				name: row.name,
				shape: q.shape,
				...ask,
				centre_C: hard_C,
				hours,
				plank_hours: plank / 3600,
				freezing_point: { C: thermal.freezing_C, ...provenance(freezingPointOf(row)) },
				frozen: { density_kg_m3: bulk.rhoFrozen, conductivity_W_mK: bulk.kFrozen, heat_J_kgK: bulk.heatFrozen },
				curve: curve && {
					hours: curve.seconds / 3600,
					points: curve.points.filter((_, i) => i % 4 === 0 || i === curve.points.length - 1).map((p) => ({ h: p.t_s / 3600, centre_C: p.centre_C, surface_C: p.surface_C, mean_C: p.mean_C }))
				},
				...word('Pham’s three stages, properties by Choi and Okos; Plank beside it, from the freezing point and latent heat alone', 'ashraeRefrigeration')
			}; // prettier-ignore
		})
	};
})();

export const weekShown = (week: FreezerWeek) => ({
	air_warmest_C: week.airWarmest_C,
	old_warmest_C: week.oldWarmest_C,
	old_safe: week.oldSafe,
	hard_h: week.hard_h,
	duty: week.duty,
	energy_kWh: week.energy_kWh,
	day_load_kg: week.dayLoad_kg,
	within_limit: week.withinLimit,
	points: week.points
		.filter((_, i) => i % 4 === 0 || i === week.points.length - 1)
		.map((p) => ({ h: p.t_h, air_C: p.air_C, old_C: p.old_C, old_warmest_C: p.oldWarmest_C, new_C: p.new_C }))
});

export const freezerWeek = (() => {
	const asks = {
		litres: num('Of the freezer inside.', 'L', 20, 1000, 240, { required: true }),
		set_c: num('Where it is set.', '°C', -35, -12, -18, { fallback: -18 }),
		room_c: num('Of the room.', '°C', 6, 45, 22, { fallback: 22 }),
		cooling_w: num('Cold its compressor makes at −18 °C; by its litres without it.', 'W', 10, 2000, 120),
		old_kg: num('Frozen stock in it.', 'kg', 0, 600, 70, { fallback: 0 }),
		food,
		kg: num('New food.', 'kg', 0.1, 300, 12, { required: true }),
		pack_kg: num('One pack.', 'kg', 0.05, 20, 0.5, { fallback: 0.5 }),
		thickness_mm: num('What a pack freezes through.', 'mm', 4, 400, 30, { fallback: 30 }),
		start_c: num('Of the new food.', '°C', 0, 60, 10, { fallback: 10 }),
		days: num('How long to look.', 'days', 1, 7, 5, { fallback: 5 })
	} as const;
	return {
		asks,
		GET: model(asks, colder, (q) => {
			const row = foodNamed(q.food).food;
			const freezer = { litres: q.litres, set_C: q.set_c, room_C: q.room_c, ...(q.cooling_w ? { cooling_W: q.cooling_w } : {}) };
			if (q.old_kg > q.litres * 0.9)
				throw new AppError(400, 'BAD_INPUT', `${q.old_kg} kg do not go into ${q.litres} L.`, [{ field: 'old_kg', message: 'More than it holds.' }]);
			const plan = planFreezing({
				freezer,
				old: { kg: q.old_kg, start_C: q.set_c },
				load: { at_h: 0, kg: q.kg, pack_kg: q.pack_kg, thickness_m: q.thickness_mm / 1000, start_C: Math.max(0, q.start_c), food: thermalOf(row) },
				days: q.days
			});
			if (plan.kind === 'refused') return plan;
			const fill = Math.min(1, Math.max(0.02, q.old_kg / (q.litres * 0.6)));
			const outage = freezerOutage(freezer, fill, publishedOutage);
			return {
				food: row.id,
				limit_kg_day: dayLimit_kg(q.litres),
				packs_by_day: plan.packsByDay,
				limited_by: plan.limit,
				plate: freezerPlate(freezer),
				week: weekShown(plan.week),
				at_once: plan.atOnce ? weekShown(plan.atOnce) : null,
				outage: { fill, published_h: outage.published_h, to_minus_5C_h: outage.soft_h, to_4C_h: outage.warm_h, plan_h: outage.plan_h },
				...word('Balance of air, walls, compressor, old stock and packs; each pack by the finite-volume solver. The published 2 lb to the cubic foot a day is kept', 'nchfpFreezing')
			};
		})
	}; // prettier-ignore
})();
