import { canningRules } from '../../reference/canning-rules';
import { sayLength, sayTemperature, type Units } from '../quantities/format';

const minutes = (row: { readonly value: number }) => row.value / 60;

/**
 * What holds for every load at a canner, in order: filling, venting, counting, waiting, cooling, seal, store.
 * Every number is a row of the general rules.
 *
 * @source USDA Complete Guide to Home Canning, 2015, Guide 1 (from memory); the mixed load is common practice
 */
export function canningSteps(method: 'boiling-water' | 'pressure', units: Units): string[] {
	const r = canningRules;
	const warm = (row: { readonly value: number }) => sayTemperature(Math.round(row.value), units);
	const at =
		method === 'boiling-water'
			? [
					`Water in the canner at ${warm(r.loadRaw_C)} for raw-packed jars, ${warm(r.loadHot_C)} for hot-packed ones; rack in.`,
					`Jars in, the water ${sayLength(r.waterOverJars_m.value, units)} over the lids at least, ${sayLength(r.waterOverJarsLong_m.value, units)} where the process is longer than 30 minutes; lid on.`,
					'Count from the full boil. If it stops, bring it back and start the full time again.',
					`Heat off, lid off, wait ${minutes(r.restWater_s)} minutes, lift the jars out upright.`
				]
			: [
					`${sayLength(r.waterInPressureCanner_m.value, units)} of hot water in the canner at least (2 to 3 in), rack in, jars in.`,
					`Lid locked, vent open, heat high: ${minutes(r.vent_s)} minutes of steady steam, then the weight on or the petcock closed.`,
					'Count from the moment the pressure is reached, and keep it steady. If it falls below the mark, bring it back and start the full time again.',
					`Heat off. The pressure falls to nothing by itself, never helped with water; weight off, wait ${minutes(r.restPressure_s)} minutes, then the lid, away from you.`
				];
	return [
		`Fill one load at a time: ${r.loadQuarts.value} quarts or ${r.loadPints.value} pints in a usual canner${method === 'pressure' ? `, which must hold ${r.smallestCanner.value} quarts at the least` : ''}. Hot jars, wiped rims, lids finger-tight, at once into the canner: packed jars never wait.`,
		...at,
		`Cool undisturbed ${r.coolLeast_h.value} to ${r.coolMost_h.value} hours, an inch apart, bands not tightened. Then check each seal: an unsealed jar is reprocessed with a new lid within ${r.coolMost_h.value} hours, or goes into the fridge or freezer.`,
		`Bands off, wiped, labelled; at ${sayTemperature(10, units)} to ${warm(r.storeWarmest_C)}, dark and dry, never above ${warm(r.storeNever_C)}. Best within ${r.best_months.value} months.`,
		'A load topped off with another product: the same method and pressure only, and the longest time of them for all (common practice).'
	];
}
