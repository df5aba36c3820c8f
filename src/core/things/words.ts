/** A word of a line: as written, folded for comparing, and where it stands. */
export interface Word {
	readonly raw: string;
	readonly key: string;
	readonly from: number;
	readonly to: number;
}

/** Case, accents and apostrophes go; what is left of another script stays as it is, so that it is never lost. */
function keyOf(raw: string): string {
	const folded = raw
		.normalize('NFKD')
		.replace(/[\u0300-\u036f'’]/g, '')
		.toLowerCase();
	return folded === '' ? raw : folded;
}

/** Every word and number of a text, in order. Signs between them are no words. */
export function wordsIn(text: string): Word[] {
	const words: Word[] = [];
	for (const match of text.matchAll(/[\p{L}\p{M}\p{N}]+(?:['’][\p{L}\p{M}]+)*/gu)) {
		words.push({ raw: match[0], key: keyOf(match[0]), from: match.index, to: match.index + match[0].length });
	}
	return words;
}

/** A name as the lists compare it: "Lamb's lettuce" and "lambs-lettuce" are one. */
export const nameKey = (text: string): string =>
	wordsIn(text)
		.map((w) => w.key)
		.join(' ');
