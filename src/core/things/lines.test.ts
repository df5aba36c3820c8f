import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { admitted } from './admitted';
import { readLine, type Reading } from './read-line';

const context = {
	own: [{ name: 'big bowl', food: 'raspberries', grams: 1150 }],
	metricCups: true,
	today: '2026-08-25'
};
const read = (text: string): Reading => admitted(readLine(text, context));

/** A reading in the words of lines.txt. */
function told(reading: Reading): string {
	switch (reading.kind) {
		case 'asked':
			return 'asked';
		case 'refused':
			return `refused ${reading.refusal.rule}`;
		case 'weigh-once':
			return `weigh ${reading.measure}`;
		case 'unclear':
			return `unclear ${reading.code}`;
		case 'understood': {
			const { thing, grams, place, day, note } = reading;
			return [
				thing.food.id + (thing.kind ? `/${thing.kind.id}` : ''),
				thing.food.forms.length > 1 ? thing.form : '',
				thing.state === 'fresh' ? '' : thing.state,
				thing.condition === 'firm' ? '' : thing.condition,
				String(grams),
				place ? `@${place}` : '',
				day ?? '',
				note ? `note: ${note}` : ''
			]
				.filter(Boolean)
				.join(' ');
		}
	}
}

const lines = readFileSync(new URL('./lines.txt', import.meta.url), 'utf8')
	.split('\n')
	.filter((l) => l.trim() !== '' && !l.startsWith('#'))
	.map((l) => l.split(' | ').map((p) => p.trim()) as [string, string]);

describe('lines as people write them', () => {
	it.each(lines)('%s is %s', (line, right) => expect(told(read(line))).toBe(right));
	it('are three hundred at least, two hundred of them understood without a question', () => {
		expect(lines.length).toBeGreaterThanOrEqual(300);
		expect(lines.filter(([line]) => read(line).kind === 'understood').length).toBeGreaterThanOrEqual(200);
		expect(new Set(lines.map(([line]) => line)).size).toBe(lines.length);
	});
	it('that are asked offer choices of which each leads on: understood in three answers at most', () => {
		for (const [line] of lines) {
			const reading = read(line);
			if (reading.kind !== 'asked') continue;
			expect(reading.choices.length, line).toBeGreaterThan(0);
			for (const choice of reading.choices) {
				let next = read(choice.text);
				for (let step = 0; step < 2 && next.kind === 'asked' && next.choices[0]; step++)
					next = read(next.choices[0].text);
				expect(['understood', 'refused', 'weigh-once', 'unclear NO_WEIGHT'], `${line}: ${choice.text}`).toContain(
					next.kind === 'unclear' ? `unclear ${next.code}` : next.kind
				);
			}
		}
	});
});

describe('a price in a line', () => {
	const priced = (text: string) => {
		const reading = read(text);
		return reading.kind === 'understood'
			? reading.price && [reading.price.amount, reading.price.currency]
			: reading.kind;
	};
	it.each([
		['20 kg plums at 0.90', 18, undefined],
		['20 kg plums at 0.90?', 18, undefined],
		['20 kg plums @ 0,90', 18, undefined],
		['20 kg plums 0.90/kg', 18, undefined],
		['20 kg plums at €0.90', 18, 'EUR'],
		['20 kg plums for €18', 18, 'EUR'],
		['20 kg plums for 18.00', 18, undefined],
		['20 kg plums, €18', 18, 'EUR'],
		['10 lb tomatoes at 1.20', 12, undefined],
		['5 lb chuck of beef at $4.50/lb', 22.5, 'USD'],
		['40 ears sweetcorn at 0.50', 20, undefined],
		['3 kg kale, at 4.50 €/kg', 13.5, 'EUR']
	])('%s', (text, amount, currency) => {
		const [said, money] = priced(text) as [number, string | undefined];
		expect(said).toBeCloseTo(amount, 2);
		expect(money).toBe(currency);
	});
	it('is none where it may be an hour, a heat or a head count', () => {
		expect(priced('5 kg tomatoes for 4')).not.toEqual([4, undefined]);
		expect(priced('5 kg tomatoes, picked at 10')).toBe('asked');
		expect(priced('5 kg tomatoes at 20.00 °C')).not.toEqual([100, undefined]);
	});
});
