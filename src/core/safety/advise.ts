import { findFood } from '../foods/find-food';
import { adviseCanning, refusedByName } from './can';
import { adviseDrying } from './dry';
import { adviseFreezing } from './freeze';
import { adviseKeeping } from './keep';
import type { Advice, Question } from './question';
import { refuse } from './refuse';

/**
 * What may be advised: the one place that decides it, for every way.
 *
 * Nothing is computed here. What is allowed comes with the rows of the published tables that say how; what is not comes
 * as a refusal with its reason in one sentence, its source, and at least one safe way on. What was not said is never
 * taken for safe: no altitude, no canning time.
 *
 * @returns `allowed` or `refused`; never throws for what a person may ask
 */
export function advise(question: Question): Advice {
	const food = findFood(question.food);
	// What is poisonous or unknown in itself is refused before any way is looked at.
	if (food?.marks?.includes('elder') && (question.part === 'stems' || question.part === 'leaves')) {
		return refuse('elder-green', { called: food.name });
	}
	if (food?.marks?.includes('rhubarb-leaves') && question.part === 'leaves') return refuse('rhubarb-leaves', { food });
	if (food?.marks?.includes('wild-mushroom') && question.identified === false) return refuse('wild-mushroom-unknown');
	// "Wild mushrooms" without a kind: nobody has said which, so nobody knows.
	if (refusedByName(question.food)?.id === 'can/wild-mushrooms' && question.way !== 'can') {
		return refuse('wild-mushroom-unknown');
	}
	switch (question.way) {
		case 'can':
			// 95 °F, above which the guide lets no sealed jar stand.
			if (question.place_C !== undefined && question.place_C > 35) return refuse('jars-warm', food ? { food } : {});
			return adviseCanning(question);
		case 'freeze-raw':
		case 'freeze-blanched':
		case 'freeze-cooked':
			return adviseFreezing(question);
		case 'dry':
			return adviseDrying(question);
		default:
			return adviseKeeping(question);
	}
}
