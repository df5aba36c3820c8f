import { distance } from 'fastest-levenshtein';
import type { Refusal } from '../errors';
import type { FoodRow, PlaceKind } from '../../reference/tables';
import { keptNameRows, type KindRow, type MadeRow } from '../../reference/things';
import { admit, admitKept, isOwnState } from '../safety/admit';
import { keptState } from './kept-state';
import { refusalOf } from '../safety/refuse';
import { allNames, foodById, kindById, longestName, meaningOf, type Meaning } from './names';
import { keyOf, rawOf, readPhrase, type Named, type Phrase } from './phrase';
import { readStory, type SaidPrice, type Story } from './story';
import { markOf, type Mark } from './vocabulary';
import { mustBeIdentified, type Condition, type State, type Thing } from './thing';
import { nameKey, wordsIn, type Word } from './words';

/** A choice: what to say instead. */
export interface Choice {
	readonly label: string;
	readonly text: string;
}
export interface AskedReading {
	readonly kind: 'asked';
	readonly question: string;
	readonly choices: readonly Choice[];
}
export interface RefusedReading {
	readonly kind: 'refused';
	readonly refusal: Refusal;
}
/** A thing that was named, with what else was said of it. */
export interface NamedThing {
	readonly kind: 'thing';
	readonly thing: Thing;
	/** Whether a form was said; else it is the food's first. */
	readonly formSaid: boolean;
	readonly place: PlaceKind | undefined;
	/** `yyyy-MM-dd` */
	readonly day: string | undefined;
	readonly note: string;
	readonly variety: string;
	readonly price: SaidPrice | undefined;
	/** Where the name stands in the text. */
	readonly name: readonly Word[];
}
export interface Unknown {
	readonly kind: 'unknown';
	/** What was taken for a name. */
	readonly text: string;
	/** Words before a food that could be a measure: "2 trugs runner beans". */
	/** What is asked where no known name is near. */
	readonly asked?: AskedReading;
	readonly before?: {
		readonly words: string;
		readonly food: FoodRow;
		readonly name: readonly Word[];
		readonly of: boolean;
	};
}
export type Understanding = NamedThing | AskedReading | RefusedReading | Unknown;

const isPlant = (food: FoodRow) =>
	['vegetable', 'mushroom', 'herb', 'flower'].includes(food.group) || food.id === 'dry-beans';

/** What a food has become when it was cooked: a dish of the tables; undefined where none holds for it. */
export function cookedAs(food: FoodRow): FoodRow | undefined {
	if (food.group === 'dish' || food.group === 'stock') return food;
	if (mustBeIdentified({ food })) return undefined;
	if (isPlant(food)) return foodById('cooked-vegetables');
	const id = { fruit: 'cooked-fruit', meat: 'cooked-meat', poultry: 'cooked-chicken', fish: 'cooked-fish' }[
		food.group as string
	];
	return id === undefined ? undefined : foodById(id);
}

/** "parsnip soup": what the last word makes of a food. */
function madeOf(row: MadeRow, food: FoodRow): { food: FoodRow; of?: KindRow } | undefined {
	if (mustBeIdentified({ food })) return undefined;
	const path = isPlant(food) ? row.plant : food.group === 'fruit' ? row.fruit : food.group === 'fish' ? row.fish : ['meat', 'poultry'].includes(food.group) ? row.meat : undefined; // prettier-ignore
	if (!path) return undefined;
	const [id = '', kind] = path.split('/');
	const made = foodById(id);
	const of = kindById(id, kind);
	return made ? { food: made, ...(of ? { of } : {}) } : undefined;
}

/** A refusal by a deadly name, wherever in the line it stands. */
export function deadlyIn(text: string): Refusal | undefined {
	const words = wordsIn(text);
	for (let at = 0; at < words.length; at++)
		for (let n = Math.min(longestName, words.length - at); n > 0; n--) {
			const meaning = meaningOf(keyOf(words.slice(at, at + n)));
			if (meaning?.kind === 'refused' && meaning.row.deadly) return refusalOf(meaning.row, {});
		}
	return undefined;
}

const keptNames = new Map(keptNameRows.flatMap((row) => row.names.map((n) => [nameKey(n), row] as const)));

/** Words that pick a kind although they stand apart: "peaches, white", "beans, runner". */
function regroup(words: readonly Word[], named: Named): Meaning | undefined {
	return words.length === 0 ? undefined : meaningOf(`${keyOf(words)} ${keyOf(named.words)}`);
}

/**
 * Resolves a name, and everything that is said beside it, to one thing.
 *
 * Every word is accounted for: as name, form, state, condition, place, variety, day, price, origin, purpose or note. What
 * is left over asks or refuses; it is never dropped. Of two names in a phrase the last is the food, and the words before it
 * must be one of its kinds.
 *
 * @param today `yyyy-MM-dd` in the household's zone, for days that are said
 * @param options.kept it stands on a shelf already: what was made of it and how it was kept is what it is, and is not refused
 */
export function understand(text: string, today?: string, { kept = false }: { kept?: boolean } = {}): Understanding {
	const deadly = deadlyIn(text);
	if (deadly) return { kind: 'refused', refusal: deadly };
	const story = readStory(text, today);
	if (story.badDay)
		return { kind: 'asked', question: `"${story.badDay}": which day was that? It lies ahead, or is none.`, choices: noteChoice(text, story.badDay) }; // prettier-ignore
	const parts = partsOf(story.rest);
	const phrases = parts.map((words) => readPhrase(words));
	const at = phrases.findIndex((p) => p.name !== undefined);
	const main = phrases[at];
	if (!main?.name) return { kind: 'unknown', text: rawOf(parts.flat()) };
	if (main.otherwise)
		return { kind: 'asked', question: 'That can be read in two ways. Which?', choices: main.otherwise.map((text) => ({ label: text, text })) }; // prettier-ignore
	let { meaning } = main.name;
	let name = main.name;
	let called = rawOf(name.words);
	const left: Word[] = [];
	const others: Named[] = [];
	for (const [i, phrase] of phrases.entries()) {
		if (i === at) {
			left.push(...phrase.left);
			if (phrase.second) others.push(phrase.second);
			continue;
		}
		// A part that is no name of its own may pick the kind.
		const words = parts[i] ?? [];
		const kind = phrase.name || phrase.left.length > 0 ? regroup(words, name) : undefined;
		if (kind) {
			meaning = kind;
			called = `${rawOf(words)} ${called}`;
			phrases[i] = {
				name: undefined,
				pieces: [],
				left: [],
				second: undefined,
				mixed: [],
				otherwise: undefined,
				remarks: []
			};
		} else if (phrase.name) others.push(phrase.name);
		else left.push(...phrase.left);
	}
	const after = main.left.filter((w) => w.from > (name.words.at(-1)?.to ?? 0));
	if (left.length > 0 && after.length === left.length) {
		const kind = regroup(left, name);
		if (kind) {
			meaning = kind;
			called = `${rawOf(left)} ${called}`;
			left.length = 0;
		}
	}
	const standing =
		kept && meaning.kind === 'refused' && !meaning.row.deadly ? keptNames.get(keyOf(name.words)) : undefined;
	const onShelf = standing && foodById(standing.food);
	if (onShelf) meaning = { kind: 'food', food: onShelf };
	if (meaning.kind === 'refused')
		return { kind: 'refused', refusal: refusalOf(meaning.row, { called: rawOf(name.words) }) };
	const made = headIsPart(main, others);
	const head = made ? markOf(keyOf(name.words)) : undefined;
	if (made) {
		others.splice(others.indexOf(made), 1);
		called = `${rawOf(made.words)} ${called}`;
		name = made;
		({ meaning } = made);
		if (meaning.kind === 'refused') return { kind: 'refused', refusal: refusalOf(meaning.row, {}) };
	}
	// "Loaves of bread", "damson plums": two names of one food, of which the one with a kind tells more.
	const alike = meaning.kind === 'food' ? sameFood(meaning, others) : undefined;
	if (alike) meaning = alike;
	else if (others.length > 0) return twoNames(text, name, others);
	if (meaning.kind === 'asked') return askRow(text, name, meaning.row, left);
	if (left.length > 0) return leftOver(text, name, meaning.food, left);
	if (standing) {
		const settled = settle(text, {
			name,
			called,
			meaning,
			head: undefined,
			headWords: undefined,
			phrases,
			story,
			kept
		});
		if (settled.kind !== 'thing') return settled;
		const { thing } = settled;
		const state = thing.state === 'fresh' ? (standing.state as State) : thing.state;
		return { ...settled, formSaid: true, thing: { ...thing, form: standing.form, state } };
	}
	const headWords = made ? keyOf(main.name.words) : undefined;
	return settle(text, { name, called, meaning, head, headWords, phrases, story, kept });
}

function sameFood(
	head: Extract<Meaning, { kind: 'food' }>,
	others: readonly Named[]
): Extract<Meaning, { kind: 'food' }> | undefined {
	if (others.length === 0) return undefined;
	let told = head;
	for (const { meaning } of others) {
		if (meaning.kind !== 'food' || meaning.food !== head.food) return undefined;
		if (meaning.of && told.of && meaning.of !== told.of) return undefined;
		if (meaning.of) told = meaning;
	}
	return told;
}

/** "apple butter", "tomato seeds": the head is itself a name, and makes another thing of the food before it. */
function headIsPart(main: Phrase, others: readonly Named[]): Named | undefined {
	const head = main.name;
	if (!head) return undefined;
	const [before] = others;
	if (!before || others.length !== 1) return undefined;
	const touching = before.words.at(-1) !== undefined && (head.words[0]?.from ?? 0) - (before.words.at(-1)?.to ?? 0) <= 1 && (before.words[0]?.from ?? 0) < (head.words[0]?.from ?? 0); // prettier-ignore
	const mark = markOf(keyOf(head.words))?.type;
	return touching && (mark === 'made' || mark === 'preserve' || mark === 'part') ? before : undefined;
}

interface Settling {
	readonly name: Named;
	readonly called: string;
	readonly meaning: Extract<Meaning, { kind: 'food' }>;
	/** What the head of the phrase makes of the food: "soup", "seeds". */
	readonly head: Mark | undefined;
	readonly headWords: string | undefined;
	readonly kept: boolean;
	readonly phrases: readonly Phrase[];
	readonly story: Story;
}

function settle(
	text: string,
	{ name, meaning, head, headWords, phrases, story, kept, ...settling }: Settling
): Understanding {
	let { food, of } = meaning;
	const original = { food, of };
	const pieces = phrases.flatMap((p) => p.pieces);
	let { called } = settling;
	if (head) {
		const made = head.type === 'made' ? madeOf(head.row, food) : undefined;
		if (head.type === 'made' && !made) return refusedMade(food);
		if (made) ({ food, of } = { of: undefined, ...made });
	}
	const saidStates: State[] = [];
	const saidConditions: (Condition | 'spoiled')[] = [];
	const marks: Parameters<typeof admit>[0]['marks'][number][] = head && head.type !== 'made' ? [head.type] : [];
	const notes: string[] = [];
	const unknown: Word[] = [];
	/** What a preserve or a part is called: "jam", "bones". */
	let madeInto = head?.type === 'preserve' || head?.type === 'part' ? headWords : undefined;
	let place: PlaceKind | undefined;
	let form: string | undefined;
	let wild = false;
	let identified: boolean | undefined;
	for (const piece of pieces) {
		const { mark, words } = piece;
		switch (mark.type) {
			case 'state': {
				// "In pieces" says how any food was prepared; of a chicken it is a form of its own.
				const own = mark.state === 'prepared' ? formNamed(food, keyOf(words)) : undefined;
				if (own) {
					form = own;
					break;
				}
				saidStates.push(mark.state);
				if (mark.state === 'prepared') notes.push(rawOf(words));
				break;
			}
			case 'condition':
				saidConditions.push(mark.condition);
				break;
			case 'place':
				place = mark.place;
				break;
			case 'form': {
				const own = formNamed(food, mark.names);
				if (own) form = own;
				else if (mark.names === 'whole' || (food.perishable && cutsOfMeat.has(mark.names))) notes.push(rawOf(words));
				else if (preparedForms.has(mark.names)) {
					saidStates.push('prepared');
					notes.push(rawOf(words));
				} else unknown.push(...words);
				break;
			}
			case 'made': {
				const made = piece.after ? madeOf(mark.row, original.food) : undefined;
				if (!made) return piece.after ? refusedMade(food) : leftOver(text, name, food, words);
				food = made.food;
				of = made.of;
				called = `${called} ${rawOf(words)}`;
				break;
			}
			case 'preserve':
			case 'part':
				if (piece.after) {
					marks.push(mark.type);
					madeInto ??= keyOf(words);
				} else unknown.push(...words);
				break;
			case 'wild':
				wild = true;
				break;
			case 'identified':
				identified = true;
				break;
			case 'unripe':
				if (food.id === 'tomatoes' && !of) {
					const bare = blanked(text, words);
					return {
						kind: 'asked',
						question: 'Unripe tomatoes are another food, with their own ways. Unripe, or a green kind that is ripe?',
						choices: [
							{ label: 'unripe', text: tidy(replaced(bare, name.words, 'green tomatoes')) },
							{ label: 'ripe, a green kind', text: `${tidy(bare)}, note: ${rawOf(words)}` }
						]
					};
				}
				unknown.push(...words);
				break;
			case 'remark':
				notes.push(rawOf(words));
				break;
			case 'little':
				break;
		}
	}
	if (unknown.length > 0) return leftOver(text, name, food, unknown);
	const said = {
		food,
		states: saidStates,
		conditions: saidConditions,
		marks,
		mixed: phrases.some((p) => p.mixed.length > 0)
	};
	const refusal = kept ? admitKept(said, madeInto) : admit(said);
	if (refusal) return { kind: 'refused', refusal };
	for (const word of story.variety === '' ? [] : wordsIn(story.variety)) {
		const kind = meaningOf(`${word.key} ${keyOf(name.words)}`);
		if (kind?.kind === 'food' && kind.food.id === food.id && kind.of?.never) of = kind.of;
	}
	let state: State = 'fresh';
	const telling = saidStates.filter((s) => !isOwnState(food, s));
	if (telling.includes('cooked')) {
		const dish = cookedAs(food);
		if (dish) {
			if (dish !== food) {
				food = dish;
				of = undefined;
				called = `cooked ${called}`;
			}
		} else state = 'cooked';
	}
	if (telling.includes('smoked') && food.group === 'fish' && food.id !== 'smoked-fish') {
		food = foodById('smoked-fish') ?? food;
		of = undefined;
		called = `smoked ${called}`;
	}
	const cold = telling.find((s) => s === 'frozen' || s === 'thawed');
	if (cold) state = cold;
	else if (telling.includes('soaked')) state = 'soaked';
	else if (state === 'fresh' && telling.includes('prepared')) state = 'prepared';
	if (kept) {
		state = keptState(telling, madeInto, state);
		if (madeInto !== undefined) called = called.endsWith(madeInto) ? called : `${called} ${madeInto}`;
	}
	const rank: Condition[] = ['unsound', 'soft', 'ripe', 'firm'];
	const condition = rank.find((c) => saidConditions.includes(c)) ?? 'firm';
	const variety = story.variety === '' ? [] : [`variety ${story.variety}`];
	return {
		kind: 'thing',
		thing: {
			food,
			...(of ? { kind: of } : {}),
			called: called.toLowerCase().replace(/-/g, ' '),
			form: (kept ? madeInto : undefined) ?? form ?? food.forms[0]?.id ?? 'whole',
			state,
			condition,
			...(wild ? { wild } : {}),
			...(identified === undefined ? {} : { identified })
		},
		formSaid: form !== undefined || (kept && madeInto !== undefined),
		place,
		day: story.day,
		variety: story.variety,
		price: story.price,
		note: [...variety, ...notes, ...phrases.flatMap((p) => p.remarks), ...story.notes].join(', '),
		name: name.words
	};
}

/** The form of a food that goes by this name, folded. */
const formNamed = (food: FoodRow, key: string): string | undefined =>
	food.forms.find((f) => [f.id, f.name, ...f.names].some((n) => nameKey(n) === key))?.id;

/** Said of any meat, whether or not its table tells them apart. */
const cutsOfMeat = new Set(['boneless', 'bone in', 'off the bone', 'pieces', 'joints', 'fillets', 'fillet', 'steaks']);
/** Forms of other foods that say "ready cut" of any. */
const preparedForms = new Set(['shelled', 'podded', 'husked', 'shucked', 'pieces', 'filleted']);

const refusedMade = (food: FoodRow): RefusedReading => {
	const refusal = admit({ food, states: [], conditions: [], marks: ['preserve'], mixed: false });
	if (!refusal) throw new Error('a preserve is always refused');
	return { kind: 'refused', refusal };
};

const replaced = (text: string, words: readonly Word[], by: string): string => {
	const [first] = words;
	const last = words.at(-1);
	return first && last ? `${text.slice(0, first.from)}${by}${text.slice(last.to)}`.replace(/\s+/g, ' ').trim() : text;
};

function renamed(text: string, name: Named, question: string, names: readonly string[]): AskedReading {
	return { kind: 'asked', question, choices: names.map((n) => ({ label: n, text: replaced(text, name.words, n) })) };
}

/** The choices stand in place of the name, and of what was left over beside it. */
function askRow(
	text: string,
	name: Named,
	row: { question: string; choices: readonly string[] },
	left: readonly Word[]
): Understanding {
	const before = left.filter((w) => w.to <= (name.words[0]?.from ?? 0));
	if (before.length > 0 && before.length === left.length)
		return {
			kind: 'unknown',
			text: `${rawOf(left)} ${rawOf(name.words)}`,
			asked: renamed(blanked(text, left), name, row.question, row.choices)
		};
	return renamed(blanked(text, left), name, row.question, row.choices);
}

function noteChoice(text: string, words: string): Choice[] {
	const without = tidy(text.replace(words, ' '));
	return [{ label: `only a note: “${words}”`, text: `${without}, note: ${words}` }];
}

function twoNames(text: string, name: Named, others: readonly Named[]): AskedReading {
	const all = [...others, name].sort((a, b) => (a.words[0]?.from ?? 0) - (b.words[0]?.from ?? 0));
	const said = all.map((n) => rawOf(n.words));
	// Only the last noun can be the food; the first is offered as nothing but a note of where or what kind.
	return {
		kind: 'asked',
		question: `${said.join(' and ')}: I know no such kind. Which is it? One line for each food.`,
		choices: all.map((n) => {
			const rest = all.filter((o) => o !== n);
			const bare = rest.reduce((t, o) => blanked(t, o.words), text);
			return { label: rawOf(n.words), text: tidy(bare.replace(/(?<=^|\s)(and|or|plus)(?=\s|$)/gi, ' ')) };
		})
	};
}

const blanked = (text: string, words: readonly Word[]): string =>
	words.reduce((t, w) => t.slice(0, w.from) + ' '.repeat(w.to - w.from) + t.slice(w.to), text);

/** A line after words were taken out of it. */
const tidy = (text: string): string =>
	text
		.replace(/\s+/g, ' ')
		.replace(/\s+,/g, ',')
		.replace(/,(\s*,)+/g, ',')
		.replace(/^[\s,]+|[\s,]+$/g, '');

function leftOver(text: string, name: Named, food: FoodRow, left: readonly Word[]): Understanding {
	const first = name.words[0]?.from ?? 0;
	const before = left.filter((w) => w.to <= first);
	const words = rawOf(left);
	const unknown = left.every((w) => meaningOf(w.key) === undefined);
	if (unknown && before.length === left.length && left.length <= 3) {
		const between = text.slice(left.at(-1)?.to ?? 0, first).trim();
		if (between === '' || between === 'of')
			return {
				kind: 'unknown',
				text: `${words} ${rawOf(name.words)}`,
				before: { words, food, name: name.words, of: between === 'of' }
			};
	}
	return leftAsk(text, words, food, left);
}

/** "sungold tomatoes": a word that nothing is known of may be its variety, or a note; never nothing. */
export function leftAsk(text: string, words: string, food: FoodRow, left: readonly Word[]): AskedReading {
	const without = tidy(blanked(text, left)).replace(/^of\s+/i, '');
	const picky = food.group === 'mushroom' || mustBeIdentified({ food });
	const choices: Choice[] =
		picky || left.some((w) => w.key === 'from' || w.key === 'for')
			? []
			: [{ label: `the variety: “${words}”`, text: `${without}, variety ${words}` }];
	if (!picky) choices.push({ label: `only a note: “${words}”`, text: `${without}, note: ${words}` });
	return {
		kind: 'asked',
		question: picky
			? `"${words}": I know no such mushroom or wild plant. Call it by its own name, once an expert has named it.`
			: `"${words}": what does it say of the ${food.name}?`,
		choices: choices.length > 0 ? choices : [{ label: food.name, text: `${without}` }]
	};
}

/** The parts of a line between commas that start a word, or semicolons. */
function partsOf(text: string): Word[][] {
	const parts: Word[][] = [];
	let from = 0;
	const ends = [...text.matchAll(/;|,(?!\d)/g)].map((m) => m.index);
	for (const end of [...ends, text.length]) {
		const words = wordsIn(text).filter((w) => w.from >= from && w.to <= end);
		if (words.length > 0) parts.push(words);
		from = end;
	}
	return parts;
}

/** Foods whose names were probably meant, nearest first, each once. Cost: one comparison for each known name. */
export function nearNames(text: string, most = 3): { name: string; food: FoodRow }[] {
	const key = nameKey(text);
	if (key.length < 2) return [];
	const whole = scored(key);
	// "aspargus tips": no name is near the whole of it, one is near a word of it.
	if (whole.size === 0)
		for (const word of key.split(' ').filter((w) => w.length > 3))
			for (const [food, hit] of scored(word)) if (!whole.has(food)) whole.set(food, hit);
	return [...whole.values()].sort((a, b) => a.score - b.score).slice(0, most).map(({ name, food }) => ({ name, food })); // prettier-ignore
}

interface Hit {
	readonly name: string;
	readonly food: FoodRow;
	readonly score: number;
}
function scored(key: string): Map<string, Hit> {
	const hits = new Map<string, Hit>();
	const reach = Math.max(1, Math.floor(key.length / 3));
	for (const [name, meaning] of allNames()) {
		if (meaning.kind !== 'food') continue;
		const inside = name.includes(key) || (key.length > 3 && name.length > 2 && key.includes(name));
		if (!inside && Math.abs(name.length - key.length) > reach) continue;
		const score = inside ? 0.5 + Math.abs(name.length - key.length) / 50 : distance(key, name);
		if (!inside && score > reach) continue;
		const { food, of } = meaning;
		const old = hits.get(food.id);
		// The table's own name of the food or kind is offered, not the letters that were near.
		const plainName = of ? (of.names[0] ?? food.name) : food.name;
		if (!old || score < old.score) hits.set(food.id, { name: plainName, food, score });
	}
	return hits;
}
