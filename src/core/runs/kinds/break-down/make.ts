import { meatRules, type CuttingRow, type SpeciesRow } from '../../../../reference/breakdown';
import { sources } from '../../../../reference/sources';
import type { Refusal } from '../../../errors';
import { breakDown, type Basis } from '../../../meat/break-down';
import { packMeat, type MeatPacking } from '../../../meat/pack-meat';
import { tableHours } from '../../../meat/worth';
import type { Thing } from '../../../things/thing';
import { coreVersion } from '../../../version';
import type { Kitchen } from '../../../ways/kitchen';
import { mostBoxes } from './events';
import type { Box, BreakDownPlan, PlannedPart } from './plan';

export interface BreakDownChosen {
	readonly thing: Thing;
	readonly called: string;
	readonly lotId: string;
	readonly raw_g: number;
	readonly species: SpeciesRow;
	readonly option: CuttingRow;
	readonly basis: Basis;
	readonly dressed?: number;
	readonly hung_d?: number;
	readonly lean?: number;
	/** How many boxes or pieces it comes to the table in. */
	readonly boxes: number;
	readonly cold: BreakDownPlan['cold'];
	readonly practised: boolean;
	/** By its own word; null by hand. */
	readonly mincer_kg_h: number | null;
}

export interface PlannedBreakDown {
	readonly plan: BreakDownPlan;
	readonly packing: MeatPacking;
}

/**
 * Freezes an animal or boxes of meat into the plan of a run.
 *
 * @returns the plan; or why it is not begun: nowhere cold for its parts
 * @throws {DomainError} as `breakDown`
 */
export function planBreakDown(chosen: BreakDownChosen, kitchen: Kitchen): PlannedBreakDown | Refusal {
	const { thing, called, lotId, raw_g, species, option, basis, cold } = chosen;
	if (!cold)
		return {
			kind: 'refused',
			reason: 'There is nowhere cold in the Kitchen for what is cut: meat stands out of the cold two hours at most.',
			source: sources.fsis.title,
			instead: ['Write the fridge or a cool room of 4 °C or below into the Kitchen']
		};
	const { parts: made, table_g } = breakDown({ ...chosen, weight_g: raw_g });
	const packing = packMeat({ parts: made, people: kitchen.people, containers: kitchen.containers });
	const hours = tableHours({
		table_g,
		mince_g: made.find((p) => p.id === 'mince')?.grams ?? 0,
		mincer_kg_h: chosen.mincer_kg_h,
		practised: chosen.practised,
		boxed: basis === 'boxed'
	});
	const hot = kitchen.room_C > meatRules.hotRoom_C.value;
	const parts = made.map((p, i): PlannedPart => {
		const pack = packing.packs.find((x) => x.part === p.id);
		return {
			n: i + 1,
			id: p.id,
			name: p.name,
			food: p.food,
			form: p.form,
			title: p.id === 'mince' ? `${species.name} mince` : `${species.name}, ${p.name}`,
			grams: p.grams,
			packs: pack?.packs ?? 0,
			pack_g: pack?.pack_g ?? 0,
			style: pack?.style ?? '',
			bag: pack?.bag?.name ?? null,
			short: pack?.short ?? 0
		};
	});
	return {
		packing,
		plan: {
			core: coreVersion,
			kind: 'break-down',
			version: 1,
			units: kitchen.units,
			lotId,
			raw_g,
			food: { id: thing.food.id, name: called },
			form: thing.form,
			species: { id: species.id, name: species.name },
			option: { id: option.id, name: option.name },
			table_g,
			boxes: boxesOf(chosen.boxes, table_g, basis),
			parts,
			out_h: (hot ? meatRules.outOfColdHot_h : meatRules.outOfCold_h).value,
			room_C: kitchen.room_C,
			cold,
			people: kitchen.people,
			hands_s: Math.round(hours.sum_h * 3600),
			source: `${sources[option.source].short} (${option.confidence}); ${sources.fsis.short} (from memory)`,
			cautions: [
				'Raw meat: clean knives, boards and hands; nothing that is eaten raw beside it.',
				'Slaughter, inspection and the movement of game and its parts are a matter of your own law: ask there first.'
			]
		}
	};
}

/** Alike, as nobody has weighed them: their sum is what is on the table. */
function boxesOf(count: number, table_g: number, basis: Basis): Box[] {
	const many = Math.max(1, Math.min(mostBoxes, Math.round(count)));
	const word = basis === 'boxed' ? 'box' : many === 1 ? 'all of it' : 'piece';
	return Array.from({ length: many }, (_, i) => ({
		n: i + 1,
		name: many === 1 && basis !== 'boxed' ? word : `${word} ${i + 1}`,
		grams: Math.floor(table_g / many) + (i < table_g % many ? 1 : 0)
	}));
}
