import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { editMoney, minorDigits, readMoney, sayMoney } from './money';
import { kgFromLb } from './units';
import { readLine, type Reading } from '../things/read-line';
import { editMeasure, parseMeasure } from './parse-measure';
import { parseWeight } from './parse-weight';
import { readNumber } from './read-number';
import { atWhen, sayAs, sayDate, sayTime, sayWhen } from './dates';
import { sayClock, sayDuration, sayMinutes, sayWeight } from './format';

const context = { own: [{ name: 'big bowl', food: 'raspberries', grams: 1150 }], metricCups: true };
const read = (text: string): Reading => readLine(text, context);

describe('numbers as people write them', () => {
	it.each([
		['9 kg', 9],
		['2.5 kg', 2.5],
		['2,5 kg', 2.5],
		['0,25', 0.25],
		['1,500 g', 1500],
		['1.500,5 g', 1500.5],
		['1,234.5', 1234.5],
		['1 1/2 lb', 1.5],
		['1½ lb', 1.5],
		['1 ½ lb', 1.5],
		['½ bushel', 0.5],
		['¾', 0.75],
		['3/4 cup', 0.75],
		['a dozen ears', 12],
		['half a dozen', 6],
		['two heads', 2],
		['a peck', 1]
	])('%s is %d', (text, value) => expect(readNumber(text)?.value).toBeCloseTo(value, 9));
	it.each(['kg', '', 'peas', '1/0', '1 3/2 lb', '1.2.3,4,5', 'another'])('"%s" is no number', (text) =>
		expect(readNumber(text)).toBeUndefined()
	);
});

describe('what came in', () => {
	// Factors of the international pound, ounce and US bushel weights; pieces by common practice.
	it.each([
		['9 kg runner beans', 'runner-beans', 9000],
		['2,5 kg carrots', 'carrots', 2500],
		['850g spinach', 'spinach', 850],
		['3 lb 4 oz shelled peas', 'peas', 1474],
		['3 lb 4 oz peas, shelled', 'peas', 1474],
		['1 1/2 lb onions', 'onions', 680],
		['4 cabbages', 'cabbage', 4800],
		['2 lugs grapes', 'grapes', 23587],
		['a bushel of apples', 'apples', 21772],
		['2 chickens, whole', 'chicken', 3600],
		['6 trout, whole', 'trout', 2100],
		['3 aubergines', 'eggplant', 1350],
		['10 lb white peaches', 'peaches', 4536],
		['½ bushel tomatoes', 'tomatoes', 12020],
		['a bushel of carrots', 'carrots', 22680],
		['a peck of tomatoes', 'tomatoes', 6010],
		['40 ears sweetcorn', 'sweet-corn', 11600],
		['a dozen ears of corn, husked', 'sweet-corn', 2520],
		['3 heads broccoli', 'broccoli', 1350],
		['2 heads of cauliflower', 'cauliflower', 1814],
		['4 bunches kale', 'kale', 1000],
		['12 courgettes', 'zucchini', 3000],
		['2 big bowls raspberries', 'raspberries', 2300],
		['1 big bowl of raspberries', 'raspberries', 1150],
		['2 quarts strawberries', 'strawberries', 1361],
		['2 L strawberries', 'strawberries', 1200],
		['2 L peas in the pod', 'peas', 700],
		['2 L shelled peas', 'peas', 1200],
		['5 kg potatoes from the far bed', 'potatoes', 5000],
		['10 lbs capsicum', 'bell-peppers', 4536]
	])('%s', (text, food, grams) => {
		const reading = read(text);
		expect(reading.kind).toBe('understood');
		if (reading.kind === 'understood') {
			expect(reading.thing.food.id).toBe(food);
			expect(reading.grams).toBe(grams);
		}
	});

	it('keeps place, condition, form and note', () => {
		expect(read('12 kg tomatoes, soft, fridge, from the tunnel')).toMatchObject({
			thing: { condition: 'soft' },
			place: 'fridge',
			note: 'from the tunnel'
		});
		expect(read('6 kg sweetcorn in the husk')).toMatchObject({ thing: { form: 'in-husk' } });
	});
	it('keeps the household’s own word', () =>
		expect(read('3 kg Courgettes')).toMatchObject({ thing: { called: 'courgettes' } }));
	it('asks what it cannot know, and each answer is understood', () => {
		const reading = read('9 kg peas');
		expect(reading.kind).toBe('asked');
		if (reading.kind === 'asked')
			for (const choice of reading.choices) expect(read(choice.text).kind).toBe('understood');
	});
	it('offers near names, and each is understood', () => {
		const reading = read('2 kg brocoli');
		expect(reading).toMatchObject({ kind: 'unclear', code: 'UNKNOWN_FOOD' });
		if (reading.kind === 'unclear') {
			expect(reading.near[0]?.label).toBe('broccoli');
			for (const near of reading.near) expect(read(near.text).kind).not.toBe('unclear');
		}
	});
	it('asks to weigh a measure once', () => {
		expect(read('2 trugs runner beans')).toMatchObject({ kind: 'weigh-once', measure: 'trug' });
		expect(read('1 big bowl kale')).toMatchObject({ kind: 'weigh-once', measure: 'big bowl' });
	});
	it('never takes a misspelt unit for a count of pieces', () => {
		expect(read('9 kgg zucchini').kind).toBe('unclear');
		expect(read('9 kgs zucchini')).toMatchObject({ grams: 9000 });
	});
	it.each([
		['', 'EMPTY'],
		['   ', 'EMPTY'],
		['peas', 'NO_NUMBER'],
		['-3 kg peas', 'NOTHING'],
		['0 kg carrots', 'NOTHING'],
		['0.0001 g carrots', 'NOTHING'],
		['1e99 kg carrots', 'NO_NUMBER'],
		['9 kg', 'NO_FOOD'],
		['9 kg unobtainium', 'UNKNOWN_FOOD'],
		['9 carrots', 'NO_UNIT'],
		['3 heads tomatoes', 'NO_WEIGHT'],
		['5000 kg carrots', 'TOO_MUCH'],
		['NaN kg carrots', 'NO_NUMBER'],
		['<script>alert(1)</script>', 'NO_NUMBER']
	])('"%s" is unclear: %s, and the message helps', (text, code) => {
		const reading = read(text);
		expect(reading).toMatchObject({ kind: 'unclear', code });
		if (reading.kind === 'unclear') expect(reading.message.length).toBeGreaterThan(20);
	});
	it('understands or explains any text at all, and never a negative or endless weight', () => {
		const piece = fc.constantFrom(
			'9',
			'1/2',
			'½',
			'kg',
			'lb',
			'oz',
			'peas',
			'sweetcorn',
			'zucchini',
			',',
			'-',
			'heads',
			'of',
			'big bowl',
			'1e5',
			' '
		);
		fc.assert(
			fc.property(
				fc.oneof(
					fc.string(),
					fc.array(piece, { maxLength: 9 }).map((p) => p.join(' '))
				),
				(text) => {
					const reading = read(text);
					if (reading.kind === 'understood')
						return Number.isInteger(reading.grams) && reading.grams > 0 && reading.grams <= 1_000_000;
					return true;
				}
			),
			{ numRuns: 3000, seed: 11 }
		);
	});
});

describe('measures in a field', () => {
	// Exact factors: 1 US quart 0.946352946 L, 1 cubic foot 28.316846592 L, 1 lb 0.45359237 kg, 1 in² 6.4516 cm².
	it.each([
		['4', 'temperature', 'metric', 4],
		['39', 'temperature', 'us', (39 - 32) / 1.8],
		['-18', 'temperature', 'metric', -18],
		['−0.4 °F', 'temperature', 'metric', -18],
		['0 F', 'temperature', 'us', -17.7777778],
		['12 qt', 'volume', 'metric', 11.356235],
		['12', 'volume', 'us', 11.356235],
		['3.5 cu ft', 'volume', 'us', 99.108963],
		['5', 'weight', 'us', 2.26796185],
		['2,5', 'weight', 'metric', 2.5],
		['186', 'area', 'us', 0.12]
	] as const)('%s is a %s', (text, kind, units, value) =>
		expect(parseMeasure(text, kind, units)).toBeCloseTo(value, 3)
	);
	it.each(['', 'warm', '4 parsecs', '1e5', 'Infinity', '4 kg'])('"%s" is no temperature', (text) =>
		expect(parseMeasure(text, 'temperature', 'metric')).toBeUndefined()
	);
	it('shows what it holds, and reads it back', () => {
		expect(editMeasure(4, 'temperature', 'us')).toBe('39.2');
		for (const units of ['metric', 'us'] as const)
			expect(parseMeasure(editMeasure(12, 'volume', units), 'volume', units)).toBeCloseTo(12, 1);
	});
});

describe('weights in a field', () => {
	it.each([
		['7.8 kg', 7800],
		['7,8 kg', 7800],
		['500', 500],
		['850 g', 850],
		['3 lb 4 oz', 1474],
		['1 1/2 lb', 680],
		['17 lb', Math.round(kgFromLb(17) * 1000)]
	])('%s is %i g', (text, grams) => expect(parseWeight(text)).toBe(grams));
	it.each(['', 'abc', '-3', '0', '3 cups', '3 lb 4 kg', '1e9', '3 lb 4 oz 5 g'])('"%s" is none', (text) =>
		expect(parseWeight(text)).toBeUndefined()
	);
});

describe('figures as they are said', () => {
	it('in the household’s units', () => {
		expect(sayWeight(850, 'metric')).toBe('850 g');
		expect(sayWeight(9100, 'metric')).toBe('9.1 kg');
		expect(sayWeight(1474, 'us')).toBe('3 lb 4 oz');
		expect(sayWeight(9072, 'us')).toBe('20 lb');
	});
	it('clocks never show a minus and never end early', () => {
		expect(sayClock(134)).toBe('2:14');
		expect(sayClock(0.2)).toBe('0:01');
		expect(sayClock(-5)).toBe('0:00');
		expect(sayClock(3729)).toBe('1:02:09');
	});
	it('what is due today by its time, what is due in days by its day', () => {
		const now = Date.parse('2026-12-01T14:39:00Z');
		expect(sayWhen(now + 2 * 3_600_000, now, 'Europe/Berlin')).toBe('17:39');
		expect(sayWhen(now + 14 * 86_400_000, now, 'Europe/Berlin')).toBe('Tue 15 Dec');
		expect(atWhen(now - 2 * 86_400_000, now, 'Europe/Berlin')).toBe('on Sun 29 Nov');
		expect(atWhen(now + 60_000, now, 'UTC')).toBe('at 14:40');
	});
	it('dates and times as the household’s wall clock shows them, over a change of the clocks too', () => {
		const zone = 'Europe/Prague';
		expect(sayDate('2027-08-25')).toBe('25 Aug 2027');
		expect(sayTime(Date.parse('2026-08-25T15:40:00Z'), zone)).toBe('17:40');
		expect(sayTime(Date.parse('2026-10-25T00:30:00Z'), zone)).toBe('02:30');
		expect(sayTime(Date.parse('2026-10-25T01:30:00Z'), zone)).toBe('02:30');
		expect(sayAs(Date.parse('2026-08-24T22:30:00Z'), zone, 'EEE d MMM, HH:mm')).toBe('Tue 25 Aug, 00:30');
		expect(() => sayTime(0, 'Middle/Earth')).toThrow(RangeError);
	});
	it('lengths and ranges of time', () => {
		expect(sayDuration(5700)).toBe('1 h 35');
		expect(sayDuration(180)).toBe('3 min');
		expect(sayDuration(40)).toBe('40 s');
		expect(sayMinutes([3, 5])).toBe('3 to 5 min');
		expect(sayMinutes([1.5, 1.5])).toBe('1½ min');
		expect(sayMinutes([1 / 6, 1 / 4])).toBe('10 to 15 s');
		expect(sayMinutes([0.5, 1])).toBe('30 s to 1 min');
	});
});

describe('money', () => {
	it.each([
		['12.50', 'EUR', 1250],
		['12,5 €', 'EUR', 1250],
		['€ 3', 'EUR', 300],
		['150', 'JPY', 150],
		['0', 'EUR', 0]
	])('%s in %s is %d minor units', (text, currency, minor) => {
		expect(readMoney(text, currency)).toBe(minor);
		expect(readMoney(editMoney(minor, currency), currency)).toBe(minor);
		expect(sayMoney(minor, currency)).toMatch(/\d/);
	});
	it.each(['', 'free', '-3', '12 apples', '99999999999'])('"%s" is none', (text) =>
		expect(readMoney(text, 'EUR')).toBeUndefined()
	);
	it('knows currencies by their three letters', () => {
		expect([minorDigits('EUR'), minorDigits('JPY')]).toEqual([2, 0]);
		expect(() => minorDigits('EU')).toThrow(/three letters/);
	});
});
