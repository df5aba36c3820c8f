import type { Confidence } from '../../reference/row';
import type { BlanchRow, CutRow, Range } from '../../reference/tables';
import { shareLeft } from '../foods/share';
import { dateIn, monthsAfter } from '../freezing/keep';
import { trayLoad_kg_m2 } from '../freezing/tray';
import type { BlanchLine } from '../heat/blanch-line';
import { headspaceAs, stylesOf, trayfuls, type PackStyleId } from '../packing/pack-style';
import { packs, type Packs } from '../packing/packs';
import { portions } from '../packing/portions';
import { freezingCautions } from '../safety/cautions';
import type { FreezeWay, WaysInput } from './freeze-way';
import type { KitchenPot } from './kitchen';

/** Bagging, pressing out the air, labelling: s a pack (common practice). */
const bagging_s = 50;
/** Spreading a tray, s (common practice). */
const traying_s = 120;

/** As it was chosen, where the cut can be packed so; else as usual. */
export function styleOf(cut: CutRow, { kitchen, choices }: WaysInput): PackStyleId {
	const styles = stylesOf(cut, kitchen.moulds);
	return styles.find((s) => s === choices.style) ?? styles[0] ?? 'tray';
}

/** What of a way is its own; the rest follows from the cut, the kitchen and the portion. */
export interface Draft {
	id: string; becomes: FreezeWay['becomes']; name: string; method: FreezeWay['method']; gist: string; load_g: number; row?: BlanchRow; pot?: KitchenPot;
	line?: BlanchLine; portion_g: number; blanchWords: string; months: Range; steps: string[]; notes: string[];
	source: string; confidence: Confidence; hotWork: boolean;
	/** Cooked food cools so long before it is packed, s. */
	cool_s?: number;
	/** Packed otherwise than by choice. */
	style?: PackStyleId;
	/** What goes into the packs beside the food, and what the two weigh to the litre. */
	sugar?: FreezeWay['sugar']; kg_per_L?: number;
} // prettier-ignore

/**
 * A way of freezing with all that follows from what is its own: packs, trays, steps as work, freezer, dates.
 *
 * @throws {DomainError} NOT_POSITIVE, OUT_OF_RANGE: from packs and moulds
 */
export function build(input: WaysInput, cut: CutRow, draft: Draft): FreezeWay {
	const { kitchen } = input;
	const { food } = input.thing;
	const yieldShare = shareLeft(input.thing, cut);
	// Sugar goes into the packs too.
	const prepared_g = Math.max(1, Math.round(input.grams * yieldShare)) + (draft.sugar?.grams ?? 0);
	const style = draft.style ?? styleOf(cut, input);
	const bulk_kg_per_L = draft.kg_per_L ?? cut.bulk_kg_per_L.value;
	const { packed, second } = packsOf(input, { cut, style, bulk_kg_per_L }, draft.portion_g, prepared_g);
	const { needed, rounds, perTray_kg } = trayfuls({
		style,
		prepared_g,
		packs: packed.count,
		portion_g: packed.portion_g,
		bulk_kg_per_L,
		layer_kg: trayLoad_kg_m2(cut.piece.shape, cut.piece.size_mm / 1000) * kitchen.trayArea_m2,
		trays: kitchen.trays,
		trayArea_m2: kitchen.trayArea_m2,
		moulds: kitchen.moulds
	});
	const prep_s = (input.grams / 1000) * cut.hands_min_per_kg.value * 60;
	const bag_s = (packed.count + (second?.count ?? 0) + (packed.remainder_g > 0 ? 1 : 0)) * bagging_s;
	const tray_s = needed * rounds_s(style, rounds);
	const line_s = draft.line ? draft.line.line_s : draft.method === 'cook' ? 1800 : 0;
	const look_s = cut.firstLook_h.value * 3600;
	const toBoil_s = draft.line?.toBoil_s ?? 0;
	const dayLoad_kg = kitchen.freezeDay_kg;
	// More than a day's load goes in day by day: the last one's work and look come after the days before it.
	const freezeDays = dayLoad_kg > 0 ? Math.max(1, Math.ceil(prepared_g / 1000 / dayLoad_kg - 1e-9)) : 1;
	const cool_s = draft.cool_s ?? 0;
	const worked_s = cool_s + Math.max(prep_s, toBoil_s) + line_s + tray_s + look_s * rounds + bag_s;
	return {
		kind: 'way',
		food,
		cut,
		yieldShare,
		prepared_g,
		id: draft.id,
		becomes: draft.becomes,
		name: draft.name,
		method: draft.method,
		gist: draft.gist,
		load_g: Math.max(1, draft.load_g),
		...(draft.row ? { row: draft.row } : {}),
		...(draft.sugar ? { sugar: draft.sugar } : {}),
		blanchWords: draft.blanchWords,
		...(draft.pot ? { pot: draft.pot } : {}),
		...(draft.line ? { line: draft.line } : {}),
		trays: { needed, rounds, perTray_kg },
		firstLook_h: cut.firstLook_h.value,
		packs: packed,
		...(second ? { second } : {}),
		style,
		months: draft.months,
		keepsUntil: monthsAfter(dateIn(kitchen.zone, input.now), draft.months[1]),
		hands_s: prep_s + line_s + tray_s + bag_s,
		elapsed_s: Math.max(worked_s, (freezeDays - 1) * 86_400 + worked_s / freezeDays),
		...(draft.line
			? { ice: { kg: draft.line.ice_kg, short_kg: Math.max(0, draft.line.ice_kg - kitchen.ice_kg) } }
			: {}),
		freezer: {
			fits: packed.volume_L + (second?.volume_L ?? 0) <= kitchen.freezerFree_L,
			dayLoad_kg,
			days: freezeDays,
			overload: prepared_g / 1000 > dayLoad_kg
		},
		steps: draft.steps,
		work: [
			...(cool_s > 0 ? ([{ id: 'cool', seconds: cool_s, attended: false, station: 'basin' }] as const) : []),
			{ id: 'prepare', seconds: prep_s, attended: true, station: 'table' },
			...(draft.line
				? ([
						{ id: 'boil', seconds: toBoil_s, attended: false, station: 'pot' },
						{ id: 'line', seconds: line_s, attended: true, station: 'pot' }
					] as const)
				: draft.method === 'cook'
					? ([{ id: 'cook', seconds: line_s, attended: true, station: 'pot' }] as const)
					: []),
			{ id: 'tray', seconds: tray_s, attended: true, station: 'table' },
			{ id: 'freeze', seconds: look_s * rounds, attended: false, station: 'freezer' },
			{ id: 'pack', seconds: bag_s, attended: true, station: 'table' }
		],
		cautions: freezingCautions(food, draft.hotWork),
		notes: draft.notes,
		use: cut.use,
		source: draft.source,
		confidence: draft.confidence
	};
}

/** A filling of moulds is laid out anew each time. */
const rounds_s = (style: PackStyleId, rounds: number): number => (style === 'mould' ? rounds : 1) * traying_s;

/** Into packs of one size, or of two at once: the second gets half of it in whole packs. */
function packsOf(
	{ kitchen, choices }: WaysInput,
	{ cut, style, bulk_kg_per_L }: { readonly cut: CutRow; readonly style: PackStyleId; readonly bulk_kg_per_L: number },
	portion_g: number,
	food_g: number
): { packed: Packs; second?: Packs } {
	const common = {
		bulk_kg_per_L,
		pack: headspaceAs(cut, style),
		containers: kitchen.containers,
		units: kitchen.units,
		...(choices.containerId ? { containerId: choices.containerId } : {})
	};
	// A portion that a person said is just that; else all packs are alike.
	const one = () => ({ packed: packs({ food_g, portion_g, equal: choices.portion_g === undefined, ...common }) });
	if (choices.second_g === undefined || choices.second_g === portion_g) return one();
	const { sizes, remainder_g } = portions({
		food_g,
		portion: { by: 'weight', grams: portion_g },
		second: { portion: { by: 'weight', grams: choices.second_g }, share: 0.5 }
	});
	const [first, other] = sizes.map((s) => ({ count: s.packs, grams: s.grams }));
	// Too little for a pack of each: one size, as ever.
	if (!first || !other || first.count === 0 || other.count === 0) return one();
	const packed = packs({ food_g: first.count * first.grams + remainder_g, portion_g: first.grams, ...common });
	// What the first size takes out of the drawer is not there for the second.
	const taken = packed.count + (packed.remainder_g >= 10 ? 1 : 0);
	const containers = kitchen.containers.map((c) =>
		c.id === packed.container?.id ? { ...c, count: Math.max(0, c.count - taken) } : c
	);
	const { containerId: _container, ...free } = common;
	const second = packs({ food_g: other.count * other.grams, portion_g: other.grams, ...free, containers });
	return { packed, second };
}
