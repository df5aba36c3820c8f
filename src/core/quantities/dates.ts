import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns';

/** "25 Aug 2027" from `yyyy-MM-dd`. */
export const sayDate = (date: string): string => format(new TZDate(`${date}T12:00:00`, 'UTC'), 'd MMM yyyy');
/** "Aug 2027". */
export const sayMonth = (date: string): string => format(new TZDate(`${date}T12:00:00`, 'UTC'), 'MMM yyyy');
/** "17:40", in a zone. */
export const sayTime = (at: number, zone: string): string => format(new TZDate(at, zone), 'HH:mm');
/** "17:40:05". */
export const sayTimeExact = (at: number, zone: string): string => format(new TZDate(at, zone), 'HH:mm:ss');
/** "Tue 25 Aug". */
export const sayDay = (at: number, zone: string): string => format(new TZDate(at, zone), 'EEE d MMM');
/** "Tue", or another pattern of date-fns. */
export const sayAs = (at: number, zone: string, pattern: string): string => format(new TZDate(at, zone), pattern);
