import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foodById } from '$core/things/names';
import { plain } from '$core/things/thing';
import { foodRows } from '$reference/tables';
import { foodCard } from './food-card';

const beans = foodById('green-beans');

describe('a remembered card', () => {
	it('belongs to its altitude, gauge, units and way, in whichever order they are asked for', () => {
		if (!beans) throw new Error('no beans');
		const kitchens = [0, 380, 1900, 2600].flatMap((altitude_m) =>
			(['dial', 'weighted', undefined] as const).flatMap((gauge) =>
				(['metric', 'us'] as const).map((units) => ({ altitude_m, gauge, units }))
			)
		);
		const first = new Map<string, string>();
		fc.assert(
			fc.property(fc.constantFrom(...kitchens), fc.constantFrom('', 'can', 'freeze', 'nonsense'), (kitchen, way) => {
				const key = JSON.stringify([kitchen, way]);
				const card = JSON.stringify(foodCard(plain(beans), kitchen, way));
				expect(card).toBe(first.get(key) ?? card);
				first.set(key, card);
			}),
			{ numRuns: 300 }
		);
		const jars = (altitude_m: number, gauge: 'dial' | 'weighted') =>
			JSON.stringify(foodCard(plain(beans), { altitude_m, gauge, units: 'us' }, 'can').sections);
		expect(jars(0, 'dial')).toMatch(/11 psi/);
		expect(jars(1900, 'dial')).toMatch(/14 psi/);
		expect(jars(0, 'weighted')).toMatch(/10 psi/);
		expect(jars(380, 'weighted')).toMatch(/15 psi/);
	});
	it('is never another food’s, however many were asked for', () => {
		const kitchen = { altitude_m: 380, gauge: 'weighted', units: 'metric' } as const;
		const first = foodRows.map((f) => JSON.stringify(foodCard(plain(f), kitchen, '')));
		expect(foodRows.map((f) => JSON.stringify(foodCard(plain(f), kitchen, '')))).toEqual(first);
	});
});
