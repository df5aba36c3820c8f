import { compareFoods } from '$core/tables/compare';
import { footnoted, fullWhat } from '$core/tables/line';
import { isTableWay, wordsOf } from '$core/tables/way-page';
import { understand } from '$core/things/understand';
import { page } from '$lib/server/respond';
import { tableKitchen, tableThing } from '$lib/server/tables';
import { tableWays } from '$reference/other-ways';
import { foodRows } from '$reference/tables';
import type { PageServerLoad } from './$types';

const most = 6;

/** Foods side by side: `food` as often as wanted, `add` for the one being typed, `way` for one way alone. */
export const load: PageServerLoad = ({ locals, url }) =>
	page(
		async () => {
			const given = url.searchParams.getAll('food').filter((f) => f.trim() !== '');
			const foods = [...new Set(given.slice(0, most).map((name) => tableThing(name.slice(0, 80)).food))];
			const add = (url.searchParams.get('add') ?? '').trim().slice(0, 80);
			const named = add ? understand(add) : undefined;
			const added = named?.kind === 'thing' && named.thing.state === 'fresh' ? named.thing.food : undefined;
			const full = foods.length >= most;
			if (added && !foods.includes(added) && !full) foods.push(added);
			const asked = url.searchParams.get('way') ?? '';
			const way = isTableWay(asked) ? asked : undefined;
			const rows = compareFoods(foods, await tableKitchen(locals.household, locals.stores), way);
			const { lines, notes } = footnoted(rows.flatMap((r) => r.cells.flat()));
			let next = 0;
			return {
				title: foods.length > 0 ? foods.map((f) => f.name).join(', ') : 'Side by side',
				foods: foods.map((f) => ({ id: f.id, name: f.name })),
				way: way ?? '',
				ways: tableWays.map((w) => ({ id: w, name: wordsOf(w).name })),
				rows: rows.map((r) => ({
					way: r.way,
					wayName: wordsOf(r.way).name,
					slot: r.slot,
					heading: r.heading,
					refused: r.refused ?? null,
					// A canning time without its product, pack and jar is dangerous; frozen months belong to a cut.
					named: r.way === 'can' || r.slot.startsWith('freeze/months'),
					cells: r.cells.map((cell) =>
						cell.map(() => {
							const line = lines[next++];
							return {
								what: line ? `${fullWhat(line)}${r.way === 'can' && line.at ? `; ${line.at}` : ''}` : '',
								main: line?.amount.main ?? '',
								mark: line?.mark ?? ''
							};
						})
					)
				})),
				notes,
				typed: added ? '' : add,
				fault:
					add && !added
						? named?.kind === 'asked'
							? `${named.question} Say one of: ${named.choices.map((c) => c.text).join(', ')}. The others are kept.`
							: `No food named "${add}" stands in Tables. The others are kept.`
						: add && added && full
							? `At most ${most} foods side by side: take one away first.`
							: '',
				names: foodRows.map((f) => f.name)
			};
		},
		locals.household.units,
		['note', 'text']
	);
