import { UTCDate } from '@date-fns/utc';
import { addMonths, format } from 'date-fns';
import { remembering } from '../quantities/remember';

/** Making one is dear, using it is cheap: one for each zone. */
const calendars = new Map<string, Intl.DateTimeFormat>();

/** A calendar date, `yyyy-MM-dd`, in a time zone, of an instant. @throws {RangeError} the zone is not known */
export const dateIn = remembering(5_000, (zone: string, at: number): string => {
	let calendar = calendars.get(zone);
	if (!calendar) {
		calendar = new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
		calendars.set(zone, calendar);
	}
	return calendar.format(at);
});

/**
 * The calendar date a number of months later, `yyyy-MM-dd`; the last day of a shorter month.
 *
 * @param date `yyyy-MM-dd`
 * @param months whole, 0 or more
 */
export function monthsAfter(date: string, months: number): string {
	return format(addMonths(new UTCDate(`${date}T12:00:00Z`), Math.floor(months)), 'yyyy-MM-dd');
}

/** Whole days from one calendar date to another; negative when it is past. */
export function daysBetween(from: string, to: string): number {
	return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
}
