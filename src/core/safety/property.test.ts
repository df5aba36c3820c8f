import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canningProducts } from '../../reference/canning';
import { jarSizes, pressureSets, waterBands_ft } from '../../reference/canning-rules';
import { heatSteps, refusalRows } from '../../reference/safety';
import { blanchRows, foodRows } from '../../reference/tables';
import type { TestedProcess } from '../canning/find-process';
import { askByName } from '../things/ask-by-name';
import { conditions, mustBeIdentified, plain, states, type Thing } from '../things/thing';
import { advise } from './advise';
import { additives, canners, wayIds, type Question } from './question';

const names = [
	...foodRows.flatMap((f) => [f.id, f.name, ...f.names.slice(0, 2)]),
	...canningProducts.flatMap((p) => [p.id, p.name]),
	'pesto', 'pumpkin butter', 'white peaches', 'wild mushrooms', 'eggs', 'milk', 'banana bread', 'refried beans', 'xyzzy', ''
]; // prettier-ignore
const products = [
	...canningProducts.flatMap((p) => [p.product, ...(p.aliases ?? [])]),
	'mashed', 'puree', 'butter', 'soup', 'plain', 'stuffed', 'own'
]; // prettier-ignore

const optional = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined, freq: 2 });
const questions = fc
	.record({
		// Half of them are about canning, where the most can go wrong.
		way: fc.oneof(fc.constant('can' as const), fc.constantFrom(...wayIds)),
		food: fc.oneof({ weight: 12, arbitrary: fc.constantFrom(...names) }, { weight: 1, arbitrary: fc.string() }),
		product: optional(fc.constantFrom(...products)),
		style: optional(fc.constantFrom('hot' as const, 'raw' as const)),
		jar: optional(fc.constantFrom(...jarSizes)),
		altitude_m: fc.oneof(
			fc.double({ min: -500, max: 4000, noNaN: true }),
			fc.constantFrom(0, 304.8, 304.9, 609.6, 609.7, 914.4, 1219.2, 1828.8, 1828.9, 2438.4, 2438.5, 3048, 3048.1),
			fc.constantFrom(undefined, Number.NaN, Infinity, -Infinity)
		),
		gauge: optional(fc.constantFrom('dial' as const, 'weighted' as const)),
		canner: fc.option(fc.constantFrom(...canners), { nil: undefined, freq: 1 }),
		additives: optional(fc.subarray([...additives], { maxLength: 2 })),
		acid: optional(fc.constantFrom('full' as const, 'reduced' as const, 'none' as const)),
		salt: optional(fc.constantFrom('full' as const, 'reduced' as const)),
		recipe: optional(fc.constantFrom('tested' as const, 'own' as const)),
		state: optional(
			fc.oneof(
				{ weight: 3, arbitrary: fc.constant('fresh' as const) },
				{ weight: 2, arbitrary: fc.constantFrom(...states) }
			)
		),
		part: optional(fc.constantFrom('fruit' as const, 'flowers' as const, 'leaves' as const, 'stems' as const)),
		identified: optional(fc.boolean()),
		air_C: optional(fc.double({ min: 20, max: 90, noNaN: true })),
		heatStep: optional(fc.constantFrom('before' as const, 'after' as const, 'none' as const)),
		heat_C: optional(fc.double({ min: 30, max: 100, noNaN: true })),
		withOthers: optional(fc.boolean()),
		thickness_mm: optional(fc.double({ min: 1, max: 20, noNaN: true })),
		place_C: optional(fc.double({ min: -30, max: 40, noNaN: true })),
		place: optional(fc.constantFrom('room' as const, 'cellar' as const, 'fridge' as const, 'freezer' as const)),
		days: optional(fc.integer({ min: 0, max: 60 })),
		moisture: optional(fc.double({ min: 0, max: 100, noNaN: true })),
		thaw: optional(fc.constantFrom('fridge' as const, 'cold-water' as const, 'microwave' as const, 'counter' as const)),
		sealed: optional(fc.boolean())
	})
	.map((q) => Object.fromEntries(Object.entries(q).filter(([, v]) => v !== undefined)) as unknown as Question);

/** Reads the cell by another road than the look-up: counting the feet above each column's end. */
function inTheTable(process: TestedProcess, altitude_m: number): boolean {
	const feet = altitude_m / 0.3048;
	const past = (to_ft: number | null) => to_ft !== null && feet - to_ft > 1e-5;
	return canningProducts.some((product) =>
		product.processes.some((row) => {
			if (product.id !== process.product.id || row.style !== process.style) return false;
			if (!row.jars.includes(process.testedJar) || row.headspace_in !== process.headspace_in) return false;
			// A smaller jar may borrow a row, a larger one never.
			if (jarSizes.indexOf(process.jar) > jarSizes.indexOf(process.testedJar)) return false;
			if (row.method === 'water') {
				if (process.psi !== undefined || typeof row.minutes === 'number') return false;
				const column = waterBands_ft.filter((to) => past(to)).length;
				return process.method === 'boiling-water' && row.minutes[column] === process.minutes;
			}
			if (process.gauge === undefined || row.minutes !== process.minutes) return false;
			const bands = pressureSets[row.method][process.gauge];
			return bands[bands.filter((b) => past(b.to_ft)).length]?.psi === process.psi;
		})
	);
}

describe('nothing unsafe can be had, whatever is asked', () => {
	it('gives no canning time, pressure or heat step that is not a row of the tables, and a way on with each refusal', () => {
		const seen = { allowed: 0, refused: 0, processes: 0, heat: 0 };
		const rules = new Set<string>();
		fc.assert(
			fc.property(questions, (question) => {
				const advice = askByName(question);
				if (advice.kind === 'refused') {
					seen.refused++;
					if (advice.rule) rules.add(advice.rule);
					expect(advice.reason.length).toBeGreaterThan(20);
					expect(advice.reason).not.toMatch(/\{|\}/);
					expect(advice.source.length).toBeGreaterThan(5);
					expect(advice.instead.length).toBeGreaterThan(0);
					for (const way of advice.instead) expect(way.length).toBeGreaterThan(5);
					return;
				}
				seen.allowed++;
				expect(advice.cautions.some((c) => c.id === 'authority')).toBe(true);
				if (question.way !== 'can') expect(advice.processes).toEqual([]);
				else expect(advice.processes.length).toBeGreaterThan(0);
				for (const process of advice.processes) {
					seen.processes++;
					expect(question.altitude_m).toBeDefined();
					expect(inTheTable(process, question.altitude_m ?? Number.NaN)).toBe(true);
					// Low in acid by itself and without acid or recipe: never out of boiling water.
					if (advice.food?.acid.class === 'low' && !process.product.recipe && !process.product.acid) {
						expect(process.method).toBe('pressure');
					}
					if (process.product.acid) expect(process.acid?.lemonJuice_tbsp).toBeGreaterThan(0);
				}
				for (const step of advice.heat) {
					seen.heat++;
					expect(heatSteps).toContain(step);
				}
				for (const row of advice.blanch) expect(blanchRows).toContain(row);
				const meat = ['meat', 'poultry', 'fish'].includes(advice.food?.group ?? '');
				if (question.way === 'dry' && meat) {
					expect(advice.heat.map((s) => s.id)).toContain('dry-meat-air');
					expect(question.air_C ?? 60).toBeGreaterThanOrEqual(54.4);
					expect(question.place).not.toBe('room');
					expect(question.thickness_mm ?? 6).toBeLessThan(6.6);
				}
				// What spoils is given no day in a warm fridge, and nothing a month in a warm freezer.
				if (advice.food?.perishable && question.place === 'fridge' && question.way !== 'dry' && question.way !== 'can')
					if (!question.way.startsWith('freeze')) expect(question.place_C ?? 4).toBeLessThan(5.1);
				if (question.way === 'freeze-raw') expect(question.place_C ?? -18).toBeLessThan(-17);
				if (question.way === 'can') expect(question.place_C ?? 20).toBeLessThanOrEqual(35);
			}),
			{ numRuns: Number(process.env.SIEGE_ASKS ?? 30_000), seed: Number(process.env.SIEGE_SEED ?? 20_260_825) }
		);
		// The sweep is worth nothing if it only ever met one side.
		expect(seen.allowed).toBeGreaterThan(3000);
		expect(seen.refused).toBeGreaterThan(3000);
		expect(seen.processes).toBeGreaterThan(2000);
		expect(seen.heat).toBeGreaterThan(50);
		expect(rules.size).toBeGreaterThan(70);
	});

	it('offers ways on that are themselves allowed: what is said to freeze or can well does', () => {
		for (const food of foodRows) {
			const refused = advise(plain(food), 'can');
			// What is only kept says itself how it is frozen: no row leads it there.
			if (refused.kind !== 'refused' || food.keepOnly) continue;
			if (refused.instead.some((w) => w === 'Freeze it')) {
				const ways = (['freeze-raw', 'freeze-blanched', 'freeze-cooked'] as const).map((way) =>
					advise(plain(food), way)
				);
				expect(
					ways.some((a) => a.kind === 'allowed'),
					food.id
				).toBe(true);
			}
			if (refused.instead.some((w) => w.startsWith('Can it by'))) {
				const tested = canningProducts.filter((p) => p.foods.includes(food.id));
				expect(
					tested.some((p) => advise(plain(food), 'can', { product: p.product, altitude_m: 100 }).kind === 'allowed'),
					food.id
				).toBe(true);
			}
		}
	});

	it('offers none of the food’s ways to a thing that they are closed to: out, unseen, frozen, thawed, in another state', () => {
		const opens: readonly [RegExp, (thing: Thing) => boolean][] = [
			[/^(Steam|Blanch) and freeze it$|^Cook it first, then freeze it$|^Cool it fast and freeze it$|^Freeze it$/, (thing) => (['freeze-raw', 'freeze-blanched', 'freeze-cooked'] as const).some((way) => advise(thing, way).kind === 'allowed')],
			[/^Can it by a tested process/, (thing) => canningProducts.some((p) => p.foods.includes(thing.food.id) && advise(thing, 'can', { product: p.product, altitude_m: 100, gauge: 'weighted' }).kind === 'allowed')],
			[/^Keep it in the fridge for its few days$|^Eat it fresh$|^Use it fresh$/, (thing) => thing.age?.past !== 'end' && thing.state !== 'frozen' && (thing.identified === true || !mustBeIdentified(thing))]
		]; // prettier-ignore
		const things = fc.record({
			food: fc.constantFrom(...foodRows),
			state: fc.constantFrom(...states),
			condition: fc.constantFrom(...conditions),
			wild: fc.boolean(),
			identified: fc.constantFrom(true, false, undefined),
			age: fc.constantFrom<Thing['age']>(
				undefined,
				{ past: 'best', limit: 'quality' },
				{ past: 'end', limit: 'safety' }
			)
		});
		// A rule's own way on is for things that its food's rows do not know either: freeze what is packed in oil. Never for what is out.
		const ownOf = (rule: string | undefined, { age, identified, ...thing }: Thing) =>
			age?.past === 'end' || (identified !== true && mustBeIdentified(thing))
				? []
				: (refusalRows.find((r) => r.id === rule)?.instead ?? []);
		let offered = 0;
		fc.assert(
			fc.property(things, fc.constantFrom(...wayIds), optional(fc.constantFrom('leaves' as const, 'stems' as const)), ({ food, wild, identified, age, ...more }, way, part) => {
				const thing: Thing = { ...plain(food), ...more, ...(wild ? { wild } : {}), ...(identified === undefined ? {} : { identified }), ...(age ? { age } : {}) };
				const advice = advise(thing, way, part ? { part } : {});
				if (advice.kind !== 'refused') return;
				expect(advice.instead.length).toBeGreaterThan(0);
				for (const words of advice.instead)
					for (const [pattern, open] of opens)
						if (pattern.test(words) && !ownOf(advice.rule, thing).includes(words)) {
							offered++;
							expect(open(thing), `${food.id}, ${JSON.stringify(more)}, ${way}: ${words}`).toBe(true);
						}
			}),
			{ numRuns: Number(process.env.SIEGE_ASKS ?? 30_000), seed: Number(process.env.SIEGE_SEED ?? 11) }
		); // prettier-ignore
		expect(offered).toBeGreaterThan(500);
	});
});
