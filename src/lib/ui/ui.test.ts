import { describe, expect, it } from 'vitest';
import { faultOf } from './notice/types';
import { newOnly } from './run/merge';
import { Rung } from './run/rung';
import { sayTap } from '$core/runs/kinds';
import { withChoice } from './ways/address';

describe('small parts of the page', () => {
	it('an address keeps its other choices, and drops the container with the cut', () => {
		expect(withChoice('?cut=a&portion=500', 'portion', '300')).toBe('?cut=a&portion=300');
		expect(withChoice('?cut=a&container=x', 'cut', 'b')).toBe('?cut=b');
		expect(withChoice('?potfuls=small', 'potfuls', '')).toBe('?');
	});
	it('each clock rings once', () => {
		const rung = new Rung();
		expect(rung.add(['a', 'b'])).toEqual(['a', 'b']);
		expect(rung.add(['a', 'b', 'c'])).toEqual(['c']);
	});
	it('an event that came by two roads counts once', () => {
		const event = { id: 'x', at: 1, type: 'boiling' } as const;
		expect(newOnly([event, { ...event, id: 'y' }], [event]).map((e) => e.id)).toEqual(['y']);
	});
	it('says a tap in a few words', () => {
		expect(sayTap({ id: 'x', at: 1, type: 'move', potful: 3, to: 'chill' }, 'metric')).toBe('potful 3 into the ice');
		expect(
			sayTap({ id: 'x', at: 1, type: 'pack', packs: 1, pack_g: 5, containerId: null, placeId: 'p' }, 'metric')
		).toBe('1 pack');
	});
	it('says a weight in the household’s units', () => {
		const event = { id: 'x', at: 1, type: 'weigh', grams: 1474 } as const;
		expect([sayTap(event, 'metric'), sayTap(event, 'us')]).toEqual(['weighed 1.47 kg', 'weighed 3 lb 4 oz']);
	});
	it('finds the fault of a field', () => {
		const failed = { error: { code: 'X', message: 'm', faults: [{ field: 'name', message: 'Taken.' }] } };
		expect(faultOf(failed, 'name')).toBe('Taken.');
		expect(faultOf(null, 'name')).toBeUndefined();
	});
});
