import {
	dryingRows,
	dryingYieldRows,
	figures,
	isFor,
	odours,
	rehydrating,
	type DryingRow,
	type DryingYieldRow,
	type FigureRow,
	type OdourRow,
	type RehydratingRow
} from '../../reference/other-ways';
import type { HeatStepRow } from '../../reference/safety';
import type { FoodRow } from '../../reference/tables';
import { DomainError, type Refusal } from '../errors';
import { foldName } from '../foods/fold-name';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import { isMeat } from '../safety/dry';
import type { Thing } from '../things/thing';

export interface DryQuestion {
	readonly thing: Thing;
	/** A word of a row's cut: "halves", "slices", "whole". */
	readonly cut?: string;
	readonly thickness_mm?: number;
}
/** How the asked thickness stands to the printed one: hours are never scaled, only said to be for another piece. */
export type ThicknessFit = 'as printed' | 'thinner' | 'thicker' | 'not printed' | 'not asked';

export interface DryAnswer {
	readonly kind: 'dry';
	readonly food: FoodRow;
	/** Undefined where no hours are printed for this food. */
	readonly row: DryingRow | undefined;
	/** Every row of the food. */
	readonly rows: readonly DryingRow[];
	readonly fit: ThicknessFit;
	readonly fitWords: string;
	/** Heat steps that come before, for meat. */
	readonly heat: readonly HeatStepRow[];
	/** Temperature, moisture, conditioning, keeping and the like, for this food. */
	readonly figures: readonly FigureRow[];
	readonly rehydrate: RehydratingRow | undefined;
	readonly yields: DryingYieldRow | undefined;
	readonly odour: OdourRow | undefined;
	readonly cautions: readonly Caution[];
}

export const dryingRowsOf = (food: FoodRow): readonly DryingRow[] =>
	dryingRows.filter((r) => r.foods.includes(food.id));

/** Rows of foods come before rows of groups: onions are onion kin before they are vegetables. */
export const odourOf = (food: FoodRow): OdourRow | undefined =>
	odours.find((o) => o.foods?.includes(food.id)) ?? odours.find((o) => o.groups?.includes(food.group));

/** Words by which a row is asked for: its id's own part and the words of its cut. */
const cutWords = (row: DryingRow): string[] => [
	...new Set([...foldName(row.id).split(' '), ...foldName(row.cut).split(' ')].filter((w) => w.length > 3))
];

function meantRow(food: FoodRow, rows: readonly DryingRow[], wanted: string): DryingRow {
	const key = foldName(wanted);
	const stem = (word: string) => word.replace(/(s|d|ed)$/, '');
	const row =
		rows.find((r) => foldName(r.id) === key) ??
		rows.find((r) => ` ${foldName(r.cut)} `.includes(` ${key} `)) ??
		rows.find((r) => cutWords(r).some((w) => stem(w) === stem(key)));
	if (row) return row;
	const known = rows.map((r) => r.cut).join('; ');
	throw new DomainError('UNKNOWN_CUT', 'cut', `${food.name} are not dried as "${wanted}". Known: ${known || 'none'}.`);
}

function fitOf(row: DryingRow | undefined, thickness_mm: number | undefined): [ThicknessFit, string] {
	if (!row || thickness_mm === undefined) return ['not asked', ''];
	if (!row.thickness_in) return ['not printed', 'The table prints no thickness for this piece: go by the test.'];
	const [low, high] = row.thickness_in.map((inches) => inches * 25.4) as [number, number];
	// Half a millimetre: nobody cuts closer.
	if (thickness_mm < low - 0.5)
		return ['thinner', `Thinner than the printed piece: look before ${row.hours[0]} h. No shorter time is computed.`];
	if (thickness_mm > high + 0.5)
		return ['thicker', `Thicker than the printed piece: it takes longer than ${row.hours[1]} h. No time is computed.`];
	return ['as printed', 'As thick as the printed piece.'];
}

/**
 * How a food is dried, by the printed table. Hours hold for the printed piece; for another thickness they are not scaled.
 *
 * @returns the rows, or the safety module's refusal
 * @throws {DomainError} UNKNOWN_CUT, naming the known ones; NOT_POSITIVE thickness
 * @source UGA, Drying Fruits and Vegetables; NCHFP, Drying (from memory); common practice where the row says so
 */
export function lookUpDrying(question: DryQuestion): DryAnswer | Refusal {
	const { thing, cut, thickness_mm } = question;
	const { food } = thing;
	if (thickness_mm !== undefined && !(thickness_mm > 0 && thickness_mm <= 200)) {
		throw new DomainError('NOT_POSITIVE', 'thickness_mm', 'thickness_mm must be above 0 and at most 200.');
	}
	const advice = advise(thing, 'dry', {
		heatStep: 'before',
		...(thickness_mm === undefined ? {} : { thickness_mm })
	});
	if (advice.kind === 'refused') return advice;
	const rows = dryingRowsOf(food);
	const row = cut === undefined ? rows[0] : meantRow(food, rows, cut);
	const [fit, fitWords] = fitOf(row, thickness_mm);
	return {
		kind: 'dry',
		food,
		row,
		rows,
		fit,
		fitWords,
		heat: advice.heat,
		figures: figures.filter((f) => f.way === 'dry' && isFor(f, food)),
		rehydrate: rehydrating.find((r) => r.foods.includes(food.id)),
		yields: dryingYieldRows.find((r) => r.foods.includes(food.id)),
		odour: odourOf(food),
		cautions: advice.cautions
	};
}

/**
 * Dried meat from raw, as a share by weight, as printed: 4 oz from a pound of lean strips, 4 to 5 of cooked mince. Meat gives
 * off fat and juice before it dries, so that its water alone does not tell. Undefined for anything else.
 *
 * @source the rows dry/jerky-yield (NCHFP, from memory) and dry/ground-yield (common practice)
 */
export function printedMeatShare(food: FoodRow): number | undefined {
	if (!isMeat(food)) return undefined;
	// A dish gives off water alone: nothing is printed for it.
	if (food.group === 'dish' && !figures.some((f) => f.id === 'dry/ground-yield' && isFor(f, food))) return undefined;
	const row =
		figures.find((f) => f.id === 'dry/ground-yield' && isFor(f, food)) ??
		figures.find((f) => f.id === 'dry/jerky-yield');
	if (!row) return undefined;
	const ounces = typeof row.value === 'number' ? row.value : (row.value[0] + row.value[1]) / 2;
	return ounces / 16;
}
