import { freezerModel } from '../../reference/model-rules';
import { freezingRules } from '../../reference/rules';
import type { Refusal } from '../errors';
import { DomainError, mustBePositive, mustBeWithin } from '../errors';
import { densityAt, type FoodThermal } from '../heat/food-properties';
import { hard_C } from '../heat/freezing-time';
import { HeatSolver } from '../heat/heat-solver';
import { surfaceCoefficient } from '../heat/surface';
import { foodTable, type ThermalTable } from '../heat/thermal-table';
import { thinned } from '../heat/freezing-curve';

export interface Freezer {
	/** Inside, 20 to 2000 L. */
	readonly litres: number;
	/** Where it is set, −35 to −12 °C. */
	readonly set_C: number;
	/** Room it stands in, 0 to 45 °C. */
	readonly room_C: number;
	/** Through the walls, W/K; without it by its litres. */
	readonly loss_W_K?: number;
	/** Of the compressor at −18 °C, W of cold; without it by the loss. */
	readonly cooling_W?: number;
}
export interface OldStock {
	/** Frozen already, kg; 0 for an empty freezer. */
	readonly kg: number;
	readonly start_C: number;
}
/** Like packs that go in together. */
export interface FreezerLoad {
	/** When, h from the start. */
	readonly at_h: number;
	readonly kg: number;
	/** Of one pack. */
	readonly pack_kg: number;
	/** What a pack freezes through, stacked ones together, m. */
	readonly thickness_m: number;
	/** −1 to 60 °C. */
	readonly start_C: number;
	readonly food: FoodThermal;
}
export interface FreezerInput {
	readonly freezer: Freezer;
	readonly old: OldStock;
	readonly loads: readonly FreezerLoad[];
	/** New packs lie on old ones. */
	readonly touching?: boolean;
	/** 0.25 to 21. */
	readonly days: number;
	readonly onProgress?: (share: number) => void;
}
export interface FreezerPoint {
	readonly t_h: number;
	readonly air_C: number;
	/** Old stock: all of it together; and its warmest pack. Null in an empty freezer. */
	readonly old_C: number | null;
	readonly oldWarmest_C: number | null;
	/** Warmest centre among the new packs; null before the first and when all are hard. */
	readonly new_C: number | null;
}
export interface FreezerWeek {
	readonly points: readonly FreezerPoint[];
	readonly airWarmest_C: number;
	/** Null where there was nothing in it before. */
	readonly oldWarmest_C: number | null;
	/** For each load, from going in until hard; null where the days end first. */
	readonly hard_h: readonly (number | null)[];
	/** Share of the time that the compressor ran; 1: it never rested. */
	readonly duty: number;
	readonly energy_kWh: number;
	/** New food of the fullest 24 hours, kg, against the published limit. */
	readonly dayLoad_kg: number;
	readonly limit_kg: number;
	readonly withinLimit: boolean;
	/** The old stock stays at −12 °C or below. */
	readonly oldSafe: boolean;
}

/** Beans stand for what is in a freezer: wet food with a freezing point of −0.8 °C. */
export const usualStock: FoodThermal = {
	composition: { water: 0.9, protein: 0.02, fat: 0.005, carbohydrate: 0.045, fibre: 0.025, ash: 0.005 },
	freezing_C: -0.8
};
const step_s = 120;
/** A two-thousandth of a degree: the air swings by three. */
const tolerance_J_m3 = 1000;
const looseHalf_m = 0.02;

/** Loss and cooling of a freezer whose plate is not known. @source `freezerModel` (common practice) */
export function freezerPlate(freezer: Freezer): { loss_W_K: number; cooling_W: number } {
	mustBeWithin(freezer.litres, 20, 2000, 'litres');
	const loss_W_K = freezer.loss_W_K ?? freezerModel.loss_W_K.value * freezer.litres ** (2 / 3);
	mustBePositive(loss_W_K, 'loss_W_K');
	const cooling_W = freezer.cooling_W ?? loss_W_K * 40 * freezerModel.spare.value;
	mustBePositive(cooling_W, 'cooling_W');
	return { loss_W_K, cooling_W };
}

/** New food a day, kg: 2 lb to the cubic foot. @source the row `freezing/load_kg_per_L_day` */
export const dayLimit_kg = (litres: number): number => litres * freezingRules.load_kg_per_L_day.value;

/**
 * A freezer over days: its air, its old stock, and loads that go in.
 *
 *     C dT/dt = UA(T_room − T) + Σ h·A_i(T_i − T) − P(T)·on,   P(T) = P_18·(1 + 0.035(T + 18))
 *
 * The air and liner are one body. Old stock is one stacked block, and beside it one loose pack of 4 cm that follows the air
 * fastest; where new packs lie on old ones, the newest load lies on one face of it. Each load is one pack of the finite-volume
 * solver times their number, lying free. The thermostat runs the compressor within 1.5 K. Steps of 2 minutes, of 6 for what is
 * hard; the air is stepped implicitly between pack surfaces.
 *
 * @throws {DomainError} OUT_OF_RANGE, NOT_POSITIVE
 * @source energy balance; constants of `freezerModel` (common practice)
 */
export function freezerDays(input: FreezerInput): FreezerWeek {
	const { freezer, old, loads, days, onProgress } = input;
	mustBeWithin(freezer.set_C, -35, -12, 'set_C');
	mustBeWithin(freezer.room_C, 0, 45, 'room_C');
	mustBeWithin(days, 0.25, 21, 'days');
	mustBeWithin(old.kg, 0, freezer.litres, 'old.kg');
	mustBeWithin(old.start_C, -38, -5, 'old.start_C');
	const plate = freezerPlate(freezer);
	const table = foodTable(usualStock, -40, 61);
	const air = surfaceCoefficient('still-air', 'tight');
	const half_m = freezerModel.oldBlock_m.value / 2;
	const block = new HeatSolver(table, 'slab', half_m, 6, old.start_C, tolerance_J_m3);
	const oldArea_m2 = old.kg / densityAt(usualStock, 10) / half_m;
	const loose = new HeatSolver(table, 'slab', looseHalf_m, 3, old.start_C, tolerance_J_m3);
	const contact = freezerModel.contact_W_m2K.value;

	const tables = new Map<FoodThermal, ThermalTable>();
	const packs = loads.map((load) => {
		mustBeWithin(load.at_h, 0, days * 24, 'at_h');
		mustBePositive(load.kg, 'kg');
		mustBePositive(load.pack_kg, 'pack_kg');
		mustBeWithin(load.thickness_m, 0.004, 0.4, 'thickness_m');
		mustBeWithin(load.start_C, -0.2, 60, 'start_C');
		const known = tables.get(load.food) ?? foodTable(load.food, -40, 61);
		tables.set(load.food, known);
		const solver = new HeatSolver(known, 'slab', load.thickness_m / 2, 4, load.start_C, tolerance_J_m3);
		return { load, solver, area_m2: load.kg / densityAt(load.food, 10) / (load.thickness_m / 2), hard_h: null as number | null };
	}); // prettier-ignore

	let air_C = freezer.set_C;
	let running = false;
	let ran = 0;
	let drawn_J = 0;
	let airWarmest_C = air_C;
	const stocked = old.kg > 0;
	let oldWarmest_C = stocked ? old.start_C : null;
	const points: FreezerPoint[] = [];
	const steps = Math.round((days * 86_400) / step_s);
	for (let i = 0; i <= steps; i++) {
		const t_h = (i * step_s) / 3600;
		const inside = packs.filter((p) => p.load.at_h <= t_h);
		const soft = inside.filter((p) => p.hard_h === null);
		const warmestNew = soft.length > 0 ? Math.max(...soft.map((p) => p.solver.centre_C)) : null;
		const warmestOld = Math.max(loose.mean_C, block.surface_C);
		if (oldWarmest_C !== null) oldWarmest_C = Math.max(oldWarmest_C, warmestOld);
		if (i % 5 === 0 || i === steps)
			points.push({
				t_h,
				air_C,
				old_C: stocked ? block.mean_C : null,
				oldWarmest_C: stocked ? warmestOld : null,
				new_C: warmestNew
			});
		if (i === steps) break;
		if (air_C > freezer.set_C + freezerModel.band_K.value) running = true;
		else if (air_C < freezer.set_C - freezerModel.band_K.value) running = false;
		let pull = plate.loss_W_K;
		let heat = plate.loss_W_K * freezer.room_C;
		if (old.kg > 0) {
			pull += air * oldArea_m2;
			heat += air * oldArea_m2 * block.surface_C;
		}
		for (const p of inside) {
			pull += air * p.area_m2;
			heat += air * p.area_m2 * p.solver.surface_C;
		}
		const cold_W = running ? plate.cooling_W * Math.max(0.2, 1 + freezerModel.capacitySlope.value * (air_C + 18)) : 0;
		const C = freezerModel.liner_J_K.value;
		air_C = Math.max(-39, ((C / step_s) * air_C + heat - cold_W) / (C / step_s + pull));
		if (running) ran++;
		drawn_J += (cold_W / freezerModel.efficiency.value) * step_s;
		if (old.kg > 0) {
			block.step(step_s, air_C, air);
			const beside = input.touching ? (soft.at(-1)?.solver.surface_C ?? air_C) : air_C;
			const touch = input.touching ? contact : air;
			loose.step(step_s, (air * air_C + touch * beside) / (air + touch), (air + touch) / 2);
		}
		for (const p of inside) {
			// What is hard changes slowly: three steps in one.
			if (p.hard_h !== null) {
				if (i % 3 === 0) p.solver.step(3 * step_s, air_C, air);
				continue;
			}
			p.solver.step(step_s, air_C, air);
			if (p.solver.centre_C <= hard_C) p.hard_h = t_h + step_s / 3600 - p.load.at_h;
		}
		airWarmest_C = Math.max(airWarmest_C, air_C);
		if (i % 60 === 0) onProgress?.(i / steps);
	}
	onProgress?.(1);
	const dayLoad_kg = Math.max(0, ...loads.map((a) => loads.filter((b) => b.at_h >= a.at_h && b.at_h < a.at_h + 24).reduce((sum, b) => sum + b.kg, 0))); // prettier-ignore
	const limit_kg = dayLimit_kg(freezer.litres);
	return {
		points: thinned(points, 340),
		airWarmest_C,
		oldWarmest_C,
		hard_h: packs.map((p) => p.hard_h),
		duty: ran / steps,
		energy_kWh: drawn_J / 3.6e6,
		dayLoad_kg,
		limit_kg,
		withinLimit: dayLoad_kg <= limit_kg * 1.0001,
		oldSafe: oldWarmest_C === null || oldWarmest_C <= freezerModel.oldWarmest_C.value
	};
}

export interface FreezerPlan {
	readonly kind: 'plan';
	/** Packs for each day, the first day first. */
	readonly packsByDay: readonly number[];
	readonly week: FreezerWeek;
	/** All of it at once, for comparison; undefined where that is the plan. */
	readonly atOnce?: FreezerWeek;
	/** What set the day's packs. */
	readonly limit: 'the published load' | 'the old stock' | 'neither';
}

/**
 * How many packs go in each day, so that the published load is kept and old stock stays at −12 °C or below: the published
 * load first, then a quarter less until the old stock is safe.
 *
 * @param input.load of all packs; `at_h` is of the first
 * @returns the plan, or a refusal where a single pack is too much or it takes longer than the days
 * @throws {DomainError} as `freezerDays`
 */
export function planFreezing(
	input: Omit<FreezerInput, 'loads'> & { readonly load: FreezerLoad }
): FreezerPlan | Refusal {
	const { load, freezer, days, onProgress } = input;
	mustBePositive(load.kg, 'kg');
	mustBePositive(load.pack_kg, 'pack_kg');
	const packs = Math.max(1, Math.round(load.kg / load.pack_kg));
	const refusal = (reason: string): Refusal => ({
		kind: 'refused',
		reason,
		source: 'National Center for Home Food Preservation, Freezing: 2 to 3 lb to the cubic foot in 24 hours',
		instead: ['Freeze the rest another day, or dry or can it', 'Set the freezer colder the day before', 'Thinner packs, spread out']
	}); // prettier-ignore
	const most = Math.floor(dayLimit_kg(freezer.litres) / load.pack_kg + 1e-9);
	if (most < 1)
		return refusal(
			`One pack is more than this freezer should take in a day: ${dayLimit_kg(freezer.litres).toFixed(1)} kg.`
		);
	const simulate = (byDay: readonly number[], from: number, span: number) =>
		freezerDays({
			...input,
			loads: byDay.map((n, day) => ({ ...load, at_h: load.at_h + day * 24, kg: n * load.pack_kg })),
			...(onProgress ? { onProgress: (share: number) => onProgress(Math.min(1, from + share * span)) } : {})
		});
	for (
		let daily = Math.min(most, packs), tries = 0;
		daily >= 1 && tries < 8;
		daily = Math.floor(daily * 0.75), tries++
	) {
		const byDay = Array.from({ length: Math.ceil(packs / daily) }, (_, day) => Math.min(daily, packs - day * daily));
		if (load.at_h + (byDay.length - 1) * 24 > days * 24)
			return refusal(`At ${daily} packs a day it takes ${byDay.length} days, longer than the ${days} asked for.`);
		const week = simulate(byDay, 0, 0.5);
		if (!week.oldSafe && input.old.kg > 0) continue;
		const all = byDay.length > 1;
		if (!all) onProgress?.(1);
		const atOnce = all ? simulate([packs], 0.5, 0.5) : undefined;
		const limit = tries > 0 ? 'the old stock' : all ? 'the published load' : 'neither';
		return { kind: 'plan', packsByDay: byDay, week, limit, ...(atOnce ? { atOnce } : {}) };
	}
	return refusal('Even a few packs a day would warm the old stock above −12 °C.');
}

export interface Outage {
	/** By the heat balance, the stock as one body: h until −5 °C and until 4 °C. */
	readonly soft_h: number;
	readonly warm_h: number;
	/** Published: 48 h full, 24 h half full; null for less than half, where nothing is printed. */
	readonly published_h: number | null;
	/** The one to go by: the shortest of the published hours and the computed ones until −5 °C; never more than half full's under half. */
	readonly plan_h: number;
}

/**
 * How long a shut freezer without power keeps its stock.
 *
 *     t = ∫ m·dH / (UA·(T_room − T)),  from the set temperature to −5 and 4 °C
 *
 * One temperature for all of it: packs at the wall and on top warm sooner, which is why the published hours are shorter and
 * go first. Between half and full the printed half is taken; nothing is interpolated. Under half nothing is printed: the balance
 * until −5 °C, and no more than half a freezer's hours.
 *
 * @param fill share of the room that is full, 0.02 to 1
 * @throws {DomainError} OUT_OF_RANGE
 * @source energy balance; USDA FSIS, Keeping Food Safe During an Emergency: 48 and 24 hours (rows of the tables)
 */
export function freezerOutage(freezer: Freezer, fill: number, published: { full_h: number; half_h: number }): Outage {
	mustBeWithin(fill, 0.02, 1, 'fill');
	mustBeWithin(freezer.room_C, 6, 45, 'room_C');
	const { loss_W_K } = freezerPlate(freezer);
	const kg = freezer.litres * fill * freezerModel.fill_kg_L.value;
	const table = foodTable(usualStock, -40, 20);
	const rho = densityAt(usualStock, 10);
	const until = (end_C: number): number => {
		let seconds = 0;
		for (let i = 1; i < table.t.length; i++) {
			const from = Math.max(freezer.set_C, table.t[i - 1] as number);
			const to = Math.min(end_C, table.t[i] as number);
			if (to <= from) continue;
			const share = (to - from) / ((table.t[i] as number) - (table.t[i - 1] as number));
			const heat = (((table.heat[i] as number) - (table.heat[i - 1] as number)) * share * kg) / rho;
			seconds += (heat + freezerModel.liner_J_K.value * (to - from)) / (loss_W_K * (freezer.room_C - (from + to) / 2));
		}
		return seconds / 3600;
	};
	const soft_h = until(-5);
	const warm_h = until(4);
	const published_h = fill >= 0.95 ? published.full_h : fill >= 0.5 ? published.half_h : null;
	if (!Number.isFinite(warm_h)) throw new DomainError('NOT_FINITE', 'room_C', 'The room is too cold for it to warm.');
	return { soft_h, warm_h, published_h, plan_h: Math.min(published_h ?? published.half_h, soft_h) };
}
