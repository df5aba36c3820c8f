/**
 * The plain plural and singular of a name's last word, and berries written in two words.
 * English produce names only; a form that is itself a name is left to its own meaning by the caller.
 */
export function inflections(name: string): string[] {
	const words = name.split(' ');
	const last = words.at(-1) ?? '';
	const head = words.slice(0, -1);
	const forms = [...plurals(last), ...singulars(last)].map((w) => [...head, w].join(' '));
	const all = [name, ...forms];
	const split = all.flatMap((n) => {
		const berry = /^(\w{3,})(berr(?:y|ies))$/.exec(n.split(' ').at(-1) ?? '');
		return berry ? [[...n.split(' ').slice(0, -1), berry[1], berry[2]].join(' ')] : [];
	});
	return [...new Set([...forms, ...split])].filter((f) => f !== name);
}

function plurals(word: string): string[] {
	if (word.endsWith('s')) return [];
	if (/[^aeiou]y$/.test(word)) return [word.replace(/y$/, 'ies')];
	if (/(o|ch|sh|x|ss)$/.test(word)) return [`${word}es`, `${word}s`];
	if (/(lea|loa|hal)f$/.test(word)) return [word.replace(/f$/, 'ves')];
	return [`${word}s`];
}

function singulars(word: string): string[] {
	if (word.length < 4 || !word.endsWith('s') || word.endsWith('ss')) return [];
	if (word.endsWith('ies')) return [word.replace(/ies$/, 'y'), word.replace(/s$/, '')];
	if (word.endsWith('oes') || /(ch|sh|x|ss)es$/.test(word)) return [word.replace(/es$/, '')];
	if (/(lea|loa|hal)ves$/.test(word)) return [word.replace(/ves$/, 'f')];
	return [word.replace(/s$/, '')];
}
