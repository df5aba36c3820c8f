import { sources } from '../../../../reference/sources';
import { dryingModel } from '../../../../reference/model-rules';
import { figureById } from '../../../freezing/freeze-look-up';
import { apart, type DryerItem } from '../../../drying/mixed-load';
import type { Refusal } from '../../../errors';
import { bulkOf } from '../../../foods/cuts';
import { cFromF } from '../../../quantities/units';
import { isMeat, stepOf } from '../../../safety/dry';
import { mustBeIdentified } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { DryWay } from '../../../ways/dry-ways';
import { knifeOf } from '../../../ways/work';
import type { Kitchen } from '../../../ways/kitchen';
import type { Container } from '../../../packing/packs';
import type { DryPlan, DrySubject, FirstHeat, Gate } from './plan';

/** A lot with the way of drying that was chosen for it. */
export interface DryChosen {
	readonly way: DryWay;
	readonly lotId: string;
	/** As the household calls it. */
	readonly called: string;
	readonly form: string;
	readonly raw_g: number;
	readonly byproducts?: DrySubject['byproducts'];
}

/** Loosely closed and shaken a jar is two thirds full, else to the shoulder. @source dry/condition-fill, NCHFP (from memory) */
const fullJar = 0.95;

const asItem = ({ way }: DryChosen): DryerItem => ({
	food: way.thing.food,
	row: way.row,
	trays: way.trays.needed,
	hours: way.time.hours,
	interval_h: way.time.interval_h
});

/** Why these do not dry in one load: the first pair that must not, or does not, stand together. */
export function keptApart(chosen: readonly DryChosen[]): Refusal | undefined {
	for (const [i, a] of chosen.entries())
		for (const b of chosen.slice(i + 1)) {
			const why = apart(asItem(a), asItem(b));
			if (why)
				return {
					kind: 'refused',
					reason: why.reason,
					source: why.safety ? sources.fsisJerky.title : sources.practice.title,
					instead: [`Dry ${why.foods[0].toLowerCase()} and ${why.foods[1].toLowerCase()} one after the other`]
				};
		}
	return undefined;
}

/** Freezes ways of drying into the plan of one load: what takes longest is loaded first, nearest the heater. */
export function planDry(chosen: readonly DryChosen[], kitchen: Kitchen): DryPlan | Refusal {
	const refused = keptApart(chosen);
	if (refused) return refused;
	const [first] = chosen;
	if (!first) throw new Error('A load without a food.');
	const dryer = first.way.dryer;
	const order = [...chosen].sort((a, b) => b.way.time.hours - a.way.time.hours);
	const longest_h = order[0]?.way.time.hours ?? 0;
	return {
		core: coreVersion,
		kind: 'dry',
		version: 1,
		units: kitchen.units,
		subjects: order.map((one, i) => subjectOf(one, i + 1, kitchen)),
		dryer: {
			name: dryer.name,
			trays: dryer.trays,
			leastTrays: dryer.leastTrays ?? 1,
			heater: dryer.heater,
			power_W: dryer.power_W
		},
		air_C: Math.min(...chosen.map((c) => c.way.time.air_C)),
		// Four times a load, and never oftener than every second hour (common practice).
		turn_h: Math.max(2, Math.round(longest_h / 4))
	};
}

function subjectOf(one: DryChosen, n: number, kitchen: Kitchen): DrySubject {
	const { way, lotId, called, form, raw_g, byproducts = [] } = one;
	const { row, time, cut, thing, trays, balance, look } = way;
	const { food } = thing;
	const cold = isMeat(food);
	const condition_days = conditioning(way);
	const bulk_kg_L = way.jars.litres > 0 ? balance.dry_kg / way.jars.litres : dryingModel.dried_kg_L.value;
	const container = jarFor(kitchen.containers, cold);
	const fill = condition_days ? fillShare() : fullJar;
	const printed_mm = row.thickness_in ? Math.sqrt(row.thickness_in[0] * row.thickness_in[1]) * 25.4 : null;
	const dry_g = Math.max(1, Math.round(balance.dry_kg * 1000));
	return {
		n,
		lotId,
		raw_g,
		food: { id: food.id, name: called },
		form,
		cut: { id: cut.id, name: pieceName(row.cut) },
		way: { id: 'dry', name: 'dried' },
		rowId: way.again ? `${row.id} again` : row.id,
		...(way.again ? { again: true as const } : {}),
		piece: pieceName(row.cut),
		thickness_mm: way.thickness_mm ?? printed_mm,
		skin: way.skin,
		load_g: way.load_g,
		perTray_g: Math.max(20, Math.ceil(way.load_g / trays.needed)),
		trays: trays.needed,
		wet_kg_L: bulkOf(food, cut.id) || null,
		prepare: preparing(way),
		pretreat: way.again ? 'No heat before it, and none above what its row says.' : row.pretreat,
		first: firstHeat(way),
		gates: gatesOf(way),
		forecast: {
			hours: time.hours,
			doubt: time.doubt,
			table_h: way.table_h,
			printed_h: time.printed_h,
			moistureIn: time.moistureIn,
			moistureOut: time.moistureOut,
			asPrinted: time.asPrinted
		},
		test: row.test,
		dry_g,
		bulk_kg_L,
		container: container && { id: container.id, name: container.name },
		portion_g: Math.max(1, Math.min(dry_g, Math.round(bulk_kg_L * (container?.volume_mL ?? 946) * fill))),
		condition_days,
		cold,
		months: way.months ? [Math.floor(way.months[0]), Math.max(1, Math.floor(way.months[1]))] : [1, 1],
		use: useOf(way),
		source: `${sources[row.source].short} (${row.confidence})`,
		cautions: look.cautions.map((c) => c.text),
		byproducts,
		expected: { hands_s: way.hands_s, elapsed_s: way.elapsed_s, knife_s: knifeOf(way.work) }
	};
}

/** The piece in a few words: "slices or rings" of "peeled, cored, in slices or rings". */
const pieceName = (words: string): string => words.split(/[;:]/)[0] ?? words;

const preparing = (way: DryWay): string =>
	way.again
		? 'Loosen what clumped; what smells sour or shows mould goes out.'
		: way.straight
			? 'Onto the trays frozen as it is.'
			: `Make it ready: ${way.row.cut}.`;

function firstHeat({ blanch }: DryWay): FirstHeat | null {
	if (!blanch) return null;
	const [least, most] = blanch.minutes;
	return { method: blanch.method, dip: blanch.dip, least_s: Math.round(least * 60), most_s: Math.round(most * 60) };
}

/** What nobody passes without saying it: who identified what grew wild, and the heat that makes dried meat safe. */
function gatesOf({ thing, look }: DryWay): Gate[] {
	const gates: Gate[] = [];
	if (mustBeIdentified(thing))
		gates.push({
			id: 'identified',
			words:
				'By name, and by what: an expert who saw them, spore print and book. Every single one. Not certain: none of it is dried or eaten.'
		});
	const step = look.heat.find((h) => h.id === 'jerky-meat' || h.id === 'jerky-poultry');
	if (step) {
		const least_C = cFromF(stepOf(step.id).F ?? 165);
		gates.push({
			id: 'heated',
			words: `Before it dries: ${step.words}. By a thermometer in the thickest piece: dried meat that was never this hot has made people ill.`,
			least_C
		});
	}
	return gates;
}

function conditioning({ row }: DryWay): DrySubject['condition_days'] {
	// A leather is rolled, not shaken.
	if (row.id === 'leather') return null;
	const id = row.kind === 'fruit' ? 'dry/condition' : row.kind === 'vegetable' ? 'dry/condition-vegetables' : null;
	if (id === null) return null;
	const { value } = figureById(id);
	return typeof value === 'number' ? [value, value] : [value[0], value[1]];
}

const fillShare = (): number => Number(figureById('dry/condition-fill').value) / 100;

/** A jar for what stands on a shelf, a bag or box for what goes into the cold; the largest that there is. */
function jarFor(containers: readonly Container[], cold: boolean): Container | null {
	const fit = containers.filter(
		(c) => c.count > 0 && (cold ? c.kind !== 'jar' : c.kind === 'jar') && c.volume_mL <= 2000
	);
	return [...fit].sort((a, b) => b.volume_mL - a.volume_mL)[0] ?? null;
}

function useOf({ look, time }: DryWay): string {
	const water = look.rehydrate;
	if (water)
		return `Soak a cup in ${water.cups} cups of ${water.water === 'boiling' ? 'boiling water' : 'water at room temperature'} for about ${water.hours} h; more than 2 h in the fridge.`;
	if (time.asPrinted) return 'Simmer in the dish until soft, or eat as it is. Keep it cold.';
	return 'As it is, or soaked until soft; more than 2 h in the fridge.';
}
