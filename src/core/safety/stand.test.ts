import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { placeKinds } from '../things/place';
import { readShelfLine } from '../things/shelf-line';
import { states, type Thing } from '../things/thing';
import { plain } from '../things/thing';
import { keepsAt } from '../things/clock';
import { gate } from './gate';
import { betterPlaces, mayStand, type Standing } from './stand';
import { standCases } from './stand.fixture';

const read = (text: string): Thing => {
	const reading = readShelfLine(text, { own: [], metricCups: true, today: '2026-11-27', places: [] });
	if (reading.kind !== 'understood') throw new Error(`${text}: ${JSON.stringify(reading)}`);
	return reading.thing;
};
const at = (place: Standing['place'], place_C: number, loose = true): Standing => ({
	place,
	place_C,
	name: 'there',
	loose
});

describe('what may stand where', () => {
	it.each(standCases)('%s: %s, %s at %d °C', (rule, text, place, place_C, how) => {
		const thing = read(text);
		const answer =
			rule === 'jar-process' ? gate({ thing, way: 'serve-raw' }) : mayStand(thing, at(place, place_C), how);
		expect(answer).toMatchObject({ kind: 'refused', rule });
		if (answer?.kind === 'refused') expect(answer.instead.length).toBeGreaterThan(0);
	});
	it.each([
		['12 × 500 g green beans, frozen', 'freezer', -18, 'frozen'],
		['12 × 500 g green beans, frozen', 'fridge', 4, 'thawed'],
		['7 quarts crushed tomatoes, canned', 'pantry', 17, 'canned'],
		['14 kg beetroot in sand', 'cellar', 3, 'fresh'],
		['6 kg carrots', 'ground', 6, 'fresh'],
		['500 g beef jerky', 'freezer', -18, 'dried'],
		['5 kg sauerkraut, fermenting', 'crock', 18, 'fermented'],
		// What a person finds in the freezer is frozen, whatever its words were.
		['1 kg chicken, cooked', 'freezer', -18, 'frozen']
	] as const)('%s may stand in the %s, as %s', (text, place, place_C, state) => {
		expect(mayStand(read(text), at(place, place_C), 'said')).toMatchObject({ kind: 'may', state });
	});
	it('gives every food in every state in every place an answer, and what stands there a clock', () => {
		for (const food of foodRows)
			for (const state of states)
				for (const place of placeKinds) {
					const place_C = place === 'freezer' ? -18 : place === 'fridge' ? 4 : place === 'cellar' ? 5 : 18;
					const thing: Thing = { ...plain(food), state, ...(state === 'opened' ? { was: 'canned' as const } : {}) };
					const answer = mayStand(thing, at(place, place_C), 'said');
					if (answer.kind === 'refused') continue;
					const { days } = keepsAt({ ...thing, state: answer.state }, place, place_C);
					expect(days[0], `${food.id} ${state} ${place}`).toBeGreaterThan(0);
					expect(days[1], `${food.id} ${state} ${place}`).toBeGreaterThanOrEqual(days[0]);
				}
	});
	it('never lets meat, fish, dishes or what is thawed keep longer than hours out of the cold', () => {
		for (const food of foodRows.filter((f) => f.perishable && !['egg', 'dairy'].includes(f.group)))
			for (const state of ['fresh', 'prepared', 'cooked', 'thawed', 'mixed', 'coated', 'in-oil'] as const)
				expect(
					keepsAt({ ...plain(food), state }, 'counter', 21).days[1] * 24,
					`${food.id} ${state}`
				).toBeLessThanOrEqual(2.01);
	});
	it('names the place that keeps a thing longest, and none where it stands well', () => {
		const squash = read('9 butternut squash');
		const places = [at('fridge', 4), at('cellar', 11)];
		expect(betterPlaces(squash, at('counter', 24), places)[0]?.at.place).toBe('cellar');
		expect(betterPlaces(squash, at('cellar', 11), [at('counter', 24)])).toEqual([]);
	});
});
