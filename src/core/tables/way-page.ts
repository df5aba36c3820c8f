import { cautionTexts } from '../../reference/cautions';
import {
	figures,
	practices,
	tableWays,
	wayWords,
	type PracticeRow,
	type RecipeRow,
	type TableWay,
	type WayWords
} from '../../reference/other-ways';
import { foodRows, type FoodRow } from '../../reference/tables';
import { foodById } from '../foods/find-food';
import { allRecipes } from '../recipes/find-recipe';
import type { Caution } from '../safety/cautions';
import { foodSections, wayOfRecipe } from './food-sections';
import { figureLine, type Line, type TableKitchen } from './line';
import { canningTableLines, ruleLines } from './rule-lines';

/** A food's line in the table of a way: its main numbers, a column for each slot. */
export interface WayRow {
	readonly food: FoodRow;
	readonly cells: readonly (readonly Line[])[];
}
export interface WayPage {
	readonly words: WayWords;
	readonly lines: readonly Line[];
	readonly columns: readonly string[];
	readonly rows: readonly WayRow[];
	/** Foods that it is refused for, with the reason. */
	readonly refused: readonly { readonly food: FoodRow; readonly reason: string }[];
	readonly recipes: readonly RecipeRow[];
	readonly practices: readonly PracticeRow[];
	readonly cautions: readonly Caution[];
}

/** The columns by which foods are set beside each other, for each way: heading and the slots it gathers. */
export const columnsOf: Readonly<Partial<Record<TableWay, readonly (readonly [string, readonly string[]])[]>>> = {
	fresh: [
		['counter', ['fresh/counter']],
		['cool room', ['fresh/cool']],
		['fridge', ['fresh/fridge']]
	],
	cellar: [
		['temperature', ['cellar/C']],
		['humidity', ['cellar/rh']],
		['keeps', ['cellar/weeks']]
	],
	freeze: [
		['before', ['freeze/water', 'freeze/steam']],
		['keeps', ['freeze/months-blanched', 'freeze/months-cooked', 'freeze/months-raw']]
	],
	dry: [
		['first', ['dry/jerky-meat', 'dry/jerky-poultry', 'dry/water', 'dry/steam']],
		['hours', ['dry/hours']],
		['air', ['dry/F']],
		['water back to a cup', ['dry/water-back']]
	],
	can: [
		['boiling water', ['can/boiling-water']],
		['under pressure', ['can/pressure']]
	],
	cook: [['safe inside at', ['cook/inside']]],
	thaw: [['in the fridge', ['thaw/fridge']], ['in cold water', ['thaw/water']]],
	second: [
		['thawed', figures.filter((f) => f.clock === 'thawed').map((f) => f.id)],
		['opened', figures.filter((f) => f.clock === 'opened').map((f) => f.id)]
	],
	meat: [
		['dressed', figures.filter((f) => f.id.startsWith('meat/dress-')).map((f) => f.id)],
		['cut', figures.filter((f) => f.id.startsWith('meat/cut-')).map((f) => f.id)]
	]
}; // prettier-ignore

export const wordsOf = (way: TableWay): WayWords => {
	const words = wayWords.find((w) => w.id === way);
	if (!words) throw new Error(`There are no words for the way "${way}".`);
	return words;
};
export const isTableWay = (text: string): text is TableWay => (tableWays as readonly string[]).includes(text);

const cautionOf = (id: string): Caution => {
	const text = cautionTexts[id as keyof typeof cautionTexts] as
		(typeof cautionTexts)[keyof typeof cautionTexts] | undefined;
	if (!text) throw new Error(`There is no caution "${id}".`);
	return { id, ...text };
};

/** For whom a figure is, in words: "carrots, parsnips", "fruit". */
export function forWhom(key: string): string {
	const row = figures.find((f) => `figures/${f.id}` === key);
	if (!row) return '';
	return [...(row.groups ?? []), ...(row.foods ?? []).map((id) => foodById(id)?.name ?? id)].join(', ');
}

/** Everything the tables hold of one way. */
export function wayPage(way: TableWay, kitchen: TableKitchen): WayPage {
	const words = wordsOf(way);
	const columns = columnsOf[way] ?? [];
	const rows: WayRow[] = [];
	const refused: { food: FoodRow; reason: string }[] = [];
	for (const food of columns.length > 0 ? foodRows : []) {
		const section = foodSections(food, kitchen).find((s) => s.way === way);
		if (!section) continue;
		if (section.refusal) {
			refused.push({ food, reason: section.refusal.reason });
			continue;
		}
		const cells = columns.map(([, slots]) => section.lines.filter((l) => !l.minor && slots.includes(l.slot)));
		if (cells.some((c) => c.length > 0)) rows.push({ food, cells });
	}
	return {
		words,
		lines: [
			...ruleLines(way, kitchen.units),
			...(way === 'can' ? canningTableLines(kitchen.units) : []),
			...figures.filter((f) => f.way === way).map((f) => figureLine(f, kitchen.units))
		],
		columns: columns.map(([heading]) => heading),
		rows,
		refused,
		recipes: allRecipes.filter((r) => wayOfRecipe(r) === way),
		practices: practices.filter((p) => p.way === way),
		cautions: [...words.cautions, 'authority'].map(cautionOf)
	};
}
