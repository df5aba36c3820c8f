import {
	figures,
	freezerPacks,
	freezerStyles,
	type FigureRow,
	type FreezerPackRow,
	type FreezerStyleRow,
	type RecipeRow
} from '../../reference/other-ways';
import type { Provenance } from '../../reference/row';
import type { BlanchRow, CutRow, FoodRow, Range } from '../../reference/tables';
import { DomainError, type Refusal } from '../errors';
import { foldName } from '../foods/fold-name';
import { recipesOf } from '../recipes/find-recipe';
import { advise } from '../safety/advise';
import type { Caution } from '../safety/cautions';
import { gate } from '../safety/gate';
import type { Thing } from '../things/thing';

/** One way of freezing one cut. */
export interface FreezeCut extends Provenance {
	readonly cut: CutRow;
	readonly method: 'blanched' | 'cooked' | 'raw';
	readonly blanch: readonly BlanchRow[];
	/** In this pack, at −18 °C. */
	readonly months: Range;
	readonly why: string;
}
export interface FreezeAnswer {
	readonly kind: 'freeze';
	readonly food: FoodRow;
	readonly pack: FreezerPackRow;
	readonly cuts: readonly FreezeCut[];
	/** Ways of a cut that are refused, with the reason. */
	readonly refused: readonly { readonly cut: CutRow; readonly refusal: Refusal }[];
	readonly styles: readonly FreezerStyleRow[];
	/** Sugar packs, syrups, and baths against browning for this food. */
	readonly ratios: readonly RecipeRow[];
	readonly headspace: readonly FigureRow[];
	readonly cautions: readonly Caution[];
}

const byId = new Map(figures.map((f) => [f.id, f]));
/** A figure that the core itself reckons with. @throws {Error} it is not there: a bug in the tables */
export const figureById = (id: string): FigureRow => {
	const row = byId.get(id);
	if (!row) throw new Error(`There is no figure "${id}".`);
	return row;
};
/** Months of what was blanched. @source freeze/blanched */
export const blanchedMonths = (): Range => {
	const { value } = figureById('freeze/blanched');
	if (typeof value === 'number') throw new Error('freeze/blanched is a range');
	return value;
};

/** Whether a pack suits a food. */
export const packSuits = (pack: FreezerPackRow, food: FoodRow): boolean =>
	pack.for.includes('all') || pack.for.includes(food.group);

/** @throws {DomainError} UNKNOWN_UNIT, naming the known packs */
export function packNamed(text: string | undefined): FreezerPackRow {
	const key = foldName(text ?? 'freezer-bag');
	const pack = freezerPacks.find((p) => foldName(p.id) === key || p.names.some((n) => foldName(n) === key));
	if (pack) return pack;
	const known = freezerPacks.map((p) => p.id).join(', ');
	throw new DomainError('UNKNOWN_UNIT', 'pack', `No pack is called "${text}". Known: ${known}.`);
}

/** A food's months in a pack: a poor one has its own, whatever the food, and never more than the food's. */
export function monthsIn(pack: FreezerPackRow, months: Range): Range {
	if (pack.months) return [Math.min(pack.months[0], months[0]), Math.min(pack.months[1], months[1])];
	return months;
}

/**
 * How a food is frozen: each cut with what is done before, its months in this pack, and how it is used afterwards.
 *
 * @throws {DomainError} UNKNOWN_UNIT: no such pack
 * @source the rows' own: NCHFP, Freezing; USDA FSIS; FoodSafety.gov (from memory)
 */
export function lookUpFreezing(question: { readonly thing: Thing; readonly pack?: string }): FreezeAnswer | Refusal {
	const { thing } = question;
	const { food } = thing;
	const stopped = gate({ thing, way: 'freeze-raw' });
	if (stopped) return stopped;
	const pack = packNamed(question.pack);
	const cuts: FreezeCut[] = [];
	const refused: { cut: CutRow; refusal: Refusal }[] = [];
	const cautions = new Map<string, Caution>();
	const ask = (
		way: 'freeze-raw' | 'freeze-blanched' | 'freeze-cooked',
		cut: CutRow,
		give: () => FreezeCut | undefined
	) => {
		const advice = advise(thing, way, { cut: cut.id });
		if (advice.kind === 'refused') {
			refused.push({ cut, refusal: advice });
			return;
		}
		const made = give();
		if (made) cuts.push(made);
		advice.cautions.forEach((c) => cautions.set(c.id, c));
	};
	for (const cut of food.cuts) {
		if (cut.blanch?.length) {
			ask('freeze-blanched', cut, () => {
				const { source, confidence } = figureById('freeze/blanched');
				const rows = advisedRows(thing, cut);
				return {
					cut,
					method: 'blanched',
					blanch: rows,
					months: monthsIn(pack, blanchedMonths()),
					why: '',
					source,
					confidence
				};
			});
		}
		const cook = cut.cookFirst;
		if (cook) {
			ask('freeze-cooked', cut, () => ({
				cut,
				method: 'cooked',
				blanch: [],
				months: monthsIn(pack, cook.months),
				why: cook.words,
				source: cook.source,
				confidence: cook.confidence
			}));
		}
		ask('freeze-raw', cut, () => {
			const { raw } = cut;
			if (raw.kind === 'refused') return undefined;
			const { why, source, confidence } = raw;
			return { cut, method: 'raw', blanch: [], months: monthsIn(pack, raw.months), why, source, confidence };
		});
	}
	const [first] = refused;
	if (cuts.length === 0 && first) return first.refusal;
	return {
		kind: 'freeze',
		food,
		pack,
		cuts,
		refused,
		styles: freezerStyles.filter((s) => s.for.includes(food.group)),
		ratios: recipesOf(food.id).filter((r) => r.kind === 'sugar-pack' || r.kind === 'acid-dip'),
		headspace: figures.filter((f) => f.id.startsWith('freeze/headspace-')),
		cautions: [...cautions.values()]
	};
}

function advisedRows(thing: Thing, cut: CutRow): readonly BlanchRow[] {
	const advice = advise(thing, 'freeze-blanched', { cut: cut.id });
	return advice.kind === 'allowed' ? advice.blanch : [];
}
