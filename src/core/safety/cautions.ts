import { cautionTexts } from '../../reference/cautions';
import type { SourceId } from '../../reference/sources';
import type { FoodRow } from '../../reference/tables';
import type { TestedProcess } from '../canning/find-process';

export interface Caution {
	readonly id: string;
	readonly text: string;
	readonly source: SourceId;
}

type CautionId = keyof typeof cautionTexts;
const order = Object.keys(cautionTexts);

/** Cautions of several advices in the order of the table: the deadly first, the authority last. */
export const inOrder = (list: readonly Caution[]): Caution[] =>
	[...list].sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));

const say = (ids: readonly (CautionId | false | undefined)[]): Caution[] =>
	[...new Set(ids)].filter((id): id is CautionId => !!id).map((id) => ({ id, ...cautionTexts[id] }));

/** What the food itself brings, whatever is done with it. */
const ofFood = (food: FoodRow): CautionId[] => {
	const marks = food.marks ?? [];
	return [
		...(marks.includes('wild-mushroom') ? (['wild-mushrooms'] as const) : []),
		...(marks.includes('elder') ? (['elder'] as const) : []),
		...(marks.includes('rhubarb-leaves') ? (['rhubarb'] as const) : []),
		...(marks.includes('infused-oil') ? (['infused-oil'] as const) : []),
		...(marks.includes('raw-kidney') ? (['kidney-beans'] as const) : []),
		...(marks.includes('game') ? (['game'] as const) : [])
	];
};

/** What must be said beside a way of freezing this food; hot work adds the burns. */
export function freezingCautions(food: FoodRow, hotWork: boolean): Caution[] {
	const meat = food.group === 'meat' || food.group === 'poultry' || food.group === 'fish';
	const cooked = food.group === 'dish' || food.group === 'stock';
	return say([
		...ofFood(food),
		food.group === 'vegetable' && 'cook-vegetables',
		meat && 'raw-meat',
		meat && 'thaw',
		food.group === 'fish' && 'vacuum-thaw',
		cooked && 'cool-fast',
		hotWork && 'steam',
		'freezer',
		food.id === 'tomatoes' && 'thawed-tomatoes',
		food.acid.class === 'low' && 'low-acid',
		'authority'
	]);
}

/** What must be said beside a tested process. */
function canningCautions(use: {
	readonly food: FoodRow | null;
	/** Which canners are among the processes: the cautions of the other are left out. */
	readonly pressure: boolean;
	readonly water: boolean;
	readonly acid: boolean;
	readonly recipe: boolean;
}): Caution[] {
	return say([
		...(use.food ? ofFood(use.food) : []),
		// "Only this pressure process" is no caution beside boiling water that was tested as well.
		use.pressure && !use.water && 'botulism',
		use.pressure && 'pressure-lost',
		use.pressure && 'vent',
		use.water && 'boil-lost',
		use.acid && 'acid',
		use.recipe && 'tested-recipe',
		'altitude',
		'jar-size',
		'cool-jars',
		use.pressure && 'boil-in-doubt',
		'burns',
		'authority'
	]);
}

/** What must be said beside these very processes: never a caution of a canner that is not used. */
export const processCautions = (food: FoodRow | null, processes: readonly TestedProcess[]): Caution[] =>
	canningCautions({
		food,
		pressure: processes.some((p) => p.method === 'pressure'),
		water: processes.some((p) => p.method === 'boiling-water'),
		acid: processes.some((p) => p.acid !== null),
		recipe: processes.some((p) => p.product.recipe)
	});

/** What must be said beside the other ways, by name. */
export function otherCautions(food: FoodRow | null, ids: readonly (CautionId | false)[]): Caution[] {
	return say([...(food ? ofFood(food) : []), ...ids, 'authority']);
}
