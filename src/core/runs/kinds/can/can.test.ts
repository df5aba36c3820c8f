import { describe, expect, it } from 'vitest';
import { foldsTheSame } from '../../../../../tests/laws/fold-law';
import { canTap } from '../../../../../tests/laws/can-taps';
import { canningProducts } from '../../../../reference/canning';
import { pressureSets, waterBands_ft, type Gauge } from '../../../../reference/canning-rules';
import { foodById } from '../../../things/names';
import { can } from '.';
import type { CanTap } from './act';
import type { CanEvent } from './events';
import { cannerWith, canPlanOf, kitchenAt, processOf, askOf, start, today, type At, type Jars } from './fixture';
import { fullAt, minutesOf, processedJars, type CanState } from './fold';
import { planCan } from './make';
import { mark_Pa, type CanPlan, type Heat } from './plan';

let n = 0;
const ev = (at_min: number, tap: CanTap): CanEvent =>
	({ ...tap, id: `c${String(++n).padStart(6, '0')}`, at: start + Math.round(at_min * 60_000) }) as CanEvent;
const fold = (plan: CanPlan, events: readonly CanEvent[]): CanState => can.fold(plan, start, events);
const now = (min: number) => start + min * 60_000;
const act = (plan: CanPlan, state: CanState, min: number, kind: string) =>
	can.acts(plan, state, now(min)).find((a) => a.kind === kind);

/** Everything up to the lid of the first load, at one minute. */
function filled(plan: CanPlan, at = 1): CanEvent[] {
	return [
		ev(at, { type: 'all-there' }),
		...plan.subjects.map((s) => ev(at, { type: 'as-printed', product: s.n, word: 'yes' })),
		...load(plan, 1, at)
	];
}
const load = (plan: CanPlan, nth: number, at: number): CanEvent[] => [
	...(plan.loads[nth - 1] ?? []).map(
		(p) =>
		ev(at, { type: 'filled', load: nth, product: p.subject, jars: p.jars, ...(plan.subjects[p.subject - 1]?.acid ? { acid: 'lemon-juice' as const } : {}) }) // prettier-ignore
	),
	ev(at, { type: 'lid-on', load: nth })
];
/** Steam at one minute, vented for ten; at its mark from then on. */
const vented = (nth: number, at: number): CanEvent[] => [
	ev(at, { type: 'venting', load: nth }),
	ev(at + 10, { type: 'weight-on', load: nth })
];
const reads = (plan: CanPlan, nth: number, at: number, Pa = mark_Pa(plan) + 2000): CanEvent =>
	ev(at, { type: 'gauge', load: nth, Pa });
/** Held from one minute for so many, a reading every five, and the heat off. */
function held(plan: CanPlan, nth: number, from: number, minutes: number): CanEvent[] {
	if (plan.heat !== 'pressure')
		return [ev(from, { type: 'full-boil', load: nth }), ev(from + minutes, { type: 'heat-off', load: nth })];
	const list = [reads(plan, nth, from)];
	for (let m = 5; m < minutes; m += 5) list.push(reads(plan, nth, from + m));
	return [...list, ev(from + minutes, { type: 'heat-off', load: nth })];
}
const out = (plan: CanPlan, nth: number, at: number): CanEvent[] => [
	...(plan.heat === 'pressure' ? [ev(at, { type: 'at-zero', load: nth })] : []),
	ev(at + 10, { type: 'jars-out', load: nth })
];

const altitudes = [150, 1200, 2100] as const;
const heats: readonly (readonly [Heat, Gauge])[] = [
	['boiling-water', 'weighted'],
	['pressure', 'weighted'],
	['pressure', 'dial']
];

describe('every product of the tables, at three altitudes, by every gauge', () => {
	/** The cell itself, read off the rows once more and by hand: columns of boiling water, bands of pressure. */
	const cell = (id: string, one: Jars, at: At) => {
		const rows = canningProducts.find((p) => p.id === id)?.processes ?? [];
		const feet = at.altitude_m / 0.3048;
		return rows
			.filter((r) => r.style === one.style && r.jars.includes(one.jar))
			.flatMap((r): { minutes: number | undefined; psi: number | null }[] => {
				if (r.method === 'water') {
					if (at.heat === 'pressure' || typeof r.minutes === 'number') return [];
					const column = waterBands_ft.findIndex((to) => to === null || feet <= to);
					return [{ minutes: r.minutes[column], psi: null }];
				}
				if (at.heat !== 'pressure' || typeof r.minutes !== 'number') return [];
				const gauge = at.canner.gauge === 'dial' ? 'dial' : 'weighted';
				const band = pressureSets[r.method][gauge].find((b) => b.to_ft === null || feet <= b.to_ft);
				return band ? [{ minutes: r.minutes, psi: band.psi }] : [];
			});
	};
	const walked: string[] = [];
	for (const altitude_m of altitudes)
		for (const [heat, gauge] of heats) {
			const at: At = { altitude_m, heat, canner: cannerWith(gauge) };
			it(`${altitude_m} m, ${heat}${heat === 'pressure' ? `, ${gauge}` : ''}`, () => {
				let count = 0;
				for (const product of canningProducts)
					for (const food of product.foods)
						for (const style of ['hot', 'raw'] as const)
							for (const jar of ['half-pint', 'pint', 'quart', 'half-gallon'] as const) {
								const one: Jars = { product: product.id, food, style, jar, grams: 40_000, jars: 3 };
								if (!foodById(food) || !product.processes.some((p) => p.style === style && p.jars.includes(jar)))
									continue;
								const process = processOf(one, at);
								if (!process) continue;
								const cells = cell(product.id, one, at);
								const plan = canPlanOf([one], at);
								const said = `${product.id} ${food} ${style} ${jar}`;
								expect(cells, said).toContainEqual({ minutes: plan.subjects[0]?.minutes, psi: plan.psi });
								walk(plan, said);
								count++;
								walked.push(product.id);
							}
				expect(count).toBeGreaterThan(60);
			});
		}
	it('has walked every product that a lot can become', () => {
		// Those that are refused everywhere: no list of what is in them is carried.
		const without = canningProducts.filter((p) => p.foods.length > 0 && !walked.includes(p.id)).map((p) => p.id);
		expect(without.sort()).toEqual(neverStarted);
	});

	function walk(plan: CanPlan, said: string): void {
		const minutes = plan.subjects[0]?.minutes ?? 0;
		const acid = plan.subjects[0]?.acid;
		const ready = [ev(1, { type: 'all-there' }), ev(1, { type: 'as-printed', product: 1, word: 'yes' })];
		// Gates: nothing is filled before it is said to be as printed, nor without its acid.
		const early = fold(plan, [ev(1, { type: 'filled', load: 1, product: 1, jars: 3, acid: 'lemon-juice' })]);
		expect(early.loads, said).toEqual([]);
		if (acid)
			expect(fold(plan, [...ready, ev(2, { type: 'filled', load: 1, product: 1, jars: 3 })]).loads, said).toEqual([]);
		const into = filled(plan);
		const up = plan.heat === 'pressure' ? vented(1, 5) : [];
		const whole = fold(plan, [...into, ...up, ...held(plan, 1, 20, minutes), ...out(plan, 1, 20 + minutes + 40)]);
		expect(processedJars(whole, 1), said).toBe(3);
		expect(whole.loads[0]?.held_s, said).toBe(minutes * 60);
		// A second less is no process.
		const short = fold(plan, [...into, ...up, ...held(plan, 1, 20, minutes - 1 / 60)]);
		expect(short.loads[0]?.spot, said).toBe('short');
		// A dip one minute before the end: all of it again from the next reading at the mark.
		const dip = 20 + minutes - 1;
		const back = plan.heat === 'pressure' ? reads(plan, 1, dip + 2) : ev(dip + 2, { type: 'full-boil', load: 1 });
		const first = held(plan, 1, 20, minutes - 1).slice(0, -1);
		const dipped = [...into, ...up, ...first, ev(dip, { type: 'fell', load: 1 }), back];
		const again = fold(plan, dipped);
		expect(again.loads[0] && fullAt(plan, again.loads[0]), said).toBe(now(dip + 2 + minutes));
		expect(
			fold(plan, [...dipped, ev(dip + 2 + minutes - 0.1, { type: 'heat-off', load: 1 })]).loads[0]?.doneAt,
			said
		).toBe(null);
		if (plan.heat !== 'pressure') return;
		// No vent, no process; a gap without a word never claims, with a word it does.
		const unvented = [ev(5, { type: 'venting', load: 1 }), ev(9, { type: 'weight-on', load: 1 })] as CanEvent[];
		expect(fold(plan, [...into, ...unvented, ...held(plan, 1, 20, minutes)]).loads[0]?.doneAt, said).toBe(null);
		const off = ev(20 + Math.max(minutes, 11), { type: 'heat-off', load: 1 });
		const gap = [...into, ...up, reads(plan, 1, 20), off];
		expect(fold(plan, gap).loads[0]?.doneAt, said).toBe(null);
		const word = ev(21 + Math.max(minutes, 11), { type: 'watched', load: 1, reading: off.id, word: 'yes' });
		expect(fold(plan, [...gap, word]).loads[0]?.doneAt, said).toBe(off.at);
		const unsure = ev(21 + Math.max(minutes, 11), { type: 'watched', load: 1, reading: off.id, word: 'not-sure' });
		expect(fold(plan, [...gap, unsure]).loads[0]?.doneAt, said).toBe(null);
	}
});

/** Recipes whose list of ingredients is not carried: without it their minutes are not given. */
const neverStarted = ['baked-beans', 'mexican-tomato-sauce'];

describe('a canner, from the jars to the shelf', () => {
	const water: At = { altitude_m: 380, heat: 'boiling-water', canner: cannerWith('weighted') };
	const tomatoes: Jars = { product: 'tomatoes/crushed', food: 'tomatoes', style: 'hot', jar: 'quart', grams: 11_300 };
	it('tomatoes crushed: 11.3 kg give 9 quarts at 2.75 lb, 7 + 2, 50 minutes at 380 m with 2 tbsp lemon juice in each', () => {
		const plan = canPlanOf([tomatoes], water);
		// 11.3 kg / (2.75 lb × 0.4536) = 9.06: USDA Complete Guide, Guide 3 (from memory).
		expect(plan.subjects[0]?.jars).toBe(9);
		expect(plan.loads.map((l) => l.map((p) => p.jars))).toEqual([[7], [2]]);
		expect(plan.subjects[0]?.minutes).toBe(50);
		expect(plan.subjects[0]?.acid?.lemonJuice_tbsp).toBe(2);
		const state = fold(plan, []);
		expect(act(plan, state, 1, 'all-there')?.hint).toMatch(
			/9 quarts.*9 new lids, 9 rings; 2 tbsp \(30 ml\) bottled lemon juice for each of 9 quarts/i
		);
		const filling = fold(plan, filled(plan).slice(0, 2));
		expect(act(plan, filling, 2, 'filled')?.others?.map((o) => o.label)).toEqual([
			'All 7 are in',
			'With ½ tsp (2.5 ml) citric acid',
			'With 4 tbsp (59 ml) 5 % vinegar'
		]);
	});
	it('counts nothing before the full boil, loses it all when the boil is lost, and says so', () => {
		const plan = canPlanOf([tomatoes], water);
		const boiling = [...filled(plan), ev(20, { type: 'full-boil', load: 1 })];
		const lost = fold(plan, [...boiling, ev(50, { type: 'fell', load: 1 })]);
		expect(lost.loads[0]?.restarts).toEqual([{ at: now(50), why: 'fell', lost_s: 1800 }]);
		expect(act(plan, lost, 51, 'full-boil')?.hint).toMatch(/lost after 30 min: the full time again/);
		const again = fold(plan, [...boiling, ev(50, { type: 'fell', load: 1 }), ev(55, { type: 'full-boil', load: 1 })]);
		expect(act(plan, again, 60, 'heat-off')?.due).toBe(now(105));
		expect(act(plan, again, 104, 'heat-off')?.ready).toBe(false);
		expect(act(plan, again, 105, 'heat-off')?.sentence).toBe('Heat off.');
	});
	it('has the next jars filled when the canner is nearly free, not while they would wait', () => {
		const plan = canPlanOf([tomatoes], water);
		const boiling = fold(plan, [...filled(plan), ev(20, { type: 'full-boil', load: 1 })]);
		expect(act(plan, boiling, 40, 'filled')).toMatchObject({ ready: false, due: now(50) });
		expect(act(plan, boiling, 50, 'filled')).toMatchObject({ ready: true, due: null });
	});
	it('takes of the lot what fewer jars hold, and no more', () => {
		// Seven quarts at 2.75 lb (USDA Complete Guide, Guide 3, from memory) of the 11.3 kg that make nine.
		const [part] = canPlanOf([{ ...tomatoes, jars: 7 }], water).subjects;
		expect(part?.raw_g).toBe(Math.ceil(7 * 2.75 * 453.59237));
		expect(part?.jars).toBe(7);
	});
	it('puts onto a shelf what had its process, and nothing else', () => {
		const plan = canPlanOf([tomatoes], water);
		const one = [...filled(plan), ...held(plan, 1, 20, 50), ...out(plan, 1, 75)];
		const two = [...load(plan, 2, 90), ...held(plan, 2, 110, 30), ev(141, { type: 'give-up', load: 2 })];
		const pack = (subject: number, packs: number, placeId: string) =>
			ev(150, { type: 'pack', subject, packs, pack_g: plan.subjects[0]?.portion_g ?? 0, containerId: null, placeId });
		const state = fold(plan, [
			...one,
			...two,
			pack(1, 9, 'pantry'),
			pack(1, 7, 'pantry'),
			pack(2, 2, 'fridge'),
			ev(160, { type: 'finish' })
		]);
		expect(state.ignored.map((i) => i.why)).toEqual([
			'Only 7 of these jars have had their full process, and 0 are put away already.'
		]);
		const { entries, packs } = can.book(plan, state);
		expect(entries.map((e) => [e.method, e.state, e.closing.packs])).toEqual([
			['can', 'canned', 7],
			['other', 'cooked', 2]
		]);
		expect(packs.map((p) => p.packs)).toEqual([7, 2]);
		expect(entries[0]?.closing.canning?.loads).toMatchObject([
			{ n: 1, jars: 7, acid: 'bottled lemon juice', minutes: 50 }
		]);
		// Said afterwards that flour was in it: all of it comes off the shelf.
		const flour = fold(plan, [...one, pack(1, 7, 'pantry'), ev(155, { type: 'as-printed', product: 1, word: 'no' })]);
		expect(flour.packed).toEqual([]);
		expect(flour.ignored).toHaveLength(1);
	});
});

describe('under pressure', () => {
	const stacked = cannerWith('weighted', { quarts: 7, pints: 18, stacked: true });
	const at: At = { altitude_m: 380, heat: 'pressure', canner: stacked };
	it('tops 11 pints of green beans off with 7 of vegetable soup in 18 pints: 60 minutes at 15 psi by the weight at 380 m', () => {
		const plan = canPlanOf(
			[
				{ product: 'green-beans/pieces', food: 'green-beans', style: 'hot', jar: 'pint', grams: 8000, jars: 11 },
				{ product: 'vegetable-soup', food: 'vegetable-soup', style: 'hot', jar: 'pint', grams: 4000, jars: 7 }
			],
			at
		);
		expect(plan.loads).toEqual([
			[
				{ subject: 1, jars: 11 },
				{ subject: 2, jars: 7 }
			]
		]);
		expect(plan.psi).toBe(15);
		expect(plan.subjects.map((s) => s.minutes)).toEqual([20, 60]);
		const state = fold(plan, filled(plan));
		const [only] = state.loads;
		expect(only && minutesOf(plan, only)).toBe(60);
		expect(only?.filled.map((f) => f.jars)).toEqual([11, 7]);
		// One more than it holds is refused.
		expect(
			fold(plan, [...filled(plan).slice(0, -1), ev(2, { type: 'filled', load: 1, product: 1, jars: 12 })]).loads[0]
				?.filled[0]?.jars
		).toBe(11);
		const done = fold(plan, [...filled(plan), ...vented(1, 15), ...weights(1, 30, 60)]);
		expect(done.loads[0]?.held_s).toBe(3600);
		function weights(nth: number, from: number, minutes: number): CanEvent[] {
			const list: CanEvent[] = [];
			for (let m = 0; m < minutes; m += 5) list.push(ev(from + m, { type: 'gauge', load: nth, weight: 'moves' }));
			return [...list, ev(from + minutes, { type: 'heat-off', load: nth })];
		}
	});
	it('does not mix raw with hot, nor boiling water with pressure', () => {
		const beans = (style: 'hot' | 'raw', lot: string) =>
			askOf({ product: 'green-beans/pieces', food: 'green-beans', style, jar: 'pint', grams: 4000 }, at, lot);
		const mixed = planCan(
			[beans('hot', 'a'), beans('raw', 'b')],
			{ heat: 'pressure', canner: stacked, instrument: null, today },
			kitchenAt(at)
		);
		expect(mixed).toMatchObject({ kind: 'refused', reason: expect.stringMatching(/Hot and raw/) as string });
	});
	it('is not begun with a dial that nobody has tested this year, nor with one too small, nor one whose gauge nobody knows', () => {
		const jars: Jars = { product: 'green-beans/pieces', food: 'green-beans', style: 'raw', jar: 'pint', grams: 4000 };
		const refusal = (canner: Parameters<typeof cannerWith>) => {
			const dial: At = { altitude_m: 380, heat: 'pressure', canner: cannerWith(...canner) };
			const plan = planCan(
				[askOf(jars, { ...dial, canner: cannerWith('dial') })],
				{ heat: 'pressure', canner: dial.canner, instrument: null, today },
				kitchenAt(dial)
			);
			return plan.kind === 'refused' ? plan.reason : '';
		};
		expect(refusal(['dial', { dialTested: null }])).toMatch(/last tested\?/);
		expect(refusal(['dial', { dialTested: '2025-05-04' }])).toMatch(/over a year ago.*2 psi/);
		expect(refusal(['dial', { quarts: 3 }])).toMatch(/4 quarts at the least/);
		expect(refusal(['dial', { gauge: null }])).toMatch(/dial or a weight/);
		expect(refusal(['dial'])).toBe('');
	});

	const dial: At = { altitude_m: 380, heat: 'pressure', canner: cannerWith('dial') };
	const chicken: Jars = {
		product: 'chicken/boneless',
		food: 'chicken',
		style: 'raw',
		jar: 'quart',
		grams: 8000,
		jars: 7
	};
	it('chicken raw pack, 90 minutes at 11 psi: a dip at minute 40 costs all of them', () => {
		const plan = canPlanOf([chicken], dial);
		expect([plan.psi, plan.subjects[0]?.minutes]).toEqual([11, 90]);
		const before = [...filled(plan), ...vented(1, 10), ...held(plan, 1, 30, 40).slice(0, -1)];
		const dip = reads(plan, 1, 70, mark_Pa(plan) - 7000);
		const fell = fold(plan, [...before, dip]);
		expect(fell.loads[0]).toMatchObject({ spot: 'up', heldFrom: null, restarts: [{ why: 'fell', lost_s: 2400 }] });
		expect(act(plan, fell, 71, 'gauge')?.hint).toMatch(/lost after 40 min: the full time again/);
		const back = fold(plan, [...before, dip, reads(plan, 1, 74)]);
		expect(act(plan, back, 75, 'heat-off')?.due).toBe(now(74 + 90));
		// By the old count it would be over at minute 120: it is not.
		expect(fold(plan, [...before, dip, ...held(plan, 1, 74, 50)]).loads[0]?.doneAt).toBe(null);
		expect(fold(plan, [...before, dip, ...held(plan, 1, 74, 90)]).loads[0]?.held_s).toBe(5400);
	});
	it('takes a pound less than the mark for below it, exactly the mark for at it, in every unit', () => {
		const plan = canPlanOf([chicken], dial);
		expect(mark_Pa(plan)).toBe(75842);
		const up = [...filled(plan), ...vented(1, 10)];
		expect(fold(plan, [...up, reads(plan, 1, 30, 75841)]).loads[0]?.spot).toBe('up');
		expect(fold(plan, [...up, reads(plan, 1, 30, 75842)]).loads[0]?.spot).toBe('hold');
		// An instrument whose minute had a moment below it.
		const minute = ev(40, { type: 'gauge', load: 1, Pa: 78_000, least_Pa: 75_000 });
		expect(fold(plan, [...up, reads(plan, 1, 35), minute]).loads[0]).toMatchObject({
			heldFrom: now(40),
			restarts: [{ why: 'fell' }]
		});
	});
	it('asks after a longer gap, keeps a yes as a word, and counts anew without one', () => {
		const plan = canPlanOf([chicken], dial);
		const gap = [...filled(plan), ...vented(1, 10), reads(plan, 1, 30), reads(plan, 1, 35), reads(plan, 1, 52)];
		const asked = fold(plan, gap);
		expect(asked.loads[0]?.gap).toMatchObject({ from: now(35), to: now(52), heldFrom: now(30) });
		expect(act(plan, asked, 53, 'watched')?.sentence).toBe('Did somebody watch it the whole time?');
		expect(act(plan, asked, 53, 'heat-off')?.due).toBe(now(52 + 90));
		const id = gap.at(-1)?.id ?? '';
		const yes = fold(plan, [...gap, ev(53, { type: 'watched', load: 1, reading: id, word: 'yes' })]);
		expect(act(plan, yes, 54, 'heat-off')?.due).toBe(now(30 + 90));
		expect(yes.loads[0]?.words).toMatchObject([{ word: 'yes' }]);
		const no = fold(plan, [...gap, ev(53, { type: 'watched', load: 1, reading: id, word: 'no' })]);
		expect(act(plan, no, 54, 'heat-off')?.due).toBe(now(52 + 90));
		// It asks every five minutes, and after ten it is late.
		const reading = fold(plan, gap.slice(0, -1));
		expect(act(plan, reading, 39, 'gauge')?.drawn).toBe(true);
		expect(act(plan, reading, 40, 'gauge')).toMatchObject({ drawn: false, over: false });
		expect(act(plan, reading, 46, 'gauge')?.over).toBe(true);
	});
	it('is no process any more when the altitude or the gauge is changed, until somebody settles it', () => {
		const plan = canPlanOf([chicken], dial);
		const running = [...filled(plan), ...vented(1, 10), ...held(plan, 1, 30, 60).slice(0, -1)];
		const changed = [...running, ev(86, { type: 'kitchen-changed', what: 'gauge' })];
		const state = fold(plan, changed);
		expect(can.acts(plan, state, now(87))[0]).toMatchObject({ kind: 'plan-is-right' });
		const goesOn = [...changed, ...held(plan, 1, 88, 90)];
		expect(fold(plan, goesOn).loads[0]?.doneAt).toBe(null);
		const settled = fold(plan, [...changed, ev(90, { type: 'plan-is-right' }), ...held(plan, 1, 92, 90)]);
		expect(settled.loads[0]?.held_s).toBe(5400);
	});
	it('says who stays with it, and never that it may be left', () => {
		const plan = canPlanOf([chicken], dial);
		const state = fold(plan, [
			...filled(plan),
			...vented(1, 10),
			reads(plan, 1, 30),
			ev(40, { type: 'handed', to: 'Grandmother' })
		]);
		expect(state.handed).toEqual([{ at: now(40), to: 'Grandmother' }]);
		for (const one of can.acts(plan, state, now(41)))
			expect(`${one.sentence} ${one.hint}`).not.toMatch(/may be left|leave it/);
	});
});

describe('whatever happens', () => {
	it('folds to the same, closes its mass, throws nothing', () => {
		const water: At = { altitude_m: 380, heat: 'boiling-water', canner: cannerWith('weighted') };
		foldsTheSame(
			canPlanOf([{ product: 'tomatoes/crushed', food: 'tomatoes', style: 'hot', jar: 'quart', grams: 11_300 }], water),
			start,
			canTap
		);
	});
});
