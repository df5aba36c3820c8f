import { refusalRows, type RefusalRow } from '../../reference/safety';
import { foodRows, type FoodRow } from '../../reference/tables';
import { askedNames, kindRows, type AskedNameRow, type KindRow } from '../../reference/things';
import { inflections } from './inflect';
import { nameKey } from './words';

/** What a name means. */
export type Meaning =
	| { readonly kind: 'food'; readonly food: FoodRow; readonly of?: KindRow }
	| { readonly kind: 'asked'; readonly row: AskedNameRow }
	| { readonly kind: 'refused'; readonly row: RefusalRow };

const foods = new Map(foodRows.map((f) => [f.id, f]));

/** The food of this id, or undefined. */
export const foodById = (id: string): FoodRow | undefined => foods.get(id);

/** A kind of a food, by both ids. */
export const kindById = (food: string, id: string | null | undefined): KindRow | undefined =>
	kindRows.find((k) => k.food === food && k.id === id);
export const kindsOf = (food: string): readonly KindRow[] => kindRows.filter((k) => k.food === food);

/** Every name as it is written in the tables, with its meaning: a name that means two things is a fault of the tables. */
export function writtenNames(): [string, Meaning][] {
	const kinds = kindRows.map((of) => {
		const food = foods.get(of.food);
		if (!food) throw new Error(`kinds.json: there is no food "${of.food}"`);
		return { food, of };
	});
	return [
		...foodRows.flatMap((food) =>
			[food.name, ...food.names].map((n): [string, Meaning] => [n, { kind: 'food', food }])
		),
		...kinds.flatMap(({ food, of }) => of.names.map((n): [string, Meaning] => [n, { kind: 'food', food, of }])),
		...askedNames.flatMap((row) => row.names.map((n): [string, Meaning] => [n, { kind: 'asked', row }])),
		...refusalRows.flatMap((row) => (row.names ?? []).map((n): [string, Meaning] => [n, { kind: 'refused', row }]))
	];
}

const names = new Map<string, Meaning>();
let longest = 1;
{
	const written = writtenNames();
	// An id is a name too, unless it is one that has to be asked ("mushrooms").
	for (const food of foodRows) names.set(nameKey(food.id), { kind: 'food', food });
	for (const [name, meaning] of written) names.set(nameKey(name), meaning);
	const own = new Set(names.keys());
	// What has to be asked is written out in full: the singular of "greens" is a colour.
	for (const [name, meaning] of written.filter(([, m]) => m.kind !== 'asked'))
		for (const form of inflections(nameKey(name))) if (!own.has(form) && !names.has(form)) names.set(form, meaning);
	for (const name of names.keys()) longest = Math.max(longest, name.split(' ').length);
}

/** What exactly this name means, singular or plural; undefined for none. */
export const meaningOf = (key: string): Meaning | undefined => names.get(key);
/** Words of the longest name. */
export const longestName = longest;
/** Every name that is understood, folded. */
export const allNames = (): IterableIterator<[string, Meaning]> => names.entries();
