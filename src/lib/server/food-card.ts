import { pageInUnits } from '$core/quantities/household-words';
import { inOrder } from '$core/safety/cautions';
import { cautionsOf, foodSections } from '$core/tables/food-sections';
import type { TableKitchen } from '$core/tables/line';
import { isTableWay } from '$core/tables/way-page';
import type { Thing } from '$core/things/thing';
import { practicesFor, shownSection } from './tables';

/**
 * The figures that are drawn large: the first line of each of these kinds. No canning time is among them: it means
 * nothing without its product, pack and jar, and a pickle's ten minutes read as the beans' would kill.
 */
const headline = [
	['fresh/fridge', 'fridge'],
	['freeze/water', 'blanch'],
	['freeze/steam', 'steam'],
	['freeze/months-blanched', 'freezer'],
	['freeze/months-cooked', 'freezer, cooked'],
	['freeze/months-raw', 'freezer, raw'],
	['dry/hours', 'dryer'],
	['cellar/weeks', 'store'],
	['cook/inside', 'safe inside']
] as const;

type FoodCard = ReturnType<typeof workOut>;
/** Cards that were worked out before: they hang on the tables, the thing and what a kitchen reads them by, and on nothing else. */
const known = new Map<string, FoodCard>();
const most = 60;

/** What stands on a food's card, for a kitchen, in its units; `way` keeps one way of it. Frozen by convention: nobody changes it. */
export function foodCard(thing: Thing, kitchen: TableKitchen, asked: string): FoodCard {
	const way = isTableWay(asked) ? asked : '';
	const { food, kind, ...rest } = thing;
	const key = JSON.stringify([food.id, kind?.id, rest, kitchen, way]);
	const before = known.get(key);
	if (before) return before;
	const card = workOut(thing, kitchen, way);
	if (known.size >= most) known.clear();
	known.set(key, card);
	return card;
}

function workOut(thing: Thing, kitchen: TableKitchen, asked: string) {
	const all = foodSections(thing, kitchen);
	const way = all.some((s) => s.way === asked) ? asked : '';
	const sections = all.filter((s) => !way || s.way === way);
	const lines = all.flatMap((s) => s.lines);
	const large = headline.flatMap(([slot, label]) => {
		const line = lines.find((l) => l.slot === slot && !l.minor);
		return line ? [{ label, main: line.amount.main, slot }] : [];
	});
	// The raw months are told only where nothing longer stands beside them.
	const told = large.filter(
		(l) =>
			!(l.slot === 'freeze/months-raw' && large.some((o) => o.slot === 'freeze/months-blanched')) &&
			!(l.slot === 'freeze/steam' && large.some((o) => o.slot === 'freeze/water'))
	);
	return pageInUnits(
		{
			ways: all.map((s) => ({ id: s.way, name: shownSection(s).name })),
			way,
			large: told.slice(0, 6),
			sections: sections.filter((s) => !s.refusal).map(shownSection),
			refused: sections.filter((s) => s.refusal).map(shownSection),
			cautions: inOrder(cautionsOf(sections)).map((c) => ({ id: c.id, text: c.text })),
			practices: way ? [] : practicesFor(thing.food)
		},
		kitchen.units,
		['note', 'text']
	);
}
