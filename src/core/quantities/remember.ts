/**
 * A pure function of words that remembers its last answers: shelves ask for the same few hundred dates at every look.
 *
 * @param most answers that are kept; when they are full, all of them go
 */
export function remembering<Args extends readonly (string | number)[]>(
	most: number,
	work: (...args: Args) => string
): (...args: Args) => string {
	const known = new Map<string, string>();
	return (...args) => {
		const key = args.join('\n');
		const before = known.get(key);
		if (before !== undefined) return before;
		const answer = work(...args);
		if (known.size >= most) known.clear();
		known.set(key, answer);
		return answer;
	};
}
