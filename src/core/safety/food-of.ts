import type { FoodRow } from '../../reference/tables';
import { findFood, nearFoods } from '../foods/find-food';
import type { Advice, Question } from './question';
import { refuse } from './refuse';

/** The food that a question is about, or the refusal that nothing is known of it. */
export function foodOf(question: Question): FoodRow | Extract<Advice, { kind: 'refused' }> {
	const food = findFood(question.food);
	if (food) return food;
	const near = nearFoods(question.food).map((f) => f.name);
	return refuse('unknown-food', near.length > 0 ? { first: [`Ask for ${near.join(' or ')}`] } : {});
}
