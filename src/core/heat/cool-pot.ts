import type { FoodRow } from '../../reference/tables';
import { coolHotFood, coolingChanges, coolingRule, type CoolingInput } from './cooling';

/** Stock or a dish, hot in a pot as deep as it is wide, on its way into the fridge; null for food that is not cooked. */
export function hotPot(food: FoodRow, grams: number): { readonly litres: number; readonly pot: CoolingInput } | null {
	if (food.group !== 'stock' && food.group !== 'dish') return null;
	const litres = Math.min(60, grams / 1000);
	// 100 mL at the least.
	const side_m = Math.max(0.05, Math.cbrt((litres / 1000) * (4 / Math.PI)));
	return {
		litres,
		pot: {
			vessel: { kind: 'pot', diameter_m: side_m, depth_m: side_m },
			body: food.group === 'stock' ? 'still' : 'thick',
			start_C: 95,
			place: 'fridge',
			medium_C: 4
		}
	};
}

/** Answers that were worked out before, by what they hang on: the solver is the slowest thing that a list of ways asks. */
const known = new Map<string, number>();
const mostKnown = 500;

/**
 * How long cooked food cools before it may freeze, s: the least change that is in time; the published whole where none is.
 * To the nearest 50 mL; 0 for what is not cooked.
 */
export function coolsFor_s(food: FoodRow, grams: number): number {
	const hot = hotPot(food, Math.max(50, Math.round(grams / 50) * 50));
	if (!hot) return 0;
	const key = `${food.group} ${hot.litres}`;
	const before = known.get(key);
	if (before !== undefined) return before;
	const seconds = leastInTime_s(hot.pot);
	if (known.size >= mostKnown) known.clear();
	known.set(key, seconds);
	return seconds;
}

function leastInTime_s(pot: CoolingInput): number {
	const asItIs = coolHotFood(pot);
	if (asItIs.verdict === 'in time') return asItIs.whole_s;
	const good = coolingChanges(pot).find((c) => c.forecast.verdict === 'in time');
	return good ? good.forecast.whole_s : coolingRule.whole_s;
}
