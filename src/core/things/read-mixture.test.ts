import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { allNames } from './names';
import { readLine } from './read-line';
import { readShelfLine } from './shelf-line';
import { allMarks } from './vocabulary';

const today = '2026-08-25';
const read = (text: string) => readLine(text, { own: [], metricCups: true, today });
const shelf = (text: string) => readShelfLine(text, { own: [], metricCups: true, today, places: [], jars: 'unknown' });

describe('a line of a mixture', () => {
	it.each([
		['2 kg frozen soup mix (carrots + leeks)', 'frozen'],
		['2 kg soup mix (carrots + leeks), thawed', 'thawed'],
		['2 kg diced soup mix (carrots + leeks)', 'prepared']
	])('what its name says of a state holds for all of it: %s', (text, state) => {
		expect(read(text)).toMatchObject({ kind: 'understood', thing: { state } });
	});
	it.each([
		['2 kg cooked soup mix (carrots + leeks)', ['cooked-vegetables']],
		['2 kg stew mix (beef + carrots + leeks), cooked', ['cooked-meat', 'cooked-vegetables']]
	])('cooked, each part is what it has become: %s', (text, foods) => {
		const reading = read(text);
		if (reading.kind !== 'understood') throw new Error(text);
		const { madeOf, food } = reading.thing;
		expect((madeOf ?? [{ food: food.id }]).map((p) => p.food)).toEqual(foods);
		expect(reading.note).toMatch(/carrots, leeks/);
	});
	it.each(['mixed berries (raspberries + blueberries)', 'mixed vegetables (carrots + peas)', 'veg mix (leeks + kale)', 'vegetable soup mix (carrots + leeks)', 'greens mix (kale + chard)', 'minestrone kit (carrots + leeks)', 'root mix (carrots + parsnips)', '(carrots + leeks)'])('a name of its own is a name: %s', (text) => expect(read(`2 kg ${text}`).kind).toBe('understood')); // prettier-ignore
	it.each([
		['2 kg chicken mix (carrots + leeks)', /the brackets do not/],
		['2 kg bean mix (carrots + leeks)', /the brackets do not/],
		['2 kg jam (strawberries + rhubarb)', /something made/],
		['2 kg mix (frozen carrots + leeks)', /foods alone/],
		['2 kg mix (carrots, fridge + leeks)', /foods alone/],
		['2 kg mix (wild chanterelles + leeks)', /foods alone/],
		['2 kg soup mix (carrots + leeks) (a + b)', /One pair of brackets/],
		['2 kg fruit mix (peaches + plums), white', /holds for all/]
	])('asks what it cannot place: %s', (text, words) => {
		const reading = read(text);
		expect(reading.kind === 'unclear' ? reading.message : reading.kind).toMatch(words);
	});
	it.each([
		'death cap mix (carrots + leeks)',
		'mix (carrots + death cap)',
		'mix (carrots + leeks), death cap',
		'mouldy mix (carrots + leeks)',
		'mix in oil (carrots + leeks)',
		'mix (carrots + mouldy leeks)'
	])('is refused whole: %s', (text) => {
		// prettier-ignore
		expect(read(`2 kg ${text}`).kind).toBe('refused');
		// On a shelf it may lie in oil: it is known for what it is there, with a clock of its own.
		const kept = shelf(`3 × 500 g ${text}`);
		expect(kept.kind === 'understood' ? kept.thing.state : 'in-oil').toBe('in-oil');
	});
});

describe('no word of a mixture is dropped', () => {
	const plain = read('2 kg mix (carrots + leeks)');
	const told = [...allMarks()].filter(([, m]) => m.type === 'state' || (m.type === 'condition' && m.condition !== 'firm')).map(([word]) => word); // prettier-ignore
	const where: ((word: string) => string)[] = [
		(w) => `${w} mix (carrots + leeks)`,
		(w) => `mix (carrots + leeks), ${w}`,
		(w) => `mix (${w} carrots + leeks)`,
		(w) => `mix (carrots + leeks, ${w})`
	];
	it('a state or a condition, wherever it stands: it is read of all, or nothing is kept', () => {
		expect(plain.kind).toBe('understood');
		fc.assert(
			fc.property(fc.constantFrom(...told), fc.constantFrom(...where), (word, put) => {
				const reading = read(`2 kg ${put(word)}`);
				if (reading.kind !== 'understood' || plain.kind !== 'understood') return;
				const { thing, note } = reading;
				const moved =
					thing.state !== 'fresh' ||
					thing.condition !== 'firm' ||
					thing.food.id !== 'carrots' ||
					(thing.madeOf ?? []).some((p) => p.food.startsWith('cooked')) ||
					note.includes(word);
				expect(moved, put(word)).toBe(true);
			}),
			{ numRuns: 3000 }
		);
	});
	it('a food that the brackets do not name: its name names no mixture without it', () => {
		const others = [...allNames()].filter(
			([, m]) => m.kind === 'refused' || (m.kind === 'food' && !['dish', 'stock'].includes(m.food.group) && !['carrots', 'leeks'].includes(m.food.id)) // prettier-ignore
		);
		let seen = 0;
		fc.assert(
			fc.property(fc.constantFrom(...others), fc.constantFrom('', ' mix', ' kit'), ([name], tail) => {
				for (const reading of [
					read(`2 kg ${name}${tail} (carrots + leeks)`),
					shelf(`3 × 500 g ${name}${tail} (carrots + leeks), frozen`)
				])
					// prettier-ignore
					expect(reading.kind, name + tail).not.toBe('understood');
				seen++;
			}),
			{ numRuns: 3000 }
		);
		expect(seen).toBe(3000);
		expect(foodRows.length).toBeGreaterThan(200);
	});
});
