import { tableWays, type TableWay } from '../../reference/other-ways';
import type { FoodRow } from '../../reference/tables';
import { plain } from '../things/thing';
import { foodSections } from './food-sections';
import type { Line, TableKitchen } from './line';

/** One kind of number, food by food. */
export interface CompareRow {
	readonly way: TableWay;
	readonly slot: string;
	readonly heading: string;
	/** One list for each food, empty where it has no such number. */
	readonly cells: readonly (readonly Line[])[];
	/** Why not, food by food, where the way or a part of it is refused. */
	readonly refused?: readonly (string | null)[];
}

const headings: Readonly<Record<string, string>> = {
	'fresh/counter': 'On the counter',
	'fresh/cool': 'In a cool room',
	'fresh/fridge': 'In the fridge',
	'cellar/C': 'Store wanted',
	'cellar/rh': 'Humidity wanted',
	'cellar/weeks': 'Keeps in that store',
	'freeze/water': 'Blanch in water',
	'freeze/steam': 'Blanch in steam',
	'freeze/dip': 'Dip to loosen skins',
	'freeze/months-blanched': 'Frozen, blanched',
	'freeze/months-cooked': 'Frozen, cooked first',
	'freeze/months-raw': 'Frozen raw',
	'dry/hours': 'Dry',
	'dry/F': 'Air of the dryer',
	'dry/water': 'Before drying, in water',
	'dry/steam': 'Before drying, in steam',
	'dry/jerky-meat': 'Heated first',
	'dry/jerky-poultry': 'Heated first',
	'dry/water-back': 'Water back to a cup',
	'dry/soak': 'Soak',
	'dry/yield': 'Dried yield',
	'can/boiling-water': 'Jars in boiling water',
	'can/pressure': 'Jars under pressure',
	'cook/inside': 'Safe inside at'
};

/**
 * Foods side by side: one row for each kind of number that at least one of them has; several lines of a food stand
 * together. What belongs to a single food alone stands at the end of its way.
 *
 * @param way one way, or all of them
 */
export function compareFoods(foods: readonly FoodRow[], kitchen: TableKitchen, way?: TableWay): CompareRow[] {
	const sections = foods.map((food) => foodSections(plain(food), kitchen, way));
	const rows: CompareRow[] = [];
	for (const each of way ? [way] : tableWays) {
		const own = sections.map((list) => list.find((s) => s.way === each));
		const refused = own.map((s) => s?.refusal?.reason ?? (s?.partly ? `As it is: ${s.partly.reason}` : null));
		if (refused.some((reason) => reason !== null))
			rows.push({ way: each, slot: `${each}/refused`, heading: 'Not advised', cells: foods.map(() => []), refused });
		const lines = sections.map((list) => (list.find((s) => s.way === each)?.lines ?? []).filter((l) => !l.minor));
		const slots = [...new Set(lines.flat().map((l) => l.slot))].sort(
			(a, b) => Number(!(a in headings)) - Number(!(b in headings))
		);
		for (const slot of slots) {
			const cells = lines.map((list) => list.filter((l) => l.slot === slot));
			const first = cells.flat()[0];
			if (first) rows.push({ way: each, slot, heading: headings[slot] ?? first.what, cells });
		}
	}
	return rows;
}
