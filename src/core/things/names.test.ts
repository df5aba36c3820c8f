import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { askedNames, kindRows } from '../../reference/things';
import { refusalRows } from '../../reference/safety';
import { inflections } from './inflect';
import { foodById, meaningOf, writtenNames } from './names';
import { readLine } from './read-line';
import { nearNames, understand } from './understand';
import { nameKey } from './words';

const foodOf = (name: string) => {
	const named = understand(name);
	return named.kind === 'thing' ? named.thing.food.id : named.kind;
};

describe('finding a food', () => {
	it.each([
		['courgette', 'zucchini'],
		['Courgettes', 'zucchini'],
		['capsicum', 'bell-peppers'],
		['sweetcorn', 'sweet-corn'],
		['silverbeet', 'chard'],
		['GREEN-BEANS', 'green-beans'],
		['strawberry', 'strawberries'],
		['swedes', 'rutabagas'],
		['beetroot', 'beets'],
		['mangetout', 'edible-pod-peas'],
		['fava', 'broad-beans'],
		['spring onion', 'scallions'],
		['coriander', 'cilantro'],
		['pak choi', 'bok-choy'],
		['kumara', 'sweet-potatoes'],
		['jalapeño', 'chile-peppers'],
		['rockmelon', 'melons'],
		['blackcurrants', 'currants'],
		['minced beef', 'ground-beef'],
		['prawns', 'shrimp'],
		['gammon', 'ham'],
		['Roma tomatoes', 'tomatoes'],
		['butternut', 'winter-squash'],
		['lamb’s lettuce', 'salad-leaves'],
		['goose berries', 'gooseberries']
	])('%s', (name, id) => expect(foodOf(name)).toBe(id));
	it('finds every food by its id and each of its names, but for those that are asked', () => {
		const asked = new Set(askedNames.flatMap((a) => a.names));
		for (const food of foodRows)
			for (const name of [food.id, food.name, ...food.names])
				if (!asked.has(name)) expect(foodOf(name), name).toBe(food.id);
	});
	it('has no name that means two things', () => {
		const seen = new Map<string, string>();
		for (const [name, meaning] of writtenNames()) {
			const what = meaning.kind === 'food' ? `${meaning.food.id}/${meaning.of?.id ?? ''}` : meaning.kind === 'asked' ? meaning.row.question : meaning.row.id; // prettier-ignore
			const key = nameKey(name);
			expect(seen.get(key) ?? what, name).toBe(what);
			seen.set(key, what);
		}
	});
	it('reads a name of its own before the plural of another', () => {
		for (const [name, meaning] of writtenNames()) expect(meaningOf(nameKey(name)), name).toEqual(meaning);
	});
	it.each([
		['spinich', 'spinach'],
		['rasberries', 'raspberries'],
		['corgette', 'zucchini'],
		['colliflower', 'cauliflower']
	])('offers for %s', (slip, id) => expect(nearNames(slip).map((n) => n.food.id)).toContain(id));
	it('knows plurals and singulars of produce', () => {
		expect(inflections('tomato')).toContain('tomatoes');
		expect(inflections('cherries')).toContain('cherry');
		expect(inflections('bay leaf')).toContain('bay leaves');
		expect(inflections('black raspberries')).toContain('black rasp berries');
		expect(inflections('molasses')).not.toContain('molasse');
	});
});

describe('the lists of kinds, asked and refused names', () => {
	it('name foods and rules that are there, each kind once, with what it differs in', () => {
		const ids = kindRows.map((k) => `${k.food}/${k.id}`);
		expect(new Set(ids).size).toBe(ids.length);
		for (const kind of kindRows) {
			expect(foodById(kind.food), kind.food).toBeDefined();
			expect(kind.matters.length).toBeGreaterThan(4);
			for (const rule of Object.values(kind.never ?? {})) expect(refusalRows.map((r) => r.id)).toContain(rule);
			if (kind.each_kg !== undefined) expect(kind.each_kg > 0.005 && kind.each_kg < 6).toBe(true);
		}
	});
	it('offer choices of which each is understood', () => {
		for (const row of askedNames) {
			expect(row.choices.length).toBeGreaterThan(0);
			for (const choice of row.choices) expect(foodOf(choice), choice).not.toMatch(/^(asked|refused|unknown)$/);
		}
	});
	it.each(['beans', 'chili', 'peppers', 'squash', 'mushrooms', 'mince', 'stock'])('%s alone is asked', (name) =>
		expect(understand(name).kind).toBe('asked')
	);
	it('holds some thirty foods of which only the keeping is known, each with its way of freezing in words', () => {
		const held = foodRows.filter((f) => f.keepOnly);
		expect(held.length).toBeGreaterThanOrEqual(30);
		for (const name of ['eggs', 'milk', 'cream', 'butter', 'cheese', 'nuts', 'flour', 'bread', 'lentils', 'tofu', 'rice'])
			expect(held.map((f) => f.id), name).toContain(foodOf(name)); // prettier-ignore
		for (const food of held) expect([food.cuts.length, food.keeping.length > 1, (food.keepOnly?.words ?? '').length > 10]).toEqual([0, true, true]); // prettier-ignore
	});
});

describe('a food that comes in several forms', () => {
	it('takes every answer to the question which: a choice never leads back to its own question', () => {
		for (const food of foodRows.filter((f) => f.forms.length > 1)) {
			const asked = readLine(`3 kg ${food.name}`, { own: [], metricCups: true, today: '2026-08-25' });
			if (asked.kind !== 'asked') continue;
			for (const choice of asked.choices)
				expect(readLine(choice.text, { own: [], metricCups: true, today: '2026-08-25' }).kind, choice.text).not.toBe(
					'asked'
				);
		}
	});
});
