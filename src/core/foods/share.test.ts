import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { foodById } from '../things/names';
import { plain, states } from '../things/thing';
import { shareLeft } from './share';

describe('what is left of a thing when it is cut', () => {
	const all = foodRows.flatMap((food) =>
		food.cuts.flatMap((cut) => Object.entries(cut.yields).map(([form, row]) => ({ food, cut, form, share: row.value })))
	);

	it('is the printed share of every form of every food, of a cut that has the form’s own name too', () => {
		for (const { food, cut, form, share } of all)
			expect(shareLeft({ food, form, state: 'fresh' }, cut), `${food.id}: ${form} to ${cut.id}`).toBe(share);
		const alike = all.filter(({ cut, form, share }) => form === cut.id && share < 1);
		// Whole strawberries are hulled, whole kohlrabi peeled: these were once taken for ready as they came.
		expect(alike.length).toBeGreaterThan(30);
	});

	it('takes nothing twice: what was made ready, frozen or thawed in that cut is left as it is', () => {
		for (const { food, cut } of all)
			for (const state of states.filter((s) => s !== 'fresh'))
				expect(shareLeft({ food, form: cut.id, state }, cut), `${food.id} ${cut.id} ${state}`).toBe(1);
	});

	it('hulls whole strawberries: 88 of 100 are left (Food Buying Guide, from memory)', () => {
		const food = foodById('strawberries');
		const cut = food?.cuts.find((c) => c.id === 'whole');
		if (!food || !cut) throw new Error('no strawberries');
		expect(shareLeft(plain(food), cut)).toBe(0.88);
	});
});
