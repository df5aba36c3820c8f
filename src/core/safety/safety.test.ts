import { describe, expect, it } from 'vitest';
import { refusalRows } from '../../reference/safety';
import { sources } from '../../reference/sources';
import { admitted } from '../things/admitted';
import { askByName } from '../things/ask-by-name';
import { readLine } from '../things/read-line';
import { understand } from '../things/understand';
import { standCases } from './stand.fixture';
import { advise } from './advise';
import { wayIds } from './question';
import type { Question } from './question';

const ask = (question: Question) => askByName(question);
const rule = (question: Question) => {
	const advice = ask(question);
	return advice.kind === 'refused' ? advice.rule : `allowed: ${advice.processes.length} processes`;
};
const can = (food: string, more: Partial<Question> = {}): Question => ({ way: 'can', food, altitude_m: 100, ...more });

/** One question for each rule: what a person may well ask, and must not be given. */
const cases: readonly (readonly [string, Question])[] = [
	['unknown-food', can('moon cheese')],
	['low-acid-needs-pressure', can('green beans', { canner: 'boiling-water' })],
	['no-boiling-water', can('tomatoes', { product: 'spaghetti-sauce', canner: 'boiling-water' })],
	['no-pressure', can('strawberry jam with powdered pectin', { canner: 'pressure' })],
	['untested-food', can('celeriac')],
	['untested-product', can('asparagus', { product: 'tempura' })],
	['untested-style', can('apples', { style: 'raw' })],
	['jar-too-large', can('green beans', { jar: 'half-gallon' })],
	['altitude-missing', { way: 'can', food: 'green beans' }],
	['altitude-above-table', can('green beans', { altitude_m: 3500 })],
	['thickener', can('apple pie filling', { additives: ['cornstarch'] })],
	['grain', can('vegetable soup', { additives: ['noodles'] })],
	['dairy', can('vegetable soup', { additives: ['cream'] })],
	['egg', can('beets', { product: 'pickled', additives: ['egg'] })],
	['bread', can('vegetable soup', { additives: ['bread'] })],
	['fat', can('tomatoes', { product: 'crushed', additives: ['oil'] })],
	['extra-low-acid', can('salsa', { additives: ['peppers'] })],
	['meat-added', can('spaghetti sauce without meat', { additives: ['meat'] })],
	['dry-in-soup', can('vegetable soup', { additives: ['dry-vegetables'] })],
	['acid-reduced', can('tomatoes', { acid: 'none' })],
	['salt-reduced', can('sauerkraut', { salt: 'reduced' })],
	['own-recipe', can('salsa', { recipe: 'own' })],
	['open-kettle', can('jam', { canner: 'open-kettle' })],
	['oven', can('peaches', { canner: 'oven' })],
	['multicooker', can('green beans', { canner: 'multicooker' })],
	['steam-low-acid', can('carrots', { canner: 'steam' })],
	['steam-too-long', can('tomatoes', { product: 'raw-no-liquid', canner: 'steam' })],
	['thawed-tomatoes', can('tomatoes', { product: 'whole-in-water', state: 'thawed' })],
	['held-packed', { way: 'hold-packed', food: 'green beans', place: 'fridge', days: 3 }],
	['damaged', can('tomatoes', { condition: 'unsound' })],
	['can/summer-squash', can('courgettes')],
	['can/cabbage-kin', can('broccoli')],
	['can/eggplant', can('aubergine')],
	['can/celery', can('celery')],
	['can/lettuce', can('lettuce')],
	['can/artichokes', can('artichokes')],
	['can/edible-pod-peas', can('mangetout')],
	['can/garlic', can('garlic')],
	['can/cucumbers', can('cucumbers')],
	['can/bananas', can('cantaloupe')],
	['can/elderberries', can('elderberries')],
	['can/strawberries', can('strawberries')],
	['can/persimmons', can('persimmons')],
	['can/white-peaches', can('white peaches')],
	['can/squash-mash', can('pumpkins', { product: 'mashed' })],
	['can/squash-mash', can('pumpkin butter')],
	['can/mash', can('potatoes', { product: 'mashed' })],
	['can/wild-mushrooms', can('morels')],
	['can/wild-mushrooms', can('wild mushrooms')],
	['can/other-mushrooms', can('shiitake')],
	['can/herbs', can('basil')],
	['can/pesto', can('pesto')],
	['can/eggs', can('eggs')],
	['can/dairy', can('butter')],
	['can/bread', can('banana bread')],
	['can/grain', can('rice')],
	['can/cured-meat', can('bacon')],
	['can/lean-fish', can('cod')],
	['can/goat', can('goat')],
	['can/giblets', can('giblets')],
	['can/cream-soup', can('cream soup')],
	['can/own-dish', can('beef stew')],
	['can/own-dish', can('bolognese')],
	['can/ground-poultry', can('ground turkey')],
	['can/spaghetti-squash', can('spaghetti squash')],
	['can/pasta-soup', can('minestrone')],
	['can/pasta-soup', can('chicken soup with noodles')],
	['can/thick-soup', can('pea soup')],
	['can/cream-soup', can('fish chowder')],
	['can/made-before', can('stewed rhubarb')],
	['can/kept-only', can('walnuts')],
	['can/mash', can('mashed potatoes')],
	['can/white-peaches', can('white nectarine')],
	['can/white-peaches', can('donut peaches')],
	['untested-product', can('peaches', { product: 'butter' })],
	['kept-only', { way: 'dry', food: 'cheese' }],
	['state-frozen', can('frozen green beans')],
	['state-frozen', { way: 'freeze-raw', food: 'raspberries, frozen' }],
	['state-thawed', { way: 'freeze-raw', food: 'raspberries', state: 'thawed' }],
	['state-unknown', can('carrots', { state: 'pickled' })],
	['thawed-tomatoes', can('frozen tomatoes')],
	['damaged', can('tomatoes from frost-killed vines')],
	['fridge-vacuum-raw', { way: 'vacuum', food: 'green beans', place: 'fridge', days: 10 }],
	['fridge-vacuum-raw', { way: 'vacuum', food: 'blueberries', place: 'fridge', days: 12 }],
	['meat-with-meat', { way: 'dry', food: 'beef', withOthers: true, withMeat: true }],
	['recipe-missing', can('blueberries', { product: 'jam' })],
	['recipe-missing', can('mexican-tomato-sauce')],
	['recipe-missing', can('baked beans')],
	['asked', can('beans')],
	['asked', can('squash')],
	['asked', can('gumbo')],
	['can/lard', can('lard')],
	['can/chocolate', can('chocolate sauce')],
	['can/avocado', can('avocado')],
	['can/stuffed', can('stuffed peppers')],
	['freeze-untimed', { way: 'freeze-blanched', food: 'potatoes', cut: 'shreds' }],
	['serve-raw-frozen', { way: 'serve-raw', food: 'peas', state: 'frozen' }],
	['serve-raw-meat', { way: 'serve-raw', food: 'ground beef' }],
	['wild-mushroom-raw', { way: 'freeze-raw', food: 'chanterelles' }],
	['wild-mushroom-unknown', { way: 'dry', food: 'morels', identified: false }],
	['unidentified', { way: 'freeze-cooked', food: 'wild mushrooms' }],
	['not-identified', { way: 'fridge', food: 'wild garlic', identified: false }],
	['elder-green', { way: 'dry', food: 'elderflowers', part: 'stems' }],
	['elder-raw', { way: 'serve-raw', food: 'elderberries', identified: true }],
	['rhubarb-leaves', { way: 'freeze-raw', food: 'rhubarb', part: 'leaves' }],
	['raw-kidney', { way: 'serve-raw', food: 'kidney beans' }],
	['meat-no-heat', { way: 'dry', food: 'venison', heatStep: 'none' }],
	['meat-heat-low', { way: 'dry', food: 'chicken', heat_C: 71.2 }],
	['meat-air-low', { way: 'dry', food: 'cooked mince', air_C: 46 }],
	['meat-shelf', { way: 'dry', food: 'beef', place: 'room' }],
	['meat-with-herbs', { way: 'dry', food: 'beef', withOthers: true }],
	['dry-fish', { way: 'dry', food: 'salmon' }],
	['dry-dairy', { way: 'dry', food: 'cream soup' }],
	['dry-stock', { way: 'dry', food: 'chicken stock' }],
	['vacuum-room', { way: 'vacuum', food: 'carrots' }],
	['vacuum-raw-garlic', { way: 'vacuum', food: 'garlic', place: 'fridge' }],
	['vacuum-thaw', { way: 'thaw', food: 'trout', thaw: 'fridge', sealed: true }],
	['absorber-moist', { way: 'absorber', food: 'apples', moisture: 20 }],
	['absorber-moist', { way: 'absorber', food: 'apples', state: 'dried' }],
	['absorber-fat', { way: 'absorber', food: 'coconut', moisture: 4 }],
	['oil-shelf', { way: 'infuse-oil', food: 'garlic' }],
	['oil-days', { way: 'infuse-oil', food: 'basil', place: 'fridge', days: 10 }],
	['ferment-meat', { way: 'ferment', food: 'pork' }],
	['pickle-shelf-own', { way: 'pickle', food: 'carrots', place: 'room' }],
	['pickle-shelf-own', { way: 'pickle', food: 'beets' }],
	['vacuum-room', { way: 'vacuum', food: 'baked beans', place: 'room', state: 'dried' }],
	['oil-days', { way: 'infuse-oil', food: 'garlic', place: 'fridge', days: Number.NaN }],
	['meat-no-heat', { way: 'dry', food: 'chili con carne', heatStep: 'none' }],
	['jam-own', { way: 'jam', food: 'plums' }],
	['jam-own', { way: 'jam', food: 'zucchini', place: 'room' }],
	['smoke-shelf', { way: 'smoke', food: 'trout', place: 'room' }],
	['salt-shelf', { way: 'salt', food: 'cod', place: 'room' }],
	['freeze-dry-fat', { way: 'freeze-dry', food: 'goose' }],
	['meat-thick', { way: 'dry', food: 'beef', heatStep: 'before', thickness_mm: 10 }],
	['dry-warm', { way: 'dry', food: 'apples', place: 'room', place_C: 30 }],
	['fridge-warm', { way: 'fridge', food: 'chicken', place_C: 8 }],
	['freezer-warm', { way: 'freeze-raw', food: 'raspberries', place_C: -10 }],
	['jars-warm', can('green beans', { place_C: 38 })],
	['cellar-temperature', { way: 'cellar', food: 'carrots', place_C: 12 }],
	['cellar-unfit', { way: 'cellar', food: 'chicken' }],
	['perishable-room', { way: 'room', food: 'meat stock' }],
	['fridge-days', { way: 'fridge', food: 'ground beef', days: 5 }],
	['counter-thaw', { way: 'thaw', food: 'ground beef', thaw: 'counter' }],
	['fridge-vacuum-greens', { way: 'vacuum', food: 'spinach', place: 'fridge', days: 14 }]
];

/** Rules that stop a line at the door, each with a line that it stops. */
const lines: readonly (readonly [string, string])[] = [
	['made-preserve', '1 kg plum jam'],
	['mixture', '2 kg beef in gravy'],
	['mixture', '1 kg carrots with butter'],
	['kept-already', '2 kg carrots, pickled'],
	['kept-already', '1 kg tinned peaches'],
	['in-oil', '1 kg carrots in oil'],
	['can/pesto', '1 kg garlic in oil'],
	['spoiled', '24 lb tomatoes, mouldy'],
	['coated', '1 kg cod fillets, breaded'],
	['sprouted', '3 kg potatoes, sprouted'],
	['part-unknown', '1 kg carrot tops'],
	['state-unknown', '2 kg beef, vacuum packed'],
	['poison/mushrooms', '1 kg death cap mushrooms'],
	['poison/mushrooms', '1 kg mushrooms, note: maybe a death cap'],
	['poison/seeds', '1 kg castor beans'],
	['poison/plants', '2 kg green potatoes'],
	['poison/rhubarb', '1 kg rhubarb leaves'],
	['poison/elder', '500 g elder leaves'],
	['baby-corn', '1 kg baby corn'],
	['true-yams', '2 kg cassava'],
	['can/squash-mash', '2 kg pumpkin butter']
];
/** Rules for a lot's age and its old line: held in clock.test.ts and reread.test.ts. */
const ofLots = ['age-out', 'age-past', 'flagged'];

describe('what is stopped at the door', () => {
	it.each(lines)('%s: %s', (rule, line) => {
		const reading = admitted(readLine(line, { own: [], metricCups: true }));
		if (reading.kind !== 'refused') throw new Error(reading.kind);
		expect(reading.refusal.rule).toBe(rule);
		expect(reading.refusal.instead.length).toBeGreaterThan(0);
	});
	it('holds an age against every way: past safety nothing, past its quality no jar', () => {
		const named = understand('minced beef');
		if (named.kind !== 'thing') throw new Error('mince');
		const out = { ...named.thing, age: { past: 'end', limit: 'safety' } } as const;
		for (const way of wayIds) expect(advise(out, way, { altitude_m: 100 })).toMatchObject({ rule: 'age-out' });
		const beans = understand('green beans');
		if (beans.kind !== 'thing') throw new Error('beans');
		const old = { ...beans.thing, age: { past: 'end', limit: 'quality' } } as const;
		expect(advise(old, 'can', { altitude_m: 100 })).toMatchObject({ rule: 'age-past' });
		expect(advise(old, 'freeze-blanched').kind).toBe('allowed');
	});
});

describe('what is refused', () => {
	it.each(cases.map(([id, question]) => [id, question.way, question.food, question] as const))(
		'%s: to %s %s',
		(id, _way, _food, question) => {
			expect(rule(question)).toBe(id);
			const advice = ask(question);
			if (advice.kind !== 'refused') throw new Error('allowed');
			// One sentence, the source's full title, and a way on.
			expect(advice.reason).toMatch(/^[A-Z“].+\.$/);
			expect(Object.values(sources).map((s) => s.title)).toContain(advice.source);
			expect(advice.instead.length).toBeGreaterThan(0);
		}
	);
	it('has a question for every rule of the table, so that no rule is dead', () => {
		const asked = new Set([
			...cases.map(([id]) => id),
			...lines.map(([id]) => id),
			...ofLots,
			...standCases.map(([id]) => id)
		]);
		expect(refusalRows.map((r) => r.id).filter((id) => !asked.has(id))).toEqual([]);
	});
	it('never sends a person back into what was refused', () => {
		const jars = (question: Question) => {
			const advice = ask(question);
			return advice.kind === 'refused' && advice.instead.some((way) => way.startsWith('Can it by'));
		};
		for (const question of [
			can('white peaches'),
			can('tomatoes', { product: 'whole-in-water', state: 'thawed' }),
			can('tomatoes', { condition: 'unsound' }),
			{ way: 'can', food: 'green beans' } as const,
			{ way: 'hold-packed', food: 'green beans' } as const,
			can('wild mushrooms'),
			{ way: 'dry', food: 'elderflowers', part: 'stems' } as const
		])
			expect(jars(question), JSON.stringify(question)).toBe(false);
		// Where they are the way on, they are named.
		expect(jars(can('courgettes'))).toBe(true);
		expect(jars({ way: 'vacuum', food: 'carrots' })).toBe(true);
	});
	it('refuses raw what the food’s own row refuses', () => {
		expect(rule({ way: 'freeze-raw', food: 'lettuce' })).toBe('freeze-raw/lettuce');
		expect(rule({ way: 'freeze-raw', food: 'potatoes' })).toBe('freeze-raw/potatoes');
		expect(rule({ way: 'freeze-raw', food: 'beets' })).toBe('freeze-raw/beets');
	});
	it('names a near food for a misspelt one', () => {
		expect(ask(can('zuchini plants'))).toMatchObject({ kind: 'refused', rule: 'unknown-food' });
		const advice = ask(can('aspargus'));
		expect(advice.kind === 'refused' && advice.instead[0]).toMatch(/asparagus/);
	});
});

describe('what is allowed, and what is said with it', () => {
	it('gives each jerky its own heat step, and the air of the dryer', () => {
		const beef = ask({ way: 'dry', food: 'beef' });
		const bird = ask({ way: 'dry', food: 'turkey' });
		// USDA FSIS, Jerky and Food Safety (from memory): 160 °F for meat, 165 °F for poultry, dried at 130 to 140 °F.
		expect(beef.kind === 'allowed' && beef.heat.map((s) => s.F)).toEqual([160, 130]);
		expect(bird.kind === 'allowed' && bird.heat.map((s) => s.F)).toEqual([165, 130]);
		expect(beef.kind === 'allowed' && beef.cautions.map((c) => c.id)).toContain('meat-frozen');
	});
	it('lets cooked meat be dried warm enough, and herbs without a heat step', () => {
		expect(ask({ way: 'dry', food: 'cooked chicken', air_C: 60, heat_C: 74 }).kind).toBe('allowed');
		const herbs = ask({ way: 'dry', food: 'thyme', air_C: 40 });
		expect(herbs.kind === 'allowed' && herbs.heat).toEqual([]);
	});
	it('warns of botulism beside every pressure process and of acid beside tomatoes', () => {
		const beans = ask(can('green beans', { jar: 'pint' }));
		expect(beans.kind === 'allowed' && beans.cautions.map((c) => c.id)).toEqual(
			expect.arrayContaining(['botulism', 'pressure-lost', 'vent', 'altitude', 'authority'])
		);
		const tomatoes = ask(can('tomatoes', { product: 'crushed' }));
		expect(tomatoes.kind === 'allowed' && tomatoes.cautions.map((c) => c.id)).toContain('acid');
	});
	it('allows a pie filling its own modified starch, and thawed tomatoes as juice', () => {
		expect(ask(can('blueberry pie filling', { additives: ['modified-starch'] })).kind).toBe('allowed');
		expect(ask(can('tomatoes', { product: 'juice', state: 'thawed' })).kind).toBe('allowed');
	});
	it('leaves out of a plain question what was only tested as a recipe', () => {
		const tomatoes = ask(can('tomatoes'));
		const products =
			tomatoes.kind === 'allowed' ? new Set(tomatoes.processes.map((p) => p.product.product)) : new Set();
		expect([...products].sort()).toEqual([
			'crushed',
			'juice',
			'raw-no-liquid',
			'sauce',
			'whole-in-juice',
			'whole-in-water'
		]);
	});
	it.each([
		[{ way: 'can', food: 'apples', product: 'butter', altitude_m: 100 }],
		[{ way: 'vacuum', food: 'beef', place: 'freezer' }],
		[{ way: 'vacuum', food: 'green beans', place: 'room', state: 'dried' }],
		[{ way: 'absorber', food: 'dry beans', moisture: 9 }],
		[{ way: 'infuse-oil', food: 'garlic', place: 'fridge', days: 3 }],
		[{ way: 'freeze-dry', food: 'strawberries' }],
		[{ way: 'ferment', food: 'cabbage', salt: 'full' }],
		[{ way: 'pickle', food: 'beets', recipe: 'tested' }],
		[{ way: 'pickle', food: 'carrots', place: 'fridge', recipe: 'own' }],
		[{ way: 'jam', food: 'plums', recipe: 'tested' }],
		[{ way: 'jam', food: 'plums', place: 'fridge' }],
		[{ way: 'smoke', food: 'trout', place: 'fridge' }],
		[{ way: 'salt', food: 'cod', place: 'fridge' }],
		[{ way: 'cellar', food: 'potatoes' }],
		[{ way: 'fridge', food: 'ground beef', days: 2 }],
		[{ way: 'room', food: 'garlic' }],
		[{ way: 'thaw', food: 'chicken', thaw: 'cold-water' }],
		[{ way: 'serve-raw', food: 'strawberries', state: 'frozen' }],
		[{ way: 'freeze-cooked', food: 'morels', identified: true }]
	] as const)('%o', (question) => {
		const advice = ask(question);
		expect(advice.kind).toBe('allowed');
		if (advice.kind === 'allowed') expect(advice.cautions.at(-1)?.id).toBe('authority');
	});
});
