import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { foodById } from '../../../things/names';
import { plain as thingOf } from '../../../things/thing';
import { foodRows } from '../../../../reference/tables';
import { freezeWays, type FreezeWay } from '../../../ways/freeze-ways';
import { kitchen } from '../../../ways/kitchen.fixture';
import { equalParts } from '../../engine/lay-out';
import { freeze } from '.';
import type { FreezeTap } from './act';
import type { FreezeEvent } from './events';
import type { FreezeState } from './fold';
import type { FreezePlan } from './plan';
import { tally } from './fold';
import { planFreeze } from './make';
import { stageWords } from './words';

const nextActs = (plan: FreezePlan, state: FreezeState, now: number) => freeze.acts(plan, state, now);
const troubles = (plan: FreezePlan, state: FreezeState) => freeze.troubles(plan, state, start);
const closeRun = (plan: FreezePlan, state: FreezeState) => freeze.book(plan, state).entries[0]?.closing;
const only = (plan: FreezePlan) => {
	const [subject] = plan.subjects;
	if (!subject) throw new Error('no food');
	return subject;
};

const start = Date.parse('2026-08-25T08:00:00Z');
function planOf(foodId: string, cut: string, wayId: string, grams = 4200): FreezePlan {
	const food = foodById(foodId);
	if (!food) throw new Error(foodId);
	const way = freezeWays({
		thing: thingOf(food),
		grams,
		food_C: 18,
		kitchen,
		choices: { cut },
		now: start
	}).ways.find((w): w is FreezeWay => w.kind === 'way' && w.id === wayId);
	if (!way) throw new Error(wayId);
	return planFreeze([{ way, lotId: 'lot', called: food.name, form: 'whole', raw_g: grams }], kitchen);
}
const beans = planOf('green-beans', 'cut', 'blanch:cut');
let n = 0;
const ev = (at_s: number, tap: FreezeTap): FreezeEvent =>
	({ ...tap, id: `e${String(++n).padStart(6, '0')}`, at: start + at_s * 1000 }) as FreezeEvent;
const move = (at_s: number, potful: number, to: Extract<FreezeTap, { type: 'move' }>['to']) =>
	ev(at_s, { type: 'move', potful, to });
const fold = (events: readonly FreezeEvent[], plan = beans) => freeze.fold(plan, start, events);

/** Somebody at the stove who always does what the page says, a few seconds after it says so. */
function follow(plan: FreezePlan, most = 3000): { events: FreezeEvent[]; state: FreezeState; now: number } {
	const events: FreezeEvent[] = [];
	let now = start;
	for (let step = 0; step < most; step++) {
		const state = fold(events, plan);
		const acts = nextActs(plan, state, now);
		const act = acts.find((a) => a.ready && a.button);
		if (act?.button) {
			now += 4000;
			events.push({ ...act.button.tap, id: `f${String(step).padStart(6, '0')}`, at: now } as FreezeEvent);
			continue;
		}
		if (acts[0]?.kind === 'pack') return { events, state, now };
		const dues = acts.map((a) => a.due).filter((d): d is number => d !== null && d > now);
		now = dues.length > 0 ? Math.min(...dues) : now + 30_000;
	}
	return { events, state: fold(events, plan), now };
}

describe('a run of any food', () => {
	const all = foodRows.flatMap((food) =>
		food.cuts.flatMap((cut) =>
			freezeWays({
				thing: thingOf(food),
				grams: 4200,
				food_C: 18,
				kitchen,
				choices: { cut: cut.id },
				now: start
			})
				.ways.filter((w): w is FreezeWay => w.kind === 'way')
				.map((way) => [food.id, cut.id, way.id] as const)
		)
	);
	it.each(all)('%s, %s, %s: led step by step, it comes to its packs', (food, cut, way) => {
		const plan = planOf(food, cut, way);
		const { state } = follow(plan);
		expect(tally(state).firm_g).toBe(only(plan).load_g);
	});
	it('cools stock before it is filled and frozen, wraps meat before, and asks for no tray', () => {
		const stock = planOf('chicken-stock', 'portions', 'raw');
		expect(only(stock).stages.map((s) => s.id)).toEqual(['chill', 'freeze']);
		const [cool] = only(stock).stages;
		expect(cool && stageWords(only(stock), cool, 'us').hint).toMatch(/70 °F within 2 hours, 41 °F within 6/);
		const words = (plan: FreezePlan) =>
			JSON.stringify([
				only(plan).stages.map((stage) => stageWords(only(plan), stage, plan.units)),
				nextActs(plan, fold([ev(0, { type: 'weigh', grams: only(plan).load_g })], plan), start + 1000)
			]);
		for (const plan of [stock, planOf('chicken', 'whole', 'raw'), planOf('beef', 'roast', 'raw')])
			expect(words(plan)).not.toMatch(/tray/i);
		expect(words(planOf('strawberries', 'whole', 'raw'))).toMatch(/tray/);
	});
});

describe('a run', () => {
	it('starts cold, with the expected amount shared into potfuls', () => {
		const state = fold([]);
		expect(state.kettles[0]?.state).toBe('cold');
		expect(state.potfuls.reduce((s, p) => s + p.grams, 0)).toBe(only(beans).load_g);
		expect(nextActs(beans, state, start)[0]?.kind).toBe('heat');
	});
	it('counts the blanch from the return to the boil, not from the water', () => {
		const state = fold([
			ev(0, { type: 'heat-on' }),
			ev(10, { type: 'weigh', grams: 3700 }),
			ev(1200, { type: 'boiling' }),
			move(1210, 1, 'return'),
			move(1260, 1, 'blanch')
		]);
		expect(state.timers.find((t) => t.key.endsWith('-blanch'))?.due).toBe(start + (1260 + 180) * 1000);
	});
	it('overlaps potfuls: the next goes in while the last chills', () => {
		const events = [
			ev(0, { type: 'heat-on' }),
			ev(5, { type: 'weigh', grams: 3700 }),
			ev(1200, { type: 'boiling' }),
			move(1210, 1, 'return'),
			move(1260, 1, 'blanch'),
			move(1440, 1, 'chill')
		];
		const now = start + 1445_000;
		const acts = nextActs(beans, fold(events), now);
		expect(acts.map((a) => a.kind)).toContain('in');
		events.push(move(1450, 2, 'return'));
		const spots = fold(events).potfuls.map((p) => p.spot);
		expect(spots.slice(0, 2)).toEqual(['chill', 'return']);
	});
	it('puts lifting out of the water before everything else', () => {
		const events = [
			ev(0, { type: 'heat-on' }),
			ev(5, { type: 'weigh', grams: 3700 }),
			ev(1200, { type: 'boiling' }),
			move(1210, 1, 'return'),
			move(1260, 1, 'blanch'),
			move(1440, 1, 'chill'),
			move(1450, 2, 'return'),
			move(1500, 2, 'blanch')
		];
		const acts = nextActs(beans, fold(events), start + 1681_000);
		expect(acts[0]).toMatchObject({ kind: 'stage', key: '2-blanch' });
	});
	it('holds one potful in the pot at a time', () => {
		const state = fold([
			ev(1, { type: 'weigh', grams: 3700 }),
			ev(2, { type: 'boiling' }),
			move(3, 1, 'return'),
			move(4, 2, 'return')
		]);
		expect(state.potfuls[1]?.spot).toBe('waiting');
		expect(state.ignored[0]?.why).toMatch(/full/);
	});
	it('counts a tap of two devices once, and tells the slower one', () => {
		const state = fold([
			ev(1, { type: 'boiling' }),
			move(3, 1, 'return'),
			move(60, 1, 'blanch'),
			move(61, 1, 'blanch')
		]);
		expect(state.potfuls[0]?.since).toBe(start + 60_000);
		expect(state.ignored).toHaveLength(1);
	});
	it('takes any step back as if it had never been', () => {
		const before = [ev(1, { type: 'boiling' }), move(3, 1, 'return')];
		const slip = move(5, 1, 'blanch');
		const after = fold([...before, slip, ev(9, { type: 'undo', target: slip.id })]);
		expect({ ...after, last: null }).toEqual({ ...fold(before), last: null });
	});
	it('lays what is left out anew when it is weighed or the potfuls are made smaller', () => {
		const events = [
			ev(1, { type: 'boiling' }),
			move(3, 1, 'return'),
			ev(10, { type: 'weigh', grams: 3001 }),
			ev(20, { type: 'resize', potful_g: 300 })
		];
		const state = fold(events);
		expect(state.potfuls.reduce((s, p) => s + p.grams, 0)).toBe(3001);
		expect(Math.max(...state.potfuls.filter((p) => p.spot === 'waiting').map((p) => p.grams))).toBeLessThanOrEqual(300);
	});
	it('is held while the ice is gone', () => {
		const events = [
			ev(0, { type: 'heat-on' }),
			ev(1, { type: 'weigh', grams: 3700 }),
			ev(2, { type: 'boiling' }),
			ev(3, { type: 'hold', on: true })
		];
		expect(nextActs(beans, fold(events), start + 9000).map((a) => a.kind)).not.toContain('in');
	});
	it('does not depend on the order in which taps arrive', () => {
		const { events } = follow(beans);
		const straight = fold(events);
		fc.assert(
			fc.property(fc.shuffledSubarray(events, { minLength: events.length, maxLength: events.length }), (shuffled) => {
				expect(freeze.fold(beans, start, shuffled)).toEqual(straight);
			}),
			{ numRuns: 40, seed: 5 }
		);
	});
	it('never loses or makes food, whatever is tapped in whatever order', () => {
		const tap = fc.oneof(
			fc.record({
				type: fc.constant('move' as const),
				potful: fc.integer({ min: 1, max: 7 }),
				to: fc.constantFrom(
					'return' as const,
					'blanch' as const,
					'chill' as const,
					'drain' as const,
					'freeze' as const,
					'firm' as const,
					'supper' as const
				)
			}),
			fc.record({ type: fc.constant('weigh' as const), grams: fc.integer({ min: 1, max: 9000 }) }),
			fc.record({ type: fc.constant('resize' as const), potful_g: fc.integer({ min: 20, max: 2000 }) }),
			fc.constant({ type: 'boiling' as const }),
			fc.constant({ type: 'heat-on' as const })
		);
		fc.assert(
			fc.property(fc.array(tap, { maxLength: 60 }), (taps) => {
				const state = fold(taps.map((t, i) => ev(i * 20, t)));
				expect(state.potfuls.reduce((s, p) => s + p.grams, 0)).toBe(state.subjects[0]?.load_g);
				expect(new Set(state.potfuls.map((p) => p.n)).size).toBe(state.potfuls.length);
				expect(state.potfuls.filter((p) => p.spot === 'return' || p.spot === 'blanch').length).toBeLessThanOrEqual(1);
			}),
			{ numRuns: 400, seed: 7 }
		);
	});

	it.each([
		['green-beans', 'cut', 'blanch:cut'],
		['sweet-corn', 'ears', 'blanch:ears-medium'],
		['zucchini', 'grated', 'blanch:grated-steam'],
		['tomatoes', 'skinned', 'blanch:skin-dip'],
		['potatoes', 'dice', 'cook'],
		['raspberries', 'whole', 'raw']
	])('%s, %s, %s: whoever does what the page says gets everything firm, and the sums close', (food, cut, way) => {
		const plan = planOf(food, cut, way);
		const { events, state, now } = follow(plan);
		const sums = tally(state);
		expect(sums.firm_g).toBe(state.subjects[0]?.load_g);
		expect(sums.waiting_g + sums.under_g + sums.supper_g).toBe(0);
		// Every potful had at least its published time in the water and in the ice.
		for (const potful of state.potfuls) {
			for (const stage of only(plan).stages) {
				const i = potful.path.findIndex((s) => s.spot === stage.id);
				const spent = ((potful.path[i + 1]?.at ?? 0) - (potful.path[i]?.at ?? 0)) / 1000;
				expect(spent).toBeGreaterThanOrEqual(stage.end.by === 'clock' ? stage.end.least_s : 0);
			}
		}
		const done = fold(
			[
				...events,
				{ id: 'z1', at: now + 1, type: 'pack', packs: 3, pack_g: 500, containerId: null, placeId: 'f' },
				{ id: 'z2', at: now + 2, type: 'finish' }
			],
			plan
		);
		const closing = closeRun(plan, done);
		expect(closing).toMatchObject({ raw_g: only(plan).raw_g, packs: 3, packed_g: 1500 });
		expect(closing?.yield).toBeCloseTo(1500 / only(plan).raw_g, 9);
	});

	it('stopped half-way, uses up only what had been begun', () => {
		const events = [
			ev(1, { type: 'weigh', grams: 3600 }),
			ev(2, { type: 'boiling' }),
			move(3, 1, 'return'),
			move(60, 1, 'blanch'),
			move(240, 1, 'supper'),
			ev(300, { type: 'stop', reason: 'called away' })
		];
		const state = fold(events);
		const closing = closeRun(beans, state);
		expect(closing?.supper_g).toBe(900);
		expect(closing?.raw_g).toBe(Math.round(only(beans).raw_g * (900 / 3600)));
		expect(closing?.yield).toBeNull();
		expect(state.stopReason).toBe('called away');
	});
	it('takes no taps after its end, and has no entry before', () => {
		expect(closeRun(beans, fold([]))).toBeUndefined();
		const state = fold([ev(1, { type: 'finish' }), ev(2, { type: 'boiling' })]);
		expect(state.ignored[0]?.why).toMatch(/over by then/);
	});
	it('has advice for too long, no boil and no ice, whenever there is a pot', () => {
		const list = troubles(
			beans,
			fold([ev(1, { type: 'weigh', grams: 3600 }), ev(2, { type: 'boiling' }), move(3, 1, 'return')])
		);
		expect(list.map((t) => t.id)).toEqual(expect.arrayContaining(['too-long', 'no-boil', 'ice-gone']));
		for (const t of list) expect(t.advice.length).toBeGreaterThan(0);
	});
	it('shares grams into equal potfuls exactly', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 100_000 }), fc.integer({ min: 1, max: 5000 }), (grams, most) => {
				const parts = equalParts(grams, most);
				return (
					parts.reduce((a, b) => a + b, 0) === grams &&
					Math.max(...parts) <= Math.max(most, 1) &&
					Math.max(...parts) - Math.min(...parts) <= 1
				);
			}),
			{ seed: 9 }
		);
	});
});
