import { distance } from 'fastest-levenshtein';
import { bulkOf } from '../foods/cuts';
import type { Refusal } from '../errors';
import { readNumber } from '../quantities/read-number';
import { kgFromLb, unitOf, unitWords } from '../quantities/units';
import type { FoodRow, MeasureRow, PlaceKind } from '../../reference/tables';
import type { KindRow } from '../../reference/things';
import { foldName } from '../foods/fold-name';
import { densityOf, governing, partsOf } from './mixture';
import { mixtureOf, takeMixture, type Mixed } from './read-mixture';
import type { Thing } from './thing';
import { leftAsk, nearNames, understand, type Choice, type NamedThing, type Unknown } from './understand';

/** A measure of the household's own: a bowl, weighed once with this food in it. */
export interface OwnMeasure {
	readonly name: string;
	readonly food: string;
	readonly grams: number;
}

export interface Understood {
	readonly kind: 'understood';
	readonly thing: Thing;
	readonly grams: number;
	/** The count as said, for items that were counted. */
	readonly counted?: { readonly number: number; readonly unit: string };
	readonly place?: PlaceKind;
	/** When it was picked or bought, `yyyy-MM-dd`; today without it. */
	readonly day?: string;
	readonly note: string;
	readonly variety: string;
	/** What was paid for all of it, in whole money; null where nothing was said, or by the box. */
	readonly price: { readonly amount: number; readonly currency: string | undefined } | null;
	/** How the weight was found, in words, and how sure that is. Empty when it was weighed. */
	readonly because: string;
}

export type UnclearCode =
	'EMPTY' | 'NO_NUMBER' | 'NO_UNIT' | 'NO_FOOD' | 'UNKNOWN_FOOD' | 'NO_WEIGHT' | 'TOO_MUCH' | 'NOTHING';

export type Reading =
	| Understood
	/** One answer is missing: each choice is the text to say instead. */
	| { readonly kind: 'asked'; readonly question: string; readonly choices: readonly Choice[] }
	/** What was said is not kept: why, and the way on. */
	| { readonly kind: 'refused'; readonly refusal: Refusal }
	| {
			readonly kind: 'weigh-once';
			readonly measure: string;
			readonly food: FoodRow;
			readonly message: string;
	  }
	| {
			readonly kind: 'unclear';
			readonly code: UnclearCode;
			readonly message: string;
			readonly near: readonly Choice[];
	  };

export interface LineContext {
	readonly own: readonly OwnMeasure[];
	readonly metricCups: boolean;
	/** `yyyy-MM-dd` in the household's zone. */
	readonly today?: string;
	/** It stands on a shelf already: see `understand`. */
	readonly kept?: boolean;
	/** Whether near names are looked for where none is known; a comparison with every name. */
	readonly near?: boolean;
}

/** A tonne a line: more is a slip of the finger. */
const most_g = 1_000_000;

/**
 * Reads a line such as `9 kg runner beans`, `3 lb 4 oz peas in the pod, fridge` or `40 ears sweetcorn, picked yesterday`.
 *
 * The amount comes first; the rest is resolved to one thing, every word accounted for. What is ambiguous is asked, never
 * assumed; what is not kept is refused with the way on; what is not understood gets a message that shows a good example.
 */
export function readLine(text: string, context: LineContext): Reading {
	const line = text.replace(/\s+/g, ' ').trim();
	if (line === '') return unclear('EMPTY', 'Type what came in, for example "9 kg runner beans".');
	const amount = readAmount(line, context);
	if ('kind' in amount) return amount;
	return finish(line, amount, context);
}

interface Amount {
	readonly number: number;
	readonly unit?: ReturnType<typeof unitOf>;
	readonly unitWord: string;
	readonly own?: string;
	readonly grams?: number;
	readonly rest: string;
}

function readAmount(text: string, context: LineContext): Amount | Exclude<Reading, Understood> {
	if (/^[-−–]\s*\d/.test(text)) {
		return unclear('NOTHING', 'An amount is more than nothing. Say what came in, for example "2.5 kg carrots".');
	}
	const read = readNumber(text);
	if (!read) return noNumber(text, context);
	if (!(read.value > 0)) {
		return unclear('NOTHING', 'An amount is more than nothing. Say what came in, for example "2.5 kg carrots".');
	}
	let rest = text.slice(read.length);
	if (/^[.,]?\d|^[eE][+-]?\d/.test(rest)) {
		return unclear('NO_NUMBER', `"${text.split(' ')[0]}" is not a number I can read. Write it like 2.5, 2,5 or 1 1/2.`);
	}
	rest = rest.replace(/^\s+/, '');
	const own = ownMeasure(rest, context.own);
	if (own) return { number: read.value, unitWord: own.name, own: own.name, rest: own.rest };
	const word = /^(#|[\p{L}]+\.?)/u.exec(rest)?.[1] ?? '';
	const unit = unitOf(word, context);
	if (!unit) return { number: read.value, unitWord: '', rest: dropOf(rest) };
	rest = rest.slice(word.length).trim();
	if (unit.kind !== 'weight') return { number: read.value, unit, unitWord: word, rest: dropOf(rest) };
	let kg = read.value * unit.kg;
	// "3 lb 4 oz", "1 kg 200 g": a second, smaller weight belongs to the first.
	const more = readNumber(rest.replace(/^and /i, ''));
	if (more) {
		const tail = rest.replace(/^and /i, '').slice(more.length).trim();
		const smallWord = /^[\p{L}]+\.?/u.exec(tail)?.[0] ?? '';
		const small = unitOf(smallWord, context);
		if (small?.kind === 'weight' && small.kg < unit.kg) {
			kg += more.value * small.kg;
			rest = tail.slice(smallWord.length).trim();
		}
	}
	return { number: read.value, unit, unitWord: word, grams: kg * 1000, rest: dropOf(rest) };
}

function noNumber(text: string, context: LineContext): Exclude<Reading, Understood> {
	const named = understand(text, context.today, { kept: context.kept === true });
	if (named.kind === 'refused') return named;
	const known = named.kind === 'thing' ? named.thing.called : undefined;
	const near = known === undefined && context.near !== false ? nearNames(text) : [];
	const shown = known ?? near[0]?.name ?? 'peas';
	return unclear(
		'NO_NUMBER',
		`How much? Start with the amount, for example "3 kg ${shown}".`,
		near.map((n) => ({ label: n.name, text: `3 kg ${n.name}` }))
	);
}

const dropOf = (text: string) => text.replace(/^(of|a|an)\s+/i, '');

function ownMeasure(rest: string, own: readonly OwnMeasure[]): { name: string; rest: string } | undefined {
	const key = foldName(rest);
	const names = [...new Set(own.map((o) => o.name))].sort((a, b) => b.length - a.length);
	for (const name of [...names, ...names.map((n) => `${n}s`)]) {
		const folded = foldName(name);
		if (key === folded || key.startsWith(`${folded} `)) {
			const after = rest.split(/\s+/).slice(folded.split(' ').length).join(' ');
			return { name: names.includes(name) ? name : name.slice(0, -1), rest: dropOf(after) };
		}
	}
	return undefined;
}

function finish(line: string, amount: Amount, context: LineContext): Reading {
	const { rest } = amount;
	if (rest.replace(/[\s,;]/g, '') === '') {
		return unclear(
			'NO_FOOD',
			`${amount.number} ${amount.unitWord} of what? For example "${line} green beans".`.replace('  ', ' ')
		);
	}
	const said = line.slice(0, line.length - rest.length).trimEnd();
	const withAmount = (choices: readonly Choice[]): Choice[] =>
		choices.map((c) => ({ label: c.label, text: `${said} ${c.text}` }));
	const mix = takeMixture(rest, context);
	if (mix && 'kind' in mix) return mix.kind === 'refused' ? mix : unclear('UNKNOWN_FOOD', mix.message);
	// Of a mixture only the states and places around its brackets are read, as of the food that it obeys.
	const body = mix ? `${governing(mix.parts).row.name}${mix.rest}` : rest;
	const named = understand(body, context.today, { kept: context.kept === true });
	if (named.kind === 'refused') return named;
	if (mix) {
		const whole = mixtureOf(named, mix);
		if (whole.kind !== 'thing') return whole.kind === 'refused' ? whole : unclear('UNKNOWN_FOOD', whole.message);
		return mixed(amount, whole, mix);
	}
	switch (named.kind) {
		case 'asked':
			return { ...named, choices: withAmount(named.choices) };
		case 'unknown': {
			const answer = unknown(rest, amount, named, context);
			if (answer.kind === 'asked') return { ...answer, choices: withAmount(answer.choices) };
			if (answer.kind === 'unclear') return { ...answer, near: withAmount(answer.near) };
			return answer;
		}
		case 'thing':
			return measured(line, amount, named, context);
	}
}

/** A name that is not known: a measure of the household's own before it, a slip of the finger, or a variety. */
function unknown(rest: string, amount: Amount, named: Unknown, context: LineContext): Exclude<Reading, Understood> {
	const { before } = named;
	const near = context.near === false ? [] : nearNames(named.text);
	if (named.asked) {
		const meant = near.filter((n) => distance(foldName(n.name), foldName(named.text)) <= 2);
		return meant.length > 0 ? unknownFood(rest, named.text, meant) : named.asked;
	}
	if (before) {
		const wholeNear = near.filter((n) => distance(foldName(n.name), foldName(named.text)) <= 2);
		if (wholeNear.length > 0) return unknownFood(rest, named.text, wholeNear);
		// Words between a bare number and the food are a unit misspelt, or a measure of the household's own.
		if (!amount.unit && !amount.own) {
			const measure = before.words.replace(/s$/, '');
			const units = unitWords.filter((u) => u.length > 1 && distance(u, measure.toLowerCase()) <= 1).slice(0, 2);
			if (units.length > 0)
				return unclear('NO_UNIT', `"${measure}" is not a unit I know. Did you mean ${units.join(' or ')}?`, units.map((u) => ({ label: u, text: rest.replace(before.words, u) }))); // prettier-ignore
			if (before.of || /s$/i.test(before.words) || amount.number === 1) return weighOnce(measure, before.food);
		}
		const words = before.name[0] ? rest.slice(0, before.name[0].from) : before.words;
		return leftAsk(rest, words.replace(/\s+of\s*$/, '').trim(), before.food, wordsBefore(rest, before.name[0]?.from ?? 0)); // prettier-ignore
	}
	return unknownFood(rest, named.text, near);
}

const wordsBefore = (text: string, to: number) =>
	[...text.slice(0, to).matchAll(/\S+/g)].map((m) => ({ raw: m[0], key: m[0], from: m.index, to: m.index + m[0].length })); // prettier-ignore

function unknownFood(rest: string, text: string, near: readonly { name: string }[]): Exclude<Reading, Understood> {
	const tail = rest.slice(Math.max(0, rest.search(/[,;]/)));
	const extras = /[,;]/.test(rest) ? tail : '';
	const choices = near.map((n) => ({ label: n.name, text: `${n.name}${extras}` }));
	const advice = choices.length > 0 ? 'Did you mean one of these?' : 'Try its common name; Tables lists every food.';
	return unclear('UNKNOWN_FOOD', `"${text}" is not a food I know. ${advice}`, choices);
}

function measured(line: string, amount: Amount, named: NamedThing, context: LineContext): Reading {
	const { thing } = named;
	const { food } = thing;
	if (!named.formSaid && food.forms.length > 1 && amount.unit?.kind !== 'produce') return askForm(food, line);
	const weighed = weigh(amount, thing, context, line);
	if ('kind' in weighed) return weighed;
	const grams = Math.round(weighed.grams);
	if (grams < 1)
		return unclear('NOTHING', 'That is less than a gram. Say what came in, for example "250 g raspberries".');
	if (grams > most_g) {
		return unclear(
			'TOO_MUCH',
			`That would be ${Math.round(grams / 1e6)} tonnes. Up to a tonne can go in one line; check the number.`
		);
	}
	return {
		kind: 'understood',
		thing,
		grams,
		...(weighed.counted ? { counted: weighed.counted } : {}),
		...(named.place ? { place: named.place } : {}),
		...(named.day ? { day: named.day } : {}),
		note: named.note.slice(0, 200),
		variety: named.variety.slice(0, 60),
		price: priceOfAll(named, line, grams, weighed.counted?.number),
		because: weighed.because
	};
}

/** A mixture, by weight or by volume: what a litre of it weighs goes by its parts. */
function mixed(amount: Amount, named: NamedThing, mix: Mixed): Reading {
	const { thing } = named;
	const { unit } = amount;
	const kg_per_L = densityOf(partsOf(mix.parts).map((p) => ({ share: p.share, kg_per_L: bulkOf(p.row, p.form) })));
	const grams = amount.grams ?? (unit?.kind === 'volume' ? amount.number * unit.litres * kg_per_L * 1000 : undefined);
	if (grams === undefined)
		return unclear(
			'NO_WEIGHT',
			`Say ${mix.called} by weight or by volume, for example "2 kg ${mix.called} (carrots + leeks)".`
		);
	if (grams < 1)
		return unclear('NOTHING', 'That is less than a gram. Say what came in, for example "250 g raspberries".');
	if (grams > most_g)
		return unclear('TOO_MUCH', 'That is over a tonne. Up to a tonne can go in one line; check the number.');
	return {
		kind: 'understood',
		thing,
		grams: Math.round(grams),
		...(named.place ? { place: named.place } : {}),
		...(named.day ? { day: named.day } : {}),
		note: named.note.slice(0, 200),
		variety: '',
		price: priceOfAll(named, '', Math.round(grams), undefined),
		because:
			amount.grams === undefined
				? `a litre of it, loose, taken as ${kg_per_L.toFixed(2)} kg by its parts (practice); weigh it if you can`
				: ''
	};
}

/** A price by the kilo, the pound or the piece becomes one for all of it. */
function priceOfAll(
	{ price }: NamedThing,
	line: string,
	grams: number,
	pieces: number | undefined
): Understood['price'] {
	if (!price) return null;
	const { amount, currency } = price;
	const each = pieces !== undefined ? 'each' : /\d\s*(?:lbs?|pounds?)\b/i.test(line) ? 'lb' : 'kg';
	const per = price.per === 'unit' ? each : price.per;
	if (per === 'each' && pieces === undefined) return null;
	const times =
		per === 'kg' ? grams / 1000 : per === 'lb' ? grams / 1000 / kgFromLb(1) : per === 'each' ? (pieces ?? 1) : 1;
	return { amount: amount * times, currency };
}

function askForm(food: FoodRow, line: string): Reading {
	return {
		kind: 'asked',
		question: `${food.name}: ${food.forms.map((f) => f.name).join(' or ')}?`,
		choices: food.forms.map((f) => ({ label: f.name, text: `${line}, ${f.name}` }))
	};
}

type Weighed = { grams: number; counted?: { number: number; unit: string }; because: string };

/** What one weighs in a kind of its own: cherry tomatoes are no slicing tomatoes. */
const eachOf = (kind: KindRow | undefined): MeasureRow | undefined =>
	kind?.each_kg === undefined
		? undefined
		: { value: kind.each_kg, unit: 'kg', source: kind.source, confidence: kind.confidence };

function weigh(
	amount: Amount,
	thing: Thing,
	context: LineContext,
	line: string
): Weighed | Exclude<Reading, Understood> {
	const { food, form } = thing;
	if (amount.grams !== undefined) return { grams: amount.grams, because: '' };
	if (amount.own) {
		const row = context.own.find((o) => o.name === amount.own && o.food === food.id);
		if (!row) return weighOnce(amount.own, food);
		return {
			grams: amount.number * row.grams,
			counted: { number: amount.number, unit: amount.own },
			because: `your ${row.name} holds ${Math.round(row.grams)} g of ${food.name}`
		};
	}
	const measure =
		amount.unit?.kind === 'produce' ? amount.unit.measure : amount.unit?.kind === 'volume' ? amount.unit.name : 'each';
	// A head or an ear is a piece: "4 cabbages" are four heads.
	const asked = measure === 'each' ? ['each', 'head', 'ear'] : [measure];
	const own = measure === 'each' ? eachOf(thing.kind) : undefined;
	const named = asked.find((m) => measureRow(food, m, form)) ?? measure;
	const row = own ?? measureRow(food, named, form);
	if (row) {
		const kg = row.unit === 'lb' ? kgFromLb(row.value) : row.value;
		const article = /^[aeiou]/.test(measure) ? 'an' : 'a';
		return {
			grams: amount.number * kg * 1000,
			counted: { number: amount.number, unit: measure },
			because: `${measure === 'each' ? 'one' : `${article} ${measure}`} taken as ${row.value} ${row.unit} (${row.confidence}); weigh it if you can`
		};
	}
	if (measure === 'peck' && measureRow(food, 'bushel', form)) {
		const bushel = weigh(
			{ ...amount, unit: { kind: 'produce', measure: 'bushel' }, number: amount.number / 4 },
			thing,
			context,
			line
		);
		return 'kind' in bushel
			? bushel
			: { ...bushel, counted: { number: amount.number, unit: 'peck' }, because: `a quarter bushel; ${bushel.because}` };
	}
	if (amount.unit?.kind === 'volume') {
		return {
			grams: amount.number * amount.unit.litres * bulkOf(food, form) * 1000,
			counted: { number: amount.number, unit: amount.unitWord },
			because: `a litre of loose ${food.name} taken as ${bulkOf(food, form)} kg (practice); weigh it if you can`
		};
	}
	const known = Object.keys(food.measures).join(', ');
	return unclear(
		amount.unit ? 'NO_WEIGHT' : 'NO_UNIT',
		amount.unit
			? `I don't know what ${/^[aeiou]/.test(measure) ? 'an' : 'a'} ${measure} of ${food.name} weighs. Say it in kg or lb${known ? `, or as ${known}` : ''}.`
			: `${amount.number} what? For example "${amount.number} kg ${thing.called}"${known ? `; also understood: ${known}` : ''}.`,
		amount.unit
			? []
			: ['kg', 'lb'].map((u) => ({
					label: `${amount.number} ${u}`,
					text: `${line.slice(0, line.length - amount.rest.length).trimEnd()} ${u} ${amount.rest}`
				}))
	);
}

function measureRow(food: FoodRow, measure: string, form: string): MeasureRow | undefined {
	if (!Object.hasOwn(food.measures, measure)) return undefined;
	const entry = food.measures[measure];
	if (!entry) return undefined;
	if ('value' in entry && typeof entry.value === 'number') return entry as MeasureRow;
	return (entry as Readonly<Record<string, MeasureRow>>)[form];
}

function weighOnce(measure: string, food: FoodRow): Exclude<Reading, Understood> {
	return {
		kind: 'weigh-once',
		measure,
		food,
		message: `Weigh one ${measure} of ${food.name} once, and it is known ever after.`
	};
}

function unclear(
	code: UnclearCode,
	message: string,
	near: readonly Choice[] = []
): Extract<Reading, { kind: 'unclear' }> {
	return { kind: 'unclear', code, message, near };
}
