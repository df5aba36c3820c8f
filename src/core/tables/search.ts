import { distance } from 'fastest-levenshtein';
// Not from find-food: a page carries this file, and must not carry the tables with it.
import { foldName } from '../foods/fold-name';

/** One thing that can be looked up. Names come folded: lower case, plain letters, single spaces. */
export interface Entry {
	readonly kind: 'food' | 'way' | 'ratio' | 'question';
	readonly name: string;
	readonly href: string;
	/** Group of a food, or what sort of thing it is. */
	readonly sort: string;
	/** Every name it answers to, folded. */
	readonly keys: readonly string[];
}
export interface Found {
	readonly entry: Entry;
	/** The other name that matched, where it is not the entry's own. */
	readonly by?: string;
}

/** Lower is nearer: whole name, start of it, start of a word in it, all words somewhere in it, a slip of the fingers. */
function score(key: string, words: readonly string[], name: string): number {
	if (name === key || name === `${key}s` || `${name}s` === key) return 0;
	if (name.startsWith(key)) return 1 + name.length / 100;
	if (` ${name}`.includes(` ${key}`)) return 2 + name.length / 100;
	if (words.length > 1 && words.every((w) => ` ${name}`.includes(` ${w}`))) return 3 + name.length / 100;
	if (key.length > 2 && name.includes(key)) return 4 + name.length / 100;
	const reach = Math.floor(key.length / 4);
	if (key.length > 3 && reach > 0 && Math.abs(name.length - key.length) <= reach && distance(key, name) <= reach)
		return 6 + distance(key, name);
	return Infinity;
}

const kinds = ['food', 'way', 'ratio', 'question'] as const;

/**
 * What a few typed letters mean, nearest first. A food comes before a way, a way before a ratio, at the same nearness.
 * Cost: one comparison for each name; a slip of one letter in four is forgiven.
 */
export function search(entries: readonly Entry[], text: string, most = 12): Found[] {
	const key = foldName(text);
	if (key === '') return [];
	const words = key.split(' ');
	const found: { entry: Entry; name: string; score: number }[] = [];
	for (const entry of entries) {
		let best = Infinity;
		let name = '';
		for (const each of entry.keys) {
			const now = score(key, words, each);
			if (now < best) [best, name] = [now, each];
		}
		if (best < Infinity) found.push({ entry, name, score: best + kinds.indexOf(entry.kind) * 0.3 });
	}
	found.sort((a, b) => a.score - b.score || a.entry.name.localeCompare(b.entry.name));
	return found.slice(0, most).map(({ entry, name }) => {
		const own = foldName(entry.name);
		return own === name || own.includes(key) ? { entry } : { entry, by: name };
	});
}
