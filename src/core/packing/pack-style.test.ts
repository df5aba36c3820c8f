import { describe, expect, it } from 'vitest';
import { foodRows } from '../../reference/tables';
import { kindOf } from '../runs/kinds';
import { planFreeze } from '../runs/kinds/freeze/make';
import { plain } from '../things/thing';
import type { Kitchen } from '../ways/kitchen';
import { kitchen as bare } from '../ways/kitchen.fixture';
import { freezeWays, type FreezeWay, type WayChoices } from '../ways/freeze-ways';
import { packStyleNames, stylesOf, styleSteps, trayfuls } from './pack-style';

const own = { hollows: 32, each_mL: 30 };
const kitchen = { ...bare, moulds: own };
const now = Date.parse('2026-08-25T08:00:00Z');
const waysOf = (id: string, grams: number, choices: WayChoices, of: Kitchen = kitchen) => {
	const food = foodRows.find((f) => f.id === id);
	if (!food) throw new Error(id);
	return freezeWays({ thing: { ...plain(food), identified: true }, grams, food_C: 18, kitchen: of, choices, now });
};
const open = (ways: ReturnType<typeof waysOf>) => ways.ways.filter((w): w is FreezeWay => w.kind === 'way');

describe('how packs are made', () => {
	it('is open for every cut in each of its styles: whole packs, trayfuls, steps, and a run that begins', () => {
		let tried = 0;
		for (const food of foodRows)
			for (const cut of food.cuts)
				for (const style of stylesOf(cut, own))
					for (const way of open(waysOf(food.id, 4_000, { cut: cut.id, style }))) {
						const said = `${food.id}/${cut.id} ${style} ${way.id}`;
						tried++;
						// In sugar it is boxed, whatever was chosen.
						const wanted = way.becomes === 'sugar' ? 'liquid' : style;
						expect(way.style, said).toBe(wanted);
						expect(way.packs.count * way.packs.portion_g + way.packs.remainder_g, said).toBeCloseTo(way.prepared_g, 6);
						expect(way.trays.needed, said).toBeGreaterThanOrEqual(1);
						expect(way.trays.rounds, said).toBeGreaterThanOrEqual(1);
						expect(way.trays.perTray_kg * way.trays.needed * (style === 'mould' ? way.trays.rounds : 1) * 1000, said).toBeGreaterThanOrEqual(way.prepared_g * 0.999);
						const plan = planFreeze([{ way, lotId: 'l', called: food.name, form: cut.id, raw_g: 4_000 }], kitchen);
						expect(JSON.stringify(plan), said).not.toMatch(/undefined|NaN/);
						expect(plan.subjects[0]?.style, said).toBe(wanted);
						expect(kindOf(plan).acts(plan, kindOf(plan).fold(plan, now, []), now)[0]?.sentence, said).toMatch(/\w/);
					}
		expect(tried).toBeGreaterThan(250);
	}); // prettier-ignore
	it('goes by the usual where a cut cannot be packed so, and offers no moulds where there are none', () => {
		expect(waysOf('beef', 3_000, { style: 'mould' }).style).toBe('wrap');
		expect(waysOf('winter-squash', 3_000, { cut: 'puree', style: 'mould' }, bare).style).toBe('flat');
		for (const food of foodRows)
			for (const cut of food.cuts) {
				expect(stylesOf(cut, null)).not.toContain('mould');
				expect(stylesOf(cut, own)[0]).toBeDefined();
			}
		// Common practice: whole roasts and ears are never pressed flat or poured.
		for (const cut of [{ id: 'roast', pack: 'wrap' }, { id: 'ears', pack: 'wrap' }] as const) expect(stylesOf(cut, own)).toEqual(['wrap']); // prettier-ignore
	});
	it('reckons a mould by its fillings and flat bags by what lies beside one another', () => {
		const common = { prepared_g: 2_000, packs: 4, portion_g: 500, bulk_kg_per_L: 1, layer_kg: 9, trays: 2, trayArea_m2: 0.15, moulds: own } as const;
		// 2 L in 32 hollows of 30 ml: 67 cubes, three fillings of 0.96 kg.
		expect(trayfuls({ ...common, style: 'mould' })).toEqual({ needed: 1, rounds: 3, perTray_kg: 0.96 });
		// Half a litre an inch thick covers 0.0197 m²: seven to a tray of 0.15 m².
		expect(trayfuls({ ...common, style: 'flat' })).toEqual({ needed: 1, rounds: 1, perTray_kg: 3.5 });
		// One that is larger than a tray is a trayful all the same.
		expect(trayfuls({ ...common, style: 'flat', portion_g: 8_000, prepared_g: 16_000 }).needed).toBe(2);
		expect(trayfuls({ ...common, style: 'tray' }).perTray_kg).toBe(9);
	}); // prettier-ignore
	it('takes longer in moulds that are filled again, and says so in both units', () => {
		const [tray] = open(waysOf('apples', 6_000, { cut: 'sauce' }));
		const [mould] = open(waysOf('apples', 6_000, { cut: 'sauce', style: 'mould' }));
		expect(mould?.elapsed_s).toBeGreaterThan((tray?.elapsed_s ?? 0) * 1.5);
		for (const style of Object.keys(packStyleNames) as (keyof typeof packStyleNames)[])
			for (const units of ['metric', 'us'] as const) {
				const steps = styleSteps(style, 3, own, { pack: 'flat' }, units).join(' ');
				if (units === 'us') expect(steps).not.toMatch(/\d (?:ml|cm|L)\b/);
				expect(steps).toMatch(/look after 3 h/);
			}
	});
});

describe('two sizes at once', () => {
	it('share the food, lose none, and fall back to one where it is too little', () => {
		for (const grams of [300, 900, 2_000, 4_321, 9_100, 40_000])
			for (const [first, second] of [[500, 250], [250, 500], [300, 1000], [400, 400]] as const)
				for (const way of open(waysOf('green-beans', grams, { portion_g: first, second_g: second }))) {
					const parts = [way.packs, ...(way.second ? [way.second] : [])];
					const sum = parts.reduce((s, p) => s + p.count * p.portion_g + p.remainder_g, 0);
					expect(sum, `${grams} ${first} ${second}`).toBeCloseTo(way.prepared_g, 6);
					if (!way.second) continue;
					expect([way.packs.portion_g, way.second.portion_g]).toEqual([first, second]);
					expect(way.second.remainder_g).toBe(0);
					// Half of it each, as near as whole packs go.
					expect(Math.abs(way.second.count * second - way.prepared_g / 2)).toBeLessThan(first + second);
				}
		const [way] = open(waysOf('green-beans', 9_100, { portion_g: 500, second_g: 250 }));
		expect(way?.second?.count).toBeGreaterThan(10);
		expect(planFreeze([{ way: way as FreezeWay, lotId: 'l', called: 'beans', form: 'whole', raw_g: 9_100 }], kitchen).subjects[0]?.second_g).toBe(250);
		// Nine boxes: what the first size takes is not there for the second.
		const few = { ...kitchen, containers: [{ id: 'b', name: 'box', kind: 'box' as const, volume_mL: 1500, count: 9 }] };
		const [scarce] = open(waysOf('green-beans', 6_000, { portion_g: 500, second_g: 250 }, few));
		const wanted = [scarce?.packs, scarce?.second].reduce((sum, p) => sum + (p ? p.count + (p.remainder_g >= 10 ? 1 : 0) : 0), 0);
		expect(wanted).toBeGreaterThan(9);
		expect((scarce?.packs.short ?? 0) + (scarce?.second?.short ?? 0)).toBe(wanted - 9);
		expect(open(waysOf('green-beans', 300, { portion_g: 500, second_g: 250 }))[0]?.second).toBeUndefined();
	}); // prettier-ignore
});
