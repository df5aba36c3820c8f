import { describe, expect, it } from 'vitest';
import { canningRules } from '../../reference/canning-rules';
import { cannerCapacity } from '../canning/canner-loads';
import { kitchen } from './kitchen.fixture';
import { cannerFor, dialWarning, gaugeOf, gearChange, mayBeCanner } from './gear-changes';
import { potVolumeByMeasure_L, specWords } from './gear-words';
import { equipmentKinds, type CannerSpec, type Equipment } from './equipment';
import { gearFields } from './equipment-fields';
import { potfulOf } from './set-up';

const canner = (more: Partial<CannerSpec> = {}): CannerSpec => ({
	quarts: 7, pints: null, halfPints: null, stacked: false, gauge: 'weighted', dialTested: null, ...more
}); // prettier-ignore
const now = Date.parse('2026-08-25T08:00:00Z');
const machines: readonly Equipment[] = [
	{ id: '1', kind: 'dryer', name: 'd', spec: { trays: 8, leastTrays: 4, trayArea_m2: 0.1, tare_kg: 0.3, power_W: 600, heater: 'back' } },
	{ id: '2', kind: 'canner', name: 'c', spec: canner({ pints: 16, stacked: true, gauge: 'dial' }) },
	{ id: '3', kind: 'freeze-dryer', name: 'f', spec: { trays: 4, load_kg: 4 } },
	{ id: '4', kind: 'sealer', name: 's', spec: { rolls_m: [0.2, 0.28], chamber: false } },
	{ id: '5', kind: 'mill', name: 'm', spec: { kg_h: 12 } },
	{ id: '6', kind: 'grinder', name: 'g', spec: { kg_h: null } },
	{ id: '7', kind: 'moulds', name: 'o', spec: { hollows: 24, each_mL: 30 } }
]; // prettier-ignore
const change = (kind: Equipment['kind'], units: 'metric' | 'us' = 'metric') => {
	const item = machines.find((m) => m.kind === kind);
	if (!item) throw new Error(kind);
	return gearChange(item, { ...kitchen, units }, now);
};

describe('what the kitchen works with', () => {
	it('has figures for every kind, and a sentence of what each changes, in both units', () => {
		for (const kind of equipmentKinds) {
			expect(gearFields[kind].length, kind).toBeGreaterThan(0);
			for (const units of ['metric', 'us'] as const) {
				const said = change(kind, units);
				const words = `${said.big} ${said.of} ${said.words}`;
				expect(words, kind).not.toMatch(/NaN|undefined|Infinity|null/);
				if (units === 'us') expect(words, kind).not.toMatch(/\d (?:kg|g|L|ml|cm)\b/);
			}
		}
	});
	it('reckons the figures', () => {
		// 9 kg at 12 an hour; 2 L in 24 hollows of 30 ml: 67 cubes, three times.
		expect(change('mill').big).toBe('45 min');
		expect(change('moulds').words).toBe('2.0 L of purée are 67 cubes in 3 fillings.');
		// Length, height and 3 in (common practice): 20 + 5 + 7.6 cm.
		expect(change('sealer').big).toMatch(/^32\.6 cm/);
		expect(change('canner').big).toBe('7 quarts');
		expect(change('canner').words).toMatch(/16 pints.*two layers.*20 quarts are 3 loads/);
		expect(change('dryer').words).toMatch(/fewer than 4 trays/);
		expect(potVolumeByMeasure_L(0.24, 0.18)).toBeCloseTo(8.14, 2);
		expect(potVolumeByMeasure_L(0.24, null)).toBeNull();
		expect(specWords(machines[0] as Equipment, 'us')).toMatch(/8 trays of 155 sq in/);
	});
	it('knows a potful of each pot by itself: half as large on the small ring', () => {
		const small = { id: 's', name: 's', litres: 6, burner: { kind: 'electric', power_W: 1500 } } as const;
		const two = { ...kitchen, pots: [small, ...kitchen.pots] };
		const [little, big] = ['s', 'p'].map((id) => potfulOf(two, id, now)?.kg ?? 0);
		expect(little).toBeGreaterThan(0.2);
		expect(little).toBeLessThan((big ?? 0) * 0.75);
		expect(potfulOf({ ...two, altitude_m: null }, 's', now)).toBeNull();
	});
});

// USDA Complete Guide to Home Canning, 2015 (from memory): a pressure canner holds at least 4 quarts; dials are tested yearly.
describe('canners', () => {
	it('under four quarts are refused for pressure, with the reason, and never give a gauge', () => {
		expect(canningRules.smallestCanner.value).toBe(4);
		for (const gauge of ['dial', 'weighted'] as const) {
			expect(mayBeCanner(canner({ quarts: 3, gauge }))?.reason).toMatch(/4 quarts/);
			expect(mayBeCanner(canner({ quarts: 4, gauge }))).toBeNull();
			expect(gaugeOf([canner({ quarts: 3, gauge })])).toBe('none');
		}
		expect(mayBeCanner(canner({ quarts: 2, gauge: 'none' }))).toBeNull();
	});
	it('give the gauge of the first that has one; nothing said is not none', () => {
		expect(gaugeOf([])).toBeNull();
		expect(gaugeOf([canner({ gauge: null })])).toBeNull();
		expect(gaugeOf([canner({ gauge: 'none' })])).toBe('none');
		expect(gaugeOf([canner({ gauge: 'none' }), canner({ gauge: 'dial' }), canner()])).toBe('dial');
	});
	it('are taken by what is done in them: pressure never in the open pot', () => {
		const named = (name: string, more: Partial<CannerSpec>) => ({ name, ...canner(more) });
		const canners = [named('pot', { gauge: 'none', quarts: 5 }), named('big', { gauge: 'dial', quarts: 14 })];
		expect(cannerFor({ canners }, 'pressure').quarts).toBe(14);
		expect(cannerFor({ canners }, 'boiling-water').quarts).toBe(5);
		expect(cannerFor({ canners: [named('pot', { gauge: 'none', quarts: 5 })] }, 'pressure').quarts).toBe(7);
		expect(cannerCapacity(cannerFor({ canners: [] }, 'pressure'), 'pint')).toBe(9);
	});
	it('with a dial want its test of the year', () => {
		expect(dialWarning(canner(), '2026-08-25')).toBeNull();
		expect(dialWarning(canner({ gauge: 'dial' }), '2026-08-25')).toMatch(/last tested\?/);
		expect(dialWarning(canner({ gauge: 'dial', dialTested: '2025-08-25' }), '2026-08-25')).toBeNull();
		expect(dialWarning(canner({ gauge: 'dial', dialTested: '2025-08-23' }), '2026-08-25')).toMatch(/over a year ago/);
	});
});
