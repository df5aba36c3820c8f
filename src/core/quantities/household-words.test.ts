import { describe, expect, it } from 'vitest';
import { cautionTexts } from '../../reference/cautions';
import { refusalRows } from '../../reference/safety';
import { inHouseholdUnits, pageInUnits } from './household-words';

describe('quantities in sentences', () => {
	// Exact factors, rounded as cooks do: 5/9 (F − 32), 25.4 mm, 0.45359237 kg, 0.3048 m, 3.785 L.
	it.each([
		['air in the dryer, at least; 130 to 140 °F is published', 'metric', '54 to 60 °C (130 to 140 °F) is published'],
		['60 °F or below', 'metric', '16 °C (60 °F) or below'],
		['Freeze at −10 °F', 'metric', '−23 °C (−10 °F)'],
		['5,000 ft and above', 'metric', '1524 m (5,000 ft) and above'],
		['1 lb ice to 1 lb of food', 'metric', '0.5 kg (1 lb) ice to 0.5 kg (1 lb) of food'],
		['2 gallons to a pound', 'metric', '7.6 L (2 gallons)'],
		['2 lb to the cubic foot in 24 h', 'metric', '3.2 kg to 100 L (2 lb to the cubic foot)'],
		['at −18 °C, best', 'us', '0 °F (−18 °C), best'],
		['pieces of 12 mm', 'us', '½ in (12 mm)'],
		['about 1.5 kg', 'us', '3.3 lb (1.5 kg)']
	] as const)('%s, %s', (text, units, part) => expect(inHouseholdUnits(text, units)).toContain(part));
	it.each([
		'Heat to 71 °C (160 °F) first.',
		'Keep it at 40 °F (4 °C) or below.',
		'1/4 in (6 mm) or thinner',
		'2 tbsp of juice to a quart',
		'no numbers at all',
		'10 psi, weighted'
	])('%s says both, or neither, and stays', (text) => {
		expect(inHouseholdUnits(text, 'metric')).toBe(text);
	});
	it('says nothing twice: what was said once in the household’s units stays as it is', () => {
		for (const text of [
			...Object.values(cautionTexts).map((c) => c.text),
			...refusalRows.flatMap((r) => [r.reason, ...r.instead])
		])
			for (const units of ['metric', 'us'] as const) {
				const once = inHouseholdUnits(text, units);
				expect(inHouseholdUnits(once, units), text).toBe(once);
			}
	});
	it('never touches what a person typed', () => {
		const page = {
			said: '3 lb peas',
			note: 'at 60 °F',
			reason: 'at 60 °F',
			rows: [{ title: '5 lb bag', words: ['5 lb'] }]
		};
		expect(pageInUnits(page, 'metric')).toEqual({
			said: '3 lb peas',
			note: 'at 60 °F',
			reason: 'at 16 °C (60 °F)',
			rows: [{ title: '5 lb bag', words: ['2.3 kg (5 lb)'] }]
		});
	});
});
