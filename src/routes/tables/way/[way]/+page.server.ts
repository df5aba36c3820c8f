import { forWhom, isTableWay, wayPage } from '$core/tables/way-page';
import { besideHours } from '$core/tables/dry-section';
import { AppError } from '$lib/server/errors';
import { page } from '$lib/server/respond';
import { shownLines, shownPractice, shownRecipe, tableKitchen } from '$lib/server/tables';
import { footnoted, fullWhat, sureness, type Line } from '$core/tables/line';
import { sources } from '$reference/sources';
import { tableWays, type TableWay } from '$reference/other-ways';
import type { PageServerLoad } from './$types';

/**
 * What must stand beside a number in a cell. A canning time without its product, pack, jar and pressure is dangerous;
 * drying hours are for a piece, frozen months for a cut. Elsewhere only where a cell holds several.
 */
function besides(way: TableWay, line: Line, cell: readonly Line[]): string {
	if (way === 'can') return [fullWhat(line), line.at].filter(Boolean).join('; ');
	if (line.slot === 'dry/hours') return besideHours(line.key);
	if (line.slot === 'dry/F') return '';
	if (line.slot === 'dry/thickness') return cell.length > 1 ? (line.group ?? '') : '';
	if (line.slot === 'dry/water' || line.slot === 'dry/steam' || way === 'freeze') return line.what;
	return cell.length > 1 ? (new Set(cell.map((l) => l.group)).size > 1 ? fullWhat(line) : line.what) : '';
}

/** One way: what holds for all foods, then food by food. */
export const load: PageServerLoad = ({ locals, params }) =>
	page(
		async () => {
			if (!isTableWay(params.way))
				throw new AppError(404, 'UNKNOWN_WAY', `No way is called "${params.way}". Known: ${tableWays.join(', ')}.`);
			const { words, kinds, lines, columns, rows, refused, recipes, practices, cautions } = wayPage(
				params.way,
				await tableKitchen(locals.household, locals.stores)
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
				rows: rows.map((r) => ({
					id: r.food.id,
					name: r.food.name,
					group: r.food.group,
					cells: r.cells.map((cell) =>
						cell.map(() => {
							const line = table.lines[next++];
							return {
								what: line ? besides(words.id, line, cell) : '',
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
		},
		locals.household.units,
		['note', 'text']
	);
