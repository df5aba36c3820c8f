import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain as thingOf } from '../things/thing';
import { sayFraction, sayHeadspace, sayPressure, saySpoons } from '../quantities/format';
import { kgFromLb, mFromFt } from '../quantities/units';
import { understand } from '../things/understand';
import { canWays, type CanWay, type CanWaysInput } from './can-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const row = (id: string) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return food;
};
const named = (text: string) => {
	const read = understand(text);
	if (read.kind !== 'thing') throw new Error(text);
	return read.thing;
};
const waysOf = (id: string, more: Partial<CanWaysInput> = {}) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return canWays({ thing: thingOf(food), grams: 10_000, kitchen, jar: 'quart', now, ...more });
};
const plain = (id: string, more?: Partial<CanWaysInput>): readonly CanWay[] => {
	const ways = waysOf(id, more).plain;
	if ('kind' in ways) throw new Error(ways.reason);
	return ways;
};

describe('the jars of an item', () => {
	it.each(foodRows.map((f) => [f.id]))('%s: each way has its rows, or the food is refused with a way on', (id) => {
		const ways = waysOf(id);
		if ('kind' in ways.plain) expect(ways.plain.instead.length).toBeGreaterThan(0);
		for (const way of [...('kind' in ways.plain ? [] : ways.plain), ...ways.recipes]) {
			expect(way.processes.length).toBeGreaterThan(0);
			expect(new Set(way.processes.map((p) => p.jar))).toEqual(new Set([way.jar]));
			expect(way.load_s).toBeGreaterThan(300);
			expect(way.keepsUntil).toBe('2027-08-25');
			expect(way.processes.every((p) => p.gauge !== 'dial')).toBe(true);
		}
		expect(ways.cautions.at(-1)?.id).toBe('authority');
	});
	it('counts jars and loads by the published pounds', () => {
		// USDA Complete Guide, snap beans (from memory): 14 lb for a canner load of 7 quarts, 9 lb for 9 pints.
		const [beans] = plain('green-beans', { grams: kgFromLb(14) * 1000 + 1 });
		expect(beans?.jars).toMatchObject({ count: 7, loads: 1 });
		const [pints] = plain('green-beans', { grams: kgFromLb(18) * 1000 + 1, jar: 'pint' });
		expect(pints?.jars).toMatchObject({ count: 18, loads: 2 });
		expect(plain('green-beans', { grams: 200 })[0]?.jars?.count).toBe(0);
	});
	it('takes less of shelled peas to a jar than of peas in the pod', () => {
		const inPod = plain('peas', { thing: { ...thingOf(row('peas')), form: 'in-pod' } })[0]?.jars?.perJar_g ?? 0;
		const shelled = plain('peas', { thing: { ...thingOf(row('peas')), form: 'shelled' } })[0]?.jars?.perJar_g ?? 0;
		expect(inPod).toBeCloseTo(kgFromLb(4.5) * 1000, 6);
		expect(shelled).toBeLessThan(inPod * 0.6);
		expect(shelled).toBeGreaterThan(inPod * 0.3);
	});
	it('says nothing of jars where the guide prints no quantity', () => {
		expect(plain('beef')[0]?.jars).toBeUndefined();
	});
	it('takes the next smaller tested jar, and the smallest where none is smaller', () => {
		expect(plain('mushrooms')[0]?.jar).toBe('pint');
		expect(plain('apples', { jar: 'half-pint' })[0]).toMatchObject({ jar: 'pint' });
		expect(waysOf('strawberries').recipes.find((w) => w.product.product === 'jam')?.jar).toBe('pint');
	});
	it('follows the altitude and the gauge, and refuses without an altitude', () => {
		const psi = (altitude_m: number | null, gauge: 'dial' | 'weighted') =>
			plain('carrots', { kitchen: { ...kitchen, altitude_m, gauge } })[0]?.processes.map((p) => p.psi);
		expect(psi(0, 'weighted')).toEqual([10]);
		expect(psi(mFromFt(5000), 'dial')).toEqual([13]);
		expect(waysOf('carrots', { kitchen: { ...kitchen, altitude_m: null } }).plain).toMatchObject({
			kind: 'refused',
			rule: 'altitude-missing'
		});
		expect(waysOf('carrots', { kitchen: { ...kitchen, altitude_m: null } }).recipes).toEqual([]);
	});
	it('shows both gauges where none was said, and that a canner is missing where there is none', () => {
		const both = plain('carrots', { kitchen: { ...kitchen, gauge: null } })[0];
		expect(both?.processes.map((p) => p.gauge)).toEqual(['weighted', 'dial']);
		expect(plain('carrots', { kitchen: { ...kitchen, gauge: 'none' } })[0]?.noCanner).toBe(true);
		expect(plain('peaches', { kitchen: { ...kitchen, gauge: 'none' } })[0]?.noCanner).toBe(false);
	});
	it('keeps recipes apart from the food as it is', () => {
		expect(waysOf('zucchini').plain).toMatchObject({ kind: 'refused', rule: 'can/summer-squash' });
		expect(
			waysOf('zucchini')
				.recipes.map((w) => w.product.product)
				.sort()
		).toEqual(['pickled', 'pineapple', 'with-okra-or-zucchini']);
	});
	it('hears the household’s own word: white peaches are refused, as jam too, yellow ones are not', () => {
		const white = waysOf('peaches', { thing: named('white peaches') });
		expect(white.plain).toMatchObject({ kind: 'refused', rule: 'can/white-peaches' });
		expect(white.recipes).toEqual([]);
		expect('kind' in waysOf('peaches', { thing: named('yellow peaches') }).plain).toBe(false);
	});
	it('says that only sound produce goes into jars where it came in soft', () => {
		expect(waysOf('tomatoes', { thing: named('tomatoes, soft') }).cautions.map((c) => c.id)).toContain('sound-only');
		expect(waysOf('tomatoes').cautions.map((c) => c.id)).not.toContain('sound-only');
	});
	it('gives the general rules for the canners that are used, in the household’s units', () => {
		// USDA Complete Guide, Guide 1 (from memory): 1 in over the lids, 10 minutes of venting, 12 to 24 hours.
		const tomatoes = waysOf('tomatoes').steps;
		expect(tomatoes.water.join(' ')).toMatch(/2\.5 cm \(1 in\) over the lids at least, 5\.1 cm \(2 in\)/);
		expect(tomatoes.pressure.join(' ')).toMatch(/10 minutes of steady steam/);
		const beans = waysOf('green-beans', { kitchen: { ...kitchen, units: 'us' } }).steps;
		expect(beans.pressure.join(' ')).toMatch(/12 to 24 hours.*50 °F to 70 °F.*never above 95 °F/);
		expect(waysOf('jerusalem-artichokes').steps).toEqual({ water: [], pressure: [] });
	});
	it('refuses nothing of nothing', () => expect(() => waysOf('peas', { grams: 0 })).toThrow(/grams/));
});

describe('how cooks write it', () => {
	it.each([
		[0.125, '⅛'],
		[0.25, '¼'],
		[0.5, '½'],
		[1, '1'],
		[1.25, '1¼'],
		[2, '2'],
		[0, '0']
	])('%d is %s', (value, words) => expect(sayFraction(value)).toBe(words));
	it('puts the metric measure beside the printed one', () => {
		expect(sayHeadspace(1.25, 'metric')).toBe('32 mm (1¼ in)');
		expect(sayHeadspace(0.5, 'us')).toBe('½ in');
		expect(saySpoons(2, 'tbsp', 'metric')).toBe('2 tbsp (30 ml)');
		expect(saySpoons(0.5, 'tsp', 'metric')).toBe('½ tsp (2.5 ml)');
		expect(saySpoons(1, 'tbsp', 'us')).toBe('1 tbsp');
		expect(sayPressure(11, 75.8, 'metric')).toBe('11 psi (76 kPa)');
		expect(sayPressure(11, 75.8, 'us')).toBe('11 psi');
	});
});
