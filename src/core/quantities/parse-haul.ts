import { distance } from 'fastest-levenshtein';
import { bulkOf } from '../foods/cuts';
import { leadingFood, nearFoods, foldName } from '../foods/find-food';
import type { FoodRow, MeasureRow, PlaceKind } from '../../reference/tables';
import { readNumber } from './read-number';
import { kgFromLb, unitOf, unitWords } from './units';

export type Condition = 'firm' | 'ripe' | 'soft' | 'cut';

/** A measure of the household's own: a bowl, weighed once with this food in it. */
export interface OwnMeasure {
	readonly name: string;
	readonly food: string;
	readonly grams: number;
}

export interface Understood {
	readonly kind: 'understood';
	readonly food: FoodRow;
	/** The household's own word for it: "courgettes". */
	readonly called: string;
	readonly form: string;
	readonly grams: number;
	/** The count as said, for items that were counted. */
	readonly counted?: { readonly number: number; readonly unit: string };
	readonly place?: PlaceKind;
	readonly condition: Condition;
	readonly note: string;
	/** How the weight was found, in words, and how sure that is. Empty when it was weighed. */
	readonly because: string;
}

export type Reading =
	| Understood
	| {
			/** One answer is missing: each choice is the text to say instead. */
			readonly kind: 'ask';
			readonly question: string;
			readonly choices: readonly { readonly label: string; readonly text: string }[];
	  }
	| {
			readonly kind: 'weigh-once';
			readonly measure: string;
			readonly food: FoodRow;
			readonly message: string;
	  }
	| {
			readonly kind: 'unclear';
			readonly code:
				'EMPTY' | 'NO_NUMBER' | 'NO_UNIT' | 'NO_FOOD' | 'UNKNOWN_FOOD' | 'NO_WEIGHT' | 'TOO_MUCH' | 'NOTHING';
			readonly message: string;
			readonly near: readonly { readonly label: string; readonly text: string }[];
	  };

export interface HaulContext {
	readonly own: readonly OwnMeasure[];
	readonly metricCups: boolean;
}

/** A tonne a line: more is a slip of the finger. */
const most_g = 1_000_000;

const places: Record<string, PlaceKind> = {
	counter: 'counter', bench: 'counter', kitchen: 'counter', table: 'counter', porch: 'counter',
	fridge: 'fridge', refrigerator: 'fridge', 'in the fridge': 'fridge', cooler: 'fridge',
	cool: 'cool', 'cool room': 'cool', garage: 'cool', shed: 'cool', larder: 'cool',
	cellar: 'cellar', 'root cellar': 'cellar', clamp: 'cellar'
}; // prettier-ignore
const conditions: Record<string, Condition> = {
	firm: 'firm', fresh: 'firm', perfect: 'firm', ripe: 'ripe', 'very ripe': 'ripe',
	soft: 'soft', bruised: 'soft', split: 'soft', damaged: 'soft', overripe: 'soft', seconds: 'soft',
	cut: 'cut', washed: 'cut', sliced: 'cut', chopped: 'cut', shredded: 'cut'
}; // prettier-ignore

/**
 * Reads a line such as `9 kg runner beans`, `3 lb 4 oz peas in the pod, fridge` or `40 ears sweetcorn`.
 *
 * The first part is amount and food; parts after a comma that starts a word are place, condition, form or a note.
 * What is ambiguous is asked, never assumed; what is not understood gets a message that shows a good example.
 */
export function parseHaul(text: string, context: HaulContext): Reading {
	const line = text.replace(/\s+/g, ' ').trim();
	if (line === '') return unclear('EMPTY', 'Type what came in, for example "9 kg runner beans".');
	const [first = '', ...extras] = line.split(/\s*(?:;|,(?!\d))\s*/);
	const amount = readAmount(first, context);
	if ('kind' in amount) return amount;
	return finish(line, amount, extras.filter(Boolean), context);
}

interface Amount {
	readonly number: number;
	readonly unit?: ReturnType<typeof unitOf>;
	readonly unitWord: string;
	readonly own?: string;
	readonly grams?: number;
	readonly rest: string;
}

function readAmount(text: string, context: HaulContext): Amount | Exclude<Reading, Understood> {
	if (/^[-−–]\s*\d/.test(text)) {
		return unclear('NOTHING', 'An amount is more than nothing. Say what came in, for example "2.5 kg carrots".');
	}
	const read = readNumber(text);
	if (!read) {
		const food = leadingFood(text)?.food;
		const shown = food?.name ?? nearFoods(text)[0]?.name ?? 'peas';
		return unclear(
			'NO_NUMBER',
			`How much? Start with the amount, for example "3 kg ${shown}".`,
			food ? [] : nearTexts('3 kg', text)
		);
	}
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

function finish(line: string, amount: Amount, extras: string[], context: HaulContext): Reading {
	if (amount.rest === '') {
		return unclear(
			'NO_FOOD',
			`${amount.number} ${amount.unitWord} of what? For example "${line} green beans".`.replace('  ', ' ')
		);
	}
	const found = leadingFood(amount.rest) ?? trailingFood(amount.rest);
	// Words between a bare number and the food are a unit misspelt, or a measure of the household's own.
	const between = amount.unit || amount.own || !found || leadingFood(amount.rest) ? undefined : bowlOf(amount, line);
	if (between) return between;
	if (!found) {
		const near = nearFoods(amount.rest).map((f) => ({ label: f.name, text: line.replace(amount.rest, f.name) }));
		const advice =
			near.length > 0 ? 'Did you mean one of these?' : 'Tables of more foods are on the way; try its common name.';
		return unclear('UNKNOWN_FOOD', `"${amount.rest}" is not a food I know yet. ${advice}`, near);
	}
	const { food } = found;
	const details = readDetails(food, [found.rest, ...extras].filter(Boolean));
	if (!details.form && food.forms.length > 1 && amount.unit?.kind !== 'produce') {
		return ask(food, line);
	}
	const form = details.form ?? (food.forms[0] as { id: string }).id;
	const weighed = weigh(amount, food, form, context, line);
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
		food,
		called: found.called.toLowerCase().replace(/-/g, ' '),
		form,
		grams,
		...(weighed.counted ? { counted: weighed.counted } : {}),
		...(details.place ? { place: details.place } : {}),
		condition: details.condition,
		note: details.note,
		because: weighed.because
	};
}

/** "green bush beans from the far bed": the food may stand inside. */
function trailingFood(text: string): { food: FoodRow; called: string; rest: string } | undefined {
	const words = text.split(/\s+/);
	for (let from = 1; from < words.length; from++) {
		const found = leadingFood(words.slice(from).join(' '));
		if (found)
			return {
				food: found.food,
				called: found.called,
				rest: [words.slice(0, from).join(' '), found.rest].filter(Boolean).join(' ')
			};
	}
	return undefined;
}

function readDetails(food: FoodRow, parts: string[]) {
	let form: string | undefined;
	let place: PlaceKind | undefined;
	let condition: Condition = 'firm';
	const notes: string[] = [];
	for (const part of parts) {
		const key = foldName(part).replace(/^in (?=(fridge|cellar|shed|garage))/, '');
		const asForm = food.forms.find((f) => [f.id, f.name, ...f.names].some((n) => foldName(n) === key));
		const asPlace = places[key] ?? places[key.replace(/^(in|on) the /, '')];
		if (asForm) form = asForm.id;
		else if (asPlace) place = asPlace;
		else if (Object.hasOwn(conditions, key)) condition = conditions[key] as Condition;
		else notes.push(part);
	}
	return { form, place, condition, note: notes.join(', ').slice(0, 200) };
}

function ask(food: FoodRow, line: string): Reading {
	return {
		kind: 'ask',
		question: `${food.name}: ${food.forms.map((f) => f.name).join(' or ')}?`,
		choices: food.forms.map((f) => ({ label: f.name, text: `${line}, ${f.name}` }))
	};
}

type Weighed = { grams: number; counted?: { number: number; unit: string }; because: string };

function weigh(
	amount: Amount,
	food: FoodRow,
	form: string,
	context: HaulContext,
	line: string
): Weighed | Exclude<Reading, Understood> {
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
	const named = asked.find((m) => measureRow(food, m, form)) ?? measure;
	const row = measureRow(food, named, form);
	if (row) {
		const kg = row.unit === 'lb' ? kgFromLb(row.value) : row.value;
		return {
			grams: amount.number * kg * 1000,
			counted: { number: amount.number, unit: measure },
			because: `${measure === 'each' ? 'one' : `a ${measure}`} taken as ${row.value} ${row.unit} (${row.confidence}); weigh it if you can`
		};
	}
	if (measure === 'peck' && measureRow(food, 'bushel', form)) {
		const bushel = weigh(
			{ ...amount, unit: { kind: 'produce', measure: 'bushel' }, number: amount.number / 4 },
			food,
			form,
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
			? `I don't know what a ${measure} of ${food.name} weighs. Say it in kg or lb${known ? `, or as ${known}` : ''}.`
			: `${amount.number} what? For example "${amount.number} kg ${food.name}"${known ? `; also understood: ${known}` : ''}.`,
		amount.unit
			? []
			: ['kg', 'lb']
					.map((u) => ({ label: `${amount.number} ${u}`, text: line.replace(food.name, `${u} ${food.name}`) }))
					.filter((c) => c.text !== line)
	);
}

function measureRow(food: FoodRow, measure: string, form: string): MeasureRow | undefined {
	const entry = food.measures[measure];
	if (!entry) return undefined;
	if ('value' in entry && typeof entry.value === 'number') return entry as MeasureRow;
	return (entry as Readonly<Record<string, MeasureRow>>)[form];
}

/** "2 big bowls raspberries", never weighed: the words before a known food are taken as a measure to weigh once. */
function bowlOf(amount: Amount, line: string): Exclude<Reading, Understood> | undefined {
	const words = amount.rest.split(/\s+/);
	for (let n = 1; n < words.length; n++) {
		const found = leadingFood(words.slice(n).join(' ').replace(/^of /, ''));
		if (!found) continue;
		const measure = words.slice(0, n).join(' ').replace(/ of$/, '').replace(/s$/, '');
		const near = unitWords.filter((u) => u.length > 1 && distance(u, measure.toLowerCase()) <= 1).slice(0, 2);
		if (near.length > 0) {
			const choices = near.map((u) => ({ label: u, text: line.replace(words.slice(0, n).join(' '), u) }));
			return unclear('NO_UNIT', `"${measure}" is not a unit I know. Did you mean ${near.join(' or ')}?`, choices);
		}
		return weighOnce(measure, found.food);
	}
	return undefined;
}

function weighOnce(measure: string, food: FoodRow): Exclude<Reading, Understood> {
	return {
		kind: 'weigh-once',
		measure,
		food,
		message: `Weigh one ${measure} of ${food.name} once, and it is known ever after.`
	};
}

function nearTexts(amount: string, text: string) {
	return nearFoods(text).map((f) => ({ label: f.name, text: `${amount} ${f.name}` }));
}

function unclear(
	code: Extract<Reading, { kind: 'unclear' }>['code'],
	message: string,
	near: readonly { label: string; text: string }[] = []
): Extract<Reading, { kind: 'unclear' }> {
	return { kind: 'unclear', code, message, near };
}
