import { TZDate } from '@date-fns/tz';
import { addMonths, format } from 'date-fns';

/** A calendar date, `yyyy-MM-dd`, in a time zone, of an instant. */
export function dateIn(zone: string, at: number): string {
	return format(new TZDate(at, zone), 'yyyy-MM-dd');
}

/**
 * The calendar date a number of months later, `yyyy-MM-dd`; the last day of a shorter month.
 *
 * @param date `yyyy-MM-dd`
 * @param months whole, 0 or more
 */
export function monthsAfter(date: string, months: number): string {
	return format(addMonths(new TZDate(`${date}T12:00:00`, 'UTC'), Math.floor(months)), 'yyyy-MM-dd');
}

/** Whole days from one calendar date to another; negative when it is past. */
export function daysBetween(from: string, to: string): number {
	return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
}
