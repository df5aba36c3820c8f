import { foodRows, type FoodRow, type PlaceKind } from '../../reference/tables';
import { madeRows, wordLists, type MadeRow } from '../../reference/things';
import { transformRows } from '../../reference/transforms';
import type { Condition, State } from './thing';
import { nameKey } from './words';

/** What a word beside a name says. Whatever is none of these is a word left over. */
export type Mark =
	| { readonly type: 'state'; readonly state: State }
	| { readonly type: 'condition'; readonly condition: Condition | 'spoiled' }
	| { readonly type: 'place'; readonly place: PlaceKind }
	| { readonly type: 'form'; readonly names: string }
	| { readonly type: 'made'; readonly row: MadeRow }
	| { readonly type: 'preserve' | 'part' | 'wild' | 'identified' | 'unripe' }
	/** Says nothing that a number hangs on; it is kept as a note. */
	| { readonly type: 'remark' }
	/** "of", "the": says nothing at all. */
	| { readonly type: 'little' };

const marks = new Map<string, Mark>();
let longest = 1;
const add = (words: readonly string[], mark: Mark) => {
	for (const word of words) {
		const key = nameKey(word);
		if (!marks.has(key)) marks.set(key, mark);
		longest = Math.max(longest, key.split(' ').length);
	}
};

const { states, conditions, places } = wordLists;
for (const [condition, words] of Object.entries(conditions) as [Condition | 'spoiled', string[]][])
	add(words, { type: 'condition', condition });
for (const [state, words] of Object.entries(states) as [State, string[]][]) add(words, { type: 'state', state });
for (const [place, words] of Object.entries(places) as [PlaceKind, string[]][]) {
	const around = words.flatMap((w) => [w, `in ${w}`, `in the ${w}`, `on the ${w}`, `at the ${w}`]);
	add(around, { type: 'place', place });
}
add(wordLists.wild, { type: 'wild' });
add(wordLists.identified, { type: 'identified' });
add(wordLists.unripe, { type: 'unripe' });
for (const food of foodRows)
	for (const form of food.forms)
		for (const name of [form.id, form.name, ...form.names]) add([name], { type: 'form', names: nameKey(name) });
add(wordLists.little, { type: 'little' });
add([...wordLists.fillers, ...wordLists.sizes], { type: 'remark' });
for (const row of madeRows) add(row.words, { type: 'made', row });
add(wordLists.preserves, { type: 'preserve' });
add(wordLists.parts, { type: 'part' });

export const markOf = (key: string): Mark | undefined => marks.get(key);
export const longestMark = longest;
export const allMarks = (): IterableIterator<[string, Mark]> => marks.entries();
export const purposes: ReadonlySet<string> = new Set(wordLists.purposes.map(nameKey));

const madeForms: ReadonlySet<string> = new Set([
	...wordLists.preserves,
	...wordLists.parts,
	...transformRows.flatMap((r) => [r.from.form, r.to.form])
]);
/** Whether a food can be had in this form: one of its own, a cut, or what is made of it. */
export const isFormOf = (food: FoodRow, form: string): boolean =>
	form === 'whole' ||
	food.forms.some((f) => f.id === form) ||
	food.cuts.some((c) => c.id === form) ||
	madeForms.has(form);
