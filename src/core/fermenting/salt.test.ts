import { describe, expect, it } from 'vitest';
import { random } from '../../../tests/laws/random';
import { fermentOf, fermentRules, ferments, type FermentRow } from '../../reference/fermenting';
import { figureById } from '../freezing/freeze-look-up';
import { foodById } from '../things/names';
import { fermentDays, saltFor } from './salt';

const of = (food: string): FermentRow => {
	const row = fermentOf(food);
	if (!row) throw new Error(food);
	return row;
};
const lb_g = 453.59237;

describe('the table of ferments', () => {
	it('names foods that there are, bands in their order, salt that ends strong enough', () => {
		for (const row of ferments) {
			expect(foodById(row.food), row.food).toBeDefined();
			row.days.forEach((b, i) => {
				expect(b.from_C).toBeLessThan(b.to_C);
				expect(b.from_C).toBeGreaterThan(row.days[i - 1]?.to_C ?? 0);
				expect(b.days[0]).toBeLessThanOrEqual(b.days[1]);
			});
			for (const way of ['dry', 'brine'] as const) {
				const range = row[way];
				if (!range) continue;
				for (const percent of range)
					expect(saltFor({ row, way, vegetable_g: 1000, percent }).kind, `${row.food} ${way} ${percent}`).toBe(
						'salted'
					);
			}
		}
	});
	it('says of kraut and dills what the figures say that were recalled before', () => {
		expect(of('cabbage').dry).toEqual(figureById('ferment/kraut-salt').value);
		const weeks = (id: string) => (figureById(id).value as readonly number[]).map((w) => w * 7);
		expect(fermentDays(of('cabbage'), 22)).toMatchObject({ days: weeks('ferment/kraut-warm'), between: false });
		expect(fermentDays(of('cabbage'), 17)).toMatchObject({ days: weeks('ferment/kraut-cool'), between: false });
		expect(fermentDays(of('cucumbers'), 22)).toMatchObject({ days: weeks('ferment/dill-warm') });
		expect(fermentDays(of('cucumbers'), 15)).toMatchObject({ days: weeks('ferment/dill-cool') });
		expect((fermentRules.cool_C.value * 9) / 5 + 32).toBeCloseTo(figureById('ferment/kraut-least').value as number, 9);
		expect((fermentRules.warm_C.value * 9) / 5 + 32).toBeCloseTo(figureById('ferment/kraut-most').value as number, 9);
		expect((fermentRules.most_C.value * 9) / 5 + 32).toBeCloseTo(figureById('ferment/dill-most').value as number, 9);
	});
});

describe('the salt', () => {
	it('9 kg of cut cabbage: 203 to 225 g', () => {
		const at = (percent: number) => saltFor({ row: of('cabbage'), way: 'dry', vegetable_g: 9000, percent });
		expect(at(2.25)).toMatchObject({ kind: 'salted', salt_g: 202.5, water_g: 0, end_percent: 2.25 });
		expect(at(2.5)).toMatchObject({ salt_g: 225 });
		// The printed 3 tbsp of canning salt to 5 lb (18 g a spoon; USDA Complete Guide, Guide 6, from memory) lie within it.
		expect((3 * 18 * 100) / (5 * lb_g)).toBeCloseTo(2.38, 2);
	});
	it('brined carrots: salt by the weight of vegetables and water together', () => {
		// 3 kg of carrots to six tenths of the jar: 2 kg of brine at 5.5 %, 110 g of salt in 1,890 g of water; 2.25 % in the end.
		const salted = saltFor({ row: of('carrots'), way: 'brine', vegetable_g: 3000 });
		if (salted.kind === 'refused') throw new Error(salted.reason);
		expect(salted.salt_g).toBeCloseTo(110, 6);
		expect(salted.water_g).toBeCloseTo(1890, 6);
		expect(salted.end_percent).toBeCloseTo((110 / 4890) * 100, 9);
	});
	it('refuses a brine that ends too weak, and says how strong it has to be', () => {
		const weak = saltFor({ row: of('carrots'), way: 'brine', vegetable_g: 3000, percent: 3 });
		expect(weak).toMatchObject({ kind: 'refused', reason: expect.stringContaining('1.2 %') as string });
		expect(saltFor({ row: of('cabbage'), way: 'dry', vegetable_g: 9000, percent: 1.5 }).kind).toBe('refused');
		expect(saltFor({ row: of('cabbage'), way: 'dry', vegetable_g: 9000, percent: 2 })).toMatchObject({ warning: '2.25 to 2.5 % is what is printed.' }); // prettier-ignore
		expect(saltFor({ row: of('cucumbers'), way: 'dry', vegetable_g: 9000 }).kind).toBe('refused');
	});
	it('closes and is never weaker than the least, whatever is asked', () => {
		const r = random(6);
		for (let i = 0; i < 10_000; i++) {
			const row = r.pick(ferments);
			const salted = saltFor({ row, way: r.pick(['dry', 'brine'] as const), vegetable_g: 50 + r.below(40_000), percent: r.next() * 12, ...(r.next() < 0.3 ? { water_g: 1 + r.below(60_000) } : {}) }); // prettier-ignore
			if (salted.kind === 'refused') continue;
			expect(salted.end_percent).toBeGreaterThanOrEqual(fermentRules.leastEnd_percent.value - 0.001);
			expect(salted.end_percent).toBeLessThanOrEqual(fermentRules.mostEnd_percent.value);
			expect(salted.salt_g).toBeGreaterThan(0);
		}
	});
});

describe('the days', () => {
	it('between two printed bands are from the least of the one to the most of the other, never computed', () => {
		expect(fermentDays(of('cabbage'), 20)).toMatchObject({ days: [21, 42], between: true });
	});
	it('warn below 60 and above 75 °F, and are refused above 80 and below 50', () => {
		expect(fermentDays(of('cabbage'), 15)).toMatchObject({ kind: 'days', warning: expect.stringContaining('60 °F') as string }); // prettier-ignore
		expect(fermentDays(of('cabbage'), 25)).toMatchObject({ kind: 'days', warning: expect.stringContaining('75 °F') as string }); // prettier-ignore
		expect(fermentDays(of('cabbage'), 27).kind).toBe('refused');
		expect(fermentDays(of('carrots'), 9).kind).toBe('refused');
	});
});
