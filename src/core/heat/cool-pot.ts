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

/**
 * How long cooked food cools before it may freeze, s: the least change that is in time; the published whole where none is.
 * 0 for what is not cooked.
 */
export function coolsFor_s(food: FoodRow, grams: number): number {
	const hot = hotPot(food, grams);
	if (!hot) return 0;
	if (coolHotFood(hot.pot).verdict === 'in time') return coolHotFood(hot.pot).whole_s;
	const good = coolingChanges(hot.pot).find((c) => c.forecast.verdict === 'in time');
	return good ? good.forecast.whole_s : coolingRule.whole_s;
}
