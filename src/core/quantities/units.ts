import { convert } from 'convert';

/**
 * Weights and volumes that a household may say, each with the name that the units library knows.
 * Volumes are US customary; a "cup" of a household that measures in metric is 250 ml.
 */
const weights: Record<string, Parameters<typeof convert>[1]> = {
	kg: 'kg', kgs: 'kg', kilo: 'kg', kilos: 'kg', kilogram: 'kg', kilograms: 'kg', kilogramme: 'kg', kilogrammes: 'kg',
	g: 'g', gr: 'g', gram: 'g', grams: 'g', gramme: 'g', grammes: 'g',
	lb: 'lb', lbs: 'lb', pound: 'lb', pounds: 'lb', '#': 'lb',
	oz: 'oz', ounce: 'oz', ounces: 'oz',
	st: 'stone', stone: 'stone', stones: 'stone',
	t: 'tonne', tonne: 'tonne', tonnes: 'tonne'
}; // prettier-ignore

const volumes: Record<string, Parameters<typeof convert>[1]> = {
	l: 'l', litre: 'l', litres: 'l', liter: 'l', liters: 'l',
	ml: 'ml', millilitre: 'ml', millilitres: 'ml', milliliter: 'ml', milliliters: 'ml',
	cup: 'cup', cups: 'cup',
	pint: 'pint', pints: 'pint', pt: 'pint', pts: 'pint',
	quart: 'quart', quarts: 'quart', qt: 'quart', qts: 'quart',
	gal: 'gallon', gallon: 'gallon', gallons: 'gallon',
	tbsp: 'tablespoon', tablespoon: 'tablespoon', tablespoons: 'tablespoon',
	tsp: 'teaspoon', teaspoon: 'teaspoon', teaspoons: 'teaspoon'
}; // prettier-ignore

/** Produce measures: what they weigh depends on the food. Plural to singular. */
const produce: Record<string, string> = {
	bushel: 'bushel', bushels: 'bushel', bu: 'bushel',
	peck: 'peck', pecks: 'peck',
	flat: 'flat', flats: 'flat', tray: 'flat', trays: 'flat',
	crate: 'crate', crates: 'crate', lug: 'lug', lugs: 'lug',
	bag: 'bag', bags: 'bag', sack: 'bag', sacks: 'bag',
	ear: 'ear', ears: 'ear', cob: 'ear', cobs: 'ear',
	head: 'head', heads: 'head',
	bunch: 'bunch', bunches: 'bunch',
	each: 'each', piece: 'each', pieces: 'each'
}; // prettier-ignore

export type UnitKind =
	| { readonly kind: 'weight'; readonly kg: number }
	| { readonly kind: 'volume'; readonly litres: number; readonly name: string }
	| { readonly kind: 'produce'; readonly measure: string };

/** What a unit word means, or undefined. One of it in kg or litres. */
export function unitOf(word: string, options: { metricCups: boolean }): UnitKind | undefined {
	const key = word.toLowerCase().replace(/\.$/, '');
	if (Object.hasOwn(weights, key)) return { kind: 'weight', kg: Number(convert(1, weights[key] as 'kg').to('kg')) };
	if (Object.hasOwn(volumes, key)) {
		const unit = volumes[key] as 'l';
		const metricCup = options.metricCups && (unit as string) === 'cup';
		return { kind: 'volume', litres: metricCup ? 0.25 : Number(convert(1, unit).to('l')), name: unit };
	}
	if (Object.hasOwn(produce, key)) return { kind: 'produce', measure: produce[key] as string };
	return undefined;
}

/** Every unit word, for offering near ones. */
export const unitWords: readonly string[] = [...Object.keys(weights), ...Object.keys(volumes), ...Object.keys(produce)];

export const kgFromLb = (lb: number) => Number(convert(lb, 'lb').to('kg'));
export const lbFromKg = (kg: number) => Number(convert(kg, 'kg').to('lb'));
export const ftFromM = (m: number) => Number(convert(m, 'm').to('ft'));
export const mFromFt = (ft: number) => Number(convert(ft, 'ft').to('m'));
export const galFromL = (l: number) => Number(convert(l, 'l').to('gallon'));
/** A temperature, not a difference. */
export const fFromC = (c: number) => Number(convert(c, 'C').to('F'));
export const cFromF = (f: number) => Number(convert(f, 'F').to('C'));
