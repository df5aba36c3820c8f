import { heatSteps, type HeatStepRow } from '../../reference/safety';
import type { FoodMark, FoodRow } from '../../reference/tables';
import { cFromF } from '../quantities/units';
import { otherCautions } from './cautions';
import type { Advice, Query } from './question';
import { refuse } from './refuse';

/** A step of the table. @throws {Error} it is not there: a bug in the tables */
export function stepOf(id: string): HeatStepRow {
	const step = heatSteps.find((s) => s.id === id);
	if (!step) throw new Error(`There is no heat step "${id}".`);
	return step;
}
const atLeast = (value_C: number, step: HeatStepRow) => step.F !== undefined && value_C >= cFromF(step.F) - 1e-9;

/** Strips of a quarter inch, which is what the heat steps and hours were printed for; a hair for the ruler. */
const thickest_mm = 6.5;
/** 80 °F, the warmest room that months of dried food are printed for. */
const warmest_C = cFromF(80) + 1e-9;
/** 40 °F for the fridge, 0 °F for the freezer, with the play of a thermometer. */
const play_C = 0.6;
const warmerThan = (question: Query, step: HeatStepRow) =>
	question.place_C !== undefined && step.F !== undefined && question.place_C > cFromF(step.F) + play_C;
export const tooWarmForFridge = (question: Query): boolean => warmerThan(question, stepOf('fridge'));
export const tooWarmForFreezer = (question: Query): boolean => warmerThan(question, stepOf('freezer'));

const has = (food: FoodRow, mark: FoodMark) => food.marks?.includes(mark) === true;
const isPoultry = (food: FoodRow) => food.group === 'poultry' || has(food, 'poultry');

/** Meat, raw or cooked; what a dish is made of counts. */
export const isMeat = (food: FoodRow): boolean =>
	food.group === 'meat' || food.group === 'fish' || isPoultry(food) || has(food, 'meat');

/** Whether and how something may be dried; for meat with the heat step that makes it safe. */
export function adviseDrying(question: Query): Advice {
	const { food } = question.thing;
	if (food.group === 'fish') return refuse('dry-fish', { food });
	if (has(food, 'dairy')) return refuse('dry-dairy', { food });
	if (food.group === 'stock' || has(food, 'soup')) return refuse('dry-stock', { food });
	if (!isMeat(food)) {
		if (question.place_C !== undefined && question.place_C > warmest_C) return refuse('dry-warm', { food });
		return {
			kind: 'allowed',
			way: 'dry',
			food,
			processes: [],
			heat: [],
			blanch: [],
			cautions: otherCautions(food, ['dry-dry'])
		};
	}
	const step = stepOf(isPoultry(food) ? 'jerky-poultry' : 'jerky-meat');
	const air = stepOf('dry-meat-air');
	if (question.heatStep === 'none') return refuse('meat-no-heat', { food });
	if (question.heat_C !== undefined && !atLeast(question.heat_C, step)) return refuse('meat-heat-low', { food });
	if (question.air_C !== undefined && !atLeast(question.air_C, air)) return refuse('meat-air-low', { food });
	if (question.thickness_mm !== undefined && !(question.thickness_mm <= thickest_mm)) {
		return refuse('meat-thick', { food });
	}
	if (question.withOthers) return refuse(question.withMeat ? 'meat-with-meat' : 'meat-with-herbs', { food });
	if (question.place === 'fridge' && tooWarmForFridge(question)) return refuse('fridge-warm', { food });
	if (question.place === 'freezer' && tooWarmForFreezer(question)) return refuse('freezer-warm', { food });
	if (question.place === 'room' || question.place === 'cellar') return refuse('meat-shelf', { food });
	return {
		kind: 'allowed',
		way: 'dry',
		food,
		processes: [],
		heat: [step, air],
		blanch: [],
		cautions: otherCautions(food, ['raw-meat', 'jerky-heat', 'meat-frozen'])
	};
}
