import { convert } from 'convert';
import type { FigureUnit } from '../../reference/other-ways';
import type { Units } from './format';
import { cFromF, fFromC, ftFromM, lbFromKg } from './units';

/** A published number as the household reads it; `printed` is the publication's own words where they differ. */
export interface Amount {
	readonly main: string;
	readonly printed?: string;
}

const parts = [
	[1 / 16, '1/16'],
	[1 / 8, '⅛'],
	[1 / 4, '¼'],
	[1 / 3, '⅓'],
	[3 / 8, '⅜'],
	[1 / 2, '½'],
	[5 / 8, '⅝'],
	[2 / 3, '⅔'],
	[3 / 4, '¾'],
	[7 / 8, '⅞']
] as const;

/** A measure as cooks write it: "¾", "1⅔", "1/16"; what is no kitchen fraction to two places. */
export function sayMeasure(value: number): string {
	const whole = Math.floor(value + 1e-4);
	const rest = value - whole;
	if (Math.abs(rest) < 2e-3) return `${whole}`;
	const part = parts.find(([share]) => Math.abs(rest - share) < 2e-3);
	if (part) return whole > 0 ? `${whole}${part[1]}` : part[1];
	return String(Number(value.toFixed(2)));
}

/** At most so many decimals, none that are zero. */
const decimals = (value: number, digits: number): string => String(Number(value.toFixed(digits)));
const minus = (text: string): string => text.replace('-', '−');

type Said = readonly [number: string, unit: string];
const plural = (one: string, value: number, many = `${one}s`) => (value === 1 ? one : many);

function saidVolume(litres: number): Said {
	const mL = litres * 1000;
	if (mL >= 1000) return [decimals(litres, litres < 10 ? 2 : 1), 'L'];
	return [mL >= 100 ? decimals(Math.round(mL / 5) * 5, 0) : decimals(mL, mL < 10 ? 1 : 0), 'ml'];
}
const saidMass = (kg: number): Said => (kg < 1 ? [decimals(kg * 1000, 0), 'g'] : [decimals(kg, 2), 'kg']);

const litres: Partial<Record<FigureUnit, number>> = {
	tsp: Number(convert(1, 'teaspoon').to('l')),
	tbsp: Number(convert(1, 'tablespoon').to('l')),
	cup: Number(convert(1, 'cup').to('l')),
	'half-pint': Number(convert(1, 'pint').to('l')) / 2,
	pint: Number(convert(1, 'pint').to('l')),
	qt: Number(convert(1, 'quart').to('l')),
	quart: Number(convert(1, 'quart').to('l')),
	gal: Number(convert(1, 'gallon').to('l')),
	gallon: Number(convert(1, 'gallon').to('l')),
	ft3: Number(convert(1, 'cubic foot').to('l'))
};
const kilos: Partial<Record<FigureUnit, number>> = {
	lb: Number(convert(1, 'lb').to('kg')),
	oz: Number(convert(1, 'oz').to('kg'))
};
/** Litres in one of a unit of volume; undefined for any other unit. US measures. */
export const litresIn = (unit: FigureUnit): number | undefined => litres[unit];
/** Kilograms in one of a unit of weight; undefined for any other unit. */
export const kilosIn = (unit: FigureUnit): number | undefined => kilos[unit];

/** Rows that are held in SI, in either household's words. */
const SI = {
	C: (v, units) => (units === 'us' ? [minus(decimals(fFromC(v), 0)), '°F'] : [minus(decimals(v, 1)), '°C']),
	m: (v, units) => {
		if (v >= 100) return units === 'us' ? [decimals(ftFromM(v), 0), 'ft'] : [decimals(v, 0), 'm'];
		return units === 'us' ? [sayMeasure(v / 0.0254), 'in'] : [decimals(v * 1000, 0), 'mm'];
	},
	mm: (v, units) =>
		units === 'us' ? [sayMeasure(Math.max(1, Math.round(v / 3.175)) / 8), 'in'] : [decimals(v, 1), 'mm'],
	kg: (v, units) => {
		if (units === 'metric') return saidMass(v);
		const lb = lbFromKg(v);
		return lb < 1 ? [decimals(lb * 16, lb < 0.1 ? 1 : 0), 'oz'] : [decimals(lb, 1), 'lb'];
	},
	L: (v, units) =>
		units === 'us' ? [decimals(v / (litres.gal ?? 1), 1), 'gallons'] : [decimals(v, v < 10 ? 1 : 0), 'L'],
	'kg/L': (v, units) =>
		units === 'us' ? [decimals(lbFromKg(v) * (litres.quart ?? 0), 2), 'lb a quart'] : [decimals(v, 2), 'kg a litre'],
	'L/kg': (v, units) =>
		units === 'us'
			? [decimals(v / (litres.gal ?? 1) / lbFromKg(1), 2), 'gallons a pound']
			: [decimals(v, 1), 'L a kilo'],
	'min/kg': (v, units) =>
		units === 'us' ? [decimals(v / lbFromKg(1), 1), 'min a pound'] : [decimals(v, 1), 'min a kilo']
} as const satisfies Partial<Record<FigureUnit, (value: number, units: Units) => Said>>;

const isSI = (unit: FigureUnit): unit is keyof typeof SI => unit in SI;

/** As the publication prints it; what the tables hold in SI, in American measures. */
function printed(value: number, unit: FigureUnit): Said {
	if (isSI(unit)) return SI[unit](value, 'us');
	switch (unit) {
		case 'F':
			return [minus(decimals(value, 0)), '°F'];
		case 'Fdiff':
			return [decimals(value, 0), '°F'];
		case 'in':
			return [sayMeasure(value), 'in'];
		case 'cup':
			return [sayMeasure(value), value > 1 ? 'cups' : 'cup'];
		case 'tbsp':
		case 'tsp':
		case 'oz':
		case 'lb':
			return [sayMeasure(value), unit];
		case 'qt':
		case 'quart':
			return [sayMeasure(value), value > 1 ? 'quarts' : 'quart'];
		case 'gal':
		case 'gallon':
			return [sayMeasure(value), value > 1 ? 'gallons' : 'gallon'];
		case 'pint':
		case 'half-pint':
			return [sayMeasure(value), value > 1 ? `${unit}s` : unit];
		case 'lb/ft3':
			return [decimals(value, 1), 'lb to the cubic foot'];
		case 'ft3':
			return [decimals(value, 1), 'cubic feet'];
		case 'h/lb':
			return [decimals(value * 60, 0), 'min a pound'];
		case 'day':
			return value > 0 && value < 1 ? [decimals(value * 24, 0), 'h'] : [sayMeasure(value), plural('day', value)];
		case 'week':
		case 'month':
		case 'year':
			return [decimals(value, 1), plural(unit, value)];
		case 's':
		case 'min':
		case 'h':
			return [sayMeasure(value), unit];
		case 'box':
			return [sayMeasure(value), plural('box', value, 'boxes')];
		case 'pouch':
			return [sayMeasure(value), plural('pouch', value, 'pouches')];
		case 'piece':
			return [sayMeasure(value), ''];
		case 'parts':
			return [decimals(value, 1), 'to 1'];
		case 'times':
			return [decimals(value, 0), 'times'];
		case 'pH':
			return [decimals(value, 2), ''];
		case 'aw':
			return [value.toFixed(2), ''];
		case 'jar':
			return [decimals(value, 0), plural('jar', value)];
		case 'kg/kg':
			return [decimals(value, 2), 'to 1 by weight'];
		case 'power':
			return [decimals(value, 2), 'as a power'];
		case 'kg/m²':
			return [decimals(lbFromKg(value) * 0.09290304, 2), 'lb to the square foot'];
		case 'm² K/W':
			return [decimals(value, 3), 'm² K/W'];
		case 'psi':
		case 'W/(m² K)':
		case 'kJ/mol':
		case 'W/K':
		case 'kJ/K':
		case 'cc':
		case 'g':
		case '%':
		case 'mTorr':
			return [decimals(value, 2), unit];
		case 'pint jars filled':
		case 'quart jars filled':
			return [decimals(value, 1), unit.replace(' filled', '')];
	}
}

/** In metric, or undefined where the printed unit is everyone's. */
function metric(value: number, unit: FigureUnit): Said | undefined {
	if (isSI(unit)) return SI[unit](value, 'metric');
	const perLitre = litres[unit];
	if (unit === 'ft3') return [decimals(Math.round((value * (perLitre ?? 0)) / 5) * 5, 0), 'L'];
	if (perLitre !== undefined) return saidVolume(value * perLitre);
	const perKilo = kilos[unit];
	if (perKilo !== undefined) return saidMass(value * perKilo);
	switch (unit) {
		case 'F':
			return [minus(decimals(cFromF(value), 0)), '°C'];
		case 'Fdiff':
			return [decimals((value * 5) / 9, 1), '°C'];
		case 'in': {
			const mm = value * 25.4;
			return mm >= 100 ? [decimals(mm / 10, 0), 'cm'] : [decimals(mm, mm < 3 ? 1 : 0), 'mm'];
		}
		case 'lb/ft3':
			return [decimals((value * (kilos.lb ?? 0) * 100) / (litres.ft3 ?? 1), value < 10 ? 1 : 0), 'kg to 100 L'];
		case 'h/lb':
			return [decimals((value * 60) / (kilos.lb ?? 1), 0), 'min a kilo'];
		case 'kg/m²':
			return [decimals(value, 1), 'kg to the square metre'];
		case 'mTorr':
			return [decimals(value * 0.133322, 0), 'Pa'];
		case 'psi':
			return [decimals(value * 6.894757, 0), 'kPa'];
		default:
			return undefined;
	}
}

function join(low: Said, high: Said): string {
	if (low[0] === high[0] && low[1] === high[1]) return `${high[0]} ${high[1]}`.trim();
	if (low[1] === high[1] || low[1] === high[1].replace(/e?s$/, '')) return `${low[0]} to ${high[0]} ${high[1]}`.trim();
	return `${low[0]} ${low[1]} to ${high[0]} ${high[1]}`.trim();
}

const atOnce = new Set<FigureUnit>(['min', 'h', 'day', 'week']);

/**
 * A published number, one or a range, in the household's units, its printed words beside it where they differ.
 *
 * Spoons stay spoons in both; a printed temperature is rounded to the whole degree, as the publications do themselves.
 */
export function sayAmount(value: number | readonly [number, number], unit: FigureUnit, units: Units): Amount {
	const [low, high] = typeof value === 'number' ? [value, value] : value;
	if (high === 0 && atOnce.has(unit)) return { main: 'at once' };
	if (high === 0 && unit === 'in') return { main: 'none' };
	// Part weeks are said in days: "10 to 14 days", not "1.4 to 2 weeks".
	if (unit === 'week' && high <= 3 && !(Number.isInteger(low) && Number.isInteger(high)))
		return sayAmount([Math.round(low * 7), Math.round(high * 7)], 'day', units);
	// Months of days are said in weeks and years: "16 to 26 weeks", not "112 to 182 days".
	if (unit === 'day' && low >= 365 && low % 365 === 0 && high % 365 === 0)
		return sayAmount([low / 365, high / 365], 'year', units);
	if (unit === 'day' && low >= 28 && low % 7 === 0 && high % 7 === 0)
		return sayAmount([low / 7, high / 7], 'week', units);
	const own = join(printed(low, unit), printed(high, unit));
	if (units === 'us') return { main: own };
	const lowMetric = metric(low, unit);
	const highMetric = metric(high, unit);
	if (!lowMetric || !highMetric) return { main: own };
	const theirs = join(lowMetric, highMetric);
	if (isSI(unit)) return { main: theirs };
	// A spoon is what the hand holds; its millilitres stand beside it.
	return unit === 'tsp' || unit === 'tbsp' ? { main: own, printed: theirs } : { main: theirs, printed: own };
}

/** One line of text: "13 mm (½ in)". */
export const amountText = (amount: Amount): string =>
	amount.printed ? `${amount.main} (${amount.printed})` : amount.main;
