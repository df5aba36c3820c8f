import { bulkOf } from '../foods/cuts';
import type { Refusal } from '../errors';
import { readNumber } from '../quantities/read-number';
import { unitOf } from '../quantities/units';
import { shelfRules } from '../../reference/rules';
import { amountOf, byWeight, dgOf, type ContentUnit, type Counted } from '../stock/amount';
import { densityOf, governing } from './mixture';
import { mixtureOf, takeMixture, type Mixed } from './read-mixture';
import { readMonth } from './month';
import { readLine, type LineContext, type Reading } from './read-line';
import type { Thing } from './thing';
import { understand, type Choice, type NamedThing } from './understand';
import { containerWord } from './container-words';

/** A place of the household, by its name. */
export interface NamedPlace {
	readonly id: string;
	readonly name: string;
}
export interface ShelfContext extends LineContext {
	readonly places: readonly NamedPlace[];
	/** What was said of all jars of this sitting. */
	readonly jars?: 'tested' | 'unknown';
}

/** What stands on a shelf already, read from a line. */
export interface OnShelf {
	readonly kind: 'understood';
	readonly thing: Thing;
	readonly counted: Counted;
	/** In its unit. */
	readonly amount: number;
	/** The household's own place, where the line names one. */
	readonly placeId?: string;
	/** A kind of place, where it names none by its own name. */
	readonly placeKind?: NamedThing['place'];
	/** `yyyy-MM-dd`; the first of the month where only a month was said. */
	readonly day?: string;
	readonly monthOnly?: boolean;
	readonly container?: string;
	readonly note: string;
	/** How weight or content was found. */
	readonly because: string;
}
export type ShelfReading =
	| OnShelf
	| { readonly kind: 'asked'; readonly question: string; readonly choices: readonly Choice[] }
	| { readonly kind: 'refused'; readonly refusal: Refusal }
	| { readonly kind: 'unclear'; readonly message: string; readonly near: readonly Choice[] };

const unclear = (message: string, near: readonly Choice[] = []): ShelfReading => ({ kind: 'unclear', message, near });

/** A tonne, or ten thousand of anything: more is a slip of the finger. */
const mostPacks = 10_000;
const most_g = 1_000_000;

/** States in which a measure by volume means jars: seven quarts of canned tomatoes are seven jars. */
const inJars = new Set<Thing['state']>(['canned', 'pickled']);

/**
 * Reads what stands on a shelf: `7 quarts crushed tomatoes, canned Sep 2025, pantry board 2`, `12 × 500 g green beans,
 * frozen August`, `9 squash, 11 kg`, `14 kg beetroot in sand, cellar`, `6 × 600 g soup mix (carrots + leeks), frozen`.
 *
 * The grammar of the Basket, and besides: so many packs of a content, jars, months, the household's places by name, and
 * every state that food is kept in.
 */
export function readShelfLine(text: string, context: ShelfContext): ShelfReading {
	const line = text.replace(/\s+/g, ' ').trim();
	if (line === '') return unclear('Type what stands there, for example "12 × 500 g green beans, frozen August".');
	const placed = takePlace(line, context.places);
	const dated = readMonth(placed.rest, context.today);
	if (dated.bad) return unclear(`"${dated.bad}" lies ahead, or is no month. Say it like "Sep 2025".`);
	const found = {
		...(placed.id ? { placeId: placed.id } : {}),
		...(dated.day ? { day: dated.day, monthOnly: true } : {})
	};
	const packs = readPacks(dated.rest, context);
	if (packs && 'kind' in packs) return packs;
	const body = packs ? packs.rest : dated.rest;
	const mix = takeMixture(body, context);
	if (mix && 'kind' in mix) return mix.kind === 'refused' ? mix : unclear(mix.message);
	if (packs) return ofPacks(packs, mix, found, context, line);
	return loose(body, mix, found, context);
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replace(/\s+/g, '\\s+');

/** The longest name of a place of the household, taken out of the line: at its end or after a comma. */
function takePlace(line: string, places: readonly NamedPlace[]): { rest: string; id?: string } {
	const named = [...places].sort((a, b) => b.name.length - a.name.length);
	for (const place of named) {
		const pattern = new RegExp(
			`(?:[,;]\\s*|\\s+)(?:(?:in|on|at)\\s+(?:the\\s+)?)?${escaped(place.name)}\\s*(?=$|[,;])`,
			'i'
		);
		const match = pattern.exec(line);
		if (match) return { rest: line.slice(0, match.index) + line.slice(match.index + match[0].length), id: place.id };
	}
	return { rest: line };
}

interface Packs {
	readonly count: number;
	/** Undefined where only jars or bags were counted. */
	readonly content?: { readonly unit: ContentUnit; readonly amount: number };
	readonly container?: string;
	readonly rest: string;
}

/** `12 × 500 g …`, `3 jars of …`, `4 bags …, 300 g`; undefined where the line counts no packs. */
function readPacks(line: string, context: LineContext): Packs | ShelfReading | undefined {
	const times = /^(\d{1,5})\s*[×x*]\s*/iu.exec(line);
	if (times) {
		const count = Number(times[1]);
		const content = readContent(line.slice(times[0].length), context);
		if (!content) return unclear(`${count} of how much? For example "${count} × 500 g green beans".`);
		return checked({
			count,
			content,
			rest: content.rest,
			...(content.container ? { container: content.container } : {})
		});
	}
	const number = readNumber(line);
	if (!number || !Number.isInteger(number.value)) return undefined;
	const after = line.slice(number.length).trim();
	const word = containerWord(after);
	if (!word) return undefined;
	let rest = word.rest;
	// "4 bags spinach, 300 g": the content stands after.
	const later = /,\s*([\d½¼¾][^,;]*?)\s*(?:each|apiece)?\s*(?=$|[,;])/iu.exec(rest);
	const content = later ? readContent(later[1] ?? '', context) : undefined;
	if (later && content && content.rest === '')
		rest = rest.slice(0, later.index) + rest.slice(later.index + later[0].length);
	const size =
		content && content.rest === '' ? content : word.ml ? { unit: 'ml' as const, amount: word.ml } : undefined;
	return checked({ count: number.value, container: word.container, ...(size ? { content: size } : {}), rest });
}

const checked = (packs: Packs): Packs | ShelfReading =>
	packs.count < 1 || packs.count > mostPacks
		? unclear(`From 1 to ${mostPacks.toLocaleString('en')} packs can go in one line; check the number.`)
		: packs.content && packs.content.amount < 1
			? unclear('A pack with nothing in it? Say what is in one, for example 500 g.')
			: packs;

/** A content at the start of a text: "500 g", "1 pint", "6 pieces", "1 L jars of". */
function readContent(
	text: string,
	context: LineContext
): { unit: ContentUnit; amount: number; rest: string; container?: string } | undefined {
	const number = readNumber(text);
	if (!number || !(number.value > 0)) return undefined;
	const after = text.slice(number.length).trim();
	const word = /^[\p{L}]+(?:-[\p{L}]+)?/u.exec(after)?.[0] ?? '';
	const half = /^half[- ]pints?$/i.test(word) ? { kind: 'volume' as const, litres: 0.2365882365 } : undefined;
	const unit = half ?? unitOf(word, context);
	if (!unit) return undefined;
	let rest = after.slice(word.length).trim();
	const container = containerWord(rest);
	if (container) rest = container.rest;
	rest = rest.replace(/^(of|a)\s+/i, '');
	const found = { rest, ...(container ? { container: container.container } : {}) };
	if (unit.kind === 'weight') return { unit: 'dg', amount: dgOf(number.value * unit.kg * 1000), ...found };
	if (unit.kind === 'volume') return { unit: 'ml', amount: Math.round(number.value * unit.litres * 1000), ...found };
	if (unit.measure === 'each') return { unit: 'piece', amount: Math.round(number.value), ...found };
	return undefined;
}

type Found = Pick<OnShelf, 'placeId' | 'day' | 'monthOnly'>;

function named(
	body: string,
	mix: Mixed | undefined,
	context: LineContext
): { thing: Thing; told: Pick<NamedThing, 'place' | 'day' | 'note'> } | ShelfReading {
	const governs = mix ? governing(mix.parts) : undefined;
	// Of a mixture only the states and places around its brackets are read, as of the food that it obeys.
	const text = mix && governs ? `${governs.row.name}${mix.rest}` : body;
	const said = understand(text, context.today, { kept: true });
	const reading = mix && said.kind !== 'refused' ? mixtureOf(said, mix) : said;
	switch (reading.kind) {
		case 'refused':
			return reading;
		case 'unclear':
			return unclear(reading.message);
		case 'asked':
			return { kind: 'asked', question: reading.question, choices: reading.choices };
		case 'unknown':
			return (
				reading.asked ??
				unclear(`"${reading.text.trim()}" is not a food I know. Try its common name; Tables lists every food.`)
			);
		case 'thing': {
			return { thing: reading.thing, told: { place: reading.place, day: reading.day, note: reading.note } };
		}
	}
}

/** Kilos to the litre of what a pack holds by volume. Common practice where the food's own row is for it loose. */
export function packedDensity(thing: Thing): number {
	if (thing.madeOf && thing.madeOf.length > 1)
		return densityOf(
			thing.madeOf.map((p) => {
				const { madeOf: _parts, ...one } = thing;
				return {
					share: p.share,
					kg_per_L: packedDensity({ ...one, food: governing([{ ...p, share: 1 }]).row, form: p.form })
				};
			})
		);
	const { food, state } = thing;
	if (state === 'dried') return shelfRules.dried_kg_per_L.value;
	if (food.group === 'dish' || food.group === 'stock' || inJars.has(state)) return shelfRules.jar_kg_per_L.value;
	const cut = food.cuts[0];
	return state === 'frozen' && cut ? cut.bulk_kg_per_L.value : bulkOf(food, thing.form);
}

/** Whose word a jar of food that is not sour has: shop tins were made by tested processes, ours where someone says so. */
function withProcess(thing: Thing, note: string, container: string | undefined, jars: ShelfContext['jars']): Thing {
	if (!inJars.has(thing.state) || thing.food.acid.class === 'high') return thing;
	const said =
		container === 'tin' || /\b(tested|by the guide|shop|store bought|bought|supermarket|market)\b/i.test(note);
	return { ...thing, process: said || jars === 'tested' ? 'tested' : 'unknown' };
}

const finished = (
	thing: Thing,
	told: Pick<NamedThing, 'place' | 'day' | 'note'>,
	found: Found,
	context: ShelfContext,
	container?: string
) => ({
	kind: 'understood' as const,
	thing: withProcess(thing, told.note, container, context.jars),
	...(told.place ? { placeKind: told.place } : {}),
	...(told.day ? { day: told.day } : {}),
	note: told.note.slice(0, 200),
	...found
});

function ofPacks(
	packs: Packs,
	mix: Mixed | undefined,
	found: Found,
	context: ShelfContext,
	line: string
): ShelfReading {
	const read = named(packs.rest, mix, context);
	if ('kind' in read) return withCount(read, packs, line);
	const { told } = read;
	const canned = packs.container === 'tin' || packs.container === 'can';
	const thing: Thing = canned && read.thing.state === 'fresh' ? { ...read.thing, state: 'canned' } : read.thing;
	if (jarred.has(packs.container ?? '') && thing.state === 'fresh' && spoilsInJar(thing)) return askKept(thing, line);
	if (!packs.content) return askSize(packs, thing, line);
	const { unit, amount } = packs.content;
	const each_g =
		unit === 'dg' ? amount / 10 : unit === 'ml' ? amount * packedDensity(thing) : amount * pieceWeight(thing);
	if (!(each_g * packs.count <= most_g)) return unclear('That is over a tonne. Check the numbers.');
	return {
		...finished(thing, told, found, context, packs.container),
		counted: { unit: 'pack', content: amount, contentUnit: unit, unitG: each_g },
		amount: packs.count,
		...(packs.container ? { container: packs.container } : {}),
		because: unit === 'ml' ? `about ${Math.round(each_g)} g in one (practice)` : ''
	};
}

const jarred = new Set(['jar', 'bottle']);
/** Produce and meat in a jar are canned, dried or pickled: which of them is never assumed. */
const spoilsInJar = ({ food }: Thing) =>
	['vegetable', 'fruit', 'mushroom', 'meat', 'poultry', 'fish', 'stock', 'herb', 'flower'].includes(food.group) ||
	(food.group === 'dish' && food.id !== 'sauerkraut');

const askKept = (thing: Thing, line: string): ShelfReading => ({
	kind: 'asked',
	question: `${thing.called} in jars: how were they kept?`,
	choices: ['canned', 'dried', 'pickled', 'fermented', 'frozen'].map((s) => ({ label: s, text: `${line}, ${s}` }))
});

/** The choices of a question with the count before them. */
function withCount(reading: ShelfReading, packs: Packs, line: string): ShelfReading {
	if (reading.kind !== 'asked') return reading;
	const said = line.slice(0, line.indexOf(packs.rest)).trimEnd();
	return { ...reading, choices: reading.choices.map((c) => ({ label: c.label, text: `${said} ${c.text}` })) };
}

function askSize(packs: Packs, thing: Thing, line: string): ShelfReading {
	const jars = ['jar', 'bottle', 'tin', 'can'].includes(packs.container ?? '');
	const sizes = jars ? ['half-pint', 'pint', 'quart', '500 ml', '1 L'] : ['250 g', '500 g', '1 kg'];
	return {
		kind: 'asked',
		question: `How much is in one ${packs.container ?? 'pack'} of ${thing.called}?`,
		choices: sizes.map((s) => ({
			label: s,
			text: /^\d/.test(s)
				? `${line}, ${s}`
				: line.replace(/^(\S+\s+)(\S+)/u, `$1× 1 ${s} $2`).replace(/^(\d+) ×/u, '$1 ×')
		}))
	};
}

/** What one weighs, g; a hundred grams where no row says: a pack of pieces is counted, its weight only advises. */
function pieceWeight({ food, form, kind }: Thing): number {
	if (kind?.each_kg !== undefined) return kind.each_kg * 1000;
	for (const measure of ['each', 'head', 'ear']) {
		const entry = Object.hasOwn(food.measures, measure) ? food.measures[measure] : undefined;
		const row = entry && 'value' in entry ? entry : entry?.[form];
		if (row && typeof row.value === 'number') return (row.unit === 'lb' ? row.value * 0.45359237 : row.value) * 1000;
	}
	return 100;
}

function loose(body: string, mix: Mixed | undefined, found: Found, context: ShelfContext): ShelfReading {
	const number = readNumber(body);
	if (mix) return unclear('Say a mixture in packs, for example "6 × 600 g soup mix (carrots + leeks), frozen".');
	// "9 squash, 11.2 kg": pieces, and what they weigh together.
	const together = /,\s*(\d+(?:[.,]\d+)?)\s*(kg|g|lbs?)\s*(?=$|[,;])/iu.exec(body);
	const counts = number && Number.isInteger(number.value) && !unitOf(/^\s*([\p{L}]+)/u.exec(body.slice(number.length))?.[1] ?? '', context); // prettier-ignore
	const text =
		together && counts ? body.slice(0, together.index) + body.slice(together.index + together[0].length) : body;
	const reading = readKept(text, context);
	if (reading.kind === 'weigh-once') return unclear(reading.message);
	if (reading.kind === 'unclear') return unclear(reading.message, reading.near);
	if (reading.kind !== 'understood') return reading;
	const { thing, grams, counted } = reading;
	const told = { place: reading.place, day: reading.day, note: reading.note };
	const volume = number ? readContent(body, context) : undefined;
	if (volume?.unit === 'ml' && inJars.has(thing.state) && Number.isInteger(number?.value)) {
		const jars = number && Number.isInteger(number.value) ? number.value : 1;
		const each = Math.round(volume.amount / jars);
		return {
			...finished(thing, told, found, context),
			counted: { unit: 'pack', content: each, contentUnit: 'ml', unitG: each * packedDensity(thing) },
			amount: jars,
			container: 'jar',
			because: `${jars === 1 ? 'one jar' : `${jars} jars`}; about ${Math.round(each * packedDensity(thing))} g in one (practice)`
		};
	}
	if (volume?.unit === 'ml')
		return { ...finished(thing, told, found, context), counted: { unit: 'ml', content: null, contentUnit: null, unitG: packedDensity(thing) }, amount: volume.amount, because: '' }; // prettier-ignore
	if (counts && counted && number && number.value <= mostPacks) {
		const all_g = together ? Number((together[1] ?? '').replace(',', '.')) * (/^lb/i.test(together[2] ?? '') ? 453.59237 : /^kg/i.test(together[2] ?? '') ? 1000 : 1) : grams; // prettier-ignore
		const unitG = all_g / number.value;
		return { ...finished(thing, told, found, context), counted: { unit: 'piece', content: null, contentUnit: null, unitG }, amount: number.value, because: together ? '' : reading.because }; // prettier-ignore
	}
	return {
		...finished(thing, told, found, context),
		counted: byWeight,
		amount: amountOf(byWeight, grams),
		because: reading.because
	};
}

const readKept = (text: string, context: LineContext): Reading => readLine(text, { ...context, kept: true });
