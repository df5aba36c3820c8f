import { convert } from 'convert';
import type { Units } from './format';
import { readNumber } from './read-number';

export type MeasureKind = 'temperature' | 'volume' | 'weight' | 'area' | 'length' | 'pressure';

/** For each kind, what a word means, in the library's terms; the core holds °C, L, kg, m², m, Pa. */
const words = {
	temperature: { c: 'C', '°c': 'C', celsius: 'C', f: 'F', '°f': 'F', fahrenheit: 'F' },
	volume: {
		l: 'l', litre: 'l', litres: 'l', liter: 'l', liters: 'l', ml: 'ml', gal: 'gallon', gallon: 'gallon', gallons: 'gallon',
		qt: 'quart', quart: 'quart', quarts: 'quart', pt: 'pint', pint: 'pint', pints: 'pint',
		'cu ft': 'cubic foot', ft3: 'cubic foot', 'ft³': 'cubic foot', 'cubic foot': 'cubic foot', 'cubic feet': 'cubic foot'
	},
	weight: { kg: 'kg', g: 'g', lb: 'lb', lbs: 'lb', pound: 'lb', pounds: 'lb', oz: 'oz' },
	area: { m2: 'm2', 'm²': 'm2', cm2: 'cm2', 'cm²': 'cm2', in2: 'square inch', 'in²': 'square inch', 'sq in': 'square inch' },
	length: { cm: 'cm', m: 'm', mm: 'mm', in: 'inch', inch: 'inch', inches: 'inch', '"': 'inch' },
	pressure: { psi: 'psi', lb: 'psi', lbs: 'psi', kpa: 'kPa', pa: 'Pa', bar: 'bar' }
} as const satisfies Record<MeasureKind, Record<string, Parameters<typeof convert>[1]>>; // prettier-ignore

const held = { temperature: 'C', volume: 'l', weight: 'kg', area: 'm2', length: 'm', pressure: 'Pa' } as const;

/** The unit of a bare number, by the household's units; a field's label names it. */
export const fieldUnit: Record<MeasureKind, Record<Units, string>> = {
	temperature: { metric: '°C', us: '°F' },
	volume: { metric: 'L', us: 'qt' },
	weight: { metric: 'kg', us: 'lb' },
	area: { metric: 'm²', us: 'sq in' },
	length: { metric: 'cm', us: 'in' },
	// The tables print pounds, and so do most dials: kPa and bar are written out.
	pressure: { metric: 'psi', us: 'psi' }
};

/**
 * Reads a measure as a person writes it: `4`, `39 °F`, `12 qt`, `3.5 cu ft`, `-18`.
 *
 * @returns in °C, L, kg, m², m or Pa; undefined when it is none
 */
export function parseMeasure(text: string, kind: MeasureKind, units: Units): number | undefined {
	const trimmed = text.trim();
	const minus = /^[-−–]/.test(trimmed);
	const body = minus ? trimmed.slice(1).trim() : trimmed;
	const number = readNumber(body);
	if (!number) return undefined;
	const word =
		body.slice(number.length).trim().toLowerCase().replace(/\.$/, '') || fieldUnit[kind][units].toLowerCase();
	const known: Record<string, string> = words[kind];
	if (!Object.hasOwn(known, word)) return undefined;
	const value = minus ? -number.value : number.value;
	const result = Number(convert(value, known[word] as 'l').to(held[kind] as 'l'));
	return Number.isFinite(result) ? result : undefined;
}

/** A held value as the field shows it, in the household's unit, short. */
export function editMeasure(value: number, kind: MeasureKind, units: Units): string {
	const unit = words[kind][fieldUnit[kind][units].toLowerCase() as keyof (typeof words)[typeof kind]] as 'l';
	const shown = Number(convert(value, held[kind] as 'l').to(unit));
	// Three figures at least: saved again as it stands, a little weight must not drift.
	const least = shown === 0 || kind === 'temperature' ? 1 : 2 - Math.floor(Math.log10(Math.abs(shown)));
	const digits = Math.max(kind === 'area' && units === 'metric' ? 3 : 1, Math.min(6, least));
	return String(Number(shown.toFixed(digits)));
}
