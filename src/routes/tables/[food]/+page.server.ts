import { redirect } from '@sveltejs/kit';
import { cautionsOf, foodSections } from '$core/tables/food-sections';
import { isTableWay } from '$core/tables/way-page';
import { inOrder } from '$core/safety/cautions';
import { kindById } from '$core/things/names';
import { page } from '$lib/server/respond';
import { practicesFor, shownSection, tableThing, tableKitchen } from '$lib/server/tables';
import type { PageServerLoad } from './$types';

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

/** A food's page: what a person would pin to the kitchen wall. `way` keeps one way of it. */
export const load: PageServerLoad = ({ locals, params, url }) =>
	page(
		async () => {
			const named = tableThing(params.food);
			const { food } = named;
			if (food.id !== params.food) {
				const query = new URLSearchParams(url.search);
				if (named.kind) query.set('kind', named.kind.id);
				redirect(307, `/tables/${food.id}${query.size > 0 ? `?${query}` : ''}`);
			}
			// A kind with limits of its own keeps them on its page: white peaches are not canned, peaches are.
			const kind = kindById(food.id, url.searchParams.get('kind'));
			const thing = kind ? { ...named, kind, called: kind.name } : named;
			const all = foodSections(thing, await tableKitchen(locals.household, locals.stores));
			const asked = url.searchParams.get('way') ?? '';
			const way = isTableWay(asked) && all.some((s) => s.way === asked) ? asked : '';
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
			return {
				title: kind?.name ?? food.name,
				food: {
					id: food.id,
					name: kind?.name ?? food.name,
					names: food.names,
					group: food.group,
					acid: food.acid.class
				},
				ways: all.map((s) => ({ id: s.way, name: shownSection(s).name })),
				way,
				large: told.slice(0, 6),
				sections: sections.filter((s) => !s.refusal).map(shownSection),
				refused: sections.filter((s) => s.refusal).map(shownSection),
				cautions: inOrder(cautionsOf(sections)).map((c) => ({ id: c.id, text: c.text })),
				practices: way ? [] : practicesFor(food),
				kitchen: { name: locals.household.name, altitude_m: locals.household.altitudeM }
			};
		},
		locals.household.units,
		['note', 'text']
	);
