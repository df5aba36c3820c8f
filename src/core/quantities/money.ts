import { DomainError } from '../errors';
import { readNumber } from './read-number';

/** Making a format is slow, and there are few currencies. */
const formats = new Map<string, Intl.NumberFormat>();
function formatOf(currency: string): Intl.NumberFormat {
	const known = formats.get(currency);
	if (known) return known;
	const made = new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay: 'narrowSymbol' });
	formats.set(currency, made);
	return made;
}

/** Decimal places of a currency: 2 for euros, 0 for yen. @throws {DomainError} UNKNOWN_UNIT: no such currency */
export function minorDigits(currency: string): number {
	try {
		return formatOf(currency).resolvedOptions().maximumFractionDigits ?? 2;
	} catch {
		throw new DomainError(
			'UNKNOWN_UNIT',
			'currency',
			`"${currency}" is no currency; it has three letters, such as EUR.`
		);
	}
}

/** Money as a person writes it, "12.50" or "12,5", in minor units; undefined where it is none. A price to a unit keeps its parts. */
export function readMoney(text: string, currency: string, parts = false): number | undefined {
	const bare = text.replace(new RegExp(`${currency}|[€$£¥]|Kč`, 'gi'), '').trim();
	const read = readNumber(bare);
	if (!read || bare.slice(read.length).trim() !== '' || !(read.value < 1e7)) return undefined;
	const minor = read.value * 10 ** minorDigits(currency);
	return parts ? Number(minor.toFixed(4)) : Math.round(minor);
}

/** Minor units in words: "€12.50". */
export function sayMoney(minor: number, currency: string): string {
	return formatOf(currency).format(minor / 10 ** minorDigits(currency));
}

/** Minor units as they stand in a field: "12.50". */
export const editMoney = (minor: number, currency: string): string =>
	(minor / 10 ** minorDigits(currency)).toFixed(
		Number.isInteger(minor) ? minorDigits(currency) : minorDigits(currency) + 2
	);

/** The money that a household most likely reckons in, until it says its own: by its units and the place of its clock. */
export function usualCurrency(units: 'metric' | 'us', zone: string): string {
	if (units === 'us' && zone.startsWith('America/')) return 'USD';
	return zone === 'Europe/London' ? 'GBP' : units === 'us' ? 'USD' : 'EUR';
}
