import { describe, expect, it } from 'vitest';
import { readLine } from '../things/read-line';
import { dryWay, inTheSun, otherAirs, type DryChoices, type DryWay } from './dry-ways';
import { freezeWays } from './freeze-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
function dry(text: string, choices: DryChoices = {}): DryWay | string {
	const reading = readLine(text, { own: [], metricCups: true, today: '2026-08-25' });
	if (reading.kind !== 'understood') throw new Error(`${text}: ${reading.kind}`);
	const { thing, grams } = reading;
	const { cut } = freezeWays({ thing, grams, food_C: 15, kitchen, choices: {}, now });
	const way = dryWay({ thing, cut, grams, kitchen, choices, now });
	return way.kind === 'way' ? way : way.reason;
}
const way = (text: string, choices: DryChoices = {}): DryWay => {
	const found = dry(text, choices);
	if (typeof found === 'string') throw new Error(found);
	return found;
};

describe('what comes frozen goes straight to the dryer', () => {
	it('is neither trimmed, nor thawed, nor blanched again, and dries in the printed hours (common practice)', () => {
		const fresh = way('2 kg green beans');
		const frozen = way('2 kg frozen green beans');
		expect(fresh.blanch?.minutes).toEqual([2, 2]);
		expect(frozen.blanch).toBeNull();
		expect(frozen.time.hours).toBe(fresh.time.hours);
		expect(frozen.balance.trayWet_kg * frozen.trays.needed).toBeCloseTo(2, 6);
		expect(frozen.hands_s).toBeLessThan(fresh.hands_s);
		expect(frozen.why).toMatch(/without another blanch \(common practice\)/);
		expect(frozen.months).toEqual(fresh.months);
	});
	it('not so what has thawed, nor meat, which is frozen as it comes', () => {
		expect(dry('2 kg thawed green beans')).toMatch(/thawed/);
		expect(dry('2 kg frozen stewing beef')).toMatch(/frozen already/);
	});
});

describe('without a dryer', () => {
	it('takes about twice the hours in an oven at 140 °F (NCHFP, Drying, from memory), on its two grids, in no other air', () => {
		const [dryer, oven] = [way('2 kg apples'), way('2 kg apples', { oven: true })];
		expect(oven.time.hours / dryer.time.hours).toBeCloseTo(2, 6);
		expect(oven.dryer).toMatchObject({ name: 'Oven', trays: 2 });
		expect(oven.trays.needed).toBeGreaterThan(2);
		expect(oven.time.air_C).toBeCloseTo(60, 0);
		expect(otherAirs(oven)).toEqual([]);
		expect(oven.months).toEqual(dryer.months);
		// What another machine took says nothing of the oven.
		expect(way('2 kg apples', { oven: true, air_C: 50 }).time.hours).toBe(oven.time.hours);
	});
	it('is no place for herbs, which want less, nor for meat', () => {
		expect(dry('200 g basil', { oven: true })).toMatch(/no air as cool/);
		expect(dry('1 kg stewing beef', { oven: true })).toMatch(/stays at its temperature/);
	});
	it('the sun dries fruit alone, warm and in dry air, and then against insects 48 h in the freezer or 30 min at 160 °F (NCHFP, Drying, from memory)', () => {
		const { may, words } = inTheSun(way('2 kg apricots'), 'us');
		expect(may).toBe(true);
		expect(words).toContain('85 °F or more and below 60 %');
		expect(words).toContain('48 h at 0 °F in the freezer or 30 min at 160 °F in the oven');
		for (const text of ['2 kg carrots', '1 kg stewing beef', '200 g basil'])
			expect(inTheSun(way(text), 'metric').may, text).toBe(false);
	});
});
