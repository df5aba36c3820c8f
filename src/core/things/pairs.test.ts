import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canningProducts } from '../../reference/canning';
import { productsOf } from '../canning/products';
import { advise } from '../safety/advise';
import { wayIds } from '../safety/question';
import { admitted } from './admitted';
import { clockOf } from './clock';
import { foodById } from './names';
import { mayMean, terms, type Term } from './pairs';
import { readLine, type Reading } from './read-line';
import type { Thing } from './thing';
import { markOf } from './vocabulary';

const context = { own: [], metricCups: true, near: false } as const;
const read = (text: string): Reading => admitted(readLine(text, context));
const all = terms();
const names = all.filter((t) => t.meaning !== undefined);
/** Foods that a state, a dish word or a way of cooking makes of another: their rows hold for what was said. */
const made = new Set(['cooked-vegetables', 'cooked-fruit', 'cooked-meat', 'cooked-chicken', 'cooked-fish', 'smoked-fish', 'vegetable-soup', 'meat-soup', 'seafood-soup', 'meat-sauce', 'beef-stew']); // prettier-ignore
const says = (term: Term, type: string) => term.mark?.type === type;

/** What is wrong with a reading of two words, or nothing. */
function fault(before: Term, after: Term, reading: Reading): string | undefined {
	if (reading.kind !== 'understood') return undefined;
	const { thing } = reading;
	const either = [before, after];
	const food = thing.food.id;
	// A state or condition that was said is the thing's, or made it another.
	for (const term of either) {
		const { mark } = term;
		if (isName(`${before.words} ${after.words}`)) continue;
		if (mark?.type === 'condition' && mark.condition === 'spoiled') return 'spoiled and kept';
		if (mark?.type === 'condition' && mark.condition === 'unsound' && thing.condition !== 'unsound')
			return 'unsound and not said';
		if (mark?.type === 'state' && (mark.state === 'frozen' || mark.state === 'thawed') && thing.state !== mark.state) return `${mark.state} and not said`; // prettier-ignore
		if (
			!term.meaning &&
			(says(term, 'preserve') || says(term, 'part')) &&
			!inLongerName(`${before.words} ${after.words}`, term.words)
		)
			return `a ${mark?.type} was dropped`;
	}
	if (mayMean(before, after, food)) return undefined;
	// "Whole fish" is a form of every fish.
	if (either.some((t) => t.mark?.type === 'form' && thing.food.forms.some((f) => f.names.includes(t.words))))
		return undefined;
	// "Stewed", "smoked", "soup": the word that made a dish of it stands in the line.
	const cooked = `${before.words} ${after.words}`.split(' ').some((w) => {
		const mark = markOf(w);
		return mark?.type === 'made' || (mark?.type === 'state' && (mark.state === 'cooked' || mark.state === 'smoked'));
	});
	const whole = either.some(
		(t) => t.mark?.type === 'state' && (t.mark.state === 'cooked' || t.mark.state === 'smoked')
	);
	if (made.has(food) && (cooked || whole || after.mark?.type === 'made')) return undefined;
	return `${food} is not what it says`;
}
/** "Leaf" of "coriander leaf": part of a name, no part of a plant that would be dropped. */
function inLongerName(text: string, part: string): boolean {
	const words = text.split(' ');
	return words.some((_, at) =>
		words.some((_w, to) => {
			const run = words.slice(at, to + 1).join(' ');
			return run !== part && ` ${run} `.includes(` ${part} `) && isName(run);
		})
	);
}
const known = new Set(names.map((t) => t.words));
const isName = (words: string) => known.has(words);

/** Everything that a thing is advised, held against the food that it is: rows of no other food, nothing for what is not fresh. */
function holdAdvice(thing: Thing, line: string): number {
	let processes = 0;
	for (const way of wayIds) {
		const advice = advise(thing, way, { altitude_m: 300, days: 1, place: way === 'vacuum' ? 'fridge' : 'freezer' });
		if (advice.kind === 'refused') {
			expect(advice.instead.length, line).toBeGreaterThan(0);
			continue;
		}
		expect(advice.food?.id, `${line}, ${way}`).toBe(thing.food.id);
		for (const row of advice.blanch) expect(row.food, line).toBe(thing.food.id);
		for (const process of advice.processes) {
			processes++;
			expect(process.product.foods, line).toContain(thing.food.id);
			expect(thing.kind?.never?.can, line).toBeUndefined();
			expect(['fresh', 'prepared', 'soaked'], line).toContain(thing.state);
			expect(thing.condition, line).not.toBe('unsound');
			expect(thing.food.marks ?? [], line).not.toContain('wild-mushroom');
		}
	}
	for (const product of productsOf(thing.food.id)) {
		const advice = advise(thing, 'can', { altitude_m: 300, product: product.product });
		if (advice.kind === 'allowed') expect(thing.kind?.never?.can, line).toBeUndefined();
	}
	const clock = clockOf(thing, [{ place: 'counter', place_C: 21, from: 0, until: null }], 0);
	expect(clock.goneBy, line).toBeGreaterThan(0);
	if (thing.food.perishable || thing.state === 'thawed' || thing.state === 'frozen')
		expect(clock.goneBy, line).toBeLessThanOrEqual(7_200_001);
	return processes;
}

const seed = Number(process.env.SIEGE_SEED ?? 20_260_825);
const asked = Number(process.env.SIEGE_PAIRS ?? 40_000);
/** Every so-manieth of all pairs; all of them in the siege. */
const stride = Number(process.env.SIEGE_STRIDE ?? 31);

describe('two words in a line', () => {
	it('are read as the food that they name as their head, or asked, or refused: in both orders, in every number', () => {
		const faults: string[] = [];
		const seen = { understood: 0, asked: 0, refused: 0, 'weigh-once': 0, unclear: 0 };
		let pairs = 0;
		for (let i = seed % stride; i < names.length * all.length; i += stride) {
			const name = names[Math.floor(i / all.length)];
			const term = all[i % all.length];
			if (!name || !term || name === term) continue;
			for (const [before, after] of [
				[name, term],
				[term, name]
			] as const) {
				// prettier-ignore
				pairs++;
				const reading = readLine(`3 kg ${before.words} ${after.words}`, context);
				seen[reading.kind]++;
				const wrong = fault(before, after, reading);
				if (wrong && faults.push(`${before.words} ${after.words}: ${wrong}`) > 40) break;
			}
			if (faults.length > 40) break;
		}
		expect(faults).toEqual([]);
		expect(pairs).toBeGreaterThan(500_000);
		// The law is worth nothing if everything were asked.
		expect(seen.understood).toBeGreaterThan(20_000);
		expect(seen.asked).toBeGreaterThan(100_000);
		expect(seen.refused).toBeGreaterThan(10_000);
	});

	it(`give no process, way or clock of another food, asked for ${asked} of them by chance`, () => {
		let kept = 0;
		let processes = 0;
		fc.assert(
			fc.property(fc.constantFrom(...names), fc.constantFrom(...all), fc.constantFrom(' ', ', ', ' and ', ' in ', ' with '), fc.boolean(), (name, term, by, turned) => {
				const line = turned ? `2 kg ${term.words}${by}${name.words}` : `2 kg ${name.words}${by}${term.words}`;
				const reading = read(line);
				if (reading.kind !== 'understood') return;
				kept++;
				processes += holdAdvice(reading.thing, line);
			}),
			{ numRuns: asked, seed }
		); // prettier-ignore
		expect(kept).toBeGreaterThan(asked / 40);
		expect(processes).toBeGreaterThan(asked / 40);
	});

	it('stand for foods that are there, and every product of the tables for foods that are', () => {
		expect(names.length).toBeGreaterThan(1800);
		for (const product of canningProducts) for (const id of product.foods) expect(foodById(id), id).toBeDefined();
	});
});

describe('any line at all', () => {
	const word = fc.oneof(
		{ weight: 5, arbitrary: fc.constantFrom(...all.map((t) => t.words)) },
		{ weight: 1, arbitrary: fc.constantFrom('constructor', '__proto__', 'toString', 'xyz', 'note:', '(', ')', '"', ',', ';', 'from', 'for', 'with', '€3', 'yesterday', 'variety', '12', 'картофель', '豆') }, // prettier-ignore
		{ weight: 1, arbitrary: fc.string({ maxLength: 8 }) }
	);
	it('is understood with every word in its thing or its note, or asks, or refuses; and never throws', () => {
		fc.assert(
			fc.property(fc.array(word, { minLength: 1, maxLength: 5 }), (words) => {
				const line = `2 kg ${words.join(' ')}`;
				const reading = readLine(line, { ...context, today: '2026-08-25' });
				if (reading.kind === 'asked') expect(reading.choices.length, line).toBeGreaterThan(0);
				if (reading.kind === 'refused') expect(reading.refusal.instead.length, line).toBeGreaterThan(0);
				if (reading.kind === 'understood') holdAdvice(reading.thing, line);
			}),
			{ numRuns: Math.min(asked, 10_000), seed }
		);
	});
});
