import type { FoodRow } from '../../reference/tables';
import type { KindRow } from '../../reference/things';
import { nameIn, saysNothing } from './phrase';
import { understand } from './understand';
import { markOf, longestMark } from './vocabulary';
import { wordsIn, type Word } from './words';

/** What a lot's own words say when they are read again by a reader that drops none. */
export interface Reread {
	/** They may mean another thing than was kept. */
	readonly flagged: boolean;
	/** The words that tell so. */
	readonly words: string;
	/** The kind that its name says, where it says one. */
	readonly kindRow: KindRow | undefined;
}

/** The first words of a note that name a food, or say a state, form, condition or dish. */
function tellingWords(words: readonly Word[]): string | undefined {
	const name = nameIn(words);
	if (name) return name.words.map((w) => w.raw).join(' ');
	for (let at = 0; at < words.length; at++)
		for (let n = Math.min(longestMark, words.length - at); n > 0; n--) {
			const part = words.slice(at, at + n);
			const mark = markOf(part.map((w) => w.key).join(' '));
			if (mark && !saysNothing.has(mark.type)) return part.map((w) => w.raw).join(' ');
		}
	return undefined;
}

/**
 * Reads a lot of before again: its note held whatever the old reader did not know, "peppers" of "cherry peppers" among it.
 * The lot itself is never changed: it is flagged, and has no way until it is said again.
 */
export function rereadLot(lot: { readonly food: FoodRow; readonly title: string; readonly note: string }): Reread {
	const named = understand(lot.title);
	const same = named.kind === 'thing' && named.thing.food.id === lot.food.id;
	const telling = tellingWords(wordsIn(lot.note));
	return {
		flagged: !same || telling !== undefined,
		words: telling ?? lot.title,
		kindRow: same ? named.thing.kind : undefined
	};
}
