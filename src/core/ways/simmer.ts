import { boilDownModel } from '../../reference/model-rules';
import { steamHeat_J_kg } from '../heat/boil-down';
import { usefulPower_W, type Burner } from '../heat/pot-heating';

/** What a tested product is cooked down by before it is filled, as its row says, and what of the raw weight is milled out. */
const cookedDown: Readonly<Record<string, { readonly gone: number; readonly milledOut: number }>> = {
	// "Simmer until a third (thin) of the volume is gone"; skins, seeds and cores are a fifth (the transform's row).
	'tomatoes/sauce': { gone: 1 / 3, milledOut: 0.2 }
};

/**
 * Hours at the stove before the jars are filled: the water that the row lets go, at what the burner evaporates. An estimate
 * for the day's plan: the volume decides. 0 for what is not cooked down.
 *
 *     t = m_water·L/(η·P)
 *
 * @returns s
 */
export function simmer_s(product: string, grams: number, burner: Burner): number {
	const row = cookedDown[product];
	if (!row) return 0;
	const water_kg = (grams / 1000) * (1 - row.milledOut) * row.gone;
	return (water_kg * steamHeat_J_kg) / (usefulPower_W(burner) * boilDownModel.openEfficiency.value);
}
