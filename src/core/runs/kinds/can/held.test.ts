import { describe, expect, it } from 'vitest';
import { canTap } from '../../../../../tests/laws/can-taps';
import { Device } from '../../../../../tests/laws/devices';
import { foldHistories } from '../../../../../tests/laws/fold-law';
import { claims, tooLate } from '../../../../../tests/laws/held';
import { random } from '../../../../../tests/laws/random';
import { can } from '.';
import type { CanEvent } from './events';
import { cannerWith, canPlanOf, start, type At } from './fixture';
import { mark_Pa, type CanPlan } from './plan';

const water: At = { altitude_m: 380, heat: 'boiling-water', canner: cannerWith('weighted') };
const dial: At = { altitude_m: 380, heat: 'pressure', canner: cannerWith('dial') };
const weight: At = { altitude_m: 380, heat: 'pressure', canner: cannerWith('weighted', { pints: 18, stacked: true }) };
const where = { placeIds: ['p1'], containerIds: [null] };

const plans: readonly (readonly [string, CanPlan])[] = [
	[
		'boiling water, acid in each',
		canPlanOf([{ product: 'tomatoes/crushed', food: 'tomatoes', style: 'hot', jar: 'pint', grams: 9_000, jars: 9 }], water)
	],
	[
		'a dial read by hand',
		canPlanOf([{ product: 'green-beans/pieces', food: 'green-beans', style: 'hot', jar: 'pint', grams: 8_000, jars: 7 }], dial)
	],
	[
		'a weight, two products',
		canPlanOf(
			[
				{ product: 'green-beans/pieces', food: 'green-beans', style: 'hot', jar: 'pint', grams: 8_000, jars: 11 },
				{ product: 'carrots/pieces', food: 'carrots', style: 'hot', jar: 'pint', grams: 4_000, jars: 7 }
			],
			weight
		)
	]
]; // prettier-ignore

const seedOf = (i: number) => Number(process.env.SIEGE_SEED ?? 7) * 100_000 + i;

/** Two devices at one canner: steps of seconds and minutes, now and then a long one, late, offline, undone. */
function history(plan: CanPlan, seed: number): CanEvent[] {
	const r = random(seed);
	const devices = [new Device('a', r), new Device('b', r)];
	let now = start;
	const steps = 20 + r.below(45);
	for (let i = 0; i < steps; i++) {
		const chance = r.next();
		now += chance < 0.05 ? 0 : chance < 0.9 ? r.below(540_000) : r.below(1_800_000);
		const device = r.next() < 0.85 ? devices[0] : devices[1];
		if (!device) continue;
		const late = r.next() < 0.06 ? r.below(20) * 60_000 : 0;
		device.tap(canTap(r, plan, start, now, device.shown, where, 0.2), now, late);
	}
	return devices.flatMap((d) => d.waiting) as CanEvent[];
}

describe('no history books a batch as canned whose log does not hold its full process', () => {
	for (const [name, plan] of plans)
		it(name, () => {
			let canned = 0;
			const histories = Math.round(foldHistories * 3.4);
			for (let i = 0; i < histories; i++) {
				const seed = seedOf(i);
				const events = history(plan, seed);
				// Jars are put onto the shelf whether they may or not, and the run is closed: the book says what it claims.
				const last = Math.max(start, ...events.map((e) => e.at)) + 60_000;
				const greedy = plan.subjects.map((s): CanEvent => ({
					id: `z-pack-${s.n}`, at: last, device: 'z', n: s.n, type: 'pack', subject: s.n, packs: 1, pack_g: s.portion_g, containerId: null, placeId: 'p1'
				})); // prettier-ignore
				const end: CanEvent = { id: 'z-end', at: last + 1, device: 'z', n: 99, type: 'finish' };
				const all = [...events, ...greedy, end];
				const state = can.fold(plan, start, all);
				const book = can.book(plan, state);
				expect(claims(plan, book, all, tooLate(state.ignored)), `seed ${seed}`).toEqual([]);
				canned += book.entries.filter((e) => e.method === 'can').reduce((sum, e) => sum + e.closing.packs, 0);
			}
			// It is a law about something: many of them do come to their jars.
			expect(canned).toBeGreaterThan(histories / 50);
		});

	it('and what checks it does find what is missing', () => {
		const [, plan] = plans[1] ?? [];
		if (!plan) throw new Error('no plan');
		const log = (minutes: number) => ({
			n: 1,
			jars: 7,
			acid: null,
			minutes: 20,
			ventFrom: start,
			ventTo: start + 600_000,
			heldFrom: start + 1_200_000,
			heatOff: start + 1_200_000 + minutes * 60_000,
			restarts: [],
			words: []
		});
		const book = (minutes: number) => ({
			...can.book(plan, can.fold(plan, start, [{ id: 'x', at: start, type: 'finish' }])),
			entries: [
				{
					...(can.book(plan, can.fold(plan, start, [{ id: 'x', at: start, type: 'finish' }])).entries[0] ?? never()),
					closing: { packs: 7, canning: { loads: [log(minutes)] } }
				}
			]
		}) as unknown as ReturnType<typeof can.book>; // prettier-ignore
		const mark = mark_Pa(plan);
		const taps = (...list: readonly (readonly [number, Record<string, unknown>])[]): CanEvent[] =>
			list.map(([min, tap], i) => ({ id: `t${i}`, at: start + min * 60_000, load: 1, ...tap }) as unknown as CanEvent);
		const good = [
			[0, { type: 'venting' }],
			[10, { type: 'weight-on' }],
			[20, { type: 'gauge', Pa: mark }],
			[30, { type: 'gauge', Pa: mark }],
			[40, { type: 'heat-off' }]
		] as const;
		const printed = { id: 'p', at: start, type: 'as-printed', product: 1, word: 'yes' } as const;
		expect(claims(plan, book(20), [printed, ...taps(...good)])).toEqual([]);
		expect(claims(plan, book(19), [printed, ...taps(...good)])[0]).toMatch(/less than its minutes/);
		expect(claims(plan, book(20), taps(...good))[0]).toMatch(/not made as printed/);
		expect(claims(plan, book(20), [printed, ...taps(...good.slice(1))])[0]).toMatch(/not vented/);
		expect(claims(plan, book(20), [printed, ...taps(...good, [25, { type: 'gauge', Pa: mark - 1 }])])[0]).toMatch(
			/fell/
		);
		expect(claims(plan, book(20), [printed, ...taps(...good.filter(([m]) => m !== 30), [29, { type: 'note' }])])).toEqual([
			'load 1: a stretch that nobody spoke for'
		]); // prettier-ignore
	});
});
const never = (): never => {
	throw new Error('no entry');
};
