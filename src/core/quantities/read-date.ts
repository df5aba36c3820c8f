import { UTCDate } from '@date-fns/utc';
import { format, isValid, parse } from 'date-fns';

/** Day first where dots are between, month first nowhere; with strokes only where it can be but one. */
const patterns = ['yyyy-MM-dd', 'yyyy/MM/dd', 'd.M.yyyy', 'd MMM yyyy', 'd MMMM yyyy'] as const;

export type DateRead = { readonly day: string } | { readonly fault: string };

/**
 * A date as a table has it: `2026-08-14`, `14.8.2026`, `14 Aug 2026`. `8/9/2026` is one day here and another there, and asks.
 *
 * @returns `yyyy-MM-dd`, or what is wrong with it
 */
export function readDate(text: string): DateRead {
	const said = text.trim();
	const found = (pattern: string) => {
		const date = parse(said, pattern, new UTCDate(2000, 0, 1));
		return isValid(date) && date.getFullYear() >= 1900 && date.getFullYear() < 2200
			? { day: format(date, 'yyyy-MM-dd') }
			: undefined;
	};
	for (const pattern of patterns) {
		const read = found(pattern);
		if (read) return read;
	}
	const [first, second] = [found('d/M/yyyy'), found('M/d/yyyy')];
	if (first && second && first.day !== second.day)
		return { fault: `"${said}" is one day here and another there: write it like ${first.day}.` };
	return first ?? second ?? { fault: `"${said}" is no date: write it like 2026-08-14.` };
}
