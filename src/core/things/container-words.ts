/** What packs are called, and what one holds where the word says it, ml. */
const containers: readonly (readonly [RegExp, string, number?])[] = [
	[/^half[- ]pint jars?\b/i, 'jar', 237],
	[/^half[- ]pints?\b/i, 'jar', 237],
	[/^(?:pint|pt) jars?\b/i, 'jar', 473],
	[/^(?:quart|qt) jars?\b/i, 'jar', 946],
	[/^(?:mason )?jars?\b/i, 'jar'],
	[/^bottles?\b/i, 'bottle'],
	[/^tins?\b/i, 'tin'],
	[/^cans?\b/i, 'can'],
	[/^(?:freezer )?bags?\b/i, 'bag'],
	[/^(?:tubs?|boxes|box|containers?)\b/i, 'box'],
	[/^(?:packs?|packets?|parcels?)\b/i, 'pack'],
	[/^blocks?\b/i, 'pack']
];

/** A word for packs at the start of a text, with what follows it. */
export function containerWord(text: string): { container: string; ml?: number; rest: string } | undefined {
	for (const [pattern, container, ml] of containers) {
		const match = pattern.exec(text);
		if (match)
			return {
				container,
				...(ml === undefined ? {} : { ml }),
				rest: text
					.slice(match[0].length)
					.trim()
					.replace(/^of\s+/i, '')
			};
	}
	return undefined;
}
