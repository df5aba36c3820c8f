import type { FoodRow } from '../../reference/tables';
import type { HeatStepRow } from '../../reference/safety';
import { productsOf } from '../canning/products';
import { otherCautions } from './cautions';
import { isMeat, stepOf, tooWarmForFreezer, tooWarmForFridge } from './dry';
import type { Advice, Query } from './question';
import { refuse } from './refuse';

type Cautions = Parameters<typeof otherCautions>[1];
const allow = (question: Query, food: FoodRow, cautions: Cautions, heat: readonly HeatStepRow[] = []): Advice => ({
	kind: 'allowed',
	way: question.way,
	food,
	processes: [],
	heat,
	blanch: [],
	cautions: otherCautions(food, cautions)
});

/** Dry enough to sit without air at room temperature: said to be dried, or measured at 10 % or below. */
const isDry = (question: Query, food: FoodRow) =>
	question.moisture !== undefined
		? question.moisture <= 10
		: question.thing.state === 'dried' || food.id === 'dry-beans';
const atRoom = (question: Query) =>
	question.place === undefined || question.place === 'room' || question.place === 'cellar';
const fatty = (food: FoodRow) => food.composition.fat > 10;

/** Raw produce without air in the cold: days of the published row for greens, which no other row lengthens. */
const jarDays = 7;
const rawInJar = (q: Query, food: FoodRow) =>
	q.thing.state !== 'dried' && !food.perishable && food.keepOnly === undefined && food.id !== 'dry-beans';

const howDry = {
	question: 'How dry is it? A dried fruit that bends holds about 20 % of water; what snaps or shatters 10 % or less.',
	choices: [
		{ label: 'It snaps or shatters: 8 %', text: '8' },
		{ label: 'It bends: 20 %', text: '20' }
	]
};

type Keeper = (question: Query, food: FoodRow) => Advice;

/** Every way of keeping or handling beside canning, freezing and drying, each with the rule that stops it. */
const keepers: Readonly<Partial<Record<Query['way'], Keeper>>> = {
	vacuum: (q, food) => {
		if (atRoom(q)) {
			// What was not said is not taken for safe: a vacuum pack is for the cold unless the food is dry.
			if (isMeat(food)) return refuse(q.thing.state === 'dried' ? 'meat-shelf' : 'vacuum-room', { food });
			// A dish said to be dried is still a dish: its moisture was not measured.
			if (food.perishable || !isDry(q, food)) return refuse('vacuum-room', { food });
		}
		if (q.place === 'fridge' && q.thing.state !== 'dried' && (food.id === 'garlic' || food.group === 'mushroom')) {
			return refuse('vacuum-raw-garlic', { food });
		}
		if (q.place === 'fridge' && food.leafy && !((q.days ?? 0) <= jarDays))
			return refuse('fridge-vacuum-greens', { food });
		if (q.place === 'fridge' && rawInJar(q, food) && !((q.days ?? 0) <= jarDays))
			return refuse('fridge-vacuum-raw', { food });
		if (q.place === 'fridge' && food.perishable && tooLong(q, food)) return refuse('fridge-days', { food });
		return allow(q, food, ['vacuum', isMeat(food) && 'vacuum-thaw']);
	},
	absorber: (q, food) => {
		if (isMeat(food) && atRoom(q)) return refuse('meat-shelf', { food });
		// "Dried" is no measure: how dry is asked of every food.
		if (q.moisture === undefined) return { ...refuse('absorber-moist', { food }), asks: howDry };
		if (!isDry(q, food) || (food.perishable && atRoom(q))) return refuse('absorber-moist', { food });
		return fatty(food) ? refuse('absorber-fat', { food }) : allow(q, food, ['absorber']);
	},
	'infuse-oil': (q, food) => {
		if (q.place !== 'fridge' && q.place !== 'freezer') return refuse('oil-shelf', { food });
		if (q.place === 'fridge' && !((q.days ?? 0) <= 4)) return refuse('oil-days', { food });
		return allow(q, food, ['infused-oil'], q.place === 'fridge' ? [stepOf('oil-fridge')] : [stepOf('freezer')]);
	},
	'freeze-dry': (q, food) => {
		if (food.composition.fat > 30) return refuse('freeze-dry-fat', { food });
		return allow(q, food, ['freeze-dry', isMeat(food) && 'raw-meat']);
	},
	ferment: (q, food) => {
		if (isMeat(food) || food.group === 'dish' || food.group === 'stock') return refuse('ferment-meat', { food });
		return q.salt === 'reduced' ? refuse('salt-reduced', { food }) : allow(q, food, ['ferment']);
	},
	pickle: (q, food) => {
		if (isMeat(food) && atRoom(q)) return refuse('vacuum-room', { food });
		if (q.acid === 'reduced' || q.acid === 'none') return refuse('acid-reduced', { food });
		const tested = productsOf(food.id).some((p) => p.locator.startsWith('Guide 6'));
		if (atRoom(q) && (q.recipe !== 'tested' || !tested)) return refuse('pickle-shelf-own', { food });
		return allow(q, food, ['tested-recipe', 'fridge']);
	},
	jam: (q, food) => {
		const tested = productsOf(food.id).some((p) => p.locator.startsWith('Guide 7'));
		if (atRoom(q) && (q.recipe !== 'tested' || !tested)) return refuse('jam-own', { food });
		return allow(q, food, ['tested-recipe', 'fridge']);
	},
	smoke: (q, food) =>
		(isMeat(food) || food.perishable) && atRoom(q)
			? refuse('smoke-shelf', { food })
			: allow(q, food, ['smoke', 'fridge']),
	salt: (q, food) =>
		(isMeat(food) || food.perishable) && atRoom(q) ? refuse('salt-shelf', { food }) : allow(q, food, ['fridge']),
	cellar: (q, food) => {
		if (!food.want || food.perishable || food.want.weeks[1] < 2) return refuse('cellar-unfit', { food });
		const [low, high] = food.want.C;
		if (q.place_C !== undefined && !(q.place_C >= low - 1 && q.place_C <= high + 1))
			return refuse('cellar-temperature', { food });
		return allow(q, food, ['store']);
	},
	fridge: (q, food) => {
		if (food.leafy && q.sealed && !((q.days ?? 0) <= jarDays)) return refuse('fridge-vacuum-greens', { food });
		if (q.sealed && rawInJar(q, food) && !((q.days ?? 0) <= jarDays)) return refuse('fridge-vacuum-raw', { food });
		return tooLong(q, food) ? refuse('fridge-days', { food }) : allow(q, food, ['fridge'], [stepOf('fridge')]);
	},
	room: (q, food) => (food.perishable ? refuse('perishable-room', { food }) : allow(q, food, ['store'])),
	'hold-packed': (_q, food) => refuse('held-packed', { food }),
	thaw: (q, food) => {
		if (q.thaw === 'counter' || (q.thaw === undefined && q.place === 'room')) return refuse('counter-thaw', { food });
		if (isMeat(food) && q.sealed) return refuse('vacuum-thaw', { food });
		return allow(q, food, ['thaw'], q.thaw === 'cold-water' ? [stepOf('thaw-water')] : []);
	},
	'serve-raw': (q, food) => {
		const marks = food.marks ?? [];
		if (marks.includes('wild-mushroom')) return refuse('wild-mushroom-raw', { food });
		if (marks.includes('elder') && food.group === 'fruit') return refuse('elder-raw', { food });
		if (marks.includes('raw-kidney')) return refuse('raw-kidney', { food });
		if (isMeat(food)) return refuse('serve-raw-meat', { food });
		if (food.group === 'vegetable' && (q.thing.state === 'frozen' || q.thing.state === 'thawed')) {
			return refuse('serve-raw-frozen', { food });
		}
		return allow(q, food, []);
	}
};

function tooLong(question: Query, food: FoodRow): boolean {
	const fridge = food.keeping.find((k) => k.place === 'fridge');
	return (
		question.days !== undefined &&
		fridge !== undefined &&
		food.perishable === true &&
		!(question.days <= fridge.days[1])
	);
}

/** Whether something may be kept or handled so. */
export function adviseKeeping(question: Query): Advice {
	const { food } = question.thing;
	// A warm fridge keeps nothing that spoils; the months of a freezer are for a cold one.
	if (question.place === 'freezer' && tooWarmForFreezer(question)) return refuse('freezer-warm', { food });
	const cold = question.way === 'fridge' || question.place === 'fridge';
	if (cold && (food.perishable || question.way !== 'fridge') && tooWarmForFridge(question))
		return refuse('fridge-warm', { food });
	const keeper = keepers[question.way];
	if (!keeper) throw new Error(`There is no rule for the way "${question.way}".`);
	return keeper(question, food);
}
