import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blanchRows, foodRows } from '../../reference/tables';
import { readLine, type Understood } from '../things/read-line';
import { canWays } from './can-ways';
import { dryWay } from './dry-ways';
import { freezeWays } from './freeze-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const read = (text: string) => readLine(text, { own: [], metricCups: true, today: '2026-08-25' });
const understood = (text: string): Understood => {
	const reading = read(text);
	if (reading.kind !== 'understood') throw new Error(`${text}: ${JSON.stringify(reading).slice(0, 200)}`);
	return reading;
};
const freeze = (text: string) => {
	const { thing, grams } = understood(text);
	return freezeWays({ thing, grams, food_C: 15, kitchen, choices: {}, now });
};

describe('a mixture in the Basket', () => {
	it('is said with what is in it, by weight or volume, and keeps its shares', () => {
		const mix = understood('2.5 kg soup mix (carrots + leeks + 20 % potatoes), fridge, yesterday');
		expect(mix.thing.called).toBe('soup mix');
		expect(mix.grams).toBe(2500);
		expect(mix.place).toBe('fridge');
		expect(mix.day).toBe('2026-08-24');
		expect(mix.thing.madeOf?.map((p) => [p.food, p.share])).toEqual([
			['carrots', 0.4],
			['leeks', 0.4],
			['potatoes', 0.2]
		]);
		// A litre weighs what its parts weigh: the volumes add up.
		const litres = understood('2 L berry mix (raspberries + blueberries)');
		const one = (food: string) => understood(`2 L ${food}`).grams;
		expect(litres.grams).toBeGreaterThan(Math.min(one('raspberries'), one('blueberries')) - 1);
		expect(litres.grams).toBeLessThan(Math.max(one('raspberries'), one('blueberries')) + 1);
	});
	it.each([
		['3 soup mix (carrots + leeks)', /by weight or by volume/],
		['2 kg mix (carrots + plutonium)', /not a food I know/],
		['2 kg mix (carrots + 120 % leeks)', /come to 120 %/],
		['2 kg mix (40 % carrots + 40 % leeks)', /come to 80 %/],
		['4,000 kg mix (carrots + leeks)', /tonne/]
	])('says what is missing: %s', (text, words) => {
		const reading = read(text);
		expect(reading.kind === 'unclear' ? reading.message : reading.kind).toMatch(words);
	});
	it('is frozen raw where all of it may be, by its weakest date', () => {
		const ways = freeze('3 kg berry mix (raspberries + blueberries + 20 % cherries)');
		expect(ways.ways.map((w) => w.kind)).toEqual(['way']);
		const [way] = ways.ways;
		if (way?.kind !== 'way') throw new Error('refused');
		const alone = ['raspberries', 'blueberries', 'cherries'].map((food) => {
			const raw = freeze(`1 kg ${food}`).ways.find((w) => w.kind === 'way' && w.method === 'raw');
			return raw?.kind === 'way' ? raw.keepsUntil : '';
		});
		expect(way.keepsUntil).toBe([...alone].sort()[0]);
		expect(way.line).toBeUndefined();
	});
	it('whose parts want different heat is told each of them, and shown no one time', () => {
		const [only, ...none] = freeze('3 kg soup mix (carrots + potatoes)').ways;
		expect(none).toEqual([]);
		if (only?.kind !== 'refused') throw new Error('a way');
		expect(only.reason).toMatch(/carrots 2 min.*potatoes/);
		expect(only.instead.length).toBeGreaterThan(0);
		// Raw beans and carrots may be frozen for soon: blanching each is told beside.
		const [soon] = freeze('3 kg soup mix (carrots + green beans)').ways;
		expect(soon?.kind === 'way' && soon.notes.join(' ')).toMatch(/carrots 2 min.*green beans 3 min/);
	});
});

describe('no time of one food is shown for a mixture', () => {
	it('whatever is in it: no blanch, no drying hours, no canning time', () => {
		const plants = foodRows.filter((f) => (f.group === 'vegetable' || f.group === 'fruit') && f.cuts.length > 0 && !f.marks?.length); // prettier-ignore
		const timed = new Set(blanchRows.map((r) => r.food));
		let seen = 0;
		fc.assert(
			fc.property(fc.uniqueArray(fc.constantFrom(...plants), { minLength: 2, maxLength: 4 }), (foods) => {
				const reading = read(`2 kg mix (${foods.map((f) => f.name).join(' + ')})`);
				// A name with a bracket of its own, or one that is asked: nothing is kept, nothing to check.
				if (reading.kind !== 'understood') return;
				const { thing, grams } = reading;
				expect(thing.madeOf?.length).toBe(foods.length);
				seen++;
				const { ways, cut } = freezeWays({ thing, grams, food_C: 15, kitchen, choices: {}, now });
				expect(ways.length).toBeGreaterThan(0);
				for (const w of ways) {
					if (w.kind === 'refused') expect(w.instead.length, w.reason).toBeGreaterThan(0);
					else expect([w.line, w.row], foods.map((f) => f.id).join()).toEqual([undefined, undefined]);
				}
				expect(dryWay({ thing, cut, grams, kitchen, choices: {}, now }).kind).toBe('refused');
				expect('kind' in canWays({ thing, grams, kitchen, jar: 'quart', now }).plain).toBe(true);
			}),
			{ numRuns: 400 }
		);
		expect(seen).toBeGreaterThan(250);
		expect(timed.size).toBeGreaterThan(30);
	});
});
