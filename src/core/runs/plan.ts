import { preparing, type FreezeWay } from '../ways/freeze-ways';
import type { Kitchen } from '../ways/kitchen';
import { blanchRules } from '../../reference/rules';
import type { Units } from '../quantities/format';
import { packedBefore } from '../packing/pack-style';
import { coreVersion } from '../version';

export type StageId = 'return' | 'blanch' | 'chill' | 'drain' | 'freeze';
export type Resource = 'pot' | 'basin' | 'cloth' | 'freezer';

export interface StagePlan {
	readonly id: StageId;
	readonly resource: Resource;
	/** Least time, s; null where no time is published or the eye decides: the clock counts up. */
	readonly least_s: number | null;
	/** Longest published, where a range is printed. */
	readonly most_s?: number;
	/** What goes on: "Blanching. Lid on." */
	readonly doing: string;
	/** What to do when it is over: "Lift the basket into the ice". */
	readonly leave: string;
	readonly hint: string;
}

/** Frozen when the run starts: JSON, with the core's version. */
export interface RunPlan {
	readonly core: string;
	readonly kind: 'freeze';
	/** The household's, for the sentences. */
	readonly units: Units;
	readonly food: { readonly id: string; readonly name: string };
	readonly form: string;
	readonly cut: { readonly id: string; readonly name: string };
	readonly way: { readonly id: string; readonly name: string };
	readonly lotId: string;
	readonly raw_g: number;
	/** Expected through the pot or onto the trays. */
	readonly load_g: number;
	/** Expected into the packs. */
	readonly prepared_g: number;
	readonly potful_g: number;
	readonly prepare: string;
	readonly pot: null | {
		readonly name: string;
		readonly water_L: number;
		readonly toBoil_s: number;
		readonly boil_C: number;
		readonly minutePotful_g: number;
	};
	readonly basins: number;
	readonly ice_kg: number;
	readonly icePerPotful_kg: number;
	readonly stages: readonly StagePlan[];
	/** Wrapped or filled before it freezes: meat, ears, stock. Plans of before have no such word and mean trays. */
	readonly packedFirst?: 'wrap' | 'liquid' | 'flat';
	/** Frozen in moulds first, a filling at a time. */
	readonly inMoulds?: true;
	readonly trays: number;
	readonly perTray_g: number;
	readonly portion_g: number;
	/** A second size, where some packs are larger or smaller. */
	readonly second_g?: number;
	/** How a pack was said, where not by weight alone. */
	readonly portionWords?: string;
	readonly container: null | { readonly id: string; readonly name: string };
	readonly headspace: string;
	readonly months: readonly [number, number];
	readonly use: string;
	readonly source: string;
	readonly cautions: readonly string[];
	readonly expected: { readonly hands_s: number; readonly elapsed_s: number };
}

/** Freezes a way into the plan of a run. */
export function planRun(
	way: FreezeWay,
	context: { lotId: string; called: string; form: string; raw_g: number; kitchen: Kitchen; portionWords?: string }
): RunPlan {
	const { line, cut } = way;
	const perTray_g = Math.round(way.trays.perTray_kg * 1000);
	const packedFirst = packedBefore(way.style);
	const potful_g = line
		? Math.ceil(line.potful_kg * 1000)
		: way.method === 'cook' || packedFirst
			? way.load_g
			: Math.max(100, perTray_g * Math.max(1, context.kitchen.trays));
	return {
		core: coreVersion,
		kind: 'freeze',
		units: context.kitchen.units,
		food: { id: way.food.id, name: context.called },
		form: context.form,
		cut: { id: cut.id, name: cut.name },
		way: { id: way.id, name: way.name },
		lotId: context.lotId,
		raw_g: context.raw_g,
		load_g: way.load_g,
		prepared_g: way.prepared_g,
		potful_g,
		prepare: preparing(cut, way.method),
		pot:
			way.pot && line
				? {
						name: way.pot.name,
						water_L: line.water_L,
						toBoil_s: line.toBoil_s,
						boil_C: line.boil_C,
						minutePotful_g: Math.floor(line.minutePotful_kg * 1000)
					}
				: null,
		basins: Math.max(1, context.kitchen.basins),
		ice_kg: line?.ice_kg ?? 0,
		icePerPotful_kg: line?.icePerPotful_kg ?? 0,
		stages: stagesOf(way),
		...(packedFirst ? { packedFirst } : {}),
		...(way.style === 'mould' ? { inMoulds: true as const } : {}),
		trays: way.trays.needed,
		perTray_g,
		portion_g: Math.round(way.packs.portion_g),
		...(way.second ? { second_g: Math.round(way.second.portion_g) } : {}),
		...(context.portionWords ? { portionWords: context.portionWords } : {}),
		container: way.packs.container ? { id: way.packs.container.id, name: way.packs.container.name } : null,
		headspace: way.packs.headspace,
		months: way.months,
		use: way.use,
		source: `${way.source} (${way.confidence})`,
		cautions: way.cautions.map((c) => c.text),
		expected: { hands_s: way.hands_s, elapsed_s: way.elapsed_s }
	};
}

function stagesOf(way: FreezeWay): StagePlan[] {
	const stages: StagePlan[] = [];
	const { line, row, cut } = way;
	const first = packedBefore(way.style);
	const mould = way.style === 'mould';
	const intoFreezer = first
		? 'Packed, into the freezer'
		: mould
			? 'Into the moulds, into the freezer'
			: 'Onto the tray, into the freezer';
	if (line && row) {
		const [low, high] = line.blanch_s;
		// Where a range is printed, the clock rings at the shorter and shows the longer.
		const time = { least_s: low, ...(high > low ? { most_s: high } : {}) };
		const until = row.endPoint ? ` Ready ${row.endPoint}.` : '';
		if (row.method === 'water' && !row.dip) {
			stages.push({
				id: 'return', resource: 'pot', least_s: null,
				doing: 'In the water. Lid on, full heat.', leave: 'The boil is back',
				hint: 'The blanching time starts when the water boils again, not before.'
			}); // prettier-ignore
		}
		stages.push({
			id: 'blanch', resource: 'pot', ...time,
			doing: row.dip ? 'In the hot water.' : row.method === 'steam' ? 'Steaming. Lid on.' : 'Blanching. Lid on.',
			leave: 'Lift into the ice',
			hint: `${row.method === 'steam' ? 'Counting from the lid closing.' : row.dip ? 'Counting from the dip.' : 'Counting from the boil coming back.'}${until} At zero: lift, let it drip, straight into the ice.`
		}); // prettier-ignore
		stages.push({
			id: 'chill', resource: 'basin', least_s: Math.round(line.chill_s),
			doing: 'In the ice water. Stir now and then.', leave: row.blanchedAs ? 'Out of the ice: cut the kernels' : row.dip ? 'Out of the ice: slip the skins' : 'Out of the ice',
			hint: 'Cold to the centre: break or bite one. The water stays under 15 °C (60 °F).'
		}); // prettier-ignore
		stages.push({
			id: 'drain', resource: 'cloth', least_s: blanchRules.drain_s.value,
			doing: row.blanchedAs ? 'Draining; kernels come off the cob.' : 'Draining. Pat dry.', leave: intoFreezer,
			hint: 'Water left on becomes ice.'
		}); // prettier-ignore
	} else if (way.method === 'cook') {
		stages.push({
			id: 'blanch', resource: 'pot', least_s: null,
			doing: 'Cooking. You judge it.', leave: 'Just tender: out, and cool',
			hint: `${cut.cookFirst?.words ?? ''} The clock only counts up.`
		}); // prettier-ignore
		stages.push({
			id: 'chill', resource: 'basin', least_s: null,
			doing: 'Cooling in cold water or spread out.', leave: 'Cold through: drain it',
			hint: 'Cooked food is cold within two hours: 135 to 70 °F in 2 h, to 41 °F in 4 more.'
		}); // prettier-ignore
		stages.push({
			id: 'drain', resource: 'cloth', least_s: blanchRules.drain_s.value,
			doing: 'Draining. Pat dry.', leave: intoFreezer, hint: 'Water left on becomes ice.'
		}); // prettier-ignore
	}
	if (way.method === 'raw' && (way.food.group === 'stock' || way.food.group === 'dish')) {
		stages.push({
			id: 'chill', resource: 'basin', least_s: null,
			doing: 'Cooling in shallow pans or ice water. Stir now and then.', leave: 'Cold: filled, into the freezer',
			hint: 'From 57 to 21 °C (135 to 70 °F) within 2 hours, to 5 °C (41 °F) within 4 more. Too slow? Shallower, or more ice.'
		}); // prettier-ignore
	}
	stages.push({
		id: 'freeze', resource: 'freezer', least_s: cut.firstLook_h.value * 3600,
		doing: first ? 'In the coldest part of the freezer, spread out.' : `${mould ? 'In the moulds' : 'On the tray'} in the freezer.`,
		leave: first ? 'Hard: count the packs' : mould ? 'Hard: turn out, ready to bag' : 'Firm: ready to bag',
		hint: first
			? 'Look when it rings: hard right through. Not yet? Leave it in.'
			: 'Look when it rings: firm means that a piece snaps or rattles. Not yet? Leave it in.'
	}); // prettier-ignore
	return stages;
}
