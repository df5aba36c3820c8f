/** Folds case, accents, punctuation and spaces, so that "Jalapeño", "courgettes " and "green-beans" compare. */
export function foldName(text: string): string {
	return text
		.normalize('NFKD')
		.replace(/[\u0300-\u036f]/g, '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, ' ')
		.trim();
}
