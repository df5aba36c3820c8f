import { foodById } from '$core/things/names';
import { wordsOf } from '$core/tables/way-page';
import { footnoted, type Line, type Section, type TableKitchen } from '$core/tables/line';
import type { Refusal } from '$core/errors';
import { nearNames, understand } from '$core/things/understand';
import { plain, type Thing } from '$core/things/thing';
import { practices, isFor, type PracticeRow, type RecipeRow } from '$reference/other-ways';
import { sources } from '$reference/sources';
import type { FoodRow } from '$reference/tables';
import type { Kitchen } from '$core/ways/kitchen';
import { AppError } from './errors';
import type { Stores } from './stores';
import type { HouseholdRow } from './stores/households';

const gaugeForTables = (gauge: Kitchen['gauge']): TableKitchen['gauge'] =>
	gauge === 'dial' || gauge === 'weighted' ? gauge : undefined;

/** What of a household the tables are read with. */
export const tableKitchen = async (household: HouseholdRow, stores: Stores): Promise<TableKitchen> => ({
	units: household.units,
	altitude_m: household.altitudeM,
	gauge: gaugeForTables(await stores.gear.gauge())
});

/** @throws {AppError} 404, with what was probably meant */
export function tableThing(text: string): Thing {
	// An id is what an address of ours says: it means its food, whatever else the word may mean.
	const own = foodById(text);
	if (own) return plain(own);
	const named = understand(text);
	if (named.kind === 'refused')
		throw new AppError(404, 'REFUSED', `${named.refusal.reason} Instead: ${named.refusal.instead.join('; ')}.`);
	const asked = named.kind === 'asked' ? named : named.kind === 'unknown' ? named.asked : undefined;
	if (asked)
		throw new AppError(404, 'ASKED', `${asked.question} Say one of: ${asked.choices.map((c) => c.text).join(', ')}.`);
	if (named.kind === 'thing') {
		const { thing } = named;
		if (thing.state !== 'fresh' && thing.state !== 'prepared')
			throw new AppError(
				404,
				'UNKNOWN_FOOD',
				`Tables speak of food as it comes in, not ${thing.state}. Look at ${thing.food.name}.`
			);
		return { ...thing, identified: true };
	}
	const near = nearNames(text).map((f) => f.name);
	const hint = near.length > 0 ? ` Near it: ${near.join(', ')}.` : '';
	throw new AppError(404, 'UNKNOWN_FOOD', `No food named "${text}" stands in Tables.${hint}`);
}

export const shownPractice = (p: PracticeRow) => ({
	id: p.id,
	question: p.question,
	schools: p.schools,
	ours: p.ours,
	why: p.why,
	way: p.way,
	wayName: wordsOf(p.way).name,
	safety: p.safety,
	whose: sources[p.source].short
});
export const practicesFor = (food: FoodRow) => practices.filter((p) => isFor(p, food)).map(shownPractice);

export const shownRecipe = (r: RecipeRow) => ({ id: r.id, name: r.name, kind: r.kind });

/** A line as the page draws it; its `whose` and sureness have gone into the footnote. */
const shown = ({ key, slot, what, group, amount, at, note, mark }: Line & { mark: string }) => ({
	key,
	slot,
	what,
	group: group ?? '',
	amount,
	at: at ?? '',
	note: note ?? '',
	mark
});
export type ShownLine = ReturnType<typeof shown>;

/** Lines with footnotes: the ones for the wall first, the ones behind the plans apart. */
export function shownLines(lines: readonly Line[]) {
	const { lines: marked, notes } = footnoted(lines);
	return {
		main: marked.filter((l) => !l.minor).map(shown),
		minor: marked.filter((l) => l.minor).map(shown),
		notes
	};
}

const refusalOf = ({ reason, source, instead }: Refusal) => ({ reason, source, instead });

export const shownSection = (s: Section) => ({
	way: s.way,
	name: wordsOf(s.way).name,
	...shownLines(s.lines),
	words: s.words,
	recipes: s.recipes.map(shownRecipe),
	refusal: s.refusal ? refusalOf(s.refusal) : null,
	partly: s.partly ? refusalOf(s.partly) : null
});
export type ShownSection = ReturnType<typeof shownSection>;
