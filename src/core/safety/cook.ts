import type { HeatStepRow } from '../../reference/safety';
import type { FoodRow } from '../../reference/tables';
import { stepOf } from './dry';

/**
 * The published temperature inside at which a food of animal origin is safe; undefined for plants, of which none is
 * printed. Where two could be meant, the hotter.
 *
 * @source USDA FSIS, Safe Minimum Internal Temperature Chart (from memory)
 */
export function cookStepOf(food: FoodRow): HeatStepRow | undefined {
	const has = (mark: 'poultry' | 'meat' | 'game') => food.marks?.includes(mark) === true;
	if (food.group === 'stock' || food.group === 'dish') return food.id === 'sauerkraut' ? undefined : stepOf('reheat');
	// Rabbit stands among the small animals of our tables, and has the temperature of game on the chart.
	if (food.id === 'rabbit' || has('game')) return stepOf('cook-game');
	if (food.group === 'poultry' || has('poultry')) return stepOf('cook-poultry');
	if (food.group === 'fish') return stepOf('cook-fish');
	if (food.group !== 'meat') return undefined;
	if (food.id === 'ham') return stepOf('cook-ham');
	// Sausage and bacon are ground, cut or pierced: what was outside is inside.
	if (food.id.startsWith('ground-') || food.id === 'sausage' || food.id === 'bacon') return stepOf('cook-ground');
	return stepOf('cook-whole');
}
