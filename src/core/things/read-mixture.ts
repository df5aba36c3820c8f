import type { AskedNameRow } from '../../reference/things';
import type { Refusal } from '../errors';
import { refusalOf } from '../safety/refuse';
import { foodById, longestName, meaningOf, type Meaning } from './names';
import { keyOf, rawOf } from './phrase';
import { governing } from './mixture';
import type { Part } from './thing';
import { cookedAs, deadlyIn, understand, type AskedReading, type NamedThing, type Unknown } from './understand';
import { longestMark, markOf, type Mark } from './vocabulary';
import { wordsIn, type Word } from './words';

type Faulty =
	{ readonly kind: 'refused'; readonly refusal: Refusal } | { readonly kind: 'unclear'; readonly message: string };
const unclear = (message: string): Faulty => ({ kind: 'unclear', message });

/** A name, what is in it by shares that add up to 1, and the rest of the line: what is said of all of it. */
export type Mixed = { readonly parts: readonly Part[]; readonly called: string; readonly rest: string };

/** Words that say that a name is no food of its own: "soup mix", "stew kit". */
const mixing = new Set('mix mixed mixture blend kit medley base assortment'.split(' '));
/** Parts of plants that a mix may be called after: "root mix". */
const plainParts = new Set('root leaf leaves stems florets'.split(' '));

/**
 * `soup mix (carrots + leeks + 20 % potatoes)`: a name, and in brackets what is in it; parts without a share have the rest
 * alike.
 *
 * Every word is accounted for here too: the name may say no food that the brackets do not, what it says of a state ("frozen
 * soup mix") is said of all of it, and a part has no state, place or day of its own.
 *
 * @returns undefined where the text has no such brackets
 */
export function takeMixture(text: string, context: { readonly today?: string }): Mixed | Faulty | undefined {
	const match = /^([^(]*)\(([^)]*\+[^)]*)\)(.*)$/u.exec(text);
	if (!match) return undefined;
	const deadly = deadlyIn(text);
	if (deadly) return { kind: 'refused', refusal: deadly };
	const [, name = '', inside = '', rest = ''] = match;
	if (/[()]/.test(rest)) return unclear('One pair of brackets says what is in it; put the rest after "note:".');
	const parts = readParts(inside, context);
	if ('kind' in parts) return parts;
	const said = readName(name, parts);
	if ('kind' in said) return said;
	return { parts, called: name.trim() || 'mixture', rest: [rest, ...said.ofAll].join(', ') };
}

function readParts(inside: string, context: { readonly today?: string }): readonly Part[] | Faulty {
	const shares: (number | undefined)[] = [];
	const foods: Omit<Part, 'share'>[] = [];
	for (const one of inside.split('+').map((s) => s.trim())) {
		const share = /^(\d{1,3}(?:[.,]\d+)?)\s*%\s*/.exec(one);
		const named = understand(share ? one.slice(share[0].length) : one, context.today, { kept: true });
		if (named.kind === 'refused') return named;
		if (named.kind !== 'thing')
			return unclear(`"${one}" is not a food I know; in brackets stands what the mixture is made of.`);
		const { food, kind, form, state, condition, wild, identified } = named.thing;
		const told = named.place ?? named.day ?? named.price ?? (named.note || named.variety || undefined);
		if (state !== 'fresh' || condition !== 'firm' || wild || identified !== undefined || told !== undefined)
			return unclear(
				`"${one}": in brackets stand foods alone. What was done to all of it, and where it stands, comes after them: "soup mix (carrots + leeks), frozen". Parts that are kept otherwise are lots of their own.`
			);
		shares.push(share ? Number((share[1] ?? '').replace(',', '.')) / 100 : undefined);
		foods.push({ food: food.id, form, ...(kind ? { kind: kind.id } : {}) });
	}
	const told = shares.reduce<number>((sum, s) => sum + (s ?? 0), 0);
	const open = shares.filter((s) => s === undefined).length;
	if (told > 1 + 1e-9 || (open === 0 && Math.abs(told - 1) > 0.005) || (open > 0 && told >= 1))
		return unclear(`The shares come to ${Math.round(told * 100)} %. Together they are 100 %.`);
	const each = open > 0 ? (1 - told) / open : 0;
	const all = shares.map((s) => s ?? each);
	const sum = all.reduce((a, b) => a + b, 0);
	return foods.map((f, i) => ({ ...f, share: (all[i] ?? 0) / sum }));
}

type Token = { readonly words: readonly Word[]; readonly meaning?: Meaning; readonly mark?: Mark };

/** The name cut into what is known: at each word the longest that means something. */
function tokensOf(words: readonly Word[]): Token[] {
	const tokens: Token[] = [];
	for (let at = 0; at < words.length;) {
		const known = Array.from(
			{ length: Math.min(Math.max(longestName, longestMark), words.length - at) },
			(_, i) => i + 1
		)
			.reverse()
			.map((n): Token => {
				const run = words.slice(at, at + n);
				const [meaning, mark] = [meaningOf(keyOf(run)), markOf(keyOf(run))];
				return { words: run, ...(meaning ? { meaning } : {}), ...(mark ? { mark } : {}) };
			})
			.find((t) => t.meaning !== undefined || t.mark !== undefined) ?? { words: words.slice(at, at + 1) };
		tokens.push(known);
		at += known.words.length;
	}
	return tokens;
}

/** What the name of a mixture says of all of it; a fault where it says another food than the brackets do. */
function readName(name: string, parts: readonly Part[]): Faulty | { readonly ofAll: readonly string[] } {
	const words = wordsIn(name);
	const isMix = words.length === 0 || words.some((w) => mixing.has(w.key));
	const ofAll: string[] = [];
	for (const { words: said, meaning, mark } of tokensOf(words)) {
		const raw = rawOf(said);
		if (meaning?.kind === 'refused') return { kind: 'refused', refusal: refusalOf(meaning.row, { called: raw }) };
		const isFood = meaning?.kind === 'food' && !isDish(meaning);
		const becomes = !isFood && (mark?.type === 'made' || mark?.type === 'preserve' || isDish(meaning));
		if (becomes) {
			if (!isMix)
				return unclear(
					`“${raw}” is something made, no mixture: say it by itself, with what is in it as a note ("${raw}, note: ${parts.map((p) => foodById(p.food)?.name).join(', ')}"), or call it a mix.`
				);
		} else if (meaning) {
			if (!namesOneOf(meaning, parts))
				return unclear(`The name says “${raw}”, and the brackets do not. Which of them is in it?`);
		} else if (
			mark?.type === 'state' ||
			mark?.type === 'condition' ||
			mark?.type === 'place' ||
			mark?.type === 'form'
		) {
			ofAll.push(raw);
		} else if (mark && mark.type !== 'remark' && mark.type !== 'little' && !(isMix && plainParts.has(keyOf(said))))
			return unclear(`“${raw}” in the name of a mixture is not read; say it of a food of its own, or after "note:".`);
	}
	return { ofAll };
}

const isDish = (meaning: Meaning | undefined): boolean => {
	const dish = (id: string | undefined) => ['dish', 'stock'].includes((id && foodById(id)?.group) || '');
	if (meaning?.kind === 'food') return dish(meaning.food.id);
	return meaning?.kind === 'asked' && offeredBy(meaning.row).every(dish);
};
const foodIdOf = (name: string): string | undefined => {
	const meaning = meaningOf(keyOf(wordsIn(name)));
	return meaning?.kind === 'food' ? meaning.food.id : undefined;
};

/** The ids of the foods that a question offers. */
const offeredBy = (row: AskedNameRow): readonly string[] => row.choices.map(foodIdOf).filter((id) => id !== undefined);
/** "Vegetables", "fruit", "herbs": a word for whole groups of foods. */
const isGeneral = (row: AskedNameRow): boolean => row.names.includes('vegetables');

/** Whether a name, or one of those that it may stand for, is a part: "beans" of green beans, "veg" of any vegetable. */
function namesOneOf(meaning: Meaning, parts: readonly Part[]): boolean {
	if (meaning.kind === 'refused') return false;
	if (meaning.kind === 'food') return parts.some((p) => p.food === meaning.food.id);
	const offered = offeredBy(meaning.row);
	const groups = new Set(offered.map((id) => foodById(id)?.group));
	return parts.some((p) => offered.includes(p.food) || (isGeneral(meaning.row) && groups.has(foodById(p.food)?.group)));
}

const ofAll = 'Around the brackets stands what holds for all of the mixture: its state, place, day and price.';

/**
 * What was read around the brackets, said of all of the mixture: cooked, each part is what it becomes when it is cooked, and
 * parts that become one are one.
 *
 * @param named the reading of the food that the mixture obeys, with the words around its brackets
 */
export function mixtureOf(named: NamedThing | AskedReading | Unknown, mix: Mixed): NamedThing | Faulty {
	// An answer to a question would be a line of that one food: it is only said what is not read.
	if (named.kind !== 'thing') return unclear(`${named.kind === 'asked' ? `${named.question} ` : ''}${ofAll}`);
	const { thing } = named;
	const { row } = governing(mix.parts);
	if (thing.kind) return unclear(`“${thing.called}” is a kind of one of its parts. ${ofAll}`);
	if (thing.food.id === row.id) return { ...named, thing: { ...thing, called: mix.called, madeOf: mix.parts } };
	if (thing.food.id !== cookedAs(row)?.id) return unclear(`${thing.called}? ${ofAll}`);
	const cooked = new Map<string, Part>();
	for (const part of mix.parts) {
		const raw = foodById(part.food);
		const dish = raw && cookedAs(raw);
		if (!dish) return unclear(`${raw?.name ?? part.food}, cooked, is not in the tables. ${ofAll}`);
		const share = (cooked.get(dish.id)?.share ?? 0) + part.share;
		cooked.set(dish.id, { food: dish.id, form: dish.forms[0]?.id ?? 'whole', share });
	}
	const { madeOf: _none, ...one } = {
		...thing,
		called: /cooked/i.test(mix.called) ? mix.called : `cooked ${mix.called}`
	};
	const of = `of ${mix.parts.map((p) => foodById(p.food)?.name).join(', ')}`;
	const told = { ...named, note: [of, named.note].filter((n) => n !== '').join(', ') };
	return { ...told, thing: cooked.size > 1 ? { ...one, madeOf: [...cooked.values()] } : one };
}
