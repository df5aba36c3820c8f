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
