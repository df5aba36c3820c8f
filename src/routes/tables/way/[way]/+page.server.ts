import { forWhom, isTableWay, wayPage } from '$core/tables/way-page';
import { AppError } from '$lib/server/errors';
import { page } from '$lib/server/respond';
import { shownLines, shownPractice, shownRecipe, tableKitchen } from '$lib/server/tables';
import { footnoted, fullWhat, sureness } from '$core/tables/line';
import { sources } from '$reference/sources';
import { tableWays } from '$reference/other-ways';
import type { PageServerLoad } from './$types';

/** One way: what holds for all foods, then food by food. */
export const load: PageServerLoad = ({ locals, params }) =>
	page(async () => {
		if (!isTableWay(params.way))
			throw new AppError(404, 'UNKNOWN_WAY', `No way is called "${params.way}". Known: ${tableWays.join(', ')}.`);
		const { words, kinds, lines, columns, rows, refused, recipes, practices, cautions } = wayPage(
			params.way,
			tableKitchen(locals.household)
		);
		const { main, minor, notes } = shownLines(lines);
		const table = footnoted(rows.flatMap((r) => r.cells.flat()));
		let next = 0;
		return {
			title: words.name,
			way: words.id,
			name: words.name,
			lead: words.lead,
			steps: words.steps,
			lines: [...main, ...minor].map((l) => ({ ...l, who: forWhom(l.key) })),
			notes,
			kinds: kinds.map((k) => ({
				title: k.title,
				rows: k.rows.map((r) => ({
					name: r.name,
					words: r.words,
					more: r.more,
					whose: r.confidence === 'practice' ? 'common practice' : `${sources[r.source].short}; ${sureness(r)}`
				}))
			})),
			columns,
			// A canning time without its product, pack and jar is dangerous; frozen months belong to a cut.
			named: words.id === 'can' || words.id === 'freeze',
			rows: rows.map((r) => ({
				id: r.food.id,
				name: r.food.name,
				group: r.food.group,
				cells: r.cells.map((cell) =>
					cell.map((_, __, all) => {
						const line = table.lines[next++];
						const several = words.id === 'can' || new Set(all.map((l) => l.group)).size > 1;
						return {
							what: line
								? `${several ? fullWhat(line) : line.what}${words.id === 'can' && line.at ? `; ${line.at}` : ''}`
								: '',
							main: line?.amount.main ?? '',
							mark: line?.mark ?? ''
						};
					})
				)
			})),
			tableNotes: table.notes,
			refused: refused.map((r) => ({ id: r.food.id, name: r.food.name, reason: r.reason })),
			recipes: recipes.map(shownRecipe),
			practices: practices.map(shownPractice),
			cautions: cautions.map((c) => ({ id: c.id, text: c.text }))
		};
	});
