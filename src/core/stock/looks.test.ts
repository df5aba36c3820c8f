import { describe, expect, it } from 'vitest';
import { lookRows } from '../../reference/looks';
import { foodById } from '../things/names';
import type { State } from '../things/thing';
import { afterLooks, findings, lookKinds, looksOf, type Looked, type Watched } from './looks';

const day = 86_400_000;
const of = (food: string, state: State, wayId?: string): Watched => {
	const row = foodById(food);
	if (!row) throw new Error(food);
	return { food: row, state, ...(wayId ? { wayId } : {}) };
};
/** Days until each look that is due or will be. */
const due = (thing: Watched, place: string, looked: readonly Looked[] = [], now = 0) =>
	Object.fromEntries(looksOf(thing, place, 0, looked, now * day).map((l) => [l.row.id, l.at / day]));

describe('dated looks', () => {
	it('are of the kinds and findings that are known, with an end or days where they move a lot', () => {
		expect(lookRows.map((r) => r.id).sort()).toEqual([...lookKinds].sort());
		for (const row of lookRows) {
			expect(row.findings[0]?.id, row.id).toBe('fine');
			for (const one of row.findings) {
				expect(findings, `${row.id} ${one.id}`).toContain(one.id);
				if (one.effect === 'use-first') expect(one.days, `${row.id} ${one.id}`).toBeGreaterThan(0);
				if (one.id !== 'fine' && one.effect !== 'end') expect(one.advice, `${row.id} ${one.id}`).toBeTruthy();
			}
		}
	});
	it('look at a sealed bag once, after two days; at any other frozen bag for frost alone', () => {
		expect(due(of('beef', 'frozen', 'vacuum'), 'freezer')).toEqual({ bag: 2, frost: 60 });
		expect(due(of('beef', 'frozen', 'blanch'), 'freezer')).toEqual({ frost: 60 });
		const seen = [{ kind: 'bag', finding: 'fine', at: 3 * day }] as const;
		expect(due(of('beef', 'frozen', 'vacuum'), 'freezer', seen, 4)).toEqual({ frost: 60 });
	});
	it('look at a crock after two days and every third, in the fridge every two weeks', () => {
		// USDA Complete Guide, Guide 6 (from memory): two to three times a week, scum skimmed.
		expect(due(of('cabbage', 'fermented'), 'crock')).toEqual({ brine: 2 });
		const seen = [{ kind: 'brine', finding: 'film', at: 2 * day }] as const;
		expect(due(of('cabbage', 'fermented'), 'crock', seen, 3)).toEqual({ brine: 5 });
		expect(afterLooks(seen)).toEqual({ by: null, ended: false });
		expect(afterLooks([{ kind: 'brine', finding: 'mouldy', at: 4 * day }]).ended).toBe(true);
		expect(due(of('cabbage', 'fermented'), 'fridge')).toEqual({ 'brine-cold': 14 });
	});
	it('look over what is stored every two weeks, and in its row for frost and mice', () => {
		expect(due(of('onions', 'fresh'), 'cellar')).toEqual({ soft: 14 });
		expect(due(of('carrots', 'fresh'), 'ground')).toEqual({ row: 14 });
		expect(due(of('spinach', 'fresh'), 'cellar')).toEqual({});
		const soft = [{ kind: 'soft', finding: 'soft', at: 14 * day }] as const;
		expect(afterLooks(soft).by).toBe(17 * day);
	});
	it('look at what is cured or smoked in the fridge, where the cold keeps it', () => {
		expect(due(of('pork', 'cured'), 'fridge')).toEqual({ cured: 3 });
		expect(due(of('trout', 'smoked'), 'fridge')).toEqual({ cured: 3 });
	});
});
