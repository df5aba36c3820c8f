import { describe, expect, it } from 'vitest';
import { readLine } from '../things/read-line';
import { dryWay, type DryWay } from './dry-ways';
import { freezeWays } from './freeze-ways';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
function dry(text: string): DryWay | string {
	const reading = readLine(text, { own: [], metricCups: true, today: '2026-08-25' });
	if (reading.kind !== 'understood') throw new Error(`${text}: ${reading.kind}`);
	const { thing, grams } = reading;
	const { cut } = freezeWays({ thing, grams, food_C: 15, kitchen, choices: {}, now });
	const way = dryWay({ thing, cut, grams, kitchen, choices: {}, now });
	return way.kind === 'way' ? way : way.reason;
}
const way = (text: string): DryWay => {
	const found = dry(text);
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
