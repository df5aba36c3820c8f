import type { Units } from './format';
import { remembering } from './remember';
import { cFromF, fFromC, ftFromM, galFromL, kgFromLb, lbFromKg, mFromFt } from './units';

/**
 * The one place for quantities in fixed sentences: what a publication, a caution or a step says in one system of units is
 * said to the household in its own, with the printed words in brackets. Numbers that are worked out are said by format.ts.
 */

const fraction = '(?:\\d+[ ]\\d+\\/\\d+|\\d+\\/\\d+|\\d[\\d,]*(?:\\.\\d+)?[½¼¾⅓⅔⅛⅜⅝⅞]?|[½¼¾⅓⅔⅛⅜⅝⅞])';
const number = `[−-]?${fraction}`;
const range = `${number}(?:(?: to |–|-)${number})?`;
const glyphs: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75, '⅓': 1 / 3, '⅔': 2 / 3, '⅛': 0.125, '⅜': 0.375, '⅝': 0.625, '⅞': 0.875 }; // prettier-ignore

function valueOf(text: string): number {
	const minus = /^[−-]/.test(text);
	const body = text.replace(/^[−-]/, '').replace(/,/g, '');
	const glyph = body.at(-1) ?? '';
	let value: number;
	if (glyph in glyphs) value = Number(body.slice(0, -1) || 0) + (glyphs[glyph] ?? 0);
	else {
		const [whole = '', part] = body.includes(' ') ? body.split(' ') : ['0', body];
		const [top, bottom] = (part ?? '').split('/').map(Number);
		value = body.includes('/') ? Number(whole) + (top ?? 0) / (bottom ?? 1) : Number(body);
	}
	return minus ? -value : value;
}

const plain = (value: number, digits = 0) => String(Number(value.toFixed(digits))).replace('-', '−');
/** A quarter inch is as fine as anyone cuts by eye. */
const inches = (mm: number) => {
	const eighths = Math.max(1, Math.round((mm / 25.4) * 8));
	const whole = Math.floor(eighths / 8);
	return `${whole > 0 ? whole : ''}${['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'][eighths % 8] ?? ''}`;
};

interface Conversion {
	/** The unit as it stands in a sentence. */
	readonly unit: string;
	/** Whose it is. */
	readonly of: Units;
	readonly to: string;
	readonly say: (value: number) => string;
}
const weight_g = (g: number) => (g < 1000 ? plain(g < 20 ? g : Math.round(g / 5) * 5) : plain(g / 1000, g < 10_000 ? 1 : 0)); // prettier-ignore
/** Longer words first: "fl oz" before "oz". A unit that jars and spoons are sold in (pint, quart, cup, tbsp, tsp) is everyone's. */
const conversions: readonly Conversion[] = [
	{ unit: '°F', of: 'us', to: '°C', say: (v) => plain(cFromF(v)) },
	{ unit: '(?:lb|pounds?) to the cubic foot', of: 'us', to: 'kg to 100 L', say: (v) => plain((kgFromLb(v) * 100) / 28.3168, v < 10 ? 1 : 0) }, // prettier-ignore
	{ unit: 'cubic f(?:ee|oo)t', of: 'us', to: 'L', say: (v) => plain(Math.round((v * 28.3168) / 5) * 5) },
	{ unit: 'lb', of: 'us', to: 'kg', say: (v) => plain(kgFromLb(v), kgFromLb(v) < 10 ? 1 : 0) },
	{ unit: 'oz', of: 'us', to: 'g', say: (v) => weight_g(v * 28.3495) },
	{ unit: 'ft', of: 'us', to: 'm', say: (v) => plain(mFromFt(v)) },
	{ unit: 'gal(?:lons?)?', of: 'us', to: 'L', say: (v) => plain(v * 3.78541, 1) },
	{ unit: '°C', of: 'metric', to: '°F', say: (v) => plain(fFromC(v)) },
	{
		unit: 'kg to 100 L',
		of: 'metric',
		to: 'lb to the cubic foot',
		say: (v) => plain((lbFromKg(v) * 28.3168) / 100, 1)
	},
	{ unit: '(?:kg|kilos?)', of: 'metric', to: 'lb', say: (v) => plain(lbFromKg(v), 1) },
	{ unit: 'g', of: 'metric', to: 'oz', say: (v) => plain(v / 28.3495, 1) },
	{ unit: 'mm', of: 'metric', to: 'in', say: inches },
	{ unit: 'cm', of: 'metric', to: 'in', say: (v) => inches(v * 10) },
	{ unit: 'L', of: 'metric', to: 'gal', say: (v) => plain(galFromL(v), 1) },
	{ unit: 'ml', of: 'metric', to: 'fl oz', say: (v) => plain(v / 29.5735, 1) },
	{ unit: 'kPa', of: 'metric', to: 'psi', say: (v) => plain(v / 6.894757, 1) },
	{ unit: 'm', of: 'metric', to: 'ft', say: (v) => plain(ftFromM(v)) }
];

const patterns = conversions.map((c) => ({
	...c,
	// Not where the other unit stands in brackets behind it, or where this one is itself in such brackets.
	pattern: new RegExp(
		`(?<![\\w.,/½¼¾])(${range})[ \\u00a0](${c.unit})(?![\\w²³/])(?! ?\\((?:about )?${range}[ \u00a0]?(?:°|[a-z]{1,3}\\)))`,
		'g'
	)
}));
/** "71 °C (160 °F)": said in both already. */
const pair = new RegExp(`${range}[ \\u00a0](?:°F|°C|lb|kg|g|oz|in|mm|cm|m|ft|L|ml|gal|psi|kPa)\\s?\\((?:${range})[ \\u00a0]?[^()]{1,24}\\)`, 'g'); // prettier-ignore

/** A sentence with its quantities in the household's units, what was printed in brackets. */
export const inHouseholdUnits = (text: string, units: Units): string =>
	/\d|[½¼¾⅓⅔⅛⅜⅝⅞]/.test(text) ? converted(text, units) : text;

/** Most sentences are those of the tables, the same on every page. */
const converted = remembering(4_000, (text: string, units: Units): string => {
	// What is paired is taken out first, so that neither half is said again.
	const kept: string[] = [];
	const stash = (words: string) => `\ue000${kept.push(words) - 1}\ue001`;
	let out = text.replace(pair, stash);
	for (const { pattern, of, to, say } of patterns) {
		if (of === units) continue;
		out = out.replace(pattern, (whole: string, amount: string) => {
			const ends = amount.split(/ to |–|(?<=\d|[½¼¾⅛⅜⅝⅞])-/).map(valueOf);
			if (ends.some((v) => !Number.isFinite(v))) return whole;
			const said = [...new Set(ends.map(say))].join(' to ');
			return stash(`${said} ${to} (${whole})`);
		});
	}
	return out.replace(/\ue000(\d+)\ue001/g, (_, n: string) => kept[Number(n)] ?? '');
});

/** Fields that hold sentences of ours or of a publication; what a person typed stands in others, and is never touched. */
const sentences = new Set([
	'reason', 'instead', 'steps', 'words', 'notes', 'prepare', 'mind', 'intake', 'warning', 'rule', 'at', 'keep', 'use', 'why',
	'matters', 'what', 'cautions', 'goodFor', 'ice', 'load', 'missing', 'question', 'schools', 'ours', 'blanchWords', 'gist', 'hint', 'doing', 'leave', 'pretreat', 'test', 'heat', 'thickness_note'
]); // prettier-ignore

/**
 * The same for a whole page: every sentence in it, by the names of the fields that hold them.
 *
 * @param more further fields that hold sentences of ours on this page, such as the notes of a table
 */
export function pageInUnits<T>(value: T, units: Units, more: readonly string[] = []): T {
	return walk(value, '', { units, more: new Set(more) }) as T;
}

interface Manner {
	readonly units: Units;
	readonly more: ReadonlySet<string>;
}

function walk(value: unknown, key: string, manner: Manner): unknown {
	if (typeof value === 'string')
		return sentences.has(key) || manner.more.has(key) ? inHouseholdUnits(value, manner.units) : value;
	if (value === null || typeof value !== 'object') return value;
	// What has nothing to change stays the very thing it is: most of a page is numbers.
	if (Array.isArray(value)) {
		const parts = value.map((v) => walk(v, key, manner));
		return parts.some((part, i) => part !== value[i]) ? parts : value;
	}
	if (Object.getPrototypeOf(value) !== Object.prototype) return value;
	// A caution is a sentence with its id: its `text` is ours.
	const caution = 'id' in value && 'text' in value;
	let changed: Record<string, unknown> | undefined;
	for (const [name, part] of Object.entries(value)) {
		const said = walk(part, caution && name === 'text' ? 'words' : name, manner);
		if (said !== part) (changed ??= {})[name] = said;
	}
	return changed ? { ...value, ...changed } : value;
}
