import { sayWeight, type Units } from './format';
import { readNumber } from './read-number';
import { unitOf } from './units';

/**
 * Reads a weight as a person writes it: `7.8 kg`, `17 lb 4 oz`, `500`, `1 1/2 lb`.
 *
 * @param bare unit of a number without one, as the field's label says
 * @returns whole grams, above 0; undefined when it is no weight
 */
export function parseWeight(text: string, bare: 'g' | 'oz' = 'g'): number | undefined {
	let rest = text.trim();
	let grams = 0;
	let smallest = Infinity;
	for (let part = 0; rest !== ''; part++) {
		const number = readNumber(rest);
		if (!number || part > 1) return undefined;
		rest = rest.slice(number.length).trim();
		const word = /^\p{L}+\.?/u.exec(rest)?.[0] ?? '';
		const unit = unitOf(word || bare, { metricCups: true });
		if (unit?.kind !== 'weight' || unit.kg >= smallest) return undefined;
		smallest = unit.kg;
		grams += number.value * unit.kg * 1000;
		rest = rest.slice(word.length).trim();
	}
	const whole = Math.round(grams);
	return whole > 0 && Number.isSafeInteger(whole) ? whole : undefined;
}

/** A weight to be edited: exact grams, or pounds and ounces. */
export const editWeight = (grams: number, units: Units): string =>
	units === 'us' ? sayWeight(grams, 'us') : `${Math.round(grams)} g`;
