import type { FoodRow } from '../../reference/tables';
import type { Refusal } from '../errors';
import type { Mark } from '../things/vocabulary';
import type { Condition, State } from '../things/thing';
import { refuse } from './refuse';

/** What a line says of a food, before it is a thing. */
export interface Said {
	readonly food: FoodRow;
	readonly states: readonly State[];
	readonly conditions: readonly (Condition | 'spoiled')[];
	readonly marks: readonly Mark['type'][];
	readonly mixed: boolean;
}

/** Foods that are dry, cured or salted by nature: the word changes nothing. */
const isDryFood = (food: FoodRow) => food.group === 'grain' || food.id === 'dry-beans' || food.id === 'dried-fruit' || food.group === 'nut' || food.group === 'pantry'; // prettier-ignore
const curesInStore = new Set([
	'onions',
	'garlic',
	'winter-squash',
	'pumpkins',
	'potatoes',
	'sweet-potatoes',
	'shallots'
]);
const isCuredFood = (food: FoodRow) => food.id === 'ham' || food.id === 'bacon' || food.id === 'smoked-fish' || food.group === 'dairy'; // prettier-ignore

/** Whether a state says nothing new of a food. */
export function isOwnState(food: FoodRow, state: State): boolean {
	if (state === 'dried') return isDryFood(food);
	if (state === 'cured') return curesInStore.has(food.id) || isCuredFood(food);
	if (state === 'smoked' || state === 'salted')
		return isCuredFood(food) || (state === 'salted' && food.group === 'nut');
	if (state === 'cooked') return food.group === 'dish' || food.group === 'stock';
	return false;
}

const ruleOfState: Readonly<Partial<Record<State, string>>> = {
	dried: 'kept-already',
	canned: 'kept-already',
	opened: 'kept-already',
	pickled: 'kept-already',
	salted: 'kept-already',
	fermented: 'kept-already',
	cured: 'kept-already',
	smoked: 'kept-already',
	sugared: 'kept-already',
	'in-oil': 'in-oil',
	coated: 'coated',
	mixed: 'mixture',
	vacuumed: 'state-unknown',
	sprouted: 'sprouted'
};

/** Parts of animals and fruit that are food. Leaves, stems and pits of most plants are not, and some are poison. */
const edibleParts = new Set(['bones', 'bone', 'carcass', 'carcasses', 'fat', 'skin', 'skins', 'trimmings', 'scraps', 'peel', 'peels', 'zest', 'rind', 'rinds', 'cores', 'cobs', 'heads', 'feet', 'necks', 'wings', 'roe', 'shells', 'florets', 'spears', 'cloves', 'kernels', 'hearts', 'heart', 'tongue', 'kidney', 'hips', 'husks', 'pods']); // prettier-ignore

/**
 * Whether what stands on a shelf already may be written down as what it is. How it was kept is no reason to refuse: where it
 * may not stand so, the safety room says it of the place; what is poisonous or spoiled is none.
 *
 * @param part what a preserve or a part is called
 */
export function admitKept({ food, conditions, marks, mixed }: Said, part?: string): Refusal | undefined {
	if (conditions.includes('spoiled')) return refuse('spoiled', { food });
	if (marks.includes('part') && part !== undefined && !edibleParts.has(part)) return refuse('part-unknown', { food });
	return mixed ? refuse('mixture', { food }) : undefined;
}

/**
 * Whether what was said may be kept at all: asked at the door, before anything is written.
 *
 * @returns the refusal, or undefined where it may
 */
export function admit(said: Said): Refusal | undefined {
	const { food } = said;
	if (said.conditions.includes('spoiled')) return refuse('spoiled', { food });
	if (said.marks.includes('preserve')) return refuse('made-preserve', { food });
	if (said.marks.includes('part')) return refuse('part-unknown', { food });
	if (said.mixed) return refuse('mixture', { food });
	for (const state of said.states) {
		if (isOwnState(food, state)) continue;
		if (state === 'soaked' && food.id !== 'dry-beans') return refuse('state-unknown', { food });
		if (state === 'smoked' && food.group === 'fish') continue;
		const rule = ruleOfState[state];
		if (rule) return refuse(rule, { food });
	}
	return undefined;
}
