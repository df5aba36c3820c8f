import { addDays } from 'date-fns';

/** A price as it was said: for all of it, for a kilo, a pound or one, or "at" so much for each of what is counted or weighed. */
export interface SaidPrice {
	readonly amount: number;
	readonly per: 'all' | 'kg' | 'lb' | 'each' | 'unit';
	/** ISO 4217, where a sign or a word names one. */
	readonly currency: string | undefined;
}

/** What is said of a lot beside the food: note, variety, price, day. Taken out of a line before its words are read. */
export interface Story {
	/** The line without what was taken out; same length, so that places in it hold. */
	readonly rest: string;
	readonly notes: readonly string[];
	readonly variety: string;
	/** What was paid, where it was said. */
	readonly price: SaidPrice | undefined;
	/** `yyyy-MM-dd` */
	readonly day: string | undefined;
	/** A day was said that is none, or lies ahead. */
	readonly badDay: string | undefined;
}

const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const monthWord =
	'(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)';
const verb = '(?:(?:picked|bought|dug|harvested|killed|slaughtered|caught|gathered|cut|cooked|from|on|since)\\s+)*';
const dayWords = `today|this morning|this afternoon|this evening|yesterday(?: evening| morning)?|last night|(\\d{1,2}|a|two|three|four|five|six) days? ago|a week ago|(\\d{4}-\\d{2}-\\d{2})|(\\d{1,2})\\.? ${monthWord}\\.?(?: (\\d{4}))?|${monthWord}\\.? (\\d{1,2})(?:,? (\\d{4}))?`;
const dayPattern = new RegExp(`(?<=^|[\\s,;])${verb}(?:${dayWords})(?=$|[\\s,;.])`, 'iu');
const money =
	'(?:[€$£]\\s*\\d+(?:[.,]\\d+)?|\\d+(?:[.,]\\d+)?\\s*(?:€|£|\\$|(?:eur|euros?|usd|dollars?|gbp|quid|chf|czk|sek|pln)\\b))';
/** Without a sign of money a number is a price by its cents after "at" and "for", or by what it is for. */
const bareMoney =
	'(?:(?:at|for)\\s+|@\\s*)\\d+[.,]\\d{2}(?!\\d|\\s*(?:°|c\\b|h\\b|am\\b|pm\\b))' +
	'|\\d+(?:[.,]\\d+)?(?=\\s*(?:a|per|/)\\s*(?:kg|kilo|lb|pound)\\b)';
const pricePattern = new RegExp(
	`(?<=^|[\\s,;])(?:(?:for|at|paid|cost)\\s+|@\\s*)*(?:${money}|${bareMoney})(?:\\s*(?:a|an|per|the|/)?\\s*(?:kg|kilo|lb|pound|piece|head|bushel|box|flat|bag|bunch|each)\\b)?(?=$|[\\s,;.?])`,
	'iu'
);
const numbers: Record<string, number> = { a: 1, two: 2, three: 3, four: 4, five: 5, six: 6 };

const iso = (date: Date) => date.toISOString().slice(0, 10);
const noon = (day: string) => new Date(`${day}T12:00:00Z`);

/** The day that was said, going back from today: "28 Dec" in January is last year's. */
function dayOf(match: RegExpExecArray, today: string): string | undefined {
	const text = match[0].toLowerCase();
	const [, ago, full, d1, m1, y1, m2, d2, y2] = match;
	if (ago) return iso(addDays(noon(today), -(numbers[ago.toLowerCase()] ?? Number(ago))));
	if (text.includes('week ago')) return iso(addDays(noon(today), -7));
	if (/yesterday|last night/.test(text)) return iso(addDays(noon(today), -1));
	if (full) return Number.isNaN(noon(full).getTime()) || iso(noon(full)) !== full ? undefined : full;
	const month = m1 ?? m2;
	if (!month) return today;
	const index = months.indexOf(month.slice(0, 3).toLowerCase());
	const day = Number(d1 ?? d2);
	const at = (year: number) => {
		const date = new Date(Date.UTC(year, index, day, 12));
		return date.getUTCMonth() === index && date.getUTCDate() === day ? iso(date) : undefined;
	};
	const year = Number(y1 ?? y2 ?? today.slice(0, 4));
	const said = at(year);
	return said !== undefined && said > today && !(y1 ?? y2) ? at(year - 1) : said;
}

const currencies: readonly (readonly [RegExp, string])[] = [
	[/€|eur/i, 'EUR'],
	[/£|gbp|quid/i, 'GBP'],
	[/\$|usd|dollar/i, 'USD'],
	[/chf/i, 'CHF'],
	[/czk/i, 'CZK'],
	[/sek/i, 'SEK'],
	[/pln/i, 'PLN']
];
function priceIn(text: string): SaidPrice | undefined {
	const amount = Number(/\d+(?:[.,]\d+)?/.exec(text)?.[0]?.replace(',', '.'));
	if (!Number.isFinite(amount)) return undefined;
	const per = /(?:a|an|per|the|\/|\d)\s*(kg|kilo|lb|pound|piece|head|each)\b/i.exec(text)?.[1]?.toLowerCase();
	return {
		amount,
		per:
			per === undefined
				? /^(?:at\b|@)/i.test(text.trim())
					? 'unit'
					: 'all'
				: per.startsWith('k')
					? 'kg'
					: per === 'lb' || per === 'pound'
						? 'lb'
						: 'each',
		currency: currencies.find(([sign]) => sign.test(text))?.[1]
	};
}

const blank = (text: string, from: number, length: number) =>
	text.slice(0, from) + ' '.repeat(length) + text.slice(from + length);

/**
 * Takes notes (`note: …`, brackets), variety (`variety …`, quotes), price and day out of a line.
 * @param today `yyyy-MM-dd` in the household's zone; without it a day is left for the line's reader to ask about
 */
export function readStory(line: string, today: string | undefined): Story {
	let rest = line;
	const notes: string[] = [];
	const varieties: string[] = [];
	const take = (pattern: RegExp, to: (match: RegExpExecArray) => void) => {
		for (let match = pattern.exec(rest); match; match = pattern.exec(rest)) {
			to(match);
			rest = blank(rest, match.index, match[0].length);
		}
	};
	take(/(?<=^|[\s,;])note:.*$/iu, (m) => notes.push(m[0].slice(5).trim()));
	take(/[([]([^)\]]*)[)\]]/u, (m) => notes.push((m[1] ?? '').trim()));
	take(/(?<=^|[\s,;])(?:variety|var\.|cv\.?|cultivar|sort)\s+([^,;]+)/iu, (m) => varieties.push((m[1] ?? '').trim()));
	take(/["“”„«»]([^"“”„«»]+)["“”„«»]|(?<=^|[\s,;])['‘]([^'’]+)['’](?=$|[\s,;])/u, (m) =>
		varieties.push((m[1] ?? m[2] ?? '').trim())
	);
	let price: SaidPrice | undefined;
	take(pricePattern, (m) => {
		notes.push(m[0].trim());
		price ??= priceIn(m[0]);
	});
	let day: string | undefined;
	let badDay: string | undefined;
	const match = today === undefined ? null : dayPattern.exec(rest);
	if (match && today !== undefined) {
		const said = dayOf(match, today);
		if (said === undefined || said > today || said < iso(addDays(noon(today), -1100))) badDay = match[0].trim();
		else day = said;
		rest = blank(rest, match.index, match[0].length);
	}
	return { rest, notes: notes.filter(Boolean), variety: varieties.join(', '), price, day, badDay };
}
