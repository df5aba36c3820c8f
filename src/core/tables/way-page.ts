import { cautionTexts } from '../../reference/cautions';
import {
	companionRows,
	figures,
	freezerPacks,
	freezerStyles,
	odours,
	practices,
	tableWays,
	wayWords,
	type PracticeRow,
	type RecipeRow,
	type TableWay,
	type WayWords
} from '../../reference/other-ways';
import { foodRows, type FoodRow } from '../../reference/tables';
import type { Provenance } from '../../reference/row';
import { sayAmount } from '../quantities/amount';
import type { Units } from '../quantities/format';
import { foodById } from '../things/names';
import { plain } from '../things/thing';
import { allRecipes } from '../recipes/find-recipe';
import type { Caution } from '../safety/cautions';
import { foodSections, wayOfRecipe } from './food-sections';
import { figureLine, type Line, type TableKitchen } from './line';
import { canningTableLines, modelLines, ruleLines } from './rule-lines';

/** A food's line in the table of a way: its main numbers, a column for each slot. */
export interface WayRow {
	readonly food: FoodRow;
	readonly cells: readonly (readonly Line[])[];
}
/** Things of a kind that a way knows, told in a sentence each: pack styles, odour groups, what lies apart. */
export interface Kinds {
	readonly title: string;
	readonly rows: readonly (Provenance & { readonly name: string; readonly words: string; readonly more: string })[];
}
export interface WayPage {
	readonly words: WayWords;
	readonly kinds: readonly Kinds[];
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
		['before', ['freeze/water', 'freeze/steam', 'freeze/dip']],
		['keeps', ['freeze/months-blanched', 'freeze/months-cooked', 'freeze/months-raw']]
	],
	dry: [
		['first', ['dry/jerky-meat', 'dry/jerky-poultry', 'dry/water', 'dry/steam']],
		['thickness', ['dry/thickness']],
		['hours', ['dry/hours']],
		['air', ['dry/F']],
		['water back to a cup', ['dry/water-back']]
	],
	can: [
		['boiling water', ['can/boiling-water']],
		['under pressure', ['can/pressure']],
		['acid into every jar', ['can/acid']]
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

const named = (ids: readonly string[]) => ids.map((id) => foodById(id)?.name ?? id).join(', ');

function kindsOf(way: TableWay, units: Units): Kinds[] {
	if (way === 'freeze') {
		return [
			{
				title: 'Pack styles',
				rows: freezerStyles.map((s) => ({
					...s,
					more: [
						s.for.join(', '),
						s.headspace
							? `headspace as for ${s.headspace === 'loose' ? 'loose pieces: none' : `a ${s.headspace} pack`}`
							: ''
					]
						.filter(Boolean)
						.join('; ')
				}))
			},
			{
				title: 'What it is packed in',
				rows: freezerPacks.map((p) => ({
					...p,
					more: p.months ? `keeps ${sayAmount(p.months, 'month', units).main} at most` : 'the food’s own months'
				}))
			}
		];
	}
	if (way === 'dry')
		return [
			{
				title: 'What may share a load',
				rows: odours.map((o) => ({
					...o,
					more: [...(o.groups ?? []), named(o.foods ?? [])].filter(Boolean).join(', ')
				}))
			}
		];
	if (way === 'cellar')
		return [
			{
				title: 'What lies apart',
				rows: companionRows.map((c) => ({
					...c,
					name: `What ${c.name}`,
					more: `${named(c.foods)}: apart from what ${c.apart.map((id) => companionRows.find((r) => r.id === id)?.name ?? id).join(', and from what ')}`
				}))
			}
		];
	return [];
}

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
		const section = foodSections(plain(food), kitchen, way)[0];
		if (!section) continue;
		if (section.refusal) {
			refused.push({ food, reason: section.refusal.reason });
			continue;
		}
		if (section.partly) refused.push({ food, reason: `As it is: ${section.partly.reason}` });
		const cells = columns.map(([, slots]) => section.lines.filter((l) => !l.minor && slots.includes(l.slot)));
		if (cells.some((c) => c.length > 0)) rows.push({ food, cells });
	}
	return {
		words,
		kinds: kindsOf(way, kitchen.units),
		lines: [
			...ruleLines(way, kitchen.units),
			...(way === 'can' ? canningTableLines(kitchen.units) : []),
			...figures.filter((f) => f.way === way).map((f) => figureLine(f, kitchen.units)),
			...modelLines(way, kitchen.units)
		],
		columns: columns.map(([heading]) => heading),
		rows,
		refused,
		recipes: allRecipes.filter((r) => wayOfRecipe(r) === way),
		practices: practices.filter((p) => p.way === way),
		cautions: [...words.cautions, 'authority'].map(cautionOf)
	};
}
