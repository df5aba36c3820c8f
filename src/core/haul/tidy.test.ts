import { describe, expect, it } from 'vitest';
import type { Haul, Shared } from './haul';
import { tidied } from './tidy';
import { worthOf } from './programme';

const haulWith = (hands: readonly number[], lastDay = 1): Haul => ({
	days: 2,
	lots: [{ id: 'berries', name: 'berries', kg: 6, lastDay, left_cost: 1 }],
	ways: [
		{
			id: 'berries|raw',
			lot: 'berries',
			name: 'freeze raw',
			pack_kg: 0.5,
			whole: false,
			least_kg: 0,
			most_kg: 6,
			worth: 1,
			enough_kg: 6,
			worthMore: 1,
			perKg: [{ limit: 'hands', amount: 0.1 }],
			perPack: [],
			station: 'table',
			group: null
		}
	],
	limits: [{ id: 'hands', name: 'hands', unit: 'h', kind: 'daily', have: hands }],
	stations: [{ id: 'table', takes: [], cost: 0.1 }],
	groups: [],
	locks: []
});
const sharedOf = (haul: Haul, ...kg: number[]): Shared => {
	const parts = kg.map((amount, day) => ({ way: 'berries|raw', lot: 'berries', day, kg: amount }));
	return { parts, packs: { 'berries|raw': 12 }, loads: [], left: {}, worth: worthOf(haul, parts, [], {}) };
};

describe('little parts', () => {
	it('are put with the larger one, and what is set up once less is gained', () => {
		const haul = haulWith([1, 1]);
		const before = sharedOf(haul, 0.3, 5.7);
		const tidy = tidied(haul, before);
		expect(tidy.parts).toEqual([{ way: 'berries|raw', lot: 'berries', day: 1, kg: 6 }]);
		expect(tidy.worth).toBeCloseTo(before.worth + 0.1, 9);
	});

	it('stay where the other day has no hands left for them', () => {
		const haul = haulWith([0.57, 0.57]);
		const before = sharedOf(haul, 0.3, 5.7);
		expect(tidied(haul, before)).toEqual(before);
	});

	it('go to the earlier day where the later one is too late', () => {
		const haul = haulWith([1, 1]);
		expect(tidied(haul, sharedOf(haul, 5.7, 0.3)).parts).toEqual([
			{ way: 'berries|raw', lot: 'berries', day: 0, kg: 6 }
		]);
	});
});
