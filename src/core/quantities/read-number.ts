export interface ReadNumber {
	readonly value: number;
	/** How many characters of the text it took. */
	readonly length: number;
}

const words: Record<string, number> = {
	a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10,
	dozen: 12, 'a dozen': 12, 'one dozen': 12, 'two dozen': 24, 'half a dozen': 6, 'half dozen': 6, half: 0.5, 'half a': 0.5, 'a half': 0.5, quarter: 0.25, 'a quarter': 0.25
}; // prettier-ignore
const wordsByLength = Object.keys(words).sort((a, b) => b.length - a.length);

/**
 * Reads the number that a text starts with: `9`, `2.5`, `2,5`, `1 1/2`, `1½`, `½`, `3/4`, `a dozen`.
 *
 * A comma before exactly three digits could be thousands or a decimal: `1,500 g` is read as thousands, since nobody
 * weighs to a milligram; every other comma is a decimal comma.
 */
export function readNumber(text: string): ReadNumber | undefined {
	const from = text.length - text.trimStart().length;
	const rest = text.slice(from);
	const plain = rest.replace(/[\u00bc-\u00be\u2150-\u215e]/g, (c) => ` ${c.normalize('NFKD').replace('\u2044', '/')}`);
	// The fraction character becomes three or more: count what was added, to give back the length in the original.
	const added = plain.length - rest.length;
	const lead = plain.length - plain.trimStart().length;
	const body = plain.trimStart();

	const mixed = /^(\d+)\s+(\d+)\s*\/\s*(\d+)(?![\d/.,])/.exec(body);
	if (mixed) {
		const [whole, top, bottom] = [Number(mixed[1]), Number(mixed[2]), Number(mixed[3])];
		if (bottom === 0 || top >= bottom) return undefined;
		return { value: whole + top / bottom, length: from + lead + mixed[0].length - added };
	}
	const fraction = /^(\d+)\s*\/\s*(\d+)(?![\d/.,])/.exec(body);
	if (fraction) {
		if (Number(fraction[2]) === 0) return undefined;
		return {
			value: Number(fraction[1]) / Number(fraction[2]),
			length: from + lead + fraction[0].length - added
		};
	}
	const decimal = /^\d+(?:[.,]\d+)*/.exec(body);
	if (decimal) {
		const value = decimalOf(decimal[0]);
		if (value === undefined) return undefined;
		return { value, length: from + lead + decimal[0].length };
	}
	const lower = body.toLowerCase();
	for (const word of wordsByLength) {
		if (lower.startsWith(word) && !/[a-z]/.test(lower.charAt(word.length))) {
			return { value: words[word] as number, length: from + lead + word.length };
		}
	}
	return undefined;
}

function decimalOf(text: string): number | undefined {
	const marks = text.match(/[.,]/g) ?? [];
	if (marks.length === 0) return Number(text);
	if (marks.length === 1) {
		const thousands = /^[1-9]\d{0,2},\d{3}$/.test(text);
		return Number(thousands ? text.replace(',', '') : text.replace(',', '.'));
	}
	const last = marks.at(-1) as string;
	if (/^\d{1,3}(,\d{3})+(\.\d+)?$/.test(text)) return Number(text.replaceAll(',', ''));
	if (/^\d{1,3}(\.\d{3})+(,\d+)?$/.test(text) && last === ',')
		return Number(text.replaceAll('.', '').replace(',', '.'));
	if (/^\d{1,3}(\.\d{3}){2,}$/.test(text)) return Number(text.replaceAll('.', ''));
	return undefined;
}
