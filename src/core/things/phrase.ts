import { longestName, meaningOf, type Meaning } from './names';
import { longestMark, markOf, purposes, type Mark } from './vocabulary';
import type { Word } from './words';

/** A piece of a line with its meaning; `words` is where it stands. */
export interface Piece {
	readonly words: readonly Word[];
	readonly mark: Mark;
	/** Whether it stands after the name. */
	readonly after: boolean;
}
export interface Named {
	readonly words: readonly Word[];
	readonly meaning: Meaning;
}
export interface Phrase {
	readonly name: Named | undefined;
	readonly pieces: readonly Piece[];
	/** Words of which nothing is known, and names beside the first. */
	readonly left: readonly Word[];
	/** Another name, or a word that joins two: one line each. */
	readonly second: Named | undefined;
	/** `with …`: what is in it besides. */
	readonly mixed: readonly Word[];
	/** The same words cut otherwise: "celery, root cellar" beside "celery root, cellar". */
	readonly otherwise: readonly [string, string] | undefined;
	/** Where it is from and what it is for, in words. */
	readonly remarks: readonly string[];
}

const keyOf = (words: readonly Word[]) => words.map((w) => w.key).join(' ');
const rawOf = (words: readonly Word[]) => words.map((w) => w.raw).join(' ');

/** The longest name in the words; of two alike, the last: the head of a noun phrase stands at its end. */
export function nameIn(
	words: readonly Word[],
	inside: ReadonlySet<Word> = new Set()
): (Named & { readonly at: number }) | undefined {
	for (let n = Math.min(longestName, words.length); n > 0; n--) {
		for (let at = words.length - n; at >= 0; at--) {
			const part = words.slice(at, at + n);
			// "in oil", "with butter": what something lies in is not what it is.
			if (part.every((w) => inside.has(w))) continue;
			const meaning = meaningOf(keyOf(part));
			if (meaning) return { words: part, meaning, at };
		}
	}
	return undefined;
}

const joining = new Set(['and', 'plus', 'or', 'und', 'et']);
const mixing = new Set(['with', 'without', 'containing']);

/** Marks that no number, way or clock of the food itself hangs on. */
export const saysNothing: ReadonlySet<Mark['type']> = new Set(['remark', 'little', 'place']);

/** Whether any run of the words is a name or says a state, form, condition or part: then it is no mere origin. */
function meansFood(words: readonly Word[]): boolean {
	for (let at = 0; at < words.length; at++)
		for (let n = 1; n <= Math.min(longestMark, longestName, words.length - at); n++) {
			const key = keyOf(words.slice(at, at + n));
			const mark = markOf(key);
			if (meaningOf(key) || (mark && !saysNothing.has(mark.type))) return true;
		}
	return false;
}

/** Words that say what the food lies in or comes with: "in oil", "with butter". A longer name may still hold them. */
function besides(words: readonly Word[]): ReadonlySet<Word> {
	const inside = new Set<Word>();
	for (let at = 0; at < words.length; at++) {
		const word = words[at];
		if (!word) break;
		if (mixing.has(word.key)) for (const w of words.slice(at)) inside.add(w);
		const found = word.key === 'in' || word.key === 'under' ? markAt(words, at) : undefined;
		if (found) for (const w of words.slice(at, at + found.n)) inside.add(w);
		// "bluefish, whole fish": a form in two words is no second food.
		const form = markAt(words, at);
		if (form && form.n > 1 && form.mark.type === 'form') for (const w of words.slice(at, at + form.n)) inside.add(w);
	}
	return inside;
}

function markAt(words: readonly Word[], at: number): { mark: Mark; n: number } | undefined {
	for (let n = Math.min(longestMark, words.length - at); n > 0; n--) {
		const mark = markOf(keyOf(words.slice(at, at + n)));
		if (mark) return { mark, n };
	}
	return undefined;
}

/**
 * Accounts for every word of a phrase: the name, what is said beside it, and what is left over.
 * Nothing is dropped: a word is in exactly one of the answer's parts.
 */
export function readPhrase(words: readonly Word[]): Phrase {
	const end = words.findIndex((w, i) => w.key === 'from' && !markAt(words, i));
	const aim = words.findIndex((w) => w.key === 'for');
	const cut = Math.min(...[end, aim].filter((i) => i >= 0), words.length);
	const body = words.slice(0, cut);
	const name = nameIn(body, besides(body));
	const pieces: Piece[] = [];
	const left: Word[] = [];
	const mixed: Word[] = [];
	const remarks: string[] = [];
	let second: Named | undefined;
	const after = name ? name.at + name.words.length : 0;
	for (let at = 0; at < body.length;) {
		const word = body[at];
		if (!word) break;
		if (name && at === name.at) {
			at = after;
			continue;
		}
		const room = name && at < name.at ? body.slice(0, name.at) : body;
		const found = markAt(room, at);
		const other = name ? nameIn(room.slice(at, at + longestName)) : undefined;
		const more = other && other.at === 0 && other.words.length >= (found?.n ?? 0) ? other : undefined;
		// "kernels", "leaves": a part or preserve that is a name too counts as the food that it names.
		if (more) {
			second ??= more;
			at += more.words.length;
		} else if (found) {
			pieces.push({ words: body.slice(at, at + found.n), mark: found.mark, after: name !== undefined && at >= after });
			at += found.n;
		} else if (mixing.has(word.key)) {
			mixed.push(...room.slice(at));
			at = room.length;
		} else if (joining.has(word.key) && name) {
			left.push(word);
			at += 1;
		} else {
			left.push(word);
			at += 1;
		}
	}
	const tail = words.slice(cut);
	if (tail.length > 0) readTail(tail, left, remarks);
	const otherwise = name ? cutOtherwise(body, name) : undefined;
	return { name, pieces, left, second, mixed, otherwise, remarks };
}

/**
 * Whether the words may as well be cut elsewhere: a mark that reaches over the end of the name, with what is left of the name
 * a food of its own.
 */
function cutOtherwise(
	body: readonly Word[],
	name: Named & { readonly at: number }
): readonly [string, string] | undefined {
	const end = name.at + name.words.length;
	for (let from = name.at + 1; from < end; from++) {
		for (let to = end + 1; to <= Math.min(body.length, from + longestMark); to++) {
			const rest = meaningOf(keyOf(body.slice(name.at, from)));
			if (!rest || !markOf(keyOf(body.slice(from, to)))) continue;
			const one = `${rawOf(body.slice(name.at, from))}, ${rawOf(body.slice(from, to))}`;
			return [one, `${rawOf(name.words)}, ${rawOf(body.slice(end, to))}`];
		}
	}
	for (let to = name.at + 1; to < end; to++) {
		for (let from = Math.max(0, to - longestMark); from < name.at; from++) {
			const rest = meaningOf(keyOf(body.slice(to, end)));
			if (!rest || !markOf(keyOf(body.slice(from, to)))) continue;
			const one = `${rawOf(body.slice(to, end))}, ${rawOf(body.slice(from, to))}`;
			return [one, `${rawOf(name.words)}, ${rawOf(body.slice(from, name.at))}`];
		}
	}
	return undefined;
}

/** "from the far bed", "for freezing": origin and purpose, as long as no word of it says more. */
function readTail(tail: readonly Word[], left: Word[], remarks: string[]): void {
	const [first] = tail;
	const rest = tail.slice(1);
	const next = rest.findIndex((w) => w.key === 'for' || w.key === 'from');
	const own = next < 0 ? rest : rest.slice(0, next);
	const fine = first?.key === 'for' ? purposes.has(keyOf(own)) : own.length > 0 && !meansFood(own);
	if (fine && first) remarks.push(rawOf([first, ...own]));
	else left.push(...(first ? [first] : []), ...own);
	if (next >= 0) readTail(rest.slice(next), left, remarks);
}

export { keyOf, rawOf };
