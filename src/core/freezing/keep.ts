import { UTCDate } from '@date-fns/utc';
import { addDays, addMonths, format } from 'date-fns';
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

/** How long what was packed keeps: months, or days where that is said; and no later than a date that it brought along. */
export interface Keeps {
	readonly months: number;
	readonly days?: number;
	/** "2027-03-01". */
	readonly until?: string;
}

/** The date on the label of what was packed on this one. */
export function keepsUntil(packedOn: string, { months, days, until }: Keeps): string {
	const own =
		days === undefined
			? monthsAfter(packedOn, months)
			: format(addDays(new UTCDate(`${packedOn}T12:00:00Z`), Math.floor(days)), 'yyyy-MM-dd');
	return until !== undefined && until < own ? until : own;
}

/** Whole days from one calendar date to another; negative when it is past. */
export function daysBetween(from: string, to: string): number {
	return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000);
}
