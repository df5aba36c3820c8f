import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { gramsOf } from '../stock/amount';
import { densityOf, governing, marksOf, partsOf } from './mixture';
import { readMonth } from './month';
import { readShelfLine, type OnShelf } from './shelf-line';

const places = [
	{ id: 'board2', name: 'Pantry board 2' },
	{ id: 'pantry', name: 'Pantry' },
	{ id: 'basket', name: 'Chest freezer, top basket' },
	{ id: 'cellar', name: 'Cellar' },
	{ id: 'row', name: 'Garden, third row' }
];
const read = (text: string) => readShelfLine(text, { own: [], metricCups: true, today: '2026-11-27', places });

/** A reading as the list writes it. */
function said(r: OnShelf): string {
	const { thing, counted, amount } = r;
	const of = (n: number, unit: string | null) => (unit === 'dg' ? `${n / 10} g` : unit === 'ml' ? `${n} ml` : `${n} p`);
	return [
		`${thing.food.id}${thing.kind ? `/${thing.kind.id}` : ''}`,
		thing.form,
		thing.state,
		counted.unit === 'pack' ? `${amount} × ${of(counted.content ?? 0, counted.contentUnit)}` : of(amount, counted.unit),
		r.placeId ? `@${r.placeId}` : r.placeKind ? `@${r.placeKind}` : '',
		r.day ?? '',
		thing.process ?? ''
	]
		.filter(Boolean)
		.join(' ');
}

const lines = readFileSync(new URL('shelf-lines.txt', import.meta.url), 'utf8')
	.split('\n')
	.filter((l) => l.trim() !== '' && !l.startsWith('#'))
	.map((l) => l.split(' | ').map((p) => p.trim()) as [string, string]);

describe('a line of a shelf', () => {
	it.each(lines)('%s', (text, wanted) => {
		const r = read(text);
		if (r.kind === 'understood') expect(said(r)).toBe(wanted);
		else if (r.kind === 'refused') expect(`refused ${r.refusal.rule}`).toBe(wanted);
		else expect(r.kind, JSON.stringify(r)).toBe(wanted);
	});
	it('offers choices that are read, or that ask on', () => {
		for (const [text, wanted] of lines.filter(([, w]) => w === 'asked')) {
			const r = read(text);
			if (r.kind !== 'asked') throw new Error(wanted);
			expect(r.choices.length, text).toBeGreaterThan(0);
			for (const c of r.choices) expect(['understood', 'asked'], `${text} → ${c.text}`).toContain(read(c.text).kind);
		}
	});
	it('keeps what was counted and what was weighed: packs of grams are their product, for any food and number', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...foodRows.filter((f) => ['vegetable', 'meat', 'fruit'].includes(f.group))),
				fc.integer({ min: 1, max: 99 }),
				fc.integer({ min: 5, max: 5000 }),
				(food, count, grams) => {
					const r = read(`${count} × ${grams} g ${food.name}, frozen`);
					if (r.kind !== 'understood') return;
					expect(r.amount).toBe(count);
					expect(gramsOf(r.counted, r.amount)).toBeCloseTo(count * grams, 6);
					expect(r.thing.state).toBe('frozen');
				}
			)
		);
	});
	it('never throws, whatever is typed', () => {
		fc.assert(
			fc.property(fc.oneof(fc.string(), fc.stringMatching(/^[0-9½¼ ×xkgLm().+,%a-z-]{0,60}$/)), (text) => {
				expect(['understood', 'asked', 'refused', 'unclear']).toContain(read(text).kind);
			})
		);
	});
	it('weighs pieces by what they weigh together where it is said', () => {
		const r = read('9 butternut squash, 11.2 kg');
		if (r.kind !== 'understood') throw new Error('not read');
		expect(gramsOf(r.counted, 9)).toBeCloseTo(11_200, 6);
	});
});

describe('a month', () => {
	it.each([
		['frozen August', '2026-08-01'],
		['canned Dec', '2025-12-01'],
		['09/2025', '2025-09-01'],
		['from 2024', '2024-01-01'],
		['12 Aug', undefined],
		['2026-08-12', undefined],
		['may apples', '2026-05-01']
	])('%s is %s', (text, day) => expect(readMonth(text, '2026-11-27').day).toBe(day));
	it('that lies ahead is none', () => expect(readMonth('Jan 2031', '2026-11-27').bad).toBe('Jan 2031'));
});

describe('a mixture', () => {
	const half = (food: string, share = 0.5) => ({ food, form: 'whole', share });
	it('obeys its most dangerous part, however little of it there is', () => {
		expect(governing([half('raspberries', 0.9), half('carrots', 0.1)]).food).toBe('carrots');
		expect(governing([half('carrots', 0.95), half('chicken', 0.05)]).food).toBe('chicken');
		expect(governing([half('carrots', 0.7), half('leeks', 0.3)]).food).toBe('carrots');
	});
	it('has every mark of its parts', () =>
		expect(marksOf([half('carrots'), half('morels')])).toContain('wild-mushroom'));
	it('has the density of its volumes, not of its numbers', () => {
		expect(
			densityOf([
				{ share: 0.5, kg_per_L: 1 },
				{ share: 0.5, kg_per_L: 0.5 }
			])
		).toBeCloseTo(2 / 3, 6);
	});
	it('closes: shares that do not add up are none', () => {
		expect(() => partsOf([half('carrots'), half('leeks', 0.4)])).toThrow(/add up/);
		expect(() => partsOf([])).toThrow(/something in it/);
		expect(() => partsOf([half('moon-cheese', 1)])).toThrow(/no food/);
	});
});
