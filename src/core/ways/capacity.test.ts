import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain as thingOf } from '../things/thing';
import { capacities, type CapacityInput } from './capacity';
import { kitchen } from './kitchen.fixture';

const now = Date.parse('2026-08-25T08:00:00Z');
const of = (id: string, more: Partial<CapacityInput> = {}) => {
	const food = foodById(id);
	if (!food) throw new Error(id);
	return capacities({ thing: thingOf(food), kitchen, days: 3, jar: 'quart', now, ...more });
};

describe('what can still be taken on', () => {
	it('names what ends it first, way by way', () => {
		const [blanch] = of('green-beans');
		expect(blanch?.takes.kg).toBeGreaterThan(0);
		const { have, perKg } = blanch?.takes.binds ?? { have: 0, perKg: 1 };
		expect(blanch?.takes.kg).toBe(Math.floor(have / perKg + 1e-9));
		// Nine hours of hands in three days are the least here.
		expect(of('green-beans', { kitchen: { ...kitchen, ice_kg: 0, iceDay_kg: 0 } })[0]?.takes).toMatchObject({
			kg: 0,
			binds: { id: 'ice' }
		});
		expect(of('green-beans', { kitchen: { ...kitchen, freezerFree_L: 4 } })[0]?.takes.binds?.id).toBe('room');
		const own = [{ id: 'j', name: 'quart jar', kind: 'jar' as const, volume_mL: 950, count: 2 }];
		expect(
			of('green-beans', { kitchen: { ...kitchen, containers: own } }).find((c) => c.way === 'can')?.takes.binds?.id
		).toBe('jars');
	});
	it('grows with days and hands', () => {
		const kg = (more: Partial<CapacityInput>) => of('apples', more).reduce((sum, c) => sum + c.takes.kg, 0);
		expect(kg({ days: 6 })).toBeGreaterThan(kg({ days: 3 }));
		expect(kg({ kitchen: { ...kitchen, handsDay_h: 0 } })).toBe(0);
	});
	it('says what is missing', () => {
		const dry = of('apples', { kitchen: { ...kitchen, dryer: null } }).find((c) => c.way === 'dry');
		expect(dry?.missing).toMatch(/no dryer/);
		expect(() => of('apples', { days: 0 })).toThrow(/days/);
	});
	it.each(foodRows.map((f) => [f.id]))('%s: whole kilos, none below nothing', (id) => {
		for (const c of of(id)) expect(Number.isInteger(c.takes.kg) && c.takes.kg >= 0).toBe(true);
	});
});
