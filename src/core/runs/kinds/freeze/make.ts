import { blanchRules } from '../../../../reference/rules';
import { coolingRule } from '../../../heat/cooling';
import { packedBefore } from '../../../packing/pack-style';
import { coreVersion } from '../../../version';
import { preparing, type FreezeWay } from '../../../ways/freeze-ways';
import { boilingPoint_C } from '../../../heat/boiling-point';
import { potHeating_s, potMetal_J_per_K } from '../../../heat/pot-heating';
import { knifeOf } from '../../../ways/work';
import type { Kitchen, KitchenPot } from '../../../ways/kitchen';
import { potOrder } from './order';
import type { FreezePlan, FreezerPlan, Heat, PotPlan, StagePlan, Subject } from './plan';

/** A lot with the way that was chosen for it. */
export interface Chosen {
	readonly way: FreezeWay;
	readonly lotId: string;
	/** As the household calls it. */
	readonly called: string;
	readonly form: string;
	readonly raw_g: number;
	readonly portionWords?: string | null | undefined;
	/** It came in cooked: its two-stage clock runs before it may freeze. */
	readonly cooked?: boolean;
	readonly byproducts?: Subject['byproducts'];
}

/**
 * Freezes ways into the plan of one run: several foods, in the order of the pot, sharing its water, the ice, the trays and
 * the freezers.
 */
export function planFreeze(
	chosen: readonly Chosen[],
	kitchen: Kitchen,
	freezers: readonly FreezerPlan[] = []
): FreezePlan {
	const pots: PotPlan[] = [];
	const potIds: string[] = [];
	const ordered = potOrder(chosen);
	const subjects = ordered.map((one, i) => subjectOf(one, i + 1, kitchen, potOf(one.way, kitchen, pots, potIds)));
	return {
		core: coreVersion,
		kind: 'freeze',
		version: 2,
		units: kitchen.units,
		subjects,
		pots,
		basins: Math.max(1, kitchen.basins),
		ice_kg: ordered.reduce((sum, { way }) => sum + (way.line?.ice_kg ?? 0), 0),
		iceReady_kg: kitchen.ice_kg > 0 ? kitchen.ice_kg : null,
		trays: Math.max(0, kitchen.trays),
		freezers,
		day_kg: kitchen.freezeDay_kg
	};
}

/** The pot of a way among the run's: the same pot is named once, with the most water that any of its foods wants. */
function potOf(way: FreezeWay, kitchen: Kitchen, pots: PotPlan[], ids: string[]): number | null {
	const { pot, line } = way;
	if (!pot || !(line || way.method === 'cook')) return null;
	const at = ids.indexOf(pot.id);
	const { water_L, toBoil_s, boil_C } = line ?? cookingWater(pot, kitchen);
	const plan = { name: pot.name, water_L, toBoil_s, boil_C, ...(pot.comesBack ? { comesBack: pot.comesBack } : {}) };
	const known = pots[at];
	if (!known) {
		ids.push(pot.id);
		return pots.push(plan) - 1;
	}
	if (plan.water_L > known.water_L) pots[at] = plan;
	return at;
}

const heatOf = ({ line, row, method, soak }: FreezeWay): Heat =>
	line && row ? (soak ? 'soak' : row.dip ? 'dip' : row.method) : method === 'cook' ? 'cook' : 'none';

function subjectOf(one: Chosen, n: number, kitchen: Kitchen, pot: number | null): Subject {
	const { way, lotId, called, form, raw_g, portionWords, byproducts = [] } = one;
	const { line, cut, row } = way;
	const heat = heatOf(way);
	const packedFirst = packedBefore(way.style);
	const perTray_g = Math.round(way.trays.perTray_kg * 1000);
	const potful_g = line
		? Math.ceil(line.potful_kg * 1000)
		: Math.min(
				heat === 'cook' ? cookful_g(way) : Infinity,
				packedFirst || heat === 'cook' ? way.load_g : Math.max(100, perTray_g * Math.max(1, kitchen.trays)),
				// More than a day's load is frozen on more days than one, by equal parts.
				kitchen.freezeDay_kg > 0 ? Math.max(100, Math.floor(kitchen.freezeDay_kg * 1000)) : Infinity
			);
	return {
		n,
		lotId,
		raw_g,
		food: { id: way.food.id, name: called },
		form,
		cut: { id: cut.id, name: cut.name },
		way: { id: way.id, name: way.name },
		heat,
		pot,
		load_g: way.load_g,
		prepared_g: way.prepared_g,
		potful_g,
		minutePotful_g: line ? Math.floor(line.minutePotful_kg * 1000) : potful_g,
		reboil_s: line?.reboil_s ?? 0,
		ice_kg_per_kg: line && way.load_g > 0 ? line.ice_kg / (way.load_g / 1000) : 0,
		topUp_L_per_kg: line && way.load_g > 0 ? line.topUp_L / (way.load_g / 1000) : 0,
		prepare: preparing(cut, way.method),
		...(row?.endPoint && !way.soak ? { endPoint: row.endPoint } : {}),
		...(way.sugar ? { sugar: { g_per_kg: way.sugar.g_per_kg, with: way.sugar.with } } : {}),
		...(row?.blanchedAs ? { kernels: true as const } : {}),
		...(heat === 'cook' && cut.cookFirst ? { cookWords: cut.cookFirst.words } : {}),
		style: way.style,
		stages: stagesOf(way, heat, one.cooked === true),
		trays: way.trays.needed,
		perTray_g,
		portion_g: Math.round(way.packs.portion_g),
		...(way.second ? { second_g: Math.round(way.second.portion_g) } : {}),
		...(portionWords ? { portionWords } : {}),
		container: way.packs.container ? { id: way.packs.container.id, name: way.packs.container.name } : null,
		headspace: way.packs.headspace,
		months: way.months,
		use: way.use,
		source: `${way.source} (${way.confidence})`,
		cautions: way.cautions.map((c) => c.text),
		byproducts,
		expected: { hands_s: way.hands_s, elapsed_s: way.elapsed_s, knife_s: knifeOf(way.work) }
	};
}

/** Of a pot that food is cooked in: food, kg to the litre, and water, so that it is three quarters full (common practice). */
const cookFood_kg_per_L = 0.35;
const cookWater = 0.4;

const cookful_g = ({ pot, load_g }: FreezeWay): number =>
	pot ? Math.max(200, Math.round(pot.litres * cookFood_kg_per_L * 1000)) : load_g;

/** The water that food is cooked in, where no blanching line has worked it out. */
function cookingWater(pot: KitchenPot, kitchen: Kitchen): Pick<PotPlan, 'water_L' | 'toBoil_s' | 'boil_C'> {
	const water_L = pot.litres * cookWater;
	const boil_C = boilingPoint_C(kitchen.altitude_m ?? 0);
	return {
		water_L,
		boil_C,
		toBoil_s: potHeating_s({
			water_L,
			start_C: kitchen.tap_C,
			boil_C,
			burner: pot.burner,
			pot_J_per_K: pot.litres * potMetal_J_per_K
		})
	};
}

function stagesOf(way: FreezeWay, heat: Heat, cooked: boolean): StagePlan[] {
	const { line, row, cut, food } = way;
	const stages: StagePlan[] = [];
	const drain: StagePlan = { id: 'drain', resource: 'cloth', end: { by: 'clock', least_s: blanchRules.drain_s.value } };
	if (line && row) {
		const [least_s, most_s] = line.blanch_s;
		if (heat === 'water') stages.push({ id: 'return', resource: 'pot', end: { by: 'look' } });
		// Where a range is printed, the clock rings at the shorter and shows the longer.
		stages.push({
			id: 'blanch',
			resource: 'pot',
			// Off the heat nothing is printed: the eye ends it, as it does with what is cooked.
			end: way.soak ? { by: 'look' } : { by: 'clock', least_s, ...(most_s > least_s ? { most_s } : {}) }
		});
		stages.push({ id: 'chill', resource: 'basin', end: { by: 'clock', least_s: Math.round(line.chill_s) } }, drain);
	} else if (heat === 'cook') {
		stages.push(
			{ id: 'blanch', resource: 'pot', end: { by: 'look' } },
			{ id: 'chill', resource: 'basin', end: { by: 'look' } },
			drain
		);
	} else if (cooked || food.group === 'stock' || food.group === 'dish') {
		stages.push({
			id: 'chill',
			resource: 'basin',
			end: { by: 'reading', quantity: 'temperature', marks: coolingMarks() }
		});
	}
	stages.push({ id: 'freeze', resource: 'freezer', end: { by: 'look', first_s: cut.firstLook_h.value * 3600 } });
	return stages;
}

/** The two published stages of cooling what is cooked. @source FDA Food Code 2022, 3-501.14 */
const coolingMarks = () => [
	{ value: coolingRule.first_C, falling: true, within_s: coolingRule.first_s },
	{ value: coolingRule.second_C, falling: true, within_s: coolingRule.whole_s }
];
