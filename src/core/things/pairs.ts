import { allNames, meaningOf, type Meaning } from './names';
import { allMarks, markOf, type Mark } from './vocabulary';

/**
 * Every word that a line may hold, as the lists know it: names of foods and kinds in every number, asked and refused names,
 * states, forms, conditions, dishes, parts. What the law of lines is tried on, two by two.
 */
export interface Term {
	readonly words: string;
	readonly meaning?: Meaning;
	readonly mark?: Mark;
}

export function terms(): Term[] {
	const list = new Map<string, Term>();
	for (const [words, meaning] of allNames()) list.set(words, { words, meaning });
	for (const [words, mark] of allMarks()) {
		const name = list.get(words);
		list.set(words, { words, mark, ...(name?.meaning ? { meaning: name.meaning } : {}) });
	}
	return [...list.values()];
}

/**
 * Whether a reading of `before after` as a food is one that the two words may have, by another road than the reader's: the
 * whole is a name of that very food; or one of the two is, and the other says a state, form, condition, place or remark.
 */
export function mayMean(before: Term, after: Term, food: string): boolean {
	const words = `${before.words} ${after.words}`.split(' ');
	for (let at = 0; at < words.length; at++)
		for (let to = at + 1; to <= words.length; to++) {
			if (!isNameOf(words.slice(at, to).join(' '), food)) continue;
			// What stands beside the name names no other food.
			const beside = [...words.slice(0, at), '|', ...words.slice(to)]
				.join(' ')
				.split('|')
				.map((w) => w.trim());
			if (beside.every((w) => w === '' || isNameOf(w, food) || !namesOther(w, food))) return true;
		}
	return false;
}

const isNameOf = (words: string, food: string): boolean => {
	const meaning = meaningOf(words);
	return meaning?.kind === 'food' && meaning.food.id === food;
};

/** Whether any run of the words is the name of another food than this. */
function namesOther(text: string, food: string): boolean {
	const words = text.split(' ');
	return words.some((_, at) =>
		words.some((_, to) => {
			const meaning = to >= at ? meaningOf(words.slice(at, to + 1).join(' ')) : undefined;
			const mark = markOf(words.slice(at, to + 1).join(' '));
			return meaning !== undefined && !mark && !(meaning.kind === 'food' && meaning.food.id === food);
		})
	);
}
