import { UTCDate } from '@date-fns/utc';
import { format } from 'date-fns';
import { remembering } from './remember';

/** Making one is dear, using it is cheap: one for each zone. */
const clocks = new Map<string, Intl.DateTimeFormat>();

/** By how much a zone's wall clock is ahead of UTC at an instant, ms. */
function offsetAsked(at: number, zone: string): number {
	let clock = clocks.get(zone);
	if (!clock) {
		clock = new Intl.DateTimeFormat('en-US', {
			timeZone: zone,
			hourCycle: 'h23',
			year: 'numeric',
			month: 'numeric',
			day: 'numeric',
			hour: 'numeric',
			minute: 'numeric',
			second: 'numeric'
		});
		clocks.set(zone, clock);
	}
	const part: Partial<Record<Intl.DateTimeFormatPartTypes, number>> = {};
	for (const { type, value } of clock.formatToParts(at)) part[type] = Number(value);
	const { year = 0, month = 1, day = 1, hour = 0, minute = 0, second = 0 } = part;
	return Date.UTC(year, month - 1, day, hour, minute, second) - at;
}

/** Since 1972 every zone turns its clocks at a full quarter of an hour. */
const quarter_ms = 900_000;
const steady = Date.UTC(1973, 0, 1);
/** By zone, quarter by quarter; when they are full, all of them go. */
const offsets = new Map<string, Map<number, number>>();
const mostOffsets = 5_000;

function offsetOf(at: number, zone: string): number {
	if (!(at >= steady)) return offsetAsked(Math.floor(at / 1000) * 1000, zone);
	const quarter = Math.floor(at / quarter_ms);
	const known = offsets.get(zone) ?? new Map<number, number>();
	const before = known.get(quarter);
	if (before !== undefined) return before;
	const offset = offsetAsked(quarter * quarter_ms, zone);
	if (known.size >= mostOffsets) known.clear();
	known.set(quarter, offset);
	offsets.set(zone, known);
	return offset;
}

/** What the wall clock of a zone shows at an instant, as a date whose UTC fields are that wall clock's. */
const wallClock = (at: number, zone: string): UTCDate =>
	new UTCDate(Math.floor((at + offsetOf(at, zone)) / 1000) * 1000);

const noonOf = (date: string): UTCDate => {
	const [year = 0, month = 1, day = 1] = date.split('-').map(Number);
	return new UTCDate(year, month - 1, day, 12);
};

/** An instant in a zone, by a pattern of date-fns. @throws {RangeError} the zone is not known */
export const sayAs = (at: number, zone: string, pattern: string): string => format(wallClock(at, zone), pattern);
/** "25 Aug 2027" from `yyyy-MM-dd`. */
export const sayDate = remembering(3_000, (date: string) => format(noonOf(date), 'd MMM yyyy'));
/** "Aug 2027". */
export const sayMonth = remembering(3_000, (date: string) => format(noonOf(date), 'MMM yyyy'));
/** "17:40". */
export const sayTime = (at: number, zone: string): string => sayAs(at, zone, 'HH:mm');
/** "17:40:05". */
export const sayTimeExact = (at: number, zone: string): string => sayAs(at, zone, 'HH:mm:ss');
/** "Tue 25 Aug". */
export const sayDay = (at: number, zone: string): string => sayAs(at, zone, 'EEE d MMM');

/** So far ahead a bare time of day would be taken for today's, ms. */
const farAhead_ms = 20 * 3_600_000;
/** When something is due: "17:40"; a day, where that is not the one that everybody would think of: "Tue 15 Dec". */
export const sayWhen = (at: number, now: number, zone: string): string =>
	Math.abs(at - now) > farAhead_ms ? sayDay(at, zone) : sayTime(at, zone);

/** "at 17:40", "on Tue 15 Dec". */
export const atWhen = (at: number, now: number, zone: string): string => {
	const when = sayWhen(at, now, zone);
	return `${when.includes(':') ? 'at' : 'on'} ${when}`;
};

/** When a zone's wall clock shows a full hour next, ms; in the night of a change of the clocks an hour off. */
export function nextAt(hour: number, now: number, zone: string): number {
	const wall = wallClock(now, zone);
	const minutes = (hour * 60 - wall.getUTCHours() * 60 - wall.getUTCMinutes() + 1440) % 1440;
	return Math.floor(now / 60_000) * 60_000 + (minutes === 0 ? 1440 : minutes) * 60_000;
}

/**
 * The instant at which a zone's wall clock shows a time; in the hour that a clock skips the one after, in the hour that it
 * goes through twice the first.
 *
 * @param local `yyyy-MM-ddTHH:mm`
 * @returns ms; undefined where it is no time
 */
export function instantOf(local: string, zone: string): number | undefined {
	const [, y, mo, d, h, mi] = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/.exec(local)?.map(Number) ?? [];
	if (y === undefined || mo === undefined || d === undefined || h === undefined || mi === undefined) return undefined;
	const wall = Date.UTC(y, mo - 1, d, h, mi);
	if (new Date(wall).getUTCDate() !== d || h > 23 || mi > 59) return undefined;
	const around = [offsetOf(wall - 86_400_000, zone), offsetOf(wall + 86_400_000, zone)];
	const fits = around.map((o) => wall - o).filter((at) => wallClock(at, zone).getTime() === wall);
	return fits.length > 0 ? Math.min(...fits) : wall - Math.min(...around);
}
