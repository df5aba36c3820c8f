import type { State } from './thing';

/** How a thing was kept, of several words that say so the one that counts. */
const rank: readonly State[] = [
	'opened',
	'thawed',
	'frozen',
	'canned',
	'dried',
	'pickled',
	'fermented',
	'in-oil',
	'salted',
	'cured',
	'smoked',
	'sugared',
	'coated',
	'mixed',
	'vacuumed',
	'sprouted'
];

/** How what people make is kept where nothing else is said. */
const usual: Readonly<Record<string, State>> = {
	...Object.fromEntries(
		['jam', 'jams', 'jelly', 'jellies', 'marmalade', 'chutney', 'chutneys', 'relish', 'relishes', 'ketchup', 'catsup', 'salsa', 'pie filling', 'pie fillings', 'curd', 'cordial', 'syrup', 'conserve', 'conserves', 'preserve', 'preserves', 'piccalilli', 'juice', 'juices', 'butter'].map((w) => [w, 'canned'])
	), // prettier-ignore
	...Object.fromEntries(['pickle', 'pickles'].map((w) => [w, 'pickled'])),
	...Object.fromEntries(['sauerkraut', 'kimchi', 'kraut'].map((w) => [w, 'fermented'])),
	...Object.fromEntries(['leather', 'fruit leather', 'chips', 'crisps', 'jerky', 'powder', 'flakes', 'tea'].map((w) => [w, 'dried'])), // prettier-ignore
	pesto: 'in-oil',
	oil: 'in-oil'
};

/**
 * The state of what stands on a shelf already.
 *
 * @param said states in the words of the line
 * @param madeInto what it was made into: "jam", "powder"
 * @param otherwise its state where none of these was said
 */
export function keptState(said: readonly State[], madeInto: string | undefined, otherwise: State): State {
	const told = rank.find((s) => said.includes(s));
	if (told) return told;
	return (madeInto === undefined ? undefined : usual[madeInto]) ?? otherwise;
}
