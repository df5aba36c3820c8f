const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const word = '(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)'; // prettier-ignore
// A month with no day beside it: "frozen August", "canned Sep 2025", "09/2025"; "12 Aug" is a day, and read as one.
const monthPattern = new RegExp(`(?<=^|[\\s,;])(?<!\\d\\.?\\s)${word}\\.?(?:\\s+(\\d{4}))?(?=$|[\\s,;])(?!\\s+\\d{1,2}(?!\\d))`, 'iu'); // prettier-ignore
const numeric = /(?<=^|[\s,;])(0?[1-9]|1[0-2])\/(\d{4})(?=$|[\s,;])/u;
const yearOnly = /(?<=^|[\s,;])(?:in\s+|from\s+)?(20\d{2})(?=$|[\s,;])/u;

// Where a day is named, the day's own reader has it.
const dayPattern = new RegExp(
	`\\d{4}-\\d{2}-\\d{2}|(?<!\\d)\\d{1,2}\\.?\\s+${word}|${word}\\.?\\s+\\d{1,2}(?!\\d)`,
	'iu'
);

export interface MonthRead {
	/** The line without it. */
	readonly rest: string;
	/** `yyyy-MM-01`: the first of it, since what is eaten first should be the oldest that it can be. */
	readonly day?: string;
	/** What was said, where it lies ahead. */
	readonly bad?: string;
}

/**
 * A month that a line names, going back from today: in March, "August" is last year's.
 *
 * @param today `yyyy-MM-dd`; without it nothing is read
 */
export function readMonth(line: string, today: string | undefined): MonthRead {
	if (today === undefined || dayPattern.test(line)) return { rest: line };
	const match = monthPattern.exec(line);
	const found = match ?? numeric.exec(line) ?? yearOnly.exec(line);
	if (!found) return { rest: line };
	const rest = line.slice(0, found.index) + line.slice(found.index + found[0].length);
	const isYear = !match && found[2] === undefined;
	const month = match ? months.indexOf((found[1] ?? '').slice(0, 3).toLowerCase()) + 1 : isYear ? 1 : Number(found[1]);
	const at = (year: number) => `${year}-${String(month).padStart(2, '0')}-01`;
	const said = isYear ? Number(found[1]) : found[2] ? Number(found[2]) : undefined;
	const thisYear = Number(today.slice(0, 4));
	if (said !== undefined) {
		const day = at(said);
		return day > today || said < thisYear - 20 ? { rest: line, bad: found[0].trim() } : { rest, day };
	}
	return { rest, day: at(thisYear) > today ? at(thisYear - 1) : at(thisYear) };
}
