import { jarVolume_L, type JarSize } from '../../reference/canning-rules';
import type { CanningProduct } from '../../reference/canning';
import type { FoodRow } from '../../reference/tables';
import { kgFromLb } from '../quantities/units';

/**
 * Food to one jar, as it came in, where the guide prints it; undefined where it does not.
 *
 * The published pounds are of the food as it is bought; another form counts by what it yields. A jar of another size takes its
 * share by volume.
 *
 * @source the product's quantities, USDA Complete Guide to Home Canning, 2015 (from memory)
 */
export function perJar_g(
	food: FoodRow,
	form: string,
	product: CanningProduct,
	jar: JarSize
): { readonly grams: number; readonly note?: string } | undefined {
	const q = product.quantities;
	const perQuart = q?.lb_per_quart ?? (q?.lb_per_9_pints === undefined ? undefined : (q.lb_per_9_pints / 9) * 2);
	if (!q || perQuart === undefined) return undefined;
	const lb =
		jar === 'quart' || q.lb_per_9_pints === undefined
			? perQuart * (jarVolume_L[jar] / jarVolume_L.quart)
			: (q.lb_per_9_pints / 9) * (jarVolume_L[jar] / jarVolume_L.pint);
	const yields = food.cuts[0]?.yields ?? {};
	const bought = food.forms[0]?.id ?? form;
	const ratio = (yields[bought]?.value ?? 1) / (yields[form]?.value ?? yields[bought]?.value ?? 1);
	return { grams: kgFromLb(lb) * 1000 * ratio, ...(q.note ? { note: q.note } : {}) };
}
